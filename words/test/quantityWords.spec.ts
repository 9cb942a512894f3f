import { quantity } from '@vendange/core/findings'
import { isWithin, parseQuantity } from '@vendange/core/units'
import { expect } from 'chai'
import fc from 'fast-check'
import { plainReading, quantityWords } from '../src'
import { ounceReading as ounces } from './readings'

const inGrams = (of: Parameters<typeof quantityWords>[0], scaleStepG = 1): string =>
  quantityWords(of, { ...plainReading, scaleStepG })
const inOunces = (of: Parameters<typeof quantityWords>[0]): string => quantityWords(of, ounces)

describe('quantities in words', () => {
  it('tell what is weighed on the step of the scale', () => {
    expect(inGrams(quantity.mass(412.37))).to.equal('412 g')
    expect(inGrams(quantity.mass(412.37), 0.1)).to.equal('412.4 g')
    expect(inGrams(quantity.mass(412.37), 5)).to.equal('410 g')
    // 4.42 oz: a scale that steps by 0.05 oz is never asked for it.
    expect(inOunces(quantity.mass(4.42 * 28.349523125))).to.equal('4.4 oz')
    expect(inOunces(quantity.mass(4.43 * 28.349523125))).to.equal('4.45 oz')
  })

  it('tell what the scale cannot show by the two digits that count', () => {
    expect(inGrams(quantity.mass(0.432))).to.equal('0.43 g')
    expect(inGrams(quantity.mass(0))).to.equal('0 g')
    expect(inGrams(quantity.mass(-0.2), 5)).to.equal('-0.2 g')
  })

  it('tell what a fine scale weighs to its tenth of a gram, or finer where the workshop’s is', () => {
    expect(inGrams(quantity.fineMass(5.234))).to.equal('5.2 g')
    expect(inGrams(quantity.fineMass(5.234), 0.01)).to.equal('5.23 g')
    expect(inOunces(quantity.fineMass(5.234))).to.equal('0.185 oz')
  })

  it('tell a bar to the gram or 0.05 oz, whatever the scale', () => {
    expect(inGrams(quantity.barMass(98.63), 0.01)).to.equal('99 g')
    expect(inOunces(quantity.barMass(98.63))).to.equal('3.5 oz')
  })

  it('tell lengths to half a millimetre or a sixteenth of an inch', () => {
    expect(inGrams(quantity.length(20.83))).to.equal('21 mm')
    expect(inGrams(quantity.length(35.2))).to.equal('35 mm')
    expect(inGrams(quantity.length(24.3))).to.equal('24.5 mm')
    expect(inOunces(quantity.length(63.5))).to.equal('2 1/2 in')
    expect(inOunces(quantity.length(35.2))).to.equal('1 3/8 in')
    expect(inOunces(quantity.length(1.6))).to.equal('1/16 in')
    expect(inOunces(quantity.length(25.4))).to.equal('1 in')
    expect(inOunces(quantity.length(-12.7))).to.equal('-1/2 in')
    expect(inOunces(quantity.length(0))).to.equal('0 in')
    const decimals = (mm: number) => quantityWords(quantity.length(mm), { ...ounces, inchStyle: 'decimals' })
    expect([decimals(63.5), decimals(35.2), decimals(25.4)]).to.deep.equal(['2.5 in', '1.4 in', '1 in'])
  })

  it('tell temperatures to whole degrees and money to the cent', () => {
    expect(inGrams(quantity.temperature(43.4))).to.equal('43 °C')
    expect(inOunces(quantity.temperature(43.3))).to.equal('110 °F')
    expect(inGrams(quantity.money(1250))).to.equal('€12.50')
    expect(inOunces(quantity.money(5))).to.equal('$0.05')
  })

  it('tell days, and the year of one that is not of this', () => {
    expect([1, 2].map((days) => inGrams(quantity.days(days)))).to.deep.equal(['1 day', '2 days'])
    const told = (day: string) => quantityWords(quantity.day(day), { ...plainReading, today: '2027-03-08' })
    expect([told('2027-03-11'), told('2028-03-11')]).to.deep.equal(['Thu 11 Mar', 'Sat 11 Mar 2028'])
  })

  it('tell an end of a range so that typing what it says is taken', () => {
    const range = fc.tuple(
      fc.double({ min: 0.1, max: 500, noNaN: true }),
      fc.double({ min: 501, max: 9000, noNaN: true }),
    )
    fc.assert(
      fc.property(range, fc.constantFrom('mass', 'length', 'temperature', 'share'), ([min, max], kind) => {
        for (const reading of [plainReading, ounces]) {
          const told = [quantity.least(kind, min), quantity.most(kind, max)].map((end) => quantityWords(end, reading))
          for (const text of told) {
            const read = parseQuantity(kind, text)
            expect(read.ok && isWithin(read.value, { min: min * (1 - 1e-9), max: max * (1 + 1e-9) }), text).to.equal(
              true,
            )
          }
        }
      }),
    )
  })

  it('tell how thick to cut downwards, so that the last bar is whole', () => {
    // 250 / 12 = 20.83: twelve of 21 mm would want 252 mm.
    expect(inGrams(quantity.most('length', 250 / 12))).to.equal('20.5 mm')
    expect(inOunces(quantity.most('length', 250 / 12))).to.equal('13/16 in')
    expect(inGrams(quantity.least('length', 66.9))).to.equal('67 mm')
  })

  it('tell lengths that the same field reads back to within half a step', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1500, noNaN: true }), (mm) => {
        for (const [reading, step] of [
          [plainReading, 0.5],
          [ounces, 25.4 / 16],
        ] as const) {
          const read = parseQuantity('length', quantityWords(quantity.length(mm), reading))
          expect(read.ok && Math.abs(read.value - mm) <= step / 2 + 1e-9).to.equal(true)
        }
      }),
    )
  })
})
