import type { SavedWorkshop, WorkshopDetails } from '@vendange/contract'
import { blankSeasonSettings } from '@vendange/contract'
import type { Database, Reader } from './database'
import { workshop } from './schema'

/** A new workshop, until its makers say otherwise. Hours, losses and temperatures are estimates to start from. */
const newWorkshop = (timeZone: string): WorkshopDetails => ({
  name: 'My workshop',
  massUnit: 'g',
  lengthUnit: 'mm',
  temperatureUnit: '°C',
  currency: 'EUR',
  timeZone,
  exceptions: [],
  ...blankSeasonSettings,
  setupHours: 0.5,
  prepHours: 0.75,
  pourHours: 1.5,
  cutHours: 0.75,
  largestPotMl: 0,
  lyeJugMl: 0,
  scaleResolutionG: 1,
  lyeRounding: 'down',
  potLoss: 0.02,
  cureLoss: 0.11,
  soapingTemperatureC: 43,
})

/** Puts the workshop's one row in place when the database is new. */
export async function ensureWorkshop(database: Database, timeZone: string): Promise<void> {
  await database.write(async (transaction) => {
    await transaction
      .insert(workshop)
      .values({ id: 1, version: 1, ...newWorkshop(timeZone) })
      .onConflictDoNothing()
  })
}

/** The workshop of this database. */
export async function readWorkshop(reader: Reader): Promise<SavedWorkshop> {
  const [row] = await reader.select().from(workshop)
  if (!row) throw new Error('Expected one row in the table workshop, got none')
  const { id: _, ...saved } = row
  return saved
}
