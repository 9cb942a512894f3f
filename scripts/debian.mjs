// What the tests want of Debian, installed where they may.
import { spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'

const longestMs = 180_000

const apt = (...args) =>
  spawnSync('apt-get', args, {
    stdio: 'ignore',
    timeout: longestMs,
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  }).status === 0

/** Installs a package of Debian's, where this is Debian and we are root. */
export function installFromDebian(name) {
  const canInstall = process.platform === 'linux' && process.getuid?.() === 0
  if (!canInstall) return
  console.log(`Installing ${name} …`)
  if (apt('update', '-qq')) apt('install', '-y', '-qq', '--no-install-recommends', name)
}

/** `ip`, for journeys over several hosts: network namespaces of this machine. */
export function ensureNetworks() {
  if (!['/usr/sbin/ip', '/sbin/ip', '/usr/bin/ip', '/bin/ip'].some((path) => existsSync(path)))
    installFromDebian('iproute2')
}
