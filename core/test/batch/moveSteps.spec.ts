import { expect } from 'chai'
import type { BatchPlan } from '../../src/batch'
import {
  batchPlan,
  checkStepRecord,
  clockKeys,
  mayGoUnweighed,
  moveOfStep,
  pourSession,
  runSheet,
} from '../../src/batch'
import type { MoveLine } from '../../src/pour'
import { linesOfPlan, plannedMoves } from '../../src/pour'
import { usesOfPlan, useOfStep } from '../../src/stores'
import { plainly } from '../plainly'
import { workedSource } from '../blends'

const mould = { ...workedSource.mould, lengthMm: 250, widthMm: 80, linerMm: 0 }
const lines: readonly MoveLine[] = [
  { kind: 'level', pot: 0, part: 0.5, trace: 'medium' },
  { kind: 'powder', name: 'brass rail', hex: '#B98A3E' },
  { kind: 'sloped', pot: 1, part: 1, angleDeg: 15, trace: 'thin', waitMin: 10 },
  { kind: 'drop', pot: 0, part: 0.5, xMm: 40, fallMm: 100 },
  {
    kind: 'skewer',
    path: [
      { xMm: 10, yMm: 10 },
      { xMm: 70, yMm: 10 },
    ],
  },
]
const colours = [
  { name: 'fog', hex: '#CCCCCC', share: 0.6, rateGPerKg: 0 },
  { name: 'lamp', hex: '#DD9944', share: 0.4, rateGPerKg: 0 },
]
const plan: BatchPlan = batchPlan({
  ...workedSource,
  design: { ...workedSource.design, colours },
  moves: plannedMoves(lines, [{ mould, count: 2 }]),
})
const [fogG = 0, lampG = 0] = plan.weights.pots.map(({ batterG }) => batterG)
const told = (key: string, of: BatchPlan = plan): string => {
  const step = runSheet(of).find((one) => one.key === key)
  return step ? `${plainly(step.title)} | ${step.detail ? plainly(step.detail) : ''}` : ''
}

describe('the moves of a pour at the bench', () => {
  it('are steps of their own, in order, between the pots and the air that is knocked out', () => {
    const keys = runSheet(plan).map(({ key }) => key)
    const from = keys.indexOf('pot:1')
    expect(keys.slice(from + 1, keys.indexOf('left'))).to.deep.equal([
      ...(plan.scent ? ['scent'] : []),
      'move:0',
      'move:1',
      'move:2',
      'move:3',
      'move:4',
      'pour',
    ])
    expect(moveOfStep('move:3')).to.equal(3)
    expect(moveOfStep('pot:3')).to.equal(undefined)
  })

  it('say how much of which pot, at which trace, after which wait, and what is left', () => {
    expect(told('move:0')).to.contain(`pots [(pot_mass, pot fog, mass ${fogG / 2} g)]`)
    expect(told('move:0')).to.contain('(move_trace, trace medium)')
    expect(told('move:0')).to.contain(`(move_leaves, pots [(pot_mass, pot fog, mass ${fogG / 2} g)])`)
    expect(told('move:2')).to.contain('(move_wait, minutes 10)')
    expect(told('move:2')).to.contain(`pots [(pot_mass, pot lamp, mass ${lampG} g)]`)
    expect(told('move:2')).to.contain('(move_leaves, pots [(pot_is_empty, pot lamp)])')
    // sin 15° of a base of 80 mm is 20.7 mm, walls left out as they are not known.
    expect(told('move:2')).to.match(/move_prop, side right, angle 15[^,]*, prop 20\.7/)
    expect(told('move:3')).to.contain('(move_leaves, pots [(pot_is_empty, pot fog)])')
  })

  it('dust a powder that the stores are asked for: 150 g/m² on the surface of every mould', () => {
    // 0.25 m × 0.08 m × 2 moulds × 150 g/m² = 6 g.
    const step = runSheet(plan).find(({ key }) => key === 'move:1')
    expect(step).to.deep.include({ kind: 'weigh', group: 'pour' })
    expect(step?.planned).to.be.closeTo(6, 1e-9)
    const use = usesOfPlan(plan).find(({ stepKey }) => stepKey === 'move:1')
    expect(use).to.deep.include({ kind: 'colourant', name: 'brass rail' })
    expect(use?.amount).to.be.closeTo(6, 1e-9)
    expect(useOfStep(plan, 'move:1', 4.5)?.amount).to.equal(4.5)
  })

  it('follow the pots as they were weighed', () => {
    const weighed = new Map(pourSession(plan, []).steps.map(({ key, target }) => [key, target]))
    const fat = plan.weights.fats[0]
    const over = pourSession(plan, [{ stepKey: `fat:${fat?.fatKey ?? ''}`, actual: (fat?.massG ?? 0) + 100 }])
    const title = over.steps.find(({ key }) => key === 'move:2')?.title
    const pot = over.steps.find(({ key }) => key === 'pot:1')?.target ?? 0
    expect(pot).to.be.greaterThan(weighed.get('pot:1') ?? Infinity)
    expect(title && plainly(title)).to.contain(`mass ${pot} g`)
  })

  it('are left out once the pour has fallen back, those that were done excepted', () => {
    const records = [
      { stepKey: 'move:0', actual: null },
      { stepKey: clockKeys.fallback, actual: 9 },
    ]
    const keys = pourSession(plan, records).steps.map(({ key }) => key)
    expect(keys.filter((key) => key.startsWith('move:'))).to.deep.equal(['move:0'])
    expect(keys).to.include('pour')
  })

  it('keep their plan for the picture, and are none where no pour is planned', () => {
    expect(linesOfPlan(plan)).to.deep.equal(lines)
    expect(runSheet(batchPlan(workedSource)).some(({ key }) => moveOfStep(key) !== undefined)).to.equal(false)
  })
})

describe('a step that is done without weighing', () => {
  const upTo = (key: string) => {
    const { steps } = pourSession(plan, [])
    return steps
      .slice(
        0,
        steps.findIndex((step) => step.key === key),
      )
      .map((step) => ({
        stepKey: step.key,
        actual: step.kind === 'tick' ? null : step.target,
      }))
  }
  const codes = (key: string, isUnweighed?: boolean): readonly string[] =>
    checkStepRecord(plan, upTo(key), { stepKey: key, actual: null, ...(isUnweighed ? { isUnweighed } : {}) }).map(
      ({ code }) => code,
    )

  it('is taken when it is said to be, and never of fats, lye, water or scent', () => {
    expect(codes('pot:0', true)).to.deep.equal([])
    expect(codes('move:1', true)).to.deep.equal([])
    expect(codes('temperature:lye', true)).to.deep.equal([])
    for (const key of [`fat:${plan.weights.fats[0]?.fatKey ?? ''}`, 'naoh', 'water'])
      expect(codes(key, true), key).to.deep.equal(['must_be_weighed'])
    expect(codes('pot:0')).to.deep.equal(['figure_missing'])
    expect(mayGoUnweighed({ kind: 'weigh', key: 'scent:1' })).to.equal(false)
  })

  it('takes what was planned from the stores', () => {
    expect(useOfStep(plan, 'move:1', null)?.amount).to.be.closeTo(6, 1e-9)
  })
})
