import type { NewLoafEvent } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { expect } from 'chai'
import { pourUpTo } from './pouring'
import type { TestWorkshop } from './workshopAtTest'
import { firstDay, furnish, openTestWorkshop, problemOf } from './workshopAtTest'

describe('events that a screen kept while it was away', () => {
  let workshop: TestWorkshop
  let loafId: string
  beforeEach(async () => {
    workshop = await openTestWorkshop()
    const { soap } = await furnish(workshop)
    const batch = await workshop.api(endpoints.batches.create, { body: { designId: soap.id, pourDay: firstDay } })
    await pourUpTo(workshop, batch.id, null)
    loafId = (await workshop.api(endpoints.batches.finish, { params: { id: batch.id } })).loafIds[0] ?? ''
    workshop.setDay('2027-03-10')
  })
  afterEach(() => workshop.close())

  const record = (event: object) =>
    workshop.api(endpoints.loaves.record, { params: { id: loafId }, body: event as NewLoafEvent })
  const unmoulded = { type: 'unmoulded', day: '2027-03-10', version: 1, eventId: 'a-tablet-1' }

  it('takes one that comes twice once, whatever was written down since', async () => {
    await record(unmoulded)
    await record({ type: 'noted', day: '2027-03-10', version: 2, text: 'Smooth' })
    const { events, loaf } = await record(unmoulded)
    expect(events.map(({ event }) => event.type)).to.deep.equal(['poured', 'unmoulded', 'noted'])
    expect(loaf.version).to.equal(3)
  })

  it('takes it once when it comes many times at once', async () => {
    const answers = await Promise.all(Array.from({ length: 12 }, () => record(unmoulded)))
    expect(new Set(answers.map(({ loaf }) => loaf.version))).to.deep.equal(new Set([2]))
  })

  it('writes down when it happened, not when it came', async () => {
    const hours = 3
    const before = (await workshop.api(endpoints.loaves.view, { params: { id: loafId } })).events[0]
    const { events } = await record({ ...unmoulded, secondsAgo: hours * 3600 })
    const now = await record({ type: 'noted', day: '2027-03-10', version: 2, text: 'Now' })
    const at = (index: number): number => Date.parse(now.events[index]?.at ?? '')
    expect(at(2) - at(1)).to.be.within(hours * 3600_000, hours * 3600_000 + 60_000)
    expect([before?.sequence, events.length]).to.deep.equal([1, 2])
  })

  it('refuses one that had not seen what others wrote down, and says what that is', async () => {
    await record(unmoulded)
    const problem = await problemOf(
      record({ type: 'noted', day: '2027-03-10', version: 1, text: 'Mine', eventId: 'b' }),
    )
    expect(problem.status).to.equal(409)
    const { events } = problem.current as { readonly events: readonly { readonly event: { readonly type: string } }[] }
    expect(events.at(-1)?.event.type).to.equal('unmoulded')
  })
})
