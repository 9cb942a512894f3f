import { expect } from 'chai'
import {
  expectedSaponification,
  fatTable,
  fattyAcidGroups,
  fattyAcidMolarMass,
  fattyAcidProfile,
  findFat,
  liquidShare,
} from '../../src/fats'
import { saponificationValueRange } from '../../src/recipe'
import { isWithin } from '../../src/units'

describe('fatTable', () => {
  it('holds 36 fats with unique keys', () => {
    expect(fatTable).to.have.length(36)
    expect(new Set(fatTable.map(({ key }) => key)).size).to.equal(36)
  })

  it('keeps every saponification value in order and in range', () => {
    for (const { key, saponificationValue } of fatTable) {
      const { min, typical, max } = saponificationValue
      expect(min <= typical && typical <= max, key).to.equal(true)
      expect(isWithin(min, saponificationValueRange) && isWithin(max, saponificationValueRange), key).to.equal(true)
    }
  })

  // Table and profile agree within 1.4 %.
  it('agrees with the fatty acids of each fat', () => {
    const judged = fatTable.filter((fat) => {
      const expected = expectedSaponification(fat)
      if (expected !== undefined)
        expect(Math.abs(expected / fat.saponificationValue.typical - 1), fat.key).to.be.below(0.014)
      return expected !== undefined
    })
    expect(judged.length).to.be.greaterThan(30)
  })

  it('finds a fat by its key, and none for another', () => {
    expect(findFat('olive')?.name).to.equal('Olive oil')
    expect(findFat('unobtainium')).to.equal(undefined)
  })
})

describe('fattyAcidProfile', () => {
  const of = (key: string) => {
    const fat = findFat(key)
    if (!fat) throw new Error(key)
    return fat
  }

  it('puts every acid into exactly one group', () => {
    const grouped = fattyAcidGroups.flatMap(({ acids }) => acids)
    expect([...grouped].sort()).to.deep.equal(Object.keys(fattyAcidMolarMass).sort())
  })

  it('weighs the groups by share', () => {
    // Coconut: lauric 47.5 + myristic 18.5 = 66 %; olive has none. Half and half: 33 %.
    const { groups } = fattyAcidProfile([
      { fat: of('coconut'), share: 0.5 },
      { fat: of('olive'), share: 0.5 },
    ])
    expect(groups.find(({ group }) => group.key === 'foam')?.share).to.be.closeTo(0.33, 1e-9)
    // Oleic 6.5 and 73 %, palmitoleic 0 and 1 %: half of 80.5 %.
    expect(groups.find(({ group }) => group.key === 'mild')?.share).to.be.closeTo(0.4025, 1e-9)
  })

  it('says how much the table cannot name', () => {
    const { groups, unnamedShare } = fattyAcidProfile([{ fat: of('beeswax'), share: 1 }])
    expect(unnamedShare).to.equal(1)
    expect(groups.every(({ share }) => share === 0)).to.equal(true)
  })

  it('counts what is liquid at 20 °C', () => {
    const blend = [
      { fat: of('olive'), share: 0.45 },
      { fat: of('coconut'), share: 0.3 },
      { fat: of('shea'), share: 0.25 },
    ]
    expect(liquidShare(blend)).to.be.closeTo(0.45, 1e-12)
    expect(() => liquidShare([])).to.throw(RangeError, 'Expected shares with a positive sum, got 0')
    expect(() => fattyAcidProfile([])).to.throw(RangeError, 'Expected shares with a positive sum, got 0')
  })
})
