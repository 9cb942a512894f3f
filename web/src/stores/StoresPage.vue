<script setup lang="ts">
import { runChange } from '@/parts/runChange'
import { api } from '@/parts/api'
import { useNewHere } from '@/parts/keyboard'
import { useSeason } from '@/parts/seasonStore'
import PageHeadline from '@/parts/PageHeadline.vue'
import type { NewIngredient } from '@vendange/contract'
import { endpoints, blankIngredient, blankMould } from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import type { StoresLine } from '@vendange/core/stores'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import MouldShelf from './MouldShelf.vue'
import ShortageList from './ShortageList.vue'
import StoresArchive from './StoresArchive.vue'
import StoresFile from './StoresFile.vue'
import { useFreshStores } from './storesStore'
import StoresTable from './StoresTable.vue'
import { useAmounts } from './useAmounts'

const season = useSeason()
const stores = useFreshStores()
const router = useRouter()
const amount = useAmounts()

const known = computed(() => stores.lines.filter(({ ingredient }) => ingredient))
/** Short of what the stores keep. What pours take and the stores do not know is no shortage yet. */
const short = computed(() => stores.shortages.filter(({ ingredient }) => ingredient))
const unknown = computed(() => stores.shortages.filter(({ ingredient }) => !ingredient))

const sentence = computed(() => {
  const first = short.value[0]
  if (known.value.length === 0)
    return 'Put in what you keep, each delivery with its lot: the season then says what to order, and by when.'
  if (!first?.shortage) return 'Everything that the season takes is in store or on its way.'
  const { isLate, orderByDay, firstDay, missing, batches } = first.shortage
  const what = `${amount(first.kind, missing)} of ${first.name}`
  const whom = batches.map(({ name }) => name).join(' and ')
  const more = short.value.length > 1 ? ` ${short.value.length - 1} more to order.` : ''
  return isLate
    ? `${what} is missing for ${whom} on ${formatDay(firstDay, season.today)}: the usual way is too late.${more}`
    : `Order ${first.name} by ${formatDay(orderByDay ?? firstDay, season.today)}: ${what} is missing for ${whom}.${more}`
})

const blank: NewIngredient = { ...blankIngredient, kind: 'colourant', name: 'New ingredient', leadDays: 5 }
async function create(details: NewIngredient = blank): Promise<void> {
  const made = await runChange(() => api(endpoints.ingredients.create, { body: details }))
  if (made) await router.push(`/stores/ingredients/${made.id}`)
}
/** Keeps what a pour takes and the stores do not know yet. */
const keep = ({ kind, name, key }: StoresLine): Promise<void> =>
  create({ ...blank, kind, name, ref: kind === 'fat' || kind === 'alkali' ? key.slice(kind.length + 1) : '' })
useNewHere('New ingredient', create)

async function createMould(): Promise<void> {
  const mould = await runChange(() =>
    api(endpoints.moulds.create, {
      body: { name: 'New loaf mould', ...blankMould },
    }),
  )
  if (mould) await router.push(`/stores/moulds/${mould.id}`)
}
</script>

<template>
  <PageHeadline>
    <template v-if="stores.view">{{ sentence }}</template>
    <template v-else>{{ stores.trouble ?? 'Looking into the stores …' }}</template>
    <template #actions>
      <v-btn to="/stores/lots" data-test="to-lots">All lots</v-btn>
      <v-btn to="/stores/scraps" data-test="to-scraps">The scrap bin</v-btn>
      <v-btn color="primary" variant="flat" data-test="new-ingredient" @click="create()">New ingredient</v-btn>
    </template>
  </PageHeadline>
  <div v-if="stores.view" class="stack">
    <section v-if="short.length > 0" class="sheet">
      <h2>To order</h2>
      <ShortageList :lines="short" />
    </section>
    <StoresTable :lines="known" />
    <section v-if="unknown.length > 0" class="sheet">
      <h2>Pours take these, and the stores do not know them</h2>
      <ShortageList :lines="unknown">
        <template #unknown="{ line }"><v-btn size="small" @click="keep(line)">Keep it</v-btn></template>
      </ShortageList>
    </section>
    <section class="stack">
      <div class="row head">
        <h2>{{ season.moulds.length === 0 ? 'No moulds yet' : 'Moulds, drawn to one scale' }}</h2>
        <v-btn data-test="new-mould" @click="createMould">New mould</v-btn>
      </div>
      <MouldShelf />
    </section>
    <StoresArchive />
    <StoresFile />
  </div>
</template>
