import type { Finding } from '../findings'
import { quantity, tell, warn } from '../findings'
import { naohBoundBy } from './acids'
import { isSalt } from './densities'
import type { LibraryEntry, Makeup } from './library'
import { makeupOf } from './library'
import { asPureNaohG } from './lye'
import type { Recipe } from './recipe'
import { blendOf } from './recipe'
import type { RecipeFigures } from './recipeFigures'
import { recipeFigures } from './recipeFigures'
import { naohDemand } from './superfatBand'

/** Some fats to reckon with, g: what is told is a share of them. */
const fatsG = 1000

/** A liquid or an additive as it is weighed for these fats. */
interface WeighedPart {
  readonly kind: LibraryEntry['kind']
  readonly name: string
  readonly massG: number
  readonly makeup: Makeup | undefined
}

function weighedParts({ knownMakeups }: Recipe, { liquids, additives }: RecipeFigures): readonly WeighedPart[] {
  const part =
    (kind: LibraryEntry['kind']) =>
    ({ name, massG }: { readonly name: string; readonly massG: number }): WeighedPart => ({
      kind,
      name,
      massG,
      makeup: makeupOf(kind, name, knownMakeups),
    })
  return [...liquids.map(part('liquid')), ...additives.map(part('additive'))]
}

/** From so much salt, as a share of the fats, a loaf sets like a salt bar. An estimate. */
const saltBarFrom = 0.25
/** So much lauric and myristic acid, as a share of the fats, foams in spite of salt: about 80 % of coconut. An estimate. */
const foamInSalt = 0.5

/** What much salt does to a loaf and to its lather. */
function checkSalt({ additives, groups }: RecipeFigures): readonly Finding[] {
  const saltG = additives.reduce((sum, { name, massG }) => (isSalt(name) ? sum + massG : sum), 0)
  if (saltG < saltBarFrom * fatsG) return []
  const foam = groups.find(({ group }) => group.key === 'foam')?.share ?? 0
  const sets = warn('salt_bar', { salt: quantity.share(saltG / fatsG, 0) }, 'additives')
  const lathersLittle = warn(
    'salt_little_foam',
    { foam: quantity.share(foam, 0), least: quantity.share(foamInSalt, 0) },
    'fats',
  )
  return foam < foamInSalt ? [sets, lathersLittle] : [sets]
}

/** What acids take of the lye: either more lye makes up for it, or the fats get so much less of it. */
function checkAcids(recipe: Recipe, figures: RecipeFigures): readonly Finding[] {
  const pureG = asPureNaohG(figures, recipe)
  const demandG = naohDemand(
    blendOf(recipe).map(({ fat, share }) => ({ fat, massG: share * fatsG })),
    'typical',
  )
  return weighedParts(recipe, figures).flatMap(({ kind, name, massG }): readonly Finding[] => {
    const boundG = massG * naohBoundBy(name, kind)
    if (boundG === 0) return []
    const field = kind === 'liquid' ? 'liquids' : 'additives'
    if (recipe.meetsAcids === true) {
      const met = tell(
        'acid_is_met',
        {
          acid: name,
          bound: quantity.share(boundG / pureG),
          wished: quantity.share(recipe.superfat),
          without: quantity.share(recipe.superfat - boundG / demandG),
        },
        field,
      )
      // Left out by mistake, it would leave lye in the bar.
      return [boundG > recipe.superfat * demandG ? { ...met, severity: 'warn' } : met]
    }
    return [
      warn(
        'acid_binds_lye',
        {
          acid: name,
          bound: quantity.share(boundG / pureG),
          superfat: quantity.share(recipe.superfat + boundG / demandG),
          wished: quantity.share(recipe.superfat),
        },
        field,
      ),
    ]
  })
}

/** From so much sugar, as a share of the fats, a batter heats by itself as it gels. An estimate. */
const heatsFrom = 0.02
/** Fat of milk and the like that is worth telling of, as a share of the fats. A rule of the house. */
const fatFrom = 0.005

/** What liquids and additives bring besides water: sugar that heats, fat on top of the superfat, alcohol. */
function checkMakeups(recipe: Recipe, figures: RecipeFigures): readonly Finding[] {
  const parts = weighedParts(recipe, figures)
  const sum = (share: keyof Makeup): number =>
    parts.reduce((total, { massG, makeup }) => total + massG * (makeup?.[share] ?? 0), 0)
  const named = (share: keyof Makeup): string =>
    parts
      .filter(({ makeup }) => (makeup?.[share] ?? 0) > 0)
      .sort((a, b) => b.massG * (b.makeup?.[share] ?? 0) - a.massG * (a.makeup?.[share] ?? 0))[0]?.name ?? ''
  const sugarG = sum('sugarShare')
  const fatG = sum('fatShare')
  const findings: Finding[] = []
  if (sugarG >= heatsFrom * fatsG)
    findings.push(
      warn('sugar_heats', {
        sugar: quantity.share(sugarG / fatsG),
        from: named('sugarShare'),
        gel: recipe.oven ? 'oven' : (recipe.school?.gel ?? 'kept'),
      }),
    )
  if (fatG >= fatFrom * fatsG) {
    // The lye takes it as it takes the other fats: so much more of them share the same lye.
    const superfat = 1 - (1 - figures.band.likely) / (1 + fatG / fatsG)
    findings.push(
      tell('liquid_brings_fat', {
        fat: quantity.share(fatG / fatsG),
        from: named('fatShare'),
        superfat: quantity.share(superfat),
      }),
    )
  }
  for (const { name, massG, makeup } of parts)
    if (makeup && makeup.alcoholShare > 0)
      findings.push(
        warn('alcohol_boils_off', { liquid: name, alcohol: quantity.share((massG * makeup.alcoholShare) / fatsG) }),
      )
  return findings
}

/** What a maker should know of the liquids and additives of a sound recipe. */
export function checkParts(recipe: Recipe): readonly Finding[] {
  const figures = recipeFigures(recipe, fatsG)
  return [...checkSalt(figures), ...checkAcids(recipe, figures), ...checkMakeups(recipe, figures)]
}
