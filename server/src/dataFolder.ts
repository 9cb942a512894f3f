import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'

/** The project's root. */
export const home = resolve(dirname(fileURLToPath(import.meta.url)), '../..')

/** Where the workshop's database and its backups are kept: as `VENDANGE_DATA` says, else in the project. */
export const dataFolder = (): string => resolve(process.env['VENDANGE_DATA'] ?? join(home, 'data/workshop'))
