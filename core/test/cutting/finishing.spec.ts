import { expect } from 'chai'
import fc from 'fast-check'
import type { FaultKey } from '../../src/cutting'
import {
  bevelledOffMm3,
  cutWindow,
  edgeGroups,
  faultKeys,
  faults,
  faultCounts,
  finishTime,
  finishingOf,
  minutesPerBar,
  planedOffMm3,
  sidesNow,
} from '../../src/cutting'

const sides = { widthMm: 80, heightMm: 55, thicknessMm: 25 }

/** Whether a point of a bar is cut away by a bevel. */
function isOff(at: readonly [number, number, number], legMm: number, edges: readonly string[]): boolean {
  const [x, y, z] = ([at[0], at[1], at[2]] as const).map((mm, side) =>
    Math.min(mm, [sides.widthMm, sides.heightMm, sides.thicknessMm][side]! - mm),
  ) as [number, number, number]
  return (
    (edges.includes('widthMm') && y + z < legMm) ||
    (edges.includes('heightMm') && x + z < legMm) ||
    (edges.includes('thicknessMm') && x + y < legMm)
  )
}

describe('bevelledOffMm3', () => {
  it('is a prism along each edge, with what meets at the corners counted once', () => {
    expect(bevelledOffMm3(sides, 4, ['widthMm'])).to.be.closeTo(4 * 80 * 8, 1e-9)
    expect(bevelledOffMm3(sides, 4, ['widthMm', 'heightMm'])).to.be.closeTo(4 * 135 * 8 - (8 * 64) / 3, 1e-9)
    expect(bevelledOffMm3(sides, 4, edgeGroups)).to.be.closeTo(4 * 160 * 8 - 8 * 64 * 0.75, 1e-9)
    expect(bevelledOffMm3(sides, 4, [])).to.equal(0)
  })

  it('agrees with counting points of a fine grid in one corner', () => {
    const chosen = fc.subarray([...edgeGroups], { minLength: 1 })
    fc.assert(
      fc.property(chosen, fc.double({ min: 2, max: 10, noNaN: true }), (edges, legMm) => {
        const stepMm = legMm / 20
        // Past the leg from the corner, all that is left are straight prisms.
        const reach = 20
        let inCorner = 0
        for (let i = 0; i < reach; i++)
          for (let j = 0; j < reach; j++)
            for (let k = 0; k < reach; k++)
              if (isOff([(i + 0.5) * stepMm, (j + 0.5) * stepMm, (k + 0.5) * stepMm], legMm, edges)) inCorner += 1
        const straight = edges.reduce((sum, edge) => sum + 4 * (sides[edge] - 2 * legMm) * (legMm ** 2 / 2), 0)
        const counted = straight + 8 * inCorner * stepMm ** 3
        expect(bevelledOffMm3(sides, legMm, edges)).to.be.closeTo(counted, 8 * 0.06 * legMm ** 3)
      }),
      { numRuns: 30 },
    )
  })

  it('is refused where two bevels would meet', () => {
    expect(() => bevelledOffMm3(sides, 13, edgeGroups)).to.throw('half of 25 mm')
    expect(() => bevelledOffMm3(sides, 0, edgeGroups)).to.throw('Expected a leg')
    // Two that just meet leave an edge.
    expect(bevelledOffMm3(sides, 12.5, ['widthMm'])).to.be.closeTo(80 * 4 * 78.125, 1e-9)
    expect(planedOffMm3(sides, { planedMm: 1.5, faces: 2 })).to.equal(13_200)
  })
})

describe('finishingOf', () => {
  const mould = {
    lengthMm: 250,
    widthMm: 80,
    heightMm: 55,
    linerMm: 0,
    fillHeightMm: 55,
    barThicknessMm: 25,
    kerfMm: 0,
    endTrimMm: 0,
  }
  const loaf = { cut: { bars: 10, firstBarG: 110 } }
  const bar = { widthMm: 80, heightMm: 55, thicknessMm: 25 }
  const barMm3 = 80 * 55 * 25

  it('takes off each bar what its volume tells, and says when the scale says much else', () => {
    const planed = finishingOf(mould, loaf, { finish: 'planed', planedMm: 1, faces: 2, bars: 10 })!
    // Two of 25 mm: 8 % of 110 g.
    expect(planed.eachG).to.be.closeTo(8.8, 1e-9)
    expect(planed.allG).to.be.closeTo(88, 1e-9)
    expect([88, 70, 112].map((massG) => planed.isFarOff(massG))).to.deep.equal([false, false, false])
    expect([10, 200].map((massG) => planed.isFarOff(massG))).to.deep.equal([true, true])
    // 35 % of 88 g and a gram: from 56.2 to 119.8.
    expect([56.1, 56.3, 119.7, 119.9].map((massG) => planed.isFarOff(massG))).to.deep.equal([true, false, false, true])
    const bevelled = finishingOf(mould, loaf, { finish: 'bevelled', legMm: 4, edges: ['widthMm'], bars: 3 })!
    expect(bevelled.allG).to.be.closeTo((3 * 110 * bevelledOffMm3(bar, 4, ['widthMm'])) / barMm3, 1e-9)
  })

  it('weighs shavings as heavy as the bar is by then', () => {
    // A cured bar of 98 g: 8 % of it.
    const planed = finishingOf(mould, loaf, { finish: 'planed', planedMm: 1, faces: 2, bars: 10 }, 98)!
    expect(planed.eachG).to.be.closeTo(7.84, 1e-9)
  })

  it('planes small faces too', () => {
    const planed = { finish: 'planed', planedMm: 1, faces: 1, across: 'heightMm', bars: 1 } as const
    // One of 55 mm: 2 g of 110.
    expect(finishingOf(mould, loaf, planed)!.eachG).to.be.closeTo(2, 1e-9)
    expect(finishingOf(mould, loaf, { ...planed, across: 'widthMm', faces: 2 })!.eachG).to.be.closeTo(2.75, 1e-9)
    expect(planedOffMm3(bar, { planedMm: 1, faces: 2, across: 'heightMm' })).to.equal(80 * 25 * 2)
  })

  it('bevels what planing has left', () => {
    const planed = { planedMm: 1.5, faces: 2 }
    const done = { ...loaf, finished: [{ finish: 'planed', bars: 10, minutes: 6, planed } as const] }
    const bevels = { finish: 'bevelled', legMm: 4, edges: [...edgeGroups], bars: 10 } as const
    // 22 mm thick: 4 · (80 + 55 + 22) · 8 - 384 = 4640 mm³ of the whole bar's 110 000, of 110 g.
    expect(finishingOf(mould, done, bevels)!.eachG).to.be.closeTo(4.64, 1e-9)
    // Twenty bars planed of ten are every bar twice.
    const twice = { ...loaf, finished: [...done.finished, ...done.finished] }
    expect(sidesNow(bar, twice).thicknessMm).to.equal(19)
    expect(sidesNow(bar, { cut: { bars: 20 }, finished: twice.finished }).thicknessMm).to.equal(22)
    expect(sidesNow(bar, { ...loaf, finished: [] })).to.deep.equal(bar)
    // Records from before planing kept its sizes tell nothing of them.
    expect(sidesNow(bar, { ...loaf, finished: [{ finish: 'planed', bars: 10, minutes: 6 }] })).to.deep.equal(bar)
  })

  it('is none where nothing was cut, bevels would meet, or nothing of the bar would be left', () => {
    const work = { finish: 'planed', planedMm: 1, faces: 2, bars: 10 } as const
    expect(finishingOf(mould, { cut: undefined }, work)).to.equal(undefined)
    expect(finishingOf(mould, loaf, { ...work, planedMm: 12.5 })).to.equal(undefined)
    expect(finishingOf(mould, loaf, { finish: 'bevelled', legMm: 13, edges: ['widthMm'], bars: 1 })).to.equal(undefined)
  })
})

describe('minutesPerBar', () => {
  it('begins with the estimate and goes over to what was logged', () => {
    expect(minutesPerBar('bevelled', [])).to.equal(1)
    expect(minutesPerBar('bevelled', [{ finish: 'planed', bars: 100, minutes: 500 }])).to.equal(1)
    expect(minutesPerBar('bevelled', [{ finish: 'bevelled', bars: 20, minutes: 60 }])).to.equal(2)
    expect(minutesPerBar('bevelled', [{ finish: 'bevelled', bars: 20, minutes: 60 }], 5)).to.equal(4)
    expect(minutesPerBar('bevelled', [{ finish: 'bevelled', bars: 2000, minutes: 6000 }])).to.be.closeTo(3, 0.05)
  })
})

describe('finishTime', () => {
  it('tells each bar’s minutes, all of them to the minute, and whether they were learned here', () => {
    const logged = [{ finish: 'bevelled' as const, bars: 20, minutes: 32 }]
    // 32 minutes for 20 bars and a minute for each of the estimate’s 20: 1.3 a bar.
    expect(finishTime('bevelled', 12, logged)).to.deep.equal({ eachMin: 1.3, allMin: 16, isLearned: true })
    expect(finishTime('planed', 12, logged)).to.deep.equal({ eachMin: 0.6, allMin: 7, isLearned: false })
    expect(finishTime('planed', 10, [], 2)).to.deep.equal({ eachMin: 2, allMin: 20, isLearned: false })
  })
})

describe('cutWindow', () => {
  const recipe = { setDaysMin: 2, setDaysMax: 4, lyeConcentration: 0.3, oven: false }
  it('is the recipe’s setting time, a day sooner out of the oven or with strong lye', () => {
    expect(cutWindow('2027-03-08', recipe)).to.deep.equal({
      softUntilDay: '2027-03-09',
      fromDay: '2027-03-10',
      untilDay: '2027-03-12',
      stampUntilDay: '2027-03-12',
    })
    expect(cutWindow('2027-03-08', { ...recipe, oven: true })).to.deep.include({
      fromDay: '2027-03-09',
      untilDay: '2027-03-11',
    })
    // 36 % is strong already.
    expect(cutWindow('2027-03-08', { ...recipe, lyeConcentration: 0.36 }).fromDay).to.equal('2027-03-09')
    expect(cutWindow('2027-03-08', { ...recipe, lyeConcentration: 0.359 }).fromDay).to.equal('2027-03-10')
    expect(cutWindow('2027-03-08', { ...recipe, lyeConcentration: 0.38, setDaysMin: 1 }).fromDay).to.equal('2027-03-09')
  })
})

describe('faultCounts', () => {
  it('has the fault of most loaves first', () => {
    const loaf = (...foundFaults: FaultKey[]) => ({ foundFaults })
    expect(faultCounts([loaf('bleeding', 'cracks', 'ash'), loaf('bleeding', 'ash'), loaf('bleeding')])).to.deep.equal([
      { fault: 'bleeding', loaves: 3 },
      { fault: 'ash', loaves: 2 },
      { fault: 'cracks', loaves: 1 },
    ])
    expect(faultCounts([loaf(), loaf()])).to.deep.equal([])
  })
})

describe('faults', () => {
  it('hold a loaf back where they bite or go off', () => {
    expect(faultKeys.filter((key) => faults[key].holdsBack)).to.deep.equal(['orange_spots', 'lye_pocket'])
  })
})
