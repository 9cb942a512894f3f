import { blankMaker, endpoints } from '@vendange/contract'
import { expect } from 'chai'
import { getTableName, is } from 'drizzle-orm'
import { SQLiteTable } from 'drizzle-orm/sqlite-core'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { servicesOf } from '../src/app'
import * as schema from '../src/db/schema'
import { archivedTables } from '../src/workshop/archive'
import { frozenClock } from '../src/parts/clock'
import { openDemo } from './seededDemo'
import type { TestWorkshop } from './workshopAtTest'
import { furnish, openTestWorkshop, problemOf } from './workshopAtTest'

describe('the archive', () => {
  let workshop: TestWorkshop
  beforeEach(async () => {
    workshop = await openTestWorkshop()
  })
  afterEach(() => workshop.close())

  const fetchArchive = async (url: string): Promise<Uint8Array> =>
    new Uint8Array(await (await fetch(`${url}/api/archive`)).arrayBuffer())
  const take = (bytes: Uint8Array) =>
    workshop.api(endpoints.archive.take, { rawBody: new Blob([Buffer.from(bytes)], { type: 'application/zip' }) })
  const hashes = (bytes: Uint8Array): unknown => {
    const { tables, photos } = JSON.parse(strFromU8(unzipSync(bytes)['manifest.json']!)) as Record<string, unknown>
    return { tables, photos }
  }

  it('holds every table', () => {
    const tables = Object.values(schema).filter((one) => is(one, SQLiteTable))
    // The bytes of photographs go as files of their own.
    expect(tables.map((table) => getTableName(table)).sort()).to.deep.equal([...archivedTables, 'photos'].sort())
  })

  it('goes out of one workshop into an empty one, equal to the last event and the last picture', async () => {
    const { database, dispose } = await openDemo()
    try {
      const services = servicesOf({ database, clock: frozenClock('2027-03-08'), newId: () => 'photo-1' })
      const [maker] = (await services.season.view()).makers
      const [head, end] = ['89504e470d0a1a0a', '0000000049454e44ae426082'].map((hex) => Buffer.from(hex, 'hex'))
      const png = Buffer.concat([head!, Buffer.alloc(64, 7), end!])
      await services.photos.keep(png, maker?.id ?? '')
      const out = await services.archive.make()
      const taken = await take(out)
      expect(taken.photos).to.equal(1)
      expect(taken.loaves).to.be.above(15)
      expect(hashes(await fetchArchive(workshop.url))).to.deep.equal(hashes(out))
      const season = await workshop.api(endpoints.season)
      expect(season.loaves.some(({ name }) => name === 'Dining Car')).to.equal(true)
    } finally {
      await dispose()
    }
  }).timeout(60_000)

  it('shows what it brought, though as much of it stood there before', async () => {
    const other = await openTestWorkshop()
    try {
      const named = (name: string) => ({ body: { ...blankMaker, name } })
      await other.api(endpoints.makers.create, named('Ilse'))
      await workshop.api(endpoints.makers.create, named('Bram'))
      expect((await workshop.api(endpoints.season)).makers.map(({ name }) => name)).to.deep.equal(['Bram'])
      await take(await fetchArchive(other.url))
      expect((await workshop.api(endpoints.season)).makers.map(({ name }) => name)).to.deep.equal(['Ilse'])
    } finally {
      await other.close()
    }
  })

  it('refuses what was cut off, changed on its way, or is something else, and changes nothing', async () => {
    const whole = await fetchArchive(workshop.url)
    const before = hashes(whole)
    const words = async (bytes: Uint8Array): Promise<string> => (await problemOf(take(bytes))).detail
    expect(await words(whole.slice(0, whole.length / 2))).to.contain('cut off on its way')
    expect(await words(strToU8('hello'))).to.contain('is no archive')
    const files = unzipSync(whole)
    expect(await words(zipSync({ ...files, 'tables/makers.json': strToU8('[{"id":"x"}]') }))).to.contain(
      'tables/makers.json is not as it was written',
    )
    const { 'tables/loaves.json': _gone, ...without } = files
    expect(await words(zipSync(without))).to.contain('lacks tables/loaves.json')
    const manifest = JSON.parse(strFromU8(files['manifest.json']!)) as Record<string, unknown>
    const newer = { ...files, 'manifest.json': strToU8(JSON.stringify({ ...manifest, migration: 9e12 })) }
    expect(await words(zipSync(newer))).to.contain('newer version')
    expect(hashes(await fetchArchive(workshop.url))).to.deep.equal(before)
  })

  it('goes into an empty workshop only', async () => {
    const whole = await fetchArchive(workshop.url)
    await furnish(workshop)
    expect((await problemOf(take(whole))).detail).to.contain('An archive goes into an empty one')
  })
})
