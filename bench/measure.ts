/** Milliseconds that `work` takes, sorted, over `times` runs after half as many to warm up. */
export async function timesOf(times: number, work: () => unknown): Promise<readonly number[]> {
  for (let run = 0; run < times / 2; run++) await work()
  const taken: number[] = []
  for (let run = 0; run < times; run++) {
    const start = performance.now()
    await work()
    taken.push(performance.now() - start)
  }
  return taken.sort((a, b) => a - b)
}

/** The value below which a share of the sorted figures lies (nearest rank). */
export function percentile(sorted: readonly number[], share: number): number {
  return sorted[Math.min(sorted.length - 1, Math.ceil(sorted.length * share) - 1)] ?? Number.NaN
}

/** One line: what was measured, its figure, its yardstick in the same run, and the ratio of the two. */
export function report(what: string, ms: number, yardstick: string, yardstickMs: number): void {
  console.log(
    `${what.padEnd(46)} ${ms.toPrecision(3).padStart(9)} ms   ${(ms / yardstickMs).toFixed(1).padStart(7)} × ${yardstick} (${yardstickMs.toPrecision(3)} ms)`,
  )
}
