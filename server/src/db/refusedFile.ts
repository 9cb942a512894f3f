/** A database file that this program must not touch, or cannot, with what to do about it. */
export class DatabaseRefused extends Error {
  override readonly name = 'DatabaseRefused'
}

/** A backup that cannot be put back, with why. */
export class RestoreRefused extends Error {
  override readonly name = 'RestoreRefused'
}

const causesOf = (error: unknown): readonly unknown[] =>
  error instanceof Error ? [error, ...causesOf(error.cause)] : []

/** What the disk has against it, where it is the disk; undefined where it is not. */
export function troubleOfDisk(file: string, error: unknown): DatabaseRefused | undefined {
  const codes = causesOf(error).map((one) => String((one as { readonly code?: unknown }).code))
  const has = (...starts: readonly string[]): boolean =>
    codes.some((code) => starts.some((start) => code.startsWith(start)))
  const left = `Nothing is wrong with the file ${file}, and it was left as it is.`
  if (has('SQLITE_FULL', 'ENOSPC', 'EDQUOT'))
    return new DatabaseRefused(`The disk is full. ${left} Make room, then start Vendange again.`)
  if (has('SQLITE_READONLY', 'EROFS', 'EACCES', 'EPERM'))
    return new DatabaseRefused(
      `The disk or the folder of ${file} cannot be written to. ${left} Make it writable, then start Vendange again.`,
    )
  if (has('SQLITE_CANTOPEN', 'SQLITE_IOERR', 'EIO'))
    return new DatabaseRefused(
      `The disk would not read or write the file ${file}. It was left as it is. Look to the disk and the rights of its folder, then start Vendange again.`,
    )
  if (has('SQLITE_BUSY'))
    return new DatabaseRefused(`Another program has the file ${file} open. End it first. Nothing was changed.`)
  return undefined
}
