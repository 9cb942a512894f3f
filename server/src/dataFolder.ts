import { existsSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'

/** The folder above this file that holds the project, whether this runs from its source or from a bundle. */
function projectFolder(): string {
  let folder = dirname(fileURLToPath(import.meta.url))
  while (!existsSync(join(folder, 'server/migrations'))) {
    const above = dirname(folder)
    if (above === folder) throw new Error('Expected the project’s folder above this file')
    folder = above
  }
  return folder
}

/** The project's root. */
export const home = projectFolder()

/** Where the workshop's database and its backups are kept: as `VENDANGE_DATA` says, else in the project. */
export const dataFolder = (): string => resolve(process.env['VENDANGE_DATA'] ?? join(home, 'data/workshop'))
