/** Minutes from midnight as "19:05". @throws {RangeError} if they are not from 0 to 1439 */
export function clockText(minutes: number): string {
  if (!(minutes >= 0 && minutes < 1440)) throw new RangeError(`Expected minutes from 0 to 1439, got ${minutes}`)
  const two = (part: number): string => String(part).padStart(2, '0')
  return `${two(Math.floor(minutes / 60))}:${two(Math.floor(minutes % 60))}`
}

/** Minutes from midnight of "19:05"; undefined when it is no time of day. */
export function minutesOfClock(text: string): number | undefined {
  const parts = /^(\d{1,2}):(\d{2})$/.exec(text.trim())
  const hours = Number(parts?.[1])
  const minutes = Number(parts?.[2])
  return hours < 24 && minutes < 60 ? hours * 60 + minutes : undefined
}
