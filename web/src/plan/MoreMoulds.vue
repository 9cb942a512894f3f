<script setup lang="ts">
import { useErrorOf } from '@/parts/errorOf'
import { changing } from '@/parts/useRows'
import MouldRows from '@/parts/MouldRows.vue'
import QuantityField from '@/parts/QuantityField.vue'
import type { NewDesign } from '@vendange/contract'
import { batterMlRange } from '@vendange/contract'

/** Moulds of other kinds that are filled from the same batch, and what is off or on top of them. */
const values = defineModel<NewDesign>({ required: true })
const change = changing(values)
const errorOf = useErrorOf()
</script>

<template>
  <fieldset>
    <legend class="eyebrow">From the same batch</legend>
    <MouldRows
      :model-value="values.moreMoulds"
      :first="2"
      :taken="[values.mouldId]"
      field="moreMoulds"
      @update:model-value="change({ moreMoulds: $event })"
    />
    <div class="fields mt-3">
      <QuantityField
        :model-value="values.displacedMl"
        kind="volume"
        :range="batterMlRange"
        label="Taken up by embeds"
        hint="Embeds, column, dividers, in all"
        :error="errorOf('displacedMl')"
        @update:model-value="change({ displacedMl: $event })"
      />
      <QuantityField
        :model-value="values.topMl"
        kind="volume"
        :range="batterMlRange"
        label="For piping and top"
        hint="Above the fill line"
        :error="errorOf('topMl')"
        @update:model-value="change({ topMl: $event })"
      />
    </div>
  </fieldset>
</template>
