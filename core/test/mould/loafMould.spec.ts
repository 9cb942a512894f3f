import { expect } from 'chai'
import fc from 'fast-check'
import { blockOf, checkLoafMould, fillVolumeMl } from '../../src/mould'
import { workedMould } from '../blends'

describe('loaf mould', () => {
  it('holds length × width × fill height', () => {
    expect(fillVolumeMl(workedMould)).to.equal(1200)
  })

  it('loses the liner from each side and from the base', () => {
    const lined = { ...workedMould, linerMm: 2 }
    // 246 × 76 × 60 mm; the brim stands at 70 − 2 = 68 mm above the liner.
    expect(blockOf(lined)).to.deep.equal({ lengthMm: 246, widthMm: 76, heightMm: 60 })
    expect(fillVolumeMl(lined)).to.be.closeTo(1121.76, 1e-9)
    expect(checkLoafMould({ ...lined, fillHeightMm: 68 })).to.deep.equal([])
    expect(checkLoafMould({ ...lined, fillHeightMm: 69 })[0]?.message).to.contain(
      'above the liner there is room for 68 mm',
    )
  })

  const refusals = [
    ['a mould 3 m long', { lengthMm: 3000 }, 'mould_side', 'lengthMm'],
    ['a width of nothing', { widthMm: 0 }, 'mould_side', 'widthMm'],
    ['a height that is no number', { heightMm: Number.NaN }, 'mould_side', 'heightMm'],
    ['a liner thicker than liners are', { linerMm: 50 }, 'liner', 'linerMm'],
    ['no fill', { fillHeightMm: 0 }, 'fill', 'fillHeightMm'],
    ['a fill above the brim', { fillHeightMm: 71 }, 'fill_above_brim', 'fillHeightMm'],
    ['a liner that fills the mould', { widthMm: 30, linerMm: 15 }, 'liner_fills_mould', 'linerMm'],
  ] as const
  for (const [what, wrong, code, field] of refusals) {
    it(`refuses ${what}, naming the field`, () => {
      const findings = checkLoafMould({ ...workedMould, ...wrong })
      expect(findings.map((finding) => [finding.severity, finding.code, finding.field])).to.deep.equal([
        ['refuse', code, field],
      ])
      expect(() => blockOf({ ...workedMould, ...wrong })).to.throw(RangeError, 'Expected a mould that can be filled')
    })
  }

  it('never throws while checking, and whatever passes holds something', () => {
    const side = fc.oneof(fc.double(), fc.double({ min: 0, max: 400, noNaN: true }))
    const mould = fc.record({ lengthMm: side, widthMm: side, heightMm: side, linerMm: side, fillHeightMm: side })
    fc.assert(
      fc.property(mould, (typed) => {
        if (checkLoafMould(typed).length === 0) expect(fillVolumeMl(typed)).to.be.greaterThan(0)
      }),
      { numRuns: 500 },
    )
  })
})
