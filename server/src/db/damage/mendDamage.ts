import { getTableColumns, getTableName, sql } from 'drizzle-orm'
import { ValidationError } from 'yup'
import type { Transaction } from '../drizzle'
import type { DamagedField } from '../schema/damagedRows'
import { damagedRows } from '../schema/damagedRows'
import type { RawRow } from './rawRows'
import { rawRows } from './rawRows'
import type { TableKind } from './tableKinds'
import { tableKinds } from './tableKinds'

/**
 * Rules whose breach harms no reader: a text may be longer than it may become today, and what only the whole of a thing
 * breaks is told on its page.
 */
const harmlessRules = [
  'readable',
  'not-blank',
  'noUnknown',
  'can-be-made',
  'possible',
  'fits',
  'shares',
  'whole',
  'ref',
  'set-days',
  'claim',
]

const isHarmful = ({ type, value, path }: ValidationError): boolean =>
  !harmlessRules.includes(type ?? '') &&
  !(type === 'max' && typeof value === 'string') &&
  !(type === 'matches' && /(^|\.)\w*[iI]d$/.test(path ?? ''))

/** Fields of a row that it cannot be read with. */
export function damagedFields({ schema }: TableKind, fields: Readonly<Record<string, unknown>>): readonly string[] {
  try {
    schema.validateSync(fields, { strict: true, abortEarly: false })
    return []
  } catch (error) {
    if (!(error instanceof ValidationError)) return Object.keys(fields)
    const harmful = (error.inner.length > 0 ? error.inner : [error]).filter(isHarmful)
    const names = harmful.map(({ path = '' }) => /^[\w]+/.exec(path)?.[0] ?? '')
    return [...new Set(names)].filter((name) => name in fields)
  }
}

const asText = (value: unknown): string => (typeof value === 'string' ? value : (JSON.stringify(value) ?? ''))

/** A row with something harmless in place of what cannot be read. */
interface Mended {
  readonly values: Readonly<Record<string, unknown>>
  /** Names of the values that were put in. */
  readonly putIn: ReadonlySet<string>
  readonly fields: readonly DamagedField[]
}

/** @returns a row as it is mended; undefined where nothing is wrong with it */
export function mended(kind: TableKind, { fields: read }: RawRow): Mended | undefined {
  const was = Object.fromEntries(
    Object.entries(read).map(([name, one]) => [name, 'unreadable' in one ? one.unreadable : asText(one.value)]),
  )
  const values: Record<string, unknown> = {}
  for (const [name, one] of Object.entries(read)) values[name] = 'value' in one ? one.value : undefined
  const damaged = new Set(Object.entries(read).flatMap(([name, one]) => ('unreadable' in one ? [name] : [])))
  const { harmless } = kind
  const putIn = new Set<string>()
  // What is put in may make another field wrong: two rounds, then all that has a harmless value gets it.
  for (let round = 0; round < 3; round++) {
    const found = damagedFields(kind, values)
    for (const name of found) damaged.add(name)
    if (found.length === 0 && round > 0) break
    const replaced = round < 2 ? [...damaged] : Object.keys(harmless ?? {})
    for (const name of replaced)
      if (harmless && name in harmless) {
        values[name] = harmless[name]
        putIn.add(name)
      }
  }
  if (damaged.size === 0) return undefined
  return { values, putIn, fields: [...damaged].map((field) => ({ field, was: was[field] ?? '' })) }
}

export const nameOf = ({ noun }: TableKind, values: Readonly<Record<string, unknown>>): string => {
  const name = [values['name'], values['client'], values['lotCode'], values['lotNumber']].find(
    (one) => typeof one === 'string' && one !== '',
  )
  return typeof name === 'string' ? name : noun
}

async function write(
  transaction: Transaction,
  { table }: TableKind,
  rowid: number,
  values: Mended['values'],
): Promise<void> {
  const columns = Object.entries(getTableColumns(table)).filter(([field]) => field in values)
  const sets = columns.map(([field, column]) => {
    const value = values[field]
    const driven = value === null || value === undefined ? null : (column.mapToDriverValue(value) as unknown)
    return sql`${sql.identifier(column.name)} = ${driven}`
  })
  await transaction.run(
    sql`UPDATE ${sql.identifier(getTableName(table))} SET ${sql.join(sets, sql`, `)} WHERE rowid = ${rowid}`,
  )
}

async function mendRow(transaction: Transaction, kind: TableKind, row: RawRow, at: string): Promise<boolean> {
  const found = mended(kind, row)
  if (!found) return false
  const { values, fields, putIn } = found
  const isVersioned = 'version' in values && 'isRemoved' in values
  const version = isVersioned ? Number(values['version']) + 1 : null
  const tableName = getTableName(kind.table)
  const rowId = typeof values['id'] === 'string' ? values['id'] : String(row.rowid)
  await transaction.insert(damagedRows).values({ tableName, rowId, name: nameOf(kind, values), fields, at, version })
  if (kind.harmless === null)
    await transaction.run(sql`DELETE FROM ${sql.identifier(tableName)} WHERE rowid = ${row.rowid}`)
  else {
    const changed = Object.fromEntries([...putIn].map((name) => [name, values[name]]))
    await write(transaction, kind, row.rowid, version === null ? changed : { ...changed, version })
  }
  // What a loaf’s entries come to is reckoned anew.
  if (tableName === 'loaf_events')
    await transaction.run(
      sql`UPDATE loaves SET state = NULL WHERE id = (SELECT loaf_id FROM loaf_events WHERE rowid = ${row.rowid})`,
    )
  return true
}

/** Damaged rows, by the name of their table. */
export type Damage = ReadonlyMap<string, readonly number[]>

/** Mends the damaged ones among some rows. @returns how many there were */
export async function mendDamage(transaction: Transaction, at: string, damage: Damage): Promise<number> {
  let count = 0
  for (const kind of tableKinds) {
    const rowids = damage.get(getTableName(kind.table))
    if (!rowids) continue
    for (const row of await rawRows(transaction, kind.table, sql`rowid IN ${rowids}`))
      if (await mendRow(transaction, kind, row, at)) count += 1
  }
  return count
}
