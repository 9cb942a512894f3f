import type { Day } from '../calendar'
import type { FaultKey, Finish, Planed } from '../cutting'
import type { Tried } from './tried'

/** Where bars of a loaf may go once they are released. */
export const saleChannels = ['Web', 'Stalls', 'Shops', 'Subscribers', 'Orders', 'Kept'] as const
export type SaleChannel = (typeof saleChannels)[number]

/** What came of scrap, and where pieces go that are no bars to sell. */
export const lesserUses = ['samples', 'scrap'] as const
export type LesserUse = (typeof lesserUses)[number]

/** What can happen to a loaf. Each is written once and never changed. */
export type LoafEvent =
  | { readonly type: 'poured'; readonly day: Day; readonly batterG: number }
  | { readonly type: 'unmoulded'; readonly day: Day }
  | {
      readonly type: 'cut'
      readonly day: Day
      readonly bars: number
      readonly ends: number
      readonly firstBarG: number
      readonly bevelled: boolean
      /** Guest bars, samples and the like beside the bars. @default none */
      readonly others?: readonly { readonly name: string; readonly count: number }[] | undefined
    }
  /** Offcuts of a colour into the scrap bin, for a later soap; `lot` is their own. */
  | {
      readonly type: 'scrapped'
      readonly day: Day
      readonly massG: number
      readonly colour: string
      readonly hex: string
    }
  /** Taken out of the scrap bin again. */
  | {
      readonly type: 'scrap_used'
      readonly day: Day
      readonly massG: number
      readonly colour: string
      readonly use: string
      /** The pour that they went into, where it is known. */
      readonly batchId?: string | undefined
    }
  | { readonly type: 'fault_found'; readonly day: Day; readonly fault: FaultKey; readonly text: string }
  | { readonly type: 'fault_closed'; readonly day: Day; readonly fault: FaultKey; readonly text: string }
  | {
      readonly type: 'finished'
      readonly day: Day
      readonly finish: Finish
      readonly bars: number
      readonly minutes: number
      /** What came off all of them, as the scale says, g; null where it was not weighed. */
      readonly removedG: number | null
      /** Of planing: what the bars are thinner by since. */
      readonly planed?: Planed | undefined
    }
  | { readonly type: 'moved'; readonly day: Day; readonly place: string }
  | {
      readonly type: 'weighed'
      readonly day: Day
      readonly barG: number
      /** The maker has looked again at a figure that is heavier than the one before. */
      readonly isSure?: boolean | undefined
    }
  /** Its bars were turned on their trays and looked at. */
  | { readonly type: 'turned'; readonly day: Day }
  | { readonly type: 'photographed'; readonly day: Day; readonly photoId: string }
  | { readonly type: 'noted'; readonly day: Day; readonly text: string }
  /** A bar of it was used for a while: what was noticed. */
  | ({ readonly type: 'tried'; readonly day: Day } & Tried)
  | { readonly type: 'held'; readonly day: Day; readonly reason: string }
  /** It comes to nothing; its soap is made again or not at all. */
  | { readonly type: 'failed'; readonly day: Day; readonly reason: string }
  /** Bars that are no longer sold as such. */
  | {
      readonly type: 'downgraded'
      readonly day: Day
      readonly bars: number
      readonly to: LesserUse
      readonly reason: string
    }
  | {
      readonly type: 'released'
      readonly day: Day
      readonly bars: number
      readonly ph: number
      readonly lookIsSound: boolean
      readonly labelIsComplete: boolean
      /** Why it goes although a check is against it; stays on record. */
      readonly overrideReason?: string | undefined
    }
  /** Bars set aside for somebody; `allotmentId` is that of one decision, which may take from several loaves. */
  | {
      readonly type: 'allotted'
      readonly day: Day
      readonly allotmentId: string
      readonly bars: number
      readonly channel: SaleChannel
      readonly who: string
      readonly orderId: string | null
    }
  /** Bars that were allotted come back. */
  | {
      readonly type: 'given_back'
      readonly day: Day
      readonly bars: number
      readonly channel: SaleChannel
      readonly reason: string
      /** Who had them, where that is known. */
      readonly who?: string | undefined
      readonly orderId?: string | null | undefined
    }
  /** Bars that were allotted are sold. `saleId` keeps a report that comes twice from counting twice. */
  | {
      readonly type: 'sold'
      readonly day: Day
      readonly saleId: string
      readonly bars: number
      readonly channel: SaleChannel
      readonly buyer: string
      readonly priceCents: number | null
      /** The order that it was sent for. @default none */
      readonly orderId?: string | null | undefined
      /** Sold although its collection was not out yet. @default no */
      readonly isBeforeRelease?: true
    }
  | { readonly type: 'recalled'; readonly day: Day; readonly reason: string }
  | { readonly type: 'amended'; readonly day: Day; readonly subject: string; readonly text: string }

export type LoafEventType = LoafEvent['type']
