import { expect } from 'chai'
import {
  similarDeltaE,
  similarityFindings,
  isClaimKey,
  lessonsForReissue,
  mainColours,
  nearestColour,
  ownClaimKey,
  paletteDifference,
  promiseFindings,
  salesSentences,
} from '../../src/plan'
import { plainly } from '../plainly'

const soap = (name: string, hexes: readonly string[], scent: { name: string; family?: string } | null = null) => ({
  name,
  scent,
  colours: hexes.map((hex) => ({ hex, share: 1 / hexes.length })),
})

describe('similarityFindings', () => {
  it('finds two soaps with nearly the same colours, and not two that differ', () => {
    const codes = (a: readonly string[], b: readonly string[]) =>
      similarityFindings([soap('A', a), soap('B', b)]).map(({ code }) => code)
    expect(codes(['#D99A3C', '#F1E2BE'], ['#DB9C40', '#F0E0BA'])).to.deep.equal(['same_palette'])
    expect(codes(['#D99A3C', '#F1E2BE'], ['#27364F', '#B5412B'])).to.deep.equal([])
    expect(codes([], [])).to.deep.equal([])
  })

  it('measures by CIEDE2000: black and white are 100 apart', () => {
    expect(paletteDifference([{ hex: '#000000', share: 1 }], [{ hex: '#FFFFFF', share: 1 }])).to.be.closeTo(100, 0.01)
    expect(paletteDifference([{ hex: '#5A2750', share: 1 }], [{ hex: '#5A2750', share: 1 }])).to.equal(0)
    expect(similarDeltaE).to.equal(10)
  })

  it('names one scent in two soaps, or one family', () => {
    const told = (a: { name: string; family?: string }, b: { name: string; family?: string }) =>
      similarityFindings([soap('A', ['#000000'], a), soap('B', ['#FFFFFF'], b)]).map(plainly)
    expect(told({ name: 'Amber' }, { name: 'Amber' })).to.deep.equal(['same_scent, one A, other B, scent Amber'])
    expect(told({ name: 'Amber', family: 'Resin' }, { name: 'Gum', family: 'resin ' })).to.deep.equal([
      'same_scent_family, one A, other B, family resin',
    ])
    expect(told({ name: 'Amber', family: 'resin' }, { name: 'Peel', family: 'citrus' })).to.deep.equal([])
  })

  it('finds the palette colour nearest to a wished one', () => {
    const palette = [{ hex: '#A3343C' }, { hex: '#F4EEE2' }]
    expect(nearestColour('#B03A40', palette)?.colour).to.equal(palette[0])
    expect(nearestColour('#B03A40', [])).to.equal(undefined)
  })
})

describe('promiseFindings', () => {
  const plain = { name: 'Fog', fats: [{ fatKey: 'olive' }], ingredients: [] }

  it('holds the workshop’s own claims against the ingredients that break them', () => {
    const soap = { name: 'Fog', fats: [{ fatKey: 'soybean' }], ingredients: [{ name: 'Mica', contains: [] }] }
    const claim = { key: ownClaimKey('1'), name: 'free of soy', without: [' soybean OIL '] }
    expect(promiseFindings([soap], [claim.key], [claim]).map(plainly)).to.deep.equal([
      'claim_broken, soap Fog, claim own:1, own free of soy, ingredient Soybean oil',
    ])
    expect(promiseFindings([soap], [claim.key], [{ ...claim, without: ['Palm oil'] }])).to.deep.equal([])
    // One that was taken away meanwhile says nothing.
    expect(promiseFindings([soap], ['own:gone'], [claim])).to.deep.equal([])
    expect(['vegan', 'own:1', 'own:', 'cheap'].filter(isClaimKey)).to.deep.equal(['vegan', 'own:1'])
  })

  it('names the ingredient that breaks a promise', () => {
    const soaps = [
      { ...plain, fats: [{ fatKey: 'tallow' }, { fatKey: 'palm' }] },
      { ...plain, name: 'Red', ingredients: [{ name: 'insect red', contains: ['animal' as const] }] },
    ]
    expect(promiseFindings(soaps, ['vegan', 'palm_free']).map(plainly)).to.deep.equal([
      'claim_broken, soap Fog, claim vegan, own , ingredient Beef tallow',
      'claim_broken, soap Fog, claim palm_free, own , ingredient Palm oil',
      'claim_broken, soap Red, claim vegan, own , ingredient insect red',
    ])
  })

  it('finds nothing where the promise holds or none is given', () => {
    expect(promiseFindings([plain], ['vegan', 'palm_free', 'nut_free'])).to.deep.equal([])
    expect(promiseFindings([{ ...plain, fats: [{ fatKey: 'lard' }] }], [])).to.deep.equal([])
    expect(promiseFindings([{ ...plain, fats: [{ fatKey: 'shea' }] }], ['nut_free'])).to.have.length(1)
  })
})

describe('salesSentences', () => {
  it('tell channels apart', () => {
    const results = [
      { channel: 'Web', offered: 12, sold: 12, days: 5 },
      { channel: 'Stalls', offered: 5, sold: 3, days: 30 },
    ]
    expect(salesSentences(results).map(plainly)).to.deep.equal([
      'channel_sold, channel Web, offered 12, sold 12, days 5 d, isSoldOut yes',
      'channel_sold, channel Stalls, offered 5, sold 3, days 30 d, isSoldOut no',
    ])
  })
})

describe('lessonsForReissue', () => {
  it('makes one open lesson of every line and note, each once', () => {
    expect(
      lessonsForReissue({
        notesForNextTime: 'Two loaves.\n\n Thinner dusk.',
        loafNotes: ['Two loaves.', 'Ash on top'],
      }),
    ).to.deep.equal(['Two loaves.', 'Thinner dusk.', 'Ash on top'].map((text) => ({ text, standing: 'open' })))
  })
})

describe('mainColours', () => {
  const picture = (...parts: readonly (readonly [number, readonly number[]])[]): number[] =>
    parts.flatMap(([count, rgba]) => Array.from({ length: count }, () => rgba).flat())

  it('finds the colours of a picture, that of most pixels first', () => {
    const found = mainColours(picture([60, [163, 52, 60, 255]], [40, [244, 238, 226, 255]]), 2)
    expect(found.map(({ hex }) => hex)).to.deep.equal(['#A3343C', '#F4EEE2'])
    expect(found[0]?.share).to.be.closeTo(0.6, 1e-9)
  })

  it('passes over what is transparent, and finds no more colours than there are', () => {
    expect(mainColours(picture([10, [1, 2, 3, 0]]), 3)).to.deep.equal([])
    expect(mainColours(picture([10, [163, 52, 60, 255]]), 5)).to.have.length(1)
    expect(mainColours([], 5)).to.deep.equal([])
  })
})
