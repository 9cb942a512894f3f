// npm run forget-pins: for who sits at the computer and cannot sign in any more. Stop Vendange first.
import { install, run } from './prepare.mjs'

install()
process.exitCode = run(process.execPath, ['--import', 'tsx', 'server/src/screens/forgetPinsMain.ts'])
