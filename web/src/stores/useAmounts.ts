import { useUnits } from '@/parts/format'
import { useSeason } from '@/parts/seasonStore'
import type { IngredientKind } from '@vendange/core/stores'
import { isCounted } from '@vendange/core/stores'
import { formatQuantity } from '@vendange/core/units'

/** From here on grams are read as kilos. */
const kiloFromG = 10_000

/** How the stores write an amount: pieces, or a mass, a large one in kilos where grams are read. */
export function useAmounts() {
  const season = useSeason()
  const { fineMass } = useUnits()
  return (kind: IngredientKind, amount: number): string => {
    if (isCounted(kind)) return `${Math.round(amount)} pcs`
    if (amount >= kiloFromG && season.workshop?.massUnit === 'g') return formatQuantity('mass', amount, { unit: 'kg' })
    return fineMass(amount)
  }
}
