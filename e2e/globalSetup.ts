import { rmSync } from 'node:fs'
import { makeForTests } from '../scripts/bundle.mjs'

/** Server and demo of the journeys, where nobody has made them before. The workers find both by the environment. */
export default async function globalSetup(): Promise<() => void> {
  if (process.env['VENDANGE_MADE_DEMO'] !== undefined) return () => undefined
  const made = await makeForTests()
  Object.assign(process.env, made)
  return () => rmSync(made.VENDANGE_MADE_DEMO, { recursive: true, force: true })
}
