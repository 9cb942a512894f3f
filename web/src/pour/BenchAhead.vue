<script setup lang="ts">
import { useUnits } from '@/parts/format'
import SoapFace from '@/parts/SoapFace.vue'
import type { PourSession } from '@vendange/core/batch'
import { moveOfStep } from '@vendange/core/batch'
import type { SoapLook } from '@vendange/core/pour'
import { counted } from '@vendange/words'
import { computed } from 'vue'
import MovePicture from './MovePicture.vue'
import { useStepFigure } from './useStepFigure'

/** What helps beside a step: how the mould stands, what comes next, how long it may still take. */
const props = defineProps<{
  state: PourSession
  /** Index of the step that fills the screen. */
  shown: number
  /** What the pour is for. */
  name: string
  soap: (SoapLook & { readonly mouldId: string | null }) | undefined
  /** The section of the mould after each move. */
  pictures: readonly string[]
  /** An estimate of the minutes left; undefined where none is known. */
  minutesLeft: number | undefined
}>()

const stepsShown = 4
const { say } = useUnits()
const figure = useStepFigure()
const next = computed(() => props.state.steps.slice(props.shown + 1, props.shown + 1 + stepsShown))
/** The last move that is done; while none is, the section as it will stand in the end. */
const lastMove = computed(() => {
  const done = props.state.steps.filter((one) => one.done).flatMap(({ key }) => moveOfStep(key) ?? [])
  return done.length > 0 ? Math.max(...done) : undefined
})
const picture = computed(() => props.pictures[lastMove.value ?? props.pictures.length - 1])
const isMove = computed(() => moveOfStep(props.state.steps[props.shown]?.key ?? '') !== undefined)
</script>

<template>
  <aside class="ahead" aria-label="What comes next" data-test="bench-ahead">
    <figure v-if="picture && !isMove">
      <MovePicture :picture="picture" :number="(lastMove ?? pictures.length - 1) + 1" :most-px="190" />
      <figcaption class="quiet">
        {{ lastMove === undefined ? 'So it will stand in the end' : `So it stands after move ${lastMove + 1}` }}
      </figcaption>
    </figure>
    <figure v-else-if="soap && !isMove">
      <SoapFace :name="name" :soap="soap" :width="190" :height="140" />
      <figcaption class="quiet">So it will look when it is cut</figcaption>
    </figure>
    <div v-if="next.length > 0" class="next">
      <p class="eyebrow follows">Next</p>
      <ol class="follows">
        <li v-for="one in next" :key="one.key">
          <span>{{ say(one.name) }}</span><b>{{ figure(one, one.target) }}</b>
        </li>
      </ol>
      <p v-if="minutesLeft !== undefined" class="quiet">
        About {{ counted(minutesLeft, 'minute') }} left, an estimate.
      </p>
    </div>
  </aside>
</template>

<style scoped>
.ahead {
  display: flex;
  flex-wrap: wrap;
  gap: 24px 40px;
  align-items: flex-start;
  margin-top: 36px;
  padding-bottom: 12px;
}

figcaption {
  margin-top: 6px;
}

.next {
  flex: 1 1 260px;
  max-width: 460px;
  font-size: 1.15rem;
}

ol {
  margin: 4px 0 12px;
  list-style: none;
}

li {
  display: flex;
  justify-content: space-between;
  gap: 18px;
  padding: 7px 0;
  border-top: 1px solid rgb(var(--v-theme-hairline));
  color: rgb(var(--v-theme-quiet));
}

b {
  white-space: nowrap;
}

/* Where the list of steps is in sight, it says what follows. */
@media (min-width: 901px) {
  .follows {
    display: none;
  }
}
</style>
