import { randomUUID } from 'node:crypto'
import type { Express } from 'express'
import type { AddressInfo } from 'node:net'
import { join } from 'node:path'
import { pino } from 'pino'
import { createApp } from './app'
import { dataFolder, home } from './dataFolder'
import { DatabaseRefused, openDatabase } from './db/database'
import { holdFolder } from './db/onlyHere'
import { troubleOfDisk } from './db/refusedFile'
import { ensureWorkshop } from './db/workshopRow'
import { frozenClock, systemClock } from './parts/clock'
import { asLogged } from './parts/logging'
import { readerOf } from './parts/reading'
import { endStreams } from './parts/streams'
import { inThread } from './parts/threads'
import { openAccess } from './screens/accessFile'
import type { Door } from './screens/door'
import { networkDoor } from './screens/door'
import { screenService } from './screens/screenService'

const { env } = process
const host = env['VENDANGE_HOST'] ?? '127.0.0.1'
const port = Number(env['VENDANGE_PORT'] ?? 4173)
const folder = dataFolder()
const clock = env['VENDANGE_TODAY'] ? frozenClock(env['VENDANGE_TODAY']) : systemClock
/** How long a request that is being answered may still take once the server is asked to end. */
const lastAnswersMs = 2000
/** After so long nobody waits for a first page any more, ms. */
const firstPagesMs = Number(env['VENDANGE_FIRST_PAGES_MS'] ?? 10_000)
const logger = pino({ level: env['VENDANGE_LOG'] ?? 'warn' })

try {
  const held = await holdFolder(folder)
  const serverUrl = env['VENDANGE_DATABASE_URL']
  const database = await openDatabase({
    // What a server keeps for more than one place has a copy here, which is not taken for a workshop of this place alone.
    file: join(folder, serverUrl === undefined ? 'vendange.sqlite' : 'copy-of-server.sqlite'),
    server: serverUrl === undefined ? undefined : { url: serverUrl, token: env['VENDANGE_DATABASE_TOKEN'] },
    backupFolder: join(folder, 'backups'),
    now: () => new Date(),
    long: {
      copy: (copied, target) => inThread('copy', { file: copied, target }),
      layReady: (replaced, backup) => inThread('layReady', { file: replaced, backup }),
      findDamage: (searched, isPlain) => inThread('findDamage', { file: searched, isPlain }),
    },
  })
  await ensureWorkshop(database, Intl.DateTimeFormat().resolvedOptions().timeZone)
  const context = { database, clock, newId: randomUUID }
  // The thread that reads is there before it is asked, with what every page asks first.
  void readerOf(context)('season').catch((fault: unknown) => logger.error(asLogged(fault)))
  const access = await openAccess(folder)
  // HTTPS stands beside the computer's own port, on the next one.
  const network = {
    host: env['VENDANGE_LAN_HOST'],
    port: Number(env['VENDANGE_LAN_PORT'] ?? (port === 0 ? 0 : port + 1)),
  }
  const door: Door = networkDoor(folder, network, () => app)
  const screens = screenService(context, { file: access, folder, door })
  const app: Express = createApp({
    context,
    access: { screens, door },
    logger,
    webFolder: join(home, 'web/dist'),
    // A journey need not wait for a simulated scale as a hand would.
    ...(env['VENDANGE_INSTRUMENT_MS'] ? { instrumentMs: Number(env['VENDANGE_INSTRUMENT_MS']) } : {}),
  })
  const server = app.listen(port, host, (error?: Error) => {
    if (error) {
      console.error(`Vendange cannot listen on ${host}:${port}: ${error.message}`)
      process.exit(1)
    }
    // What was damaged while nobody looked is found once the first pages are there, and what makes sheets is read.
    setTimeout(() => {
      Promise.all([inThread('readySheets', undefined), database.mend()]).catch((fault: unknown) =>
        logger.error(asLogged(fault)),
      )
    }, firstPagesMs).unref()
    const at = (server.address() as AddressInfo).port
    held.tell(at)
    console.log(`Vendange is open at http://${host}:${at}`)
    if (env['VENDANGE_LAN'] === '1')
      door.open().then(
        (address) => console.log(`Vendange is open to screens that were let in at ${address}`),
        (fault: unknown) => console.error(`Vendange cannot be opened to the local network: ${String(fault)}`),
      )
  })
  const close = (): void => {
    server.close(
      () =>
        void Promise.all([database.close(), door.close()]).then(() => {
          access.close()
          held.release()
          process.exit(0)
        }),
    )
    endStreams()
    server.closeIdleConnections()
    // A browser opens connections ahead, on which it has asked nothing yet: to the server they are not idle.
    setTimeout(() => server.closeAllConnections(), lastAnswersMs).unref()
  }
  process.on('SIGINT', close)
  process.on('SIGTERM', close)
} catch (error) {
  const refused = error instanceof DatabaseRefused ? error : troubleOfDisk(folder, error)
  if (!refused) throw error
  console.error(refused.message)
  process.exit(2)
}
