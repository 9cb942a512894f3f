import type { ISchema } from 'yup'
import { object } from 'yup'
import type { Endpoint, OfVersion, repositoryEndpoints } from './endpoint'
import { endpoints } from './endpoints'
import { barsBackSchema, customerListSchema, customerSchema, savedCustomerSchema } from './schemas/customer'
import { earningsQuerySchema } from './schemas/earnings'
import { loafQuerySchema, lotQuerySchema, recordQuerySchema, saleQuerySchema } from './schemas/loafQuery'
import { mouldSchema, savedMouldSchema } from './schemas/mould'
import { orderAcceptedSchema, orderQuotedSchema, orderSchema, savedOrderSchema } from './schemas/order'
import { ownFatSchema, savedOwnFatSchema } from './schemas/ownFat'
import { versionNumber } from './schemas/pieces'
import { collectionSchema, savedCollectionSchema } from './schemas/collection'
import {
  acceptedPlanSchema,
  batchMoveSchema,
  batchPinSchema,
  batchSchema,
  dayTickSchema,
  designSchema,
  savedDesignSchema,
  soapPoursSchema,
} from './schemas/plan'
import { recipeSchema, savedRecipeSchema } from './schemas/recipe'
import { roomReadingSchema } from './schemas/room'
import { networkSchema, pinSchema, screenInvitedSchema, screenPairedSchema, signInSchema } from './schemas/screen'
import { shopBuySchema, shopOfferSchema } from './schemas/shop'
import {
  ingredientSchema,
  lotSchema,
  savedIngredientSchema,
  savedLotSchema,
  statedPricesSchema,
  newInfusionSchema,
  storesImportSchema,
  strainedSchema,
} from './schemas/stores'
import { wishRequestSchema } from './schemas/wish'
import {
  allotmentSchema,
  commandSchema,
  givingOutSchema,
  loafEventSchema,
  saleSettlingSchema,
  salesSchema,
  stepSchema,
  timingSetAsideSchema,
} from './schemas/work'
import { makerSchema, savedMakerSchema, savedWorkshopSchema, workshopSchema } from './schemas/workshop'

/** What an endpoint takes and gives, as schemas. */
interface Messages {
  readonly body?: ISchema<unknown>
  readonly reply?: ISchema<unknown>
}
const messages = new Map<Endpoint, Messages>()

/** The schema of the message that an endpoint takes; undefined for one that takes none. */
export const bodySchemaOf = (endpoint: Endpoint): ISchema<unknown> | undefined => messages.get(endpoint)?.body
/** The schema of its reply, where one describes it. */
export const replySchemaOf = (endpoint: Endpoint): ISchema<unknown> | undefined => messages.get(endpoint)?.reply

/** Gives an endpoint the schema of what it takes, and of its reply where there is one. */
function takes<Body, Reply>(
  endpoint: Endpoint<string, Body, Reply>,
  body: ISchema<Body>,
  reply?: ISchema<Reply>,
): void {
  messages.set(endpoint, { body, ...(reply ? { reply } : {}) })
}

const ofVersion = { version: versionNumber() }
const versionOnly: ISchema<OfVersion> = object(ofVersion).noUnknown().required()

type RepositoryEndpoints<New, Saved> = ReturnType<ReturnType<typeof repositoryEndpoints<New, Saved>>>

/** The messages of what is kept under a version: a new one, one that is changed, one as it is kept. */
function keeps<New, Saved>(
  repository: RepositoryEndpoints<New, Saved>,
  created: ISchema<New>,
  changed: ISchema<New & OfVersion>,
  kept: ISchema<Saved>,
): void {
  takes(repository.create, created, kept)
  takes(repository.update, changed, kept)
  takes(repository.remove, versionOnly, kept)
  takes(repository.restore, versionOnly, kept)
}

keeps(endpoints.makers, makerSchema, makerSchema.shape(ofVersion), savedMakerSchema)
keeps(endpoints.moulds, mouldSchema, mouldSchema.shape(ofVersion), savedMouldSchema)
keeps(endpoints.ownFats, ownFatSchema, ownFatSchema.shape(ofVersion), savedOwnFatSchema)
keeps(endpoints.recipes, recipeSchema, recipeSchema.shape(ofVersion), savedRecipeSchema)
keeps(endpoints.collections, collectionSchema, collectionSchema.shape(ofVersion), savedCollectionSchema)
keeps(endpoints.designs, designSchema, designSchema.shape(ofVersion), savedDesignSchema)
keeps(endpoints.ingredients, ingredientSchema, ingredientSchema.shape(ofVersion), savedIngredientSchema)
takes(endpoints.infusions.start, newInfusionSchema)
takes(endpoints.infusions.strain, strainedSchema)
keeps(endpoints.lots, lotSchema, lotSchema.shape(ofVersion), savedLotSchema)
keeps(endpoints.orders, orderSchema, orderSchema.shape(ofVersion), savedOrderSchema)

takes(endpoints.updateWorkshop, workshopSchema.shape(ofVersion), savedWorkshopSchema)
takes(endpoints.screens.network, networkSchema)
takes(endpoints.screens.invite, screenInvitedSchema)
takes(endpoints.screens.pair, screenPairedSchema)
takes(endpoints.screens.signIn, signInSchema)
takes(endpoints.screens.setPin, pinSchema)
takes(endpoints.takeStoresIn, storesImportSchema)
takes(endpoints.statePrices, statedPricesSchema)
keeps(endpoints.customers, customerSchema, customerSchema.shape(ofVersion), savedCustomerSchema)
takes(endpoints.customers.takeIn, customerListSchema)
takes(endpoints.customers.barsBack, barsBackSchema)
takes(endpoints.sendOrder, versionOnly)
takes(endpoints.loaves.table, loafQuerySchema)
takes(endpoints.loaves.happened, recordQuerySchema)
takes(endpoints.sales, saleQuerySchema)
takes(endpoints.lotTable, lotQuerySchema)
takes(endpoints.earnings, earningsQuerySchema)
takes(endpoints.orders.quote, orderQuotedSchema)
takes(endpoints.orders.accept, orderAcceptedSchema)
takes(endpoints.nearestRecipe, wishRequestSchema)
takes(endpoints.acceptPlan, acceptedPlanSchema)
takes(endpoints.tickTask, dayTickSchema)
takes(endpoints.batches.create, batchSchema)
takes(endpoints.batches.planSoap, soapPoursSchema)
takes(endpoints.batches.move, batchMoveSchema)
takes(endpoints.batches.pin, batchPinSchema)
takes(endpoints.batches.remove, versionOnly)
takes(endpoints.batches.restore, versionOnly)
takes(endpoints.batches.record, stepSchema)
takes(endpoints.batches.setTimingAside, timingSetAsideSchema)
takes(endpoints.instruments.command, commandSchema)
takes(endpoints.loaves.record, loafEventSchema)
takes(endpoints.release.allot, allotmentSchema)
takes(endpoints.release.giveOut, givingOutSchema)
takes(endpoints.release.takeSales, salesSchema)
takes(endpoints.release.settleSale, saleSettlingSchema)
takes(endpoints.room.keep, roomReadingSchema)
takes(endpoints.shop.offer, shopOfferSchema)
takes(endpoints.shop.buy, shopBuySchema)
