<script setup lang="ts">
import { useOwnScreen } from '@/parts/ownScreen'
import { useLoafEvents } from '@/parts/recordLoafEvent'
import { useSeason } from '@/parts/seasonStore'
import type { LoafSummary } from '@vendange/contract'
import type { FaultKey } from '@vendange/core/cutting'
import { faultKeys } from '@vendange/core/cutting'
import { faultWords } from '@vendange/words'
import { useKeptFields } from '@/parts/useKeptFields'
import { computed, ref } from 'vue'

/** What the cut shows that was not meant, why, and what helps. */
const props = defineProps<{ loaf: LoafSummary }>()
const season = useSeason()
const { mayRecord } = useOwnScreen()
const { record, errors, trouble, isSending } = useLoafEvents()
const fault = ref<FaultKey | null>(null)
const text = ref('')
const choices = faultKeys.map((value) => ({ value, title: faultWords[value].name }))
const open = computed(() => props.loaf.state.openFaults)
const closing = ref<Record<string, string>>({})
const kept = useKeptFields(`fault:${props.loaf.id}`, { fault, text, closing })
async function find(): Promise<void> {
  if (!fault.value) return
  const event = { type: 'fault_found', day: season.today, fault: fault.value, text: text.value } as const
  if (!(await record(props.loaf, event))) return
  fault.value = null
  text.value = ''
  kept.sent()
}
async function close(key: FaultKey): Promise<void> {
  const event = { type: 'fault_closed', day: season.today, fault: key, text: closing.value[key] ?? '' } as const
  if (!(await record(props.loaf, event))) return
  closing.value = Object.fromEntries(Object.entries(closing.value).filter(([other]) => other !== key))
  kept.sent()
}
</script>

<template>
  <section class="sheet stack">
    <h2>Faults</h2>
    <div v-for="key in open" :key="key" class="fault" data-test="open-fault">
      <p>
        <b>{{ faultWords[key].name }}.</b> {{ faultWords[key].cause }}
        <span class="quiet">{{ faultWords[key].remedy }}</span>
      </p>
      <form v-if="mayRecord('fault_closed')" class="row" @submit.prevent="close(key)">
        <v-text-field v-model="closing[key]" label="What was done about it" />
        <v-btn type="submit" :disabled="(closing[key] ?? '').trim() === ''" data-test="close-fault">Close it</v-btn>
      </form>
    </div>
    <form class="row" @submit.prevent="find">
      <v-select v-model="fault" :items="choices" label="Fault" clearable data-test="fault" />
      <v-text-field v-model="text" label="Where, how bad" :error-messages="errors['text'] ?? []" />
      <v-btn type="submit" :disabled="fault === null" :loading="isSending" data-test="find-fault">Write it down</v-btn>
    </form>
    <p v-if="fault" class="quiet">Likely: {{ faultWords[fault].cause }} What helps: {{ faultWords[fault].remedy }}</p>
    <p v-if="trouble" class="must" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.fault {
  padding-left: 12px;
  border-left: 3px solid rgb(var(--v-theme-must));
}
</style>
