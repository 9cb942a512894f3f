import type { BatchView, LoafView, NewLoafEvent, NewSale, NewStep, SalesTaken } from '@vendange/contract'

type Recorded<T> = T extends { version: number } ? Omit<T, 'version' | 'eventId' | 'secondsAgo'> : never
/** What happened to a loaf, before the version it was seen under is put to it. */
export type Happening = Recorded<NewLoafEvent>

/** A step done at the bench. */
export interface KeptStep {
  readonly batchId: string
  readonly step: NewStep
}
/** Something that happened to a loaf. */
export interface KeptEvent {
  readonly loafId: string
  /** The loaf's version as this screen saw it. */
  readonly version: number
  /** Chosen by this screen: an event that comes twice is taken once. */
  readonly eventId: string
  readonly event: Happening
  /** A photograph that could not be sent yet. */
  readonly photo?: Blob
}
/** A bar sold at the stall. */
export interface KeptSale extends NewSale {
  readonly priceCents: number
}

/** What is kept on a device until the workshop has it, by its kind. */
export interface KeptWhat {
  readonly step: KeptStep
  readonly event: KeptEvent
  readonly sale: KeptSale
}
/** What the workshop answers to it. */
export interface AnswerTo {
  readonly step: BatchView
  readonly event: LoafView
  readonly sale: SalesTaken
}
export type KeptKind = keyof KeptWhat

/** Why the workshop did not take something, and what it has instead. */
export interface NotTaken {
  readonly message: string
  /** The loaf as others have left it meanwhile. */
  readonly theirs?: LoafView
}

export interface KeptOf<Kind extends KeptKind> {
  /** Its place on the device. */
  readonly order: number
  readonly kind: Kind
  readonly what: KeptWhat[Kind]
  /** The same in words: what, and of which soap. */
  readonly told: string
  readonly makerId: string | undefined
  /** ms since 1970 by the device's clock. */
  readonly takenAtMs: number
  /** Not sent before, ms since 1970: so long it can be taken back. */
  readonly sendFromMs: number
  /** Undefined while it waits; else somebody has to settle it. */
  readonly notTaken?: NotTaken
}
export type Kept = { readonly [Kind in KeptKind]: KeptOf<Kind> }[KeptKind]
type NewOf<Kind extends KeptKind> = Omit<KeptOf<Kind>, 'order' | 'makerId' | 'takenAtMs' | 'sendFromMs' | 'notTaken'>
/** What a page gives to be kept. */
export type ToKeep = { readonly [Kind in KeptKind]: NewOf<Kind> & { readonly undoMs?: number } }[KeptKind]

type Is<Kind extends KeptKind> = Extract<Kept, { readonly kind: Kind }>

/** Those of one kind. */
export const ofKind = <Kind extends KeptKind>(all: readonly Kept[], kind: Kind): readonly Is<Kind>[] =>
  all.filter((one): one is Is<Kind> => one.kind === kind)
