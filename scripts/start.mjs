// npm start: the workshop's own database, empty at first.
import { build, install } from './prepare.mjs'
import { serve } from './serve.mjs'

install()
build()
serve({})
