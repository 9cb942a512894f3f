import type { Role } from '@vendange/contract'

/** Where a screen of a role begins. */
export const firstPageOf: Readonly<Record<Role, string>> = {
  owner: '/plan',
  maker: '/plan',
  helper: '/pour',
  stall: '/stall',
}
