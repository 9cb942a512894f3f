import type { Day } from '../calendar'
import type { Finding } from '../findings'
import { quantity, refuse, warn } from '../findings'
import type { Range } from '../units'
import { isWithin } from '../units'
import type { ContentKey } from './contents'
import { contentsOfFat } from './contents'
import type { Fat } from './fat'
import { fattyAcidMolarMass } from './fat'
import { glycerolMolarMass, kohMolarMass, waterMolarMass } from './molarMasses'

/** mg of KOH a gram that any fat, wax or free fatty acid may take: from below jojoba to above fractionated coconut oil. */
export const possibleSaponification: Range = { min: 50, max: 400 }
/** g/ml of any fat as a liquid, waxes among them. */
export const fatDensityRange: Range = { min: 0.8, max: 1 }
export const fatKinds = ['triglyceride', 'wax', 'fatty_acid'] as const
export const fatStates = ['liquid', 'soft', 'solid'] as const

/** A fat that a workshop keeps besides those of the table, as its supplier's certificate describes it. */
export interface OwnFat extends Omit<Fat, 'key' | 'source' | 'contains'> {
  readonly contains: readonly ContentKey[]
  readonly supplier: string
  /** Day of the certificate; null until there is one. */
  readonly certificateDay: Day | null
}

const prefix = 'own:'
/** The key under which recipes name a fat of the workshop’s own. */
export const ownFatKey = (id: string): string => `${prefix}${id}`
/** Whether a key names a fat of the workshop’s own, whether or not there is one. */
export const isOwnFatKey = (key: string): boolean => key.startsWith(prefix)

/** An own fat in the form in which all fats are reckoned. */
export function asFat(id: string, { supplier, certificateDay, ...fat }: OwnFat): Fat {
  const source =
    certificateDay === null
      ? 'Own figures, without a certificate'
      : `${supplier === '' ? 'Supplier' : supplier}’s certificate of ${certificateDay}`
  return { ...fat, key: ownFatKey(id), source }
}

/** A fat of the workshop's own that is made of another: its figures under a name of its own. */
export function ownFatLike(fat: Fat, name: string) {
  const { key: _key, source: _source, saponificationValue, fattyAcidPercent, ...rest } = fat
  const acids = Object.keys(fattyAcidMolarMass) as readonly (keyof typeof fattyAcidMolarMass)[]
  const percents = Object.fromEntries(acids.map((acid) => [acid, fattyAcidPercent?.[acid] ?? 0])) as Record<
    (typeof acids)[number],
    number
  >
  return {
    ...rest,
    name,
    saponificationValue: { ...saponificationValue },
    fattyAcidPercent: fattyAcidPercent === null ? null : percents,
    contains: [...contentsOfFat(fat)],
    supplier: '',
    certificateDay: null,
  } satisfies OwnFat
}

/** Three acids bound to glycerol: its mass less three molecules of water, g/mol. */
const glycerylMass = glycerolMolarMass - 3 * waterMolarMass

/**
 * The saponification value that a profile of fatty acids leads one to expect, mg KOH a gram: three moles for each mole of
 * triglyceride, one for each of free acid, less what does not saponify. An estimate, good to a few percent.
 *
 * @returns undefined for waxes, and where the profile names less than nine tenths of the acids
 */
export function expectedSaponification({
  kind,
  fattyAcidPercent,
  unsaponifiablePercent,
}: Pick<Fat, 'kind' | 'fattyAcidPercent' | 'unsaponifiablePercent'>): number | undefined {
  if (kind === 'wax' || fattyAcidPercent === null) return undefined
  const acids = Object.entries(fattyAcidPercent) as [keyof typeof fattyAcidMolarMass, number][]
  const named = acids.reduce((sum, [, percent]) => sum + percent, 0)
  if (named < 90) return undefined
  const moles = acids.reduce((sum, [acid, percent]) => sum + percent / fattyAcidMolarMass[acid], 0)
  const acidMass = named / moles
  const perGram =
    kind === 'fatty_acid' ? (1000 * kohMolarMass) / acidMass : (3000 * kohMolarMass) / (3 * acidMass + glycerylMass)
  return perGram * (1 - unsaponifiablePercent / 100)
}

/** Further than this from what its acids lead one to expect, a value wants a second look. A rule of the house. */
const expectedWithin = 0.06

/** What is wrong with an own fat. Never throws on what a maker can type. */
export function checkOwnFat(fat: OwnFat): readonly Finding[] {
  const findings: Finding[] = []
  const { min, typical, max } = fat.saponificationValue
  for (const [end, value] of Object.entries(fat.saponificationValue)) {
    if (!isWithin(value, possibleSaponification))
      findings.push(
        refuse(
          'saponification_range',
          {
            value: quantity.figure(value),
            least: quantity.figure(possibleSaponification.min),
            most: quantity.figure(possibleSaponification.max),
          },
          `saponificationValue.${end}`,
        ),
      )
  }
  if (findings.length === 0 && !(min <= typical && typical <= max))
    findings.push(refuse('saponification_order', undefined, 'saponificationValue.typical'))
  if (!isWithin(fat.densityGMl, fatDensityRange))
    findings.push(
      refuse(
        'density_range',
        { least: quantity.least('density', fatDensityRange.min), most: quantity.most('density', fatDensityRange.max) },
        'densityGMl',
      ),
    )
  if (!isWithin(fat.unsaponifiablePercent, { min: 0, max: 60 }))
    findings.push(refuse('unsaponifiable_range', undefined, 'unsaponifiablePercent'))
  const percents = Object.values(fat.fattyAcidPercent ?? {})
  const named = percents.reduce((sum, percent) => sum + percent, 0)
  if (percents.some((percent) => !isWithin(percent, { min: 0, max: 100 })) || named > 101)
    findings.push(refuse('acids_range', { total: quantity.share(named / 100) }, 'fattyAcidPercent'))
  if (findings.length > 0) return findings
  const expected = expectedSaponification(fat)
  if (expected !== undefined && Math.abs(typical / expected - 1) > expectedWithin)
    findings.push(
      warn(
        'saponification_unexpected',
        { expected: quantity.figure(expected, 0), typical: quantity.figure(typical) },
        'saponificationValue.typical',
      ),
    )
  return findings
}
