import type { School } from '../recipe'
import { scentWeights } from '../recipe'
import { formatQuantity } from '../units'
import type { BatchPlan } from './planOfBatch'
import type { WeighedPot } from './pots'
import type { RunSheetStep } from './steps'
import { potStepKey, scentStepKeys, tick, weigh } from './steps'

/** What is stirred into a pot, and how far its jug is filled. */
export function potWords({ colourantG, wetting = null, batterMl }: WeighedPot): string {
  const mark = batterMl === undefined ? '' : `Up to the ${batterMl} ml mark. `
  if (colourantG === 0) return `${mark}Stays plain.`
  const wet = wetting ? `, wetted in ${formatQuantity('mass', wetting.massG, { digits: 1 })} of ${wetting.with}` : ''
  return `${mark}Stir in ${formatQuantity('mass', colourantG, { digits: 1 })} of colourant${wet || ', wetted'}.`
}

/** A step for each pot. */
export function potSteps({ weights }: BatchPlan): readonly RunSheetStep[] {
  return weights.pots.map((pot, index) =>
    weigh(
      potStepKey(index),
      'Colours and scent',
      `Pot: ${pot.colour.name}`,
      `Batter for ${pot.colour.name}`,
      pot.batterG,
      potWords(pot),
    ),
  )
}

/** The colours are wetted before the lye is touched, so that nothing stands while they are. */
export function wettingSteps({ weights }: BatchPlan): readonly RunSheetStep[] {
  return weights.pots.flatMap(({ colour, colourantG, wetting = null }, index) => {
    if (!wetting) return []
    const [dry, wet] = [colourantG, wetting.massG].map((massG) => formatQuantity('mass', massG, { digits: 1 }))
    const from = wetting.with === 'water' ? 'water, which is off the lye’s water already' : 'the fat that was kept back'
    return [
      tick(
        `wet:${index}`,
        'Weigh the fats',
        `Wet ${colour.name}`,
        `Wet ${colour.name}: ${dry} in ${wet} of ${wetting.with}`,
        `Stir the colourant smooth in ${wet} of ${from}.`,
      ),
    ]
  })
}

/** How a scent that goes in last is shared among the pots. */
export function scentSharesWords(pots: readonly WeighedPot[]): string {
  const shares = pots.flatMap(({ colour, scentG = 0 }) =>
    scentG > 0 ? [`${formatQuantity('mass', scentG, { digits: 1 })} into ${colour.name}`] : [],
  )
  return shares.length > 1 || shares.length < pots.length ? `${shares.join(', ')}. ` : ''
}

/** The scent, part by part, where its school puts it. */
export function scentSteps(
  { scent, weights, scaleResolutionG }: BatchPlan,
  school: School['scent'],
): readonly RunSheetStep[] {
  if (!scent || weights.scentG === 0) return []
  const parts = scentWeights(scent, weights.scentG, scaleResolutionG)
  const isBlend = parts.length > 1
  const [group, where] =
    school === 'last' ? (['Colours and scent', 'shared among the pots'] as const) : (['Batter', 'at emulsion'] as const)
  return scentStepKeys(scent).flatMap((key, index) => {
    const { name, massG } = parts[index] ?? { name: '', massG: 0 }
    const isLast = index === parts.length - 1
    const title = isLast ? `${name}, ${where}` : `${name}, into a cup of glass`
    const shares = isLast && school === 'last' ? scentSharesWords(weights.pots) : ''
    const blended = isBlend && isLast ? `On top of the others in the cup, ${scent.name} in all. ` : ''
    const how = isLast ? (school === 'last' ? 'Last, stirred by hand.' : 'Stirred by hand.') : `For ${scent.name}.`
    return [weigh(key, group, name, title, massG, `${blended}${shares}${how}`)]
  })
}
