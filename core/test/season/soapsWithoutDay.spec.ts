import { expect } from 'chai'
import { blankDesignOf, sourceOfSeason } from './seasonSourceAtTest'
import { placePours, seekingBatches, soapsWithoutDay, unplannedPrefix } from '../../src/season'

describe('soaps that a plan leaves without a day', () => {
  const whys = (source: ReturnType<typeof sourceOfSeason>, planned: readonly string[] = []) =>
    soapsWithoutDay(source, new Set(planned)).map(({ designId, why }) => [designId, why])

  it('are told with the reason, and not once the plan has them', () => {
    const source = sourceOfSeason({
      designs: [
        blankDesignOf('fog'),
        { ...blankDesignOf('lamp'), recipeId: null },
        { ...blankDesignOf('gone'), isRemoved: true },
      ],
    })
    expect(whys(source)).to.deep.equal([
      ['fog', 'no_free_day'],
      ['lamp', 'incomplete'],
    ])
    expect(whys(source, [`${unplannedPrefix}fog`])).to.deep.equal([['lamp', 'incomplete']])
    expect(seekingBatches(source).map(({ id }) => id)).to.deep.equal([`${unplannedPrefix}fog`])
  })

  it('are told as too late while they were needed a little ago, and not of what came out', () => {
    const ago = (day: string, state = 'in_work') =>
      sourceOfSeason({ designs: [blankDesignOf('fog')], releaseLocal: `${day}T12:00`, state })
    expect(whys(ago('2027-03-07'))).to.deep.equal([['fog', 'needed_before_today']])
    expect(whys(ago('2027-02-22'))).to.deep.equal([['fog', 'needed_before_today']])
    expect(whys(ago('2027-02-21'))).to.deep.equal([])
    expect(whys(ago('2027-03-07', 'released'))).to.deep.equal([])
  })
})

describe('days for the pours of a soap', () => {
  const part = (mouldCount: number) => ({
    mouldId: 'long',
    mouldCount,
    barsWanted: 18 * mouldCount,
    barThicknessMm: 25,
  })

  it('are each the last free one in time, the fuller pour first', () => {
    const source = sourceOfSeason({ designs: [blankDesignOf('fog')] })
    const placed = placePours(source, 'fog', [part(2), part(1)], {})
    // Needed on Sat 24 April: cured 28 days, cut a day after the pour; one mould of two is never enough for both on a day.
    expect(
      placed?.parts?.map(({ part: one, pourDay, cutDay, slackDays }) => [one.mouldCount, pourDay, cutDay, slackDays]),
    ).to.deep.equal([
      [2, '2027-03-24', '2027-03-25', 2],
      [1, '2027-03-26', '2027-03-27', 0],
    ])
  })

  it('are none while recipe or collection is missing, and told why where there is no room', () => {
    const source = sourceOfSeason({ designs: [{ ...blankDesignOf('fog'), recipeId: null }] })
    expect(placePours(source, 'fog', [part(1)], {})).to.equal(undefined)
    expect(placePours(source, 'other', [part(1)], {})).to.equal(undefined)
    const many = placePours(sourceOfSeason({ designs: [blankDesignOf('fog')] }), 'fog', [part(3)], {
      long: 'Long loaf',
    })
    expect(many?.parts).to.equal(undefined)
    expect(many && 'missing' in many ? many.missing.mouldCount : 0).to.equal(3)
  })
})
