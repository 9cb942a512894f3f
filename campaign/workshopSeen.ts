import type { SeasonView, StoresView } from '@vendange/contract'
import type { Dice } from './dice'
import type { Known } from './messages'
import { send } from './send'

/** What is known of the workshop under trial: its things, to point at and to start messages from. */
export interface WorkshopSeen extends Known {
  /** Saved things by the path under which they are kept. */
  readonly kept: Readonly<Record<string, readonly Kept[]>>
  readonly makerId: string
  idOf(kind: string): string
  versionOf(id: string): number
}

export interface Kept {
  readonly id: string
  readonly version: number
}

const kindOfField: Readonly<Record<string, string>> = {
  collectionId: '/api/collections',
  designId: '/api/designs',
  broughtFromId: '/api/designs',
  recipeId: '/api/recipes',
  mouldId: '/api/moulds',
  ingredientId: '/api/ingredients',
  lotId: '/api/lots',
  batchId: '/api/batches',
  orderId: '/api/orders',
  makerId: '/api/makers',
}

async function read<T>(url: string, path: string): Promise<T> {
  const { status, bytes } = await send(url, { method: 'GET', path, headers: {} })
  if (status !== 200) throw new Error(`${path} answers ${status}: ${bytes.toString().slice(0, 300)}`)
  return JSON.parse(bytes.toString()) as T
}

/** Looks at the workshop anew. @throws {Error} if its season or its stores cannot be read any more */
export async function seeWorkshop(url: string, dice: Dice): Promise<WorkshopSeen> {
  const season = await read<SeasonView>(url, '/api/season')
  const stores = await read<StoresView>(url, '/api/stores')
  const kept: Record<string, readonly Kept[]> = {
    '/api/makers': season.makers,
    '/api/moulds': season.moulds,
    '/api/fats': season.ownFats,
    '/api/recipes': season.recipes,
    '/api/collections': season.collections,
    '/api/designs': season.designs,
    '/api/orders': season.orders,
    '/api/batches': season.batches,
    '/api/ingredients': stores.ingredients,
    '/api/lots': stores.lots,
    '/api/loaves': season.loaves.map(({ id, version }) => ({ id, version })),
    '/api/workshop': [{ ...season.workshop, id: '' }],
  }
  const versions = new Map(Object.values(kept).flatMap((things) => things.map(({ id, version }) => [id, version])))
  const idOf = (kind: string): string => {
    const things = kept[kind] ?? []
    return things.length === 0 || dice.chance(0.03) ? 'nobody' : dice.one(things).id
  }
  return {
    today: season.today,
    kept,
    makerId: season.makers[0]?.id ?? '',
    idOf,
    idFor: (field) => idOf(kindOfField[field] ?? ''),
    versionOf: (id) => versions.get(id) ?? 1,
  }
}
