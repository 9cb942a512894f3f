import type { PourPart } from '../batch'
import { scaleBatch } from '../batch'
import type { BatchSettings, PotColour } from '../batch'
import type { BarCut } from '../cutting'
import { barsOfMould, logsOf, thicknessForMouldBars } from '../cutting'
import type { Finding, Sentence } from '../findings'
import { quantity, sentence, warn } from '../findings'
import type { Mould } from '../mould'
import { barThicknessRange, shapeOf } from '../mould'
import type { Recipe, ScentUse } from '../recipe'
import { scentWeights } from '../recipe'
import type { IngredientKind, Prices, PriceSource } from '../stores'
import { costOf, ingredientKey, packingCost } from '../stores'
import type { TaxTerms } from './tax'
import { shareOfTax } from './tax'
import { isWithin, lengthStepMm, roundTo } from '../units'

/** A mould the workshop has, as a quote may use it. */
export interface QuoteMould extends Mould, BarCut {
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
  /** Step to which a bar's thickness can be set, mm. @default 0.5 */
  readonly thicknessStepMm?: number
  /** Hours a batch takes, set-up counted for each. */
  readonly hours: { readonly setup: number; readonly prep: number; readonly pour: number; readonly cut: number }
  readonly bevelMinutesPerBar: number
  readonly stampMinutesPerBar: number
  /** What an hour of a maker's work is charged, shared costs among it, cents. */
  readonly hourCents: number
  readonly packingCentsPerBar: number
  readonly bevelCentsPerBar: number
  readonly stampCents: number
  /** Put on top of all that an order costs. @default 0 */
  readonly marginShare?: number
  /** How prices are stated: where that is with the tax in them, it comes on top of costs and margin. @default untaxed */
  readonly tax?: TaxTerms
  /** What the stores' things cost. */
  readonly prices: Prices
}

/** What bevelling is charged extra. */
export const bevellingCents = (bars: number, { bevelCentsPerBar }: Pick<QuoteSettings, 'bevelCentsPerBar'>): number =>
  bars * bevelCentsPerBar

/** Loaves of one mould, all cut alike. */
export interface QuotePart {
  readonly mould: QuoteMould
  readonly loaves: number
  readonly barThicknessMm: number
  readonly barsPerLoaf: number
  readonly barWetG: number
  /** Estimate: the wet bar less what it loses in the cure. */
  readonly barCuredG: number
}

/** A part of a price. */
export interface QuotePricePart {
  readonly of: 'ingredients' | 'work' | 'packing' | 'bevelling' | 'stamp' | 'margin' | 'tax'
  readonly cents: number
}

/** What an order takes of one ingredient, and what that costs as far as the stores say. */
export interface QuoteIngredient {
  readonly kind: IngredientKind
  /** Key of the fat or alkali; empty for what goes by its name. */
  readonly ref: string
  readonly name: string
  readonly massG: number
  readonly cents: number | undefined
  readonly source: PriceSource | undefined
}

/** One way to make an order. */
export interface QuoteOption {
  /** "6 × Long loaf at 24 mm plus 1 × Tall loaf at 25 mm, 144 bars". */
  readonly title: Sentence
  readonly parts: readonly QuotePart[]
  readonly bars: number
  /** Bars over the order, for breakage. */
  readonly spareBars: number
  /** The lightest bar of all parts, cured. Estimate. */
  readonly barCuredG: number
  readonly batches: readonly PourPart[]
  /** Hours of work: set-up, preparing, pouring, cutting, bevelling, stamping. */
  readonly hours: number
  readonly ingredients: readonly QuoteIngredient[]
  readonly priceParts: readonly QuotePricePart[]
  /** Ingredients without a price: the sum lacks them, and is no price yet. */
  readonly unpriced: readonly string[]
  readonly priceCents: number
  readonly findings: readonly Finding[]
}

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

type Cutting = Omit<QuotePart, 'loaves'>

const onStepBelow = (mm: number, stepMm: number): number => roundTo(Math.floor(mm / stepMm + 1e-9) * stepMm, 6)

const mostBarsPerLoaf = 60
/** A bar much heavier than its label is given away. A rule of the house. */
const mostOverLabel = 1.6

/** How one loaf of a mould may be cut: every whole number of bars that keeps the label, and the mould's usual cut. */
function cuttings(mould: QuoteMould, wish: QuoteWish, settings: QuoteSettings): readonly Cutting[] {
  const at = (barThicknessMm: number) =>
    scaleBatch({ ...wish, mould: { ...mould, barThicknessMm }, mouldCount: 1, barsWanted: 1 }, settings)
  const usual = at(mould.barThicknessMm)
  const found: Cutting[] = []
  const logs = logsOf(mould)
  for (let barsPerLoaf = logs; barsPerLoaf <= mostBarsPerLoaf * logs; barsPerLoaf += logs) {
    const exactMm = thicknessForMouldBars(mould, barsPerLoaf)
    if (exactMm === undefined) continue
    // As it can be set, and as it is told: masses, price and moulds follow from it. Thinner gives no bar less.
    const barThicknessMm = onStepBelow(exactMm, settings.thicknessStepMm ?? lengthStepMm('mm', 'sixteenths'))
    if (!isWithin(barThicknessMm, barThicknessRange) || barsOfMould({ ...mould, barThicknessMm }).bars !== barsPerLoaf)
      continue
    const { barWetG, barCuredG } = at(barThicknessMm)
    if (barCuredG < wish.labelMassG) break
    if (barCuredG > wish.labelMassG * mostOverLabel) continue
    found.push({ mould, barThicknessMm, barsPerLoaf, barWetG, barCuredG })
  }
  const isKnown = found.some(({ barsPerLoaf }) => barsPerLoaf === usual.barsPerLoaf)
  if (usual.barsPerLoaf > 0 && !isKnown) {
    const { barsPerLoaf, barWetG, barCuredG } = usual
    found.push({ mould, barThicknessMm: mould.barThicknessMm, barsPerLoaf, barWetG, barCuredG })
  }
  return found
}

/** For each number of loaves the thickest cut that still gives the bars. */
function waysInOneMould(all: readonly Cutting[], wanted: number): Way {
  const byLoaves = new Map<number, QuotePart>()
  for (const cutting of all) {
    const loaves = Math.ceil(wanted / cutting.barsPerLoaf)
    const known = byLoaves.get(loaves)
    if (!known || cutting.barsPerLoaf < known.barsPerLoaf) byLoaves.set(loaves, { ...cutting, loaves })
  }
  return [...byLoaves.values()].sort((a, b) => a.loaves - b.loaves)
}

function priceOf(
  ingredients: QuoteOption['ingredients'],
  hours: number,
  wish: QuoteWish,
  settings: QuoteSettings,
): QuoteOption['priceParts'] {
  const costs: readonly QuotePricePart[] = [
    { of: 'ingredients', cents: ingredients.reduce((sum, { cents }) => sum + (cents ?? 0), 0) },
    { of: 'work', cents: hours * settings.hourCents },
    { of: 'packing', cents: packingCost(settings.prices, wish.bars, settings.packingCentsPerBar).cents },
    { of: 'bevelling', cents: wish.bevelled ? bevellingCents(wish.bars, settings) : 0 },
    { of: 'stamp', cents: wish.stamped ? settings.stampCents : 0 },
  ]
  const costCents = costs.reduce((sum, { cents }) => sum + cents, 0)
  const marginCents = costCents * (settings.marginShare ?? 0)
  const { tax } = settings
  const taxCents = tax?.isTaxIncluded === true ? (costCents + marginCents) * shareOfTax(tax) : 0
  return [...costs, { of: 'margin' as const, cents: marginCents }, { of: 'tax' as const, cents: taxCents }]
    .map(({ of, cents }) => ({ of, cents: Math.round(cents) }))
    .filter(({ cents }) => cents > 0)
}

type Way = readonly QuotePart[]

/** What a finding says but for its figures: two pours of an order say the same of nearly the same figures. */
const apartFromFigures = (finding: Finding): string =>
  JSON.stringify(finding, (_, value: unknown) => (typeof value === 'number' ? '' : value))

/** Two ways of equal worth keep one order. */
const nameOfWay = (way: Way): string => way.map(({ mould }) => mould.name).join()
const batchesOf = (way: Way): number => way.reduce((sum, { loaves, mould }) => sum + Math.ceil(loaves / mould.count), 0)
const barsOf = (way: Way): number => way.reduce((sum, { loaves, barsPerLoaf }) => sum + loaves * barsPerLoaf, 0)
const lightestOf = (way: Way): number => Math.min(...way.map(({ barCuredG }) => barCuredG))

function optionFor(way: Way, wish: QuoteWish, settings: QuoteSettings): QuoteOption {
  const batches: PourPart[] = []
  const parts: QuotePart[] = []
  const masses = new Map<string, Pick<QuoteIngredient, 'kind' | 'ref' | 'name' | 'massG'>>()
  const weigh = (kind: IngredientKind, ref: string, name: string, massG: number): void => {
    const key = ingredientKey(kind, ref === '' ? name : ref)
    if (massG > 0) masses.set(key, { kind, ref, name, massG: (masses.get(key)?.massG ?? 0) + massG })
  }
  const told = new Map<string, Finding>()
  for (const part of way) {
    const { mould, barThicknessMm, barsPerLoaf, loaves } = part
    const known = new Map<number, ReturnType<typeof scaleBatch>>()
    // An order may take hundreds of batches, of two sizes at the most.
    const scaledOf = (mouldCount: number) => {
      const wished = { ...wish, mould: { ...mould, barThicknessMm }, mouldCount, barsWanted: barsPerLoaf * mouldCount }
      const scaled = known.get(mouldCount) ?? scaleBatch(wished, settings)
      known.set(mouldCount, scaled)
      return scaled
    }
    for (const mouldCount of splitIntoBatches(loaves, mould.count)) {
      const { weights, findings } = scaledOf(mouldCount)
      batches.push({ mouldId: mould.id, mouldCount, barsWanted: barsPerLoaf * mouldCount, barThicknessMm })
      for (const { fat, massG } of weights.fats) weigh('fat', fat.key, fat.name, massG)
      weigh('alkali', 'naoh', 'Sodium hydroxide', weights.naohG)
      weigh('alkali', 'koh', 'Potassium hydroxide', weights.kohG)
      for (const { name, massG } of weights.liquids) weigh('liquid', '', name, massG)
      for (const { name, massG } of weights.additives) weigh('additive', '', name, massG)
      // A blend costs what its parts cost.
      const scents = wish.scent ? scentWeights(wish.scent, weights.scentG, settings.scaleResolutionG) : []
      for (const { name, massG } of scents) weigh('scent', '', name, massG)
      for (const { colour, colourantG } of weights.pots) weigh('colourant', '', colour.name, colourantG)
      for (const finding of findings) if (finding.code !== 'bars_short') told.set(apartFromFigures(finding), finding)
    }
    parts.push(part)
  }
  const ingredients = [...masses].map(([key, { massG, ...thing }]): QuoteIngredient => {
    const cost = costOf(settings.prices, key, massG)
    return { ...thing, massG: roundTo(massG, 1), cents: cost && Math.round(cost.cents), source: cost?.source }
  })

  const bars = batches.reduce((sum, batch) => sum + batch.barsWanted, 0)
  const { setup, prep, pour, cut } = settings.hours
  const minutes =
    (wish.bevelled ? bars * settings.bevelMinutesPerBar : 0) + (wish.stamped ? bars * settings.stampMinutesPerBar : 0)
  const hours = roundTo(batches.length * (setup + prep + pour + cut) + minutes / 60, 2)
  const priceParts = priceOf(ingredients, hours, wish, settings)
  const unpriced = ingredients.filter(({ cents }) => cents === undefined).map(({ name }) => name)
  if (unpriced.length > 0) {
    told.set('no_price', warn('no_price', { names: unpriced, count: unpriced.length }))
  }
  // The bars of a tray are not cut.
  const titles = parts.map(({ mould, loaves, barThicknessMm }) =>
    shapeOf(mould) === 'cavities'
      ? sentence('trays_filled', { loaves, mould: mould.name })
      : sentence('loaves_cut_at', { loaves, mould: mould.name, thickness: quantity.most('length', barThicknessMm) }),
  )
  return {
    title: sentence('quote_option', { loaves: titles, bars }),
    parts,
    bars,
    spareBars: bars - wish.bars,
    barCuredG: lightestOf(way),
    batches,
    hours,
    ingredients,
    priceParts,
    unpriced,
    priceCents: priceParts.reduce((sum, { cents }) => sum + cents, 0),
    findings: [...told.values()],
  }
}

/**
 * Ways to make an order, best first: whole loaves of one mould, each number of loaves at its thickest cut, and loaves of
 * one mould filled up from another. Those whose bars keep the label come first, then those with fewer pours, then
 * fewer spare bars; at most `most`, and at most two with the same mould alone.
 *
 * Bars to make allow for breakage. Hours count set-up for every batch, as if each had a day of its own.
 *
 * @throws {RangeError} if the recipe, a mould or a setting is out of range: check them first
 */
export function quoteOptions(
  wish: QuoteWish,
  moulds: readonly QuoteMould[],
  settings: QuoteSettings,
  most = 5,
): readonly QuoteOption[] {
  const wanted = barsToMake(wish.bars, settings.breakageShare)
  const cuts = moulds.filter(({ count }) => count > 0).map((mould) => cuttings(mould, wish, settings))
  const ways: Way[] = cuts.flatMap((all) =>
    waysInOneMould(all, wanted)
      .slice(0, 2)
      .map((way) => [way]),
  )
  for (const all of cuts) {
    for (const others of cuts) {
      const main = all.at(-1)
      if (!main || all === others) continue
      const loaves = Math.floor(wanted / main.barsPerLoaf)
      const rest = wanted - loaves * main.barsPerLoaf
      const [fill] = waysInOneMould(others, rest)
      if (loaves > 0 && rest > 0 && fill) ways.push([{ ...main, loaves }, fill])
    }
  }
  const isLight = (way: Way): number => (lightestOf(way) < wish.labelMassG ? 1 : 0)
  // Only those that are shown are worked out.
  return ways
    .sort(
      (a, b) =>
        isLight(a) - isLight(b) ||
        batchesOf(a) - batchesOf(b) ||
        barsOf(a) - barsOf(b) ||
        nameOfWay(a).localeCompare(nameOfWay(b)),
    )
    .slice(0, most)
    .map((way) => optionFor(way, wish, settings))
}
