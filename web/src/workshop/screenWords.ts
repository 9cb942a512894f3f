import type { Role } from '@vendange/contract'
import { roles } from '@vendange/contract'

/** What a screen may do, as the maker says it. */
export const roleWords: Readonly<Record<Role, string>> = {
  owner: 'all',
  maker: 'plan, formulate, pour, cut, cure, release',
  helper: 'bench, cut and weigh',
  stall: 'stock, prices and sales',
}
export const roleChoices = roles.map((value) => ({ value, title: roleWords[value] }))

const moment = new Intl.DateTimeFormat('en-GB', {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
})
/** A moment on the clock of who looks at it, as makers say it: “Mon 8 Mar, 12:00”. */
export const momentWords = (at: string): string => moment.format(new Date(at)).replace(', ', ' ')
