<script setup lang="ts">
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import { formatDay } from '@vendange/core/calendar'
import { counted } from '@vendange/words'
import { computed } from 'vue'

/** Orders that nobody has said yes or no to. */
const season = useSeason()
const openOrders = computed(() =>
  season.orders
    .filter(({ state, collectionId }) => collectionId === null && (state === 'asked' || state === 'quoted'))
    .sort((a, b) => a.dueDay.localeCompare(b.dueDay)),
)
</script>

<template>
  <section v-if="openOrders.length > 0" class="asked">
    <p class="eyebrow">Orders asked for</p>
    <div class="row">
      <RouterLink v-for="order in openOrders" :key="order.id" class="plain sheet ask" :to="`/orders/${order.id}`">
        <SoapFace
          :name="order.client"
          :soap="{ name: order.client, colours: order.colours.map(({ hex }) => ({ hex, share: 1 })) }"
          :width="46"
          :height="34"
        />
        <span
          ><b class="serif">{{ order.client }}</b
          ><br /><small class="quiet"
            >{{ counted(order.bars, 'bar') }} by {{ formatDay(order.dueDay, season.today) }}</small
          ></span
        >
      </RouterLink>
    </div>
  </section>
</template>

<style scoped>
.asked {
  break-inside: avoid;
  margin-bottom: 18px;
}

.ask {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 10px 16px 10px 10px;
}
</style>
