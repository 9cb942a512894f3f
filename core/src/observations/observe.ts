import type { Sentence } from '../findings'
import { quantity, sentence } from '../findings'
import { feelWords, foamWords } from '../loaf'
import type { BatterConditions, WorkingEstimate } from '../pour'
import { minutesBelow, traceBegins } from '../pour'
import { roundTo } from '../units'
import type { BarConditions } from './bar'
import type { BarBelief, Learned } from './learning'
import { barsBelow, shareOfBarsBelow } from './learning'
import type { BarObservationKey } from './model'
import { toldBarG, wordBounds } from './model'

export const observationKeys = ['thin', 'thick', 'cuts', 'foam', 'strips', 'lasts', 'keeps'] as const
export type ObservationKey = (typeof observationKeys)[number]

/** What a maker will notice of a soap in one respect. */
export interface Observation {
  readonly key: ObservationKey
  /** What is likely. */
  readonly answer: Sentence
  /** Of ten, eight will be so. */
  readonly band: Sentence
  /** Which acids, or what else, are the reason. */
  readonly reason: Sentence
  /** Bars and pours of this workshop that it was learned from, and of them those of this recipe; 0: an estimate alone. */
  readonly seen: number
  readonly seenOfRecipe: number
}

/** Eight of ten lie between these. */
const band = { low: 0.1, high: 0.9 } as const

/** Two digits tell more than is known: 26 h, 190 washes. */
function toTwoDigits(value: number): number {
  const digits = Math.max(0, 1 - Math.floor(Math.log10(value)))
  if (value < 100) return roundTo(value, digits)
  const step = 10 ** (Math.floor(Math.log10(value)) - 1)
  return Math.round(value / step) * step
}

interface Span {
  readonly low: number
  readonly likely: number
  readonly high: number
}
const spanOf = (at: (share: number) => number): Span => ({
  low: toTwoDigits(at(band.low)),
  likely: toTwoDigits(at(0.5)),
  high: toTwoDigits(at(band.high)),
})
const spanOfBelief = (belief: BarBelief): Span => spanOf((share) => barsBelow(belief, share))

const share = (of: number) => quantity.share(of, 0)

function reasonOf(key: BarObservationKey, bar: BarConditions): Sentence {
  switch (key) {
    case 'cuts':
      return sentence('reason_cuts', {
        saturated: share(bar.saturated),
        lye: share(bar.lyeConcentration),
        oven: bar.oven ? 'yes' : 'no',
        helped: bar.salt >= 0.25 ? 'salt' : bar.hasLactate ? 'lactate' : 'no',
      })
    case 'rubs':
    case 'foam':
      return sentence('reason_foam', {
        quick: share(bar.quick),
        ricinoleic: share(bar.ricinoleic),
        changed: bar.scours ? 'scours' : bar.hasSugar ? 'sugar' : 'no',
      })
    case 'strips':
      return sentence('reason_strips', { stripping: share(bar.stripping), superfat: share(bar.superfat) })
    case 'lasts':
      return sentence('reason_lasts', {
        bar: quantity.barMass(toldBarG),
        firm: share(bar.firm),
        quick: share(bar.quick),
      })
    case 'keeps':
      return sentence('reason_keeps', { tender: share(bar.tender), superfat: share(bar.superfat) })
  }
}

/** Chance of each of three words, by the bounds between them. */
function chancesOf(belief: BarBelief, [low, high]: readonly [number, number]): readonly [number, number, number] {
  const [below, upTo] = [shareOfBarsBelow(belief, low), shareOfBarsBelow(belief, high)]
  return [below, upTo - below, 1 - upTo]
}
const likeliest = (chances: readonly number[]): number => chances.indexOf(Math.max(...chances))
/** Of ten bars so many, at least one: what is told is never none. */
const outOfTen = (chance: number): number => Math.max(1, Math.round(chance * 10))

/** How a batter thickens and how it is made, where the recipe is whole. */
export interface BatterObserved {
  readonly estimate: WorkingEstimate
  readonly batter: Pick<BatterConditions, 'solidShare' | 'lyeConcentration' | 'temperatureC'>
}

function thickening(key: 'thin' | 'thick', { estimate, batter }: BatterObserved): Observation {
  const reached = key === 'thin' ? traceBegins.thin : 1
  const { low, likely, high } = spanOf((below) => minutesBelow(estimate, reached, below))
  return {
    key,
    answer: sentence('observed_minutes', { likely: quantity.figure(likely, 1) }),
    band: sentence('band_minutes', { low: quantity.figure(low, 1), high: quantity.figure(high, 1) }),
    reason: sentence('reason_thickens', {
      solid: share(batter.solidShare),
      lye: share(batter.lyeConcentration),
      warmth: quantity.temperature(batter.temperatureC),
    }),
    seen: estimate.pours,
    seenOfRecipe: 0,
  }
}

/**
 * What a maker will notice of a soap, from the pour to the last wash: what is likely, eight of ten, and why. All figures
 * are estimates that are moved by what a workshop has seen of its own.
 */
export function observationsOf(
  bar: BarConditions,
  recipeId: string | undefined,
  learned: Learned,
  batter: BatterObserved,
): readonly Observation[] {
  const of = (
    key: BarObservationKey,
  ): Pick<Observation, 'seen' | 'seenOfRecipe' | 'reason'> & { readonly belief: BarBelief } => {
    const belief = learned(key, bar, recipeId)
    return { belief, seen: belief.seen, seenOfRecipe: belief.seenOfRecipe, reason: reasonOf(key, bar) }
  }
  const [cuts, rubs, foam, strips, lasts, keeps] = [
    of('cuts'),
    of('rubs'),
    of('foam'),
    of('strips'),
    of('lasts'),
    of('keeps'),
  ]
  const told = ({ seen, seenOfRecipe, reason }: typeof cuts) => ({ seen, seenOfRecipe, reason })
  const spans = { cuts: spanOfBelief(cuts.belief), rubs: spanOfBelief(rubs.belief), lasts: spanOfBelief(lasts.belief) }
  const months = spanOfBelief(keeps.belief)
  const foams = chancesOf(foam.belief, wordBounds.foam)
  const feels = chancesOf(strips.belief, wordBounds.strips)
  return [
    thickening('thin', batter),
    thickening('thick', batter),
    {
      key: 'cuts',
      ...told(cuts),
      answer: sentence('observed_cuts', { likely: quantity.hours(spans.cuts.likely) }),
      band: sentence('band_cuts', { low: quantity.hours(spans.cuts.low), high: quantity.hours(spans.cuts.high) }),
    },
    {
      key: 'foam',
      ...told(foam),
      seen: Math.max(foam.seen, rubs.seen),
      seenOfRecipe: Math.max(foam.seenOfRecipe, rubs.seenOfRecipe),
      answer: sentence('observed_foam', {
        foam: foamWords[likeliest(foams)] ?? 'usual',
        rubs: Math.round(spans.rubs.likely),
      }),
      band: sentence('band_foam', {
        low: quantity.figure(Math.round(spans.rubs.low), 0),
        high: quantity.figure(Math.round(spans.rubs.high), 0),
      }),
    },
    {
      key: 'strips',
      ...told(strips),
      answer: sentence('observed_strips', { feel: feelWords[likeliest(feels)] ?? 'usual' }),
      band: sentence('band_strips', { bars: outOfTen(Math.max(...feels)) }),
    },
    {
      key: 'lasts',
      ...told(lasts),
      answer: sentence('observed_lasts', { washes: spans.lasts.likely }),
      band: sentence('band_lasts', {
        low: quantity.figure(spans.lasts.low, 0),
        high: quantity.figure(spans.lasts.high, 0),
      }),
    },
    {
      key: 'keeps',
      ...told(keeps),
      answer: sentence('observed_keeps', { months: Math.round(months.likely) }),
      band: sentence('band_keeps', {
        low: quantity.figure(Math.round(months.low), 0),
        high: quantity.figure(Math.round(months.high), 0),
      }),
    },
  ]
}
