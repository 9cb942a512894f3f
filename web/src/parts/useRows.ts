import type { Ref, WritableComputedRef } from 'vue'
import { computed } from 'vue'

/** Works on the rows of a model: each change replaces the list, so that whoever holds it sees it whole or not at all. */
export function useRows<Row extends object>(rows: Ref<Row[]> | Ref<readonly Row[]>) {
  return {
    set: (index: number, change: Partial<Row>): void => {
      rows.value = rows.value.map((row, at) => (at === index ? { ...row, ...change } : row))
    },
    add: (row: Row): void => {
      rows.value = [...rows.value, row]
    },
    remove: (index: number): void => {
      rows.value = rows.value.filter((_, at) => at !== index)
    },
  }
}

/** Changes some fields of a model by replacing it. */
export const changing =
  <Model extends object>(model: Ref<Model>) =>
  (change: Partial<Model>): void => {
    model.value = { ...model.value, ...change }
  }

/** A field of a model as a model of its own. */
export const fieldOf = <Model extends object, Field extends keyof Model>(
  model: Ref<Model>,
  field: Field,
): WritableComputedRef<Model[Field]> =>
  computed({
    get: () => model.value[field],
    set: (value) => {
      model.value = { ...model.value, [field]: value }
    },
  })
