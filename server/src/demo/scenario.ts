import type {
  NewCollection,
  NewDesign,
  NewMaker,
  NewMould,
  NewOrder,
  NewOwnFat,
  NewRecipe,
  WorkshopDetails,
} from '@vendange/contract'
import { blankOrder, blankOwnFat, plainMould, plainRecipe } from '@vendange/contract'

/** The day on which the demo stands still. */
export const demoToday = '2027-03-08'
export const demoZone = 'Europe/Lisbon'

export const demoWorkshop: WorkshopDetails = {
  name: 'Quillon Lane',
  massUnit: 'g',
  lengthUnit: 'mm',
  temperatureUnit: '°C',
  currency: 'EUR',
  timeZone: demoZone,
  exceptions: [
    { day: '2027-03-19', hours: 0, reason: 'Bank holiday' },
    { day: '2027-04-03', hours: 0, reason: 'Market' },
  ],
  weekStartMin: [1140, 1140, 1080, 1080, 1140, 540, 540],
  racks: [
    { name: 'North rack', trays: 14 },
    { name: 'Door rack', trays: 10 },
  ],
  cutTools: [
    { name: 'Splitter', kind: 'splitter', spacingMm: 82, piecesAPass: 3 },
    { name: 'Ten-wire cutter', kind: 'multi_wire', spacingMm: 25, piecesAPass: 10 },
    { name: 'Single wire', kind: 'single_wire', spacingMm: 0, piecesAPass: 1 },
  ],
  makerAddress: 'Quillon Lane, 7 Sample Row, 0000 Exampleton',
  labelStyle: 'eu',
  inchStyle: 'sixteenths',
  barsPerTray: 18,
  ovenSlots: 2,
  bufferDays: 3,
  pricing: {
    hourCents: 1800,
    packingCentsPerBar: 35,
    bevelCentsPerBar: 40,
    stampCents: 6500,
    breakageShare: 0.03,
    bevelMinutesPerBar: 1,
    stampMinutesPerBar: 0.4,
    ingredients: [
      { key: 'olive', centsPerKg: 890 },
      { key: 'coconut', centsPerKg: 520 },
      { key: 'shea', centsPerKg: 980 },
      { key: 'rice_bran', centsPerKg: 640 },
      { key: 'castor', centsPerKg: 760 },
      { key: 'sunflower_high_oleic', centsPerKg: 380 },
      { key: 'cocoa_butter', centsPerKg: 1650 },
      { key: 'rapeseed_low_erucic', centsPerKg: 340 },
      { key: 'babassu', centsPerKg: 1250 },
      { key: 'mango_butter', centsPerKg: 1450 },
      { key: 'naoh', centsPerKg: 420 },
      { key: 'scent', centsPerKg: 9800 },
      { key: 'colourant', centsPerKg: 4200 },
    ],
  },
  setupHours: 0.5,
  prepHours: 0.75,
  pourHours: 1.5,
  cutHours: 0.75,
  largestPotMl: 6000,
  lyeJugMl: 2000,
  ownFactors: [],
  ownClaims: [{ key: 'own:soy', name: 'free of soy', without: ['Soybean oil', 'Soy wax'] }],
  scaleResolutionG: 1,
  potLoss: 0.02,
  cureLoss: 0.11,
  soapingTemperatureC: 38,
}

export const demoMakers: readonly NewMaker[] = [
  {
    name: 'Ilse',
    weekHours: [1.5, 1.5, 2, 2.5, 1.5, 3, 0],
    exceptions: [{ day: '2027-03-28', hours: 4, reason: 'Extra Sunday' }],
  },
  { name: 'Bram', weekHours: [1, 1, 2, 2, 1, 3, 0], exceptions: [] },
]

export const demoMoulds: Readonly<Record<'long' | 'tall' | 'short', NewMould>> = {
  long: {
    name: 'Long loaf',
    lengthMm: 460,
    widthMm: 86,
    heightMm: 80,
    linerMm: 1,
    fillHeightMm: 62,
    barThicknessMm: 25,
    endTrimMm: 4,
    kerfMm: 0,
    ...plainMould,
    count: 2,
  },
  tall: {
    name: 'Tall loaf',
    lengthMm: 330,
    widthMm: 70,
    heightMm: 110,
    linerMm: 1,
    fillHeightMm: 92,
    barThicknessMm: 25,
    endTrimMm: 4,
    kerfMm: 0,
    ...plainMould,
    count: 1,
  },
  short: {
    name: 'Short loaf',
    lengthMm: 250,
    widthMm: 80,
    heightMm: 70,
    linerMm: 1,
    fillHeightMm: 56,
    barThicknessMm: 20,
    endTrimMm: 3,
    kerfMm: 0,
    ...plainMould,
    count: 4,
  },
}

export const demoRecipes: Readonly<Record<'house' | 'fluid' | 'kernel', NewRecipe>> = {
  house: {
    name: 'House bar',
    fats: [
      { fatKey: 'olive', share: 0.42, atTrace: false },
      { fatKey: 'coconut', share: 0.27, atTrace: false },
      { fatKey: 'shea', share: 0.16, atTrace: false },
      { fatKey: 'rice_bran', share: 0.1, atTrace: false },
      { fatKey: 'castor', share: 0.05, atTrace: false },
    ],
    superfat: 0.05,
    lyeConcentration: 0.33,
    naohPurity: 0.99,
    ...plainRecipe,
    setDaysMin: 1,
    setDaysMax: 3,
    cureDays: 28,
    oven: true,
    notes: 'Firm after a day. Keeps its edges in the wire cutter.',
  },
  fluid: {
    name: 'Slow pour',
    fats: [
      { fatKey: 'sunflower_high_oleic', share: 0.34, atTrace: false },
      { fatKey: 'olive', share: 0.18, atTrace: false },
      { fatKey: 'coconut', share: 0.24, atTrace: false },
      { fatKey: 'cocoa_butter', share: 0.14, atTrace: false },
      { fatKey: 'castor', share: 0.1, atTrace: false },
    ],
    superfat: 0.05,
    lyeConcentration: 0.31,
    naohPurity: 0.99,
    ...plainRecipe,
    school: { lye: 'night_before', gel: 'avoided', scent: 'last' },
    setDaysMin: 1,
    setDaysMax: 3,
    cureDays: 28,
    oven: false,
    notes: 'Stays pourable for swirls. Needs the second day in the mould when the room is cold.',
  },
  kernel: {
    name: 'Guest bar',
    fats: [
      { fatKey: 'rapeseed_low_erucic', share: 0.35, atTrace: false },
      { fatKey: 'babassu', share: 0.3, atTrace: false },
      { fatKey: 'mango_butter', share: 0.25, atTrace: false },
      { fatKey: 'castor', share: 0.1, atTrace: false },
    ],
    superfat: 0.06,
    lyeConcentration: 0.34,
    naohPurity: 0.99,
    ...plainRecipe,
    setDaysMin: 1,
    setDaysMax: 2,
    cureDays: 28,
    oven: false,
    notes: '',
  },
}

/** How a recipe stood until it was changed, so that there is an older version to look at. */
export const demoEarlier: Readonly<Record<string, Partial<NewRecipe>>> = {
  house: {
    fats: [
      { fatKey: 'olive', share: 0.5, atTrace: false },
      { fatKey: 'coconut', share: 0.3, atTrace: false },
      { fatKey: 'shea', share: 0.2, atTrace: false },
    ],
    superfat: 0.06,
    cureDays: 35,
  },
}
export const demoBegins = '2026-03-01'
export const demoRecipesChanged = '2026-03-20'

/** A fat that the table has not, by the certificate of a made-up mill. */
export const demoOwnFat: NewOwnFat = {
  ...blankOwnFat,
  name: 'Pumpkin-seed oil',
  inci: 'Cucurbita Pepo Seed Oil',
  soapInci: 'Sodium Pumpkinseedate',
  densityGMl: 0.914,
  saponificationValue: { min: 187, typical: 190.5, max: 195 },
  fattyAcidPercent: {
    caprylic: 0,
    capric: 0,
    lauric: 0,
    myristic: 0,
    palmitic: 12,
    palmitoleic: 0,
    stearic: 6,
    oleic: 29,
    linoleic: 52,
    linolenic: 0,
    ricinoleic: 0,
    longer: 0,
  },
  supplier: 'Oil merchant',
  certificateDay: '2027-02-16',
}

/** What most soaps leave as a new one has it. */
type Usual =
  | 'moreMoulds'
  | 'pourPlan'
  | 'face'
  | 'batterHex'
  | 'displacedMl'
  | 'topMl'
  | 'bevelled'
  | 'stamped'
  | 'earliestDay'
  | 'notesForNextTime'
  | 'broughtFromId'
  | 'lessons'
  | 'results'

export interface DemoSoap
  extends Omit<NewDesign, 'collectionId' | 'recipeId' | 'mouldId' | Usual>, Partial<Pick<NewDesign, Usual>> {
  readonly recipe: keyof typeof demoRecipes
  readonly mould: keyof typeof demoMoulds
  /** Day of the pour; null leaves it off the calendar. */
  readonly pourDay: string | null
  /** How far its story goes by the demo's day. */
  readonly story: 'unplanned' | 'planned' | 'in_mould' | 'curing' | 'released'
  /** What the cut and the release gave, for those that got so far. */
  readonly cut?: { readonly bars: number; readonly bevelled: boolean }
  readonly release?: { readonly day: string; readonly bars: number }
  /** Minutes that stamping each of its loaves took, on the day of the cut. */
  readonly stampMin?: number
  readonly note?: string
}

type UsualOfCollection = 'early' | 'channels' | 'promises' | 'state'

export interface DemoCollection
  extends Omit<NewCollection, UsualOfCollection>, Partial<Pick<NewCollection, UsualOfCollection>> {
  readonly soaps: readonly DemoSoap[]
}

const families: Readonly<Record<string, string>> = {
  'Citrus peel blend': 'citrus',
  'Linen steam blend': 'clean',
  'Cold iron blend': 'mineral',
  'Wet stone blend': 'mineral',
  'Polished wood blend': 'wood',
  'Amber blend': 'resin',
}
const scent = (name: string, rate: number, supplierLimit: number) => ({
  name,
  rate,
  supplierLimit,
  family: families[name] ?? 'other',
})
type DemoColour = DemoSoap['colours'][number]
const colour = (
  name: string,
  hex: string,
  share: number,
  rateGPerKg = 8,
  more: Partial<DemoColour> = {},
): DemoColour => ({ name, hex, share, rateGPerKg, ...more })
const inWater: Partial<DemoColour> = { wetting: { with: 'water', ratio: 2 } }
const inFat: Partial<DemoColour> = { wetting: { with: 'fat', ratio: 2 } }

// An order larger than one batch is poured in turns.
const regattaPour = (turn: string, pourDay: string): DemoSoap => ({
  name: `Regatta, ${turn} pour`,
  technique: 'two level layers',
  scent: scent('Citrus peel blend', 0.03, 0.05),
  labelMassG: 115,
  barsWanted: 35,
  mouldCount: 2,
  recipe: 'house',
  mould: 'long',
  pourDay,
  story: 'curing',
  cut: { bars: 18, bevelled: true },
  bevelled: true,
  stamped: true,
  stampMin: 6,
  colours: [colour('club red', '#A3343C', 0.5, 10), colour('oar white', '#F4EEE2', 0.5, 4)],
})
const guestPour = (turn: string, pourDay: string): DemoSoap => ({
  name: `Guest Linen, ${turn} pour`,
  technique: 'plain',
  scent: scent('Linen steam blend', 0.02, 0.04),
  labelMassG: 75,
  barsWanted: 48,
  mouldCount: 4,
  recipe: 'kernel',
  mould: 'short',
  pourDay,
  story: 'curing',
  cut: { bars: 12, bevelled: false },
  colours: [colour('linen', '#EADFCB', 0.85, 0), colour('hem', '#8FA39A', 0.15, 5)],
})

/** Bevelled after their order was quoted without it: as many loaves of a soap, the first ones. */
export const demoBevelled = {
  soap: 'Guest Linen, second pour',
  day: '2027-03-06',
  loaves: 2,
  minutes: 14,
} as const

/** A year of history, and a season under way. Everything here is made up. */
export const demoCollections: readonly DemoCollection[] = [
  {
    name: 'Night Train, first run',
    theme: 'A sleeper line from dusk to dawn. The first year.',
    palette: [
      { name: 'carriage blue', hex: '#27364F' },
      { name: 'lamp amber', hex: '#D99A3C' },
    ],
    releaseLocal: '2026-05-09T19:00',
    releaseZone: demoZone,
    state: 'looked_back',
    soaps: [
      {
        name: 'Sleeper Blue',
        technique: 'level layers',
        scent: scent('Linen steam blend', 0.03, 0.04),
        labelMassG: 115,
        barsWanted: 18,
        mouldCount: 1,
        recipe: 'house',
        mould: 'long',
        pourDay: '2026-04-04',
        story: 'released',
        cut: { bars: 18, bevelled: true },
        release: { day: '2026-05-07', bars: 17 },
        note: 'Sold out in two days. Make two loaves next time.',
        notesForNextTime: 'Make two loaves.\nPour the dusk layer thinner: it hid the pillow.',
        results: [
          { channel: 'Web', offered: 12, sold: 12, days: 2 },
          { channel: 'Stalls', offered: 5, sold: 5, days: 8 },
        ],
        colours: [
          colour('carriage blue', '#27364F', 0.5),
          colour('pillow', '#E9E2D4', 0.3, 0),
          colour('dusk', '#6E6A8C', 0.2),
        ],
      },
      {
        name: 'Platform Fog',
        technique: 'hanger pull',
        scent: scent('Cold iron blend', 0.028, 0.035),
        labelMassG: 115,
        barsWanted: 18,
        mouldCount: 1,
        recipe: 'fluid',
        mould: 'long',
        pourDay: '2026-04-08',
        story: 'released',
        cut: { bars: 17, bevelled: false },
        release: { day: '2026-05-08', bars: 17 },
        note: 'The white went cream by week three: the scent yellows it.',
        notesForNextTime: 'Leave the fog pot unscented.',
        results: [
          { channel: 'Web', offered: 12, sold: 12, days: 5 },
          { channel: 'Stalls', offered: 5, sold: 3, days: 30 },
        ],
        colours: [colour('fog', '#DAD8DE', 0.6, 0), colour('rail', '#6F6A7A', 0.25), colour('night', '#3A3644', 0.15)],
      },
    ],
  },
  {
    name: 'Mineral Cabinet, first drawer',
    theme: 'Banded and veined stones.',
    palette: [{ name: 'malachite', hex: '#1F7A55' }],
    releaseLocal: '2026-10-03T10:00',
    releaseZone: demoZone,
    state: 'released',
    soaps: [
      {
        name: 'Banded Agate',
        technique: 'level layers',
        scent: scent('Wet stone blend', 0.03, 0.045),
        labelMassG: 115,
        barsWanted: 18,
        mouldCount: 1,
        recipe: 'house',
        mould: 'long',
        pourDay: '2026-08-29',
        story: 'released',
        cut: { bars: 18, bevelled: true },
        release: { day: '2026-10-01', bars: 18 },
        colours: [
          colour('rust', '#A6532F', 0.3),
          colour('sand', '#E3C9A0', 0.3),
          colour('ochre', '#C9873B', 0.2),
          colour('milk', '#F1E7D6', 0.2, 0),
        ],
      },
      {
        name: 'Slate Vein',
        technique: 'powder lines',
        scent: scent('Cold iron blend', 0.028, 0.035),
        labelMassG: 135,
        barsWanted: 12,
        mouldCount: 1,
        recipe: 'house',
        mould: 'tall',
        pourDay: '2026-09-02',
        story: 'released',
        cut: { bars: 12, bevelled: false },
        release: { day: '2026-10-02', bars: 11 },
        note: 'One end crumbled: cut a day earlier.',
        colours: [
          colour('slate', '#47545C', 0.7),
          colour('vein', '#C9CED0', 0.1, 0),
          colour('deep slate', '#2F383E', 0.2),
        ],
      },
    ],
  },
  {
    name: 'Regatta',
    state: 'in_work',
    theme: 'For the rowing club: 140 bevelled, stamped bars in club colours.',
    palette: [
      { name: 'club red', hex: '#A3343C' },
      { name: 'oar white', hex: '#F4EEE2' },
    ],
    releaseLocal: '2027-03-26T12:00',
    releaseZone: demoZone,
    soaps: [
      regattaPour('first', '2027-02-10'),
      regattaPour('second', '2027-02-13'),
      regattaPour('third', '2027-02-17'),
      regattaPour('fourth', '2027-02-20'),
    ],
  },
  {
    name: 'Guest house, April',
    state: 'in_work',
    theme: '96 small bars for the guest house, again each month.',
    palette: [{ name: 'linen', hex: '#EADFCB' }],
    releaseLocal: '2027-04-02T09:00',
    releaseZone: demoZone,
    soaps: [guestPour('first', '2027-02-27'), { ...guestPour('second', '2027-03-03'), bevelled: true }],
  },
  {
    name: 'Night Train',
    theme: 'A sleeper line from the platform at dusk to the arrival at dawn.',
    palette: [
      { name: 'carriage blue', hex: '#27364F' },
      { name: 'lamp amber', hex: '#D99A3C' },
      { name: 'signal red', hex: '#B5412B' },
      { name: 'dining plum', hex: '#5B1F2B' },
      { name: 'dawn rose', hex: '#E2A08F' },
    ],
    releaseLocal: '2027-04-10T19:00',
    releaseZone: demoZone,
    early: [{ audience: 'Subscribers', local: '2027-04-10T12:00' }],
    channels: [
      { channel: 'Web', bars: 54 },
      { channel: 'Subscribers', bars: 15 },
      { channel: 'Stalls', bars: 15 },
    ],
    promises: ['vegan', 'palm_free'],
    state: 'in_work',
    soaps: [
      {
        name: 'Platform Fog',
        technique: 'hanger pull',
        scent: scent('Cold iron blend', 0.025, 0.035),
        labelMassG: 115,
        barsWanted: 18,
        mouldCount: 1,
        recipe: 'fluid',
        mould: 'long',
        pourDay: '2027-02-24',
        story: 'curing',
        cut: { bars: 18, bevelled: false },
        colours: [colour('fog', '#DAD8DE', 0.6, 0), colour('rail', '#6F6A7A', 0.25), colour('night', '#3A3644', 0.15)],
      },
      {
        name: 'Dining Car',
        technique: 'powder lines',
        scent: scent('Polished wood blend', 0.03, 0.04),
        labelMassG: 115,
        barsWanted: 18,
        mouldCount: 1,
        recipe: 'house',
        mould: 'long',
        pourDay: '2027-03-06',
        story: 'in_mould',
        colours: [
          colour('dining plum', '#5B1F2B', 0.45, 10),
          colour('tablecloth', '#F2E8DA', 0.15, 4),
          colour('brass rail', '#B98A3E', 0.1),
          colour('plum light', '#8C3B4A', 0.3),
        ],
      },
      {
        name: 'Lantern Glass',
        technique: 'drop pour',
        scent: scent('Amber blend', 0.03, 0.042),
        labelMassG: 135,
        barsWanted: 12,
        mouldCount: 1,
        recipe: 'fluid',
        mould: 'tall',
        pourDay: '2027-03-11',
        story: 'planned',
        colours: [
          colour('lamp amber', '#D99A3C', 0.45, 7, { ...inWater, portion: 'rest' }),
          colour('glass', '#F1E2BE', 0.35, 0, { scentPart: 0 }),
          colour('soot', '#7A3E1D', 0.2, 9, inFat),
        ],
      },
      {
        name: 'Signal Lamps',
        technique: 'spoon fold',
        scent: scent('Cold iron blend', 0.025, 0.035),
        labelMassG: 115,
        barsWanted: 18,
        mouldCount: 1,
        recipe: 'house',
        mould: 'long',
        pourDay: '2027-03-10',
        story: 'planned',
        colours: [
          colour('line night', '#232C38', 0.6, 11),
          colour('signal red', '#B5412B', 0.25, 10),
          colour('go amber', '#E0912F', 0.15, 8),
        ],
      },
      {
        name: 'Dawn Arrival',
        technique: 'sloped layers',
        scent: scent('Citrus peel blend', 0.03, 0.05),
        labelMassG: 115,
        barsWanted: 18,
        mouldCount: 1,
        recipe: 'fluid',
        mould: 'long',
        pourDay: '2027-03-17',
        story: 'planned',
        colours: [
          colour('night indigo', '#3B3E6B', 0.35, 9),
          colour('violet', '#8A6A9B', 0.2, 7),
          colour('dawn rose', '#E2A08F', 0.25, 6),
          colour('first light', '#F4DDB0', 0.2, 0),
        ],
      },
    ],
  },
  {
    name: 'Mineral Cabinet',
    theme: 'Banded, veined and speckled stones from an old cabinet.',
    palette: [
      { name: 'malachite', hex: '#1F7A55' },
      { name: 'flint', hex: '#3E4448' },
      { name: 'quartz rose', hex: '#D7A7A5' },
    ],
    releaseLocal: '2027-05-15T10:00',
    releaseZone: demoZone,
    channels: [{ channel: 'Web', bars: 40 }],
    state: 'line_up',
    soaps: [
      {
        name: 'Malachite',
        technique: 'pot swirl',
        scent: scent('Wet stone blend', 0.03, 0.045),
        labelMassG: 115,
        barsWanted: 18,
        mouldCount: 1,
        recipe: 'fluid',
        mould: 'long',
        pourDay: '2027-04-08',
        story: 'planned',
        colours: [
          colour('deep green', '#0F4B36', 0.35, 10),
          colour('malachite', '#1F7A55', 0.4, 9),
          colour('light band', '#7FBF9A', 0.25, 6),
        ],
      },
      {
        name: 'Chalk & Flint',
        technique: 'cubes folded in',
        scent: null,
        labelMassG: 75,
        barsWanted: 24,
        mouldCount: 2,
        recipe: 'kernel',
        mould: 'short',
        pourDay: null,
        story: 'unplanned',
        colours: [colour('chalk', '#F3EFE6', 0.7, 5), colour('flint', '#3E4448', 0.3, 9)],
      },
      {
        name: 'Rose Quartz',
        technique: 'powder lines',
        scent: scent('Linen steam blend', 0.028, 0.04),
        labelMassG: 135,
        barsWanted: 12,
        mouldCount: 1,
        recipe: 'house',
        mould: 'tall',
        pourDay: null,
        story: 'unplanned',
        colours: [
          colour('quartz rose', '#D7A7A5', 0.6, 6),
          colour('clear', '#F3E3DF', 0.25, 0),
          colour('seam', '#9C5B63', 0.15, 8),
        ],
      },
    ],
  },
]

type DemoOrder = NewOrder & { readonly recipe: keyof typeof demoRecipes; readonly became?: string }

const guestOrder = (month: string, dueDay: string): DemoOrder => ({
  ...blankOrder,
  client: `Guest house, ${month}`,
  contact: 'The guest house, by letter',
  bars: 96,
  labelMassG: 75,
  dueDay,
  recipe: 'kernel',
  scent: { name: 'Linen steam blend', rate: 0.02 },
  colours: [
    { name: 'linen', hex: '#EADFCB', rateGPerKg: 0 },
    { name: 'hem', hex: '#8FA39A', rateGPerKg: 5 },
  ],
  packing: 'Loose in a crate',
})

/** Clients' orders; those with a collection were accepted and are under way as that collection. */
export const demoOrders: readonly DemoOrder[] = [
  {
    ...blankOrder,
    client: 'Rowing club regatta',
    contact: 'The boathouse, by telephone',
    bars: 140,
    labelMassG: 115,
    dueDay: '2027-03-26',
    recipe: 'house',
    scent: { name: 'Citrus peel blend', rate: 0.03 },
    colours: [
      { name: 'club red', hex: '#A3343C', rateGPerKg: 10 },
      { name: 'oar white', hex: '#F4EEE2', rateGPerKg: 4 },
    ],
    stampLeadDays: 12,
    bevelled: true,
    packing: 'Paper band, boxes of 20',
    state: 'accepted',
    depositCents: 25000,
    priceCents: 78000,
    became: 'Regatta',
  },
  {
    ...guestOrder('April', '2027-04-02'),
    state: 'accepted',
    priceCents: 31000,
    became: 'Guest house, April',
  },
  { ...guestOrder('May', '2027-05-03'), notes: 'Again each month, if they like it.' },
]
