import type { Finish } from '@vendange/core/cutting'

/** What each kind of finishing is called. */
export const finishWords: Readonly<Record<Finish, string>> = {
  planed: 'Plane the tops',
  pared: 'Pare the edges',
  bevelled: 'Bevel the edges',
  stamped: 'Stamp',
  polished: 'Polish',
}

/** What is said of bars that it is done with. */
export const finishedWords: Readonly<Record<Finish, string>> = {
  planed: 'Planed',
  pared: 'Edges pared',
  bevelled: 'Bevelled',
  stamped: 'Stamped',
  polished: 'Polished',
}
