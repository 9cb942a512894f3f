import type { SectionPoint } from '@vendange/core/pour'

/** A path as a maker can type it: “18 56, 18 10”, mm from the left and from the base. */
export function pathText(path: readonly SectionPoint[]): string {
  return path.map(({ xMm, yMm }) => `${xMm} ${yMm}`).join(', ')
}

/** The path that was typed; undefined where it cannot be read. */
export function pathOfText(text: string): SectionPoint[] | undefined {
  const points = text
    .split(/[,;\n]/)
    .map((part) => part.trim())
    .filter((part) => part !== '')
    .map((part) => part.split(/\s+/).map(Number))
  if (points.some((point) => point.length !== 2 || point.some((mm) => !Number.isFinite(mm)))) return undefined
  return points.map(([xMm = 0, yMm = 0]) => ({ xMm, yMm }))
}
