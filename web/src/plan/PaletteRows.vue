<script setup lang="ts">
import { useErrorOf } from '@/parts/errorOf'
import { useRows } from '@/parts/useRows'
import { mdiClose, mdiPlus } from '@mdi/js'
import type { NewCollection } from '@vendange/contract'

/** The colours that a collection shares. */
const errorOf = useErrorOf()
const rows = defineModel<NewCollection['palette']>({ required: true })
const { set, add, remove } = useRows(rows)
</script>

<template>
  <fieldset>
    <legend class="eyebrow">Palette</legend>
    <div v-for="(row, index) in rows" :key="index" class="row swatch">
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
      <v-btn
        :icon="mdiClose"
        size="small"
        variant="text"
        :aria-label="`Take ${row.name} away`"
        @click="remove(index)"
      />
    </div>
    <v-btn size="small" :prepend-icon="mdiPlus" @click="add({ name: `colour ${rows.length + 1}`, hex: '#9A7224' })"
      >Colour</v-btn
    >
  </fieldset>
</template>
