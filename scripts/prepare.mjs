// What every command needs before it can work: packages installed, and for most the web app built.
import { spawnSync } from 'node:child_process'
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { createHash } from 'node:crypto'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const home = dirname(dirname(fileURLToPath(import.meta.url)))

/** Runs a command in the project's root with its output shown. @returns its exit code */
export function run(command, args, env = {}) {
  const { status, error } = spawnSync(command, args, { cwd: home, stdio: 'inherit', env: { ...process.env, ...env } })
  if (error) console.error(`${command}: ${error.message}`)
  return status ?? 1
}

/** Runs a command and ends the program when it fails. */
export function must(command, args, env) {
  const code = run(command, args, env)
  if (code !== 0) process.exit(code)
}

const stampFile = join(home, 'node_modules/.vendange-lock')
const lockHash = () =>
  createHash('sha256')
    .update(readFileSync(join(home, 'package-lock.json')))
    .digest('hex')

/** Installs the packages when they are missing or the lock file changed. */
export function install() {
  const wanted = lockHash()
  if (existsSync(stampFile) && readFileSync(stampFile, 'utf8') === wanted) return
  console.log('Installing packages …')
  must('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'])
  writeFileSync(stampFile, wanted)
}

function newest(folder) {
  return readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .reduce((latest, entry) => Math.max(latest, statSync(join(entry.parentPath ?? entry.path, entry.name)).mtimeMs), 0)
}

/** Builds the web app when it is missing or older than its sources. */
export function build() {
  const page = join(home, 'web/dist/index.html')
  const sources = ['web/src', 'web/public', 'core/src', 'words/src', 'contract/src'].map((folder) =>
    newest(join(home, folder)),
  )
  const latest = Math.max(
    ...sources,
    statSync(join(home, 'package-lock.json')).mtimeMs,
    statSync(join(home, 'web/index.html')).mtimeMs,
  )
  if (existsSync(page) && statSync(page).mtimeMs > latest) return
  console.log('Building the web app …')
  must('npm', ['run', 'build', '--silent', '-w', '@vendange/web', '--', '--logLevel', 'warn'])
}
