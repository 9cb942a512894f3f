import type { Param, Sentence } from '../findings'
import { quantity, sentence, sentences } from '../findings'
import type { BatchPlan } from './batchPlan'
import type { PlannedMove } from './plannedMove'
import { clockKeys } from './pourClock'
import type { RunSheetStep } from './steps'
import { moveStepKey, tick, weigh } from './steps'

/** The pots that a move takes from, each with a mass, g. */
function potMasses({ weights }: BatchPlan, of: readonly { readonly pot: number; readonly massG: number }[]): Param[] {
  return of.map(({ pot, massG }) => {
    const name = weights.pots[pot]?.colour.name ?? ''
    return massG > 0
      ? sentence('pot_mass', { pot: name, mass: quantity.mass(massG) })
      : sentence('pot_is_empty', { pot: name })
  })
}

/** Where and how: what a move asks for besides its pots. */
function figureSentences({ kind, figures, propMm }: PlannedMove): readonly Sentence[] {
  const { angleDeg, fallMm, xMm, yMm, sizeMm, count, peakMm } = figures
  const told: (Sentence | undefined)[] = [
    angleDeg === undefined || angleDeg === 0
      ? undefined
      : sentence('move_prop', {
          side: angleDeg > 0 ? 'right' : 'left',
          angle: quantity.figure(Math.abs(angleDeg), 1),
          prop: quantity.length(propMm ?? 0),
        }),
    fallMm === undefined ? undefined : sentence('move_fall', { fall: quantity.length(fallMm) }),
    xMm === undefined ? undefined : sentence('move_from_left', { place: quantity.length(xMm) }),
    yMm === undefined ? undefined : sentence('move_above_base', { place: quantity.length(yMm) }),
    sizeMm === undefined ? undefined : sentence('move_size', { size: quantity.length(sizeMm) }),
    count === undefined ? undefined : sentence('move_count', { kind, count }),
    peakMm === undefined ? undefined : sentence('move_peaks', { peaks: quantity.length(peakMm) }),
  ]
  return told.filter((one) => one !== undefined)
}

/** Which part of each pot is left after so many moves. */
function partsLeft(moves: readonly PlannedMove[], pots: number): readonly number[] {
  const left = new Array<number>(pots).fill(1)
  for (const move of moves) for (const { pot, part } of move.pots) left[pot] = (left[pot] ?? 0) - part
  // What is left of sums of thirds is nothing.
  return left.map((part) => (part > 1e-4 ? part : 0))
}

/**
 * The moves of a pour, one step for each: what of which pot, at which trace, after which wait, and what is left then.
 * Masses are those of the pots as they stand.
 */
export function moveSteps(plan: BatchPlan): readonly RunSheetStep[] {
  const { moves = [], weights, mouldCount } = plan
  const mouldsInAll = plan.moulds?.reduce((sum, { count }) => sum + count, 0) ?? mouldCount
  return moves.map((move, index) => {
    const taken = move.pots.map(({ pot, part }) => ({ pot, massG: part * (weights.pots[pot]?.batterG ?? 0) }))
    const left = partsLeft(moves.slice(0, index + 1), weights.pots.length)
    const leftIn = [...new Set(move.pots.map(({ pot }) => pot))].map((pot) => ({
      pot,
      massG: (left[pot] ?? 0) * (weights.pots[pot]?.batterG ?? 0),
    }))
    const hasPots = taken.length > 0 && weights.pots.length > 0
    const { kind, powder, trace, waitMin } = move
    const detail = sentences(
      waitMin > 0 ? sentence('move_wait', { minutes: waitMin }) : '',
      trace === null ? '' : sentence('move_trace', { trace }),
      ...figureSentences(move),
      powder ? sentence('move_dust', { powder: powder.name, isNamed: powder.name === '' ? 'no' : 'yes' }) : '',
      hasPots && mouldsInAll > 1
        ? sentence('move_into_each', {
            moulds: mouldsInAll,
            pots: potMasses(
              plan,
              taken.map(({ pot, massG }) => ({ pot, massG: massG / mouldsInAll })),
            ),
          })
        : '',
      hasPots ? sentence('move_leaves', { pots: potMasses(plan, leftIn) }) : '',
    )
    const number = index + 1
    const words = {
      name: sentence('move_name', { number, kind }),
      title: hasPots
        ? sentence('move_from_pots', { number, kind, pots: potMasses(plan, taken) })
        : sentence('move_name', { number, kind }),
      detail: sentence('several', { sentences: detail }),
    }
    return powder ? weigh(moveStepKey(index), 'pour', powder.massG, words) : tick(moveStepKey(index), 'pour', words)
  })
}

/** The move that a step is of, by its place in the pour plan; undefined for another step. */
export function moveOfStep(stepKey: string): number | undefined {
  const place = /^move:(\d+)$/.exec(stepKey)?.[1]
  return place === undefined ? undefined : Number(place)
}

/** Whether a step is a move that a pour leaves out once it has fallen back to something simpler. */
export function isLeftOut(stepKey: string, done: ReadonlyMap<string, number | null>): boolean {
  return moveOfStep(stepKey) !== undefined && done.has(clockKeys.fallback) && !done.has(stepKey)
}
