import type { RunSheetStep, WeightRow } from '@vendange/core/batch'
import { weighsAdditive } from '@vendange/core/batch'
import { quantity } from '@vendange/core/findings'
import { quantityWords } from './quantityWords'
import type { Reading } from './reading'

/** The mass of a line of a batch's list of weights, as the scale it is weighed on shows it. */
export function weightRowMass({ part, massG }: WeightRow, reading: Reading): string {
  const isFine = part === 'additive' || part === 'wetting_water'
  return quantityWords(isFine ? quantity.fineMass(massG) : quantity.mass(massG), reading)
}

/** A step's figure as its scale or probe would show it; nothing for a tick. */
export function stepFigure(step: Pick<RunSheetStep, 'key' | 'kind'>, value: number | null, reading: Reading): string {
  if (value === null || step.kind === 'tick') return ''
  if (step.kind === 'temperature') return quantityWords(quantity.temperature(value), reading)
  return quantityWords(weighsAdditive(step) ? quantity.fineMass(value) : quantity.mass(value), reading)
}
