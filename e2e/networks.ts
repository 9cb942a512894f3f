import { execFileSync } from 'node:child_process'
import { chmodSync, mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import type { Browser } from '@playwright/test'
import { findChromium } from '../scripts/chromium.mjs'
import { launch } from './playwright.config'

/** Runs Debian's `ip`. @throws {Error} where this machine does not let us, with what it would need */
function ip(...words: readonly string[]): string {
  const env = { ...process.env, PATH: `${process.env['PATH'] ?? ''}:/usr/sbin:/sbin` }
  try {
    return execFileSync('ip', words, { encoding: 'utf8', env, stdio: ['ignore', 'pipe', 'pipe'] })
  } catch (error) {
    throw new Error('Several hosts on one machine need network namespaces: root, and Debian’s iproute2', {
      cause: error,
    })
  }
}
const quietly = (work: () => unknown): void => {
  try {
    work()
  } catch {
    // It was not there.
  }
}

/** Another host on this machine: a network namespace of its own with a cable to this one. Needs root. */
export class OtherHost {
  private readonly name: string
  private readonly cable: string
  private browser: Browser | undefined

  private readonly network: string

  /** @param number of the host among those of a journey, 0 to 9; this machine is `.1` in a network of the two alone */
  constructor(number: number) {
    // Two runs on one machine have networks of their own.
    const { pid } = process
    this.name = `vendange-${pid}-${number}`
    this.cable = `vnd${pid % 100_000}-${number}`
    this.network = `10.${64 + (Math.floor(pid / 25) % 128)}.${(pid % 25) * 10 + number}`
    this.unplug()
    ip('netns', 'add', this.name)
    ip('link', 'add', this.cable, 'type', 'veth', 'peer', 'name', 'eth0', 'netns', this.name)
    ip('addr', 'add', `${this.hereAddress}/24`, 'dev', this.cable)
    ip('link', 'set', this.cable, 'up')
    this.inside('addr', 'add', `${this.network}.2/24`, 'dev', 'eth0')
    this.inside('link', 'set', 'lo', 'up')
    this.connect()
  }

  /** Address of this machine as the other sees it. */
  get hereAddress(): string {
    return `${this.network}.1`
  }

  connect(): void {
    this.inside('link', 'set', 'eth0', 'up')
    this.inside('route', 'replace', 'default', 'via', this.hereAddress)
  }

  /** The network is gone, as in a cellar. */
  disconnect(): void {
    this.inside('link', 'set', 'eth0', 'down')
  }

  /** A browser that runs there. */
  async openBrowser(): Promise<Browser> {
    const script = join(mkdtempSync(join(tmpdir(), 'vendange-host-')), 'chromium.sh')
    writeFileSync(
      script,
      `#!/bin/sh\nexport PATH="$PATH:/usr/sbin:/sbin"\nexec ip netns exec ${this.name} ${findChromium() ?? 'chromium'} "$@"\n`,
    )
    chmodSync(script, 0o755)
    this.browser = await chromium.launch({
      executablePath: script,
      args: [...launch.args, '--ignore-certificate-errors'],
    })
    return this.browser
  }

  async dispose(): Promise<void> {
    await this.browser?.close()
    this.unplug()
  }

  private inside(...words: readonly string[]): void {
    ip('-n', this.name, ...words)
  }

  private unplug(): void {
    quietly(() => ip('netns', 'del', this.name))
    quietly(() => ip('link', 'del', this.cable))
  }
}
