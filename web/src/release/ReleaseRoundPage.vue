<script setup lang="ts">
import { useUnits } from '@/parts/format'
import { isTyping } from '@/parts/keyboard'
import PageHeadline from '@/parts/PageHeadline.vue'
import QuantityField from '@/parts/QuantityField.vue'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import { useAwake } from '@/parts/useAwake'
import { phRange, releasePhRange } from '@vendange/core/release'
import { counted } from '@vendange/words'
import { computed, nextTick, onBeforeUnmount, onMounted, ref, useTemplateRef, watch } from 'vue'
import AllLabels from './AllLabels.vue'
import { useReleaseRound } from './useReleaseRound'

/** Loaf after loaf: its strip and its look, by a press each; then one signature for all that pass. */
const season = useSeason()
useAwake()
const { say } = useUnits()
const { rows, now, going, staying, released, labelsAreComplete, canGoBack, see, back, sign, trouble, isSending } =
  useReleaseRound()

const ph = ref<number | null>(null)
const unread = ref<string>()
const field = useTemplateRef<{ readonly $el: HTMLElement }>('field')
const maker = computed(() => season.makers.find(({ id }) => id === season.makerId)?.name)
const barsGoing = computed(() => going.value.reduce((sum, { bars }) => sum + bars, 0))
const canSee = computed(() => now.value !== undefined && ph.value !== null && unread.value === undefined)

/** The strip comes first: the hand is on its field when a loaf comes up. */
watch(
  () => now.value?.loaf.id,
  async () => {
    ph.value = null
    await nextTick()
    field.value?.$el.querySelector('input')?.focus()
  },
  { immediate: true },
)
function answer(isSound: boolean): void {
  if (ph.value !== null && canSee.value) see(ph.value, isSound)
}
function pressed(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  const isField = isTyping(event)
  if (event.key === 'Enter' && isField) answer(true)
  else if (event.key.toLowerCase() === 'x' && now.value) answer(false)
  else return
  event.preventDefault()
}
onMounted(() => window.addEventListener('keydown', pressed))
onBeforeUnmount(() => window.removeEventListener('keydown', pressed))

/** Those that stay only until their marked bar has been weighed anew. */
const toWeigh = computed(
  () =>
    staying.value.filter(({ against }) => against.some(({ key, result }) => key === 'mass' && result === 'open'))
      .length,
)
const sentence = computed(() => {
  if (rows.value.length === 0) return 'No loaf waits for its release today.'
  if (now.value) return `${now.value.loaf.name}, lot ${now.value.loaf.lotCode}: its strip and its look.`
  if (going.value.length > 0)
    return `${counted(going.value.length, 'loaf', 'loaves')} may go: ${counted(barsGoing.value, 'bar')}.`
  return released.value.size > 0
    ? `${counted(released.value.size, 'loaf is', 'loaves are')} released.`
    : toWeigh.value > 0
      ? `None of them can go yet: ${counted(toWeigh.value, 'marked bar wants', 'marked bars want')} weighing first.`
      : 'None of them can go today.'
})
const out = computed(() => [...released.value].flatMap((id) => season.loaf(id) ?? []))
const place = computed(() => rows.value.filter(({ answer: given }) => given !== undefined).length + 1)
const toSeeCount = computed(
  () => rows.value.filter(({ answer: given, against }) => given !== undefined || against.length === 0).length,
)
</script>

<template>
  <PageHeadline>
    {{ sentence }}
    <template v-if="!now && going.length === 0" #actions>
      <v-btn v-if="toWeigh > 0" color="primary" variant="flat" to="/weigh">Weigh them in a round</v-btn>
      <v-btn to="/release">To the release</v-btn>
    </template>
  </PageHeadline>
  <div v-if="rows.length > 0" class="columns wide-left">
    <section v-if="now" class="sheet stack" data-test="see-now">
      <div class="row">
        <SoapFace :name="now.loaf.name" :soap="season.design(now.loaf.designId)" :width="150" :height="104" />
        <p>
          <b>{{ place }} of {{ toSeeCount }}</b
          ><br />
          <span class="vine">Cure, mass, faults and lots pass.</span>
        </p>
      </div>
      <QuantityField
        :key="now.loaf.id"
        ref="field"
        v-model="ph"
        kind="number"
        :range="phRange"
        optional
        label="pH strip"
        :hint="`${releasePhRange.min} to ${releasePhRange.max} is usual (estimate)`"
        @problem="unread = $event"
      />
      <v-btn
        color="primary"
        variant="flat"
        size="x-large"
        block
        :disabled="!canSee"
        data-test="sound"
        @click="answer(true)"
        >Looks sound</v-btn
      >
      <div class="row">
        <v-btn size="large" :disabled="!canSee" data-test="not-sound" @click="answer(false)">Does not</v-btn>
        <v-btn size="large" :disabled="!canGoBack" data-test="back" @click="back">The last again</v-btn>
      </div>
      <p class="quiet">No orange spots, ash, cracks or soft core. Enter: it is sound. X: it is not.</p>
    </section>
    <section v-else-if="going.length > 0" class="sheet stack" data-test="sign-all">
      <h2>One signature</h2>
      <v-checkbox v-model="labelsAreComplete" label="Their labels are complete" data-test="labels-complete" />
      <v-btn
        color="primary"
        variant="flat"
        size="x-large"
        block
        :disabled="!labelsAreComplete"
        :loading="isSending"
        data-test="sign"
        @click="sign"
        >Release {{ counted(barsGoing, 'bar') }}, signed {{ maker }}</v-btn
      >
      <div>
        <v-btn size="large" :disabled="!canGoBack" data-test="back" @click="back">The last again</v-btn>
      </div>
      <p v-if="trouble" class="must" role="alert">{{ trouble }}</p>
      <p class="quiet">
        Each loaf keeps a record of its own. Once released, it is not edited, only amended. Local cosmetic law applies;
        a licensed assessor decides where one is required.
      </p>
    </section>
    <AllLabels v-else-if="out.length > 0" :loaves="out" />
    <section class="sheet">
      <h2>The round</h2>
      <ol class="bare round">
        <li v-for="row in rows" :key="row.loaf.id" :class="{ done: row.answer }" data-test="round-loaf">
          <span>
            <RouterLink class="plain" :to="`/release/${row.loaf.id}`"
              ><b>{{ row.loaf.name }}</b></RouterLink
            ><br /><small class="quiet">{{ row.loaf.lotCode }}, {{ counted(row.bars, 'bar') }}</small>
            <template v-for="check in row.isReleased ? [] : row.against" :key="check.key"
              ><br /><small class="must">{{ say(check.finding) }}</small></template
            >
          </span>
          <span class="number">{{
            row.isReleased ? 'released' : row.against.length > 0 ? 'stays' : row.answer ? `pH ${row.answer.ph}` : ''
          }}</span>
        </li>
      </ol>
      <p v-if="staying.length > 0" class="quiet mt-3">What stays is looked at by itself: press its name.</p>
    </section>
  </div>
</template>
