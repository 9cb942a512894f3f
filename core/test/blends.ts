import type { BatchPlan, BatchSettings, BatchSource } from '../src/batch'
import { batchPlan } from '../src/batch'
import type { Recipe } from '../src/recipe'

/** The recipe that the worked figures of these tests are reckoned for. */
export const workedRecipe: Recipe = {
  fats: [
    { fatKey: 'olive', share: 0.45 },
    { fatKey: 'coconut', share: 0.3 },
    { fatKey: 'shea', share: 0.25 },
  ],
  superfat: 0.05,
  lyeConcentration: 0.33,
  naohPurity: 1,
}

export const workedMould = {
  name: 'Loaf',
  lengthMm: 250,
  widthMm: 80,
  heightMm: 70,
  linerMm: 0,
  fillHeightMm: 60,
  barThicknessMm: 25,
  endTrimMm: 0,
  kerfMm: 0,
}

export const workedSettings: BatchSettings & { soapingTemperatureC: number } = {
  scaleResolutionG: 1,
  // What these figures were worked with; rounding down has tests of its own.
  lyeRounding: 'nearest',
  potLoss: 0.02,
  cureLoss: 0.11,
  soapingTemperatureC: 43,
}

export const workedSource: BatchSource = {
  design: {
    name: 'Lantern Glass',
    scent: { name: 'Amber blend', rate: 0.03, supplierLimit: 0.042 },
    colours: [
      { name: 'amber', hex: '#D99A3C', share: 0.6, rateGPerKg: 7 },
      { name: 'glass', hex: '#F1E2BE', share: 0.4, rateGPerKg: 0 },
    ],
    mouldCount: 1,
    barsWanted: 12,
    labelMassG: 100,
  },
  recipe: workedRecipe,
  mould: workedMould,
  settings: workedSettings,
}

/** Reckoned at each call, so that a test sees it being reckoned. */
export const workedPlan = (): BatchPlan => batchPlan(workedSource)
