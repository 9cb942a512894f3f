<script setup lang="ts">
import { useErrorOf } from '@/parts/errorOf'
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import { useRows } from '@/parts/useRows'
import { mdiClose, mdiPlus } from '@mdi/js'
import type { NewCollection, NewDesign } from '@vendange/contract'
import { potAmountRange, potShareRange, scentPartRange } from '@vendange/contract'
import type { PortionKind, WeighedPot } from '@vendange/core/batch'
import { evenPots, potG, withoutPot, withPot } from '@vendange/core/batch'
import { colourantRateRange, wettingRatioRange } from '@vendange/core/recipe'
import { levelTeaspoonG } from '@vendange/core/units'
import { computed } from 'vue'

const errorOf = useErrorOf()
const props = defineProps<{
  palette: NewCollection['palette']
  /** What the pots come to, while that is known. */
  pots: readonly WeighedPot[] | undefined
}>()
const colours = defineModel<NewDesign['colours']>({ required: true })
const { reading, show, fineMass } = useUnits()
/** Who measures by the spoon is told what a spoon is taken for. */
const teaspoonHint = computed(() =>
  reading.value.massUnit === 'oz' ? { hint: `tsp/lb: ${fineMass(levelTeaspoonG)} a teaspoon (estimate)` } : {},
)
type Colour = NewDesign['colours'][number]

const portions: readonly { value: PortionKind; title: string }[] = [
  { value: 'share', title: 'Share' },
  { value: 'mass', title: 'Mass' },
  { value: 'volume', title: 'Volume' },
  { value: 'rest', title: 'The rest' },
]
const wettings = [
  { value: null, title: 'As it is' },
  { value: 'water', title: 'In water' },
  { value: 'fat', title: 'In fat' },
] as const

const { set: change } = useRows(colours)
function add(): void {
  const next = props.palette[colours.value.length % Math.max(1, props.palette.length)]
  const named = { name: next?.name ?? `pot ${colours.value.length + 1}`, hex: next?.hex ?? '#E9E2D4' }
  colours.value = [...withPot<Colour>(colours.value, { ...named, share: 0, rateGPerKg: 0 })]
}

/** States a pot otherwise, by what it comes to now, so that its size stays. */
function stateBy(index: number, portion: PortionKind): void {
  const pot = props.pots?.[index]
  if (portion === 'mass') change(index, { portion, amount: pot ? Math.round(potG(pot)) : 100 })
  else if (portion === 'volume') change(index, { portion, amount: pot?.batterMl ?? 100 })
  else change(index, { portion })
}

function wet(index: number, how: 'water' | 'fat' | null): void {
  const ratio = colours.value[index]?.wetting?.ratio ?? 2
  change(index, { wetting: how === null ? null : { with: how, ratio } })
}

/** What a pot comes to, in a line. */
function comesTo(pot: WeighedPot): string {
  const mark = pot.batterMl === undefined ? '' : ` to the ${show('volume', pot.batterMl)} mark`
  const wetting = pot.wetting ? ` in ${fineMass(pot.wetting.massG)} of ${pot.wetting.with}` : ''
  const colourant = pot.colourantG > 0 ? `, ${fineMass(pot.colourantG)} of colourant${wetting}` : ''
  const { scentG = 0 } = pot
  const scent = scentG > 0 ? `, ${fineMass(scentG)} of scent` : ''
  return `${show('mass', pot.batterG)} of batter${mark}${colourant}${scent}`
}
</script>

<template>
  <div v-for="(colour, index) in colours" :key="index" class="pot" data-test="pot">
    <input
      :value="colour.hex"
      type="color"
      :aria-label="`Colour of pot ${index + 1}`"
      @input="change(index, { hex: ($event.target as HTMLInputElement).value })"
    />
    <div class="parts">
      <v-text-field
        :model-value="colour.name"
        class="wide"
        :label="`Pot ${index + 1}`"
        :error-messages="errorOf(`colours[${index}].name`) ?? []"
        @update:model-value="change(index, { name: $event })"
      />
      <v-select
        :model-value="colour.portion ?? 'share'"
        :items="portions"
        label="Stated by"
        :data-test="`portion-${index + 1}`"
        @update:model-value="stateBy(index, $event)"
      />
      <QuantityField
        v-if="(colour.portion ?? 'share') === 'share'"
        :model-value="colour.share"
        kind="share"
        :range="potShareRange"
        label="Share"
        :error="errorOf(`colours[${index}].share`)"
        @update:model-value="change(index, { share: $event })"
      />
      <QuantityField
        v-else-if="colour.portion !== 'rest'"
        :key="colour.portion ?? ''"
        :model-value="colour.amount ?? 0"
        :kind="colour.portion === 'mass' ? 'mass' : 'volume'"
        :range="potAmountRange"
        :label="colour.portion === 'mass' ? 'Mass' : 'Volume'"
        :error="errorOf(`colours[${index}].amount`)"
        @update:model-value="change(index, { amount: $event })"
      />
      <QuantityField
        :model-value="colour.rateGPerKg"
        kind="rate"
        :range="colourantRateRange"
        label="Colourant"
        v-bind="teaspoonHint"
        :error="errorOf(`colours[${index}].rateGPerKg`)"
        @update:model-value="change(index, { rateGPerKg: $event })"
      />
      <template v-if="colour.rateGPerKg > 0">
        <v-select
          :model-value="colour.wetting?.with ?? null"
          :items="wettings"
          label="Wetted"
          :data-test="`wetted-${index + 1}`"
          @update:model-value="wet(index, $event)"
        />
        <QuantityField
          v-if="colour.wetting"
          :model-value="colour.wetting.ratio"
          kind="number"
          :range="wettingRatioRange"
          label="Times its mass"
          :error="errorOf(`colours[${index}].wetting.ratio`)"
          @update:model-value="change(index, { wetting: { ...colour.wetting, ratio: $event } })"
        />
      </template>
      <QuantityField
        :model-value="colour.scentPart ?? 1"
        kind="number"
        :range="scentPartRange"
        label="Scent, parts"
        :error="errorOf(`colours[${index}].scentPart`)"
        @update:model-value="change(index, { scentPart: $event })"
      />
      <p v-if="pots?.[index]" class="quiet comes" data-test="pot-comes-to">{{ comesTo(pots[index]) }}</p>
    </div>
    <v-btn
      :icon="mdiClose"
      size="small"
      variant="text"
      :aria-label="`Take pot ${colour.name} away`"
      @click="colours = [...withoutPot(colours, index)]"
    />
  </div>
  <p v-if="errorOf('colours')" class="must mb-2" role="alert">{{ errorOf('colours') }}</p>
  <div class="row">
    <v-btn size="small" :prepend-icon="mdiPlus" data-test="add-pot" @click="add">Pot</v-btn>
    <v-btn
      v-if="colours.length > 1"
      size="small"
      variant="text"
      data-test="equal-pots"
      @click="colours = [...evenPots(colours)]"
    >
      All alike
    </v-btn>
  </div>
</template>

<style scoped>
.pot {
  display: grid;
  grid-template-columns: 44px minmax(0, 1fr) auto;
  gap: 8px;
  align-items: start;
  margin-bottom: 14px;
}

.parts {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(max(124px, var(--least-field)), 1fr));
  gap: 10px 8px;
}

.wide {
  grid-column: span 2;
}

@media (max-width: 599px) {
  .pot {
    grid-template-columns: 44px minmax(0, 1fr) auto;
  }

  .parts {
    grid-row: 2;
    grid-column: 1 / -1;
  }

  .pot > :last-child {
    grid-column: 3;
  }
}

@media (max-width: 1199px) {
  .wide {
    grid-column: 1 / -1;
  }
}

.comes {
  grid-column: 1 / -1;
  margin-top: -4px;
  font-size: 0.88rem;
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
