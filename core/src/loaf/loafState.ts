import type { Day } from '../calendar'
import type { FaultKey, Logged } from '../cutting'
import type { LoafEvent, SaleChannel } from './loafEvents'
import type { Tried } from './tried'
import { roundTo } from '../units'

export type LoafStatus = 'in_mould' | 'unmoulded' | 'curing' | 'held' | 'failed' | 'released'

/** Scrap of one colour that a loaf left. */
export interface Scrap {
  readonly colour: string
  readonly hex: string
  readonly massG: number
}

/** What of a loaf's bars went one way. */
export interface ChannelBars {
  readonly channel: SaleChannel
  readonly allotted: number
  readonly sold: number
}

/** What a loaf's events come to. */
export interface LoafState {
  readonly status: LoafStatus
  readonly pouredDay: Day | undefined
  readonly batterG: number | undefined
  readonly unmouldedDay: Day | undefined
  readonly cut: Extract<LoafEvent, { type: 'cut' }> | undefined
  readonly place: string | undefined
  readonly weighIns: readonly { readonly day: Day; readonly massG: number }[]
  readonly photos: readonly { readonly day: Day; readonly photoId: string }[]
  readonly holdReason: string | undefined
  readonly failReason: string | undefined
  readonly recallReason: string | undefined
  /** The last release; `releasedBars` counts all of them. */
  readonly release: Extract<LoafEvent, { type: 'released' }> | undefined
  readonly releasedBars: number
  readonly downgradedBars: number
  /** Of them those that were released already; the others never are. */
  readonly withdrawnBars: number
  readonly openFaults: readonly FaultKey[]
  /** Every fault that was ever found in it. */
  readonly foundFaults: readonly FaultKey[]
  /** Days on which its bars were turned; none where nothing is said. */
  readonly turnedDays?: readonly Day[]
  /** What was noticed of bars in use; none where nothing is said. */
  readonly tried?: readonly (Tried & { readonly day: Day })[]
  /** When it was first seen to have gone off. */
  readonly offDay?: Day
  readonly finished: Logged
  readonly scrap: readonly Scrap[]
  readonly channels: readonly ChannelBars[]
  /** Taken for what was sold, cents; sales without a price count for nothing. */
  readonly takenCents: number
}

const untouched: LoafState = {
  status: 'in_mould',
  pouredDay: undefined,
  batterG: undefined,
  unmouldedDay: undefined,
  cut: undefined,
  place: undefined,
  weighIns: [],
  photos: [],
  holdReason: undefined,
  failReason: undefined,
  recallReason: undefined,
  release: undefined,
  releasedBars: 0,
  downgradedBars: 0,
  withdrawnBars: 0,
  openFaults: [],
  foundFaults: [],
  finished: [],
  scrap: [],
  channels: [],
  takenCents: 0,
}

function withScrap(state: LoafState, { colour, hex, massG }: Scrap): LoafState {
  const known = state.scrap.find((one) => one.colour === colour)
  const rest = state.scrap.filter((one) => one.colour !== colour)
  const left = roundTo((known?.massG ?? 0) + massG, 3)
  return { ...state, scrap: [...rest, ...(left > 0 ? [{ colour, hex: known?.hex ?? hex, massG: left }] : [])] }
}

function withChannel(state: LoafState, channel: SaleChannel, more: { allotted?: number; sold?: number }): LoafState {
  const { allotted, sold } = state.channels.find((one) => one.channel === channel) ?? { allotted: 0, sold: 0 }
  const rest = state.channels.filter((one) => one.channel !== channel)
  const now = { channel, allotted: allotted + (more.allotted ?? 0), sold: sold + (more.sold ?? 0) }
  return { ...state, channels: [...rest, now] }
}

const goneOff = ({ offDay }: LoafState, day: Day): Pick<LoafState, 'offDay'> => ({
  offDay: offDay !== undefined && offDay < day ? offDay : day,
})

/** A loaf after one more event. */
export function stateAfter(state: LoafState, event: LoafEvent): LoafState {
  switch (event.type) {
    case 'poured':
      return { ...state, status: 'in_mould', pouredDay: event.day, batterG: event.batterG }
    case 'unmoulded':
      return { ...state, status: 'unmoulded', unmouldedDay: event.day }
    case 'cut':
      return {
        ...state,
        status: 'curing',
        cut: event,
        weighIns: [...state.weighIns, { day: event.day, massG: event.firstBarG }],
      }
    case 'scrapped':
      return withScrap(state, event)
    case 'scrap_used':
      return withScrap(state, { ...event, hex: '', massG: -event.massG })
    case 'fault_found':
      return {
        ...state,
        openFaults: [...state.openFaults.filter((key) => key !== event.fault), event.fault],
        foundFaults: [...state.foundFaults.filter((key) => key !== event.fault), event.fault],
        ...(event.fault === 'orange_spots' ? goneOff(state, event.day) : {}),
      }
    case 'fault_closed':
      return { ...state, openFaults: state.openFaults.filter((key) => key !== event.fault) }
    case 'finished':
      return {
        ...state,
        finished: [
          ...state.finished,
          {
            finish: event.finish,
            bars: event.bars,
            minutes: event.minutes,
            ...(event.planed ? { planed: event.planed } : {}),
          },
        ],
      }
    case 'moved':
      return { ...state, place: event.place }
    case 'weighed':
      return { ...state, weighIns: [...state.weighIns, { day: event.day, massG: event.barG }] }
    case 'turned':
      return { ...state, turnedDays: [...(state.turnedDays ?? []), event.day] }
    case 'photographed':
      return { ...state, photos: [...state.photos, { day: event.day, photoId: event.photoId }] }
    case 'tried': {
      const { type: _, ...tried } = event
      return {
        ...state,
        tried: [...(state.tried ?? []), tried],
        ...(tried.smell === 'off' ? goneOff(state, tried.day) : {}),
      }
    }
    case 'held':
      return { ...state, status: 'held', holdReason: event.reason }
    case 'failed':
      return { ...state, status: 'failed', failReason: event.reason }
    case 'downgraded':
      return {
        ...state,
        downgradedBars: state.downgradedBars + event.bars,
        withdrawnBars: state.withdrawnBars + (state.status === 'released' ? event.bars : 0),
      }
    case 'released':
      return {
        ...state,
        status: 'released',
        release: event,
        releasedBars: state.releasedBars + event.bars,
        holdReason: undefined,
      }
    case 'allotted':
      return withChannel(state, event.channel, { allotted: event.bars })
    case 'given_back':
      return withChannel(state, event.channel, { allotted: -event.bars })
    case 'sold':
      return {
        ...withChannel(state, event.channel, { sold: event.bars }),
        takenCents: state.takenCents + (event.priceCents ?? 0) * event.bars,
      }
    case 'recalled':
      return { ...state, recallReason: event.reason }
    case 'noted':
    case 'amended':
      return state
  }
}

/** Where a loaf stands after its events, oldest first. */
export function loafState(events: readonly LoafEvent[]): LoafState {
  return events.reduce(stateAfter, untouched)
}

const sumOf = (channels: readonly ChannelBars[], of: 'allotted' | 'sold'): number =>
  channels.reduce((sum, one) => sum + one[of], 0)

/** Bars that may still be allotted: released, and neither downgraded, set aside nor called back. */
export function freeBars(state: LoafState): number {
  if (state.recallReason !== undefined) return 0
  return Math.max(0, state.releasedBars - state.withdrawnBars - sumOf(state.channels, 'allotted'))
}

/** Bars of a channel that were allotted and not sold yet. */
export function unsoldBars(state: LoafState, channel: SaleChannel): number {
  const one = state.channels.find((each) => each.channel === channel)
  return one ? one.allotted - one.sold : 0
}

/** Bars that are kept as samples. */
export const keptBars = ({ channels }: LoafState): number => {
  const kept = channels.filter(({ channel }) => channel === 'Kept')
  return sumOf(kept, 'allotted') - sumOf(kept, 'sold')
}

/** Bars that may still be released. */
export const unreleasedBars = (state: LoafState): number =>
  Math.max(0, (state.cut?.bars ?? 0) - state.releasedBars - (state.downgradedBars - state.withdrawnBars))

/** Whether nothing is left to do with a loaf: it failed, or all its bars are sold, kept, downgraded or called back. */
export function isDoneWith(state: LoafState): boolean {
  if (state.status === 'failed') return true
  if (state.status !== 'released') return false
  if (state.recallReason !== undefined) return true
  // What is kept is not for sale.
  const forSale = state.channels.filter(({ channel }) => channel !== 'Kept')
  return unreleasedBars(state) === 0 && freeBars(state) === 0 && sumOf(forSale, 'sold') >= sumOf(forSale, 'allotted')
}
