// Debian's Chromium for the journeys: its headless shell, which draws a page for half the work of the whole browser, or
// the whole browser where that is all there is.
import { existsSync } from 'node:fs'
import { installFromDebian } from './debian.mjs'

const shell = '/usr/bin/chromium-headless-shell'
const whole = '/usr/bin/chromium'

/** Where the browser of the journeys is; undefined where there is none. */
export const findChromium = () => [shell, whole].find((path) => existsSync(path))

/** The browser for pictures: the whole one sets its letters finer. */
export const chromiumForPictures = () => [whole, shell].find((path) => existsSync(path))

/** The same, after an attempt to install it. */
export function ensureChromium() {
  if (!existsSync(shell)) installFromDebian('chromium-headless-shell')
  if (findChromium() === undefined) installFromDebian('chromium')
  return findChromium()
}
