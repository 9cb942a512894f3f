import type { LoafState, SaleChannel } from '../loaf'
import { saleChannels } from '../loaf'

/** What of a soap went through one channel. */
export interface SellThrough {
  readonly channel: SaleChannel
  readonly allotted: number
  readonly sold: number
  /** 0 to 1; undefined where nothing was set aside. */
  readonly share: number | undefined
}

/** How the bars of some loaves sold, channel by channel; those that got none are left out. */
export function sellThrough(states: readonly Pick<LoafState, 'channels'>[]): readonly SellThrough[] {
  return saleChannels.flatMap((channel) => {
    const of = states.flatMap(({ channels }) => channels.filter((one) => one.channel === channel))
    const allotted = of.reduce((sum, one) => sum + one.allotted, 0)
    const sold = of.reduce((sum, one) => sum + one.sold, 0)
    return allotted === 0 && sold === 0
      ? []
      : [{ channel, allotted, sold, share: allotted > 0 ? sold / allotted : undefined }]
  })
}
