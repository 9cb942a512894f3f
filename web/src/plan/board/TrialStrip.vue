<script setup lang="ts">
import FindingList from '@/parts/FindingList.vue'
import { useSeason } from '@/parts/seasonStore'
import { formatDay } from '@vendange/core/calendar'
import { dayCount } from '../verdictWords'
import type { useBoardDrag } from './useBoardDrag'
import { useLater } from './useLater'

/** What follows a pour while it is moved, and what it breaks. Of its own, so that the page is not drawn anew meanwhile. */
const props = defineProps<{ drag: ReturnType<typeof useBoardDrag> }>()
const season = useSeason()
const { told, findings, slack } = props.drag
// Told in a frame after what follows the pour.
const broken = useLater(() => findings.value, 1)
const on = (day: string): string => formatDay(day, season.today)
</script>

<template>
  <section v-if="told" class="sheet trial no-print" data-test="trial">
    <b>{{ told.batch.name }}</b>: {{ told.days.prepDay === null ? '' : `prepare ${on(told.days.prepDay)},` }} pour
    {{ on(told.days.pourDay) }}, cut {{ on(told.days.cutDay) }}, cured {{ on(told.days.readyDay)
    }}<template v-if="slack !== undefined"
      >;
      <span :class="slack < 0 ? 'must' : 'vine'">{{
        slack < 0 ? `${dayCount(slack)} late` : `${dayCount(slack)} to spare`
      }}</span></template
    >.
    <FindingList :findings="broken" data-test="broken-rules" />
  </section>
  <p class="d-sr-only" aria-live="polite">{{ told ? `${told.batch.name} on ${on(told.days.pourDay)}` : '' }}</p>
</template>

<style scoped>
.trial {
  position: fixed;
  right: 30px;
  bottom: 18px;
  left: calc(var(--rail) + 28px);
  z-index: 8;
  padding: 12px 18px;
  border: 2px solid rgb(var(--v-theme-primary));
}

@media (max-width: 599px) {
  .trial {
    right: 8px;
    bottom: calc(66px + env(safe-area-inset-bottom));
    left: 8px;
    max-height: 40vh;
    overflow-y: auto;
  }
}

.trial :deep(.findings) {
  margin-top: 8px;
}
</style>
