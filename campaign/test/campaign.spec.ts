import { expect } from 'chai'
import { join } from 'node:path'
import globalSetup from '../../e2e/globalSetup'
import { WorkshopProcess } from '../../e2e/server'
import { noArchives, sendArchives } from '../archives'
import { cutBackupsOff, noBackups } from '../backups'
import { diceOf } from '../dice'
import { brokenInvariants, nothingRemembered } from '../invariants'
import { killAgainAndAgain, noKills } from '../kills'
import { hangMs } from '../send'
import { newTally, throwRequests, throwSequences } from '../throwing'

/** How long an answer takes is for the campaign itself to say: a test has the machine never to itself. */
const isOnlySlow = ({ what }: { readonly what: string }): boolean => / took \d+ ms$/.test(what)

describe('a small part of the campaign', () => {
  const today = '2027-03-08'
  let tidyUp: () => void
  before(async () => (tidyUp = await globalSetup()))
  after(() => tidyUp())

  it('of requests, single and in sequences, breaks nothing', async () => {
    const workshop = new WorkshopProcess()
    workshop.seedDemo()
    await workshop.start(today)
    try {
      const tally = newTally()
      const remembered = nothingRemembered()
      const file = join(workshop.folder, 'vendange.sqlite')
      await throwRequests(workshop.url, diceOf(2027), 200, tally)
      expect(await brokenInvariants(workshop.url, file, remembered)).to.deep.equal([])
      await throwSequences(workshop.url, diceOf(308), 80, tally)
      expect(await brokenInvariants(workshop.url, file, remembered)).to.deep.equal([])
      expect(tally.broken.filter((one) => !isOnlySlow(one))).to.deep.equal([])
      expect(tally.slowestMs).to.be.below(20 * hangMs)
      // Hostile and sound ones alike got through to what they were meant for.
      for (const status of [200, 201, 400, 422]) expect(tally.byStatus.get(status) ?? 0, `${status}`).to.be.above(5)
    } finally {
      await workshop.dispose()
    }
  })

  it('of kills amid all kinds of writes loses nothing that was answered as kept', async () => {
    const workshop = new WorkshopProcess()
    workshop.seedDemo()
    await workshop.start(today)
    try {
      const tally = noKills()
      await killAgainAndAgain(workshop, diceOf(8), 3, tally)
      expect(tally).to.deep.include({ kills: 3, lost: [], broken: [] })
      expect(tally.acknowledged).to.be.above(3)
    } finally {
      await workshop.dispose()
    }
  })

  it('of archives changed by hand takes none that comes out otherwise', async () => {
    const tally = noArchives()
    await sendArchives(diceOf(9), 5, tally)
    expect(tally.broken).to.deep.equal([])
    expect(tally.refused + tally.taken).to.equal(5)
  })

  it('of backups cut off lists none that does not go back', async () => {
    const tally = noBackups()
    await cutBackupsOff(diceOf(10), 6, tally)
    expect(tally).to.deep.include({ asked: 6, broken: [] })
  })
}).timeout(240_000)
