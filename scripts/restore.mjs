// npm run restore -- BACKUP: puts a backup in the place of the workshop's database. Stop Vendange first.
import { install, run } from './prepare.mjs'

install()
process.exitCode = run(process.execPath, ['--import', 'tsx', 'server/src/restoreMain.ts', ...process.argv.slice(2)])
