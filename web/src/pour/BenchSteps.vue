<script setup lang="ts">
import { useUnits } from '@/parts/format'
import SoapFace from '@/parts/SoapFace.vue'
import type { BatchPlan, PourSession } from '@vendange/core/batch'
import type { SoapLook } from '@vendange/core/pour'
import { mouldsToFill, wasUnweighed } from '@vendange/core/batch'
import { sentence } from '@vendange/core/findings'
import { counted, stepGroupWords, unweighedWords } from '@vendange/words'
import { nextTick, ref, watch } from 'vue'
import { useStepFigure } from './useStepFigure'

const props = defineProps<{
  plan: BatchPlan
  /** The soap as it is designed now, for its face. */
  soap: (SoapLook & { readonly mouldId: string | null }) | undefined
  state: PourSession
  /** Steps that are done and kept on this device only, by key. */
  kept: ReadonlySet<string>
  /** Index of the step that fills the screen. */
  shown: number
  /** Where the run sheet is. */
  to: string
}>()
defineEmits<{ show: [index: number] }>()

const figure = useStepFigure()
const { say } = useUnits()
const list = ref<HTMLElement>()
watch(
  () => props.shown,
  () => void nextTick(() => list.value?.querySelector('.now')?.scrollIntoView({ block: 'center' })),
)
</script>

<template>
  <aside ref="list" class="list" tabindex="0" aria-label="Steps of this pour">
    <RouterLink class="head plain" :to="to">
      <SoapFace
        :name="plan.designName"
        :soap="soap ?? { name: plan.designName, colours: plan.colours }"
        :width="92"
        :height="64"
      />
      <div>
        <b class="serif">{{ plan.designName }}</b>
        <span
          >{{ say(sentence('moulds_filled', { moulds: mouldsToFill(plan) })) }} ·
          {{ counted(plan.barsPlanned, 'bar') }}</span
        >
      </div>
    </RouterLink>
    <template v-for="(one, index) in state.steps" :key="one.key">
      <p v-if="one.group !== state.steps[index - 1]?.group" class="eyebrow">{{ stepGroupWords[one.group] }}</p>
      <button
        class="item"
        :class="{ now: index === shown, done: one.done && !kept.has(one.key), kept: kept.has(one.key) }"
        :data-test="kept.has(one.key) ? 'step-kept' : one.done ? 'step-done' : 'step-open'"
        :disabled="index > state.nextIndex"
        :aria-current="index === shown ? 'step' : undefined"
        @click="$emit('show', index)"
      >
        <span class="mark" aria-hidden="true">{{
          kept.has(one.key) ? '↑' : one.done ? '✓' : index === shown ? '▸' : ''
        }}</span>
        <span class="what">{{ say(one.name) }}<small v-if="kept.has(one.key)" class="brass"> kept here</small></span>
        <span class="mass">
          <template
            v-if="one.planned !== null && (one.done ? one.actual : one.target) !== one.planned && !wasUnweighed(one)"
            >{{ figure(one, one.planned) }} →
          </template>
          {{ wasUnweighed(one) ? unweighedWords[one.kind] : figure(one, one.done ? one.actual : one.target) }}
        </span>
      </button>
    </template>
  </aside>
</template>

<style scoped>
.list {
  flex: none;
  width: 348px;
  padding: 22px 18px 30px;
  overflow-y: auto;
  background: rgb(0 0 0 / 22%);
}

.head {
  display: flex;
  gap: 14px;
  align-items: center;
  margin-bottom: 14px;
}

.head div {
  display: flex;
  flex-direction: column;
  font-size: 0.95rem;
}

.head b {
  font-size: 1.35rem;
}

.eyebrow {
  margin: 14px 0 2px 10px;
}

.item {
  display: flex;
  gap: 8px;
  align-items: center;
  width: 100%;
  min-height: 44px;
  padding: 4px 10px;
  border-radius: 4px;
  text-align: left;
  font-size: 1.05rem;
  color: rgb(var(--v-theme-quiet));
}

.item:not(:disabled) {
  cursor: pointer;
}

.item.now {
  background: rgb(var(--v-theme-surface));
  color: rgb(var(--v-theme-on-surface));
  font-weight: 700;
}

.mark {
  width: 18px;
  color: rgb(var(--v-theme-vine));
}

.now .mark {
  color: rgb(var(--v-theme-brass));
}

.what {
  flex: 1;
}

@media (max-width: 1199px) {
  .item {
    min-height: 56px;
  }
}

@media (max-width: 900px) {
  .list {
    display: none;
  }
}
</style>
