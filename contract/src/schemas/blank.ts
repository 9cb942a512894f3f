import type { NewCustomer } from './customer'
import type { NewMould } from './mould'
import type { NewOrder } from './order'
import type { NewCollection } from './collection'
import type { NewDesign } from './plan'
import type { NewOwnFat } from './ownFat'
import type { NewIngredient } from './stores'
import type { NewRecipe } from './recipe'
import type { NewMaker, WorkshopDetails } from './workshop'
import { usualKohPurity, usualSchool } from '@vendange/core/recipe'

/** What a new workshop plans and quotes with until its makers say otherwise. Estimates to start from. */
export const blankSeasonSettings = {
  weekStartMin: [1140, 1140, 1140, 1140, 1140, 540, 540],
  racks: [{ name: 'Rack', trays: 24 }],
  barsPerTray: 12,
  ovenSlots: 2,
  bufferDays: 3,
  prepAheadDays: 4,
  ownClaims: [],
  ownFactors: [],
  cutTools: [{ name: 'Single wire', kind: 'single_wire', spacingMm: 0, piecesAPass: 1 }],
  makerAddress: '',
  labelStyle: 'eu',
  inchStyle: 'sixteenths',
  pricing: {
    hourCents: 2000,
    sharedHourCents: 0,
    packingCentsPerBar: 30,
    bevelCentsPerBar: 40,
    stampCents: 6000,
    breakageShare: 0.03,
    bevelMinutesPerBar: 1,
    stampMinutesPerBar: 0.5,
    barCents: 900,
    shopShare: 0.6,
    subscriberShare: 0.9,
  },
  quoting: {
    contact: '',
    taxName: '',
    taxShare: 0,
    isTaxIncluded: true,
    marginShare: 0,
    depositShare: 0,
    validDays: 14,
    terms: '',
  },
} satisfies Partial<WorkshopDetails>

/** The hours of a new maker until they say otherwise. Estimates to start from. */
export const blankMaker = {
  weekHours: [2, 2, 2, 2, 2, 6, 0],
  exceptions: [],
} satisfies Omit<NewMaker, 'name'>

/** What a recipe has besides fats, lye and days until its maker says more. */
export const plainRecipe = {
  kohShare: 0,
  kohPurity: usualKohPurity,
  waterStyle: 'lye_concentration',
  liquids: [],
  additives: [],
  meetsAcids: true,
  claims: [],
  school: usualSchool,
} satisfies Partial<NewRecipe>

/** The plainest recipe that can be made: olive oil alone, where any recipe will do. */
export const oliveRecipe = {
  ...plainRecipe,
  fats: [{ fatKey: 'olive', share: 1, atTrace: false }],
  superfat: 0.05,
  lyeConcentration: 0.33,
  naohPurity: 1,
  setDaysMin: 1,
  setDaysMax: 3,
  cureDays: 28,
  oven: false,
  notes: '',
} satisfies Omit<NewRecipe, 'name'>

/** What a fat of the workshop's own has until its maker says more: about what most liquid oils have. Estimates. */
export const blankOwnFat = {
  inci: '',
  soapInci: '',
  kind: 'triglyceride',
  stateAt20C: 'liquid',
  densityGMl: 0.91,
  densityTemperatureC: 25,
  saponificationValue: { min: 185, typical: 190, max: 195 },
  fattyAcidPercent: null,
  unsaponifiablePercent: 1,
  contains: [],
  supplier: '',
  certificateDay: null,
} satisfies Omit<NewOwnFat, 'name'>

/** What a mould has that is a straight loaf of unmeasured size. */
export const plainMould = {
  shape: 'loaf',
  wallMm: 0,
  baseMm: 0,
  topLengthMm: null,
  topWidthMm: null,
  logCount: 1,
  cavityCount: 0,
  cavityMl: 0,
  measuredMl: null,
} satisfies Partial<NewMould>

/** A new mould before its maker measures it: a straight loaf of a usual size. */
export const blankMould = {
  lengthMm: 250,
  widthMm: 80,
  heightMm: 70,
  linerMm: 0,
  fillHeightMm: 60,
  barThicknessMm: 25,
  endTrimMm: 0,
  kerfMm: 0,
  ...plainMould,
  count: 1,
} satisfies Omit<NewMould, 'name'>

/** What the stores know of a new ingredient before its maker says more. */
export const blankIngredient = {
  kind: 'additive',
  ref: '',
  leadDays: 0,
  packSize: 0,
  perBar: 0,
  densityGMl: null,
  makeup: null,
  inci: '',
  listCents: 0,
  isListEstimate: true,
  notes: '',
} satisfies Omit<NewIngredient, 'name'>

/** What a new soap has before its maker says more. */
export const blankDesign = {
  technique: '',
  scent: null,
  colours: [],
  pourPlan: [],
  face: null,
  batterHex: null,
  recipeId: null,
  mouldId: null,
  mouldCount: 1,
  moreMoulds: [],
  displacedMl: 0,
  pieces: [],
  topMl: 0,
  barsWanted: 12,
  labelMassG: 100,
  bevelled: false,
  stamped: false,
  earliestDay: null,
  barCents: null,
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
  charges: [],
  recipients: [],
  packedDay: null,
  sentDay: null,
  paidDay: null,
  earliestDay: null,
  collectionId: null,
  priceCents: null,
  promisedDay: null,
  quoted: null,
} satisfies Omit<NewOrder, 'client' | 'dueDay'>

/** A subscriber or a shop, until the maker says otherwise. */
export const blankCustomer = {
  kind: 'subscriber',
  contact: '',
  address: '',
  wish: '',
  monthlyBars: 1,
  isPaused: false,
  isSaleOrReturn: false,
  priceCents: null,
} satisfies Omit<NewCustomer, 'name'>
