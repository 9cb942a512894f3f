/** One thing under whatever letters and spaces it was written with. @example plainName(' White  Clay') // 'white clay' */
export function plainName(name: string): string {
  return name.trim().toLowerCase().replace(/\s+/g, ' ')
}
