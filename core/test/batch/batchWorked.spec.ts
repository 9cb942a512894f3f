import { expect } from 'chai'
import { batchPlan, checkStepRecord, mouldsBatterG, pourSession, pouredPerMould, scaleDesign } from '../../src/batch'
import type { BatchPlan, StepRecord } from '../../src/batch'
import { workedPlan, workedRecipe, workedSource } from '../blends'

/** Records of every step before one, as they are asked for. */
function upTo(plan: BatchPlan, stepKey: string): readonly StepRecord[] {
  const records: StepRecord[] = []
  for (;;) {
    const state = pourSession(plan, records)
    const step = state.steps[state.nextIndex]
    if (!step || step.key === stepKey) return records
    records.push({ stepKey: step.key, actual: step.target })
  }
}
const codes = (plan: BatchPlan, stepKey: string, actual: number) =>
  checkStepRecord(plan, upTo(plan, stepKey), { stepKey, actual }).map(({ code }) => code)

describe('batter reckoned by hand', () => {
  it('is more by what is kept back for the top, and less by what stands in it', () => {
    const whole = scaleDesign(workedSource)
    const topped = scaleDesign({ ...workedSource, design: { ...workedSource.design, topMl: 150 } })
    const displaced = scaleDesign({ ...workedSource, design: { ...workedSource.design, displacedMl: 200 } })
    expect(whole.mouldsMl).to.be.closeTo(1200, 1e-9)
    expect(topped.mouldsMl).to.be.closeTo(1350, 1e-9)
    expect(displaced.mouldsMl).to.be.closeTo(1000, 1e-9)
    // Made = wanted / (1 − what sticks to the pots), to the gram of each fat.
    for (const { mouldsMl, madeMl } of [whole, topped, displaced]) expect(madeMl).to.be.closeTo(mouldsMl / 0.98, 3)
    expect(topped.weights.batterG / whole.weights.batterG).to.be.closeTo(1350 / 1200, 0.003)
  })

  it('is shared out among moulds of several kinds by what each takes', () => {
    const tray = { ...workedSource.mould, name: 'Tray', id: 'tray', fillHeightMm: 30 }
    const plan = batchPlan({ ...workedSource, more: [{ mould: tray, count: 2 }] })
    expect(plan.moulds?.map(({ name, count }) => [name, count])).to.deep.equal([
      ['Loaf', 1],
      ['Tray', 2],
    ])
    const [loafG = 0, trayG = 0] = plan.moulds?.map(({ batterG }) => batterG) ?? []
    expect(loafG / trayG).to.be.closeTo(2, 1e-9)
    expect(mouldsBatterG(plan)).to.be.closeTo(plan.weights.batterG * 0.98, 1e-6)
  })

  it('is what was made less what was left, in each mould', () => {
    const records = upTo(workedPlan(), 'left')
    const made = workedPlan().weights.batterG
    const [all = 0] = pouredPerMould(workedPlan(), records)
    expect(all).to.be.closeTo(mouldsBatterG(workedPlan()), 1)
    const [less = 0] = pouredPerMould(workedPlan(), [...records, { stepKey: 'left', actual: 100 }])
    expect(less).to.be.closeTo(made - 100, 1)
  })
})

describe('a weighing that cannot be', () => {
  it('is three times too much, or three times too little', () => {
    expect(codes(workedPlan(), 'fat:olive', 381 * 3 + 1)).to.deep.equal(['mass_implausible'])
    expect(codes(workedPlan(), 'fat:olive', 381 * 3)).to.deep.equal([])
    expect(codes(workedPlan(), 'fat:olive', 127)).to.deep.equal([])
    expect(codes(workedPlan(), 'fat:olive', 126.9)).to.deep.equal(['mass_implausible'])
    expect(codes(workedPlan(), 'fat:olive', 0)).to.deep.equal(['weighing_range'])
  })

  it('is less water than alkali, what a liquid in the lye brings counted', () => {
    const { naohG } = workedPlan().weights
    expect(codes(workedPlan(), 'water', naohG - 1)).to.deep.equal(['water_below_lye'])
    expect(codes(workedPlan(), 'water', naohG)).to.deep.equal([])
    const milk = { name: 'Goat milk', waterShare: 0.87, partOfWater: 0.2, place: 'lye' as const, contains: [] }
    const plan = batchPlan({ ...workedSource, recipe: { ...workedRecipe, liquids: [milk] } })
    const brought = plan.weights.liquids?.[0]?.waterG ?? 0
    expect(brought).to.be.above(40)
    expect(codes(plan, 'water', plan.weights.naohG - brought + 1)).to.deep.equal([])
    expect(codes(plan, 'water', plan.weights.naohG - brought - 1)).to.deep.equal(['water_below_lye'])
    // The same milk put into the fats dissolves no lye.
    const late = batchPlan({ ...workedSource, recipe: { ...workedRecipe, liquids: [{ ...milk, place: 'fats' }] } })
    expect(codes(late, 'water', late.weights.naohG - 1)).to.deep.equal(['water_below_lye'])
  })

  it('is a temperature that no probe in a workshop reads', () => {
    const of = (actual: number) => codes(workedPlan(), 'temperature:lye', actual)
    expect([of(-10), of(120), of(-11), of(121)]).to.deep.equal([[], [], ['out_of_range'], ['out_of_range']])
  })
})
