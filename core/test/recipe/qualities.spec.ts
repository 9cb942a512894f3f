import { expect } from 'chai'
import { fatTable } from '../../src/fats'
import { recipeQualities } from '../../src/recipe'

const of = (...fats: readonly (readonly [string, number])[]) =>
  Object.fromEntries(
    recipeQualities({ fats: fats.map(([fatKey, share]) => ({ fatKey, share })) }).map((quality) => [
      quality.key,
      quality,
    ]),
  )

describe('recipeQualities', () => {
  it('counts shares of fatty acids', () => {
    const half = of(['olive', 0.5], ['coconut', 0.5])
    // Coconut oil: 47.5 lauric, 18.5 myristic, 7.5 caprylic, 6.3 capric; half of the fats.
    expect(half['stripping']?.share).to.be.closeTo(0.399, 0.002)
    expect(half['stripping']?.level).to.equal(2)
  })

  it('says what makers know of simple soaps', () => {
    const coconut = of(['coconut', 1])
    const olive = of(['olive', 1])
    expect([coconut['foam']?.level, olive['foam']?.level]).to.deep.equal([2, 0])
    expect([coconut['firmness']?.level, olive['firmness']?.level]).to.deep.equal([2, 0])
    expect([coconut['keeping']?.level, of(['grapeseed', 1])['keeping']?.level]).to.deep.equal([0, 2])
    expect(of(['cocoa_butter', 1])['wear']?.level).to.equal(2)
    expect(olive['thickening']?.level).to.equal(0)
  })

  it('gives shares between nothing and all for every fat of the table, with a level by its thresholds', () => {
    for (const { key } of fatTable)
      for (const { share, thresholds, level } of Object.values(of([key, 1]))) {
        expect(share, key).to.be.within(0, 2)
        expect(level).to.equal(share < thresholds[0] ? 0 : share <= thresholds[1] ? 1 : 2)
      }
  })
})
