<script setup lang="ts">
import { useErrorOf } from '@/parts/errorOf'
import QuantityField from '@/parts/QuantityField.vue'
import RemovableRow from '@/parts/RemovableRow.vue'
import { useRows } from '@/parts/useRows'
import { mdiPlus } from '@mdi/js'
import type { NewCollection } from '@vendange/contract'
import { channelNames } from '@vendange/contract'

/** The channels that a collection goes to, and the bars that each wants. */
const errorOf = useErrorOf()
const rows = defineModel<NewCollection['channels']>({ required: true })
const { set, add, remove } = useRows(rows)
const barsRange = { min: 0, max: 5000 }
</script>

<template>
  <fieldset>
    <legend class="eyebrow">Channels</legend>
    <RemovableRow
      v-for="(row, index) in rows"
      :key="index"
      class="swatch"
      :what="`channel ${index + 1}`"
      @remove="remove(index)"
    >
      <v-select
        :model-value="row.channel"
        :items="channelNames"
        :label="`Channel ${index + 1}`"
        @update:model-value="set(index, { channel: $event })"
      />
      <QuantityField
        :model-value="row.bars"
        kind="count"
        :range="barsRange"
        :label="`Bars wanted ${index + 1}`"
        :error="errorOf(`channels[${index}].bars`)"
        @update:model-value="set(index, { bars: $event })"
      />
    </RemovableRow>
    <v-btn size="small" :prepend-icon="mdiPlus" @click="add({ channel: 'Web', bars: 24 })">Channel</v-btn>
  </fieldset>
</template>
