import type { InvitationView, OwnScreen, Problem, Role, ScreensView, SeasonView } from '@vendange/contract'
import {
  allEndpoints,
  blankMaker,
  blankOrder,
  createClient,
  endpoints,
  roles,
  rolesOf,
  tokenHeader,
} from '@vendange/contract'
import { expect } from 'chai'
import { readdirSync, readFileSync, statSync } from 'node:fs'
import { request } from 'node:https'
import type { Socket } from 'node:net'
import { join } from 'node:path'
import { ownNames } from '../../src/screens/certificate'
import { isFromNetwork } from '../../src/screens/guard'
import { limits } from '../../src/screens/rateLimits'
import { tokenOf } from '../../src/screens/secrets'
import type { TestWorkshop } from '../workshopAtTest'
import { keepingCookies, openTestWorkshop, problemOf } from '../workshopAtTest'

interface Answer {
  readonly status: number
  readonly body: unknown
  readonly cookie: string | undefined
  readonly headers: Readonly<Record<string, unknown>>
}

interface Asked {
  readonly method?: string
  readonly cookie?: string | undefined
  readonly body?: unknown
  readonly headers?: Readonly<Record<string, string>>
}

/** Asks over the local network as a browser does that trusts the workshop's authority. */
function ask(address: string, authority: string, path: string, asked: Asked = {}): Promise<Answer> {
  const { method = 'GET', cookie, body, headers = {} } = asked
  const content = body === undefined ? undefined : JSON.stringify(body)
  return new Promise((resolve, reject) => {
    const sent = request(
      address + path,
      {
        method,
        ca: authority,
        // A name made to point here is found out by the workshop, not by the certificate alone.
        ...(headers['Host'] === undefined ? {} : { checkServerIdentity: () => undefined }),
        headers: {
          ...(cookie === undefined ? {} : { Cookie: cookie, [tokenHeader]: tokenOf(cookie.split('=')[1] ?? '') }),
          ...(content === undefined
            ? {}
            : { 'Content-Type': 'application/json', 'Content-Length': Buffer.byteLength(content) }),
          ...headers,
        },
      },
      (response) => {
        const chunks: Buffer[] = []
        response.on('data', (chunk: Buffer) => chunks.push(chunk))
        response.on('end', () => {
          const text = Buffer.concat(chunks).toString()
          const isJson = String(response.headers['content-type']).includes('json')
          resolve({
            status: response.statusCode ?? 0,
            body: isJson ? JSON.parse(text) : text,
            cookie: response.headers['set-cookie']?.[0]?.split(';')[0],
            headers: response.headers,
          })
        })
        response.on('error', reject)
      },
    )
    sent.on('error', reject)
    sent.end(content)
  })
}

describe('screens of the local network', function () {
  this.timeout(60_000)
  let workshop: TestWorkshop
  let address: string
  let authority: string
  let makerId: string
  const pin = '48151'

  const far = (path: string, asked?: Asked): Promise<Answer> => ask(address, authority, path, asked)
  const invite = (role: Role, name = `A screen for ${role}`): Promise<InvitationView> =>
    workshop.api(endpoints.screens.invite, { body: { name, role } })
  const codeOf = ({ address: link }: InvitationView): string => link.split('#')[1] ?? ''
  const pair = (code: string): Promise<Answer> => far('/api/screens/pair', { method: 'POST', body: { code } })
  const signIn = (cookie: string | undefined, typed: string): Promise<Answer> =>
    far('/api/screens/sign-in', { method: 'POST', cookie, body: { makerId, pin: typed } })
  /** A screen that was let in, and somebody signed in on it. */
  async function screenOf(role: Role): Promise<string> {
    const paired = await pair(codeOf(await invite(role)))
    const signed = await signIn(paired.cookie, pin)
    expect(signed.status).to.equal(200)
    return signed.cookie ?? ''
  }

  before(async () => {
    workshop = await openTestWorkshop()
    // Until a maker has a PIN the computer itself asks nobody.
    expect(await workshop.api(endpoints.screens.own)).to.deep.include({ name: null, role: 'owner', makerId: null })
    expect((await workshop.api(endpoints.season)).makers).to.deep.equal([])
    makerId = (await workshop.api(endpoints.makers.create, { body: { ...blankMaker, name: 'Ilse' } })).id
    await workshop.api(endpoints.screens.setPin, { params: { id: makerId }, body: { pin } })
    const opened = await workshop.api(endpoints.screens.network, { body: { isOpen: true } })
    address = opened.address ?? ''
    authority = readFileSync(join(workshop.folder, 'certificates/authority.crt'), 'utf8')
  })
  after(() => workshop.close())

  it('takes nobody for the computer itself who comes from elsewhere, encrypted or not', () => {
    const from = (remoteAddress: string, encrypted = false) =>
      isFromNetwork({ socket: { remoteAddress, encrypted } as unknown as Socket })
    for (const address of ['127.0.0.1', '127.0.3.2', '::1', '::ffff:127.0.0.1']) expect(from(address)).to.equal(false)
    for (const address of ['192.168.1.20', '::ffff:192.168.1.20', '10.127.0.1', 'fe80::1', ''])
      expect(from(address), address).to.equal(true)
    expect(from('127.0.0.1', true)).to.equal(true)
  })

  it('takes who gave the first PIN at the computer for that maker, and asks everybody else there for theirs', async () => {
    const own = await workshop.api(endpoints.screens.own)
    expect(own).to.deep.include({ name: null, role: 'owner', makerId })
    const elsewhere = createClient({ baseUrl: workshop.url, makerId: () => makerId, fetch: keepingCookies() })
    expect((await problemOf(elsewhere(endpoints.season))).status).to.equal(401)
    expect((await problemOf(elsewhere(endpoints.backups.list))).status).to.equal(401)
    const asked = await elsewhere(endpoints.screens.own)
    expect([asked.makerId, asked.makers.map(({ id }) => id)]).to.deep.equal([null, [makerId]])
    const wrong = elsewhere(endpoints.screens.signIn, { body: { makerId, pin: '0000' } })
    expect((await problemOf(wrong)).status).to.equal(422)
    await elsewhere(endpoints.screens.signIn, { body: { makerId, pin } })
    expect((await elsewhere(endpoints.season)).today).to.equal('2027-03-08')
    workshop.setDay('2027-03-09')
    expect((await problemOf(elsewhere(endpoints.season))).status).to.equal(401)
    workshop.setDay('2027-03-08')
    await elsewhere(endpoints.screens.signIn, { body: { makerId, pin } })
    await elsewhere(endpoints.screens.signOut)
    expect((await problemOf(elsewhere(endpoints.season))).status).to.equal(401)
  })

  it('puts the maker on a record of the computer itself who signed in there, never a header', async () => {
    const { id } = await workshop.api(endpoints.makers.create, { body: { ...blankMaker, name: 'Nora' } })
    const asNora = createClient({ baseUrl: workshop.url, makerId: () => id, fetch: keepingCookies() })
    await asNora(endpoints.screens.signIn, { body: { makerId, pin } })
    const { ticks } = await asNora(endpoints.tickTask, {
      body: { day: '2027-03-07', taskKey: 'set-up:2027-03-07', isDone: true },
    })
    expect(ticks.find(({ day }) => day === '2027-03-07')?.makerName).to.equal('Ilse')
  })

  it('stands under a certificate of its own authority, and keeps it', async () => {
    const answer = await far('/api/screens/authority.crt')
    expect(answer.status).to.equal(200)
    expect(answer.body).to.equal(authority)
    expect(answer.headers['strict-transport-security']).to.match(/^max-age=\d+/)
    await workshop.api(endpoints.screens.network, { body: { isOpen: false } })
    const again = await workshop.api(endpoints.screens.network, { body: { isOpen: true } })
    address = again.address ?? ''
    expect(readFileSync(join(workshop.folder, 'certificates/authority.crt'), 'utf8')).to.equal(authority)
    expect((await far('/api/screens/authority.crt')).status).to.equal(200)
  })

  it('gives a screen that was not let in nothing', async () => {
    for (const endpoint of allEndpoints()) {
      if (endpoint === endpoints.screens.pair || endpoint === endpoints.screens.authority) continue
      const { status } = await far(endpoint.path.replace(/:\w+/g, 'x'), { method: endpoint.method.toUpperCase() })
      expect(status, endpoint.path).to.equal(401)
    }
    expect((await far('/api/nothing')).status).to.equal(401)
  })

  it('lets a screen in once by its code, and not after five minutes', async () => {
    const code = codeOf(await invite('helper'))
    const paired = await pair(code)
    expect(paired.status).to.equal(200)
    expect(paired.body as OwnScreen).to.deep.include({ name: 'A screen for helper', role: 'helper', makerId: null })
    expect((await pair(code)).status).to.equal(403)
    expect((await pair('ABCDEFGHIJKLMNOP')).status).to.equal(403)
    const late = codeOf(await invite('helper'))
    workshop.setDay('2027-03-09')
    expect((await pair(late)).status).to.equal(403)
    workshop.setDay('2027-03-08')
  })

  it('hands out a cookie that no script reads and no other site sends', async () => {
    const { headers } = await pair(codeOf(await invite('stall')))
    const [cookie] = headers['set-cookie'] as readonly string[]
    for (const part of ['__Host-vendange=', 'HttpOnly', 'Secure', 'SameSite=Strict', 'Path=/'])
      expect(cookie).to.include(part)
  })

  it('lets each role do what the table says, and nothing else', async () => {
    for (const role of roles) {
      const cookie = await screenOf(role)
      for (const endpoint of allEndpoints()) {
        // What puts the door or the screen out would end the test, and what is told of changes never ends.
        const { network, signOut } = endpoints.screens
        if (([network, signOut, endpoints.instruments.lines, endpoints.changes] as unknown[]).includes(endpoint))
          continue
        const path = endpoint.path.replace(/:\w+/g, 'x')
        const body = endpoint.takesMessage ? {} : undefined
        const { status } = await far(path, { method: endpoint.method.toUpperCase(), cookie, body })
        const isForbidden = !rolesOf(endpoint).includes(role)
        if (endpoint === endpoints.screens.pair) expect(status).to.equal(400)
        else if (isForbidden) expect(status, `${role} at ${endpoint.path}`).to.equal(403)
        else expect(status, `${role} at ${endpoint.path}`).not.to.be.oneOf([401, 403])
      }
    }
  })

  it('tells a helper and a stall of no order and no buyer', async () => {
    await workshop.api(endpoints.orders.create, {
      body: { ...blankOrder, client: 'Harbour Inn', dueDay: '2027-05-01' },
    })
    const seen = async (role: Role): Promise<string> =>
      JSON.stringify((await far('/api/season', { cookie: await screenOf(role) })).body)
    for (const role of ['owner', 'maker'] as const) expect(await seen(role), role).to.contain('Harbour Inn')
    for (const role of ['helper', 'stall'] as const) expect(await seen(role), role).not.to.contain('Harbour Inn')
  })

  it('lets a helper weigh, and neither release nor sell', async () => {
    const cookie = await screenOf('helper')
    const record = (body: unknown): Promise<Answer> => far('/api/loaves/none/events', { method: 'POST', cookie, body })
    expect((await record({ type: 'noted', day: '2027-03-08', text: 'Soft' })).status).not.to.equal(403)
    expect((await record(undefined)).status).to.equal(400)
    expect((await record({ type: 'recalled', day: '2027-03-08', reason: 'No' })).status).to.equal(403)
  })

  it('asks for a PIN before anything is done, and puts the maker on the record who signed in', async () => {
    const paired = await pair(codeOf(await invite('maker')))
    expect((await far('/api/season', { cookie: paired.cookie })).status).to.equal(401)
    const signed = await signIn(paired.cookie, pin)
    expect(signed.cookie).not.to.equal(paired.cookie)
    // The secret of before lets nobody in any more.
    expect((await far('/api/screens/own', { cookie: paired.cookie })).status).to.equal(401)
    const other = await workshop.api(endpoints.makers.create, { body: { ...blankMaker, name: 'Bram' } })
    const ticked = await far('/api/season/ticks', {
      method: 'POST',
      cookie: signed.cookie,
      body: { day: '2027-03-08', taskKey: 'set-up:2027-03-08', isDone: true },
      headers: { 'X-Vendange-Maker': other.id },
    })
    const { ticks } = ticked.body as Pick<SeasonView, 'ticks'>
    expect(ticks.find(({ day }) => day === '2027-03-08')?.makerName).to.equal('Ilse')
  })

  it('locks a PIN after five wrong ones, for longer and longer', async () => {
    const { id } = await workshop.api(endpoints.makers.create, { body: { ...blankMaker, name: 'Mara' } })
    await workshop.api(endpoints.screens.setPin, { params: { id }, body: { pin: '2222' } })
    const { cookie } = await pair(codeOf(await invite('helper')))
    const tryPin = (typed: string): Promise<Answer> =>
      far('/api/screens/sign-in', { method: 'POST', cookie, body: { makerId: id, pin: typed } })
    for (let wrong = 0; wrong < 5; wrong++) expect((await tryPin('1111')).status).to.equal(422)
    const locked = await tryPin('2222')
    expect(locked.status).to.equal(429)
    expect((locked.body as Problem).detail).to.include('wait a minute')
    workshop.setDay('2027-03-09')
    expect((await tryPin('1111')).status).to.equal(422)
    expect(((await tryPin('2222')).body as Problem).detail).to.include('wait 2 minutes')
    workshop.setDay('2027-03-10')
    expect((await tryPin('2222')).status).to.equal(200)
    workshop.setDay('2027-03-08')
  })

  it('gives many tries at once no more than one after the other', async () => {
    const { id } = await workshop.api(endpoints.makers.create, { body: { ...blankMaker, name: 'Odile' } })
    await workshop.api(endpoints.screens.setPin, { params: { id }, body: { pin: '3333' } })
    const { cookie } = await pair(codeOf(await invite('helper')))
    const tries = Array.from({ length: 20 }, () =>
      far('/api/screens/sign-in', { method: 'POST', cookie, body: { makerId: id, pin: '1111' } }),
    )
    const statuses = (await Promise.all(tries)).map(({ status }) => status)
    expect(statuses.filter((status) => status === 422).length).to.be.within(1, 5)
    expect(statuses.filter((status) => status !== 422 && status !== 429)).to.deep.equal([])
  })

  it('forgets who signed in after hours without a touch', async () => {
    const cookie = await screenOf('maker')
    expect((await far('/api/season', { cookie })).status).to.equal(200)
    workshop.setDay('2027-03-09')
    expect((await far('/api/season', { cookie })).status).to.equal(401)
    workshop.setDay('2027-03-08')
  })

  it('puts a screen out at once, and writes down who did what', async () => {
    const paired = await pair(codeOf(await invite('stall', 'The till')))
    const { cookie } = await signIn(paired.cookie, pin)
    const { screens } = await workshop.api(endpoints.screens.list)
    const till = screens.find(({ name }) => name === 'The till')
    expect((await far('/api/stores', { cookie })).status).to.equal(200)
    const left: ScreensView = await workshop.api(endpoints.screens.putOut, { params: { id: till?.id ?? '' } })
    expect(left.screens.map(({ name }) => name)).not.to.include('The till')
    expect((await far('/api/stores', { cookie })).status).to.equal(401)
    const told = (await workshop.api(endpoints.screens.deeds)).slice(0, 4).map(({ screen, what }) => [screen, what])
    expect(told).to.deep.equal([
      [null, 'Put The till out'],
      ['The till', 'Signed in'],
      ['The till', 'Was let in'],
      [null, 'Asked The till in as stall'],
    ])
  })

  it('changes nothing for who does not know the token, and lets them read', async () => {
    const cookie = await screenOf('owner')
    const body = { ...blankMaker, name: 'Forged' }
    for (const token of ['', 'guessed', tokenOf('another secret')]) {
      const headers = { [tokenHeader]: token }
      expect((await far('/api/makers', { method: 'POST', cookie, body, headers })).status).to.equal(403)
      expect((await far('/api/season', { cookie, headers })).status).to.equal(200)
    }
    expect((await far('/api/makers', { method: 'POST', cookie, body })).status).to.equal(201)
    // At the computer itself too, once somebody has signed in there.
    const seat = keepingCookies()
    await createClient({ baseUrl: workshop.url, fetch: seat })(endpoints.screens.signIn, { body: { makerId, pin } })
    const forged = createClient({ baseUrl: workshop.url, token: () => 'guessed', fetch: seat })
    expect((await forged(endpoints.season)).makers.map(({ name }) => name)).to.include('Forged')
    expect((await problemOf(forged(endpoints.makers.create, { body }))).status).to.equal(403)
  })

  it('answers no page of another address', async () => {
    const cookie = await screenOf('stall')
    const headers = { Origin: 'https://elsewhere.example' }
    expect((await far('/api/stores', { cookie, headers })).status).to.equal(403)
    expect((await far('/api/stores', { cookie, headers: { Host: 'elsewhere.example' } })).status).to.equal(403)
    expect((await far('/api/stores', { cookie, headers: { 'Sec-Fetch-Site': 'cross-site' } })).status).to.equal(403)
  })

  it('answers to the names of this computer that its certificate holds, too', async () => {
    const cookie = await screenOf('stall')
    const { port } = new URL(address)
    for (const name of ownNames())
      expect((await far('/api/stores', { cookie, headers: { Host: `${name}:${port}` } })).status, name).to.equal(200)
  })

  it('keeps no PIN and no secret where others read', async () => {
    const cookie = await screenOf('owner')
    const archive = await far('/api/archive', { cookie })
    expect(archive.status).to.equal(200)
    for (const name of ['access.sqlite', 'pepper']) {
      const mode = statSync(join(workshop.folder, name)).mode & 0o777
      expect(mode.toString(8), name).to.equal('600')
    }
    const [last] = await workshop.api(endpoints.screens.deeds)
    expect(last).to.deep.include({ what: 'Took all out as an archive', maker: 'Ilse', screen: 'A screen for owner' })
    const secret = cookie.split('=')[1] ?? 'none'
    const files = readdirSync(workshop.folder).filter((name) => name.startsWith('access.sqlite'))
    expect(files.some((name) => readFileSync(join(workshop.folder, name)).includes(secret))).to.equal(false)
  })

  it('asks nobody in while it is closed', async () => {
    await workshop.api(endpoints.screens.network, { body: { isOpen: false } })
    const problem = await problemOf(invite('helper'))
    expect(problem.detail).to.equal('Open the workshop to other screens first.')
    const { address: again } = await workshop.api(endpoints.screens.network, { body: { isOpen: true } })
    address = again ?? ''
  })

  it('asks an address of the network to wait that asks for much at once, and never the computer itself', async () => {
    const cookie = await screenOf('owner')
    const statuses: number[] = []
    for (let count = 0; count <= limits.archive.most; count++)
      statuses.push((await far('/api/archive', { cookie })).status)
    expect(statuses.at(-1)).to.equal(429)
    expect((await far('/api/stores', { cookie })).status).to.equal(200)
    expect((await fetch(`${workshop.url}/api/archive`)).status).to.equal(401)
  })
})
