<script setup lang="ts">
import MomentField from '@/parts/MomentField.vue'
import { useErrorOf } from '@/parts/errorOf'
import RemovableRow from '@/parts/RemovableRow.vue'
import QuantityField from '@/parts/QuantityField.vue'
import { useCustomers } from '@/parts/customers'
import { useRows } from '@/parts/useRows'
import { mdiPlus } from '@mdi/js'
import type { NewCollection } from '@vendange/contract'
import { audiences, channelBarsRange, channelNames } from '@vendange/contract'
import { channelOfMoment } from '@vendange/core/loaf'
import { computed } from 'vue'

/** Who may buy before the release, and from when. */
const errorOf = useErrorOf()
const props = defineProps<{
  /** The release itself, on the clock of its zone. */
  releaseLocal: string
}>()
const rows = defineModel<NewCollection['early']>({ required: true })
const { set, add, remove } = useRows(rows)
const { shops } = useCustomers()
const known = computed(() => [...audiences, 'Stalls', 'Shops', ...shops.value.map(({ name: shop }) => shop)])
const channelOf = (row: NewCollection['early'][number]) =>
  channelNames.find((channel) => channel === channelOfMoment(row)) ?? 'Web'
/** A shop by its name, or all stalls, buy through their own channel. */
function name(index: number, audience: string): void {
  const isShop = audience === 'Shops' || shops.value.some((shop) => shop.name === audience)
  const channel = isShop ? ('Shops' as const) : audience === 'Stalls' ? ('Stalls' as const) : undefined
  set(index, channel === undefined ? { audience } : { audience, channel })
}
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
      <div class="moment">
        <v-combobox
          :model-value="row.audience"
          :items="known"
          :label="`Who ${index + 1}`"
          maxlength="80"
          :error-messages="errorOf(`early[${index}].audience`) ?? []"
          @update:model-value="name(index, $event ?? '')"
        />
        <v-select
          :model-value="channelOf(row)"
          :items="channelNames"
          :label="`Buy through ${index + 1}`"
          @update:model-value="set(index, { channel: $event ?? undefined })"
        />
        <QuantityField
          :model-value="row.bars ?? null"
          kind="count"
          optional
          :range="channelBarsRange"
          :label="`Bars at most ${index + 1}`"
          hint="Empty: as many as there are"
          :error="errorOf(`early[${index}].bars`)"
          @update:model-value="set(index, { bars: $event ?? null })"
        />
        <MomentField
          class="from"
          :model-value="row.local"
          :label="`From ${index + 1}`"
          :error="errorOf(`early[${index}].local`)"
          @update:model-value="set(index, { local: $event })"
        />
      </div>
    </RemovableRow>
    <v-btn size="small" :prepend-icon="mdiPlus" @click="add(firstMoment())">Early moment</v-btn>
  </fieldset>
</template>

<style scoped>
.moment {
  display: grid;
  flex: 1;
  grid-template-columns: repeat(auto-fit, minmax(max(150px, var(--least-field)), 1fr));
  gap: 10px 8px;
}

.moment > :first-child,
.from {
  grid-column: 1 / -1;
}
</style>
