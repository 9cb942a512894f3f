import type { Endpoint } from '../endpoint'
import { customerEndpoints } from './customers'
import { formulateEndpoints } from './formulate'
import { loafEndpoints } from './loaves'
import { planEndpoints } from './plan'
import { pourEndpoints } from './pour'
import { releaseEndpoints } from './release'
import { screenEndpoints } from './screens'
import { storesEndpoints } from './stores'
import { workshopEndpoints } from './workshop'

/** Every route of the API. */
export const endpoints = {
  ...workshopEndpoints,
  ...screenEndpoints,
  ...formulateEndpoints,
  ...planEndpoints,
  ...storesEndpoints,
  ...pourEndpoints,
  ...loafEndpoints,
  ...releaseEndpoints,
  ...customerEndpoints,
} as const

/** Every endpoint of the contract, in order. */
export function allEndpoints(): readonly Endpoint[] {
  const isEndpoint = (value: object): value is Endpoint => 'method' in value && 'path' in value
  const walk = (value: object): Endpoint[] => (isEndpoint(value) ? [value] : Object.values(value).flatMap(walk))
  return walk(endpoints)
}
