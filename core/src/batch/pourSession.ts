import type { Finding, Sentence } from '../findings'
import { quantity, refuse, sentence, sentences, tell, warn } from '../findings'
import type { Alkali, SuperfatBand, WeighedAdditive, WeighedFat, WeighedLiquid } from '../recipe'
import { naohForFatsG, fatOf, naohDemand, scentWeights, superfatLeft, wettingG } from '../recipe'
import { roundTo } from '../units'
import type { BatchPlan, PieceOfPlan } from './batchPlan'
import { mouldsBatterG, mouldsOfPlan } from './batchPlan'
import type { WeighedPot } from './pots'
import { splitIntoPots } from './pots'
import { isLeftOut } from './moveSteps'
import { runSheet } from './runSheet'
import type { RunSheetStep } from './steps'
import {
  additiveStepKey,
  emulsionStepKey,
  fatStepKey,
  kohStepKey,
  leftStepKey,
  liquidStepKey,
  naohStepKey,
  pieceStepKey,
  scentStepKeys,
  waterStepKey,
} from './steps'
import { scentIntoPotsG, weightsForFats } from './weightsForFats'

/** A step as it was done. `actual` is in g or °C; null for a tick. */
export interface StepRecord {
  readonly stepKey: string
  readonly actual: number | null
}

export interface SessionStep extends RunSheetStep {
  /** What is to be weighed now, after what has been weighed so far; as planned when nothing has moved it. */
  readonly target: number | null
  readonly done: boolean
  readonly actual: number | null
}

export interface PourSession {
  readonly steps: readonly SessionStep[]
  /** Index of the first step not yet done; the number of steps when all are. */
  readonly nextIndex: number
  /** What the weighings so far have changed, the gravest first. */
  readonly findings: readonly Finding[]
  /** Superfat that fats and lye leave as weighed, or as now to be weighed. */
  readonly band: SuperfatBand
}

function fatsInPot(plan: BatchPlan, done: ReadonlyMap<string, number | null>): readonly WeighedFat[] {
  return plan.weights.fats.map(({ fatKey, massG }) => {
    const fat = fatOf(plan.recipe, fatKey)
    if (!fat) throw new RangeError(`Expected a fat of the table, got ${fatKey}`)
    return { fat, massG: done.get(fatStepKey(fatKey)) ?? massG }
  })
}

function weighingFindings(plan: BatchPlan, done: ReadonlyMap<string, number | null>, targets: Targets): Finding[] {
  const findings: Finding[] = []
  const lyeIsWeighed = done.has(naohStepKey)
  const now = quantity.share(targets.band.likely)
  const mend = lyeMend(plan, done, targets)
  const off = plan.weights.fats.flatMap(({ fatKey, name, massG }) => {
    const offG = (done.get(fatStepKey(fatKey)) ?? massG) - massG
    return Math.abs(offG) < plan.scaleResolutionG / 2
      ? []
      : [
          sentence('fat_went_in_off', {
            fat: name,
            off: quantity.mass(Math.abs(offG)),
            way: offG > 0 ? 'over' : 'under',
          }),
        ]
  })
  // Lye that was weighed after the fats, as they then asked for it, is as it should be.
  const isAsAsked = (key: string, askedG: number): boolean =>
    Math.abs((done.get(key) ?? askedG) - askedG) < plan.scaleResolutionG / 2 + dustG
  const lyeFollowed = isAsAsked(naohStepKey, targets.naohG) && isAsAsked(kohStepKey, targets.kohG)
  if (off.length > 0) {
    const what = lyeIsWeighed
      ? sentence(lyeFollowed ? 'lye_was_weighed_for_it' : 'lye_was_weighed', { superfat: now })
      : sentence('lye_follows_fats', {
          lye: quantity.mass(targets.naohG),
          water: quantity.mass(targets.waterG),
          superfat: now,
        })
    findings.push(
      tell('fat_off_plan', { told: sentences(...off, what, ...(lyeIsWeighed && !lyeFollowed ? mend : [])) }),
    )
  }
  if (lyeIsWeighed && off.length === 0 && targets.band.likely >= 0 && mend.length > 0) {
    const way = targets.band.likely < plan.recipe.superfat ? 'over' : 'under'
    findings.push(warn('lye_off_plan', { way, superfat: now, mend: sentences(...mend) }, naohStepKey))
  }
  if (lyeIsWeighed && targets.band.likely < 0) {
    findings.unshift(refuse('weighed_lye_exceeds_fats', { superfat: now, mend: sentences(...mend) }, naohStepKey))
  } else if (lyeIsWeighed && targets.band.worst < 0) {
    findings.push(warn('worst_case_of_weighed_lye', { superfat: quantity.share(targets.band.worst) }, naohStepKey))
  }
  return findings
}

/** What sums of decimal steps leave behind, g. */
const dustG = 1e-6

/** How far the superfat may be off the recipe's before it is worth mending. */
const superfatTolerance = 0.01

/**
 * What brings a lye that is weighed already back to the recipe's superfat: which fat and how much of it, or, where the
 * lye is too little, how much more of it in as much water as dissolves it.
 */
function lyeMend(plan: BatchPlan, done: ReadonlyMap<string, number | null>, { band }: Targets): readonly Sentence[] {
  const fats = fatsInPot(plan, done)
  const main = [...fats].sort((a, b) => b.massG - a.massG)[0]
  const { superfat, naohPurity, kohShare = 0 } = plan.recipe
  if (!main || Math.abs(band.likely - superfat) < superfatTolerance) return []
  const demandG = naohDemand(fats, 'typical')
  if (band.likely > superfat) {
    const naohG = Math.floor((demandG * (band.likely - superfat)) / naohPurity)
    if (naohG < 1 || kohShare > 0 || done.has(emulsionStepKey)) return []
    return [
      sentence('more_lye_brings_back', {
        lye: quantity.mass(naohG),
        water: quantity.mass(naohG * 2),
        superfat: quantity.share(superfat),
      }),
    ]
  }
  const missingDemandG = (demandG * (1 - band.likely)) / (1 - superfat) - demandG
  const massG = missingDemandG / naohDemand([{ fat: main.fat, massG: 1 }], 'typical')
  return [
    sentence('more_fat_brings_back', {
      massG: quantity.mass(Math.ceil(massG)),
      fat: main.fat.name.toLowerCase(),
      superfat: quantity.share(superfat),
    }),
  ]
}

interface Targets {
  readonly naohG: number
  readonly kohG: number
  readonly waterG: number
  readonly liquids: readonly WeighedLiquid[]
  readonly additives: readonly WeighedAdditive[]
  readonly scentG: number
  readonly pots: readonly WeighedPot[]
  readonly band: SuperfatBand
}

/** What goes with the fats as they stand: as planned, or reckoned anew once a fat is off its plan. */
function partsFor(plan: BatchPlan, fats: readonly WeighedFat[]): Omit<Targets, 'band'> {
  const { weights, recipe, scent, colours, scaleResolutionG, barsPlanned } = plan
  if (weights.fats.every(({ massG }, index) => fats[index]?.massG === massG)) {
    const { naohG, kohG = 0, waterG, liquids = [], additives = [], scentG, pots } = weights
    return { naohG, kohG, waterG, liquids, additives, scentG, pots }
  }
  const { lye, ...rest } = weightsForFats(fats, recipe, {
    scentRate: scent?.rate ?? 0,
    colours,
    densityGMl: densityOf(plan),
    bars: barsPlanned,
    stepG: scaleResolutionG,
    lyeRounding: plan.lyeRounding ?? 'nearest',
  })
  return { ...rest, naohG: lye.naohG, kohG: lye.kohG, liquids: lye.liquids }
}

/** Alkali as weighed, or as it is to be weighed. */
function alkaliNow(done: ReadonlyMap<string, number | null>, parts: Pick<Targets, 'naohG' | 'kohG'>): Alkali {
  return { naohG: done.get(naohStepKey) ?? parts.naohG, kohG: done.get(kohStepKey) ?? parts.kohG }
}

/** The scent's parts as they are to be weighed, with their steps. */
function scentTargets(plan: BatchPlan, scentG: number): ReadonlyMap<string, number> {
  const { scent, scaleResolutionG } = plan
  if (!scent || scentG === 0) return new Map()
  const parts = scentWeights(scent, scentG, scaleResolutionG)
  return new Map(scentStepKeys(scent).map((key, index) => [key, parts[index]?.massG ?? 0]))
}

/** All scent, as weighed or as it is to be weighed, g. */
function scentNow(
  plan: BatchPlan,
  { scentG }: Pick<Targets, 'scentG'>,
  done: ReadonlyMap<string, number | null>,
): number {
  return [...scentTargets(plan, scentG)].reduce((sum, [key, massG]) => sum + (done.get(key) ?? massG), 0)
}

/** Of batches begun before their density was kept, that of water. */
const densityOf = ({ densityGMl = 1 }: BatchPlan): number => densityGMl

/** Things with what was weighed of them, or is to be weighed. */
const asWeighed = (
  things: readonly { readonly name: string; readonly massG: number }[],
  done: ReadonlyMap<string, number | null>,
  keyOf: (index: number) => string,
) => things.map(({ name, massG }, index) => ({ name, massG: done.get(keyOf(index)) ?? massG }))

/** Everything in the pot, as weighed or as it is to be weighed, g. */
function madeOf(
  plan: BatchPlan,
  fats: readonly WeighedFat[],
  parts: Omit<Targets, 'band'>,
  done: ReadonlyMap<string, number | null>,
): number {
  const { naohG, kohG } = alkaliNow(done, parts)
  const sum = (items: readonly { readonly massG: number }[], keyOf: (index: number) => string): number =>
    items.reduce((total, { massG }, index) => total + (done.get(keyOf(index)) ?? massG), 0)
  // Water that wets additives and colourants is weighed with them and not as water.
  return (
    fats.reduce((total, { massG }) => total + massG, 0) +
    naohG +
    kohG +
    (done.get(waterStepKey) ?? parts.waterG) +
    wettingG(parts.additives, 'water') +
    wettingG(parts.pots, 'water') +
    sum(parts.liquids, liquidStepKey) +
    sum(parts.additives, additiveStepKey) +
    scentNow(plan, parts, done)
  )
}

function currentTargets(plan: BatchPlan, done: ReadonlyMap<string, number | null>): Targets {
  const fats = fatsInPot(plan, done)
  const parts = partsFor(plan, fats)
  return {
    ...parts,
    pots: splitIntoPots(plan.colours, {
      batterG: madeOf(plan, fats, parts, done),
      scentG: scentIntoPotsG(plan.recipe, scentNow(plan, parts, done)),
      densityGMl: densityOf(plan),
      stepG: plan.scaleResolutionG,
    }),
    band: superfatLeft(
      fats,
      naohForFatsG(alkaliNow(done, parts), plan.recipe, {
        additives: asWeighed(parts.additives, done, additiveStepKey),
        liquids: asWeighed(parts.liquids, done, liquidStepKey),
      }),
      plan.recipe,
    ),
  }
}

/**
 * Where a pour stands: the run sheet with what was done, and every mass still to come recomputed from what was weighed.
 * Later records of a step replace earlier ones.
 *
 * @throws {RangeError} if the plan holds a fat that is not in the table
 */
export function pourSession(plan: BatchPlan, records: readonly StepRecord[]): PourSession {
  const done = new Map(records.map(({ stepKey, actual }) => [stepKey, actual]))
  const targets = currentTargets(plan, done)
  // The same sheet, with what is to be weighed now in place of what was planned.
  const { naohG, kohG, waterG, liquids, additives, scentG, pots } = targets
  const weights = { ...plan.weights, naohG, kohG, waterG, liquids, additives, scentG, pots }
  const now = new Map(runSheet({ ...plan, weights }).map((step) => [step.key, step]))
  // Once it has fallen back, what is left of its moves is not done any more.
  const sheet = runSheet(plan).filter(({ key }) => !isLeftOut(key, done))
  const steps = sheet.map((step) => ({
    ...step,
    title: now.get(step.key)?.title ?? step.title,
    detail: now.get(step.key)?.detail ?? step.detail,
    target: now.get(step.key)?.planned ?? step.planned,
    done: done.has(step.key),
    actual: done.get(step.key) ?? null,
  }))
  const firstOpen = steps.findIndex((step) => !step.done)
  return {
    steps,
    nextIndex: firstOpen < 0 ? steps.length : firstOpen,
    findings: weighingFindings(plan, done, targets),
    band: targets.band,
  }
}

/** All the batter that was weighed, g. */
export function madeNow(plan: BatchPlan, records: readonly StepRecord[]): number {
  const done = new Map(records.map(({ stepKey, actual }) => [stepKey, actual]))
  const fats = fatsInPot(plan, done)
  return madeOf(plan, fats, partsFor(plan, fats), done)
}

/**
 * Batter that one mould of each kind has got, g, in the order of the plan: what was made, less what was left in the pots
 * as weighed, or as expected while it is not.
 *
 * @throws {RangeError} if the plan holds a fat that is not in the table
 */
export function pouredPerMould(plan: BatchPlan, records: readonly StepRecord[]): readonly number[] {
  const madeG = madeNow(plan, records)
  const plannedG = mouldsBatterG(plan)
  const left = records.findLast(({ stepKey }) => stepKey === leftStepKey)?.actual
  const pouredG =
    left === undefined || left === null ? (plannedG * madeG) / plan.weights.batterG : Math.max(0, madeG - left)
  return mouldsOfPlan(plan).map(({ batterG }) => roundTo((batterG * pouredG) / plannedG, 1))
}

/** The pieces of a batch as they were weighed, g; as planned where they were not. */
export function piecesUsed(
  { pieces = [] }: Pick<BatchPlan, 'pieces'>,
  records: readonly StepRecord[],
): readonly PieceOfPlan[] {
  return pieces.map((piece, index) => {
    const weighedG = records.findLast(({ stepKey }) => stepKey === pieceStepKey(index))?.actual
    return { ...piece, massG: weighedG ?? piece.massG }
  })
}

/**
 * What is still to be added, g; negative when it is over. Nothing is to go once the scale cannot show it any closer.
 *
 * @param stepG step of the scale, g
 */
export function toGo(targetG: number, actualG: number, stepG = 0): number {
  const left = roundTo(targetG - actualG, 2)
  return Math.abs(left) <= stepG / 2 ? 0 : left
}

/** How far a weighing has come, 0 to 1. */
export function shareDone(targetG: number, actualG: number): number {
  return targetG > 0 ? Math.min(1, Math.max(0, actualG / targetG)) : 0
}

/**
 * Minutes that the steps still to do may take, to whole minutes: an estimate, by their share of all steps in what the whole
 * is planned to take. 0 when every step is done.
 *
 * @param plannedHours hours for preparing and pouring, at least 0
 */
export function minutesLeft({ steps, nextIndex }: PourSession, plannedHours: number): number {
  const left = Math.max(0, steps.length - nextIndex)
  return steps.length === 0 ? 0 : Math.round((plannedHours * 60 * left) / steps.length)
}
