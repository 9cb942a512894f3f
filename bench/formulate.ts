import { scaleDesign } from '@vendange/core/batch'
import { fatTable } from '@vendange/core/fats'
import { suggestPourDay } from '@vendange/core/season'
import { percentile, report, timesOf } from './measure'

const fats = fatTable.slice(0, 12)
const source = {
  design: { name: 'Bench', scent: null, colours: [], mouldCount: 2, barsWanted: 20, labelMassG: 100 },
  recipe: {
    fats: fats.map(({ key }) => ({ fatKey: key, share: 1 / fats.length })),
    superfat: 0.05,
    lyeConcentration: 0.33,
    naohPurity: 1,
  },
  mould: {
    name: 'Loaf',
    lengthMm: 250,
    widthMm: 80,
    heightMm: 70,
    linerMm: 1,
    fillHeightMm: 60,
    barThicknessMm: 25,
    endTrimMm: 2,
    kerfMm: 0,
  },
  settings: { scaleResolutionG: 1, potLoss: 0.02, cureLoss: 0.11, soapingTemperatureC: 43 },
}

/** The least that could be done: one pass over the same twelve fats. */
function bareLoop(): number {
  let kohG = 0
  for (const { saponificationValue } of fats) kohG += (saponificationValue.typical / 1000) * 100
  return kohG
}

const seeking = {
  id: null,
  mouldId: 'long',
  mouldCount: 1,
  neededDay: '2027-06-01',
  demand: { prepHours: 0.75, pourHours: 1.5, cutHours: 0.75, setDays: { min: 1, max: 3 }, cureDays: 28, oven: false },
}
const workshop = {
  working: { makers: [{ weekHours: [2, 2, 2, 2, 2, 6, 0], exceptions: [] }], exceptions: [] },
  setupHours: 0.5,
  mouldCounts: { long: 1 },
}

/** Recomputing a batch and suggesting its day, against a bare loop over the same table. */
export async function benchFormulate(): Promise<void> {
  const thousandLoops = percentile(
    await timesOf(200, () => {
      for (let run = 0; run < 1000; run++) bareLoop()
    }),
    0.5,
  )
  const loopMs = thousandLoops / 1000
  report(
    'A 12-fat batch scaled to two moulds, median',
    percentile(await timesOf(2000, () => scaleDesign(source)), 0.5),
    'a bare loop',
    loopMs,
  )
  report(
    'A pour day suggested, median',
    percentile(await timesOf(300, () => suggestPourDay(seeking, [], workshop, '2027-03-08')), 0.5),
    'a bare loop',
    loopMs,
  )
}
