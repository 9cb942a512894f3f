import { expect } from 'chai'
import { endpoints } from '@vendange/contract'
import { sql } from 'drizzle-orm'
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { RestoreRefused } from '../src/db/refusedFile'
import { inThread } from '../src/parts/threads'
import type { TestWorkshop } from './workshopAtTest'
import { furnish, openTestWorkshop, problemOf } from './workshopAtTest'

describe('what is done beside the server’s own thread', () => {
  let workshop: TestWorkshop
  beforeEach(async () => {
    workshop = await openTestWorkshop()
    await furnish(workshop)
  })
  afterEach(() => workshop.close())

  it('refuses there as it does here', async () => {
    const file = join(workshop.folder, 'none.sqlite')
    writeFileSync(file, 'this is no database at all, whatever it is called')
    const refused = await inThread('layReady', { file: workshop.database.file, backup: file }).catch(
      (error: unknown) => error,
    )
    expect(refused).to.be.instanceOf(RestoreRefused)
    expect((refused as Error).message).to.contain('none.sqlite is damaged or is no backup')
    const { api } = workshop
    const missing = await problemOf(api(endpoints.release.traceLot, { params: { id: 'no-such-lot' } }))
    expect(missing).to.deep.include({ status: 404, title: 'Not found' })
  })

  it('finds the rows that are damaged, plainly or not', async () => {
    const { file } = workshop.database
    const spoil = (statement: string) => workshop.database.write((transaction) => transaction.run(sql.raw(statement)))
    expect(await inThread('findDamage', { file, isPlain: false })).to.deep.equal(new Map())
    await spoil('UPDATE moulds SET cavity_count = 9007199254740993')
    await spoil("UPDATE workshop SET mass_unit = 'stone'")
    const plain = await inThread('findDamage', { file, isPlain: true })
    expect([...plain.keys()]).to.deep.equal(['moulds'])
    const all = await inThread('findDamage', { file, isPlain: false })
    expect([...all.keys()].sort()).to.deep.equal(['moulds', 'workshop'])
  })

  it('reads what was written just before, and of the workshop that was put in its place', async () => {
    const { api, database } = workshop
    const backup = await database.backup('by-hand')
    const [soap] = (await api(endpoints.season)).designs
    await api(endpoints.designs.remove, { params: { id: soap!.id }, body: { version: soap!.version } })
    const removed = (await api(endpoints.season)).designs.find(({ id }) => id === soap!.id)
    expect(removed?.isRemoved).to.equal(true)
    await database.replaceBy(join(database.backupFolder, backup))
    const back = (await api(endpoints.season)).designs.find(({ id }) => id === soap!.id)
    expect(back).to.deep.equal(soap)
  })

  it('reads while others write, and neither is told to come again', async () => {
    const { api } = workshop
    const { id: _id, version: _version, isRemoved: _isRemoved, ...soap } = (await api(endpoints.season)).designs[0]!
    const asked: Promise<unknown>[] = []
    for (let count = 0; count < 60; count++) {
      asked.push(api(endpoints.designs.create, { body: { ...soap, name: `Soap ${count}` } }))
      asked.push(api(endpoints.loaves.list))
      if (count % 4 === 3) await Promise.all(asked.splice(0))
    }
    expect((await api(endpoints.season)).designs).to.have.length(61)
  })
})
