<script setup lang="ts">
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import { useLoafEvents } from '@/parts/recordLoafEvent'
import { useSeason } from '@/parts/seasonStore'
import type { LoafSummary } from '@vendange/contract'
import { useKeptFields } from '@/parts/useKeptFields'
import { computed, ref } from 'vue'

/** Ends and offcuts by colour into the scrap bin, and out of it for a later soap. Its lot is the loaf's. */
const props = defineProps<{ loaf: LoafSummary }>()
const season = useSeason()
const { show } = useUnits()
const { record, errors, trouble, isSending } = useLoafEvents()
const colours = computed(() => {
  const own = season.design(props.loaf.designId)?.colours ?? []
  return own.length > 0 ? own : [{ name: 'mixed', hex: '#CDBFA5' }]
})
const colour = ref(colours.value[0]?.name ?? 'mixed')
const massG = ref<number | null>(null)
const use = ref('')
const kept = useKeptFields(`scrap:${props.loaf.id}`, { colour, massG, use })
const range = { min: 0, max: 20_000 }
const mass = (): number => massG.value ?? 0
async function put(): Promise<void> {
  const hex = colours.value.find(({ name }) => name === colour.value)?.hex ?? '#CDBFA5'
  const event = { type: 'scrapped', day: season.today, massG: mass(), colour: colour.value, hex } as const
  if (!(await record(props.loaf, event))) return
  massG.value = null
  kept.sent()
}
async function take(): Promise<void> {
  const event = {
    type: 'scrap_used',
    day: season.today,
    massG: mass(),
    colour: colour.value,
    use: use.value,
  } as const
  if (!(await record(props.loaf, event))) return
  massG.value = null
  use.value = ''
  kept.sent()
}
</script>

<template>
  <section class="sheet stack">
    <h2>Scrap of lot {{ loaf.lotCode }}</h2>
    <p v-for="one in loaf.state.scrap" :key="one.colour" class="row" data-test="scrap">
      <span class="dot" :style="{ background: one.hex }" /> {{ show('mass', one.massG) }} of {{ one.colour }} in the bin
    </p>
    <div class="fields">
      <v-select v-model="colour" :items="colours.map(({ name }) => name)" label="Colour" />
      <QuantityField v-model="massG" kind="mass" optional :range="range" label="Mass" :error="errors['massG']" />
      <v-text-field v-if="loaf.state.scrap.length > 0" v-model="use" label="Taken for" />
    </div>
    <div class="row">
      <v-btn :disabled="massG === null" :loading="isSending" data-test="put-scrap" @click="put">Into the bin</v-btn>
      <v-btn
        v-if="loaf.state.scrap.length > 0"
        variant="text"
        :disabled="massG === null || use.trim() === ''"
        @click="take"
        >Take it out</v-btn
      >
    </div>
    <p v-if="trouble" class="must" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.dot {
  width: 16px;
  height: 16px;
  border-radius: 50%;
  box-shadow: inset 0 0 0 1px rgb(0 0 0 / 20%);
}
</style>
