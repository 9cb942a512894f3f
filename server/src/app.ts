import { sentence } from '@vendange/core/findings'
import { endpoints, idPattern } from '@vendange/contract'
import compression from 'compression'
import type { Express } from 'express'
import express, { Router } from 'express'
import helmet from 'helmet'
import { randomBytes } from 'node:crypto'
import { existsSync, readFileSync } from 'node:fs'
import type { ServerResponse } from 'node:http'
import { join } from 'node:path'
import type { Logger } from 'pino'
import sirv from 'sirv'
import { readWorkshop } from './db/workshopRow'
import { ownFatService } from './formulate/ownFatService'
import { recipeService } from './formulate/recipeService'
import { instrumentRoutes } from './instruments/instrumentRoutes'
import { loafRoutes } from './loaves/loafRoutes'
import { loafService } from './loaves/loafService'
import { photoService } from './loaves/photoService'
import { roomRoutes } from './loaves/roomRoutes'
import { roomService } from './loaves/roomService'
import type { Context } from './parts/context'
import { serveRepository } from './parts/repositoryRoutes'
import { notFound } from './parts/problems'
import type { AppLocals } from './parts/serve'
import { problemHandler, serve, serveReading } from './parts/serve'
import { readerOf } from './parts/reading'
import { sayOfContext } from './parts/workshopWords'
import { sameOriginOnly } from './parts/sameOrigin'
import { orderRoutes } from './plan/orderRoutes'
import { orderService } from './plan/orderService'
import { planService } from './plan/planService'
import { batchRoutes } from './pour/batchRoutes'
import { benchService } from './pour/benchService'
import { pourPlanning } from './pour/pourPlanning'
import { planAcceptance } from './season/planAcceptance'
import { allotmentService } from './release/allotmentService'
import { customerRoutes } from './release/customerRoutes'
import { customerService } from './release/customerService'
import { releaseRoutes } from './release/releaseRoutes'
import type { Door } from './screens/door'
import { accessGuard, deedKeeper, eventGuard, isFromNetwork, pageGuard } from './screens/guard'
import { hiddenFrom } from './screens/hiddenFrom'
import { rateLimits } from './screens/rateLimits'
import { screenRoutes } from './screens/screenRoutes'
import type { ScreenService } from './screens/screenService'
import { seasonRoutes } from './season/seasonRoutes'
import { mouldService } from './stores/mouldService'
import { storesRoutes } from './stores/storesRoutes'
import { storesService } from './stores/storesService'
import { archiveService } from './workshop/archiveService'
import { backupService } from './workshop/backupService'
import { workshopRoutes } from './workshop/workshopRoutes'
import { workshopService } from './workshop/workshopService'
import { version } from './version'

export interface AppOptions {
  readonly context: Context
  readonly logger: Logger
  /** Folder of the built web app; without it only the API is served. */
  readonly webFolder?: string
  /** Between two readings of the simulated instruments, ms. @default as the instruments see their time */
  readonly instrumentMs?: number
  /** Who is let in from the local network; without it the workshop is closed to it. */
  readonly access?: { readonly screens: ScreenService; readonly door: Door }
}

/** Every service of the house; the demo is seeded through the same ones. */
export function servicesOf(context: Context) {
  return {
    workshop: workshopService(context),
    archive: archiveService(context),
    backups: backupService(context),
    moulds: mouldService(context),
    stores: storesService(context),
    recipes: recipeService(context),
    ownFats: ownFatService(context),
    plan: planService(context),
    planning: pourPlanning(context),
    bench: benchService(context),
    loaves: loafService(context),
    photos: photoService(context),
    room: roomService(context),
    allotments: allotmentService(context),
    customers: customerService(context),
    orders: orderService(context),
  }
}

function apiRouter(context: Context, instrumentMs?: number): Router {
  const router = Router()
  for (const name of ['id', 'designId'])
    router.param(name, (_request, _response, next, value: string) =>
      next(idPattern.test(value) ? undefined : notFound(sentence('id_unread'))),
    )
  const services = servicesOf(context)
  const read = readerOf(context)
  const plans = planAcceptance(context, async (plan) => (await read('planTroubles', plan)).value())
  serve(router, endpoints.health, async () => {
    const { timeZone } = await readWorkshop(context.database.read)
    return { status: 'ok', version, today: context.clock.today(timeZone) } as const
  })
  serveReading(router, endpoints.openapi, () => read('openApi'))
  seasonRoutes(router, plans, read, context)
  workshopRoutes(router, services)
  serveRepository(router, endpoints.moulds, services.moulds)
  storesRoutes(router, services.stores, context, read)
  serveReading(router, endpoints.nearestRecipe, ({ body }) => read('recipeNearWishes', body))
  serveRepository(router, endpoints.recipes, services.recipes)
  serve(router, endpoints.recipeVersions, ({ params }) => services.recipes.versions(params.id))
  serveRepository(router, endpoints.ownFats, services.ownFats)
  serveRepository(router, endpoints.collections, services.plan.collections)
  serveReading(router, endpoints.salesHistory, ({ params }) => read('salesHistory', params.id))
  serveReading(router, endpoints.sales, ({ body }) => read('salesTable', body))
  serveReading(router, endpoints.earnings, ({ body }) => read('earnings', body))
  serveReading(router, endpoints.collections.pours, ({ params }) => read('poursOfCollection', params.id))
  serveRepository(router, endpoints.designs, services.plan.designs)
  orderRoutes(router, services.orders, context)
  batchRoutes(router, services, context, read)
  instrumentRoutes(router, instrumentMs)
  loafRoutes(router, services.loaves, services.photos, read)
  roomRoutes(router, services, context)
  releaseRoutes(router, services, context, read)
  customerRoutes(router, services.customers, read)
  return router
}

const nonceOf = (response: ServerResponse): string =>
  String((response as ServerResponse & { locals: Record<string, unknown> }).locals['nonce'])

/** How hard answers are squeezed: on the network of a workshop a season is there sooner when less time is spent on it. */
const quickest = 1
const oneYearS = 365 * 24 * 3600

/** Files of the pages, squeezed when they were built. What guards a page guards nothing in them. */
function serveAssets(app: Express, webFolder: string): void {
  app.use('/assets', (_request, response, next) => {
    response.set('X-Content-Type-Options', 'nosniff')
    next()
  })
  app.use('/assets', sirv(join(webFolder, 'assets'), { immutable: true, maxAge: oneYearS, brotli: true, gzip: true }))
}

/** A line of the page that only the view at a path needs. */
const lineOfView = /<link [^>]*data-for="([^"]*)"[^>]*>\s*/g

function servePages(app: Express, webFolder: string): void {
  const page = readFileSync(join(webFolder, 'index.html'), 'utf8')
  app.use('/assets', (request) => {
    throw notFound(sentence('nothing_here', { path: request.path }))
  })
  app.use(express.static(webFolder, { index: false }))
  app.use((request, response, next) => {
    if (request.method !== 'GET' || request.path.startsWith('/api/')) return next()
    const path = request.path === '/' ? '/plan' : request.path
    response
      .type('html')
      .set('Cache-Control', 'no-store')
      .send(
        page
          .replaceAll(lineOfView, (line, view) => (view === path ? line : ''))
          .replaceAll('CSP_NONCE', nonceOf(response)),
      )
  })
}

/** Readings of an instrument go out as they come. */
const isStream = (response: express.Response): boolean =>
  String(response.getHeader('Content-Type')).startsWith('text/event-stream')

/** What a page may ask of the machine: to keep its screen on at the bench, and nothing else. */
const permissions = [
  ...['microphone', 'geolocation', 'display-capture', 'midi', 'payment', 'usb', 'serial', 'hid'].map(
    (feature) => `${feature}=()`,
  ),
  'screen-wake-lock=(self)',
  'camera=(self)',
].join(', ')

/** The whole application on one port: API and web pages. */
export function createApp({ context, logger, webFolder, instrumentMs, access }: AppOptions): Express {
  const app = express()
  app.disable('x-powered-by')
  const locals: AppLocals = { mend: () => context.database.mend() }
  Object.assign(app.locals, locals)
  // Answers of the API are not kept by anybody, and files of the pages carry marks of their own.
  app.disable('etag')
  const hasPages = webFolder !== undefined && existsSync(join(webFolder, 'index.html'))
  if (hasPages) serveAssets(app, webFolder)
  app.use((_request, response, next) => {
    response.locals['nonce'] = randomBytes(16).toString('base64')
    next()
  })
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          // The reader of codes is a WebAssembly of our own.
          scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
          styleSrc: ["'self'", (_request, response) => `'nonce-${nonceOf(response)}'`],
          imgSrc: ["'self'", 'data:', 'blob:'],
          connectSrc: ["'self'"],
          objectSrc: ["'none'"],
          baseUri: ["'none'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
      strictTransportSecurity: false, // plain HTTP on the loopback address
    }),
  )
  app.use((request, response, next) => {
    response.set('Permissions-Policy', permissions)
    if (isFromNetwork(request)) response.set('Strict-Transport-Security', `max-age=${oneYearS}`)
    next()
  })
  // Files of the pages were squeezed when they were built.
  app.use(
    compression({
      level: quickest,
      filter: (request, response) => !isStream(response) && compression.filter(request, response),
    }),
  )
  app.use('/api', sameOriginOnly(access?.door.hosts ?? (() => [])), (_request, response, next) => {
    response.set('Cache-Control', 'no-store')
    next()
  })
  if (access) app.use('/api', ...rateLimits(), accessGuard(access.screens), hiddenFrom)
  app.use(express.json({ limit: '1mb' }))
  if (access) {
    app.use('/api', eventGuard, deedKeeper(access.screens))
    const router = Router()
    screenRoutes(router, access.screens, access.door)
    app.use(router)
  }
  app.use(apiRouter(context, instrumentMs))
  if (access && hasPages) app.use(pageGuard(access.screens))
  if (hasPages) servePages(app, webFolder)
  app.use((request) => {
    throw notFound(sentence('nothing_here', { path: request.path }))
  })
  app.use(problemHandler(logger, () => sayOfContext(context)))
  return app
}
