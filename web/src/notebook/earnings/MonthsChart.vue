<script setup lang="ts">
import { useUnits } from '@/parts/format'
import { formatMonth } from '@vendange/core/calendar'
import type { MonthOfWork } from '@vendange/core/earnings'
import type { ChartData, ChartOptions } from 'chart.js'
import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js'
import { computed } from 'vue'
import { Chart as MixedChart } from 'vue-chartjs'
import { useTheme } from 'vuetify'

Chart.register(
  BarController,
  BarElement,
  CategoryScale,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
)

/** Month by month what was taken and what was left of it, and what stood in the stores and on the racks. */
const props = defineProps<{ months: readonly MonthOfWork[] }>()
const { money } = useUnits()
const theme = useTheme()
function colour(name: string): string {
  const found: unknown = theme.current.value.colors[name]
  return typeof found === 'string' ? found : ''
}
const data = computed<ChartData<'bar' | 'line', number[], string>>(() => ({
  labels: props.months.map(({ month }) => formatMonth(`${month}-01`)),
  datasets: [
    ...(
      [
        ['Taken', 'takenCents', 'brass'],
        ['Left over all costs', 'profitCents', 'vine'],
      ] as const
    ).map(([label, of, name]) => ({
      type: 'bar' as const,
      label,
      data: props.months.map((one) => one[of] / 100),
      backgroundColor: colour(name),
      borderRadius: 2,
    })),
    ...(
      [
        ['In the stores', 'storesCents', [4, 3]],
        ['Bars on hand', 'barsCents', []],
      ] as const
    ).map(([label, of, dash]) => ({
      type: 'line' as const,
      label,
      data: props.months.map((one) => one[of] / 100),
      borderColor: colour('slate'),
      backgroundColor: colour('slate'),
      borderDash: [...dash],
      borderWidth: 1.5,
      pointRadius: 2,
    })),
  ],
}))
const options = computed<ChartOptions<'bar' | 'line'>>(() => {
  const ink = colour('quiet')
  return {
    animation: false,
    maintainAspectRatio: false,
    scales: {
      x: { grid: { display: false }, ticks: { color: ink } },
      y: {
        grid: { color: colour('hairline') },
        ticks: { color: ink, callback: (value) => money(Math.round(Number(value) * 100)) },
      },
    },
    plugins: {
      legend: { labels: { color: ink, boxWidth: 14 } },
      tooltip: {
        callbacks: {
          label: ({ dataset, parsed }) => `${dataset.label ?? ''}: ${money(Math.round((parsed.y ?? 0) * 100))}`,
        },
      },
    },
  }
})
</script>

<template>
  <div class="chart">
    <MixedChart type="bar" :data="data" :options="options" aria-label="Taken and left, month by month" role="img" />
  </div>
</template>

<style scoped>
.chart {
  position: relative;
  height: 260px;
}
</style>
