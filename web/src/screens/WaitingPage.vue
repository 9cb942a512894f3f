<script setup lang="ts">
import { momentWords } from '@/parts/momentWords'
import { ofKind } from '@/parts/outbox/kept'
import { useOutbox } from '@/parts/outbox/outbox'
import { useOwnScreen } from '@/parts/ownScreen'
import PageHeadline from '@/parts/PageHeadline.vue'
import { useSeason } from '@/parts/seasonStore'
import { counted } from '@vendange/words'
import { computed } from 'vue'
import ToSettle from './ToSettle.vue'

/** What was done on this device and the workshop does not have yet: what waits, since when, and what was not taken. */
const outbox = useOutbox()
const season = useSeason()
const screen = useOwnScreen()

const here = computed(() => screen.own?.name ?? 'this computer')
const nameOf = (makerId: string | undefined): string => season.makers.find(({ id }) => id === makerId)?.name ?? ''
const sentence = computed(() => {
  const { waiting, settle } = outbox
  if (waiting.length + settle.length === 0) return `Nothing waits on ${here.value}: the workshop has all that was done.`
  const [oldest] = waiting
  const waits = oldest
    ? `${counted(waiting.length, 'thing waits', 'things wait')} on ${here.value} since ${momentWords(oldest.takenAtMs)}.`
    : ''
  const open =
    settle.length > 0 ? `${counted(settle.length, 'thing was', 'things were')} not taken and want settling.` : ''
  return `${waits} ${open}`.trim()
})
</script>

<template>
  <PageHeadline>{{ sentence }}</PageHeadline>
  <div class="stack">
    <p v-if="outbox.waiting.length > 0" class="quiet">
      {{
        outbox.hindrance === undefined
          ? 'It is on its way, each thing once and in the order it was done.'
          : `Not sent yet: ${outbox.hindrance}. It is tried again every two seconds, each thing once and in the order it was done.`
      }}
    </p>
    <ToSettle v-if="outbox.settle.length > 0" :things="outbox.settle" />
    <section v-if="outbox.waiting.length > 0" class="sheet">
      <h2>Waits on this device</h2>
      <table class="figures">
        <thead>
          <tr>
            <th>What was done</th>
            <th>When</th>
            <th>By</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in outbox.waiting" :key="one.order" data-test="waits">
            <td>{{ one.told }}</td>
            <td>{{ momentWords(one.takenAtMs) }}</td>
            <td>{{ nameOf(one.makerId) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="ofKind(outbox.waiting, 'sale').length > 0" class="mt-3">
        <RouterLink class="alone" to="/stall">Sales can be taken back at the stall</RouterLink>
      </p>
    </section>
  </div>
</template>
