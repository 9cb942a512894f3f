// Debian's Chromium for the journeys: its headless shell, which draws a page for half the work of the whole browser, or
// the whole browser where that is all there is.
import { spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'

const shell = '/usr/bin/chromium-headless-shell'
const whole = '/usr/bin/chromium'
const longestMs = 180_000

const apt = (...args) =>
  spawnSync('apt-get', args, {
    stdio: 'ignore',
    timeout: longestMs,
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  }).status === 0

function install(name) {
  const canInstall = process.platform === 'linux' && process.getuid?.() === 0
  if (!canInstall) return
  console.log(`Installing ${name} …`)
  if (apt('update', '-qq')) apt('install', '-y', '-qq', '--no-install-recommends', name)
}

/** Where the browser of the journeys is; undefined where there is none. */
export const findChromium = () => [shell, whole].find((path) => existsSync(path))

/** The browser for pictures: the whole one sets its letters finer. */
export const chromiumForPictures = () => [whole, shell].find((path) => existsSync(path))

/** The same, after an attempt to install it. */
export function ensureChromium() {
  if (!existsSync(shell)) install('chromium-headless-shell')
  if (findChromium() === undefined) install('chromium')
  return findChromium()
}
