<script setup lang="ts">
import MouldRows from '@/parts/MouldRows.vue'
import QuantityField from '@/parts/QuantityField.vue'
import type { NewDesign } from '@vendange/contract'
import { batterMlRange } from '@vendange/contract'

/** Moulds of other kinds that are filled from the same batch, and what is off or on top of them. */
const values = defineModel<NewDesign>({ required: true })
const props = defineProps<{ errorOf: (path: string) => string | undefined }>()
const errorOfRow = (path: string): string | undefined => props.errorOf(`moreMoulds${path}`)
</script>

<template>
  <fieldset>
    <legend class="eyebrow">From the same batch</legend>
    <MouldRows v-model="values.moreMoulds" :first="2" :taken="[values.mouldId]" :error-of="errorOfRow" />
    <div class="fields mt-3">
      <QuantityField
        v-model="values.displacedMl"
        kind="number"
        :range="batterMlRange"
        label="Taken up by embeds, ml"
        hint="Embeds, column, dividers, in all"
        :error="errorOf('displacedMl')"
      />
      <QuantityField
        v-model="values.topMl"
        kind="number"
        :range="batterMlRange"
        label="For piping and top, ml"
        hint="Above the fill line"
        :error="errorOf('topMl')"
      />
    </div>
  </fieldset>
</template>
