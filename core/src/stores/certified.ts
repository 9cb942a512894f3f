import type { Day } from '../calendar'
import type { Fat } from '../fats'
import type { Finding } from '../findings'
import { quantity, refuse } from '../findings'
import { fatOf } from '../recipe'
import type { Ingredient } from './ingredient'
import type { Lot } from './lots'
import { lotFault, oldestFirst } from './lots'

/** A supplier's figure for one lot of a fat. */
export interface Certificate {
  /** Saponification value, mg KOH a gram. */
  readonly sapKoh: number
  /** Give or take, mg KOH a gram. */
  readonly tolerance: number
  readonly day: Day
}

export type CertifiedLot = Lot & { readonly ingredientId: string; readonly certificate: Certificate | null }

/**
 * The fats whose every usable lot has a certificate, with the span that their certificates leave: whichever lot is at
 * hand, it lies within. Reckoned with is the lot that is used next. A fat with a lot of unknown value keeps the table's
 * natural span and is not among them.
 */
export function certifiedFats(
  ingredients: readonly Ingredient[],
  lots: readonly CertifiedLot[],
  day: Day,
  /** The workshop's own fats; those that no lot narrows are given back as they are. */
  own: readonly Fat[] = [],
): readonly Fat[] {
  const byRef = new Map<string, CertifiedLot[]>()
  for (const { id, kind, ref } of ingredients) {
    if (kind !== 'fat') continue
    const usable = lots.filter((lot) => lot.ingredientId === id && lotFault(lot, day) === undefined)
    byRef.set(ref, [...(byRef.get(ref) ?? []), ...usable])
  }
  const certified = [...byRef].flatMap(([ref, usable]): Fat[] => {
    const fat = fatOf({ knownFats: own }, ref)
    const [first] = oldestFirst(usable) as readonly CertifiedLot[]
    const certificates = usable.flatMap(({ certificate }) => (certificate ? [certificate] : []))
    if (!fat || !first?.certificate || certificates.length < usable.length) return []
    return [
      {
        ...fat,
        saponificationValue: {
          min: Math.min(...certificates.map(({ sapKoh, tolerance }) => sapKoh - tolerance)),
          typical: first.certificate.sapKoh,
          max: Math.max(...certificates.map(({ sapKoh, tolerance }) => sapKoh + tolerance)),
        },
        source: `Supplier’s certificate of ${first.certificate.day}`,
      },
    ]
  })
  return [...certified, ...own.filter(({ key }) => !certified.some((fat) => fat.key === key))]
}

/** Further than this outside of a fat's natural span no certificate is believed. A rule of the house. */
const believedOutside = 0.03

/** Whether a certificate can be of this fat. An empty list means yes. */
export function checkCertificate(
  fat: Pick<Fat, 'name' | 'saponificationValue'>,
  { sapKoh, tolerance }: Certificate,
): readonly Finding[] {
  const { min, max } = fat.saponificationValue
  const isBelieved =
    sapKoh + tolerance >= min * (1 - believedOutside) && sapKoh - tolerance <= max * (1 + believedOutside)
  return isBelieved
    ? []
    : [
        refuse(
          'certificate_of_another_fat',
          { fat: fat.name, least: quantity.figure(min), most: quantity.figure(max), value: quantity.figure(sapKoh) },
          'certificate.sapKoh',
        ),
      ]
}
