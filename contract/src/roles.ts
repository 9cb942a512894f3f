/** What a screen or its maker may do: see `access.ts`. */
export const roles = ['owner', 'maker', 'helper', 'stall'] as const
export type Role = (typeof roles)[number]
