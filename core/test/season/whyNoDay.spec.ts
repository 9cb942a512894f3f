import { expect } from 'chai'
import fc from 'fast-check'
import type { DatedSeason, ProblemBatch, SeasonProblem } from '../../src/season'
import { noDayFindings, OpenSeason, planFigures, checkPlan, whyNoDay } from '../../src/season'
import { plainly } from '../plainly'
import { aBatch, aSeason, smallSeasons } from './smallSeason'

const firstDay = '2027-03-08'
const asked: ProblemBatch = { ...aBatch, id: 'seeker' }
const names = { loaf: 'Long loaf' }

/** A season with its other batches on days, that `seeker` asks for one. */
function season(problem: Partial<SeasonProblem>, placements: DatedSeason['placements'] = []): OpenSeason {
  return new OpenSeason({
    firstDay,
    problem: { ...aSeason, ...problem },
    placements,
    pinned: [],
    inMoulds: [],
    nameOf: { seeker: 'Fog', a: 'Ash' },
  })
}
const told = (open: OpenSeason): readonly string[] => noDayFindings(open, 'seeker', names).map(plainly)

describe('why a soap finds no free day', () => {
  it('is not asked where it finds one', () => {
    expect(told(season({ batches: [asked] }))).to.deep.equal([])
  })

  it('is hours: on which days, and how many more would free one', () => {
    // Ready by day 12: cut by day 7, poured by day 6. A pour takes 1.5 h and 0.5 h of set-up, its preparation 0.5 h the
    // day before, its cut 1 h. With 1.5 h a day there is half an hour too little for any pour.
    const open = season({ batches: [asked], hours: new Array<number>(14).fill(1.5) })
    expect(whyNoDay(open, 'seeker')?.rules).to.deep.include({
      rule: 'hours',
      kind: '',
      days: [0, 1, 2, 3, 4, 5, 6],
    })
    expect(told(open)).to.deep.equal([
      'no_free_day, soap Fog, from 2027-03-08, to 2027-03-14, rules [(in_the_way, rule hours, days [(days_from_to, from 2027-03-08, to 2027-03-14)], mould ), (in_the_way, rule no_day_to_prepare, days [2027-03-08], mould )]',
      'smallest_change, changes [(more_hours, more 0.5 h, day 2027-03-09)], pour 2027-03-09',
    ])
  })

  it('is a mould that another has: its days, and who has it', () => {
    const ash = { ...aBatch, id: 'a', setDays: { min: 8, max: 8 }, cureDays: 1, due: 13, trays: 0 }
    const open = season({ batches: [asked, ash], hours: new Array<number>(14).fill(9) }, [{ id: 'a', pour: 0, cut: 8 }])
    const [why, change] = told(open)
    expect(why).to.contain('(in_the_way, rule moulds, days [(days_from_to')
    expect(change).to.equal(
      'smallest_change, changes [(more_moulds_or_move, more 1, mould Long loaf, from 2027-03-09, to 2027-03-09, names [Ash])], pour 2027-03-09',
    )
  })

  it('is that its last day went by, or comes before it may be poured', () => {
    expect(told(season({ batches: [{ ...asked, due: 4 }] }))).to.deep.equal([
      'last_day_went_by, soap Fog, latest 2027-03-06',
    ])
    expect(told(season({ batches: [{ ...asked, earliest: 9 }] }))).to.deep.equal([
      'earliest_after_latest, soap Fog, earliest 2027-03-17, latest 2027-03-14',
    ])
  })

  it('names a change that frees a day, whatever the season, and none where a day is free', () => {
    fc.assert(
      fc.property(smallSeasons(4), (problem) => {
        const [seeker, ...others] = problem.batches
        if (!seeker) return
        const placements = others.map(({ id, setDays }, at) => ({ id, pour: 1 + at, cut: 1 + at + setDays.min }))
        const open = new OpenSeason({ firstDay, problem, placements, pinned: [], inMoulds: [], nameOf: {} })
        const found = whyNoDay(open, seeker.id)
        const best = open.bestDay(seeker.id)
        if (best && best.slackDays >= 0) expect(found).to.equal(undefined)
        if (!found?.change) return
        const { pour, cut, needs } = found.change
        // With what the change asks for, and nothing else, the batch stands on that day and breaks nothing.
        const hours = [...problem.hours]
        const kinds: Record<string, number> = { ...problem.mouldKinds }
        let [oven, trays] = [problem.ovenSlots, problem.trays]
        for (const { rule, kind, from, more } of needs) {
          if (rule === 'hours') hours[from]! += more
          if (rule === 'moulds') kinds[kind]! += more
          if (rule === 'oven') oven += more
          if (rule === 'trays') trays += more
        }
        const changed = { ...problem, hours, mouldKinds: kinds, ovenSlots: oven, trays }
        const freed = new OpenSeason({ ...open.season, problem: changed })
        // More hours may call the preparation to another day, which has them too.
        const left = freed.violations(seeker.id, pour, cut).filter(({ rule }) => rule !== 'hours')
        expect(left).to.deep.equal([])
        expect(cut + seeker.cureDays).to.be.at.most(seeker.due)
      }),
    )
  })
})

describe('the wish for days to spare', () => {
  it('is counted apart from the rules, and breaks none', () => {
    // Cut on day 6, cured on day 11, needed on day 12: one day to spare of the two that are wished for.
    const problem = { ...aSeason, hours: new Array<number>(14).fill(9) }
    const plan = { pours: [{ id: 'a', pour: 5, cut: 6 }] }
    const figures = planFigures(problem, plan, checkPlan(problem, plan))
    expect(figures).to.deep.include({ tightBatches: 1, brokenRules: 0, lateBatches: 0 })
    const early = { pours: [{ id: 'a', pour: 4, cut: 5 }] }
    expect(planFigures(problem, early, checkPlan(problem, early)).tightBatches).to.equal(0)
  })
})
