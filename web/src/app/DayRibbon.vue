<script setup lang="ts">
import SoapFace from '@/parts/SoapFace.vue'
import { useSeason } from '@/parts/seasonStore'
import { addDays, formatDay, mondayOf, weekdayIndex } from '@vendange/core/calendar'
import type { DaySummary } from '@vendange/core/season'
import { daySummaries } from '@vendange/core/season'
import { computed, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'

const weeks = 12
const season = useSeason()
const router = useRouter()

const from = computed(() => addDays(mondayOf(season.today), -14))
const days = computed(() =>
  daySummaries(from.value, weeks * 7, season.plan, season.limits.working, season.limits.setupHours),
)
const batchById = computed(() => new Map(season.batches.map((batch) => [batch.id, batch])))
const flags = computed(
  () => new Map(season.collections.map((collection) => [season.neededDay(collection), collection])),
)
const most = computed(() =>
  Math.max(4, ...days.value.map(({ hoursPlanned, hoursThere }) => Math.max(hoursPlanned, hoursThere))),
)

const nameOf = (id: string): string => batchById.value.get(id)?.name ?? ''
const soapOf = (id: string) => season.design(batchById.value.get(id)?.designId)
const height = (hours: number): string => `${Math.round((hours / most.value) * 16)}px`

function tell({ day, pours, cuts, ready, hoursPlanned, hoursThere }: DaySummary): string {
  const flag = flags.value.get(day)
  return [
    formatDay(day, season.today) + (day === season.today ? ', today' : ''),
    ...pours.map((id) => `pour ${nameOf(id)}`),
    ...cuts.map((id) => `cut ${nameOf(id)}`),
    ...ready.map((id) => `${nameOf(id)} cured`),
    ...(flag ? [`release of ${flag.name}`] : []),
    ...(hoursPlanned > 0 ? [`${hoursPlanned} of ${hoursThere} hours`] : []),
  ].join('; ')
}

/** Weekday and number, where a day is wide enough for it. */
const shortDay = (day: string): string => formatDay(day).split(' ').slice(0, 2).join(' ')

// One stop for the tab key: the arrows walk along the days.
const current = ref(14)
const strip = ref<HTMLElement>()

// Where the days are swiped, today comes first, and a little of what was.
function goToToday(): void {
  const [today] = strip.value?.getElementsByClassName('today') ?? []
  if (strip.value && today instanceof HTMLElement) strip.value.scrollLeft = today.offsetLeft - today.offsetWidth / 2
}
onMounted(goToToday)
watch(() => season.today, goToToday, { flush: 'post' })

function walk(event: KeyboardEvent): void {
  const by = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 }[event.key]
  if (by === undefined) return
  event.preventDefault()
  event.stopPropagation()
  current.value = Math.min(days.value.length - 1, Math.max(0, current.value + by))
  strip.value?.querySelectorAll<HTMLElement>('.day')[current.value]?.focus()
}
</script>

<template>
  <nav ref="strip" class="ribbon" aria-label="The coming weeks, day by day" data-swipe @keydown="walk">
    <div class="line">
      <button
        v-for="(summary, index) in days"
        :key="summary.day"
        class="day"
        :class="{
          weekend: weekdayIndex(summary.day) > 4,
          today: summary.day === season.today,
          past: summary.day < season.today,
        }"
        :tabindex="index === current ? 0 : -1"
        :aria-label="tell(summary)"
        :title="tell(summary)"
        :data-day="summary.day"
        @click="router.push(`/days/${summary.day}`)"
      >
        <span class="date" aria-hidden="true">{{ shortDay(summary.day) }}</span>
        <span v-if="weekdayIndex(summary.day) === 0 && summary.day !== season.today" class="week" aria-hidden="true">{{
          formatDay(summary.day).replace('Mon ', '')
        }}</span>
        <span
          v-if="flags.get(summary.day)"
          class="flag"
          :class="{ atend: index > days.length - 12 }"
          aria-hidden="true"
          >{{ flags.get(summary.day)?.name }}</span
        >
        <span class="faces" aria-hidden="true">
          <SoapFace
            v-for="id in summary.pours"
            :key="id"
            :name="nameOf(id)"
            :soap="soapOf(id)"
            :width="22"
            :height="15"
          />
        </span>
        <span
          v-if="summary.cuts.length + summary.ready.length > 0"
          class="tick"
          :class="{ ready: summary.ready.length > 0 }"
          aria-hidden="true"
          >{{ summary.ready.length > 0 ? '✓' : '⁄' }}</span
        >
        <span class="load" aria-hidden="true">
          <i class="there" :style="{ height: height(summary.hoursThere) }" />
          <i
            class="asked"
            :class="{ over: summary.hoursPlanned > summary.hoursThere }"
            :style="{ height: height(summary.hoursPlanned) }"
          />
        </span>
      </button>
      <span
        class="now"
        :style="{ left: `${(14 + weekdayIndex(season.today)) * (100 / days.length)}%` }"
        aria-hidden="true"
        ><b>today</b></span
      >
    </div>
  </nav>
</template>

<style scoped>
.ribbon {
  height: 100%;
}

.line {
  position: relative;
  display: flex;
  height: 100%;
}

.date {
  display: none;
}

.day {
  position: relative;
  flex: 1 1 0;
  min-width: 0;
  height: 100%;
  border-left: 1px solid transparent;
  cursor: pointer;
}

.day:hover,
.day:focus-visible {
  background: rgb(var(--v-theme-surface-variant));
  z-index: 3;
}

.weekend {
  background: rgb(var(--v-theme-weekend));
}

.week {
  position: absolute;
  top: 8px;
  left: 3px;
  font-size: 0.75rem;
  white-space: nowrap;
  color: rgb(var(--v-theme-quiet));
}

.faces {
  position: absolute;
  top: 48px;
  left: 50%;
  transform: translateX(-50%);
  display: flex;
  flex-direction: column;
  gap: 2px;
  z-index: 1;
}

.flag {
  position: absolute;
  top: 27px;
  left: 0;
  z-index: 2;
  padding: 0 8px 1px 5px;
  font-size: 0.72rem;
  line-height: 17px;
  white-space: nowrap;
  color: rgb(var(--v-theme-background));
  background: rgb(var(--v-theme-primary));
  clip-path: polygon(0 0, 100% 0, calc(100% - 5px) 50%, 100% 100%, 0 100%);
}

.flag.atend {
  right: 0;
  left: auto;
  clip-path: none;
}

.past .flag {
  background: rgb(var(--v-theme-slate));
}

.tick {
  position: absolute;
  top: 64px;
  left: 50%;
  transform: translateX(-50%);
  font-size: 0.8rem;
  line-height: 1;
  font-weight: 700;
  color: rgb(var(--v-theme-slate));
}

.tick.ready {
  color: rgb(var(--v-theme-vine));
}

.load i {
  position: absolute;
  bottom: 4px;
  left: 18%;
  width: 64%;
}

.load .there {
  background: rgb(var(--v-theme-surface-variant));
}

.load .asked {
  background: rgb(var(--v-theme-primary), 0.7);
}

.load .over {
  background: rgb(var(--v-theme-must));
}

@media (max-width: 1199px) {
  .ribbon {
    overflow: auto hidden;
    scrollbar-width: none;
    overscroll-behavior-x: contain;
  }

  .line {
    width: max-content;
  }

  .day {
    flex: none;
    width: 28px;
  }
}

@media (max-width: 599px) {
  .day {
    width: 46px;
    border-left-color: rgb(var(--v-theme-hairline));
  }

  .date {
    display: block;
    position: absolute;
    inset: 3px 0 auto;
    font-size: 0.75rem;
    text-align: center;
    color: rgb(var(--v-theme-quiet));
  }

  .today .date {
    font-weight: 700;
    color: rgb(var(--v-theme-primary));
  }

  .week,
  .now {
    display: none;
  }

  .today {
    box-shadow: inset 2px 0 rgb(var(--v-theme-primary));
  }

  .faces {
    top: 24px;
  }

  .flag {
    top: auto;
    bottom: 2px;
  }

  .tick {
    top: 44px;
    left: 84%;
  }
}

.past .faces {
  opacity: 0.75;
}

.now {
  position: absolute;
  top: 22px;
  bottom: 0;
  width: 2px;
  background: rgb(var(--v-theme-primary));
  pointer-events: none;
  z-index: 2;
}

.now b {
  position: absolute;
  top: -18px;
  left: 6px;
  padding: 0 4px;
  font-size: 0.72rem;
  color: rgb(var(--v-theme-primary));
  background: rgb(var(--v-theme-surface));
}
</style>
