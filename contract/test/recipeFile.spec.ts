import { expect } from 'chai'
import { readFileSync } from 'node:fs'
import type { NewRecipe } from '../src'
import { plainRecipe, readRecipeFile, recipeFileSchema, writeRecipeFile } from '../src'
import { plainReading, sayFor } from '@vendange/words'

const say = sayFor(plainReading)

const recipe: NewRecipe = {
  name: 'House bar',
  fats: [
    { fatKey: 'olive', share: 0.7, atTrace: false },
    { fatKey: 'coconut', share: 0.3, atTrace: true },
  ],
  superfat: 0.05,
  lyeConcentration: 0.33,
  naohPurity: 0.99,
  ...plainRecipe,
  setDaysMin: 1,
  setDaysMax: 3,
  cureDays: 28,
  oven: true,
  notes: 'Firm after a day.',
}
const problemsOf = async (text: string): Promise<readonly string[]> => {
  const read = await readRecipeFile(text, 'Brought in')
  return read.ok ? [] : read.problems.map(say)
}

describe('the recipe file', () => {
  it('is read back as it was written', async () => {
    expect(await readRecipeFile(writeRecipeFile(recipe), 'x')).to.deep.equal({ ok: true, recipe })
  })

  it('follows the schema that is published', () => {
    const published = readFileSync(new URL('../../docs/formats/recipe.schema.json', import.meta.url), 'utf8')
    expect(JSON.parse(published)).to.deep.equal(JSON.parse(JSON.stringify(recipeFileSchema())))
  })

  it('may be a table of fats, which gets the usual rest', async () => {
    const read = await readRecipeFile('fat,share\nOlive oil,70\nCoconut oil,30\n', 'Brought in')
    expect(read.ok && read.recipe).to.deep.include({
      name: 'Brought in',
      superfat: 0.05,
      fats: recipe.fats.map((line) => ({ ...line, atTrace: false })),
    })
  })

  it('says what is wrong, and takes nothing that burns', async () => {
    const wrong = (change: object) => problemsOf(writeRecipeFile({ ...recipe, ...change }))
    expect((await wrong({ superfat: -0.02 }))[0]).to.contain('more sodium hydroxide than they can take')
    expect((await wrong({ naohPurity: 1.4 }))[0]).to.contain('naohPurity')
    expect((await wrong({ fats: [] }))[0]).to.contain('Choose at least one fat.')
    expect((await wrong({ extra: 1 }))[0]).to.contain('extra')
    expect((await problemsOf('{ "format": "vendange-recipe", '))[0]).to.contain('torn')
    expect((await problemsOf('{ "format": "other" }'))[0]).to.contain('no recipe file')
    expect((await problemsOf('{ "format": "vendange-recipe", "version": 9 }'))[0]).to.contain('version 9')
    expect((await problemsOf('fat,share\nOlive oil,60'))[0]).to.contain('40 % is missing')
  })
})
