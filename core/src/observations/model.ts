import type { BarConditions } from './bar'

/** What a maker can observe of a loaf and its bars, beside how its batter thickens. */
export const barObservationKeys = ['cuts', 'rubs', 'foam', 'strips', 'lasts', 'keeps'] as const
export type BarObservationKey = (typeof barObservationKeys)[number]

/** How unsure a figure is: standard deviations of its logarithm. */
export interface ObservationSpread {
  /** Between workshops: rooms, water, hands. */
  readonly workshop: number
  /** Between recipes of one workshop, of which the acids do not tell. */
  readonly recipe: number
  /** From one bar of a recipe to the next. */
  readonly each: number
}

interface Model {
  readonly spread: ObservationSpread
  readonly medianOf: (bar: BarConditions) => number
}

/** A bar as most are made: half solid fats, usual superfat and lye. What differs from it moves the figures. */
const usual = { superfat: 0.05, lyeConcentration: 0.33, saturated: 0.45, firm: 0.2, quick: 0.22, tender: 0.12 } as const

/** The bar of which the washes are told, g. */
export const toldBarG = 100

/**
 * The house's figures. Which acids count follows from their chemistry: soaps of short saturated chains dissolve and foam
 * at once and carry off skin's oils, those of long ones hardly dissolve; double bonds make acids soft and open to the
 * air. How much they count is an estimate from usual practice throughout, told as such on the screen and moved by what a
 * workshop sees of its own bars.
 */
const models: Readonly<Record<BarObservationKey, Model>> = {
  // Hours from the pour until a wire goes through cleanly.
  cuts: {
    spread: { workshop: 0.3, recipe: 0.2, each: 0.2 },
    medianOf: ({ saturated, lyeConcentration, superfat, oven, hasLactate, salt }) =>
      22 *
      Math.exp(
        -2.6 * (saturated - usual.saturated) -
          4 * (lyeConcentration - usual.lyeConcentration) +
          3 * (superfat - usual.superfat),
      ) *
      (oven ? 0.6 : 1) *
      (hasLactate ? 0.75 : 1) *
      (salt >= 0.25 ? 0.25 : 1),
  },
  // Turns of a wet bar in the hands until it foams.
  rubs: {
    spread: { workshop: 0.35, recipe: 0.2, each: 0.3 },
    medianOf: ({ quick, superfat, hasSugar, scours, salt }) =>
      8 *
      Math.exp(-4 * (quick - usual.quick) + 4 * (superfat - usual.superfat) + (quick < 0.5 ? 1.2 * salt : 0)) *
      (hasSugar ? 0.9 : 1) *
      (scours ? 1.3 : 1),
  },
  // How much foam, on the index that `wordBounds` divides.
  foam: {
    spread: { workshop: 0.3, recipe: 0.2, each: 0.25 },
    medianOf: ({ quick, ricinoleic, superfat, hasSugar, scours }) =>
      Math.max(0.01, quick + 0.5 * ricinoleic) *
      Math.exp(-3 * (superfat - usual.superfat)) *
      (hasSugar ? 1.1 : 1) *
      (scours ? 0.75 : 1),
  },
  // How much it strips, on the index that `wordBounds` divides.
  strips: {
    spread: { workshop: 0.3, recipe: 0.2, each: 0.3 },
    medianOf: ({ stripping, superfat }) => Math.max(0.01, stripping) * Math.exp(-4 * (superfat - usual.superfat)),
  },
  // Washes of two hands that a bar of 100 g lasts, dried between them.
  lasts: {
    spread: { workshop: 0.35, recipe: 0.2, each: 0.25 },
    medianOf: ({ firm, quick }) => 190 * Math.exp(2.2 * (firm - usual.firm) - 1.2 * (quick - usual.quick)),
  },
  // Months from the pour until it may smell or spot.
  keeps: {
    spread: { workshop: 0.3, recipe: 0.25, each: 0.3 },
    medianOf: ({ tender, superfat }) => 18 * Math.exp(-3.2 * (tender - usual.tender) - 4 * (superfat - usual.superfat)),
  },
}

/** A median in its own unit (h, turns, index, washes of 100 g, months), above 0, before anything was seen. An estimate. */
export const modelOf = (key: BarObservationKey, bar: BarConditions): number => models[key].medianOf(bar)
export const spreadOf = (key: BarObservationKey): ObservationSpread => models[key].spread

/** Where one word ends and the next begins, on the index of the acids. Estimates. */
export const wordBounds = { foam: [0.1, 0.24], strips: [0.12, 0.25] } as const

/** The span of the index that a word stands for: below the first bound, between the two, above the second. @param at 0 to 2 */
export function spanOfWord(
  of: keyof typeof wordBounds,
  at: number,
): { readonly atLeast?: number | undefined; readonly atMost?: number | undefined } {
  const bounds = wordBounds[of]
  return { atLeast: bounds[at - 1], atMost: bounds[at] }
}
