import { expect } from 'chai'
import {
  cureProgress,
  hasLevelledOff,
  inOrder,
  lossSoFar,
  photoDue,
  shareOfCure,
  weighInIsDue,
  weighInsByCureDay,
} from '../../src/cure'

const cutDay = '2027-03-09'
const falling = [
  { day: '2027-03-23', massG: 108.4 },
  { day: '2027-03-09', massG: 120 },
  { day: '2027-03-16', massG: 112 },
]

describe('cureProgress', () => {
  it('counts from the day of the cut', () => {
    expect(cureProgress(cutDay, 28, '2027-03-28')).to.deep.equal({
      dayNumber: 19,
      ofDays: 28,
      readyDay: '2027-04-06',
      isOver: false,
    })
    expect(cureProgress(cutDay, 28, '2027-04-06').isOver).to.equal(true)
    expect(cureProgress(cutDay, 28, cutDay).dayNumber).to.equal(0)
  })

  it('shows how much is over, never more than all', () => {
    expect(shareOfCure(cureProgress(cutDay, 28, '2027-03-16'))).to.equal(0.25)
    expect(shareOfCure(cureProgress(cutDay, 28, '2027-06-16'))).to.equal(1)
    expect(shareOfCure(cureProgress(cutDay, 0, cutDay))).to.equal(1)
  })
})

describe('weigh-ins', () => {
  it('are put in order, the last of a day holding', () => {
    expect(inOrder(falling).map(({ massG }) => massG)).to.deep.equal([120, 112, 108.4])
    expect(inOrder([...falling, { day: '2027-03-16', massG: 111 }])[1]?.massG).to.equal(111)
    expect(weighInsByCureDay(falling, cutDay)).to.deep.equal([
      { cureDay: 0, massG: 120 },
      { cureDay: 7, massG: 112 },
      { cureDay: 14, massG: 108.4 },
    ])
  })

  it('tell the loss since the first', () => {
    expect(lossSoFar(falling)).to.be.closeTo(1 - 108.4 / 120, 1e-12)
    expect(lossSoFar(falling.slice(0, 1))).to.equal(undefined)
    expect(lossSoFar([])).to.equal(undefined)
  })

  it('are due every seven days', () => {
    expect(weighInIsDue(falling, '2027-03-29')).to.equal(false)
    expect(weighInIsDue(falling, '2027-03-30')).to.equal(true)
    expect(weighInIsDue([], cutDay)).to.equal(true)
  })
})

describe('hasLevelledOff', () => {
  it('asks for less than 0.5 % in the last seven days', () => {
    expect(hasLevelledOff(falling)).to.equal(false)
    expect(hasLevelledOff([...falling, { day: '2027-03-30', massG: 108 }])).to.equal(true)
    // Exactly 0.5 % is not less.
    expect(
      hasLevelledOff([
        { day: '2027-03-01', massG: 100 },
        { day: '2027-03-08', massG: 99.5 },
      ]),
    ).to.equal(false)
  })

  it('draws straight lines between weighings', () => {
    // From day 1 to day 11 it falls from 100 to 99; seven days before the last it weighed 99.7: 0.7 % since.
    const sparse = [
      { day: '2027-03-01', massG: 100 },
      { day: '2027-03-11', massG: 99 },
    ]
    expect(hasLevelledOff(sparse)).to.equal(false)
    expect(hasLevelledOff([...sparse, { day: '2027-03-18', massG: 98.9 }])).to.equal(true)
  })

  it('cannot tell from less than seven days', () => {
    expect(
      hasLevelledOff([
        { day: '2027-03-01', massG: 100 },
        { day: '2027-03-04', massG: 100 },
      ]),
    ).to.equal(undefined)
    expect(hasLevelledOff([])).to.equal(undefined)
  })
})

describe('photoDue', () => {
  const cutDay = '2027-03-01'
  it('asks on day 1, 7 and 28 of the cure, and goes on asking until there is one', () => {
    expect(photoDue([], cutDay, cutDay)).to.equal(undefined)
    expect(photoDue([cutDay], cutDay, '2027-03-02')).to.equal(1)
    expect(photoDue([], cutDay, '2027-03-06')).to.equal(1)
    expect(photoDue(['2027-03-03'], cutDay, '2027-03-06')).to.equal(undefined)
    expect(photoDue(['2027-03-03'], cutDay, '2027-03-09')).to.equal(7)
    expect(photoDue(['2027-03-09'], cutDay, '2027-03-28')).to.equal(undefined)
    expect(photoDue(['2027-03-09'], cutDay, '2027-04-20')).to.equal(28)
  })
})
