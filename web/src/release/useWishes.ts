import { api } from '@/parts/api'
import { useCustomers } from '@/parts/customers'
import { useSeason } from '@/parts/seasonStore'
import { useFresh } from '@/parts/useFresh'
import type { GivenFor } from '@vendange/contract'
import { channelNames, endpoints } from '@vendange/contract'
import type { SaleChannel } from '@vendange/core/loaf'
import { channelOfMoment, freeBarsOf } from '@vendange/core/loaf'
import type { GivingWish } from '@vendange/core/release'
import { evenShare } from '@vendange/core/release'
import { computed, shallowRef, watch } from 'vue'

/** Somebody who waits for bars, and for which order. */
export interface Wish extends GivingWish {
  /** Empty where a channel has no names. */
  readonly who: string
  readonly orderId: string | null
}

/** Who wants bars of a collection or an order, what each has by now, and what is there of its soaps. */
export function useWishes(id: () => string) {
  const season = useSeason()
  const collection = computed(() => season.collection(id()))
  const order = computed(() => season.orders.find(({ collectionId }) => collectionId === id()))
  const soaps = computed(() =>
    season.lineUp(id()).map((design) => {
      const released = season.loaves.filter(
        ({ designId, state }) => designId === design.id && state.status === 'released',
      )
      return { designId: design.id, design, released, free: freeBarsOf(released) }
    }),
  )
  const asideFor = (channel: SaleChannel): number =>
    soaps.value
      .flatMap(({ released }) => released)
      .flatMap(({ state }) => state.channels.filter((one) => one.channel === channel))
      .reduce((sum, { allotted }) => sum + allotted, 0)
  /** What an order's people have by now, set aside or sent. */
  const given = shallowRef<readonly GivenFor[]>([])
  /** What those have by now that early moments and shops of a collection name. */
  const named = shallowRef<readonly GivenFor[]>([])
  async function loadGiven(): Promise<void> {
    const { value: of } = order
    if (of) given.value = await api(endpoints.givenForOrder, { params: { id: of.id } }).catch(() => given.value)
    if (collection.value)
      named.value = await api(endpoints.givenInCollection, { params: { id: id() } }).catch(() => named.value)
  }
  useFresh(loadGiven)
  watch([() => order.value?.id, () => collection.value?.id], loadGiven)
  const hadBy = (who: string, channel: SaleChannel): number =>
    named.value.reduce((sum, one) => sum + (one.who === who && one.channel === channel ? one.aside + one.sent : 0), 0)
  const { shops } = useCustomers()

  /** The people of an order: its client, or those of its boxes. */
  const ordered = computed<readonly Wish[]>(() => {
    const { value: of } = order
    if (!of) return []
    const people =
      of.recipients.length > 0
        ? of.recipients.map(({ who, bars }) => ({ who, bars, channel: 'Subscribers' as const }))
        : [{ who: of.client, bars: of.bars, channel: 'Orders' as const }]
    return people.map(({ who, bars, channel }): Wish => ({
      key: `order:${who}`,
      channel,
      who,
      orderId: of.id,
      wanted: bars,
      aside: given.value.reduce((sum, one) => sum + (one.who === who ? one.aside + one.sent : 0), 0),
    }))
  })
  /** Early moments that so many bars are for. */
  const early = computed<readonly Wish[]>(() =>
    (collection.value?.early ?? []).flatMap((moment): readonly Wish[] => {
      const channel = channelOfMoment(moment)
      const { audience, bars } = moment
      if (bars === null || bars === undefined || bars === 0) return []
      const aside = hadBy(audience, channel)
      return [{ key: `early:${audience}`, channel, who: audience, orderId: null, wanted: bars, aside, isEarly: true }]
    }),
  )
  /** What the shops of the workshop are to have, each an even part of it; those of an early moment have theirs. */
  function shopWishes(bars: number): readonly Wish[] {
    const others = shops.value.filter(({ name }) => !early.value.some(({ who }) => who === name))
    return others.map(({ name }, at) => ({
      key: `shop:${name}`,
      channel: 'Shops',
      who: name,
      orderId: null,
      wanted: evenShare(bars, others.length, at),
      aside: hadBy(name, 'Shops'),
    }))
  }
  const wishes = computed<readonly Wish[]>(() => {
    const said = collection.value?.channels ?? []
    // Where nobody has said how many, every channel may get what is typed.
    const open = said.length + ordered.value.length > 0 ? said : channelNames.map((channel) => ({ channel, bars: 0 }))
    const channels = open.flatMap(({ channel, bars: all }): readonly Wish[] => {
      // What is for an early moment is not for the rest of its channel.
      const before = early.value.filter((wish) => wish.channel === channel)
      const bars = Math.max(0, all - before.reduce((sum, { wanted }) => sum + wanted, 0))
      if (channel === 'Shops' && shops.value.length > 0) return shopWishes(bars)
      const aside = Math.max(0, asideFor(channel) - before.reduce((sum, wish) => sum + wish.aside, 0))
      return [{ key: channel, channel, who: '', orderId: null, wanted: bars, aside }]
    })
    return [...ordered.value, ...early.value, ...channels]
  })
  return { collection, order, soaps, ordered, given, wishes }
}
