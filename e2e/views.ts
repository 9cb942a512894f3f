import type { SeasonView } from '@vendange/contract'

export interface MainView {
  /** Name of its screenshot. */
  readonly name: string
  readonly path: string
  /** Looked at like the others, but without a picture in the README. */
  readonly hasNoPicture?: boolean
}

/** The main views of the demo, each with something to show. */
export async function mainViews(url: string): Promise<readonly MainView[]> {
  const season = (await (await fetch(`${url}/api/season`)).json()) as SeasonView
  const named = <T extends { readonly name: string }>(things: readonly T[], name: string): T => {
    const found = things.find((thing) => thing.name === name)
    if (!found) throw new Error(`The demo has no ${name}`)
    return found
  }
  const guestHouse = season.orders.find(({ collectionId }) => collectionId === null)
  if (!guestHouse) throw new Error('The demo has no order that is asked for')
  const signalLamps = named(season.batches, 'Signal Lamps')
  const regatta = named(season.loaves, 'Regatta, first pour')
  return [
    { name: 'plan', path: '/plan' },
    { name: 'collection', path: `/plan/${named(season.collections, 'Night Train').id}` },
    { name: 'soap', path: `/soaps/${named(season.designs, 'Lantern Glass').id}` },
    { name: 'order', path: `/orders/${guestHouse.id}` },
    { name: 'calendar', path: '/calendar', hasNoPicture: true },
    { name: 'formulate', path: '/formulate' },
    { name: 'recipe', path: `/formulate/${named(season.recipes, 'House bar').id}` },
    { name: 'pour', path: '/pour' },
    { name: 'run-sheet', path: `/pour/${signalLamps.id}` },
    { name: 'cut', path: '/cut' },
    { name: 'cure', path: '/cure' },
    { name: 'cure-loaf', path: `/cure/${regatta.id}` },
    { name: 'release', path: '/release' },
    { name: 'release-loaf', path: `/release/${regatta.id}` },
    { name: 'stores', path: '/stores' },
    { name: 'mould', path: `/stores/moulds/${named(season.moulds, 'Long loaf').id}`, hasNoPicture: true },
    { name: 'notebook', path: '/notebook' },
    { name: 'loaf', path: `/loaves/${regatta.id}` },
    { name: 'workshop', path: '/workshop' },
    { name: 'day', path: '/days/2027-03-10' },
    // Last, since its picture is taken with the pour begun.
    { name: 'bench', path: `/bench/${signalLamps.id}` },
  ]
}
