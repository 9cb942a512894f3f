import type { SavedIngredient, SavedWorkshop } from '@vendange/contract'
import type { Day } from '@vendange/core/calendar'
import { formatDay } from '@vendange/core/calendar'
import { usualStock } from '@vendange/core/release'
import type { Lot } from '@vendange/core/stores'
import { codeOfDelivery } from '@vendange/core/stores'
import type { CardSheet } from '../parts/cardsPdf'

const codeMm = 34

/** A card for each delivery of an ingredient: what it is, where it came from, until when it is good, and its code. */
export const lotCardSheet = (
  { name }: Pick<SavedIngredient, 'name'>,
  lots: readonly Lot[],
  { lengthUnit }: Pick<SavedWorkshop, 'lengthUnit'>,
  today: Day,
): CardSheet => ({
  title: `Lot cards of ${name}`,
  stock: usualStock(lengthUnit, 'cards'),
  codeMm,
  cards: lots.map((lot) => {
    const lines = [
      lot.supplier,
      `Came on ${formatDay(lot.receivedDay, today)}`,
      lot.bestBeforeDay === null ? '' : `Best before ${formatDay(lot.bestBeforeDay, today)}`,
      lot.isRecalled ? 'CALLED BACK BY ITS SUPPLIER: do not use' : '',
    ]
    return {
      text: [
        { text: name, bold: true, fontSize: 15 },
        { text: `\n${lot.lotNumber === '' ? 'Lot without a number' : `Lot ${lot.lotNumber}`}`, fontSize: 12 },
        { text: `\n${lines.filter((line) => line !== '').join('\n')}`, fontSize: 9 },
      ],
      code: codeOfDelivery(lot.id),
    }
  }),
})
