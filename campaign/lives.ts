import type { BatchView, LoafView, NewLoafEvent, SeasonView } from '@vendange/contract'
import { pourSession } from '@vendange/core/batch'
import { saleChannels } from '@vendange/core/loaf'
import type { Dice } from './dice'
import { hostileMessage } from './messages'
import type { Answer, Throw } from './send'
import type { WorkshopSeen } from './workshopSeen'
import { seeWorkshop } from './workshopSeen'

/** Sends one message of a life, now and then spoiled or sent twice. @returns its reply where it succeeded */
type Tell = <Reply>(method: string, path: string, message?: unknown) => Promise<Reply | undefined>

const isGood = (answer: Answer | undefined): answer is Answer => answer !== undefined && answer.status < 300

function teller(dice: Dice, throwOne: Throw, makerId: string): Tell {
  return async <Reply>(method: string, path: string, message?: unknown) => {
    const isSpoiled = message !== undefined && dice.chance(0.08)
    const body = message === undefined ? undefined : JSON.stringify(isSpoiled ? hostileMessage(dice, message) : message)
    const headers = { 'X-Vendange-Maker': dice.chance(0.01) ? 'nobody' : makerId, 'Content-Type': 'application/json' }
    const thrown = { method, path, headers, ...(body === undefined ? {} : { body }) }
    if (dice.chance(0.03)) await throwOne(thrown)
    const answer = await throwOne(thrown)
    return isGood(answer) ? (JSON.parse(answer.bytes.toString()) as Reply) : undefined
  }
}

/** Steps at the bench to the end, or as far as they are taken. @returns the loaves that came of it */
async function pour(dice: Dice, tell: Tell, batchId: string, isOver: () => boolean): Promise<readonly string[]> {
  let view = await tell<BatchView>('GET', `/api/batches/${batchId}`)
  for (let tries = 0; view && tries < 120 && !isOver(); tries++) {
    const state = pourSession(view.plan, view.records)
    const step = dice.chance(0.04) ? dice.one(state.steps) : state.steps[state.nextIndex]
    if (!step) break
    const target = step.target ?? null
    const actual = target === null ? null : dice.chance(0.1) ? target * dice.one([0, 0.5, 1.02, 2, 1e6]) : target
    const message = { stepKey: step.key, actual, recordId: `r-${dice.whole(0, 2 ** 31)}`, seen: view.records.length }
    view = (await tell<BatchView>('POST', `/api/batches/${batchId}/steps`, message)) ?? view
  }
  return (await tell<BatchView>('POST', `/api/batches/${batchId}/finish`))?.loafIds ?? []
}

/** What may be told of a loaf as it stands, with a thing out of its order now and then. */
function somethingThatHappened(dice: Dice, { loaf }: LoafView, seen: WorkshopSeen): NewLoafEvent {
  const { state, version } = loaf
  const day = seen.today
  const bars = dice.chance(0.1) ? dice.whole(1, 5000) : Math.max(1, Math.min(loaf.barsPlanned, dice.whole(1, 40)))
  const massG = dice.chance(0.2) ? dice.whole(1, 9000) : dice.whole(1, 200)
  const next: Readonly<Record<string, NewLoafEvent>> = {
    in_mould: { type: 'unmoulded', day, version },
    unmoulded: {
      type: 'cut',
      day,
      version,
      bars,
      ends: dice.whole(0, 3),
      firstBarG: dice.whole(60, 160),
      bevelled: false,
    },
    curing: {
      type: 'released',
      day,
      version,
      bars: Math.min(bars, state.cut?.bars ?? 1),
      ph: 9,
      lookIsSound: true,
      labelIsComplete: true,
      overrideReason: 'Tried by hand',
    },
  }
  const others: readonly NewLoafEvent[] = [
    { type: 'weighed', day, version, barG: dice.whole(60, 160) },
    { type: 'moved', day, version, place: 'North rack' },
    { type: 'noted', day, version, text: 'Looks well' },
    { type: 'scrapped', day, version, massG, colour: 'amber', hex: '#D99A3C' },
    { type: 'scrap_used', day, version, massG, colour: 'amber', use: 'Confetti' },
    { type: 'fault_found', day, version, fault: 'ash', text: '' },
    { type: 'fault_closed', day, version, fault: 'ash', text: 'Steamed' },
    { type: 'finished', day, version, finish: 'bevelled', bars, minutes: 20, removedG: null },
    { type: 'downgraded', day, version, bars, to: 'samples', reason: 'Chipped' },
    { type: 'given_back', day, version, bars, channel: dice.one(saleChannels), reason: '' },
    { type: 'held', day, version, reason: 'Soft' },
    { type: 'amended', day, version, subject: 'cut', text: 'One more bar' },
    ...(dice.chance(0.15) ? ([{ type: 'recalled', day, version, reason: 'Lye heavy' }] as const) : []),
    ...(dice.chance(0.1) ? ([{ type: 'failed', day, version, reason: 'Cracked' }] as const) : []),
  ]
  const expected = next[state.status]
  return expected !== undefined && dice.chance(0.5) ? expected : dice.one(others)
}

async function cureAndRelease(dice: Dice, tell: Tell, seen: WorkshopSeen, loafId: string): Promise<void> {
  let view = await tell<LoafView>('GET', `/api/loaves/${loafId}`)
  for (let tries = 0; view && tries < 14; tries++)
    view =
      (await tell<LoafView>('POST', `/api/loaves/${loafId}/events`, somethingThatHappened(dice, view, seen))) ?? view
}

/** Bars set aside, offered, sold, and reported. */
async function sell(dice: Dice, tell: Tell, { today }: WorkshopSeen, designId: string): Promise<void> {
  const channel = (): string => dice.one(saleChannels)
  for (let times = dice.whole(2, 8); times > 0; times--) {
    const bars = dice.chance(0.1) ? dice.whole(1, 5000) : dice.whole(1, 6)
    const sale = {
      saleId: `s-${dice.whole(0, 400)}`,
      day: today,
      designId,
      lotCode: '',
      channel: channel(),
      bars,
      buyer: 'A buyer',
      priceCents: 700,
    }
    await dice.one([
      () => tell('POST', '/api/allotments', { designId, bars, channel: channel(), who: 'Quay market', orderId: null }),
      () => tell('POST', '/api/sales', { sales: [sale, { ...sale, saleId: `t-${dice.whole(0, 2 ** 31)}`, bars: 1 }] }),
      () => tell('POST', '/api/shop/offers', { designId, name: 'Lantern Glass', bars, priceCents: 700 }),
      () => tell('POST', `/api/shop/offers/${designId}/buy`, { bars, buyer: 'A buyer' }),
      () => tell('GET', '/api/shop/sales/0'),
    ])()
  }
}

/** Something of the workshop taken away or brought back while others work with it. */
async function takeAway(dice: Dice, tell: Tell, seen: WorkshopSeen): Promise<void> {
  const kind = dice.one([
    '/api/recipes',
    '/api/moulds',
    '/api/makers',
    '/api/collections',
    '/api/designs',
    '/api/ingredients',
    '/api/lots',
    '/api/batches',
    '/api/orders',
  ])
  const id = seen.idOf(kind)
  const taken = await tell<{ version: number }>('DELETE', `${kind}/${encodeURIComponent(id)}`, {
    version: seen.versionOf(id),
  })
  if (taken && dice.chance(0.9))
    await tell('POST', `${kind}/${encodeURIComponent(id)}/restore`, { version: taken.version })
}

/** One soap from its pour to its last buyer. */
export async function livesOf(url: string, dice: Dice, throwOne: Throw, isOver: () => boolean): Promise<void> {
  const seen = await seeWorkshop(url, dice)
  const tell = teller(dice, throwOne, seen.makerId)
  const season = await tell<SeasonView>('GET', '/api/season')
  const ready = season?.designs.filter(({ recipeId, mouldId }) => recipeId !== null && mouldId !== null) ?? []
  const designId = ready.length > 0 ? dice.one(ready).id : 'nobody'
  if (dice.chance(0.3)) await takeAway(dice, tell, seen)
  const batch = await tell<{ id: string; version: number }>('POST', '/api/batches', { designId, pourDay: seen.today })
  if (batch) {
    if (dice.chance(0.1)) await tell('DELETE', `/api/batches/${batch.id}`, { version: batch.version })
    for (const loafId of await pour(dice, tell, batch.id, isOver)) {
      if (isOver()) return
      await cureAndRelease(dice, tell, seen, loafId)
    }
  } else if (seen.idOf('/api/loaves') !== 'nobody') await cureAndRelease(dice, tell, seen, seen.idOf('/api/loaves'))
  await sell(dice, tell, seen, designId)
}
