import type {
  ISchema,
  SchemaDescription,
  SchemaFieldDescription,
  SchemaObjectDescription,
  SchemaInnerTypeDescription,
} from 'yup'
import { rolesOf } from './access'
import { allEndpoints } from './endpoints'
import { bodySchemaOf, replySchemaOf } from './messages'
import { largestFigure } from './schemas/pieces'
import { loafEventSchema, loafEventSchemas } from './schemas/work'

type JsonSchema = Record<string, unknown>

const jsonTypes: Readonly<Record<string, string>> = { string: 'string', number: 'number', boolean: 'boolean' }

/** Texts of a kind that only a function can test. */
const formats: Readonly<Record<string, string>> = { day: 'date', moment: 'local-date-time', zone: 'time-zone' }

function limits(tests: SchemaDescription['tests'], type: string): JsonSchema {
  const out: JsonSchema = {}
  for (const { name, params } of tests) {
    // A figure that is only kept from being absurd has its true limits in the core, which a schema cannot tell.
    const hasLimit = type === 'number' && Math.abs(Number(params?.[name ?? ''])) < largestFigure
    if (name === 'min' && hasLimit) out['minimum'] = params?.['min']
    if (name === 'max' && hasLimit) out['maximum'] = params?.['max']
    if (name === 'max' && type === 'string') out['maxLength'] = params?.['max']
    if (name === 'max' && type === 'array') out['maxItems'] = params?.['max']
    if (name === 'integer') out['type'] = 'integer'
    if (name !== undefined && Object.hasOwn(formats, name)) out['format'] = formats[name]
    if (name === 'matches' && params?.['regex'] instanceof RegExp) out['pattern'] = params['regex'].source
  }
  return out
}

/** JSON Schema of a described Yup schema. What only a function can test is left out. */
function fromDescription(description: SchemaFieldDescription): JsonSchema {
  const described = description as SchemaDescription
  const nullable = (schema: JsonSchema): JsonSchema =>
    described.nullable ? { anyOf: [schema, { type: 'null' }] } : schema
  if (description.type === 'object') {
    const { fields } = description as SchemaObjectDescription
    const required = Object.entries(fields).flatMap(([name, field]) =>
      'optional' in field && field.optional ? [] : [name],
    )
    const properties = Object.fromEntries(Object.entries(fields).map(([name, field]) => [name, fromDescription(field)]))
    return nullable({ type: 'object', properties, required, additionalProperties: false })
  }
  if (description.type === 'array') {
    const { innerType } = description as SchemaInnerTypeDescription
    const items = innerType && !Array.isArray(innerType) ? fromDescription(innerType) : {}
    return nullable({ type: 'array', items, ...limits(described.tests, 'array') })
  }
  const type = jsonTypes[description.type]
  if (!type) return {}
  const oneOf = described.oneOf.length > 0 ? { enum: described.oneOf } : {}
  return nullable({ type, ...oneOf, ...limits(described.tests, description.type) })
}

/** JSON Schema of a message. What only a function can test is left out. */
export function jsonSchemaOf(schema: ISchema<unknown>): JsonSchema {
  if ((schema as unknown) === loafEventSchema) {
    return { oneOf: Object.values(loafEventSchemas).map((one) => fromDescription(one.describe())) }
  }
  return fromDescription((schema as unknown as { describe(): SchemaFieldDescription }).describe())
}

const problemSchema: JsonSchema = {
  type: 'object',
  description: 'RFC 9457 problem details',
  properties: {
    type: { type: 'string' },
    title: { type: 'string' },
    status: { type: 'integer' },
    detail: { type: 'string' },
    errors: {
      type: 'array',
      items: { type: 'object', properties: { field: { type: 'string' }, message: { type: 'string' } } },
    },
    current: { description: 'With 409: the thing as it stands now.' },
  },
  required: ['type', 'title', 'status', 'detail'],
}

/** The API as an OpenAPI 3.1 document, made from the same endpoints that serve it. */
export function openApiDocument(version: string): Record<string, unknown> {
  const paths: Record<string, Record<string, unknown>> = {}
  for (const endpoint of allEndpoints()) {
    const [body, reply] = [bodySchemaOf(endpoint), replySchemaOf(endpoint)]
    const path = endpoint.path.replace(/:(\w+)/g, '{$1}')
    const parameters = [...endpoint.path.matchAll(/:(\w+)/g)].map(([, name]) => ({
      name,
      in: 'path',
      required: true,
      schema: { type: 'string' },
    }))
    const json = (schema: JsonSchema) => ({ content: { 'application/json': { schema } } })
    paths[path] = {
      ...paths[path],
      [endpoint.method]: {
        summary: endpoint.summary,
        // Who may use it: the one table of access.ts.
        'x-roles': rolesOf(endpoint),
        parameters,
        ...(body ? { requestBody: { required: true, ...json(jsonSchemaOf(body)) } } : {}),
        responses: {
          [endpoint.status]: {
            description: endpoint.summary,
            ...json(reply ? jsonSchemaOf(reply) : {}),
          },
          default: {
            description: 'A problem',
            content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
          },
        },
      },
    }
  }
  return {
    openapi: '3.1.0',
    info: { title: 'Vendange', version },
    paths,
    components: { schemas: { Problem: problemSchema } },
  }
}
