<script setup lang="ts">
import { api } from '@/parts/api'
import { useUnits } from '@/parts/format'
import { useSeason } from '@/parts/seasonStore'
import { useFresh } from '@/parts/useFresh'
import type { SalesHistory, SavedDesign } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { barsToMakeFor, demandByChannel, demandSentence } from '@vendange/core/plan'
import { counted } from '@vendange/words'
import { computed, shallowRef } from 'vue'

/** How many bars to make: what past releases of the soap sold, week by week, less what is on hand. */
const props = defineProps<{ design: SavedDesign }>()
const bars = defineModel<number>({ required: true })
const season = useSeason()
const { say } = useUnits()
const windowDays = 30
const history = shallowRef<SalesHistory>()
useFresh(async () => {
  history.value = await api(endpoints.salesHistory, { params: { id: props.design.id } }).catch(() => history.value)
})
const channels = computed(() =>
  history.value ? demandByChannel(history.value.releases, windowDays, history.value.others) : [],
)
const releaseDay = computed(() => {
  const collection = season.collection(props.design.collectionId)
  return collection ? season.neededDay(collection) : season.today
})
const make = computed(() =>
  barsToMakeFor(
    channels.value.map(({ estimate }) => estimate),
    history.value?.onHand ?? [],
    releaseDay.value,
    windowDays,
  ),
)
const headline = computed(() => {
  const { toMake, wanted, onHand } = make.value
  const there = onHand > 0 ? `, and ${counted(onHand, 'bar is', 'bars are')} there` : ''
  return `Make ${toMake}: ${counted(wanted, 'bar')} would likely go in ${windowDays} days${there}`
})
</script>

<template>
  <section v-if="channels.length > 0 && releaseDay >= season.today" class="sheet stack" data-test="how-many">
    <h2>{{ headline }}</h2>
    <p v-for="{ channel, estimate } in channels" :key="channel" class="plain">
      {{ say(demandSentence(channel, estimate, windowDays)) }}
    </p>
    <p v-if="make.tooOld > 0" class="brass">
      {{ counted(make.tooOld, 'bar', 'bars') }} more on hand will be past their best by then.
    </p>
    <p class="quiet small">
      Of ten such releases eight keep to the span. A release that sold out counts as “at least so many”.
    </p>
    <div v-if="make.toMake > 0 && make.toMake !== bars">
      <v-btn size="small" data-test="make-so-many" @click="bars = make.toMake"
        >Wish for {{ counted(make.toMake, 'bar') }}</v-btn
      >
    </div>
  </section>
</template>

<style scoped>
.small {
  font-size: 0.85rem;
}
</style>
