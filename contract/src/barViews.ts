import type { Day } from '@vendange/core/calendar'
import type { CostRates, Earning, MonthOfWork, SoapYield } from '@vendange/core/earnings'
import type { LoafEvent, LoafState, SaleChannel, Whereabouts } from '@vendange/core/loaf'
import type { BarsOnHand, ReleaseSales } from '@vendange/core/plan'
import type { SavedCustomer } from './schemas/customer'
import type { SavedLot } from './schemas/stores'

/** Pieces of one colour of a loaf in the scrap bin. */
export interface ScrapView {
  readonly loafId: string
  readonly lotCode: string
  readonly soap: string
  /** Empty where it has none. */
  readonly scent: string
  readonly colour: string
  readonly hex: string
  readonly massG: number
  /** The day the loaf was cut. */
  readonly day: Day
}

/** Bars of a soap that somebody was given: a shop, a subscriber. */
export interface BarsOfCustomer {
  readonly who: string
  readonly channel: SaleChannel
  readonly designId: string
  readonly soap: string
  /** Still with them, or set aside for them, and not sold. */
  readonly aside: number
  readonly sold: number
}

/** Subscribers and shops, and what each has had. */
export interface CustomersView {
  readonly customers: readonly SavedCustomer[]
  readonly bars: readonly BarsOfCustomer[]
}

/** Bars of a lot that are for somebody. */
export interface GivenFor {
  readonly who: string
  readonly loafId: string
  readonly lotCode: string
  readonly designId: string
  readonly soap: string
  readonly channel: SaleChannel
  /** Set aside, and not sent yet. */
  readonly aside: number
  readonly sent: number
}

/** Something that happened to a loaf, and who wrote it down. */
export interface RecordRow {
  readonly number: number
  /** ISO 8601. */
  readonly at: string
  readonly maker: string
  readonly loafId: string
  readonly lotCode: string
  readonly soap: string
  readonly event: LoafEvent
}

/** A page of the record of all loaves. */
export interface RecordPage {
  readonly rows: readonly RecordRow[]
  readonly total: number
  readonly facets: { readonly makers: readonly { readonly id: string; readonly name: string }[] }
}

/** From which lots bars were set aside. */
export interface AllotmentView {
  readonly allotmentId: string
  readonly lots: readonly { readonly lotCode: string; readonly bars: number }[]
}

/** A loaf with something of a lot in it. */
export interface TraceOfLoaf {
  readonly id: string
  readonly lotCode: string
  readonly name: string
  readonly designId: string
  readonly state: LoafState
  /** Bars that nobody has. */
  readonly free: number
  readonly whereabouts: readonly Whereabouts[]
  /** Lots of the loaves whose pieces brought it in; none where it went in itself. */
  readonly through: readonly string[]
}

/** From a delivery to the buyers of every bar with some of it in it. */
export interface TraceView {
  readonly lot: SavedLot
  readonly ingredientName: string
  readonly usedAmount: number
  readonly batches: number
  readonly loaves: readonly TraceOfLoaf[]
}

/** What was earned in a period, and at what it was reckoned. */
export interface EarningsView {
  readonly rates: CostRates
  readonly rows: readonly Earning[]
  readonly inAll: Earning
  readonly months: readonly MonthOfWork[]
  readonly yields: readonly SoapYield[]
  /** Pours of the period whose hours nobody wrote down: they count as planned. */
  readonly untimedPours: number
}

/** How a soap sold at its releases, what others sold, and what of it is there. */
export interface SalesHistory {
  readonly releases: readonly ReleaseSales[]
  readonly others: readonly ReleaseSales[]
  readonly onHand: readonly BarsOnHand[]
}
