import { expect } from 'chai'
import type { LoafOfSoap, PourOfSoap } from '../../src/loaf'
import { loafState, soapCount } from '../../src/loaf'

const day = '2027-03-08'
const poured = { type: 'poured', day, batterG: 1200 } as const
const cut = { type: 'cut', day, bars: 17, ends: 2, firstBarG: 119, bevelled: false } as const
const loaf = (batchId: string, ...more: Parameters<typeof loafState>[0]): LoafOfSoap => ({
  batchId,
  barsPlanned: 18,
  state: loafState([poured, ...more]),
})
const pour = (id: string, status: PourOfSoap['status']): PourOfSoap => ({ id, status, bars: 36 })

describe('how many bars of a soap there are', () => {
  it('counts what its pours are to give until they are poured', () => {
    expect(soapCount(60, [pour('a', 'planned'), pour('b', 'in_work')], [])).to.deep.equal({
      wanted: 60,
      cut: 0,
      toCome: 72,
      missing: 0,
      failedLoaves: 0,
    })
  })

  it('counts the bars that were cut, the loaves that are still to be, and nothing of a loaf that failed', () => {
    const failed = { type: 'failed', day, reason: 'Separated' } as const
    const loaves = [loaf('a', cut), loaf('a', failed), loaf('b')]
    // 17 cut, 18 in the mould, and 36 of the pour still to come.
    expect(soapCount(90, [pour('a', 'poured'), pour('b', 'poured'), pour('c', 'planned')], loaves)).to.deep.equal({
      wanted: 90,
      cut: 17,
      toCome: 54,
      missing: 19,
      failedLoaves: 1,
    })
  })

  it('counts no bar that was downgraded or called back', () => {
    const fewer = { type: 'downgraded', day, bars: 3, to: 'samples', reason: 'Ash' } as const
    const back = { type: 'recalled', day, reason: 'Lye heavy' } as const
    expect(soapCount(20, [], [loaf('a', cut, fewer)])).to.deep.include({ cut: 14, missing: 6 })
    expect(soapCount(20, [], [loaf('a', cut, back)])).to.deep.include({ cut: 0, toCome: 0, missing: 20 })
  })
})
