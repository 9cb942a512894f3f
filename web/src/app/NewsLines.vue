<script setup lang="ts">
import { useOutbox } from '@/parts/outbox/outbox'
import { standsSince } from '@/parts/reach'
import { useSeason } from '@/parts/seasonStore'
import { counted } from '@vendange/words'
import { computed } from 'vue'
import { useOffline } from './useOffline'

/** What a page should know of the workshop behind it: not reached, newer, in trouble. */
defineProps<{
  /** The bench tells by itself what waits, and is left alone by new versions. */
  readonly isBench: boolean
}>()
const season = useSeason()
const outbox = useOutbox()
/** What is on its way is no news before it is held up. */
const waits = computed(() =>
  [
    outbox.hindrance !== undefined && outbox.waiting.length > 0
      ? `${counted(outbox.waiting.length, 'thing waits', 'things wait')} on this device.`
      : '',
    outbox.settle.length > 0
      ? `${counted(outbox.settle.length, 'thing that was', 'things that were')} done on this device the workshop did not take.`
      : '',
  ]
    .join(' ')
    .trim(),
)
const { waiting: newVersion, takeOver } = useOffline()
const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' })
const timeOf = (moment: string): string => (moment === '' ? 'before' : `at ${clock.format(new Date(moment))}`)
</script>

<template>
  <p v-if="standsSince !== undefined && !isBench" class="trouble" role="status" data-test="not-reached">
    The workshop is not reached. This is as it stood {{ timeOf(standsSince) }}; what is done meanwhile waits on this
    device.
  </p>
  <p v-if="waits !== '' && !isBench" class="trouble" role="status" data-test="waits-here">
    {{ waits }} <RouterLink to="/waiting">See what</RouterLink>
  </p>
  <p v-if="newVersion && !isBench" class="trouble" role="status">
    A new version of Vendange is here. <v-btn size="small" @click="takeOver">Take it now</v-btn>
  </p>
  <p v-if="season.trouble" class="trouble" role="alert">
    {{ season.trouble }} <v-btn size="small" @click="season.load">Try again</v-btn>
  </p>
</template>

<style scoped>
.trouble {
  margin: 16px;
  padding: 12px 18px;
  border-left: 3px solid rgb(var(--v-theme-must));
  background: rgb(var(--v-theme-surface));
}
</style>
