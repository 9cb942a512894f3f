import { useUnits } from '@/parts/format'
import { labelStocks } from '@vendange/core/release'
import { computed } from 'vue'

/** The sheets to choose from: "A4, 2 × 7 of 99 mm × 38 mm". */
export function useLabelStocks() {
  const { show } = useUnits()
  return computed(() =>
    labelStocks.map(({ key, paper, columns, rows, labelWidthMm, labelHeightMm }) => ({
      value: key,
      title: `${paper}, ${columns} × ${rows} of ${show('length', labelWidthMm)} × ${show('length', labelHeightMm)}`,
    })),
  )
}
