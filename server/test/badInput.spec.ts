import type { Problem } from '@vendange/contract'
import { allEndpoints } from '@vendange/contract'
import { expect } from 'chai'
import type { TestWorkshop } from './workshopAtTest'
import { aCollection, aDesign, aMould, aRecipe, furnish, openTestWorkshop } from './workshopAtTest'

describe('bad input', () => {
  let workshop: TestWorkshop
  before(async () => {
    workshop = await openTestWorkshop()
    await furnish(workshop)
  })
  after(() => workshop.close())

  async function post(
    path: string,
    body: string,
    headers: Record<string, string> = {},
  ): Promise<{ status: number; problem: Problem; type: string | null }> {
    const response = await fetch(workshop.url + path, {
      method: 'POST',
      body,
      headers: { 'Content-Type': 'application/json', ...headers },
    })
    return {
      status: response.status,
      problem: (await response.json()) as Problem,
      type: response.headers.get('content-type'),
    }
  }

  const wrong: readonly unknown[] = [-1, 1e12, null, '', 'twelve', '12 oz', [], {}, true, '<b>x</b>'.repeat(400)]
  const things: readonly (readonly [string, object])[] = [
    ['/api/recipes', aRecipe],
    ['/api/moulds', aMould],
    ['/api/collections', aCollection],
    ['/api/designs', { ...aDesign, collectionId: 'c', recipeId: null, mouldId: null }],
    ['/api/makers', { name: 'Bram' }],
    ['/api/batches', { designId: 'd', pourDay: '2027-03-10' }],
  ]
  for (const [path, sound] of things) {
    for (const field of Object.keys(sound)) {
      it(`in ${field} of ${path} is told at its field, never a fault of ours`, async () => {
        for (const value of wrong) {
          const { status, problem, type } = await post(path, JSON.stringify({ ...sound, [field]: value }))
          expect(
            [201, 400, 404, 422],
            `${field} = ${JSON.stringify(value).slice(0, 40)}: ${problem.detail}`,
          ).to.include(status)
          if (status !== 400) continue
          expect(type).to.equal('application/problem+json; charset=utf-8')
          expect(problem.errors?.every((error) => error.message.length > 0)).to.equal(true)
          expect(
            problem.errors?.some(
              (error) => error.field.startsWith(field) || field === 'naohPurity' || error.field === 'setDaysMax',
            ),
            JSON.stringify(problem),
          ).to.equal(true)
        }
      })
    }
  }

  it('is not JSON at all', async () => {
    const { status, problem } = await post('/api/recipes', '{"name": ')
    expect(status).to.equal(400)
    expect(problem.title).to.equal('Not understood')
    expect((await post('/api/recipes', '')).status).to.equal(400)
    expect((await post('/api/recipes', '[]')).status).to.equal(400)
  })

  it('is too large', async () => {
    const { status, problem } = await post('/api/recipes', JSON.stringify({ ...aRecipe, notes: 'x'.repeat(2_000_000) }))
    expect(status).to.equal(413)
    expect(problem.title).to.equal('Too large')
  })

  it('comes from another site, or under a name that is not ours', async () => {
    expect((await post('/api/makers', '{"name":"Eve"}', { Origin: 'http://elsewhere.example' })).status).to.equal(403)
    const { hostname, port } = new URL(workshop.url)
    const { request } = await import('node:http')
    const status = await new Promise((resolve) =>
      request({ hostname, port, path: '/api/season', headers: { Host: 'elsewhere.example' } }, (response) =>
        resolve(response.statusCode),
      ).end(),
    )
    expect(status).to.equal(403)
  })

  it('asks for what there is not', async () => {
    const response = await fetch(`${workshop.url}/api/nothing`)
    expect(response.status).to.equal(404)
    expect(((await response.json()) as Problem).detail).to.equal('There is nothing at /api/nothing.')
  })
})

describe('the API', () => {
  it('serves every endpoint of the contract and sets a strict policy', async () => {
    const workshop = await openTestWorkshop()
    try {
      for (const { method, path } of allEndpoints()) {
        const response = await fetch(workshop.url + path.replace(/:\w+/g, 'x'), { method: method.toUpperCase() })
        const detail = response.headers.get('content-type')?.includes('problem')
          ? ((await response.json()) as Problem).detail
          : ''
        expect(detail, `${method} ${path}`).not.to.contain('There is nothing at')
      }
      const health = await fetch(`${workshop.url}/api/health`)
      expect(await health.json()).to.deep.equal({ status: 'ok', version: '0.1.0', today: '2027-03-08' })
      const policy = health.headers.get('content-security-policy') ?? ''
      expect(policy).to.contain("script-src 'self'").and.not.to.contain('unsafe')
      expect(health.headers.get('x-powered-by')).to.equal(null)
    } finally {
      await workshop.close()
    }
  })
})
