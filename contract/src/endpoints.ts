import { create, get, post, put, remove } from './endpoint'
import { mouldSchema, savedMouldSchema } from './schemas/mould'
import type { NewMould, SavedMould } from './schemas/mould'
import { versionNumber } from './schemas/pieces'
import {
  batchMoveSchema,
  batchPinSchema,
  batchSchema,
  collectionSchema,
  dayTickSchema,
  designSchema,
  acceptedPlanSchema,
  savedCollectionSchema,
  savedDesignSchema,
} from './schemas/plan'
import type { NewCollection, NewDesign, SavedCollection, SavedDesign } from './schemas/plan'
import { orderAcceptedSchema, orderSchema, savedOrderSchema } from './schemas/order'
import type { NewOrder, SavedOrder } from './schemas/order'
import { ownFatSchema, savedOwnFatSchema } from './schemas/ownFat'
import type { NewOwnFat, SavedOwnFat } from './schemas/ownFat'
import { recipeSchema, savedRecipeSchema } from './schemas/recipe'
import type { NewRecipe, SavedRecipe } from './schemas/recipe'
import {
  ingredientSchema,
  lotSchema,
  savedIngredientSchema,
  savedLotSchema,
  storesImportSchema,
} from './schemas/stores'
import type { NewIngredient, NewLot, SavedIngredient, SavedLot } from './schemas/stores'
import { wishRequestSchema } from './schemas/wish'
import { roomReadingSchema } from './schemas/room'
import { shopBuySchema, shopOfferSchema } from './schemas/shop'
import type { ShopOffer, ShopSale } from './schemas/shop'
import { allotmentSchema, commandSchema, loafEventSchema, salesSchema, stepSchema } from './schemas/work'
import type { NewLoafEvent } from './schemas/work'
import { makerSchema, savedMakerSchema, workshopSchema, savedWorkshopSchema } from './schemas/workshop'
import type { NewMaker, SavedMaker, SavedWorkshop } from './schemas/workshop'
import type {
  AllotmentView,
  ArchiveTaken,
  BackupView,
  BatchSummary,
  BatchView,
  TimedPourView,
  HealthView,
  LoafSummary,
  LoafView,
  AcceptedPlanView,
  PourOfCollection,
  RecipeVersion,
  RoomDay,
  SalesTaken,
  SeasonView,
  StoresView,
  TraceView,
} from './views'
import type { WishAnswer } from '@vendange/core/wishes'
import type { ISchema, ObjectSchema, AnyObject } from 'yup'
import { object } from 'yup'

const versionOnly = object({ version: versionNumber() }).noUnknown().required()
const withVersion = <T extends AnyObject>(schema: ObjectSchema<T>): ISchema<T & { version: number }> =>
  schema.shape({ version: versionNumber() }) as unknown as ISchema<T & { version: number }>

/** The four calls that every kept thing answers: create, change, take away, bring back. */
function repositoryEndpoints<Path extends string, New extends AnyObject, Saved>(
  path: Path,
  noun: string,
  body: ObjectSchema<New>,
  reply: ISchema<Saved>,
) {
  return {
    create: create<Saved>()({ path, summary: `Create a ${noun}`, body: body as unknown as ISchema<New>, reply }),
    update: put<Saved>()({ path: `${path}/:id` as const, summary: `Change a ${noun}`, body: withVersion(body), reply }),
    remove: remove<Saved>()({
      path: `${path}/:id` as const,
      summary: `Take a ${noun} away; it can be brought back`,
      body: versionOnly as ISchema<{ version: number }>,
      reply,
    }),
    restore: post<Saved>()({
      path: `${path}/:id/restore` as const,
      summary: `Bring a ${noun} back`,
      body: versionOnly as ISchema<{ version: number }>,
      reply,
    }),
  }
}

/** Every route of the API. */
export const endpoints = {
  health: get<HealthView>()({ path: '/api/health', summary: 'Whether the workshop is open' }),
  openapi: get<Record<string, unknown>>()({ path: '/api/openapi.json', summary: 'This description' }),
  season: get<SeasonView>()({
    path: '/api/season',
    summary: 'All that steers time: workshop, line-ups, batches, loaves',
  }),

  updateWorkshop: put<SavedWorkshop>()({
    path: '/api/workshop',
    summary: 'Change the workshop',
    body: withVersion(workshopSchema),
    reply: savedWorkshopSchema as unknown as ISchema<SavedWorkshop>,
  }),
  makers: repositoryEndpoints<'/api/makers', NewMaker, SavedMaker>(
    '/api/makers',
    'maker',
    makerSchema,
    savedMakerSchema as unknown as ISchema<SavedMaker>,
  ),
  moulds: repositoryEndpoints<'/api/moulds', NewMould, SavedMould>(
    '/api/moulds',
    'mould',
    mouldSchema,
    savedMouldSchema as unknown as ISchema<SavedMould>,
  ),
  ownFats: repositoryEndpoints<'/api/fats', NewOwnFat, SavedOwnFat>(
    '/api/fats',
    'fat of the workshop’s own',
    ownFatSchema,
    savedOwnFatSchema as unknown as ISchema<SavedOwnFat>,
  ),
  recipes: repositoryEndpoints<'/api/recipes', NewRecipe, SavedRecipe>(
    '/api/recipes',
    'recipe',
    recipeSchema,
    savedRecipeSchema as unknown as ISchema<SavedRecipe>,
  ),
  recipeVersions: get<readonly RecipeVersion[]>()({
    path: '/api/recipes/:id/versions',
    summary: 'A recipe as it stood, the newest first',
  }),
  collections: {
    ...repositoryEndpoints<'/api/collections', NewCollection, SavedCollection>(
      '/api/collections',
      'collection',
      collectionSchema,
      savedCollectionSchema as unknown as ISchema<SavedCollection>,
    ),
    pours: get<readonly PourOfCollection[]>()({
      path: '/api/collections/:id/pours',
      summary: 'What the pours of a collection took: hours as planned and as they were, ingredients',
    }),
  },
  designs: repositoryEndpoints<'/api/designs', NewDesign, SavedDesign>(
    '/api/designs',
    'design',
    designSchema,
    savedDesignSchema as unknown as ISchema<SavedDesign>,
  ),

  stores: get<StoresView>()({
    path: '/api/stores',
    summary: 'Ingredients, their lots, and what the pours on the calendar take of them',
  }),
  takeStoresIn: post<StoresView>()({
    path: '/api/stores/lines',
    summary: 'Take the lines of a stores file in, all of them or none',
    body: storesImportSchema,
  }),
  ingredients: repositoryEndpoints<'/api/ingredients', NewIngredient, SavedIngredient>(
    '/api/ingredients',
    'ingredient',
    ingredientSchema,
    savedIngredientSchema as unknown as ISchema<SavedIngredient>,
  ),
  lots: repositoryEndpoints<'/api/lots', NewLot, SavedLot>(
    '/api/lots',
    'lot',
    lotSchema,
    savedLotSchema as unknown as ISchema<SavedLot>,
  ),

  orders: {
    ...repositoryEndpoints<'/api/orders', NewOrder, SavedOrder>(
      '/api/orders',
      'order',
      orderSchema,
      savedOrderSchema as unknown as ISchema<SavedOrder>,
    ),
    accept: post<SavedOrder>()({
      path: '/api/orders/:id/accept',
      summary: 'Accept an order as quoted: its soap and its pours go on the calendar',
      body: orderAcceptedSchema,
    }),
  },

  nearestRecipe: post<WishAnswer>()({
    path: '/api/recipes/wishes',
    summary: 'The recipe nearest to one’s own that fulfils wishes, or the wishes that contradict each other',
    body: wishRequestSchema,
  }),

  acceptPlan: post<AcceptedPlanView>()({
    path: '/api/season/plan',
    summary: 'Take a whole plan: pours moved and put on the calendar at once, or none of them',
    body: acceptedPlanSchema,
  }),
  tickTask: post<SeasonView>()({
    path: '/api/season/ticks',
    summary: 'Tick a task of a day sheet, or take the tick back',
    body: dayTickSchema,
  }),
  calendar: get<Blob>()({ path: '/api/calendar.ics', summary: 'The season as an iCalendar feed (RFC 5545)' }),

  batches: {
    create: create<BatchSummary>()({ path: '/api/batches', summary: 'Put a pour on a day', body: batchSchema }),
    move: put<BatchSummary>()({
      path: '/api/batches/:id',
      summary: 'Move a pour to another day',
      body: batchMoveSchema,
    }),
    pin: post<BatchSummary>()({
      path: '/api/batches/:id/pin',
      summary: 'Pin a pour to its days, or let it go',
      body: batchPinSchema,
    }),
    remove: remove<BatchSummary>()({
      path: '/api/batches/:id',
      summary: 'Take a planned pour off the calendar',
      body: versionOnly,
    }),
    restore: post<BatchSummary>()({
      path: '/api/batches/:id/restore',
      summary: 'Put a pour back on the calendar',
      body: versionOnly,
    }),
    view: get<BatchView>()({
      path: '/api/batches/:id',
      summary: 'One batch: its plan and what was recorded at the bench',
    }),
    runSheet: get<Blob>()({ path: '/api/batches/:id/run-sheet.pdf', summary: 'The run sheet of a batch, to print' }),
    record: post<BatchView>()({
      path: '/api/batches/:id/steps',
      summary: 'Record a step done at the bench',
      body: stepSchema,
    }),
    timings: get<readonly TimedPourView[]>()({
      path: '/api/pour-timings',
      summary: 'Every pour whose clock was started: what it was made of and how fast it thickened',
    }),
    finish: post<BatchView>()({
      path: '/api/batches/:id/finish',
      summary: 'Finish the pour: its loaves get their lot codes',
    }),
  },

  instruments: {
    lines: get<Blob>()({
      path: '/api/instruments/:name/lines',
      summary: 'Readings of the scale or the probe, a line an event (see docs/formats/scale-and-probe.md)',
    }),
    command: post<{ readonly line: string }>()({
      path: '/api/instruments/:name',
      summary: 'Tell the scale or the probe what to do, such as tare',
      body: commandSchema,
    }),
  },

  loaves: {
    list: get<readonly LoafSummary[]>()({ path: '/api/loaves', summary: 'The newest loaves, 100 at the most' }),
    named: get<readonly LoafSummary[]>()({
      path: '/api/loaves/named/:text',
      summary: 'Loaves with this in their soap’s name or their lot, newest first, 100 at the most',
    }),
    ofDesign: get<readonly LoafSummary[]>()({ path: '/api/designs/:id/loaves', summary: 'Loaves of a soap' }),
    view: get<LoafView>()({ path: '/api/loaves/:id', summary: 'One loaf with its whole story' }),
    record: create<LoafView>()({
      path: '/api/loaves/:id/events',
      summary: 'Record what happened to a loaf',
      body: loafEventSchema as unknown as ISchema<NewLoafEvent>,
    }),
    addPhoto: create<{ photoId: string }>()({
      path: '/api/photos',
      summary: 'Keep a photograph (JPEG, PNG or WebP as the body)',
    }),
    photo: get<Blob>()({ path: '/api/photos/:id', summary: 'A photograph' }),
  },

  release: {
    allot: create<AllotmentView>()({
      path: '/api/allotments',
      summary: 'Set bars of a soap aside, of the loaves released first; never more than there are',
      body: allotmentSchema,
    }),
    takeSales: post<SalesTaken>()({
      path: '/api/sales',
      summary: 'Write what was sold into the loaves it came from, all of the report or nothing',
      body: salesSchema,
    }),
    kept: get<readonly LoafSummary[]>()({
      path: '/api/kept-samples',
      summary: 'Loaves of which bars are kept as samples, newest first, 100 at the most',
    }),
    labels: get<Blob>()({
      path: '/api/loaves/:id/labels.pdf',
      summary: 'Labels of a loaf on a sheet: `stock` by its key, `count` of them',
    }),
    traceLot: get<TraceView>()({
      path: '/api/lots/:id/trace',
      summary: 'From a delivery to every bar with some of it in it, and to its buyers',
    }),
  },

  room: {
    trayCards: get<Blob>()({
      path: '/api/loaves/:id/tray-cards.pdf',
      summary: 'A card with a code for each tray of a loaf, to print',
    }),
    rackCards: get<Blob>()({ path: '/api/room/rack-cards.pdf', summary: 'A card with a code for each rack, to print' }),
    list: get<readonly RoomDay[]>()({ path: '/api/room', summary: 'The cure room by day, the last ninety days' }),
    keep: create<RoomDay>()({
      path: '/api/room',
      summary: 'Keep what the room’s sensor shows today; the last reading of a day holds',
      body: roomReadingSchema,
    }),
  },

  shop: {
    offers: get<readonly ShopOffer[]>()({ path: '/api/shop/offers', summary: 'The simulated shop: what is on sale' }),
    offer: create<ShopOffer>()({
      path: '/api/shop/offers',
      summary: 'The simulated shop: put bars on sale (see docs/formats/web-shop.md)',
      body: shopOfferSchema,
    }),
    buy: create<ShopSale>()({
      path: '/api/shop/offers/:designId/buy',
      summary: 'The simulated shop: a made-up buyer buys',
      body: shopBuySchema,
    }),
    sales: get<readonly ShopSale[]>()({
      path: '/api/shop/sales/:after',
      summary: 'The simulated shop: sales after a number',
    }),
  },

  archive: {
    make: get<Blob>()({
      path: '/api/archive',
      summary: 'All that the workshop keeps, as one ZIP file (see docs/formats/archive.md)',
    }),
    take: create<ArchiveTaken>()({
      path: '/api/archive',
      summary: 'Bring an archive back into a workshop that has nothing yet (ZIP as the body)',
    }),
  },

  backups: {
    list: get<readonly BackupView[]>()({ path: '/api/backups', summary: 'Backups kept, newest first' }),
    create: create<BackupView>()({ path: '/api/backups', summary: 'Keep a dated backup now' }),
  },
} as const
