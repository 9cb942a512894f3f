<script setup lang="ts">
import type { LoafSummary } from '@vendange/contract'
import { useKeptFields } from './useKeptFields'
import { ref, watchEffect } from 'vue'
import { useRouter } from 'vue-router'
import { useOwnScreen } from './ownScreen'
import { useLoafEvents } from './recordLoafEvent'
import { useSeason } from './seasonStore'

/** A loaf failed: put on its record with the reason, and the season planned anew with the fewest changes. */
const props = defineProps<{
  /** The loaves it may be: those not released yet. */
  loaves: readonly LoafSummary[]
}>()
const season = useSeason()
const { mayRecord } = useOwnScreen()
const router = useRouter()
const { record, errors, trouble, isSending } = useLoafEvents()

const isOpen = ref(false)
const loafId = ref('')
const reason = ref('')
watchEffect(() => {
  if (!props.loaves.some(({ id }) => id === loafId.value)) loafId.value = props.loaves[0]?.id ?? ''
})

const kept = useKeptFields(`failed:${props.loaves.map(({ id }) => id).join()}`, { isOpen, reason })
async function fail(): Promise<void> {
  const loaf = props.loaves.find(({ id }) => id === loafId.value)
  if (!loaf || !(await record(loaf, { type: 'failed', day: season.today, reason: reason.value }))) return
  kept.sent()
  await router.push('/plan?mend')
}
</script>

<template>
  <div v-if="loaves.length > 0 && mayRecord('failed')" class="failed">
    <v-btn v-if="!isOpen" size="small" variant="text" data-test="loaf-failed" @click="isOpen = true"
      >A loaf failed</v-btn
    >
    <form v-else class="stack" @submit.prevent="fail">
      <v-select
        v-if="loaves.length > 1"
        v-model="loafId"
        :items="loaves"
        item-value="id"
        :item-title="(loaf: LoafSummary) => `${loaf.name}, ${loaf.lotCode}`"
        label="Which loaf"
      />
      <v-text-field
        v-model="reason"
        label="What went wrong"
        data-test="fail-reason"
        :error-messages="errors['reason'] ?? []"
      />
      <p v-if="trouble && !errors['reason']" class="must" role="alert">{{ trouble }}</p>
      <div class="row">
        <v-btn type="submit" size="small" color="primary" variant="flat" :loading="isSending" data-test="fail-it"
          >Record it and plan anew</v-btn
        >
        <v-btn size="small" variant="text" @click="isOpen = false">Cancel</v-btn>
      </div>
    </form>
  </div>
</template>

<style scoped>
form {
  min-width: 240px;
  text-align: left;
}
</style>
