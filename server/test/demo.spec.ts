import { expect } from 'chai'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { servicesOf } from '../src/app'
import { openDatabase } from '../src/db/database'
import { demoCollections } from '../src/demo/scenario/collections'
import { demoRecipes } from '../src/demo/scenario/recipes'
import { demoMoulds, demoToday } from '../src/demo/scenario/workshop'
import { seedDemo } from '../src/demo/seedDemo'
import { frozenClock } from '../src/parts/clock'
import { checkMould } from '@vendange/core/mould'
import { checkRecipe } from '@vendange/core/recipe'

async function seeded() {
  const folder = mkdtempSync(join(tmpdir(), 'vendange-'))
  const database = await openDatabase({
    file: join(folder, 'vendange.sqlite'),
    backupFolder: join(folder, 'backups'),
    now: () => new Date(),
  })
  await seedDemo(database)
  const services = servicesOf({ database, clock: frozenClock(demoToday), newId: () => 'none' })
  const season = await services.season.view()
  const loaves = await services.loaves.list()
  const stories = await Promise.all(loaves.map(({ id }) => services.loaves.view(id)))
  await database.close()
  rmSync(folder, { recursive: true, force: true })
  return { season, loaves, stories }
}

describe('the demo', () => {
  it('has sound moulds and recipes', () => {
    for (const mould of Object.values(demoMoulds)) expect(checkMould(mould)).to.deep.equal([])
    for (const recipe of Object.values(demoRecipes)) expect(checkRecipe(recipe)).to.deep.equal([])
  })

  it('is rebuilt identically, with something in every stage', async () => {
    const first = await seeded()
    const second = await seeded()
    expect(second).to.deep.equal(first)
    const { season, loaves } = first
    expect(season.collections.map(({ name }) => name)).to.include.members(['Night Train', 'Mineral Cabinet', 'Regatta'])
    expect(season.designs).to.have.length(demoCollections.flatMap(({ soaps }) => soaps).length)
    const statuses = new Set(loaves.map(({ state }) => state.status))
    expect([...statuses]).to.include.members(['in_mould', 'curing', 'released'])
    expect(season.batches.some(({ status }) => status === 'planned')).to.equal(true)
  }).timeout(180_000)
})
