<script setup lang="ts">
import { api } from '@/parts/api'
import ConflictPanel from '@/parts/ConflictPanel.vue'
import QuantityField from '@/parts/QuantityField.vue'
import SaveState from '@/parts/SaveState.vue'
import { useSeason } from '@/parts/seasonStore'
import { deleteWithUndo } from '@/parts/deleteWithUndo'
import { useSavedForm } from '@/parts/useSavedForm'
import { mdiClose } from '@mdi/js'
import type { NewMaker, SavedMaker } from '@vendange/contract'
import { endpoints, hoursOfDayRange, makerSchema } from '@vendange/contract'
import DaysThatDiffer from './DaysThatDiffer.vue'

/** One maker: name, the hours of the week, and the days that differ. */
const props = defineProps<{ maker: SavedMaker; weekdays: readonly string[] }>()
const season = useSeason()

const { values, errors, errorOf, status, theirDetails, settle } = useSavedForm({
  schema: makerSchema,
  source: () => season.makers.find(({ id }) => id === props.maker.id),
  save: (body: NewMaker & { version: number }) =>
    api(endpoints.makers.update, { params: { id: props.maker.id }, body }),
  label: () => props.maker.name,
})
</script>

<template>
  <div v-if="values" class="maker stack" :data-test="`maker-${maker.name}`">
    <ConflictPanel v-if="theirDetails" :mine="values" :theirs="theirDetails" @settle="settle" />
    <div class="row">
      <v-text-field
        v-model="values.name"
        :label="`Name of ${maker.name}`"
        maxlength="80"
        :error-messages="errorOf('name') ?? []"
      />
      <SaveState :status="status" :errors="errors" />
      <v-btn
        :icon="mdiClose"
        size="small"
        variant="text"
        :aria-label="`Take ${maker.name} away`"
        @click="deleteWithUndo(endpoints.makers, maker)"
      />
    </div>
    <div class="week">
      <QuantityField
        v-for="(label, index) in weekdays"
        :key="label"
        v-model="values.weekHours[index]!"
        kind="hours"
        :range="hoursOfDayRange"
        :label="`${label}, ${maker.name}`"
        :error="errorOf(`weekHours[${index}]`)"
      />
    </div>
    <DaysThatDiffer v-model="values.exceptions" :add-label="`Other job, leave or extra day`" />
  </div>
</template>

<style scoped>
.maker + .maker {
  padding-top: 16px;
  border-top: 1px solid rgb(var(--v-theme-hairline));
}

.week {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(max(92px, var(--least-field)), 1fr));
  gap: 12px 8px;
}
</style>
