import { expect } from 'chai'
import fc from 'fast-check'
import {
  absorptionOf,
  air,
  brownShare,
  closeNeighbours,
  hexOfAbsorption,
  mixColours,
  neighboursIn,
  paintCut,
  reflectanceOf,
  richnessOf,
  shadesAt,
  svgOfCut,
  usualTint,
} from '../../src/pour'
import { plainly } from '../plainly'

const lightness = (hex: string): number => Number.parseInt(hex.slice(1, 3), 16)
const bands = (hex: string): readonly number[] => [1, 3, 5].map((at) => Number.parseInt(hex.slice(at, at + 2), 16))

describe('mixing', () => {
  it('is Kubelka and Munk’s: R = ½ is K/S = ¼, and back', () => {
    expect(reflectanceOf(0.25)).to.be.closeTo(0.5, 1e-12)
    expect(reflectanceOf(0)).to.equal(1)
    // Linear light of #BCBCBC is 0.503: (1 − R)²/2R = 0.2456.
    expect(absorptionOf('#BCBCBC')[0]).to.be.closeTo(0.2456, 0.001)
    expect(() => absorptionOf('reddish')).to.throw('Expected a colour like #5A2750')
  })

  it('gives each colour back, and mixes darker than the mean of their light', () => {
    const hex = fc.integer({ min: 0x101010, max: 0xf8f8f8 }).map((value) => `#${value.toString(16).padStart(6, '0')}`)
    fc.assert(
      fc.property(hex, (one) => {
        bands(hexOfAbsorption(absorptionOf(one))).forEach((band, at) => {
          // Soap is never quite black: its reflectance is held above 0.003.
          expect(Math.abs(band - Math.max(10, bands(one)[at]!))).to.be.at.most(2)
        })
      }),
    )
    expect(
      lightness(
        mixColours([
          { hex: '#FFFFFF', share: 1 },
          { hex: '#202020', share: 1 },
        ]),
      ),
    ).to.be.below(0x70)
    // Yellow and blue make a green, not a grey.
    const [red = 0, green = 0, blue = 0] = bands(
      mixColours([
        { hex: '#F2D23C', share: 1 },
        { hex: '#2F6DB5', share: 1 },
      ]),
    )
    expect(green).to.be.above(red).and.above(blue)
    expect(() => mixColours([])).to.throw('Expected a share above 0')
  })
})

describe('shadesAt', () => {
  const pot = { hex: '#1F7A55' }

  it('keeps the cured colour, and is darker while wet, greens most', () => {
    expect(shadesAt('week_4', [pot])).to.deep.equal(['#1F7A55'])
    const wet = shadesAt('pour', [pot, { hex: '#7A1F55' }])
    expect(bands(wet[0]!)[1]).to.be.below(0x7a)
    expect(0x7a - bands(wet[0]!)[1]!).to.be.above(0x7a - bands(wet[1]!)[0]!)
  })

  it('goes by what the workshop saw', () => {
    expect(shadesAt('pour', [{ ...pot, wetHex: '#0A3020' }])).to.deep.equal(['#0A3020'])
    expect(shadesAt('day_1', [{ ...pot, dayHex: '#187050' }])).to.deep.equal(['#187050'])
  })

  it('browns with vanillin over weeks, tints with the batter, fades and bleeds', () => {
    const batter = { vanillin: 0.1, scentRate: 0.03 }
    expect(brownShare(batter, 0)).to.equal(0)
    expect(brownShare(batter, 28)).to.be.within(0.5, 0.8)
    const white = [{ hex: '#F4F0E8' }]
    expect(lightness(shadesAt('week_4', white, batter)[0]!)).to.be.below(0xb8)
    expect(shadesAt('pour', white, batter)).to.deep.equal(shadesAt('pour', white))
    expect(lightness(shadesAt('week_4', white, { tintHex: '#D9C48E' })[0]!)).to.be.below(0xf4)
    expect(shadesAt('week_4', white, { tintHex: usualTint })).to.deep.equal(['#F4F0E8'])
    expect(lightness(shadesAt('week_4', [{ hex: '#6A4B8C', fades: true }])[0]!)).to.be.above(0x6a)
    const besideRed = shadesAt('week_4', [...white, { hex: '#A3202C', bleeds: true }])
    expect(bands(besideRed[0]!)[2]).to.be.below(0xe8)
  })
})

describe('neighbours', () => {
  // Two rows of 0 over two rows of 1, with air above.
  const cut = Int8Array.from([air, air, 0, 0, 0, 0, 1, 1])

  it('are counted by their borders', () => {
    expect(neighboursIn(cut, 2)).to.deep.equal([{ a: 0, b: 1, share: 1 }])
    expect(richnessOf(cut, 2)).to.deep.equal({ colours: 2, borderWidths: 1 })
  })

  it('are warned of where they will be hard to tell apart, at the worst time', () => {
    const found = closeNeighbours(neighboursIn(cut, 2), [
      { name: 'straw', hex: '#E3C463' },
      { name: 'amber', hex: '#E2BE62' },
    ])
    expect(found.map(({ code }) => code)).to.deep.equal(['hard_to_tell'])
    expect(plainly(found[0])).to.match(/^hard_to_tell, one straw, other amber, look /)
    const far = [
      { name: 'night', hex: '#232C38' },
      { name: 'chalk', hex: '#F3EFE6' },
    ]
    expect(closeNeighbours(neighboursIn(cut, 2), far)).to.deep.equal([])
    // Vanillin can bring two together that are far apart on the day.
    const browned = closeNeighbours(
      neighboursIn(cut, 2),
      [
        { name: 'cream', hex: '#E8D8B8' },
        { name: 'tan', hex: '#C8A578' },
      ],
      { vanillin: 0.3, scentRate: 0.05 },
    )
    expect(plainly(browned[0])).to.contain('look week_4')
  })
})

describe('pictures of a cut', () => {
  const cut = Int8Array.from([air, air, 0, 0, 0, 0, 1, 1])

  it('are painted in the colours, clear where there is air, and mixed at the border', () => {
    const pixels = paintCut(cut, 2, ['#A3343C', '#F4EEE2'])
    expect([...pixels.slice(0, 4)]).to.deep.equal([0, 0, 0, 0])
    expect(
      [...pixels.slice(8, 12)].map((band, at) => Math.abs(band - [0xa3, 0x34, 0x3c, 255][at]!) <= 1),
    ).to.not.include(false)
    const blurred = paintCut(cut, 2, ['#A3343C', '#F4EEE2'], 1)
    // The last row takes colour from the one above it.
    expect(blurred[24]).to.be.below(0xf4)
    expect(blurred[3]).to.equal(0)
  })

  it('are drawn as outlines, one for each colour, with a title that is safe', () => {
    const wide = new Int8Array(400).map((_, at) => (at < 200 ? 0 : 1))
    const svg = svgOfCut(wide, 20, ['#A3343C', '#F4EEE2'], { widthMm: 80, heightMm: 60, title: 'Red & <white>' })
    expect(svg).to.match(/^<svg xmlns="http:\/\/www.w3.org\/2000\/svg" width="80mm" height="60mm" viewBox="0 0 80 60">/)
    expect(svg).to.contain('<title>Red &#38; &#60;white&#62;</title>')
    expect(svg.match(/<path fill="#A3343C"/g)).to.have.length(1)
    // The border between the halves lies in the middle.
    const heights = [...svg.matchAll(/[ML]([\d.]+) ([\d.]+)/g)].map(([, , y]) => Number(y))
    expect(heights.some((y) => Math.abs(y - 30) < 0.01)).to.equal(true)
  })
})
