import { useUnits } from '@/parts/format'
import type { RunSheetStep } from '@vendange/core/batch'
import { stepFigure } from '@vendange/words'

/** Writes a step's figure as its scale or probe would show it; nothing for a tick. */
export function useStepFigure() {
  const { reading } = useUnits()
  return (step: Pick<RunSheetStep, 'key' | 'kind'>, value: number | null): string =>
    stepFigure(step, value, reading.value)
}
