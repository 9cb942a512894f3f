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

export interface Stage {
  readonly path: string
  readonly label: string
  readonly icon: string
  /** Pressed after `g`. */
  readonly key: string
}

/** The order of the work. */
export const stages: readonly Stage[] = [
  { path: '/plan', label: 'Plan', icon: mdiCalendarWeekOutline, key: 'p' },
  { path: '/formulate', label: 'Formulate', icon: mdiScaleBalance, key: 'f' },
  { path: '/pour', label: 'Pour', icon: mdiBottleTonicOutline, key: 'o' },
  { path: '/cut', label: 'Cut', icon: mdiKnife, key: 'c' },
  { path: '/cure', label: 'Cure', icon: mdiWeatherWindy, key: 'u' },
  { path: '/release', label: 'Release', icon: mdiFlagOutline, key: 'r' },
]

/** What stands beside the work. */
export const sideStages: readonly Stage[] = [
  { path: '/stores', label: 'Stores', icon: mdiArchiveOutline, key: 's' },
  { path: '/notebook', label: 'Notebook', icon: mdiNotebookOutline, key: 'n' },
  { path: '/workshop', label: 'Workshop', icon: mdiCogOutline, key: 'w' },
]
