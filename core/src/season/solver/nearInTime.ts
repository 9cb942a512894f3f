const fewest = 10

/** A handful of batches poured about the same time, about one of them by chance. */
export function nearInTime(movable: Int32Array, pourDay: (batch: number) => number, random: () => number): Int32Array {
  const centre = pourDay(movable[Math.floor(random() * movable.length)]!) + Math.floor(random() * 9) - 4
  const size = fewest + Math.floor(random() * fewest)
  const away = (batch: number): number => Math.abs(pourDay(batch) - centre)
  return movable.toSorted((a, b) => away(a) - away(b)).slice(0, size)
}
