<script setup lang="ts">
import { useUnits } from '@/parts/format'
import PageHeadline from '@/parts/PageHeadline.vue'
import QuantityField from '@/parts/QuantityField.vue'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import StandInPanel from '@/parts/StandInPanel.vue'
import { useAwake } from '@/parts/useAwake'
import { useTakeFromScale } from '@/parts/useTakeFromScale'
import { barMassRange, barsRange } from '@vendange/contract'
import { heaviestBarG } from '@vendange/core/cutting'
import { counted } from '@vendange/words'
import { computed, ref, watch } from 'vue'
import { useCuttingRound } from './useCuttingRound'

/** Out of the moulds and under the knife, mould by mould: a press for each batch, and one for each loaf. */
const season = useSeason()
const { fineMass } = useUnits()
useAwake()
const { steps, now, loaf, odd, doneCount, unmould, cut, twinWords, leaveForLater, undo } = useCuttingRound()

const usualEnds = 2
const countRange = { min: 0, max: barsRange.max }
const bars = ref(0)
const ends = ref(usualEnds)
watch(
  () => loaf.value?.id,
  () => {
    bars.value = loaf.value?.barsPlanned ?? 0
    ends.value = usualEnds
  },
  { immediate: true },
)
const { isConnected, mass, command, typed, unread, given, mayTake, takeIt } = useTakeFromScale(
  (massG) => cut(bars.value, ends.value, massG),
  () => (now.value?.kind === 'unmould' ? unmould : undefined),
)
/** About what its first bar weighs, g: what the hand at the simulated scale puts on. */
const expectedG = computed(() =>
  loaf.value?.state.batterG === undefined ? null : heaviestBarG(0.95 * loaf.value.state.batterG, bars.value),
)
const takeWords = computed(() => {
  if (now.value?.kind === 'unmould')
    return now.value.loaves.length === 1 ? 'It is out of its mould' : `All ${now.value.loaves.length} are out`
  if (given.value !== undefined) return `${counted(bars.value, 'bar')}, the first ${fineMass(given.value)}`
  return isConnected.value ? 'Put its first bar on' : 'Type what its first bar weighs'
})
const sentence = computed(() => {
  const step = now.value
  if (steps.value.length === 0) return 'Nothing comes out of its mould today.'
  if (!step) return 'All is cut.'
  const [first] = step.loaves
  const name = first?.name ?? ''
  if (step.kind === 'cut')
    return `Cut ${name}, lot ${first?.lotCode ?? ''}: ${counted(first?.barsPlanned ?? 0, 'bar')}.`
  const of = step.loaves.length === 1 ? step.mouldName : `${step.loaves.length} × ${step.mouldName}`
  return `Take ${name} out of its ${step.loaves.length === 1 ? 'mould' : 'moulds'}: ${of}.`
})
</script>

<template>
  <PageHeadline>
    {{ sentence }}
    <template v-if="!now" #actions>
      <v-btn color="primary" variant="flat" to="/cut">To the cut</v-btn>
    </template>
  </PageHeadline>
  <div v-if="steps.length > 0" class="columns wide-left">
    <section v-if="now" class="sheet stack" data-test="cut-now">
      <div class="row">
        <SoapFace
          :name="now.loaves[0]?.name ?? ''"
          :soap="season.design(now.loaves[0]?.designId)"
          :width="150"
          :height="104"
        />
        <p>
          <b>{{ doneCount + 1 }} of {{ steps.length }}</b
          ><br />
          <span class="quiet">{{ now.mouldName }}</span>
        </p>
      </div>
      <template v-if="now.kind === 'cut'">
        <div class="fields">
          <QuantityField v-model="bars" kind="count" :range="countRange" label="Bars" />
          <QuantityField v-model="ends" kind="count" :range="countRange" label="Ends" />
        </div>
        <p class="serif figure" :class="{ moving: mass?.isSettled === false }" role="status" data-test="shown">
          {{ mass ? fineMass(mass.massG) : isConnected ? 'Nothing heard of the scale' : '' }}
        </p>
        <QuantityField
          v-model="typed"
          kind="mass"
          :range="barMassRange"
          optional
          label="Its first bar, or typed"
          @problem="unread = $event"
          @keydown.enter="takeIt"
        />
      </template>
      <p v-if="odd" class="must" role="alert" data-test="odd">{{ odd }}</p>
      <v-btn
        color="primary"
        variant="flat"
        size="x-large"
        block
        :disabled="!mayTake"
        data-test="take"
        @click="takeIt"
        >{{ takeWords }}</v-btn
      >
      <div class="row">
        <v-btn size="large" data-test="later" @click="leaveForLater">Later</v-btn>
        <v-btn size="large" :disabled="doneCount === 0" data-test="undo-cut" @click="undo">Take the last back</v-btn>
        <v-btn
          v-if="now.kind === 'cut' && !isConnected"
          size="large"
          data-test="connect-scale"
          @click="isConnected = true"
          >Read the scale</v-btn
        >
      </div>
      <p class="quiet">
        Space or Enter goes on. What differs from its twins is told in the list; faults, scrap and finishing stand on
        each loaf’s own page.
      </p>
      <StandInPanel
        v-if="isConnected && now.kind === 'cut'"
        name="scale"
        :target="expectedG"
        :shown-g="mass?.massG ?? 0"
        put-words="Put the bar on"
        @command="command"
      />
    </section>
    <section class="sheet">
      <h2>The round, by mould</h2>
      <ol class="bare round">
        <li v-for="step in steps" :key="step.key" :class="{ done: step.isDone }" data-test="round-step">
          <span v-if="step.kind === 'unmould'">
            <b>{{ step.mouldName }}</b><br /><small class="quiet"
              >{{ step.loaves[0]?.name }}, {{ counted(step.loaves.length, 'loaf', 'loaves') }}</small
            >
          </span>
          <span v-else>
            {{ step.loaves[0]?.lotCode
            }}<small v-if="step.loaves[0] && twinWords(step.loaves[0])" class="brass"
              ><br />{{ twinWords(step.loaves[0]) }}</small
            >
          </span>
          <span class="number">
            <template v-if="step.isDone">{{
              step.kind === 'unmould' ? 'out' : counted(step.loaves[0]?.state.cut?.bars ?? 0, 'bar')
            }}</template>
            <template v-else-if="step.isLater">later</template>
          </span>
        </li>
      </ol>
    </section>
  </div>
</template>

<style scoped>
/* Read from where the hand is. */
.figure {
  min-height: 1.1em;
  font-size: 3.6rem;
  line-height: 1.1;
}

.moving {
  color: rgb(var(--v-theme-quiet));
}
</style>
