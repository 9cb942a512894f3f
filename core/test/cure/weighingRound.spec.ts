import { expect } from 'chai'
import { isOffForecast, weighingRound } from '../../src/cure'

const racks = [{ name: 'North rack' }, { name: 'Door rack' }]
const curing = (lotCode: string, place: string | undefined, weighedOn = '2027-03-01') => ({
  lotCode,
  place,
  weighIns: [{ day: weighedOn, massG: 128 }],
})

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

  it('leaves out what was weighed within the week', () => {
    const weighed = curing('a', 'North rack', '2027-03-05')
    expect(weighingRound([weighed, curing('b', 'North rack')], racks, '2027-03-08')).to.have.length(1)
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
