import { expect } from 'chai'
import type { MoveLine } from '../../src/pour'
import {
  faceOf,
  faceRatio,
  paintFace,
  partsPoured,
  starterPlan,
  techniques,
  usualFace,
  usualSection,
} from '../../src/pour'

const colours = [
  { hex: '#A3343C', share: 0.5 },
  { hex: '#F4EEE2', share: 0.5 },
]
const cut = { barThicknessMm: 25, endTrimMm: 5, kerfMm: 0 }
const loaf = { lengthMm: 260, widthMm: 80, heightMm: 70, linerMm: 0, fillHeightMm: 60, ...cut }
const slab = { ...loaf, shape: 'slab' as const, lengthMm: 310, widthMm: 240, fillHeightMm: 50, logCount: 3 }

describe('faceOf', () => {
  it('is a level layer of each pot until the pour is designed, of the cured colours', () => {
    const face = faceOf({ name: 'Regatta', colours })
    expect(face.lines).to.deep.equal([
      { kind: 'level', pot: 0, part: 1 },
      { kind: 'level', pot: 1, part: 1 },
    ])
    expect(face.hexes).to.deep.equal(['#A3343C', '#F4EEE2'])
    const pixels = paintFace(face, 20, 20)
    const redAt = (row: number): number => pixels[(row * 20 + 10) * 4 + 1]!
    expect(redAt(2)).to.be.above(0xc0)
    expect(redAt(17)).to.be.below(0x60)
  })

  it('is as tall as its piece of the loaf', () => {
    expect(faceRatio(faceOf({ name: 'x', colours }, loaf))).to.be.closeTo(60 / 80, 1e-12)
    expect(faceRatio(faceOf({ name: 'x', colours, pourPlan: starterPlan('column', 2, usualSection) }, slab))).to.equal(
      50 / 80,
    )
  })

  it('is the same for the same look, another for another name, and plain without a colour', () => {
    expect(faceOf({ name: 'Regatta', colours })).to.deep.equal(faceOf({ name: 'Regatta', colours }))
    expect(faceOf({ name: 'Dawn', colours }).seed).not.to.equal(faceOf({ name: 'Regatta', colours }).seed)
    expect(faceOf({ name: 'Plain', colours: [] }).potAreasMm2).to.have.length(1)
  })

  it('leaves moves out of pots that are gone', () => {
    const pourPlan: readonly MoveLine[] = [
      { kind: 'level', pot: 0, part: 1 },
      { kind: 'level', pot: 7, part: 1 },
    ]
    expect(faceOf({ name: 'x', colours, pourPlan }).lines).to.have.length(1)
  })

  it('is cut where its maker chose, turned where its picture is seen from above', () => {
    const column = starterPlan('column', 2, usualSection)
    expect(usualFace(column, slab).way).to.equal('turned')
    expect(faceOf({ name: 'x', colours, pourPlan: column }, slab).plane.kind).to.equal('level')
    const chosen = { way: 'as_poured', log: 2, bar: 99, layer: 0, isFar: true } as const
    // Beyond the last bar means the last: the twelfth of a log of 310 mm, its far side.
    expect(faceOf({ name: 'x', colours, face: chosen }, slab).plane).to.deep.equal({
      kind: 'across',
      leftMm: 160,
      rightMm: 240,
      upToMm: 50,
      alongMm: 5 + 12 * 25,
    })
  })
})

describe('starterPlan', () => {
  it('pours every pot whole, whatever the technique and the number of pots', () => {
    for (const technique of techniques)
      for (const pots of [1, 2, 3, 5])
        partsPoured(starterPlan(technique, pots, usualSection), pots).forEach((part, pot) =>
          expect(part, `${technique}, pot ${pot} of ${pots}`).to.be.closeTo(1, 1e-9),
        )
    expect(() => starterPlan('layers', 0, usualSection)).to.throw('Expected a whole number of pots from 1')
  })
})
