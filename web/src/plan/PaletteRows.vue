<script setup lang="ts">
import { useErrorOf } from '@/parts/errorOf'
import RemovableRow from '@/parts/RemovableRow.vue'
import { useRows } from '@/parts/useRows'
import { mdiPlus } from '@mdi/js'
import type { NewCollection } from '@vendange/contract'

/** The colours that a collection shares. */
const errorOf = useErrorOf()
const rows = defineModel<NewCollection['palette']>({ required: true })
const { set, add, remove } = useRows(rows)
</script>

<template>
  <fieldset>
    <legend class="eyebrow">Palette</legend>
    <RemovableRow v-for="(row, index) in rows" :key="index" class="swatch" :what="row.name" @remove="remove(index)">
      <input
        :value="row.hex"
        type="color"
        :aria-label="`Colour ${index + 1}`"
        @input="set(index, { hex: ($event.target as HTMLInputElement).value })"
      />
      <v-text-field
        :model-value="row.name"
        :label="`Name of colour ${index + 1}`"
        :error-messages="errorOf(`palette[${index}].name`) ?? []"
        @update:model-value="set(index, { name: $event })"
      />
    </RemovableRow>
    <v-btn size="small" :prepend-icon="mdiPlus" @click="add({ name: `colour ${rows.length + 1}`, hex: '#9A7224' })"
      >Colour</v-btn
    >
  </fieldset>
</template>
