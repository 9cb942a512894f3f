import { expect } from 'chai'
import fc from 'fast-check'
import { propHeightMm, simulatePour, slopedLayerOf, wallHeightsOf } from '../../src/pour'

const section = { widthMm: 80, heightMm: 70, fillMm: 60, lengthMm: 250 }

describe('slopedLayerOf', () => {
  it('gives volume, angle and prop of the heights wished for', () => {
    const layer = slopedLayerOf({ leftMm: 10, rightMm: 30 }, section)
    expect(layer.areaMm2).to.equal(1600)
    expect(layer.angleDeg).to.be.closeTo(14.036, 0.001) // atan(20/80)
    expect(layer.propMm).to.be.closeTo(19.403, 0.001) // 80 · sin
    expect(propHeightMm(-30, section)).to.be.closeTo(40, 1e-9)
  })

  it('is turned round by wallHeightsOf', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 60, noNaN: true }),
        fc.double({ min: 0.5, max: 60, noNaN: true }),
        (leftMm, rightMm) => {
          const back = wallHeightsOf(slopedLayerOf({ leftMm, rightMm }, section), section)
          expect(back.leftMm).to.be.closeTo(leftMm, 1e-6)
          expect(back.rightMm).to.be.closeTo(rightMm, 1e-6)
        },
      ),
    )
  })

  it('leaves a wedge where the batter does not reach the other wall, as the simulation does', () => {
    // ½ · tan 30° · b² = 400 mm²: b = 37.22 mm, 21.49 mm high.
    const walls = wallHeightsOf({ areaMm2: 400, angleDeg: 30 }, section)
    expect(walls.leftMm).to.equal(0)
    expect(walls.rightMm).to.be.closeTo(21.49, 0.01)
    const { heightsMm } = simulatePour([{ kind: 'sloped', angleDeg: 30, pot: 0, part: 1 }], [400], section)
    expect(heightsMm[0]?.rightMm).to.be.closeTo(walls.rightMm, 0.2)
    expect(wallHeightsOf({ areaMm2: 400, angleDeg: -30 }, section).rightMm).to.equal(0)
  })

  it('refuses what is no height or no mould', () => {
    expect(() => slopedLayerOf({ leftMm: -1, rightMm: 5 }, section)).to.throw('Expected heights of 0 or more')
    expect(() => slopedLayerOf({ leftMm: 1, rightMm: 5 }, { widthMm: 0 })).to.throw('Expected a width above 0')
    expect(() => wallHeightsOf({ areaMm2: -1, angleDeg: 5 }, section)).to.throw('Expected an area of 0 or more')
    expect(() => wallHeightsOf({ areaMm2: 1, angleDeg: 5 }, { widthMm: 0 })).to.throw('Expected a width above 0')
  })
})
