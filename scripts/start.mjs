// npm start: the workshop's own database, empty at first; with -- --lan it is open to screens of the local network.
import { build, install } from './prepare.mjs'
import { serve } from './serve.mjs'

install()
build()
// What it is bundled with has just been installed.
const { bundleServer } = await import('./bundle.mjs')
serve(await bundleServer(), process.argv.includes('--lan') ? { VENDANGE_LAN: '1' } : {})
