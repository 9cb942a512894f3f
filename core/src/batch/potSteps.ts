import type { Sentence } from '../findings'
import { quantity, sentence, sentences, series } from '../findings'
import type { School } from '../recipe'
import { scentWeights } from '../recipe'
import type { BatchPlan } from './batchPlan'
import type { WeighedPot } from './pots'
import type { RunSheetStep } from './steps'
import { named, potStepKey, scentStepKeys, tick, weigh } from './steps'

/** What is stirred into a pot, and how far its jug is filled. */
export function potSentence({ colourantG, wetting = null, batterMl }: WeighedPot): Sentence {
  const mark = batterMl === undefined ? '' : sentence('up_to_mark', { mark: quantity.volume(batterMl) })
  if (colourantG === 0) return sentence('pot_plain', { mark, hasMark: mark === '' ? 'no' : 'yes' })
  return sentence('pot_coloured', {
    mark,
    hasMark: mark === '' ? 'no' : 'yes',
    colourant: quantity.fineMass(colourantG),
    wetting: wetting ? quantity.fineMass(wetting.massG) : '',
    with: wetting?.with ?? 'none',
  })
}

/** A step for each pot. */
export function potSteps({ weights }: BatchPlan): readonly RunSheetStep[] {
  return weights.pots.map((pot, index) =>
    weigh(potStepKey(index), 'colours', pot.batterG, {
      name: sentence('pot_name', { pot: pot.colour.name }),
      title: sentence('pot_title', { pot: pot.colour.name }),
      detail: potSentence(pot),
    }),
  )
}

/** The colours are wetted before the lye is touched, so that nothing stands while they are. */
export function wettingSteps({ weights }: BatchPlan): readonly RunSheetStep[] {
  return weights.pots.flatMap(({ colour, colourantG, wetting = null }, index) => {
    if (!wetting) return []
    const [dry, wet] = [quantity.fineMass(colourantG), quantity.fineMass(wetting.massG)]
    return [
      tick(`wet:${index}`, 'fats', {
        name: sentence('wet_name', { pot: colour.name }),
        title: sentence('wet_title', { pot: colour.name, dry, wet, with: wetting.with }),
        detail: sentence('stir_colourant_smooth', { wet, with: wetting.with }),
      }),
    ]
  })
}

/** How a scent that goes in last is shared among the pots; null where all pots get the one share. */
export function scentShares(pots: readonly WeighedPot[]): Sentence | null {
  const shares = pots.flatMap(({ colour, scentG = 0 }) =>
    scentG > 0 ? [sentence('scent_share', { massG: quantity.fineMass(scentG), pot: colour.name })] : [],
  )
  return shares.length > 1 || shares.length < pots.length ? sentence('scent_shares', { shares: series(shares) }) : null
}

/** The scent, part by part, where its school puts it. */
export function scentSteps(
  { scent, weights, scaleResolutionG }: BatchPlan,
  school: School['scent'],
): readonly RunSheetStep[] {
  if (!scent || weights.scentG === 0) return []
  const parts = scentWeights(scent, weights.scentG, scaleResolutionG)
  const isBlend = parts.length > 1
  const group = school === 'last' ? 'colours' : 'batter'
  return scentStepKeys(scent).flatMap((key, index) => {
    const { name, massG } = parts[index] ?? { name: '', massG: 0 }
    const isLast = index === parts.length - 1
    const how = sentences(
      isBlend ? sentence('on_top_in_the_cup', { scent: scent.name }) : '',
      (school === 'last' ? scentShares(weights.pots) : null) ?? '',
      sentence('stirred_by_hand', { school }),
    )
    return [
      weigh(key, group, massG, {
        name: named(name),
        title: isLast ? sentence('scent_title', { name, school }) : sentence('scent_into_cup', { name }),
        detail: isLast ? sentence('several', { sentences: how }) : sentence('part_of_scent', { scent: scent.name }),
      }),
    ]
  })
}
