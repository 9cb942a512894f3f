import type { Day } from '../calendar'
import { formatDay } from '../calendar'
import { inOrder } from '../cure'
import { faults } from '../cutting'
import type { Finding } from '../findings'
import { formatQuantity } from '../units'
import type { LoafEventType, LoafEvent } from './loafEvents'
import type { LoafState, LoafStatus } from './loafState'
import { freeBars, unreleasedBars, unsoldBars } from './loafState'

const atAnyTime = ['moved', 'photographed', 'noted', 'fault_found', 'fault_closed', 'scrap_used'] as const
const cured = [...atAnyTime, 'weighed', 'scrapped', 'finished', 'downgraded', 'held', 'failed', 'released'] as const
const mayFollow: Readonly<Record<LoafStatus, readonly LoafEventType[]>> = {
  in_mould: ['unmoulded', ...atAnyTime, 'failed'],
  unmoulded: ['cut', ...atAnyTime, 'failed'],
  curing: cured,
  held: cured,
  failed: ['photographed', 'noted', 'scrapped', 'scrap_used'],
  released: ['released', 'downgraded', 'allotted', 'given_back', 'sold', 'recalled', 'scrap_used', 'amended'],
}

const statusWords: Readonly<Record<LoafStatus, string>> = {
  in_mould: 'still in its mould',
  unmoulded: 'unmoulded but not cut',
  curing: 'cut and curing',
  held: 'held',
  failed: 'recorded as failed',
  released: 'released',
}
const eventWords: Partial<Readonly<Record<LoafEventType, string>>> = {
  fault_found: 'given a fault',
  fault_closed: 'cleared of a fault',
  scrap_used: 'used as scrap',
  given_back: 'given back',
}

/** A bar that dries gains no more than this between two weighings: the scale's own step and damp air, g. An estimate. */
export const heavierByG = 1

const bars = (count: number): string => (count === 1 ? 'one bar' : `${count} bars`)

function earliestDay(state: LoafState, type: LoafEventType): { readonly day: Day | undefined; readonly was: string } {
  switch (type) {
    case 'cut':
      return { day: state.unmouldedDay, was: 'unmoulded' }
    case 'weighed':
    case 'finished':
      return { day: state.cut?.day, was: 'cut' }
    case 'allotted':
    case 'sold':
    case 'recalled':
      return { day: state.release?.day, was: 'released' }
    default:
      return { day: state.pouredDay, was: 'poured' }
  }
}

/** What counts against an event, as a code, words and the field at fault; undefined where nothing does. */
function against(state: LoafState, event: LoafEvent, today: Day): readonly [string, string, string] | undefined {
  switch (event.type) {
    case 'cut': {
      const heavy = event.bars * event.firstBarG
      if (state.batterG === undefined || heavy <= state.batterG * 1.02) return undefined
      return [
        'more_than_the_loaf',
        `${event.bars} bars of ${event.firstBarG} g weigh more than the ${Math.round(state.batterG)} g of batter in this loaf. Check the count and the mass of the first bar.`,
        'bars',
      ]
    }
    case 'scrapped': {
      const scrapG = state.scrap.reduce((sum, { massG }) => sum + massG, 0) + event.massG
      if (state.batterG === undefined || scrapG <= state.batterG * 1.02) return undefined
      return ['more_than_the_loaf', `All its scrap would weigh more than the loaf did.`, 'massG']
    }
    case 'scrap_used': {
      const left = state.scrap.find(({ colour }) => colour === event.colour)?.massG ?? 0
      if (event.massG <= left) return undefined
      return ['scrap_is_gone', `Only ${formatQuantity('mass', left, { digits: 0 })} of it are in the bin.`, 'massG']
    }
    case 'weighed': {
      const last = inOrder(state.weighIns)
        .filter(({ day }) => day < event.day)
        .at(-1)
      if (!last || event.isSure === true || event.barG <= last.massG + heavierByG) return undefined
      const more = formatQuantity('mass', event.barG - last.massG, { digits: 1 })
      return [
        'heavier_than_before',
        `That is ${more} heavier than on ${formatDay(last.day, today)}, and a bar only dries. Is it the marked bar? Weigh it again, or say that you are sure.`,
        'barG',
      ]
    }
    case 'fault_closed':
      return state.openFaults.includes(event.fault)
        ? undefined
        : ['fault_is_not_open', `${faults[event.fault].name} is not open on this loaf.`, 'fault']
    case 'finished':
      return state.cut && event.bars > state.cut.bars
        ? ['more_than_cut', `Only ${bars(state.cut.bars)} were cut from this loaf.`, 'bars']
        : undefined
    case 'released':
      return event.bars > unreleasedBars(state)
        ? state.releasedBars > 0
          ? ['more_than_cut', `Only ${bars(unreleasedBars(state))} are left to be released.`, 'bars']
          : ['more_than_cut', `Only ${unreleasedBars(state)} bars were cut from this loaf.`, 'bars']
        : undefined
    case 'downgraded': {
      const free = state.status === 'released' ? freeBars(state) : unreleasedBars(state)
      return event.bars > free ? ['more_than_there_are', `Only ${bars(free)} are left for that.`, 'bars'] : undefined
    }
    case 'allotted':
      if (state.recallReason !== undefined)
        return ['loaf_is_recalled', `It was called back: ${state.recallReason}`, 'bars']
      return event.bars > freeBars(state)
        ? ['not_enough_bars', `Only ${bars(freeBars(state))} are free.`, 'bars']
        : undefined
    case 'given_back':
    case 'sold':
      return event.bars > unsoldBars(state, event.channel)
        ? ['not_allotted', `Only ${bars(unsoldBars(state, event.channel))} are set aside there and not sold.`, 'bars']
        : undefined
    default:
      return undefined
  }
}

/** Whether an event may follow in the life of a loaf, as far as order, days and counts go. An empty list means yes. */
export function checkLoafEvent(state: LoafState, event: LoafEvent, today: Day): readonly Finding[] {
  const refuse = (code: string, message: string, field?: string): readonly Finding[] => [
    { severity: 'refuse', code, message, ...(field === undefined ? {} : { field }) },
  ]
  if (!mayFollow[state.status].includes(event.type)) {
    return state.status === 'released'
      ? refuse('loaf_is_released', 'This loaf is released: its record is not edited. Write an amendment.')
      : refuse(
          'event_out_of_order',
          `This loaf is ${statusWords[state.status]}; it cannot be ${eventWords[event.type] ?? event.type} now.`,
        )
  }
  if (event.day > today) return refuse('day_ahead', 'That day has not come yet.', 'day')
  const earliest = earliestDay(state, event.type)
  if (earliest.day !== undefined && event.day < earliest.day)
    return refuse('day_before_cause', `That is before ${earliest.day}, when the loaf was ${earliest.was}.`, 'day')
  const fault = against(state, event, today)
  return fault ? refuse(...fault) : []
}
