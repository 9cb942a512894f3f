import { createClient } from '@libsql/client'
import type { SavedMaker, SavedRecipe } from '@vendange/contract'
import { blankMaker, endpoints } from '@vendange/contract'
import { expect } from 'chai'
import { eq } from 'drizzle-orm'
import { cpSync, mkdirSync, mkdtempSync, readFileSync, readdirSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { DatabaseRefused, openDatabase } from '../src/db/database'
import { backupsToThin, clearUnfinished, keepBackup, listBackups } from '../src/db/backup'
import { troubleOfDisk } from '../src/db/refusedFile'
import { RestoreRefused } from '../src/db/refusedFile'
import { finishRestore, layReady, restoreBackup } from '../src/db/restore'
import { readStock } from '../src/db/storesRow'
import { findRows } from '../src/db/versionedRepository'
import { batches, designs, loaves, makers, recipes } from '../src/db/schema'
import { ensureWorkshop, readWorkshop } from '../src/db/workshopRow'
import { frozenClock } from '../src/parts/clock'
import { openTestWorkshop, problemOf } from './workshopAtTest'

describe('the database file', () => {
  let folder: string
  const file = () => join(folder, 'vendange.sqlite')
  const open = () =>
    openDatabase({ file: file(), backupFolder: join(folder, 'backups'), now: () => new Date('2027-03-08T12:00:00Z') })
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'vendange-'))))
  afterEach(() => rmSync(folder, { recursive: true, force: true }))

  async function refusal(): Promise<DatabaseRefused> {
    try {
      await open()
    } catch (error) {
      if (error instanceof DatabaseRefused) return error
      throw error
    }
    throw new Error('Expected the file to be refused')
  }

  it('is made with its tables, and opened again with what it holds', async () => {
    const first = await open()
    await ensureWorkshop(first, 'Europe/Lisbon')
    await first.close()
    const second = await open()
    expect((await readWorkshop(second.read)).timeZone).to.equal('Europe/Lisbon')
    await second.close()
  })

  it('is opened without what a crash left of an archive or of a restore; nobody else’s files are touched', async () => {
    const left = ['archive-9f3a.part', 'archive-9f3a.part-wal', 'vendange.sqlite.restoring.part', 'notes.part']
    for (const name of left) writeFileSync(join(folder, name), 'half')
    await (await open()).close()
    expect(readdirSync(folder).filter((name) => name.includes('.part'))).to.deep.equal(['notes.part'])
  })

  it('writes safely: WAL, foreign keys on, synchronous FULL, in every transaction', async () => {
    const database = await open()
    for (let time = 0; time < 3; time++) {
      await database.write(async (transaction) => {
        const pragma = async (name: string) =>
          Object.values((await transaction.get<Record<string, unknown>>(`PRAGMA ${name}`)) ?? {})[0]
        expect(await pragma('foreign_keys')).to.equal(1)
        expect(await pragma('synchronous')).to.equal(2)
        expect(await pragma('journal_mode')).to.equal('wal')
      })
    }
    await database.close()
  })

  it('rolls back what fails, and goes on with the next write', async () => {
    const database = await open()
    const row = { id: 'm', name: 'Ilse', version: 1, isRemoved: false }
    const failing = database.write(async (transaction) => {
      await transaction.insert(makers).values(row)
      throw new Error('dropped the jug')
    })
    const following = database.write((transaction) => transaction.insert(makers).values({ ...row, id: 'n' }))
    expect(await failing.catch((error: Error) => error.message)).to.equal('dropped the jug')
    await following
    expect((await findRows<typeof row>(database.read, makers)).map(({ id }) => id)).to.deep.equal(['n'])
    await database.close()
  })

  it('is refused when it is damaged, and left untouched', async () => {
    writeFileSync(file(), 'this was a database once '.repeat(400))
    const before = readFileSync(file())
    const error = await refusal()
    expect(error.message).to.contain('is damaged or is no Vendange database').and.to.contain('Put a backup')
    expect(readFileSync(file()).equals(before)).to.equal(true)
  })

  it('is refused when it is empty, and is no empty workshop then', async () => {
    writeFileSync(file(), '')
    expect((await refusal()).message)
      .to.contain('is empty: it was cut off')
      .and.to.contain('npm run restore')
    expect(readFileSync(file()).length).to.equal(0)
  })

  it('that a crash cut off while it was made is made anew', async () => {
    writeFileSync(`${file()}.new`, 'half of a data')
    const database = await open()
    await ensureWorkshop(database, 'Europe/Lisbon')
    await database.close()
    expect(readdirSync(folder).filter((name) => name.includes('.new'))).to.deep.equal([])
  })

  it('tells a full disk, or one that cannot be written to, as what it is', () => {
    const told = (code: string) => {
      const fault = Object.assign(new Error('from the driver'), { code })
      return troubleOfDisk('/shop/vendange.sqlite', new Error('Failed query', { cause: fault }))?.message
    }
    expect(told('SQLITE_FULL')).to.contain('The disk is full. Nothing is wrong with the file')
    expect(told('ENOSPC')).to.contain('The disk is full')
    for (const code of ['SQLITE_READONLY_DIRECTORY', 'EROFS', 'EACCES'])
      expect(told(code), code).to.contain('cannot be written to. Nothing is wrong with the file')
    expect(told('SQLITE_CANTOPEN')).to.contain('would not read or write')
    expect(told('SQLITE_CORRUPT')).to.equal(undefined)
  })

  it('is refused when a page of it is torn', async () => {
    const database = await open()
    await ensureWorkshop(database, 'Europe/Lisbon')
    await database.close()
    const bytes = readFileSync(file())
    bytes.fill(0x5a, 4096, bytes.length)
    writeFileSync(file(), bytes)
    expect((await refusal()).message).to.contain('is damaged')
    expect(readFileSync(file()).equals(bytes)).to.equal(true)
  })

  it('is refused when it belongs to another program', async () => {
    const client = createClient({ url: `file:${file()}` })
    await client.execute('CREATE TABLE songs (title TEXT)')
    client.close()
    const before = readFileSync(file())
    expect((await refusal()).message).to.contain('its tables are not those of Vendange')
    expect(readFileSync(file()).equals(before)).to.equal(true)
  })

  it('is refused when a newer version wrote it, and left untouched', async () => {
    const database = await open()
    await database.close()
    const client = createClient({ url: `file:${file()}` })
    await client.execute("INSERT INTO __drizzle_migrations (hash, created_at) VALUES ('later', 9999999999999)")
    await client.execute('PRAGMA wal_checkpoint(TRUNCATE)')
    client.close()
    const before = readFileSync(file())
    expect((await refusal()).message)
      .to.contain('written by a newer version')
      .and.to.contain('Start the newer version')
    expect(readFileSync(file()).equals(before)).to.equal(true)
  })

  /** A file as the version with so many migrations leaves it, to write into. */
  async function writtenBy(migrations: number) {
    const earlier = join(folder, 'migrations')
    cpSync(fileURLToPath(new URL('../migrations', import.meta.url)), earlier, { recursive: true })
    const journalFile = join(earlier, 'meta/_journal.json')
    const journal = JSON.parse(readFileSync(journalFile, 'utf8')) as { entries: unknown[] }
    writeFileSync(journalFile, JSON.stringify({ ...journal, entries: journal.entries.slice(0, migrations) }))
    const now = () => new Date('2027-03-08T12:00:00Z')
    await (
      await openDatabase({ file: file(), backupFolder: join(folder, 'backups'), now, migrationsFolder: earlier })
    ).close()
    return createClient({ url: `file:${file()}` })
  }

  it('adds up what earlier pours used of each lot', async () => {
    const client = await writtenBy(17)
    for (const statement of [
      `INSERT INTO ingredients (id, version, is_removed, kind, name, ref, lead_days, pack_size, per_bar, notes)
        VALUES ('i', 1, 0, 'fat', 'Olive oil', 'olive', 0, 0, 0, '')`,
      `INSERT INTO lots (id, version, is_removed, ingredient_id, supplier, lot_number, received_day, is_recalled,
        received_amount, price_cents) VALUES ('used', 1, 0, 'i', 'Mill', '1', '2027-01-01', 0, 1000, 900),
        ('whole', 1, 0, 'i', 'Mill', '2', '2027-01-01', 0, 1000, 900)`,
      `INSERT INTO lot_uses (batch_id, step_key, lot_id, amount) VALUES ('p', 'a', 'used', 100.5),
        ('q', 'a', 'used', 200)`,
    ])
      await client.execute(statement)
    client.close()
    const database = await open()
    const { lots } = await readStock(database.read)
    expect(lots.map(({ id, usedAmount, leftAmount }) => [id, usedAmount, leftAmount])).to.deep.equal([
      ['used', 300.5, 699.5],
      ['whole', 0, 1000],
    ])
    await database.close()
  })

  it('finds the prices that it kept beside its stores in them, as estimates', async () => {
    const client = await writtenBy(31)
    const pricing = {
      hourCents: 1800,
      ingredients: [
        { key: 'olive', centsPerKg: 890 },
        { key: 'shea', centsPerKg: 980.4 },
        { key: 'naoh', centsPerKg: 420 },
        { key: 'scent', centsPerKg: 9800 },
        { key: 'no_such_fat', centsPerKg: 1 },
      ],
    }
    for (const statement of [
      `INSERT INTO workshop (id, version, name, mass_unit, length_unit, temperature_unit, currency, time_zone, exceptions,
        setup_hours, prep_hours, pour_hours, cut_hours, scale_resolution_g, pot_loss, cure_loss, soaping_temperature_c,
        pricing) VALUES (1, 1, 'Quillon Lane', 'g', 'mm', '°C', 'EUR', 'UTC', '[]', 1, 1, 1, 1, 1, 0, 0, 43,
        '${JSON.stringify(pricing)}')`,
      `INSERT INTO ingredients (id, version, is_removed, kind, name, ref, lead_days, pack_size, per_bar, notes)
        VALUES ('one', 1, 0, 'fat', 'Our olive oil', 'olive', 0, 0, 0, ''), ('two', 1, 0, 'scent', 'Tide', '', 0, 0, 0, ''),
        ('three', 1, 0, 'liquid', 'Milk', '', 0, 0, 0, '')`,
    ])
      await client.execute(statement)
    client.close()
    const database = await open()
    const { ingredients } = await readStock(database.read)
    expect(ingredients.map(({ name, kind, listCents }) => `${name} ${kind} ${listCents}`)).to.have.members([
      'Milk liquid 0',
      'Our olive oil fat 890',
      'Shea butter fat 980.4',
      'Sodium hydroxide alkali 420',
      'Tide scent 9800',
    ])
    expect(ingredients.every(({ isListEstimate }) => isListEstimate)).to.equal(true)
    expect((await readWorkshop(database.read)).pricing).to.deep.equal({
      hourCents: 1800,
      barCents: 900,
      shopShare: 0.6,
      subscriberShare: 0.9,
      sharedHourCents: 0,
    })
    await database.close()
  })

  it('joins soaps that were entered once for each of their pours, and leaves alone what differs', async () => {
    const client = await writtenBy(28)
    const common = `1, 0, 'c', 'layers', '[]', 'm', 2, 35, 115`
    for (const statement of [
      'PRAGMA foreign_keys = OFF',
      `INSERT INTO moulds (id, version, is_removed, name, length_mm, width_mm, height_mm, liner_mm, fill_height_mm,
        shape, log_count, cavity_count, cavity_ml, bar_thickness_mm, end_trim_mm, kerf_mm, count)
        VALUES ('m', 1, 0, 'Long', 450, 80, 80, 0, 70, 'loaf', 1, 0, 0, 25, 0, 0, 2)`,
      ...[
        ['b', 'Regatta, second pour'],
        ['a', 'Regatta, first pour'],
        ['x', 'Linen, first pour'],
        ['z', 'Slow pour'],
      ].map(
        ([id, name]) => `INSERT INTO designs (id, version, is_removed, collection_id, technique, colours, mould_id,
          mould_count, bars_wanted, label_mass_g, name) VALUES ('${id}', ${common}, '${name}')`,
      ),
      // Bevelled, and so another soap.
      `INSERT INTO designs (id, version, is_removed, collection_id, technique, colours, mould_id, mould_count,
        bars_wanted, label_mass_g, name, bevelled) VALUES ('y', ${common}, 'Linen, second pour', 1)`,
      ...[
        ['a', '2027-02-10'],
        ['b', '2027-02-13'],
        ['x', '2027-02-10'],
        ['y', '2027-02-13'],
        ['z', '2027-02-13'],
      ].map(
        ([id, day]) => `INSERT INTO batches (id, version, is_removed, design_id, pour_day, status)
          VALUES ('pour-${id}', 1, 0, '${id}', '${day}', 'planned')`,
      ),
    ])
      await client.execute(statement)
    client.close()
    const database = await open()
    const soaps = await database.read.select().from(designs).where(eq(designs.isRemoved, false)).orderBy(designs.name)
    expect(soaps.map(({ id, name, barsWanted }) => [id, name, barsWanted])).to.deep.equal([
      ['x', 'Linen, first pour', 35],
      ['y', 'Linen, second pour', 35],
      ['a', 'Regatta', 70],
      ['z', 'Slow pour', 35],
    ])
    const pours = await database.read.select().from(batches).orderBy(batches.id)
    const own = { mouldId: 'm', mouldCount: 2, barsWanted: 35, barThicknessMm: 25 }
    expect(pours.map(({ id, designId, label, own: part }) => [id, designId, label, part])).to.deep.equal([
      ['pour-a', 'a', 'pour 1 of 2', own],
      ['pour-b', 'a', 'pour 2 of 2', own],
      ['pour-x', 'x', '', null],
      ['pour-y', 'y', '', null],
      ['pour-z', 'z', '', null],
    ])
    await database.close()
  })

  it('finds the faults of loaves that an earlier version kept', async () => {
    const client = await writtenBy(18)
    const state = JSON.stringify({ status: 'curing', openFaults: [] })
    await client.execute('PRAGMA foreign_keys = OFF')
    for (const statement of [
      `INSERT INTO makers (id, version, is_removed, name, week_hours) VALUES ('m', 1, 0, 'Ilse', '[]')`,
      ...['a', 'b'].map(
        (id) => `INSERT INTO loaves (id, batch_id, part, lot_code, status, version, state, is_done)
          VALUES ('${id}', 'p', 0, '270308-${id}', 'curing', 3, '${state}', 0)`,
      ),
      ...['ash', 'cracks', 'ash'].map(
        (fault, at) => `INSERT INTO loaf_events (loaf_id, sequence, happening, at, maker_id)
          VALUES ('a', ${at + 1}, '{"type":"fault_found","day":"2027-03-08","fault":"${fault}","text":""}', '', 'm')`,
      ),
    ])
      await client.execute(statement)
    client.close()
    const database = await open()
    const kept = await database.read.select({ id: loaves.id, state: loaves.state }).from(loaves)
    expect(kept.map(({ state: now }) => [...(now?.foundFaults ?? ['none'])].sort())).to.deep.equal([
      ['ash', 'cracks'],
      [],
    ])
    await database.close()
  })

  it('keeps hours and recipes of a workshop that an earlier version wrote', async () => {
    const client = await writtenBy(2)
    for (const statement of [
      `INSERT INTO workshop (id, version, name, mass_unit, length_unit, temperature_unit, currency, time_zone, week_hours,
        exceptions, setup_hours, prep_hours, pour_hours, cut_hours, scale_resolution_g, pot_loss, cure_loss,
        soaping_temperature_c) VALUES (1, 1, 'Old', 'g', 'mm', '°C', 'EUR', 'Europe/Lisbon', '[2,2,4,2,2,6,0]', '[]',
        0.5, 0.75, 1.5, 0.75, 1, 0.02, 0.11, 43)`,
      `INSERT INTO makers (id, version, is_removed, name) VALUES ('a', 1, 0, 'Ilse'), ('b', 1, 0, 'Bram'),
        ('c', 1, 1, 'Gone')`,
      `INSERT INTO recipes (id, version, is_removed, name, fats, superfat, lye_concentration, naoh_purity, set_days_min,
        set_days_max, cure_days, notes) VALUES ('r', 1, 0, 'Bar', '[{"fatKey":"olive","share":0.6},
        {"fatKey":"coconut","share":0.4}]', 0.05, 0.33, 1, 1, 3, 28, '')`,
    ])
      await client.execute(statement)
    client.close()

    const database = await open()
    const everyone = await findRows<SavedMaker>(database.read, makers)
    const hoursOf = (name: string) => everyone.find((maker) => maker.name === name)?.weekHours
    expect(hoursOf('Ilse')).to.deep.equal([1, 1, 2, 1, 1, 3, 0])
    expect(hoursOf('Bram')).to.deep.equal(hoursOf('Ilse'))
    expect(hoursOf('Gone')).to.deep.equal([])
    const [recipe] = await findRows<SavedRecipe>(database.read, recipes)
    expect(recipe).to.deep.include({ kohShare: 0, liquids: [], waterStyle: 'lye_concentration' })
    expect(recipe?.fats).to.deep.equal([
      { fatKey: 'olive', share: 0.6, atTrace: false },
      { fatKey: 'coconut', share: 0.4, atTrace: false },
    ])
    await database.close()
  })

  it('is copied before its tables change', async () => {
    const database = await open()
    await ensureWorkshop(database, 'Europe/Lisbon')
    await database.close()
    // What a later version would bring: this version's migrations and one more.
    const later = join(folder, 'migrations')
    cpSync(fileURLToPath(new URL('../migrations', import.meta.url)), later, { recursive: true })
    const journalFile = join(later, 'meta/_journal.json')
    const journal = JSON.parse(readFileSync(journalFile, 'utf8')) as {
      entries: { idx: number; when: number; tag: string }[]
    }
    journal.entries.push({ ...journal.entries[0], idx: 9, when: Date.parse('2027-03-01'), tag: '0009_later' })
    writeFileSync(journalFile, JSON.stringify(journal))
    writeFileSync(join(later, '0009_later.sql'), 'ALTER TABLE makers ADD COLUMN nickname TEXT;')

    const backupFolder = join(folder, 'backups')
    const options = { file: file(), backupFolder, now: () => new Date('2027-03-08T12:00:00Z'), migrationsFolder: later }
    const changed = await openDatabase(options)
    expect(readdirSync(backupFolder)).to.deep.equal(['vendange-2027-03-08-120000-before-migration.sqlite'])
    await changed.close()
    // The copy is the database as it was: this version opens it, but no longer the changed one.
    const { migrationsFolder: _, ...asBefore } = options
    const copy = await openDatabase({ ...asBefore, file: join(backupFolder, readdirSync(backupFolder)[0] ?? '') })
    expect((await readWorkshop(copy.read)).timeZone).to.equal('Europe/Lisbon')
    await copy.close()
    expect((await refusal()).message).to.contain('written by a newer version')
    // Nothing to change, nothing to copy.
    await (await openDatabase(options)).close()
    expect(readdirSync(backupFolder).filter((name) => name.endsWith('.sqlite'))).to.have.length(1)
  })
})

describe('a backup put back', () => {
  let folder: string
  const file = () => join(folder, 'data', 'vendange.sqlite')
  const backupFolder = () => join(folder, 'data', 'backups')
  const now = () => new Date('2027-03-08T12:00:00Z')
  const namesIn = async (path: string): Promise<readonly string[]> => {
    const database = await openDatabase({ file: path, backupFolder: backupFolder(), now })
    const names = (await findRows<SavedMaker>(database.read, makers)).map(({ name }) => name)
    await database.close()
    return names
  }
  let backup: string

  /** A workshop that kept a backup, went on, and crashed: its log was never played back into its database. */
  beforeEach(async () => {
    folder = mkdtempSync(join(tmpdir(), 'vendange-'))
    const running = join(folder, 'running')
    const database = await openDatabase({ file: join(running, 'vendange.sqlite'), backupFolder: backupFolder(), now })
    await ensureWorkshop(database, 'Europe/Lisbon')
    const add = (name: string) =>
      database.write((transaction) =>
        transaction.insert(makers).values({ id: name, version: 1, isRemoved: false, name, ...blankMaker }),
      )
    await add('Ada')
    backup = join(backupFolder(), await database.backup('by-hand'))
    for (let more = 0; more < 40; more++) await add(`Bram ${more}`)
    cpSync(running, join(folder, 'data'), { recursive: true })
    await database.close()
    expect(readdirSync(join(folder, 'data'))).to.include('vendange.sqlite-wal')
  })
  afterEach(() => rmSync(folder, { recursive: true, force: true }))

  it('by copying it over the database is not spoiled by the log of a crash', async () => {
    cpSync(backup, file())
    expect(await namesIn(file())).to.deep.equal(['Ada'])
    expect(readdirSync(join(folder, 'data'))).to.include('vendange.sqlite-wal.stale')
    // Opened once, the workshop writes through a log of its own again, which stays.
    expect(await namesIn(file())).to.deep.equal(['Ada'])
  })

  it('by the command keeps what stood there, whole', async () => {
    const kept = await restoreBackup(file(), backup, now())
    expect(await namesIn(file())).to.deep.equal(['Ada'])
    expect(await namesIn(join(kept ?? '', 'vendange.sqlite'))).to.have.length(41)
  })

  it('is in place after a cut at any moment, and what stood there is together', async () => {
    // As the power may fail: before anything is laid aside, after the database is, after its log is too.
    for (const laidAside of [[], ['vendange.sqlite'], ['vendange.sqlite', 'vendange.sqlite-wal']]) {
      const cut = join(folder, `cut-${laidAside.length}`)
      cpSync(join(folder, 'data'), cut, { recursive: true })
      const cutFile = join(cut, 'vendange.sqlite')
      await layReady(cutFile, backup)
      const kept = join(cut, 'replaced-2027-03-08-115959')
      if (laidAside.length > 0) mkdirSync(kept)
      for (const name of laidAside) renameSync(join(cut, name), join(kept, name))
      expect(await namesIn(cutFile), laidAside.join()).to.deep.equal(['Ada'])
      const [replaced, ...more] = readdirSync(cut).filter((name) => name.startsWith('replaced-'))
      expect(more).to.deep.equal([])
      expect(await namesIn(join(cut, replaced ?? '', 'vendange.sqlite')), laidAside.join()).to.have.length(41)
      expect(finishRestore(cutFile, now())).to.equal(undefined)
    }
  })

  it('that was cut off while it was laid ready changes nothing', async () => {
    writeFileSync(`${file()}.restoring.part`, readFileSync(backup).subarray(0, 5000))
    expect(await namesIn(file())).to.have.length(41)
  })

  it('by the command is refused where it is none, and nothing is changed', async () => {
    writeFileSync(join(folder, 'notes.txt'), 'no database at all, but long enough to be one of something')
    for (const wrong of [join(folder, 'notes.txt'), join(folder, 'missing.sqlite')]) {
      try {
        await restoreBackup(file(), wrong, now())
        expect.fail('Expected a refusal')
      } catch (error) {
        expect(error).to.be.instanceOf(RestoreRefused)
      }
    }
    expect(await namesIn(file())).to.have.length(41)
  })
})

describe('backups', () => {
  it('are all kept for a week, then one a week for a year; nobody else’s files are touched', () => {
    const name = (day: string, time = '120000') => `vendange-${day}-${time}-on-request.sqlite`
    const ofWeek = ['2027-03-08', '2027-03-03', '2027-03-02'].flatMap((day) => [name(day), name(day, '180000')])
    const older = ['2027-02-28', '2027-02-27', '2027-02-20', '2026-04-01'].map((day) => name(day))
    const others = [name('2026-03-01'), 'my-copy.sqlite', 'vendange-of-old.sqlite']
    expect([...backupsToThin([...others, ...older, ...ofWeek], '2027-03-08')].sort()).to.deep.equal(
      [name('2026-03-01'), name('2027-02-27')].sort(),
    )
  })

  it('get their name once they are whole, and what was cut off is put away', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'vendange-'))
    const now = new Date('2027-03-08T12:00:00Z')
    try {
      const cut = (_file: string, target: string): Promise<void> => {
        writeFileSync(target, 'half of a co')
        return Promise.reject(new Error('cut off'))
      }
      const failed = await keepBackup('none', folder, now, 'by-hand', { copy: cut }).catch((error: Error) => error)
      expect(failed).to.be.instanceOf(Error)
      writeFileSync(join(folder, 'vendange-2027-03-08-120000-by-hand.sqlite.part'), 'half of a co')
      writeFileSync(join(folder, 'vendange-2027-03-08-110000-by-hand.sqlite'), '')
      expect(listBackups(folder)).to.deep.equal([])
      clearUnfinished(folder)
      expect(readdirSync(folder)).to.deep.equal(['vendange-2027-03-08-110000-by-hand.sqlite'])
    } finally {
      rmSync(folder, { recursive: true, force: true })
    }
  })

  it('asked for at once get a name each', async () => {
    const workshop = await openTestWorkshop()
    try {
      const kept = await Promise.all(Array.from({ length: 5 }, () => workshop.api(endpoints.backups.create)))
      expect(new Set(kept.map(({ fileName }) => fileName)).size).to.equal(5)
      expect(await workshop.api(endpoints.backups.list)).to.have.length(5)
    } finally {
      await workshop.close()
    }
  })

  it('are put back by a button, and what was there before can be put back too', async () => {
    const workshop = await openTestWorkshop()
    const { api } = workshop
    const names = async () => (await api(endpoints.season)).makers.map(({ name }) => name)
    try {
      await api(endpoints.makers.create, { body: { ...blankMaker, name: 'Ilse' } })
      const { fileName } = await api(endpoints.backups.create)
      const bram = await api(endpoints.makers.create, { body: { ...blankMaker, name: 'Bram' } })
      expect(await names()).to.have.members(['Ilse', 'Bram'])
      const reading = Promise.all(Array.from({ length: 20 }, names))
      const before = await api(endpoints.backups.restore, { params: { name: fileName } })
      expect((await reading).every((read) => read.includes('Ilse'))).to.equal(true)
      expect(await names()).to.deep.equal(['Ilse'])
      const late = api(endpoints.makers.update, {
        params: { id: bram.id },
        body: { ...blankMaker, name: 'B', version: 1 },
      })
      expect((await problemOf(late)).status).to.equal(404)
      await api(endpoints.backups.restore, { params: { name: before.fileName } })
      expect(await names()).to.have.members(['Ilse', 'Bram'])
      for (const wrong of ['vendange.sqlite', '../vendange.sqlite', 'none'])
        expect((await problemOf(api(endpoints.backups.restore, { params: { name: wrong } }))).status).to.equal(404)
      writeFileSync(join(workshop.folder, 'backups', 'spoiled.sqlite'), 'spilled lye '.repeat(500))
      const spoiled = await problemOf(api(endpoints.backups.restore, { params: { name: 'spoiled.sqlite' } }))
      expect(spoiled).to.deep.include({ status: 422 })
      expect(await names()).to.have.members(['Ilse', 'Bram'])
    } finally {
      await workshop.close()
    }
  })

  it('are kept on request, can be opened, and never write over each other', async () => {
    const workshop = await openTestWorkshop()
    try {
      await workshop.api(endpoints.makers.create, { body: { ...blankMaker, name: 'Ilse' } })
      const first = await workshop.api(endpoints.backups.create)
      const second = await workshop.api(endpoints.backups.create)
      expect(first.fileName).to.equal('vendange-2027-03-08-120000-on-request.sqlite')
      expect(second.fileName).not.to.equal(first.fileName)
      expect(await workshop.api(endpoints.backups.list)).to.have.length(2)
      const copy = createClient({ url: `file:${join(workshop.folder, 'backups', first.fileName)}` })
      expect((await copy.execute('SELECT name FROM makers')).rows[0]?.['name']).to.equal('Ilse')
      copy.close()
    } finally {
      await workshop.close()
    }
  })
})

describe('frozenClock', () => {
  it('stands on its day, everywhere', () => {
    const clock = frozenClock('2027-03-08')
    expect(clock.today('Pacific/Auckland')).to.equal('2027-03-08')
    expect(clock.now().toISOString()).to.equal('2027-03-08T12:00:00.000Z')
    expect(() => frozenClock('soon')).to.throw(RangeError, 'Expected a day like 2027-03-08, got soon')
  })
})
