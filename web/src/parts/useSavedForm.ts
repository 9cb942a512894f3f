import { plainCopy } from './plainCopy'
import { faultsOf, ValidationError } from '@vendange/contract'
import type { Ref } from 'vue'
import { computed, onBeforeUnmount, provide, ref, toRaw, watch } from 'vue'
import { onBeforeRouteLeave, onBeforeRouteUpdate } from 'vue-router'
import { problemOf } from './api'
import { draftOf, forgetDraft, keepDraft } from './drafts'
import type { ErrorOf } from './errorOf'
import { errorOfKey } from './errorOf'
import { useUnits } from './format'
import { useSeason } from './seasonStore'
import { useUndo } from './undoStore'
import { provideUnreadTexts } from './unreadTexts'

type Versioned = { readonly version: number }

interface Schema<T> {
  validate(value: unknown, options: { strict: boolean; abortEarly: boolean }): Promise<T>
}

export interface SavedFormOptions<T extends object, Saved extends Versioned> {
  readonly schema: Schema<T>
  /** The thing as the server has it. */
  readonly source: () => (T & Versioned) | undefined
  readonly save: (details: T & { version: number }) => Promise<Saved>
  /** For "Undo: change to …". */
  readonly label: () => string
}

export type SaveStatus = 'saved' | 'editing' | 'saving' | 'invalid' | 'conflict' | 'unreached'

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b)
const savingDelayMs = 500
/** A server that does not answer keeps nobody on a page. */
const mostWaitMs = 2500

/**
 * A form that saves as you go: validated by the contract, sent under the version it was read with, undone with undo.
 * When somebody else changed the thing meanwhile, both values are kept until the maker has chosen.
 */
export function useSavedForm<T extends object, Saved extends Versioned>(options: SavedFormOptions<T, Saved>) {
  const season = useSeason()
  const undo = useUndo()
  const { say } = useUnits()
  const values = ref<T>() as Ref<T | undefined>
  const errors = ref<Readonly<Record<string, string>>>({})
  const status = ref<SaveStatus>('saved')
  const theirs = ref<(T & Versioned) | undefined>() as Ref<(T & Versioned) | undefined>
  const unread = provideUnreadTexts()

  let base: T | undefined
  let version = 0
  /** What its draft is kept under; a thing without an id stands once in the workshop. */
  let draftId: string | undefined
  let timer: ReturnType<typeof setTimeout> | undefined
  let running: Promise<void> = Promise.resolve()

  function detailsOf(saved: T & Versioned): T {
    const {
      version: _version,
      id: _id,
      isRemoved: _removed,
      ...details
    } = saved as T & Versioned & { id?: string; isRemoved?: boolean }
    return plainCopy(details) as unknown as T
  }

  function adopt(saved: T & Versioned): void {
    const isFirst = base === undefined
    base = detailsOf(saved)
    version = saved.version
    values.value = plainCopy(base)
    errors.value = {}
    status.value = 'saved'
    draftId = (saved as { readonly id?: string }).id ?? 'workshop'
    if (isFirst) takeDraftUp(saved, draftId)
  }

  /** What was typed before and could not be saved stands in the form again. */
  function takeDraftUp(saved: T & Versioned, id: string): void {
    const draft = draftOf(id)
    const texts = draft?.texts ?? {}
    if (!draft || (same(draft.values, base) && Object.keys(texts).length === 0)) return forgetDraft(id)
    values.value = plainCopy(draft.values) as T
    // Fields that could not be read hold the form back again as they come in.
    unread.restore(texts)
    undo.tell(`What you had typed into ${options.label()} stands there again.`)
    if (draft.version !== saved.version) {
      // It stays a draft over the older version, so that leaving the page again takes the question nowhere.
      version = draft.version
      theirs.value = saved
      status.value = 'conflict'
      return
    }
    status.value = 'editing'
    saveNow()
  }

  /** Keeps what is typed and not saved, so that leaving the page loses nothing. @returns whether it is kept */
  function keepTyped(): boolean {
    const texts = unread.texts()
    const isTyped = !same(values.value, base) || Object.keys(texts).length > 0
    return draftId !== undefined && isTyped && keepDraft(draftId, { version, values: values.value, texts })
  }

  watch(
    options.source,
    (saved) => {
      if (!saved || saved.version < version) return
      // What is being typed, readable or not, stays; saving it shows what it clashes with.
      if (base === undefined || (same(values.value, base) && unread.all.size === 0)) adopt(saved)
    },
    { immediate: true },
  )

  async function findErrors(): Promise<Readonly<Record<string, string>>> {
    try {
      await options.schema.validate(toRaw(values.value), { strict: true, abortEarly: false })
      return {}
    } catch (error) {
      if (!(error instanceof ValidationError)) throw error
      return Object.fromEntries(faultsOf(error).map(({ field, fault }) => [field, say(fault)]))
    }
  }

  async function send(): Promise<void> {
    const sent = plainCopy(values.value) as T
    const before = base
    errors.value = await findErrors()
    if (Object.keys(errors.value).length > 0 || unread.all.size > 0) return stayUnsaved('invalid')
    if (same(sent, before)) {
      status.value = 'saved'
      if (draftId !== undefined) forgetDraft(draftId)
      return
    }
    status.value = 'saving'
    try {
      const saved = await options.save({ ...sent, version })
      base = sent
      version = saved.version
      if (draftId !== undefined) forgetDraft(draftId)
      if (before) undo.did(`Change to ${options.label()}`, () => putBack(before), false)
      // “Saved” is said once the page shows what was saved, so that nothing is decided on older figures.
      await season.load()
      status.value = same(values.value, base) ? 'saved' : 'editing'
    } catch (error) {
      const problem = problemOf(error)
      if (problem.status === 409) {
        theirs.value = problem.current as T & Versioned
        stayUnsaved('conflict')
      } else if (problem.status === 0) {
        stayUnsaved('unreached')
        timer = setTimeout(saveNow, 3000)
      } else {
        errors.value = Object.fromEntries((problem.errors ?? []).map(({ field, message }) => [field, message]))
        if (Object.keys(errors.value).length === 0) errors.value = { '': problem.detail }
        stayUnsaved('invalid')
      }
    }
  }

  let isLeft = false
  /** What is typed is not saved: it is kept as a draft, and said so to whoever has left the page. */
  function stayUnsaved(why: 'invalid' | 'conflict' | 'unreached'): void {
    status.value = why
    const isKept = keepTyped()
    if (!isLeft) return
    undo.tell(
      isKept
        ? `${options.label()} is not saved. What you typed is kept for when you come back.`
        : `${options.label()}: what could not be read was not kept.`,
    )
  }

  async function putBack(details: T): Promise<void> {
    const saved = await options.save({ ...details, version })
    base = plainCopy(details)
    version = saved.version
    values.value = plainCopy(details)
    status.value = 'saved'
    await season.load()
  }

  function saveNow(): void {
    clearTimeout(timer)
    running = running.catch(() => undefined).then(send)
  }

  watch(
    [values, unread.all],
    () => {
      if (!values.value || status.value === 'conflict') return
      if (same(values.value, base) && unread.all.size === 0) {
        if (status.value === 'editing' || status.value === 'invalid') {
          errors.value = {}
          status.value = 'saved'
        }
        return
      }
      status.value = 'editing'
      clearTimeout(timer)
      timer = setTimeout(saveNow, savingDelayMs)
    },
    { deep: true },
  )

  /** Settles a conflict with the values that the maker chose, and saves them over the newer version. */
  function settle(chosen: T): void {
    if (!theirs.value) return
    base = detailsOf(theirs.value)
    version = theirs.value.version
    theirs.value = undefined
    values.value = plainCopy(chosen)
    status.value = 'editing'
    saveNow()
  }

  /** Whoever leads away waits until what was typed is saved, or is known not to be. */
  async function saveFirst(): Promise<void> {
    if (status.value === 'editing') saveNow()
    if (status.value === 'editing' || status.value === 'saving')
      await Promise.race([running.catch(() => undefined), new Promise((resolve) => setTimeout(resolve, mostWaitMs))])
  }
  onBeforeRouteLeave(saveFirst)
  onBeforeRouteUpdate(saveFirst)

  /** The page is reloaded, closed, or put to sleep before the form has saved: what is typed stays as a draft. */
  const keepAtOnce = (): void => void keepTyped()
  const goings = ['pagehide', 'visibilitychange'] as const
  for (const going of goings) addEventListener(going, keepAtOnce)

  onBeforeUnmount(() => {
    for (const going of goings) removeEventListener(going, keepAtOnce)
    isLeft = true
    unread.close()
    if (status.value === 'editing') saveNow()
    else if (status.value === 'invalid' || status.value === 'conflict' || status.value === 'unreached')
      stayUnsaved(status.value)
  })

  /** The field's own message, if it has one. */
  const errorOf: ErrorOf = (path) => errors.value[path]
  provide(errorOfKey, errorOf)
  const theirDetails = computed(() => theirs.value && detailsOf(theirs.value))

  return { values, errors, errorOf, status, theirDetails, settle, saveNow }
}
