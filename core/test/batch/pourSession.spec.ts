import { expect } from 'chai'
import fc from 'fast-check'
import type { BatchPlan, StepRecord } from '../../src/batch'
import {
  batchPlan,
  pourSession,
  checkStepRecord,
  madeNow,
  minutesLeft,
  potG,
  pouredPerMould,
  runSheet,
  shareDone,
  toGo,
} from '../../src/batch'
import { isRefused } from '../../src/findings'
import type { Recipe, School } from '../../src/recipe'
import { usualSchool } from '../../src/recipe'
import { workedPlan, workedRecipe, workedSource } from '../blends'
import { plainly } from '../plainly'

/** Records of every step before `stepKey`, as asked for at its time, with some figures replaced. */
function upTo(
  plan: BatchPlan,
  stepKey: string | null,
  replaced: Readonly<Record<string, number>> = {},
): readonly StepRecord[] {
  const records: StepRecord[] = []
  for (;;) {
    const state = pourSession(plan, records)
    const step = state.steps[state.nextIndex]
    if (!step || step.key === stepKey) return records
    records.push({ stepKey: step.key, actual: replaced[step.key] ?? step.target })
  }
}

const targetOf = (records: readonly StepRecord[], key: string) =>
  pourSession(workedPlan(), records).steps.find((step) => step.key === key)?.target

describe('runSheet', () => {
  it('goes in the order of the work', () => {
    const keys = runSheet(workedPlan()).map(({ key }) => key)
    expect(keys).to.deep.equal([
      'moulds',
      'fat:olive',
      'fat:coconut',
      'fat:shea',
      'melt',
      'goggles',
      'water',
      'naoh',
      'dissolve',
      'temperature:lye',
      'temperature:fats',
      'emulsion',
      'pot:0',
      'pot:1',
      'scent',
      'pour',
      'left',
      'spray',
      'cover',
    ])
  })

  it('puts goggles before water, and water before lye', () => {
    const steps = runSheet(workedPlan())
    for (const key of ['water', 'naoh', 'dissolve']) {
      expect(steps.find((step) => step.key === key)?.caution, key).to.equal('lye')
    }
    expect(steps.find(({ key }) => key === 'spray')?.caution).to.equal('alcohol')
  })

  const madeIn = (school: School, oven = false) => ({ ...workedPlan(), recipe: { ...workedRecipe, school, oven } })
  const night = { lye: 'night_before', gel: 'avoided', scent: 'at_once' } as const

  it('makes the lye first where it is made the night before, and weighs the fats on the day', () => {
    const steps = runSheet(madeIn(night))
    const keys = steps.map(({ key }) => key)
    expect(keys.slice(0, 7)).to.deep.equal([
      'goggles',
      'water',
      'naoh',
      'dissolve',
      'lye-overnight',
      'moulds',
      'fat:olive',
    ])
    expect(steps.filter(({ group }) => group === 'lye_overnight')).to.have.length(5)
    expect(steps.some(({ group }) => group === 'lye')).to.equal(false)
  })

  it('stirs a calm scent in at emulsion, and any other last', () => {
    const keys = runSheet(madeIn(night)).map(({ key }) => key)
    expect(keys.slice(keys.indexOf('emulsion'), keys.indexOf('pot:0'))).to.deep.equal(['emulsion', 'scent'])
    expect(keys.filter((key) => key === 'scent')).to.have.length(1)
  })

  it('asks for the temperatures of its school', () => {
    const asked = (school: School) =>
      runSheet(madeIn(school)).flatMap(({ kind, planned }) => (kind === 'temperature' ? [planned] : []))
    expect(asked(usualSchool)).to.deep.equal([43, 43])
    expect(asked({ ...usualSchool, lye: 'same_day_hot' })).to.deep.equal([47.5, 47.5])
    expect(asked(night)).to.deep.equal([21, 43])
  })

  it('keeps the alcohol and the oven apart', () => {
    const steps = runSheet(madeIn(usualSchool, true))
    expect(plainly(steps.at(-1)?.name)).to.equal('cover_name, night oven')
    expect(steps.at(-1)?.caution).to.equal('alcohol')
    expect(plainly(steps.find(({ key }) => key === 'spray')?.detail)).to.equal('spray_detail, night oven')
    expect(plainly(runSheet(madeIn(night)).at(-1)?.name)).to.equal('cover_name, night avoided')
    expect(plainly(runSheet(workedPlan()).at(-1)?.name)).to.equal('cover_name, night kept')
  })

  it('has the same masses in every school', () => {
    const weighings = (school?: School) =>
      runSheet(school ? madeIn(school) : workedPlan())
        .flatMap(({ key, kind, planned }) => (kind === 'weigh' ? [`${key} ${planned}`] : []))
        .sort()
    expect(weighings(night)).to.deep.equal(weighings())
  })

  it('leaves out the scent of an unscented soap', () => {
    const keys = runSheet({ ...workedPlan(), scent: null }).map(({ key }) => key)
    expect(keys).not.to.include('scent')
  })
})

describe('pourSession', () => {
  it('asks for the plan while nothing is weighed', () => {
    const state = pourSession(workedPlan(), [])
    expect(state.nextIndex).to.equal(0)
    expect(state.findings).to.deep.equal([])
    expect(state.steps.find(({ key }) => key === 'naoh')?.target).to.equal(119)
  })

  it('recomputes lye and water after a fat was over-poured', () => {
    const records = upTo(workedPlan(), 'fat:shea', { 'fat:coconut': 266 })
    // (381·190 + 266·257 + 212·180)/1000 = 178.912 g KOH · 0.712888 · 0.95 = 121.17 g; · 0.67/0.33 = 245.67 g.
    expect(targetOf(records, 'naoh')).to.equal(121)
    expect(targetOf(records, 'water')).to.equal(246)
    // (381 + 266 + 212) · 0.03 = 25.77 g.
    expect(targetOf(records, 'scent')).to.equal(26)
    expect(plainly(pourSession(workedPlan(), records).findings[0])).to.equal(
      'fat_off_plan, told (fat_went_in_off, fat Coconut oil, off 12 g, way over) (lye_follows_fats, lye 121 g, water 246 g, superfat 5 %)',
    )
  })

  it('states the new superfat when the lye was weighed before', () => {
    const records = [...upTo(workedPlan(), 'dissolve'), { stepKey: 'fat:olive', actual: 400 }]
    const state = pourSession(workedPlan(), records)
    // (400·190 + 254·257 + 211·180)/1000 = 179.258 g KOH · 0.712888 = 127.791 g; 1 − 119/127.791 = 6.88 %.
    expect(state.band.likely).to.be.closeTo(0.0688, 0.0001)
    expect(state.findings.map(plainly)).to.include(
      'fat_off_plan, told (fat_went_in_off, fat Olive oil, off 19 g, way over) (lye_was_weighed, superfat 6.9 %) (more_lye_brings_back, lye 2 g, water 4 g, superfat 5 %)',
    )
  })

  it('does not call lye too little that was weighed for the fats as they went in', () => {
    // 12 g of coconut over ask for 121 g; half a gram off is within the scale's step.
    const told = (naohG: number) =>
      pourSession(workedPlan(), [
        ...upTo(workedPlan(), 'naoh', { 'fat:coconut': 266 }),
        { stepKey: 'naoh', actual: naohG },
      ])
        .findings.map(plainly)
        .find((finding) => finding.startsWith('fat_off_plan'))
    expect(told(121)).to.equal(
      'fat_off_plan, told (fat_went_in_off, fat Coconut oil, off 12 g, way over) (lye_was_weighed_for_it, superfat 5 %)',
    )
    expect(told(121.4)).to.contain('(lye_was_weighed_for_it, ')
    expect(told(119)).to.contain('(lye_was_weighed, superfat 6.6 %)')
  })

  it('says how much lye is missing while it can still be dissolved, and not once it is in the fats', () => {
    const night = batchPlan({
      ...workedSource,
      recipe: { ...workedRecipe, school: { lye: 'night_before', gel: 'kept', scent: 'last' } },
    })
    const weighed = upTo(night, 'melt', { 'fat:coconut': 290 })
    // (381·190 + 290·257 + 211·180)/1000 · 0.712888 = 131.813 g at no superfat; the 119 g leave 9.72 %.
    // 131.813 · (0.0972 − 0.05) = 6.2 g, rounded down.
    expect(plainly(pourSession(night, weighed).findings[0])).to.equal(
      'fat_off_plan, told (fat_went_in_off, fat Coconut oil, off 36 g, way over) (lye_was_weighed, superfat 9.7 %) (more_lye_brings_back, lye 6 g, water 12 g, superfat 5 %)',
    )
    const blended = [...upTo(night, 'pot:0', { 'fat:coconut': 290 })]
    expect(plainly(pourSession(night, blended).findings[0])).not.to.contain('more_lye_brings_back')
  })

  it('shares the batter as weighed among the pots', () => {
    const records = upTo(workedPlan(), 'pot:0', { 'fat:coconut': 266 })
    // 858 + 121 + 246 + 26 = 1251 g; 60 % of it are 751 g, 15.6 g of them scent that comes last; the rest is 490 g.
    expect(targetOf(records, 'pot:0')).to.equal(735)
    expect(targetOf(records, 'pot:1')).to.equal(490)
  })

  it('expects what sticks to the pots to stay what it was, so that the moulds get the rest', () => {
    const planned = pourSession(workedPlan(), []).steps.find(({ key }) => key === 'left')?.target
    expect(targetOf(upTo(workedPlan(), 'left', { 'fat:coconut': 266 }), 'left')).to.equal(planned)
  })

  it('tells of lye that went in over or under, and how to mend it, with fats as planned', () => {
    const weighed = (naohG: number) =>
      pourSession(workedPlan(), [...upTo(workedPlan(), 'naoh'), { stepKey: 'naoh', actual: naohG }]).findings.map(
        plainly,
      )
    // The fats take 125.22 g; 119 g leave 4.97 %. 123 g leave 1.77 %: for 5 % it takes 123/0.95 = 129.47 g of demand,
    // 4.26 g more than there is, or 31.4 g of olive oil at 0.13545.
    expect(weighed(123)).to.deep.equal([
      'lye_off_plan, way over, superfat 1.8 %, mend (more_fat_brings_back, massG 32 g, fat olive oil, superfat 5 %)',
      // At the least that such fats take, 120.5 g.
      'worst_case_of_weighed_lye, superfat -2.1 %',
    ])
    // 115 g leave 8.16 %: 125.22 · 0.0316 = 3.96 g are missing.
    expect(weighed(115)).to.deep.equal([
      'lye_off_plan, way under, superfat 8.2 %, mend (more_lye_brings_back, lye 3 g, water 6 g, superfat 5 %)',
    ])
    expect(weighed(119)).to.deep.equal([])
    // 5.8 % are not worth mending yet.
    expect(weighed(118)).to.deep.equal([])
  })

  it('refuses lye that exceeds the fats by what went in, with the fat that mends it', () => {
    const [first] = pourSession(workedPlan(), [
      ...upTo(workedPlan(), 'naoh'),
      { stepKey: 'naoh', actual: 130 },
    ]).findings
    expect(plainly(first)).to.match(
      /^weighed_lye_exceeds_fats, superfat -3.8 %, mend \(more_fat_brings_back, massG \d+ g, /,
    )
    expect(first?.severity).to.equal('refuse')
  })

  it('says of each fat by how much and which way it went in off, from half a step of the scale on', () => {
    const off = (coconut: number, shea: number) =>
      pourSession(workedPlan(), [
        { stepKey: 'fat:coconut', actual: coconut },
        { stepKey: 'fat:shea', actual: shea },
      ]).findings.map(plainly)
    expect(off(254.4, 211.4)).to.deep.equal([])
    expect(off(254.5, 209)[0]).to.contain('(fat_went_in_off, fat Coconut oil, off 0.5 g, way over)')
    expect(off(254.5, 209)[0]).to.contain('(fat_went_in_off, fat Shea butter, off 2 g, way under)')
  })

  it('lets the last record of a step hold', () => {
    const records = [
      ...upTo(workedPlan(), 'fat:coconut'),
      { stepKey: 'fat:olive', actual: 390 },
      { stepKey: 'fat:olive', actual: 381 },
    ]
    expect(pourSession(workedPlan(), records).findings).to.deep.equal([])
  })

  it('comes to its end, with what each loaf has got', () => {
    const records = upTo(workedPlan(), null)
    expect(pourSession(workedPlan(), records).nextIndex).to.equal(runSheet(workedPlan()).length)
    // 1232 g less the 25 g that were left in the pots, 2 % of it.
    expect(pouredPerMould(workedPlan(), records)).to.deep.equal([1207])
    // As expected while it is not weighed: 1232 · 0.98.
    expect(pouredPerMould(workedPlan(), upTo(workedPlan(), 'left'))).to.deep.equal([1207.4])
  })

  it('gives what is not left in the pots to the moulds', () => {
    expect(pouredPerMould(workedPlan(), upTo(workedPlan(), null, { left: 0 }))).to.deep.equal([1232])
    expect(pouredPerMould(workedPlan(), upTo(workedPlan(), null, { left: 83 }))).to.deep.equal([1149])
    const refusal = (actual: number) =>
      plainly(checkStepRecord(workedPlan(), upTo(workedPlan(), 'left'), { stepKey: 'left', actual })[0])
    expect(refusal(0)).to.equal('')
    expect(refusal(1300)).to.equal('left_range, made 1232 g')
  })

  it('keeps the superfat at or above the recipe’s, however the fats are poured', () => {
    const off = fc.integer({ min: -40, max: 60 })
    fc.assert(
      fc.property(off, off, off, (olive, coconut, shea) => {
        const replaced = { 'fat:olive': 381 + olive, 'fat:coconut': 254 + coconut, 'fat:shea': 212 + shea }
        const state = pourSession(workedPlan(), upTo(workedPlan(), 'dissolve', replaced))
        expect(state.band.likely).to.be.within(0.05 - 0.005, 0.05 + 0.005)
      }),
    )
  })
})

describe('checkStepRecord', () => {
  const refusal = (records: readonly StepRecord[], stepKey: string, actual: number | null) =>
    checkStepRecord(workedPlan(), records, { stepKey, actual })[0]

  it('takes what was asked for', () => {
    expect(checkStepRecord(workedPlan(), upTo(workedPlan(), 'naoh'), { stepKey: 'naoh', actual: 119 })).to.deep.equal(
      [],
    )
    expect(checkStepRecord(workedPlan(), [], { stepKey: 'moulds', actual: null })).to.deep.equal([])
  })

  it('refuses lye that exceeds the fats, and says what to take back', () => {
    // The fats take 175.828 · 0.712888 = 125.35 g.
    const found = refusal(upTo(workedPlan(), 'naoh'), 'naoh', 126)
    expect(found?.code).to.equal('weighing_exceeds_fats')
    expect(plainly(found)).to.contain('(take_back_out, over 7 g)')
    expect(refusal(upTo(workedPlan(), 'naoh'), 'naoh', 125)).to.equal(undefined)
  })

  it('refuses less water than lye', () => {
    expect(refusal(upTo(workedPlan(), 'water'), 'water', 118)?.code).to.equal('water_below_lye')
  })

  it('refuses slips of the hand: far off, nothing, negative, huge, no figure', () => {
    const records = upTo(workedPlan(), 'fat:olive')
    expect(plainly(refusal(records, 'fat:olive', 3810))).to.equal('mass_implausible, actual 3810 g, target 381 g')
    expect(refusal(records, 'fat:olive', 0)?.code).to.equal('weighing_range')
    expect(refusal(records, 'fat:olive', -5)?.code).to.equal('weighing_range')
    expect(refusal(records, 'fat:olive', 1e9)?.code).to.equal('weighing_range')
    expect(refusal(records, 'fat:olive', null)?.code).to.equal('figure_missing')
  })

  it('refuses steps out of order and steps that are none', () => {
    expect(plainly(refusal([], 'naoh', 119))).to.contain('first (line_title')
    expect(refusal([], 'dance', null)?.code).to.equal('unknown_step')
  })

  it('refuses a temperature that no probe shows', () => {
    const records = upTo(workedPlan(), 'temperature:lye')
    expect(refusal(records, 'temperature:lye', 400)?.code).to.equal('out_of_range')
    expect(refusal(records, 'temperature:lye', 43)).to.equal(undefined)
  })

  it('refuses going back to too little fat once the lye is weighed', () => {
    const records = upTo(workedPlan(), 'dissolve')
    expect(plainly(refusal(records, 'fat:coconut', 200))).to.contain('(add_missing_fat)')
  })

  it('never lets through a record that leaves lye over', () => {
    const records = upTo(workedPlan(), 'naoh')
    fc.assert(
      fc.property(fc.double({ min: 0, max: 400, noNaN: true }), (actual) => {
        const findings = checkStepRecord(workedPlan(), records, { stepKey: 'naoh', actual })
        const { band } = pourSession(workedPlan(), [...records, { stepKey: 'naoh', actual }])
        if (!isRefused(findings)) expect(band.likely).to.be.at.least(0)
      }),
    )
  })
})

describe('at the scale', () => {
  it('says what is to go and how far it has come', () => {
    expect(toGo(168, 161)).to.equal(7)
    expect(toGo(168, 170.1)).to.equal(-2.1)
    // A scale in grams cannot show 434.4 g.
    expect(toGo(434.4, 434, 1)).to.equal(0)
    expect(toGo(434.4, 433, 1)).to.equal(1.4)
    expect(shareDone(200, 50)).to.equal(0.25)
    expect(shareDone(200, 500)).to.equal(1)
    expect(shareDone(0, 5)).to.equal(0)
  })

  it('says how many minutes the steps still to do may take, by their share', () => {
    const fresh = pourSession(workedPlan(), [])
    expect(minutesLeft(fresh, 1.5)).to.equal(90)
    const half = { ...fresh, nextIndex: fresh.steps.length - 1 }
    expect(minutesLeft(half, 1.5)).to.equal(Math.round(90 / fresh.steps.length))
    expect(minutesLeft({ ...fresh, nextIndex: fresh.steps.length }, 1.5)).to.equal(0)
    expect(minutesLeft({ ...fresh, steps: [], nextIndex: 0 }, 1.5)).to.equal(0)
  })
})

describe('a batch with two alkalis, milk, clay and a fat at trace', () => {
  const recipe: Recipe = {
    ...workedRecipe,
    fats: workedRecipe.fats.map((fat) => (fat.fatKey === 'shea' ? { ...fat, atTrace: true } : fat)),
    kohShare: 0.1,
    kohPurity: 0.9,
    liquids: [{ name: 'Milk', waterShare: 0.87, partOfWater: 0.4, place: 'lye', contains: ['animal'] }],
    additives: [
      {
        name: 'White clay',
        basis: 'fats',
        rate: 0.02,
        place: 'emulsion',
        wetting: { with: 'water', ratio: 2 },
        contains: [],
      },
      { name: 'Oats', basis: 'bar', rate: 1, place: 'trace', wetting: { with: 'fat', ratio: 2 }, contains: [] },
    ],
  }
  let plan: BatchPlan
  let weights: BatchPlan['weights']
  beforeEach(() => {
    plan = batchPlan({ ...workedSource, recipe })
    weights = plan.weights
  })
  const done = (keys: readonly string[], over: Readonly<Record<string, number>> = {}): StepRecord[] =>
    pourSession(plan, [])
      .steps.filter(({ key }) => keys.includes(key))
      .map(({ key, target }) => ({ stepKey: key, actual: over[key] ?? target }))

  it('weighs everything once: what goes in is the batter', () => {
    const steps = runSheet(plan).filter(
      ({ kind, key }) => kind === 'weigh' && !key.startsWith('pot:') && key !== 'left',
    )
    const sum = steps.reduce((total, { planned }) => total + (planned ?? 0), 0)
    // Only the water that wets the clay is in no step of its own.
    expect(sum + (weights.additives?.[0]?.wetting?.massG ?? 0)).to.be.closeTo(weights.batterG, 1e-6)
    expect(weights.pots.reduce((total, pot) => total + potG(pot), 0)).to.be.closeTo(weights.batterG, 1e-6)
  })

  it('shares out all that was weighed, each thing as it was', () => {
    const keys = [
      'fat:olive',
      'fat:coconut',
      'fat:shea',
      'water',
      'liquid:0',
      'naoh',
      'koh',
      'additive:0',
      'additive:1',
    ]
    const over = Object.fromEntries(done(keys).map(({ stepKey, actual }, at) => [stepKey, (actual ?? 0) + 1 + at]))
    const records = done(keys, over)
    // Each of nine things over by another gram: 1 + 2 + … + 9, the scent by 3 % of the 6 g of fats.
    const madeG = madeNow(plan, records)
    expect(madeG).to.be.closeTo(weights.batterG + 45, 1)
    const withScent = [...records, { stepKey: 'scent', actual: 40 }]
    expect(madeNow(plan, withScent)).to.be.closeTo(madeG - weights.scentG + 40, 1)
    const pots = pourSession(plan, records).steps.filter(({ key }) => key.startsWith('pot:') || key === 'scent')
    expect(pots.reduce((sum, { target }) => sum + (target ?? 0), 0)).to.be.closeTo(madeG, 0.51)
  })

  it('comes in the order of the work', () => {
    const keys = runSheet(plan).map(({ key }) => key)
    const order = ['fat:olive', 'goggles', 'water', 'liquid:0', 'naoh', 'koh', 'dissolve', 'emulsion', 'additive:0']
    expect(keys.filter((key) => [...order, 'fat:shea', 'additive:1'].includes(key))).to.deep.equal([
      ...order,
      'fat:shea',
      'additive:1',
    ])
    expect(plainly(runSheet(plan).find(({ key }) => key === 'fat:olive')?.detail)).to.match(/^keep_fat_back, kept /)
  })

  it('reckons all of it anew when a fat goes in over', () => {
    const over = (weights.fats[0]?.massG ?? 0) + 40
    const state = pourSession(plan, [{ stepKey: 'fat:olive', actual: over }])
    const target = (key: string): number => state.steps.find((step) => step.key === key)?.target ?? 0
    expect(target('koh')).to.be.greaterThan(weights.kohG ?? 0)
    expect(target('liquid:0')).to.be.greaterThan(weights.liquids?.[0]?.massG ?? 0)
    expect(target('additive:0')).to.be.closeTo((weights.additives?.[0]?.massG ?? 0) + 0.8, 0.051)
    expect(state.band.likely).to.be.closeTo(0.05, 0.004)
  })

  it('says which fat mends a lye that went in over, and refuses one that the fats cannot take', () => {
    const before = done(['moulds', 'fat:olive', 'fat:coconut', 'melt', 'goggles', 'water', 'liquid:0'])
    const naohG = weights.naohG + 4
    const state = pourSession(plan, [...before, { stepKey: 'naoh', actual: naohG }])
    const finding = state.findings.find(({ code }) => code === 'lye_off_plan')
    const moreG = Number(
      /more_fat_brings_back, massG (\d+) g, fat olive oil, superfat 5 %/.exec(plainly(finding) ?? '')?.[1],
    )
    // With so much more olive oil the same lye leaves 5 % again.
    const oliveG = (weights.fats[0]?.massG ?? 0) + moreG
    const mended = [...before, { stepKey: 'fat:olive', actual: oliveG }, { stepKey: 'naoh', actual: naohG }]
    expect(pourSession(plan, [...mended, { stepKey: 'koh', actual: weights.kohG ?? 0 }]).band.likely).to.be.closeTo(
      0.05,
      0.001,
    )
    const [refusal] = checkStepRecord(plan, before, { stepKey: 'naoh', actual: weights.naohG + 12 })
    expect(refusal?.code).to.equal('weighing_exceeds_fats')
    expect(plainly(refusal)).to.contain('take_back_out')
  })
})
