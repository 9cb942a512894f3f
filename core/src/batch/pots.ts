import type { Finding, Sentence } from '../findings'
import { quantity, refuse, sentence } from '../findings'
import type { RecipeAdditive } from '../recipe'
import { evenShares, shareTolerance, sumOfShares, withOneMore, withoutOne } from '../recipe'
import { roundTo, roundToScale, toFineScale, withoutDust } from '../units'

/** How the size of a pot is stated: a share of all batter, g, ml, or whatever the others leave. */
export const portionKinds = ['share', 'mass', 'volume', 'rest'] as const
export type PortionKind = (typeof portionKinds)[number]

/** A colour of a design: a pot of batter with its colourant. */
export interface PotColour {
  readonly name: string
  readonly hex: string
  /** Share of the batter, 0 to 1. Of a pot stated otherwise about what it comes to, for its picture. */
  readonly share: number
  /** Colourant in g per kg of the pot's batter; 0 for batter left plain. */
  readonly rateGPerKg: number
  /** @default 'share' */
  readonly portion?: PortionKind | undefined
  /** g of a pot stated by mass, ml of one stated by volume. @default 0 */
  readonly amount?: number | undefined
  /** Its colourant is stirred into this many times its mass of water or fat, taken from the batch. @default null */
  readonly wetting?: RecipeAdditive['wetting'] | undefined
  /** How much scent a gram of it gets where a gram of the others gets 1; 0 for none. @default 1 */
  readonly scentPart?: number | undefined
}

/** A pot as it is weighed. What is poured into it, wets its colourant and scents it add up to all of it. */
export interface WeighedPot {
  readonly colour: PotColour
  /** Poured into it out of the batter, g. */
  readonly batterG: number
  /** On top of the batter, g. */
  readonly colourantG: number
  /** Water or fat taken from the batch for its colourant. Pots from before this was reckoned have none of these three. */
  readonly wetting?: { readonly with: 'water' | 'fat'; readonly massG: number } | null
  /** Its part of the scent, where that goes in last, g. */
  readonly scentG?: number
  /** Mark of the jug that the batter comes up to, ml. */
  readonly batterMl?: number
}

export interface PotSplit {
  /** Everything that goes into the pots but the colourants, g. */
  readonly batterG: number
  /** Part of it that is stirred into the pots as scent, g; 0 where the scent is in the batter already. */
  readonly scentG: number
  readonly densityGMl: number
  /** Smallest step of the scale, g. */
  readonly stepG: number
}

/** What each pot asks for, g, and nothing yet for the one that takes the rest. */
const askedG = (
  { portion = 'share', amount = 0, share }: PotColour,
  { batterG, densityGMl }: Pick<PotSplit, 'batterG' | 'densityGMl'>,
): number => ({ share: share * batterG, mass: amount, volume: amount * densityGMl, rest: 0 })[portion]

/** Sizes of the pots, g. The one that takes the rest, else the last, takes what the others leave. */
function potSizes(
  colours: readonly PotColour[],
  split: Pick<PotSplit, 'batterG' | 'densityGMl'>,
  round: (massG: number) => number,
): readonly number[] {
  const rest = colours.findIndex(({ portion }) => portion === 'rest')
  const takesRest = rest < 0 ? colours.length - 1 : rest
  let leftG = split.batterG
  const sizes = colours.map((colour, index) => {
    if (index === takesRest) return 0
    const potG = Math.min(leftG, round(askedG(colour, split)))
    leftG = withoutDust(leftG - potG)
    return potG
  })
  return sizes.map((potG, index) => (index === takesRest ? leftG : potG))
}

/** The part of a batter that each pot takes, before any rounding. @param split g, and g/ml */
export function potSharesOf(
  colours: readonly PotColour[],
  split: Pick<PotSplit, 'batterG' | 'densityGMl'>,
): readonly number[] {
  const sizes = potSizes(colours, split, (massG) => massG)
  return sizes.map((sizeG) => (split.batterG > 0 ? sizeG / split.batterG : 0))
}

/** Shares the scent out by the size of the pots and what each gets a gram. */
function scentOfPots(colours: readonly PotColour[], sizes: readonly number[], scentG: number): readonly number[] {
  const parts = colours.map(({ scentPart = 1 }, index) => (sizes[index] ?? 0) * scentPart)
  const total = parts.reduce((sum, part) => sum + part, 0)
  const scented = total > 0 ? parts : sizes
  const whole = total > 0 ? total : sizes.reduce((sum, potG) => sum + potG, 0)
  const last = scented.findLastIndex((part) => part > 0)
  let leftG = scentG
  return scented.map((part, index) => {
    const massG = index === last ? leftG : Math.min(leftG, toFineScale(whole > 0 ? (scentG * part) / whole : 0))
    leftG = withoutDust(leftG - massG)
    return massG
  })
}

/**
 * Splits the batter into pots by share, mass, volume or the rest. What is poured out of the batter, what wets the
 * colourants and the scent add up to all of it, to the gram. Colourant is reckoned by all that is in its pot and comes on
 * top: `batterOfVolume` leaves it room.
 */
export function splitIntoPots(colours: readonly PotColour[], split: PotSplit): readonly WeighedPot[] {
  const sizes = potSizes(colours, split, (massG) => roundToScale(massG, split.stepG))
  const scents = scentOfPots(colours, sizes, split.scentG)
  const pots = colours.map((colour, index) => {
    const potG = sizes[index] ?? 0
    const colourantG = toFineScale((potG / 1000) * colour.rateGPerKg)
    const { wetting = null } = colour
    const wettingMassG = wetting ? toFineScale(colourantG * wetting.ratio) : 0
    return {
      colour,
      colourantG,
      wetting: wetting && wettingMassG > 0 ? { with: wetting.with, massG: wettingMassG } : null,
      scentG: scents[index] ?? 0,
      pouredG: Math.max(0, potG - wettingMassG - (scents[index] ?? 0)),
    }
  })
  let leftG = withoutDust(
    split.batterG - split.scentG - pots.reduce((sum, { wetting }) => sum + (wetting?.massG ?? 0), 0),
  )
  return pots.map(({ pouredG, ...pot }, index) => {
    const batterG = index === pots.length - 1 ? leftG : Math.min(leftG, roundToScale(pouredG, split.stepG))
    leftG = withoutDust(leftG - batterG)
    return { ...pot, batterG, batterMl: Math.round(batterG / split.densityGMl) }
  })
}

/** Everything in a pot but its colourant, g. */
export function potG({ batterG, wetting, scentG = 0 }: WeighedPot): number {
  return withoutDust(batterG + (wetting?.massG ?? 0) + scentG)
}

/** What is wrong with the shares of the pots as a whole, before it is known how much batter there is. */
export function potSharesFault(
  colours: readonly { readonly share?: number; readonly portion?: PortionKind | undefined }[],
): Sentence | undefined {
  if (colours.length === 0) return undefined
  const of = (kind: PortionKind) => colours.filter(({ portion = 'share' }) => portion === kind)
  const shares = sumOfShares(of('share'))
  const rests = of('rest').length
  const stated = { stated: quantity.share(shares) }
  if (rests > 1) return sentence('one_pot_takes_rest')
  if (rests === 1) return shares > 1 ? sentence('pots_leave_no_rest', stated) : undefined
  if (of('mass').length + of('volume').length > 0) return sentence('pots_want_a_rest')
  return Math.abs(shares - 1) <= shareTolerance ? undefined : sentence('pots_off', stated)
}

/** Whether the pots, as they are stated, can be got out of a batter of this mass. An empty list means yes. */
export function checkPots(colours: readonly PotColour[], split: PotSplit): readonly Finding[] {
  const fixed = colours.filter(({ portion = 'share' }) => portion !== 'share' && portion !== 'rest')
  if (fixed.length === 0) return []
  const overG = colours.reduce((sum, colour) => sum + askedG(colour, split), 0) - split.batterG
  return overG <= 0
    ? []
    : [refuse('pots_above_batter', { over: quantity.mass(overG), batter: quantity.mass(split.batterG) }, 'colours')]
}

const isByShare = ({ portion = 'share' }: PotColour): boolean => portion === 'share'

/** Pots with these shares, one after the other. */
const sharing = <P extends PotColour>(pots: readonly P[], shares: readonly number[]): readonly P[] =>
  pots.map((pot, index) => ({ ...pot, share: shares[index] ?? pot.share }))

/**
 * The pots with one more at the end. Of pots by share it takes what the others leave, or all make room for it; beside
 * pots stated otherwise it takes half of the rest, or becomes the rest where no pot is.
 */
export function withPot<P extends PotColour>(pots: readonly P[], added: P): readonly P[] {
  if (pots.every(isByShare)) return sharing([...pots, added], withOneMore(pots.map(({ share }) => share)))
  const rest = pots.find(({ portion }) => portion === 'rest')
  return rest ? [...pots, { ...added, share: rest.share / 2 }] : [...pots, { ...added, portion: 'rest', share: 0.5 }]
}

/** The pots without one: where all that stay are stated by share and it was too, they take up its part. */
export function withoutPot<P extends PotColour>(pots: readonly P[], index: number): readonly P[] {
  const left = pots.filter((_, at) => at !== index)
  return pots.every(isByShare)
    ? sharing(
        left,
        withoutOne(
          pots.map(({ share }) => share),
          index,
        ),
      )
    : left
}

/** The pots all alike, stated by share. */
export function evenPots<P extends PotColour>(pots: readonly P[]): readonly P[] {
  const alike = pots.map((pot): P => ({ ...pot, portion: undefined, amount: undefined }))
  return pots.length === 0 ? pots : sharing(alike, evenShares(pots.length))
}

/**
 * The pots with the shares that follow: one stated by mass, by volume or as the rest keeps the share of the batter that
 * it comes to, since its face is drawn from shares.
 *
 * @param weighed what each of them comes to; as long as the pots, else none follows
 */
export function withFollowedShares<P extends PotColour>(
  pots: readonly P[],
  weighed: readonly WeighedPot[],
): readonly P[] {
  const madeG = weighed.reduce((sum, pot) => sum + potG(pot), 0)
  if (weighed.length !== pots.length || madeG === 0) return pots
  return pots.map((pot, index) => (isByShare(pot) ? pot : { ...pot, share: roundTo(potG(weighed[index]!) / madeG, 4) }))
}
