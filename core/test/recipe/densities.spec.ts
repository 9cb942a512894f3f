import { expect } from 'chai'
import { densityOfLiquid, densityOfScent, densityOfSolid, isSalt, scentMlPerG } from '../../src/recipe'

describe('densities', () => {
  it('are those of the tables for what they name', () => {
    const of = (name: string) => densityOfSolid('additive', name)
    expect(of('Sea salt, fine')).to.deep.equal({ densityGMl: 2.16, isEstimate: false })
    expect(of('Cane Sugar').densityGMl).to.equal(1.59)
    expect(of('Kaolin').densityGMl).to.equal(2.6)
    expect(of('Rose  CLAY').densityGMl).to.equal(2.6)
    expect(of('Honey').densityGMl).to.equal(1.42)
    expect(densityOfSolid('colourant', 'Titanium dioxide').densityGMl).to.equal(4.23)
  })

  it('are estimates for what no table names, and say so', () => {
    expect(densityOfSolid('additive', 'Oatmeal')).to.deep.equal({ densityGMl: 1.4, isEstimate: true })
    expect(densityOfSolid('additive', 'Moonstone dust')).to.deep.equal({ densityGMl: 1.4, isEstimate: true })
    expect(densityOfSolid('colourant', 'Carriage blue')).to.deep.equal({ densityGMl: 2.6, isEstimate: true })
    expect(densityOfScent('Amber blend')).to.deep.equal({ densityGMl: 0.95, isEstimate: true })
  })

  it('are those of the library for usual liquids, and follow from the water of others', () => {
    expect(densityOfLiquid('Milk', 0.88)).to.deep.equal({ densityGMl: 1.03, isEstimate: false })
    expect(densityOfLiquid('Pumpkin puree', 0.92).densityGMl).to.equal(1.05)
    // Milk that is boiled down, and what nobody knows: 1 / (0.7/0.998 + 0.3/1.5)
    expect(densityOfLiquid('Milk', 0.7).densityGMl).to.be.closeTo(1.109382, 1e-6)
    expect(densityOfLiquid('Moon juice', 0.7)).to.deep.equal(densityOfLiquid('Milk', 0.7))
    expect(densityOfLiquid('Honey', 0.18)).to.deep.equal({ densityGMl: 1.42, isEstimate: false })
  })

  it('are the workshop’s own before all others, each for its own kind', () => {
    const known = [
      { kind: 'additive', name: 'White Clay', densityGMl: 2.4 },
      { kind: 'scent', name: 'Amber', densityGMl: 1.02 },
      { kind: 'liquid', name: 'milk', densityGMl: 1.03 },
    ] as const
    expect(densityOfSolid('additive', ' white  clay ', known)).to.deep.equal({ densityGMl: 2.4, isEstimate: false })
    expect(densityOfSolid('colourant', 'white clay', known).densityGMl).to.equal(2.6)
    expect(densityOfLiquid('Milk', 0.5, known).densityGMl).to.equal(1.03)
    expect(densityOfScent('amber', known).isEstimate).to.equal(false)
    const blend = {
      name: 'Dusk',
      rate: 0.03,
      supplierLimit: null,
      parts: [
        { name: 'Amber', share: 0.75, supplierLimit: null },
        { name: 'Cedar', share: 0.25, supplierLimit: null },
      ],
    }
    // 0.75/1.02 + 0.25/0.95
    expect(scentMlPerG(blend, known)).to.be.closeTo(0.998452, 1e-6)
  })

  it('know salt by its name', () => {
    expect(['Sea salt', 'SALT', 'Salted caramel scent'].map(isSalt)).to.deep.equal([true, true, false])
  })
})
