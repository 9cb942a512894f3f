<script setup lang="ts">
import { plainCopy } from '@/parts/plainCopy'
import { runChange } from '@/parts/runChange'
import { api } from '@/parts/api'
import FileButton from '@/parts/FileButton.vue'
import { saveFile } from '@/parts/saveFile'
import type { StoresFileReader } from '@/workers/storesFile.worker'
import { mdiDownload } from '@mdi/js'
import { endpoints } from '@vendange/contract'
import type { StoresChange, StoresRow } from '@vendange/core/stores'
import { storesChanges } from '@vendange/core/stores'
import type { StoresFile } from '@vendange/core/stores/csv'
import { wrap } from 'comlink'
import { useKeptFields } from '@/parts/useKeptFields'
import { computed, ref } from 'vue'
import { useStores } from './storesStore'
import { useAmounts } from './useAmounts'
import { useUnits } from '@/parts/format'
const { say } = useUnits()

/** The stores as a table for other programs: out, and in with a look at what would change. */
const stores = useStores()
const amount = useAmounts()
const pasted = ref('')
const read = ref<StoresFile>()
const isReading = ref(false)
useKeptFields('stores-file', { pasted })

const effectWords: Readonly<Record<StoresChange['effect'], string>> = {
  new_ingredient: 'new ingredient',
  new_lot: 'new lot',
  lot_changed: 'lot changed',
  lead_changed: 'days on the way changed',
  nothing: 'known already',
}
const changes = computed(() =>
  read.value && stores.view ? storesChanges(read.value.rows, stores.view.ingredients, stores.view.lots) : [],
)
const effective = computed(() => changes.value.filter(({ effect }) => effect !== 'nothing'))
const shownChanges = computed(() => effective.value.slice(0, 40))

async function look(text: string): Promise<void> {
  isReading.value = true
  const worker = new Worker(new URL('../workers/storesFile.worker.ts', import.meta.url), { type: 'module' })
  try {
    read.value = await wrap<StoresFileReader>(worker).read(text)
  } finally {
    worker.terminate()
    isReading.value = false
  }
}

async function choose(file: File): Promise<void> {
  await look(await file.text())
}

async function takeIn(): Promise<void> {
  const rows = plainCopy(effective.value.map(({ row }) => row))
  const taken = await runChange(() => api(endpoints.takeStoresIn, { body: { rows: rows as never } }))
  if (!taken) return
  read.value = undefined
  pasted.value = ''
}

async function save(): Promise<void> {
  const { writeStoresCsv } = await import('@vendange/core/stores/csv')
  const rows = (stores.view?.ingredients ?? []).flatMap((one): StoresRow[] => {
    const { kind, name, ref: ref_, leadDays } = one
    const lots = stores.lotsOf(one.id)
    return lots.length === 0
      ? [{ kind, name, ref: ref_, leadDays, lot: null }]
      : lots.map((lot) => ({ kind, name, ref: ref_, leadDays, lot }))
  })
  saveFile('stores.csv', 'text/csv', writeStoresCsv(rows))
}
</script>

<template>
  <section class="sheet stack" data-test="stores-file">
    <div class="row head">
      <h2>As a table</h2>
      <div class="row">
        <v-btn size="small" :prepend-icon="mdiDownload" data-test="save-stores" @click="save">Save as CSV</v-btn>
        <FileButton
          label="Look at a file"
          accept=".csv,text/csv,text/plain"
          test="stores-file"
          :loading="isReading"
          @file="choose"
        />
      </div>
    </div>
    <div class="row paste">
      <v-textarea
        v-model="pasted"
        rows="2"
        label="Or paste a table here"
        hint="With a first line that names the columns: kind, name, supplier, lot, received, best before, amount, left, price, lead days"
        persistent-hint
      />
      <v-btn size="small" :disabled="pasted.trim() === ''" data-test="look-pasted" @click="look(pasted)"
        >Look at it</v-btn
      >
    </div>
    <template v-if="read">
      <ul v-if="read.problems.length > 0" class="problems" role="alert">
        <li v-for="problem in read.problems" :key="problem.line" class="must">
          Line {{ problem.line }}: {{ say(problem.problem) }}
        </li>
      </ul>
      <table v-if="shownChanges.length > 0" class="figures" data-test="stores-changes">
        <thead>
          <tr>
            <th>What</th>
            <th>Lot</th>
            <th class="number">Came</th>
            <th class="number">Left</th>
            <th>Would be</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(change, index) in shownChanges" :key="index">
            <td>{{ change.row.name }}</td>
            <td>{{ change.row.lot?.lotNumber }}</td>
            <td class="number">{{ change.row.lot ? amount(change.row.kind, change.row.lot.receivedAmount) : '' }}</td>
            <td class="number">
              {{
                change.row.lot
                  ? amount(change.row.kind, change.row.lot.leftAmount ?? change.row.lot.receivedAmount)
                  : ''
              }}
            </td>
            <td class="brass">{{ effectWords[change.effect] }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="effective.length > shownChanges.length" class="quiet">
        and {{ effective.length - shownChanges.length }} more
      </p>
      <p v-if="read.problems.length > 0">Nothing is taken in until every line can be read.</p>
      <p v-else-if="effective.length === 0">This changes nothing: the stores say the same.</p>
      <div class="row">
        <v-btn
          color="primary"
          variant="flat"
          :disabled="read.problems.length > 0 || effective.length === 0"
          data-test="take-stores"
          @click="takeIn"
          >Take {{ effective.length }} in</v-btn
        >
        <v-btn variant="text" @click="read = undefined">Leave it</v-btn>
      </div>
    </template>
  </section>
</template>

<style scoped>
.paste {
  flex-wrap: nowrap;
  align-items: flex-start;
}

.problems {
  padding-left: 18px;
}
</style>
