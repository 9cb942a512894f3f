import { closeSync, fsyncSync, openSync } from 'node:fs'

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
