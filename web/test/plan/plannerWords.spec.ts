import { expect } from 'chai'
import { planFoundSentence } from '../../src/plan/board/plannerWords'

const found = { changes: 2, lateDays: 0, leastLateDays: 0, withoutDay: [] }

describe('what a plan that was found comes to', () => {
  it('says what moves and what is late', () => {
    expect(planFoundSentence(found)).to.equal('2 pours get a new day; everything is in time.')
    expect(planFoundSentence({ ...found, changes: 1, lateDays: 1 })).to.equal(
      '1 pour gets a new day; 1 day of lateness remains.',
    )
  })

  it('says that no plan can do better where that is known, and nothing where it is not', () => {
    const late = { ...found, lateDays: 3 }
    expect(planFoundSentence({ ...late, leastLateDays: 3 })).to.equal(
      '2 pours get a new day; 3 days of lateness remain, and no plan can do better.',
    )
    expect(planFoundSentence({ ...late, leastLateDays: 2 })).to.equal(
      '2 pours get a new day; 3 days of lateness remain.',
    )
  })

  it('names the soaps that have no day', () => {
    expect(planFoundSentence({ ...found, changes: 1, withoutDay: ['Slow Light'] })).to.equal(
      '1 pour gets a new day; everything is in time. Slow Light has no day yet.',
    )
    expect(planFoundSentence({ ...found, changes: 0, withoutDay: ['Slow Light', 'Regatta'] })).to.equal(
      'No day was found for Slow Light and Regatta. Nothing else needs to move.',
    )
    expect(planFoundSentence({ ...found, changes: 0 })).to.equal(
      'The plan that stands is the best one found. Nothing needs to move.',
    )
  })
})
