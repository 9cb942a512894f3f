<script setup lang="ts">
import { fieldOf, useRows } from '@/parts/useRows'
import PictureColours from '@/parts/PictureColours.vue'
import QuantityField from '@/parts/QuantityField.vue'
import type { NewDesign } from '@vendange/contract'
import { limitRange } from '@vendange/contract'
import { looks, shadesAt, tintOf, usualTint } from '@vendange/core/pour'
import { computed, ref } from 'vue'

/** How the colours change from the pour to the cured bar: as the workshop saw it, else by the model. */
const values = defineModel<NewDesign>({ required: true })
const colours = useRows(fieldOf(values, 'colours'))
const lookWords = { pour: 'Pour', day_1: 'Day 1', week_4: 'Week 4' } as const
const shades = computed(() => looks.map((look) => shadesAt(look, values.value.colours, tintOf(values.value))))

/** Which shade a photograph's colour is taken for. */
const photoPot = ref(0)
const photoLook = ref<(typeof looks)[number]>('week_4')
const potChoices = computed(() => values.value.colours.map(({ name }, value) => ({ value, title: name })))
const lookChoices = looks.map((value) => ({ value, title: lookWords[value] }))
function pick(hex: string): void {
  const field = photoLook.value === 'pour' ? 'wetHex' : photoLook.value === 'day_1' ? 'dayHex' : 'hex'
  colours.set(photoPot.value, { [field]: hex })
}

function see(index: number, field: 'wetHex' | 'dayHex', event: Event): void {
  colours.set(index, { [field]: (event.target as HTMLInputElement).value })
}
</script>

<template>
  <section class="sheet stack">
    <h2>Colour over time</h2>
    <p class="quiet">
      Click a shade to say how it looked. What has not been seen yet is an estimate: wet batter is stronger, greens most
      of all; vanillin browns over weeks; what fades and bleeds is flagged by you.
    </p>
    <table class="figures">
      <thead>
        <tr>
          <th>Pot</th>
          <th v-for="look in looks" :key="look">{{ lookWords[look] }}</th>
          <th>Fades</th>
          <th>Bleeds</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(colour, index) in values.colours" :key="index">
          <td>{{ colour.name }}</td>
          <td v-for="(look, at) in looks" :key="look">
            <label class="shade">
              <span class="chip" :style="{ background: shades[at]?.[index] }" />
              <input
                v-if="look !== 'week_4'"
                type="color"
                :value="shades[at]?.[index]"
                :aria-label="`${colour.name}, ${lookWords[look]}`"
                @change="see(index, look === 'pour' ? 'wetHex' : 'dayHex', $event)"
              />
              <input
                v-else
                :value="colour.hex"
                type="color"
                :aria-label="`${colour.name}, cured`"
                @input="colours.set(index, { hex: ($event.target as HTMLInputElement).value })"
              />
              <small>{{
                look === 'week_4' || (look === 'pour' ? colour.wetHex : colour.dayHex) ? 'seen' : 'estimate'
              }}</small>
            </label>
          </td>
          <td>
            <v-checkbox
              :model-value="colour.fades"
              :aria-label="`${colour.name} fades`"
              hide-details
              @update:model-value="colours.set(index, { fades: $event === true })"
            />
          </td>
          <td>
            <v-checkbox
              :model-value="colour.bleeds"
              :aria-label="`${colour.name} bleeds`"
              hide-details
              @update:model-value="colours.set(index, { bleeds: $event === true })"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <div class="photo">
      <v-select v-model="photoPot" :items="potChoices" label="By a photograph, for" />
      <v-select v-model="photoLook" :items="lookChoices" label="As it looked at" />
      <PictureColours class="picture" label="Drop or choose a photograph of the soap" @pick="pick" />
    </div>
    <div class="row">
      <label class="shade">
        <span class="chip" :style="{ background: values.batterHex ?? usualTint }" />
        <input
          type="color"
          :value="values.batterHex ?? usualTint"
          aria-label="Colour of the batter left plain"
          @change="values.batterHex = ($event.target as HTMLInputElement).value"
        />
        The batter left plain, cured
      </label>
      <QuantityField
        v-if="values.scent"
        :model-value="values.scent.vanillin ?? 0"
        kind="share"
        :range="limitRange"
        label="Vanillin in the scent"
        hint="From its certificate"
        @update:model-value="values = { ...values, scent: { ...values.scent, vanillin: $event } }"
      />
    </div>
  </section>
</template>

<style scoped>
.shade {
  position: relative;
  display: inline-flex;
  align-items: center;
  gap: 8px;
  cursor: pointer;
}

.photo {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}

.picture {
  grid-column: 1 / -1;
}

.shade input {
  position: absolute;
  inset: 0;
  opacity: 0;
  cursor: pointer;
}

.chip {
  width: 46px;
  height: 30px;
  border-radius: 4px;
  box-shadow: inset 0 0 0 1px rgb(0 0 0 / 18%);
}

.shade:focus-within .chip {
  outline: 2px solid rgb(var(--v-theme-primary));
  outline-offset: 2px;
}
</style>
