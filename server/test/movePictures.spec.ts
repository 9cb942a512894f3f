import type { BatchView } from '@vendange/contract'
import { expect } from 'chai'
import { demoToday } from '../src/demo/scenario/workshop'
import { servicesOf } from '../src/app'
import { frozenClock } from '../src/parts/clock'
import { movePictures } from '../src/pour/movePictures'
import { readingsOf } from '../src/readings'
import { openDemo } from './seededDemo'

describe('the pictures of a pour on its run sheet', () => {
  it('are one a move, and of a pour with very many moves as many as can be made while one waits', async () => {
    const { database, dispose } = await openDemo()
    try {
      const context = { database, clock: frozenClock(demoToday), newId: () => 'none' }
      const season = await readingsOf(context).season()
      const views = await Promise.all(season.batches.map(({ id }) => servicesOf(context).bench.view(id)))
      const view = views.find(({ plan }) => (plan.moves ?? []).length > 5) as BatchView
      const { plan } = view
      const mould = season.moulds.find(({ id }) => id === view.batch.mouldId)!
      const design = season.designs.find(({ id }) => id === view.batch.designId)!
      const moves = plan.moves ?? []
      const shown = (count: number) => {
        const many = Array.from({ length: count }, (_, at) => moves[at % moves.length]!)
        return movePictures({ ...plan, moves: many }, { mould, design })
      }
      const few = shown(moves.length)
      expect(few.filter((one) => one?.includes('<path'))).to.have.length(moves.length)
      expect(few[2]).to.contain('<title>After move 3</title>')
      // The last one shows the finished inside.
      const many = shown(60)
      expect(many).to.have.length(60)
      const drawn = many.flatMap((one, at) => (one === undefined ? [] : [at + 1]))
      expect(drawn.at(-1)).to.equal(60)
      expect(drawn.reduce((sum, upTo) => sum + upTo, 0)).to.be.at.most(400)
    } finally {
      await dispose()
    }
  }).timeout(60_000)
})
