import type { Day } from '../calendar'
import { inOrder } from '../cure'
import type { Finding } from '../findings'
import { quantity, refuse, sentence } from '../findings'
import type { LoafEventType, LoafEvent } from './loafEvents'
import type { LoafState, LoafStatus } from './loafState'
import { freeBars, unreleasedBars, unsoldBars } from './loafState'

const atAnyTime = ['moved', 'photographed', 'noted', 'fault_found', 'fault_closed', 'scrap_used'] as const
const cured = [
  ...atAnyTime,
  'turned',
  'tried',
  'weighed',
  'scrapped',
  'finished',
  'downgraded',
  'held',
  'failed',
  'released',
] as const
const mayFollow: Readonly<Record<LoafStatus, readonly LoafEventType[]>> = {
  in_mould: ['unmoulded', ...atAnyTime, 'failed'],
  unmoulded: ['cut', ...atAnyTime, 'failed'],
  curing: cured,
  held: cured,
  failed: ['photographed', 'noted', 'scrapped', 'scrap_used'],
  released: ['released', 'downgraded', 'allotted', 'given_back', 'sold', 'recalled', 'scrap_used', 'tried', 'amended'],
}

/** A bar that dries gains no more than this between two weighings: the scale's own step and damp air, g. An estimate. */
export const heavierByG = 1

function earliestDay(
  state: LoafState,
  type: LoafEventType,
): { readonly day: Day | undefined; readonly was: LoafEventType | 'poured' } {
  switch (type) {
    case 'cut':
      return { day: state.unmouldedDay, was: 'unmoulded' }
    case 'weighed':
    case 'finished':
    case 'scrapped':
    case 'tried':
    case 'turned':
    case 'held':
      return { day: state.cut?.day ?? state.pouredDay, was: state.cut ? 'cut' : 'poured' }
    case 'released':
      return state.release ? { day: state.release.day, was: 'released' } : { day: state.cut?.day, was: 'cut' }
    case 'downgraded':
      return state.release ? { day: state.release.day, was: 'released' } : { day: state.cut?.day, was: 'cut' }
    case 'allotted':
    case 'given_back':
    case 'sold':
    case 'recalled':
    case 'amended':
      return { day: state.release?.day, was: 'released' }
    default:
      return { day: state.pouredDay, was: 'poured' }
  }
}

/** A loaf's parts may come to this much more than its batter: scales differ, and a bar is weighed by itself. An estimate. */
const massSlack = 1.02
/** The least that a piece of soap weighs, such as an end or a sample of which only the number is known, g. An estimate. */
const leastPieceG = 1

/** Mass of all that was cut of a loaf at the least, g; unknown once something was taken off its bars. */
function cutMassG({ cut, finished }: Pick<LoafState, 'cut' | 'finished'>): number {
  if (!cut || finished.length > 0) return 0
  const others = (cut.others ?? []).reduce((sum, { count }) => sum + count, 0)
  return cut.bars * cut.firstBarG + (others + cut.ends) * leastPieceG
}

/** What counts against an event; undefined where nothing does. */
function against(state: LoafState, event: LoafEvent): Finding | undefined {
  switch (event.type) {
    case 'cut': {
      const massG = cutMassG({ cut: event, finished: [] })
      if (state.batterG === undefined || massG <= state.batterG * massSlack) return undefined
      const barsG = event.bars * event.firstBarG
      if (barsG <= state.batterG * massSlack)
        return refuse('pieces_outweigh_loaf', { batter: quantity.mass(state.batterG) }, 'bars')
      return refuse(
        'bars_outweigh_loaf',
        { bars: event.bars, first: quantity.fineMass(event.firstBarG), batter: quantity.mass(state.batterG) },
        'bars',
      )
    }
    case 'scrapped': {
      const scrapG = state.scrap.reduce((sum, { massG }) => sum + massG, 0) + event.massG
      if (state.batterG === undefined || scrapG + cutMassG(state) <= state.batterG * massSlack) return undefined
      return refuse(
        scrapG > state.batterG * massSlack ? 'scrap_outweighs_loaf' : 'scrap_beside_bars',
        undefined,
        'massG',
      )
    }
    case 'scrap_used': {
      const left = state.scrap.find(({ colour }) => colour === event.colour)?.massG ?? 0
      if (event.massG <= left) return undefined
      return refuse('scrap_is_gone', { left: quantity.mass(left) }, 'massG')
    }
    case 'weighed': {
      const last = inOrder(state.weighIns)
        .filter(({ day }) => day < event.day)
        .at(-1)
      if (!last || event.isSure === true || event.barG <= last.massG + heavierByG) return undefined
      return refuse(
        'heavier_than_before',
        { more: quantity.fineMass(event.barG - last.massG), day: quantity.day(last.day) },
        'barG',
      )
    }
    case 'tried':
      return [event.rubs, event.foam, event.feel, event.smell, event.lasted].every((one) => one === null)
        ? refuse('nothing_noticed')
        : undefined
    case 'fault_closed':
      return state.openFaults.includes(event.fault)
        ? undefined
        : refuse('fault_is_not_open', { fault: sentence('fault_name', { fault: event.fault }) }, 'fault')
    case 'finished':
      return state.cut && event.bars > state.cut.bars
        ? refuse('more_than_cut', { bars: state.cut.bars }, 'bars')
        : undefined
    case 'released':
      return event.bars > unreleasedBars(state)
        ? refuse(
            state.releasedBars > 0 ? 'more_than_unreleased' : 'more_than_cut',
            { bars: unreleasedBars(state) },
            'bars',
          )
        : undefined
    case 'downgraded': {
      const free = state.status === 'released' ? freeBars(state) : unreleasedBars(state)
      return event.bars > free ? refuse('more_than_there_are', { bars: free }, 'bars') : undefined
    }
    case 'allotted':
      if (state.recallReason !== undefined) return refuse('loaf_is_recalled', { reason: state.recallReason }, 'bars')
      return event.bars > freeBars(state) ? refuse('not_enough_bars', { bars: freeBars(state) }, 'bars') : undefined
    case 'given_back':
    case 'sold':
      if (event.type === 'sold' && state.recallReason !== undefined)
        return refuse('loaf_is_recalled', { reason: state.recallReason }, 'bars')
      return event.bars > unsoldBars(state, event.channel)
        ? refuse('not_allotted', { bars: unsoldBars(state, event.channel) }, 'bars')
        : undefined
    default:
      return undefined
  }
}

/** Whether an event may follow in the life of a loaf, as far as order, days and counts go. An empty list means yes. */
export function checkLoafEvent(state: LoafState, event: LoafEvent, today: Day): readonly Finding[] {
  if (!mayFollow[state.status].includes(event.type)) {
    return state.status === 'released'
      ? [refuse('loaf_is_released')]
      : [refuse('event_out_of_order', { status: state.status, event: event.type })]
  }
  if (event.day > today) return [refuse('day_ahead', undefined, 'day')]
  const earliest = earliestDay(state, event.type)
  if (earliest.day !== undefined && event.day < earliest.day)
    return [refuse('day_before_cause', { day: quantity.day(earliest.day), was: earliest.was }, 'day')]
  const fault = against(state, event)
  return fault ? [fault] : []
}
