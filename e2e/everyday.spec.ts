import { expect } from '@playwright/test'
import { readFile } from 'node:fs/promises'
import { answer, pick, saving, type } from './hands'
import { bytesOnTheWire } from './onTheWire'
import { sharesOfColours } from './pictures'
import { WorkshopProcess } from './server'
import { test } from './tablet'
import { mainViews } from './views'

const workshop = new WorkshopProcess()
test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08')
})
test.afterAll(() => workshop.dispose())

test('the first view takes at most 350 kB over the wire, and its data little', async ({ page }) => {
  const wire = await bytesOnTheWire(page, `${workshop.url}/plan`)
  await expect(answer(page)).not.toBeEmpty()
  for (const part of [wire.document, wire.script, wire.style, wire.font]) expect(part).toBeGreaterThan(0)
  expect(wire.all).toBeLessThanOrEqual(350_000)
  expect(wire.data).toBeGreaterThan(0)
  expect(wire.data).toBeLessThanOrEqual(50_000)
})

test('the plan says what is late and mends it with one button, and undo takes it back', async ({ page }) => {
  await page.goto(`${workshop.url}/plan`)
  // Poured on Wed 17 March, cut on the 18th, cured on 15 April: five days after the release on the 10th.
  await expect(answer(page)).toHaveText('Night Train misses Sat 10 Apr: Dawn Arrival is ready 5 days late.')
  await page.getByRole('button', { name: 'Pour Dawn Arrival on Thu 11 Mar' }).click()
  await expect(page.getByText('Dawn Arrival moved to Thu 11 Mar')).toBeVisible()
  await expect(answer(page)).toHaveText(/^Night Train makes Sat 10 Apr if .* is poured by Fri 12 Mar, in 4 days\.$/)
  await expect(page.locator('[data-day="2027-03-11"]')).toHaveAttribute('aria-label', /pour Dawn Arrival/)
  await page.keyboard.press('Control+z')
  await expect(answer(page)).toHaveText('Night Train misses Sat 10 Apr: Dawn Arrival is ready 5 days late.')
  await expect(page.locator('[data-day="2027-03-11"]')).not.toHaveAttribute('aria-label', /Dawn Arrival/)
})

test('a change in a form is undone with the keyboard', async ({ page }) => {
  await page.goto(`${workshop.url}/stores`)
  await page.getByRole('link', { name: /Tall loaf/ }).click()
  await expect(page.getByLabel('Fill height')).toHaveValue('92 mm')
  await saving(page, () => type(page, 'Fill height', '80'))
  await page.getByRole('heading', { level: 1 }).click()
  await saving(page, () => page.keyboard.press('Control+z'))
  await expect(page.getByLabel('Fill height')).toHaveValue('92 mm')
})

test('what is taken away comes back', async ({ page }) => {
  await page.goto(`${workshop.url}/stores`)
  await page.getByTestId('new-mould').click()
  await saving(page, () => type(page, 'Name', 'Mistake'))
  await page.getByRole('button', { name: 'Take the mould away' }).click()
  await expect(page.getByRole('link', { name: /Mistake/ })).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.getByRole('link', { name: /Mistake/ })).toBeVisible()
})

test('keys go everywhere', async ({ page }) => {
  await page.goto(`${workshop.url}/plan`)
  await expect(answer(page)).not.toBeEmpty()
  for (const [key, path] of [
    ['f', '/formulate'],
    ['o', '/pour'],
    ['c', '/cut'],
    ['u', '/cure'],
    ['r', '/release'],
    ['s', '/stores'],
    ['n', '/notebook'],
    ['w', '/workshop'],
    ['p', '/plan'],
  ] as const) {
    await page.keyboard.press('g')
    // It waits for the second key as long as a hand needs.
    await expect(page.getByTestId('go')).toContainText(`${key} `)
    await page.keyboard.press(key)
    await expect(page).toHaveURL(workshop.url + path)
  }
  await page.keyboard.press('g')
  await page.keyboard.press('Escape')
  await expect(page.getByTestId('go')).toHaveCount(0)
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog')).toContainText('New collection')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await page.keyboard.press('/')
  await page.getByLabel('Soap, recipe, mould or lot').fill('dining')
  await page.keyboard.press('Enter')
  await expect(answer(page)).toContainText('Dining Car gives')
  await page.keyboard.press('g')
  await page.keyboard.press('p')
  await expect(page).toHaveURL(`${workshop.url}/plan`)
  await page.keyboard.press('n')
  await expect(answer(page)).toContainText('New collection comes out on')
})

test('the ribbon opens a day, by mouse and by keys', async ({ page }) => {
  await page.goto(`${workshop.url}/plan`)
  await page.locator('[data-day="2027-03-10"]').click()
  await expect(answer(page)).toHaveText('Wed 10 Mar, in 2 days: 2.75 h of work in 4 h.')
  await expect(page.getByText('Signal Lamps')).toBeVisible()
  await page.locator('[data-day="2027-03-08"]').focus()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/days\/2027-03-09/)
})

test('fields say in plain words what they want, and keep what was typed', async ({ page }) => {
  await page.goto(`${workshop.url}/stores`)
  await page.getByRole('link', { name: /Long loaf/ }).click()
  await expect(page.getByLabel('Inner length')).toHaveValue('460 mm')
  for (const [typed, words] of [
    ['a foot or so', 'Write a length such as 254 mm.'],
    ['12 oz', '“oz” is not a unit for a length here.'],
    ['', 'Write a length such as 254 mm.'],
    ['-20', 'This must be from 20 mm to 1500 mm.'],
    ['3 m', 'This must be from 20 mm to 1500 mm.'],
  ] as const) {
    await type(page, 'Inner length', typed)
    await expect(page.getByText(words).first()).toBeVisible()
    await expect(page.getByTestId('save-state')).toContainText('Not saved')
    await expect(page.getByLabel('Inner length')).toHaveValue(
      typed === '-20' ? '-20 mm' : typed === '3 m' ? '3000 mm' : typed,
    )
  }
  await type(page, 'Inner length', '46 cm')
  // What has no words of its own is told in ours, not in the package’s.
  await type(page, 'Name', 'Long loaf '.repeat(9))
  await expect(page.getByText('At most 80 characters, please.')).toBeVisible()
  await type(page, 'Name', 'Long loaf')
  await expect(page.getByTestId('save-state')).toHaveText('Saved')
})

test('the bench is worked with keys alone', async ({ page }) => {
  await page.goto(`${workshop.url}/pour`)
  await page
    .getByRole('row', { name: /Signal Lamps/ })
    .getByRole('link', { name: 'Bench' })
    .click()
  const title = page.getByRole('heading', { level: 1 })
  await expect(title).toHaveText('Line the mould: Long loaf')
  await page.keyboard.press('Space')
  await expect(title).toHaveText('Olive oil, into the fats')
  // Nothing was weighed yet: nothing is offered to be taken, and the key leads into the field.
  await expect(page.getByTestId('done')).toHaveText('Weigh it, then type it')
  await page.keyboard.press('Space')
  await expect(page.getByText('Type what the scale shows.')).toBeVisible()
  await page.keyboard.type((await page.getByTestId('target').textContent()) ?? '')
  await page.keyboard.press('Enter')
  await expect(title).toHaveText('Coconut oil, into the fats')
  // Back to what is done, but not ahead of the next step.
  await page.keyboard.press('ArrowLeft')
  await expect(title).toHaveText('Olive oil, into the fats')
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('ArrowRight')
  await expect(title).toHaveText('Coconut oil, into the fats')
  // In the field, keys are typed; Enter takes the weight.
  await page.getByTestId('reading').locator('input').fill('four hundred')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Write a mass such as 340 g.')).toBeVisible()
  await page.getByTestId('reading').locator('input').fill('16 oz')
  await page.keyboard.press('Enter')
  await expect(title).toHaveText('Shea butter, into the fats')
  // 16 oz are 453.6 g, 2.4 g under the 456 g asked for.
  await expect(page.getByTestId('step-done').last()).toContainText('456 g → 454 g')
  await expect(page.getByText('Coconut oil went in 2 g under.')).toBeVisible()
})

test('a hold keeps a loaf from its release and says why', async ({ page }) => {
  await page.goto(`${workshop.url}/release`)
  await page
    .getByRole('row', { name: /Platform Fog/ })
    .getByRole('link', { name: 'Check' })
    .click()
  await expect(page.getByTestId('release')).toBeDisabled()
  await page.getByLabel('Why it is held').fill('grey veil on the top')
  await page.getByTestId('hold').click()
  await expect(page.getByText('Held: grey veil on the top')).toBeVisible()
  await page.goto(`${workshop.url}/release`)
  const held = page.getByTestId('to-release').filter({ hasText: 'Platform Fog' })
  await expect(held).toContainText('Held: grey veil on the top')
})

test('the story of a loaf and the run sheet print on their sheets', async ({ page }) => {
  const pagesOf = async (path: string): Promise<number> => {
    await page.goto(workshop.url + path)
    await expect(answer(page)).not.toBeEmpty()
    await page.waitForLoadState('networkidle')
    const pdf = (await page.pdf({ format: 'A4' })).toString('latin1')
    return [...pdf.matchAll(/\/Type\s*\/Page\b(?!s)/g)].length
  }
  const views = await mainViews(workshop.url)
  expect(await pagesOf(views.loaf)).toBe(1)
  expect(await pagesOf(views['run-sheet'])).toBeLessThanOrEqual(2)
})

test('a day without the hours, or the mould, says so before the pour is put there', async ({ page }) => {
  await page.goto(`${workshop.url}/plan`)
  await page.getByRole('link', { name: 'Rose Quartz' }).click()
  await expect(answer(page)).toContainText('Rose Quartz gives')
  const day = page.getByTestId('pour-date').locator('input')
  // The tall mould holds Lantern Glass from Thu 11 to Fri 12 March, and Thursday’s hours are taken, too.
  await day.fill('2027-03-11')
  await expect(page.getByText(/the mould is taken by Lantern Glass; free again on Fri 12 Mar/)).toBeVisible()
  // A Sunday: set-up 0.5 h and the pour 1.5 h.
  await day.fill('2027-03-14')
  await expect(page.getByText('Sun 14 Mar: 2 h planned, 0 h there.')).toBeVisible()
  await day.fill('2027-03-01')
  await expect(page.getByText('Mon 1 Mar is past.')).toBeVisible()
  await expect(page.getByTestId('put-on')).toBeDisabled()
  await page.getByRole('button', { name: /^Suggest / }).click()
  await expect(page.getByTestId('slack')).toContainText(/in time/i)
  await expect(page.getByTestId('put-on')).toBeEnabled()
})

test('a file that is no photograph is refused, and the cut stays as typed', async ({ page }) => {
  await page.goto(`${workshop.url}/cut`)
  await expect(answer(page)).toHaveText('Dining Car can come out of its mould today.')
  await page.getByTestId('unmould').click()
  await type(page, 'Bars got', '17')
  await type(page, 'Mass of the first bar', '4.4 oz')
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'face.png', mimeType: 'image/png', buffer: Buffer.from('no picture') })
  await page.getByTestId('log-cut').click()
  await expect(
    page.getByText('That file is no photograph that can be read. Choose a JPEG, PNG or WebP picture.'),
  ).toBeVisible()
  await expect(page.getByLabel('Bars got')).toHaveValue('17')
  await page.locator('input[type=file]').setInputFiles([])
  await page.getByTestId('log-cut').click()
  await expect(page.getByRole('row', { name: /Dining Car.*17 18 2 as cut/ })).toBeVisible()
})

test('a palette colour and its pot reach the face', async ({ page }) => {
  await page.goto(`${workshop.url}/plan`)
  await page.getByRole('link', { name: 'Chalk & Flint' }).click()
  await expect(answer(page)).toContainText('Chalk & Flint gives')
  await type(page, 'Pot 1', 'pale chalk')
  const shares = page.getByLabel('Share', { exact: true })
  await shares.nth(0).fill('80 %')
  await shares.nth(0).blur()
  await expect(page.getByText('The pots add up to 110 % of the batter; they must make 100 %.')).toBeVisible()
  await saving(page, async () => {
    await shares.nth(1).fill('20')
    await shares.nth(1).blur()
    await page.getByLabel('Colour of pot 2').fill('#101820')
  })
  await page.goto(`${workshop.url}/plan`)
  const face = page.getByRole('img', { name: 'Cut face of Chalk & Flint' }).first()
  await expect
    .poll(async () => (await sharesOfColours(face, ['#F3EFE6', '#101820', '#B9B2A4']))['#101820'])
    .toBeGreaterThan(0.12)
})

test('an address that there is not, and things that are gone', async ({ page }) => {
  await page.goto(`${workshop.url}/nowhere`)
  await expect(answer(page)).toContainText('There is nothing at this address.')
  for (const [path, words] of [
    ['/soaps/gone', 'There is no such soap.'],
    ['/formulate/gone', 'There is no such recipe.'],
    ['/plan/gone', 'There is no such collection.'],
    ['/loaves/gone', 'There is no such loaf.'],
    ['/pour/gone', 'There is no such pour.'],
    ['/days/soon', 'There is no such day.'],
  ] as const) {
    await page.goto(workshop.url + path)
    await expect(answer(page)).toContainText(words)
  }
})

// The last one: the workshop reads in other units from here on.
test('an ounce and inch workshop reads its own units', async ({ page }) => {
  await page.goto(`${workshop.url}/workshop`)
  const set = async (field: string, option: string) => {
    await saving(page, () => pick(page.getByTestId(field), option))
  }
  await set('mass-unit', 'oz')
  await set('length-unit', 'in')
  await page.goto(`${workshop.url}/stores`)
  await page.getByRole('link', { name: /Tall loaf/ }).click()
  // 330 / 25.4 = 12.99 in.
  await expect(page.getByLabel('Inner length')).toHaveValue('12.99 in')
  await saving(page, () => type(page, 'Inner length', '13'))
  await expect(page.getByLabel('Inner length')).toHaveValue('13 in')
  await page.goto(`${workshop.url}/formulate`)
  await expect(page.getByRole('row', { name: /House bar/ })).toContainText('oz')
  // What core says in grams and millimetres is read in ounces and inches, too.
  await page.goto(`${workshop.url}/plan`)
  await page.getByRole('link', { name: 'Rose Quartz' }).click()
  await saving(page, () => type(page, 'Bars wanted', '20'))
  await expect(page.getByText(/8 of 20 bars are missing\. Cut them \d+\/\d+ in thick/)).toBeVisible()
})

test('the notebook is narrowed down, sorted, searched over what went in, and taken away as a table', async ({
  page,
}) => {
  await page.goto(`${workshop.url}/notebook`)
  await expect(answer(page)).toContainText(/^\d+ loaves on record/)
  const lines = page.getByTestId('loaf-line')
  await pick(page.locator('.v-select', { hasText: 'Is' }).first(), 'released')
  await expect(answer(page)).toContainText('loaves are like that')
  await page.getByRole('columnheader', { name: 'Poured' }).click()
  await expect(lines.first()).toContainText('Sleeper Blue')
  await page.getByLabel('Soap, lot or ingredient', { exact: true }).fill('olive agate')
  await expect(lines).toHaveCount(1)
  await expect(lines).toContainText('Banded Agate')
  const saving = page.waitForEvent('download')
  await page.getByTestId('save-loaves').click()
  const text = await readFile(await (await saving).path(), 'utf8')
  expect(text.split('\n')).toHaveLength(2)
  expect(text).toContain('Banded Agate,2026-08-29,released')
  await page.getByTestId('clear-wishes').click()
  await expect(answer(page)).toContainText(/^\d+ loaves on record/)
  await lines.first().click()
  await expect(page).toHaveURL(/loaves\//)
})
