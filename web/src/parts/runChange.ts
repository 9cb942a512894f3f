import { problemOf } from './api'
import { useSeason } from './seasonStore'
import { useUndo } from './undoStore'

/**
 * Runs a change, loads the season anew, and tells the maker when it was refused.
 * @returns what the change gave, or undefined when it was refused
 */
export async function runChange<T>(change: () => Promise<T>): Promise<T | undefined> {
  const season = useSeason()
  try {
    const result = await change()
    await season.load()
    return result
  } catch (error) {
    useUndo().tell(problemOf(error).detail)
    await season.load()
    return undefined
  }
}
