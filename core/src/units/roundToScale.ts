import { withoutDust } from './roundTo'
import type { Range } from './range'
import { assertWithin } from './range'

/** Smallest steps that workshop scales show, in g. */
export const scaleResolutionRange: Range = { min: 0.01, max: 50 }

/** The mass nearest to `massG` that a scale of this resolution can show, both in g. @throws {RangeError} */
export function roundToScale(massG: number, resolutionG: number): number {
  assertWithin('resolutionG', resolutionG, scaleResolutionRange)
  return withoutDust(Math.round(massG / resolutionG) * resolutionG)
}

/** The largest mass not above `massG` that a scale of this resolution can show, both in g. @throws {RangeError} */
export function floorToScale(massG: number, resolutionG: number): number {
  assertWithin('resolutionG', resolutionG, scaleResolutionRange)
  return withoutDust(Math.floor(massG / resolutionG + 1e-9) * resolutionG)
}
