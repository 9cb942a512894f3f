<script setup lang="ts">
import { photoAddress } from '@/parts/api'
import { useOwnScreen } from '@/parts/ownScreen'
import { useAwake } from '@/parts/useAwake'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import PageHeadline from '@/parts/PageHeadline.vue'
import { formatDay } from '@vendange/core/calendar'
import { cutWindow, isCut } from '@vendange/core/cutting'
import { counted } from '@vendange/words'
import { computed } from 'vue'
import FaultPanel from './after/FaultPanel.vue'
import FinishPanel from './after/FinishPanel.vue'
import ScrapPanel from './after/ScrapPanel.vue'
import CutPlanner from './planner/CutPlanner.vue'

/** One loaf under the knife: the plan before, and after it faults, scrap and finishing. */
const props = defineProps<{ id: string }>()
const season = useSeason()
useAwake()
const { mayRecord } = useOwnScreen()
const loaf = computed(() => season.loaf(props.id))
const mould = computed(() => season.mould(loaf.value?.mouldId ?? null))
const recipe = computed(() => {
  const recipeId = season.design(loaf.value?.designId ?? '')?.recipeId
  return season.recipes.find(({ id }) => id === recipeId)
})
const window = computed(() => {
  const day = loaf.value?.state.pouredDay
  return day !== undefined && recipe.value ? cutWindow(day, recipe.value) : undefined
})
const sentence = computed(() => {
  const one = loaf.value
  if (!one) return 'There is no such loaf here.'
  const { cut } = one.state
  const on = (day: string): string => formatDay(day, season.today)
  if (cut) return `${one.name} was cut into ${counted(cut.bars, 'bar')} of ${one.barsPlanned} hoped for.`
  if (!window.value) return `${one.name} waits for the knife.`
  const { fromDay, untilDay, stampUntilDay } = window.value
  if (season.today < fromDay) return `${one.name} is soft until ${on(fromDay)}; cut it then, and by ${on(untilDay)}.`
  return season.today > untilDay
    ? `${one.name} should have been cut by ${on(untilDay)}: it may be brittle. Cut it today, slowly.`
    : season.today === untilDay
      ? `Cut ${one.name} today, before it is brittle; a stamp leaves a clean mark until ${on(stampUntilDay)}.`
      : `Cut ${one.name} today, or by ${on(untilDay)}; a stamp leaves a clean mark until ${on(stampUntilDay)}.`
})
</script>

<template>
  <p class="quiet crumb plain"><RouterLink to="/cut">Cut</RouterLink> ›</p>
  <PageHeadline>
    {{ sentence }}
    <template v-if="loaf?.state.cut" #actions>
      <RouterLink :to="`/cure/${id}`">Its cure</RouterLink>
    </template>
  </PageHeadline>
  <template v-if="loaf">
    <section v-if="loaf.state.cut && loaf.state.photos.length > 0" class="sheet row faces" data-test="faces-compared">
      <figure>
        <SoapFace :name="loaf.name" :soap="season.design(loaf.designId)" :width="190" :height="130" />
        <figcaption>As it was foretold</figcaption>
      </figure>
      <figure v-for="{ day, photoId } in loaf.state.photos" :key="photoId">
        <img :src="photoAddress(photoId)" height="130" :alt="`A cut face of ${loaf.name}`" />
        <figcaption>{{ formatDay(day, season.today) }}</figcaption>
      </figure>
    </section>
    <div v-if="loaf.state.cut && loaf.state.status !== 'released'" class="columns two">
      <div class="stack wide-gap">
        <FaultPanel :loaf="loaf" />
        <ScrapPanel v-if="mayRecord('scrapped')" :loaf="loaf" />
      </div>
      <FinishPanel v-if="mould && isCut(mould)" :loaf="loaf" :mould="mould" />
    </div>
    <CutPlanner v-else-if="mould && isCut(mould) && !loaf.state.cut" :loaf="loaf" :mould="mould" />
    <p v-else>Its record goes on in <RouterLink :to="`/loaves/${id}`">the notebook</RouterLink>.</p>
  </template>
</template>

<style scoped>
.faces {
  align-items: flex-start;
  gap: 20px;
  margin-bottom: 24px;
}

figure {
  margin: 0;
}

.two {
  align-items: start;
}

.wide-gap {
  gap: 24px;
}
</style>
