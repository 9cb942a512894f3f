import { chromium } from '@playwright/test'
import { join } from 'node:path'
import globalSetup from '../e2e/globalSetup'
import config from '../e2e/playwright.config'
import { WorkshopProcess } from '../e2e/server'
import { noArchives, sendArchives } from './archives'
import { cutBackupsOff, noBackups } from './backups'
import { diceOf } from './dice'
import { brokenInvariants, nothingRemembered } from './invariants'
import { killAgainAndAgain, noKills } from './kills'
import { brokenPages } from './pages'
import { noPlaces, writeInTwoPlaces } from './places'
import type { Tally } from './throwing'
import { newTally, throwRequests, throwSequences } from './throwing'
import { noUpgrades, upgradeAll } from './upgrades'

// npm run campaign [-- PART [COUNT [SEED]]]: hostile requests, kills, archives, backups, upgrades and a server of databases thrown at a workshop.

/** A part of the campaign: how much of it is thrown when nothing is said, and what came of it. */
interface Part {
  readonly count: number
  run(count: number, seed: number): Promise<Outcome>
}
interface Outcome {
  readonly told: readonly string[]
  /** What may not be, the first ones told. */
  readonly broken: readonly string[]
}

const today = '2027-03-08'
/** After so many requests everything is looked at; after so many the workshop begins anew, as it would after years. */
const requestsBetweenLooks = 1000
const requestsPerWorkshop = 10_000
const shareInSequences = 0.2

async function someRequests(url: string, seed: number, count: number, tally: Tally): Promise<void> {
  const inSequences = Math.round(count * shareInSequences)
  await throwRequests(url, diceOf(seed), count - inSequences, tally)
  await throwSequences(url, diceOf(seed + 1), inSequences, tally)
}

async function throwAll(count: number, seed: number): Promise<Outcome> {
  const tally = newTally()
  const broken: string[] = []
  const browser = await chromium.launch(config.use?.launchOptions)
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  let workshop: WorkshopProcess | undefined
  let remembered = nothingRemembered()
  const told = new Set<string>()
  let looks = 0
  try {
    while (tally.sent < count) {
      if (!workshop || looks % (requestsPerWorkshop / requestsBetweenLooks) === 0) {
        await workshop?.dispose()
        workshop = new WorkshopProcess()
        workshop.seedDemo()
        await workshop.start(today)
        remembered = nothingRemembered()
      }
      const from = seed * 1_000_000 + looks * 2
      await someRequests(workshop.url, from, Math.min(requestsBetweenLooks, count - tally.sent), tally)
      looks += 1
      const file = join(workshop.folder, 'vendange.sqlite')
      for (const one of await brokenInvariants(workshop.url, file, remembered))
        broken.push(`after ${tally.sent}: ${one}`)
      for (const one of await brokenPages(page, workshop.url)) broken.push(`after ${tally.sent}: ${one}`)
      const all = [...tally.broken.map(({ what, line }) => `${what}\n      ${line}`), ...broken]
      for (const one of all.filter((each) => !told.has(each))) {
        told.add(one)
        console.log(`    ${one}`)
      }
      console.log(
        `  ${tally.sent} sent, ${tally.broken.length + broken.length} broken, slowest ${Math.round(tally.slowestMs)} ms`,
      )
    }
  } finally {
    await browser.close()
    await workshop?.dispose()
  }
  const statuses = [...tally.byStatus].sort(([a], [b]) => a - b).map(([status, times]) => `${status}: ${times}`)
  const of = (test: (status: number) => boolean): number =>
    [...tally.byStatus].reduce((sum, [status, times]) => sum + (test(status) ? times : 0), 0)
  return {
    told: [
      `${tally.sent} requests, ${tally.inSequences} of them in sequences; looked at everything ${looks} times`,
      `answers: ${statuses.join(', ')}`,
      `answers of 5xx: ${of((status) => status >= 500)}; slowest ${Math.round(tally.slowestMs)} ms (${tally.slowest})`,
    ],
    broken: [...tally.broken.map(({ what, line }) => `${what}\n      ${line}`), ...broken],
  }
}

async function kill(count: number, seed: number): Promise<Outcome> {
  const tally = noKills()
  const workshop = new WorkshopProcess()
  workshop.seedDemo()
  await workshop.start(today)
  try {
    await killAgainAndAgain(workshop, diceOf(seed), count, tally, ({ kills, acknowledged, lost, broken }) => {
      if (kills % 50 === 0)
        console.log(`  ${kills} kills, ${acknowledged} kept, ${lost.length} lost, ${broken.length} broken`)
    })
  } finally {
    await workshop.dispose()
  }
  const { kills, acknowledged, lost, restores, broken } = tally
  return {
    told: [
      `${kills} kills, ${restores} of them amid a restore; ${acknowledged} writes acknowledged, ${lost.length} lost`,
    ],
    broken: [...lost.map((mark) => `lost: ${mark}`), ...broken],
  }
}

async function archives(count: number, seed: number): Promise<Outcome> {
  const tally = noArchives()
  await sendArchives(diceOf(seed), count, tally, ({ sent, taken, broken }) =>
    console.log(`  ${sent} sent, ${taken} taken, ${broken.length} broken`),
  )
  return {
    told: [`${tally.sent} archives changed by hand: ${tally.refused} refused, ${tally.taken} taken`],
    broken: tally.broken,
  }
}

async function backups(count: number, seed: number): Promise<Outcome> {
  const tally = noBackups()
  await cutBackupsOff(diceOf(seed), count, tally)
  return {
    told: [`${tally.asked} backups under kills: ${tally.listed} listed, ${tally.broken.length} of them broken`],
    broken: tally.broken,
  }
}

async function upgrades(count: number, seed: number): Promise<Outcome> {
  const tally = noUpgrades()
  await upgradeAll(diceOf(seed), count, tally)
  return {
    told: [`${tally.upgraded} workshops of earlier versions upgraded, ${tally.killed} of them killed meanwhile`],
    broken: tally.broken,
  }
}

async function inTwoPlaces(count: number, seed: number): Promise<Outcome> {
  const tally = noPlaces()
  await writeInTwoPlaces(diceOf(seed), count, tally)
  return {
    told: [
      `${tally.written} writes in two places, the server killed ${tally.kills} times; ${tally.away} to be tried again`,
    ],
    broken: tally.broken,
  }
}

const parts: Readonly<Record<string, Part>> = {
  requests: { count: 100_000, run: throwAll },
  kills: { count: 1000, run: kill },
  archives: { count: 2000, run: archives },
  backups: { count: 300, run: backups },
  upgrades: { count: 104, run: upgrades },
  places: { count: 200, run: inTwoPlaces },
}
const mostTold = 20

const [wanted, countSaid, seedSaid] = process.argv.slice(2)
if (wanted !== undefined && !Object.hasOwn(parts, wanted)) {
  console.error(`Expected one of ${Object.keys(parts).join(', ')}, got ${wanted}`)
  process.exit(1)
}
const tidyUp = await globalSetup()
let isBroken = false
for (const [name, { count, run }] of Object.entries(parts)) {
  if (wanted !== undefined && wanted !== name) continue
  const seed = Number(seedSaid ?? 1)
  const times = Number(countSaid ?? count)
  console.log(`\n${name}, seed ${seed}: npm run campaign -- ${name} ${times} ${seed}`)
  const begunMs = Date.now()
  const { told, broken } = await run(times, seed)
  for (const line of told) console.log(`  ${line}`)
  console.log(`  ${broken.length} broken, in ${Math.round((Date.now() - begunMs) / 1000)} s`)
  for (const line of broken.slice(0, mostTold)) console.log(`    ${line}`)
  isBroken ||= broken.length > 0
}
tidyUp()
process.exitCode = isBroken ? 1 : 0
