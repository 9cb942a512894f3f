<script setup lang="ts">
import { amid } from '@vendange/words'
import { runChange } from '@/parts/runChange'
import { api } from '@/parts/api'
import { faceAddress } from '@/parts/faces'
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import { useOwnScreen } from '@/parts/ownScreen'
import { useSeason } from '@/parts/seasonStore'
import type { NewDesign, SavedMould } from '@vendange/contract'
import { endpoints, ownFactorRange } from '@vendange/contract'
import type { Advice, Fallback, MoveLine, TimedMove, WorkingEstimate } from '@vendange/core/pour'
import { computed, ref } from 'vue'
import ClockChart from './ClockChart.vue'
import { chanceWords, techniqueWords } from './moveWords'
import { roundTo } from '@vendange/core/units'

/** How long the batter will wait, and what to do about it. Openly a model: each factor can be seen and set. */
const props = defineProps<{
  estimate: WorkingEstimate
  band: { readonly fromMin: number; readonly likelyMin: number; readonly untilMin: number }
  /** For each pot. */
  potBands: readonly { readonly fromMin: number; readonly likelyMin: number; readonly untilMin: number }[]
  chance: number
  onClock: readonly TimedMove[]
  lines: readonly MoveLine[]
  advice: readonly Advice[]
  fallback: Fallback
  colours: NewDesign['colours']
  mould: SavedMould
  /** Where the pour is rehearsed. */
  rehearsal: string
}>()
const season = useSeason()
const screen = useOwnScreen()
const { say } = useUnits()
const isOpen = ref(false)
const best = computed(() => props.advice.slice(0, 3))
const fallbackFace = computed(() =>
  faceAddress(
    { name: techniqueWords[props.fallback.technique], colours: props.colours, pourPlan: props.fallback.lines },
    props.mould,
  ),
)
const potWords = computed(() =>
  props.potBands
    .map(
      ({ fromMin, untilMin }, pot) =>
        `${props.colours[pot]?.name ?? ''} ${fromMin.toFixed(0)} to ${untilMin.toFixed(0)} min`,
    )
    .join(', '),
)
const learned = computed(() => {
  const { pours, poursWithScent } = props.estimate
  if (pours === 0) return 'No pour was timed here yet: this is the model alone (estimate).'
  const withScent = poursWithScent > 0 ? `, ${poursWithScent} with this scent` : ', none with this scent'
  return `Learned from ${pours === 1 ? 'one timed pour' : `${pours} timed pours`}${withScent} (estimate).`
})

/** What the workshop knows better goes before the model; emptied, the model holds again. */
async function setFactor(key: string, times: number | null): Promise<void> {
  const now = season.workshop
  if (!now) return
  const others = now.ownFactors.filter((one) => one.key !== key)
  const ownFactors = times === null ? others : [...others, { key, times }]
  await runChange(async () => {
    await api(endpoints.updateWorkshop, { body: { ...now, ownFactors } })
    await season.load()
  })
}
const isOwn = (key: string): boolean => season.workshop?.ownFactors.some((one) => one.key === key) ?? false
</script>

<template>
  <section class="sheet stack" data-test="working">
    <h2>Working time</h2>
    <p class="big" data-test="chance">
      {{ chanceWords(chance) }} chance to finish; the batter waits {{ band.fromMin.toFixed(0) }} to
      {{ band.untilMin.toFixed(0) }} min, likely {{ band.likelyMin.toFixed(0) }}.
    </p>
    <p class="quiet">{{ learned }} The band holds eight pours in ten.</p>
    <p class="quiet" data-test="pot-bands">{{ potWords }}</p>
    <ClockChart :estimate="estimate" :moves="onClock" :lines="lines" />
    <ul v-if="best.length > 0" class="advice" data-test="advice">
      <li v-for="one in best" :key="one.key">
        {{ say(one.advice) }}: <b>{{ chanceWords(one.before) }} → {{ chanceWords(one.after) }}</b>
      </li>
    </ul>
    <div class="row fallback" data-test="fallback">
      <img v-if="fallbackFace" :src="fallbackFace" width="110" height="77" alt="" />
      <p>
        If it races: <b>{{ amid(techniqueWords[fallback.technique]) }}</b>, with the same pots. One tap at the bench.
      </p>
      <v-btn :to="rehearsal" variant="flat" color="primary" data-test="rehearse">Rehearse it</v-btn>
    </div>
    <v-btn
      v-if="screen.may(endpoints.updateWorkshop)"
      size="small"
      variant="text"
      class="open"
      data-test="factors"
      @click="isOpen = !isOpen"
      >{{ isOpen ? 'Hide what it depends on' : 'What it depends on' }}</v-btn
    >
    <table v-if="isOpen" class="figures">
      <thead>
        <tr>
          <th>Factor</th>
          <th class="number">Times</th>
          <th>Why</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="factor in estimate.factors" :key="factor.key">
          <td>{{ say(factor.name) }}</td>
          <td class="factor">
            <QuantityField
              :model-value="roundTo(factor.times, 2)"
              kind="number"
              optional
              :range="ownFactorRange"
              :label="isOwn(factor.key) ? 'Yours' : 'Estimate'"
              @update:model-value="setFactor(factor.key, $event)"
            />
          </td>
          <td class="quiet">{{ say(factor.reason) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.big {
  font-family: var(--serif);
  font-size: 1.3rem;
  line-height: 1.3;
}

.advice {
  padding-left: 18px;
}

.fallback {
  flex-wrap: nowrap;
}

.fallback p {
  flex: 1;
}

.fallback img {
  border-radius: 4px;
  object-fit: contain;
}

.open {
  justify-self: start;
}

.factor {
  width: 110px;
}
</style>
