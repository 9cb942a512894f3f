<script setup lang="ts">
import { useUnits } from '@/parts/format'
import type { Day } from '@vendange/core/calendar'
import type { MassForecast, WeighIn } from '@vendange/core/cure'
import { weighInsByCureDay } from '@vendange/core/cure'
import { toUnit } from '@vendange/core/units'
import type { ChartData, ChartOptions } from 'chart.js'
import { Chart, Filler, Legend, LinearScale, LineElement, PointElement, Tooltip } from 'chart.js'
import { computed } from 'vue'
import { Line } from 'vue-chartjs'
import { useTheme } from 'vuetify'

Chart.register(Filler, LinearScale, LineElement, PointElement, Tooltip, Legend)

const props = defineProps<{
  weighIns: readonly WeighIn[]
  cutDay: Day
  cureDays: number
  labelMassG: number
  /** What is to be expected, with the band that holds eight of ten. */
  forecast: readonly MassForecast[]
}>()
const { unitOf } = useUnits()
const theme = useTheme()
function colour(name: string): string {
  const found: unknown = theme.current.value.colors[name]
  return typeof found === 'string' ? found : ''
}
const unit = computed(() => unitOf('mass') ?? 'g')
const inUnit = (massG: number): number => toUnit('mass', massG, unit.value)
const points = computed(() =>
  weighInsByCureDay(props.weighIns, props.cutDay).map(({ cureDay, massG }) => ({ x: cureDay, y: inUnit(massG) })),
)

const data = computed<ChartData<'line', { x: number; y: number }[]>>(() => ({
  datasets: [
    {
      label: 'Marked bar',
      data: points.value,
      borderColor: colour('primary'),
      backgroundColor: colour('primary'),
      borderWidth: 2.5,
      pointRadius: 5,
    },
    ...(
      [
        ['Expected', 'likelyG', false],
        ['Eight of ten', 'fromG', false],
        ['', 'untilG', '-1'],
      ] as const
    ).map(([label, of, fill]) => ({
      label,
      data: props.forecast.map((one) => ({ x: one.cureDay, y: inUnit(one[of]) })),
      borderColor: colour('slate'),
      backgroundColor: `${colour('slate')}26`,
      borderWidth: of === 'likelyG' ? 1.5 : 0,
      borderDash: [3, 3],
      pointRadius: 0,
      fill,
    })),
    {
      label: 'Label',
      data: [
        { x: 0, y: inUnit(props.labelMassG) },
        { x: props.cureDays, y: inUnit(props.labelMassG) },
      ],
      borderColor: colour('must'),
      borderDash: [6, 5],
      borderWidth: 1.5,
      pointRadius: 0,
    },
  ],
}))
const options = computed<ChartOptions<'line'>>(() => {
  const ink = colour('quiet')
  const grid = { color: colour('hairline') }
  return {
    animation: false,
    maintainAspectRatio: false,
    scales: {
      x: {
        type: 'linear',
        min: 0,
        max: props.cureDays,
        title: { display: true, text: 'day of the cure', color: ink },
        ticks: { color: ink, stepSize: 7 },
        grid,
      },
      y: { title: { display: true, text: unit.value, color: ink }, ticks: { color: ink }, grid, grace: '8%' },
    },
    plugins: { legend: { labels: { color: ink, boxHeight: 1, filter: ({ text }) => text !== '' } } },
  }
})
</script>

<template>
  <div class="chart">
    <Line :data="data" :options="options" role="img" :aria-label="`Mass of the marked bar over ${cureDays} days`" />
  </div>
</template>

<style scoped>
.chart {
  position: relative;
  height: 300px;
}
</style>
