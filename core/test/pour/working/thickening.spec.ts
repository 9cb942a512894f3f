import { expect } from 'chai'
import fc from 'fast-check'
import type { MoveKind, MoveLine, Thickening } from '../../../src/pour'
import {
  drawBatter,
  estimateWorking,
  minutesUntil,
  moveSpecs,
  scaledThickening,
  thickenedAt,
  thickenersOf,
  thickeningCurve,
  thickeningOfPot,
  tooThick,
  traceAt,
  traceBegins,
  traceEnds,
  traceFits,
  traces,
} from '../../../src/pour'

const plain: Thickening = { plainMin: 40, scentTimes: 1, scentAtMin: 0 }
const raced: Thickening = { plainMin: 40, scentTimes: 0.25, scentAtMin: 10 }
const someBatter = fc.record({
  plainMin: fc.double({ min: 1, max: 200, noNaN: true }),
  scentTimes: fc.double({ min: 0.05, max: 4, noNaN: true }),
  scentAtMin: fc.double({ min: 0, max: 30, noNaN: true }),
})

describe('how far a batter has thickened', () => {
  it('goes on evenly, and at another pace once the scent is in', () => {
    expect([0, 10, 20, 40].map((minutes) => thickenedAt(minutes, plain))).to.deep.equal([0, 0.25, 0.5, 1])
    // A quarter after 10 min; then four times as fast: the other three quarters take 7.5 min.
    expect([5, 10, 17.5].map((minutes) => thickenedAt(minutes, raced))).to.deep.equal([0.125, 0.25, 1])
  })

  it('is turned round by when it has thickened so far', () => {
    fc.assert(
      fc.property(someBatter, fc.double({ min: 0, max: 2, noNaN: true }), (batter, thickened) => {
        expect(thickenedAt(minutesUntil(thickened, batter), batter)).to.be.closeTo(thickened, 1e-9)
      }),
    )
  })

  it('never goes back', () => {
    const minutes = fc.double({ min: 0, max: 300, noNaN: true })
    fc.assert(
      fc.property(someBatter, minutes, minutes, (batter, one, other) => {
        const [early, late] = [Math.min(one, other), Math.max(one, other)]
        expect(thickenedAt(early, batter)).to.be.at.most(thickenedAt(late, batter))
      }),
    )
  })

  it('is refused for times that are none', () => {
    expect(() => thickenedAt(1, { ...plain, plainMin: 0 })).to.throw(RangeError)
    expect(() => minutesUntil(1, { ...plain, scentTimes: -1 })).to.throw(RangeError)
  })

  it('follows a pot of its own: unscented it knows nothing of the scent', () => {
    expect(thickeningOfPot(raced, { times: 0.5, isScented: false })).to.deep.equal({
      plainMin: 20,
      scentTimes: 1,
      scentAtMin: 10,
    })
    expect(scaledThickening(raced, 2).plainMin).to.equal(80)
  })
})

describe('what a batter looks like', () => {
  it('goes from emulsion to thick, and then is good for nothing', () => {
    expect([0, 0.12, 0.5, 0.85, tooThick].map(traceAt)).to.deep.equal([...traces, undefined])
    expect([0.119, 0.499, 0.849, tooThick - 0.001].map(traceAt)).to.deep.equal([...traces])
  })

  it('is a trace from when that begins, and each trace lasts into the next', () => {
    for (const [index, trace] of traces.entries()) {
      expect(traceAt(traceBegins[trace])).to.equal(trace)
      const next = traces[index + 1]
      if (next) expect(traceEnds[trace]).to.be.above(traceBegins[next])
    }
  })
})

describe('whether the batter was right for a move', () => {
  const was = (kind: MoveKind, minutes: number): string => traceFits({ kind }, minutes, plain)

  it('is too thin before the trace that the move needs, and too thick where it ends after it', () => {
    // A spoon needs medium: half of 40 min. A ribbon has to be done by the end of thin, at 0.55 of 40 min.
    expect([was('spoon', 19), was('spoon', 20)]).to.deep.equal(['too_thin', 'right'])
    const ends = 0.55 * 40 - moveSpecs.ribbon.handsMin
    expect([was('ribbon', 0), was('ribbon', ends - 0.01), was('ribbon', ends + 0.01)]).to.deep.equal([
      'right',
      'right',
      'too_thick',
    ])
  })

  it('is right at any time for what needs no batter', () => {
    for (const kind of ['spray', 'texture'] as const) expect(was(kind, 500)).to.equal('right')
  })

  it('is never right for a ribbon and for a piped top at once', () => {
    const [ribbon, pipe]: readonly MoveLine[] = [{ kind: 'ribbon' }, { kind: 'pipe' }]
    fc.assert(
      fc.property(someBatter, fc.double({ min: 0, max: 300, noNaN: true }), (batter, minutes) => {
        const both = [ribbon!, pipe!].map((line) => traceFits(line, minutes, batter))
        expect(both).to.not.deep.equal(['right', 'right'])
      }),
    )
  })
})

const additives = (names: readonly string[]) => thickenersOf(names.map((name) => ({ kind: 'additive', name })))

describe('what thickens a batter, by its name', () => {
  it('is found in what its maker wrote', () => {
    expect(additives(['Goat milk', 'Colloidal oats', 'Lamp amber'])).to.deep.equal(['milk', 'oats'])
    expect(additives(['Cane SUGAR', 'kaolin', 'Titanium white', 'Carrot puree'])).to.deep.equal([
      'sugar',
      'fruit',
      'clay',
      'white',
    ])
    expect(additives(['Salt', 'Soot'])).to.deep.equal([])
    // A boat is no oat.
    expect(additives(['Boat blue'])).to.deep.equal([])
    expect(additives(['honey', 'yoghurt'])).to.deep.equal(['sugar', 'milk'])
    // White clay is clay, and no white pigment beside it.
    expect(additives(['White clay'])).to.deep.equal(['clay'])
    expect(thickenersOf([{ kind: 'colourant', name: 'Oar white' }])).to.deep.equal(['white'])
  })
})

describe('the curve of a batter', () => {
  const estimate = estimateWorking(
    {
      temperatureC: 43,
      lyeConcentration: 0.33,
      solidShare: 0.5,
      blending: 'usual',
      scentLast: true,
      thickeners: [],
      pots: 2,
      scents: [],
    },
    [],
  )

  it('runs from nothing to the end, faster batters over slower ones', () => {
    const curve = thickeningCurve(estimate, [0.5, 1, 2], 30, 10)
    expect(curve).to.have.length(11)
    expect([curve[0]?.minutes, curve.at(-1)?.minutes]).to.deep.equal([0, 30])
    expect(curve[0]?.thickened).to.deep.equal([0, 0, 0])
    for (const { minutes, thickened } of curve) {
      const [fast = 0, likely = 0, slow = 0] = thickened
      if (minutes > 0) expect(fast > likely && likely > slow).to.equal(true)
      expect(fast).to.be.closeTo(2 * likely, 1e-9)
    }
  })

  it('is drawn at random for a rehearsal, the same for a seed', () => {
    expect(drawBatter(estimate, 7)).to.deep.equal(drawBatter(estimate, 7))
    const slowness = Array.from({ length: 400 }, (_, seed) =>
      Math.log(drawBatter(estimate, seed).plainMin / estimate.thickening.plainMin),
    )
    const mean = slowness.reduce((sum, one) => sum + one, 0) / slowness.length
    const spread = Math.sqrt(slowness.reduce((sum, one) => sum + (one - mean) ** 2, 0) / slowness.length)
    // 400 draws: their mean is within three standard errors, their spread within a tenth.
    expect(Math.abs(mean)).to.be.below((3 * estimate.spread) / 20)
    expect(spread / estimate.spread).to.be.within(0.9, 1.1)
  })
})
