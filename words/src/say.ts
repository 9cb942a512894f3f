import type { Param, Quantity, Sentence, Series } from '@vendange/core/findings'
import { IntlMessageFormat } from 'intl-messageformat'
import { catalogue } from './catalogue'
import { quantityWords } from './quantityWords'
import type { Reading } from './reading'

/** Puts a sentence into words. @throws {RangeError} if the catalogue does not know it or a place in it stays empty */
export type Say = (sentence: Sentence) => string

const formats = new Map<string, IntlMessageFormat>()

function formatFor(code: string, locale: string): IntlMessageFormat {
  const key = `${locale}|${code}`
  const known = formats.get(key)
  if (known) return known
  const message = catalogue[code]
  if (message === undefined) throw new RangeError(`Expected a sentence of the catalogue, got ${code}`)
  const format = new IntlMessageFormat(message, locale, undefined, { ignoreTag: true })
  formats.set(key, format)
  return format
}

const isList = (param: Param): param is readonly Param[] => Array.isArray(param)
const isSeries = (param: Quantity | Sentence | Series): param is Series => 'kind' in param && param.kind === 'series'

/** What puts sentences into the words of a workshop: its units, the step of its scale, its money and its language. */
export function sayFor(reading: Reading): Say {
  const list = new Intl.ListFormat(reading.locale, { type: 'conjunction' })

  function paramWords(param: Param): string {
    if (typeof param === 'string') return param
    if (typeof param === 'number') return String(param)
    if (isList(param)) return list.format(param.map(paramWords))
    if ('code' in param) return say(param)
    if (isSeries(param)) return param.of.map(paramWords).filter(Boolean).join(param.between)
    return quantityWords(param, reading)
  }

  function say({ code, params = {} }: Sentence): string {
    const values = Object.entries(params).map(
      // Bare numbers and texts choose plurals and branches, so they go in as they are.
      ([name, param]) => [name, typeof param === 'number' ? param : paramWords(param)] as const,
    )
    return String(formatFor(code, reading.locale).format(Object.fromEntries(values)))
  }

  return say
}
