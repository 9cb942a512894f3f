<script setup lang="ts">
import ChoiceField from '@/parts/ChoiceField.vue'
import { useErrorOf } from '@/parts/errorOf'
import { useRows } from '@/parts/useRows'
import ChoiceButtons from '@/parts/ChoiceButtons.vue'
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import { useSeason } from '@/parts/seasonStore'
import { mdiClose, mdiLock, mdiLockOpenVariantOutline, mdiPlus } from '@mdi/js'
import type { NewRecipe } from '@vendange/contract'
import { missingShare, naohForPortions, toWhole, withMass, withShare } from '@vendange/core/recipe'
import { parsePastedFats } from '@vendange/core/recipe/csv'
import { computed, ref } from 'vue'

/** The fats of a recipe, by share or by mass. What is locked stays while the others make up the sum. */
const fats = defineModel<NewRecipe['fats']>({ required: true })
const rows = useRows(fats)
/** Mass of all fats while they are stated by mass, g. */
const fatsG = defineModel<number>('fatsG', { required: true })
const errorOf = useErrorOf()
const season = useSeason()
const { show, say, whole } = useUnits()
const shareRange = { min: 0, max: 1 }
const massRange = { min: 0, max: 50_000 }

const mode = ref<'share' | 'mass'>('share')
const modes = [
  { value: 'share', words: 'Share', test: 'by-share' },
  { value: 'mass', words: 'Mass', test: 'by-mass' },
] as const
const holdsSum = ref(false)
const locked = ref<ReadonlySet<string>>(new Set())
const missing = computed(() => missingShare(fats.value))

const choices = computed(() => season.fats.map(({ key, name }) => ({ value: key, title: name })))

function setShare(index: number, share: number | null): void {
  const line = fats.value[index]
  if (share === null || !line || share === line.share) return
  if (holdsSum.value) fats.value = [...withShare(fats.value, index, share, locked.value)]
  else rows.set(index, { share })
}
function setMass(index: number, massG: number | null): void {
  if (massG === null) return
  const after = withMass(fats.value, index, massG, fatsG.value)
  fats.value = [...after.fats]
  fatsG.value = after.fatsG
}
function toggleLock(fatKey: string): void {
  const next = new Set(locked.value)
  if (!next.delete(fatKey)) next.add(fatKey)
  locked.value = next
}
function addFat(): void {
  const free = season.fats.find(({ key }) => !fats.value.some(({ fatKey }) => fatKey === key))
  if (free) rows.add({ fatKey: free.key, share: Math.max(0, missing.value), atTrace: false })
}
/** Less lye than this part of the fats is within the spread of any fat. An estimate. */
const leastTold = 0.0005
/** What swapping one fat for another, the rest kept, changes in the lye. */
const swapped = ref<string>()
function swap(index: number, fatKey: string): void {
  const line = fats.value[index]
  const [before, after] = [season.fat(line?.fatKey ?? ''), season.fat(fatKey)]
  if (!line || !before || !after || before === after) return
  swapped.value = undefined
  // A fat that stands in another line already: the two change places, and each place keeps its share.
  const there = fats.value.findIndex((other) => other.fatKey === fatKey)
  const other = fats.value[there]
  if (other) {
    fats.value = fats.value.map((one, at) =>
      at === index ? { ...other, share: line.share } : at === there ? { ...line, share: other.share } : one,
    )
    return
  }
  const naohG = (fat: typeof before): number =>
    naohForPortions([{ massG: whole.value.g * line.share, saponificationValue: fat.saponificationValue.typical }])
  const moreG = naohG(after) - naohG(before)
  rows.set(index, { fatKey })
  // A line without a share yet, or two fats alike: there is nothing to say of the lye.
  if (Math.abs(moreG) < leastTold * whole.value.g) return
  const what = `${show('mass', Math.abs(moreG))} ${moreG < 0 ? 'less' : 'more'} sodium hydroxide`
  swapped.value = `${after.name} in place of ${before.name}, the rest as it was: ${whole.value.words} of fats takes ${what} before superfat.`
}

/** A table copied from elsewhere takes the place of all fats, once every line of it can be read. */
const pasteProblems = ref<readonly string[]>([])
function paste(event: ClipboardEvent): void {
  const text = event.clipboardData?.getData('text/plain') ?? ''
  if (!text.trim().includes('\n')) return
  event.preventDefault()
  const read = parsePastedFats(text, season.fats)
  pasteProblems.value = read.ok ? [] : read.problems.map(say)
  if (read.ok) fats.value = read.fats.map((line) => ({ ...line, atTrace: false }))
}
const nameOf = (fatKey: string): string => season.fat(fatKey)?.name ?? 'this fat'
</script>

<template>
  <fieldset @paste.capture="paste">
    <div class="row head">
      <legend class="eyebrow">Fats by {{ mode }}</legend>
      <ChoiceButtons v-model="mode" :choices="modes" label="Fats by" />
    </div>
    <div v-for="(line, index) in fats" :key="index" class="fat" data-test="fat-line">
      <ChoiceField
        :model-value="line.fatKey"
        :items="choices"
        :label="`Fat ${index + 1}`"
        :error="errorOf(`fats[${index}].fatKey`)"
        @update:model-value="swap(index, $event)"
      />
      <QuantityField
        v-if="mode === 'share'"
        :model-value="line.share"
        kind="share"
        :range="shareRange"
        :label="`Share ${index + 1}`"
        :error="errorOf(`fats[${index}].share`)"
        @update:model-value="setShare(index, $event)"
      />
      <QuantityField
        v-else
        :model-value="line.share * fatsG"
        kind="mass"
        :range="massRange"
        :label="`Mass ${index + 1}`"
        :error="errorOf(`fats[${index}].share`)"
        @update:model-value="setMass(index, $event)"
      />
      <v-btn
        class="trace"
        size="small"
        :variant="line.atTrace ? 'flat' : 'text'"
        :color="line.atTrace ? 'primary' : undefined"
        :aria-pressed="line.atTrace"
        :aria-label="`${nameOf(line.fatKey)} stirred in at trace`"
        title="Not melted with the others but stirred in at trace; it takes its lye all the same"
        @click="rows.set(index, { atTrace: !line.atTrace })"
        >trace</v-btn
      >
      <v-btn
        :icon="locked.has(line.fatKey) ? mdiLock : mdiLockOpenVariantOutline"
        size="small"
        variant="text"
        :aria-pressed="locked.has(line.fatKey)"
        :aria-label="`Lock ${nameOf(line.fatKey)}`"
        @click="toggleLock(line.fatKey)"
      />
      <v-btn
        :icon="mdiClose"
        size="small"
        variant="text"
        :aria-label="`Take fat ${index + 1} away`"
        @click="rows.remove(index)"
      />
    </div>
    <p v-if="swapped" class="quiet mb-2" role="status" data-test="swapped">{{ swapped }}</p>
    <div v-if="pasteProblems.length > 0" class="must mb-2" role="alert">
      Nothing of the pasted table was taken.
      <p v-for="problem in pasteProblems" :key="problem">{{ problem }}</p>
    </div>
    <div class="row">
      <v-btn size="small" :prepend-icon="mdiPlus" data-test="add-fat" @click="addFat">Fat</v-btn>
      <v-btn v-if="missing !== 0" size="small" data-test="to-whole" @click="fats = [...toWhole(fats, locked)]"
        >Bring to 100 %</v-btn
      >
      <span v-if="missing !== 0" class="must">{{
        missing > 0 ? `${show('share', missing)} missing` : `${show('share', -missing)} too much`
      }}</span>
      <span v-else class="quiet">100 %</span>
      <span class="grow" />
      <v-checkbox
        v-model="holdsSum"
        density="compact"
        label="Others make room"
        title="When a share changes, those that are not locked give or take the difference"
        hide-details
        data-test="holds-sum"
      />
    </div>
  </fieldset>
</template>

<style scoped>
.head {
  margin-bottom: 12px;
}

.fat {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 96px auto auto auto;
  gap: 0 6px;
  align-items: center;
  margin-bottom: 10px;
}

@media (max-width: 1199px) {
  .fat {
    grid-template-columns: minmax(0, 1fr) auto auto auto;
    gap: 6px;
    margin-bottom: 18px;
  }

  .fat > :first-child {
    grid-column: 1 / -1;
  }
}

.trace {
  min-width: 0;
  padding: 0 8px;
}

.grow {
  flex: 1;
}
</style>
