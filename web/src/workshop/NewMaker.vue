<script setup lang="ts">
import { api } from '@/parts/api'
import { runChange } from '@/parts/runChange'
import { useSeason } from '@/parts/seasonStore'
import { useKeptFields } from '@/parts/useKeptFields'
import { blankMaker, endpoints } from '@vendange/contract'
import { ref } from 'vue'

/** Somebody who works here from now on. */
const season = useSeason()
const name = ref('')
const kept = useKeptFields('new-maker', { name })
async function add(): Promise<void> {
  if (name.value.trim() === '') return
  const maker = await runChange(() =>
    api(endpoints.makers.create, { body: { ...blankMaker, name: name.value.trim() } }),
  )
  if (!maker) return
  name.value = ''
  kept.sent()
  if (season.makers.length === 1) season.chooseMaker(maker.id)
}
</script>

<template>
  <form class="row" @submit.prevent="add">
    <v-text-field v-model="name" label="Name of a maker" maxlength="80" />
    <v-btn type="submit" data-test="add-maker">Add</v-btn>
  </form>
</template>
