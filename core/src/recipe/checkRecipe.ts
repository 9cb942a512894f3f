import { findFat } from '../fats'
import type { Finding } from '../findings'
import { formatQuantity, isWithin } from '../units'
import { naohForFats } from './naohForFats'
import { lyeConcentrationRange, naohPurityRange, superfatRange } from './ranges'
import type { Recipe } from './recipe'
import { blendOf } from './recipe'
import { superfatBand } from './superfatBand'

/** Shares may miss 100 % by this much, from rounding while typing. */
export const shareTolerance = 0.0005

const percent = (share: number): string => formatQuantity('share', share)

function checkFats(fats: Recipe['fats']): Finding[] {
  if (fats.length === 0) {
    return [{ severity: 'refuse', code: 'no_fats', field: 'fats', message: 'Choose at least one fat.' }]
  }
  const findings: Finding[] = []
  const seen = new Set<string>()
  fats.forEach(({ fatKey, share }, index) => {
    const fat = findFat(fatKey)
    if (!fat) {
      findings.push({
        severity: 'refuse',
        code: 'unknown_fat',
        field: `fats[${index}].fatKey`,
        message: 'Choose a fat from the table.',
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

/**
 * What a maker should know about a recipe before it is made. A recipe with a refusing finding must not be weighed.
 * Never throws on what a maker can type.
 */
export function checkRecipe(recipe: Recipe): readonly Finding[] {
  const findings = checkFats(recipe.fats)
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
  if (fatsAreSound && findings.length === 0 && recipe.superfat < 0) findings.push(refuseLyeAboveFats(recipe))
  if (findings.length > 0) return findings

  const weighed = blendOf(recipe).map(({ fat, share }) => ({ fat, massG: share * 1000 }))
  const portions = weighed.map(({ fat, massG }) => ({ massG, saponificationValue: fat.saponificationValue.typical }))
  const naohG = naohForFats(portions, { superfat: recipe.superfat, naohPurity: recipe.naohPurity })
  const band = superfatBand(weighed, naohG, recipe.naohPurity)
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
