import { expect } from 'chai'
import fc from 'fast-check'
import { drawFace, faceSize } from '../../src/pour'

const colours = [
  { hex: '#D99A3C', share: 0.5 },
  { hex: '#F1E2BE', share: 0.3 },
  { hex: '#7A3E1D', share: 0.2 },
]

/** Mean height of the upper edge of a band, from its path. */
function meanTop(path: string): number {
  const points = path
    .slice(1)
    .split('L')
    .slice(0, -2)
    .map((point) => Number(point.split(' ')[1]))
  return points.reduce((sum, y) => sum + y, 0) / points.length
}

describe('drawFace', () => {
  it('paints from the top down, the bottom colour last', () => {
    expect(drawFace('Lantern Glass', colours).map(({ hex }) => hex)).to.deep.equal(['#7A3E1D', '#F1E2BE', '#D99A3C'])
  })

  it('puts each layer at its height', () => {
    const [top, middle, bottom] = drawFace('Lantern Glass', colours).map(({ path }) => meanTop(path))
    expect(top).to.equal(0)
    expect(middle).to.be.closeTo(20, 2.5)
    expect(bottom).to.be.closeTo(50, 2.5)
  })

  it('keeps each soap its own hand', () => {
    expect(drawFace('Malachite', colours)).to.deep.equal(drawFace('Malachite', colours))
    expect(drawFace('Malachite', colours)).not.to.deep.equal(drawFace('Slate Vein', colours))
  })

  it('shows uncoloured batter where there are no colours', () => {
    expect(drawFace('Plain', [])).to.have.length(1)
  })

  it('throws on a layer of nothing', () => {
    expect(() => drawFace('Odd', [{ hex: '#000000', share: 0 }])).to.throw(
      RangeError,
      'Expected a share above 0, got 0',
    )
  })

  it('stays inside its square, whatever the shares', () => {
    const share = fc.double({ min: 0.001, max: 1, noNaN: true })
    fc.assert(
      fc.property(fc.string(), fc.array(share, { minLength: 1, maxLength: 10 }), (name, shares) => {
        for (const { path } of drawFace(
          name,
          shares.map((one) => ({ hex: '#123456', share: one })),
        )) {
          for (const number of path.match(/-?\d+(\.\d+)?/g) ?? []) expect(Number(number)).to.be.within(-3, faceSize + 3)
        }
      }),
    )
  })
})
