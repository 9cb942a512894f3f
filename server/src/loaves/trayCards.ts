import type { LoafSummary, SavedWorkshop } from '@vendange/contract'
import { addDays, formatDay } from '@vendange/core/calendar'
import { codeOfLot, codeOfRack, photoCureDays, trayLoads, weighInEveryDays } from '@vendange/core/cure'
import { unreleasedBars } from '@vendange/core/loaf'
import { usualStock } from '@vendange/core/release'
import type { CardSheet } from '../parts/cardsPdf'

const codeMm = 34

/** A card for each tray of a loaf: what stands on it, until when, what it asks, and a code to put it down by. */
export function trayCardSheet(loaf: LoafSummary, { barsPerTray, lengthUnit }: SavedWorkshop, today: string): CardSheet {
  const cutDay = loaf.state.cut?.day
  const loads = trayLoads(cutDay === undefined ? loaf.barsPlanned : unreleasedBars(loaf.state), barsPerTray)
  const on = (day: string): string => formatDay(day, today)
  const lines =
    cutDay === undefined
      ? ['Not cut yet']
      : [
          `Cut on ${on(cutDay)}`,
          `Cured on ${on(addDays(cutDay, loaf.cureDays))}, day ${loaf.cureDays}`,
          `Weigh and turn every ${weighInEveryDays} days, photograph on days ${photoCureDays.join(', ')}`,
        ]
  return {
    title: `Tray cards of lot ${loaf.lotCode}`,
    stock: usualStock(lengthUnit, 'cards'),
    codeMm,
    cards: loads.map((bars, at) => ({
      text: [
        { text: loaf.name, bold: true, fontSize: 15 },
        { text: `\n${loaf.lotCode}`, fontSize: 12 },
        { text: `\nTray ${at + 1} of ${loads.length}: ${bars === 1 ? '1 bar' : `${bars} bars`}`, fontSize: 11 },
        { text: `\n${lines.join('\n')}`, fontSize: 9 },
      ],
      code: codeOfLot(loaf.lotCode),
    })),
  }
}

/** A card for each rack, to put trays down by. */
export const rackCardSheet = ({ racks, lengthUnit }: SavedWorkshop): CardSheet => ({
  title: 'Rack cards',
  stock: usualStock(lengthUnit, 'cards'),
  codeMm,
  cards: racks.map(({ name, trays }) => ({
    text: [
      { text: name, bold: true, fontSize: 18 },
      { text: `\nRoom for ${trays === 1 ? '1 tray' : `${trays} trays`}`, fontSize: 11 },
    ],
    code: codeOfRack(name),
  })),
})
