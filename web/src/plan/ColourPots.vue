<script setup lang="ts">
import QuantityField from '@/parts/QuantityField.vue'
import { mdiClose, mdiPlus } from '@mdi/js'
import type { NewCollection, NewDesign } from '@vendange/contract'
import { remainingShare } from '@vendange/core/batch'
import { colourantRateRange } from '@vendange/core/recipe'

const props = defineProps<{ errorOf: (path: string) => string | undefined; palette: NewCollection['palette'] }>()
const colours = defineModel<NewDesign['colours']>({ required: true })
const shareRange = { min: 0.005, max: 1 }

function add(): void {
  const next = props.palette[colours.value.length % Math.max(1, props.palette.length)]
  colours.value.push({
    name: next?.name ?? `pot ${colours.value.length + 1}`,
    hex: next?.hex ?? '#E9E2D4',
    share: remainingShare(colours.value),
    rateGPerKg: 0,
  })
}
</script>

<template>
  <div v-for="(colour, index) in colours" :key="index" class="pot">
    <input v-model="colour.hex" type="color" :aria-label="`Colour of pot ${index + 1}`" />
    <v-text-field
      v-model="colour.name"
      :label="`Pot ${index + 1}`"
      :error-messages="errorOf(`colours[${index}].name`) ?? []"
    />
    <QuantityField
      v-model="colour.share"
      kind="share"
      :range="shareRange"
      label="Share"
      :error="errorOf(`colours[${index}].share`)"
    />
    <QuantityField
      v-model="colour.rateGPerKg"
      kind="number"
      :range="colourantRateRange"
      label="Colourant, g/kg"
      :error="errorOf(`colours[${index}].rateGPerKg`)"
    />
    <v-btn
      :icon="mdiClose"
      size="small"
      variant="text"
      :aria-label="`Take pot ${colour.name} away`"
      @click="colours.splice(index, 1)"
    />
  </div>
  <p v-if="errorOf('colours')" class="must mb-2" role="alert">{{ errorOf('colours') }}</p>
  <v-btn size="small" :prepend-icon="mdiPlus" data-test="add-pot" @click="add">Pot</v-btn>
</template>

<style scoped>
.pot {
  display: grid;
  grid-template-columns: 42px minmax(90px, 1fr) 80px 136px 36px;
  gap: 8px;
  align-items: start;
  margin-bottom: 10px;
}

input[type='color'] {
  width: 42px;
  height: 40px;
  padding: 2px;
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 4px;
  background: none;
}
</style>
