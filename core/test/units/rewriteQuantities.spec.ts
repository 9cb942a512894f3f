import { expect } from 'chai'
import { rewriteQuantities } from '../../src/units'

const inches = { mass: 'oz', length: 'in', temperature: '°F' }

describe('rewriteQuantities', () => {
  it('turns grams, millimetres and degrees into what the workshop reads', () => {
    expect(rewriteQuantities('Take 7 g back.', inches)).to.equal('Take 0.25 oz back.')
    expect(rewriteQuantities('The lye is now 121 g and the water 246 g; superfat stays 5 %.', inches)).to.equal(
      'The lye is now 4.27 oz and the water 8.68 oz; superfat stays 5 %.',
    )
    expect(rewriteQuantities('Cut them 20.8 mm thick.', inches)).to.equal('Cut them 0.82 in thick.')
    expect(rewriteQuantities('It heats to over 80 °C and steams.', inches)).to.equal(
      'It heats to over 176 °F and steams.',
    )
  })

  it('leaves densities, rates, shares and other words alone', () => {
    const text = 'At 1.36 g/ml and 7 g/kg, 5 % of 12 bars on day 3 of 28.'
    expect(rewriteQuantities(text, inches)).to.equal(text)
  })

  it('changes nothing for a workshop that reads in grams', () => {
    const text = 'Take 7 g back; cut 20.8 mm; 43 °C.'
    expect(rewriteQuantities(text, { mass: 'g', length: 'mm', temperature: '°C' })).to.equal(text)
  })

  it('throws on a unit of another kind', () => {
    expect(() => rewriteQuantities('7 g', { ...inches, mass: 'in' })).to.throw(
      RangeError,
      'Expected a unit of mass, got in',
    )
  })
})
