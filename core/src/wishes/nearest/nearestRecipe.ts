import type { Highs } from 'highs'
import loadHighs from 'highs'
import type { Fat } from '../../fats'
import { fatOf } from '../../recipe'
import type { Wish, WishAnswer, WishProblem } from '../wish'
import { wishRow } from '../wish'
import { roundTo } from '../../units'

/** A new fat weighs a little more than a changed one, so that one is not brought in where the recipe's own will do. */
const newFatPenalty = 1e-3
/** Shares are rounded to this. */
const shareStep = 1e-4
/** A limit is kept by this much, so that rounding the shares does not break it. */
const margin = 2e-4

let highs: Promise<Highs> | undefined
/** The linear solver, loaded once. Its program is an asset of its own: WebAssembly. */
const solver = (): Promise<Highs> => (highs ??= loadHighs())

const figure = (value: number): string => value.toFixed(9)

interface Model {
  readonly fats: readonly Fat[]
  readonly before: readonly number[]
  readonly problem: WishProblem
}

/** The linear program in the text format that solvers read: shares s, how far they go up u and down d. */
function programOf({ fats, before, problem }: Model, wishes: readonly Wish[], locked: ReadonlySet<string>): string {
  const terms = (coefficients: readonly number[]): string =>
    coefficients.map((value, at) => `${value < 0 ? '-' : '+'} ${figure(Math.abs(value))} s${at}`).join(' ')
  const objective = fats.map((_, at) => `+ ${figure(1 + (before[at] === 0 ? newFatPenalty : 0))} u${at} + d${at}`)
  const rows = wishes.map((wish, index) => {
    const { coefficients, sense, limit } = wishRow(wish, fats, problem.cost)
    const scale = Math.max(1e-9, ...coefficients.map(Math.abs))
    const eased = sense === 'at_most' ? limit - (limit > 0 ? margin * scale : 0) : limit + margin * scale
    return ` w${index}: ${terms(coefficients)} ${sense === 'at_most' ? '<=' : '>='} ${figure(eased)}`
  })
  return [
    'Minimize',
    ` obj: ${objective.join(' ')}`,
    'Subject To',
    ` sum: ${fats.map((_, at) => `+ s${at}`).join(' ')} = 1`,
    ...fats.map((_, at) => ` c${at}: s${at} - u${at} + d${at} = ${figure(before[at] ?? 0)}`),
    ...rows,
    'Bounds',
    ...fats.map(({ key }, at) => (locked.has(key) ? ` s${at} = ${figure(before[at] ?? 0)}` : ` 0 <= s${at} <= 1`)),
    'End',
  ].join('\n')
}

/**
 * The recipe nearest to one's own that fulfils the wishes: the least mass of fats changed, as a linear program (HiGHS;
 * Huangfu and Hall, Mathematical Programming Computation 10, 2018). When there is none, a set of wishes that contradict
 * each other and of which none can be left out: found by leaving out one after the other (the deletion filter of
 * Chinneck and Dravnieks, ORSA Journal on Computing 3, 1991).
 *
 * @throws {RangeError} if a fat is not in the table
 */
export async function nearestRecipe(problem: WishProblem): Promise<WishAnswer> {
  const keys = [...new Set([...problem.fats.map(({ fatKey }) => fatKey), ...problem.mayAdd])]
  const fats = keys.map((key) => {
    const fat = fatOf(problem, key)
    if (!fat) throw new RangeError(`Expected a fat of the table, got ${key}`)
    return fat
  })
  const lineOf = new Map(problem.fats.map((line) => [line.fatKey, line]))
  const model: Model = { fats, before: keys.map((key) => lineOf.get(key)?.share ?? 0), problem }
  const lp = await solver()
  const solve = (wishes: readonly Wish[], locked: ReadonlySet<string>): readonly number[] | undefined => {
    const solution = lp.solve(programOf(model, wishes, locked))
    if (solution.Status !== 'Optimal') return undefined
    const columns = solution.Columns as Readonly<Record<string, { readonly Primal?: number }>>
    return fats.map((_, at) => columns[`s${at}`]?.Primal ?? 0)
  }

  const locked = new Set(problem.locked)
  const shares = solve(problem.wishes, locked)
  if (!shares) {
    let left = problem.wishes.map((_, index) => index)
    for (const index of [...left]) {
      const without = left.filter((other) => other !== index)
      if (
        !solve(
          without.map((at) => problem.wishes[at]!),
          locked,
        )
      )
        left = without
    }
    const alone = left.map((at) => problem.wishes[at]!)
    return { kind: 'contradiction', wishes: left, locksStand: locked.size > 0 && solve(alone, new Set()) !== undefined }
  }

  const rounded = shares.map((share) => Math.round(share / shareStep) * shareStep)
  const largest = rounded.indexOf(Math.max(...rounded.map((share, at) => (locked.has(keys[at] ?? '') ? 0 : share))))
  const dust = 1 - rounded.reduce((sum, share) => sum + share, 0)
  const whole = rounded.map((share, at) => roundTo(at === largest ? share + dust : share, 4))
  return {
    kind: 'nearest',
    fats: keys.flatMap((fatKey, at) => {
      const share = whole[at] ?? 0
      return share > 0 ? [{ ...lineOf.get(fatKey), fatKey, share }] : []
    }),
    changed: whole.reduce((sum, share, at) => sum + Math.abs(share - (model.before[at] ?? 0)), 0) / 2,
  }
}
