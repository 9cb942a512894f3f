<script setup lang="ts">
import ChoiceButtons from '@/parts/ChoiceButtons.vue'
import DateField from '@/parts/DateField.vue'
import { useUnits } from '@/parts/format'
import PageHeadline from '@/parts/PageHeadline.vue'
import { saveFile } from '@/parts/saveFile'
import { useSeason } from '@/parts/seasonStore'
import { mdiDownload } from '@mdi/js'
import { formatDay, formatMonth } from '@vendange/core/calendar'
import type { Earning } from '@vendange/core/earnings'
import { earningGroups } from '@vendange/core/earnings'
import { counted, earningGroupWords } from '@vendange/words'
import { computed } from 'vue'
import MonthsChart from './MonthsChart.vue'
import { useEarnings } from './useEarnings'

/** After the sale: what was earned by soap, collection, channel, order and month, and what came of the pours. */
const season = useSeason()
const { money, show } = useUnits()
const { from, to, by, earnings, isAsking, failure } = useEarnings()

const whole = (cents: number): string => money(Math.round(cents))
const groups = earningGroups.map((value) => ({ value, words: earningGroupWords[value], test: `by-${value}` }))
const nameOf = ({ name }: Earning): string => (by.value === 'month' ? formatMonth(`${name}-01`) : name)
const sentence = computed(() => {
  if (failure.value !== undefined) return failure.value
  const all = earnings.value?.inAll
  if (!all) return ''
  if (all.bars === 0) return 'Nothing was sold in these days.'
  const left =
    all.profitCents >= 0
      ? `${whole(all.profitCents)} is left over all costs`
      : `${whole(-all.profitCents)} is missing to pay all costs`
  const hour = all.perHourCents === null ? '' : `, ${whole(all.perHourCents)} for each hour of work`
  return `${counted(all.bars, 'bar')} brought ${whole(all.takenCents)}: ${left}${hour}.`
})
const hours = (of: { readonly planned: number; readonly taken: number } | null): string =>
  of ? `${show('hours', of.taken, 1)} of ${show('hours', of.planned, 1)}` : ''
/** What stood at the end of the month that a row tells of. */
const monthOf = ({ name }: Earning) => earnings.value?.months.find(({ month }) => month === name)
const standing = computed(() => earnings.value?.months.at(-1))

async function save(): Promise<void> {
  const { writeEarningsCsv } = await import('@vendange/core/earnings/csv')
  saveFile(`earnings-by-${by.value}.csv`, 'text/csv', writeEarningsCsv(earnings.value?.rows ?? []))
}
</script>

<template>
  <p class="quiet crumb plain no-print"><RouterLink to="/notebook">Notebook</RouterLink> ›</p>
  <PageHeadline>
    {{ sentence }}
    <template #actions>
      <v-btn
        v-if="earnings && earnings.rows.length > 0"
        :prepend-icon="mdiDownload"
        data-test="save-earnings"
        @click="save"
        >Save as CSV</v-btn
      >
    </template>
  </PageHeadline>
  <div class="stack">
    <section class="sheet stack">
      <div class="fields days">
        <DateField v-model="from" label="Sold from" />
        <DateField v-model="to" label="Sold until" />
      </div>
      <MonthsChart v-if="earnings && earnings.months.length > 1" :months="earnings.months" />
      <p v-if="standing" class="plain" data-test="standing">
        At the end {{ whole(standing.storesCents) }} stood in the stores, and {{ whole(standing.barsCents) }} of
        ingredients in bars on the racks and in boxes.
      </p>
    </section>

    <section v-if="earnings" class="sheet stack" :class="{ asking: isAsking }">
      <ChoiceButtons v-model="by" label="Earned by" :choices="groups" />
      <table class="figures" data-test="earnings">
        <thead>
          <tr>
            <th>{{ earningGroupWords[by] }}</th>
            <th class="number">Bars</th>
            <th class="number">Taken</th>
            <th class="number">Ingredients</th>
            <th class="number least">Packing</th>
            <th class="number">Work</th>
            <th class="number least">Shared</th>
            <th class="number">Left</th>
            <th class="number">An hour</th>
            <template v-if="by === 'month'">
              <th class="number">In the stores</th>
              <th class="number">Bars on hand</th>
            </template>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in earnings.rows" :key="row.name">
            <td class="serif">{{ nameOf(row) }}</td>
            <td class="number">{{ row.bars }}</td>
            <td class="number">{{ whole(row.takenCents) }}</td>
            <td class="number">{{ row.lacksPrices ? 'over ' : '' }}{{ whole(row.ingredientCents) }}</td>
            <td class="number least">{{ whole(row.packingCents) }}</td>
            <td class="number">{{ whole(row.workCents) }}</td>
            <td class="number least">{{ whole(row.sharedCents) }}</td>
            <td class="number" :class="row.profitCents < 0 ? 'must' : 'vine'">
              <b>{{ whole(row.profitCents) }}</b>
            </td>
            <td class="number">{{ row.perHourCents === null ? '' : whole(row.perHourCents) }}</td>
            <template v-if="by === 'month'">
              <td class="number">{{ whole(monthOf(row)?.storesCents ?? 0) }}</td>
              <td class="number">{{ whole(monthOf(row)?.barsCents ?? 0) }}</td>
            </template>
          </tr>
        </tbody>
      </table>
      <p class="quiet small">
        Without tax. Ingredients cost what was paid for their lots, carriage included; an hour is reckoned at
        {{ money(earnings.rates.hourCents) }} and {{ money(earnings.rates.sharedHourCents) }} of shared costs, packing
        at {{ money(Math.round(earnings.rates.packingCents)) }} a bar (<RouterLink to="/workshop"
          >the workshop’s</RouterLink
        >
        estimates). Cutting counts as planned<template v-if="earnings.untimedPours > 0"
          >, and so do the hours of {{ counted(earnings.untimedPours, 'pour') }} that the bench did not time</template
        >.
        <template v-if="earnings.inAll.barsWithoutPrice > 0"
          >{{ counted(earnings.inAll.barsWithoutPrice, 'bar') }} went at a price that nobody wrote down: they count as
          nothing.</template
        >
        <template v-if="earnings.inAll.lacksPrices">
          Some of what went in has no price: its cost is more than is told.</template
        >
      </p>
    </section>

    <section v-if="earnings && earnings.yields.length > 0" class="sheet stack">
      <h2>What came of the pours since {{ formatDay(from, season.today) }}</h2>
      <table class="figures" data-test="yields">
        <thead>
          <tr>
            <th>Soap</th>
            <th class="number">Pours</th>
            <th class="number">Bars</th>
            <th class="number least">Downgraded</th>
            <th class="number least">Failed loaves</th>
            <th class="number">Came of it</th>
            <th class="number">Preparing and pouring</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in earnings.yields" :key="one.soap">
            <td class="serif">{{ one.soap }}</td>
            <td class="number">{{ one.pours }}</td>
            <td class="number">{{ one.barsOut }} of {{ one.barsPlanned }}</td>
            <td class="number least">{{ one.barsLost === 0 ? '' : one.barsLost }}</td>
            <td class="number least">{{ one.failedLoaves === 0 ? '' : one.failedLoaves }}</td>
            <td class="number" :class="{ must: one.yieldShare < 0.9 }">{{ show('share', one.yieldShare, 0) }}</td>
            <td class="number">{{ hours(one.hours) }}</td>
          </tr>
        </tbody>
      </table>
    </section>
  </div>
</template>

<style scoped>
.days {
  max-width: 420px;
}

@media (600px <= width <= 1100px) {
  .least {
    display: none;
  }
}

.asking {
  opacity: 0.7;
}

.small {
  font-size: 0.85rem;
}
</style>
