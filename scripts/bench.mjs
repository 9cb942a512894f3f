// npm run bench [-- NAME]: how long the work takes, as ratios. Benchmarks are no tests.
import { build, install, must } from './prepare.mjs'

install()
build()
must(process.execPath, ['--import', 'tsx', 'bench/main.ts', ...process.argv.slice(2)])
