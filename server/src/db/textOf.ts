/** What SQLite gave, as text; nothing where it is neither text nor number. */
export function textOf(value: unknown): string {
  if (typeof value === 'string') return value
  return typeof value === 'number' || typeof value === 'bigint' ? String(value) : ''
}
