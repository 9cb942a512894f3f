<script setup lang="ts">
import MomentField from '@/parts/MomentField.vue'
import { useErrorOf } from '@/parts/errorOf'
import RemovableRow from '@/parts/RemovableRow.vue'
import { useRows } from '@/parts/useRows'
import { mdiPlus } from '@mdi/js'
import type { NewCollection } from '@vendange/contract'
import { audiences } from '@vendange/contract'

/** Who may buy before the release, and from when. */
const errorOf = useErrorOf()
const props = defineProps<{
  /** The release itself, on the clock of its zone. */
  releaseLocal: string
}>()
const rows = defineModel<NewCollection['early']>({ required: true })
const { set, add, remove } = useRows(rows)
const firstMoment = () => ({ audience: 'Subscribers' as const, local: `${props.releaseLocal.slice(0, 10)}T00:00` })
</script>

<template>
  <fieldset>
    <legend class="eyebrow">May buy earlier</legend>
    <RemovableRow
      v-for="(row, index) in rows"
      :key="index"
      class="swatch"
      :what="`early moment ${index + 1}`"
      @remove="remove(index)"
    >
      <v-select
        :model-value="row.audience"
        :items="audiences"
        :label="`Who ${index + 1}`"
        @update:model-value="set(index, { audience: $event })"
      />
      <MomentField
        :model-value="row.local"
        :label="`From ${index + 1}`"
        :error="errorOf(`early[${index}].local`)"
        @update:model-value="set(index, { local: $event })"
      />
    </RemovableRow>
    <v-btn size="small" :prepend-icon="mdiPlus" @click="add(firstMoment())">Early moment</v-btn>
  </fieldset>
</template>
