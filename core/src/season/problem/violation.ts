/** Rules of the days: what is asked of one is more than is there. */
export type DayRule = 'hours' | 'oven' | 'trays' | 'moulds'

/** Rules of a batch on its own days, with their numbers. */
export type BatchRule =
  | { readonly rule: 'outside' | 'no_day_to_prepare' }
  | { readonly rule: 'too_early'; readonly earliest: number }
  | { readonly rule: 'set_days'; readonly set: number; readonly min: number; readonly max: number }

/** A hard rule of the season that a plan breaks, with its numbers. Days count from day 0 of the problem. */
export type Violation =
  | { readonly rule: 'unknown' | 'twice' | 'missing'; readonly id: string }
  | (BatchRule & { readonly id: string })
  | { readonly rule: 'hours' | 'oven' | 'trays'; readonly day: number; readonly asked: number; readonly there: number }
  | {
      readonly rule: 'moulds'
      readonly kind: string
      readonly day: number
      readonly asked: number
      readonly there: number
    }
