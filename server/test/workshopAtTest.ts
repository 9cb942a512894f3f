import type { Client, NewCollection, NewDesign, NewMould, NewRecipe } from '@vendange/contract'
import {
  blankCollection,
  blankDesign,
  blankMaker,
  blankMould,
  createClient,
  endpoints,
  plainRecipe,
  ProblemError,
  tokenHeader,
} from '@vendange/contract'
import type { Problem } from '@vendange/contract'
import type { Express } from 'express'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import type { Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pino } from 'pino'
import { createApp } from '../src/app'
import type { Database } from '../src/db/database'
import { openDatabase } from '../src/db/database'
import { ensureWorkshop } from '../src/db/workshopRow'
import { frozenClock } from '../src/parts/clock'
import { openAccess } from '../src/screens/accessFile'
import type { Door } from '../src/screens/door'
import { networkDoor } from '../src/screens/door'
import { screenService } from '../src/screens/screenService'

/** A whole server over a real SQLite file in a folder of its own, called over real HTTP. */
export interface TestWorkshop {
  readonly api: Client
  readonly url: string
  readonly folder: string
  readonly database: Database
  /** Whose name stands on what is recorded. */
  makerId: string | undefined
  setDay(day: string): void
  close(): Promise<void>
}

export const firstDay = '2027-03-08'

/** @param over what stands between the services and the database, such as a disk that is full */
export async function openTestWorkshop(over = (database: Database): Database => database): Promise<TestWorkshop> {
  const folder = mkdtempSync(join(tmpdir(), 'vendange-'))
  const database = await openDatabase({
    file: join(folder, 'vendange.sqlite'),
    backupFolder: join(folder, 'backups'),
    now: () => new Date('2027-03-08T12:00:00Z'),
  })
  await ensureWorkshop(database, 'Europe/Lisbon')
  let clock = frozenClock(firstDay)
  const context = {
    database: over(database),
    clock: { now: () => clock.now(), today: (zone: string) => clock.today(zone) },
    newId: randomUUID,
  }
  const access = await openAccess(folder)
  const door: Door = networkDoor(folder, { host: '127.0.0.1', port: 0 }, () => app)
  const screens = screenService(context, { file: access, folder, door })
  const app: Express = createApp({
    context,
    logger: pino({ level: 'silent' }),
    instrumentMs: 20,
    access: { screens, door },
  })
  const server = await new Promise<Server>((resolve) => {
    const listening = app.listen(0, '127.0.0.1', () => resolve(listening))
  })
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  const workshop: TestWorkshop = {
    api: createClient({ baseUrl: url, makerId: () => workshop.makerId, fetch: keepingCookies() }),
    url,
    folder,
    database,
    makerId: undefined,
    setDay: (day) => (clock = frozenClock(day)),
    close: async () => {
      server.closeAllConnections()
      await new Promise((resolve) => server.close(resolve))
      await door.close()
      access.close()
      await database.close()
      rmSync(folder, { recursive: true, force: true })
    },
  }
  return workshop
}

/** Asks as a browser does that sends back what it was given to keep. */
export function keepingCookies(): typeof fetch {
  let cookie: string | undefined
  let token: string | undefined
  return async (address, asked) => {
    const headers = new Headers(asked?.headers)
    if (cookie !== undefined) headers.set('Cookie', cookie)
    if (token !== undefined && !headers.has(tokenHeader)) headers.set(tokenHeader, token)
    const answer = await fetch(address, { ...asked, headers })
    const [held, shown] = answer.headers.getSetCookie().map((one) => one.split(';')[0])
    cookie = held ?? cookie
    token = shown?.split('=')[1] ?? token
    return answer
  }
}

/** The problem a call is refused with. */
export async function problemOf(work: Promise<unknown>): Promise<Problem> {
  try {
    await work
  } catch (error) {
    if (error instanceof ProblemError) return error.problem
    throw error
  }
  throw new Error('Expected a problem, got success')
}

export const aRecipe: NewRecipe = {
  name: 'House bar',
  fats: [
    { fatKey: 'olive', share: 0.45, atTrace: false },
    { fatKey: 'coconut', share: 0.3, atTrace: false },
    { fatKey: 'shea', share: 0.25, atTrace: false },
  ],
  superfat: 0.05,
  lyeConcentration: 0.33,
  naohPurity: 1,
  ...plainRecipe,
  setDaysMin: 1,
  setDaysMax: 3,
  cureDays: 28,
  oven: false,
  notes: '',
}

export const aMould: NewMould = { ...blankMould, name: 'Loaf' }

export const aDesign: Omit<NewDesign, 'collectionId' | 'recipeId' | 'mouldId'> = {
  ...blankDesign,
  name: 'Lantern Glass',
  technique: 'drop pour',
  scent: { name: 'Amber blend', rate: 0.03, supplierLimit: 0.042 },
  colours: [
    { name: 'amber', hex: '#D99A3C', share: 0.6, rateGPerKg: 7 },
    { name: 'glass', hex: '#F1E2BE', share: 0.4, rateGPerKg: 0 },
  ],
  mouldCount: 1,
  barsWanted: 10,
  labelMassG: 100,
}

export const aCollection: NewCollection = {
  ...blankCollection,
  name: 'Night Train',
  releaseLocal: '2027-04-24T18:00',
  releaseZone: 'Europe/Lisbon',
}

/** A maker, a recipe, a mould, a collection and one soap in it. */
export async function furnish(workshop: TestWorkshop, design: Partial<NewDesign> = {}) {
  const { api } = workshop
  const maker = await api(endpoints.makers.create, { body: { ...blankMaker, name: 'Ilse' } })
  workshop.makerId = maker.id
  const recipe = await api(endpoints.recipes.create, { body: aRecipe })
  const mould = await api(endpoints.moulds.create, { body: aMould })
  const collection = await api(endpoints.collections.create, { body: aCollection })
  const soap = await api(endpoints.designs.create, {
    body: { ...aDesign, collectionId: collection.id, recipeId: recipe.id, mouldId: mould.id, ...design },
  })
  return { maker, recipe, mould, collection, soap }
}

/** What a label needs besides its soap: the maker's address, and what the colourants are called. */
export async function completeLabels(workshop: TestWorkshop, colourants = ['amber']): Promise<void> {
  const { api } = workshop
  const { workshop: details } = await api(endpoints.season)
  await api(endpoints.updateWorkshop, { body: { ...details, makerAddress: 'Quillon Lane, 7 Sample Row' } })
  const blank = {
    ref: '',
    leadDays: 5,
    packSize: 0,
    perBar: 0,
    listCents: 0,
    isListEstimate: true,
    densityGMl: null,
    makeup: null,
    notes: '',
  }
  for (const name of colourants)
    await api(endpoints.ingredients.create, { body: { ...blank, kind: 'colourant', name, inci: 'CI 77492' } })
}
