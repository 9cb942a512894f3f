import type { BatchPlan, PieceMakeup } from '../batch'
import { massOfPieces, wettingOf } from '../batch'
import type { Day } from '../calendar'
import { addDays } from '../calendar'
import type { Sentence } from '../findings'
import { sentence, series } from '../findings'
import type { IngredientKind } from '../stores'
import { unnamedPowder } from '../stores'
import { fatOf, kohShareRange, superfatRange } from '../recipe'
import { assertWithin } from '../units'
import type { NameOnLabel } from './inci'
import { inciOf } from './inci'
import { glycerolMolarMass, kohMolarMass, naohMolarMass, waterMolarMass } from '../fats'

export const labelStyles = ['eu', 'us'] as const
export type LabelStyle = (typeof labelStyles)[number]

/** Share of a rinse-off product from which a scent allergen is named: Regulation (EC) No 1223/2009, Annex III, 0.01 %. */
export const rinseOffAllergenShare = 0.0001
/** Below this share ingredients may stand in any order: Regulation (EC) No 1223/2009, Article 19(1)(g). */
export const anyOrderShare = 0.01

/** An ingredient of the finished bar. */
export interface LabelIngredient {
  readonly name: string
  /** Mass fraction of the cured bar. */
  readonly share: number
  readonly kind: 'soap' | 'fat' | 'water' | 'glycerin' | 'additive' | 'scent' | 'allergen' | 'colour'
  /** Whether it stands under its name for labels; else under the workshop's own. */
  readonly isNamed: boolean
}

/** A scent allergen with its share of the scent, by the supplier's certificate. */
export interface Allergen {
  readonly name: string
  readonly share: number
}

/** Of a fat that is no longer known: as most liquid oils take, g of KOH a gram. An estimate. */
const usualKohGPerG = 0.19

const firstName = (names: string, otherwise: string): string => names.split(';')[0]?.trim() || otherwise

/** A fat's soap by its alkali: the names differ in their first word alone. */
const soapName = (inci: string, fatName: string, alkali: 'Sodium' | 'Potassium'): string =>
  firstName(inci, `Sodium soap of ${fatName}`).replace(/^Sodium/, alkali)

type Add = (name: string, massG: number, kind: LabelIngredient['kind'], isNamed: boolean) => void

/** What a bar is held against, whatever part of it is told. */
interface LabelTelling {
  readonly cureLoss: number
  readonly allergens: readonly Allergen[]
  readonly known: readonly NameOnLabel[]
  /** Of the whole batch, g. */
  readonly curedG: number
}

/** What a batch weighs when it is cured, g: its own soap, and the pieces of earlier ones, which are cured already. */
const curedMassG = ({ weights, pieces = [] }: PieceMakeup, cureLoss: number): number =>
  weights.batterG * (1 - cureLoss) + massOfPieces(pieces)

/** Adds what a batch is made of, and what the pieces of earlier soap in it are. */
function addMakeup(
  addPart: Add,
  { recipe, weights, scent, moves = [], pieces = [] }: PieceMakeup,
  telling: LabelTelling,
): void {
  const { cureLoss, allergens, known, curedG } = telling
  const add = (name: string, massG: number, kind: LabelIngredient['kind'], isNamed = true): void =>
    addPart(name, massG, kind, isNamed)
  const { superfat, kohShare = 0 } = recipe
  assertWithin('superfat', superfat, superfatRange)
  assertWithin('kohShare', kohShare, kohShareRange)
  const addOwn = (of: IngredientKind, name: string, massG: number, kind: LabelIngredient['kind']): void => {
    const inci = inciOf(known, of, name)
    add(inci ?? name, massG, kind, inci !== undefined)
  }
  let reactedG = 0
  for (const { fatKey, name, massG } of weights.fats) {
    const fat = fatOf(recipe, fatKey)
    const koh = fat ? fat.saponificationValue.typical / 1000 : usualKohGPerG
    const moles = (massG * (1 - superfat) * koh) / kohMolarMass
    const freed = fat?.kind === 'triglyceride' ? glycerolMolarMass / 3 : 0
    const water = fat?.kind === 'triglyceride' ? 0 : waterMolarMass
    // The alkalis are shared mole for mole.
    const soapG = (alkali: number): number => massG * (1 - superfat) + moles * (alkali - freed - water)
    const inci = fat?.soapInci ?? ''
    const isNamed = inci !== ''
    add(soapName(inci, name, 'Sodium'), (1 - kohShare) * soapG(naohMolarMass), 'soap', isNamed)
    add(soapName(inci, name, 'Potassium'), kohShare * soapG(kohMolarMass), 'soap', isNamed)
    add('Glycerin', moles * freed, 'glycerin')
    add(firstName(fat?.inci ?? '', name), massG * superfat, 'fat', (fat?.inci ?? '') !== '')
    reactedG += moles * water
  }
  const wet = weights.batterG
  const liquids = weights.liquids ?? []
  const additives = weights.additives ?? []
  // The lye's own water, and what other liquids bring of it.
  const liquidWaterG = liquids.reduce(
    (sum, { name, massG }) => sum + massG * (recipe.liquids?.find((one) => one.name === name)?.waterShare ?? 0),
    0,
  )
  add(
    'Aqua',
    Math.max(0, weights.waterG + wettingOf(weights).waterG + liquidWaterG + reactedG - wet * cureLoss),
    'water',
  )
  for (const { name, massG } of liquids) {
    const waterShare = recipe.liquids?.find((one) => one.name === name)?.waterShare ?? 0
    addOwn('liquid', name, massG * (1 - waterShare), 'additive')
  }
  for (const { name, massG } of additives) addOwn('additive', name, massG, 'additive')
  if (scent && weights.scentG > 0) {
    add('Parfum', weights.scentG, 'scent')
    for (const { name, share } of allergens)
      if ((weights.scentG * share) / curedG > rinseOffAllergenShare) add(name, weights.scentG * share, 'allergen')
  }
  for (const { colour, colourantG } of weights.pots) addOwn('colourant', colour.name, colourantG, 'colour')
  for (const { powder } of moves)
    if (powder) addOwn('colourant', powder.name === '' ? unnamedPowder : powder.name, powder.massG, 'colour')
  for (const { massG, madeOf } of pieces) {
    const ownG = madeOf ? curedMassG(madeOf, cureLoss) : 0
    if (!madeOf || ownG <= 0) continue
    const part = massG / ownG
    addMakeup((name, ownMassG, kind, isNamed) => addPart(name, ownMassG * part, kind, isNamed), madeOf, {
      ...telling,
      allergens: madeOf.scent?.allergens ?? [],
      // Held against the whole bar, of which this is a part.
      curedG: curedG / part,
    })
  }
}

/**
 * What a cured bar is made of, by the masses of its batch: each fat's soap and its part left over, glycerin set free,
 * water that the cure leaves, and the rest; in falling order, what is below 1 % after it, colours last. Reckoned from
 * typical saponification values: an estimate, which a licensed assessor holds against certificates. What the stores know
 * no INCI name of stands under the workshop's own name, and is told to.
 *
 * @param cureLoss share of its mass that a bar loses, all of it water
 * @param allergens of its scent
 * @param known names on labels of what the stores keep
 * @throws {RangeError} if the recipe's superfat or share of KOH is none that may be made
 */
export function labelIngredients(
  plan: BatchPlan,
  cureLoss: number,
  allergens: readonly Allergen[] = [],
  known: readonly NameOnLabel[] = [],
): readonly LabelIngredient[] {
  const byName = new Map<string, Pick<LabelIngredient, 'kind' | 'isNamed'> & { readonly massG: number }>()
  addMakeup(
    (name, massG, kind, isNamed) => {
      if (massG > 0) byName.set(name, { kind, isNamed, massG: (byName.get(name)?.massG ?? 0) + massG })
    },
    plan,
    { cureLoss, allergens, known, curedG: curedMassG(plan, cureLoss) },
  )
  const total = [...byName.values()].reduce((sum, { massG, kind }) => (kind === 'allergen' ? sum : sum + massG), 0)
  const all = [...byName].map(([name, { massG, ...what }]) => ({ name, ...what, share: massG / total }))
  const later = ({ share, kind }: LabelIngredient): number => (kind === 'colour' ? 2 : share < anyOrderShare ? 1 : 0)
  return all.sort((a, b) => later(a) - later(b) || b.share - a.share)
}

/** What a label says besides its ingredients. */
export interface LabelTerms {
  readonly style: LabelStyle
  readonly name: string
  readonly netMassG: number
  readonly lotCode: string
  readonly bestBeforeDay: Day
  /** Maker and address. */
  readonly maker: string
}

/** How long a bar is said to keep from its release, days. An estimate: fats, superfat and store decide. */
export const keepsDays = 730

/** The day printed as best before: `keepsDays` after the release. An estimate. */
export const bestBeforeOf = (releaseDay: Day): Day => addDays(releaseDay, keepsDays)

/** What a label must name. */
export const labelParts = ['name', 'net_mass', 'maker', 'ingredients', 'inci'] as const
export type LabelPart = (typeof labelParts)[number]

/** What is missing on a label. */
export function missingOnLabel(
  { netMassG, maker, name }: Pick<LabelTerms, 'netMassG' | 'maker' | 'name'>,
  ingredients: readonly LabelIngredient[],
): readonly LabelPart[] {
  const has: Readonly<Record<LabelPart, boolean>> = {
    name: name.trim() !== '',
    net_mass: netMassG > 0,
    maker: maker.trim() !== '',
    ingredients: ingredients.length > 0,
    inci: ingredients.every(({ isNamed }) => isNamed),
  }
  return labelParts.filter((part) => !has[part])
}

/** What keeps a label from being complete: its missing parts, and what stands on it without its INCI name. */
export interface LabelLacks {
  readonly parts: readonly LabelPart[]
  readonly unnamed: readonly string[]
}

/** A loaf as far as its label goes. */
export interface LabelledLoaf {
  /** Its soap, whichever pour of it this is. */
  readonly soapName: string
  readonly labelMassG: number
  readonly lotCode: string
  readonly state: { readonly release?: { readonly day: Day } | undefined }
}

/** The label of a loaf: what it says, what it is made of, and what it lacks. */
export interface Label {
  readonly terms: LabelTerms
  readonly ingredients: readonly LabelIngredient[]
  readonly lacks: LabelLacks
}

/**
 * The label of a loaf as its workshop writes it.
 *
 * @param known names on labels of what the stores keep
 * @throws {RangeError} as `labelIngredients` does
 */
export function labelOf(
  loaf: LabelledLoaf,
  plan: BatchPlan,
  known: readonly NameOnLabel[],
  workshop: { readonly labelStyle: LabelStyle; readonly makerAddress: string; readonly cureLoss: number },
  today: Day,
): Label {
  const ingredients = labelIngredients(plan, workshop.cureLoss, plan.scent?.allergens ?? [], known)
  const terms: LabelTerms = {
    style: workshop.labelStyle,
    name: loaf.soapName,
    netMassG: loaf.labelMassG,
    lotCode: loaf.lotCode,
    bestBeforeDay: bestBeforeOf(loaf.state.release?.day ?? today),
    maker: workshop.makerAddress,
  }
  const unnamed = ingredients.flatMap(({ name, isNamed }) => (isNamed ? [] : [name]))
  return { terms, ingredients, lacks: { parts: missingOnLabel(terms, ingredients), unnamed } }
}

/** What a label lacks, in words; undefined where it lacks nothing. */
export function labelLacksSentence({ parts, unnamed }: LabelLacks): Sentence | undefined {
  if (parts.length === 0) return undefined
  return sentence('label_lacks', {
    parts: series(parts.map((part) => sentence('label_part', { part }))),
    unnamed: series(unnamed),
    hasUnnamed: unnamed.length > 0 ? 'yes' : 'no',
  })
}
