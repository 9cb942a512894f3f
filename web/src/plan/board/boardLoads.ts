import { rounded } from './boardLayout'

/** What every day holds and asks, from today on: the first figure of each list is today's. */
export interface LoadsOfBoard {
  /** Number of today on the board. */
  readonly today: number
  /** Trays of each rack; they are filled in this order. */
  readonly racks: readonly { readonly name: string; readonly trays: number }[]
  readonly trays: readonly number[]
  readonly hours: readonly number[]
  readonly hoursThere: readonly number[]
  readonly makers: readonly { readonly name: string; readonly hours: readonly number[] }[]
}

/** A row of the loads with its name; `top` and `height` in pixels. */
export interface LoadRow {
  readonly name: string
  readonly top: number
  readonly height: number
}

export interface LoadLayout {
  readonly racks: readonly LoadRow[]
  readonly hours: LoadRow
  readonly makers: readonly LoadRow[]
  readonly height: number
}

const bandHeight = 16
const bandGap = 4
const headHeight = 22
const hoursHeight = 50

interface Named {
  readonly name: string
}

/** Where each rack, the hours and each maker stand, under each other. */
export function loadLayout(racks: readonly Named[], makers: readonly Named[]): LoadLayout {
  const bands = (names: readonly Named[], from: number): readonly LoadRow[] =>
    names.map(({ name }, index) => ({ name, top: from + index * (bandHeight + bandGap), height: bandHeight }))
  const hoursTop = racks.length * (bandHeight + bandGap) + headHeight
  const makersTop = hoursTop + hoursHeight + bandGap * 2
  return {
    racks: bands(racks, 0),
    hours: { name: 'Planned', top: hoursTop, height: hoursHeight },
    makers: bands(makers, makersTop),
    height: makersTop + makers.length * (bandHeight + bandGap),
  }
}

/**
 * The loads as outlines in SVG path data, in days across and pixels down, one for each dress: a year of them costs the
 * page seven elements.
 */
export interface LoadOutlines {
  readonly racks: string
  readonly trays: string
  /** Days on which there are more trays than all racks hold. */
  readonly traysOver: string
  readonly there: string
  readonly asked: string
  readonly askedOver: string
  readonly makers: string
}

/**
 * Draws what stands in the window.
 *
 * @param dayWidth pixels a day: the gaps between days are as wide at any zoom
 */
export function loadOutlines(
  loads: LoadsOfBoard,
  layout: LoadLayout,
  { dayWidth, window }: { readonly dayWidth: number; readonly window: { readonly from: number; readonly to: number } },
): LoadOutlines {
  const lines = { racks: '', trays: '', traysOver: '', there: '', asked: '', askedOver: '', makers: '' }
  const first = Math.max(0, window.from - loads.today)
  const last = Math.min(loads.hours.length - 1, window.to - loads.today)
  const width = rounded(Math.max(1, dayWidth - (dayWidth > 7 ? 3 : 1)) / dayWidth)
  const days = Array.from({ length: Math.max(0, last - first + 1) }, (_, index) => first + index)
  const most = days.reduce((so, day) => Math.max(so, loads.hours[day] ?? 0, loads.hoursThere[day] ?? 0), 4)
  const ofMost = loads.makers.reduce(
    (so, { hours }) => days.reduce((high, day) => Math.max(high, hours[day] ?? 0), so),
    2,
  )
  const capacity = loads.racks.reduce((sum, { trays }) => sum + trays, 0)

  const column = (day: number, across: number, { top, height }: LoadRow, share: number): string => {
    if (share <= 0) return ''
    const tall = Math.min(1, share) * height
    const x = rounded(loads.today + day + (1 - across) / 2)
    return `M${x} ${top + height}v${-tall}h${across}v${tall}z`
  }
  layout.racks.forEach((row, index) => {
    const before = loads.racks.slice(0, index).reduce((sum, { trays }) => sum + trays, 0)
    const own = loads.racks[index]?.trays ?? 0
    const from = loads.today + first
    if (days.length > 0) lines.racks += `M${from} ${row.top}h${days.length}v${row.height}H${from}z`
    for (const day of days) {
      const trays = loads.trays[day] ?? 0
      const filled = own === 0 ? 0 : Math.max(0, trays - before) / own
      lines[trays > capacity ? 'traysOver' : 'trays'] += column(day, 1, row, filled)
    }
  })
  for (const day of days) {
    const asked = loads.hours[day] ?? 0
    const there = loads.hoursThere[day] ?? 0
    lines.there += column(day, width, layout.hours, there / most)
    lines[asked > there + 1e-6 ? 'askedOver' : 'asked'] += column(day, width, layout.hours, asked / most)
  }
  layout.makers.forEach((row, index) => {
    for (const day of days) lines.makers += column(day, width, row, (loads.makers[index]?.hours[day] ?? 0) / ofMost)
  })
  return lines
}
