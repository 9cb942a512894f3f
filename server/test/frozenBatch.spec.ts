import { expect } from 'chai'
import { frozenVersion, readFrozen } from '../src/db/schema/frozenBatch'

const demand = { prepHours: 1, pourHours: 1.5, cutHours: 0.5, setDays: { min: 1, max: 3 }, cureDays: 28 }
const kept = { plan: { designName: 'Fog' }, mouldId: 'long', mouldCount: 2, labelMassG: 100, demand }
const read = (frozen: object) => readFrozen(frozen as Parameters<typeof readFrozen>[0])

describe('a frozen batch', () => {
  it('from before shapes were counted has one kind of mould and no oven', () => {
    expect(read(kept)).to.deep.equal({ ...kept, version: 1, moreMoulds: [], demand: { ...demand, oven: false } })
    const later = { ...kept, moreMoulds: [{ mouldId: 'tray', count: 1 }], demand: { ...demand, oven: true } }
    expect(read(later)).to.deep.equal({ ...later, version: 1 })
  })

  it('of today comes as it was kept, and one of a newer version is refused', () => {
    const today = { ...kept, version: frozenVersion, moreMoulds: [], demand: { ...demand, oven: true } }
    expect(read(today)).to.equal(today)
    expect(() => read({ ...today, version: 99 })).to.throw(RangeError, 'got 99')
  })
})
