<script setup lang="ts">
import FileButton from '@/parts/FileButton.vue'
import { saveFile } from '@/parts/saveFile'
import type { NewDesign, PourPlanFile } from '@vendange/contract'
import { pourPlanFormat, readPourPlan } from '@vendange/contract'
import { computed, ref } from 'vue'
import type { InsideDrawing } from './insideDrawing'
import { useUnits } from '@/parts/format'

/** The picture and the plan as files, and a plan from a file. */
const soap = defineModel<NewDesign>({ required: true })
const props = defineProps<{ picture: InsideDrawing | undefined }>()
const { say } = useUnits()

const fileName = computed(() => `${(soap.value.name || 'soap').toLowerCase().replace(/[^a-z0-9]+/g, '-')}-inside`)
async function savePng(): Promise<void> {
  const blob = await props.picture?.png()
  if (blob) saveFile(`${fileName.value}.png`, 'image/png', blob)
}
async function saveSvg(): Promise<void> {
  const svg = await props.picture?.svg(`The inside of ${soap.value.name}`)
  if (svg) saveFile(`${fileName.value}.svg`, 'image/svg+xml', svg)
}
function savePlan(): void {
  const { name, pourPlan, face, colours } = soap.value
  const file: PourPlanFile = {
    format: pourPlanFormat,
    version: 1,
    name,
    moves: pourPlan,
    face,
    pots: colours.map((pot) => ({ name: pot.name, hex: pot.hex })),
  }
  saveFile(`${fileName.value}.json`, 'application/json', JSON.stringify(file, null, 2))
}
const problem = ref<string>()
async function takeFile(file: File): Promise<void> {
  const read = readPourPlan(await file.text())
  const has = soap.value.colours.length
  problem.value = !read.ok
    ? say(read.problem)
    : read.plan.pots.length > has
      ? `That plan is for ${read.plan.pots.length} pots; ${soap.value.name} has ${has}.`
      : undefined
  if (read.ok && problem.value === undefined)
    soap.value = { ...soap.value, pourPlan: read.plan.moves, face: read.plan.face }
}
</script>

<template>
  <v-btn size="small" variant="text" data-test="save-png" @click="savePng">PNG</v-btn>
  <v-btn size="small" variant="text" data-test="save-svg" @click="saveSvg">SVG</v-btn>
  <v-btn size="small" variant="text" data-test="save-plan" @click="savePlan">Plan as a file</v-btn>
  <FileButton
    label="Plan from a file"
    accept=".json,application/json"
    test="plan-file"
    variant="text"
    @file="takeFile"
  />
  <p v-if="problem" class="must problem" role="alert">{{ problem }}</p>
</template>

<style scoped>
.problem {
  flex-basis: 100%;
}
</style>
