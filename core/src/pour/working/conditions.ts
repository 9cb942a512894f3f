import type { BatchPlan, StepRecord } from '../../batch'
import { clockKeys, moveOfKey } from '../../batch'
import type { Recipe, ScentUse } from '../../recipe'
import { soapingTemperatures, usualSchool } from '../../recipe'
import type { MoveLine } from '../moves'
import { moveSpecs } from '../moves'
import type { Seen, TimedPour } from './estimate'
import type { BatterConditions } from './factors'
import { solidShareOf, thickenersOf, workingPrior } from './factors'
import { traceBegins, traceEnds } from './thickening'

/** What a batter is made of, as far as its working time goes. */
export interface BatterSource {
  readonly recipe: Pick<
    Recipe,
    'fats' | 'knownFats' | 'lyeConcentration' | 'liquids' | 'additives' | 'knownMakeups' | 'school'
  >
  readonly scent: ScentUse | null
  readonly colours: readonly { readonly name: string; readonly scentPart?: number | undefined }[]
  /** At which lye made the same day is used, °C. */
  readonly soapingTemperatureC: number
}

/**
 * The conditions of a batter from its plan; where it was measured at the bench, its real temperature.
 *
 * @throws {RangeError} if a fat is not known
 */
export function batterConditions(
  { recipe, scent, colours, soapingTemperatureC }: BatterSource,
  { measuredC }: { readonly measuredC?: number | undefined } = {},
): BatterConditions {
  const { liquids = [], additives = [], knownMakeups = [], school = usualSchool } = recipe
  const { lyeC, fatsC } = soapingTemperatures(school.lye, soapingTemperatureC)
  const parts = scent?.parts ?? []
  const behaviour = scent?.behaviour ?? 'unknown'
  return {
    temperatureC: measuredC ?? (lyeC + fatsC) / 2,
    lyeConcentration: recipe.lyeConcentration,
    solidShare: solidShareOf(recipe),
    blending: school.blending ?? 'usual',
    scents: !scent
      ? []
      : parts.length > 0
        ? parts.map((part) => ({
            name: part.name,
            rate: scent.rate * part.share,
            behaviour: part.behaviour ?? behaviour,
          }))
        : [{ name: scent.name, rate: scent.rate, behaviour }],
    scentLast: school.scent === 'last',
    thickeners: thickenersOf(
      [
        ...liquids.map(({ name }) => ({ kind: 'liquid', name }) as const),
        ...additives.map(({ name }) => ({ kind: 'additive', name }) as const),
      ],
      knownMakeups,
    ),
    pots: Math.max(1, colours.length),
    paces: colours.map(({ name, scentPart = 1 }) => ({
      times: thickenersOf([{ kind: 'colourant', name }]).includes('white') ? Math.exp(workingPrior.thickener.white) : 1,
      isScented: scentPart > 0,
    })),
  }
}

/** What was tapped while a pour was on the clock. */
export interface PourTiming {
  readonly batter: BatterConditions
  /** In the order of the taps: how far it had thickened, and after how many minutes. */
  readonly seen: readonly Seen[]
  readonly fellBackAtMin: number | undefined
}

const tapped: Readonly<Record<string, number>> = {
  [clockKeys.thin]: traceBegins.thin,
  [clockKeys.medium]: traceBegins.medium,
  [clockKeys.tooThick]: 1,
}

/** The times of a pour from its records; undefined where its clock was never started. */
export function timingOf(plan: BatchPlan, records: readonly StepRecord[]): PourTiming | undefined {
  if (!records.some(({ stepKey }) => stepKey === clockKeys.emulsion)) return undefined
  const last = (key: string): number | undefined =>
    records.findLast(({ stepKey }) => stepKey === key)?.actual ?? undefined
  const warm = ['temperature:lye', 'temperature:fats'].map(last).filter((value) => value !== undefined)
  const measuredC = warm.length > 0 ? warm.reduce((sum, value) => sum + value, 0) / warm.length : undefined
  return {
    batter: batterConditions(plan, { measuredC }),
    seen: Object.entries(tapped).flatMap(([key, thickened]) => {
      const minutes = last(key)
      return minutes === undefined ? [] : [{ minutes, thickened }]
    }),
    fellBackAtMin: last(clockKeys.fallback),
  }
}

/**
 * The latest that tells how far the batter has not thickened yet: a tap that it still flows, or a move of its plan that
 * was done and that a thicker batter would not have let be.
 */
export function notYetOf(records: readonly StepRecord[], lines: readonly MoveLine[]): Seen | undefined {
  return records
    .flatMap(({ stepKey, actual }): readonly Seen[] => {
      if (actual === null) return []
      if (stepKey === clockKeys.stillFlows) return [{ minutes: actual, thickened: 1 }]
      const line = lines[moveOfKey(stepKey) ?? -1]
      return line ? [{ minutes: actual, thickened: traceEnds[moveSpecs[line.kind].traces[1]] }] : []
    })
    .filter(({ thickened }) => thickened <= 1)
    .sort((a, b) => b.minutes - a.minutes)[0]
}

/** A timed pour as the model learns from it: what was seen last says most. */
export function timedPourOf({ batter, seen }: Pick<PourTiming, 'batter' | 'seen'>): TimedPour | undefined {
  const last = [...seen]
    .filter(({ minutes }) => minutes > 0)
    .sort((a, b) => a.thickened - b.thickened)
    .at(-1)
  return last ? { batter, seenMin: last.minutes, thickened: last.thickened } : undefined
}
