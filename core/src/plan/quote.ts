import { scaleBatch } from '../batch'
import type { BatchSettings, PotColour } from '../batch'
import type { BarCut } from '../cutting'
import { thicknessForBars } from '../cutting'
import type { Finding } from '../findings'
import type { LoafMould } from '../mould'
import { blockOf } from '../mould'
import type { Recipe, ScentUse } from '../recipe'

/** A mould the workshop has, as a quote may use it. */
export interface QuoteMould extends LoafMould, BarCut {
  readonly id: string
  readonly name: string
  readonly count: number
}

export interface QuoteWish {
  readonly bars: number
  /** Mass that a cured bar must have at the least, g. */
  readonly labelMassG: number
  readonly recipe: Recipe
  readonly scent: ScentUse | null
  readonly colours: readonly PotColour[]
  readonly bevelled: boolean
  readonly stamped: boolean
}

export interface QuoteSettings extends BatchSettings {
  /** Share of the bars that are lost to breakage, poor faces and samples. An estimate of the maker's. */
  readonly breakageShare: number
  /** Hours a batch takes, set-up counted for each. */
  readonly hours: { readonly setup: number; readonly prep: number; readonly pour: number; readonly cut: number }
  readonly bevelMinutesPerBar: number
  readonly stampMinutesPerBar: number
  /** What an hour of a maker's work is charged, cents. */
  readonly hourCents: number
  readonly packingCentsPerBar: number
  readonly bevelCentsPerBar: number
  readonly stampCents: number
  /** Price of ingredients, cents a kg, by fat key, `naoh`, `scent` and `colourant`. */
  readonly pricesCentsPerKg: Readonly<Record<string, number>>
}

/** Moulds of one kind poured together. */
export interface QuoteBatch {
  readonly mouldId: string
  readonly mouldCount: number
  readonly bars: number
}

/** One way to make an order. */
export interface QuoteOption {
  /** "6 loaves at 24 mm, 144 bars". */
  readonly title: string
  readonly mould: QuoteMould
  readonly loaves: number
  readonly barThicknessMm: number
  readonly barsPerLoaf: number
  readonly bars: number
  /** Bars over the order, for breakage. */
  readonly spareBars: number
  readonly barWetG: number
  /** Estimate: the wet bar less what it loses in the cure. */
  readonly barCuredG: number
  readonly batches: readonly QuoteBatch[]
  /** Hours of work: set-up, preparing, pouring, cutting, bevelling, stamping. */
  readonly hours: number
  readonly ingredients: readonly { readonly name: string; readonly massG: number; readonly cents: number | undefined }[]
  readonly priceParts: readonly { readonly name: string; readonly cents: number }[]
  readonly priceCents: number
  readonly findings: readonly Finding[]
}

const grams = (massG: number): number => Number(massG.toFixed(1))

/** Bars to make so that enough are left after breakage: at least one spare as soon as any break. */
export function barsToMake(ordered: number, breakageShare: number): number {
  return Math.ceil(ordered / (1 - breakageShare) - 1e-9)
}

/** How many moulds go into each batch: as few batches as the moulds allow, all of about the same size. */
export function splitIntoBatches(loaves: number, mouldCount: number): readonly number[] {
  const batches = Math.ceil(loaves / mouldCount)
  const each = Math.floor(loaves / batches)
  const more = loaves - each * batches
  return Array.from({ length: batches }, (_, index) => each + (index < more ? 1 : 0))
}

interface Cutting {
  readonly barThicknessMm: number
  readonly barsPerLoaf: number
}

/** Thicknesses worth offering: the mould's usual one, and the thinnest whole number of bars that still keeps the label. */
function cuttings(mould: QuoteMould, wish: QuoteWish, settings: QuoteSettings): readonly Cutting[] {
  const { lengthMm } = blockOf(mould)
  const at = (barThicknessMm: number) =>
    scaleBatch(
      {
        ...wish,
        mould: { ...mould, barThicknessMm },
        mouldCount: 1,
        barsWanted: 1,
      },
      settings,
    )
  const usual = at(mould.barThicknessMm)
  const found = new Map<number, Cutting>()
  if (usual.barsPerLoaf > 0)
    found.set(usual.barsPerLoaf, { barThicknessMm: mould.barThicknessMm, barsPerLoaf: usual.barsPerLoaf })
  for (let bars = 1; bars <= 60; bars++) {
    const barThicknessMm = thicknessForBars(lengthMm, bars, mould)
    if (barThicknessMm === undefined) continue
    if (at(barThicknessMm).barCuredG < wish.labelMassG) break
    if (bars >= usual.barsPerLoaf - 2 && !found.has(bars)) found.set(bars, { barThicknessMm, barsPerLoaf: bars })
  }
  return [...found.values()]
}

function priceOf(
  ingredients: QuoteOption['ingredients'],
  hours: number,
  wish: QuoteWish,
  settings: QuoteSettings,
): QuoteOption['priceParts'] {
  const parts = [
    { name: 'Ingredients', cents: ingredients.reduce((sum, { cents }) => sum + (cents ?? 0), 0) },
    { name: 'Work', cents: hours * settings.hourCents },
    { name: 'Packing', cents: wish.bars * settings.packingCentsPerBar },
    ...(wish.bevelled ? [{ name: 'Bevelling', cents: wish.bars * settings.bevelCentsPerBar }] : []),
    ...(wish.stamped ? [{ name: 'Stamp', cents: settings.stampCents }] : []),
  ]
  return parts.map(({ name, cents }) => ({ name, cents: Math.round(cents) })).filter(({ cents }) => cents > 0)
}

function optionFor(mould: QuoteMould, cutting: Cutting, wish: QuoteWish, settings: QuoteSettings): QuoteOption {
  const { barThicknessMm, barsPerLoaf } = cutting
  const wanted = barsToMake(wish.bars, settings.breakageShare)
  const loaves = Math.ceil(wanted / barsPerLoaf)
  const cutMould = { ...mould, barThicknessMm }
  const sizes = splitIntoBatches(loaves, mould.count)
  const scaledOf = (mouldCount: number) =>
    scaleBatch({ ...wish, mould: cutMould, mouldCount, barsWanted: barsPerLoaf * mouldCount }, settings)
  const scaled = sizes.map(scaledOf)
  const bars = barsPerLoaf * loaves

  const masses = new Map<string, { name: string; massG: number }>()
  const weigh = (key: string, name: string, massG: number): void => {
    if (massG > 0) masses.set(key, { name, massG: (masses.get(key)?.massG ?? 0) + massG })
  }
  for (const { weights } of scaled) {
    for (const { fat, massG } of weights.fats) weigh(fat.key, fat.name, massG)
    weigh('naoh', 'Sodium hydroxide', weights.naohG)
    weigh('scent', wish.scent?.name ?? 'Scent', weights.scentG)
    weigh(
      'colourant',
      'Colourants',
      weights.pots.reduce((sum, pot) => sum + pot.colourantG, 0),
    )
  }
  const ingredients = [...masses].map(([key, { name, massG }]) => {
    const price = settings.pricesCentsPerKg[key]
    return { name, massG: grams(massG), cents: price === undefined ? undefined : Math.round((massG / 1000) * price) }
  })

  const { setup, prep, pour, cut } = settings.hours
  const minutes =
    (wish.bevelled ? bars * settings.bevelMinutesPerBar : 0) + (wish.stamped ? bars * settings.stampMinutesPerBar : 0)
  const hours = Number((sizes.length * (setup + prep + pour + cut) + minutes / 60).toFixed(2))
  const priceParts = priceOf(ingredients, hours, wish, settings)
  const first = scaled[0]
  const unpriced = ingredients.filter(({ cents }) => cents === undefined).map(({ name }) => name)
  const findings: Finding[] = [
    ...(first?.findings ?? []).filter(({ code }) => code !== 'bars_short'),
    ...(unpriced.length > 0
      ? [
          {
            severity: 'warn' as const,
            code: 'no_price',
            message: `No price is known for ${unpriced.join(', ')}; the sum leaves ${unpriced.length === 1 ? 'it' : 'them'} out.`,
          },
        ]
      : []),
  ]
  return {
    title: `${loaves} ${loaves === 1 ? 'loaf' : 'loaves'} at ${Number(barThicknessMm.toFixed(1))} mm, ${bars} bars`,
    mould,
    loaves,
    barThicknessMm,
    barsPerLoaf,
    bars,
    spareBars: bars - wish.bars,
    barWetG: first?.barWetG ?? 0,
    barCuredG: first?.barCuredG ?? 0,
    batches: sizes.map((mouldCount) => ({ mouldId: mould.id, mouldCount, bars: barsPerLoaf * mouldCount })),
    hours,
    ingredients,
    priceParts,
    priceCents: priceParts.reduce((sum, { cents }) => sum + cents, 0),
    findings,
  }
}

/**
 * Ways to make an order, best first: those whose bars keep their label mass and nothing refuses, by fewer batches, then
 * fewer loaves, then fewer spare bars; at most `most`.
 *
 * Bars to make allow for breakage. Hours count set-up for every batch, as if each had a day of its own.
 *
 * @throws {RangeError} if the recipe, a mould or a setting is out of range: check them first
 */
export function quoteOptions(
  wish: QuoteWish,
  moulds: readonly QuoteMould[],
  settings: QuoteSettings,
  most = 4,
): readonly QuoteOption[] {
  const options = moulds
    .filter(({ count }) => count > 0)
    .flatMap((mould) => cuttings(mould, wish, settings).map((cutting) => optionFor(mould, cutting, wish, settings)))
  const isLight = (option: QuoteOption): number => (option.barCuredG < wish.labelMassG ? 1 : 0)
  return options
    .sort(
      (a, b) =>
        isLight(a) - isLight(b) ||
        a.batches.length - b.batches.length ||
        a.loaves - b.loaves ||
        a.spareBars - b.spareBars ||
        a.title.localeCompare(b.title),
    )
    .filter(
      (option, index, all) =>
        all.findIndex((other) => other.title === option.title && other.mould.id === option.mould.id) === index,
    )
    .slice(0, most)
}
