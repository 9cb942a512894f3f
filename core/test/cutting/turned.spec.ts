import { expect } from 'chai'
import fc from 'fast-check'
import type { BarCut, FaceChoice } from '../../src/cutting'
import { barGrid, cutWays, isCut, planeOfFace } from '../../src/cutting'
import type { Mould } from '../../src/mould'

/** A block of 310 × 240 × 52 mm in three logs of 80 mm. */
const slab: Mould & BarCut = {
  shape: 'slab',
  logCount: 3,
  lengthMm: 310,
  widthMm: 240,
  heightMm: 80,
  linerMm: 0,
  fillHeightMm: 52,
  barThicknessMm: 25,
  endTrimMm: 4,
  kerfMm: 1,
}
const first: FaceChoice = { way: 'as_poured', log: 0, bar: 0, layer: 0, isFar: false }

describe('barGrid', () => {
  it('counts bars across each log as poured', () => {
    // 302 mm between the trims: 11 bars of 25 mm and 10 cuts take 285.
    expect(barGrid(slab, 'as_poured')).to.deep.equal({
      way: 'as_poured',
      logs: 3,
      along: 11,
      layers: 1,
      bars: 33,
      faceWidthMm: 80,
      faceHeightMm: 52,
    })
  })

  it('counts level faces along and over one another where logs are turned', () => {
    // 5 faces of 52 mm and 4 cuts take 264 of 302 mm; two layers of 25 mm and a cut take 51 of 52.
    expect(barGrid(slab, 'turned')).to.deep.include({ logs: 3, along: 5, layers: 2, bars: 30, faceHeightMm: 52 })
    // Five faces of 58 and four cuts just fill it; a hair less gives four.
    const tall = { ...slab, fillHeightMm: 58 }
    expect(barGrid({ ...tall, lengthMm: 5 * 58 + 4 + 8 }, 'turned').along).to.equal(5)
    expect(barGrid({ ...tall, lengthMm: 5 * 58 + 4 + 7.9 }, 'turned').along).to.equal(4)
  })

  it('gives no turned bar where the log is shorter than it is deep', () => {
    expect(barGrid({ ...slab, lengthMm: 50, fillHeightMm: 79 }, 'turned').bars).to.equal(0)
    expect(barGrid({ ...slab, lengthMm: 20, endTrimMm: 50 }, 'turned').along).to.equal(0)
  })
})

describe('planeOfFace', () => {
  it('finds an upright face after the trim and the bars and cuts before it', () => {
    expect(planeOfFace(first, slab)).to.deep.equal({
      kind: 'across',
      leftMm: 0,
      rightMm: 80,
      upToMm: 52,
      alongMm: 4,
    })
    expect(planeOfFace({ ...first, log: 1, bar: 2, isFar: true }, slab)).to.deep.equal({
      kind: 'across',
      leftMm: 80,
      rightMm: 160,
      upToMm: 52,
      alongMm: 4 + 2 * 26 + 25,
    })
  })

  it('finds a level face by its place along the log and its layer', () => {
    const turned = { ...first, way: 'turned' as const }
    expect(planeOfFace(turned, slab)).to.deep.equal({
      kind: 'level',
      leftMm: 0,
      rightMm: 80,
      fromMm: 4,
      toMm: 56,
      heightMm: 0,
    })
    expect(planeOfFace({ ...turned, log: 2, bar: 3, layer: 1, isFar: true }, slab)).to.deep.equal({
      kind: 'level',
      leftMm: 160,
      rightMm: 240,
      fromMm: 4 + 3 * 53,
      toMm: 4 + 3 * 53 + 52,
      heightMm: 26 + 25,
    })
  })

  it('takes a choice beyond the last bar for the last, and one before the first for the first', () => {
    const beyond = { log: 9, bar: 99, layer: 9, isFar: false }
    expect(planeOfFace({ way: 'as_poured', ...beyond }, slab)).to.deep.include({ leftMm: 160, alongMm: 4 + 10 * 26 })
    expect(planeOfFace({ way: 'turned', ...beyond }, slab)).to.deep.include({ fromMm: 4 + 4 * 53, heightMm: 26 })
    expect(planeOfFace({ ...first, log: -3, bar: -3 }, slab)).to.deep.include({ leftMm: 0, alongMm: 4 })
  })

  it('stays within the block, whatever is asked', () => {
    const index = fc.integer({ min: -2, max: 40 })
    fc.assert(
      fc.property(
        fc.record({ way: fc.constantFrom(...cutWays), log: index, bar: index, layer: index, isFar: fc.boolean() }),
        fc.integer({ min: 60, max: 400 }),
        fc.integer({ min: 20, max: 79 }),
        (choice, lengthMm, fillHeightMm) => {
          const plane = planeOfFace(choice, { ...slab, lengthMm, fillHeightMm })
          expect([plane.leftMm, plane.rightMm].every((mm) => mm >= 0 && mm <= 240)).to.equal(true)
          if (plane.kind === 'across') expect(plane.alongMm).to.be.within(0, lengthMm)
          else {
            expect(plane.heightMm).to.be.within(0, fillHeightMm)
            expect(plane.toMm).to.be.at.most(lengthMm)
          }
        },
      ),
    )
  })
})

describe('isCut', () => {
  it('is so of every shape but cavities', () => {
    expect((['loaf', 'slab', 'cylinder', 'cavities'] as const).map((shape) => isCut({ shape }))).to.deep.equal([
      true,
      true,
      true,
      false,
    ])
  })
})
