import { expect } from 'chai'
import fc from 'fast-check'
import type { BatchPlan, PortionKind, PotColour } from '../../src/batch'
import {
  batchPlan,
  pourSession,
  checkPots,
  portionKinds,
  potG,
  potSharesFault,
  evenPots,
  withFollowedShares,
  withPot,
  withoutPot,
  runSheet,
  scaleDesign,
  splitIntoPots,
} from '../../src/batch'
import { isRefused } from '../../src/findings'
import { usualSchool } from '../../src/recipe'
import { workedRecipe, workedSource } from '../blends'
import { plainly } from '../plainly'

const pot = (share: number, rateGPerKg = 0, more: Partial<PotColour> = {}): PotColour => ({
  name: `pot of ${share}`,
  hex: '#000000',
  share,
  rateGPerKg,
  ...more,
})
const split = { batterG: 1000, scentG: 0, densityGMl: 1, stepG: 1 }
const poured = (colours: readonly PotColour[], of = split): readonly number[] =>
  splitIntoPots(colours, of).map(({ batterG }) => batterG)

describe('splitIntoPots', () => {
  it('gives the last pot what is left', () => {
    const pots = splitIntoPots([pot(1 / 3), pot(1 / 3), pot(1 / 3, 10)], split)
    expect(pots.map(({ batterG }) => batterG)).to.deep.equal([333, 333, 334])
    expect(pots[2]?.colourantG).to.equal(3.3)
  })

  it('makes no pot of nothing', () => {
    expect(splitIntoPots([], split)).to.deep.equal([])
  })

  it('takes pots by mass, by volume and as the rest', () => {
    const colours = [
      pot(0, 0, { portion: 'rest' }),
      pot(0, 0, { portion: 'mass', amount: 250 }),
      pot(0, 0, { portion: 'volume', amount: 200 }),
      pot(0.1),
    ]
    // 200 ml at 1.05 g/ml are 210 g; 1000 − 250 − 210 − 100 = 440 g, which come up to 440 / 1.05 = 419 ml.
    expect(poured(colours, { ...split, densityGMl: 1.05 })).to.deep.equal([440, 250, 210, 100])
    expect(splitIntoPots(colours, { ...split, densityGMl: 1.05 })[0]?.batterMl).to.equal(419)
  })

  it('takes what wets a colourant off what is poured into its pot', () => {
    const [wet, fat, plain] = splitIntoPots(
      [
        pot(0.5, 6, { wetting: { with: 'water', ratio: 3 } }),
        pot(0.25, 8, { wetting: { with: 'fat', ratio: 2 } }),
        pot(0.25),
      ],
      split,
    )
    // 500 g · 6 g/kg = 3 g in 9 g of water; 250 g · 8 g/kg = 2 g in 4 g of fat.
    expect(wet).to.include({ colourantG: 3, batterG: 491 })
    expect(wet?.wetting).to.deep.equal({ with: 'water', massG: 9 })
    expect(fat).to.include({ colourantG: 2, batterG: 246 })
    expect(plain?.batterG).to.equal(250)
  })

  it('shares the scent out by size and by what a gram of each pot gets', () => {
    const pots = splitIntoPots([pot(0.5, 0, { scentPart: 0 }), pot(0.25), pot(0.25, 0, { scentPart: 2 })], {
      ...split,
      scentG: 30,
    })
    expect(pots.map(({ scentG }) => scentG)).to.deep.equal([0, 10, 20])
    expect(pots.map(({ batterG }) => batterG)).to.deep.equal([500, 240, 230])
  })

  it('loses no gram, whatever is asked of it', () => {
    const anyPot = fc.record({
      name: fc.constant('pot'),
      hex: fc.constant('#000000'),
      share: fc.double({ min: 0.01, max: 0.4, noNaN: true }),
      rateGPerKg: fc.double({ min: 0, max: 20, noNaN: true }),
      portion: fc.constantFrom(...portionKinds),
      amount: fc.double({ min: 0, max: 200, noNaN: true }),
      wetting: fc.constantFrom(null, { with: 'water' as const, ratio: 2 }, { with: 'fat' as const, ratio: 1.5 }),
      scentPart: fc.double({ min: 0, max: 3, noNaN: true }),
    })
    fc.assert(
      fc.property(
        fc.array(anyPot, { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 0, max: 40 }),
        (colours, scentG) => {
          const pots = splitIntoPots(colours, { ...split, scentG, densityGMl: 1.02 })
          expect(pots.reduce((sum, one) => sum + potG(one), 0)).to.be.closeTo(1000, 1e-6)
          expect(pots.reduce((sum, one) => sum + (one.scentG ?? 0), 0)).to.be.closeTo(scentG, 1e-6)
        },
      ),
    )
  })
})

describe('potSharesFault', () => {
  const fault = (...pots: readonly { readonly share?: number; readonly portion?: PortionKind }[]) =>
    plainly(potSharesFault(pots))
  const rest = { portion: 'rest' } as const

  it('wants shares that make up the batter, to a thousandth', () => {
    expect(fault()).to.equal('')
    expect(fault({ share: 0.6 }, { share: 0.4 })).to.equal('')
    expect(fault({ share: 0.6 }, { share: 0.3 })).to.equal('pots_off, stated 90 %')
    expect(fault({ share: 0.6 }, { share: 0.5 })).to.equal('pots_off, stated 110 %')
  })

  it('wants one pot for the rest where others are stated by mass or volume, and no more than one', () => {
    expect(fault({ portion: 'mass' }, { share: 0.5 })).to.equal('pots_want_a_rest')
    expect(fault({ portion: 'volume' })).to.equal('pots_want_a_rest')
    expect(fault({ portion: 'mass' }, { portion: 'volume' }, rest)).to.equal('')
    expect(fault(rest, rest)).to.equal('one_pot_takes_rest')
    expect(fault({ share: 1 }, rest)).to.equal('')
    expect(fault({ share: 0.7 }, { share: 0.4 }, rest)).to.equal('pots_leave_no_rest, stated 110 %')
  })
})

describe('checkPots', () => {
  it('refuses pots that ask for more than there is, with the number', () => {
    const colours = [pot(0, 0, { portion: 'mass', amount: 900 }), pot(0.2), pot(0, 0, { portion: 'rest' })]
    expect(plainly(checkPots(colours, split)[0])).to.equal('pots_above_batter, over 100 g, batter 1000 g')
    expect(checkPots([pot(0.5), pot(0.5)], split)).to.deep.equal([])
    // All of it to the gram is not too much; pots by share alone are not its business.
    const just = [pot(0, 0, { portion: 'mass', amount: 800 }), pot(0.2)]
    expect(checkPots(just, split)).to.deep.equal([])
    expect(checkPots([pot(0.8), pot(0.8)], split)).to.deep.equal([])
    expect(checkPots([pot(0.8), pot(0.8), pot(0, 0, { portion: 'rest' })], split)).to.deep.equal([])
  })
})

describe('withFollowedShares', () => {
  it('gives a pot that is stated otherwise the share that it comes to, and leaves those by share', () => {
    const colours = [pot(0.1), pot(0.9, 0, { portion: 'mass', amount: 250 }), pot(0, 0, { portion: 'rest' })]
    const weighed = splitIntoPots(colours, split)
    // Of 1000 g: 100 by share, 250 by mass, 650 are the rest.
    expect(withFollowedShares(colours, weighed).map(({ share }) => share)).to.deep.equal([0.1, 0.25, 0.65])
  })

  it('follows nothing where it is not known what each pot comes to', () => {
    const colours = [pot(0.4, 0, { portion: 'mass', amount: 250 }), pot(0.6, 0, { portion: 'rest' })]
    expect(withFollowedShares(colours, splitIntoPots(colours, split).slice(1))).to.equal(colours)
    expect(withFollowedShares(colours, [])).to.equal(colours)
  })
})

describe('a pot more or less', () => {
  const sharesOf = (pots: readonly PotColour[]): readonly number[] => pots.map(({ share }) => share)

  it('leaves pots by share a whole', () => {
    expect(sharesOf(withPot([], pot(0)))).to.deep.equal([1])
    expect(sharesOf(withPot([pot(0.6)], pot(0)))).to.deep.equal([0.6, 0.4])
    expect(sharesOf(withPot([pot(0.6), pot(0.4)], pot(0)))).to.deep.equal([0.4, 0.2667, 0.3333])
    expect(sharesOf(withoutPot([pot(0.6), pot(0.2), pot(0.2)], 0))).to.deep.equal([0.5, 0.5])
    expect(sharesOf(evenPots([pot(0.6), pot(0, 0, { portion: 'rest' }), pot(0.2)]))).to.deep.equal([
      0.3334, 0.3333, 0.3333,
    ])
  })

  it('takes of the rest where pots are stated otherwise, or becomes it', () => {
    const masses = [pot(0.4, 0, { portion: 'mass', amount: 300 }), pot(0.6, 0, { portion: 'rest' })]
    expect(withPot(masses, pot(0)).map(({ portion, share }) => [portion, share])).to.deep.equal([
      ['mass', 0.4],
      ['rest', 0.6],
      [undefined, 0.3],
    ])
    expect(withPot([pot(1, 0, { portion: 'mass', amount: 300 })], pot(0))[1]).to.deep.include({ portion: 'rest' })
    expect(withoutPot(masses, 0)).to.deep.equal([masses[1]])
  })
})

describe('a batch with wetted colours and a scent that goes in last', () => {
  const colours = [
    pot(0.6, 7, { name: 'amber', wetting: { with: 'water', ratio: 3 } }),
    pot(0.4, 5, { name: 'glass', wetting: { with: 'fat', ratio: 2 }, scentPart: 0 }),
  ]
  const source = {
    ...workedSource,
    design: { ...workedSource.design, colours },
    recipe: { ...workedRecipe, school: { ...usualSchool, scent: 'last' as const } },
  }
  let plan: BatchPlan
  beforeEach(() => {
    plan = batchPlan(source)
  })

  it('takes the water off the lye’s and keeps the fat back, to the tenth of a gram', () => {
    // 1231 g: 739 and 492 g; 739 · 0.007 = 5.2 g in 15.6 g of water; 492 · 0.005 = 2.5 g in 5 g of fat. 242 − 15.6 = 226.4.
    expect(plan.weights.pots.map(({ colourantG }) => colourantG)).to.deep.equal([5.2, 2.5])
    expect(plan.weights.waterG).to.equal(226.4)
    expect(plan.weights.batterG).to.equal(1231)
    // 739 − 15.6 − 25 = 698.4 g, on the scale 698; the rest of 1231 − 15.6 − 5 − 25 goes to the last.
    expect(plan.weights.pots.map(({ batterG }) => batterG)).to.deep.equal([698, 487.4])
    expect(plainly(runSheet(plan).find(({ key }) => key === 'fat:olive')?.detail)).to.equal('keep_fat_back, kept 5 g')
  })

  it('says on the run sheet what wets which pot and which of them is scented', () => {
    const detail = (key: string): string => plainly(runSheet(plan).find((step) => step.key === key)?.detail)
    expect(plainly(runSheet(plan).find(({ key }) => key === 'wet:0')?.title)).to.equal(
      'wet_title, pot amber, dry 5.2 g, wet 15.6 g, with water',
    )
    expect(detail('pot:0')).to.equal(
      'pot_coloured, mark (up_to_mark, mark 693 ml), hasMark yes, colourant 5.2 g, wetting 15.6 g, with water',
    )
    expect(detail('scent')).to.equal(
      'several, sentences (scent_shares, shares (scent_share, massG 25 g, pot amber)) (stirred_by_hand, school last)',
    )
  })

  it('reckons pots, marks and shares of scent anew when a fat goes in over', () => {
    const over = pourSession(plan, [{ stepKey: 'fat:olive', actual: (plan.weights.fats[0]?.massG ?? 0) + 100 }])
    const target = (key: string): number => over.steps.find((step) => step.key === key)?.target ?? 0
    expect(target('pot:0')).to.be.greaterThan(740)
    const inG = 847 + 100 + ['naoh', 'water', 'scent'].reduce((sum, key) => sum + target(key), 0)
    const potsG = target('pot:0') + target('pot:1') + target('scent')
    // What wets the first colour is in no step; what wets the second was weighed with the fats.
    expect(inG - potsG).to.be.within(-25, 10)
    expect(over.steps.find(({ key }) => key === 'pot:0')?.detail).not.to.equal(plan.weights.pots[0]?.batterMl)
  })

  it('refuses wetting that leaves the lye too little water', () => {
    const thirsty = { ...colours[0], rateGPerKg: 40, wetting: { with: 'water', ratio: 8 } } as PotColour
    const { findings } = scaleDesign({ ...source, design: { ...source.design, colours: [thirsty] } })
    expect(isRefused(findings)).to.equal(true)
    expect(plainly(findings.find(({ code }) => code === 'wetting_takes_lye_water'))).to.match(
      /^wetting_takes_lye_water, /,
    )
  })
})
