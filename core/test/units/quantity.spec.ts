import { expect } from 'chai'
import fc from 'fast-check'
import type { QuantityKind } from '../../src/units'
import {
  baseUnit,
  formatQuantity,
  moneyAsTyped,
  outOfRange,
  parseQuantity,
  priceAsTyped,
  toUnit,
} from '../../src/units'
import { plainly } from '../plainly'

function valueOf(kind: QuantityKind, text: string, unit?: string): number {
  const parsed = parseQuantity(kind, text, unit === undefined ? {} : { unit })
  if (!parsed.ok) throw new Error(plainly(parsed.problem))
  return parsed.value
}

describe('parseQuantity', () => {
  it('reads any unit of mass into grams', () => {
    expect(valueOf('mass', '12 oz')).to.be.closeTo(340.1942775, 1e-9)
    expect(valueOf('mass', '1,5 kg')).to.equal(1500)
    expect(valueOf('mass', '1 1/2 oz')).to.be.closeTo(42.5242846875, 1e-9)
    expect(valueOf('mass', '2 lb')).to.be.closeTo(907.18474, 1e-9)
    expect(valueOf('mass', '350g')).to.equal(350)
  })

  it('takes a bare number for the unit that is usual here', () => {
    expect(valueOf('mass', '12', 'oz')).to.be.closeTo(340.1942775, 1e-9)
    expect(valueOf('length', '9', 'in')).to.be.closeTo(228.6, 1e-9)
    expect(valueOf('temperature', '110', '°F')).to.be.closeTo(43.3333333, 1e-6)
  })

  it('reads lengths, temperatures, shares and times', () => {
    expect(valueOf('length', '9 in')).to.be.closeTo(228.6, 1e-9)
    expect(valueOf('length', '9"')).to.be.closeTo(228.6, 1e-9)
    expect(valueOf('length', '25 cm')).to.equal(250)
    expect(valueOf('temperature', '110 F')).to.be.closeTo(43.3333333, 1e-6)
    expect(valueOf('temperature', '43 C')).to.equal(43)
    expect(valueOf('share', '5 %')).to.be.closeTo(0.05, 1e-12)
    expect(valueOf('share', '5')).to.be.closeTo(0.05, 1e-12)
    expect(valueOf('hours', '90 min')).to.equal(1.5)
    expect(valueOf('days', '4 weeks')).to.equal(28)
  })

  it('says in plain words what it wants when there is no number', () => {
    const parsed = parseQuantity('mass', 'a handful')
    expect(!parsed.ok && plainly(parsed.problem)).to.equal('quantity_unread, kind mass, example 340.19 g')
  })

  it('names a unit that does not belong', () => {
    const parsed = parseQuantity('mass', '12 cm')
    expect(parsed.ok).to.equal(false)
    if (!parsed.ok) expect(plainly(parsed.problem)).to.equal('unit_unknown, unit cm, kind mass, example 340.19 g')
  })

  it('refuses what is outside the range, in the usual unit', () => {
    const parsed = parseQuantity('length', '3 m', { unit: 'in', range: { min: 25.4, max: 1524 } })
    expect(!parsed.ok && plainly(parsed.problem)).to.equal('out_of_range, least 25.4, most 1524')
    expect(parseQuantity('mass', '-5', { range: { min: 0, max: 10 } }).ok).to.equal(false)
  })

  it('takes only whole pieces', () => {
    expect(valueOf('count', '12 bars')).to.equal(12)
    expect(parseQuantity('count', '12.5')).to.deep.equal({ ok: false, problem: { code: 'not_whole' } })
  })

  it('throws on a unit that the caller got wrong', () => {
    expect(() => parseQuantity('mass', '12', { unit: 'mm' })).to.throw(RangeError, 'Expected a unit of mass, got mm')
    expect(() => toUnit('length', 12, 'g')).to.throw(RangeError, 'Expected a unit of length, got g')
  })

  it('never throws on text, whatever is typed', () => {
    const kinds: readonly QuantityKind[] = [
      'mass',
      'length',
      'temperature',
      'share',
      'hours',
      'days',
      'count',
      'number',
    ]
    fc.assert(
      fc.property(fc.constantFrom(...kinds), fc.string(), (kind, text) => {
        const parsed = parseQuantity(kind, text)
        if (parsed.ok) expect(Number.isFinite(parsed.value)).to.equal(true)
        else expect(parsed.problem.code).not.to.equal('')
      }),
    )
  })
})

describe('formatQuantity', () => {
  it('writes the unit and drops trailing zeros', () => {
    expect(formatQuantity('length', 228.6, { unit: 'in' })).to.equal('9 in')
    expect(formatQuantity('mass', 350)).to.equal('350 g')
    expect(formatQuantity('temperature', 43, { unit: '°F' })).to.equal('109 °F')
    expect(formatQuantity('mass', 340.1942775, { unit: 'oz' })).to.equal('12 oz')
    expect(formatQuantity('share', 0.0525)).to.equal('5.3 %')
    expect(formatQuantity('days', 1)).to.equal('1 day')
    expect(formatQuantity('count', 12)).to.equal('12')
    expect(formatQuantity('mass', -0.01)).to.equal('0 g')
  })

  it('knows the unit in which a kind is kept', () => {
    expect(baseUnit('mass')).to.equal('g')
    expect(baseUnit('temperature')).to.equal('°C')
    expect(plainly(outOfRange('share', { min: 0.2, max: 0.5 }))).to.equal('out_of_range, least 0.2, most 0.5')
  })

  it('is read back as what was written, to its last digit', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 50_000, noNaN: true }),
        fc.constantFrom('g', 'oz', 'kg', 'lb'),
        (massG, unit) => {
          const text = formatQuantity('mass', massG, { unit, digits: 4 })
          expect(valueOf('mass', text)).to.be.closeTo(massG, 0.05)
        },
      ),
    )
  })
})

describe('money', () => {
  // As a field reads it: a bare number is of the currency, not of its hundredth.
  const read = (text: string) => parseQuantity('money', text, { unit: '' })

  it('is read with its sign before it, as a field tells it', () => {
    for (const text of ['$24.50', 'US$ 24.50', '24.50', '€24.50', 'EUR 24,50', '2450 c', '24.5 usd'])
      expect(read(text), text).to.deep.equal({ ok: true, value: 2450 })
    expect(read('-$3').ok).to.equal(false)
    expect(read('$').ok).to.equal(false)
    expect(moneyAsTyped(123450, 'USD')).to.equal('$1234.50')
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1e9 }),
        fc.constantFrom('USD', 'EUR', 'GBP', 'SEK', 'AUD', 'CHF'),
        (cents, code) => {
          expect(read(moneyAsTyped(cents, code))).to.deep.equal({ ok: true, value: cents })
        },
      ),
    )
  })
})

describe('volumes and densities', () => {
  it('are read in any unit of their kind', () => {
    const ml = (text: string, unit = 'ml') => {
      const read = parseQuantity('volume', text, { unit })
      return read.ok ? Math.round(read.value * 1000) / 1000 : undefined
    }
    // A fluid ounce is 29.5735 ml, a cup eight of them, a quart four cups, a teaspoon a sixth.
    expect(['16 fl oz', '2 cups', '1 qt', '1.5 l', '3 tsp', '250'].map((text) => ml(text))).to.deep.equal([
      473.176, 473.176, 946.353, 1500, 14.787, 250,
    ])
    expect(ml('16', 'fl oz')).to.equal(473.176)
    // 28.3495 g in 29.5735 ml.
    expect(parseQuantity('density', '1 oz/fl oz')).to.deep.include({ ok: true })
    expect(toUnit('density', 1, 'oz/fl oz')).to.be.closeTo(1.043175, 1e-6)
  })
})

describe('rates of colourant', () => {
  it('are read by the kilo, in per cent, by the pound and by the teaspoon', () => {
    const read = (text: string) => {
      const parsed = parseQuantity('rate', text)
      return parsed.ok ? Math.round(parsed.value * 1000) / 1000 : undefined
    }
    // A sixteenth of an ounce to 16 is a 256th; 3 g to 453.6 are 6.614 to a kilo.
    expect(['5 g/kg', '5', '0.5 %', '1/16 oz/lb', '1 tsp/lb'].map(read)).to.deep.equal([5, 5, 5, 3.906, 6.614])
  })
})

describe('a price by mass', () => {
  const cents = (text: string, unit = '/kg'): number | undefined => {
    const parsed = parseQuantity('price', text, { unit })
    return parsed.ok ? parsed.value : undefined
  }

  it('is typed a kilo, a pound, an ounce or a gram, with its sign or without', () => {
    expect(cents('12.50/kg')).to.equal(1250)
    // A pound is 0.45359237 kg: 5.67 a pound is 12.50 a kilo.
    expect(cents('$5.67/lb')).to.be.closeTo(1250.02, 0.01)
    expect(cents('$5.67 a pound')).to.be.closeTo(1250.02, 0.01)
    // An ounce is 28.349523125 g: 0.40 an ounce is 14.11 a kilo.
    expect(cents('0.40 per oz')).to.be.closeTo(1410.96, 0.01)
    expect(cents('€0.05/g')).to.equal(5000)
    expect(cents('5.67', '/lb')).to.be.closeTo(1250.02, 0.01)
  })

  it('is refused by what is no mass', () => {
    expect(cents('3 a cup')).to.equal(undefined)
    expect(cents('a pound')).to.equal(undefined)
  })

  it('stands in its field as it was typed', () => {
    const typed = parseQuantity('price', '$24.50/lb', { unit: '/lb' })
    expect(typed.ok && priceAsTyped(typed.value, 'USD', 'lb')).to.equal('$24.50/lb')
  })
})

describe('a temperature typed in °F', () => {
  it('stays what it was', () => {
    for (const text of ['105 °F', '110 F', '212f', '-4 °F']) {
      const typed = parseQuantity('temperature', text, { unit: '°F' })
      if (!typed.ok) throw new Error(`Expected to read ${text}`)
      const figure = Number(/-?\d+/.exec(text)?.[0])
      expect(formatQuantity('temperature', typed.value, { unit: '°F' })).to.equal(`${figure} °F`)
    }
  })
})
