import type { QuantityKind } from '@vendange/core/units'
import { formatMoney, formatQuantity, rewriteQuantities } from '@vendange/core/units'
import { computed } from 'vue'
import { useSeason } from './seasonStore'

/** The unit in which this workshop reads a kind of quantity. */
export function useUnits() {
  const season = useSeason()

  function unitOf(kind: QuantityKind): string | undefined {
    if (kind === 'mass') return season.workshop?.massUnit ?? 'g'
    if (kind === 'length') return season.workshop?.lengthUnit ?? 'mm'
    if (kind === 'money') return ''
    if (kind === 'temperature') return season.workshop?.temperatureUnit ?? '°C'
    return undefined
  }

  /** A base value (g, mm, °C, fraction …) as this workshop reads it. */
  function show(kind: QuantityKind, base: number, digits?: number): string {
    const unit = unitOf(kind)
    return formatQuantity(kind, base, {
      ...(unit === undefined ? {} : { unit }),
      ...(digits === undefined ? {} : { digits }),
    })
  }

  /** A mass as the workshop's scale can show it. */
  function weighed(massG: number): string {
    const resolution = season.workshop?.scaleResolutionG ?? 1
    return show('mass', massG, season.workshop?.massUnit === 'oz' ? 2 : resolution < 1 ? 2 : 0)
  }

  const currency = computed(() => season.workshop?.currency ?? 'EUR')
  /** Cents in the workshop's currency. */
  const money = (cents: number): string => formatMoney(cents, currency.value)

  /** A message of the core, which speaks in g, mm and °C, as this workshop reads it. */
  function words(message: string): string {
    const {
      massUnit: mass = 'g',
      lengthUnit: length = 'mm',
      temperatureUnit: temperature = '°C',
    } = season.workshop ?? {}
    return rewriteQuantities(message, { mass, length, temperature })
  }

  return { unitOf, show, weighed, currency, money, words }
}
