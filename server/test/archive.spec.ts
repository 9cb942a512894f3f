import { blankMaker, endpoints } from '@vendange/contract'
import { expect } from 'chai'
import { getTableName, is } from 'drizzle-orm'
import { SQLiteTable } from 'drizzle-orm/sqlite-core'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { servicesOf } from '../src/app'
import * as schema from '../src/db/schema'
import { frozenClock } from '../src/parts/clock'
import { readingsOf } from '../src/readings'
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

  it('holds every table', async () => {
    const tables = Object.values(schema).filter((one) => is(one, SQLiteTable))
    const files = Object.keys(unzipSync(await fetchArchive(workshop.url)))
    const held = files.flatMap((name) => /^tables\/(.+)\.json$/.exec(name)?.[1] ?? [])
    // The bytes of photographs go as files of their own.
    expect(tables.map((table) => getTableName(table)).sort()).to.deep.equal([...held, 'photos'].sort())
  })

  it('goes out of one workshop into an empty one, equal to the last event and the last picture', async () => {
    const { database, dispose } = await openDemo()
    try {
      const context = { database, clock: frozenClock('2027-03-08'), newId: () => 'photo-1' }
      const services = servicesOf(context)
      const [maker] = (await readingsOf(context).season()).makers
      const [head, end] = ['89504e470d0a1a0a', '0000000049454e44ae426082'].map((hex) => Buffer.from(hex, 'hex'))
      const png = Buffer.concat([head!, Buffer.alloc(64, 7), end!])
      await services.photos.keep(png, maker?.id ?? '')
      const out = readFileSync(await services.archive.make())
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

  it('refuses one in which a single byte fell over, wherever it stands', async () => {
    const files = unzipSync(await fetchArchive(workshop.url))
    const stored = Buffer.from(zipSync(files, { level: 0 }))
    for (const name of ['README.txt', 'schema.sql', 'manifest.json', 'tables/workshop.json']) {
      const bytes = Buffer.from(stored)
      const middle = stored.indexOf(files[name]!) + Math.floor(files[name]!.length / 2)
      bytes[middle] = bytes[middle]! ^ 1
      expect((await problemOf(take(new Uint8Array(bytes)))).detail, name).to.contain('cut off on its way')
    }
  })

  describe('made by hand', () => {
    const png = Buffer.concat([
      Buffer.from('89504e470d0a1a0a', 'hex'),
      Buffer.alloc(64, 7),
      Buffer.from('0000000049454e44ae426082', 'hex'),
    ])
    type Manifest = { tables: Record<string, unknown>[]; photos: Record<string, unknown>[] } & Record<string, unknown>
    const sha = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex')

    /** An archive whose rows or pictures are changed, with hashes that fit. */
    async function changed(
      change: (tables: Record<string, Record<string, unknown>[]>, manifest: Manifest) => void,
      pictures: Readonly<Record<string, Uint8Array>> = {},
    ): Promise<Uint8Array> {
      const files = unzipSync(await fetchArchive(workshop.url))
      const manifest = JSON.parse(strFromU8(files['manifest.json']!)) as Manifest
      const tables = Object.fromEntries(
        manifest.tables.map(({ name, file }) => [name, JSON.parse(strFromU8(files[String(file)]!))] as const),
      ) as Record<string, Record<string, unknown>[]>
      change(tables, manifest)
      for (const one of manifest.tables) {
        const rows = tables[String(one['name'])] ?? []
        const bytes = strToU8(JSON.stringify(rows))
        files[String(one['file'])] = bytes
        Object.assign(one, { rows: rows.length, sha256: sha(bytes) })
      }
      for (const [id, bytes] of Object.entries(pictures)) files[`photos/${id}`] = new Uint8Array(bytes)
      files['manifest.json'] = strToU8(JSON.stringify(manifest))
      return zipSync(files)
    }
    const maker = { id: 'm', version: 1, is_removed: 0, name: 'Ilse', week_hours: '[2,2,2,2,2,6,0]', exceptions: '[]' }
    const picture = (id: string, bytes: Uint8Array, mimeType: string) => ({
      id,
      mimeType,
      at: '2027-03-08T12:00:00Z',
      makerId: 'm',
      file: `photos/${id}`,
      sha256: sha(bytes),
    })

    it('is taken where every row is as it should be', async () => {
      const sound = await changed(
        (tables, manifest) => {
          tables['makers'] = [maker]
          manifest.photos = [picture('p', png, 'image/png')]
        },
        { p: png },
      )
      expect((await take(sound)).photos).to.equal(1)
      const answer = await fetch(`${workshop.url}/api/photos/p`)
      expect(answer.headers.get('content-type')).to.equal('image/png')
      expect(answer.headers.get('x-content-type-options')).to.equal('nosniff')
      expect(answer.headers.get('content-security-policy')).to.contain('sandbox')
    })

    const page = strToU8('<script>alert(1)</script>'.repeat(9))
    const wrong: readonly (readonly [string, Parameters<typeof changed>[0], string, Record<string, Uint8Array>?])[] = [
      ['a row of another kind', (tables) => (tables['makers'] = [7 as never]), 'Row 1 of makers'],
      ['a column too few', (tables) => (tables['makers'] = [{ id: 'm' }]), 'look at version'],
      ['a column too many', (tables) => (tables['makers'] = [{ ...maker, crown: 1 }]), 'column “crown”'],
      ['odd keys', (tables) => (tables['makers'] = [{ ...maker, ['constructor']: 1 }]), 'column “constructor”'],
      ['a text for a number', (tables) => (tables['makers'] = [{ ...maker, version: 'one' }]), 'look at version'],
      [
        'a number beyond what is exact',
        (tables) => (tables['makers'] = [{ ...maker, version: 2 ** 60 }]),
        'look at version',
      ],
      [
        'hours that are none',
        (tables) => (tables['makers'] = [{ ...maker, week_hours: '[null]' }]),
        '“Ilse” in makers',
      ],
      ['JSON that is none', (tables) => (tables['makers'] = [{ ...maker, exceptions: '[{' }]), 'look at exceptions'],
      ['no workshop', (tables) => (tables['workshop'] = []), 'the workshop itself'],
      ['a table too few', (_tables, manifest) => manifest.tables.shift(), 'does not belong in it'],
      [
        'a table that nobody knows',
        (_tables, manifest) => manifest.tables.push({ name: 'sqlite_master', file: 'tables/sqlite_master.json' }),
        'table “sqlite_master”',
      ],
      [
        'a page for a picture',
        (tables, manifest) => {
          tables['makers'] = [maker]
          manifest.photos = [picture('p', page, 'image/png')]
        },
        'is no whole picture of its kind',
        { p: page },
      ],
      [
        'a picture of a foreign kind',
        (tables, manifest) => {
          tables['makers'] = [maker]
          manifest.photos = [picture('p', png, 'text/html')]
        },
        'manifest cannot be read',
        { p: png },
      ],
      [
        'a picture of nobody',
        (_tables, manifest) => (manifest.photos = [picture('p', png, 'image/png')]),
        'points at something that is not in it',
        { p: png },
      ],
    ]
    for (const [what, change, words, pictures] of wrong)
      it(`with ${what} is refused with where it is, and nothing is changed`, async () => {
        const before = hashes(await fetchArchive(workshop.url))
        expect((await problemOf(take(await changed(change, pictures)))).detail).to.contain(words)
        expect(hashes(await fetchArchive(workshop.url))).to.deep.equal(before)
      })

    it('to burst whoever unpacks it is refused before it is unpacked', async () => {
      const files = unzipSync(await fetchArchive(workshop.url))
      const bomb = zipSync({ ...files, 'tables/makers.json': new Uint8Array(64 * 1024 * 1024) })
      expect(bomb.length).to.be.below(200_000)
      expect((await problemOf(take(bomb))).detail).to.contain('more than can be unpacked')
    })
  })

  it('goes into an empty workshop only', async () => {
    const whole = await fetchArchive(workshop.url)
    await furnish(workshop)
    expect((await problemOf(take(whole))).detail).to.contain('An archive goes into an empty one')
  })
})
