import { expect } from 'chai'
import { loafOfPhoto, turnIsDue, turningRound } from '../../src/cure'

const racks = [{ name: 'North rack' }, { name: 'Door rack' }]
const curing = (lotCode: string, place: string | undefined, over: object = {}) => ({
  lotCode,
  place,
  cutDay: '2027-03-01',
  turnedDays: [],
  photoDays: ['2027-03-02'],
  ...over,
})

describe('turningRound', () => {
  it('is due a week after the cut, and a week after bars were turned last', () => {
    expect(turnIsDue({ cutDay: '2027-03-01', turnedDays: [] }, '2027-03-07')).to.equal(false)
    expect(turnIsDue({ cutDay: '2027-03-01', turnedDays: [] }, '2027-03-08')).to.equal(true)
    expect(turnIsDue({ cutDay: '2027-03-01', turnedDays: ['2027-03-09', '2027-03-08'] }, '2027-03-15')).to.equal(false)
    expect(turnIsDue({ cutDay: '2027-03-01', turnedDays: ['2027-03-09'] }, '2027-03-16')).to.equal(true)
  })

  it('goes by the trays as a hand comes by them, and past those with nothing to do', () => {
    const stops = turningRound(
      [
        curing('4', undefined),
        curing('3', 'Door rack'),
        curing('2', 'North rack, shelf 10'),
        curing('1', 'North rack, shelf 2'),
        curing('0', 'North rack', { turnedDays: ['2027-03-08'], photoDays: ['2027-03-08'] }),
      ],
      racks,
      '2027-03-08',
    )
    expect(stops.map(({ loaf }) => loaf.lotCode)).to.deep.equal(['1', '2', '3', '4'])
    expect(stops.map(({ isToTurn, photoDay }) => `${isToTurn} ${photoDay}`)).to.deep.equal(stops.map(() => 'true 7'))
    const [photo] = turningRound([curing('1', 'Door rack', { photoDays: [] })], racks, '2027-03-02')
    expect(photo).to.deep.include({ isToTurn: false, photoDay: 1 })
  })
})

describe('loafOfPhoto', () => {
  const loaves = [{ lotCode: '270301-1' }, { lotCode: '270301-11' }]
  it('goes by the code that a picture shows, then by the lot in its name', () => {
    expect(loafOfPhoto(loaves, 'lot:270301-1', '270301-11.jpg')?.lotCode).to.equal('270301-1')
    expect(loafOfPhoto(loaves, 'rack:North rack', 'face 270301-11.jpg')?.lotCode).to.equal('270301-11')
    expect(loafOfPhoto(loaves, undefined, '270301-1_day7.png')?.lotCode).to.equal('270301-1')
    expect(loafOfPhoto(loaves, undefined, 'IMG_1270301-112.jpg')).to.equal(undefined)
    expect(loafOfPhoto(loaves, 'lot:999999-1', 'IMG_0001.jpg')).to.equal(undefined)
  })
})
