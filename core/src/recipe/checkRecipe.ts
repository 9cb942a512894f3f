import type { Finding } from '../findings'
import { quantity, refuse, sentence, warn } from '../findings'
import type { Range } from '../units'
import { isWithin } from '../units'
import { checkParts } from './checkParts'
import { alkaliFor, usualKohPurity } from './lye'
import {
  additiveRateRanges,
  kohPurityRange,
  kohShareRange,
  lyeConcentrationRange,
  naohPurityRange,
  superfatRange,
  waterShareRange,
  wettingRatioRange,
} from './ranges'
import type { Recipe } from './recipe'
import { blendOf, fatOf } from './recipe'
import { recipeFigures } from './recipeFigures'

/** Shares may miss 100 % by this much, from rounding while typing. */
export const shareTolerance = 0.0005

/** Of the fats, at most this much is kept for trace. A rule of the house. */
export const mostAtTrace = 0.5

const ends = ({ min, max }: Range) => ({ least: quantity.share(min), most: quantity.share(max) })

function checkFats(recipe: Recipe): Finding[] {
  const { fats } = recipe
  if (fats.length === 0) {
    return [refuse('no_fats', undefined, 'fats')]
  }
  const findings: Finding[] = []
  const seen = new Set<string>()
  fats.forEach(({ fatKey, share }, index) => {
    const fat = fatOf(recipe, fatKey)
    if (!fat) {
      findings.push(refuse('unknown_fat', undefined, `fats[${index}].fatKey`))
    } else if (seen.has(fatKey)) {
      findings.push(refuse('fat_twice', { fat: fat.name }, `fats[${index}].fatKey`))
    }
    if (!(share > 0 && share <= 1)) {
      findings.push(refuse('share_range', undefined, `fats[${index}].share`))
    }
    seen.add(fatKey)
  })
  const total = fats.reduce((sum, { share }) => sum + share, 0)
  if (findings.length === 0 && Math.abs(total - 1) > shareTolerance) {
    const params = { total: quantity.share(total), gap: quantity.share(Math.abs(total - 1)) }
    findings.push(refuse(total < 1 ? 'shares_short' : 'shares_over', params, 'fats'))
  }
  return findings
}

function refuseLyeAboveFats(recipe: Recipe): Finding {
  const { superfat, kohShare = 0 } = recipe
  const fats = blendOf(recipe).map(({ fat, share }) => ({ fat, massG: share * 1000 }))
  const atNone = alkaliFor(fats, { ...recipe, superfat: 0 })
  return refuse(
    'lye_exceeds_fats',
    {
      superfat: quantity.share(superfat),
      fats: quantity.mass(1000),
      surplus: quantity.mass(-superfat * atNone.naohG),
      kohSurplus: quantity.mass(-superfat * atNone.kohG),
      hasKoh: kohShare > 0 ? 'yes' : 'no',
    },
    'superfat',
  )
}

/** Ranges of what a recipe may hold besides fats and sodium hydroxide. */
function checkOtherParts(recipe: Recipe): Finding[] {
  const findings: Finding[] = []
  const { kohShare = 0, kohPurity = usualKohPurity, liquids = [], additives = [] } = recipe
  if (!isWithin(kohShare, kohShareRange))
    findings.push(refuse('koh_share_range', { most: quantity.share(kohShareRange.max) }, 'kohShare'))
  if (!isWithin(kohPurity, kohPurityRange)) findings.push(refuse('koh_purity_range', ends(kohPurityRange), 'kohPurity'))
  liquids.forEach(({ name, waterShare, partOfWater }, index) => {
    if (!isWithin(waterShare, waterShareRange))
      findings.push(
        refuse(
          'water_share_range',
          { liquid: name || sentence('unnamed_liquid'), least: quantity.share(waterShareRange.min) },
          `liquids[${index}].waterShare`,
        ),
      )
    if (!(partOfWater > 0 && partOfWater <= 1))
      findings.push(refuse('part_of_water_range', undefined, `liquids[${index}].partOfWater`))
  })
  const brought = liquids.reduce((sum, { partOfWater }) => sum + partOfWater, 0)
  if (findings.length === 0 && brought > 1 + shareTolerance)
    findings.push(
      refuse('too_much_liquid', { brought: quantity.share(brought), over: quantity.share(brought - 1) }, 'liquids'),
    )
  additives.forEach(({ name, basis, rate, wetting }, index) => {
    const range = additiveRateRanges[basis]
    if (!isWithin(rate, range))
      findings.push(
        basis === 'bar'
          ? refuse(
              'additive_range_bar',
              { additive: name || sentence('unnamed_additive'), most: quantity.most('mass', range.max) },
              `additives[${index}].rate`,
            )
          : refuse(
              'additive_range',
              { additive: name || sentence('unnamed_additive'), most: quantity.share(range.max) },
              `additives[${index}].rate`,
            ),
      )
    if (wetting && !isWithin(wetting.ratio, wettingRatioRange))
      findings.push(refuse('wetting_range', undefined, `additives[${index}].wetting.ratio`))
  })
  const atTrace = recipe.fats.reduce((sum, { share, atTrace: isAtTrace }) => (isAtTrace ? sum + share : sum), 0)
  if (atTrace > mostAtTrace) findings.push(refuse('too_much_at_trace', { atTrace: quantity.share(atTrace) }, 'fats'))
  return findings
}

/** Whether enough water is left for the alkali to dissolve in, and how to split the liquids when it is not. */
function checkDissolving(recipe: Recipe): readonly Finding[] {
  const { naohG, kohG, dissolvingWaterG, allWaterG } = recipeFigures(recipe, 1000)
  const alkaliG = naohG + kohG
  if (dissolvingWaterG >= alkaliG * (1 - 1e-9)) return []
  const missing = (alkaliG - dissolvingWaterG) / allWaterG
  const elsewhere = (recipe.liquids ?? []).some(({ place }) => place !== 'lye')
  const mend = elsewhere
    ? sentence('liquid_to_the_lye', { missing: quantity.share(Math.min(1, missing)) })
    : sentence('wet_less_or_weaker_lye')
  return [
    refuse(
      'too_little_to_dissolve',
      {
        fats: quantity.mass(1000),
        water: quantity.mass(Math.max(0, dissolvingWaterG)),
        alkali: quantity.mass(alkaliG),
        mend,
      },
      'liquids',
    ),
  ]
}

/**
 * What a maker should know about a recipe before it is made. A recipe with a refusing finding must not be weighed.
 * Never throws on what a maker can type.
 */
export function checkRecipe(recipe: Recipe): readonly Finding[] {
  const findings = checkFats(recipe)
  const fatsAreSound = findings.length === 0

  if (!isWithin(recipe.naohPurity, naohPurityRange)) {
    findings.push(refuse('purity_range', ends(naohPurityRange), 'naohPurity'))
  }
  if (!isWithin(recipe.lyeConcentration, lyeConcentrationRange)) {
    const isStrong = recipe.lyeConcentration > lyeConcentrationRange.max
    findings.push(refuse(isStrong ? 'lye_too_strong' : 'lye_too_weak', ends(lyeConcentrationRange), 'lyeConcentration'))
  }
  if (!Number.isFinite(recipe.superfat) || recipe.superfat > superfatRange.max) {
    findings.push(refuse('superfat_range', { most: quantity.share(superfatRange.max) }, 'superfat'))
  }
  findings.push(...checkOtherParts(recipe))
  if (fatsAreSound && findings.length === 0 && recipe.superfat < 0) findings.push(refuseLyeAboveFats(recipe))
  if (findings.length > 0) return findings
  findings.push(...checkDissolving(recipe), ...checkParts(recipe))

  const { band } = recipeFigures(recipe, 1000)
  if (band.worst < 0) {
    findings.push(warn('worst_case_has_lye_left', { superfat: quantity.share(band.worst) }, 'superfat'))
  }
  return findings
}
