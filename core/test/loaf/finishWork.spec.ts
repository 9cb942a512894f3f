import { expect } from 'chai'
import fc from 'fast-check'
import { finishTime } from '../../src/cutting'
import type { LoafEvent, LoafToFinish } from '../../src/loaf'
import { finishedBars, finishWork, loafState, newlyFinished, shareMinutes } from '../../src/loaf'

const cut: LoafEvent = {
  type: 'cut',
  day: '2027-03-03',
  bars: 12,
  ends: 2,
  firstBarG: 126,
  bevelled: false,
}
const loaf = (id: string, more: readonly LoafEvent[] = [], of: Partial<LoafToFinish> = {}): LoafToFinish => ({
  id,
  bevelled: true,
  stamped: true,
  stampUntilDay: '2027-03-05',
  state: loafState([{ type: 'poured', day: '2027-03-01', batterG: 1600 }, cut, ...more]),
  ...of,
})
const timeOf = (finish: 'bevelled' | 'stamped' | 'planed' | 'pared' | 'polished', bars: number) =>
  finishTime(finish, bars, [])
const waiting = (loaves: readonly LoafToFinish[], day: string) =>
  finishWork(loaves, day, timeOf).map(({ loafId, finish, bars, allMin }) => [loafId, finish, bars, allMin])
const stamped = (bars: number): LoafEvent => ({
  type: 'finished',
  day: '2027-03-03',
  finish: 'stamped',
  bars,
  minutes: 5,
  removedG: null,
})

describe('finishWork', () => {
  it('stamps at once and bevels from the day after the cut, each tool taken up once', () => {
    expect(waiting([loaf('a')], '2027-03-03')).to.deep.equal([['a', 'stamped', 12, 6]])
    expect(waiting([loaf('a'), loaf('b', [], { stampUntilDay: '2027-03-04' })], '2027-03-04')).to.deep.equal([
      ['b', 'stamped', 12, 6],
      ['a', 'stamped', 12, 6],
      ['a', 'bevelled', 12, 12],
      ['b', 'bevelled', 12, 12],
    ])
  })

  it('leaves out what is done, what was never wanted, what is not cut, and what is on sale', () => {
    expect(waiting([loaf('a', [stamped(5)])], '2027-03-03')).to.deep.equal([['a', 'stamped', 7, 4]])
    expect(waiting([loaf('a', [stamped(12)], { bevelled: false })], '2027-03-04')).to.deep.equal([])
    const bevelledAtTheCut = loafState([cut, { ...cut, bevelled: true }])
    expect(finishedBars(bevelledAtTheCut, 'bevelled')).to.equal(12)
    expect(finishedBars(bevelledAtTheCut, 'stamped')).to.equal(0)
    const uncut = loaf('a', [], { state: loafState([{ type: 'poured', day: '2027-03-01', batterG: 1600 }]) })
    expect(waiting([uncut], '2027-03-04')).to.deep.equal([])
    const released: LoafEvent = {
      type: 'released',
      day: '2027-04-01',
      bars: 12,
      ph: 9.5,
      lookIsSound: true,
      labelIsComplete: true,
    }
    expect(waiting([loaf('a', [released])], '2027-04-02')).to.deep.equal([])
  })

  it('counts a bar once, however often it is logged', () => {
    const bevel = (bars: number): LoafEvent => ({ ...stamped(bars), type: 'finished', finish: 'bevelled' }) as LoafEvent
    expect(newlyFinished(loaf('a').state, bevel(8), 'bevelled')).to.equal(8)
    expect(newlyFinished(loaf('a', [bevel(8)]).state, bevel(8), 'bevelled')).to.equal(4)
    expect(newlyFinished(loaf('a').state, stamped(8), 'bevelled')).to.equal(0)
    expect(newlyFinished(loafState([]), { ...cut, bevelled: true } as LoafEvent, 'bevelled')).to.equal(12)
  })

  it('asks for no more bars than there are', () => {
    const lost: LoafEvent = { type: 'downgraded', day: '2027-03-03', bars: 4, to: 'samples', reason: 'chipped' }
    expect(waiting([loaf('a', [lost])], '2027-03-03')).to.deep.equal([['a', 'stamped', 8, 4]])
  })
})

describe('shareMinutes', () => {
  it('gives each loaf whole minutes by its bars, and all of them together', () => {
    expect(shareMinutes([{ bars: 12 }, { bars: 12 }], 25)).to.deep.equal([13, 12])
    fc.assert(
      fc.property(
        fc.array(fc.record({ bars: fc.integer({ min: 1, max: 60 }) }), { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 0, max: 1440 }),
        (works, minutes) => {
          const shares = shareMinutes(works, minutes)
          expect(shares.reduce((sum, one) => sum + one, 0)).to.equal(minutes)
          const all = works.reduce((sum, { bars }) => sum + bars, 0)
          shares.forEach((share, at) => {
            expect(share).to.be.at.least(0)
            expect(Math.abs(share - (minutes * works[at]!.bars) / all)).to.be.at.most(1)
          })
        },
      ),
    )
  })
})
