<script setup lang="ts">
import { api } from '@/parts/api'
import ConflictPanel from '@/parts/ConflictPanel.vue'
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import SaveState from '@/parts/SaveState.vue'
import { useSeason } from '@/parts/seasonStore'
import { takeAway } from '@/parts/takeAway'
import TheAnswer from '@/parts/TheAnswer.vue'
import { useSavedForm } from '@/parts/useSavedForm'
import type { NewMould } from '@vendange/contract'
import { endpoints, mouldCountRange, mouldSchema } from '@vendange/contract'
import { barsFromLoaf, cutMarks } from '@vendange/core/cutting'
import { barThicknessRange, blockOf, checkLoafMould, endTrimRange, fillVolumeMl, kerfRange } from '@vendange/core/mould'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import MouldDrawing from './MouldDrawing.vue'

const props = defineProps<{ id: string }>()
const season = useSeason()
const router = useRouter()
const { show } = useUnits()
const mould = computed(() => season.mould(props.id))

const { values, errors, errorOf, status, theirDetails, settle } = useSavedForm({
  schema: mouldSchema,
  source: () => mould.value,
  save: (body: NewMould & { version: number }) => api(endpoints.moulds.update, { params: { id: props.id }, body }),
  label: () => mould.value?.name ?? 'mould',
})
const labels = {
  name: 'Name',
  lengthMm: 'Length, mm',
  widthMm: 'Width, mm',
  heightMm: 'Height, mm',
  linerMm: 'Liner, mm',
  fillHeightMm: 'Fill height, mm',
  barThicknessMm: 'Bar thickness, mm',
  endTrimMm: 'End trim, mm',
  kerfMm: 'Kerf, mm',
  count: 'How many',
}

const cut = computed(() => {
  if (!values.value || checkLoafMould(values.value).length > 0) return undefined
  const block = blockOf(values.value)
  return {
    ...barsFromLoaf(block.lengthMm, values.value),
    marks: cutMarks(block.lengthMm, values.value),
    volumeMl: fillVolumeMl(values.value),
  }
})

async function takeMouldAway(): Promise<void> {
  if (mould.value && (await takeAway(endpoints.moulds, mould.value))) await router.push('/stores')
}
</script>

<template>
  <template v-if="mould && values">
    <TheAnswer>
      <template v-if="cut"
        >{{ values.name }} takes {{ Math.round(cut.volumeMl) }} ml of batter and gives {{ cut.bars }} bars of
        {{ show('length', values.barThicknessMm) }}.</template
      >
      <template v-else><span class="must">These sizes make no mould that can be filled.</span></template>
    </TheAnswer>
    <ConflictPanel v-if="theirDetails" :mine="values" :theirs="theirDetails" :labels="labels" @settle="settle" />
    <div class="columns">
      <section class="sheet stack">
        <div class="row head">
          <h2>Inside the mould</h2>
          <SaveState :status="status" :errors="errors" />
        </div>
        <div class="fields">
          <v-text-field v-model="values.name" label="Name" :error-messages="errorOf('name') ?? []" />
          <QuantityField
            v-model="values.count"
            kind="count"
            :range="mouldCountRange"
            label="How many"
            :error="errorOf('count')"
          />
          <QuantityField v-model="values.lengthMm" kind="length" label="Inner length" :error="errorOf('lengthMm')" />
          <QuantityField v-model="values.widthMm" kind="length" label="Inner width" :error="errorOf('widthMm')" />
          <QuantityField v-model="values.heightMm" kind="length" label="Inner height" :error="errorOf('heightMm')" />
          <QuantityField v-model="values.linerMm" kind="length" label="Liner thickness" :error="errorOf('linerMm')" />
          <QuantityField
            v-model="values.fillHeightMm"
            kind="length"
            label="Fill height"
            :error="errorOf('fillHeightMm')"
          />
        </div>
        <p class="eyebrow">How its loaves are cut</p>
        <div class="fields">
          <QuantityField
            v-model="values.barThicknessMm"
            kind="length"
            :range="barThicknessRange"
            label="Bar thickness"
            :error="errorOf('barThicknessMm')"
          />
          <QuantityField
            v-model="values.endTrimMm"
            kind="length"
            :range="endTrimRange"
            label="Trim at each end"
            :error="errorOf('endTrimMm')"
          />
          <QuantityField
            v-model="values.kerfMm"
            kind="length"
            :range="kerfRange"
            label="Lost to each cut"
            :error="errorOf('kerfMm')"
          />
        </div>
        <div class="row">
          <v-btn size="small" variant="text" color="error" @click="takeMouldAway">Take the mould away</v-btn>
        </div>
      </section>
      <section class="sheet stack">
        <h2>To scale: from the side, from the end</h2>
        <MouldDrawing :mould="values" :cuts-mm="cut?.marks ?? []" />
        <p v-if="cut" class="quiet">
          {{ cut.bars }} bars, {{ show('length', cut.restMm) }} left over besides the trims. Depth of batter is counted
          above the liner.
        </p>
      </section>
    </div>
  </template>
  <TheAnswer v-else>There is no such mould.</TheAnswer>
</template>
