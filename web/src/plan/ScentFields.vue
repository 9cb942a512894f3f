<script setup lang="ts">
import { useErrorOf } from '@/parts/errorOf'
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import RemovableRow from '@/parts/RemovableRow.vue'
import { mdiPlus } from '@mdi/js'
import type { NewDesign } from '@vendange/contract'
import { blendShareRange, limitRange } from '@vendange/contract'
import { contentKeys } from '@vendange/core/fats'
import { contentWords } from '@vendange/words'
import type { ScentBehaviour } from '@vendange/core/recipe'
import { evenShares, scentBehaviours, scentLimit, scentRateRange, withOneMore, withoutOne } from '@vendange/core/recipe'
import { allergensOfText, allergenText } from '@vendange/core/release'
import { useUnread } from '@/parts/useUnread'
import { computed, ref } from 'vue'

/** The scent of a soap: bought as it is, or blended by the maker of several, each with its supplier's limit. */
const scent = defineModel<NewDesign['scent']>({ required: true })
const errorOf = useErrorOf()
const { show } = useUnits()
const contents = contentKeys.map((value) => ({ value, title: contentWords[value] }))

const behaviourWords: Readonly<Record<ScentBehaviour, string>> = {
  unknown: 'Not seen yet',
  slows: 'Slows it',
  calm: 'Leaves it alone',
  speeds: 'Speeds it',
  races: 'Makes it race',
  curdles: 'Curdles it',
}
const behaviours = scentBehaviours.map((value) => ({ value, title: behaviourWords[value] }))
const parts = computed(() => scent.value?.parts ?? [])
const limit = computed(() => (scent.value && parts.value.length > 0 ? scentLimit(scent.value) : null))

const allergensTyped = ref<string>()
const { problem: allergensProblem, report, kept } = useUnread('Allergens')
if (kept !== undefined) readAllergens(kept)
function readAllergens(text: string): void {
  allergensTyped.value = text
  const read = allergensOfText(text)
  report(read ? undefined : 'Write each with its share of the scent: “Linalool 12 %, Citral 0.5 %”.', text)
  if (read) change({ allergens: read })
}
type Scent = NonNullable<NewDesign['scent']>
type Part = NonNullable<Scent['parts']>[number]
function change(to: Partial<Scent>): void {
  if (scent.value) scent.value = { ...scent.value, ...to }
}
const setPart = (index: number, to: Partial<Part>): void =>
  change({ parts: parts.value.map((part, at) => (at === index ? { ...part, ...to } : part)) })
/** Parts of the blend with these shares, one after the other. */
function setParts(next: readonly Part[], shares: readonly number[]): void {
  change({ parts: next.map((part, at) => ({ ...part, share: shares[at] ?? 0 })) })
}
const partShares = computed(() => parts.value.map(({ share }) => share))
function addPart(): void {
  const now = scent.value
  if (!now) return
  const another = (name: string): Part => ({ name, share: 0, supplierLimit: null })
  if (parts.value.length === 0)
    setParts([{ ...another(now.name), supplierLimit: now.supplierLimit }, another('Second scent')], evenShares(2))
  else setParts([...parts.value, another(`Scent ${parts.value.length + 1}`)], withOneMore(partShares.value))
}
const removePart = (index: number): void =>
  setParts(
    parts.value.filter((_, at) => at !== index),
    withoutOne(partShares.value, index),
  )
</script>

<template>
  <fieldset>
    <legend class="eyebrow">Scent</legend>
    <v-btn v-if="scent === null" size="small" @click="scent = { name: 'Scent', rate: 0.03, supplierLimit: null }"
      >Add a scent</v-btn
    >
    <template v-else>
      <div class="fields">
        <v-text-field
          :model-value="scent.name"
          label="Name of the scent"
          :error-messages="errorOf('scent.name') ?? []"
          @update:model-value="change({ name: $event })"
        />
        <v-text-field
          class="wide"
          :model-value="allergensTyped ?? allergenText(scent.allergens ?? [])"
          label="Allergens, by the certificate"
          hint="Linalool 12 %, Citral 0.5 %: for the label"
          :error-messages="allergensProblem ?? []"
          data-test="allergens"
          @update:model-value="readAllergens"
        />
        <QuantityField
          :model-value="scent.rate"
          kind="share"
          :range="scentRateRange"
          label="Share of the fats"
          :digits="2"
          :error="errorOf('scent.rate')"
          @update:model-value="change({ rate: $event })"
        />
        <QuantityField
          v-if="parts.length === 0"
          :model-value="scent.supplierLimit"
          kind="share"
          :range="limitRange"
          optional
          label="Limit in the bar"
          :digits="2"
          :error="errorOf('scent.supplierLimit')"
          hint="From its certificate"
          @update:model-value="change({ supplierLimit: $event })"
        />
        <v-text-field
          :model-value="scent.family"
          label="Smells of"
          hint="citrus, wood, clean …"
          @update:model-value="change({ family: $event })"
        />
        <v-select
          v-if="parts.length === 0"
          :model-value="scent.behaviour ?? 'unknown'"
          :items="behaviours"
          label="What it does to batter"
          @update:model-value="change({ behaviour: $event })"
        />
        <v-select
          :model-value="scent.contains ?? []"
          :items="contents"
          label="Contains"
          multiple
          @update:model-value="change({ contains: $event })"
        />
      </div>
      <RemovableRow
        v-for="(part, index) in parts"
        :key="index"
        class="mt-3"
        :what="`${part.name} of the blend`"
        @remove="removePart(index)"
      >
        <v-text-field
          :model-value="part.name"
          :label="`Part ${index + 1} of the blend`"
          :error-messages="errorOf(`scent.parts[${index}].name`) ?? []"
          @update:model-value="setPart(index, { name: $event })"
        />
        <QuantityField
          :model-value="part.share"
          kind="share"
          :range="blendShareRange"
          label="Of the blend"
          :error="errorOf(`scent.parts[${index}].share`)"
          @update:model-value="setPart(index, { share: $event })"
        />
        <QuantityField
          :model-value="part.supplierLimit"
          kind="share"
          :range="limitRange"
          optional
          label="Limit in the bar"
          :digits="2"
          :error="errorOf(`scent.parts[${index}].supplierLimit`)"
          @update:model-value="setPart(index, { supplierLimit: $event })"
        />
        <v-select
          :model-value="part.behaviour ?? 'unknown'"
          :items="behaviours"
          label="Does to batter"
          @update:model-value="setPart(index, { behaviour: $event })"
        />
      </RemovableRow>
      <p v-if="errorOf('scent.parts')" class="must mb-2" role="alert">{{ errorOf('scent.parts') }}</p>
      <p v-if="parts.length > 0" class="quiet my-3" data-test="blend-limit">
        <template v-if="limit === null">The blend has no limit until each of its scents has one.</template>
        <template v-else
          >The strictest of them lets the blend be {{ show('share', Math.min(1, limit), 2) }} of the cured
          bar.</template
        >
      </p>
      <div class="row mt-3">
        <v-btn size="small" :prepend-icon="mdiPlus" data-test="blend-add" @click="addPart">{{
          parts.length === 0 ? 'Blend it' : 'Another scent'
        }}</v-btn>
        <v-btn size="small" variant="text" @click="scent = null">No scent</v-btn>
      </div>
    </template>
  </fieldset>
</template>
