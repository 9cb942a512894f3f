<script setup lang="ts">
import { act } from '@/parts/act'
import { api } from '@/parts/api'
import { useUnits } from '@/parts/format'
import { useNewHere } from '@/parts/keyboard'
import { useSeason } from '@/parts/seasonStore'
import TheAnswer from '@/parts/TheAnswer.vue'
import { endpoints } from '@vendange/contract'
import { fillVolumeMl } from '@vendange/core/mould'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import MouldDrawing from './MouldDrawing.vue'

const season = useSeason()
const router = useRouter()
const { show } = useUnits()
const longestMm = computed(() => Math.max(...season.moulds.map(({ lengthMm }) => lengthMm)))

/** Which moulds are in use today, by whom. */
const holders = (mouldId: string) =>
  season.batches.filter(
    ({ mouldId: held, days, status }) =>
      held === mouldId && status === 'poured' && days.pourDay <= season.today && season.today < days.cutDay,
  )

async function create(): Promise<void> {
  const mould = await act(() =>
    api(endpoints.moulds.create, {
      body: {
        name: 'New loaf mould',
        lengthMm: 250,
        widthMm: 80,
        heightMm: 70,
        linerMm: 0,
        fillHeightMm: 60,
        barThicknessMm: 25,
        endTrimMm: 0,
        kerfMm: 0,
        count: 1,
      },
    }),
  )
  if (mould) await router.push(`/stores/moulds/${mould.id}`)
}
useNewHere('New mould', create)
</script>

<template>
  <TheAnswer>
    {{
      season.moulds.length === 0
        ? 'No moulds yet. Measure one inside: length, width, height.'
        : `${season.moulds.length} kinds of mould, drawn to one scale.`
    }}
    <template #actions
      ><v-btn color="primary" variant="flat" data-test="new-mould" @click="create">New mould</v-btn></template
    >
  </TheAnswer>
  <div class="shelf">
    <RouterLink v-for="mould in season.moulds" :key="mould.id" class="sheet plain" :to="`/stores/moulds/${mould.id}`">
      <h2>
        {{ mould.name }} <span v-if="mould.count > 1" class="quiet">× {{ mould.count }}</span>
      </h2>
      <MouldDrawing :mould="mould" :longest-mm="longestMm" />
      <p>
        {{ show('length', mould.lengthMm) }} × {{ show('length', mould.widthMm) }} ×
        {{ show('length', mould.heightMm) }} inside
      </p>
      <p class="quiet">
        {{ Math.round(fillVolumeMl(mould)) }} ml to the fill line, bars {{ show('length', mould.barThicknessMm) }} thick
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
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
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
