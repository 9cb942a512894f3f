import { expect } from 'chai'
import fc from 'fast-check'
import {
  angleOfProp,
  heldWhenProppedMm2,
  propHeightMm,
  simulatePour,
  slopedLayerOf,
  wallHeightsOf,
} from '../../src/pour'

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

  it('wishes a wedge over part of the base, and finds it again', () => {
    // 20 mm high at the right over 40 of 80 mm: atan(20/40) = 26.565°, ½ · 20 · 40 = 400 mm².
    const wedge = slopedLayerOf({ leftMm: 0, rightMm: 20, coversMm: 40 }, section)
    expect(wedge.areaMm2).to.equal(400)
    expect(wedge.angleDeg).to.be.closeTo(26.565, 0.001)
    const back = wallHeightsOf(wedge, section)
    expect([back.leftMm, back.rightMm, back.coversMm].map((mm) => Math.round(mm * 1e6) / 1e6)).to.deep.equal([
      0, 20, 40,
    ])
    // Made higher it still covers half of the base; raised at the other wall too, all of it.
    expect(slopedLayerOf({ ...back, rightMm: 30 }, section).areaMm2).to.be.closeTo(600, 1e-6)
    expect(slopedLayerOf({ ...back, leftMm: 5 }, section).areaMm2).to.equal(1000)
    expect(() => slopedLayerOf({ leftMm: 0, rightMm: 5, coversMm: 81 }, section)).to.throw('Expected it to cover')
  })
})

describe('a prop', () => {
  it('stands under the outer edge of the mould', () => {
    // Walls of 9 mm: 98 mm across; 98 · sin 17.46° = 29.4 mm where the inside alone would say 24.
    const outside = { ...section, outerBaseMm: 98 }
    expect(propHeightMm(17.46, outside)).to.be.closeTo(29.4, 0.01)
    expect(propHeightMm(17.46, section)).to.be.closeTo(24, 0.01)
    expect(slopedLayerOf({ leftMm: 10, rightMm: 30 }, outside).propMm).to.be.closeTo(
      (98 * 20) / Math.hypot(80, 20),
      1e-9,
    )
  })

  it('gives its angle, and the angle it again', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 45, noNaN: true }),
        fc.double({ min: 80, max: 140, noNaN: true }),
        (angleDeg, outerBaseMm) => {
          const outside = { ...section, outerBaseMm }
          expect(angleOfProp(propHeightMm(angleDeg, outside), outside)).to.be.closeTo(angleDeg, 1e-6)
        },
      ),
    )
    expect(() => angleOfProp(80, section)).to.throw('Expected a prop from 0 to 80 mm')
    expect(() => angleOfProp(-1, section)).to.throw(RangeError)
  })
})

describe('heldWhenProppedMm2', () => {
  it('is all that stands below the lower brim', () => {
    expect(heldWhenProppedMm2(0, section)).to.equal(80 * 70)
    // tan 30° · 80 = 46.19 mm of drop: 80 · (70 - 23.09).
    expect(heldWhenProppedMm2(30, section)).to.be.closeTo(3752.4, 0.1)
    expect(heldWhenProppedMm2(-30, section)).to.equal(heldWhenProppedMm2(30, section))
    // At 45° it drops by 80, more than the 70 of the wall: half of 70².
    expect(heldWhenProppedMm2(45, section)).to.be.closeTo(2450, 1e-6)
  })

  it('is where the simulation comes to the brim', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 45, noNaN: true }), (angleDeg) => {
        const full = heldWhenProppedMm2(angleDeg, section)
        const { heightsMm } = simulatePour([{ kind: 'sloped', angleDeg, pot: 0, part: 1 }], [full], section)
        expect(heightsMm[0]?.rightMm).to.be.closeTo(70, 0.1)
      }),
      { numRuns: 20 },
    )
  })

  it('is read at the wall itself', () => {
    // 2400 mm² at 20°: 30 mm in the middle, 40 · tan 20° = 14.559 mm more at the wall.
    const { heightsMm } = simulatePour([{ kind: 'sloped', angleDeg: 20, pot: 0, part: 1 }], [2400], section)
    expect(heightsMm[0]?.rightMm).to.be.closeTo(44.559, 1e-3)
    expect(heightsMm[0]?.leftMm).to.be.closeTo(15.441, 1e-3)
  })
})
