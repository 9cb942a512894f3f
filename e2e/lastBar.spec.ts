import { readFileSync } from 'node:fs'
import type { LoafSummary, SeasonView } from '@vendange/contract'
import { createClient, endpoints } from '@vendange/contract'
import { expect } from '@playwright/test'
import { readFile } from 'node:fs/promises'
import { answer, pick, type } from './hands'
import { archiveComesBack, killRounds } from './killRounds'
import { pourOffScreen } from './pourOffScreen'
import { WorkshopProcess } from './server'
import { test } from './tablet'

const workshop = new WorkshopProcess()
test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08')
})
test.afterAll(() => workshop.dispose())

const season = async (): Promise<SeasonView> => (await (await fetch(`${workshop.url}/api/season`)).json()) as SeasonView
async function loafNamed(name: string, at = 0): Promise<LoafSummary> {
  const found = (await season()).loaves.filter((loaf) => loaf.name === name)[at]
  if (!found) throw new Error(`The demo has no loaf of ${name}`)
  return found
}

test('a loaf is planned both ways round under the knife, in two sizes, and logged', async ({ page }) => {
  const loaf = await loafNamed('Dining Car')
  await page.goto(`${workshop.url}/cut`)
  await page.getByTestId('plan-cut').first().click()
  await expect(answer(page)).toHaveText(/^Cut Dining Car today/)
  await expect(page.getByTestId('cut-verdict')).toHaveText(/^18 bars; \d % of the block is trims, cuts and offcuts\.$/)
  const drawing = page.getByTestId('cut-drawing')
  await expect(drawing.getByTestId('cut-piece')).toHaveCount(18)
  await page
    .getByRole('button', { name: /turned on their side/ })
    .first()
    .click()
  await expect(page.getByTestId('cut-verdict')).toHaveText(/^14 bars;/)
  await expect(page.getByText('Lay on its side and part')).toBeVisible()
  await expect(page.getByTestId('keeps-label')).toHaveText(/^It will still weigh the 115 g of its label: .* on day 28/)
  await type(page, 'So many bars', '20')
  await expect(page.getByTestId('cut-verdict')).toHaveText(/^20 bars;/)
  await expect(page.getByTestId('keeps-label')).toContainText('nine bars in ten would keep it')
  await page.getByTestId('cut-so-thick').click()
  await expect(page.getByTestId('keeps-label')).toHaveText(/ \(9\d %\)|^It will still weigh the 115 g/)
  await page.getByTestId('add-piece').click()
  await expect(page.getByTestId('cut-verdict')).toHaveText(/4 guest bars/)
  await type(page, 'Thick', '400 mm', page.getByTestId('piece').first())
  await expect(page.getByText('5 mm to 150 mm', { exact: false }).first()).toBeVisible()

  await page.goto(`${workshop.url}/cut`)
  await page.getByTestId('unmould').click()
  await type(page, 'Bars got', '40')
  await type(page, 'Mass of the first bar', '128 g')
  await page.getByTestId('log-cut').click()
  await expect(page.getByText('Check the count and the mass of the first bar.').first()).toBeVisible()
  await type(page, 'Bars got', '17')
  await type(page, 'Samples', '3')
  await page.getByTestId('log-cut').click()
  await expect(page.getByRole('row', { name: /Dining Car.*17 18/ })).toBeVisible()
  expect((await loafNamed('Dining Car')).state.cut?.others).toEqual([{ name: 'samples', count: 3 }])

  await test.step('a fault with its cause, and scrap by colour', async () => {
    await page.goto(`${workshop.url}/cut/${loaf.id}`)
    await pick(page.getByTestId('fault'), 'Air pockets')
    await expect(page.getByText('Batter was thick when it was poured', { exact: false }).first()).toBeVisible()
    await page.getByTestId('find-fault').click()
    await expect(page.getByTestId('open-fault')).toContainText('Air pockets')
    await type(page, 'Mass', '85 g')
    await page.getByTestId('put-scrap').click()
    await expect(page.getByTestId('scrap')).toContainText('85 g of')
  })
})

/** A slab that was poured today, as the bench would have it. */
async function pouredSlab(name: string): Promise<void> {
  const { designs, moulds, makers } = await season()
  const api = createClient({ baseUrl: workshop.url, makerId: () => makers[0]?.id })
  const { id: _mould, version: _first, isRemoved: _gone, ...loaf } = moulds[0]!
  const slab = { shape: 'slab', lengthMm: 310, widthMm: 300, heightMm: 60, fillHeightMm: 52, logCount: 3 } as const
  const mould = await api(endpoints.moulds.create, { body: { ...loaf, ...slab, name: `Mould of ${name}` } })
  const { id: _soap, version: _second, isRemoved: _taken, ...soap } = designs.find((one) => one.name === 'Malachite')!
  const body = { ...soap, name, mouldId: mould.id, mouldCount: 1, moreMoulds: [], pourPlan: [], barsWanted: 12 }
  const design = await api(endpoints.designs.create, { body })
  const batch = await api(endpoints.batches.create, { body: { designId: design.id, pourDay: '2027-03-08' } })
  await pourOffScreen(workshop.url, batch.id)
}

test('a slab is planned both ways round on screen, in mixed sizes, and its cut is logged', async ({ page }) => {
  await pouredSlab('Malachite slab')
  const { id } = await loafNamed('Malachite slab')
  await page.goto(`${workshop.url}/cut/${id}`)
  const verdict = page.getByTestId('cut-verdict')
  const ways = page.getByRole('group', { name: 'Ways to cut' })
  await expect(ways.getByRole('button', { name: /logs along, as poured/ })).toBeVisible()
  await expect(verdict).toHaveText(/^36 bars; /)
  const across = ways.getByRole('button', { name: /logs across, as poured/ })
  await expect(across).toBeVisible()
  await across.click()
  const bars = Number(/^\d+/.exec(await across.innerText())?.[0])
  await expect(verdict).toHaveText(new RegExp(`^${bars} bars; `))
  await expect(page.getByTestId('cut-drawing').getByTestId('cut-piece')).toHaveCount(bars)
  await expect(page.getByRole('heading', { name: 'Split into logs' })).toBeVisible()
  await page.getByTestId('add-piece').click()
  await expect(verdict).toHaveText(/4 guest bars/)

  await page.goto(`${workshop.url}/cut`)
  const card = page.getByTestId('cut-card').filter({ hasText: 'Malachite slab' })
  await card.getByTestId('unmould').click()
  await type(page, 'Bars got', '34', card)
  await type(page, 'Guest bars', '4', card)
  await type(page, 'Mass of the first bar', '126 g', card)
  await card.getByTestId('log-cut').click()
  await expect(page.getByRole('row', { name: /Malachite slab.*34 36/ })).toBeVisible()
  expect((await loafNamed('Malachite slab')).state.cut?.others).toEqual([{ name: 'guest bars', count: 4 }])
})

test('the bars of an order are bevelled: minutes, mass and charge', async ({ page }) => {
  const quoted = await loafNamed('Regatta, pour 1 of 4')
  await page.goto(`${workshop.url}/cut/${quoted.id}`)
  await expect(page.getByTestId('finish-words')).toHaveText(
    'Bevelled: all 18 bars. The price of Rowing club regatta’s order has it already.',
  )

  const loaf = await loafNamed('Guest Linen, second pour')
  await page.goto(`${workshop.url}/cut/${loaf.id}`)
  await expect(page.getByTestId('finish-words')).toHaveText(
    /Bevel the edges of 12 bars: about 13 min .* g come off each bar of \d+ g, \d+ g in all\. €4\.80 go on Guest house, April’s order/,
  )
  await type(page, 'Leg of the bevel', '14 mm')
  await expect(page.getByText('Two bevels would meet', { exact: false })).toBeVisible()
  await type(page, 'Leg of the bevel', '4 mm')
  await type(page, 'It took, min', '30')
  await type(page, 'Came off', '900 g')
  await expect(page.getByTestId('finish-off')).toContainText('The scale says much else')
  const reckoned = /, (\d+) g in all/.exec(await page.getByTestId('finish-words').innerText())?.[1] ?? ''
  await type(page, 'Came off', `${reckoned} g`)
  await expect(page.getByTestId('finish-off')).toHaveCount(0)
  await page.getByTestId('log-finish').click()
  await expect(page.getByTestId('finish-words')).toHaveText('Bevelled: all 12 bars.')
  expect((await loafNamed('Guest Linen, second pour')).state.finished).toEqual([
    { finish: 'bevelled', bars: 12, minutes: 30 },
  ])

  await test.step('the rest is finished in one go, and the order has it', async () => {
    await page.goto(`${workshop.url}/cut`)
    const today = page.getByTestId('finish-today')
    await expect(today.getByRole('heading').first()).toHaveText(/^To finish today: 12 bars, about \d+ min$/)
    await expect(today.getByTestId('finish-work')).toHaveCount(1)
    await expect(today.getByTestId('finish-work')).toContainText('learned here')
    await type(page, 'All took, min', '15')
    await page.getByTestId('log-all-bevelled').click()
    await expect(today).toHaveCount(0)
    const { orders } = await season()
    const order = orders.find(({ client }) => client === 'Guest house, April')
    expect(order?.charges.map(({ cents }) => cents)).toEqual([480, 480, 480, 480])
    await page.goto(`${workshop.url}/orders/${order?.id ?? ''}`)
    await expect(page.getByTestId('charges').getByRole('heading')).toHaveText(
      'It comes to €329.20, €329.20 still to be paid',
    )
    await page.getByRole('button', { name: /^Do not charge Bevelling 12 bars of lot 270303-1/ }).click()
    await expect(page.getByTestId('charges').getByRole('heading')).toHaveText(
      'It comes to €324.40, €324.40 still to be paid',
    )
  })
})

test('a loaf stands on its rack by code, and is followed until it levels off', async ({ page }) => {
  const loaf = await loafNamed('Regatta, pour 1 of 4')
  await page.goto(`${workshop.url}/cure`)
  await page.getByTestId('connect-room').click()
  await expect(page.getByTestId('room-sensor')).toContainText(/The room: 2\d(\.\d)? °C, 5\d % humid/)
  await page.getByTestId('keep-room').click()
  await expect(page.getByText('Kept for today.')).toBeVisible()
  const scan = page.getByTestId('scan').locator('input')
  for (const code of [loaf.lotCode, 'Door rack']) {
    await scan.fill(code)
    await scan.press('Enter')
    await expect(scan).toHaveValue('')
  }
  await expect(page.getByText('Regatta, pour 1 of 4 stands on Door rack.')).toBeVisible()
  await expect(page.getByTestId('rack-Door rack')).toContainText(loaf.lotCode)
  await scan.fill('nowhere')
  await scan.press('Enter')
  await expect(page.getByText('“nowhere” is no lot that cures here, and no rack.')).toBeVisible()

  await test.step('its trays and racks have cards, and its face is photographed', async () => {
    const racks = await fetch(new URL((await page.getByTestId('rack-cards').getAttribute('href')) ?? '', workshop.url))
    expect(racks.headers.get('content-type')).toBe('application/pdf')
    await scan.fill(`lot:${loaf.lotCode}`)
    await scan.press('Enter')
    await expect(page.getByText(`lot ${loaf.lotCode}: now the rack.`, { exact: false })).toBeVisible()
    await page.goto(`${workshop.url}/cure/${loaf.id}`)
    const trays = await fetch(new URL((await page.getByTestId('tray-cards').getAttribute('href')) ?? '', workshop.url))
    expect(trays.headers.get('content-type')).toBe('application/pdf')
    const photos = page.getByTestId('cure-photos')
    await expect(photos).toContainText('The photograph of day 7 is due')
    const picture = await page.screenshot({ type: 'jpeg' })
    await photos.locator('input[type=file]').setInputFiles({ name: 'cut.jpg', mimeType: 'image/jpeg', buffer: picture })
    await page.getByTestId('keep-photo').click()
    await expect(photos.getByText('Day 25')).toBeVisible()
    await expect(photos).not.toContainText('is due')
  })

  await page.goto(`${workshop.url}/cure/${loaf.id}`)
  await expect(page.getByTestId('forecast')).toHaveText(/on day 28, most likely \d+ g \(estimate\)/)
  await type(page, 'The bar weighs', '126 g')
  await page.getByTestId('weigh').click()
  await expect(page.getByText('a bar only dries', { exact: false }).first()).toBeVisible()
  await test.step('the mass is taken from the scale once it stands still', async () => {
    const scale = page.getByTestId('bar-on-scale')
    await expect(scale).toContainText('0 g')
    await expect(page.getByTestId('take-mass')).toBeDisabled()
    await page.getByTestId('pour-rest').click()
    await expect(scale).toContainText('118 g')
    await page.getByTestId('take-mass').click()
    await expect(page.getByLabel('The bar weighs')).toHaveValue('118 g')
  })
  for (const [day, massG] of [
    ['2027-03-15', '117.8'],
    ['2027-03-22', '117.6'],
  ] as const) {
    await workshop.goOnOn(day)
    await page.goto(`${workshop.url}/cure/${loaf.id}`)
    await type(page, 'The bar weighs', `${massG} g`)
    await page.getByTestId('weigh').click()
    await expect(page.getByText(`${massG} g`).first()).toBeVisible()
  }
  await expect(page.getByText('It has levelled off: less than 0.5 % in 7 days.')).toBeVisible()
})

test('one is held, one goes with its label, and the drop sells out; a called-back lot leads to its buyers', async ({
  page,
}) => {
  const [held, gone] = [await loafNamed('Regatta, pour 1 of 4', 0), await loafNamed('Regatta, pour 1 of 4', 1)]
  await page.goto(`${workshop.url}/release/${held.id}`)
  await page.getByLabel('Why it is held').fill('A soft corner')
  await page.getByTestId('hold').click()
  await expect(page.getByText('Held: A soft corner').first()).toBeVisible()

  await page.goto(`${workshop.url}/cure/${gone.id}`)
  await type(page, 'The bar weighs', '117.7 g')
  await page.getByTestId('weigh').click()
  await expect(page.getByText('117.7 g').first()).toBeVisible()
  await page.goto(`${workshop.url}/release/${gone.id}`)
  await expect(page.getByTestId('label-panel')).toContainText(/Ingredients: Sodium .*Lot \d{6}-\d/s)
  const saving = page.waitForEvent('download')
  await page.getByTestId('print-labels').click()
  const sheet = await saving
  expect(sheet.suggestedFilename()).toMatch(/^labels-\d{6}-\d\.pdf$/)
  expect(
    readFileSync(await sheet.path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-')
  await type(page, 'pH strip', '9.5')
  await page.getByTestId('look').locator('input').check()
  await page.getByTestId('label').locator('input').check()
  await type(page, 'Bars, of 18', '10')
  await page.getByTestId('release').click()
  await expect.poll(async () => (await loafNamed('Regatta, pour 1 of 4', 1)).state.releasedBars).toBe(10)

  await page.goto(`${workshop.url}/release`)
  await pick(page.getByTestId('give-soap'), 'Regatta')
  await type(page, 'Bars', '11', page.getByTestId('give-out'))
  await page.getByTestId('give').click()
  await expect(page.getByText('Only 10 bars are free.')).toBeVisible()
  await type(page, 'Bars', '7', page.getByTestId('give-out'))
  await page.getByTestId('give').click()
  await expect(page.getByText(/^Set aside: 7 of lot /)).toBeVisible()
  await page.getByTestId('drop').click()
  await expect(page.getByTestId('offer').filter({ hasText: 'Regatta' })).toContainText('0 of 7')
  await page.getByTestId('sell-out').click()
  await expect(page.getByTestId('offer').filter({ hasText: 'Regatta' })).toContainText('7 of 7', { timeout: 20_000 })
  await page.getByTestId('take-sales').click()
  await expect(page.getByText(/\d+ sales taken over\./)).toBeVisible()
  await page.getByTestId('take-sales').click()
  await expect(page.getByText(/0 sales taken over, \d+ known already\./)).toBeVisible()
  await expect(page.getByTestId('soap-to-give').filter({ hasText: 'Regatta' })).toContainText('Web 7 of 7 (100 %)')

  await page.goto(`${workshop.url}/loaves/${gone.id}`)
  await page.getByTestId('lot-trace').first().click()
  await expect(answer(page)).toHaveText(/is in \d+ loaves: \d+ bars are with \d+ buyers, and \d+ are free\.\s*$/)
  await expect(page.getByText('Made-up buyer 1', { exact: true }).first()).toBeVisible()
  const download = page.waitForEvent('download')
  await page.getByTestId('recall-csv').click()
  const csv = await readFile(await (await download).path(), 'utf8')
  expect(csv).toContain('lot,soap,day,channel,buyer,bars')
  expect(csv).toMatch(/Regatta.*,Web,Made-up buyer \d+,\d/)
})

test('killed in the middle of its writes it loses nothing that was acknowledged; the archive comes back equal', async ({
  page,
}) => {
  test.setTimeout(180_000)
  const { acknowledged, lost } = await killRounds(workshop, '2027-03-22', 6)
  expect(lost).toEqual([])
  expect(acknowledged).toBeGreaterThan(5)
  const empty = new WorkshopProcess()
  await empty.start('2027-03-22')
  try {
    await page.goto(`${workshop.url}/workshop`)
    const download = page.waitForEvent('download')
    await page.getByTestId('make-archive').click()
    const file = await (await download).path()
    await page.goto(`${empty.url}/workshop`)
    await page.getByTestId('take-archive').setInputFiles({
      name: 'half.zip',
      mimeType: 'application/zip',
      buffer: (await readFile(file)).subarray(0, 20_000),
    })
    await expect(page.getByText('it was cut off on its way', { exact: false })).toBeVisible()
    await page.getByTestId('take-archive').setInputFiles(file)
    await expect(page.getByText(/^Brought back: \d+ loaves, \d+ events/)).toBeVisible({ timeout: 30_000 })
    const other = new WorkshopProcess()
    await other.start('2027-03-22')
    expect(await archiveComesBack(empty, other)).toBe(true)
    await other.dispose()
  } finally {
    await empty.dispose()
  }
})
