import { expect } from 'chai'
import fc from 'fast-check'
import {
  codeOfLot,
  codeOfRack,
  cureRoom,
  readPlaceCode,
  trayLoads,
  traysFreeOn,
  traysOf,
  traysShort,
} from '../../src/cure'

const racks = [
  { name: 'North rack', trays: 4 },
  { name: 'Door rack', trays: 2 },
]
const loaf = (lotCode: string, bars: number, place: string | undefined, readyDay: string) => ({
  id: lotCode,
  lotCode,
  bars,
  place,
  readyDay,
})
const loaves = [
  loaf('270224-1', 18, 'North rack', '2027-03-24'),
  loaf('270226-1', 40, 'north rack, shelf 2', '2027-03-20'),
  loaf('270301-1', 10, 'Door rack', '2027-04-01'),
  loaf('270305-1', 10, 'the window sill', '2027-04-03'),
]

describe('the cure room', () => {
  it('counts trays rack by rack, and tells what stands elsewhere', () => {
    const room = cureRoom(racks, loaves, 18)
    expect(room.racks.map(({ usedTrays }) => usedTrays)).to.deep.equal([1 + 3, 1])
    expect(room.unplaced.map(({ lotCode }) => lotCode)).to.deep.equal(['270305-1'])
  })

  it('knows a rack by its whole name, the longer where one begins with the other', () => {
    const two = [...racks, { name: 'North rack 2', trays: 4 }]
    const placed = ['North rack 2, shelf 1', 'North rack 3', 'North racks', 'North rack; shelf 1'].map((place, at) =>
      loaf(`2703${at}-1`, 18, place, '2027-04-01'),
    )
    const room = cureRoom(two, placed, 18)
    expect(room.racks.map((rack) => rack.loaves.map((one) => one.loaf.place))).to.deep.equal([
      ['North rack 3', 'North rack; shelf 1'],
      [],
      ['North rack 2, shelf 1'],
    ])
    expect(room.unplaced.map(({ place }) => place)).to.deep.equal(['North racks'])
  })

  it('says when trays are free', () => {
    const room = cureRoom(racks, loaves, 18)
    expect(traysFreeOn(room, 1, '2027-03-08')).to.equal('2027-03-08')
    expect(traysFreeOn(room, 4, '2027-03-08')).to.equal('2027-03-20')
    expect(traysFreeOn(room, 5, '2027-03-30')).to.equal('2027-03-30')
    expect(traysFreeOn(room, 7, '2027-03-08')).to.equal(undefined)
  })

  it('says when what is planned has no room any more, and how much is missing', () => {
    // Of six trays one is free; three are on the 20th, four on the 24th.
    const room = cureRoom(racks, loaves, 18)
    const pour = (bars: number, cutDay: string) => ({ bars, cutDay, readyDay: '2027-05-01' })
    expect(traysShort(room, [pour(18, '2027-03-10'), pour(54, '2027-03-20')], 18)).to.equal(undefined)
    expect(traysShort(room, [pour(40, '2027-03-10')], 18)).to.deep.equal({ day: '2027-03-10', missing: 2 })
    expect(traysShort(room, [pour(18, '2027-03-10'), pour(90, '2027-03-24')], 18)).to.deep.equal({
      day: '2027-03-24',
      missing: 1,
    })
  })

  it('puts bars on trays, the last one with the rest', () => {
    expect(trayLoads(40, 18)).to.deep.equal([18, 18, 4])
    expect(trayLoads(0, 18)).to.deep.equal([])
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 500 }), fc.integer({ min: 1, max: 60 }), (bars, each) => {
        const loads = trayLoads(bars, each)
        expect(loads.reduce((sum, load) => sum + load, 0)).to.equal(bars)
        expect(loads).to.have.length(traysOf(bars, each))
        for (const load of loads) expect(load).to.be.within(1, each)
      }),
    )
  })

  it('reads a code: a lot or a rack', () => {
    expect(readPlaceCode(' 270301-1 ', racks, loaves)).to.deep.equal({ loaf: loaves[2] })
    expect(readPlaceCode('door rack', racks, loaves)).to.deep.equal({ rack: 'Door rack' })
    expect(readPlaceCode(codeOfLot('270301-1'), racks, loaves)).to.deep.equal({ loaf: loaves[2] })
    expect(readPlaceCode(codeOfRack('Door rack'), racks, loaves)).to.deep.equal({ rack: 'Door rack' })
    expect(readPlaceCode(codeOfRack('270301-1'), racks, loaves)).to.equal(undefined)
    expect(readPlaceCode('somewhere', racks, loaves)).to.equal(undefined)
  })
})
