import { datedSeason } from '@vendange/core/season'
import type { Problem } from '@vendange/contract'
import { allEndpoints, blankMaker, blankOrder, blankOwnFat, endpoints } from '@vendange/contract'
import { expect } from 'chai'
import { sql } from 'drizzle-orm'
import { pourUpTo } from './pouring'
import type { TestWorkshop } from './workshopAtTest'
import { aCollection, aDesign, aMould, aRecipe, firstDay, furnish, openTestWorkshop, problemOf } from './workshopAtTest'

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

  const wrong: readonly unknown[] = [
    -1,
    1e12,
    2 ** 53,
    -(2 ** 53),
    '9027-03-10',
    null,
    '',
    'twelve',
    '12 oz',
    [],
    {},
    true,
    '<b>x</b>'.repeat(400),
  ]
  const things: readonly (readonly [string, object])[] = [
    ['/api/recipes', aRecipe],
    ['/api/moulds', aMould],
    ['/api/fats', { ...blankOwnFat, name: 'Pumpkin-seed oil' }],
    ['/api/collections', aCollection],
    ['/api/designs', { ...aDesign, collectionId: 'c', recipeId: null, mouldId: null }],
    ['/api/makers', { ...blankMaker, name: 'Bram' }],
    ['/api/batches', { designId: 'd', pourDay: '2027-03-10' }],
    ['/api/orders', { ...blankOrder, client: 'Rowing club', dueDay: '2027-05-10' }],
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

  it('leaves the season as quick and as sound as it was', async () => {
    const view = await workshop.api(endpoints.season)
    expect(view.moulds.length).to.be.above(1)
    expect(datedSeason(view).problem.days).to.be.below(2000)
  })

  describe('a day out of reach', () => {
    const pourOn = async (pourDay: string) => {
      const { designs } = await workshop.api(endpoints.season)
      return post('/api/batches', JSON.stringify({ designId: designs[0]?.id, pourDay }))
    }

    it('of the next millennium is no day to write down', async () => {
      const { status, problem } = await pourOn('9027-03-10')
      expect(status).to.equal(400)
      expect(problem.errors?.[0]).to.deep.include({ field: 'pourDay' })
    })

    it('some decades on is no day to plan', async () => {
      const { status, problem } = await pourOn('2090-03-10')
      expect(status).to.equal(422)
      expect(problem.detail).to.equal('That day is more than 1000 days away. Choose a nearer one.')
    })

    it('of a release makes no long season', async () => {
      const { api } = workshop
      const far = await api(endpoints.collections.create, {
        body: { ...aCollection, name: 'Time capsule', releaseLocal: '2099-12-31T12:00' },
      })
      const { recipes, moulds } = await api(endpoints.season)
      const soap = await api(endpoints.designs.create, {
        body: { ...aDesign, collectionId: far.id, recipeId: recipes[0]?.id ?? '', mouldId: moulds[0]?.id ?? '' },
      })
      const batch = await api(endpoints.batches.create, { body: { designId: soap.id, pourDay: '2027-03-20' } })
      expect(datedSeason(await api(endpoints.season)).problem.days).to.be.below(2000)
      const { version } = batch
      const late = { pourDay: '2027-03-21', cutDay: '2099-03-21', version }
      const refusal = await problemOf(api(endpoints.batches.move, { params: { id: batch.id }, body: late }))
      expect(refusal).to.deep.include({ status: 422 })
      expect(refusal.errors?.[0]).to.deep.include({ field: 'cutDay' })
      await api(endpoints.batches.remove, { params: { id: batch.id }, body: { version } })
    })
  })

  describe('at the bench, in a loaf’s record, and of the workshop itself', () => {
    let loafId: string
    let batchId: string
    let details: object
    before(async () => {
      const { api } = workshop
      const season = await api(endpoints.season)
      const { version, ...rest } = season.workshop
      details = { ...rest, version }
      const designId = season.designs[0]?.id ?? ''
      const poured = await api(endpoints.batches.create, { body: { designId, pourDay: firstDay } })
      await pourUpTo(workshop, poured.id, null)
      loafId = (await api(endpoints.batches.finish, { params: { id: poured.id } })).loafIds[0] ?? ''
      await api(endpoints.loaves.record, {
        params: { id: loafId },
        body: { type: 'unmoulded', day: firstDay, version: 1 },
      })
      batchId = (await api(endpoints.batches.create, { body: { designId, pourDay: firstDay } })).id
      await pourUpTo(workshop, batchId, 'fat:olive')
    })

    async function refusedInEveryField(
      method: string,
      path: string,
      sound: object,
      mayHold: readonly string[] = [],
    ): Promise<void> {
      for (const field of Object.keys(sound)) {
        for (const value of wrong) {
          const response = await fetch(workshop.url + path, {
            method,
            body: JSON.stringify({ ...sound, [field]: value }),
            headers: { 'Content-Type': 'application/json', 'X-Vendange-Maker': workshop.makerId ?? '' },
          })
          const problem = (await response.json()) as Problem
          const what = `${field} = ${JSON.stringify(value).slice(0, 40)}: ${response.status} ${problem.detail}`
          if (response.ok) expect(mayHold, what).to.include(field)
          else expect([400, 409, 422], what).to.include(response.status)
        }
      }
    }

    it('a step is refused or told', () =>
      refusedInEveryField('POST', `/api/batches/${batchId}/steps`, { stepKey: 'fat:olive', actual: 381 }))

    it('a cut is refused or told', async () => {
      const cut = { type: 'cut', day: firstDay, version: 2, bars: 5, ends: 2, firstBarG: 119, bevelled: false }
      await refusedInEveryField('POST', `/api/loaves/${loafId}/events`, cut, ['bevelled'])
    })

    it('the workshop is refused or told, and stays as it was', async () => {
      await refusedInEveryField('PUT', '/api/workshop', details, ['exceptions', 'name'])
      const { workshop: after } = await workshop.api(endpoints.season)
      expect(after.weekStartMin).to.have.length(7)
      expect(after.scaleResolutionG).to.equal(1)
    })
  })

  describe('who is at work', () => {
    it('is somebody who still works here, and somebody always does', async () => {
      const { api } = workshop
      const [ilse] = (await api(endpoints.season)).makers
      const bram = await api(endpoints.makers.create, { body: { ...blankMaker, name: 'Bram' } })
      const remove = (id: string, version: number) =>
        api(endpoints.makers.remove, { params: { id }, body: { version } })
      for (const one of (await api(endpoints.season)).makers)
        if (one.id !== bram.id && one.id !== ilse?.id) await remove(one.id, one.version)
      const gone = await remove(bram.id, bram.version)
      const { status, problem } = await post('/api/season/ticks', '{"day":"2027-03-10","taskKey":"x","isDone":true}', {
        'X-Vendange-Maker': bram.id,
      })
      expect([status, problem.detail]).to.deep.equal([
        422,
        'Bram was taken out of this workshop. Choose who is at work.',
      ])
      expect((await problemOf(remove(ilse?.id ?? '', ilse?.version ?? 0))).detail).to.contain('add another maker first')
      await api(endpoints.makers.restore, { params: { id: bram.id }, body: { version: gone.version } })
    })
  })

  it('is half a character, a sign that steers a machine, or no id at all', async () => {
    const half = await post('/api/collections', JSON.stringify({ ...aCollection, name: 'x\ud800' }))
    expect([half.status, half.problem.errors?.[0]?.field]).to.deep.equal([400, 'name'])
    const zero = await post('/api/collections', JSON.stringify({ ...aCollection, theme: 'a\u0000b' }))
    expect([zero.status, zero.problem.errors?.[0]?.field]).to.deep.equal([400, 'theme'])
    for (const id of ['..%2f', '%00', 'a%20b', 'x'.repeat(65)])
      expect((await fetch(`${workshop.url}/api/loaves/${id}`)).status, id).to.equal(404)
    for (const after of ['1e999', 'x', '0.5', '99999999999999999999'])
      expect((await fetch(`${workshop.url}/api/shop/sales/${after}`)).status, after).to.equal(404)
    for (const id of ['1e999', '-1', 'x'])
      expect((await fetch(`${workshop.url}/api/damage/${id}`, { method: 'POST' })).status, id).to.be.oneOf([200, 404])
    const { status } = await post('/api/season/ticks', '{"day":"2027-03-10","taskKey":"x","isDone":true}', {
      'X-Vendange-Maker': '__proto__ x',
    })
    expect(status).to.equal(422)
    const rows = await post('/api/stores/lines', '{"rows":0.3}')
    expect(rows.status).to.equal(400)
    const nulls = await post('/api/collections', JSON.stringify({ ...aCollection, early: [null], palette: [null] }))
    expect(nulls.status).to.equal(400)
  })

  it('points at a mould or a soap that there is not', async () => {
    const { collections, recipes, moulds } = await workshop.api(endpoints.season)
    const parts = {
      collectionId: collections[0]?.id ?? '',
      recipeId: recipes[0]?.id ?? '',
      mouldId: moulds[0]?.id ?? '',
    }
    const made = (over: object) => post('/api/designs', JSON.stringify({ ...aDesign, ...parts, ...over }))
    const more = await made({
      moreMoulds: [
        { mouldId: moulds[0]?.id, count: 1 },
        { mouldId: 'none', count: 1 },
      ],
    })
    expect([more.status, more.problem.errors?.[0]?.field]).to.deep.equal([422, 'moreMoulds[1].mouldId'])
    const brought = await made({ broughtFromId: 'none' })
    expect([brought.status, brought.problem.errors?.[0]?.field]).to.deep.equal([422, 'broughtFromId'])
    // Behind the server's back too it takes no page with it.
    await workshop.database.write((transaction) =>
      transaction.run(sql`UPDATE designs SET more_moulds = '[{"mouldId":"none","count":1}]'`),
    )
    expect((await fetch(`${workshop.url}/api/stores`)).status).to.equal(200)
    await workshop.database.write((transaction) => transaction.run(sql`UPDATE designs SET more_moulds = '[]'`))
  })

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

  it('is asked for by a page of another site, and is kept by nobody', async () => {
    const { hostname, port } = new URL(workshop.url)
    const { request } = await import('node:http')
    const from = (site: string) =>
      new Promise<readonly [number | undefined, string | undefined]>((resolve) =>
        request({ hostname, port, path: '/api/season', headers: { 'Sec-Fetch-Site': site } }, (response) => {
          response.resume()
          resolve([response.statusCode, response.headers['cache-control']])
        }).end(),
      )
    expect(await from('cross-site')).to.deep.equal([403, undefined])
    expect(await from('same-site')).to.deep.equal([403, undefined])
    expect(await from('same-origin')).to.deep.equal([200, 'no-store'])
    expect(await from('none')).to.deep.equal([200, 'no-store'])
    const policy = (await fetch(`${workshop.url}/api/health`)).headers.get('permissions-policy') ?? ''
    expect(policy).to.contain('camera=(self)').and.contain('geolocation=()')
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
      // No script that is written into a page or made on it; what reads codes is a WebAssembly of our own.
      expect(policy).to.contain("script-src 'self' 'wasm-unsafe-eval';")
      expect(policy.replace("'wasm-unsafe-eval'", '')).not.to.contain('unsafe')
      expect(health.headers.get('x-powered-by')).to.equal(null)
    } finally {
      await workshop.close()
    }
  })
})
