import { expect } from 'chai'
import type { OwnFat } from '../../src/fats'
import {
  asFat,
  checkOwnFat,
  contentsOfFat,
  expectedSaponification,
  findFat,
  findFatNamed,
  isOwnFatKey,
} from '../../src/fats'
import { checkRecipe, recipeFigures } from '../../src/recipe'
import { workedRecipe } from '../blends'
import { plainly } from '../plainly'

const pumpkin: OwnFat = {
  name: 'Pumpkin-seed oil',
  inci: '',
  soapInci: '',
  kind: 'triglyceride',
  stateAt20C: 'liquid',
  densityGMl: 0.915,
  densityTemperatureC: 25,
  saponificationValue: { min: 188, typical: 191, max: 195 },
  fattyAcidPercent: { palmitic: 12, stearic: 6, oleic: 30, linoleic: 52 },
  unsaponifiablePercent: 1,
  contains: ['nut'],
  supplier: 'The mill',
  certificateDay: '2027-02-01',
}
const codes = (fat: Partial<OwnFat>): readonly string[] => checkOwnFat({ ...pumpkin, ...fat }).map(({ code }) => code)

describe('a fat of the workshop’s own', () => {
  const fat = asFat('f1', pumpkin)
  const recipe = {
    ...workedRecipe,
    fats: [...workedRecipe.fats.slice(0, 2), { fatKey: fat.key, share: 0.25 }],
    knownFats: [fat],
  }

  it('is reckoned by its certificate like a fat of the table', () => {
    // 1000 g: (450·190 + 300·257 + 250·191)/1000 = 210.35 g KOH · 0.712888 · 0.95 = 142.46 g.
    expect(recipeFigures(recipe, 1000).naohG).to.be.closeTo(142.46, 0.005)
    expect(fat.source).to.equal('The mill’s certificate of 2027-02-01')
    expect(contentsOfFat(fat)).to.deep.equal(['nut'])
    expect(isOwnFatKey(fat.key)).to.equal(true)
    expect(isOwnFatKey('olive')).to.equal(false)
  })

  it('is refused in a recipe of a workshop that has it not', () => {
    expect(checkRecipe(recipe).filter(({ severity }) => severity === 'refuse')).to.deep.equal([])
    expect(checkRecipe({ ...recipe, knownFats: [] }).map(({ code }) => code)).to.deep.equal(['unknown_fat'])
  })

  it('is found by its name in a table of somebody else', () => {
    expect(findFatNamed(' pumpkin-seed OIL', [fat])?.key).to.equal(fat.key)
    expect(findFatNamed('Olive oil')?.key).to.equal('olive')
    expect(findFatNamed('unheard')).to.equal(undefined)
  })
})

describe('checkOwnFat', () => {
  it('takes what a certificate says', () => {
    expect(codes({})).to.deep.equal([])
  })

  it('refuses what no fat can be, in words', () => {
    // A figure for sodium hydroxide, 0.136 g a gram, is the commonest slip.
    const [finding] = checkOwnFat({ ...pumpkin, saponificationValue: { min: 0.134, typical: 0.136, max: 0.139 } })
    expect(plainly(finding)).to.match(/^saponification_range, value 0.13, least 50, most 400$/)
    expect(codes({ saponificationValue: { min: 195, typical: 190, max: 188 } })).to.deep.equal(['saponification_order'])
    expect(codes({ densityGMl: 9.1 })).to.deep.equal(['density_range'])
    expect(codes({ unsaponifiablePercent: 90 })).to.deep.equal(['unsaponifiable_range'])
    expect(codes({ fattyAcidPercent: { oleic: 80, linoleic: 40 } })).to.deep.equal(['acids_range'])
    expect(codes({ saponificationValue: { min: Number.NaN, typical: 190, max: 195 } })).to.deep.equal([
      'saponification_range',
    ])
  })

  it('warns where value and fatty acids do not belong together', () => {
    expect(codes({ saponificationValue: { min: 245, typical: 250, max: 260 } })).to.deep.equal([
      'saponification_unexpected',
    ])
  })

  it('expects nothing of waxes and of profiles with gaps', () => {
    const beeswax = findFat('beeswax')
    if (!beeswax) throw new Error('beeswax')
    expect(expectedSaponification(beeswax)).to.equal(undefined)
    expect(expectedSaponification({ ...pumpkin, fattyAcidPercent: { oleic: 50 } })).to.equal(undefined)
  })
})
