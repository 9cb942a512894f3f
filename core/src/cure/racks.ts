/** A loaf that stands on a rack, or waits for one. */
export interface Standing {
  readonly id: string
  readonly lotCode: string
  readonly bars: number
  readonly place: string | undefined
  /** Day on which its trays are free again. */
  readonly readyDay: string
}

/** A rack with what stands on it. */
export interface RackUse<T extends Standing = Standing> {
  readonly name: string
  readonly trays: number
  readonly usedTrays: number
  readonly loaves: readonly { readonly loaf: T; readonly trays: number }[]
}

/** Trays that so many bars take, the last one begun counted whole; bars to a tray below 1 count as 1. */
export const traysOf = (bars: number, barsPerTray: number): number => Math.ceil(bars / Math.max(1, barsPerTray))

/** Whether a place that was written names a rack: its name alone, or with a shelf after it. */
function names(place: string, rack: string): boolean {
  const [written, name] = [place.trim().toLowerCase(), rack.toLowerCase()]
  return written.startsWith(name) && !/^[\p{L}\p{N}]/u.test(written.slice(name.length))
}

/** The rack that a place names. Where one rack's name begins with another's it is the longer one. */
export function rackOf(place: string | undefined, racks: readonly { readonly name: string }[]): string | undefined {
  if (place === undefined) return undefined
  const named = racks.filter(({ name }) => names(place, name)).sort((a, b) => b.name.length - a.name.length)
  return named[0]?.name
}

/** The cure room as it stands: each rack with its loaves, and those whose place is not known. */
export function cureRoom<T extends Standing>(
  racks: readonly { readonly name: string; readonly trays: number }[],
  loaves: readonly T[],
  barsPerTray: number,
): { readonly racks: readonly RackUse<T>[]; readonly unplaced: readonly T[] } {
  const used = racks.map(({ name, trays }) => {
    const own = loaves
      .filter(({ place }) => rackOf(place, racks) === name)
      .map((loaf) => ({ loaf, trays: traysOf(loaf.bars, barsPerTray) }))
    return { name, trays, loaves: own, usedTrays: own.reduce((sum, one) => sum + one.trays, 0) }
  })
  return { racks: used, unplaced: loaves.filter(({ place }) => rackOf(place, racks) === undefined) }
}

/** Trays of a cure room on which nothing stands. */
export const freeTrays = ({ racks }: { readonly racks: readonly RackUse[] }): number =>
  racks.reduce((sum, { trays, usedTrays }) => sum + trays - usedTrays, 0)

/** The first day on which so many trays are free, what is expected meanwhile left out; undefined if they never are. */
export function traysFreeOn(
  room: { readonly racks: readonly RackUse[] },
  wanted: number,
  today: string,
): string | undefined {
  let sum = freeTrays(room)
  if (sum >= wanted) return today
  const leaving = room.racks
    .flatMap(({ loaves }) => loaves)
    .sort((a, b) => (a.loaf.readyDay < b.loaf.readyDay ? -1 : 1))
  for (const { loaf, trays } of leaving) {
    sum += trays
    if (sum >= wanted) return loaf.readyDay > today ? loaf.readyDay : today
  }
  return undefined
}

/** Bars that are planned to stand on the racks. */
export interface Coming {
  readonly bars: number
  readonly cutDay: string
  readonly readyDay: string
}

/** The first day on which the trays do not do for what stands and what is planned, and how many are missing then. */
export function traysShort(
  room: { readonly racks: readonly RackUse[] },
  coming: readonly Coming[],
  barsPerTray: number,
): { readonly day: string; readonly missing: number } | undefined {
  const leaving = room.racks.flatMap(({ loaves }) =>
    loaves.map(({ loaf, trays }) => ({ day: loaf.readyDay, trays: -trays })),
  )
  const moving = coming.flatMap(({ bars, cutDay, readyDay }) => {
    const trays = traysOf(bars, barsPerTray)
    return [
      { day: cutDay, trays },
      { day: readyDay, trays: -trays },
    ]
  })
  let free = freeTrays(room)
  // What leaves on a day makes room for what comes on it.
  for (const { day, trays } of [...leaving, ...moving].sort(
    (a, b) => a.day.localeCompare(b.day) || a.trays - b.trays,
  )) {
    free -= trays
    if (trays > 0 && free < 0) return { day, missing: -free }
  }
  return undefined
}

/** How many bars stand on each tray: full trays, and the rest on the last. */
export function trayLoads(bars: number, barsPerTray: number): readonly number[] {
  const each = Math.max(1, barsPerTray)
  return Array.from({ length: traysOf(Math.max(0, bars), each) }, (_, at) => Math.min(each, bars - at * each))
}

const lotPrefix = 'lot:'
const rackPrefix = 'rack:'
/** What the code on a tray card and on a label says. */
export const codeOfLot = (lotCode: string): string => `${lotPrefix}${lotCode}`
/** What the code on a rack says. */
export const codeOfRack = (name: string): string => `${rackPrefix}${name}`

/** The lot that a code names, with its card's prefix or without. */
export const lotOfCode = (code: string): string => code.trim().replace(new RegExp(`^${lotPrefix}`, 'i'), '')

/** What a scanned or typed code means: a loaf by its lot, or a rack by its name, each as it is or as its card says it. */
export function readPlaceCode<T extends Standing>(
  code: string,
  racks: readonly { readonly name: string }[],
  loaves: readonly T[],
): { readonly loaf: T } | { readonly rack: string } | undefined {
  const text = code.trim().toLowerCase()
  const isOf = (name: string, code: string): boolean => text === name.toLowerCase() || text === code.toLowerCase()
  const loaf = loaves.find(({ lotCode }) => isOf(lotCode, codeOfLot(lotCode)))
  if (loaf) return { loaf }
  const rack = racks.find(({ name }) => isOf(name, codeOfRack(name)))
  return rack ? { rack: rack.name } : undefined
}
