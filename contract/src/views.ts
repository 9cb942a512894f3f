import type { BatchPlan, PourPart } from '@vendange/core/batch'
import type { Day } from '@vendange/core/calendar'
import type { Fat } from '@vendange/core/fats'
import type { Sentence } from '@vendange/core/findings'
import type { PourTiming } from '@vendange/core/pour'
import type { LoafEvent, LoafState, SaleChannel } from '@vendange/core/loaf'
import type { PourLookedBack } from '@vendange/core/plan'
import type { CureSchool, KnownDensity, KnownMakeup } from '@vendange/core/recipe'
import type { NameOnLabel } from '@vendange/core/release'
import type { BatchDays, BatchDemand } from '@vendange/core/season'
import type { IngredientKind, LotUse, Need } from '@vendange/core/stores'
import type { SavedCollection } from './schemas/collection'
import type { SavedDesign } from './schemas/plan'
import type { SavedOrder } from './schemas/order'
import type { SavedMould } from './schemas/mould'
import type { SavedOwnFat } from './schemas/ownFat'
import type { NewRecipe, SavedRecipe } from './schemas/recipe'
import type { SavedIngredient, SavedLot } from './schemas/stores'
import type { SavedMaker, SavedWorkshop } from './schemas/workshop'

/** `planned`: on the calendar. `in_work`: the bench has begun. `poured`: its loaves exist. */
export type BatchStatus = 'planned' | 'in_work' | 'poured'

/** A batch on the calendar. */
export interface BatchSummary {
  readonly id: string
  readonly version: number
  readonly designId: string
  readonly name: string
  readonly mouldId: string
  readonly mouldCount: number
  /** Moulds of other kinds that are filled from the same batch. */
  readonly moreMoulds: readonly { readonly mouldId: string; readonly count: number }[]
  /** Bars it is to give. */
  readonly bars: number
  /** What it makes of its design, where that is poured in several; null: all of it. */
  readonly part: PourPart | null
  readonly status: BatchStatus
  /** Stays where the maker put it when the season is planned. */
  readonly isPinned: boolean
  readonly demand: BatchDemand
  /** Planned days; those that have happened are facts. */
  readonly days: BatchDays
}

/** A list has no more loaves than this, the newest; older ones are found by name or lot. */
export const mostListed = 100

/** A loaf in lists. */
export interface LoafSummary {
  readonly id: string
  readonly lotCode: string
  readonly version: number
  readonly batchId: string
  readonly designId: string
  /** Its soap and which pour of it: "Regatta, pour 2 of 4". */
  readonly name: string
  /** Its soap alone, as it stands on the label. */
  readonly soapName: string
  /** Empty for loaves from before this was kept. */
  readonly mouldId: string
  readonly mouldName: string
  /** What its mould took up, ml; null where what was left in the pots was not weighed. */
  readonly takenMl: number | null
  readonly barsPlanned: number
  /** How thick its bars were planned to be cut, mm; null for loaves from before this was kept: as its mould says. */
  readonly barThicknessMm: number | null
  readonly barsWanted: number
  readonly labelMassG: number
  readonly cureDays: number
  /** When its recipe holds the cure to be over. */
  readonly cureSchool: CureSchool
  readonly state: LoafState
}

/** All that steers time: the ribbon, the plan and the lists of the stages are drawn from it. */
export interface SeasonView {
  readonly today: Day
  /** Of the workshop as it is told here; it grows with every change, and begins anew with the server. */
  readonly revision: number
  /** Damaged records that nobody has seen to yet. */
  readonly damaged: number
  readonly workshop: SavedWorkshop
  readonly makers: readonly SavedMaker[]
  readonly moulds: readonly SavedMould[]
  readonly recipes: readonly SavedRecipe[]
  readonly ownFats: readonly SavedOwnFat[]
  /** Own fats, and those that the certificates of the lots at hand narrow; the table has the others. */
  readonly knownFats: readonly Fat[]
  /** Densities that the stores state; the table has the usual ones. */
  readonly knownDensities: readonly KnownDensity[]
  /** What liquids and additives of the stores are made of, where they state it. */
  readonly knownMakeups: readonly KnownMakeup[]
  readonly collections: readonly SavedCollection[]
  readonly designs: readonly SavedDesign[]
  readonly orders: readonly SavedOrder[]
  readonly batches: readonly BatchSummary[]
  readonly loaves: readonly LoafSummary[]
  /** Tasks of the day sheets that were ticked and leave no other record. */
  readonly ticks: readonly { readonly day: Day; readonly taskKey: string; readonly makerName: string }[]
  /** Sales that found no bar and that nobody has settled yet. */
  readonly owedSales: readonly OwedSale[]
}

/** What became of the batches of a plan that was taken. */
export interface AcceptedPlanView {
  readonly batches: readonly BatchSummary[]
}

/** A recipe as it stood from a moment on. */
export interface RecipeVersion {
  /** ISO 8601, UTC. */
  readonly at: string
  readonly details: NewRecipe
}

/** A lot with what is left of it. */
export interface LotView extends SavedLot {
  readonly usedAmount: number
  readonly leftAmount: number
}

/** The stores, and what the pours on the calendar take of them. */
export interface StoresView {
  readonly today: Day
  readonly ingredients: readonly SavedIngredient[]
  readonly lots: readonly LotView[]
  readonly needs: readonly Need[]
  /** Ids of ingredients that some pour took from, however long ago: they are archived rather than taken away. */
  readonly usedIngredientIds: readonly string[]
  /** What was in use before it was taken away: it stays in the history and can be brought back. */
  readonly archived: {
    readonly ingredients: readonly SavedIngredient[]
    readonly lots: readonly (LotView & { readonly ingredientName: string; readonly kind: IngredientKind })[]
  }
}

/** What a step of a pour takes from the stores. */
export interface StepStock {
  readonly stepKey: string
  readonly name: string
  /** Lots it may be taken from today, in the order in which they are used. */
  readonly lots: readonly Pick<LotView, 'id' | 'supplier' | 'lotNumber' | 'leftAmount' | 'bestBeforeDay'>[]
  /** Lots that are there and may not be used, each with why. */
  readonly refused: readonly Sentence[]
}

/** What was taken of one lot for a pour. */
export interface LotUsed {
  readonly stepKey: string
  readonly name: string
  readonly supplier: string
  readonly lotNumber: string
  /** Called back by its supplier. */
  readonly isRecalled: boolean
  readonly lotId: string
  readonly amount: number
  /** Undefined when the lot's price is not known. */
  readonly cents: number | undefined
}

/** A step as it was recorded. */
export interface RecordedStep {
  readonly stepKey: string
  readonly actual: number | null
  /** Lots it was taken from; null for what the stores do not keep. */
  readonly lots: readonly LotUse[] | null
  /** ISO 8601, UTC. */
  readonly at: string
  readonly makerName: string
}

/** A pour of a collection, looked back on. */
export interface PourOfCollection extends PourLookedBack {
  readonly batchId: string
  readonly designId: string
}

/** A pour whose clock was started: what it was made of, and how fast it thickened. */
export interface TimedPourView extends PourTiming {
  readonly batchId: string
  readonly designId: string
  readonly name: string
  readonly day: Day
  /** Why it is not learned from; null: it is. */
  readonly setAside: string | null
}

/** One batch with all that the bench needs. */
export interface BatchView {
  readonly batch: BatchSummary
  readonly plan: BatchPlan
  readonly records: readonly RecordedStep[]
  readonly loafIds: readonly string[]
  /** What the stores have for its steps, while it is not poured. */
  readonly stock: readonly StepStock[]
}

/** One event of a loaf's record. */
export interface RecordedEvent {
  readonly sequence: number
  /** ISO 8601, UTC. */
  readonly at: string
  readonly makerName: string
  readonly event: LoafEvent
}

/** One loaf with its whole story. */
export interface LoafView {
  readonly loaf: LoafSummary
  readonly collectionName: string
  readonly plan: BatchPlan
  readonly records: readonly RecordedStep[]
  /** The lots its batch was made of. */
  readonly lotsUsed: readonly LotUsed[]
  /** Lots in it, or in the pieces of earlier soap in it, that were called back: "Olive oil K-1". */
  readonly calledBack: readonly string[]
  /** Names on labels that the stores know. */
  readonly namesOnLabel: readonly NameOnLabel[]
  readonly events: readonly RecordedEvent[]
}

/** The cure room on a day; its humidity is relative, 0 to 1. */
export interface RoomDay {
  readonly day: Day
  readonly temperatureC: number
  readonly humidity: number
}

/** What became of a report of sales: taken now, and known already. */
/** A record that could not be read any more; something harmless stands in its place until somebody mends it. */
export interface DamagedRow {
  readonly id: number
  /** Where it is kept, such as `designs`. */
  readonly table: string
  readonly rowId: string
  readonly name: string
  /** What could not be read, and what stood there, as far as it can be written down. */
  readonly fields: readonly { readonly field: string; readonly was: string }[]
  /** ISO 8601, UTC: when it was found. */
  readonly at: string
}

/** A sale that was reported and found no bar, until somebody settles it. */
export interface OwedSale {
  readonly saleId: string
  readonly day: Day
  readonly designId: string
  readonly channel: SaleChannel
  readonly bars: number
  readonly buyer: string
  readonly priceCents: number | null
  /** Why no bar was found, in words. */
  readonly why: string
  readonly makerName: string
}

export interface SalesTaken {
  readonly taken: number
  readonly known: number
  /** Of those taken: sold before their collection was out, which stands in the loaves’ records. */
  readonly beforeRelease: number
  /** Lines that were not taken, each with why. One that is owed is kept by the workshop until it is settled. */
  readonly refused: readonly { readonly saleId: string; readonly detail: string; readonly isOwed: boolean }[]
}

/** What an archive brought back. */
export interface ArchiveTaken {
  readonly loaves: number
  readonly events: number
  readonly photos: number
}

export interface BackupView {
  readonly fileName: string
  readonly bytes: number
}

export interface HealthView {
  readonly status: 'ok'
  readonly version: string
  readonly today: Day
}

/** RFC 9457 problem details. */
export interface Problem {
  readonly type: string
  readonly title: string
  readonly status: number
  readonly detail: string
  /** Fields at fault, by path, in the maker's words. */
  readonly errors?: readonly { readonly field: string; readonly message: string }[]
  /** With 409: the thing as it stands now. */
  readonly current?: unknown
}
