import { expect } from 'chai'
import type { BatchPlan, PotColour, WeighedPot } from '../../src/batch'
import { batchPlan, potSteps, potWords, scentSharesWords, scentSteps, wettingSteps } from '../../src/batch'
import { workedSource } from '../blends'

const colour = (name: string): PotColour => ({ name, hex: '#804020', share: 0.5, rateGPerKg: 8 })
const soot: WeighedPot = { colour: colour('soot'), batterG: 500, colourantG: 4, batterMl: 486 }
const plan: BatchPlan = batchPlan(workedSource)
const withPots = (...pots: readonly WeighedPot[]): BatchPlan => ({ ...plan, weights: { ...plan.weights, pots } })

describe('what is said of a pot', () => {
  it('is how far its jug is filled and what is stirred in', () => {
    expect(potWords(soot)).to.equal('Up to the 486 ml mark. Stir in 4 g of colourant, wetted.')
  })

  it('names what wets its colourant, and how much of it', () => {
    expect(potWords({ ...soot, wetting: { with: 'fat', massG: 12.04 } })).to.equal(
      'Up to the 486 ml mark. Stir in 4 g of colourant, wetted in 12 g of fat.',
    )
  })

  it('says of one that stays plain that it does, and of an older one no mark', () => {
    expect(potWords({ ...soot, colourantG: 0 })).to.equal('Up to the 486 ml mark. Stays plain.')
    expect(potWords({ colour: colour('glass'), batterG: 500, colourantG: 0 })).to.equal('Stays plain.')
  })
})

describe('the steps of the pots', () => {
  it('weigh each of them, under keys that stay', () => {
    const steps = potSteps(withPots(soot, { ...soot, colour: colour('glass'), batterG: 250 }))
    expect(steps.map(({ key, kind, planned, title }) => [key, kind, planned, title])).to.deep.equal([
      ['pot:0', 'weigh', 500, 'Batter for soot'],
      ['pot:1', 'weigh', 250, 'Batter for glass'],
    ])
  })

  it('wet the colours first, from the water that is off the lye’s or the fat that was kept back', () => {
    const steps = wettingSteps(
      withPots(
        { ...soot, wetting: { with: 'water', massG: 12 } },
        { ...soot, colour: colour('glass') },
        { ...soot, colour: colour('amber'), wetting: { with: 'fat', massG: 8 } },
      ),
    )
    expect(steps.map(({ key, title }) => [key, title])).to.deep.equal([
      ['wet:0', 'Wet soot: 4 g in 12 g of water'],
      ['wet:2', 'Wet amber: 4 g in 8 g of fat'],
    ])
    expect(steps.map(({ detail }) => detail)).to.deep.equal([
      'Stir the colourant smooth in 12 g of water, which is off the lye’s water already.',
      'Stir the colourant smooth in 8 g of the fat that was kept back.',
    ])
  })
})

describe('how the scent is shared out', () => {
  const scented = (name: string, scentG: number): WeighedPot => ({ ...soot, colour: colour(name), scentG })

  it('is told where not all of it goes into the only pot', () => {
    expect(scentSharesWords([scented('soot', 10), scented('glass', 5.25)])).to.equal(
      '10 g into soot, 5.3 g into glass. ',
    )
    expect(scentSharesWords([scented('soot', 10), scented('glass', 0)])).to.equal('10 g into soot. ')
    expect(scentSharesWords([scented('soot', 10)])).to.equal('')
  })

  const blend = {
    ...plan,
    scent: {
      name: 'Night air',
      rate: 0.03,
      behaviour: 'calm',
      parts: [
        { name: 'Fir', share: 0.75, behaviour: 'calm' },
        { name: 'Smoke', share: 0.25, behaviour: 'speeds' },
      ],
    },
    weights: { ...plan.weights, scentG: 40, pots: [scented('soot', 30), scented('glass', 10)] },
  } as unknown as BatchPlan

  it('weighs a blend part by part into a cup, and shares out the whole of it last', () => {
    const steps = scentSteps(blend, 'last')
    expect(steps.map(({ key, planned, title }) => [key, planned, title])).to.deep.equal([
      ['scent:0', 30, 'Fir, into a cup of glass'],
      ['scent:1', 10, 'Smoke, shared among the pots'],
    ])
    expect(steps[1]?.detail).to.equal(
      'On top of the others in the cup, Night air in all. 30 g into soot, 10 g into glass. Last, stirred by hand.',
    )
  })

  it('goes into the batter at emulsion where its school says so', () => {
    const steps = scentSteps(blend, 'at_once')
    expect(steps.map(({ group }) => group)).to.deep.equal(['Batter', 'Batter'])
    expect(steps[1]?.title).to.equal('Smoke, at emulsion')
    expect(steps[1]?.detail).to.equal('On top of the others in the cup, Night air in all. Stirred by hand.')
  })

  it('is no step without a scent', () => {
    expect(scentSteps({ ...blend, scent: null }, 'last')).to.deep.equal([])
    expect(scentSteps({ ...blend, weights: { ...blend.weights, scentG: 0 } }, 'last')).to.deep.equal([])
  })
})
