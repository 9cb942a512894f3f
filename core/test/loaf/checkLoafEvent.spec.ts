import { expect } from 'chai'
import type { LoafEvent } from '../../src/loaf'
import { checkLoafEvent, loafState } from '../../src/loaf'

const today = '2027-04-10'
const poured: LoafEvent = { type: 'poured', day: '2027-03-08', batterG: 1208 }
const unmoulded: LoafEvent = { type: 'unmoulded', day: '2027-03-10' }
const cut: LoafEvent = { type: 'cut', day: '2027-03-10', bars: 10, ends: 2, firstBarG: 119, bevelled: true }
const weighed: LoafEvent = { type: 'weighed', day: '2027-03-17', barG: 112 }
const held: LoafEvent = { type: 'held', day: '2027-04-08', reason: 'orange spots' }
const released: LoafEvent = {
  type: 'released',
  day: today,
  bars: 10,
  ph: 9.5,
  lookIsSound: true,
  labelIsComplete: true,
}
const amended: LoafEvent = { type: 'amended', day: today, subject: 'count', text: 'one bar was a sample' }

const codes = (events: readonly LoafEvent[], next: LoafEvent) =>
  checkLoafEvent(loafState(events), next, today).map(({ code }) => code)

describe('loafState', () => {
  it('follows the events from mould to release', () => {
    const story = [poured, unmoulded, cut, weighed, held, released, amended]
    const statuses = story.map((_, index) => loafState(story.slice(0, index + 1)).status)
    expect(statuses).to.deep.equal(['in_mould', 'unmoulded', 'curing', 'curing', 'held', 'released', 'released'])
  })

  it('keeps what was measured, the first bar as the first weighing', () => {
    const state = loafState([poured, unmoulded, cut, { type: 'moved', day: '2027-03-10', place: 'Rack 1' }, weighed])
    expect(state.weighIns).to.deep.equal([
      { day: '2027-03-10', massG: 119 },
      { day: '2027-03-17', massG: 112 },
    ])
    expect(state).to.include({ batterG: 1208, pouredDay: '2027-03-08', unmouldedDay: '2027-03-10', place: 'Rack 1' })
    expect(state.cut?.bars).to.equal(10)
  })

  it('remembers photographs and why it was held', () => {
    const state = loafState([poured, { type: 'photographed', day: today, photoId: 'p1' }, unmoulded, cut, held])
    expect(state.photos.map(({ photoId }) => photoId)).to.deep.equal(['p1'])
    expect(state.holdReason).to.equal('orange spots')
    expect(loafState([poured, unmoulded, cut, held, released]).holdReason).to.equal(undefined)
  })
})

describe('checkLoafEvent', () => {
  it('lets a loaf fail at any time before its release, and nothing be made of it afterwards', () => {
    const failed: LoafEvent = { type: 'failed', day: today, reason: 'cracked' }
    for (const story of [[poured], [poured, unmoulded], [poured, unmoulded, cut], [poured, unmoulded, cut, held]])
      expect(codes(story, failed)).to.deep.equal([])
    expect(codes([poured, unmoulded, cut, released], failed)).to.deep.equal(['loaf_is_released'])
    expect(codes([poured, failed], unmoulded)).to.deep.equal(['event_out_of_order'])
    expect(codes([poured, unmoulded, cut, failed], released)).to.deep.equal(['event_out_of_order'])
    expect(codes([poured, failed], { type: 'noted', day: today, text: 'too hot' })).to.deep.equal([])
    expect(loafState([poured, failed])).to.include({ status: 'failed', failReason: 'cracked' })
  })

  it('lets the work go its way', () => {
    expect(codes([poured], unmoulded)).to.deep.equal([])
    expect(codes([poured, unmoulded], cut)).to.deep.equal([])
    expect(codes([poured, unmoulded, cut], weighed)).to.deep.equal([])
    expect(codes([poured, unmoulded, cut, held], released)).to.deep.equal([])
  })

  it('refuses what comes out of order', () => {
    expect(codes([poured], cut)).to.deep.equal(['event_out_of_order'])
    expect(codes([poured, unmoulded], released)).to.deep.equal(['event_out_of_order'])
    expect(codes([poured, unmoulded, cut], cut)).to.deep.equal(['event_out_of_order'])
    expect(codes([poured, unmoulded, cut], amended)).to.deep.equal(['event_out_of_order'])
  })

  it('lets a released loaf only be amended', () => {
    const story = [poured, unmoulded, cut, released]
    for (const event of [weighed, held, unmoulded]) expect(codes(story, event)).to.deep.equal(['loaf_is_released'])
    expect(codes(story, amended)).to.deep.equal([])
  })

  it('refuses days ahead, and days before their cause', () => {
    expect(codes([poured], { ...unmoulded, day: '2027-04-11' })).to.deep.equal(['day_ahead'])
    expect(codes([poured], { ...unmoulded, day: '2027-03-07' })).to.deep.equal(['day_before_cause'])
    expect(codes([poured, unmoulded], { ...cut, day: '2027-03-09' })).to.deep.equal(['day_before_cause'])
    expect(codes([poured, unmoulded, cut], { ...weighed, day: '2027-03-09' })).to.deep.equal(['day_before_cause'])
  })

  it('refuses more soap than there is', () => {
    expect(codes([poured, unmoulded], { ...cut, bars: 11 })).to.deep.equal(['bars_outweigh_loaf'])
    expect(codes([poured, unmoulded, cut], { ...released, bars: 11 })).to.deep.equal(['more_than_cut'])
  })
})
