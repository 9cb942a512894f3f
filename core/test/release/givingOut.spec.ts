import { expect } from 'chai'
import fc from 'fast-check'
import type { GivingWish } from '../../src/release'
import { givingOrder, proposeGivingOut } from '../../src/release'

const wish = (channel: GivingWish['channel'], wanted: number, aside = 0): GivingWish => ({
  key: channel,
  channel,
  wanted,
  aside,
})

describe('who gets how many bars', () => {
  it('gives orders first, then who may buy early, and the drop what is left', () => {
    const soaps = [{ designId: 'fog', free: 18 }]
    expect(proposeGivingOut(soaps, [wish('Web', 54), wish('Subscribers', 6), wish('Orders', 10)])).to.deep.equal([
      { designId: 'fog', key: 'Orders', bars: 10 },
      { designId: 'fog', key: 'Subscribers', bars: 6 },
      { designId: 'fog', key: 'Web', bars: 2 },
    ])
  })

  it('gives early moments theirs after the orders, before any channel', () => {
    const soaps = [{ designId: 'fog', free: 20 }]
    const early = { ...wish('Shops', 6), key: 'early:Corner House', isEarly: true }
    expect(proposeGivingOut(soaps, [wish('Subscribers', 30), early, wish('Orders', 10)])).to.deep.equal([
      { designId: 'fog', key: 'Orders', bars: 10 },
      { designId: 'fog', key: 'early:Corner House', bars: 6 },
      { designId: 'fog', key: 'Subscribers', bars: 4 },
    ])
  })

  it('spreads a wish over the soaps by what there is of each, and leaves out what is aside already', () => {
    const soaps = [
      { designId: 'fog', free: 30 },
      { designId: 'lamp', free: 15 },
      { designId: 'dawn', free: 0 },
    ]
    // 20 wanted, 5 aside: 15 of 45, a third of each.
    expect(proposeGivingOut(soaps, [wish('Web', 20, 5)])).to.deep.equal([
      { designId: 'fog', key: 'Web', bars: 10 },
      { designId: 'lamp', key: 'Web', bars: 5 },
    ])
  })

  it('never gives a bar twice, nor more than is wanted, and all that it can', () => {
    const count = fc.integer({ min: 0, max: 90 })
    fc.assert(
      fc.property(
        fc.array(count, { maxLength: 6 }),
        fc.array(fc.record({ channel: fc.constantFrom(...givingOrder), wanted: count, aside: count }), {
          maxLength: 6,
        }),
        (frees, wants) => {
          const soaps = frees.map((free, at) => ({ designId: String(at), free }))
          const wishes = wants.map((one, at) => ({ ...one, key: String(at) }))
          const gifts = proposeGivingOut(soaps, wishes)
          const given = (of: (gift: (typeof gifts)[number]) => boolean): number =>
            gifts.filter(of).reduce((sum, { bars }) => sum + bars, 0)
          for (const { designId, free } of soaps) expect(given((one) => one.designId === designId)).to.be.at.most(free)
          const open = wishes.map(({ key, wanted, aside }) => ({ key, left: Math.max(0, wanted - aside) }))
          for (const { key, left } of open) expect(given((one) => one.key === key)).to.be.at.most(left)
          const all = frees.reduce((sum, one) => sum + one, 0)
          const asked = open.reduce((sum, { left }) => sum + left, 0)
          expect(given(() => true)).to.equal(Math.min(all, asked))
          for (const { bars } of gifts) expect(bars).to.be.at.least(1)
        },
      ),
    )
  })
})
