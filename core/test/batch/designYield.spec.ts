import { expect } from 'chai'
import { designYield, scaleDesign, sourceOfPart } from '../../src/batch'
import { workedSource } from '../blends'

describe('the bars that a design gives', () => {
  const mould = { ...workedSource.mould, name: 'Loaf' }
  const part = { mouldId: 'loaf', mouldCount: 2, barsWanted: 24, barThicknessMm: mould.lengthMm / 12 }

  it('are those of its moulds where it is poured at once', () => {
    const { bars, barsOver, barCuredG } = scaleDesign(workedSource)
    expect(designYield(workedSource)).to.deep.include({ bars, barsOver, barCuredG })
    expect(designYield(workedSource).pours).to.have.length(1)
  })

  it('are those of all its pours, each cut as it was quoted', () => {
    const source = { ...workedSource, design: { ...workedSource.design, barsWanted: 70 } }
    const given = designYield(source, [
      { part, mould },
      { part, mould },
      { part: { ...part, mouldCount: 1, barsWanted: 12 }, mould },
    ])
    // 2 + 2 + 1 loaves of twelve bars each, 10 fewer than 70.
    expect([given.bars, given.barsOver]).to.deep.equal([60, -10])
    expect(given.pours.map(({ bars, barsOver }) => [bars, barsOver])).to.deep.equal([
      [24, 0],
      [24, 0],
      [12, 0],
    ])
    // The lightest bar counts, whichever pour it is of.
    const thick = { part: { ...part, barThicknessMm: 25 }, mould }
    for (const parts of [
      [thick, { part, mould }],
      [{ part, mould }, thick],
    ]) {
      const mixed = designYield(source, parts)
      expect(mixed.barWetG).to.be.closeTo(given.barWetG, 1e-9)
      expect(mixed.barCuredG).to.be.closeTo(given.barCuredG, 1e-9)
    }
    const [usual] = designYield(source).pours
    expect(given.barWetG).to.be.closeTo(((usual?.barWetG ?? 0) * part.barThicknessMm) / mould.barThicknessMm, 0.5)
  })

  it('fill a part’s own moulds and no others of the design, with its loaves’ share of embeds and top', () => {
    const source = { ...workedSource, more: [{ mould, count: 3 }] }
    expect(
      sourceOfPart({ ...source, design: { ...source.design, topMl: 200, displacedMl: 50 } }, part, mould),
    ).to.deep.include({
      more: [],
      // Two loaves of the four that the whole design fills.
      design: { ...source.design, mouldCount: 2, barsWanted: 24, topMl: 100, displacedMl: 25 },
    })
  })

  it('are filled as a part says, and never over the brim', () => {
    const heightOf = (fillHeightMm: number): number =>
      sourceOfPart(workedSource, { ...part, fillHeightMm }, mould).mould.fillHeightMm
    expect(heightOf(62)).to.equal(62)
    expect(heightOf(500)).to.equal(mould.heightMm - mould.linerMm)
  })
})
