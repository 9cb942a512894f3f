<script setup lang="ts">
import { api } from '@/parts/api'
import ConflictPanel from '@/parts/ConflictPanel.vue'
import { useCustomers } from '@/parts/customers'
import { deleteWithUndo } from '@/parts/deleteWithUndo'
import PageHeadline from '@/parts/PageHeadline.vue'
import QuantityField from '@/parts/QuantityField.vue'
import SaveState from '@/parts/SaveState.vue'
import { useSavedForm } from '@/parts/useSavedForm'
import type { NewCustomer } from '@vendange/contract'
import { centsRange, customerSchema, endpoints, monthlyBarsRange } from '@vendange/contract'
import { counted } from '@vendange/words'
import { computed } from 'vue'
import { useRouter } from 'vue-router'

/** A subscriber or a shop: where it is, what it gets and on which terms. */
const props = defineProps<{ id: string }>()
const router = useRouter()
const { view, trouble, customer: find } = useCustomers()
const customer = computed(() => find(props.id))

const { values, errors, errorOf, status, theirDetails, settle } = useSavedForm({
  schema: customerSchema,
  source: () => customer.value,
  save: (body: NewCustomer & { version: number }) =>
    api(endpoints.customers.update, { params: { id: props.id }, body }),
  label: () => customer.value?.name ?? 'customer',
})
const labels = {
  kind: 'Kind',
  name: 'Name',
  contact: 'Contact',
  address: 'Address',
  wish: 'Wishes',
  monthlyBars: 'Bars a month',
  isPaused: 'Paused',
  isSaleOrReturn: 'Sale or return',
  priceCents: 'Price of a bar',
}
const sentence = computed(() => {
  const now = customer.value
  if (!now) return view.value ? 'There is no such subscriber or shop.' : (trouble.value ?? '')
  const theirs = (view.value?.bars ?? []).filter(({ who }) => who === now.name)
  if (now.kind === 'shop') {
    const [has, sold] = (['aside', 'sold'] as const).map((of) => theirs.reduce((sum, one) => sum + one[of], 0))
    return `${now.name} has ${counted(has ?? 0, 'bar')} to sell and sold ${sold ?? 0}.`
  }
  return now.isPaused
    ? `${now.name} is sent nothing for now.`
    : `${now.name} is sent ${counted(now.monthlyBars, 'bar')} a month.`
})

async function takeAway(): Promise<void> {
  if (customer.value && (await deleteWithUndo(endpoints.customers, customer.value))) await router.push('/customers')
}
</script>

<template>
  <p class="quiet crumb plain no-print">
    <RouterLink to="/customers">Subscribers and shops</RouterLink> › {{ customer?.name }}
  </p>
  <PageHeadline>{{ sentence }}</PageHeadline>
  <template v-if="customer && values">
    <ConflictPanel v-if="theirDetails" :mine="values" :theirs="theirDetails" :labels="labels" @settle="settle" />
    <section class="sheet stack narrow">
      <div class="row head">
        <h2>{{ values.kind === 'shop' ? 'The shop' : 'The subscriber' }}</h2>
        <SaveState :status="status" :errors="errors" />
      </div>
      <div class="fields">
        <v-text-field v-model="values.name" label="Name" :error-messages="errorOf('name') ?? []" />
        <v-text-field v-model="values.contact" label="Contact" :error-messages="errorOf('contact') ?? []" />
        <template v-if="values.kind === 'subscriber'">
          <QuantityField
            v-model="values.monthlyBars"
            kind="count"
            :range="monthlyBarsRange"
            label="Bars a month"
            :error="errorOf('monthlyBars')"
          />
          <v-text-field
            v-model="values.wish"
            label="Wishes"
            hint="Stands on the list to pack by"
            persistent-hint
            :error-messages="errorOf('wish') ?? []"
          />
        </template>
        <QuantityField
          v-else
          v-model="values.priceCents"
          kind="money"
          optional
          :range="centsRange"
          label="Price of a bar"
          hint="Left empty: none of its own"
          :error="errorOf('priceCents')"
        />
      </div>
      <v-textarea v-model="values.address" rows="3" label="Address" :error-messages="errorOf('address') ?? []" />
      <v-checkbox
        v-if="values.kind === 'subscriber'"
        v-model="values.isPaused"
        label="Paused: is sent nothing for now"
      />
      <v-checkbox
        v-else
        v-model="values.isSaleOrReturn"
        label="Sale or return: pays for what it sold, the rest comes back"
      />
      <div class="row">
        <v-btn size="small" variant="text" color="error" @click="takeAway">Take {{ customer.name }} off the list</v-btn>
      </div>
    </section>
  </template>
</template>

<style scoped>
.narrow {
  max-width: 860px;
}
</style>
