<script setup lang="ts">
import { api } from '@/parts/api'
import { runChange } from '@/parts/runChange'
import { useSeason } from '@/parts/seasonStore'
import type { DamagedRow } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { counted } from '@vendange/words'
import { ref, shallowRef, watch } from 'vue'

/** Records that could not be read any more: what they are, what stood in them, and the way to where they are mended. */
const season = useSeason()
const rows = shallowRef<readonly DamagedRow[]>([])
const busyWith = ref<number>()
async function load(): Promise<void> {
  rows.value = await api(endpoints.damage.list).catch(() => rows.value)
}
watch(() => season.view, load, { immediate: true })

async function settle({ id }: DamagedRow): Promise<void> {
  busyWith.value = id
  rows.value = (await runChange(() => api(endpoints.damage.settle, { params: { id: String(id) } }))) ?? rows.value
  busyWith.value = undefined
}

const pages: Readonly<Record<string, (id: string) => string>> = {
  collections: (id) => `/plan/${id}`,
  designs: (id) => `/soaps/${id}`,
  orders: (id) => `/orders/${id}`,
  recipes: (id) => `/formulate/${id}`,
  own_fats: (id) => `/formulate/fats/${id}`,
  moulds: (id) => `/stores/moulds/${id}`,
  ingredients: (id) => `/stores/ingredients/${id}`,
  lots: () => '/stores',
  batches: (id) => `/pour/${id}`,
  loaves: (id) => `/loaves/${id}`,
}
/** "cavityCount" as "Cavity count". */
const fieldWords = (field: string): string => {
  const words = field.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`)
  return words.charAt(0).toUpperCase() + words.slice(1)
}
const pageOf = ({ table, rowId }: DamagedRow): string => pages[table]?.(rowId) ?? '/workshop'
</script>

<template>
  <section v-if="rows.length > 0" id="damaged" class="sheet stack" data-test="damaged">
    <h2 class="must">{{ counted(rows.length, 'damaged record') }}</h2>
    <p>
      Something in each could not be read any more. A harmless value stands in its place; what stood there is kept here.
      Mend it on its page or take it away there, or put a backup back.
    </p>
    <ul class="stack">
      <li v-for="row in rows" :key="row.id">
        <div class="row head">
          <RouterLink :to="pageOf(row)">{{ row.name }}</RouterLink>
          <v-btn size="small" variant="text" :loading="busyWith === row.id" @click="settle(row)">It is seen to</v-btn>
        </div>
        <p v-for="{ field, was } in row.fields" :key="field" class="quiet was">
          {{ fieldWords(field) }}: <code>{{ was.slice(0, 200) || 'empty' }}</code>
        </p>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  padding: 0;
  list-style: none;
}

.was {
  overflow-wrap: anywhere;
}
</style>
