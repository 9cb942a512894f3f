import { formatInstant } from '@vendange/core/calendar'

const pattern = /^vendange-(\d{4}-\d{2}-\d{2})-(\d{2})(\d{2})(\d{2})-(.+?)(?:-\d+)?\.sqlite$/
const reasons: Readonly<Record<string, string>> = {
  'on-request': 'kept by hand',
  'before-migration': 'before a new version',
  'before-restore': 'before a backup was put back',
}

/** When a backup was kept, in the zone of this machine, and why; its name where that tells neither. */
export function backupWords(
  fileName: string,
  zone = Intl.DateTimeFormat().resolvedOptions().timeZone,
): { readonly when: string; readonly why: string } {
  const [, day, hours, minutes, seconds, label = ''] = pattern.exec(fileName) ?? []
  if (day === undefined) return { when: fileName, why: '' }
  return { when: formatInstant(`${day}T${hours}:${minutes}:${seconds}Z`, zone), why: reasons[label] ?? label }
}
