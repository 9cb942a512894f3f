import type { Ref } from 'vue'
import { onBeforeUnmount, watch } from 'vue'
import { draftOf, forgetDraft, keepDraft } from './drafts'
import { plainCopy } from './plainCopy'
import { provideUnreadTexts } from './unreadTexts'
import { useUndo } from './undoStore'

/**
 * Keeps what is typed into fields that are sent by a button: it stays on this device when the page is left, and stands
 * there again on return. Text that cannot be read is kept too.
 *
 * @param id of what is typed, such as "cut:" and the id of a loaf
 * @returns what is to be called once it was sent
 */
export function useKeptFields(id: string, fields: Readonly<Record<string, Ref>>) {
  const undo = useUndo()
  const unread = provideUnreadTexts()
  const valuesNow = (): Record<string, unknown> =>
    plainCopy(Object.fromEntries(Object.entries(fields).map(([key, { value }]) => [key, value as unknown])))
  const textOf = (): string => JSON.stringify(valuesNow())

  let start = textOf()
  const draft = draftOf(id)
  if (draft) {
    const values = draft.values as Readonly<Record<string, unknown>>
    for (const [key, field] of Object.entries(fields)) if (Object.hasOwn(values, key)) field.value = values[key]
    unread.restore(draft.texts ?? {})
    undo.tell('What you had typed here stands in its fields again.')
  }

  const isTyped = (): boolean => textOf() !== start || unread.all.size > 0
  function keep(): void {
    if (isTyped()) keepDraft(id, { version: 0, values: valuesNow(), texts: unread.texts() })
    else forgetDraft(id)
  }
  watch([() => textOf(), () => unread.all.size, () => JSON.stringify(unread.texts())], keep)
  onBeforeUnmount(() => {
    keep()
    unread.close()
    if (isTyped()) undo.tell('What you typed is kept on this device for when you come back.')
  })

  return {
    /** It was sent: nothing is to be kept of it. */
    sent: (): void => {
      start = textOf()
      forgetDraft(id)
    },
  }
}
