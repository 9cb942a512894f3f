import type { ContentKey } from './contents'

/** Fatty acids by mass percent of all fatty acids; one that is left out is absent. `longer`: 20 carbons and up. */
export type FattyAcid =
  | 'caprylic'
  | 'capric'
  | 'lauric'
  | 'myristic'
  | 'palmitic'
  | 'palmitoleic'
  | 'stearic'
  | 'oleic'
  | 'linoleic'
  | 'linolenic'
  | 'ricinoleic'
  | 'longer'

/** mg of KOH that one gram of the fat takes (ISO 3657): natural span and the figure to reckon with. */
export interface SaponificationSpan {
  readonly min: number
  readonly typical: number
  readonly max: number
}

/** One fat, wax or free fatty acid of the table. */
export interface Fat {
  readonly key: string
  readonly name: string
  /** INCI name of the raw material. */
  readonly inci: string
  /** INCI name of its sodium soap. */
  readonly soapInci: string
  readonly kind: 'triglyceride' | 'wax' | 'fatty_acid'
  readonly stateAt20C: 'solid' | 'soft' | 'liquid'
  /** g/ml at `densityTemperatureC`, liquid (beeswax: solid). */
  readonly densityGMl: number
  readonly densityTemperatureC: number
  readonly saponificationValue: SaponificationSpan
  /** Null for waxes, whose profile the table does not hold. */
  readonly fattyAcidPercent: Readonly<Partial<Record<FattyAcid, number>>> | null
  readonly unsaponifiablePercent: number
  /** What it brings that a promise may forbid; fats of the table have a list of their own. */
  readonly contains?: readonly ContentKey[]
  /** Where the span of the saponification value comes from. */
  readonly source: string
}

/** Molar masses in g/mol of the fatty acids; `longer` stands for C20 and up. */
export const fattyAcidMolarMass: Readonly<Record<FattyAcid, number>> = {
  caprylic: 144.21,
  capric: 172.26,
  lauric: 200.32,
  myristic: 228.37,
  palmitic: 256.42,
  palmitoleic: 254.41,
  stearic: 284.48,
  oleic: 282.46,
  linoleic: 280.45,
  linolenic: 278.43,
  ricinoleic: 298.46,
  longer: 312.5,
}
