import {
  blankCollection,
  blankCustomer,
  blankDesign,
  blankIngredient,
  blankMaker,
  blankMould,
  blankOrder,
  blankOwnFat,
  oliveRecipe,
  savedCollectionSchema,
  savedCustomerSchema,
  savedDesignSchema,
  savedIngredientSchema,
  savedLotSchema,
  savedMakerSchema,
  savedMouldSchema,
  savedOrderSchema,
  savedOwnFatSchema,
  savedRecipeSchema,
  savedWorkshopSchema,
} from '@vendange/contract'
import type { SQLiteTable } from 'drizzle-orm/sqlite-core'
import type { AnySchema } from 'yup'
import { newWorkshop } from '../newWorkshop'
import {
  batches,
  benchRecords,
  collections,
  customers,
  dayTicks,
  designs,
  ingredients,
  loafEvents,
  loaves,
  lots,
  lotUses,
  makers,
  moulds,
  orders,
  owedSales,
  ownFats,
  recipes,
  recipeVersions,
  roomReadings,
  shopOffers,
  shopSales,
  workshop,
} from '../schema'
import {
  batchRowSchema,
  benchRecordSchema,
  dayTickRowSchema,
  loafEventRowSchema,
  loafRowSchema,
  lotUseSchema,
  owedSaleRowSchema,
  recipeVersionSchema,
  roomReadingRowSchema,
  shopOfferRowSchema,
  shopSaleRowSchema,
} from './rowSchemas'

/** What is kept in a table: what its rows are held against, and what stands in for what is damaged. */
export interface TableKind {
  readonly table: SQLiteTable
  readonly schema: AnySchema
  /** What a row is called that has no name of its own. */
  readonly noun: string
  /** Values that harm nothing; null where a damaged row is of no use and is taken out. */
  readonly harmless: Readonly<Record<string, unknown>> | null
}

const kind = (
  table: SQLiteTable,
  schema: AnySchema,
  noun: string,
  harmless: Readonly<Record<string, unknown>> | null,
): TableKind => ({ table, schema, noun, harmless })

const versioned = { version: 1, isRemoved: false }
/** A day on which nothing is planned any more: what stood on a damaged day is history until somebody mends it. */
const longAgo = '2000-01-01'

const named = (noun: string): string => `Damaged ${noun}`
/** Every table, parents before what points at them. */
export const tableKinds: readonly TableKind[] = [
  kind(makers, savedMakerSchema, 'maker', { ...versioned, ...blankMaker, name: named('maker') }),
  kind(workshop, savedWorkshopSchema, 'workshop', { version: 1, ...newWorkshop('UTC') }),
  kind(moulds, savedMouldSchema, 'mould', { ...versioned, ...blankMould, name: named('mould') }),
  kind(ownFats, savedOwnFatSchema, 'fat', { ...versioned, ...blankOwnFat, name: named('fat') }),
  kind(recipes, savedRecipeSchema, 'recipe', { ...versioned, ...oliveRecipe, name: named('recipe') }),
  kind(recipeVersions, recipeVersionSchema, 'version of a recipe', null),
  kind(collections, savedCollectionSchema, 'collection', {
    ...versioned,
    ...blankCollection,
    name: named('collection'),
    releaseLocal: `${longAgo}T12:00`,
    releaseZone: 'UTC',
    state: 'looked_back',
  }),
  kind(designs, savedDesignSchema, 'soap', { ...versioned, ...blankDesign, name: named('soap') }),
  kind(orders, savedOrderSchema, 'order', { ...versioned, ...blankOrder, client: named('order'), dueDay: longAgo }),
  kind(customers, savedCustomerSchema, 'customer', { ...versioned, ...blankCustomer, name: named('customer') }),
  kind(ingredients, savedIngredientSchema, 'ingredient', {
    ...versioned,
    ...blankIngredient,
    name: named('ingredient'),
  }),
  kind(lots, savedLotSchema, 'lot', {
    ...versioned,
    supplier: '',
    lotNumber: '',
    receivedDay: longAgo,
    openedDay: null,
    bestBeforeDay: null,
    isRecalled: false,
    receivedAmount: 0,
    adjustment: 0,
    usedAmount: 0,
    priceCents: 0,
    certificate: null,
  }),
  kind(batches, batchRowSchema, 'pour', {
    ...versioned,
    pourDay: longAgo,
    cutDay: null,
    isPinned: false,
    label: '',
    own: null,
    timingSetAside: null,
    status: 'planned',
    frozen: null,
  }),
  kind(benchRecords, benchRecordSchema, 'step at the bench', {
    actual: null,
    lots: null,
    recordId: null,
    stepKey: 'damaged',
  }),
  kind(lotUses, lotUseSchema, 'use of a lot', { amount: 0 }),
  kind(loaves, loafRowSchema, 'loaf', { part: 0, state: null, isDone: false, status: 'in_mould', version: 0 }),
  kind(loafEvents, loafEventRowSchema, 'entry of a loaf', {
    event: { type: 'noted', day: longAgo, text: 'This entry was damaged: see the damaged records.' },
  }),
  kind(dayTicks, dayTickRowSchema, 'tick of a day sheet', null),
  kind(owedSales, owedSaleRowSchema, 'sale that is owed', null),
  kind(roomReadings, roomReadingRowSchema, 'reading of the room', null),
  kind(shopOffers, shopOfferRowSchema, 'offer of the shop', { name: named('offer'), offered: 0, priceCents: 0 }),
  kind(shopSales, shopSaleRowSchema, 'sale of the shop', null),
]
