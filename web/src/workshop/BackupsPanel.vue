<script setup lang="ts">
import { api } from '@/parts/api'
import { runChange } from '@/parts/runChange'
import { useUndo } from '@/parts/undoStore'
import type { BackupView } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { counted } from '@vendange/words'
import { computed, ref, shallowRef } from 'vue'
import { backupWords } from './backupWords'

/** Dated copies of all that the workshop keeps, and back to one of them. */
const undo = useUndo()
const backups = shallowRef<readonly BackupView[]>([])
const busyWith = ref<string>()
const showsAll = ref(false)
const mostShown = 5
const shown = computed(() => (showsAll.value ? backups.value : backups.value.slice(0, mostShown)))

async function load(): Promise<void> {
  backups.value = await api(endpoints.backups.list).catch(() => backups.value)
}
void load()

async function doing<T>(what: string, work: () => Promise<T>): Promise<T | undefined> {
  busyWith.value = what
  const done = await runChange(work)
  await load()
  busyWith.value = undefined
  return done
}
async function keep(): Promise<void> {
  const kept = await doing('keep', () => api(endpoints.backups.create))
  if (kept) undo.tell(`Kept as ${kept.fileName} in the folder “backups”.`)
}
const putBackNow = (name: string) => api(endpoints.backups.restore, { params: { name } })
async function putBack({ fileName }: BackupView): Promise<void> {
  const before = await doing(fileName, () => putBackNow(fileName))
  if (before)
    undo.did(`All is as it was on ${backupWords(fileName).when}`, async () =>
      doing('undo', () => putBackNow(before.fileName)),
    )
}
</script>

<template>
  <section class="sheet stack" data-test="backups">
    <h2>Backups</h2>
    <p class="quiet">
      One is kept by itself before the tables of the database change. All of a week are kept, then one a week for a
      year. To put one back takes the whole workshop back to its moment; what stood there is kept as a backup first.
    </p>
    <div>
      <v-btn :loading="busyWith === 'keep'" data-test="keep-backup" @click="keep">Keep a backup now</v-btn>
    </div>
    <table v-if="backups.length > 0" class="figures">
      <tbody>
        <tr v-for="backup in shown" :key="backup.fileName" data-test="backup">
          <td>{{ backupWords(backup.fileName).when }}</td>
          <td class="quiet">{{ backupWords(backup.fileName).why }}</td>
          <td class="number">{{ Math.ceil(backup.bytes / 1000) }} kB</td>
          <td class="number">
            <v-btn
              size="small"
              variant="text"
              :loading="busyWith === backup.fileName"
              :disabled="busyWith !== undefined"
              :aria-label="`Put back the backup of ${backupWords(backup.fileName).when}`"
              @click="putBack(backup)"
              >Put back</v-btn
            >
          </td>
        </tr>
      </tbody>
    </table>
    <div v-if="backups.length > mostShown && !showsAll">
      <v-btn size="small" variant="text" @click="showsAll = true"
        >And {{ counted(backups.length - mostShown, 'older one') }}</v-btn
      >
    </div>
  </section>
</template>
