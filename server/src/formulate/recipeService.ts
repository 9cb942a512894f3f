import { sentence } from '@vendange/core/findings'
import type { NewRecipe, RecipeVersion, SavedRecipe } from '@vendange/contract'
import { checkRecipe } from '@vendange/core/recipe'
import { and, desc, eq } from 'drizzle-orm'
import type { Transaction } from '../db/database'
import type { VersionedRepository } from '../db/versionedRepository'
import { versionedRepository } from '../db/versionedRepository'
import { designs, recipes, recipeVersions } from '../db/schema'
import { knownMaterialsOn, readMaterials } from '../db/storesRow'
import { readWorkshop } from '../db/workshopRow'
import type { Context } from '../parts/context'

export interface RecipeService extends VersionedRepository<NewRecipe, SavedRecipe> {
  /** The recipe as it stood, the newest first. */
  versions(id: string): Promise<readonly RecipeVersion[]>
}

/** Changes that follow within this time of the first are one version: a form saves as it is typed. */
const oneVersionMs = 30 * 60_000

type Versioned = NewRecipe & { readonly id: string; readonly version: number; readonly isRemoved: boolean }
const detailsOf = ({ id: _id, version: _version, isRemoved: _removed, ...details }: Versioned): NewRecipe => details

export function recipeService({ database, clock, newId }: Context): RecipeService {
  const newestOf = async (transaction: Transaction, id: string) => {
    const [newest] = await transaction
      .select()
      .from(recipeVersions)
      .where(eq(recipeVersions.recipeId, id))
      .orderBy(desc(recipeVersions.id))
      .limit(1)
    return newest
  }

  /** Keeps each state as a version of its own once the one before has stood for a while. */
  async function keepVersion(transaction: Transaction, saved: Versioned, before: Versioned | undefined): Promise<void> {
    const details = detailsOf(saved)
    const at = clock.now().toISOString()
    const newest = await newestOf(transaction, saved.id)
    if (JSON.stringify(newest?.details) === JSON.stringify(details)) return
    if (newest && clock.now().getTime() - Date.parse(newest.at) < oneVersionMs) {
      await transaction.update(recipeVersions).set({ details }).where(eq(recipeVersions.id, newest.id))
      return
    }
    // A recipe from before versions were kept: how it stood until now is the first.
    if (!newest && before)
      await transaction.insert(recipeVersions).values({ recipeId: saved.id, at, details: detailsOf(before) })
    await transaction.insert(recipeVersions).values({ recipeId: saved.id, at, details })
  }

  const kept = versionedRepository<NewRecipe, SavedRecipe>(database, recipes, {
    noun: 'recipe',
    newId,
    written: keepVersion,
    check: async (details, reader) => {
      const today = clock.today((await readWorkshop(reader)).timeZone)
      return checkRecipe({ ...details, ...knownMaterialsOn(today, await readMaterials(reader)) })
    },
    inUse: async (id, reader) => {
      const [design] = await reader
        .select()
        .from(designs)
        .where(and(eq(designs.recipeId, id), eq(designs.isRemoved, false)))
        .limit(1)
      return design && sentence('recipe_in_use', { soap: design.name })
    },
  })

  return {
    ...kept,
    versions: async (id) =>
      database.read
        .select({ at: recipeVersions.at, details: recipeVersions.details })
        .from(recipeVersions)
        .where(eq(recipeVersions.recipeId, id))
        .orderBy(desc(recipeVersions.id)),
  }
}
