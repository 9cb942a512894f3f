<script setup lang="ts">
import FailedLoaf from '@/parts/FailedLoaf.vue'
import { usePours } from '@/parts/pourActions'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import type { SavedCollection } from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import { barsAgainstChannels } from '@vendange/core/plan'
import { counted } from '@vendange/words'
import { computed } from 'vue'
import BringBack from './BringBack.vue'
import LineUpChecks from './LineUpChecks.vue'
import MakeGood from './MakeGood.vue'
import { standingClass, standingWords } from './verdictWords'
import YieldCell from './YieldCell.vue'

/** The soaps of a collection: where each stands, what it gives, and whether that is what the channels want. */
const props = defineProps<{ collection: SavedCollection }>()
const season = useSeason()
const { pourOn } = usePours()

const lineUp = computed(() => season.lineUp(props.collection.id))
const soaps = computed(() => season.verdict(props.collection).soaps)
const bars = computed(() =>
  barsAgainstChannels(
    props.collection.channels,
    lineUp.value.map((soap) => {
      const { cut, toCome } = season.countOf(soap)
      return cut + toCome
    }),
  ),
)
const openLoavesOf = (designId: string) =>
  season.loaves.filter((loaf) => loaf.designId === designId && !['released', 'failed'].includes(loaf.state.status))
</script>

<template>
  <section class="sheet">
    <h2>The line-up</h2>
    <table class="figures">
      <thead>
        <tr>
          <th colspan="2">Soap</th>
          <th>Where it stands</th>
          <th class="number">Bars</th>
          <th><span class="d-sr-only">To do</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="soap in soaps" :key="soap.designId + soap.name" data-test="soap">
          <td>
            <SoapFace :name="soap.name" :soap="season.design(soap.designId)" :width="60" :height="44" />
          </td>
          <td>
            <RouterLink class="plain serif" :to="`/soaps/${soap.designId}`">{{ soap.name }}</RouterLink><br />
            <small class="quiet">{{
              [
                season.design(soap.designId)?.technique,
                season.design(soap.designId)?.scent?.name ?? 'no scent',
                season.mould(season.design(soap.designId)?.mouldId)?.name,
              ]
                .filter(Boolean)
                .join(' · ')
            }}</small>
          </td>
          <td :class="standingClass[soap.standing]">{{ standingWords(soap, season.today) }}</td>
          <td class="number"><YieldCell :design-id="soap.designId" :batch-id="soap.batchId" /></td>
          <td class="number">
            <v-btn
              v-if="soap.standing === 'to_plan' && soap.pourDay"
              size="small"
              @click="pourOn(soap, soap.pourDay, soap.cutDay)"
              >Put on {{ formatDay(soap.pourDay, season.today) }}</v-btn
            >
            <FailedLoaf :loaves="openLoavesOf(soap.designId)" />
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="bars.wanted > 0" class="mt-3" :class="{ must: bars.missing > 0 }">
      {{ counted(bars.given, 'bar') }} from these moulds for {{ bars.wanted }} that the channels want{{
        bars.missing > 0 ? `: ${bars.missing} are missing.` : '.'
      }}
    </p>
    <MakeGood v-for="soap in lineUp" :key="soap.id" :design="soap" class="mt-3" />
    <LineUpChecks :collection="collection" class="mt-3" />
    <BringBack :collection-id="collection.id" class="mt-3" />
    <p v-if="soaps.length === 0" class="quiet mt-2">
      No soaps yet. A collection has three to eight, for example a plain one, a layered one and a swirl.
    </p>
  </section>
</template>
