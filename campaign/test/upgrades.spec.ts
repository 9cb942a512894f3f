import { createClient } from '@libsql/client'
import { expect } from 'chai'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import globalSetup from '../../e2e/globalSetup'
import { openDatabase } from '../../server/src/db/database'
import { ownMigrationTimes } from '../../server/src/db/migrations'
import { diceOf } from '../dice'
import type { Tables } from '../upgrades'
import { everythingIn, noUpgrades, upgradeAll, upgradedFrom } from '../upgrades'

describe('an upgrade from each earlier version', () => {
  let demo: Tables
  let folder: string
  let tidyUp: () => void
  before(async () => {
    tidyUp = await globalSetup()
    // A workshop in which something stands in every column.
    demo = await everythingIn(join(process.env['VENDANGE_MADE_DEMO'] ?? '', 'vendange.sqlite'))
  })
  after(() => tidyUp())
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'vendange-'))))
  afterEach(() => rmSync(folder, { recursive: true, force: true }))

  for (const version of ownMigrationTimes().keys())
    it(`keeps what every column means: version ${version}`, async () => {
      const lost = await upgradedFrom(version, demo, folder, async () => {
        const file = join(folder, 'vendange.sqlite')
        const database = await openDatabase({ file, backupFolder: join(folder, 'backups'), now: () => new Date() })
        await database.close()
      })
      expect(lost).to.deep.equal([])
      expect(Object.values(demo).flat().length).to.be.above(100)
    }).timeout(60_000)

  it('is told where a column lost what it meant', async () => {
    const last = ownMigrationTimes().length - 1
    const lost = await upgradedFrom(last, demo, folder, async () => {
      const client = createClient({ url: `file:${join(folder, 'vendange.sqlite')}` })
      await client.execute("UPDATE moulds SET name = 'other' WHERE rowid = 2")
      client.close()
    })
    expect(lost).to.deep.equal(['moulds.name of row 2'])
  })

  it('is made by a server that starts, and goes on where it was killed', async () => {
    const tally = noUpgrades()
    tally.upgraded = ownMigrationTimes().length - 1
    await upgradeAll(diceOf(11), tally.upgraded + 3, tally)
    expect(tally).to.deep.equal({ upgraded: ownMigrationTimes().length + 2, killed: 2, broken: [] })
  }).timeout(60_000)
})
