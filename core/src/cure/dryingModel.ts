import type { Day } from '../calendar'
import { daysBetween } from '../calendar'
import type { BarCut, BarSides } from '../cutting'
import { barSidesOf } from '../cutting'
import type { Mould } from '../mould'
import { shapeOf } from '../mould'
import { shareBelow } from '../random'
import type { WeighIn } from './drying'
import { inOrder } from './drying'

/** The room in which bars stand. */
export interface CureRoom {
  readonly temperatureC: number
  /** Relative, 0 to 1. */
  readonly humidity: number
}

/** What a bar's drying depends on. */
export interface DryingTruth {
  /** Diffusion of water in soap in the reference room, mm² a day. */
  readonly diffusion: number
  /** Share of the first mass that is lost when it no longer dries in this room. */
  readonly lossShare: number
}

/** The room that the prior is told for. */
export const referenceRoom: CureRoom = { temperatureC: 20, humidity: 0.55 }

/**
 * What is expected before a bar was weighed. Estimates from usual practice: bars lose about a ninth, most of it in four
 * weeks. Spreads are standard deviations, of the logarithm for the diffusion.
 */
export const dryingPrior = {
  diffusion: 3.2,
  diffusionSpread: 0.45,
  lossSpread: 0.025,
  /** Per °C above the reference: water diffuses faster in warm soap. */
  perDegree: 0.025,
  /** How the loss shrinks for each tenth of humidity over the reference. */
  lossPerHumidityTenth: -0.008,
} as const

/** Terms of the series; the first ones carry it after the first hours. */
const terms = 24

/**
 * Share of its loss that a plate drying from both faces still has before it: the series solution of Fick's second law
 * with faces at equilibrium (Crank, "The Mathematics of Diffusion", 2nd ed., 1975, eq. 4.18), of the dimensionless time
 * D t / d².
 */
export function leftInPlate(dimensionlessTime: number): number {
  if (dimensionlessTime <= 0) return 1
  // For short times the series is slow; there the root law holds (Crank, eq. 4.20).
  if (dimensionlessTime < 1e-3) return 1 - 4 * Math.sqrt(dimensionlessTime / Math.PI)
  let sum = 0
  for (let n = 0; n < terms; n++) {
    const k = (2 * n + 1) ** 2 * Math.PI ** 2
    const term = (8 / k) * Math.exp(-k * dimensionlessTime)
    sum += term
    if (term < 1e-9) break
  }
  return sum
}

/** Share of a bar's loss that is still before it after some days: of a block the product of its three plates (Crank, ch. 4). */
export function leftToLose(bar: BarSides, diffusion: number, days: number): number {
  const { widthMm, heightMm, thicknessMm } = bar
  return [widthMm, heightMm, thicknessMm].reduce(
    (share, sideMm) => share * leftInPlate((diffusion * days) / sideMm ** 2),
    1,
  )
}

/** What the room was like over some readings; the reference room where there are none. */
export function meanRoom(readings: readonly CureRoom[]): CureRoom {
  if (readings.length === 0) return referenceRoom
  const mean = (of: keyof CureRoom): number => readings.reduce((sum, one) => sum + one[of], 0) / readings.length
  return { temperatureC: mean('temperatureC'), humidity: mean('humidity') }
}

/** How many times as fast a room dries as the reference room; 1 in the reference room. An estimate by its temperature. */
export function roomPace({ temperatureC }: CureRoom): number {
  return Math.exp(dryingPrior.perDegree * (temperatureC - referenceRoom.temperatureC))
}

/** The loss to be expected in a room as a fraction of the wet bar, 0.005 or more, from that in the reference room. */
export function lossInRoom(lossShare: number, { humidity }: CureRoom): number {
  return Math.max(0.005, lossShare + dryingPrior.lossPerHumidityTenth * 10 * (humidity - referenceRoom.humidity))
}

/** Mass of a bar after some days on the rack, g. */
export function massAfter(firstG: number, bar: BarSides, { diffusion, lossShare }: DryingTruth, days: number): number {
  return firstG * (1 - lossShare * (1 - leftToLose(bar, diffusion, days)))
}

/**
 * What a bar of a loaf weighs on a day: what the marked bar did when it was weighed last, else what is expected of one
 * as heavy as the first bar that was cut, by the prior in the reference room (an estimate).
 *
 * @param lossShare what bars lose in the end here
 * @throws {RangeError} if a day is no day
 */
export function barMassNow(
  {
    cut,
    weighIns,
  }: { readonly cut: { readonly day: Day; readonly firstBarG: number }; readonly weighIns: readonly WeighIn[] },
  bar: BarSides,
  lossShare: number,
  today: Day,
): { readonly massG: number; readonly isWeighed: boolean } {
  const last = inOrder(weighIns).at(-1)
  if (last) return { massG: last.massG, isWeighed: true }
  const days = Math.max(0, daysBetween(cut.day, today))
  return {
    massG: massAfter(cut.firstBarG, bar, { diffusion: dryingPrior.diffusion, lossShare }, days),
    isWeighed: false,
  }
}

/** A weighing by day of the cure. */
export interface DryingWeighing {
  readonly cureDay: number
  readonly massG: number
}

export interface DryingTerms {
  readonly bar: BarSides
  /** What the workshop's bars lose in the end, as it knows or guesses. */
  readonly lossShare: number
  readonly room: CureRoom
  /** Step of the scale, g. */
  readonly stepG: number
}

interface Weighted extends DryingTruth {
  readonly weight: number
  /** Mass at the cut, g: the first reading is rounded like every other. */
  readonly firstG: number
}

/** A forecast of a mass, with the band that holds eight of ten. */
export interface MassForecast {
  readonly cureDay: number
  readonly likelyG: number
  readonly fromG: number
  readonly untilG: number
}

const steps = { diffusion: 41, loss: 41, first: 5 } as const
const reach = 3.2
/** Error of a weighing besides the scale's step: bars that lay in a draught, a crumb lost; standard deviation, g. An estimate. */
const handlingG = 0.25

/**
 * What the weighings say of a bar's drying: the prior of diffusion and final loss weighed by how likely each reading
 * would be, rounded to the scale's step, over a grid.
 */
export function fitDrying(weighings: readonly DryingWeighing[], terms: DryingTerms): readonly Weighted[] {
  const { bar, room, stepG } = terms
  const first = weighings.reduce<DryingWeighing | undefined>(
    (soonest, one) => (soonest && soonest.cureDay <= one.cureDay ? soonest : one),
    undefined,
  )
  if (!first) return []
  const rest = weighings.filter((one) => one !== first)
  const loss = lossInRoom(terms.lossShare, room)
  const likely = Math.log(dryingPrior.diffusion * roomPace(room))
  const grid: Weighted[] = []
  const half = stepG / 2
  for (let i = 0; i < steps.diffusion; i++) {
    const zD = reach * ((2 * i) / (steps.diffusion - 1) - 1)
    const diffusion = Math.exp(likely + dryingPrior.diffusionSpread * zD)
    const lostBefore = 1 - leftToLose(bar, diffusion, first.cureDay)
    const left = rest.map(({ cureDay }) => 1 - leftToLose(bar, diffusion, cureDay))
    for (let j = 0; j < steps.loss; j++) {
      const zL = reach * ((2 * j) / (steps.loss - 1) - 1)
      const lossShare = loss + dryingPrior.lossSpread * zL
      if (lossShare <= 0) continue
      for (let k = 0; k < steps.first; k++) {
        // The mass behind the first reading: anywhere in its step, and on its own day, by which some was lost already.
        const readG = first.massG + half * ((2 * (k + 0.5)) / steps.first - 1)
        const firstG = readG / (1 - lossShare * lostBefore)
        let logWeight = -(zD * zD + zL * zL) / 2
        rest.forEach(({ massG }, at) => {
          const trueG = firstG * (1 - lossShare * left[at]!)
          const share = shareBelow((massG + half - trueG) / handlingG) - shareBelow((massG - half - trueG) / handlingG)
          logWeight += Math.log(Math.max(share, 1e-12))
        })
        grid.push({ diffusion, lossShare, firstG, weight: logWeight })
      }
    }
  }
  const most = Math.max(...grid.map(({ weight }) => weight))
  const weighted = grid.map((one) => ({ ...one, weight: Math.exp(one.weight - most) }))
  const total = weighted.reduce((sum, { weight }) => sum + weight, 0)
  return weighted.filter(({ weight }) => weight > total * 1e-7).map((one) => ({ ...one, weight: one.weight / total }))
}

/** A value below which so much of the weight lies. @param sorted by value */
function quantile(sorted: readonly (readonly [number, number])[], share: number): number {
  let sum = 0
  for (const [value, weight] of sorted) {
    sum += weight
    if (sum >= share) return value
  }
  return sorted.at(-1)?.[0] ?? Number.NaN
}

const massOf = ({ firstG, ...truth }: Weighted, bar: BarSides, cureDay: number): number =>
  massAfter(firstG, bar, truth, cureDay)

/** The mass to be expected on a day of the cure. Undefined where the bar was never weighed. */
export function forecastMass(fit: readonly Weighted[], bar: BarSides, cureDay: number): MassForecast | undefined {
  if (fit.length === 0) return undefined
  const masses = fit.map((one) => [massOf(one, bar, cureDay), one.weight] as const).sort((a, b) => a[0] - b[0])
  return {
    cureDay,
    likelyG: quantile(masses, 0.5),
    fromG: quantile(masses, 0.1),
    untilG: quantile(masses, 0.9),
  }
}

/** How likely it is that the bar weighs so much or more on a day of the cure, 0 to 1. */
export function chanceOfMass(fit: readonly Weighted[], bar: BarSides, cureDay: number, leastG: number): number {
  return fit.reduce((sum, one) => (massOf(one, bar, cureDay) >= leastG ? sum + one.weight : sum), 0)
}

/** First day of the cure on which the likely bar loses less than this share of its mass in a week; undefined past a year. */
export function levellingDay(fit: readonly Weighted[], bar: BarSides, lossInAWeek: number): number | undefined {
  const likely: number[] = []
  for (let day = 0; day <= 365; day++) {
    likely.push(forecastMass(fit, bar, day)?.likelyG ?? Number.NaN)
    if (day >= 7 && 1 - likely[day]! / likely[day - 7]! < lossInAWeek) return day
  }
  return undefined
}

/** What would keep a label's mass: the mass at the cut with which so many of ten bars still weigh it, and its thickness. */
export interface KeepsMass {
  readonly wetG: number
  readonly thicknessMm: number
}

/**
 * The wet mass and thickness with which a bar still weighs what its label says on a day of the cure, with the given
 * chance: reckoned from the prior, before it was weighed.
 */
export function wetMassFor(
  leastG: number,
  terms: DryingTerms,
  now: { readonly massG: number; readonly cureDay: number },
  chance = 0.9,
): KeepsMass {
  const fit = fitDrying([{ cureDay: 0, massG: now.massG }], terms)
  const kept = fit
    .map((one) => [massOf(one, terms.bar, now.cureDay) / one.firstG, one.weight] as const)
    .sort((a, b) => a[0] - b[0])
  const wetG = leastG / quantile(kept, 1 - chance)
  return { wetG, thicknessMm: (terms.bar.thicknessMm * wetG) / now.massG }
}

/** The drying of bars cut from a mould; undefined where it gives no bars that are cut. */
export function dryingOf(mould: Mould & BarCut, terms: Omit<DryingTerms, 'bar'>): DryingTerms | undefined {
  return shapeOf(mould) === 'cavities' ? undefined : { ...terms, bar: barSidesOf(mould) }
}
