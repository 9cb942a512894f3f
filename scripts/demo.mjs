// npm run demo: the made-up workshop in a database of its own; with -- --fresh it is made anew.
import { join } from 'node:path'
import { build, home, install, must } from './prepare.mjs'
import { serve } from './serve.mjs'

const env = { VENDANGE_DATA: join(home, 'data/demo'), VENDANGE_TODAY: '2027-03-08' }
install()
build()
// What it is bundled with has just been installed.
const { bundleServer } = await import('./bundle.mjs')
const server = await bundleServer()
must(
  process.execPath,
  [join(server, 'demo/main.js'), ...process.argv.slice(2).filter((argument) => argument === '--fresh')],
  env,
)
serve(server, env)
