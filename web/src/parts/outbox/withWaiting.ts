import type { LoafSummary } from '@vendange/contract'
import type { LoafEvent } from '@vendange/core/loaf'
import { stateAfter } from '@vendange/core/loaf'
import type { KeptEvent } from './kept'

/** A photograph that waits has no address yet. */
const isShown = (event: KeptEvent['event']): boolean => event.type !== 'photographed' || event.photoId !== ''

/** A loaf after something that the workshop does not have yet; as it was where it has it, or has something else. */
function loafAfter(loaf: LoafSummary, { version, event }: KeptEvent): LoafSummary {
  if (version !== loaf.version) return loaf
  const state = isShown(event) ? stateAfter(loaf.state, event as LoafEvent) : loaf.state
  return { ...loaf, version: version + 1, state }
}

/** Loaves as this device knows them: with what was done on it and still waits to be sent, in the order it was done. */
export function loavesWith(loaves: readonly LoafSummary[], waiting: readonly KeptEvent[]): readonly LoafSummary[] {
  if (waiting.length === 0) return loaves
  return loaves.map((loaf) => waiting.filter(({ loafId }) => loafId === loaf.id).reduce(loafAfter, loaf))
}
