<script setup lang="ts">
import CodeScanner from '@/parts/CodeScanner.vue'
import { useUnits } from '@/parts/format'
import { useSeason } from '@/parts/seasonStore'
import type { StepStock } from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import { deliveryOfCode } from '@vendange/core/stores'
import { computed, ref } from 'vue'

/** Which lot the weighing is taken from: the oldest, unless the maker has another in hand. */
const lotId = defineModel<string | undefined>({ required: true })
const props = defineProps<{ stock: StepStock }>()
const season = useSeason()
const { fineMass, say } = useUnits()

const choices = computed(() =>
  props.stock.lots.map((lot, index) => ({
    value: lot.id,
    title: [
      lot.lotNumber === '' ? 'Lot without a number' : `Lot ${lot.lotNumber}`,
      lot.supplier,
      `${fineMass(lot.leftAmount)} left`,
      lot.bestBeforeDay === null ? '' : `best before ${formatDay(lot.bestBeforeDay, season.today)}`,
      index === 0 ? 'the oldest' : '',
    ]
      .filter((word) => word !== '')
      .join(', '),
  })),
)
const chosen = computed({
  get: () => lotId.value ?? choices.value[0]?.value,
  set: (id) => (lotId.value = id === choices.value[0]?.value ? undefined : id),
})

/** What the card in hand says of the step: the right lot, or none that may be weighed here. */
const scanned = ref<{ readonly isRight: boolean; readonly words: string }>()
function scan(code: string): void {
  const id = deliveryOfCode(code)
  const found = choices.value.find(({ value }) => value === id)
  if (found) chosen.value = found.value
  scanned.value = found
    ? { isRight: true, words: `${found.title}: that is the right one.` }
    : { isRight: false, words: 'That is not a lot of what is weighed here, or not one that may be used.' }
}
</script>

<template>
  <div class="lots">
    <p v-if="choices.length === 0" class="brass">The stores have none of it that may be used.</p>
    <p v-else-if="choices.length === 1" class="quiet">{{ choices[0]?.title }}</p>
    <v-select v-else v-model="chosen" :items="choices" label="From" data-test="lot-choice" />
    <CodeScanner v-if="choices.length > 0" @read="scan" />
    <p v-if="scanned" :class="scanned.isRight ? 'vine' : 'must'" role="status" data-test="scanned-lot">
      {{ scanned.words }}
    </p>
    <p v-for="reason in stock.refused" :key="say(reason)" class="must">{{ say(reason) }}</p>
  </div>
</template>

<style scoped>
.lots {
  margin-top: 14px;
  max-width: 640px;
  font-size: 1.05rem;
}
</style>
