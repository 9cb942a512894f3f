import { roundTo } from '../units'

/** A share as it is kept: to a hundredth of a percent, from 0. */
export const roundShare = (share: number): number => roundTo(Math.max(0, share), 4)
/** What is nearer to nothing than this is nothing. */
const least = 1e-3

const sumOf = (shares: readonly number[]): number => shares.reduce((sum, share) => sum + share, 0)

/** Shares in the proportions given that make up `whole`, each to a hundredth of a percent; the largest takes what that leaves over. */
export function inProportion(parts: readonly number[], whole: number): readonly number[] {
  const total = sumOf(parts)
  const shares = parts.map((part) => roundShare(total > 0 ? (part / total) * whole : whole / parts.length))
  const largest = shares.indexOf(Math.max(...shares))
  const dust = whole - sumOf(shares)
  return shares.map((share, at) => (at === largest ? roundShare(share + dust) : share))
}

/** So many equal shares of one whole, to a hundredth of a percent. @throws {RangeError} if `count` is no whole number from 1 */
export function evenShares(count: number): readonly number[] {
  if (!Number.isInteger(count) || count < 1) throw new RangeError(`Expected a whole number from 1, got ${count}`)
  return inProportion(new Array<number>(count).fill(1), 1)
}

/** The shares with one more, which takes what they leave; where they leave nothing, all make room for it in proportion. */
export function withOneMore(shares: readonly number[]): readonly number[] {
  const left = 1 - sumOf(shares)
  if (left > least) return [...shares, roundShare(left)]
  const others = inProportion(shares, shares.length / (shares.length + 1))
  return [...others, roundShare(1 - sumOf(others))]
}

/** The shares without one: those that stay take its part in proportion where they made a whole with it. */
export function withoutOne(shares: readonly number[], index: number): readonly number[] {
  const rest = shares.filter((_, at) => at !== index)
  const wasWhole = Math.abs(1 - sumOf(shares)) <= least
  return wasWhole && rest.length > 0 ? inProportion(rest, 1) : rest
}

/** Shares of a whole added up; one that is not filled in yet counts nothing. */
export const sumOfShares = (parts: readonly { readonly share?: number | undefined }[]): number =>
  parts.reduce((sum, part) => sum + (typeof part?.share === 'number' ? part.share : 0), 0)
