import { closeSync, fsyncSync, openSync } from 'node:fs'

/** A moment as it stands in the name of a file: `2027-03-08-120000`, UTC. */
export const inFileName = (moment: Date): string =>
  moment.toISOString().slice(0, 19).replaceAll(':', '').replace('T', '-')

/** Has the disk take what was written to a file before anything else counts on it. */
export function syncFile(file: string): void {
  const handle = openSync(file, 'r+')
  try {
    fsyncSync(handle)
  } finally {
    closeSync(handle)
  }
}

/** Has the disk take new names in a folder, where the system knows of such a thing. */
export function syncFolder(folder: string): void {
  try {
    const handle = openSync(folder, 'r')
    try {
      fsyncSync(handle)
    } finally {
      closeSync(handle)
    }
  } catch {
    // Some systems open no folder; they keep names in order by themselves.
  }
}
