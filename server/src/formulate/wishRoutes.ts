import { endpoints } from '@vendange/contract'
import { findFat } from '@vendange/core/fats'
import { nearestRecipe } from '@vendange/core/wishes/nearest'
import type { Router } from 'express'
import { readWorkshop } from '../db/workshopRow'
import type { Context } from '../parts/context'
import { serve } from '../parts/serve'
import { unprocessable } from '../parts/problems'

/** The wish solver, with the workshop's own prices. */
export function wishRoutes(router: Router, { database }: Context): void {
  serve(router, endpoints.nearestRecipe, async ({ body }) => {
    const unknown = [...body.fats.map(({ fatKey }) => fatKey), ...body.mayAdd].find((key) => !findFat(key))
    if (unknown !== undefined) throw unprocessable(`There is no fat “${unknown}” in the table. Choose another.`)
    const { pricing } = await readWorkshop(database.read)
    const centsPerKg = Object.fromEntries(pricing.ingredients.map(({ key, centsPerKg: cents }) => [key, cents]))
    const { superfat, fatsGPerBar } = body
    const cost = { centsPerKg, naohCentsPerKg: centsPerKg['naoh'] ?? 0, fatsGPerBar, superfat }
    return nearestRecipe({ ...body, cost })
  })
}
