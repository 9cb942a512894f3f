import type { DBSchema, IDBPDatabase } from 'idb'
import { openDB } from 'idb'

interface FacesShape extends DBSchema {
  faces: { key: string; value: Blob }
  painter: { key: 'name'; value: string }
}

/** Faces kept at the most; a workshop shows some hundreds. */
const mostKept = 600

/** All that another painter has painted goes: it may draw the same soap otherwise. */
async function openFor(painterName: string): Promise<IDBPDatabase<FacesShape>> {
  const db = await openDB<FacesShape>('vendange-faces', 1, {
    upgrade(fresh) {
      fresh.createObjectStore('faces')
      fresh.createObjectStore('painter')
    },
  })
  const work = db.transaction(['faces', 'painter'], 'readwrite')
  const before = await work.objectStore('painter').get('name')
  const isFull = (await work.objectStore('faces').count()) > mostKept
  if (before !== painterName || isFull) await work.objectStore('faces').clear()
  await work.objectStore('painter').put(painterName, 'name')
  await work.done
  return db
}

/**
 * Gives faces that were painted on this device before, and keeps those that are painted now, so that a page that opens
 * again simulates nothing twice. A device that keeps nothing paints each time.
 *
 * @param painterName changes with the code that paints
 */
export function paintedFaces(painterName: string): (key: string, paint: () => Promise<Blob>) => Promise<Blob> {
  // A painter of whole insides never asks for a face, and opens nothing.
  let opened: Promise<IDBPDatabase<FacesShape> | undefined> | undefined
  return async (key, paint) => {
    const db = await (opened ??= openFor(painterName).catch(() => undefined))
    const kept = await db?.get('faces', key).catch(() => undefined)
    if (kept) return kept
    const face = await paint()
    // Whoever waits for the face does not wait for this; a full disk only costs the next page its time.
    void db?.put('faces', face, key).catch(() => undefined)
    return face
  }
}
