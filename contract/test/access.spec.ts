import { allEndpoints, endpoints, mayRecordEvent, openApiDocument, roles, rolesOf } from '../src'
import { expect } from 'chai'

describe('who may do what', () => {
  it('says it of every endpoint, and lets the owner do all', () => {
    for (const endpoint of allEndpoints()) {
      const allowed = rolesOf(endpoint)
      expect(allowed, endpoint.path).to.include('owner')
      for (const role of allowed) expect(roles).to.include(role)
    }
    expect(() => rolesOf({ ...endpoints.health })).to.throw(RangeError)
  })

  it('keeps to the owner what changes the workshop itself, takes it out, or lets others in', () => {
    const { updateWorkshop, makers, archive, backups, damage, screens } = endpoints
    const owners = [
      updateWorkshop,
      makers.create,
      archive.make,
      archive.take,
      backups.restore,
      damage.settle,
      screens.invite,
    ]
    for (const endpoint of [...owners, screens.putOut, screens.setPin, screens.network])
      expect(rolesOf(endpoint), endpoint.path).to.deep.equal(['owner'])
  })

  it('lets a stall bring bars home, and write nothing else on a loaf’s record', () => {
    expect(mayRecordEvent('stall', 'given_back')).to.equal(true)
    expect(mayRecordEvent('helper', 'given_back')).to.equal(false)
    for (const type of ['released', 'recalled', 'sold', 'noted'] as const)
      expect(mayRecordEvent('stall', type), type).to.equal(false)
  })

  it('lets a helper write down what hands do, and nothing that is answered for', () => {
    for (const type of ['unmoulded', 'cut', 'weighed', 'finished', 'moved'] as const) {
      expect(mayRecordEvent('helper', type), type).to.equal(true)
      expect(mayRecordEvent('stall', type), type).to.equal(false)
      expect(mayRecordEvent('maker', type), type).to.equal(true)
    }
    for (const type of ['released', 'recalled', 'sold', 'amended', 'scrapped', 'held', 'failed'] as const) {
      expect(mayRecordEvent('helper', type), type).to.equal(false)
      expect(mayRecordEvent('owner', type), type).to.equal(true)
    }
  })

  it('stands in the description of the interface', () => {
    const { paths } = openApiDocument('0') as {
      readonly paths: Record<string, Record<string, Record<string, unknown>>>
    }
    for (const endpoint of allEndpoints()) {
      const told = paths[endpoint.path.replace(/:(\w+)/g, '{$1}')]?.[endpoint.method]
      expect(told?.['x-roles'], endpoint.path).to.deep.equal(rolesOf(endpoint))
    }
  })

  it('lets a stall sell and look, and change nothing else', () => {
    const changed = allEndpoints().filter((one) => one.method !== 'get' && rolesOf(one).includes('stall'))
    expect(changed.map(({ path }) => path)).to.have.members([
      '/api/screens/pair',
      '/api/screens/sign-in',
      '/api/screens/sign-out',
      '/api/allotments',
      // A question, too long for an address.
      '/api/loaves/table',
      '/api/sales',
      // What it brings home, and nothing else: see mayRecordEvent.
      '/api/loaves/:id/events',
      '/api/shop/offers',
      '/api/shop/offers/:designId/buy',
    ])
  })
})
