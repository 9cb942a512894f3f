import { expect } from 'chai'
import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { deeds, openAccess, pins, screens, seats } from '../../src/screens/accessFile'
import { pinKeeper } from '../../src/screens/pins'
import { seatKeeper } from '../../src/screens/seats'

const command = fileURLToPath(new URL('../../src/screens/forgetPinsMain.ts', import.meta.url))

describe('PINs that nobody remembers', function () {
  this.timeout(60_000)
  let folder: string
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'vendange-pins-'))))
  afterEach(() => rmSync(folder, { recursive: true, force: true }))
  const run = (): string =>
    execFileSync(process.execPath, ['--import', 'tsx', command], {
      env: { ...process.env, VENDANGE_DATA: folder },
      encoding: 'utf8',
    })

  it('are forgotten by a command at the computer; screens stay let in, and it is written down', async () => {
    const before = await openAccess(folder)
    await pinKeeper(before, folder, Date.now).set('ilse', '4815')
    await seatKeeper(before, Date.now).take('ilse')
    const screen = { id: 'a', name: 'Tablet', role: 'helper' as const, sessionHash: 'x', pairedAt: '', lastUsedAt: '' }
    await before.db.insert(screens).values(screen)
    before.close()
    expect(run()).to.include('All PINs are forgotten')
    const { db, close } = await openAccess(folder)
    expect([await db.$count(pins), await db.$count(seats), await db.$count(screens)]).to.deep.equal([0, 0, 1])
    expect((await db.select().from(deeds)).map(({ what }) => what)).to.deep.equal(['Forgot all PINs'])
    close()
    expect(run()).to.include('No maker had a PIN')
  })
})
