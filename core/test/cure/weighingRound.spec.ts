import { expect } from 'chai'
import { isOffForecast, weighingRound } from '../../src/cure'
import { loafState } from '../../src/loaf'

const racks = [{ name: 'North rack' }, { name: 'Door rack' }]
const cut = { type: 'cut', day: '2027-03-01', bars: 12, ends: 2, firstBarG: 130, bevelled: false } as const
function curing(lotCode: string, place: string | undefined, weighedOn = '2027-03-01') {
  const state = loafState([
    { type: 'poured', day: '2027-02-27', batterG: 1700 },
    { type: 'unmoulded', day: '2027-03-01' },
    cut,
    ...(place === undefined ? [] : [{ type: 'moved', day: '2027-03-01', place } as const]),
    { type: 'weighed', day: weighedOn, barG: 128 },
  ])
  return { lotCode, state }
}

describe('a weighing round', () => {
  it('goes by the racks as they stand, then by shelf and lot; what stands nowhere comes last', () => {
    const loaves = [
      curing('270227-10', 'Door rack'),
      curing('270227-3', undefined),
      curing('270227-2', 'Door rack'),
      curing('270227-4', 'North rack'),
      curing('270227-5', 'A shelf that is gone'),
      curing('270227-1', 'North rack, shelf 10'),
      curing('270227-9', 'North rack, shelf 2'),
    ]
    expect(weighingRound(loaves, racks, '2027-03-08').map(({ lotCode }) => lotCode)).to.deep.equal([
      '270227-4',
      '270227-9',
      '270227-1',
      '270227-2',
      '270227-10',
      '270227-3',
      '270227-5',
    ])
  })

  it('leaves out what was weighed within the week, and what does not cure', () => {
    const weighed = curing('a', 'North rack', '2027-03-05')
    const { state } = curing('b', 'North rack')
    const failed = { lotCode: 'b', state: { ...state, status: 'failed' as const } }
    const held = { lotCode: 'c', state: { ...state, status: 'held' as const } }
    expect(weighingRound([weighed, failed, held], racks, '2027-03-08').map(({ lotCode }) => lotCode)).to.deep.equal([
      'c',
    ])
    expect(weighingRound([weighed], racks, '2027-03-12')).to.have.length(1)
  })

  it('asks again about a mass outside the band of the nearest day that was forecast', () => {
    const days = [
      { cureDay: 7, fromG: 120, untilG: 126 },
      { cureDay: 14, fromG: 116, untilG: 122 },
    ]
    expect([119.9, 120, 126, 126.1].map((massG) => isOffForecast(days, 9, massG))).to.deep.equal([
      true,
      false,
      false,
      true,
    ])
    expect([118.9, 119, 127, 127.1].map((massG) => isOffForecast(days, 9, massG, 1))).to.deep.equal([
      true,
      false,
      false,
      true,
    ])
    expect(isOffForecast(days, 12, 119)).to.equal(false)
    expect(isOffForecast([], 12, 1)).to.equal(false)
  })
})
