import { expect } from 'chai'
import type { CertifiedLot, Ingredient } from '../../src/stores'
import { certifiedFats, checkCertificate } from '../../src/stores'
import { findFat } from '../../src/fats'
import { recipeFigures } from '../../src/recipe'
import { workedRecipe } from '../blends'
import { plainly } from '../plainly'

const day = '2027-03-08'
const olive: Ingredient = {
  id: 'i1',
  kind: 'fat',
  name: 'Olive oil',
  ref: 'olive',
  leadDays: 5,
  packSize: 0,
  perBar: 0,
  densityGMl: null,
  makeup: null,
  inci: '',
}
const lot = (
  id: string,
  receivedDay: string,
  sapKoh: number | null,
  more: Partial<CertifiedLot> = {},
): CertifiedLot => ({
  id,
  ingredientId: 'i1',
  supplier: '',
  lotNumber: id,
  receivedDay,
  bestBeforeDay: null,
  isRecalled: false,
  receivedAmount: 5000,
  leftAmount: 5000,
  priceCents: 0,
  certificate: sapKoh === null ? null : { sapKoh, tolerance: 1, day: '2027-01-10' },
  ...more,
})
const spanOf = (...lots: readonly CertifiedLot[]) => certifiedFats([olive], lots, day)[0]?.saponificationValue

describe('certifiedFats', () => {
  it('reckons with the lot used next, and spans all that are at hand', () => {
    expect(spanOf(lot('new', '2027-02-01', 191), lot('old', '2026-11-01', 188))).to.deep.equal({
      min: 187,
      typical: 188,
      max: 192,
    })
  })

  it('narrows nothing while a lot of unknown value may be taken', () => {
    expect(spanOf(lot('old', '2026-11-01', 188), lot('new', '2027-02-01', null))).to.equal(undefined)
    expect(spanOf()).to.equal(undefined)
    // One that is used up, recalled or past its day is not taken.
    const unusable = [
      lot('gone', '2026-01-01', null, { leftAmount: 0 }),
      lot('back', '2026-01-01', null, { isRecalled: true }),
      lot('stale', '2026-01-01', null, { bestBeforeDay: '2026-12-31' }),
    ]
    expect(spanOf(lot('old', '2026-11-01', 188), ...unusable)?.typical).to.equal(188)
  })

  it('makes the lye of the certificate, and a narrower superfat band', () => {
    const knownFats = certifiedFats([olive], [lot('a', '2027-01-01', 188)], day)
    const plain = recipeFigures(workedRecipe, 1000)
    const known = recipeFigures({ ...workedRecipe, knownFats }, 1000)
    // (0.45·188 + 0.30·257 + 0.25·180) = 206.7 g KOH a kilo; · 0.712888 · 0.95 = 139.986 g.
    expect(known.naohG).to.be.closeTo(139.986, 0.002)
    expect(known.band.likely).to.be.closeTo(0.05, 1e-9)
    expect(known.band.best - known.band.worst).to.be.lessThan(plain.band.best - plain.band.worst)
    // Lowest: 0.45·187 + 0.30·248 + 0.25·170 = 201.05 g; 1 − 206.7 · 0.95 / 201.05.
    expect(known.band.worst).to.be.closeTo(1 - (206.7 * 0.95) / 201.05, 1e-4)
  })
})

describe('checkCertificate', () => {
  const oliveOil = findFat('olive')
  if (!oliveOil) throw new Error('olive')
  const check = (sapKoh: number) => checkCertificate(oliveOil, { sapKoh, tolerance: 1, day })

  it('believes values within the natural span and a little outside', () => {
    expect(check(190)).to.deep.equal([])
    expect(check(181)).to.deep.equal([])
  })

  it('refuses one of another fat or in other units', () => {
    expect(plainly(check(257)[0])).to.equal('certificate_of_another_fat, fat Olive oil, least 184, most 196, value 257')
    expect(check(135)[0]?.code).to.equal('certificate_of_another_fat')
  })
})
