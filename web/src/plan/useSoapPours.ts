import { usePours } from '@/parts/pourActions'
import { useSeason } from '@/parts/seasonStore'
import { useUnits } from '@/parts/format'
import type { BatchSummary } from '@vendange/contract'
import type { PourPart } from '@vendange/core/batch'
import { formatDay } from '@vendange/core/calendar'
import type { PlacedParts } from '@vendange/core/season'
import { placePours } from '@vendange/core/season'
import { counted } from '@vendange/words'

/** Days for the pours of a soap that is poured in several, told before they are taken. */
export function useSoapPours() {
  const season = useSeason()
  const { say } = useUnits()
  const { planSoap, plannedOf } = usePours()

  /** Where parts of a soap find room. @param keepsPlanned whether what is planned of it stays beside them */
  const place = (designId: string, parts: readonly PourPart[], keepsPlanned = false): PlacedParts | undefined =>
    season.view && placePours(season.view, designId, parts, season.mouldNames, keepsPlanned)

  /** "2 loaves Sat 20 Mar and 2 loaves Tue 23 Mar"; else why one of them finds no day. */
  function placeWords(placed: PlacedParts | undefined): string {
    if (!placed) return 'Choose its recipe first.'
    if (!placed.parts) return placed.why.map(say).join(' ') || 'There is no free day for all of them.'
    const each = placed.parts.map(({ part, pourDay, slackDays }) => {
      const late = slackDays < 0 ? ` (${counted(-slackDays, 'day')} late)` : ''
      return `${counted(part.mouldCount, 'loaf', 'loaves')} ${formatDay(pourDay, season.today)}${late}`
    })
    return new Intl.ListFormat('en', { type: 'conjunction' }).format(each)
  }

  /** Puts parts on the days found for them. @param replaced the planned pours in whose place they come */
  async function take(
    designId: string,
    placed: PlacedParts | undefined,
    replaced: readonly BatchSummary[] = plannedOf(designId),
  ): Promise<void> {
    if (!placed?.parts) return
    const pours = placed.parts.map(({ part, pourDay, cutDay }) => ({ part, pourDay, cutDay, isPinned: false }))
    const name = season.design(designId)?.name ?? ''
    await planSoap(designId, pours, replaced, `${name}: ${placeWords(placed)}`)
  }

  return { place, placeWords, take }
}
