<script setup lang="ts">
import { api } from '@/parts/api'
import ChoiceField from '@/parts/ChoiceField.vue'
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import { runChange } from '@/parts/runChange'
import { useKeptFields } from '@/parts/useKeptFields'
import type { SavedIngredient } from '@vendange/contract'
import { amountRange, deliveryDaysRange, endpoints } from '@vendange/contract'
import { expectedYieldG, usualSteepingDays } from '@vendange/core/stores'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { useStores } from './storesStore'

/** A herb is put into an oil of the stores: what will come out, when, and under which name it goes into recipes. */
const props = defineProps<{ oil: SavedIngredient }>()
const stores = useStores()
const router = useRouter()
const { show } = useUnits()

const oilG = ref<number | null>(null)
const herbId = ref<string | null>(null)
const herb = ref('')
const herbG = ref<number | null>(null)
const days = ref(usualSteepingDays)
const name = ref('')
const kept = useKeptFields(`infuse:${props.oil.id}`, { oilG, herbId, herb, herbG, days, name })
const unread = ref<Record<string, string | undefined>>({})

const herbs = computed(() => [
  { value: null, title: 'another' },
  ...(stores.view?.ingredients ?? [])
    .filter(({ kind }) => kind === 'additive' || kind === 'colourant')
    .map(({ id, name: called }) => ({ value: id, title: called })),
])
function choose(id: string | null): void {
  herbId.value = id
  if (id !== null) herb.value = stores.ingredient(id)?.name ?? ''
}
const called = computed(
  () => name.value.trim() || (herb.value.trim() && `${props.oil.name}, ${herb.value.trim().toLowerCase()}`),
)
const done = computed(() =>
  (stores.view?.lots ?? []).flatMap(({ infusion, receivedAmount }) =>
    infusion?.isStrained === true ? [{ ...infusion, yieldG: receivedAmount }] : [],
  ),
)
const masses = computed(() => ({ oilG: oilG.value ?? 0, herbG: herbG.value ?? 0 }))
const hasMasses = computed(() => masses.value.oilG > 0 && masses.value.herbG > 0)
const expected = computed(() => (hasMasses.value ? expectedYieldG(masses.value, done.value) : undefined))
const isComplete = computed(
  () =>
    Object.values(unread.value).every((problem) => problem === undefined) &&
    hasMasses.value &&
    herb.value.trim() !== '',
)

async function start(): Promise<void> {
  const lot = await runChange(() =>
    api(endpoints.infusions.start, {
      body: {
        oilId: props.oil.id,
        ...masses.value,
        herbId: herbId.value,
        herb: herb.value.trim(),
        days: days.value,
        name: called.value,
      },
    }),
  )
  if (!lot) return
  oilG.value = herbG.value = herbId.value = null
  herb.value = name.value = ''
  kept.sent()
  await stores.load()
  await router.push(`/stores/ingredients/${lot.ingredientId}`)
}
</script>

<template>
  <details class="sheet stack" data-test="infuse">
    <summary>Infuse it with a herb</summary>
    <div class="fields">
      <QuantityField
        v-model="oilG"
        kind="mass"
        optional
        :range="amountRange"
        :label="oil.name"
        @problem="unread['oil'] = $event"
      />
      <ChoiceField :model-value="herbId" :items="herbs" label="Herb of the stores" @update:model-value="choose" />
      <v-text-field v-if="herbId === null" v-model="herb" label="Herb" maxlength="80" />
      <QuantityField
        v-model="herbG"
        kind="mass"
        optional
        :range="amountRange"
        label="Dried herb"
        @problem="unread['herb'] = $event"
      />
      <QuantityField
        v-model="days"
        kind="days"
        :range="deliveryDaysRange"
        label="Steeps"
        hint="28 days is usual cold, an estimate"
        @problem="unread['days'] = $event"
      />
      <v-text-field v-model="name" label="Called" :placeholder="called" persistent-placeholder maxlength="80" />
    </div>
    <p v-if="expected" data-test="expected-yield">
      About <b>{{ show('mass', expected.massG) }}</b> will come out
      <span class="quiet">({{ expected.isLearned ? 'as your infusions before kept back' : 'an estimate' }})</span>. It
      is reckoned as {{ oil.name.toLowerCase() }}; its label may name the herb.
    </p>
    <p class="quiet">
      Dry herbs only, wholly under the oil: water in it spoils it. What is taken goes off its lots at once.
    </p>
    <div><v-btn :disabled="!isComplete" data-test="start-infusion" @click="start">Let it steep</v-btn></div>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  font-weight: 600;
}
</style>
