import { parseStoresCsv } from '@vendange/core/stores/csv'
import { expose } from 'comlink'

/** Reads a stores file off the page's thread. */
export interface StoresFileReader {
  read: typeof parseStoresCsv
}

const reader: StoresFileReader = { read: parseStoresCsv }
expose(reader)
