<script setup lang="ts">
import { plainCopy } from '@/parts/plainCopy'
import { api } from '@/parts/api'
import ChoiceButtons from '@/parts/ChoiceButtons.vue'
import SaveState from '@/parts/SaveState.vue'
import { useSeason } from '@/parts/seasonStore'
import PageHeadline from '@/parts/PageHeadline.vue'
import { useSavedForm } from '@/parts/useSavedForm'
import ConflictPanel from '@/parts/ConflictPanel.vue'
import type { Picture } from '@/workers/pourPicture.worker'
import type { NewDesign, SavedMould } from '@vendange/contract'
import { designSchema, endpoints } from '@vendange/contract'
import type { WeighedPot } from '@vendange/core/batch'
import { scaleDesign } from '@vendange/core/batch'
import { isCut } from '@vendange/core/cutting'
import type { Look, Neighbours, Plane, SectionPoint, Technique } from '@vendange/core/pour'
import { closeNeighbours, isSeenFromAbove, looks, seedOf, shadesAt, starterPlan, tintOf } from '@vendange/core/pour'
import { computed, ref, shallowRef } from 'vue'
import CutView from './CutView.vue'
import InsideFiles from './InsideFiles.vue'
import InsidePicture from './InsidePicture.vue'
import MoveList from './MoveList.vue'
import { chanceWords } from './moveWords'
import ShadeFields from './ShadeFields.vue'
import WorkingPanel from './WorkingPanel.vue'
import { useTimedPours } from '@/parts/timedPours'
import { useBatter, useWorking } from './useWorking'
import StarterShelf from './StarterShelf.vue'
import type { Line } from './usePourPlan'
import { usePourPlan } from './usePourPlan'
import { useUnits } from '@/parts/format'

const props = defineProps<{ id: string }>()
const season = useSeason()
const { say } = useUnits()
const design = computed(() => season.design(props.id))
const { values, errors, status, theirDetails, settle } = useSavedForm({
  schema: designSchema,
  source: () => design.value,
  save: (body: NewDesign & { version: number }) => api(endpoints.designs.update, { params: { id: props.id }, body }),
  label: () => `the inside of ${design.value?.name ?? 'soap'}`,
})
const mould = computed(() => season.mould(design.value?.mouldId ?? null))
const scaled = computed(() => {
  const source = design.value && season.sourceOf(design.value)
  return source && scaleDesign(source)
})
const noPots: readonly WeighedPot[] = []
const pots = computed(() => scaled.value?.weights.pots ?? noPots)
const plan = usePourPlan(
  () => values.value?.pourPlan ?? [],
  () => mould.value as SavedMould,
  () => pots.value,
)
const isReady = computed(
  () => values.value && mould.value && scaled.value && values.value.colours.length > 0 && pots.value.length > 0,
)

const look = ref<Look>('week_4')
const lookWords: Readonly<Record<Look, string>> = { pour: 'At the pour', day_1: 'Day 1', week_4: 'Week 4' }
const lookChoices = looks.map((value) => ({ value, words: lookWords[value], test: `look-${value}` }))
const shades = computed(() => (values.value ? shadesAt(look.value, values.value.colours, tintOf(values.value)) : []))

const seenBy = ref<Plane>()
const seen = computed<Plane>(() => seenBy.value ?? (isSeenFromAbove(plan.drawable.value) ? 'plan' : 'section'))
const ownSeed = computed(() => seedOf(values.value?.name ?? ''))
/** Undefined: as planned, to the mm. */
const seed = ref<number | undefined>(0)
const hand = computed(() =>
  seed.value === undefined ? undefined : { seed: seed.value === 0 ? ownSeed.value : seed.value },
)
function shake(): void {
  seed.value = (seed.value ?? 0) + 1
}

const tool = ref<'hanger' | 'skewer'>()
/** The move whose line along the loaf is being drawn. */
const following = ref<number>()
function followLine(index: number): void {
  following.value = following.value === index ? undefined : index
  tool.value = undefined
  if (following.value === undefined) return
  seenBy.value = 'plan'
  picture.value?.comeIntoSight()
}
function draw(one: 'hanger' | 'skewer'): void {
  tool.value = tool.value === one ? undefined : one
  following.value = undefined
}
const picture = ref<InstanceType<typeof InsidePicture>>()
const neighbours = shallowRef<readonly Neighbours[]>([])
const painted = ({ neighbours: found }: Picture): void => {
  neighbours.value = found
}
const findings = computed(() => [
  ...plan.findings.value,
  ...(values.value ? closeNeighbours(neighbours.value, values.value.colours, tintOf(values.value)) : []),
])

const lines = computed({
  get: () => values.value?.pourPlan ?? [],
  set: (next: Line[]) => {
    if (values.value) values.value.pourPlan = next
  },
})
function take(path: SectionPoint[]): void {
  const at = following.value
  const line = at === undefined ? undefined : lines.value[at]
  if (at !== undefined && line) {
    lines.value = lines.value.with(at, { ...line, along: path })
    following.value = undefined
  } else if (tool.value) lines.value = [...lines.value, { kind: tool.value, path, plane: seen.value }]
}
const isShelfOpen = ref(false)
function begin(technique: Technique): void {
  lines.value = starterPlan(technique, values.value?.colours.length ?? 1, plan.section.value).map(
    (line) => plainCopy(line) as Line,
  )
  isShelfOpen.value = false
  seenBy.value = undefined
}

const timings = useTimedPours()
const batter = useBatter(() => values.value)
const working = useWorking(
  () => plan.drawable.value,
  () => batter.value,
  () => plan.section.value,
  () => timings.value,
)

const sentence = computed(() => {
  const now = design.value
  if (!now) return ''
  if (!isReady.value) return `${now.name} needs a recipe, a mould and its pots before its inside can be designed.`
  if (lines.value.length === 0) return `Nobody knows yet how ${now.name} is poured. Choose a technique to begin with.`
  const stop = findings.value.find(({ severity }) => severity === 'refuse')
  if (stop) return `${now.name} cannot be poured like this: ${say(stop)}`
  const left = findings.value.filter(({ code }) => code === 'pot_left_over').length
  const moves = lines.value.length === 1 ? 'one move' : `${lines.value.length} moves`
  const pots =
    left === 0 ? 'every pot is used up' : `${left === 1 ? 'one of its pots is' : `${left} of its pots are`} not used up`
  return `${now.name} is poured in ${moves}, ${pots}; the chance to finish is ${chanceWords(working.chance.value)}.`
})

const conflictLabels = {
  pourPlan: 'Pour plan',
  face: 'Face',
  colours: 'Pots',
  batterHex: 'Colour of the batter',
  scent: 'Scent',
}
</script>

<template>
  <template v-if="design && values">
    <p class="quiet crumb plain">
      <RouterLink :to="`/soaps/${id}`">{{ design.name }}</RouterLink> ›
    </p>
    <PageHeadline>
      {{ sentence }}
      <template #actions><SaveState :status="status" :errors="errors" /></template>
    </PageHeadline>
    <ConflictPanel
      v-if="theirDetails"
      :mine="values"
      :theirs="theirDetails"
      :labels="conflictLabels"
      @settle="settle"
    />

    <template v-if="isReady && mould">
      <section v-if="lines.length === 0 || isShelfOpen" class="sheet stack">
        <h2>Techniques, in this mould and these colours</h2>
        <StarterShelf :colours="values.colours" :mould="mould" :section="plan.section.value" @take="begin" />
      </section>
      <div v-if="lines.length > 0" class="columns two">
        <div class="stack left">
          <section class="sheet stack">
            <div class="row head">
              <h2>The inside</h2>
              <ChoiceButtons v-model="look" :choices="lookChoices" label="When" />
            </div>
            <InsidePicture
              ref="picture"
              :lines="plan.drawable.value"
              :hexes="shades"
              :pot-areas-mm2="plan.areasMm2.value"
              :section="plan.section.value"
              :seen="seen"
              :hand="hand"
              :tool="following === undefined ? tool : 'line'"
              @drawn="take"
              @painted="painted"
            />
            <div class="row">
              <v-btn size="small" :variant="seen === 'section' ? 'tonal' : 'text'" @click="seenBy = 'section'"
                >Across</v-btn
              >
              <v-btn
                size="small"
                :variant="seen === 'plan' ? 'tonal' : 'text'"
                data-test="from-above"
                @click="seenBy = 'plan'"
                >From above</v-btn
              >
              <v-btn size="small" variant="text" data-test="shake" @click="shake">Shake</v-btn>
              <v-btn
                size="small"
                variant="text"
                data-test="as-planned"
                @click="seed = seed === undefined ? 0 : undefined"
                >{{ seed === undefined ? 'By hand' : 'As planned' }}</v-btn
              >
              <InsideFiles v-model="values" :picture="picture ?? undefined" />
            </div>
            <div class="row" role="group" aria-label="Draw on the picture">
              <v-btn
                v-for="one in ['hanger', 'skewer'] as const"
                :key="one"
                size="small"
                :variant="tool === one ? 'flat' : 'text'"
                :color="tool === one ? 'primary' : undefined"
                :aria-pressed="tool === one"
                :data-test="`draw-${one}`"
                @click="draw(one)"
                >Draw a {{ one }} pull</v-btn
              >
            </div>
            <p class="quiet">
              {{
                seed === undefined
                  ? 'As planned, as if hand and batter never varied.'
                  : 'Poured by hand (estimate of its usual spread); Shake shows another pour of the same plan.'
              }}
              Every colour keeps its volume.
            </p>
          </section>
          <CutView
            v-if="isCut(mould)"
            v-model="values.face"
            :lines="plan.drawable.value"
            :hexes="shades"
            :pot-areas-mm2="plan.areasMm2.value"
            :section="plan.section.value"
            :mould="mould"
            :seed="ownSeed"
          />
          <ShadeFields v-model="values" />
        </div>
        <div class="stack left">
          <WorkingPanel
            :estimate="working.estimate.value"
            :band="working.band.value"
            :pot-bands="working.potBands.value"
            :chance="working.chance.value"
            :on-clock="working.onClock.value"
            :lines="plan.drawable.value"
            :advice="working.advice.value"
            :fallback="working.fallback.value"
            :colours="values.colours"
            :mould="mould"
            :rehearsal="`/soaps/${id}/rehearse`"
          />
          <MoveList
            v-model="lines"
            :plan="plan"
            :colours="values.colours"
            :findings="findings"
            :following="following"
            @along="followLine"
            @techniques="isShelfOpen = !isShelfOpen"
          />
        </div>
      </div>
    </template>
    <p v-else>
      <RouterLink :to="`/soaps/${id}`">Give {{ design.name }} what is missing</RouterLink>
    </p>
  </template>
  <PageHeadline v-else>There is no such soap.</PageHeadline>
</template>

<style scoped>
.two {
  align-items: start;
}

.left {
  gap: 24px;
}
</style>
