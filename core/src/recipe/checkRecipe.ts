import type { Finding } from '../findings'
import { formatQuantity, isWithin } from '../units'
import { naohForFats } from './naohForFats'
import { alkaliFor, asPureNaohG, usualKohPurity } from './lye'
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
import { superfatBand } from './superfatBand'

/** Shares may miss 100 % by this much, from rounding while typing. */
export const shareTolerance = 0.0005

/** Of the fats, at most this much is kept for trace. A rule of the house. */
export const mostAtTrace = 0.5

const percent = (share: number): string => formatQuantity('share', share)

function checkFats(recipe: Recipe): Finding[] {
  const { fats } = recipe
  if (fats.length === 0) {
    return [{ severity: 'refuse', code: 'no_fats', field: 'fats', message: 'Choose at least one fat.' }]
  }
  const findings: Finding[] = []
  const seen = new Set<string>()
  fats.forEach(({ fatKey, share }, index) => {
    const fat = fatOf(recipe, fatKey)
    if (!fat) {
      findings.push({
        severity: 'refuse',
        code: 'unknown_fat',
        field: `fats[${index}].fatKey`,
        message: 'Choose a fat from the table or one of your own.',
      })
    } else if (seen.has(fatKey)) {
      findings.push({
        severity: 'refuse',
        code: 'fat_twice',
        field: `fats[${index}].fatKey`,
        message: `${fat.name} stands in the recipe twice. Put both shares in one line.`,
      })
    }
    if (!(share > 0 && share <= 1)) {
      findings.push({
        severity: 'refuse',
        code: 'share_range',
        field: `fats[${index}].share`,
        message: 'A share is more than 0 % and at most 100 %.',
      })
    }
    seen.add(fatKey)
  })
  const total = fats.reduce((sum, { share }) => sum + share, 0)
  if (findings.length === 0 && Math.abs(total - 1) > shareTolerance) {
    const gap = total < 1 ? `${percent(1 - total)} is missing` : `${percent(total - 1)} is too much`
    findings.push({
      severity: 'refuse',
      code: 'shares_off',
      field: 'fats',
      message: `The shares add up to ${percent(total)}: ${gap}.`,
    })
  }
  return findings
}

function refuseLyeAboveFats(recipe: Recipe): Finding {
  const portions = blendOf(recipe).map(({ fat, share }) => ({
    massG: share * 1000,
    saponificationValue: fat.saponificationValue.typical,
  }))
  const surplusG = -recipe.superfat * naohForFats(portions, { superfat: 0, naohPurity: recipe.naohPurity })
  return {
    severity: 'refuse',
    code: 'lye_exceeds_fats',
    field: 'superfat',
    message: `At ${percent(recipe.superfat)} superfat each kilo of fats gets ${formatQuantity('mass', surplusG)} more sodium hydroxide than it can take. The lye left in the bar burns skin. Set the superfat to 0 % or more; 5 % is usual.`,
  }
}

/** Ranges of what a recipe may hold besides fats and sodium hydroxide. */
function checkOtherParts(recipe: Recipe): Finding[] {
  const findings: Finding[] = []
  const refuse = (code: string, field: string, message: string): void => {
    findings.push({ severity: 'refuse', code, field, message })
  }
  const { kohShare = 0, kohPurity = usualKohPurity, liquids = [], additives = [] } = recipe
  if (!isWithin(kohShare, kohShareRange))
    refuse(
      'koh_share_range',
      'kohShare',
      `Potassium hydroxide may be up to ${percent(kohShareRange.max)} of the alkali; with more the loaf does not set.`,
    )
  if (!isWithin(kohPurity, kohPurityRange))
    refuse(
      'koh_purity_range',
      'kohPurity',
      `The purity of potassium hydroxide lies from ${percent(kohPurityRange.min)} to ${percent(kohPurityRange.max)}.`,
    )
  liquids.forEach(({ name, waterShare, partOfWater }, index) => {
    if (!isWithin(waterShare, waterShareRange))
      refuse(
        'water_share_range',
        `liquids[${index}].waterShare`,
        `Say how much of ${name || 'the liquid'} is water, from ${percent(waterShareRange.min)} to 100 %.`,
      )
    if (!(partOfWater > 0 && partOfWater <= 1))
      refuse(
        'part_of_water_range',
        `liquids[${index}].partOfWater`,
        'It brings more than 0 % and at most 100 % of the water.',
      )
  })
  const brought = liquids.reduce((sum, { partOfWater }) => sum + partOfWater, 0)
  if (findings.length === 0 && brought > 1 + shareTolerance)
    refuse(
      'too_much_liquid',
      'liquids',
      `The liquids bring ${percent(brought)} of the water: ${percent(brought - 1)} too much.`,
    )
  additives.forEach(({ name, basis, rate, wetting }, index) => {
    const range = additiveRateRanges[basis]
    if (!isWithin(rate, range))
      refuse(
        'additive_range',
        `additives[${index}].rate`,
        basis === 'bar'
          ? `Of ${name || 'it'} a bar takes up to ${formatQuantity('mass', range.max)}.`
          : `Of ${name || 'it'} a batch takes up to ${percent(range.max)}.`,
      )
    if (wetting && !isWithin(wetting.ratio, wettingRatioRange))
      refuse('wetting_range', `additives[${index}].wetting.ratio`, 'Wet it with up to 10 times its mass.')
  })
  const atTrace = recipe.fats.reduce((sum, { share, atTrace: isAtTrace }) => (isAtTrace ? sum + share : sum), 0)
  if (atTrace > mostAtTrace)
    refuse(
      'too_much_at_trace',
      'fats',
      `${percent(atTrace)} of the fats would go in at trace; without at least half of them at the start the lye does not come to trace.`,
    )
  return findings
}

/** Whether enough water is left for the alkali to dissolve in, and how to split the liquids when it is not. */
function checkDissolving(recipe: Recipe): readonly Finding[] {
  const { naohG, kohG, dissolvingWaterG, waterG } = recipeFigures(recipe, 1000)
  const alkaliG = naohG + kohG
  if (dissolvingWaterG >= alkaliG * (1 - 1e-9)) return []
  const missing = (alkaliG - dissolvingWaterG) / waterG
  const elsewhere = (recipe.liquids ?? []).some(({ place }) => place !== 'lye')
  const mend = elsewhere
    ? `Put ${percent(Math.min(1, missing))} of the water less into the fats or in at emulsion, or give that part of the liquid to the lye.`
    : 'Use less for wetting, or make the lye weaker.'
  return [
    {
      severity: 'refuse',
      code: 'too_little_to_dissolve',
      field: 'liquids',
      message: `For a kilo of fats only ${formatQuantity('mass', Math.max(0, dissolvingWaterG))} of water is left for ${formatQuantity('mass', alkaliG)} of alkali, which needs its own mass at least. ${mend}`,
    },
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
    findings.push({
      severity: 'refuse',
      code: 'purity_range',
      field: 'naohPurity',
      message: `The purity on an alkali’s certificate lies from ${percent(naohPurityRange.min)} to ${percent(naohPurityRange.max)}.`,
    })
  }
  if (!isWithin(recipe.lyeConcentration, lyeConcentrationRange)) {
    const why =
      recipe.lyeConcentration > lyeConcentrationRange.max
        ? 'Above 50 % sodium hydroxide no longer dissolves at room temperature.'
        : 'Below 20 % the loaf stays soft for weeks and may not thicken.'
    findings.push({
      severity: 'refuse',
      code: 'concentration_range',
      field: 'lyeConcentration',
      message: `Set the lye from 20 % to 50 %. ${why}`,
    })
  }
  if (!Number.isFinite(recipe.superfat) || recipe.superfat > superfatRange.max) {
    findings.push({
      severity: 'refuse',
      code: 'superfat_range',
      field: 'superfat',
      message: `Set the superfat from 0 % to ${percent(superfatRange.max)}. With more, bars stay greasy and soft.`,
    })
  }
  findings.push(...checkOtherParts(recipe))
  if (fatsAreSound && findings.length === 0 && recipe.superfat < 0) findings.push(refuseLyeAboveFats(recipe))
  if (findings.length > 0) return findings
  findings.push(...checkDissolving(recipe))

  const weighed = blendOf(recipe).map(({ fat, share }) => ({ fat, massG: share * 1000 }))
  const band = superfatBand(weighed, asPureNaohG(alkaliFor(weighed, recipe), recipe), 1)
  if (band.worst < 0) {
    findings.push({
      severity: 'warn',
      code: 'worst_case_has_lye_left',
      field: 'superfat',
      message: `If every fat is at the low end of its natural span, the true superfat is ${percent(band.worst)}: lye is left over. Raise the superfat, or reckon with your suppliers’ certificates.`,
    })
  }
  return findings
}
