import { expect } from 'chai'
import { createClient, endpoints, ProblemError } from '../src'

const answering = (status: number, body: unknown, seen: { url?: string; init?: RequestInit } = {}): typeof fetch =>
  ((url: string, init: RequestInit) => {
    seen.url = url
    seen.init = init
    return Promise.resolve(new Response(typeof body === 'string' ? body : JSON.stringify(body), { status }))
  }) as typeof fetch

async function problemOf(work: Promise<unknown>): Promise<ProblemError> {
  try {
    await work
  } catch (error) {
    if (error instanceof ProblemError) return error
    throw error
  }
  throw new Error('Expected a problem, got success')
}

describe('createClient', () => {
  it('fills the path, sends JSON and names the maker', async () => {
    const seen: { url?: string; init?: RequestInit } = {}
    const api = createClient({ baseUrl: 'http://here', makerId: () => 'm1', fetch: answering(200, { ok: 1 }, seen) })
    const reply = await api(endpoints.batches.move, {
      params: { id: 'a/b' },
      body: { pourDay: '2027-03-10', cutDay: null, version: 1 },
    })
    expect(reply).to.deep.equal({ ok: 1 })
    expect(seen.url).to.equal('http://here/api/batches/a%2Fb')
    expect(seen.init?.method).to.equal('PUT')
    expect(seen.init?.headers).to.deep.equal({ 'X-Vendange-Maker': 'm1', 'Content-Type': 'application/json' })
    expect(seen.init?.body).to.equal('{"pourDay":"2027-03-10","cutDay":null,"version":1}')
  })

  it('keeps the status where something in between answers in words of its own, or in none', async () => {
    for (const body of ['{"message":"busy"}', 'null', '<html>busy</html>', '{"status":200}']) {
      const { problem } = await problemOf(createClient({ fetch: answering(503, body) })(endpoints.season))
      expect(problem.status, body).to.equal(503)
      expect(problem.detail, body).to.be.a('string')
    }
  })

  it('throws the problem that the server tells', async () => {
    const told = { type: 'about:blank', title: 'Not found', status: 404, detail: 'There is no such pour.' }
    const api = createClient({ fetch: answering(404, told) })
    const error = await problemOf(api(endpoints.batches.view, { params: { id: 'x' } }))
    expect(error.name).to.equal('ProblemError')
    expect(error.problem).to.deep.equal(told)
  })

  it('makes a problem of an answer that is none', async () => {
    const api = createClient({ fetch: answering(502, '<html>') })
    expect((await problemOf(api(endpoints.season))).problem.status).to.equal(502)
  })

  it('gives up on a network that swallows what is sent', async () => {
    const swallowing = ((_: string, { signal }: RequestInit) =>
      new Promise((_done, fail) => {
        signal?.addEventListener('abort', () => fail(new Error('given up')))
      })) as typeof fetch
    // A timer of this kind keeps no process alive; the test does.
    const awake = setInterval(() => undefined, 1000)
    const { problem } = await problemOf(createClient({ fetch: swallowing, withinMs: 5 })(endpoints.season))
    clearInterval(awake)
    expect(problem.status).to.equal(0)
  })

  it('tells status 0 when the server was not reached', async () => {
    const api = createClient({ fetch: () => Promise.reject(new TypeError('refused')) })
    const { problem } = await problemOf(api(endpoints.season))
    expect(problem.status).to.equal(0)
    expect(problem.detail).to.contain('What you typed is still here')
  })
})
