<script setup lang="ts">
import { useUnits } from '@/parts/format'
import type { Quality } from '@vendange/core/recipe'
import { qualityWords } from '@vendange/words'

/** What a bar will be like, each measure on its scale with the thresholds marked. */
defineProps<{ qualities: readonly Quality[] }>()
const { show } = useUnits()
/** The scale ends well above the upper threshold. */
const endOf = ({ share, thresholds }: Quality): number => Math.max(share, thresholds[1] * 1.8)
const at = (share: number, quality: Quality): string => `${(100 * share) / endOf(quality)}%`
</script>

<template>
  <ul>
    <li v-for="quality in qualities" :key="quality.key" :data-test="`quality-${quality.key}`">
      <span class="label">{{ qualityWords[quality.key].label }}</span>
      <span class="scale" aria-hidden="true">
        <i
          class="usual"
          :style="{
            left: at(quality.thresholds[0], quality),
            right: `calc(100% - ${at(quality.thresholds[1], quality)})`,
          }"
        />
        <i class="mark" :style="{ left: at(quality.share, quality) }" />
      </span>
      <span class="words"
        ><b>{{ qualityWords[quality.key].verdicts[quality.level] }}</b
        ><br /><small class="quiet"
          >{{ show('share', quality.share, 0) }}: {{ qualityWords[quality.key].why }}</small
        ></span
      >
    </li>
  </ul>
  <p class="quiet note">Estimates from the fatty acids; the shaded part is usual. Your own bars decide.</p>
</template>

<style scoped>
ul {
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: 104px 96px minmax(0, 1fr);
  gap: 12px;
  align-items: center;
  padding: 7px 0;
  border-top: 1px solid rgb(var(--v-theme-hairline));
  line-height: 1.3;
}

.label {
  font-weight: 600;
}

.scale {
  position: relative;
  height: 10px;
  border-radius: 5px;
  background: rgb(var(--v-theme-hairline), 0.6);
}

.usual {
  position: absolute;
  top: 0;
  bottom: 0;
  background: rgb(var(--v-theme-vine), 0.35);
}

.mark {
  position: absolute;
  top: -4px;
  width: 4px;
  height: 18px;
  margin-left: -2px;
  border-radius: 2px;
  background: rgb(var(--v-theme-on-surface));
}

.note {
  margin-top: 8px;
  font-size: 0.85rem;
}
</style>
