<script setup lang="ts">
import { api } from '@/parts/api'
import { useUnits } from '@/parts/format'
import { useOwnScreen } from '@/parts/ownScreen'
import { runChange } from '@/parts/runChange'
import { useSeason } from '@/parts/seasonStore'
import type { OwedSale } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import { freeBarsOf } from '@vendange/core/loaf'
import { counted } from '@vendange/words'

/** Sales that the workshop has no bar for: the buyer paid, and who answers for the workshop settles it. */
const season = useSeason()
const screen = useOwnScreen()
const { money } = useUnits()

const freeOf = (sale: OwedSale): number =>
  freeBarsOf(season.loaves.filter(({ designId, state }) => designId === sale.designId && state.status === 'released'))
const settle = (sale: OwedSale, how: 'free_bar' | 'money_back'): Promise<unknown> =>
  runChange(() => api(endpoints.release.settleSale, { body: { saleId: sale.saleId, how } }))
</script>

<template>
  <section v-if="season.owedSales.length > 0" class="sheet" data-test="owed">
    <h2>Owed</h2>
    <ul class="bare">
      <li v-for="sale in season.owedSales" :key="sale.saleId" class="owed" data-test="owed-sale">
        <p>
          <b class="serif">{{ season.design(sale.designId)?.name }}</b>, {{ counted(sale.bars, 'bar')
          }}{{ sale.priceCents === null ? '' : ` at ${money(sale.priceCents)}` }}, sold on
          {{ formatDay(sale.day, season.today) }} by {{ sale.makerName
          }}{{ sale.buyer === '' ? '' : ` (${sale.buyer})` }}.
        </p>
        <p class="quiet">{{ sale.why }}</p>
        <p v-if="!screen.may(endpoints.release.settleSale)" class="quiet">Who keeps the workshop settles it.</p>
        <div v-else class="row">
          <v-btn
            v-if="freeOf(sale) >= sale.bars"
            color="primary"
            variant="flat"
            data-test="settle-free"
            @click="settle(sale, 'free_bar')"
            >Give {{ sale.bars === 1 ? 'one' : sale.bars }} of the {{ freeOf(sale) }} that are free</v-btn
          >
          <v-btn data-test="settle-money" @click="settle(sale, 'money_back')">The money is given back</v-btn>
          <span v-if="freeOf(sale) < sale.bars" class="quiet">No other bar of it is free.</span>
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.owed + .owed {
  margin-top: 16px;
  padding-top: 16px;
  border-top: 1px solid rgb(var(--v-theme-hairline));
}

.owed p {
  margin-bottom: 6px;
}
</style>
