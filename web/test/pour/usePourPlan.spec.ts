import type { SavedMould } from '@vendange/contract'
import type { WeighedPot } from '@vendange/core/batch'
import { moveKinds, moveSpecs } from '@vendange/core/pour'
import { expect } from 'chai'
import { ref } from 'vue'
import type { Line } from '../../src/pour/inside/usePourPlan'
import { usePourPlan } from '../../src/pour/inside/usePourPlan'

const mould = {
  shape: 'loaf',
  lengthMm: 250,
  widthMm: 80,
  heightMm: 70,
  fillHeightMm: 65,
  linerMm: 0,
  wallMm: 0,
  baseMm: 0,
} as unknown as SavedMould
const pot = (name: string, batterG: number): WeighedPot => ({
  colour: { name, hex: '#804020', share: 0.5, rateGPerKg: 0 },
  batterG,
  colourantG: 0,
})
const pots = [pot('amber', 600), pot('soot', 400)]

function planOf(lines: readonly Line[]) {
  const now = ref(lines)
  return {
    now,
    plan: usePourPlan(
      () => now.value,
      () => mould,
      () => pots,
    ),
  }
}
const level = (index: number, part: number): Line => ({ kind: 'level', pot: index, part, trace: 'thin' })

describe('a pour plan on the page', () => {
  it('fills the section with both pots, to the height they are filled to', () => {
    const { plan } = planOf([level(0, 1), level(1, 1)])
    expect(plan.findings.value.filter(({ severity }) => severity === 'refuse')).to.deep.equal([])
    const [amber = 0, soot = 0] = plan.areasMm2.value
    expect(amber / soot).to.be.closeTo(600 / 400, 1e-9)
    // The first stands at six tenths of where both stand.
    const [first, both] = plan.heightsMm.value
    expect(first!.topMm / both!.topMm).to.be.closeTo(0.6, 0.01)
    expect(plan.drawable.value).to.have.length(2)
  })

  it('shows all moves up to the first that cannot be done', () => {
    const { plan, now } = planOf([level(0, 1), level(7, 1), level(1, 1)])
    expect(plan.findings.value.map(({ code }) => code)).to.include('move_impossible')
    expect(plan.drawable.value).to.deep.equal([level(0, 1)])
    now.value = [level(0, 1), level(1, 1)]
    expect(plan.drawable.value).to.have.length(2)
  })
})

describe('a new move', () => {
  it('takes what is left of the first pot that is not empty', () => {
    expect(planOf([]).plan.fresh('level')).to.deep.include({ kind: 'level', pot: 0, part: 1 })
    expect(planOf([level(0, 0.6)]).plan.fresh('drop')).to.deep.include({ pot: 0, part: 0.4 })
    expect(planOf([level(0, 1), level(1, 0.25)]).plan.fresh('ribbon')).to.deep.include({ pot: 1, part: 0.75 })
  })

  it('takes from all pots that are not empty, where its kind pours several', () => {
    const { plan } = planOf([level(0, 1), level(1, 0.5)])
    expect(plan.fresh('column').pots).to.deep.equal([{ pot: 1, part: 0.5 }])
  })

  it('can be drawn at once, whatever its kind', () => {
    for (const kind of moveKinds) {
      const { plan, now } = planOf([level(0, 0.5)])
      now.value = [level(0, 0.5), plan.fresh(kind)]
      const stops = plan.findings.value.filter(({ severity }) => severity === 'refuse')
      expect(stops, kind).to.deep.equal([])
      expect(plan.drawable.value, kind).to.have.length(2)
    }
  })

  it('has a trace that suits it', () => {
    for (const kind of moveKinds) {
      const { trace = 'thin' } = planOf([]).plan.fresh(kind)
      const order = ['emulsion', 'thin', 'medium', 'thick']
      const [thinnest, thickest] = moveSpecs[kind].traces.map((one) => order.indexOf(one))
      expect(order.indexOf(trace), kind).to.be.within(thinnest!, thickest!)
    }
  })
})
