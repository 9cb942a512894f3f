import { evenMarks } from '@vendange/core/cutting'
import { expect } from 'chai'
import fc from 'fast-check'

describe('marks of a cut as rows of equal steps', () => {
  it('tells a loaf of equal bars as one row', () => {
    expect(evenMarks([4, 29, 54, 79, 104])).to.deep.equal([{ fromMm: 4, toMm: 104, everyMm: 25 }])
  })

  it('begins a row anew where another size begins', () => {
    expect(evenMarks([4, 29, 54, 79, 91, 103, 115, 160])).to.deep.equal([
      { fromMm: 4, toMm: 79, everyMm: 25 },
      { fromMm: 91, toMm: 115, everyMm: 12 },
      { fromMm: 160, toMm: 160, everyMm: undefined },
    ])
  })

  it('lets two marks stand alone, and none be no row', () => {
    expect(evenMarks([28, 56])).to.deep.equal([
      { fromMm: 28, toMm: 28, everyMm: undefined },
      { fromMm: 56, toMm: 56, everyMm: undefined },
    ])
    expect(evenMarks([])).to.deep.equal([])
  })

  it('takes steps for equal that only rounding to a tenth parts', () => {
    const step = fc.double({ min: 5, max: 60, noNaN: true })
    fc.assert(
      fc.property(
        step,
        fc.integer({ min: 3, max: 40 }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (mm, many, end) => {
          const marks = Array.from({ length: many }, (_, at) => Number((end + at * mm).toFixed(1)))
          const [row, ...rest] = evenMarks(marks)
          expect(rest).to.deep.equal([])
          expect(row?.everyMm).to.be.closeTo(mm, 0.11)
          expect([row?.fromMm, row?.toMm]).to.deep.equal([marks[0], marks.at(-1)])
        },
      ),
    )
  })

  it('leaves no mark out, whatever the marks are', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 0, max: 60 }), { maxLength: 12 }), (some) => {
        const marks = [...some].sort((a, b) => a - b)
        const told = evenMarks(marks).flatMap(({ fromMm, toMm, everyMm }) =>
          everyMm === undefined
            ? [fromMm]
            : Array.from({ length: Math.round((toMm - fromMm) / everyMm) + 1 }, (_, at) => fromMm + at * everyMm),
        )
        expect(told).to.deep.equal(marks)
      }),
    )
  })
})
