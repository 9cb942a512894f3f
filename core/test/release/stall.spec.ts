import { expect } from 'chai'
import type { LoafState } from '../../src/loaf'
import { loafState } from '../../src/loaf'
import { homeComings, stallLines, takingsCents } from '../../src/release'

/** A loaf with so many bars set aside for stalls, and so many of them sold. */
function onStall(allotted: number, sold: number): LoafState {
  const channels = [
    { channel: 'Stalls' as const, allotted, sold },
    { channel: 'Web' as const, allotted: 5, sold: 5 },
  ]
  return { ...loafState([{ type: 'poured', day: '2027-03-01', batterG: 1000 }]), channels }
}

describe('a stall', () => {
  const loaves = [
    { designId: 'fog', state: onStall(6, 2) },
    { designId: 'fog', state: onStall(4, 0) },
    { designId: 'lamps', state: onStall(3, 0) },
    { designId: 'none', state: { ...onStall(0, 0), channels: [] } },
  ]

  it('has what was set aside for stalls, less what the records have as sold', () => {
    expect(stallLines(loaves, [])).to.deep.equal([
      { designId: 'fog', packed: 10, sold: 2, left: 8 },
      { designId: 'lamps', packed: 3, sold: 0, left: 3 },
    ])
  })

  it('brings home what was not sold, loaf by loaf', () => {
    const standing = loaves.map((loaf, at) => ({ ...loaf, id: `loaf-${at}`, version: at }))
    expect(
      homeComings([...standing, { designId: 'fog', id: 'empty', version: 1, state: onStall(2, 2) }]),
    ).to.deep.equal([
      { loafId: 'loaf-0', version: 0, bars: 4 },
      { loafId: 'loaf-1', version: 1, bars: 4 },
      { loafId: 'loaf-2', version: 2, bars: 3 },
    ])
  })

  it('counts what waits to be sent, and says when more was sold than was packed', () => {
    const waiting = [
      { designId: 'lamps', bars: 4, priceCents: 900 },
      { designId: 'fog', bars: 1, priceCents: 850 },
    ]
    const left = stallLines(loaves, waiting).map(({ designId, left: there }) => [designId, there])
    expect(left).to.deep.equal([
      ['fog', 7],
      ['lamps', -1],
    ])
    expect(takingsCents(waiting)).to.equal(4 * 900 + 850)
  })
})
