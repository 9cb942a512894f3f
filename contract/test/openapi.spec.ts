import { expect } from 'chai'
import { allEndpoints, loafEventSchemas, openApiDocument } from '../src'

interface Operation {
  readonly parameters: readonly { readonly name: string }[]
  readonly requestBody?: { readonly content: Record<string, { readonly schema: Record<string, unknown> }> }
}

const document = openApiDocument('1.2.3') as {
  openapi: string
  info: { version: string }
  paths: Record<string, Record<string, Operation>>
}
const bodyOf = (path: string, method: string) =>
  document.paths[path]?.[method]?.requestBody?.content['application/json']?.schema as Record<string, never>

describe('openApiDocument', () => {
  it('holds every endpoint of the contract, once', () => {
    const listed = Object.entries(document.paths).flatMap(([path, methods]) =>
      Object.keys(methods).map((method) => `${method} ${path}`),
    )
    const known = allEndpoints().map(({ method, path }) => `${method} ${path.replace(/:(\w+)/g, '{$1}')}`)
    expect([...listed].sort()).to.deep.equal([...known].sort())
    expect(new Set(known).size).to.equal(known.length)
  })

  it('names its version and the parameters of its paths', () => {
    expect(document.openapi).to.equal('3.1.0')
    expect(document.info.version).to.equal('1.2.3')
    expect(document.paths['/api/batches/{id}/steps']?.['post']?.parameters.map(({ name }) => name)).to.deep.equal([
      'id',
    ])
  })

  it('turns the Yup schemas into JSON Schema with their limits', () => {
    const mould = bodyOf('/api/moulds', 'post') as unknown as {
      properties: Record<string, unknown>
      required: string[]
      additionalProperties: boolean
    }
    expect(mould.properties['count']).to.deep.equal({ type: 'integer', minimum: 1, maximum: 50 })
    expect(mould.required).to.include('lengthMm')
    expect(mould.additionalProperties).to.equal(false)
    const design = bodyOf('/api/designs', 'post') as unknown as { properties: Record<string, { anyOf?: unknown[] }> }
    expect(design.properties['recipeId']?.anyOf).to.deep.include({ type: 'null' })
  })

  it('asks for the version in a change', () => {
    const change = bodyOf('/api/recipes/{id}', 'put') as unknown as { properties: object; required: string[] }
    expect(change.properties).to.have.property('version')
    expect(change.required).to.include('version')
  })

  it('lists every kind of event', () => {
    const event = bodyOf('/api/loaves/{id}/events', 'post') as unknown as { oneOf: unknown[] }
    expect(event.oneOf).to.have.length(Object.keys(loafEventSchemas).length)
    expect(event.oneOf).to.have.length(20)
  })
})
