import { faultsOfLoaves, labelLines, lessonOfFault, plainReading, sayFor } from '../src'
import { faultWords, learnedWords, triedWords } from '../src'
import { batchPlan, potSentence, pourSession, runSheet, scaleDesign, workBesideThePour } from '@vendange/core/batch'
import { faultKeys } from '@vendange/core/cutting'
import type { FaultKey } from '@vendange/core/cutting'
import { findFat } from '@vendange/core/fats'
import { demandSentence, salesSentences } from '@vendange/core/plan'
import type { KeptRecipe } from '@vendange/core/recipe'
import { checkRecipe, recipeDifferences } from '@vendange/core/recipe'
import type { Violation } from '@vendange/core/season'
import { violationFinding } from '@vendange/core/season'
import { lotFaultSentence } from '@vendange/core/stores'
import type { Wish } from '@vendange/core/wishes'
import { wishSentence } from '@vendange/core/wishes'
import { expect } from 'chai'
import { workedRecipe, workedSource } from '../../core/test/blends'
import { ounceReading } from './readings'

const say = sayFor({ ...plainReading, scaleStepG: 0.1, today: '2027-03-08' })
const sayInOunces = sayFor(ounceReading)

describe('sentences as a maker reads them', () => {
  it('say what is wrong with a recipe, with its figures', () => {
    const of = (recipe: Parameters<typeof checkRecipe>[0]): string => say(checkRecipe(recipe)[0]!)
    expect(of({ ...workedRecipe, fats: [{ fatKey: 'olive', share: 0.97 }] })).to.equal(
      'The shares add up to 97 %: 3 % is missing.',
    )
    expect(of({ ...workedRecipe, superfat: -0.02 })).to.equal(
      'At -2 % superfat, 1000 g of fats get 3 g more sodium hydroxide than they can take. The lye left in the bar burns skin. Set the superfat to 0 % or more; 5 % is usual.',
    )
  })

  it('say how many bars are missing, and how thick to cut, in millimetres or sixteenths', () => {
    const [short] = scaleDesign({ ...workedSource, design: { ...workedSource.design, barsWanted: 12 } }).findings
    expect(say(short!)).to.equal('2 of 12 bars are missing. Cut them 20.5 mm thick, or fill another mould.')
    expect(sayInOunces(short!)).to.equal('2 of 12 bars are missing. Cut them 13/16 in thick, or fill another mould.')
  })

  it('say what a pour has come to at the bench', () => {
    const plan = batchPlan(workedSource)
    const records = [{ stepKey: 'fat:coconut', actual: 266 }]
    expect(say(pourSession(plan, records).findings[0]!)).to.equal(
      'Coconut oil went in 12 g over. The lye is now 121 g and the water 246 g; the superfat is 5 %.',
    )
    const { title, detail } = runSheet(plan).find(({ key }) => key === 'dissolve')!
    expect(say(title)).to.equal('Pour the lye into the water, little by little')
    expect(sayInOunces(detail!)).to.equal('Stir until clear. It heats by itself to over 176 °F and steams: stand back.')
    const lines = workBesideThePour(plan, { cutDay: '2027-03-12', readyDay: '2027-04-09' }).at(-1)!.lines.map(say)
    expect(lines[1]).to.contain('Planned for Fri 12 Mar: 10 bars.')
  })

  it('say how far a jug is filled and what is stirred in', () => {
    const soot = {
      colour: { name: 'soot', hex: '#804020', share: 0.5, rateGPerKg: 8 },
      batterG: 500,
      colourantG: 4,
      batterMl: 486,
    }
    expect(say(potSentence(soot))).to.equal('Up to the 486 ml mark. Stir in 4 g of colourant, wetted.')
    expect(say(potSentence({ ...soot, wetting: { with: 'fat', massG: 12.04 } }))).to.equal(
      'Up to the 486 ml mark. Stir in 4 g of colourant, wetted in 12 g of fat.',
    )
    expect(say(potSentence({ ...soot, colourantG: 0 }))).to.equal('Up to the 486 ml mark. Stays plain.')
  })

  it('say what differs between two versions of a recipe', () => {
    const kept: KeptRecipe = {
      ...workedRecipe,
      name: 'House bar',
      setDaysMin: 1,
      setDaysMax: 3,
      cureDays: 28,
      notes: '',
    }
    const milk = { name: 'Milk', waterShare: 0.88, partOfWater: 0.5, place: 'lye', contains: [] } as const
    const clay = { name: 'Clay', basis: 'fats', rate: 0.01, place: 'emulsion', wetting: null, contains: [] } as const
    const before: KeptRecipe = { ...kept, additives: [clay] }
    const after: KeptRecipe = {
      ...kept,
      liquids: [milk],
      additives: [{ ...clay, rate: 2, basis: 'bar' }],
      superfat: 0.06,
      oven: true,
      cureDays: 42,
      school: { lye: 'night_before', gel: 'kept', scent: 'last' },
    }
    expect(recipeDifferences(before, after).map(say)).to.deep.equal([
      'Superfat 5 % → 6 %',
      'Milk came in: 50 % of the water, 88 % water itself, in the lye',
      'Clay: 1 % of the fats, at emulsion → 2 g a bar, at emulsion',
      'When the lye is made: the same day, cooled → the night before',
      'Oven no → yes',
      'Cure 28 days → 42 days',
    ])
  })

  it('say wishes as makers do', () => {
    const words = (wish: Wish): string => say(wishSentence(wish, (key) => findFat(key)?.name ?? key))
    expect(words({ kind: 'fat', fatKey: 'coconut', sense: 'at_most', limit: 0.2 })).to.equal('at most 20 % coconut oil')
    expect(words({ kind: 'acids', acids: 'polyunsaturated', sense: 'at_most', limit: 0.12 })).to.equal(
      'at most 12 % polyunsaturates',
    )
    expect(words({ kind: 'liquid', sense: 'at_least', limit: 0.5 })).to.equal('at least 50 % liquid at 20 °C')
    expect(words({ kind: 'free_of', content: 'palm' })).to.equal('nothing of palms')
    expect(words({ kind: 'bar_cost', limitCents: 90 })).to.equal('fats and lye under €0.90 a bar')
  })

  it('say which rule of the calendar is broken, with one and with many', () => {
    const season = { firstDay: '2027-03-08', nameOf: { a: 'Lantern Glass' } }
    const told = (violation: Violation): string => say(violationFinding(violation, season, { loaf: 'long loaf' }))
    expect(told({ rule: 'hours', day: 10, asked: 5.5, there: 4 })).to.equal('Thu 18 Mar: 5.5 h planned, 4 h there.')
    expect(told({ rule: 'oven', day: 0, asked: 1, there: 0 })).to.equal('Mon 8 Mar: 1 mould for the oven, it holds 0.')
    expect(told({ rule: 'trays', day: 1, asked: 6, there: 1 })).to.equal('Tue 9 Mar: 6 trays on the racks, there is 1.')
    expect(told({ rule: 'set_days', id: 'a', set: 1, min: 2, max: 3 })).to.equal(
      'Lantern Glass would be cut 1 day after its pour; it wants 2 to 3.',
    )
  })

  it('say how a soap sold and what would sell', () => {
    const web = { channel: 'Web', offered: 12, sold: 12, days: 5 }
    const stalls = { channel: 'Stalls', offered: 5, sold: 3, days: 30 }
    expect(salesSentences([web, stalls]).map(say)).to.deep.equal([
      'Web: all 12 bars sold in 5 days.',
      'Stalls: 3 of 5 bars sold in 30 days.',
    ])
    const estimate = { low: 20, likely: 50, high: 124, releases: 1, soldOut: 1 }
    expect(say(demandSentence('Web', estimate, 30))).to.equal(
      'Web: 20 to 124 bars would sell in 30 days, most likely 50 (on sale once, sold out each time; estimate).',
    )
  })

  it('say what keeps a lot from being used', () => {
    const lot = {
      id: 'K-7',
      supplier: '',
      lotNumber: 'K-7',
      receivedDay: '2027-01-01',
      bestBeforeDay: '2027-03-01',
      isRecalled: false,
      receivedAmount: 5,
      leftAmount: 5,
      priceCents: 0,
    }
    expect(say(lotFaultSentence(lot, 'expired'))).to.equal('Lot K-7 was best before Mon 1 Mar. Do not use it.')
    expect(say(lotFaultSentence({ ...lot, lotNumber: '' }, 'empty'))).to.equal('This lot is used up.')
  })

  it('refuse a code that is none, and a place that stays empty', () => {
    expect(() => say({ code: 'no_such_sentence' })).to.throw(RangeError, 'Expected a sentence of the catalogue')
    expect(() => say({ code: 'shares_short' })).to.throw('total')
  })
})

describe('words that stand in tables', () => {
  it('have a cause and what helps for every fault, and count loaves rightly', () => {
    for (const key of faultKeys)
      expect(
        [faultWords[key].cause, faultWords[key].remedy].every((words) => words.endsWith('.')),
        key,
      ).to.equal(true)
    const loaf = (...foundFaults: FaultKey[]) => ({ foundFaults })
    expect(faultsOfLoaves([loaf('cracks', 'ash'), loaf('ash'), loaf()])).to.equal('Ash on 2 of 3 loaves; cracks on 1.')
    expect(faultsOfLoaves([loaf('half_gel')])).to.equal('A ring, half gelled on 1 of 1 loaf.')
    expect(faultsOfLoaves([loaf(), loaf()])).to.equal('')
    expect(lessonOfFault('ash')).to.match(/^Ash last time\. Alcohol on the top/)
  })

  it('say what was noticed of a bar, and nothing of what was not', () => {
    const nothing = { rubs: null, foam: null, feel: null, smell: null, lasted: null }
    const mass = (massG: number): string => `${massG} g`
    expect(triedWords({ ...nothing, rubs: 1, foam: 'rich' }, mass)).to.equal('Tried: rich foam after one rub.')
    expect(triedWords({ ...nothing, feel: 'strips', lasted: { washes: 140, barG: 98 } }, mass)).to.equal(
      'Tried: tight, dry skin; 140 washes of a bar of 98 g.',
    )
    expect(triedWords({ ...nothing, rubs: 6, smell: 'off' }, mass)).to.equal(
      'Tried: foam after 6 rubs; smells off, or has spots.',
    )
  })

  it('say what an estimate was moved by', () => {
    expect(learnedWords({ key: 'cuts', seen: 0, seenOfRecipe: 0 })).to.equal('estimate')
    expect(learnedWords({ key: 'cuts', seen: 1, seenOfRecipe: 0 })).to.equal('estimate, moved by 1 record of yours')
    expect(learnedWords({ key: 'thick', seen: 4, seenOfRecipe: 0 })).to.equal(
      'estimate, moved by 4 timed pours of yours',
    )
    expect(learnedWords({ key: 'foam', seen: 5, seenOfRecipe: 2 })).to.contain(', 2 of this recipe')
  })
})

describe('a label', () => {
  const terms = {
    name: 'Lantern Glass',
    netMassG: 120,
    lotCode: '270308-1',
    bestBeforeDay: '2029-04-11',
    maker: 'Ours',
  }
  const ingredients = [
    { name: 'Aqua', share: 0.6, kind: 'water', isNamed: true },
    { name: 'Parfum', share: 0.4, kind: 'scent', isNamed: true },
  ] as const

  it('says mass in g and oz, lot, best before and maker, in the style of the place', () => {
    const eu = labelLines({ ...terms, style: 'eu' }, ingredients)
    expect(eu).to.include.members(['120 g (4.23 oz)', 'Lot 270308-1', 'Best before the end of 04/2029', 'Ours'])
    const us = labelLines({ ...terms, style: 'us' }, ingredients)
    expect(us).to.include.members(['NET WT 4.23 oz (120 g)', 'Ingredients: Water, Fragrance.', 'Best by Apr 11, 2029'])
  })
})
