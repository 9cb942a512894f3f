import type { Client, NewLoafEvent } from '@vendange/contract'
import { createClient, endpoints, ProblemError } from '@vendange/contract'
import { pageToken } from '../api'
import type { AnswerTo, Kept, KeptKind, KeptOf } from './kept'

type Sender<Kind extends KeptKind> = (kept: KeptOf<Kind>, client: Client) => Promise<AnswerTo[Kind]>

const unprocessable = 422
/** So long one thing may be under way, ms: a photograph over a poor network among them. An estimate. */
const withinMs = 30_000
const secondsSince = (ms: number): number => Math.max(0, Math.round((Date.now() - ms) / 1000))

const step: Sender<'step'> = ({ what: { batchId, step }, takenAtMs }, client) =>
  client(endpoints.batches.record, {
    params: { id: batchId },
    body: { ...step, secondsAgo: secondsSince(takenAtMs) },
  })

/** A photograph goes first: what happened names it. */
async function withPhoto({ event, photo }: KeptOf<'event'>['what'], client: Client): Promise<typeof event> {
  if (event.type !== 'photographed' || !photo) return event
  return { ...event, ...(await client(endpoints.loaves.addPhoto, { rawBody: photo })) }
}

const event: Sender<'event'> = async ({ what, takenAtMs }, client) => {
  const { loafId, version, eventId } = what
  const body = { ...(await withPhoto(what, client)), version, eventId, secondsAgo: secondsSince(takenAtMs) }
  return client(endpoints.loaves.record, { params: { id: loafId }, body: body as NewLoafEvent })
}

/** A report of sales is always heard; what is owed the workshop keeps, and what it could not keep stands in the answer. */
const sale: Sender<'sale'> = async ({ what }, client) => {
  const answer = await client(endpoints.release.takeSales, { body: { sales: [what] } })
  const refused = answer.refused.find(({ isOwed }) => !isOwed)
  if (refused) throw new ProblemError({ type: 'about:blank', title: '', status: unprocessable, detail: refused.detail })
  return answer
}

const senders: { readonly [Kind in KeptKind]: Sender<Kind> } = { step, event, sale }

/** Sends what a device kept, in the name of who did it. @throws {ProblemError} where it was not taken, or not reached */
export function sendKept<Kind extends KeptKind>(kept: KeptOf<Kind> & Kept): Promise<AnswerTo[Kind]> {
  const sender = senders[kept.kind as Kind]
  return sender(kept, createClient({ makerId: () => kept.makerId, token: pageToken, withinMs }))
}
