import { expect } from 'chai'
import { rmSync } from 'node:fs'
import { servicesOf } from '../src/app'
import { demoCollections } from '../src/demo/scenario/collections'
import { demoRecipes } from '../src/demo/scenario/recipes'
import { demoMoulds, demoToday } from '../src/demo/scenario/workshop'
import { frozenClock } from '../src/parts/clock'
import { checkMould } from '@vendange/core/mould'
import { checkRecipe } from '@vendange/core/recipe'
import { readingsOf } from '../src/readings'
import { openDemo, seedAnew } from './seededDemo'

/** All that is seen of the demo in a folder, or in the one that the tests share. */
async function seen(folder?: string) {
  const { database, dispose } = await openDemo(folder)
  const context = { database, clock: frozenClock(demoToday), newId: () => 'none' }
  const services = servicesOf(context)
  const readings = readingsOf(context)
  const season = await readings.season()
  const loaves = await readings.newestLoaves()
  const stories = await Promise.all(loaves.map(({ id }) => services.loaves.view(id)))
  await dispose()
  return { season, loaves, stories }
}

describe('the demo', () => {
  it('has sound moulds and recipes', () => {
    for (const mould of Object.values(demoMoulds)) expect(checkMould(mould)).to.deep.equal([])
    for (const recipe of Object.values(demoRecipes)) expect(checkRecipe(recipe)).to.deep.equal([])
  })

  it('is rebuilt identically, with something in every stage', async () => {
    const first = await seen()
    const folder = await seedAnew()
    expect(await seen(folder)).to.deep.equal(first)
    rmSync(folder, { recursive: true })
    const { season, loaves } = first
    expect(season.collections.map(({ name }) => name)).to.include.members(['Night Train', 'Mineral Cabinet', 'Regatta'])
    expect(season.designs).to.have.length(demoCollections.flatMap(({ soaps }) => soaps).length)
    const statuses = new Set(loaves.map(({ state }) => state.status))
    expect([...statuses]).to.include.members(['in_mould', 'curing', 'released'])
    expect(season.batches.some(({ status }) => status === 'planned')).to.equal(true)
  }).timeout(180_000)
})
