import type { Day } from '../calendar'
import { daysBetween, formatDay } from '../calendar'
import { cureProgress, hasLevelledOff, inOrder } from '../cure'
import type { FaultKey } from '../cutting'
import { faults } from '../cutting'
import type { LoafState } from '../loaf'
import type { CureSchool } from '../recipe'
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
  readonly key: 'cure' | 'mass' | 'levelled' | 'ph' | 'look' | 'label' | 'faults' | 'lots'
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

function levelledCheck(state: LoafState, cureSchool: CureSchool): ReleaseCheck {
  const levelled = hasLevelledOff(state.weighIns)
  const finding =
    levelled === undefined
      ? 'Too few weighings to tell.'
      : levelled
        ? 'Lost less than 0.5 % in the last 7 days.'
        : 'Still losing 0.5 % or more in 7 days: it will weigh less on the shelf.'
  // Where the recipe goes by the scale, a bar that still loses holds its loaf back.
  const against = cureSchool === 'days' ? 'note' : levelled === undefined ? 'open' : 'failed'
  return { key: 'levelled', title: 'Levelled off', result: levelled ? 'passed' : against, finding }
}

function faultsCheck({ openFaults }: LoafState): ReleaseCheck {
  const grave = openFaults.filter((key) => faults[key].holdsBack)
  const names = (of: readonly FaultKey[]): string => of.map((key) => faults[key].name).join(', ')
  const title = 'Faults'
  if (grave.length > 0) return { key: 'faults', title, result: 'failed', finding: `${names(grave)}: close it first.` }
  if (openFaults.length > 0)
    return { key: 'faults', title, result: 'note', finding: `Open: ${names(openFaults)}. Tell the buyer, or close it.` }
  return { key: 'faults', title, result: 'passed', finding: 'None open.' }
}

function lotsCheck(recalledLots: readonly string[]): ReleaseCheck {
  const title = 'Lots'
  return recalledLots.length > 0
    ? { key: 'lots', title, result: 'failed', finding: `Called back by its supplier: ${recalledLots.join(', ')}.` }
    : { key: 'lots', title, result: 'passed', finding: 'No lot in it was called back.' }
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
  terms: {
    readonly cureDays: number
    readonly labelMassG: number
    /** Lots in it that their supplier called back. @default none */
    readonly recalledLots?: readonly string[]
    /** When the recipe holds a cure to be over. @default days */
    readonly cureSchool?: CureSchool
  },
  answers: ReleaseAnswers,
  today: Day,
): readonly ReleaseCheck[] {
  const { cureSchool = 'days' } = terms
  const cure = state.cut && cureProgress(state.cut.day, terms.cureDays, today)
  return [
    {
      key: 'cure',
      title: 'Cure',
      result: cure?.isOver ? 'passed' : cure && cureSchool === 'scale' ? 'note' : 'failed',
      finding: cure
        ? `Day ${cure.dayNumber} of ${cure.ofDays}${cure.isOver ? '' : `; over on ${formatDay(cure.readyDay, today)}`}.`
        : 'Not cut yet.',
    },
    massCheck(state, terms.labelMassG, today),
    levelledCheck(state, cureSchool),
    faultsCheck(state),
    lotsCheck(terms.recalledLots ?? []),
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
