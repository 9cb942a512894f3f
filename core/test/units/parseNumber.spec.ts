import { expect } from 'chai'
import fc from 'fast-check'
import { parseNumber } from '../../src/units'

describe('parseNumber', () => {
  const readings: readonly (readonly [string, number])[] = [
    ['12', 12],
    ['1.5', 1.5],
    ['1,5', 1.5],
    ['.5', 0.5],
    ['1/2', 0.5],
    ['1 1/2', 1.5],
    ['1½', 1.5],
    ['¾', 0.75],
    ['-3', -3],
    ['−3', -3],
    ['-1 1/2', -1.5],
    [' 7 ', 7],
  ]
  for (const [text, value] of readings) {
    it(`reads “${text}” as ${value}`, () => expect(parseNumber(text)).to.equal(value))
  }

  for (const text of ['', 'twelve', '1.2.3', '1 2', '1/0', '--1', '1e5', 'NaN', 'Infinity', '½½']) {
    it(`takes “${text}” for no number`, () => expect(parseNumber(text)).to.equal(undefined))
  }

  it('reads back every decimal it could be given, with point or comma', () => {
    fc.assert(
      fc.property(fc.integer({ min: -1e9, max: 1e9 }), fc.integer({ min: 0, max: 4 }), (whole, digits) => {
        const text = (whole / 10 ** digits).toFixed(digits)
        expect(parseNumber(text)).to.equal(Number(text))
        expect(parseNumber(text.replace('.', ','))).to.equal(Number(text))
      }),
    )
  })
})
