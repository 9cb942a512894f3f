import type { BatchSource } from '@vendange/core/batch'
import { scaleDesign } from '@vendange/core/batch'
import { fatTable } from '@vendange/core/fats'
import type { SeasonBatch } from '@vendange/core/season'
import { OpenSeason, seasonOf, suggestPourDay } from '@vendange/core/season'
import type { Wish, WishProblem } from '@vendange/core/wishes'
import { nearestRecipe } from '@vendange/core/wishes/nearest'
import { percentile, report, timesOf } from './measure'

const fats = fatTable.slice(0, 12)
const source = {
  design: { name: 'Bench', scent: null, colours: [], mouldCount: 2, barsWanted: 20, labelMassG: 100 },
  recipe: {
    fats: fats.map(({ key }) => ({ fatKey: key, share: 1 / fats.length })),
    superfat: 0.05,
    lyeConcentration: 0.33,
    naohPurity: 1,
  },
  mould: {
    name: 'Loaf',
    lengthMm: 250,
    widthMm: 80,
    heightMm: 70,
    linerMm: 1,
    fillHeightMm: 60,
    barThicknessMm: 25,
    endTrimMm: 2,
    kerfMm: 0,
  },
  settings: { scaleResolutionG: 1, potLoss: 0.02, cureLoss: 0.11, soapingTemperatureC: 43 },
}

/** The least that could be done: one pass over the same twelve fats. */
function bareLoop(): number {
  let kohG = 0
  for (const { saponificationValue } of fats) kohG += (saponificationValue.typical / 1000) * 100
  return kohG
}

const whole: BatchSource = {
  ...source,
  recipe: {
    ...source.recipe,
    kohShare: 0.05,
    liquids: [{ name: 'Milk', waterShare: 0.88, partOfWater: 0.4, place: 'lye', contains: ['animal'] }],
    additives: [
      {
        name: 'Clay',
        basis: 'fats',
        rate: 0.02,
        place: 'emulsion',
        wetting: { with: 'water', ratio: 2 },
        contains: [],
      },
    ],
  },
  design: {
    ...source.design,
    mouldCount: 6,
    colours: Array.from({ length: 6 }, (_, pot) => ({
      name: `pot ${pot}`,
      hex: '#808080',
      share: 1 / 6,
      rateGPerKg: 5,
    })),
  },
}

const wishes: readonly Wish[] = [
  { kind: 'fat', fatKey: 'coconut', sense: 'at_most', limit: 0.2 },
  { kind: 'fat', fatKey: 'olive', sense: 'at_least', limit: 0.1 },
  { kind: 'fat', fatKey: 'castor', sense: 'at_most', limit: 0.1 },
  { kind: 'free_of', content: 'palm' },
  { kind: 'free_of', content: 'animal' },
  { kind: 'acids', acids: 'polyunsaturated', sense: 'at_most', limit: 0.12 },
  { kind: 'acids', acids: 'foaming', sense: 'at_least', limit: 0.12 },
  { kind: 'acids', acids: 'firm', sense: 'at_least', limit: 0.14 },
  { kind: 'liquid', sense: 'at_least', limit: 0.5 },
  { kind: 'bar_cost', limitCents: 90 },
]
const thirtyFats: WishProblem = {
  fats: source.recipe.fats,
  wishes,
  locked: [],
  mayAdd: fatTable.slice(0, 30).map(({ key }) => key),
  cost: {
    centsPerKg: Object.fromEntries(fatTable.map(({ key }, index) => [key, 300 + 37 * index])),
    naohCentsPerKg: 400,
    fatsGPerBar: 70,
    superfat: 0.05,
  },
}
const contradictory: WishProblem = {
  ...thirtyFats,
  wishes: [
    ...wishes.slice(0, 8),
    { kind: 'liquid', sense: 'at_least', limit: 0.97 },
    { kind: 'acids', acids: 'firm', sense: 'at_least', limit: 0.3 },
  ],
}
const seeking: SeasonBatch = {
  id: 'new:soap',
  name: 'Soap',
  days: undefined,
  earliestDay: undefined,
  trays: 2,
  weight: 1,
  status: 'planned',
  isPinned: false,
  mouldId: 'long',
  mouldCount: 1,
  neededDay: '2027-06-01',
  demand: { prepHours: 0.75, pourHours: 1.5, cutHours: 0.75, setDays: { min: 1, max: 3 }, cureDays: 28, oven: false },
}
const workshop = {
  working: { makers: [{ weekHours: [2, 2, 2, 2, 2, 6, 0], exceptions: [] }], exceptions: [] },
  setupHours: 0.5,
  mouldCounts: { long: 1 },
  ovenSlots: 2,
  trays: 24,
  bufferDays: 3,
}

/** Recomputing a batch and suggesting its day, against a bare loop over the same table. */
export async function benchFormulate(): Promise<void> {
  const thousandLoops = percentile(
    await timesOf(200, () => {
      for (let run = 0; run < 1000; run++) bareLoop()
    }),
    0.5,
  )
  const loopMs = thousandLoops / 1000
  report(
    'A 12-fat batch scaled to two moulds, median',
    percentile(await timesOf(2000, () => scaleDesign(source)), 0.5),
    'a bare loop',
    loopMs,
  )
  report(
    'The same with two alkalis, milk, clay and 6 pots into 6 moulds, median',
    percentile(await timesOf(2000, () => scaleDesign(whole)), 0.5),
    'a bare loop',
    loopMs,
  )
  await nearestRecipe(thirtyFats)
  report(
    'Wish solver, 30 fats and 10 wishes, median',
    percentile(await timesOf(20, () => nearestRecipe(thirtyFats)), 0.5),
    'a bare loop',
    loopMs,
  )
  report(
    'Wish solver, 10 wishes of which two contradict, median',
    percentile(await timesOf(10, () => nearestRecipe(contradictory)), 0.5),
    'a bare loop',
    loopMs,
  )
  report(
    'A pour day suggested, median',
    percentile(
      await timesOf(300, () => suggestPourDay(new OpenSeason(seasonOf([seeking], workshop, '2027-03-08')), seeking.id)),
      0.5,
    ),
    'a bare loop',
    loopMs,
  )
}
