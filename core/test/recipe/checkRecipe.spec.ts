import { expect } from 'chai'
import fc from 'fast-check'
import { fatTable } from '../../src/fats'
import { isRefused } from '../../src/findings'
import { blendOf, checkRecipe, checkScent, missingShare, recipeFigures, superfatBand } from '../../src/recipe'
import { workedRecipe } from '../blends'
import { plainly } from '../plainly'

const codesOf = (recipe: Parameters<typeof checkRecipe>[0]) => checkRecipe(recipe).map(({ code }) => code)

describe('checkRecipe', () => {
  it('has nothing against a sound recipe', () => {
    expect(checkRecipe({ ...workedRecipe, superfat: 0.08 })).to.deep.equal([])
  })

  it('refuses lye that exceeds its fats, and says by how much', () => {
    const findings = checkRecipe({ ...workedRecipe, superfat: -0.02 })
    expect(isRefused(findings)).to.equal(true)
    expect(findings[0]?.code).to.equal('lye_exceeds_fats')
    expect(findings[0]?.field).to.equal('superfat')
    // A kilo takes 207.6 g KOH, 147.996 g NaOH; 2 % of it is 2.96 g.
    expect(plainly(findings[0])).to.equal(
      'lye_exceeds_fats, superfat -2 %, fats 1000 g, surplus 2.96 g, kohSurplus 0 g, hasKoh no',
    )
  })

  it('warns when the fats’ natural spread can leave lye over', () => {
    const findings = checkRecipe({ ...workedRecipe, superfat: 0.01 })
    expect(isRefused(findings)).to.equal(false)
    expect(findings.map(({ code }) => code)).to.deep.equal(['worst_case_has_lye_left'])
  })

  it('refuses shares that miss 100 %, with the gap', () => {
    const short = { ...workedRecipe, fats: [{ fatKey: 'olive', share: 0.97 }] }
    expect(plainly(checkRecipe(short)[0])).to.equal('shares_short, total 97 %, gap 3 %')
    const long = { ...workedRecipe, fats: [...workedRecipe.fats, { fatKey: 'castor', share: 0.05 }] }
    expect(plainly(checkRecipe(long)[0])).to.equal('shares_over, total 105 %, gap 5 %')
  })

  it('refuses no fats, unknown fats, one fat twice and shares that are none', () => {
    expect(codesOf({ ...workedRecipe, fats: [] })).to.deep.equal(['no_fats'])
    expect(codesOf({ ...workedRecipe, fats: [{ fatKey: 'gold', share: 1 }] })).to.deep.equal(['unknown_fat'])
    const twice = [
      { fatKey: 'olive', share: 0.5 },
      { fatKey: 'olive', share: 0.5 },
    ]
    expect(codesOf({ ...workedRecipe, fats: twice })).to.deep.equal(['fat_twice'])
    expect(codesOf({ ...workedRecipe, fats: [{ fatKey: 'olive', share: Number.NaN }] })).to.deep.equal(['share_range'])
    expect(codesOf({ ...workedRecipe, fats: [{ fatKey: 'olive', share: -1 }] })).to.deep.equal(['share_range'])
  })

  it('refuses purity, concentration and superfat out of range', () => {
    expect(codesOf({ ...workedRecipe, naohPurity: 1.4 })).to.deep.equal(['purity_range'])
    expect(codesOf({ ...workedRecipe, naohPurity: 0 })).to.deep.equal(['purity_range'])
    expect(plainly(checkRecipe({ ...workedRecipe, lyeConcentration: 0.55 })[0])).to.equal(
      'lye_too_strong, least 20 %, most 50 %',
    )
    expect(plainly(checkRecipe({ ...workedRecipe, lyeConcentration: 0.1 })[0])).to.equal(
      'lye_too_weak, least 20 %, most 50 %',
    )
    expect(codesOf({ ...workedRecipe, superfat: 0.31 })).to.deep.equal(['superfat_range'])
    expect(codesOf({ ...workedRecipe, superfat: Number.NaN })).to.deep.equal(['superfat_range'])
  })

  it('never throws, and what it lets pass can be computed', () => {
    const anything = fc.oneof(fc.double(), fc.double({ min: 0, max: 1, noNaN: true }))
    const line = fc.record({ fatKey: fc.constantFrom(...fatTable.map(({ key }) => key), 'gold'), share: anything })
    const recipe = fc.record({
      fats: fc.array(line, { maxLength: 4 }),
      superfat: anything,
      lyeConcentration: anything,
      naohPurity: anything,
    })
    fc.assert(
      fc.property(recipe, (typed) => {
        if (!isRefused(checkRecipe(typed))) expect(recipeFigures(typed, 1000).naohG).to.be.greaterThan(0)
      }),
      { numRuns: 400 },
    )
  })
})

describe('recipeFigures', () => {
  it('gives the worked figures for a kilo of fats', () => {
    const figures = recipeFigures(workedRecipe, 1000)
    // (0.45 · 190 + 0.30 · 257 + 0.25 · 180) = 207.6 g KOH · 0.712888 · 0.95
    expect(figures.naohG).to.be.closeTo(140.596, 0.001)
    expect(figures.allWaterG).to.be.closeTo(285.452, 0.002)
    expect(figures.liquidShare).to.be.closeTo(0.45, 1e-12)
    expect(figures.groups.reduce((sum, { share }) => sum + share, figures.unnamedShare)).to.be.closeTo(1, 0.01)
  })

  it('throws on a fat the table does not hold', () => {
    expect(() => blendOf({ fats: [{ fatKey: 'gold', share: 1 }] })).to.throw(
      RangeError,
      'Expected a fat of the table, got gold',
    )
  })

  it('knows what is missing to 100 %', () => {
    expect(missingShare(workedRecipe.fats)).to.equal(0)
    expect(missingShare([{ fatKey: 'olive', share: 0.9 }])).to.equal(0.1)
    expect(missingShare([{ fatKey: 'olive', share: 1.2 }])).to.equal(-0.2)
  })
})

describe('superfatBand', () => {
  const weighed = blendOf(workedRecipe).map(({ fat, share }) => ({ fat, massG: share * 1000 }))

  it('spans from the low to the high end of the saponification values', () => {
    // Low: 0.45·184 + 0.30·248 + 0.25·170 = 199.7; high: 0.45·196 + 0.30·265 + 0.25·190 = 215.2 g KOH.
    // The lye of 207.6 · 0.95 = 197.22 g KOH leaves 1 − 197.22/199.7 and 1 − 197.22/215.2.
    const { naohG } = recipeFigures(workedRecipe, 1000)
    const band = superfatBand(weighed, naohG)
    expect(band.worst).to.be.closeTo(0.01242, 0.00002)
    expect(band.likely).to.be.closeTo(0.05, 1e-12)
    expect(band.best).to.be.closeTo(0.08355, 0.00002)
  })

  it('throws when there is nothing to take the lye', () => {
    expect(() => superfatBand([], 10)).to.throw(RangeError, 'Expected fats that weigh more than 0 g')
    expect(() => superfatBand(weighed, -1)).to.throw(RangeError, 'Expected pureNaohG')
  })
})

describe('checkScent', () => {
  const scent = { name: 'Amber blend', rate: 0.03, supplierLimit: 0.025 }

  it('holds the share of the cured bar against the certificate', () => {
    // 30 g in 1450 g of batter that loses 11 %: 30 / 1290.5 = 2.32 %.
    expect(checkScent(scent, 30, 1450, 0.11)).to.deep.equal([])
    const [finding] = checkScent({ ...scent, supplierLimit: 0.02 }, 30, 1450, 0.11)
    expect(finding?.severity).to.equal('refuse')
    // 3 % · 2 / 2.3247 = 2.581 %, rounded down.
    expect(plainly(finding)).to.contain('ofBar 2.32 %, allowed 2 %, rate 2.58 %')
  })

  it('asks for a limit that is missing, and is silent without scent', () => {
    expect(checkScent({ ...scent, supplierLimit: null }, 30, 1450, 0.11)[0]?.code).to.equal('scent_without_limit')
    expect(checkScent({ ...scent, rate: 0 }, 0, 1450, 0.11)).to.deep.equal([])
  })
})
