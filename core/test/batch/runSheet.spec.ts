import { expect } from 'chai'
import type { BatchPlan } from '../../src/batch'
import { batchPlan, runSheet, workBesideThePour } from '../../src/batch'
import type { Recipe } from '../../src/recipe'
import { usualSchool } from '../../src/recipe'
import { workedPlan, workedRecipe, workedSource } from '../blends'
import { plainly } from '../plainly'

/** A recipe with something at every place. */
const full: Recipe = {
  ...workedRecipe,
  fats: workedRecipe.fats.map((fat) => (fat.fatKey === 'shea' ? { ...fat, atTrace: true } : fat)),
  kohShare: 0.1,
  kohPurity: 0.9,
  oven: true,
  liquids: [
    { name: 'Milk', waterShare: 0.87, partOfWater: 0.4, place: 'lye', contains: ['animal'] },
    { name: 'Cream', waterShare: 0.6, partOfWater: 0.1, place: 'emulsion', contains: ['animal'] },
  ],
  additives: [
    { name: 'Clay', basis: 'fats', rate: 0.02, place: 'emulsion', wetting: { with: 'water', ratio: 2 }, contains: [] },
    { name: 'Salt', basis: 'fats', rate: 0.01, place: 'lye', wetting: null, contains: [] },
    { name: 'Oats', basis: 'bar', rate: 1, place: 'trace', wetting: { with: 'fat', ratio: 2 }, contains: [] },
  ],
}
const planOf = (recipe: Recipe): BatchPlan => batchPlan({ ...workedSource, recipe })
const rows = (plan: BatchPlan): readonly string[] =>
  runSheet(plan).map(({ key, group, planned, caution, detail }) =>
    [key, group, planned ?? '', caution ?? '', plainly(detail)].join(' | ').replace(/( \| )+$/, ''),
  )

describe('a run sheet with something at every place', () => {
  it('tells where each goes in, how much, with which caution, and what is to be minded', () => {
    // 805 g of fats: clay 2 % and twice as much water, salt 1 %, a gram of oats a bar in twice as much fat.
    expect(rows(planOf(full))).to.deep.equal([
      'moulds | prepare |  |  | line_detail',
      'fat:olive | fats | 362 |  | keep_fat_back, kept 20 g',
      'fat:coconut | fats | 242',
      'melt | fats |  |  | melt_detail',
      'goggles | lye |  | lye | goggles_detail',
      'water | lye | 90 | lye | water_detail',
      'liquid:0 | lye | 112 | lye | frozen_to_slush',
      'additive:1 | lye | 8.1 | lye',
      'naoh | lye | 102 | lye | naoh_detail',
      'koh | lye | 18 | lye | koh_detail',
      'dissolve | lye |  | lye | dissolve_detail, heat 80 °C',
      'temperature:lye | lye | 43 | lye',
      'temperature:fats | batter | 43 |  | fats_near_lye',
      'emulsion | batter |  | lye | emulsion_detail, blending usual',
      'liquid:1 | batter | 41',
      'additive:0 | batter | 16.1 |  | stir_it_smooth, wet 32 g, with water',
      'fat:shea | batter | 201 |  | fat_at_trace_detail',
      'additive:2 | batter | 10 |  | stir_it_smooth, wet 20 g, with fat',
      'pot:0 | colours | 741 |  | pot_coloured, mark (up_to_mark, mark 721 ml), hasMark yes, colourant 5.3 g, wetting , with none',
      'pot:1 | colours | 493.2 |  | pot_plain, mark (up_to_mark, mark 480 ml), hasMark yes',
      'scent | colours | 24 |  | several, sentences (scent_shares, shares (scent_share, massG 14.4 g, pot amber) (scent_share, massG 9.6 g, pot glass)) (stirred_by_hand, school last)',
      'pour | pour |  |  | pour_detail',
      'left | pour | 25 |  | left_detail',
      'spray | afterwards |  | alcohol | spray_detail, night oven',
      'cover | afterwards |  | alcohol | cover_detail, night oven',
    ])
  })

  it('tells of the night before and of no oven where that is how it is made', () => {
    const night = { ...usualSchool, lye: 'night_before', blending: 'brief' } as const
    const told = rows(planOf({ ...workedRecipe, school: night }))
    for (const row of [
      'lye-overnight | lye_overnight |  | lye | put_away_detail',
      'temperature:lye | batter | 21 | lye | lye_as_warm_as_room',
      'temperature:fats | batter | 43',
      'emulsion | batter |  | lye | emulsion_detail, blending brief',
      'spray | afterwards |  | alcohol | spray_detail, night none',
      'cover | afterwards |  |  | cover_detail, night kept',
    ])
      expect(told).to.include(row)
  })

  it('keeps fat back of the largest that is liquid, or of the largest where none is', () => {
    const oats = full.additives!.slice(2)
    const keptBackOf = (fats: Recipe['fats']) =>
      runSheet(planOf({ ...workedRecipe, additives: oats, fats }))
        .filter(({ detail }) => plainly(detail).includes('keep_fat_back'))
        .map(({ key }) => key)
    const fats = (...shares: readonly (readonly [string, number])[]) =>
      shares.map(([fatKey, share]) => ({ fatKey, share }))
    expect(keptBackOf(fats(['coconut', 0.6], ['olive', 0.4]))).to.deep.equal(['fat:olive'])
    expect(keptBackOf(fats(['coconut', 0.4], ['shea', 0.6]))).to.deep.equal(['fat:shea'])
  })

  it('tells the part of each vessel: of two pots the fats, of their six jugs what the lye is made of', () => {
    const parted = runSheet({ ...planOf(full), vessels: { pots: 2, jugs: 3 } })
    const told = new Map(parted.map(({ key, parts, detail }) => [key, `${parts ?? ''} ${plainly(detail)}`]))
    expect(told.get('fat:olive')).to.equal(
      '2 several, sentences (into_parts, parts 2, vessels pots, each 181 g) (keep_fat_back, kept 20 g)',
    )
    expect(told.get('fat:shea')).to.contain('into_parts, parts 2, vessels pots, each 101 g')
    for (const [key, each] of [
      ['water', '15 g'],
      ['liquid:0', '19 g'],
      ['additive:1', '1 g'],
      ['naoh', '17 g'],
      ['koh', '3 g'],
    ])
      expect(told.get(key!), key).to.contain(`6 several, sentences (into_parts, parts 6, vessels jugs, each ${each})`)
    for (const key of ['additive:0', 'liquid:1', 'additive:2'])
      expect(told.get(key), key).to.contain('parts 2, vessels pots')
    for (const key of ['pot:0', 'scent', 'left', 'melt']) expect(told.get(key), key).not.to.contain('into_parts')
  })
})

describe('work beside the pour', () => {
  const days = { cutDay: '2027-03-10', readyDay: '2027-04-07' }
  const told = (plan: BatchPlan) => workBesideThePour(plan, days).map(({ lines }) => lines.map(plainly))

  it('freezes what goes into the lye, sets colourants out, and tells when to cut and when it is ready', () => {
    expect(told(planOf(full))).to.deep.equal([
      [
        'sieve_it, massG 10 g, part oats',
        'freeze_in_cubes, massG 112 g, liquid milk',
        'set_colourants_out',
        'prepare_the_bench',
      ],
      ['leave_for_the_night, night oven'],
      ['wash_with_gloves', 'press_and_unmould, cutDay 2027-03-10, bars 10', 'on_the_rack_until, readyDay 2027-04-07'],
    ])
  })

  it('simmers the alcohol off, sieves what is rough, and freezes no tea', () => {
    const of = (name: string, place: 'lye' | 'fats') => ({
      name,
      waterShare: 0.9,
      partOfWater: 0.3,
      place,
      contains: [],
    })
    const liquids = [of('Beer', 'lye'), of('Herb tea', 'lye'), of('Pumpkin puree', 'fats')]
    const [before] = told(planOf({ ...workedRecipe, liquids }))
    expect(before?.map((line) => line.replace(/massG .+? g/, 'massG'))).to.deep.equal([
      'simmer_off, massG, liquid beer',
      'sieve_it, massG, part herb tea',
      'sieve_it, massG, part pumpkin puree',
      'freeze_in_cubes, massG, liquid beer',
      'set_colourants_out',
      'prepare_the_bench',
    ])
  })

  it('makes the lye the night before where the school does, and leaves out what there is none of', () => {
    const school = { lye: 'night_before', gel: 'avoided', scent: 'last' } as const
    const plain = { ...workedSource.design, colours: workedSource.design.colours.slice(1) }
    const plan = batchPlan({ ...workedSource, design: plain, recipe: { ...workedRecipe, school } })
    expect(told(plan).slice(0, 2)).to.deep.equal([
      ['prepare_the_bench', 'make_the_lye'],
      ['leave_for_the_night, night avoided'],
    ])
    expect(told(workedPlan())[1]).to.deep.equal(['leave_for_the_night, night kept'])
  })
})
