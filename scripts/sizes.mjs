// npm run sizes: every main view on every screen in both dresses, looked at for faults of accessibility as well.
import { build, install, run } from './prepare.mjs'

install()
build()
const { makeForTests } = await import('./bundle.mjs')
process.exitCode = run('npx', ['playwright', 'test', '--config', 'e2e/playwright.config.ts', 'views.spec'], {
  ...(await makeForTests()),
  VENDANGE_ALL_SIZES: '1',
})
