/** What was typed into a form and could not be saved, with the version of the thing that it was typed over. */
export interface Draft {
  readonly version: number
  readonly values: unknown
  /** What could not be read, by field. */
  readonly texts?: Readonly<Record<string, string>>
}

const keyOf = (id: string): string => `vendange-draft:${id}`

/** Keeps a draft in this browser: it outlives the page, the tab and the program. A full or forbidden store keeps none. */
export function keepDraft(id: string, draft: Draft): boolean {
  try {
    localStorage.setItem(keyOf(id), JSON.stringify(draft))
    return true
  } catch {
    return false
  }
}

export function forgetDraft(id: string): void {
  try {
    localStorage.removeItem(keyOf(id))
  } catch {
    // A store that cannot be written holds no draft either.
  }
}

/** The draft of a thing; undefined where there is none that can be read. */
export function draftOf(id: string): Draft | undefined {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(keyOf(id)) ?? 'null')
    const isDraft =
      typeof kept === 'object' &&
      kept !== null &&
      'version' in kept &&
      'values' in kept &&
      Number.isInteger(kept.version)
    return isDraft ? (kept as Draft) : undefined
  } catch {
    return undefined
  }
}
