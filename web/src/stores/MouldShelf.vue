<script setup lang="ts">
import { useUnits } from '@/parts/format'
import { useSeason } from '@/parts/seasonStore'
import { barsOfMould } from '@vendange/core/cutting'
import { fillVolumeMl, shapeOf } from '@vendange/core/mould'
import { mouldsOfBatch } from '@vendange/core/season'
import { counted } from '@vendange/words'
import { computed } from 'vue'
import MouldDrawing from './MouldDrawing.vue'

/** Every kind of mould, drawn to one scale. */
const season = useSeason()
const { show, thickness } = useUnits()
const longestMm = computed(() => Math.max(...season.moulds.map(({ lengthMm }) => lengthMm)))

/** Which moulds are in use today, by whom. */
const holders = (mouldId: string) =>
  season.batches.filter(
    (batch) =>
      mouldsOfBatch(batch).has(mouldId) &&
      batch.status === 'poured' &&
      batch.days.pourDay <= season.today &&
      season.today < batch.days.cutDay,
  )
</script>

<template>
  <div class="shelf">
    <RouterLink v-for="mould in season.moulds" :key="mould.id" class="sheet plain" :to="`/stores/moulds/${mould.id}`">
      <h3>
        {{ mould.name }} <span v-if="mould.count > 1" class="quiet">× {{ mould.count }}</span>
      </h3>
      <MouldDrawing :mould="mould" :longest-mm="longestMm" />
      <p v-if="shapeOf(mould) === 'cavities'">
        {{ mould.cavityCount }} cavities of {{ show('volume', mould.cavityMl) }}
      </p>
      <p v-else>
        {{ show('length', mould.lengthMm) }} × {{ show('length', mould.widthMm) }} ×
        {{ show('length', mould.heightMm) }} inside
      </p>
      <p class="quiet">
        {{ show('volume', fillVolumeMl(mould)) }}{{ mould.measuredMl === null ? ' to the fill line' : ' as measured' }},
        {{ counted(barsOfMould(mould).bars, 'bar')
        }}<template v-if="shapeOf(mould) !== 'cavities'">, {{ thickness(mould.barThicknessMm) }} thick</template>
      </p>
      <p v-if="holders(mould.id).length > 0" class="brass">
        Holds
        {{
          holders(mould.id)
            .map(({ name }) => name)
            .join(', ')
        }}
      </p>
      <p v-else class="vine">Free today</p>
    </RouterLink>
  </div>
</template>

<style scoped>
.shelf {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(300px, 100%), 1fr));
  gap: 20px;
}

.shelf .sheet:hover {
  border-color: rgb(var(--v-theme-brass));
  text-decoration: none;
}

p {
  font-size: 0.92rem;
}
</style>
