<script setup lang="ts">
import { standsSince } from '@/parts/reach'
import { useSeason } from '@/parts/seasonStore'
import { useOffline } from './useOffline'

/** What a page should know of the workshop behind it: not reached, newer, in trouble. */
defineProps<{
  /** The bench tells by itself what waits, and is left alone by new versions. */
  readonly isBench: boolean
}>()
const season = useSeason()
const { waiting: newVersion, takeOver } = useOffline()
const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' })
const timeOf = (moment: string): string => (moment === '' ? 'before' : `at ${clock.format(new Date(moment))}`)
</script>

<template>
  <p v-if="standsSince !== undefined && !isBench" class="trouble" role="status" data-test="not-reached">
    The workshop is not reached. This is as it stood {{ timeOf(standsSince) }}; what is done at the bench waits here.
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
