<script setup lang="ts">
import DateField from '@/parts/DateField.vue'
import { api } from '@/parts/api'
import ConflictPanel from '@/parts/ConflictPanel.vue'
import QuantityField from '@/parts/QuantityField.vue'
import SaveState from '@/parts/SaveState.vue'
import { useSeason } from '@/parts/seasonStore'
import { deleteWithUndo } from '@/parts/deleteWithUndo'
import { useSavedForm } from '@/parts/useSavedForm'
import { mdiArchiveOutline, mdiClose } from '@mdi/js'
import type { LotView, NewLot } from '@vendange/contract'
import {
  amountRange,
  centsRange,
  certifiedSapRange,
  certifiedToleranceRange,
  endpoints,
  lotPriceRange,
  lotSchema,
} from '@vendange/contract'
import type { IngredientKind } from '@vendange/core/stores'
import {
  adjustmentFor,
  isCounted,
  leftOfLot,
  lotFault,
  lotFaultSentence,
  lotPriceCents,
  unitPriceCents,
} from '@vendange/core/stores'
import { computed } from 'vue'
import { useStores } from './storesStore'
import StrainLot from './StrainLot.vue'
import { useAmounts } from './useAmounts'
import { useUnits } from '@/parts/format'

/** One delivery: where it came from, what is left of it, and whether it may be used. */
const props = defineProps<{ lot: LotView; kind: IngredientKind }>()
const season = useSeason()
const { say } = useUnits()
const stores = useStores()
const amount = useAmounts()
const quantity = computed(() => (isCounted(props.kind) ? 'count' : 'mass'))

function details(lot: LotView) {
  const { usedAmount: _used, leftAmount: _left, ...saved } = lot
  return saved
}
const { values, errors, errorOf, status, theirDetails, settle } = useSavedForm({
  schema: lotSchema,
  source: () => {
    const lot = stores.lot(props.lot.id)
    return lot && details(lot)
  },
  save: async (body: NewLot & { version: number }) => {
    const saved = await api(endpoints.lots.update, { params: { id: props.lot.id }, body })
    await stores.load()
    return saved
  },
  label: () => `lot ${props.lot.lotNumber}`,
})
const left = computed({
  get: () => (values.value ? leftOfLot(values.value, props.lot.usedAmount) : 0),
  set: (counted: number) => {
    if (values.value)
      values.value.adjustment = adjustmentFor(counted, values.value.receivedAmount, props.lot.usedAmount)
  },
})
/** The same by the piece, or by the kg: cents. */
const price = computed({
  get: () => (values.value ? unitPriceCents(values.value, props.kind) : 0),
  set: (cents: number) => {
    if (values.value) values.value.priceCents = lotPriceCents(cents, values.value.receivedAmount, props.kind)
  },
})
/** Something was made with it: it stays in the history of what was made. */
const isInUse = computed(() => props.lot.usedAmount > 0)
const steeping = computed(() => {
  const { infusion } = props.lot
  return infusion ? { ...props.lot, infusion } : undefined
})
const fault = computed(() => lotFault(props.lot, season.today))

function certify(): void {
  if (values.value) values.value.certificate = { sapKoh: 190, tolerance: 1, day: season.today }
}
</script>

<template>
  <div v-if="values" class="lot stack" :data-test="`lot-${lot.lotNumber}`">
    <ConflictPanel v-if="theirDetails" :mine="values" :theirs="theirDetails" @settle="settle" />
    <div class="row head">
      <h3>
        {{ lot.lotNumber === '' ? 'Lot without a number' : `Lot ${lot.lotNumber}` }}:
        <span :class="fault === 'steeping' ? 'quiet' : fault ? 'must' : 'vine'"
          >{{ amount(kind, lot.leftAmount) }} left</span
        >
      </h3>
      <div class="row">
        <SaveState :status="status" :errors="errors" />
        <RouterLink :to="`/stores/lots/${lot.id}/trace`" data-test="trace">Where it went</RouterLink>
        <v-btn
          :icon="isInUse ? mdiArchiveOutline : mdiClose"
          size="small"
          variant="text"
          :aria-label="isInUse ? `Archive lot ${lot.lotNumber}` : `Take lot ${lot.lotNumber} away`"
          @click="deleteWithUndo(endpoints.lots, { ...lot, name: `Lot ${lot.lotNumber}`, isInUse })"
        />
      </div>
    </div>
    <p v-if="fault" class="row" :class="fault === 'steeping' ? 'quiet' : 'must'">
      {{ say(lotFaultSentence(lot, fault)) }}
      <v-btn v-if="fault === 'not_here'" size="small" @click="values.receivedDay = season.today">It is here</v-btn>
    </p>
    <StrainLot v-if="steeping" :lot="steeping" />
    <div class="fields">
      <v-text-field v-model="values.lotNumber" label="Lot number" maxlength="80" />
      <v-text-field v-model="values.supplier" label="Supplier" maxlength="80" />
      <DateField v-model="values.receivedDay" label="Came on" :error="errorOf('receivedDay')" />
      <DateField v-model="values.openedDay" optional label="Opened" :error="errorOf('openedDay')" />
      <DateField v-model="values.bestBeforeDay" optional label="Best before" :error="errorOf('bestBeforeDay')" />
      <QuantityField
        v-model="values.receivedAmount"
        :kind="quantity"
        :range="amountRange"
        label="Came"
        :error="errorOf('receivedAmount')"
      />
      <QuantityField v-model="left" :kind="quantity" :range="amountRange" label="Left, as counted" />
      <QuantityField
        v-model="values.priceCents"
        kind="money"
        :range="lotPriceRange"
        label="Paid for all of it"
        :error="errorOf('priceCents')"
      />
      <QuantityField
        v-model="values.carriageCents"
        kind="money"
        :range="lotPriceRange"
        label="And its carriage"
        hint="Its part of the delivery’s"
        :error="errorOf('carriageCents')"
      />
      <QuantityField
        v-if="values.receivedAmount > 0"
        v-model="price"
        :kind="isCounted(kind) ? 'money' : 'price'"
        :range="centsRange"
        :label="isCounted(kind) ? 'That is, each' : 'That is'"
        :hint="isCounted(kind) ? 'Without carriage' : 'A kg, lb or oz, without carriage'"
      />
      <v-checkbox v-model="values.isRecalled" label="Recalled by the supplier" />
    </div>
    <template v-if="kind === 'fat'">
      <div v-if="values.certificate" class="fields">
        <QuantityField
          v-model="values.certificate.sapKoh"
          kind="number"
          :range="certifiedSapRange"
          label="Saponification value"
          hint="mg of KOH a gram, from the certificate"
          :error="errorOf('certificate.sapKoh')"
        />
        <QuantityField
          v-model="values.certificate.tolerance"
          kind="number"
          :range="certifiedToleranceRange"
          label="Give or take"
          :error="errorOf('certificate.tolerance')"
        />
        <DateField v-model="values.certificate.day" label="Certificate of" :error="errorOf('certificate.day')" />
        <v-btn size="small" variant="text" @click="values.certificate = null">Leave the certificate out</v-btn>
      </div>
      <div v-else><v-btn size="small" @click="certify">Put its certificate in</v-btn></div>
    </template>
  </div>
</template>

<style scoped>
.lot + .lot {
  padding-top: 16px;
  border-top: 1px solid rgb(var(--v-theme-hairline));
}
</style>
