// npm run shots: renews docs/screenshots from the demo, at 1280 × 800.
import { build, install, must } from './prepare.mjs'

install()
build()
must('npx', ['playwright', 'test', '--config', 'e2e/shots.config.ts'])
