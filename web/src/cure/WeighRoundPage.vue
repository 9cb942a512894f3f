<script setup lang="ts">
import { useUnits } from '@/parts/format'
import PageHeadline from '@/parts/PageHeadline.vue'
import QuantityField from '@/parts/QuantityField.vue'
import SoapFace from '@/parts/SoapFace.vue'
import StandInPanel from '@/parts/StandInPanel.vue'
import { useAwake } from '@/parts/useAwake'
import { useTakeFromScale } from '@/parts/useTakeFromScale'
import { useSeason } from '@/parts/seasonStore'
import { barMassRange } from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import { counted } from '@vendange/words'
import { computed } from 'vue'
import { useWeighingRound } from './useWeighingRound'

/** One bar after the other on the scale: a press takes it and goes on. */
const season = useSeason()
const { fineMass } = useUnits()
useAwake()
const { bars, now, last, expectedG, odd, doneCount, take, leaveForLater, undo } = useWeighingRound()
const { isConnected, mass, command, typed, unread, given, mayTake, takeIt } = useTakeFromScale(take)
const takeWords = computed(() =>
  given.value !== undefined ? `Take ${fineMass(given.value)}` : isConnected.value ? 'Put the bar on' : 'Type its mass',
)

const sentence = computed(() => {
  const all = bars.value.length
  if (all === 0) return 'No marked bar is due today.'
  if (!now.value) return all === 1 ? 'The bar is weighed.' : `All ${counted(all, 'bar')} are weighed.`
  const { name, lotCode, state } = now.value
  return `${name}, lot ${lotCode}${state.place === undefined ? '' : `, on ${state.place}`}.`
})
</script>

<template>
  <PageHeadline>
    {{ sentence }}
    <template v-if="!now" #actions>
      <v-btn color="primary" variant="flat" to="/cure">To the cure room</v-btn>
    </template>
  </PageHeadline>
  <div v-if="bars.length > 0" class="columns wide-left">
    <section v-if="now" class="sheet stack" data-test="weigh-now">
      <div class="row">
        <SoapFace :name="now.name" :soap="season.design(now.designId)" :width="150" :height="104" />
        <p>
          <b>{{ doneCount + 1 }} of {{ bars.length }}</b
          ><br />
          <span v-if="last" class="quiet">{{ fineMass(last.massG) }} on {{ formatDay(last.day, season.today) }}</span>
        </p>
      </div>
      <p class="serif figure" :class="{ moving: mass?.isSettled === false }" role="status" data-test="shown">
        {{ mass ? fineMass(mass.massG) : isConnected ? 'Nothing heard of the scale' : '' }}
      </p>
      <QuantityField
        v-model="typed"
        kind="mass"
        :range="barMassRange"
        optional
        label="Or typed"
        @problem="unread = $event"
        @keydown.enter="takeIt"
      />
      <p v-if="odd" class="must" role="alert" data-test="odd">{{ odd }}</p>
      <v-btn
        color="primary"
        variant="flat"
        size="x-large"
        block
        :disabled="!mayTake"
        data-test="take"
        @click="takeIt"
        >{{ takeWords }}</v-btn
      >
      <div class="row">
        <v-btn size="large" data-test="later" @click="leaveForLater">Later</v-btn>
        <v-btn size="large" :disabled="doneCount === 0" data-test="undo-weighing" @click="undo"
          >Take the last back</v-btn
        >
        <v-btn v-if="!isConnected" size="large" data-test="connect-scale" @click="isConnected = true"
          >Read the scale</v-btn
        >
      </div>
      <p class="quiet">Space or Enter takes what the scale shows once it stands still, and goes on to the next bar.</p>
      <StandInPanel
        v-if="isConnected"
        name="scale"
        :target="expectedG"
        :shown-g="mass?.massG ?? 0"
        put-words="Put the bar on"
        @command="command"
      />
    </section>
    <section class="sheet">
      <h2>The round, by rack</h2>
      <ol class="bare round">
        <li v-for="bar in bars" :key="bar.loaf.id" :class="{ done: bar.isDone }" data-test="round-bar">
          <span>
            <b>{{ bar.loaf.name }}</b><br /><small class="quiet"
              >{{ bar.loaf.lotCode }}, {{ bar.loaf.state.place ?? 'no place yet' }}</small
            >
          </span>
          <span class="number">{{
            bar.isDone ? fineMass(bar.loaf.state.weighIns.at(-1)?.massG ?? 0) : bar.isLater ? 'later' : ''
          }}</span>
        </li>
      </ol>
    </section>
  </div>
</template>

<style scoped>
/* Read from where the hand is. */
.figure {
  min-height: 1.1em;
  font-size: 3.6rem;
  line-height: 1.1;
}

.moving {
  color: rgb(var(--v-theme-quiet));
}
</style>
