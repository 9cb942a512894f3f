import type { BarSides } from '@vendange/core/cutting'
import { dryingPrior, fitDrying, forecastMass, lossInRoom, massAfter, roomPace } from '@vendange/core/cure'
import { normalFrom, randomFrom } from '@vendange/core/random'
import { percentile, report, timesOf } from './measure'

const bar: BarSides = { widthMm: 80, heightMm: 55, thicknessMm: 27 }
const trials = 500
const weighedOn = [0, 4, 9, 14] as const

/** Forecasts of day 35 from four readings by day 14, on simulated bars whose truth is known. */
export async function benchCure(): Promise<void> {
  let [near, held] = [0, 0]
  const widths: number[] = []
  const misses: number[] = []
  for (let seed = 1; seed <= trials; seed++) {
    const random = randomFrom(seed * 31 + 7)
    // Diffusion, room and equilibrium moisture as they may come.
    const room = {
      temperatureC: 20 + 3 * normalFrom(random),
      humidity: Math.min(0.8, Math.max(0.3, 0.55 + 0.08 * normalFrom(random))),
    }
    const diffusion =
      dryingPrior.diffusion * roomPace(room) * Math.exp(dryingPrior.diffusionSpread * normalFrom(random))
    const lossShare = Math.max(0.02, lossInRoom(0.11, room) + dryingPrior.lossSpread * normalFrom(random))
    const trueAt = (day: number): number => massAfter(120, bar, { diffusion, lossShare }, day)
    const weighings = weighedOn.map((cureDay) => ({
      cureDay,
      massG: Math.round(trueAt(cureDay) + 0.2 * normalFrom(random)),
    }))
    const fit = fitDrying(weighings, { bar, lossShare: 0.11, room, stepG: 1 })
    const forecast = forecastMass(fit, bar, 35)
    if (!forecast) continue
    const real = trueAt(35)
    const miss = Math.abs(forecast.likelyG - real)
    misses.push(miss)
    widths.push(forecast.untilG - forecast.fromG)
    if (miss <= 1.5) near += 1
    if (real >= forecast.fromG && real <= forecast.untilG) held += 1
  }
  misses.sort((a, b) => a - b)
  console.log(
    `Day 35 from four readings by day 14: within 1.5 g in ${((100 * near) / trials).toFixed(1)} % of ${trials}; half miss by less than ${percentile(misses, 0.5).toFixed(2)} g`,
  )
  console.log(
    `  the 80 % band holds ${((100 * held) / trials).toFixed(1)} %; it is ${(widths.reduce((a, b) => a + b, 0) / widths.length).toFixed(2)} g wide on average`,
  )
  const weighings = weighedOn.map((cureDay, at) => ({ cureDay, massG: 120 - 3 * at }))
  const room = { temperatureC: 20, humidity: 0.55 }
  const times = await timesOf(20, () => fitDrying(weighings, { bar, lossShare: 0.11, room, stepG: 1 }))
  const bare = await timesOf(20, () => Array.from({ length: 41 * 41 * 5 }, (_, at) => Math.exp(-at)))
  report('A fit to four readings', percentile(times, 0.5), 'as many exponentials', percentile(bare, 0.5))
}
