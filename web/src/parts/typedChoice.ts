/** What may be chosen: its value, and the title that stands on the screen. */
export interface Choice<T> {
  readonly value: T
  readonly title: string
}

const plain = (text: string): string => text.trim().toLocaleLowerCase('en')

/**
 * What is meant by a text that was typed into a field with choices: the one whose title it is, or the only one that
 * holds it.
 */
export function choiceOf<T>(typed: string, choices: readonly Choice<T>[]): Choice<T> | undefined {
  const text = plain(typed)
  if (text === '') return undefined
  const exact = choices.find(({ title }) => plain(title) === text)
  const holding = choices.filter(({ title }) => plain(title).includes(text))
  return exact ?? (holding.length === 1 ? holding[0] : undefined)
}
