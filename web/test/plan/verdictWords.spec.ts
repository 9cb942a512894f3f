import type { CollectionVerdict, SoapVerdict } from '@vendange/core/season'
import { expect } from 'chai'
import { dayCount, standingClass, standingWords, verdictSentence } from '../../src/plan/verdictWords'

const today = '2027-03-08'
const neededDay = '2027-04-10'

const soap = (name: string, rest: Partial<SoapVerdict>): SoapVerdict => ({
  designId: name,
  name,
  standing: 'planned',
  cutDay: undefined,
  pourDay: '2027-03-10',
  readyDay: '2027-04-08',
  slackDays: 2,
  betterDay: undefined,
  whyNoDay: [],
  ...rest,
})
const verdict = (soaps: readonly SoapVerdict[], nextPour?: CollectionVerdict['nextPour']): CollectionVerdict => ({
  possible: soaps.every(({ standing }) => standing !== 'late' && standing !== 'incomplete'),
  soaps,
  nextPour,
})
const sentence = (of: CollectionVerdict, day = neededDay): string => verdictSentence('Night Train', day, of, today)

describe('verdictSentence', () => {
  it('says by when the first must be poured', () => {
    const next = { name: 'Lantern Glass', designId: 'l', byDay: '2027-03-12' }
    expect(sentence(verdict([soap('Lantern Glass', {})], next))).to.equal(
      'Night Train makes Sat 10 Apr if Lantern Glass is poured by Fri 12 Mar, in 4 days.',
    )
  })

  it('names the soap that is latest, and the others that are late too', () => {
    const late = [
      soap('Signal Lamps', { standing: 'late', slackDays: -2 }),
      soap('Dawn Arrival', { standing: 'late', slackDays: -5 }),
      soap('Dining Car', { standing: 'late', slackDays: -1 }),
    ]
    expect(sentence(verdict(late))).to.equal(
      'Night Train misses Sat 10 Apr: Dawn Arrival is ready 5 days late. Signal Lamps and Dining Car too.',
    )
    expect(sentence(verdict([soap('Dawn Arrival', { standing: 'late', slackDays: -1 })]))).to.equal(
      'Night Train misses Sat 10 Apr: Dawn Arrival is ready 1 day late.',
    )
  })

  it('says of one whose pour day went by what pouring it today would give', () => {
    const missed = soap('Dawn Arrival', {
      ...{ standing: 'late', overdue: true, pourDay: '2027-03-05', readyDay: '2027-04-12', slackDays: -2 },
    })
    expect(sentence(verdict([missed]))).to.equal(
      'Night Train misses Sat 10 Apr: Dawn Arrival was to be poured on Fri 5 Mar and, poured today, is ready 2 days late.',
    )
    expect(standingWords(missed, today)).to.equal(
      'Was to be poured on Fri 5 Mar; poured today, ready Mon 12 Apr: 2 days late',
    )
    const inTime = { ...missed, standing: 'planned' as const, readyDay: '2027-04-09', slackDays: 1 }
    expect(standingWords(inTime, today)).to.equal('Was to be poured on Fri 5 Mar; poured today, ready Fri 9 Apr')
  })

  it('says so when no day is free at all', () => {
    const stuck = soap('Dawn Arrival', { standing: 'late', slackDays: undefined, pourDay: undefined })
    expect(sentence(verdict([stuck]))).to.contain('Dawn Arrival finds no free day.')
  })

  it('asks for what is missing before it judges', () => {
    const incomplete = [
      soap('Platform Fog', { standing: 'incomplete' }),
      soap('Dining Car', { standing: 'incomplete' }),
    ]
    expect(sentence(verdict(incomplete))).to.equal(
      'Night Train cannot be judged yet: choose recipe and mould for Platform Fog and Dining Car.',
    )
  })

  it('is content when all is poured, or cured', () => {
    expect(sentence(verdict([soap('Platform Fog', { standing: 'curing' })]))).to.equal(
      'All of Night Train is poured and will be cured by Sat 10 Apr.',
    )
    expect(sentence(verdict([soap('Platform Fog', { standing: 'ready' })]))).to.equal(
      'Every soap of Night Train is cured and waits for Sat 10 Apr.',
    )
  })

  it('knows an empty line-up, and a release that is past', () => {
    expect(sentence(verdict([]))).to.equal('Night Train comes out on Sat 10 Apr and has no soaps yet.')
    expect(sentence(verdict([soap('Platform Fog', { standing: 'out' })]), '2026-05-09')).to.equal(
      'Night Train came out on Sat 9 May 2026.',
    )
    // What was not made for it has missed it.
    const fog = soap('Platform Fog', { standing: 'planned' })
    expect(sentence(verdict([fog, soap('Dawn', { standing: 'ready' })]), '2026-05-09')).to.equal(
      'Night Train was needed by Sat 9 May 2026, and Platform Fog is not ready yet.',
    )
    expect(sentence(verdict([fog, soap('Dawn', { standing: 'late' })]), '2026-05-09')).to.equal(
      'Night Train was needed by Sat 9 May 2026, and 2 of its 2 soaps are not ready yet: Platform Fog and Dawn.',
    )
  })
})

describe('standingWords', () => {
  it('says where each soap stands', () => {
    const words = (rest: Partial<SoapVerdict>): string => standingWords(soap('Fog', rest), today)
    expect(words({ standing: 'out' })).to.equal('Came out')
    expect(words({ standing: 'ready' })).to.equal('Cured, ready')
    expect(words({ standing: 'curing' })).to.equal('Curing until Thu 8 Apr')
    expect(words({ standing: 'planned' })).to.equal('Pour Wed 10 Mar, ready Thu 8 Apr')
    expect(words({ standing: 'to_plan' })).to.equal('Free day: Wed 10 Mar')
    expect(words({ standing: 'to_plan', pourDay: undefined })).to.equal('Free day: no free day')
    expect(words({ standing: 'late', slackDays: -3 })).to.equal('Ready Thu 8 Apr: 3 days late')
    expect(words({ standing: 'late', slackDays: undefined })).to.equal('No free day within a year')
    expect(words({ standing: 'incomplete' })).to.equal('Choose recipe and mould')
  })

  it('has a colour for every standing, and counts days', () => {
    expect(Object.keys(standingClass)).to.have.length(7)
    expect(dayCount(-1)).to.equal('1 day')
    expect(dayCount(4)).to.equal('4 days')
  })
})
