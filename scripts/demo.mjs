// npm run demo: the made-up workshop in a database of its own; with -- --fresh it is made anew.
import { join } from 'node:path'
import { build, home, install, must } from './prepare.mjs'
import { serve } from './serve.mjs'

const env = { VENDANGE_DATA: join(home, 'data/demo'), VENDANGE_TODAY: '2027-03-08' }
install()
build()
must(
  process.execPath,
  ['--import', 'tsx', 'server/src/demo/main.ts', ...process.argv.slice(2).filter((argument) => argument === '--fresh')],
  env,
)
serve(env)
