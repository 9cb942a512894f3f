import { addDays } from '@vendange/core/calendar'
import type { Dice } from './dice'

/** The part of JSON Schema that the OpenAPI document speaks. */
export interface JsonSchema {
  readonly type?: string
  readonly format?: string
  readonly pattern?: string
  readonly enum?: readonly unknown[]
  readonly minimum?: number
  readonly maximum?: number
  readonly maxLength?: number
  readonly maxItems?: number
  readonly items?: JsonSchema
  readonly properties?: Readonly<Record<string, JsonSchema>>
  readonly required?: readonly string[]
  readonly anyOf?: readonly JsonSchema[]
  readonly oneOf?: readonly JsonSchema[]
}

/** What messages are made of that a schema cannot tell. */
export interface Known {
  readonly today: string
  /** Something of the workshop that a field of this name may point at. */
  idFor(field: string): string
}

const words = [
  'Lantern Glass',
  'amber',
  'x',
  'Quay, no. 7',
  'ä ö ü ß',
  '石鹸',
  'a "b" c',
  '=1+1',
  '<b>bold</b>',
  '🧼 soap',
]

/** A day about today, seldom at the ends of what can be written down. */
function aDay({ chance, whole, one }: Dice, today: string): string {
  return chance(0.05) ? one(['1990-01-01', '2099-12-31', '2028-02-29']) : addDays(today, whole(-40, 160))
}

function aNumber(dice: Dice, { type, minimum = -1000, maximum = 100_000 }: JsonSchema): number {
  const { chance, one, random } = dice
  if (chance(0.15)) return one([minimum, maximum, Math.max(minimum, Math.min(maximum, 0))])
  // Small figures are the usual ones: most of a wide range is never met.
  const value = minimum + (maximum - minimum) * random() ** 4
  return type === 'integer' ? Math.round(value) : Math.round(value * 1000) / 1000
}

function aText(dice: Dice, schema: JsonSchema, field: string, known: Known): string {
  const { chance, one, whole } = dice
  if (schema.format === 'date') return aDay(dice, known.today)
  if (schema.format === 'local-date-time') return `${aDay(dice, known.today)}T${one(['00:00', '18:00', '23:59'])}`
  if (schema.format === 'time-zone') return one(['Europe/Lisbon', 'Pacific/Honolulu', 'Asia/Kathmandu'])
  if (schema.pattern?.startsWith('^#')) return one(['#D99A3C', '#000000', '#ffffff'])
  if (schema.pattern === '^[A-Z]{3}$') return one(['EUR', 'USD', 'JPY'])
  if (/(^|[a-z])Id$|^id$/.test(field)) return known.idFor(field)
  const most = schema.maxLength ?? 200
  return (chance(0.05) ? 'y'.repeat(whole(0, most)) : one(words)).slice(0, most)
}

/** A message as its schema would have it. What only the core can tell may still be against it. */
export function soundMessage(dice: Dice, schema: JsonSchema, known: Known, field = ''): unknown {
  const again = (one: JsonSchema, name = field): unknown => soundMessage(dice, one, known, name)
  if (schema.enum) return dice.one(schema.enum)
  const choices = schema.anyOf ?? schema.oneOf
  if (choices) return again(dice.one(choices))
  switch (schema.type) {
    case 'null':
      return null
    case 'boolean':
      return dice.chance(0.5)
    case 'integer':
    case 'number':
      return aNumber(dice, schema)
    case 'string':
      return aText(dice, schema, field, known)
    case 'array':
      return Array.from({ length: dice.whole(0, Math.min(3, schema.maxItems ?? 3)) }, () => again(schema.items ?? {}))
    case 'object':
      return Object.fromEntries(
        Object.entries(schema.properties ?? {})
          .filter(([name]) => schema.required?.includes(name) || dice.chance(0.6))
          .map(([name, one]) => [name, again(one, name)]),
      )
    default:
      return dice.one(['x', 1, null, {}])
  }
}

/** What no field should ever hold. */
const hostileValues: readonly unknown[] = [
  2 ** 53,
  -(2 ** 53),
  1e308,
  -1,
  0.3,
  -0.5,
  null,
  true,
  '',
  ' ',
  [],
  {},
  [null],
  { rows: 0.3 },
  { type: {} },
  '\ud800',
  'x\udc00y',
  '\u0000',
  '\u202eevil',
  '9027-03-10',
  '2027-99-10',
  '2027-02-30T10:00',
  '2027-02-30',
  '0001-01-01',
  '__proto__',
  'constructor',
  'hasOwnProperty',
  "'; DROP TABLE loaves; --",
  '<img src=x onerror=alert(1)>',
  '=HYPERLINK("http://x")',
  '../../etc/passwd',
  'z'.repeat(5000),
  Array.from({ length: 6000 }, () => null),
  Array.from({ length: 40 }, () => ({})),
  ['x', 1, null, {}, []],
]

const isObject = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null

/** A message with one place of it spoiled, wherever it is. */
function spoiledOnce(dice: Dice, message: unknown): unknown {
  if (!isObject(message) || dice.chance(0.08)) return dice.one(hostileValues)
  const keys = Object.keys(message)
  const copy: Record<string, unknown> | unknown[] = Array.isArray(message)
    ? [...(message as unknown[])]
    : { ...message }
  const at = copy as Record<string, unknown>
  if (keys.length === 0 || dice.chance(0.05)) {
    at[dice.one(['more', 'constructor', 'version', '0'])] = dice.one(hostileValues)
    return copy
  }
  const key = dice.one(keys)
  if (!Array.isArray(copy) && dice.chance(0.1))
    return Object.fromEntries(Object.entries(copy).filter(([name]) => name !== key))
  at[key] = isObject(at[key]) && dice.chance(0.7) ? spoiledOnce(dice, at[key]) : dice.one(hostileValues)
  return copy
}

/** A message spoiled in one place or in a few. */
export function hostileMessage(dice: Dice, message: unknown): unknown {
  let spoiled = message
  for (let times = dice.whole(1, 3); times > 0; times--) spoiled = spoiledOnce(dice, spoiled)
  return spoiled
}

/** A body that is no JSON, or JSON as no writer would write it. */
export function hostileText(dice: Dice, message: unknown): string | Uint8Array {
  const text = JSON.stringify(message) ?? 'null'
  return dice.one([
    () => text.slice(0, Math.floor(text.length * dice.random())),
    () => '',
    () => 'null',
    () => '{"rows":0.3}',
    () => `{"__proto__":{"version":1},${text.slice(1)}`,
    () => text.replace(/-?\d+(\.\d+)?/, '1e999'),
    () => text.replace(/"([^"]*)"/, '"\\ud800"'),
    () => '['.repeat(20_000),
    () => `${'{"a":'.repeat(3000)}1${'}'.repeat(3000)}`,
    () => new Uint8Array([0x7b, 0x22, 0xff, 0xfe, 0x22, 0x3a, 0x31, 0x7d]),
    () => `\ufeff${text}`,
  ])()
}
