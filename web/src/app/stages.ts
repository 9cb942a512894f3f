import {
  mdiArchiveOutline,
  mdiBottleTonicOutline,
  mdiCalendarWeekOutline,
  mdiCogOutline,
  mdiFlagOutline,
  mdiKnife,
  mdiNotebookOutline,
  mdiScaleBalance,
  mdiWeatherWindy,
} from '@mdi/js'

import type { Role } from '@vendange/contract'

export interface Stage {
  readonly path: string
  readonly label: string
  readonly icon: string
  /** Pressed after `g`. */
  readonly key: string
  /** Who has work there. */
  readonly roles: readonly Role[]
}

const makers = ['owner', 'maker'] as const
const hands = ['owner', 'maker', 'helper'] as const
const sellers = ['owner', 'maker', 'stall'] as const
const everybody = ['owner', 'maker', 'helper', 'stall'] as const

/** The order of the work. */
export const stages: readonly Stage[] = [
  { path: '/plan', label: 'Plan', icon: mdiCalendarWeekOutline, key: 'p', roles: makers },
  { path: '/formulate', label: 'Formulate', icon: mdiScaleBalance, key: 'f', roles: makers },
  { path: '/pour', label: 'Pour', icon: mdiBottleTonicOutline, key: 'o', roles: hands },
  { path: '/cut', label: 'Cut', icon: mdiKnife, key: 'c', roles: hands },
  { path: '/cure', label: 'Cure', icon: mdiWeatherWindy, key: 'u', roles: hands },
  { path: '/release', label: 'Release', icon: mdiFlagOutline, key: 'r', roles: sellers },
]

/** What stands beside the work. */
export const sideStages: readonly Stage[] = [
  { path: '/stores', label: 'Stores', icon: mdiArchiveOutline, key: 's', roles: makers },
  { path: '/notebook', label: 'Notebook', icon: mdiNotebookOutline, key: 'n', roles: everybody },
  { path: '/workshop', label: 'Workshop', icon: mdiCogOutline, key: 'w', roles: ['owner'] },
]

/** Who has work on a page: those of its stage; everybody where it belongs to none. */
export function rolesOfPage(path: string, stage: unknown): readonly Role[] {
  const own = typeof stage === 'string' ? stage : `/${path.split('/')[1] ?? ''}`
  return [...stages, ...sideStages].find((one) => one.path === own)?.roles ?? everybody
}

/** Of some stages those in which a role has work. */
export const stagesFor = (role: Role, all: readonly Stage[]): readonly Stage[] =>
  all.filter(({ roles }) => roles.includes(role))
