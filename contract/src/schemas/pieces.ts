import '../locale'
import { dayRange, isNearDay } from '@vendange/core/calendar'
import type { Finding } from '@vendange/core/findings'
import { isClaimKey } from '@vendange/core/plan'
import type { QuantityKind, Range } from '@vendange/core/units'
import { outOfRange } from '@vendange/core/units'
import type { AnyObject, Message, TestContext } from 'yup'
import { array, number, string, ValidationError } from 'yup'
import { said } from '../said'

/** The largest figure that is taken anywhere: exact in every place it is kept, and harmless in every sum. */
export const largestFigure = 1e9

const between = (range: Range, message: Message) =>
  number()
    .test('finite', said('not_a_number'), (value) => value === undefined || value === null || Number.isFinite(value))
    .min(range.min, message)
    .max(range.max, message)

/** A number within a range of the core, with the core's sentence when it is not. */
export const within = (kind: QuantityKind, range: Range) => between(range, { ...outOfRange(kind, range) })

/** A number whose own range hangs on its neighbours and is checked by the core; here it is only kept from being absurd. */
export const figure = () => between({ min: -largestFigure, max: largestFigure }, said('number_too_large'))

/** How often something has happened, from 0. */
export const tally = () => between({ min: 0, max: largestFigure }, said('not_whole_from_0')).integer()

/** 0, or a number up to the end of a range of the core: a field that its thing may not have. */
export const unusedOrWithin = (kind: QuantityKind, range: Range) =>
  between({ min: 0, max: range.max }, { ...outOfRange(kind, range) })

/** A whole number within a range. */
export const wholeWithin = (kind: QuantityKind, range: Range) => within(kind, range).integer()

/** Half a character, or a sign that steers a machine: no text that anybody typed. Ends of lines and tabs are. */
const unreadable = /\p{Surrogate}|[^\P{Control}\n\r\t]/u

/** Text in whole characters. Every text that comes in begins with this, and adds how long it may be. */
export const text = () =>
  string().test('readable', said('text_unreadable'), (value) => typeof value !== 'string' || !unreadable.test(value))

/** A name on one line. */
export const nameText = () =>
  text()
    .max(80)
    .test('not-blank', said('name_missing'), (value) => value === undefined || value.trim() !== '')
    .required(said('name_missing'))

/** Free text; may be empty. */
export const freeText = (max = 2000) => text().max(max).defined()

/** Ids are chosen here or in a demo: letters, figures and a few signs between them. */
export const idPattern = /^[\w:.-]{1,64}$/
const idShape = () => string().matches(idPattern, { message: said('id_unread') })

export const idText = () => idShape().required()

/** The id of a thing that may not be chosen yet; null then. */
export const optionalId = () => idShape().nullable().defined()

const dayWish = said('day_unread', { from: dayRange.min.slice(0, 4), to: dayRange.max.slice(0, 4) })

export const dayText = () =>
  string()
    .test('day', dayWish, (value) => value === undefined || isNearDay(value))
    .required(said('day_missing'))

/** A day, or null for none. */
export const optionalDay = () =>
  string()
    .nullable()
    .defined()
    .test('day', dayWish, (value) => value === undefined || value === null || isNearDay(value))

const releaseLocalPattern = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/

/** Wall time of a moment, without its zone. */
export const momentText = () =>
  string()
    .matches(releaseLocalPattern, { message: said('moment_unread') })
    .test(
      'moment',
      said('no_such_moment'),
      (value) => value === undefined || (isNearDay(value.slice(0, 10)) && !Number.isNaN(Date.parse(`${value}Z`))),
    )
    .required(said('moment_missing'))

export const hexText = () =>
  string()
    .matches(/^#[0-9A-Fa-f]{6}$/, { message: said('colour_unread') })
    .required()

/** A colour that may not be known; null then. */
export const optionalHex = () =>
  string()
    .matches(/^#[0-9A-Fa-f]{6}$/, { message: said('colour_unread'), excludeEmptyString: false })
    .nullable()
    .optional()

export const versionNumber = () => tally().required()

/** A claim: one that everybody knows, or one of the workshop's own. */
export const claimKey = () =>
  text()
    .max(64)
    .test('claim', said('claim_unknown'), (value) => value === undefined || isClaimKey(value))
    .required()

/** Claims of a recipe or promises of a collection. */
export const claimKeys = () => array(claimKey()).max(40).required()

/** Turns what the core refuses into errors of the fields it names, below the object under test. */
export function refusals(context: TestContext<AnyObject>, findings: readonly Finding[]): true | ValidationError {
  const errors = findings
    .filter(({ severity }) => severity === 'refuse')
    .map(({ field, ...finding }) => {
      const path = [context.path, field].filter(Boolean).join('.')
      return context.createError({ path, message: { ...finding } })
    })
  return errors.length === 0 ? true : new ValidationError(errors)
}

/** Whether all named fields are numbers that can be reckoned with, so that a core check may look at them. */
export function areNumbers<T extends object, K extends keyof T>(
  value: T | undefined | null,
  keys: readonly K[],
): value is T {
  return (
    value !== undefined &&
    value !== null &&
    keys.every((key) => typeof value[key] === 'number' && Math.abs(value[key]) <= largestFigure)
  )
}
