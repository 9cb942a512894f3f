import type { NewMaker, NewMould, WorkshopDetails } from '@vendange/contract'
import { plainMould } from '@vendange/contract'

/** The day on which the demo stands still. */
export const demoToday = '2027-03-08'
/** The day on which its history begins. */
export const demoBegins = '2026-03-01'
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
  prepAheadDays: 4,
  bufferDays: 3,
  pricing: {
    hourCents: 1800,
    sharedHourCents: 150,
    packingCentsPerBar: 35,
    bevelCentsPerBar: 40,
    stampCents: 6500,
    breakageShare: 0.03,
    bevelMinutesPerBar: 1,
    stampMinutesPerBar: 0.4,
    barCents: 950,
    shopShare: 0.6,
    subscriberShare: 0.9,
  },
  quoting: {
    contact: 'post@quillon-lane.example',
    taxName: 'VAT',
    taxShare: 0.23,
    isTaxIncluded: true,
    marginShare: 0.1,
    depositShare: 0.3,
    validDays: 14,
    terms:
      'Made by hand: colours and swirls differ from bar to bar. The deposit buys the ingredients and the stamp, and is kept if the order is called off after its first pour. Collected from the workshop.',
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
  lyeRounding: 'down',
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
    wallMm: 12,
    baseMm: 12,
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
    wallMm: 12,
    baseMm: 12,
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
    wallMm: 12,
    baseMm: 12,
    count: 4,
  },
}
