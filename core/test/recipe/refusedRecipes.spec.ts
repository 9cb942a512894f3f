import { expect } from 'chai'
import type { BatchPlan } from '../../src/batch'
import { batterOfFats, batterOfVolume, mouldsFor, scaleDesign } from '../../src/batch'
import { isRefused } from '../../src/findings'
import type { Recipe } from '../../src/recipe'
import { alkaliFor, blendOf, checkRecipe, lyeFor, recipeFigures } from '../../src/recipe'
import { labelIngredients } from '../../src/release'
import { workedMould, workedPlan, workedRecipe, workedSettings, workedSource } from '../blends'
import { plainly } from '../plainly'

const added = { name: 'Clay', basis: 'fats', place: 'trace', contains: [] } as const
const milk = { name: 'Milk', place: 'lye', contains: [] } as const

/** What a maker may type by mistake, and each of it is refused. */
const refused: Readonly<Record<string, Partial<Recipe>>> = {
  'a purity of 98 for 0.98': { naohPurity: 98 },
  'a share of potassium hydroxide of 2': { kohShare: 2 },
  'its purity of 90': { kohShare: 0.1, kohPurity: 90 },
  'a superfat below zero': { superfat: -0.02 },
  'a superfat of 5': { superfat: 5 },
  'a concentration of 33': { lyeConcentration: 33 },
  'a liquid without water': { liquids: [{ ...milk, waterShare: 0, partOfWater: 0.5 }] },
  'a liquid that brings twice the water': { liquids: [{ ...milk, waterShare: 0.9, partOfWater: 2 }] },
  'twice as much of an additive as fats': { additives: [{ ...added, rate: 2, wetting: null }] },
  'wetting with 99 times its mass': { additives: [{ ...added, rate: 0.01, wetting: { with: 'fat', ratio: 99 } }] },
}
const kinds = [{ mould: workedMould, count: 1 }]
/** Every way to masses of a recipe. */
const entries: Readonly<Record<string, (recipe: Recipe) => unknown>> = {
  lyeFor: (recipe) => recipeFigures(recipe, 1000),
  batterOfFats: (recipe) => batterOfFats(recipe, { bars: 10 }, 1000),
  batterOfVolume: (recipe) => batterOfVolume(recipe, { bars: 10 }, 1000),
  mouldsFor: (recipe) => mouldsFor({ by: 'label', labelMassG: 100 }, kinds, recipe, workedSettings),
  scaleDesign: (recipe) => scaleDesign({ ...workedSource, recipe }),
}

describe('a recipe that is refused', () => {
  for (const [what, wrong] of Object.entries(refused)) {
    it(`is computed nowhere: ${what}`, () => {
      const recipe = { ...workedRecipe, ...wrong }
      expect(isRefused(checkRecipe(recipe))).to.equal(true)
      for (const [entry, compute] of Object.entries(entries))
        expect(() => compute(recipe), entry).to.throw(RangeError, /Expected/)
    })
  }

  it('gets no lye of its own and no label either', () => {
    const fats = blendOf(workedRecipe).map(({ fat, share }) => ({ fat, massG: share * 1000 }))
    for (const wrong of [{ naohPurity: 98 }, { kohShare: 2 }, { superfat: -0.02 }]) {
      expect(() => alkaliFor(fats, { ...workedRecipe, ...wrong })).to.throw(RangeError)
      expect(() => lyeFor(fats, { ...workedRecipe, ...wrong })).to.throw(RangeError)
    }
    const of = (wrong: Partial<Recipe>): BatchPlan => ({ ...workedPlan(), recipe: { ...workedRecipe, ...wrong } })
    expect(() => labelIngredients(of({ superfat: -0.02 }), 0.11)).to.throw(RangeError, 'Expected superfat')
    expect(() => labelIngredients(of({ kohShare: 2 }), 0.11)).to.throw(RangeError, 'Expected kohShare')
  })

  it('is told the surplus of both its alkalis', () => {
    // 1000 g take 207.6 g KOH, which is 147.995 g NaOH: 2 % of it is 2.96 g.
    const told = (wrong: Partial<Recipe>) => plainly(checkRecipe({ ...workedRecipe, superfat: -0.02, ...wrong })[0])
    expect(told({})).to.equal('lye_exceeds_fats, superfat -2 %, fats 1000 g, surplus 2.96 g, kohSurplus 0 g, hasKoh no')
    // A quarter by moles as KOH of 90 %: 0.75 · 2.96 = 2.22 g, and 0.25 · 0.02 · 207.6 / 0.9 = 1.15 g.
    expect(told({ kohShare: 0.25, kohPurity: 0.9 })).to.equal(
      'lye_exceeds_fats, superfat -2 %, fats 1000 g, surplus 2.22 g, kohSurplus 1.15 g, hasKoh yes',
    )
  })
})
