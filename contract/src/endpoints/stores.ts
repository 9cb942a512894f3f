import { create, get, post, repositoryEndpoints, taking } from '../endpoint'
import type { LotPage, Prices } from '@vendange/core/stores'
import type { LotTableQuery } from '../schemas/loafQuery'
import type {
  NewInfusion,
  Strained,
  NewIngredient,
  NewLot,
  SavedIngredient,
  SavedLot,
  StatedPrices,
  StoresImport,
} from '../schemas/stores'
import type { ScrapView } from '../barViews'
import type { StoresView } from '../views'

/** Ingredients and their lots. */
export const storesEndpoints = {
  stores: get<StoresView>()('/api/stores', 'Ingredients, their lots, and what the pours on the calendar take of them'),
  takeStoresIn: taking<StoresImport>()(
    post<StoresView>()('/api/stores/lines', 'Take the lines of a stores file in, all of them or none'),
  ),
  prices: get<Prices>()('/api/prices', 'What everything in the stores costs'),
  statePrices: taking<StatedPrices>()(
    post<Prices>()('/api/prices', 'State prices of things that no lot has one for, all of them or none'),
  ),
  ingredients: repositoryEndpoints<NewIngredient, SavedIngredient>()('/api/ingredients', 'ingredient'),
  lotCards: get<Blob>()(
    '/api/ingredients/:id/lot-cards.pdf',
    'A card with a code for each lot of an ingredient that is not used up, to print',
  ),
  scraps: get<readonly ScrapView[]>()('/api/scraps', 'The scrap bin: pieces of earlier soap by colour and lot'),
  infusions: {
    start: taking<NewInfusion>()(
      create<SavedLot>()(
        '/api/infusions',
        'Put a herb into an oil of the stores; the lot that comes of it steeps until it is strained',
      ),
    ),
    strain: taking<Strained>()(post<SavedLot>()('/api/lots/:id/strain', 'Strain an infusion: so much came out of it')),
  },
  lotTable: taking<LotTableQuery>()(
    post<LotPage>()('/api/lots/table', 'A page of all lots that fit some wishes, those that are used up among them'),
  ),
  lots: repositoryEndpoints<NewLot, SavedLot>()('/api/lots', 'lot'),
} as const
