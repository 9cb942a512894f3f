<script setup lang="ts">
import { useErrorOf } from '@/parts/errorOf'
import { changing, fieldOf, useRows } from '@/parts/useRows'
import QuantityField from '@/parts/QuantityField.vue'
import RemovableRow from '@/parts/RemovableRow.vue'
import { mdiPlus } from '@mdi/js'
import type { WorkshopDetails } from '@vendange/contract'
import { barsPerTrayRange, bufferDaysRange, ovenSlotRange, trayRange } from '@vendange/contract'
import { clockText, minutesOfClock } from '@vendange/core/calendar'

/** What the season has to fit into besides hours and moulds: racks, oven, wished slack, and when a day's work begins. */
const values = defineModel<WorkshopDetails>({ required: true })
const change = changing(values)
const racks = fieldOf(values, 'racks')
const { set, add, remove } = useRows(racks)
const errorOf = useErrorOf()
defineProps<{ weekdays: readonly string[] }>()

function setStart(index: number, text: string): void {
  const minutes = minutesOfClock(text)
  if (minutes !== undefined) change({ weekStartMin: values.value.weekStartMin.with(index, minutes) })
}
</script>

<template>
  <section class="sheet stack">
    <h2>What a season must fit into</h2>
    <RemovableRow v-for="(rack, index) in racks" :key="index" :what="rack.name" @remove="remove(index)">
      <v-text-field
        :model-value="rack.name"
        :label="`Rack ${index + 1}`"
        :error-messages="errorOf(`racks[${index}].name`) ?? []"
        @update:model-value="set(index, { name: $event })"
      />
      <QuantityField
        :model-value="rack.trays"
        kind="count"
        :range="trayRange"
        :label="`Trays of rack ${index + 1}`"
        :error="errorOf(`racks[${index}].trays`)"
        @update:model-value="set(index, { trays: $event })"
      />
    </RemovableRow>
    <div>
      <v-btn size="small" :prepend-icon="mdiPlus" @click="add({ name: `Rack ${racks.length + 1}`, trays: 8 })"
        >Rack</v-btn
      >
    </div>
    <div class="fields">
      <QuantityField
        :model-value="values.barsPerTray"
        kind="count"
        :range="barsPerTrayRange"
        label="Bars on a tray"
        :error="errorOf('barsPerTray')"
        @update:model-value="change({ barsPerTray: $event })"
      />
      <QuantityField
        :model-value="values.ovenSlots"
        kind="count"
        :range="ovenSlotRange"
        label="Moulds in the oven"
        :error="errorOf('ovenSlots')"
        @update:model-value="change({ ovenSlots: $event })"
      />
      <QuantityField
        :model-value="values.bufferDays"
        kind="days"
        :range="bufferDaysRange"
        label="Days to spare, wished"
        :error="errorOf('bufferDays')"
        @update:model-value="change({ bufferDays: $event })"
      />
    </div>
    <p class="eyebrow">A day’s work begins at</p>
    <div class="week">
      <v-text-field
        v-for="(label, index) in weekdays"
        :key="label"
        type="time"
        :model-value="clockText(values.weekStartMin[index] ?? 0)"
        :label="`${label}, from`"
        @update:model-value="setStart(index, $event)"
      />
    </div>
  </section>
</template>

<style scoped>
.week {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(max(172px, var(--least-field)), 1fr));
  gap: 12px;
}
</style>
