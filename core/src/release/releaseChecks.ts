import type { Day } from '../calendar'
import { daysBetween } from '../calendar'
import { cureProgress, hasLevelledOff, inOrder } from '../cure'
import type { FaultKey } from '../cutting'
import { faults } from '../cutting'
import type { Sentence } from '../findings'
import { quantity, sentence, series } from '../findings'
import type { LoafState } from '../loaf'
import type { CureSchool } from '../recipe'
import type { Range } from '../units'
import { isWithin } from '../units'
import type { LabelLacks } from './label'
import { labelLacksSentence } from './label'

/** What a pH strip can show. */
export const phRange: Range = { min: 0, max: 14 }
/** pH of a bar that is usually let go; an estimate from usual practice, and a strip is a rough measure. */
export const releasePhRange: Range = { min: 8, max: 10.5 }
/** A mass on record older than this does not speak for the bar of today, days. A rule of the house. */
export const freshWeighInDays = 7

/** What the maker answers at the release. Null: not answered yet. */
export interface ReleaseAnswers {
  readonly ph: number | null
  /** No orange spots, ash, cracks or soft core. */
  readonly lookIsSound: boolean
  readonly labelIsComplete: boolean
}

export interface ReleaseCheck {
  readonly key: 'cure' | 'mass' | 'levelled' | 'ph' | 'look' | 'label' | 'faults' | 'lots'
  /** `open`: not known yet. `note`: does not hold the loaf back. */
  readonly result: 'passed' | 'failed' | 'open' | 'note'
  readonly finding: Sentence
}

/** A label that lacks something is not complete, whatever was answered. */
function labelCheck(
  { parts, unnamed }: LabelLacks = { parts: [], unnamed: [] },
  { labelIsComplete }: ReleaseAnswers,
): ReleaseCheck {
  const lacks = labelLacksSentence({ parts, unnamed })
  return lacks
    ? { key: 'label', result: 'failed', finding: lacks }
    : { key: 'label', result: labelIsComplete ? 'passed' : 'open', finding: sentence('label_cleared') }
}

/** A bar weighs what its label says when both read alike at the label's step. */
function massCheck(state: LoafState, labelMassG: number, labelStepG: number, today: Day): ReleaseCheck {
  const last = inOrder(state.weighIns).at(-1)
  if (!last) return { key: 'mass', result: 'open', finding: sentence('no_bar_weighed') }
  const age = daysBetween(last.day, today)
  if (age > freshWeighInDays) {
    return {
      key: 'mass',
      result: 'open',
      finding: sentence('weighing_is_old', { age: quantity.days(age) }),
    }
  }
  const steps = (massG: number): number => Math.round(massG / labelStepG)
  const enough = steps(last.massG) >= steps(labelMassG)
  return {
    key: 'mass',
    result: enough ? 'passed' : 'failed',
    finding: sentence('bar_against_label', {
      bar: quantity.barMass(last.massG),
      day: quantity.day(last.day),
      label: quantity.barMass(labelMassG),
    }),
  }
}

function levelledCheck(state: LoafState, cureSchool: CureSchool): ReleaseCheck {
  const levelled = hasLevelledOff(state.weighIns)
  const finding =
    levelled === undefined ? sentence('too_few_weighings') : sentence('levelled', { levelled: levelled ? 'yes' : 'no' })
  // Where the recipe goes by the scale, a bar that still loses holds its loaf back.
  const against = cureSchool === 'days' ? 'note' : levelled === undefined ? 'open' : 'failed'
  return { key: 'levelled', result: levelled ? 'passed' : against, finding }
}

function faultsCheck({ openFaults }: LoafState): ReleaseCheck {
  const grave = openFaults.filter((key) => faults[key].holdsBack)
  const names = (of: readonly FaultKey[]) => series(of.map((fault) => sentence('fault_name', { fault })))
  if (grave.length > 0)
    return { key: 'faults', result: 'failed', finding: sentence('faults_hold_back', { faults: names(grave) }) }
  if (openFaults.length > 0)
    return { key: 'faults', result: 'note', finding: sentence('faults_open', { faults: names(openFaults) }) }
  return { key: 'faults', result: 'passed', finding: sentence('no_fault_open') }
}

function lotsCheck(recalledLots: readonly string[]): ReleaseCheck {
  return recalledLots.length > 0
    ? { key: 'lots', result: 'failed', finding: sentence('lots_called_back', { lots: series(recalledLots) }) }
    : { key: 'lots', result: 'passed', finding: sentence('no_lot_called_back') }
}

function phCheck(ph: number | null): ReleaseCheck {
  const usual = { least: quantity.figure(releasePhRange.min), most: quantity.figure(releasePhRange.max) }
  if (ph === null) return { key: 'ph', result: 'open', finding: sentence('ph_missing', usual) }
  return {
    key: 'ph',
    result: isWithin(ph, releasePhRange) ? 'passed' : 'failed',
    finding: sentence('ph_shown', { ph: quantity.figure(ph), ...usual }),
  }
}

/**
 * The checks before a loaf's bars may go: cure, mass and levelling off computed, pH, look and label as answered.
 *
 * @throws {RangeError} if a day is no day
 */
export function releaseChecks(
  state: LoafState,
  terms: {
    readonly cureDays: number
    readonly labelMassG: number
    /** Lots in it that their supplier called back. @default none */
    readonly recalledLots?: readonly string[]
    /** When the recipe holds a cure to be over. @default days */
    readonly cureSchool?: CureSchool
    /** What its label lacks. @default nothing */
    readonly labelLacks?: LabelLacks
    /** Step to which the mass on a label is told, g. @default 1 */
    readonly labelStepG?: number
  },
  answers: ReleaseAnswers,
  today: Day,
): readonly ReleaseCheck[] {
  const { cureSchool = 'days' } = terms
  const cure = state.cut && cureProgress(state.cut.day, terms.cureDays, today)
  return [
    {
      key: 'cure',
      result: cure?.isOver ? 'passed' : cure && cureSchool === 'scale' ? 'note' : 'failed',
      finding: cure
        ? sentence('cure_day', {
            day: cure.dayNumber,
            of: cure.ofDays,
            isOver: cure.isOver ? 'yes' : 'no',
            readyDay: quantity.day(cure.readyDay),
          })
        : sentence('not_cut_yet'),
    },
    massCheck(state, terms.labelMassG, terms.labelStepG ?? 1, today),
    levelledCheck(state, cureSchool),
    faultsCheck(state),
    lotsCheck(terms.recalledLots ?? []),
    phCheck(answers.ph),
    {
      key: 'look',
      result: answers.lookIsSound ? 'passed' : 'open',
      finding: sentence('look_sound'),
    },
    labelCheck(terms.labelLacks, answers),
  ]
}

/** Whether every check that can hold a loaf back has passed. */
export function mayRelease(checks: readonly ReleaseCheck[]): boolean {
  return checks.every(({ result }) => result === 'passed' || result === 'note')
}
