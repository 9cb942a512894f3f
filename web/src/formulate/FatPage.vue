<script setup lang="ts">
import ChoiceField from '@/parts/ChoiceField.vue'
import DateField from '@/parts/DateField.vue'
import { api } from '@/parts/api'
import ConflictPanel from '@/parts/ConflictPanel.vue'
import FindingList from '@/parts/FindingList.vue'
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import SaveState from '@/parts/SaveState.vue'
import { useSeason } from '@/parts/seasonStore'
import { deleteWithUndo } from '@/parts/deleteWithUndo'
import PageHeadline from '@/parts/PageHeadline.vue'
import { useSavedForm } from '@/parts/useSavedForm'
import type { NewOwnFat } from '@vendange/contract'
import { endpoints, ownFatSchema } from '@vendange/contract'
import type { FattyAcid } from '@vendange/core/fats'
import {
  checkOwnFat,
  contentKeys,
  expectedSaponification,
  fatDensityRange,
  fatTable,
  fattyAcidMolarMass,
  ownFatKey,
} from '@vendange/core/fats'
import { naohForPortions } from '@vendange/core/recipe'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { contentWords } from '@vendange/words'

const props = defineProps<{ id: string }>()
const season = useSeason()
const { show, asTyped, whole } = useUnits()
const router = useRouter()

const fat = computed(() => season.ownFats.find(({ id }) => id === props.id))
const { values, errors, errorOf, status, theirDetails, settle } = useSavedForm({
  schema: ownFatSchema,
  source: () => fat.value,
  save: (body: NewOwnFat & { version: number }) => api(endpoints.ownFats.update, { params: { id: props.id }, body }),
  label: () => fat.value?.name ?? 'fat',
})
const labels = {
  name: 'Name',
  inci: 'INCI name',
  soapInci: 'INCI name of its soap',
  kind: 'Kind',
  stateAt20C: 'At 20 °C',
  densityGMl: 'Density',
  saponificationValue: 'Saponification value',
  fattyAcidPercent: 'Fatty acids',
  unsaponifiablePercent: 'Does not saponify',
  contains: 'Contains',
  supplier: 'Supplier',
  certificateDay: 'Certificate of',
}
const kinds = [
  { value: 'triglyceride', title: 'Oil, fat or butter' },
  { value: 'wax', title: 'Wax' },
  { value: 'fatty_acid', title: 'Free fatty acid' },
] as const
const states = [
  { value: 'liquid', title: 'Liquid' },
  { value: 'soft', title: 'Soft' },
  { value: 'solid', title: 'Solid' },
] as const
const contents = contentKeys.map((value) => ({ value, title: contentWords[value] }))
const acids = Object.keys(fattyAcidMolarMass) as readonly FattyAcid[]
const zeros = Object.fromEntries(acids.map((acid) => [acid, 0])) as Record<FattyAcid, number>
const ends = [
  ['min', 'Least'],
  ['typical', 'Reckoned with'],
  ['max', 'Most'],
] as const
/** A fat takes any number; whether it is possible is said by the check, in words. */
const anyNumber = { min: 0, max: 10_000 }
const percentRange = { min: 0, max: 100 }

const findings = computed(() => (values.value ? checkOwnFat(values.value) : []))
const expected = computed(() => values.value && expectedSaponification(values.value))
const naohG = computed(() =>
  values.value && findings.value.every(({ severity }) => severity !== 'refuse')
    ? naohForPortions([{ massG: whole.value.g, saponificationValue: values.value.saponificationValue.typical }])
    : undefined,
)
const usedIn = computed(() =>
  season.recipes.filter(({ fats }) => fats.some(({ fatKey }) => fatKey === ownFatKey(props.id))),
)
const likeFats = fatTable.map(({ key, name }) => ({ value: key, title: name }))

/** Begins with the profile of a fat of the table, for one of the same plant. */
function takeProfileOf(key: string): void {
  const like = fatTable.find((one) => one.key === key)
  if (!values.value || !like) return
  const { kind, stateAt20C, densityGMl, densityTemperatureC, saponificationValue, unsaponifiablePercent } = like
  const { inci, soapInci } = like
  Object.assign(values.value, { inci, soapInci, kind, stateAt20C, densityGMl, densityTemperatureC })
  Object.assign(values.value, { saponificationValue: { ...saponificationValue }, unsaponifiablePercent })
  values.value.fattyAcidPercent = like.fattyAcidPercent && { ...zeros, ...like.fattyAcidPercent }
}
function setAcid(acid: FattyAcid, percent: number | null): void {
  if (!values.value) return
  values.value.fattyAcidPercent = { ...zeros, ...values.value.fattyAcidPercent, [acid]: percent ?? 0 }
}

async function takeFatAway(): Promise<void> {
  if (fat.value && (await deleteWithUndo(endpoints.ownFats, fat.value))) await router.push('/formulate')
}
</script>

<template>
  <template v-if="fat && values">
    <PageHeadline>
      <template v-if="naohG !== undefined">
        {{ whole.atStart }} of {{ values.name }} takes
        <span class="must">{{ asTyped('mass', naohG) }} of sodium hydroxide</span> with nothing left over.
      </template>
      <template v-else>{{ values.name }} <span class="must">cannot be a fat as it stands.</span></template>
    </PageHeadline>
    <ConflictPanel v-if="theirDetails" :mine="values" :theirs="theirDetails" :labels="labels" @settle="settle" />
    <div class="columns">
      <section class="sheet stack">
        <div class="row head">
          <h2>The fat</h2>
          <SaveState :status="status" :errors="errors" />
        </div>
        <div class="fields">
          <v-text-field v-model="values.name" class="wide" label="Name" :error-messages="errorOf('name') ?? []" />
          <ChoiceField
            :items="likeFats"
            label="Begin like"
            hint="A fat of the table, of the same plant"
            persistent-hint
            data-test="like"
            @update:model-value="takeProfileOf"
          />
          <v-select v-model="values.kind" :items="kinds" label="Kind" class="wide" />
          <v-select v-model="values.stateAt20C" :items="states" label="At 20 °C it is" />
          <v-text-field v-model="values.supplier" label="Supplier" :error-messages="errorOf('supplier') ?? []" />
          <DateField
            v-model="values.certificateDay"
            optional
            label="Certificate of"
            :error="errorOf('certificateDay')"
          />
        </div>
        <fieldset>
          <legend class="eyebrow">Saponification value, mg KOH a gram</legend>
          <div class="fields">
            <QuantityField
              v-for="[end, label] in ends"
              :key="end"
              v-model="values.saponificationValue[end]"
              kind="number"
              :range="anyNumber"
              :label="label"
              :error="errorOf(`saponificationValue.${end}`)"
            />
          </div>
          <p class="quiet mt-3">From the certificate of the lot you have. Its span makes the superfat band.</p>
        </fieldset>
        <div class="fields">
          <QuantityField
            v-model="values.densityGMl"
            kind="density"
            :range="anyNumber"
            label="Density"
            :hint="`Liquid, from ${show('density', fatDensityRange.min)} to ${show('density', fatDensityRange.max)}`"
            :error="errorOf('densityGMl')"
          />
          <QuantityField
            v-model="values.unsaponifiablePercent"
            kind="number"
            :range="percentRange"
            label="Does not saponify, %"
            :error="errorOf('unsaponifiablePercent')"
          />
          <v-select v-model="values.contains" :items="contents" label="Contains" multiple />
          <v-text-field v-model="values.inci" class="wide" label="INCI name" :error-messages="errorOf('inci') ?? []" />
          <v-text-field
            v-model="values.soapInci"
            class="wide"
            label="INCI name of its soap"
            :error-messages="errorOf('soapInci') ?? []"
          />
        </div>
        <div>
          <v-btn size="small" variant="text" color="error" @click="takeFatAway">Take the fat away</v-btn>
        </div>
      </section>
      <div class="stack">
        <section class="sheet stack">
          <h2>What stands against it</h2>
          <FindingList :findings="findings" />
          <p v-if="findings.length === 0" class="quiet">
            Nothing<template v-if="expected !== undefined"
              >: its fatty acids lead one to expect about {{ Math.round(expected) }} mg of KOH a gram
              (estimate)</template
            >.
          </p>
          <p v-if="usedIn.length > 0">
            In
            <template v-for="(recipe, index) in usedIn" :key="recipe.id"
              >{{ index > 0 ? ', ' : ''
              }}<RouterLink :to="`/formulate/${recipe.id}`">{{ recipe.name }}</RouterLink></template
            >.
          </p>
          <p v-else class="quiet">In no recipe yet: choose it there by its name.</p>
        </section>
        <section class="sheet stack">
          <h2>Fatty acids, %</h2>
          <p v-if="errorOf('fattyAcidPercent')" class="must" role="alert">{{ errorOf('fattyAcidPercent') }}</p>
          <div class="fields">
            <QuantityField
              v-for="acid in acids"
              :key="acid"
              :model-value="values.fattyAcidPercent?.[acid] ?? 0"
              kind="number"
              :range="percentRange"
              :label="acid"
              @update:model-value="setAcid(acid, $event)"
            />
          </div>
          <p class="quiet">Without them what a bar will be like leaves this fat out.</p>
        </section>
      </div>
    </div>
  </template>
  <PageHeadline v-else>There is no such fat.</PageHeadline>
</template>

<style scoped>
.wide {
  grid-column: span 2;
}
</style>
