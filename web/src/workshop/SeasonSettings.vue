<script setup lang="ts">
import QuantityField from '@/parts/QuantityField.vue'
import RemovableRow from '@/parts/RemovableRow.vue'
import { mdiPlus } from '@mdi/js'
import type { WorkshopDetails } from '@vendange/contract'
import { barsPerTrayRange, bufferDaysRange, ovenSlotRange, trayRange } from '@vendange/contract'
import { clockText, minutesOfClock } from '@vendange/core/calendar'

/** What the season has to fit into besides hours and moulds: racks, oven, wished slack, and when a day's work begins. */
const values = defineModel<WorkshopDetails>({ required: true })
defineProps<{ errorOf: (path: string) => string | undefined; weekdays: readonly string[] }>()

function setStart(index: number, text: string): void {
  const minutes = minutesOfClock(text)
  if (minutes !== undefined) values.value.weekStartMin[index] = minutes
}
</script>

<template>
  <section class="sheet stack">
    <h2>What a season must fit into</h2>
    <RemovableRow
      v-for="(rack, index) in values.racks"
      :key="index"
      :label="`Take ${rack.name} away`"
      @remove="values.racks.splice(index, 1)"
    >
      <v-text-field
        v-model="rack.name"
        :label="`Rack ${index + 1}`"
        :error-messages="errorOf(`racks[${index}].name`) ?? []"
      />
      <QuantityField
        v-model="rack.trays"
        kind="count"
        :range="trayRange"
        :label="`Trays of rack ${index + 1}`"
        :error="errorOf(`racks[${index}].trays`)"
      />
    </RemovableRow>
    <div>
      <v-btn
        size="small"
        :prepend-icon="mdiPlus"
        @click="values.racks.push({ name: `Rack ${values.racks.length + 1}`, trays: 8 })"
        >Rack</v-btn
      >
    </div>
    <div class="fields">
      <QuantityField
        v-model="values.barsPerTray"
        kind="count"
        :range="barsPerTrayRange"
        label="Bars on a tray"
        :error="errorOf('barsPerTray')"
      />
      <QuantityField
        v-model="values.ovenSlots"
        kind="count"
        :range="ovenSlotRange"
        label="Moulds in the oven"
        :error="errorOf('ovenSlots')"
      />
      <QuantityField
        v-model="values.bufferDays"
        kind="days"
        :range="bufferDaysRange"
        label="Days to spare, wished"
        :error="errorOf('bufferDays')"
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
  grid-template-columns: repeat(auto-fill, minmax(118px, 1fr));
  gap: 12px;
}
</style>
