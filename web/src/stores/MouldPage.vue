<script setup lang="ts">
import { api } from '@/parts/api'
import ConflictPanel from '@/parts/ConflictPanel.vue'
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import SaveState from '@/parts/SaveState.vue'
import { useSeason } from '@/parts/seasonStore'
import { deleteWithUndo } from '@/parts/deleteWithUndo'
import PageHeadline from '@/parts/PageHeadline.vue'
import { useSavedForm } from '@/parts/useSavedForm'
import type { NewMould } from '@vendange/contract'
import { endpoints, mouldCountRange, mouldSchema } from '@vendange/contract'
import { barsOfMould, cutMarks } from '@vendange/core/cutting'
import type { MouldShape } from '@vendange/core/mould'
import {
  barThicknessRange,
  blockOf,
  cavityCountRange,
  checkMould,
  endTrimRange,
  fillVolumeMl,
  kerfRange,
  learnedTakeUp,
  logCountRange,
  outerBaseMm,
  outerHeightMm,
  shapeOf,
  wallRange,
} from '@vendange/core/mould'
import { counted } from '@vendange/words'
import { computed, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import MouldDrawing from './MouldDrawing.vue'

const props = defineProps<{ id: string }>()
const season = useSeason()
const router = useRouter()
const { show, thickness } = useUnits()
const mould = computed(() => season.mould(props.id))

const { values, errors, errorOf, status, theirDetails, settle } = useSavedForm({
  schema: mouldSchema,
  source: () => mould.value,
  save: (body: NewMould & { version: number }) => api(endpoints.moulds.update, { params: { id: props.id }, body }),
  label: () => mould.value?.name ?? 'mould',
})
const labels = {
  name: 'Name',
  lengthMm: 'Length',
  widthMm: 'Width',
  heightMm: 'Height',
  linerMm: 'Liner',
  wallMm: 'Wall',
  baseMm: 'Floor',
  fillHeightMm: 'Fill height',
  shape: 'Shape',
  topLengthMm: 'Length at the brim',
  topWidthMm: 'Width at the brim',
  logCount: 'Logs',
  cavityCount: 'Cavities',
  cavityMl: 'A cavity',
  measuredMl: 'Measured',
  barThicknessMm: 'Bar thickness',
  endTrimMm: 'End trim',
  kerfMm: 'Kerf',
  count: 'How many',
}

const shapes: readonly { readonly value: MouldShape; readonly title: string }[] = [
  { value: 'loaf', title: 'Loaf, straight or tapered' },
  { value: 'slab', title: 'Slab, split into logs' },
  { value: 'cylinder', title: 'Cylinder, standing' },
  { value: 'cavities', title: 'Tray of cavities' },
]
const isCut = computed(() => values.value !== undefined && shapeOf(values.value) !== 'cavities')

const cut = computed(() => {
  if (!values.value || checkMould(values.value).length > 0) return undefined
  return {
    ...barsOfMould(values.value),
    marks: isCut.value ? cutMarks(blockOf(values.value).lengthMm, values.value) : [],
    volumeMl: fillVolumeMl(values.value),
  }
})

/** What this mould took up in past pours. */
const takenMl = ref<readonly number[]>([])
const learned = computed(() => learnedTakeUp(takenMl.value))
onMounted(async () => {
  const loaves = await api(endpoints.loaves.list).catch(() => [])
  // One figure a pour: what it left in the pots says nothing of one mould among several.
  const byPour = new Map(
    loaves.flatMap((loaf) =>
      loaf.mouldId === props.id && loaf.takenMl !== null ? [[loaf.batchId, loaf.takenMl]] : [],
    ),
  )
  takenMl.value = [...byPour.values()]
})

async function takeMouldAway(): Promise<void> {
  if (mould.value && (await deleteWithUndo(endpoints.moulds, mould.value))) await router.push('/stores')
}
</script>

<template>
  <template v-if="mould && values">
    <PageHeadline>
      <template v-if="cut"
        >{{ values.name }} takes {{ show('volume', cut.volumeMl) }} of batter and gives
        {{ counted(cut.bars, 'bar') }} of
        {{ isCut ? thickness(values.barThicknessMm) : show('volume', values.cavityMl) }}.</template
      >
      <template v-else><span class="must">These sizes make no mould that can be filled.</span></template>
    </PageHeadline>
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
          <v-select v-model="values.shape" class="wide" :items="shapes" label="Shape" data-test="shape" />
          <template v-if="isCut">
            <QuantityField v-model="values.lengthMm" kind="length" label="Inner length" :error="errorOf('lengthMm')" />
            <QuantityField
              v-model="values.widthMm"
              kind="length"
              :label="values.shape === 'cylinder' ? 'Inner diameter' : 'Inner width'"
              :error="errorOf('widthMm')"
            />
            <QuantityField v-model="values.heightMm" kind="length" label="Inner height" :error="errorOf('heightMm')" />
            <template v-if="values.shape === 'loaf' || values.shape === 'slab'">
              <QuantityField
                v-model="values.topLengthMm"
                kind="length"
                optional
                label="Length at brim"
                hint="Only where it tapers"
                :error="errorOf('topLengthMm')"
              />
              <QuantityField
                v-model="values.topWidthMm"
                kind="length"
                optional
                label="Width at brim"
                hint="Only where it tapers"
                :error="errorOf('topWidthMm')"
              />
            </template>
            <QuantityField
              v-if="values.shape === 'slab'"
              v-model="values.logCount"
              kind="count"
              :range="logCountRange"
              label="Split into logs"
              :error="errorOf('logCount')"
            />
            <QuantityField v-model="values.linerMm" kind="length" label="Liner thickness" :error="errorOf('linerMm')" />
            <QuantityField
              v-model="values.wallMm"
              kind="length"
              :range="wallRange"
              label="Wall thickness"
              :hint="`Outside ${show('length', outerBaseMm(values))} across`"
              :error="errorOf('wallMm')"
            />
            <QuantityField
              v-model="values.baseMm"
              kind="length"
              :range="wallRange"
              label="Floor thickness"
              :hint="`Outside ${show('length', outerHeightMm(values))} high`"
              :error="errorOf('baseMm')"
            />
            <QuantityField
              v-model="values.fillHeightMm"
              kind="length"
              label="Fill height"
              :error="errorOf('fillHeightMm')"
            />
          </template>
          <template v-else>
            <QuantityField
              v-model="values.cavityCount"
              kind="count"
              :range="cavityCountRange"
              label="Cavities"
              :error="errorOf('cavityCount')"
            />
            <QuantityField v-model="values.cavityMl" kind="volume" label="One holds" :error="errorOf('cavityMl')" />
          </template>
          <QuantityField
            v-model="values.measuredMl"
            kind="volume"
            optional
            label="Measured"
            hint="Water to the fill line; goes before the sizes"
            :error="errorOf('measuredMl')"
          />
        </div>
        <p v-if="learned" class="row" data-test="learned">
          <span
            >{{ learned.n }} {{ learned.n === 1 ? 'pour' : 'pours' }} filled it with
            <b>{{ show('volume', learned.meanMl) }}</b><template v-if="learned.n > 1">
              ± {{ show('volume', learned.spreadMl) }}</template
            >.</span
          >
          <v-btn size="small" @click="values.measuredMl = Math.round(learned.meanMl)">Reckon with that</v-btn>
        </p>
        <template v-if="isCut">
          <p class="eyebrow">How its soap is cut</p>
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
        </template>
        <div class="row">
          <v-btn size="small" variant="text" color="error" @click="takeMouldAway">Take the mould away</v-btn>
        </div>
      </section>
      <section class="sheet stack">
        <h2>To scale: from the side, from the end</h2>
        <MouldDrawing :mould="values" :cuts-mm="cut?.marks ?? []" />
        <p v-if="cut && isCut" class="quiet">
          {{ counted(cut.bars, 'bar') }}, {{ show('length', cut.restMm) }} left over besides the trims. Depth of batter
          is counted above the liner.
        </p>
      </section>
    </div>
  </template>
  <PageHeadline v-else>There is no such mould.</PageHeadline>
</template>
