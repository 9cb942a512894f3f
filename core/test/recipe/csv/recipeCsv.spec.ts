import { expect } from 'chai'
import fc from 'fast-check'
import { longestRecipeFile, parsePastedFats, parseRecipeCsv, writeRecipeCsv } from '../../../src/recipe/csv'
import { workedRecipe } from '../../blends'
import { plainly } from '../../plainly'

const problemsOf = (text: string): readonly string[] => {
  const read = parseRecipeCsv(text)
  return read.ok ? [] : read.problems.map(plainly)
}

describe('a recipe as a table', () => {
  it('is read back as it was written', () => {
    expect(writeRecipeCsv(workedRecipe)).to.equal('fat,share\nOlive oil,45 %\nCoconut oil,30 %\nShea butter,25 %')
    expect(parseRecipeCsv(writeRecipeCsv(workedRecipe))).to.deep.equal({
      ok: true,
      fats: workedRecipe.fats.map(({ fatKey, share }) => ({ fatKey, share })),
    })
  })

  it('may be stated by mass, in any unit', () => {
    // 1 lb and 453.59237 g are half each.
    expect(parseRecipeCsv('Fat;Mass\nolive;1 lb\nCoconut oil;453.59237')).to.deep.equal({
      ok: true,
      fats: [
        { fatKey: 'olive', share: 0.5 },
        { fatKey: 'coconut', share: 0.5 },
      ],
    })
  })

  it('names what cannot be read', () => {
    expect(problemsOf('fat,share\nUnheard oil,50\nolive,half')).to.deep.equal([
      'at_line, line 2, problem (fat_name_unknown, name Unheard oil)',
      'at_line, line 3, problem (quantity_unread, kind share, example 5 %)',
    ])
    expect(problemsOf('oil,part\nolive,1')[0]).to.equal('recipe_columns')
    expect(problemsOf('fat,share')[0]).to.equal('recipe_fat_count, most 30')
    expect(problemsOf('fat,mass\nolive,0')).to.deep.equal(['fats_weigh_nothing'])
    expect(problemsOf('x'.repeat(longestRecipeFile + 1))[0]).to.equal('recipe_file_too_long')
  })

  it('never throws, whatever the text', () => {
    fc.assert(fc.property(fc.string(), (text) => void parseRecipeCsv(`fat,share\n${text}`)))
  })
})

describe('fats pasted from elsewhere', () => {
  const shares = (text: string) => {
    const read = parsePastedFats(text)
    return read.ok
      ? read.fats.map(({ fatKey, share }) => [fatKey, Number(share.toFixed(4))])
      : read.problems.map(plainly)
  }

  it('are read with and without a heading, as shares or masses', () => {
    const wanted = [
      ['olive', 0.6],
      ['coconut', 0.4],
    ]
    expect(shares('Olive oil\t60 %\nCoconut oil\t40 %')).to.deep.equal(wanted)
    expect(shares('Olive oil\t300\nCoconut oil\t200')).to.deep.equal(wanted)
    expect(shares('Olive oil;0,6\nCoconut oil;0,4\n')).to.deep.equal(wanted)
    expect(shares('Fat\tMass\nOlive oil\t1 1/2 lb\nCoconut oil\t1 lb')).to.deep.equal(wanted)
    expect(shares('Olive oil, 450 g\nCoconut oil, 300 g')).to.deep.equal(wanted)
  })

  it('name the line that cannot be read, as the maker counts it', () => {
    expect(shares('Olive oil\t300\nMoon oil\t200')).to.deep.equal([
      'at_line, line 2, problem (fat_name_unknown, name Moon oil)',
    ])
  })
})
