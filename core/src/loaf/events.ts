import type { Day } from '../calendar'
import type { Finding } from '../findings'

/** What can happen to a loaf. Each is written once and never changed. */
export type LoafHappening =
  | { readonly type: 'poured'; readonly day: Day; readonly batterG: number }
  | { readonly type: 'unmoulded'; readonly day: Day }
  | {
      readonly type: 'cut'
      readonly day: Day
      readonly bars: number
      readonly ends: number
      readonly firstBarG: number
      readonly bevelled: boolean
    }
  | { readonly type: 'moved'; readonly day: Day; readonly place: string }
  | { readonly type: 'weighed'; readonly day: Day; readonly barG: number }
  | { readonly type: 'photographed'; readonly day: Day; readonly photoId: string }
  | { readonly type: 'noted'; readonly day: Day; readonly text: string }
  | { readonly type: 'held'; readonly day: Day; readonly reason: string }
  /** It comes to nothing; its soap is made again or not at all. */
  | { readonly type: 'failed'; readonly day: Day; readonly reason: string }
  | {
      readonly type: 'released'
      readonly day: Day
      readonly bars: number
      readonly ph: number
      readonly lookIsSound: boolean
      readonly labelIsComplete: boolean
    }
  | { readonly type: 'amended'; readonly day: Day; readonly subject: string; readonly text: string }

export type LoafEventType = LoafHappening['type']
export type LoafStatus = 'in_mould' | 'unmoulded' | 'curing' | 'held' | 'failed' | 'released'

/** What a loaf's events come to. */
export interface LoafState {
  readonly status: LoafStatus
  readonly pouredDay: Day | undefined
  readonly batterG: number | undefined
  readonly unmouldedDay: Day | undefined
  readonly cut: Extract<LoafHappening, { type: 'cut' }> | undefined
  readonly place: string | undefined
  readonly weighIns: readonly { readonly day: Day; readonly massG: number }[]
  readonly photoIds: readonly string[]
  readonly holdReason: string | undefined
  readonly failReason: string | undefined
  readonly release: Extract<LoafHappening, { type: 'released' }> | undefined
}

const untouched: LoafState = {
  status: 'in_mould',
  pouredDay: undefined,
  batterG: undefined,
  unmouldedDay: undefined,
  cut: undefined,
  place: undefined,
  weighIns: [],
  photoIds: [],
  holdReason: undefined,
  failReason: undefined,
  release: undefined,
}

function after(state: LoafState, event: LoafHappening): LoafState {
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
    case 'moved':
      return { ...state, place: event.place }
    case 'weighed':
      return { ...state, weighIns: [...state.weighIns, { day: event.day, massG: event.barG }] }
    case 'photographed':
      return { ...state, photoIds: [...state.photoIds, event.photoId] }
    case 'held':
      return { ...state, status: 'held', holdReason: event.reason }
    case 'failed':
      return { ...state, status: 'failed', failReason: event.reason }
    case 'released':
      return { ...state, status: 'released', release: event, holdReason: undefined }
    case 'noted':
    case 'amended':
      return state
  }
}

/** Where a loaf stands after its events, oldest first. */
export function loafState(events: readonly LoafHappening[]): LoafState {
  return events.reduce(after, untouched)
}

const mayFollow: Readonly<Record<LoafStatus, readonly LoafEventType[]>> = {
  in_mould: ['unmoulded', 'moved', 'photographed', 'noted', 'failed'],
  unmoulded: ['cut', 'moved', 'photographed', 'noted', 'failed'],
  curing: ['moved', 'weighed', 'photographed', 'noted', 'held', 'failed', 'released'],
  held: ['moved', 'weighed', 'photographed', 'noted', 'held', 'failed', 'released'],
  failed: ['photographed', 'noted'],
  released: ['amended'],
}

const statusWords: Readonly<Record<LoafStatus, string>> = {
  in_mould: 'still in its mould',
  unmoulded: 'unmoulded but not cut',
  curing: 'cut and curing',
  held: 'held',
  failed: 'recorded as failed',
  released: 'released',
}

/** Whether an event may follow in the life of a loaf, as far as order and days go. An empty list means yes. */
export function checkHappening(state: LoafState, event: LoafHappening, today: Day): readonly Finding[] {
  const refuse = (code: string, message: string, field?: string): readonly Finding[] => [
    { severity: 'refuse', code, message, ...(field === undefined ? {} : { field }) },
  ]
  if (!mayFollow[state.status].includes(event.type)) {
    return state.status === 'released'
      ? refuse('loaf_is_released', 'This loaf is released: its record is not edited. Write an amendment.')
      : refuse('event_out_of_order', `This loaf is ${statusWords[state.status]}; it cannot be ${event.type} now.`)
  }
  if (event.day > today) return refuse('day_ahead', 'That day has not come yet.', 'day')
  const earliest =
    event.type === 'cut' ? state.unmouldedDay : event.type === 'weighed' ? state.cut?.day : state.pouredDay
  if (earliest !== undefined && event.day < earliest)
    return refuse(
      'day_before_cause',
      `That is before ${earliest}, when the loaf was ${event.type === 'cut' ? 'unmoulded' : event.type === 'weighed' ? 'cut' : 'poured'}.`,
      'day',
    )
  if (event.type === 'cut' && state.batterG !== undefined && event.bars * event.firstBarG > state.batterG * 1.02) {
    return refuse(
      'more_than_the_loaf',
      `${event.bars} bars of ${event.firstBarG} g weigh more than the ${Math.round(state.batterG)} g of batter in this loaf. Check the count and the mass of the first bar.`,
      'bars',
    )
  }
  if (event.type === 'released' && state.cut && event.bars > state.cut.bars) {
    return refuse('more_than_cut', `Only ${state.cut.bars} bars were cut from this loaf.`, 'bars')
  }
  return []
}
