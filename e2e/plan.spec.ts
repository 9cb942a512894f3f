import type { Page } from '@playwright/test'
import { expect } from '@playwright/test'
import type { SeasonView } from '@vendange/contract'
import { blankCollection, createClient, endpoints } from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import { checkPlan, datedSeason } from '@vendange/core/season'
import ICAL from 'ical.js'
import { answer, saving, type } from './hands'
import { WorkshopProcess } from './server'
import { test } from './tablet'

const workshop = new WorkshopProcess()
test.beforeEach(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08')
})
test.afterEach(() => workshop.dispose())

const season = async (): Promise<SeasonView> => (await (await fetch(`${workshop.url}/api/season`)).json()) as SeasonView
const pourDayOf = async (name: string): Promise<string | undefined> =>
  (await season()).batches.find((batch) => batch.name === name)?.days.pourDay

async function expectSoundPlan(): Promise<void> {
  const dated = datedSeason(await season())
  expect(checkPlan(dated.problem, { pours: dated.placements }).violations).toEqual([])
}

async function acceptPlan(page: Page): Promise<void> {
  await page.getByTestId('take-plan').click()
  await expect(page.getByTestId('planner')).toHaveCount(0)
}

test('a collection of six soaps is planned from nothing', async ({ page }) => {
  await page.goto(`${workshop.url}/plan`)
  await page.getByTestId('new-collection').click()
  await saving(page, () => type(page, 'Name', 'Night Shift'))
  await saving(page, () => type(page, 'Release', '12 Jun 2027'))
  for (let soap = 1; soap <= 6; soap++) {
    await page.getByTestId('new-soap').click()
    await expect(page.getByLabel('Name', { exact: true })).toHaveValue('New soap')
    await saving(page, () => type(page, 'Name', `Shift ${soap}`))
    await page.getByRole('link', { name: 'Night Shift' }).click()
  }
  await expect(page.getByTestId('soap')).toHaveCount(6)
  await page.goto(`${workshop.url}/plan`)
  await page.getByTestId('plan-free').click()
  await expect(page.getByTestId('planner')).toContainText('everything is in time', { timeout: 30_000 })
  await expect(page.getByTestId('change').filter({ hasText: 'Shift' })).toHaveCount(6)
  await acceptPlan(page)
  const view = await season()
  const mine = view.batches.filter(({ name }) => name.startsWith('Shift'))
  expect(mine).toHaveLength(6)
  for (const { days } of mine) expect(days.readyDay <= '2027-06-12').toBe(true)
  await expectSoundPlan()
  // One undo takes the whole plan back.
  await page.keyboard.press('Control+z')
  await expect(page.getByText(/^Undone: The plan is taken/)).toBeVisible()
  expect((await season()).batches.filter(({ name }) => name.startsWith('Shift'))).toHaveLength(0)
  expect(await pourDayOf('Dawn Arrival')).toBe('2027-03-17')
})

test('an order of 140 bars is quoted and accepted, and stands on the calendar', async ({ page }) => {
  await page.goto(`${workshop.url}/plan`)
  await page.getByTestId('new-order').click()
  await saving(page, () => type(page, 'Client', 'Rowing club, autumn'))
  await saving(page, () => type(page, 'Bars', '140'))
  await saving(page, () => type(page, 'Mass on the label', '115 g'))
  await saving(page, () => type(page, 'Due', '2027-06-30'))
  await saving(page, () => type(page, 'Stamp there in', '12'))
  await saving(page, () => page.getByLabel('Bevelled edges').check())
  await expect(answer(page)).toContainText('Yes: 140 bars can be ready on')
  const option = page.getByTestId('option').first()
  await expect(option).toContainText('Long loaf')
  // 140 bars and 3 % for breakage are 145.
  await expect(option).toContainText(/1[45]\d bars, \d+ spare/)
  await expect(page.getByTestId('promise')).toContainText('Nothing else moves: ready on')
  const promised = await page.getByTestId('promise').innerText()
  const text = await page.getByTestId('price').innerText()
  expect(Number(text.replace(/[^\d.]/g, ''))).toBeGreaterThan(300)
  await page.getByTestId('accept').click()
  await expect(page).toHaveURL(/\/plan\/[\w-]+$/)
  await expect(answer(page)).toContainText('Rowing club, autumn makes')
  const view = await season()
  const pours = view.batches.filter(({ name }) => name.startsWith('Rowing club, autumn'))
  expect(pours.reduce((sum, { bars }) => sum + bars, 0)).toBeGreaterThanOrEqual(145)
  const pourDays = [...new Set(pours.map(({ days }) => days.pourDay))].sort()
  expect(promised).toContain(`pours on ${pourDays.map((day) => formatDay(day, view.today)).join(', ')}.`)
  // The stamp is there on 20 March.
  for (const { days } of pours) expect(days.pourDay >= '2027-03-20').toBe(true)
  await expectSoundPlan()

  // The promise stays with the order; what breaks it asks first.
  const order = view.orders.find(({ client }) => client === 'Rowing club, autumn')
  await page.goto(`${workshop.url}/orders/${order?.id}`)
  const due = formatDay(order?.promisedDay ?? '', view.today)
  await expect(answer(page)).toHaveText(
    `Rowing club, autumn: 140 bars promised for ${due}; as it stands ready on ${due}, that very day.`,
  )
  const last = pours.find(({ days }) => days.readyDay === order?.promisedDay)
  await page.goto(`${workshop.url}/soaps/${last?.designId}`)
  const later = page.getByTestId('pour-of-soap').filter({ hasText: last?.name ?? '' })
  const moveIt = later.getByRole('button', { name: 'Move it here' })
  await later.getByTestId('move-pour').click()
  await type(page, 'Pour on', '2027-08-21', later)
  await moveIt.click()
  await expect(page.getByTestId('breaks-promise')).toContainText(`Rowing club, autumn was promised for ${due}.`)
  await page.getByTestId('keep-promise').click()
  expect((await season()).batches.filter(({ days }) => days.pourDay > '2027-08-01')).toHaveLength(0)
  await later.getByTestId('move-pour').click()
  await type(page, 'Pour on', '2027-08-21', later)
  await moveIt.click()
  await saving(page, () => page.getByTestId('break-promise').click())
  await page.goto(`${workshop.url}/plan`)
  await expect(page.getByTestId('late-promises')).toContainText(`Rowing club, autumn was promised for ${due}`)
  await page.keyboard.press('Control+z')
})

test('a quote goes on paper for its client, and stays on record', async ({ page }) => {
  const asked = (await season()).orders.find(({ collectionId }) => collectionId === null)
  await page.goto(`${workshop.url}/orders/${asked?.id}`)
  await expect(page.getByTestId('make-quote')).toBeEnabled()
  await page.getByTestId('make-quote').click()
  await expect(page.getByTestId('quoted')).toContainText('On paper since Mon 8 Mar')
  await expect(page.getByTestId('quoted')).toContainText('valid until Mon 22 Mar')
  const order = (await season()).orders.find(({ id }) => id === asked?.id)
  expect(order?.state).toBe('quoted')
  const sum = (order?.quoted?.lines ?? []).reduce((cents, line) => cents + line.cents, 0)
  expect(sum).toBe(order?.quoted?.priceCents)
  const paper = await page.request.get(workshop.url + (await page.getByTestId('open-quote').getAttribute('href')))
  expect(paper.headers()['content-type']).toBe('application/pdf')
})

test('an order that finds no room says why, and what would make some', async ({ page }) => {
  const asked = (await season()).orders.find(({ collectionId }) => collectionId === null)
  await page.goto(`${workshop.url}/workshop`)
  // No day here has so many hours.
  await saving(page, () => type(page, 'Cutting', '20 h'))
  await page.goto(`${workshop.url}/orders/${asked?.id}`)
  await expect(answer(page)).toContainText('there is no room for')
  await expect(page.getByTestId('no-room')).toContainText('too few hours on')
  await expect(page.getByTestId('no-room')).toContainText('The smallest change that frees a day:')
  await page.goto(`${workshop.url}/workshop`)
  await saving(page, () => type(page, 'Cutting', '0.75 h'))
  await page.goto(`${workshop.url}/orders/${asked?.id}`)
  await expect(answer(page)).toContainText('can be ready on')
  await expect(page.getByTestId('no-room')).toHaveCount(0)
})

test('the colours of a client’s picture are taken over; a file that is no picture is refused', async ({ page }) => {
  await page.goto(`${workshop.url}/plan`)
  await page.getByTestId('new-order').click()
  await expect(page.getByLabel('Client', { exact: true })).toHaveValue('New client')
  const picture = page.getByTestId('picture')
  await picture.setInputFiles({ name: 'logo.png', mimeType: 'image/png', buffer: Buffer.from('no picture at all') })
  await expect(page.getByText('logo.png is no picture that can be read.')).toBeVisible()
  const drawn = await page.evaluate(() => {
    const canvas = document.createElement('canvas')
    canvas.width = 60
    canvas.height = 40
    const context = canvas.getContext('2d')!
    context.fillStyle = '#a3343c'
    context.fillRect(0, 0, 60, 40)
    context.fillStyle = '#f4eee2'
    context.fillRect(0, 0, 60, 10)
    return canvas.toDataURL('image/png').split(',')[1] ?? ''
  })
  await picture.setInputFiles({ name: 'blade.png', mimeType: 'image/png', buffer: Buffer.from(drawn, 'base64') })
  await saving(page, () => page.getByTestId('main-colour').first().click())
  const view = await season()
  expect(view.orders.find(({ client }) => client === 'New client')?.colours.map(({ hex }) => hex)).toEqual(['#A3343C'])
})

test('a day is lost and the plan is mended with few changes', async ({ page }) => {
  await page.goto(`${workshop.url}/plan`)
  await page.getByTestId('lose-day').click()
  await page.getByTestId('lost-day').locator('input').fill('2027-03-10')
  await page.getByTestId('lose-it').click()
  const planner = page.getByTestId('planner')
  await expect(planner).toContainText(/get(s)? a new day/, { timeout: 30_000 })
  await expect(planner.getByTestId('change').filter({ hasText: 'Signal Lamps' })).toContainText(
    'Wed 10 Mar: 2.75 h planned, 0 h there.',
  )
  await acceptPlan(page)
  expect(await pourDayOf('Signal Lamps')).not.toBe('2027-03-10')
  await expectSoundPlan()
  expect((await season()).workshop.exceptions).toContainEqual({ day: '2027-03-10', hours: 0, reason: 'Lost' })
})

test('a pour is dragged by mouse and moved by keys, and says at once what it breaks', async ({ page }) => {
  await page.goto(`${workshop.url}/plan`)
  const batch = (await season()).batches.find(({ name }) => name === 'Malachite')
  const bar = page.locator(`[data-batch="${batch?.id ?? ''}"]`)
  const box = (await bar.boundingBox())!
  await page.mouse.move(box.x + 8, box.y + 8)
  await page.mouse.down()
  // Three days of 15 pixels on: Sunday 11 April, a day off.
  await page.mouse.move(box.x + 30, box.y + 8, { steps: 4 })
  await page.mouse.move(box.x + 53, box.y + 8, { steps: 4 })
  await expect(page.getByTestId('trial')).toContainText('Malachite: prepare Sat 10 Apr, pour Sun 11 Apr')
  await expect(page.getByTestId('broken-rules')).toContainText('Sun 11 Apr: 2 h planned, 0 h there.')
  // Nothing is kept before it is let go.
  expect(await pourDayOf('Malachite')).toBe('2027-04-08')
  await page.mouse.move(box.x + 38, box.y + 8, { steps: 4 })
  await page.mouse.up()
  await expect(page.getByText('Malachite moved to Sat 10 Apr')).toBeVisible()
  expect(await pourDayOf('Malachite')).toBe('2027-04-10')

  await bar.focus()
  await page.keyboard.press('ArrowLeft')
  await page.keyboard.press('ArrowLeft')
  await expect(page.getByTestId('trial')).toContainText('pour Thu 8 Apr')
  await page.keyboard.press('Escape')
  await expect(page.getByTestId('trial')).toHaveCount(0)
  await page.keyboard.press('Shift+ArrowRight')
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Malachite moved to Sun 18 Apr')).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByText('Undone: Malachite moved to Sun 18 Apr')).toBeVisible()
  expect(await pourDayOf('Malachite')).toBe('2027-04-10')
  await bar.focus()
  await page.keyboard.press('p')
  await expect(bar).toHaveAttribute('aria-label', /pinned/)
})

test('the board keeps its days in line at every zoom, and is printed whole on paper', async ({ page }) => {
  await page.addInitScript(() => localStorage.setItem('vendange.theme', 'night'))
  await page.goto(`${workshop.url}/plan`)
  const batch = (await season()).batches.find(({ name }) => name === 'Dining Car')
  const leftOf = async (selector: string): Promise<number> => (await page.locator(selector).boundingBox())?.x ?? NaN
  const fromToday = async (): Promise<number> =>
    (await leftOf(`.wall > .layer > div:not(.away) [data-batch="${batch?.id ?? ''}"]`)) - (await leftOf('.wall .today'))
  const zooms = { Month: 32, 'Half a year': 5.2, Season: 15, Week: 120 }
  for (const [name, pixelsADay] of Object.entries(zooms)) {
    await page.getByRole('group', { name: 'How much of the season is shown' }).getByRole('button', { name }).click()
    // From Monday 8 March to the day it was poured; the line of today is two pixels wide.
    const days = (Date.parse((await pourDayOf('Dining Car')) ?? '') - Date.parse('2027-03-08')) / 86_400_000
    await expect.poll(async () => Math.abs((await fromToday()) - days * pixelsADay)).toBeLessThan(2)
  }

  const scroller = page.getByTestId('board-scroller')
  const scrolled = (): Promise<number> => scroller.evaluate((element) => element.scrollLeft)
  // Week by week, today stands four days from the left.
  await expect.poll(scrolled).toBe((14 - 4) * 120)
  await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')))
  await expect.poll(() => scroller.evaluate((element) => element.scrollWidth - element.clientWidth)).toBe(0)
  await expect(page.getByTestId('app')).toHaveClass(/v-theme--paper/)
  await page.evaluate(() => window.dispatchEvent(new Event('afterprint')))
  await expect(page.getByTestId('app')).toHaveClass(/v-theme--night/)
  await expect.poll(scrolled).toBe((14 - 4) * 120)
})

test('the feed is read by a calendar, and busy times come in from one', async ({ page }) => {
  await page.goto(`${workshop.url}/calendar`)
  const feed = await page.getByTestId('feed').locator('input').inputValue()
  const component = new ICAL.Component(ICAL.parse(await (await fetch(feed)).text()) as unknown as unknown[])
  const summaries = component
    .getAllSubcomponents('vevent')
    .map((event) => String(event.getFirstPropertyValue('summary')))
  expect(summaries).toContain('Pour Lantern Glass')
  expect(summaries).toContain('Release of Night Train')

  const events = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'BEGIN:VEVENT', 'SUMMARY:Choir', 'DTSTART:20270311T180000']
  const text = [...events, 'DURATION:PT2H', 'END:VEVENT', 'BEGIN:VEVENT', 'broken', 'END:VEVENT', 'END:VCALENDAR'].join(
    '\r\n',
  )
  await page
    .getByTestId('ics')
    .setInputFiles({ name: 'mine.ics', mimeType: 'text/calendar', buffer: Buffer.from(text) })
  await expect(answer(page)).toHaveText('mine.ics takes soaping hours from one day.')
  await expect(page.getByText('The event at line 8 could not be read and is left out.')).toBeVisible()
  // Ilse has 2.5 h from 18:00 that Thursday; two of them go.
  await expect(page.getByTestId('busy-day')).toContainText('0.5 h')
  await page.getByTestId('take-busy').click()
  await expect(page.getByText('Busy times of Ilse taken over: 1 day')).toBeVisible()
  const ilse = (await season()).makers.find(({ name }) => name === 'Ilse')
  expect(ilse?.exceptions).toContainEqual({ day: '2027-03-11', hours: 0.5, reason: 'Choir' })
})

test('a past soap comes back with what was to be remembered', async ({ page }) => {
  const api = createClient({ baseUrl: workshop.url })
  const collection = await api(endpoints.collections.create, {
    body: {
      ...blankCollection,
      name: 'Night Train, third run',
      releaseLocal: '2027-09-04T19:00',
      releaseZone: 'Europe/Lisbon',
    },
  })
  await page.goto(`${workshop.url}/plan/${collection.id}`)
  await page.getByTestId('bring-back').click()
  await page.getByTestId('bring-Sleeper Blue').click()
  await page.getByRole('link', { name: 'Sleeper Blue' }).click()
  const last = page.getByTestId('last-time')
  await expect(last).toContainText('Web: all 12 bars sold in 2 days.')
  await expect(last.getByTestId('lesson')).toHaveCount(3)
  await expect(last).toContainText('Sold out in two days.')
  await saving(page, () => last.getByTestId('lesson').first().getByRole('button', { name: 'Taken up' }).click())
  const made = (await season()).designs.find(({ collectionId }) => collectionId === collection.id)
  expect(made?.lessons.map(({ standing }) => standing)).toEqual(['taken_up', 'open', 'open'])
})

test('a whole collection comes back with its palette', async ({ page }) => {
  const api = createClient({ baseUrl: workshop.url })
  const past = (await season()).collections.find(({ name }) => name === 'Mineral Cabinet, first drawer')
  const collection = await api(endpoints.collections.create, {
    body: { ...blankCollection, name: 'Once more', releaseLocal: '2027-09-18T19:00', releaseZone: 'Europe/Lisbon' },
  })
  await page.goto(`${workshop.url}/plan/${collection.id}`)
  await page.getByTestId('bring-back').click()
  await page.getByTestId(`bring-all-${past?.name ?? ''}`).click()
  await expect
    .poll(async () => (await season()).collections.find(({ id }) => id === collection.id)?.palette)
    .toEqual(past?.palette)
  const soaps = async (id: string | undefined): Promise<readonly string[]> =>
    (await season()).designs
      .filter(({ collectionId }) => collectionId === id)
      .map(({ name }) => name)
      .sort()
  expect(await soaps(collection.id)).toEqual(await soaps(past?.id))
})

test('the day sheet is ticked, and the tick stays', async ({ page }) => {
  await page.goto(`${workshop.url}/days/2027-03-10`)
  await expect(answer(page)).toHaveText('Wed 10 Mar, in 2 days: 2.75 h of work in 4 h.')
  const tasks = page.getByTestId('task')
  await expect(tasks.first()).toContainText('Set up and clean up')
  const prepare = tasks.filter({ hasText: 'Prepare' })
  await expect(prepare).toContainText('Lantern Glass')
  await expect(prepare).toContainText('45 min')
  await prepare.getByRole('checkbox').check()
  await expect(prepare).toContainText('Ilse')
  await page.reload()
  await expect(prepare.getByRole('checkbox')).toBeChecked()
})

test('a loaf that failed is put on record, and the season is planned anew with few changes', async ({ page }) => {
  const before = await season()
  const night = before.collections.find(({ name }) => name === 'Night Train')
  await page.goto(`${workshop.url}/plan/${night?.id ?? ''}`)
  const row = page.getByRole('row', { name: /Platform Fog/ })
  await row.getByTestId('loaf-failed').click()
  await row.getByTestId('fail-it').click()
  await expect(row.getByText('Say what went wrong.')).toBeVisible()
  await row.getByTestId('fail-reason').locator('input').fill('Cracked down the middle')
  await row.getByTestId('fail-it').click()
  const planner = page.getByTestId('planner')
  await expect(planner.getByTestId('change').filter({ hasText: 'Platform Fog' })).toBeVisible({ timeout: 30_000 })
  // What the others have stays: only the failed soap gets a day.
  await acceptPlan(page)
  const after = await season()
  const again = after.batches.filter(({ name }) => name === 'Platform Fog')
  expect(again.map(({ status }) => status)).toEqual(['planned'])
  const loaf = after.loaves.find(({ name }) => name === 'Platform Fog')
  expect(loaf?.state).toMatchObject({ status: 'failed', failReason: 'Cracked down the middle' })
  await expectSoundPlan()
})
