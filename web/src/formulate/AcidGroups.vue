<script setup lang="ts">
import { useUnits } from '@/parts/format'
import type { GroupShare } from '@vendange/core/fats'
import { fattyAcidGroupWords } from '@vendange/words'

defineProps<{ groups: readonly GroupShare[]; unnamedShare: number }>()
const { show } = useUnits()
</script>

<template>
  <table class="figures">
    <tbody>
      <tr v-for="{ group, share } in groups.filter((one) => one.share >= 0.0005)" :key="group.key">
        <td class="label">
          <b>{{ fattyAcidGroupWords[group.key].label }}</b><br /><small class="quiet">{{
            fattyAcidGroupWords[group.key].does
          }}</small>
        </td>
        <td class="number">{{ show('share', share) }}</td>
      </tr>
      <tr v-if="unnamedShare >= 0.005">
        <td class="label quiet">Not named in the table (waxes, small and odd acids)</td>
        <td class="number quiet">{{ show('share', unnamedShare) }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.label {
  width: 82%;
  line-height: 1.3;
}
</style>
