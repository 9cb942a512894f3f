import { expect } from 'chai'
import fc from 'fast-check'
import { choicesOf, hasWords, pageOfRows, wordsOf } from '../../src/tables'

const row = fc.record({
  name: fc.constantFrom('fog', 'Lamp', 'dawn', ''),
  size: fc.option(fc.integer({ min: 0, max: 5 }), { nil: null }),
  at: fc.nat(),
})
describe('a table', () => {
  it('shows each line once over all of its pages, in order, nothing known last', () => {
    fc.assert(
      fc.property(
        fc.array(row, { maxLength: 40 }),
        fc.constantFrom('name' as const, 'size' as const),
        fc.boolean(),
        fc.integer({ min: 1, max: 7 }),
        (rows, sortBy, isDescending, perPage) => {
          const page = (number: number) => pageOfRows(rows, { sortBy, isDescending, page: number, perPage })
          const count = Math.ceil(rows.length / perPage)
          const all = Array.from({ length: count }, (_, at) => page(at + 1).rows).flat()
          expect(page(1).total).to.equal(rows.length)
          expect(all).to.have.deep.members(rows)
          const sizes = all.map(({ size }) => size)
          if (sortBy === 'size') {
            const known = sizes.filter((size) => size !== null)
            expect(sizes.slice(0, known.length)).to.deep.equal(known)
            expect(known).to.deep.equal([...known].sort((a, b) => (isDescending ? b - a : a - b)))
          }
          // What is alike stays as it stood.
          const places = all.map((one) => rows.indexOf(one))
          for (let at = 1; at < all.length; at++)
            if (all[at]![sortBy] === all[at - 1]![sortBy]) expect(places[at]).to.be.at.least(places[at - 1]!)
          expect(page(count + 1).rows).to.deep.equal([])
        },
      ),
    )
  })

  it('looks for every word, whichever letters it is written in', () => {
    const line = { name: 'Platform Fog', lot: '270210-1' }
    const has = (text: string) => hasWords(line, wordsOf(text), ({ name, lot }) => [name, lot])
    expect(has(' fog  PLAT')).to.equal(true)
    expect(has('fog lamp')).to.equal(false)
    expect(has('  ')).to.equal(true)
  })

  it('has each choice once, by the alphabet, and nothing is none', () => {
    expect(choicesOf(['b', '', 'a', 'b'])).to.deep.equal(['a', 'b'])
  })
})
