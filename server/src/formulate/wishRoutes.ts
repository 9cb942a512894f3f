import { sentence } from '@vendange/core/findings'
import { endpoints } from '@vendange/contract'
import { fatOf } from '@vendange/core/recipe'
import { nearestRecipe } from '@vendange/core/wishes/nearest'
import type { Router } from 'express'
import { knownMaterialsOn, readStock } from '../db/storesRow'
import { readWorkshop } from '../db/workshopRow'
import type { Context } from '../parts/context'
import { serve } from '../parts/serve'
import { unprocessable } from '../parts/problems'

/** The wish solver, with the workshop's own prices. */
export function wishRoutes(router: Router, { database, clock }: Context): void {
  serve(router, endpoints.nearestRecipe, async ({ body }) => {
    const workshop = await readWorkshop(database.read)
    const { knownFats } = knownMaterialsOn(clock.today(workshop.timeZone), await readStock(database.read))
    const unknown = [...body.fats.map(({ fatKey }) => fatKey), ...body.mayAdd].find((key) => !fatOf({ knownFats }, key))
    if (unknown !== undefined) throw unprocessable(sentence('no_such_fat_in_table', { fat: unknown }))
    const { pricing } = workshop
    const centsPerKg = Object.fromEntries(pricing.ingredients.map(({ key, centsPerKg: cents }) => [key, cents]))
    const { superfat, fatsGPerBar } = body
    const cost = { centsPerKg, naohCentsPerKg: centsPerKg['naoh'] ?? 0, fatsGPerBar, superfat }
    return nearestRecipe({ ...body, cost, knownFats })
  })
}
