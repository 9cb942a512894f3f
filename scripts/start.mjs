// npm start: the workshop's own database, empty at first.
import { build, install } from './prepare.mjs'
import { serve } from './serve.mjs'

install()
build()
// What it is bundled with has just been installed.
const { bundleServer } = await import('./bundle.mjs')
serve(await bundleServer(), {})
