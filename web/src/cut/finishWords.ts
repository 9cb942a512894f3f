import type { Finish } from '@vendange/core/cutting'

/** What each kind of finishing is called. */
export const finishWords: Readonly<Record<Finish, string>> = {
  planed: 'Plane the tops',
  pared: 'Pare the edges',
  bevelled: 'Bevel the edges',
  stamped: 'Stamp',
  polished: 'Polish',
}
