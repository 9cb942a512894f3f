import { expect } from 'chai'
import fc from 'fast-check'
import type { LoafQuery, LoafRow } from '../../src/loaf'
import { everyLoaf, loafSortKeys, pageOfLoaves } from '../../src/loaf'
import { writeLoavesCsv } from '../../src/release/csv'

const row = (lotCode: string, more: Partial<LoafRow> = {}): LoafRow => ({
  id: lotCode,
  lotCode,
  name: 'Platform Fog',
  soap: 'Platform Fog',
  designId: 'd1',
  pouredDay: '2027-02-10',
  status: 'curing',
  bars: 10,
  barsPlanned: 10,
  lossShare: null,
  scent: 'Steam blend',
  place: 'North rack, shelf 1',
  faults: [],
  ingredients: ['Olive oil', 'Kaolin'],
  ...more,
})
const rows = [
  row('270210-1'),
  row('270211-1', { name: 'Dining Car', soap: 'Dining Car', pouredDay: '2027-02-11', bars: null, lossShare: 0.08 }),
  row('270212-1', { pouredDay: '2027-02-12', status: 'released', faults: ['ash'], scent: '', place: '', bars: 12 }),
  row('270213-1', { pouredDay: '2027-02-13', lossShare: 0.1, ingredients: ['Castor oil'], bars: 9 }),
  // The newest first, as the notebook gives them.
].reverse()
const lots = (query: Partial<LoafQuery>): readonly string[] =>
  pageOfLoaves(rows, { ...everyLoaf, ...query }).rows.map(({ lotCode }) => lotCode.slice(4))

describe('a table of loaves', () => {
  it('has those that fit every wish', () => {
    expect(lots({})).to.deep.equal(['13-1', '12-1', '11-1', '10-1'])
    expect(lots({ soap: 'Dining Car' })).to.deep.equal(['11-1'])
    expect(lots({ status: 'released' })).to.deep.equal(['12-1'])
    expect(lots({ fault: 'ash' })).to.deep.equal(['12-1'])
    expect(lots({ scent: 'Steam blend', from: '2027-02-11' })).to.deep.equal(['13-1', '11-1'])
    expect(lots({ from: '2027-02-11', to: '2027-02-12' })).to.deep.equal(['12-1', '11-1'])
    expect(lots({ place: 'North rack, shelf 1', soap: 'Platform Fog' })).to.deep.equal(['13-1', '10-1'])
  })

  it('finds every word, among the ingredients too', () => {
    expect(lots({ text: 'castor' })).to.deep.equal(['13-1'])
    expect(lots({ text: '  FOG kaolin ' })).to.deep.equal(['12-1', '10-1'])
    expect(lots({ text: 'fog castor kaolin' })).to.deep.equal([])
    expect(lots({ text: '0211' })).to.deep.equal(['11-1'])
  })

  it('is sorted either way, with what is not known last', () => {
    expect(lots({ sortBy: 'bars', isDescending: false })).to.deep.equal(['13-1', '10-1', '12-1', '11-1'])
    expect(lots({ sortBy: 'bars' })).to.deep.equal(['12-1', '10-1', '13-1', '11-1'])
    expect(lots({ sortBy: 'lossShare' })).to.deep.equal(['13-1', '11-1', '12-1', '10-1'])
    expect(lots({ sortBy: 'name', isDescending: false })).to.deep.equal(['11-1', '13-1', '12-1', '10-1'])
  })

  it('tells how many there are, and what there is to choose from', () => {
    const page = pageOfLoaves(rows, { ...everyLoaf, soap: 'Platform Fog', perPage: 2 })
    expect([page.rows.length, page.total, page.bars]).to.deep.equal([2, 3, 31])
    expect(page.facets).to.deep.equal({
      soaps: ['Dining Car', 'Platform Fog'],
      scents: ['Steam blend'],
      places: ['North rack, shelf 1'],
      faults: ['ash'],
    })
  })

  it('has each loaf on one page, whatever the order', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ lot: fc.nat(99), bars: fc.option(fc.nat(20)) }), { maxLength: 40 }),
        fc.constantFrom(...loafSortKeys),
        fc.boolean(),
        fc.integer({ min: 1, max: 9 }),
        (drawn, sortBy, isDescending, perPage) => {
          const some = drawn.map(({ lot, bars }, at) => row(`2702${lot}-${at}`, { bars }))
          const pages = Math.ceil(some.length / perPage)
          const found = Array.from({ length: pages + 1 }, (_, at) =>
            pageOfLoaves(some, { ...everyLoaf, sortBy, isDescending, perPage, page: at + 1 }),
          )
          expect(found.flatMap((page) => page.rows.map(({ id }) => id)).sort()).to.deep.equal(
            some.map(({ id }) => id).sort(),
          )
          for (const { total } of found) expect(total).to.equal(some.length)
        },
      ),
    )
  })
})

describe('a table of loaves to take away', () => {
  it('has a line each, and nothing that a spreadsheet would run', () => {
    const text = writeLoavesCsv([row('270210-1', { name: '=2+2', lossShare: 0.08, faults: ['ash'], bars: null })])
    expect(text).to.equal(
      'lot,soap,poured,status,bars,lost,scent,place,faults\n270210-1,"\'=2+2",2027-02-10,curing,,0.08,Steam blend,"North rack, shelf 1",ash',
    )
  })
})
