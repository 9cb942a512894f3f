import { blankMaker, endpoints } from '@vendange/contract'
import { expect } from 'chai'
import { sql } from 'drizzle-orm'
import { connect } from 'node:net'
import type { Database } from '../src/db/database'
import { isWholePicture } from '../src/parts/pictures'
import type { TestWorkshop } from './workshopAtTest'
import { furnish, openTestWorkshop, problemOf } from './workshopAtTest'

const jpeg = (bytes: number): Buffer => {
  const picture = Buffer.alloc(bytes, 0x20)
  picture.set([0xff, 0xd8, 0xff, 0xe0])
  picture.set([0xff, 0xd9], bytes - 2)
  return picture
}
const jpegBlob = (bytes: Uint8Array): Blob => new Blob([new Uint8Array(bytes)], { type: 'image/jpeg' })
const mebi = 1024 * 1024
const mostPages = 4_000_000

describe('a disk that is full', () => {
  let workshop: TestWorkshop
  let isFull = false
  /** SQLite refuses to grow its file as it does when the disk has no room. */
  const onFullDisk = (database: Database): Database => ({
    ...database,
    write: (work) =>
      database.write(async (transaction) => {
        const [size] = await transaction.all<{ page_count: number }>(sql`PRAGMA page_count`)
        await transaction.run(sql.raw(`PRAGMA max_page_count = ${isFull ? (size?.page_count ?? 1) : mostPages}`))
        return work(transaction)
      }),
  })
  beforeEach(async () => {
    isFull = false
    workshop = await openTestWorkshop(onFullDisk)
    await furnish(workshop)
  })
  afterEach(() => workshop.close())

  it('is said in words, loses nothing that was kept, and takes the same again once there is room', async () => {
    const { api } = workshop
    const before = await api(endpoints.season)
    isFull = true
    const problem = await problemOf(api(endpoints.loaves.addPhoto, { rawBody: jpegBlob(jpeg(2 * mebi)) }))
    expect(problem).to.deep.include({ status: 507, title: 'No room' })
    expect(problem.detail).to.contain('The disk is full. Nothing was changed')
    const long = { ...blankMaker, name: 'Ilse', exceptions: [] }
    const notes = Array.from({ length: 40 }, (_, at) =>
      api(endpoints.makers.create, { body: { ...long, name: `Ilse ${at} ${'x'.repeat(80)}` } }).catch(() => undefined),
    )
    const kept = (await Promise.all(notes)).filter((maker) => maker !== undefined)
    expect(kept.length).to.be.below(40)
    isFull = false
    const { photoId } = await api(endpoints.loaves.addPhoto, { rawBody: jpegBlob(jpeg(2 * mebi)) })
    expect((await fetch(`${workshop.url}/api/photos/${photoId}`)).status).to.equal(200)
    const after = await api(endpoints.season)
    expect(after.recipes).to.deep.equal(before.recipes)
    expect(after.makers).to.have.length(before.makers.length + kept.length)
  })
})

describe('a photograph that is cut off', () => {
  let workshop: TestWorkshop
  beforeEach(async () => {
    workshop = await openTestWorkshop()
    await furnish(workshop)
  })
  afterEach(() => workshop.close())
  const keptPhotos = async (): Promise<number> => {
    const [row] = await workshop.database.write((transaction) =>
      transaction.all<{ n: number }>('SELECT count(*) AS n FROM photos'),
    )
    return row?.n ?? -1
  }

  it('is refused when only part of it came, and taken when it comes whole', async () => {
    const picture = jpeg(200_000)
    const send = (bytes: Uint8Array) => workshop.api(endpoints.loaves.addPhoto, { rawBody: jpegBlob(bytes) })
    const problem = await problemOf(send(picture.subarray(0, 120_000)))
    expect(problem.detail).to.equal('The photograph was cut off on its way. Nothing was kept: send it again.')
    expect(await keptPhotos()).to.equal(0)
    await send(picture)
    expect(await keptPhotos()).to.equal(1)
  })

  it('leaves nothing when the line breaks in the middle', async () => {
    const { port } = new URL(workshop.url)
    const head = [
      'POST /api/photos HTTP/1.1',
      `Host: 127.0.0.1:${port}`,
      'Content-Type: image/jpeg',
      'Content-Length: 200000',
      `X-Vendange-Maker: ${workshop.makerId ?? ''}`,
    ]
    await new Promise<void>((resolve) => {
      const line = connect(Number(port), '127.0.0.1', () => {
        line.write(`${head.join('\r\n')}\r\n\r\n`)
        line.write(jpeg(200_000).subarray(0, 90_000), () => {
          line.destroy()
          resolve()
        })
      })
    })
    expect((await workshop.api(endpoints.health)).status).to.equal('ok')
    expect(await keptPhotos()).to.equal(0)
  })

  it('is told by its end in every format', () => {
    const png = Buffer.concat([
      Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
      Buffer.alloc(40),
      Buffer.from('0000000049454e44ae426082', 'hex'),
    ])
    const webp = Buffer.alloc(64)
    webp.write('RIFF', 0, 'latin1')
    webp.writeUInt32LE(56, 4)
    webp.write('WEBP', 8, 'latin1')
    for (const [bytes, type] of [
      [jpeg(5000), 'image/jpeg'],
      [png, 'image/png'],
      [webp, 'image/webp'],
    ] as const) {
      expect(isWholePicture(bytes, type)).to.equal(true)
      expect(isWholePicture(bytes.subarray(0, -5), type)).to.equal(false)
    }
  })
})
