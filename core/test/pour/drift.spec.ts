import { expect } from 'chai'
import { colourDrift } from '../../src/pour'

const white = { hex: '#F2EBDD', share: 0.7 }
const amber = { hex: '#C98A2E', share: 0.3 }

describe('colourDrift', () => {
  it('is nothing where nothing changed, in whichever order the colours are found', () => {
    expect(colourDrift([white, amber], [amber, white])).to.deep.equal({ deltaE: 0, lightness: 0 })
  })

  it('weighs each colour by its share', () => {
    const browned = { hex: '#B89A78', share: 0.7 }
    const alone = colourDrift([white], [browned])!
    const both = colourDrift([white, amber], [browned, amber])!
    expect(alone.lightness).to.be.below(-20)
    expect(both.deltaE).to.be.closeTo(0.7 * alone.deltaE, 1e-9)
    expect(both.lightness).to.be.closeTo(0.7 * alone.lightness, 1e-9)
  })

  it('says nothing of a picture without colours', () => {
    expect(colourDrift([], [white])).to.equal(undefined)
    expect(colourDrift([white], [])).to.equal(undefined)
  })
})
