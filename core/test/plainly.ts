import type { Param, Quantity, Sentence } from '../src/findings'
import { roundTo } from '../src/units'

function quantityTold(quantity: Quantity): string {
  switch (quantity.kind) {
    case 'mass':
    case 'fine_mass':
    case 'bar_mass':
      return `${roundTo(quantity.g, 2)} g`
    case 'length':
      return `${roundTo(quantity.mm, 2)} mm`
    case 'volume':
      return `${roundTo(quantity.ml, 1)} ml`
    case 'density':
      return `${quantity.gMl} g/ml`
    case 'temperature':
      return `${quantity.c} °C`
    case 'share':
      return `${roundTo(quantity.share * 100, quantity.digits)} %`
    case 'hours':
      return `${quantity.h} h`
    case 'days':
      return `${quantity.days} d`
    case 'money':
      return `${quantity.cents} cents`
    case 'figure':
      return String(roundTo(quantity.figure, quantity.digits))
    case 'limit':
      return String(roundTo(quantity.base, 4))
    case 'day':
      return quantity.day
  }
}

function paramTold(param: Param): string {
  if (typeof param === 'string' || typeof param === 'number') return String(param)
  if ('code' in param) return `(${plainly(param)})`
  if (!('kind' in param)) return `[${param.map(paramTold).join(', ')}]`
  return param.kind === 'series' ? param.of.map(paramTold).filter(Boolean).join(' ') : quantityTold(param)
}

/** A sentence as its code and what fills its places, in base units: what core says, whatever the words are. */
export function plainly(sentence: Sentence | null | undefined): string {
  if (!sentence) return ''
  const params = Object.entries(sentence.params ?? {}).map(([name, param]) => `${name} ${paramTold(param)}`)
  return [sentence.code, ...params].join(', ')
}
