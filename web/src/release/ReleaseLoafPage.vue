<script setup lang="ts">
import { api } from '@/parts/api'
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import { useOwnScreen } from '@/parts/ownScreen'
import { useLoafEvents } from '@/parts/recordLoafEvent'
import { useAwake } from '@/parts/useAwake'
import { useSeason } from '@/parts/seasonStore'
import { useFresh } from '@/parts/useFresh'
import SoapFace from '@/parts/SoapFace.vue'
import PageHeadline from '@/parts/PageHeadline.vue'
import { mdiCheckCircle, mdiCloseCircle, mdiHelpCircleOutline, mdiInformationOutline } from '@mdi/js'
import type { LoafView } from '@vendange/contract'
import { barsRange, endpoints } from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import type { LesserUse } from '@vendange/core/loaf'
import { lesserUses, unreleasedBars } from '@vendange/core/loaf'
import { mayRelease, phRange } from '@vendange/core/release'
import { useKeptFields } from '@/parts/useKeptFields'
import { computed, ref, shallowRef } from 'vue'
import { useReleaseChecks } from './checksOf'
import LabelPanel from './LabelPanel.vue'
import { amid, counted, releaseCheckWords } from '@vendange/words'

const props = defineProps<{ id: string }>()
const season = useSeason()
useAwake()
const { mayRecord } = useOwnScreen()
const { say } = useUnits()
const { checksOf, labelLacksOf } = useReleaseChecks()
const { record, errors, trouble, isSending } = useLoafEvents()

const loaf = computed(() => season.loaf(props.id))
const view = shallowRef<LoafView>()
const loadView = (): Promise<unknown> =>
  api(endpoints.loaves.view, { params: { id: props.id } })
    .then((found) => (view.value = found))
    .catch(() => undefined)
useFresh(loadView)
const labelLacks = computed(() => labelLacksOf(view.value))
const ph = ref<number | null>(null)
const lookIsSound = ref(false)
const labelIsComplete = ref(false)
const bars = ref(loaf.value ? unreleasedBars(loaf.value.state) : 1)
const reason = ref('')
const unread = ref<Record<string, string | undefined>>({})

const checks = computed(() =>
  loaf.value
    ? checksOf(loaf.value, view.value, {
        ph: ph.value,
        lookIsSound: lookIsSound.value,
        labelIsComplete: labelIsComplete.value,
      })
    : [],
)
const isClear = computed(
  () => mayRelease(checks.value) && Object.values(unread.value).every((problem) => problem === undefined),
)
const isReleased = computed(() => loaf.value?.state.status === 'released' && unreleasedBars(loaf.value.state) === 0)
const overrideReason = ref('')
const mayGo = computed(
  () =>
    ph.value !== null &&
    (isClear.value || overrideReason.value.trim() !== '') &&
    Object.values(unread.value).every((problem) => problem === undefined),
)
const lesserBars = ref(1)
const lesser = ref<LesserUse>('samples')
const lesserReason = ref('')
const kept = useKeptFields(`release:${props.id}`, {
  ph,
  lookIsSound,
  labelIsComplete,
  bars,
  reason,
  overrideReason,
  lesserBars,
  lesser,
  lesserReason,
})
async function downgrade(): Promise<void> {
  const event = {
    type: 'downgraded',
    day: season.today,
    bars: lesserBars.value,
    to: lesser.value,
    reason: lesserReason.value,
  } as const
  if (!loaf.value || !(await record(loaf.value, event))) return
  lesserReason.value = ''
  kept.sent()
}
const maker = computed(() => season.makers.find(({ id }) => id === season.makerId)?.name)
const dress = {
  passed: { icon: mdiCheckCircle, color: 'success', word: 'passed' },
  failed: { icon: mdiCloseCircle, color: 'error', word: 'failed' },
  open: { icon: mdiHelpCircleOutline, color: 'warning', word: 'open' },
  note: { icon: mdiInformationOutline, color: 'info', word: 'to know' },
} as const

const sentence = computed(() => {
  if (!loaf.value) return 'There is no such loaf.'
  const { name, state } = loaf.value
  if (state.release && isReleased.value)
    return `${counted(state.releasedBars, 'bar')} of ${name} ${state.releasedBars === 1 ? 'was' : 'were'} released on ${formatDay(state.release.day, season.today)}.`
  const failed = checks.value.filter(({ result }) => result === 'failed')
  const open = checks.value.filter(({ result }) => result === 'open')
  if (failed.length > 0)
    return `${name} cannot go: ${failed.map(({ key }) => amid(releaseCheckWords[key])).join(' and ')}.`
  if (open.length > 0)
    return `${name} can go once you have looked: ${open.map(({ key }) => amid(releaseCheckWords[key])).join(', ')}.`
  return `${name} may go.`
})

async function release(): Promise<void> {
  if (!loaf.value || ph.value === null) return
  const released = await record(loaf.value, {
    type: 'released',
    day: season.today,
    bars: bars.value,
    ph: ph.value,
    lookIsSound: lookIsSound.value,
    labelIsComplete: labelIsComplete.value,
    ...(isClear.value ? {} : { overrideReason: overrideReason.value }),
  })
  if (released) kept.sent()
  await loadView()
}
async function hold(): Promise<void> {
  if (!loaf.value || !(await record(loaf.value, { type: 'held', day: season.today, reason: reason.value }))) return
  reason.value = ''
  kept.sent()
}
</script>

<template>
  <PageHeadline>
    {{ sentence }}
    <template v-if="loaf" #actions>
      <SoapFace :name="loaf.name" :soap="season.design(loaf.designId)" :width="96" :height="64" />
      <v-btn :to="`/loaves/${id}`">Story of lot {{ loaf.lotCode }}</v-btn>
    </template>
  </PageHeadline>
  <div v-if="loaf && !isReleased" class="columns wide-left">
    <section class="sheet">
      <h2>The checks</h2>
      <p v-if="loaf.state.holdReason" class="must">Held: {{ loaf.state.holdReason }}</p>
      <table class="figures">
        <tbody>
          <tr v-for="check in checks" :key="check.key" :data-test="`check-${check.key}`">
            <td class="icon"><v-icon :icon="dress[check.result].icon" :color="dress[check.result].color" /></td>
            <td>
              <b>{{ releaseCheckWords[check.key] }}</b>{{ ' ' }}<span class="quiet">{{ dress[check.result].word }}</span
              ><br />{{ say(check.finding) }}
            </td>
            <td class="ask">
              <QuantityField
                v-if="check.key === 'ph'"
                v-model="ph"
                kind="number"
                :range="phRange"
                optional
                label="pH strip"
                :error="errors['ph']"
                @problem="unread['ph'] = $event"
              />
              <v-checkbox v-if="check.key === 'look'" v-model="lookIsSound" label="Looks sound" data-test="look" />
              <v-checkbox
                v-if="check.key === 'label'"
                v-model="labelIsComplete"
                :disabled="(labelLacks?.parts.length ?? 0) > 0"
                label="Label complete"
                data-test="label"
              />
              <v-btn v-if="check.key === 'mass' && check.result === 'open'" size="small" :to="`/cure/${id}`"
                >Weigh it</v-btn
              >
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <div v-if="mayRecord('released')" class="stack">
      <section class="sheet stack">
        <h2>Release</h2>
        <QuantityField
          v-model="bars"
          kind="count"
          :range="barsRange"
          :label="`Bars, of ${unreleasedBars(loaf.state)}`"
          :error="errors['bars']"
          @problem="unread['bars'] = $event"
        />
        <v-btn
          color="primary"
          variant="flat"
          size="large"
          :disabled="!mayGo"
          :loading="isSending"
          data-test="release"
          @click="release"
          >Release {{ counted(bars, 'bar') }}, signed {{ maker }}</v-btn
        >
        <v-text-field
          v-if="ph !== null && !isClear"
          v-model="overrideReason"
          label="Or let it go all the same, because"
          hint="The reason stays in its record."
          persistent-hint
          data-test="override"
        />
        <p class="quiet small">
          Once released, the record is not edited, only amended. Local cosmetic law applies; a licensed assessor decides
          where one is required.
        </p>
      </section>
      <section class="sheet stack">
        <h2>Or hold it</h2>
        <v-text-field v-model="reason" label="Why it is held" :error-messages="errors['reason'] ?? []" />
        <div><v-btn :disabled="reason.trim() === ''" data-test="hold" @click="hold">Hold</v-btn></div>
      </section>
      <section class="sheet stack">
        <h2>Or fewer of them</h2>
        <div class="fields">
          <QuantityField v-model="lesserBars" kind="count" :range="barsRange" label="Bars no longer sold" />
          <v-select v-model="lesser" :items="lesserUses" label="They become" />
          <v-text-field v-model="lesserReason" class="wide" label="Why they are taken out" />
        </div>
        <div>
          <v-btn :disabled="lesserReason.trim() === ''" data-test="downgrade" @click="downgrade">Take them out</v-btn>
        </div>
      </section>
      <p v-if="trouble" class="must" role="alert">{{ trouble }}</p>
    </div>
  </div>
  <LabelPanel v-if="view" class="mt-5" :view="view" />
</template>

<style scoped>
.icon {
  width: 36px;
}

.ask {
  width: 200px;
}

.small {
  font-size: 0.88rem;
}
</style>
