import { expect } from 'chai'
import { batchPlan, runSheet } from '../../src/batch'
import type { ScentUse } from '../../src/recipe'
import { checkScent, scentLimit, scentWeights } from '../../src/recipe'
import { usesOfPlan } from '../../src/stores'
import { workedSource } from '../blends'
import { plainly } from '../plainly'

const blend: ScentUse = {
  name: 'Harbour',
  rate: 0.03,
  supplierLimit: null,
  parts: [
    { name: 'Peel', share: 0.7, supplierLimit: 0.05 },
    { name: 'Smoke', share: 0.3, supplierLimit: 0.006 },
  ],
}

describe('a blend of scents', () => {
  it('is weighed part by part, to the gram', () => {
    expect(scentWeights(blend, 25, 1)).to.deep.equal([
      { name: 'Peel', massG: 18 },
      { name: 'Smoke', massG: 7 },
    ])
  })

  it('is limited by the strictest of its parts', () => {
    // 0.05 / 0.7 = 7.1 %, 0.006 / 0.3 = 2 %
    expect(scentLimit(blend)).to.be.closeTo(0.02, 1e-12)
    expect(scentLimit({ ...blend, parts: [{ name: 'Peel', share: 1, supplierLimit: null }] })).to.equal(null)
  })

  it('is refused above the limit of a part, with the number that keeps to it', () => {
    // 25 g in 1233 g that lose 11 %: 2.278 % of the bar, of it 0.683 % smoke; 3 % · 0.6 / 0.683 = 2.63 % of the fats.
    const [finding] = checkScent(blend, 25, 1233, 0.11)
    expect(plainly(finding)).to.equal(
      'scent_above_limit, part Smoke, ofBar 0.68 %, allowed 0.6 %, rate 2.63 %, isBlend yes, scent Harbour',
    )
    expect(checkScent({ ...blend, rate: 0.026 }, 21, 1229, 0.11)).to.deep.equal([])
  })

  it('is told of where a part has no limit yet', () => {
    const parts = [{ name: 'Peel', share: 1, supplierLimit: null }]
    expect(checkScent({ ...blend, parts }, 25, 1233, 0.11).map(({ code, field }) => [code, field])).to.deep.equal([
      ['scent_without_limit', 'scent.parts[0].supplierLimit'],
    ])
  })

  it('has a step for each part, and takes each from its own lot', () => {
    const plan = batchPlan({ ...workedSource, design: { ...workedSource.design, scent: blend } })
    const keys = runSheet(plan).filter(({ key }) => key.startsWith('scent'))
    expect(keys.map(({ key, planned }) => [key, planned])).to.deep.equal([
      ['scent:0', 18],
      ['scent:1', 7],
    ])
    expect(
      usesOfPlan(plan)
        .filter(({ kind }) => kind === 'scent')
        .map(({ key, amount }) => [key, amount]),
    ).to.deep.equal([
      ['scent:peel', 18],
      ['scent:smoke', 7],
    ])
  })
})
