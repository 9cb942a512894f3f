<script setup lang="ts">
import DateField from '@/parts/DateField.vue'
import { useErrorOf } from '@/parts/errorOf'
import { changing, fieldOf, useRows } from '@/parts/useRows'
import PictureColours from '@/parts/PictureColours.vue'
import QuantityField from '@/parts/QuantityField.vue'
import SaveState from '@/parts/SaveState.vue'
import { useSeason } from '@/parts/seasonStore'
import type { SaveStatus } from '@/parts/useSavedForm'
import { mdiClose, mdiPlus } from '@mdi/js'
import type { NewOrder } from '@vendange/contract'
import { barsRange, centsRange, labelMassRange, leadDaysRange, priceRange } from '@vendange/contract'
import { nearestColour } from '@vendange/core/plan'
import { isOut } from '@vendange/core/season'
import { scentRateRange } from '@vendange/core/recipe'
import { computed } from 'vue'

/** What a client wants, as it is written down while they are on the phone. */
const values = defineModel<NewOrder>({ required: true })
const change = changing(values)
const setScent = (to: Partial<NonNullable<NewOrder['scent']>>): void => {
  if (values.value.scent) change({ scent: { ...values.value.scent, ...to } })
}
const colours = useRows(fieldOf(values, 'colours'))
const errorOf = useErrorOf()
defineProps<{
  status: SaveStatus
  errors: Readonly<Record<string, string>>
}>()
defineEmits<{ remove: [] }>()
const season = useSeason()

/** The colour the workshop has made already that comes nearest, when it comes near. */
const known = computed(() => {
  const out = new Set(season.collections.flatMap((one) => (isOut(one) ? [one.id] : [])))
  const poured = new Set([
    ...season.loaves.map(({ designId }) => designId),
    ...season.batches.flatMap(({ designId, status }) => (status === 'poured' ? [designId] : [])),
  ])
  return season.designs
    .filter(({ id, collectionId }) => poured.has(id) || out.has(collectionId))
    .flatMap(({ colours }) => colours)
})
function nearest(hex: string): string {
  const found = /^#[0-9a-f]{6}$/i.test(hex) ? nearestColour(hex, known.value) : undefined
  return found ? `Nearest made so far: ${found.colour.name}, ${found.difference.toFixed(0)} away (ΔE)` : ''
}
function addColour(hex: string): void {
  colours.add({ name: `colour ${values.value.colours.length + 1}`, hex, rateGPerKg: 8 })
}
</script>

<template>
  <section class="sheet stack no-print">
    <div class="row head">
      <h2>The order</h2>
      <SaveState :status="status" :errors="errors" />
    </div>
    <div class="fields">
      <v-text-field
        :model-value="values.client"
        label="Client"
        :error-messages="errorOf('client') ?? []"
        @update:model-value="change({ client: $event })"
      />
      <v-text-field
        :model-value="values.contact"
        label="Contact"
        :error-messages="errorOf('contact') ?? []"
        @update:model-value="change({ contact: $event })"
      />
      <QuantityField
        :model-value="values.bars"
        kind="count"
        :range="barsRange"
        label="Bars"
        :error="errorOf('bars')"
        @update:model-value="change({ bars: $event })"
      />
      <QuantityField
        :model-value="values.labelMassG"
        kind="mass"
        :range="labelMassRange"
        label="Mass on the label"
        :error="errorOf('labelMassG')"
        @update:model-value="change({ labelMassG: $event })"
      />
      <DateField
        :model-value="values.dueDay"
        label="Due"
        :error="errorOf('dueDay')"
        @update:model-value="change({ dueDay: $event })"
      />
      <DateField
        v-if="values.promisedDay !== null"
        :model-value="values.promisedDay"
        label="Promised for"
        :error="errorOf('promisedDay')"
        @update:model-value="change({ promisedDay: $event })"
      />
      <QuantityField
        v-if="values.collectionId !== null"
        :model-value="values.priceCents"
        kind="money"
        :range="priceRange"
        optional
        label="Price"
        :error="errorOf('priceCents')"
        @update:model-value="change({ priceCents: $event })"
      />
      <v-select
        :model-value="values.recipeId"
        :items="season.recipes"
        item-title="name"
        item-value="id"
        label="Recipe"
        :error-messages="errorOf('recipeId') ?? []"
        @update:model-value="change({ recipeId: $event })"
      />
      <v-text-field
        :model-value="values.packing"
        class="wide"
        label="Packing"
        :error-messages="errorOf('packing') ?? []"
        @update:model-value="change({ packing: $event })"
      />
      <QuantityField
        :model-value="values.stampLeadDays"
        kind="days"
        :range="leadDaysRange"
        optional
        label="Stamp there in"
        hint="Days; empty: no stamp"
        :error="errorOf('stampLeadDays')"
        @update:model-value="change({ stampLeadDays: $event })"
      />
      <QuantityField
        :model-value="values.depositCents"
        kind="money"
        :range="centsRange"
        label="Deposit paid"
        :error="errorOf('depositCents')"
        @update:model-value="change({ depositCents: $event })"
      />
      <v-checkbox
        :model-value="values.bevelled"
        label="Bevelled edges"
        @update:model-value="change({ bevelled: $event === true })"
      />
    </div>
    <v-textarea
      :model-value="values.notes"
      label="Notes"
      :error-messages="errorOf('notes') ?? []"
      @update:model-value="change({ notes: $event })"
    />
    <fieldset>
      <legend class="eyebrow">Scent</legend>
      <v-btn v-if="values.scent === null" size="small" @click="values.scent = { name: 'Scent', rate: 0.03 }"
        >Add a scent</v-btn
      >
      <div v-else class="fields">
        <v-text-field
          :model-value="values.scent.name"
          label="Name of the scent"
          :error-messages="errorOf('scent.name') ?? []"
          @update:model-value="setScent({ name: $event })"
        />
        <QuantityField
          :model-value="values.scent.rate"
          kind="share"
          :range="scentRateRange"
          label="Share of the fats"
          :digits="2"
          :error="errorOf('scent.rate')"
          @update:model-value="setScent({ rate: $event })"
        />
        <v-btn size="small" variant="text" @click="values.scent = null">No scent</v-btn>
      </div>
    </fieldset>
    <fieldset>
      <legend class="eyebrow">Colours to match</legend>
      <div v-for="(colour, index) in values.colours" :key="index" class="row swatch">
        <input
          :value="colour.hex"
          type="color"
          :aria-label="`Colour ${index + 1}`"
          @input="colours.set(index, { hex: ($event.target as HTMLInputElement).value })"
        />
        <v-text-field
          :model-value="colour.name"
          :label="`Name of colour ${index + 1}`"
          :hint="nearest(colour.hex)"
          persistent-hint
          :error-messages="errorOf(`colours[${index}].name`) ?? []"
          @update:model-value="colours.set(index, { name: $event })"
        />
        <v-btn
          :icon="mdiClose"
          size="small"
          variant="text"
          :aria-label="`Take ${colour.name} away`"
          @click="colours.remove(index)"
        />
      </div>
      <div class="row">
        <v-btn size="small" :prepend-icon="mdiPlus" @click="addColour('#9A7224')">Colour</v-btn>
      </div>
      <PictureColours class="mt-3" @pick="addColour" />
    </fieldset>
    <div class="row">
      <v-btn size="small" variant="text" color="error" @click="$emit('remove')">Take the order away</v-btn>
    </div>
  </section>
</template>
