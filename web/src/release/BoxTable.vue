<script setup lang="ts">
import QuantityField from '@/parts/QuantityField.vue'
import { channelBarsRange } from '@vendange/contract'

/** Bars box by box: a row each, a column for each soap. */
defineProps<{
  boxes: readonly { readonly key: string; readonly who: string; readonly wanted: number; readonly aside: number }[]
  soaps: readonly { readonly designId: string; readonly name: string; readonly free: number }[]
  giftOf: (key: string, designId: string) => number
}>()
defineEmits<{ change: [key: string, designId: string, bars: number] }>()
</script>

<template>
  <table class="figures" data-test="giving-boxes">
    <thead>
      <tr>
        <th>Box</th>
        <th class="number">Bars</th>
        <th class="number">Aside or sent</th>
        <th v-for="soap in soaps" :key="soap.designId">{{ soap.name }}, {{ soap.free }} free</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="box in boxes" :key="box.key" data-test="giving-box">
        <td class="serif">{{ box.who }}</td>
        <td class="number">
          <b>{{ box.wanted }}</b>
        </td>
        <td class="number">{{ box.aside }}</td>
        <td v-for="{ designId, name } in soaps" :key="designId">
          <QuantityField
            :model-value="giftOf(box.key, designId)"
            kind="count"
            :range="channelBarsRange"
            :label="`${name} for ${box.who}`"
            class="bars"
            @update:model-value="$emit('change', box.key, designId, $event)"
          />
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.bars {
  min-width: 110px;
}
</style>
