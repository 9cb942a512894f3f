import type { ProblemBatch, SeasonProblem } from '@vendange/core/season'
import { randomFrom } from './drawRandom'
import { hasFirstFit } from './firstFit'

/** What a season is drawn from: the same three give the same season. */
export interface SeasonSeed {
  readonly batches: number
  readonly seed: number
  /** How contested hours, moulds, oven and racks are, 0 to 1.5. */
  readonly tightness: number
}

const between = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value))
const sum = (values: readonly number[]): number => values.reduce((all, value) => all + value, 0)

const weeksOfOne = [
  [0, 2.5, 1, 2.5, 1.5, 6, 4],
  [1, 3, 0, 3, 1, 7, 0],
  [2, 0.5, 3, 0, 2, 5, 5],
  [0, 1, 5, 1.5, 1, 6, 3],
  [1.5, 3.5, 0, 1, 3.5, 0, 6],
]
const weeksOfTwo = [
  [2, 3, 1.5, 4, 2, 8, 5],
  [0, 1.5, 6, 2, 1.5, 8, 4],
  [3, 3.5, 1, 3.5, 3, 7, 0],
  [1, 4, 1, 5, 2, 6, 6],
]
const cures = [21, 24, 28, 28, 28, 30, 35, 35, 42]

/** Chance, in the words of the draw. The order of the calls is part of what a seed means. */
function chancesFrom(seed: number) {
  const random = randomFrom(seed)
  return {
    random,
    whole: (low: number, high: number): number => low + Math.floor(random() * (high - low + 1)),
    pick: <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!,
    happens: (share: number): boolean => random() < share,
    quarter: (low: number, high: number): number => Math.round((low + random() * (high - low)) * 4) / 4,
  }
}
type Chances = ReturnType<typeof chancesFrom>
type Drawn = { -readonly [Key in keyof ProblemBatch]: ProblemBatch[Key] }

function drawMoulds({ random, whole, pick }: Chances, batches: number, tightness: number): Record<string, number> {
  const kinds = ['loaf', 'slab', 'cavity', 'round'].slice(0, batches < 10 ? whole(2, 3) : whole(2, 4))
  const counts = Object.fromEntries(kinds.map((kind) => [kind, 1]))
  const more = Math.round((6 - kinds.length) * between(1.15 - 0.65 * tightness + (random() - 0.5) * 0.3, 0, 1))
  for (let index = 0; index < more; index++) {
    const kind = index === 0 ? kinds[0]! : pick(kinds)
    counts[kind] = counts[kind]! + 1
  }
  return counts
}

function drawBatch(chances: Chances, index: number, mouldKinds: Record<string, number>, ovenSlots: number): Drawn {
  const { random, whole, pick, happens, quarter } = chances
  const kinds = Object.keys(mouldKinds)
  const kind = random() < 0.4 ? kinds[0]! : pick(kinds)
  const moulds: Record<string, number> = { [kind]: between(happens(0.65) ? 1 : 2, 1, mouldKinds[kind]!) }
  if (happens(0.1)) {
    const other = pick(kinds)
    if (other !== kind) moulds[other] = 1
  }
  const count = sum(Object.values(moulds))
  const oven = count <= ovenSlots && happens(0.4)
  const min = happens(0.6) ? 1 : 2
  return {
    id: `b${String(index + 1).padStart(2, '0')}`,
    moulds,
    prepHours: quarter(0.25, 1),
    pourHours: between(quarter(0.5, 1.25) + 0.25 + 0.25 * count, 0.75, 2.5),
    setDays: { min, max: min === 1 ? whole(2, 3) : 3 },
    cutHours: between(quarter(0.25, 1.5) + 0.5 * (count - 1) + 0.25, 0.5, 3),
    cureDays: pick(cures),
    trays: between(count * whole(1, 3) + whole(0, 1), 1, 8),
    due: 0,
    earliest: 0,
    weight: 1,
    oven,
  }
}

interface Group {
  readonly size: number
  readonly isOrder: boolean
}

/** Collections of three to seven, and orders alone among them. */
function drawGroups({ random, whole }: Chances, batches: number): readonly Group[] {
  const orders = Math.round(batches * (0.15 + 0.15 * random()))
  const groups: Group[] = []
  for (let left = batches - orders; left > 0;) {
    let size = Math.min(left, whole(3, 7))
    if (left - size > 0 && left - size < 3) size = left <= 7 ? left : left - 3
    groups.push({ size, isOrder: false })
    left -= size
  }
  for (let index = 0; index < orders; index++) groups.splice(whole(0, groups.length), 0, { size: 1, isOrder: true })
  return groups
}

interface Frame {
  readonly span: number
  readonly bufferDays: number
  readonly tightness: number
}

/** When each is due: the batches of a collection on one day, most of them a Friday. */
function giveDueDays(chances: Chances, batches: readonly Drawn[], { span, bufferDays, tightness }: Frame): void {
  const { whole, pick, happens } = chances
  let next = 0
  for (const { size, isOrder } of drawGroups(chances, batches.length)) {
    const mine = batches.slice(next, next + size)
    next += size
    const cure = Math.max(...mine.map(({ cureDays }) => cureDays))
    const share = next / batches.length
    let due = Math.round(share * span * (1.12 - 0.1 * tightness)) + cure + bufferDays + whole(0, 4)
    due += Math.round(4 * (1 - tightness))
    if (!isOrder) due += ((((4 - due) % 7) + 7) % 7) - (happens(0.4 * tightness) ? 7 : 0)
    due = Math.max(due, cure + 5)
    for (const batch of mine) {
      batch.due = due
      batch.weight = isOrder ? pick([2, 2, 3, 4]) : pick([1, 1, 1, 1.5])
      batch.earliest = Math.max(0, due - batch.cureDays - (isOrder ? whole(14, 28) : whole(28, 50)))
    }
  }
}

/** Trays measured against the load when every batch is cut two days before its buffer; too many are spread thinner. */
function drawTrays(batches: readonly Drawn[], { bufferDays, tightness }: Frame): number {
  const load: number[] = []
  for (const { due, cureDays, trays } of batches)
    for (let day = Math.max(3, due - cureDays - bufferDays - 2); day < due; day++) load[day] = (load[day] ?? 0) + trays
  const racksFor = (peak: number): number => Math.ceil(peak * (1.3 - 0.38 * tightness))
  let peak = Math.max(...Array.from(load, (trays) => trays ?? 0))
  if (racksFor(peak) > 60) {
    const share = 60 / racksFor(peak)
    for (const batch of batches) batch.trays = Math.max(1, Math.round(batch.trays * share))
    peak = Math.floor(peak * share)
  }
  return between(racksFor(peak), Math.max(12, ...batches.map(({ trays }) => trays)), 60)
}

/** Hours of each day: the week, days off, a holiday in a long season, one Saturday in four on a market. */
function calendarOf({ random, whole, pick, happens }: Chances, week: readonly number[], span: number) {
  const market = whole(0, 3)
  const holiday = span > 70 ? whole(30, span - 20) : -99
  const hours: number[] = []
  return (days: number): readonly number[] => {
    while (hours.length < days) {
      const day = hours.length
      let there = week[day % 7]!
      if (there > 0 && happens(0.2)) there = between(there + pick([-1, -0.5, 0.5, 1]), 0.5, 8)
      if (random() < 0.06) there = 0
      if (day % 7 === 5 && Math.floor(day / 7) % 4 === market) there = 0
      if (day >= holiday && day < holiday + 5) there = 0
      hours.push(there)
    }
    return hours.slice(0, days)
  }
}

/**
 * A season of a small workshop drawn by chance, a week longer and longer until a plain first fit finds a plan: to hold the
 * planner against seasons that nobody has fitted it to.
 */
export function drawSeason({ batches: count, seed, tightness }: SeasonSeed): SeasonProblem {
  const chances = chancesFrom(seed * 7919 + count * 104_729 + Math.round(tightness * 1000))
  const { whole, pick, happens } = chances
  const areTwo = (count >= 30 && happens(0.7)) || happens(0.25)
  const week = areTwo ? pick(weeksOfTwo) : pick(weeksOfOne)
  const setupHours = pick([0.5, 0.5, 0.75, 1])
  const mouldKinds = drawMoulds(chances, count, tightness)
  const ovenSlots = tightness >= 0.9 ? whole(1, 2) : whole(2, 3)
  const bufferDays = pick([3, 4, 5, 7])
  const batches = Array.from({ length: count }, (_, index) => drawBatch(chances, index, mouldKinds, ovenSlots))
  const work = sum(batches.map((one) => one.prepHours + one.pourHours + one.cutHours)) + 0.55 * count * setupHours
  const span = Math.max(14, Math.ceil((work / (sum(week) * (0.3 + 0.42 * tightness))) * 7))
  const frame = { span, bufferDays, tightness }
  giveDueDays(chances, batches, frame)
  const trays = drawTrays(batches, frame)
  const hoursOf = calendarOf(chances, week, span)
  for (let days = span + 28; days <= span + 2000; days += 7) {
    const season = { days, hours: hoursOf(days), setupHours, mouldKinds, ovenSlots, trays, bufferDays, batches }
    if (hasFirstFit(season)) return season
  }
  throw new RangeError(`Expected a season that can be planned, got ${count} batches, seed ${seed}, ${tightness}`)
}
