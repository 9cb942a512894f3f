import { expect } from 'chai'
import fc from 'fast-check'
import type { MouldAtHand, YieldRemedy } from '../../src/batch'
import { scaleBatch, yieldRemedies } from '../../src/batch'
import { workedMould, workedRecipe, workedSettings } from '../blends'
import { plainly } from '../plainly'

/** 250 mm cut at 25 mm: ten bars. */
const its: MouldAtHand = { ...workedMould, id: 'loaf', count: 3 }
const long: MouldAtHand = { ...workedMould, id: 'long', name: 'Long loaf', lengthMm: 300, count: 1 }
const wish = { recipe: workedRecipe, scent: null, colours: [], mouldCount: 1, barsWanted: 12, labelMassG: 100 }
const ask = (more: Partial<typeof wish> = {}, others: readonly MouldAtHand[] = [long]): readonly YieldRemedy[] =>
  yieldRemedies({ ...wish, ...more }, its, others, workedSettings)
const of = (ways: readonly YieldRemedy[], kind: YieldRemedy['kind']): YieldRemedy | undefined =>
  ways.find((way) => way.kind === kind)

describe('yieldRemedies', () => {
  it('has nothing to say when the bars come out', () => expect(ask({ barsWanted: 10 })).to.deep.equal([]))

  it('lists another cut, a higher fill, more moulds, another mould and a second batch, each with bars and waste', () => {
    const ways = ask()
    // 250 / 12 = 20.83: cut at 20.8 mm, twelve bars of 80 · 60 · 20.8 / 1000 · 1.0087 · 0.89 = 89.6 g.
    expect(plainly(of(ways, 'cut')?.title)).to.equal('cut_thinner, thickness 20.8')
    expect(of(ways, 'cut')).to.deep.include({ bars: 12, reachesLabel: false })
    // 60 mm · 100 / 89.6 = 66.9 mm, below the brim at 70 mm.
    expect(plainly(of(ways, 'fill')?.title)).to.equal('cut_thinner_fill_higher, thickness 20.8, fill 67')
    expect(of(ways, 'fill')?.reachesLabel).to.equal(true)
    expect(of(ways, 'moulds')).to.deep.include({ bars: 20, mouldCount: 2 })
    expect(of(ways, 'other_mould')).to.deep.include({ bars: 12, mouldId: 'long' })
    expect(of(ways, 'second_batch')).to.deep.include({ bars: 20, mouldCount: 2 })
    expect(
      of(ways, 'second_batch')?.parts?.map(({ mouldCount, barsWanted }) => [mouldCount, barsWanted]),
    ).to.deep.equal([
      [1, 10],
      [1, 2],
    ])
    // One pour, cut and filled as the way says.
    expect(of(ways, 'fill')?.parts).to.deep.equal([
      { mouldId: 'loaf', mouldCount: 1, barsWanted: 12, barThicknessMm: 20.8, fillHeightMm: 67 },
    ])
    expect(
      (['moulds', 'other_mould', 'second_batch'] as const).map((kind) => plainly(of(ways, kind)?.title)),
    ).to.deep.equal([
      'fill_moulds, count 2, mould Loaf',
      'pour_into_other, count 1, mould Long loaf',
      'make_batches, batches 2',
    ])
  })

  it('reckons several moulds, and what other kinds give beside them', () => {
    // 26 bars of two loaves: 13 of each at 250 / 13 = 19.23 mm.
    expect(plainly(of(ask({ mouldCount: 2, barsWanted: 26 }), 'cut')?.title)).to.equal('cut_thinner, thickness 19.2')
    const more = [{ mould: { ...workedMould, lengthMm: 125 }, count: 1 }]
    const beside = yieldRemedies({ ...wish, barsWanted: 17, more }, its, [long], workedSettings)
    // Five of the small one, twelve of the loaf.
    expect(plainly(of(beside, 'cut')?.title)).to.equal('cut_thinner, thickness 20.8')
    expect(of(beside, 'cut')?.bars).to.be.at.least(17)
    // Three loaves are all there are.
    expect(of(ask({ barsWanted: 30 }), 'moulds')?.mouldCount).to.equal(3)
    expect(of(ask({ barsWanted: 31 }), 'moulds')).to.equal(undefined)
    // Two batches weigh twice as much as one, and waste twice as much.
    const batch = of(ask(), 'second_batch')!
    expect(batch.batterG).to.equal(2 * scaleBatch({ ...wish, mould: its }, workedSettings).weights.batterG)
    // 1208 g less 10 bars of 121.04 g, twice.
    expect(batch.wasteG).to.be.within(40, 60)
  })

  it('puts first what reaches the label, then what wastes least', () => {
    const ways = ask()
    expect(ways.at(-1)?.kind).to.equal('cut')
    const wastes = ways.filter(({ reachesLabel }) => reachesLabel).map(({ wasteG }) => wasteG)
    expect(wastes).to.deep.equal([...wastes].sort((a, b) => a - b))
  })

  it('never fills above the brim, never takes more moulds than there are, and always gives the bars', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 11, max: 60 }),
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 60, max: 140 }),
        (barsWanted, count, labelMassG) => {
          const few = { ...its, count }
          for (const way of yieldRemedies({ ...wish, barsWanted, labelMassG }, few, [long], workedSettings)) {
            expect(way.bars).to.be.at.least(barsWanted)
            expect(way.wasteG).to.be.at.least(0)
            if (way.kind === 'moulds') expect(way.mouldCount).to.be.at.most(count)
            expect(Number(/fill ([\d.]+) mm/.exec(plainly(way.title))?.[1] ?? 0)).to.be.at.most(70)
          }
        },
      ),
      { numRuns: 60 },
    )
  })
})
