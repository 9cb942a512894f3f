import { expect } from 'chai'
import fc from 'fast-check'
import type { BatchPlan, PieceMakeup } from '../../src/batch'
import {
  batchPlan,
  makeupOf,
  massOfPieces,
  pieceStepKey,
  piecesPerMould,
  piecesUsed,
  runSheet,
  scaleDesign,
  sourceOfPart,
} from '../../src/batch'
import { labelIngredients } from '../../src/release'
import { workedPlan, workedSource } from '../blends'

const piece = (massG: number, colour = 'ink') => ({ loafId: 'l1', lotCode: '270210-1', colour, hex: '#27364F', massG })
const withPieces = (...pieces: ReturnType<typeof piece>[]) => ({
  ...workedSource,
  design: { ...workedSource.design, pieces },
})

describe('pieces of earlier soap', () => {
  it('take their room off the batter, as dense as it', () => {
    const whole = scaleDesign(workedSource)
    const less = scaleDesign(withPieces(piece(200), piece(100, 'fog')))
    // As if 300 g of the batter of the whole were in the mould already.
    const takenMl = whole.mouldsMl - less.mouldsMl
    // Scales round the fats, and with them the rest.
    expect(takenMl * (whole.weights.batterG / whole.madeMl)).to.be.closeTo(300, 2)
    expect(less.weights.batterG).to.be.closeTo(whole.weights.batterG - 300 / 0.98, 3)
    expect(less.bars).to.equal(whole.bars)
    // A bar weighs what it weighed.
    expect(less.barWetG).to.be.closeTo(whole.barWetG, 0.2)
    expect(scaleDesign(withPieces()).weights).to.deep.equal(whole.weights)
  })

  it('are shared over the pours of a soap by their loaves', () => {
    const part = { mouldId: 'm', mouldCount: 1, barsWanted: 10, barThicknessMm: 25 }
    const two = withPieces(piece(200))
    const source = sourceOfPart({ ...two, design: { ...two.design, mouldCount: 2 } }, part, workedSource.mould)
    expect(massOfPieces(source.design.pieces)).to.equal(100)
  })

  it('are weighed before the pour, and count as weighed', () => {
    const plan = batchPlan(withPieces(piece(200), piece(100, 'fog')))
    const keys = runSheet(plan).map(({ key }) => key)
    expect(keys.indexOf(pieceStepKey(1))).to.be.below(keys.indexOf('pour'))
    expect(keys.indexOf(pieceStepKey(0))).to.be.above(keys.indexOf('emulsion'))
    const used = piecesUsed(plan, [
      { stepKey: pieceStepKey(0), actual: 180 },
      { stepKey: pieceStepKey(0), actual: 185 },
    ])
    expect(used.map(({ massG }) => massG)).to.deep.equal([185, 100])
    expect(batchPlan(workedSource)).not.to.have.property('pieces')
  })

  it('are kept with what a label needs, and not round after round', () => {
    const paths = { kind: 'hanger' as const, path: [] }
    const powdered = { kind: 'powder' as const, powder: { name: 'Charcoal', massG: 2 } }
    const moves = [paths, powdered] as unknown as NonNullable<BatchPlan['moves']>
    const first = makeupOf({ ...workedPlan(), moves })
    expect(first.moves).to.deep.equal([powdered])
    const second = makeupOf({ ...workedPlan(), pieces: [{ ...piece(50), madeOf: first }] })
    const third = makeupOf({ ...workedPlan(), pieces: [{ ...piece(50), madeOf: second }] })
    expect(second.pieces?.[0]?.madeOf?.weights).to.deep.equal(first.weights)
    expect(third.pieces?.[0]?.madeOf).not.to.have.property('pieces')
    expect(third).not.to.have.property('moves')
  })

  it('are shared over the moulds as the batter is, and none is lost', () => {
    expect(
      piecesPerMould(
        [piece(300)],
        [
          { batterG: 1000, count: 2 },
          { batterG: 500, count: 2 },
        ],
      ),
    ).to.deep.equal([100, 50])
    expect(piecesPerMould([piece(300)], [])).to.deep.equal([])
    expect(piecesPerMould([piece(300)], [{ batterG: 0, count: 1 }])).to.deep.equal([0])
    const mould = fc.record({ batterG: fc.integer({ min: 1, max: 5000 }), count: fc.integer({ min: 1, max: 6 }) })
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 3000 }),
        fc.array(mould, { minLength: 1, maxLength: 4 }),
        (massG, moulds) => {
          const each = piecesPerMould([piece(massG)], moulds)
          const all = each.reduce((sum, one, at) => sum + one * moulds[at]!.count, 0)
          expect(all).to.be.closeTo(massG, 0.05 * moulds.reduce((sum, { count }) => sum + count, 0))
        },
      ),
    )
  })
})

describe('the label of a soap with pieces', () => {
  const worked = workedPlan()
  const clay = {
    ...worked,
    weights: {
      ...worked.weights,
      additives: [{ name: 'Pink clay', massG: 20, place: 'trace' as const, wetting: null }],
    },
  }
  const part = (massG: number, madeOf: PieceMakeup = clay): BatchPlan => ({
    ...worked,
    pieces: [{ ...piece(massG), madeOf }],
  })
  const share = (plan: Parameters<typeof labelIngredients>[0], name: string): number =>
    labelIngredients(plan, 0.11).find((one) => one.name === name)?.share ?? 0

  it('names what is in the pieces, by its part of the bar', () => {
    expect(share(worked, 'Pink clay')).to.equal(0)
    const cured = worked.weights.batterG * 0.89
    // 20 g in a batch that weighs as much cured; of it so much is in 250 g of pieces, and that in all.
    const claySum = (20 * 250) / cured
    expect(share(part(250), 'Pink clay')).to.be.closeTo(claySum / (cured + 250), 2e-4)
    const sum = labelIngredients(part(250), 0.11).filter(({ kind }) => kind !== 'allergen')
    expect(sum.reduce((total, one) => total + one.share, 0)).to.be.closeTo(1, 1e-9)
  })

  it('is as it was where the pieces are of the same soap, and names what their own pieces held', () => {
    const same = labelIngredients({ ...worked, pieces: [{ ...piece(300), madeOf: worked }] }, 0.11)
    for (const { name, share: was } of labelIngredients(worked, 0.11))
      expect(same.find((one) => one.name === name)?.share, name).to.be.closeTo(was, 1e-9)
    expect(share(part(400, part(400)), 'Pink clay')).to.be.above(0)
    expect(share({ ...worked, pieces: [{ ...piece(300), madeOf: null }] }, 'Pink clay')).to.equal(0)
  })

  it('names an allergen of their scent from its threshold in the whole bar on', () => {
    const scented = {
      ...worked,
      scent: { name: 'Resin', rate: 0.03, supplierLimit: null, allergens: [{ name: 'Linalool', share: 0.02 }] },
      weights: { ...worked.weights, scentG: 30 },
    }
    // 0.6 g of it in about 1100 g of bars: in a tenth of a bar of pieces it is below 0.01 %.
    expect(share(part(400, scented), 'Linalool')).to.be.above(0)
    expect(share(part(100, scented), 'Linalool')).to.equal(0)
  })
})
