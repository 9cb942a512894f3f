import type { NewOrder } from './order'
import type { NewCollection, NewDesign } from './plan'

/** What a new soap has before its maker says more. */
export const blankDesign = {
  technique: '',
  scent: null,
  colours: [],
  recipeId: null,
  mouldId: null,
  mouldCount: 1,
  barsWanted: 12,
  labelMassG: 100,
  bevelled: false,
  stamped: false,
  earliestDay: null,
  notesForNextTime: '',
  broughtFromId: null,
  lessons: [],
  results: [],
} satisfies Omit<NewDesign, 'name' | 'collectionId'>

/** What a new collection has before its maker says more. */
export const blankCollection = {
  theme: '',
  palette: [],
  early: [],
  channels: [],
  promises: [],
  state: 'idea',
} satisfies Omit<NewCollection, 'name' | 'releaseLocal' | 'releaseZone'>

/** What a new order has before the client says more. */
export const blankOrder = {
  contact: '',
  bars: 48,
  labelMassG: 100,
  recipeId: null,
  scent: null,
  colours: [],
  stampLeadDays: null,
  bevelled: false,
  packing: '',
  notes: '',
  state: 'asked',
  depositCents: 0,
  earliestDay: null,
  collectionId: null,
  priceCents: null,
} satisfies Omit<NewOrder, 'client' | 'dueDay'>
