import type { Problem } from '@vendange/contract'
import { expect } from 'chai'
import express from 'express'
import type { Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { pino } from 'pino'
import { notFound, refused, stale, unprocessable } from '../src/parts/problems'
import { asLogged } from '../src/parts/logging'
import { problemHandler } from '../src/parts/serve'
import { quantity, refuse, sentence, tell } from '@vendange/core/findings'
import { plainReading, sayFor } from '@vendange/words'

describe('problemHandler', () => {
  const logged: unknown[] = []
  let server: Server
  let url: string
  const failures: Readonly<Record<string, unknown>> = {
    '/bug': new Error('a secret path: /srv/keys'),
    '/missing': notFound(sentence('no_such', { thing: 'pour' })),
    '/stale': stale('recipe', { name: 'Newer', version: 2 }),
    '/refused': refused([
      tell('fat_off_plan', { told: 'Only a fact.' }),
      refuse('superfat_range', { most: quantity.share(0.3) }, 'superfat'),
    ]),
    '/plain': unprocessable(sentence('on_calendar')),
  }

  before(async () => {
    const app = express()
    app.use((request) => {
      throw failures[request.path]
    })
    const logger = pino({ hooks: { logMethod: (given) => void logged.push(given[0]) } })
    app.use(problemHandler(logger, () => Promise.resolve(sayFor(plainReading))))
    server = await new Promise((resolve) => {
      const listening = app.listen(0, '127.0.0.1', () => resolve(listening))
    })
    url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  })
  after(() => server.close())

  const ask = async (
    path: string,
  ): Promise<{ readonly status: number; readonly type: string | null; readonly problem: Problem }> => {
    const response = await fetch(url + path)
    return {
      status: response.status,
      type: response.headers.get('content-type'),
      problem: (await response.json()) as Problem,
    }
  }

  it('tells nothing of our own faults, but logs them', async () => {
    const { status, problem } = await ask('/bug')
    expect(status).to.equal(500)
    expect(JSON.stringify(problem)).not.to.contain('secret')
    expect(problem.detail).to.contain('Nothing was changed')
    expect(logged).to.have.length(1)
    expect(logged[0]).to.deep.include({ name: 'Error', message: 'a secret path: /srv/keys' })
  })

  it('logs where a query failed and why, and nothing of what it asked with', () => {
    const cause = new Error('SQLITE_ERROR: no such column: price')
    const fault = new Error('Failed query: select * from sales where buyer = ?\nparams: Ada Quillon,7 Sample Row', {
      cause,
    })
    const told = JSON.stringify(asLogged(fault))
    expect(told).to.contain('select * from sales').and.to.contain('no such column: price')
    expect(told).not.to.contain('Ada').and.not.to.contain('Sample Row')
    expect(asLogged('thrown')).to.deep.equal({ fault: 'string' })
  })

  it('answers in problem JSON with status, title and words', async () => {
    const { status, type, problem } = await ask('/missing')
    expect(type).to.equal('application/problem+json; charset=utf-8')
    expect(problem).to.deep.equal({
      type: 'about:blank',
      title: 'Not found',
      status: 404,
      detail: 'There is no such pour.',
    })
    expect(status).to.equal(problem.status)
  })

  it('brings the newer values with a conflict', async () => {
    const { status, problem } = await ask('/stale')
    expect(status).to.equal(409)
    expect(problem.current).to.deep.equal({ name: 'Newer', version: 2 })
    expect(problem.detail).to.contain('This recipe was changed meanwhile')
  })

  it('passes on what core refuses, and nothing it only tells', async () => {
    const { problem } = await ask('/refused')
    const message = 'Set the superfat from 0 % to 30 %. With more, bars stay greasy and soft.'
    expect(problem.errors).to.deep.equal([{ field: 'superfat', message }])
    expect(problem.detail).to.equal(message)
    expect((await ask('/plain')).problem.errors).to.deep.equal([])
  })
})
