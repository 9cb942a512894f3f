<script setup lang="ts">
import { useUnits } from '@/parts/format'
import { useSeason } from '@/parts/seasonStore'
import type { NewDesign } from '@vendange/contract'
import type { YieldRemedy } from '@vendange/core/batch'
import { yieldRemedies } from '@vendange/core/batch'
import { computed } from 'vue'
import { useSoapPours } from './useSoapPours'

/** What could be done when the moulds do not give the bars wanted. */
const values = defineModel<NewDesign>({ required: true })
const props = defineProps<{ designId: string }>()
const season = useSeason()
const { barMass, weighed, say } = useUnits()
const { place, placeWords, take: takePours } = useSoapPours()

const ways = computed<readonly YieldRemedy[]>(() => {
  const mould = season.mould(values.value.mouldId)
  const source = season.sourceOf(values.value)
  if (!mould || !source || !season.workshop) return []
  return yieldRemedies(
    { ...source.design, recipe: source.recipe, more: source.more ?? [] },
    mould,
    season.moulds,
    season.workshop,
  )
})
/** Each way with the days that its pours would have, where it is more than another mould in the form. */
const rows = computed(() =>
  ways.value.map((way) => {
    const placed = way.parts && place(props.designId, way.parts)
    return { way, placed, canTake: way.parts === undefined || placed?.parts !== undefined }
  }),
)
async function take({ way: { parts, mouldId, mouldCount }, placed }: (typeof rows.value)[number]): Promise<void> {
  if (parts) return takePours(props.designId, placed)
  values.value = { ...values.value, mouldId, mouldCount }
}
</script>

<template>
  <table v-if="ways.length > 0" class="figures" data-test="ways-out">
    <thead>
      <tr>
        <th>Ways out</th>
        <th class="number">Bars</th>
        <th class="number">A bar, cured</th>
        <th class="number">Batter</th>
        <th class="number">No bar</th>
        <th><span class="d-sr-only">Do</span></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.way.kind + say(row.way.title)">
        <td>
          {{ say(row.way.title)
          }}<template v-if="row.way.parts"
            ><br /><small :class="row.canTake ? 'quiet' : 'must'" data-test="way-days">{{
              placeWords(row.placed)
            }}</small></template
          >
        </td>
        <td class="number">
          <b>{{ row.way.bars }}</b>
        </td>
        <td class="number" :class="{ must: !row.way.reachesLabel }">{{ barMass(row.way.barCuredG) }}</td>
        <td class="number">{{ weighed(row.way.batterG) }}</td>
        <td class="number quiet">{{ weighed(row.way.wasteG) }}</td>
        <td class="number">
          <v-btn
            size="small"
            variant="text"
            :disabled="!row.canTake"
            :data-test="`take-${row.way.kind}`"
            @click="take(row)"
            >Take</v-btn
          >
        </td>
      </tr>
    </tbody>
  </table>
</template>
