import type { InjectionKey } from 'vue'
import { provide, reactive } from 'vue'

/** A field whose text cannot be read. */
interface Unread {
  /** The field's label, numbered where several carry the same. */
  readonly field: string
  readonly problem: string
  readonly text: string
}

/** What is typed into the fields of a form and cannot be read: it holds the form back, and is kept with its draft. */
export interface UnreadTexts {
  /** By field. */
  readonly all: ReadonlyMap<symbol, Unread>
  /** A field comes into the form. @returns its name in it, and the text that was kept for it */
  join(label: string): { readonly field: string; readonly kept: string | undefined }
  set(key: symbol, unread: Unread | undefined): void
  /** A field leaves the form. */
  leave(key: symbol, field: string): void
}

export const unreadTextsKey: InjectionKey<UnreadTexts> = Symbol('unread texts')

/** Gathers the unread texts of the fields that it is given to. */
export function gatherUnreadTexts() {
  const all = reactive(new Map<symbol, Unread>())
  const there = new Set<string>()
  let kept: Readonly<Record<string, string>> = {}
  let isClosed = false

  function join(label: string) {
    let field = label
    for (let number = 2; there.has(field); number++) field = `${label} ${number}`
    there.add(field)
    return { field, kept: kept[field] }
  }
  const around: UnreadTexts = {
    all,
    join,
    set: (key, unread) => {
      if (isClosed) return
      if (unread) all.set(key, unread)
      else all.delete(key)
    },
    leave: (key, field) => {
      there.delete(field)
      if (!isClosed) all.delete(key)
    },
  }
  return {
    /** What the fields are given. */
    around,
    all,
    /** The texts as they stand, by field. */
    texts: (): Readonly<Record<string, string>> =>
      Object.fromEntries([...all.values()].map(({ field, text }) => [field, text])),
    /** Gives texts back to the fields that come after this. */
    restore: (texts: Readonly<Record<string, string>>): void => {
      kept = texts
    },
    /** The page is left: what its fields do now changes nothing. */
    close: (): void => {
      isClosed = true
    },
  }
}

/** Gathers the unread texts of the fields around which it stands. */
export function provideUnreadTexts(): ReturnType<typeof gatherUnreadTexts> {
  const gathered = gatherUnreadTexts()
  provide(unreadTextsKey, gathered.around)
  return gathered
}
