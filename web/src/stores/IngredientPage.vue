<script setup lang="ts">
import ChoiceField from '@/parts/ChoiceField.vue'
import { runChange } from '@/parts/runChange'
import { useUnits } from '@/parts/format'
import { api } from '@/parts/api'
import ConflictPanel from '@/parts/ConflictPanel.vue'
import QuantityField from '@/parts/QuantityField.vue'
import SaveState from '@/parts/SaveState.vue'
import { useNewHere } from '@/parts/keyboard'
import { useSeason } from '@/parts/seasonStore'
import { deleteWithUndo } from '@/parts/deleteWithUndo'
import PageHeadline from '@/parts/PageHeadline.vue'
import { useSavedForm } from '@/parts/useSavedForm'
import { mdiPlus } from '@mdi/js'
import type { NewIngredient } from '@vendange/contract'
import {
  addressOf,
  amountRange,
  centsRange,
  deliveryDaysRange,
  endpoints,
  ingredientSchema,
  perBarRange,
} from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import {
  densityOfLiquid,
  densityOfScent,
  densityOfSolid,
  densityRange,
  makeupOf,
  usualLiquid,
} from '@vendange/core/recipe'
import { suggestedInci, usualInci } from '@vendange/core/release'
import { ingredientKinds, ingredientKindWords, isCounted, keyOfIngredient, lotFault } from '@vendange/core/stores'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import InfusePanel from './InfusePanel.vue'
import LotCard from './LotCard.vue'
import { useFreshStores } from './storesStore'
import { useAmounts } from './useAmounts'

const props = defineProps<{ id: string }>()
const season = useSeason()
const stores = useFreshStores()
const router = useRouter()
const amount = useAmounts()
const { show } = useUnits()
const ingredient = computed(() => stores.ingredient(props.id))

const { values, errors, errorOf, status, theirDetails, settle } = useSavedForm({
  schema: ingredientSchema,
  source: () => ingredient.value,
  save: async (body: NewIngredient & { version: number }) => {
    const saved = await api(endpoints.ingredients.update, { params: { id: props.id }, body })
    await stores.load()
    return saved
  },
  label: () => ingredient.value?.name ?? 'ingredient',
})

/** For its label; what the certificate says goes before the list. */
const inciHint = computed(() => {
  const { name = '', kind } = values.value ?? {}
  const usual = suggestedInci(name, kind === 'liquid' ? 'liquid' : 'additive')
  return usual && values.value?.inci === '' ? `Usually ${usual}` : 'As on its certificate'
})
/** What is reckoned with while no density is stated here. */
const usualDensity = computed(() => {
  const { kind, name } = values.value ?? {}
  if (kind === 'additive' || kind === 'colourant') return densityOfSolid(kind, name ?? '')
  if (kind === 'liquid') return densityOfLiquid(name ?? '', usualLiquid(name ?? '').waterShare)
  return kind === 'scent' ? densityOfScent(name ?? '') : undefined
})
const isPart = computed(() => values.value?.kind === 'liquid' || values.value?.kind === 'additive')
const shareRange = { min: 0, max: 1 }
const makeupParts = [
  { key: 'waterShare', label: 'Water in it' },
  { key: 'sugarShare', label: 'Sugar in it' },
  { key: 'fatShare', label: 'Fat in it' },
  { key: 'alcoholShare', label: 'Alcohol in it' },
] as const
/** From the library's figures on, or from nothing known; and back to them. */
function stateMakeup(): void {
  const { kind, name, makeup } = values.value ?? {}
  if (!values.value || (kind !== 'liquid' && kind !== 'additive')) return
  values.value.makeup = makeup
    ? null
    : { waterShare: 0, sugarShare: 0, fatShare: 0, alcoholShare: 0, ...makeupOf(kind, name ?? '') }
}
const kinds = ingredientKinds.map((value) => ({ value, title: ingredientKindWords[value] }))
const fats = computed(() => season.fats.map(({ key, name }) => ({ value: key, title: name })))
const alkalis = [
  { value: 'naoh', title: 'Sodium hydroxide' },
  { value: 'koh', title: 'Potassium hydroxide' },
]
const line = computed(() =>
  stores.lines.find(({ key }) => ingredient.value && key === keyOfIngredient(ingredient.value)),
)
const lots = computed(() => stores.lotsOf(props.id))
const openLots = computed(() =>
  lots.value.filter((lot) => lotFault(lot, season.today) !== 'empty' || lot.usedAmount === 0),
)
const usedUp = computed(() => lots.value.filter((lot) => !openLots.value.includes(lot)))

/** What goes by its name has no key; a fat takes the name of the one that is chosen. */
function chooseKind(kind: NewIngredient['kind']): void {
  if (!values.value) return
  values.value.kind = kind
  values.value.ref = ''
  values.value.makeup = null
}
function chooseRef(ref: string): void {
  if (!values.value) return
  values.value.ref = ref
  values.value.name = [...fats.value, ...alkalis].find(({ value }) => value === ref)?.title ?? values.value.name
}

async function addLot(): Promise<void> {
  const last = lots.value.at(-1)
  await runChange(() =>
    api(endpoints.lots.create, {
      body: {
        ingredientId: props.id,
        supplier: last?.supplier ?? '',
        lotNumber: '',
        receivedDay: season.today,
        openedDay: null,
        bestBeforeDay: null,
        isRecalled: false,
        receivedAmount: values.value?.packSize ?? 0,
        adjustment: 0,
        priceCents: 0,
        carriageCents: 0,
        certificate: null,
      },
    }),
  )
}
useNewHere('New lot', addLot)

const isInUse = computed(() => stores.view?.usedIngredientIds.includes(props.id) === true)
async function takeIngredientAway(): Promise<void> {
  const thing = ingredient.value && { ...ingredient.value, isInUse: isInUse.value }
  if (thing && (await deleteWithUndo(endpoints.ingredients, thing))) await router.push('/stores')
}
</script>

<template>
  <template v-if="ingredient && values">
    <p class="quiet crumb plain no-print"><RouterLink to="/stores">Stores</RouterLink> › Ingredient</p>
    <PageHeadline>
      <template v-if="line">
        {{ ingredient.name }}: {{ amount(line.kind, line.inStore) }} in store<template v-if="line.reserved > 0"
          >, {{ amount(line.kind, line.reserved) }} reserved for the season</template
        >.
        <span v-if="line.shortage" class="must"
          >{{ amount(line.kind, line.shortage.missing) }} missing for
          {{ line.shortage.batches.map(({ name }) => name).join(' and ') }}: order
          {{ amount(line.kind, line.shortage.orderAmount) }} by
          {{ formatDay(line.shortage.orderByDay ?? line.shortage.firstDay, season.today) }}.</span
        >
      </template>
    </PageHeadline>
    <ConflictPanel v-if="theirDetails" :mine="values" :theirs="theirDetails" @settle="settle" />
    <div class="columns wide-right">
      <div class="stack">
        <section class="sheet stack">
          <div class="row head">
            <h2>What it is</h2>
            <SaveState :status="status" :errors="errors" />
          </div>
          <div class="fields">
            <v-select
              :model-value="values.kind"
              :items="kinds"
              label="Kind"
              data-test="kind"
              @update:model-value="chooseKind"
            />
            <ChoiceField
              v-if="values.kind === 'fat'"
              :model-value="values.ref"
              :items="fats"
              label="Which fat"
              :error="errorOf('ref')"
              @update:model-value="chooseRef"
            />
            <v-select
              v-if="values.kind === 'alkali'"
              :model-value="values.ref"
              :items="alkalis"
              label="Which alkali"
              :error-messages="errorOf('ref') ?? []"
              @update:model-value="chooseRef"
            />
            <v-text-field
              v-model="values.name"
              label="Name"
              :hint="values.ref === '' ? 'As recipes and soaps call it' : ''"
              persistent-hint
              :error-messages="errorOf('name') ?? []"
            />
            <QuantityField
              v-model="values.leadDays"
              kind="days"
              :range="deliveryDaysRange"
              label="Days on the way"
              :error="errorOf('leadDays')"
            />
            <QuantityField
              v-model="values.packSize"
              :kind="isCounted(values.kind) ? 'count' : 'mass'"
              :range="amountRange"
              label="Sold in packs of"
              hint="0: any amount"
              :error="errorOf('packSize')"
            />
            <QuantityField
              v-if="values.kind === 'packaging'"
              v-model="values.perBar"
              kind="number"
              :range="perBarRange"
              label="Pieces for a bar"
              :error="errorOf('perBar')"
            />
            <QuantityField
              v-model="values.listCents"
              :kind="isCounted(values.kind) ? 'money' : 'price'"
              :range="centsRange"
              :label="isCounted(values.kind) ? 'Listed at, each' : 'Listed at'"
              hint="Where no lot tells its price; 0: not known"
              :error="errorOf('listCents')"
            />
            <v-checkbox
              v-if="values.listCents > 0"
              v-model="values.isListEstimate"
              label="That is an estimate, no supplier’s list"
            />
            <QuantityField
              v-if="usualDensity"
              v-model="values.densityGMl"
              kind="density"
              optional
              :range="densityRange"
              label="Density"
              :hint="`Left empty: ${show('density', usualDensity.densityGMl)}${usualDensity.isEstimate ? ', an estimate' : ''}`"
              :error="errorOf('densityGMl')"
            />
            <template v-if="values.makeup">
              <QuantityField
                v-for="{ key, label } in makeupParts"
                :key="key"
                v-model="values.makeup[key]"
                kind="share"
                :range="shareRange"
                :label="label"
                :error="key === 'waterShare' ? errorOf('makeup') : undefined"
              />
            </template>
            <v-combobox
              v-if="!isCounted(values.kind) && values.kind !== 'fat' && values.kind !== 'alkali'"
              :model-value="values.inci"
              :items="usualInci"
              label="INCI name or CI number"
              :hint="inciHint"
              persistent-hint
              data-test="inci"
              :error-messages="errorOf('inci') ?? []"
              @update:model-value="values.inci = $event ?? ''"
            />
          </div>
          <v-textarea v-model="values.notes" rows="2" label="Notes" :error-messages="errorOf('notes') ?? []" />
          <div class="row">
            <v-btn v-if="isPart" size="small" variant="text" data-test="makeup" @click="stateMakeup">{{
              values.makeup ? 'What is in it: as the library says' : 'State what is in it'
            }}</v-btn>
            <v-btn size="small" variant="text" color="error" @click="takeIngredientAway">{{
              isInUse ? 'Archive the ingredient' : 'Take the ingredient away'
            }}</v-btn>
          </div>
        </section>
        <InfusePanel v-if="ingredient.kind === 'fat'" :key="ingredient.id" :oil="ingredient" />
      </div>
      <section class="sheet stack">
        <div class="row head">
          <h2>Lots, in the order in which they are used</h2>
          <div class="row">
            <a
              v-if="openLots.length > 0"
              class="alone"
              :href="addressOf(endpoints.lotCards, { id })"
              target="_blank"
              data-test="lot-cards"
              >Cards with their codes</a
            >
            <v-btn size="small" :prepend-icon="mdiPlus" data-test="add-lot" @click="addLot">Lot</v-btn>
          </div>
        </div>
        <p v-if="lots.length === 0" class="quiet">None yet. Put the first delivery in.</p>
        <LotCard v-for="lot in openLots" :key="lot.id" :lot="lot" :kind="ingredient.kind" />
        <details v-if="usedUp.length > 0">
          <summary>{{ usedUp.length === 1 ? 'One lot' : `${usedUp.length} lots` }} used up</summary>
          <LotCard v-for="lot in usedUp" :key="lot.id" :lot="lot" :kind="ingredient.kind" />
        </details>
      </section>
    </div>
  </template>
  <PageHeadline v-else-if="stores.view">The stores keep no such thing.</PageHeadline>
</template>

<style scoped>
.columns.wide-right {
  grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
}

@media (max-width: 960px) {
  .columns.wide-right {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
