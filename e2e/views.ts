import type { SeasonView, StoresView } from '@vendange/contract'

/** The main views; those with a picture in the README are named like it. */
export const mainViewNames = [
  'plan',
  'collection',
  'soap',
  'inside',
  'rehearsal',
  'ask',
  'order',
  'customers',
  'calendar',
  'formulate',
  'recipe',
  'library',
  'pour',
  'run-sheet',
  'cut',
  'cut-loaf',
  'cut-round',
  'cure',
  'cure-loaf',
  'weigh',
  'turn-round',
  'release',
  'release-loaf',
  'give-out',
  'stall',
  'waiting',
  'stores',
  'trace',
  'mould',
  'notebook',
  'scents',
  'earnings',
  'sales',
  'record',
  'lots',
  'loaf',
  'workshop',
  'day',
  // Last, since its picture is taken with the pour begun.
  'bench',
] as const
export type MainViewName = (typeof mainViewNames)[number]

/** Looked at like the others, but without a picture in the README. */
export const viewsWithoutPicture: ReadonlySet<MainViewName> = new Set([
  'library',
  'calendar',
  'mould',
  'rehearsal',
  'scents',
  'earnings',
  'sales',
  'record',
  'lots',
  'cure-loaf',
  'weigh',
  'turn-round',
  'release-loaf',
  'give-out',
  'stall',
  'ask',
  'customers',
  'waiting',
  'cut-loaf',
  'cut-round',
  'trace',
])

/** Where the main views of the demo are, each with something to show. */
export async function mainViews(url: string): Promise<Readonly<Record<MainViewName, string>>> {
  const season = (await (await fetch(`${url}/api/season`)).json()) as SeasonView
  const stores = (await (await fetch(`${url}/api/stores`)).json()) as StoresView
  const named = <T extends { readonly name: string }>(things: readonly T[], name: string): T => {
    const found = things.find((thing) => thing.name === name)
    if (!found) throw new Error(`The demo has no ${name}`)
    return found
  }
  const guestHouse = season.orders.find(({ collectionId }) => collectionId === null)
  if (!guestHouse) throw new Error('The demo has no order that is asked for')
  const signalLamps = named(season.batches, 'Signal Lamps')
  const regatta = named(season.loaves, 'Regatta, pour 1 of 4')
  const used = stores.lots.find(({ usedAmount }) => usedAmount > 0)
  if (!used) throw new Error('The demo has used no lot yet')
  return {
    plan: '/plan',
    collection: `/plan/${named(season.collections, 'Night Train').id}`,
    soap: `/soaps/${named(season.designs, 'Lantern Glass').id}`,
    inside: `/soaps/${named(season.designs, 'Lantern Glass').id}/inside`,
    rehearsal: `/soaps/${named(season.designs, 'Lantern Glass').id}/rehearse`,
    ask: '/ask',
    customers: '/customers',
    order: `/orders/${guestHouse.id}`,
    calendar: '/calendar',
    formulate: '/formulate',
    recipe: `/formulate/${named(season.recipes, 'House bar').id}`,
    library: '/formulate/library',
    pour: '/pour',
    'run-sheet': `/pour/${signalLamps.id}`,
    scents: '/notebook/scents',
    earnings: '/notebook/earnings',
    sales: '/notebook/sales',
    record: '/notebook/record',
    lots: '/stores/lots',
    cut: '/cut',
    'cut-loaf': `/cut/${named(season.loaves, 'Dining Car').id}`,
    'cut-round': '/cut-round',
    cure: '/cure',
    'cure-loaf': `/cure/${regatta.id}`,
    weigh: '/weigh',
    'turn-round': '/turn-round',
    release: '/release',
    'release-loaf': `/release/${regatta.id}`,
    'give-out': `/give-out/${named(season.collections, 'Night Train, first run').id}`,
    stall: '/stall',
    waiting: '/waiting',
    stores: '/stores',
    trace: `/stores/lots/${used.id}/trace`,
    mould: `/stores/moulds/${named(season.moulds, 'Long loaf').id}`,
    notebook: '/notebook',
    loaf: `/loaves/${regatta.id}`,
    workshop: '/workshop',
    day: '/days/2027-03-10',
    bench: `/bench/${signalLamps.id}`,
  }
}
