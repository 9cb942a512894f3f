import type { NewOwnFat, NewRecipe } from '@vendange/contract'
import { blankOwnFat, plainRecipe } from '@vendange/contract'

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
/** When they were changed. */
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
