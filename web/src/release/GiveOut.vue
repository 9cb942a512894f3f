<script setup lang="ts">
import { api, problemOf } from '@/parts/api'
import { useUnits } from '@/parts/format'
import { useOwnScreen } from '@/parts/ownScreen'
import QuantityField from '@/parts/QuantityField.vue'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import { barsRange, endpoints } from '@vendange/contract'
import type { SaleChannel } from '@vendange/core/loaf'
import { freeBarsOf, saleChannels } from '@vendange/core/loaf'
import { sellThrough } from '@vendange/core/release'
import { counted } from '@vendange/words'
import { useKeptFields } from '@/parts/useKeptFields'
import { computed, reactive, ref, toRefs } from 'vue'

/** Bars given out: to orders, subscribers, the web drop, stalls; the oldest ready first, never more than there are. */
const season = useSeason()
const screen = useOwnScreen()
const { show } = useUnits()
const soaps = computed(() => {
  const released = season.loaves.filter(({ state }) => state.status === 'released')
  const ids = [...new Set(released.map(({ designId }) => designId))]
  return ids.map((id) => {
    const loaves = released.filter(({ designId }) => designId === id)
    return {
      id,
      name: season.design(id)?.name ?? loaves[0]?.name ?? '',
      free: freeBarsOf(loaves),
      channels: sellThrough(loaves.map(({ state }) => state)),
    }
  })
})
/** Collections and orders with free bars: each is given out on one page. */
const collections = computed(() =>
  season.collections.flatMap(({ id, name }) => {
    const own = new Set(season.lineUp(id).map((design) => design.id))
    const free = soaps.value.reduce((sum, soap) => sum + (own.has(soap.id) ? soap.free : 0), 0)
    return free > 0 ? [{ id, name, free }] : []
  }),
)
const orders = computed(() =>
  season.orders.filter(({ isRemoved, collectionId }) => !isRemoved && collectionId !== null),
)
const form = reactive({ designId: '', bars: 1, channel: 'Web' as SaleChannel, who: '', orderId: null as string | null })
const kept = useKeptFields('give-out', toRefs(form))
const words = ref('')
const trouble = ref<string>()
async function allot(): Promise<void> {
  trouble.value = undefined
  try {
    const order = orders.value.find(({ id }) => id === form.orderId)
    const who = form.channel === 'Orders' && order ? order.client : form.who
    const given = await api(endpoints.release.allot, {
      body: { ...form, who, orderId: form.channel === 'Orders' ? form.orderId : null },
    })
    // It is said once the page shows it, so that the next step starts from what is there.
    await season.load()
    kept.sent()
    words.value = `Set aside: ${given.lots.map(({ lotCode, bars }) => `${bars} of lot ${lotCode}`).join(', ')}.`
  } catch (error) {
    trouble.value = problemOf(error).detail
  }
}
</script>

<template>
  <section class="sheet stack" data-test="give-out">
    <h2>Bars to give out</h2>
    <table class="figures">
      <thead>
        <tr>
          <th colspan="2">Soap</th>
          <th class="number">Free</th>
          <th>Set aside and sold</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="soap in soaps" :key="soap.id" data-test="soap-to-give">
          <td class="face"><SoapFace :name="soap.name" :soap="season.design(soap.id)" :width="56" :height="40" /></td>
          <td class="serif">{{ soap.name }}</td>
          <td class="number">
            <b>{{ soap.free }}</b>
          </td>
          <td>
            <span v-for="one in soap.channels" :key="one.channel" class="channel">
              {{ one.channel }} {{ one.sold }} of {{ one.allotted }}
              <template v-if="one.share !== undefined">({{ show('share', one.share, 0) }})</template>
            </span>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-for="one in screen.may(endpoints.release.giveOut) ? collections : []" :key="one.id" class="row">
      <v-btn :to="`/give-out/${one.id}`" size="small" data-test="to-giving"
        >Give {{ one.name }} out: {{ counted(one.free, 'bar') }}</v-btn
      >
    </p>
    <form class="fields" @submit.prevent="allot">
      <v-select
        v-model="form.designId"
        :items="soaps.map(({ id, name }) => ({ value: id, title: name }))"
        label="Soap"
        data-test="give-soap"
      />
      <QuantityField v-model="form.bars" kind="count" :range="barsRange" label="Bars" />
      <v-select v-model="form.channel" :items="saleChannels" label="To" data-test="give-channel" />
      <v-select
        v-if="form.channel === 'Orders'"
        v-model="form.orderId"
        :items="orders.map(({ id, client }) => ({ value: id, title: client }))"
        label="Order"
      />
      <v-text-field v-else v-model="form.who" label="For whom" />
      <v-btn type="submit" color="primary" variant="flat" :disabled="form.designId === ''" data-test="give"
        >Set aside</v-btn
      >
    </form>
    <p v-if="trouble" class="must" role="alert">{{ trouble }}</p>
    <p v-else class="quiet" role="status">{{ words }}</p>
  </section>
</template>

<style scoped>
.channel + .channel::before {
  content: ' · ';
}
</style>
