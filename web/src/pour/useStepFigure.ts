import { useUnits } from '@/parts/format'
import type { RunSheetStep } from '@vendange/core/batch'

/** Writes a step's figure as its scale or probe would show it; nothing for a tick. */
export function useStepFigure() {
  const { show, weighed } = useUnits()
  return ({ kind }: Pick<RunSheetStep, 'kind'>, value: number | null): string =>
    value === null ? '' : kind === 'temperature' ? show('temperature', value) : weighed(value)
}
