import { expect } from 'chai'
import fc from 'fast-check'
import { toWhole, withMass, withShare } from '../../src/recipe'

const fats = [
  { fatKey: 'olive', share: 0.5 },
  { fatKey: 'coconut', share: 0.3 },
  { fatKey: 'castor', share: 0.2 },
]
const shares = (lines: readonly { readonly share: number }[]): readonly number[] => lines.map(({ share }) => share)
const sum = (lines: readonly { readonly share: number }[]): number =>
  lines.reduce((total, { share }) => total + share, 0)
const none = new Set<string>()

describe('withShare', () => {
  it('takes the difference from the others in proportion', () => {
    // 10 % more olive oil come from 30 and 20 % as 6 and 4.
    expect(shares(withShare(fats, 0, 0.6, none))).to.deep.equal([0.6, 0.24, 0.16])
  })

  it('leaves what is locked alone', () => {
    expect(shares(withShare(fats, 0, 0.6, new Set(['castor'])))).to.deep.equal([0.6, 0.2, 0.2])
    expect(shares(withShare(fats, 0, 0.6, new Set(['castor', 'coconut'])))).to.deep.equal([0.6, 0.3, 0.2])
  })

  it('keeps the sum wherever the others can give it', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 100 }), { minLength: 2, maxLength: 8 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (parts, share) => {
          const total = parts.reduce((all, part) => all + part, 0)
          const lines = toWhole(
            parts.map((part, index) => ({ fatKey: `fat${index}`, share: part / total })),
            none,
          )
          expect(sum(lines)).to.be.closeTo(1, 1e-9)
          const after = withShare(lines, 0, Number(share.toFixed(4)), none)
          expect(sum(after)).to.be.closeTo(1, 0.0015)
          expect(Math.min(...shares(after))).to.be.at.least(0)
        },
      ),
    )
  })
})

describe('toWhole', () => {
  it('fills up to 100 % by what is not locked', () => {
    const short = fats.map((fat) => (fat.fatKey === 'olive' ? { ...fat, share: 0.3 } : fat))
    expect(shares(toWhole(short, new Set(['coconut'])))).to.deep.equal([0.42, 0.3, 0.28])
    const allLocked = new Set(fats.map(({ fatKey }) => fatKey))
    expect(toWhole(short, allLocked)).to.equal(short)
  })
})

describe('withMass', () => {
  it('leaves the other masses as they are', () => {
    // 500, 300 and 200 g; the olive oil is 700 g now.
    const { fats: after, fatsG } = withMass(fats, 0, 700, 1000)
    expect(fatsG).to.equal(1200)
    expect(after.map(({ share }) => share * fatsG)).to.satisfy((masses: number[]) =>
      [700, 300, 200].every((mass, index) => Math.abs(mass - (masses[index] ?? 0)) < 0.15),
    )
    expect(sum(after)).to.be.closeTo(1, 1e-9)
  })
})
