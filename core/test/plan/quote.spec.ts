import { expect } from 'chai'
import fc from 'fast-check'
import { barsOfMould } from '../../src/cutting'
import type { QuoteMould, QuoteSettings, QuoteWish } from '../../src/plan'
import { barsToMake, quoteEarnings, quoteOptions, splitIntoBatches } from '../../src/plan'
import { listedPrices } from '../listedPrices'
import { plainly } from '../plainly'

const long: QuoteMould = {
  id: 'long',
  name: 'Long loaf',
  lengthMm: 460,
  widthMm: 86,
  heightMm: 80,
  linerMm: 0,
  fillHeightMm: 60,
  barThicknessMm: 25,
  endTrimMm: 5,
  kerfMm: 0,
  count: 2,
}
const short: QuoteMould = { ...long, id: 'short', name: 'Short loaf', lengthMm: 250, widthMm: 80, count: 4 }
const wish: QuoteWish = {
  bars: 140,
  labelMassG: 100,
  recipe: {
    fats: [
      { fatKey: 'olive', share: 0.7 },
      { fatKey: 'coconut', share: 0.3 },
    ],
    superfat: 0.05,
    lyeConcentration: 0.33,
    naohPurity: 1,
  },
  scent: null,
  colours: [],
  bevelled: true,
  stamped: false,
}
const settings: QuoteSettings = {
  scaleResolutionG: 1,
  potLoss: 0.02,
  cureLoss: 0.1,
  breakageShare: 0.03,
  hours: { setup: 0.5, prep: 0.5, pour: 1.5, cut: 1 },
  bevelMinutesPerBar: 1,
  stampMinutesPerBar: 0.5,
  hourCents: 2000,
  packingCentsPerBar: 30,
  bevelCentsPerBar: 40,
  stampCents: 6000,
  prices: listedPrices({ 'fat:olive': 900, 'fat:coconut': 500, 'alkali:naoh': 400 }),
}

describe('barsToMake', () => {
  it('allows for breakage', () => {
    expect(barsToMake(140, 0.03)).to.equal(145) // 140 / 0.97 = 144.3
    expect(barsToMake(140, 0)).to.equal(140)
    expect(barsToMake(97, 0.03)).to.equal(100)
  })
})

describe('splitIntoBatches', () => {
  it('takes as few batches as the moulds allow, of about one size', () => {
    expect(splitIntoBatches(9, 2)).to.deep.equal([2, 2, 2, 2, 1])
    expect(splitIntoBatches(6, 4)).to.deep.equal([3, 3])
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), fc.integer({ min: 1, max: 12 }), (loaves, count) => {
        const sizes = splitIntoBatches(loaves, count)
        expect(sizes.reduce((sum, size) => sum + size, 0)).to.equal(loaves)
        expect(Math.max(...sizes)).to.be.at.most(count)
        expect(Math.max(...sizes) - Math.min(...sizes)).to.be.at.most(1)
        expect(sizes).to.have.length(Math.ceil(loaves / count))
      }),
    )
  })
})

describe('quoteOptions', () => {
  it('gives every option enough bars of the label mass, by few pours first', () => {
    const options = quoteOptions(wish, [long, short], settings)
    expect(options).to.have.length.within(2, 5)
    for (const option of options) {
      expect(option.bars, plainly(option.title)).to.be.at.least(145)
      expect(option.spareBars).to.equal(option.bars - 140)
      expect(option.barCuredG).to.be.at.least(100)
      expect(option.batches.reduce((sum, { barsWanted }) => sum + barsWanted, 0)).to.equal(option.bars)
      for (const { mouldId, mouldCount } of option.batches) expect(mouldCount).to.be.at.most(mouldId === 'long' ? 2 : 4)
    }
    const pours = options.map(({ batches }) => batches.length)
    expect(pours).to.deep.equal([...pours].sort((a, b) => a - b))
  })

  it('fills a loaf with the bars worked out by hand', () => {
    // 450 mm between the trims; a bar of 100 g cured weighs 111.1 g wet: with the batter at d g/ml its thickness is
    // 111.1 / (86 · 60 · d / 1000) mm, about 21.3 mm. 21 bars would be 450/21 = 21.43 mm, which a cutter that is set to
    // half millimetres cuts at 21: too light. 145 bars are 8 loaves, of 19 at the thickest: 450/19 = 23.7, set to 23.5.
    const [option] = quoteOptions(wish, [long], settings)
    expect(option?.parts[0]).to.deep.include({ loaves: 8, barsPerLoaf: 19, barThicknessMm: 23.5 })
    expect(option?.bars).to.equal(152)
    expect(option?.batches.map(({ mouldCount }) => mouldCount)).to.deep.equal([2, 2, 2, 2])
    // Four pours of 3.5 h, and 152 minutes of bevelling.
    expect(option?.hours).to.equal(16.53)
  })

  it('quotes a cut that can be set, and the masses that follow from it', () => {
    for (const thicknessStepMm of [0.5, 25.4 / 16, 25.4 / 20])
      for (const option of quoteOptions(wish, [long, short], { ...settings, thicknessStepMm }))
        for (const { mould, barThicknessMm, barsPerLoaf, barCuredG } of option.parts) {
          const steps = barThicknessMm / thicknessStepMm
          // The mould's own usual cut stands as its maker set it.
          if (barThicknessMm !== mould.barThicknessMm) expect(steps).to.be.closeTo(Math.round(steps), 1e-6)
          expect(barsOfMould({ ...mould, barThicknessMm }).bars).to.equal(barsPerLoaf)
          expect(barCuredG).to.be.at.least(100)
        }
  })

  it('fills up from a tray, whose bars are not cut', () => {
    const tray = {
      ...long,
      id: 'tray',
      name: 'Tray',
      shape: 'cavities' as const,
      cavityCount: 6,
      cavityMl: 115,
      count: 2,
    }
    const mixed = quoteOptions(wish, [long, tray], settings, 20).find(({ parts }) => parts.length === 2)
    expect(plainly(mixed?.title)).to.match(
      /^quote_option, loaves \[\(loaves_cut_at, loaves \d+, mould Long loaf, thickness [\d.]+\), \(trays_filled, loaves \d+, mould Tray\)\], bars \d+$/,
    )
    expect(mixed?.bars).to.be.at.least(145)
  })

  it('adds the price up from its parts', () => {
    const [option] = quoteOptions(wish, [long], settings)
    const cents = Object.fromEntries((option?.priceParts ?? []).map((part) => [part.of, part.cents]))
    expect(cents['packing']).to.equal(140 * 30)
    expect(cents['bevelling']).to.equal(140 * 40)
    expect(cents['work']).to.equal(16.53 * 2000)
    const ingredients = (option?.ingredients ?? []).reduce((sum, part) => sum + (part.cents ?? 0), 0)
    expect(cents['ingredients']).to.equal(ingredients)
    expect(option?.priceCents).to.equal(Object.values(cents).reduce((sum, part) => sum + part, 0))
    expect(cents['stamp']).to.equal(undefined)
  })

  it('says once what two pours of nearly the same figures say of their scent', () => {
    // Three loaves in two pours, of two and of one: the shares of their scents differ in the last digits.
    const scent = { name: 'Quay blend', rate: 0.0303, supplierLimit: null }
    const options = quoteOptions({ ...wish, bars: 50, scent }, [long], settings).filter(
      ({ batches }) => batches.length > 1,
    )
    expect(options).not.to.have.length(0)
    for (const { findings } of options)
      expect(new Set(findings.map(({ code }) => code)).size, JSON.stringify(findings)).to.equal(findings.length)
  })

  it('prices a blend by its parts, and each colour by itself', () => {
    const scent = {
      name: 'Quay blend',
      rate: 0.03,
      supplierLimit: null,
      parts: [
        { name: 'Tide', share: 0.75, supplierLimit: null },
        { name: 'Rope', share: 0.25, supplierLimit: null },
      ],
    }
    const colours = [{ name: 'Tar', hex: '#222222', share: 1, rateGPerKg: 4 }] as const
    const prices = listedPrices({ 'scent:tide': 8000, 'scent:rope': 16_000, 'colourant:tar': 5000 })
    const [option] = quoteOptions({ ...wish, scent, colours }, [long], { ...settings, prices })
    const of = Object.fromEntries((option?.ingredients ?? []).map((one) => [one.name, one]))
    const [tide, rope] = [of['Tide']!, of['Rope']!]
    expect(rope.massG / tide.massG).to.be.closeTo(1 / 3, 0.02)
    expect(tide.cents).to.equal(Math.round(tide.massG * 8))
    expect(rope.cents).to.equal(Math.round(rope.massG * 16))
    expect(of['Quay blend']).to.equal(undefined)
    expect(of['Tar']?.source).to.equal('list')
  })

  it('puts the tax that a price has in it on top of its costs, so that the floor is never above the price', () => {
    const tax = { taxName: 'VAT', taxShare: 0.23, isTaxIncluded: true }
    for (const marginShare of [0, 0.1]) {
      const [option] = quoteOptions(wish, [long], { ...settings, tax, marginShare })
      const { floorCents, marginShare: margin, costCents } = quoteEarnings(option!, tax)
      expect(option!.priceCents).to.be.closeTo(costCents * (1 + marginShare) * 1.23, 2)
      expect(floorCents).to.be.at.most(option!.priceCents + 2)
      expect(margin).to.be.closeTo(marginShare / (1 + marginShare), 1e-3)
    }
    const [onTop] = quoteOptions(wish, [long], { ...settings, tax: { ...tax, isTaxIncluded: false } })
    expect(onTop!.priceParts.some(({ of }) => of === 'tax')).to.equal(false)
  })

  it('says which price is missing rather than guessing it', () => {
    const [option] = quoteOptions(wish, [long], { ...settings, prices: listedPrices({ 'fat:olive': 900 }) })
    expect(option?.ingredients.find(({ name }) => name === 'Coconut oil')?.cents).to.equal(undefined)
    expect(plainly(option?.findings.find(({ code }) => code === 'no_price'))).to.equal(
      'no_price, names [Coconut oil, Sodium hydroxide], count 2',
    )
  })

  it('fills up one mould’s loaves from another', () => {
    const mixed = quoteOptions({ ...wish, bars: 50 }, [long, short], settings, 20).find(
      ({ parts }) => parts.length === 2,
    )
    expect(plainly(mixed?.title)).to.match(
      /^quote_option, loaves \[(\(loaves_cut_at, loaves \d+, mould (Long|Short) loaf, thickness [\d.]+\)(, )?){2}\], bars \d+$/,
    )
    expect(mixed?.bars).to.be.at.least(52)
  })

  it('works out no more for thousands of bars than for hundreds, however many moulds there are', () => {
    const moulds = Array.from({ length: 12 }, (_, index): QuoteMould => ({
      ...long,
      id: `m${index}`,
      name: `M${index}`,
    }))
    const reckonedFor = (bars: number) => {
      let reads = 0
      const counted = {
        ...settings,
        get potLoss() {
          reads += 1
          return settings.potLoss
        },
      }
      const options = quoteOptions({ ...wish, bars }, moulds, counted)
      for (const option of options) expect(option.bars).to.be.at.least(barsToMake(bars, settings.breakageShare))
      return reads
    }
    const few = reckonedFor(400)
    expect(few).to.be.above(0)
    expect(reckonedFor(40_000)).to.be.at.most(1.5 * few)
  })

  it('offers nothing without a mould', () => {
    expect(quoteOptions(wish, [], settings)).to.deep.equal([])
    expect(quoteOptions(wish, [{ ...long, count: 0 }], settings)).to.deep.equal([])
  })
})
