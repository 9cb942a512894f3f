import type { Role } from '@vendange/contract'
import { roles } from '@vendange/contract'

/** Where a screen of a role begins. */
export const firstPageOf: Readonly<Record<Role, string>> = {
  owner: '/plan',
  maker: '/plan',
  helper: '/pour',
  stall: '/stall',
}

/** What a screen may do, as the maker says it. */
export const roleWords: Readonly<Record<Role, string>> = {
  owner: 'all',
  maker: 'plan, formulate, pour, cut, cure, release',
  helper: 'bench, cut and weigh',
  stall: 'stock, prices and sales',
}
export const roleChoices = roles.map((value) => ({ value, title: roleWords[value] }))
