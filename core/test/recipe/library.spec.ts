import { expect } from 'chai'
import fc from 'fast-check'
import {
  additiveRateRanges,
  cautionSentences,
  checkRecipe,
  densityRange,
  effectSentences,
  entryOf,
  lyeFor,
  makeupOf,
  makeupSentences,
  naohBoundBy,
  partLibrary,
  recipeFigures,
  thickenerOf,
  usuallySentence,
  waterShareRange,
} from '../../src/recipe'
import type { Recipe, RecipeAdditive } from '../../src/recipe'
import { workedRecipe } from '../blends'
import { plainly } from '../plainly'

const additive = (name: string, rate: number, more: Partial<RecipeAdditive> = {}): RecipeAdditive => ({
  name,
  basis: 'fats',
  rate,
  place: 'lye',
  wetting: null,
  contains: [],
  ...more,
})
const liquid = (name: string, waterShare: number, partOfWater: number) =>
  ({ name, waterShare, partOfWater, place: 'lye', contains: [] }) as const
const codes = (recipe: Recipe): readonly string[] => checkRecipe(recipe).map(({ code }) => code)
const told = (recipe: Recipe, code: string): string =>
  plainly(checkRecipe(recipe).find((finding) => finding.code === code))

describe('the library of liquids and additives', () => {
  it('finds each by its own name, and no two by one', () => {
    for (const entry of partLibrary) expect(entryOf(entry.kind, ` ${entry.name.toUpperCase()} `)).to.equal(entry)
    expect(new Set(partLibrary.map(({ name }) => name)).size).to.equal(partLibrary.length)
  })

  it('says what recipes can take: shares that add up to no more than all, rates in range', () => {
    for (const { kind, name, makeup, usual, densityGMl } of partLibrary) {
      const { waterShare, sugarShare, fatShare, alcoholShare } = makeup
      expect(waterShare + sugarShare + fatShare + alcoholShare, name).to.be.at.most(1)
      if (kind === 'liquid') expect(waterShare, name).to.be.within(waterShareRange.min, waterShareRange.max)
      const most = usual.basis === 'water' ? 1 : additiveRateRanges[usual.basis].max
      expect(0 < usual.least && usual.least <= usual.rate && usual.rate <= usual.most, name).to.equal(true)
      expect(usual.most, name).to.be.at.most(most)
      expect(densityGMl, name).to.be.within(densityRange.min, densityRange.max)
    }
  })

  it('knows what a maker calls things by', () => {
    const names = (kind: 'liquid' | 'additive', ...of: string[]) => of.map((name) => entryOf(kind, name)?.name)
    expect(names('additive', 'Kaolin', 'Rose CLAY', 'Sea salt, fine', 'Colloidal oats', 'Acacia honey')).to.deep.equal([
      'White clay',
      'Green clay',
      'Salt',
      'Oats, ground',
      'Honey',
    ])
    expect(names('liquid', 'Goat’s milk', 'Strawberry mash', 'Stout', 'Chamomile tea', 'Honey')).to.deep.equal([
      'Goat milk',
      'Berry puree',
      'Beer',
      'Herb tea',
      'Honey',
    ])
    // Milk of oats is a liquid, whichever row it was put in; a boat, a seashell and an unknown dust are nothing.
    expect(names('additive', 'Oat milk', 'Boat blue', 'Moonstone dust')).to.deep.equal([
      'Oat milk',
      undefined,
      undefined,
    ])
  })

  it('gives way to what the workshop’s stores know', () => {
    const makeup = { waterShare: 0.5, sugarShare: 0.3, fatShare: 0, alcoholShare: 0 }
    const known = [{ kind: 'liquid', name: 'Grandmother’s cordial', makeup }] as const
    expect(makeupOf('liquid', 'grandmother’s  cordial', known)).to.equal(makeup)
    expect(makeupOf('additive', 'Grandmother’s cordial', known)).to.equal(undefined)
    expect(thickenerOf('liquid', 'Grandmother’s cordial', known)).to.equal('sugar')
    expect(thickenerOf('liquid', 'Grandmother’s cordial')).to.equal(undefined)
  })

  it('is told in sentences: how much, what it does, what to mind, what is in it', () => {
    const beer = entryOf('liquid', 'Beer')!
    expect(plainly(usuallySentence(beer))).to.equal('part_usually, least 25 %, most 100 %, basis water, place lye')
    expect(effectSentences(beer).map(plainly)).to.include('part_effect, effect heats')
    expect(cautionSentences(beer).map(plainly)).to.deep.equal([
      'part_caution, caution boil_off_alcohol',
      'part_caution, caution go_flat',
      'part_caution, caution freeze_first',
    ])
    expect(makeupSentences(beer.makeup).map(plainly)).to.deep.equal([
      'part_makeup, what water, share 92.5 %',
      'part_makeup, what sugar, share 3 %',
      'part_makeup, what alcohol, share 4 %',
    ])
  })
})

describe('what liquids and additives do to a recipe', () => {
  const recipe: Recipe = { ...workedRecipe, superfat: 0.05, lyeConcentration: 0.33 }
  const kilo = (of: Recipe) => recipeFigures(of, 1000)

  it('is more lye for an acid where the recipe meets it: the superfat is as wished', () => {
    // 45/30/25 of olive, coconut, shea: 140.597 g at 5 %; ten grams of citric acid take 6.2455 g.
    const met = { ...recipe, naohPurity: 1, meetsAcids: true, additives: [additive('Citric acid', 0.01)] }
    expect(kilo(met).naohG).to.be.closeTo(140.597 + 6.2455, 0.002)
    expect(kilo(met).band.likely).to.be.closeTo(0.05, 1e-9)
    expect(told(met, 'acid_is_met')).to.contain('wished 5 %, without 0.8 %')
    // Where it does not, the fats get so much less.
    const bound = kilo({ ...met, meetsAcids: false })
    expect(bound.naohG).to.be.closeTo(140.597, 0.002)
    expect(bound.band.likely).to.be.closeTo(1 - (140.597 - 6.2455) / 147.997, 1e-5)
  })

  it('warns where an acid that is forgotten would leave lye in the bar', () => {
    const much = { ...recipe, meetsAcids: true, additives: [additive('Citric acid', 0.015)] }
    const finding = checkRecipe(much).find(({ code }) => code === 'acid_is_met')
    expect(finding?.severity).to.equal('warn')
    expect(plainly(finding)).to.contain('without -1.3 %')
  })

  it('keeps the superfat as wished for any acid, by fats, batter or bar, in liquids too', () => {
    const acids = partLibrary.filter(({ naohG = 0 }) => naohG > 0)
    fc.assert(
      fc.property(
        fc.constantFrom(...acids),
        fc.constantFrom('fats' as const, 'batter' as const),
        fc.double({ min: 0.001, max: 0.03, noNaN: true }),
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        (acid, basis, rate, kohShare) => {
          const parts =
            acid.kind === 'liquid'
              ? { liquids: [liquid(acid.name, acid.makeup.waterShare, 0.3)] }
              : { additives: [additive(acid.name, rate, { basis })] }
          const figures = kilo({ ...recipe, kohShare, meetsAcids: true, ...parts })
          // Little of something is weighed on a fine scale, from ten grams on to a tenth.
          expect(figures.band.likely).to.be.closeTo(0.05, 3e-4)
        },
      ),
    )
    const byTheBar = { ...recipe, meetsAcids: true, additives: [additive('Citric acid', 1, { basis: 'bar' })] }
    const fats = [{ fat: { saponificationValue: { min: 190, typical: 190, max: 190 } }, massG: 1000 }] as never
    const more = lyeFor(fats, byTheBar, 0, 'down', 10).naohG - lyeFor(fats, byTheBar, 0, 'down', 0).naohG
    expect(more * recipe.naohPurity).to.be.closeTo(10 * naohBoundBy('Citric acid'), 1e-6)
  })

  it('is heat by sugar, wherever it comes from', () => {
    expect(codes({ ...recipe, additives: [additive('Sugar', 0.01)] })).to.not.include('sugar_heats')
    const sweet = { ...recipe, additives: [additive('Sugar', 0.01), additive('Honey', 0.02)] }
    // 1 % and 0.8 × 2 %.
    expect(told(sweet, 'sugar_heats')).to.equal('sugar_heats, sugar 2.6 %, from Honey, gel kept')
    expect(told({ ...sweet, oven: true }, 'sugar_heats')).to.contain('gel oven')
  })

  it('is fat on top of the superfat', () => {
    // 1 kg of fats: 140.597/1 g of lye in 285.45 g of water, half of it in 162.2 g of cream with 58.4 g of fat.
    const rich = { ...recipe, naohPurity: 1, liquids: [liquid('Cream', 0.88, 0.5)] }
    expect(told(rich, 'liquid_brings_fat')).to.equal('liquid_brings_fat, fat 5.8 %, from Cream, superfat 10.2 %')
    expect(codes({ ...recipe, liquids: [liquid('Herb tea', 0.995, 1)] })).to.deep.equal([])
  })

  it('is a caution for what holds alcohol', () => {
    expect(told({ ...recipe, liquids: [liquid('Wine', 0.865, 0.5)] }, 'alcohol_boils_off')).to.equal(
      'alcohol_boils_off, liquid Wine, alcohol 1.7 %',
    )
  })
})
