import { allEndpoints, endpoints } from '@vendange/contract'
import { expect } from 'chai'
import { answerOf, isKept, keptAddress, keptSince } from '../../src/workers/keptAnswers'

const pathOf = ({ path }: { readonly path: string }): string => path.replace(/:\w+/g, 'some-id')

describe('what is kept on the device', () => {
  it('keeps what the bench, the day, the cure room and the stall read', () => {
    const { season, stores, room, loaves, batches, screens } = endpoints
    for (const endpoint of [season, stores, room.list, loaves.list, loaves.view, batches.view, screens.own])
      expect(isKept(pathOf(endpoint)), endpoint.path).to.equal(true)
  })

  it('keeps no file, no list of screens and nothing that only an owner reads', () => {
    const { archive, backups, damage, screens, batches, calendar } = endpoints
    for (const endpoint of [
      archive.make,
      backups.list,
      damage.list,
      screens.list,
      screens.deeds,
      batches.runSheet,
      calendar,
    ])
      expect(isKept(pathOf(endpoint)), endpoint.path).to.equal(false)
  })

  it('keeps the batch that a step was answered with, where the batch is read', () => {
    expect(keptAddress(pathOf(endpoints.batches.record))).to.equal(pathOf(endpoints.batches.view))
    expect(keptAddress(pathOf(endpoints.loaves.record))).to.equal(pathOf(endpoints.loaves.view))
    const { batches, loaves } = endpoints
    const others = allEndpoints().filter((one) => one !== batches.record && one !== loaves.record)
    expect(others.filter((one) => keptAddress(pathOf(one)) !== undefined)).to.deep.equal([])
  })

  it('says of an answer that was kept since when', async () => {
    const came = 'Mon, 08 Mar 2027 12:05:00 GMT'
    const answer = answerOf(new Response('{"a":1}', { headers: { Date: came } }))
    expect(answer?.headers.get(keptSince)).to.equal(came)
    expect(await answer?.json()).to.deep.equal({ a: 1 })
    expect(answerOf(undefined)).to.equal(undefined)
  })
})
