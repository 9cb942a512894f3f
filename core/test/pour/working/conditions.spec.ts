import { expect } from 'chai'
import { clockKeys, checkClockRecord, clockMoveKey, moveOfKey } from '../../../src/batch'
import type { BatchPlan } from '../../../src/batch'
import {
  batterConditions,
  minutesUntil,
  modelThickening,
  notYetOf,
  scaledThickening,
  scentPourOf,
  timedPourOf,
  timingOf,
  usualBehaviour,
} from '../../../src/pour'
import type { BatterSource } from '../../../src/pour'

const source: BatterSource = {
  recipe: {
    fats: [
      { fatKey: 'olive', share: 0.5 },
      { fatKey: 'coconut', share: 0.5 },
    ],
    lyeConcentration: 0.33,
    liquids: [{ name: 'Goat milk', waterShare: 0.87, partOfWater: 0.3, place: 'fats', contains: [] }],
    additives: [{ name: 'Honey', basis: 'fats', rate: 0.01, place: 'emulsion', wetting: null, contains: [] }],
  },
  scent: { name: 'Blend', rate: 0.04, supplierLimit: null, behaviour: 'calm' },
  colours: [{ name: 'titanium white' }, { name: 'night' }],
  soapingTemperatureC: 43,
}

describe('notYetOf', () => {
  it('takes the latest of what a thicker batter would not have let be', () => {
    const record = (stepKey: string, actual: number) => ({ stepKey, actual, at: '', makerId: '', note: '' })
    const lines = [{ kind: 'drop' }, { kind: 'texture' }, { kind: 'hanger' }] as const
    expect(notYetOf([record(clockKeys.stillFlows, 4), record(clockMoveKey(2), 6)], lines)).to.deep.equal({
      minutes: 6,
      thickened: 0.9,
    })
    // A textured top wants it thick.
    expect(notYetOf([record(clockKeys.stillFlows, 4), record(clockMoveKey(1), 9)], lines)?.minutes).to.equal(4)
    expect(notYetOf([record(clockKeys.medium, 4)], lines)).to.equal(undefined)
  })
})

describe('batterConditions', () => {
  it('takes the blending from the school of the recipe', () => {
    const school = { lye: 'same_day', gel: 'kept', scent: 'last' } as const
    const of = (blending?: 'brief') =>
      batterConditions({ ...source, recipe: { ...source.recipe, school: { ...school, blending } } })
    expect([of().blending, of('brief').blending]).to.deep.equal(['usual', 'brief'])
    expect(modelThickening(of('brief')).plainMin).to.be.above(modelThickening(of()).plainMin)
  })

  it('reads what thickens a batter from its plan', () => {
    expect(batterConditions(source)).to.deep.include({
      temperatureC: 43,
      lyeConcentration: 0.33,
      pots: 2,
      scentLast: true,
      blending: 'usual',
      thickeners: ['sugar', 'milk'],
      scents: [{ name: 'Blend', rate: 0.04, behaviour: 'calm' }],
    })
  })

  it('goes by the temperature that was measured, and by the parts of a blend', () => {
    const parts = [
      { name: 'a', share: 0.75, supplierLimit: null, behaviour: 'races' as const },
      { name: 'b', share: 0.25, supplierLimit: null },
    ]
    const blend = { ...source, scent: { ...source.scent!, parts } }
    const found = batterConditions(blend, { measuredC: 38 })
    expect(found.temperatureC).to.equal(38)
    expect(found.scents).to.deep.equal([
      { name: 'a', rate: 0.03, behaviour: 'races' },
      { name: 'b', rate: 0.01, behaviour: 'calm' },
    ])
    // A white pigment thickens its own pot only; a pot without scent is not sped by it.
    const pots = [{ name: 'titanium white' }, { name: 'night', scentPart: 0 }]
    expect(batterConditions({ ...source, colours: pots }).paces).to.deep.equal([
      { times: Math.exp(-0.12), isScented: true },
      { times: 1, isScented: false },
    ])
    expect(batterConditions({ ...source, scent: null }).scents).to.deep.equal([])
  })
})

describe('timingOf', () => {
  const plan = source as unknown as BatchPlan
  const taps = (...of: readonly (readonly [string, number])[]) => of.map(([stepKey, actual]) => ({ stepKey, actual }))

  it('is nothing until the clock is started', () => {
    expect(timingOf(plan, taps(['temperature:fats', 40]))).to.equal(undefined)
  })

  it('keeps the taps, the temperatures as measured and the fallback; the last of a kind holds', () => {
    const records = taps(
      ['temperature:lye', 38],
      ['temperature:fats', 42],
      [clockKeys.emulsion, 29_000_000],
      [clockKeys.medium, 6],
      [clockKeys.medium, 7],
      [clockKeys.fallback, 8],
      [clockKeys.tooThick, 11],
    )
    const timing = timingOf(plan, records)!
    expect(timing.batter.temperatureC).to.equal(40)
    expect(timing.seen).to.deep.equal([
      { minutes: 7, thickened: 0.5 },
      { minutes: 11, thickened: 1 },
    ])
    expect(timing.fellBackAtMin).to.equal(8)
    expect(timedPourOf(timing)).to.deep.include({ seenMin: 11, thickened: 1 })
    expect(timedPourOf({ ...timing, seen: [] })).to.equal(undefined)
  })

  it('tells what the scent did, in relation to the batter without it', () => {
    const { batter } = timingOf(plan, taps([clockKeys.emulsion, 1]))!
    const plain = { ...modelThickening(batter), scentTimes: 1, scentAtMin: 0 }
    const story = (times: number) =>
      scentPourOf({
        batter,
        seen: [{ minutes: minutesUntil(1, scaledThickening(plain, times)), thickened: 1 }],
        fellBackAtMin: undefined,
      })!
    expect([0.2, 0.6, 1, 1.5].map((times) => story(times).behaviour)).to.deep.equal([
      'races',
      'speeds',
      'calm',
      'slows',
    ])
    expect(story(0.6).times).to.be.closeTo(0.6, 1e-6)
    expect(usualBehaviour([story(0.2), story(1), story(1)])).to.equal('calm')
    expect(usualBehaviour([story(1), story(0.2)])).to.equal('races')
    expect(usualBehaviour([])).to.equal(undefined)
  })
})

describe('checkClockRecord', () => {
  const codes = (key: string, actual: number | null) => checkClockRecord(key, actual).map(({ code }) => code)

  it('takes taps and moves that are done, and nothing else', () => {
    expect(codes(clockKeys.emulsion, 29_000_000)).to.deep.equal([])
    expect(codes(clockMoveKey(3), 4.5)).to.deep.equal([])
    expect(moveOfKey(clockMoveKey(3))).to.equal(3)
    expect(moveOfKey('pour')).to.equal(undefined)
    expect(codes('clock:boiling', 3)).to.deep.equal(['clock_tap_unknown'])
    expect(codes('clock:move:x', 3)).to.deep.equal(['clock_tap_unknown'])
    expect(codes(clockKeys.thin, null)).to.deep.equal(['clock_time_missing'])
    expect(codes(clockKeys.thin, -1)).to.deep.equal(['clock_range'])
    expect(codes(clockKeys.thin, 1441)).to.deep.equal(['clock_range'])
    expect(codes(clockKeys.emulsion, 0)).to.deep.equal(['clock_not_set'])
  })
})
