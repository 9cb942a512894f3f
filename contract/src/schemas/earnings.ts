import { daysBetween, isDay } from '@vendange/core/calendar'
import { earningGroups } from '@vendange/core/earnings'
import type { InferType } from 'yup'
import { object, string } from 'yup'
import { said } from '../said'
import { dayText } from './pieces'

/** The longest period that is looked at, days: thirty years. */
const longestDays = 366 * 30

/** Of which days, and by what, earnings are wanted. */
export const earningsQuerySchema = object({
  from: dayText(),
  to: dayText(),
  by: string().oneOf(earningGroups).required(),
})
  .noUnknown()
  .required()
  .test('in-order', function (value) {
    const { from, to } = (value as Partial<typeof value> | undefined) ?? {}
    if (typeof from !== 'string' || typeof to !== 'string') return true
    if (!isDay(from) || !isDay(to)) return true
    const days = daysBetween(from, to)
    if (days < 0) return this.createError({ path: 'to', message: said('period_backwards') })
    return days <= longestDays || this.createError({ path: 'from', message: said('period_too_long') })
  })

export type EarningsQuery = InferType<typeof earningsQuerySchema>
