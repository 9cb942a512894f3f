import { expect } from 'chai'
import type { BatchPlan, PotColour, WeighedPot } from '../../src/batch'
import { batchPlan, potSentence, potSteps, scentShares, scentSteps, wettingSteps } from '../../src/batch'
import { workedSource } from '../blends'
import { plainly } from '../plainly'

const colour = (name: string): PotColour => ({ name, hex: '#804020', share: 0.5, rateGPerKg: 8 })
const soot: WeighedPot = { colour: colour('soot'), batterG: 500, colourantG: 4, batterMl: 486 }
const plan: BatchPlan = batchPlan(workedSource)
const withPots = (...pots: readonly WeighedPot[]): BatchPlan => ({ ...plan, weights: { ...plan.weights, pots } })

describe('what is said of a pot', () => {
  it('is how far its jug is filled and what is stirred in', () => {
    expect(plainly(potSentence(soot))).to.equal(
      'pot_coloured, mark (up_to_mark, mark 486 ml), hasMark yes, colourant 4 g, wetting , with none',
    )
  })

  it('names what wets its colourant, and how much of it', () => {
    expect(plainly(potSentence({ ...soot, wetting: { with: 'fat', massG: 12.04 } }))).to.contain(
      'colourant 4 g, wetting 12.04 g, with fat',
    )
  })

  it('says of one that stays plain that it does, and of an older one no mark', () => {
    expect(plainly(potSentence({ ...soot, colourantG: 0 }))).to.equal(
      'pot_plain, mark (up_to_mark, mark 486 ml), hasMark yes',
    )
    expect(plainly(potSentence({ colour: colour('glass'), batterG: 500, colourantG: 0 }))).to.equal(
      'pot_plain, mark , hasMark no',
    )
  })
})

describe('the steps of the pots', () => {
  it('weigh each of them, under keys that stay', () => {
    const steps = potSteps(withPots(soot, { ...soot, colour: colour('glass'), batterG: 250 }))
    expect(steps.map(({ key, kind, planned, title }) => [key, kind, planned, plainly(title)])).to.deep.equal([
      ['pot:0', 'weigh', 500, 'pot_title, pot soot'],
      ['pot:1', 'weigh', 250, 'pot_title, pot glass'],
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
    expect(steps.map(({ key, title }) => [key, plainly(title)])).to.deep.equal([
      ['wet:0', 'wet_title, pot soot, dry 4 g, wet 12 g, with water'],
      ['wet:2', 'wet_title, pot amber, dry 4 g, wet 8 g, with fat'],
    ])
    expect(steps.map(({ detail }) => plainly(detail))).to.deep.equal([
      'stir_colourant_smooth, wet 12 g, with water',
      'stir_colourant_smooth, wet 8 g, with fat',
    ])
  })
})

describe('how the scent is shared out', () => {
  const scented = (name: string, scentG: number): WeighedPot => ({ ...soot, colour: colour(name), scentG })

  it('is told where not all of it goes into the only pot', () => {
    expect(plainly(scentShares([scented('soot', 10), scented('glass', 5.25)]))).to.equal(
      'scent_shares, shares (scent_share, massG 10 g, pot soot) (scent_share, massG 5.25 g, pot glass)',
    )
    expect(plainly(scentShares([scented('soot', 10), scented('glass', 0)]))).to.equal(
      'scent_shares, shares (scent_share, massG 10 g, pot soot)',
    )
    expect(scentShares([scented('soot', 10)])).to.equal(null)
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
    expect(steps.map(({ key, planned, title }) => [key, planned, plainly(title)])).to.deep.equal([
      ['scent:0', 30, 'scent_into_cup, name Fir'],
      ['scent:1', 10, 'scent_title, name Smoke, school last'],
    ])
    expect(plainly(steps[1]?.detail)).to.equal(
      'several, sentences (on_top_in_the_cup, scent Night air) (scent_shares, shares (scent_share, massG 30 g, pot soot) (scent_share, massG 10 g, pot glass)) (stirred_by_hand, school last)',
    )
  })

  it('goes into the batter at emulsion where its school says so', () => {
    const steps = scentSteps(blend, 'at_once')
    expect(steps.map(({ group }) => group)).to.deep.equal(['batter', 'batter'])
    expect(plainly(steps[1]?.title)).to.equal('scent_title, name Smoke, school at_once')
    expect(plainly(steps[1]?.detail)).to.equal(
      'several, sentences (on_top_in_the_cup, scent Night air) (stirred_by_hand, school at_once)',
    )
  })

  it('is no step without a scent', () => {
    expect(scentSteps({ ...blend, scent: null }, 'last')).to.deep.equal([])
    expect(scentSteps({ ...blend, weights: { ...blend.weights, scentG: 0 } }, 'last')).to.deep.equal([])
  })
})
