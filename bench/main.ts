import globalSetup from '../e2e/globalSetup'
import { benchApi } from './api'
import { benchBoard } from './board'
import { benchCure } from './cure'
import { benchCutting } from './cutting'
import { benchDemand } from './demand'
import { benchFirstView } from './firstView'
import { benchFormulate } from './formulate'
import { benchKills } from './kills'
import { benchPour } from './pour'
import { benchSeason } from './season'
import { benchTenYears } from './tenYears'

// npm run bench [-- NAME]: prints ratios, each against its yardstick in the same run.
const benches: Readonly<Record<string, () => Promise<void>>> = {
  season: benchSeason,
  board: benchBoard,
  formulate: benchFormulate,
  pour: benchPour,
  cutting: benchCutting,
  cure: benchCure,
  demand: benchDemand,
  api: benchApi,
  'ten-years': benchTenYears,
  kills: benchKills,
  'first-view': benchFirstView,
}
const [wanted] = process.argv.slice(2)
if (wanted !== undefined && !Object.hasOwn(benches, wanted)) {
  console.error(`Expected one of ${Object.keys(benches).join(', ')}, got ${wanted}`)
  process.exit(1)
}
/** Benches that drive the server as a process of its own. */
const needServer = ['board', 'api', 'kills', 'first-view']
const tidyUp = wanted === undefined || needServer.includes(wanted) ? await globalSetup() : undefined
for (const [name, run] of Object.entries(benches)) {
  if (wanted !== undefined && wanted !== name) continue
  console.log(`\n${name}`)
  await run()
}
tidyUp?.()
