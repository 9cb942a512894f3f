<script setup lang="ts">
import ChoiceButtons from '@/parts/ChoiceButtons.vue'
import QuantityField from '@/parts/QuantityField.vue'
import type { RecordedLoaf } from '@/parts/recordLoafEvent'
import { useLoafEvents } from '@/parts/recordLoafEvent'
import { useSeason } from '@/parts/seasonStore'
import { useKeptFields } from '@/parts/useKeptFields'
import type { LoafSummary } from '@vendange/contract'
import { rubsRange, washesRange } from '@vendange/contract'
import type { FeelWord, FoamWord, SmellWord } from '@vendange/core/loaf'
import { feelWords, foamWords, smellWords } from '@vendange/core/loaf'
import { feelLabels, foamLabels, smellLabels } from '@vendange/words'
import { computed, ref } from 'vue'

/** What was noticed of a bar in use, for the recipe to learn from. */
const props = defineProps<{ loaf: LoafSummary }>()
const emit = defineEmits<{ recorded: [after: RecordedLoaf] }>()
const season = useSeason()
const { record, errors, trouble, isSending } = useLoafEvents()

const rubs = ref<number | null>(null)
const foam = ref<FoamWord | null>(null)
const feel = ref<FeelWord | null>(null)
const smell = ref<SmellWord | null>(null)
const washes = ref<number | null>(null)
const kept = useKeptFields(`tried:${props.loaf.id}`, { rubs, foam, feel, smell, washes })
const titled = <T extends string>(words: readonly T[], labels: Readonly<Record<T, string>>) =>
  words.map((value) => ({ value, words: labels[value], test: `tried-${value}` }))
const isEmpty = computed(() => [rubs, washes, foam, feel, smell].every(({ value }) => value === null))

async function write(): Promise<void> {
  const after = await record(props.loaf, {
    type: 'tried',
    day: season.today,
    rubs: rubs.value,
    foam: foam.value,
    feel: feel.value,
    smell: smell.value,
    lasted: washes.value === null ? null : { washes: washes.value, barG: props.loaf.labelMassG },
  })
  if (!after) return
  for (const one of [rubs, washes, foam, feel, smell]) one.value = null
  kept.sent()
  emit('recorded', after)
}
</script>

<template>
  <form class="stack no-print" data-test="bar-tried" @submit.prevent="write">
    <h3>A bar of it was tried</h3>
    <div class="line">
      <span aria-hidden="true">Foam</span>
      <ChoiceButtons v-model="foam" label="Foam" :choices="titled(foamWords, foamLabels)" />
    </div>
    <div class="line">
      <span aria-hidden="true">The skin after it</span>
      <ChoiceButtons v-model="feel" label="The skin after it" :choices="titled(feelWords, feelLabels)" />
    </div>
    <div class="line">
      <span aria-hidden="true">Keeps</span>
      <ChoiceButtons v-model="smell" label="Keeps" :choices="titled(smellWords, smellLabels)" />
    </div>
    <div class="fields">
      <QuantityField
        v-model="rubs"
        kind="count"
        :range="rubsRange"
        optional
        label="Rubs until it foamed"
        :error="errors['rubs']"
        data-test="tried-rubs"
      />
      <QuantityField
        v-model="washes"
        kind="count"
        :range="washesRange"
        optional
        label="Washes it lasted"
        :error="errors['lasted.washes']"
        data-test="tried-washes"
      />
    </div>
    <div>
      <v-btn type="submit" :loading="isSending" :disabled="isEmpty" data-test="write-tried"
        >Keep what was noticed</v-btn
      >
    </div>
    <p v-if="trouble" class="must" role="alert">{{ trouble }}</p>
  </form>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 9rem 1fr;
  gap: 8px;
  align-items: center;
}

@media (width <= 480px) {
  .line {
    grid-template-columns: 1fr;
    gap: 2px;
  }
}
</style>
