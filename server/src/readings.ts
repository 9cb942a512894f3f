import type { AcceptedPlan, RecordTableQuery, WishRequest } from '@vendange/contract'
import { openApiDocument } from '@vendange/contract'
import { openFile } from './db/openFile'
import type { Reader } from './db/database'
import { drizzleOver } from './db/drizzle'
import { keptStock } from './db/keptStock'
import { pricesOn } from './db/storesRow'
import { readWorkshop } from './db/workshopRow'
import { recipeNearWishes } from './formulate/recipeNearWishes'
import { loafTable } from './loaves/loafTable'
import { recordTable } from './loaves/recordTable'
import { loavesOfDesign, newestLoaves } from './loaves/loafLists'
import { seenLoaves } from './loaves/seenLoaves'
import type { ReadingContext } from './parts/context'
import { sayOfContext } from './parts/workshopWords'
import { earningsView } from './plan/earningsView'
import { salesHistory } from './plan/salesHistory'
import { salesTable } from './plan/salesTable'
import { poursOfCollection } from './plan/poursOfCollection'
import { readTimings } from './pour/timings'
import { customersView } from './release/customersView'
import { traceOfLot } from './release/traceOfLot'
import { calendarFeed } from './season/calendarFeed'
import { planTroubles } from './season/planTroubles'
import { seasonService } from './season/seasonService'
import { lotTable } from './stores/lotTable'
import { scrapBin } from './stores/scrapBin'
import { storesView } from './stores/storesView'
import { version } from './version'

/** All that is read of a workshop beside the server’s own thread: what grows with its years, and what is worked out. */
export function readingsOf(context: ReadingContext) {
  const { database, clock } = context
  const stockNow = keptStock(database)
  const season = seasonService(context, stockNow)
  const stores = storesView(context, stockNow)
  let description: ReturnType<typeof openApiDocument> | undefined
  return {
    season: () => season.view(),
    calendar: async () => calendarFeed(await season.view(), clock.now(), await sayOfContext(context)),
    planTroubles: async (plan: AcceptedPlan) => planTroubles(await season.view(), plan),
    stores,
    prices: async () => pricesOn(clock.today((await readWorkshop(database.read)).timeZone), await stockNow()),
    scraps: () => scrapBin(database.read),
    loafTable: loafTable(context),
    recordTable: (query: RecordTableQuery) => recordTable(database.read, query),
    salesTable: salesTable(context),
    lotTable: lotTable(context),
    seenBars: () => seenLoaves(database.read),
    newestLoaves: () => newestLoaves(database.read),
    loavesOfDesign: (designId: string) => loavesOfDesign(database.read, designId),
    customers: () => customersView(database.read),
    traceOfLot: (lotId: string) => traceOfLot(database.read, lotId),
    earnings: earningsView(context),
    salesHistory: (designId: string) => salesHistory(context, designId),
    poursOfCollection: (collectionId: string) => poursOfCollection(database.read, collectionId),
    timings: () => readTimings(database.read),
    recipeNearWishes: (wishes: WishRequest) => recipeNearWishes(context, wishes),
    openApi: () => Promise.resolve((description ??= openApiDocument(version))),
  } as const
}
export type Readings = ReturnType<typeof readingsOf>

/** What is to be read, and as of when. */
export interface AskedReading {
  readonly file: string
  /** Of the database, as it knows them: what was read under an older one is read anew. */
  readonly revision: number
  readonly epoch: number
  /** ISO 8601, UTC. */
  readonly now: string
  /** The day it is in the workshop. */
  readonly today: string
  readonly name: keyof Readings
  readonly input: readonly unknown[]
}

type AnswerReading = (next: AskedReading) => Promise<string>

/** Reads one workshop, each time over a connection of its own and as it stands at one moment. */
function readingsOfFile(file: string): AnswerReading {
  let asked: AskedReading
  let reader: Reader
  const readings = readingsOf({
    database: {
      get read() {
        return reader
      },
      revision: () => asked.revision,
      epoch: () => asked.epoch,
    },
    clock: { now: () => new Date(asked.now), today: () => asked.today },
  })
  return async (next) => {
    const client = openFile(file)
    try {
      return await drizzleOver(client).transaction(
        async (transaction) => {
          asked = next
          reader = transaction
          const read = readings[next.name] as (...input: readonly unknown[]) => Promise<unknown>
          return JSON.stringify(await read(...next.input))
        },
        { behavior: 'deferred' },
      )
    } finally {
      client.close()
    }
  }
}

/** The workshop that was read last: what changes little is kept from one reading to the next. */
let last: { readonly file: string; readonly answer: AnswerReading } | undefined

/** Answers a reading, one at a time. @returns JSON */
export function answerReading(asked: AskedReading): Promise<string> {
  if (last?.file !== asked.file) last = { file: asked.file, answer: readingsOfFile(asked.file) }
  return last.answer(asked)
}
