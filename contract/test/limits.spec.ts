import { expect } from 'chai'
import type {
  SchemaDescription,
  SchemaFieldDescription,
  SchemaInnerTypeDescription,
  SchemaObjectDescription,
} from 'yup'
import type { Endpoint } from '../src'
import {
  bodySchemaOf,
  endpoints,
  loafEventSchema,
  loafEventSchemas,
  pourPlanFileSchema,
  saleSchema,
  wishSchemas,
} from '../src'

interface Described {
  describe(): SchemaFieldDescription
}

/** Tests of a text that bound its length by themselves: a pattern without repeats, a day, a list of names. */
const boundTexts = ['max', 'day', 'moment', 'zone']

/** Tests that let nothing but whole signs through by themselves. */
const realTexts: readonly string[] = ['day', 'moment', 'zone']

/** Fields of a message that something endless could come in by. */
function openFields(description: SchemaFieldDescription, path: string): readonly string[] {
  const { tests = [], oneOf = [] } = description as SchemaDescription
  const names = tests.map(({ name }) => name)
  if (description.type === 'object')
    return Object.entries((description as SchemaObjectDescription).fields).flatMap(([name, field]) =>
      openFields(field, `${path}.${name}`),
    )
  if (description.type === 'array') {
    const { innerType } = description as SchemaInnerTypeDescription
    const isBounded = names.includes('max') || names.includes('length')
    return [
      ...(isBounded ? [] : [path]),
      ...(innerType && !Array.isArray(innerType) ? openFields(innerType, `${path}[]`) : []),
    ]
  }
  if (description.type === 'number')
    return oneOf.length > 0 || (names.includes('min') && names.includes('max')) ? [] : [path]
  if (description.type === 'string') {
    const pattern = tests.find(({ name }) => name === 'matches')?.params?.['regex']
    const isPatternBounded = pattern instanceof RegExp && /^\^[^*+]*\$$/.test(pattern.source)
    if (oneOf.length > 0 || isPatternBounded) return []
    if (!boundTexts.some((name) => names.includes(name))) return [path]
    return names.includes('readable') || names.some((name) => realTexts.includes(name ?? ''))
      ? []
      : [`${path} (half signs)`]
  }
  // What is one of several kinds is looked at kind by kind.
  return description.type === 'boolean' || description.type === 'lazy' ? [] : [`${path} (${description.type})`]
}

function endpointsIn(tree: object, path = ''): readonly (readonly [string, Endpoint])[] {
  return Object.entries(tree).flatMap(([name, value]: [string, object]) =>
    'method' in value ? [[`${path}${name}`, value as Endpoint] as const] : endpointsIn(value, `${path}${name}.`),
  )
}

describe('whatever comes in', () => {
  it('has a schema wherever an endpoint takes a message, and only there', () => {
    const wrong = endpointsIn(endpoints).filter(
      ([, endpoint]) => endpoint.takesMessage !== (bodySchemaOf(endpoint) !== undefined),
    )
    expect(wrong.map(([name]) => name)).to.deep.equal([])
  })

  it('has a least and a most for every number, and a longest for every text and list', () => {
    const all = endpointsIn(endpoints)
    expect(all.length).to.be.above(30)
    const bodies = all.flatMap(([name, endpoint]) => {
      const body: unknown = bodySchemaOf(endpoint)
      return body && body !== loafEventSchema ? [[name, body as Described] as const] : []
    })
    const open = [
      ...bodies,
      ...Object.entries({ ...loafEventSchemas, ...wishSchemas }),
      ['pour plan', pourPlanFileSchema] as const,
      ['sale', saleSchema] as const,
    ].flatMap(([name, schema]) => openFields((schema as Described).describe(), name))
    // Each line of a report of sales is held against the schema of a sale by itself.
    expect(open).to.deep.equal(['release.takeSales.sales[] (mixed)'])
  })
})
