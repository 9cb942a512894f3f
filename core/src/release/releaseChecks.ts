import type { Day } from '../calendar'
import { daysBetween, formatDay } from '../calendar'
import { cureProgress, hasLevelledOff, inOrder } from '../cure'
import type { LoafState } from '../loaf'
import type { Range } from '../units'
import { formatQuantity, isWithin } from '../units'

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
  readonly key: 'cure' | 'mass' | 'levelled' | 'ph' | 'look' | 'label'
  readonly title: string
  /** `open`: not known yet. `note`: does not hold the loaf back. */
  readonly result: 'passed' | 'failed' | 'open' | 'note'
  readonly finding: string
}

const grams = (massG: number): string => formatQuantity('mass', massG, { digits: 0 })

function massCheck(state: LoafState, labelMassG: number, today: Day): ReleaseCheck {
  const last = inOrder(state.weighIns).at(-1)
  const title = 'Mass against the label'
  if (!last) return { key: 'mass', title, result: 'open', finding: 'No bar has been weighed yet.' }
  const age = daysBetween(last.day, today)
  if (age > freshWeighInDays) {
    return {
      key: 'mass',
      title,
      result: 'open',
      finding: `The last weighing is ${age} days old. Weigh the marked bar again.`,
    }
  }
  const enough = last.massG >= labelMassG
  return {
    key: 'mass',
    title,
    result: enough ? 'passed' : 'failed',
    finding: `${formatQuantity('mass', last.massG)} on ${formatDay(last.day, today)}; the label says ${grams(labelMassG)}.`,
  }
}

function levelledCheck(state: LoafState): ReleaseCheck {
  const levelled = hasLevelledOff(state.weighIns)
  const finding =
    levelled === undefined
      ? 'Too few weighings to tell.'
      : levelled
        ? 'Lost less than 0.5 % in the last 7 days.'
        : 'Still losing 0.5 % or more in 7 days: it will weigh less on the shelf.'
  return { key: 'levelled', title: 'Levelled off', result: levelled ? 'passed' : 'note', finding }
}

function phCheck(ph: number | null): ReleaseCheck {
  const title = 'pH'
  const span = `${releasePhRange.min} to ${releasePhRange.max} is usual (estimate; a strip is a rough measure)`
  if (ph === null) return { key: 'ph', title, result: 'open', finding: `Enter what the strip shows; ${span}.` }
  return { key: 'ph', title, result: isWithin(ph, releasePhRange) ? 'passed' : 'failed', finding: `pH ${ph}; ${span}.` }
}

/**
 * The checks before a loaf's bars may go: cure, mass and levelling off computed, pH, look and label as answered.
 *
 * @param labelMassG mass on the label, g
 * @throws {RangeError} if a day is no day
 */
export function releaseChecks(
  state: LoafState,
  terms: { readonly cureDays: number; readonly labelMassG: number },
  answers: ReleaseAnswers,
  today: Day,
): readonly ReleaseCheck[] {
  const cure = state.cut && cureProgress(state.cut.day, terms.cureDays, today)
  return [
    {
      key: 'cure',
      title: 'Cure',
      result: cure?.isOver ? 'passed' : 'failed',
      finding: cure
        ? `Day ${cure.dayNumber} of ${cure.ofDays}${cure.isOver ? '' : `; over on ${formatDay(cure.readyDay, today)}`}.`
        : 'Not cut yet.',
    },
    massCheck(state, terms.labelMassG, today),
    levelledCheck(state),
    phCheck(answers.ph),
    {
      key: 'look',
      title: 'Look',
      result: answers.lookIsSound ? 'passed' : 'open',
      finding: 'No orange spots, ash, cracks or soft core.',
    },
    {
      key: 'label',
      title: 'Label',
      result: answers.labelIsComplete ? 'passed' : 'open',
      finding: 'Complete, and cleared as local law asks; a licensed assessor decides where one is required.',
    },
  ]
}

/** Whether every check that can hold a loaf back has passed. */
export function mayRelease(checks: readonly ReleaseCheck[]): boolean {
  return checks.every(({ result }) => result === 'passed' || result === 'note')
}
