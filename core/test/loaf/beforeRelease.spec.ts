import { expect } from 'chai'
import type { SaleChannel } from '../../src/loaf'
import { isBeforeRelease } from '../../src/loaf'

const collection = {
  releaseLocal: '2027-04-24T18:00',
  releaseZone: 'Europe/Lisbon',
  early: [
    { audience: 'Subscribers', local: '2027-04-22T18:00' },
    { audience: 'Mailing list', local: '2027-04-23T18:00' },
  ],
}
const one = { buyer: '', bars: 1, soldBars: 0 }
const told = (channel: SaleChannel, day: string, now = '2027-05-01T12:00:00Z', today = '2027-05-01'): boolean =>
  isBeforeRelease(collection, { channel, day, ...one }, { now, today, zone: 'Europe/Lisbon' })

describe('isBeforeRelease', () => {
  it('holds each channel against the first moment that opens it', () => {
    const days = ['2027-04-21', '2027-04-22', '2027-04-23', '2027-04-24']
    const of = (channel: SaleChannel) => days.map((day) => told(channel, day))
    expect(of('Subscribers')).to.deep.equal([true, false, false, false])
    expect(of('Web')).to.deep.equal([true, true, false, false])
    expect(of('Stalls')).to.deep.equal([true, true, true, false])
    expect(of('Orders')).to.deep.equal([false, false, false, false])
  })

  it('ends a moment with the last of its bars, and opens it for whom it names', () => {
    const early = [
      { audience: 'Friends', local: '2027-04-22T18:00', channel: 'Web', bars: 10 },
      { audience: 'Mailing list', local: '2027-04-23T18:00', bars: 5 },
      { audience: 'Corner House', local: '2027-04-22T18:00', channel: 'Shops', bars: null },
      { audience: 'Stalls', local: '2027-04-22T18:00', channel: 'Stalls', bars: 6 },
    ] as const
    const where = { now: '2027-05-01T12:00:00Z', today: '2027-05-01', zone: 'Europe/Lisbon' }
    const isEarly = (channel: SaleChannel, day: string, bars: number, soldBars: number, buyer = '') =>
      isBeforeRelease({ ...collection, early }, { channel, day, bars, soldBars, buyer }, where)
    expect([isEarly('Web', '2027-04-23', 2, 8), isEarly('Web', '2027-04-22', 3, 8)]).to.deep.equal([false, true])
    // From the 23rd on there are five more; from the release on as many as there are.
    expect([isEarly('Web', '2027-04-23', 3, 12), isEarly('Web', '2027-04-23', 4, 12)]).to.deep.equal([false, true])
    expect(isEarly('Web', '2027-04-24', 40, 12)).to.equal(false)
    expect(isEarly('Shops', '2027-04-23', 200, 0, 'Corner House')).to.equal(false)
    expect(isEarly('Shops', '2027-04-23', 1, 0, 'Another shop')).to.equal(true)
    expect([isEarly('Stalls', '2027-04-23', 6, 0, 'A. Buyer'), isEarly('Stalls', '2027-04-23', 7, 0)]).to.deep.equal([
      false,
      true,
    ])
  })

  it('asks the clock on the day itself, in the zone of the release', () => {
    // 18:00 in Lisbon is 17:00 UTC in April.
    expect(told('Stalls', '2027-04-24', '2027-04-24T16:59:00.000Z', '2027-04-24')).to.equal(true)
    expect(told('Stalls', '2027-04-24', '2027-04-24T17:00:00.000Z', '2027-04-24')).to.equal(false)
  })

  it('tells the day as the workshop has it', () => {
    // 18:00 on the 24th in Lisbon is the 25th in Auckland.
    const sale = { channel: 'Stalls', day: '2027-04-24', ...one } as const
    const where = { now: '2027-05-01T12:00:00Z', today: '2027-05-01', zone: 'Pacific/Auckland' }
    expect(isBeforeRelease(collection, sale, where)).to.equal(true)
    expect(isBeforeRelease(collection, { ...sale, day: '2027-04-25' }, where)).to.equal(false)
  })
})
