import { createClient as openFile } from '@libsql/client'
import type { SeasonView, ShopOffer, StoresView } from '@vendange/contract'
import { barsToOffer, isDoneWith, loafState, stateAfter } from '@vendange/core/loaf'
import type { LoafEvent, LoafState } from '@vendange/core/loaf'
import { cleanAmount, leftOfLot } from '@vendange/core/stores'
import { isDeepStrictEqual } from 'node:util'
import { send } from './send'
import { textOf } from '../server/src/db/textOf'

/** What of a workshop's history may never change again, as it was seen last. */
export interface Remembered {
  /** Events of each loaf, as text, in their order. */
  readonly events: Map<string, readonly string[]>
}

export const nothingRemembered = (): Remembered => ({ events: new Map() })

interface EventRow {
  readonly loafId: string
  readonly sequence: number
  readonly text: string
}

const asJson = (value: unknown): unknown => JSON.parse(JSON.stringify(value))

/** What of a loaf's state cannot be: more bars out of it than went in, or more sold than were set aside. */
function oversold(state: LoafState): string | undefined {
  const cut = state.cut?.bars ?? 0
  const out = state.channels.reduce((sum, { allotted }) => sum + allotted, 0)
  if (state.releasedBars > cut) return `${state.releasedBars} released of ${cut}`
  if (out > state.releasedBars) return `${out} set aside of ${state.releasedBars}`
  const channel = state.channels.find(({ sold, allotted }) => sold > allotted || sold < 0 || allotted < 0)
  return channel && `${channel.channel}: ${channel.sold} sold of ${channel.allotted}`
}

function brokenLoaf(lot: string, events: readonly LoafEvent[], kept: LoafState | null): readonly string[] {
  const broken: string[] = []
  let state = loafState([])
  for (const event of events) {
    state = stateAfter(state, event)
    const over = oversold(state)
    if (over !== undefined) broken.push(`${lot} after ${event.type}: ${over}`)
  }
  if (kept !== null && !isDeepStrictEqual(asJson(kept), asJson(state)))
    broken.push(`${lot}: what is kept of it is not what its events come to`)
  if (isDoneWith(state) && state.status === 'in_mould') broken.push(`${lot}: done with in its mould`)
  return broken
}

/** Looks into the file itself. @returns what does not hold */
async function brokenInFile(file: string, remembered: Remembered): Promise<readonly string[]> {
  const client = openFile({ url: `file:${file}` })
  const broken: string[] = []
  try {
    const ask = async (sql: string) => (await client.execute(sql)).rows
    const [check] = await ask('PRAGMA quick_check(1)')
    if (check?.['quick_check'] !== 'ok') broken.push(`The database is not sound: ${textOf(check?.['quick_check'])}`)
    for (const row of await ask('PRAGMA foreign_key_check')) broken.push(`Points at nothing: ${JSON.stringify(row)}`)
    const rows = (await ask(
      'SELECT loaf_id AS loafId, sequence, happening AS text FROM loaf_events ORDER BY loaf_id, sequence',
    )) as unknown as readonly EventRow[]
    const byLoaf = new Map<string, string[]>()
    for (const { loafId, sequence, text } of rows) {
      const own = byLoaf.get(loafId) ?? []
      byLoaf.set(loafId, own)
      own.push(text)
      if (own.length !== sequence) broken.push(`${loafId}: event ${sequence} stands in place ${own.length}`)
    }
    for (const loaf of await ask('SELECT id, lot_code, state FROM loaves')) {
      const events = (byLoaf.get(textOf(loaf['id'])) ?? []).map((text) => JSON.parse(text) as LoafEvent)
      const kept = loaf['state'] === null ? null : (JSON.parse(textOf(loaf['state'])) as LoafState)
      broken.push(...brokenLoaf(textOf(loaf['lot_code']), events, kept))
    }
    for (const [loafId, before] of remembered.events) {
      const now = byLoaf.get(loafId) ?? []
      if (before.some((text, at) => now[at] !== text)) broken.push(`${loafId}: its history changed`)
    }
    for (const [loafId, now] of byLoaf) remembered.events.set(loafId, now)
    const used = await ask(
      'SELECT lots.lot_number AS lot, lots.used_amount AS kept, sum(lot_uses.amount) AS amount FROM lots LEFT JOIN lot_uses ON lot_uses.lot_id = lots.id GROUP BY lots.id',
    )
    for (const { lot, kept, amount } of used)
      if (cleanAmount(Number(kept)) !== cleanAmount(Number(amount ?? 0)))
        broken.push(`Lot ${textOf(lot)}: ${textOf(kept)} used, its steps took ${textOf(amount)}`)
    const twice = await ask(
      "SELECT happening ->> '$.saleId' AS sale, count(DISTINCT happening ->> '$.day') AS days FROM loaf_events WHERE happening ->> '$.type' = 'sold' GROUP BY 1 HAVING days > 1",
    )
    for (const { sale } of twice) broken.push(`Sale ${textOf(sale)} was taken twice`)
  } finally {
    client.close()
  }
  return broken
}

async function read<T>(url: string, path: string): Promise<T> {
  const { status, bytes } = await send(url, { method: 'GET', path, headers: {} })
  if (status !== 200) throw new Error(`${path} answers ${status}`)
  return JSON.parse(bytes.toString()) as T
}

/** What the pages are told, held against each other. @returns what does not hold */
async function brokenInAnswers(url: string): Promise<readonly string[]> {
  const broken: string[] = []
  const season = await read<SeasonView>(url, '/api/season')
  const stores = await read<StoresView>(url, '/api/stores')
  for (const lot of stores.lots)
    if (lot.leftAmount !== leftOfLot(lot, lot.usedAmount))
      broken.push(`Lot ${lot.lotNumber}: what is left does not add up`)
  if (season.makers.every(({ isRemoved }) => isRemoved)) broken.push('Nobody works here any more')
  for (const offer of await read<readonly ShopOffer[]>(url, '/api/shop/offers')) {
    if (offer.sold > offer.offered) broken.push(`${offer.name}: the shop sold ${offer.sold} of ${offer.offered}`)
    if (offer.reported > offer.sold) broken.push(`${offer.name}: more reported than sold`)
    const loaves = season.loaves.filter(({ designId }) => designId === offer.designId)
    // Bars that were called back or given elsewhere since are not counted against the offer: they are no longer sold.
    const sold = offer.sold - offer.reported
    if (barsToOffer(loaves, { offered: offer.sold, reported: offer.reported }) < 0 && sold > 0)
      broken.push(`${offer.name}: the shop sold what was not set aside`)
  }
  return broken
}

/** Everything that must hold whatever was asked. @returns what does not */
export async function brokenInvariants(url: string, file: string, remembered: Remembered): Promise<readonly string[]> {
  return [...(await brokenInFile(file, remembered)), ...(await brokenInAnswers(url))]
}
