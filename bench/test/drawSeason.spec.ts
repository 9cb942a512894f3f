import type { SeasonProblem } from '@vendange/core/season'
import { expect } from 'chai'
import { readFileSync } from 'node:fs'
import { drawSeason } from '../seasons/drawSeason'

/** What each of the seasons that stand written down was drawn from: batches, seed, tightness. */
const drawnFrom: readonly (readonly [number, number, number])[] = [
  [8, 11, 0.9],
  [12, 12, 0.6],
  [16, 13, 1],
  [20, 14, 0.8],
  [30, 11, 0.7],
  [40, 14, 0.9],
  [60, 14, 0.6],
  [80, 14, 0.5],
]

describe('a season drawn by chance', () => {
  it('is the same from the same seed: those that stand written down come out again', () => {
    for (const [batches, seed, tightness] of drawnFrom) {
      const file = new URL(`../seasons/season-${String(batches).padStart(2, '0')}.json`, import.meta.url)
      const {
        name: _name,
        startDate: _start,
        ...written
      } = JSON.parse(readFileSync(file, 'utf8')) as SeasonProblem & {
        readonly name: string
        readonly startDate: string
      }
      expect(drawSeason({ batches, seed, tightness }), `${batches} batches`).to.deep.equal(written)
    }
  })
})
