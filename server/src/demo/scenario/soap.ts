import type { NewCollection, NewDesign } from '@vendange/contract'
import type { demoRecipes } from './recipes'
import type { demoMoulds } from './workshop'

/** What most soaps leave as a new one has it. */
type Usual =
  | 'moreMoulds'
  | 'pourPlan'
  | 'face'
  | 'batterHex'
  | 'pieces'
  | 'displacedMl'
  | 'topMl'
  | 'bevelled'
  | 'stamped'
  | 'earliestDay'
  | 'barCents'
  | 'notesForNextTime'
  | 'broughtFromId'
  | 'lessons'
  | 'results'

export interface DemoSoap
  extends Omit<NewDesign, 'collectionId' | 'recipeId' | 'mouldId' | Usual>, Partial<Pick<NewDesign, Usual>> {
  readonly recipe: keyof typeof demoRecipes
  readonly mould: keyof typeof demoMoulds
  /** Day of the pour; null leaves it off the calendar. */
  readonly pourDay: string | null
  /** Days of its other pours, where it is poured in several: each as large as the first. */
  readonly morePourDays?: readonly string[]
  /** How far its story goes by the demo's day. */
  readonly story: 'unplanned' | 'planned' | 'in_mould' | 'curing' | 'released'
  /** What the cut and the release gave, for those that got so far. */
  readonly cut?: { readonly bars: number; readonly bevelled: boolean }
  readonly release?: { readonly day: string; readonly bars: number }
  /** Minutes that stamping each of its loaves took, on the day of the cut. */
  readonly stampMin?: number
  readonly note?: string
}

type UsualOfCollection = 'early' | 'channels' | 'promises' | 'state'

export interface DemoCollection
  extends Omit<NewCollection, UsualOfCollection>, Partial<Pick<NewCollection, UsualOfCollection>> {
  readonly soaps: readonly DemoSoap[]
}

/** The scent families that the demo's blends belong to. */
const families: Readonly<Record<string, string>> = {
  'Citrus peel blend': 'citrus',
  'Linen steam blend': 'clean',
  'Cold iron blend': 'mineral',
  'Wet stone blend': 'mineral',
  'Polished wood blend': 'wood',
  'Amber blend': 'resin',
}
/** A made-up scent at so much of the fats, and the most its supplier allows. */
export const scent = (name: string, rate: number, supplierLimit: number) => ({
  name,
  rate,
  supplierLimit,
  family: families[name] ?? 'other',
})
type DemoColour = DemoSoap['colours'][number]
/** A colour: its share of the batter, and grams of powder to a kilogram of its own batter. */
export const colour = (
  name: string,
  hex: string,
  share: number,
  rateGPerKg = 8,
  more: Partial<DemoColour> = {},
): DemoColour => ({ name, hex, share, rateGPerKg, ...more })
export const inWater: Partial<DemoColour> = { wetting: { with: 'water', ratio: 2 } }
export const inFat: Partial<DemoColour> = { wetting: { with: 'fat', ratio: 2 } }
