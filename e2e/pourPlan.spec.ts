import type { BatchView, SavedMould, SeasonView, TimedPourView } from '@vendange/contract'
import type { Page } from '@playwright/test'
import { expect } from '@playwright/test'
import { readFile } from 'node:fs/promises'
import { answer, doStepsUntil, pick, saving, type } from './hands'
import { sharesOfColours } from './pictures'
import { WorkshopProcess } from './server'
import { test } from './tablet'

const workshop = new WorkshopProcess()
test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08')
})
test.afterAll(() => workshop.dispose())

const get = async <T>(path: string): Promise<T> => (await (await fetch(workshop.url + path)).json()) as T
const soapNamed = async (name: string) => {
  const found = (await get<SeasonView>('/api/season')).designs.findLast((design) => design.name === name)
  if (!found) throw new Error(`The demo has no ${name}`)
  return found
}
const canvasOf = (page: Page) => page.getByTestId('pour-picture').locator('canvas')
const moves = (page: Page) => page.getByTestId('move')

test('a pour is designed in moves, drawn on by hand and by keys, and the inside keeps each colour', async ({
  page,
}) => {
  const soap = await soapNamed('Signal Lamps')
  const hexes = soap.colours.map(({ hex }) => hex)
  await page.goto(`${workshop.url}/soaps/${soap.id}`)
  await page.getByTestId('design-inside').click()
  await expect(answer(page)).toHaveText(/^Nobody knows yet how Signal Lamps is poured/)
  await saving(page, () => page.getByTestId('start-layers').click())
  await expect(moves(page)).toHaveCount(hexes.length)
  await expect(answer(page)).toContainText('every pot is used up')
  const keepsColours = async (): Promise<void> => {
    for (const { hex, share } of soap.colours)
      await expect
        .poll(async () => Math.abs(((await sharesOfColours(canvasOf(page), hexes))[hex] ?? 0) - share))
        .toBeLessThan(0.03)
  }
  await keepsColours()

  await test.step('a hanger drawn with the mouse', async () => {
    await page.getByTestId('draw-hanger').click()
    const picture = page.getByTestId('pour-picture')
    await picture.scrollIntoViewIfNeeded()
    const box = await picture.boundingBox()
    if (!box) throw new Error('Expected the picture to be in sight')
    const at = (x: number, y: number) => [box.x + box.width * x, box.y + box.height * y] as const
    await saving(page, async () => {
      await page.mouse.move(...at(0.3, 0.4))
      await page.mouse.down()
      await page.mouse.move(...at(0.3, 0.9), { steps: 12 })
      await page.mouse.move(...at(0.7, 0.9), { steps: 12 })
      await page.mouse.move(...at(0.7, 0.4), { steps: 12 })
      await page.mouse.up()
    })
    await expect(moves(page)).toHaveCount(hexes.length + 1)
    await keepsColours()
    const drawn = (await soapNamed('Signal Lamps')).pourPlan.at(-1)
    expect(drawn?.kind).toBe('hanger')
    expect(drawn?.path?.length).toBeGreaterThan(10)
    await page.getByTestId('draw-hanger').click()
  })

  await test.step('a skewer drawn with keys', async () => {
    await page.getByTestId('draw-skewer').click()
    await page.getByTestId('pour-picture').focus()
    for (const key of ['Space', 'Shift+ArrowDown', 'Space', 'Shift+ArrowRight', 'Space', 'Backspace'])
      await page.keyboard.press(key)
    await saving(page, () => page.keyboard.press('Enter'))
    const drawn = (await soapNamed('Signal Lamps')).pourPlan.at(-1)
    expect(drawn?.kind).toBe('skewer')
    expect(drawn?.path).toHaveLength(2)
    expect((drawn?.path?.[0]?.yMm ?? 0) - (drawn?.path?.[1]?.yMm ?? 0)).toBeCloseTo(10, 6)
    await page.getByTestId('draw-skewer').click()
  })

  await test.step('a pull follows a line along the loaf that is drawn from above', async () => {
    await page.getByTestId('draw-along').last().click()
    await expect(canvasOf(page)).toBeInViewport({ ratio: 0.9 })
    const box = (await canvasOf(page).boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 }
    await saving(page, async () => {
      await page.mouse.move(box.x + box.width * 0.3, box.y + box.height * 0.95)
      await page.mouse.down()
      await page.mouse.move(box.x + box.width * 0.7, box.y + box.height * 0.05, { steps: 8 })
      await page.mouse.up()
    })
    const along = (await soapNamed('Signal Lamps')).pourPlan.at(-1)?.along ?? []
    expect(along.length).toBeGreaterThan(4)
    expect((along.at(-1)?.yMm ?? 0) - (along[0]?.yMm ?? 0)).toBeGreaterThan(150)
    await expect(page.getByTestId('along').locator('input')).toHaveValue(/^\d+(\.\d)? \d+(\.\d)?, /)
    await page.getByRole('button', { name: 'Across' }).click()
  })

  await test.step('a plan goes out as a file and comes in again; another file is refused', async () => {
    const download = page.waitForEvent('download')
    await page.getByTestId('save-plan').click()
    const buffer = await readFile(await (await download).path())
    const kept = (await soapNamed('Signal Lamps')).pourPlan
    expect((JSON.parse(buffer.toString('utf8')) as { moves: unknown }).moves).toEqual(kept)
    const file = page.getByTestId('plan-file')
    await file.setInputFiles({ name: 'plan.json', mimeType: 'application/json', buffer: Buffer.from('no plan') })
    await expect(page.getByText('That file is no pour plan: it is not JSON.')).toBeVisible()
    await saving(page, async () => {
      await page.getByLabel('Take move 1 away').click()
    })
    await saving(page, () => file.setInputFiles({ name: 'plan.json', mimeType: 'application/json', buffer }))
    expect((await soapNamed('Signal Lamps')).pourPlan).toEqual(kept)
  })

  await test.step('what cannot be done is said in words, and stays as typed', async () => {
    const path = page.getByTestId('path').last().locator('input')
    await path.fill('10 10, here')
    await expect(page.getByText('Write points as “18 56, 18 10”')).toBeVisible()
    await expect(path).toHaveValue('10 10, here')
    await saving(page, () => path.fill('10 10, 400 10'))
    await expect(answer(page)).toContainText('Its path leaves the mould.')
    await saving(page, () => path.fill('10 10, 40 10'))
    await saving(page, () => type(page, 'Of the pot', '50 %', moves(page).first()))
    await expect(page.getByText(/: \d+ g are left over\. Pour the rest, or make the pot smaller\./)).toBeVisible()
  })

  await test.step('the picture goes out as PNG and SVG', async () => {
    for (const [kind, begins] of [
      ['png', '\u0089PNG'],
      ['svg', '<svg xmlns="http://www.w3.org/2000/svg"'],
    ] as const) {
      const download = page.waitForEvent('download')
      await page.getByTestId(`save-${kind}`).click()
      const file = await download
      expect(file.suggestedFilename()).toBe(`signal-lamps-inside.${kind}`)
      expect((await readFile(await file.path(), 'latin1')).startsWith(begins)).toBe(true)
    }
  })
  await page.reload()
  await expect(moves(page)).toHaveCount(hexes.length + 2)
})

test('a column slab in four colours is cut turned, and its face comes to ribbon and board', async ({ page }) => {
  const soap = await soapNamed('Dawn Arrival')
  const hexes = soap.colours.map(({ hex }) => hex)
  expect(hexes).toHaveLength(4)
  const season = await get<SeasonView>('/api/season')
  const { id: _id, version: _version, isRemoved: _removed, ...loaf } = season.moulds[0] as SavedMould
  const slab = {
    ...loaf,
    name: 'Wide slab',
    shape: 'slab',
    lengthMm: 300,
    widthMm: 240,
    heightMm: 60,
    fillHeightMm: 45,
    logCount: 3,
  }
  const made = await page.request.post(`${workshop.url}/api/moulds`, { data: slab })
  expect(made.ok()).toBe(true)
  await page.goto(`${workshop.url}/soaps/${soap.id}`)
  await saving(page, () => pick(page.getByTestId('mould'), 'Wide slab'))
  await page.getByTestId('design-inside').click()
  await page.getByTestId('open-starters').click()
  await saving(page, () => page.getByTestId('start-column').click())
  await expect(moves(page)).toHaveCount(1)
  // Seen from above, as a column is: all four colours in their shares.
  for (const { hex, share } of soap.colours)
    await expect
      .poll(async () => Math.abs(((await sharesOfColours(canvasOf(page), hexes))[hex] ?? 0) - share))
      .toBeLessThan(0.05)

  await test.step('drawn through from above with the mouse', async () => {
    await page.getByTestId('draw-skewer').click()
    const box = await page.getByTestId('pour-picture').boundingBox()
    if (!box) throw new Error('Expected the picture to be in sight')
    await saving(page, async () => {
      await page.mouse.move(box.x + box.width * 0.1, box.y + box.height * 0.5)
      await page.mouse.down()
      await page.mouse.move(box.x + box.width * 0.9, box.y + box.height * 0.5, { steps: 12 })
      await page.mouse.up()
    })
    expect((await soapNamed('Dawn Arrival')).pourPlan.at(-1)).toMatchObject({ kind: 'skewer', plane: 'plan' })
  })

  await test.step('turned it shows more, and costs bars', async () => {
    await expect(page.getByTestId('cut-verdict')).toContainText('Turned shows more at the cost of')
    await page.getByTestId('cut-turned').click()
    await page.getByTestId('knife-bar').getByRole('slider').focus()
    await page.keyboard.press('ArrowRight')
    await expect(page.getByTestId('face-far')).toBeVisible()
    await saving(page, () => page.getByTestId('take-far').click())
    expect((await soapNamed('Dawn Arrival')).face).toMatchObject({ way: 'turned', bar: 1, isFar: true })
  })

  await test.step('the face is the soap’s everywhere', async () => {
    const own = await sharesOfColours(page.getByTestId('face-far'), hexes)
    await page.goto(`${workshop.url}/plan`)
    const ofBoard = page.locator('[data-batch]').filter({ hasText: 'Dawn Arrival' }).locator('img')
    const ofRibbon = page.locator('.faces img[alt="Cut face of Dawn Arrival"]').first()
    for (const face of [ofBoard, ofRibbon])
      await expect
        .poll(async () => {
          const seen = await sharesOfColours(face, hexes)
          return Math.max(...hexes.map((hex) => Math.abs((seen[hex] ?? 0) - (own[hex] ?? 0))))
        })
        .toBeLessThan(0.06)
  })
})

test('a sloped loaf of two layers by its wall heights, with keys, and shaken', async ({ page }) => {
  const soap = await soapNamed('Chalk & Flint')
  await page.goto(`${workshop.url}/soaps/${soap.id}/inside`)
  await page.getByTestId('open-starters').click()
  await saving(page, () => page.getByTestId('start-slope').click())
  await expect(moves(page)).toHaveCount(2)
  const first = moves(page).first()
  await saving(page, async () => {
    await type(page, 'Left wall', '12 mm', first)
    await type(page, 'Right wall', '30 mm', first)
  })
  const line = (await soapNamed('Chalk & Flint')).pourPlan[0]
  const mould = (await get<SeasonView>('/api/season')).moulds.find(({ id }) => id === soap.mouldId)
  const widthMm = (mould?.widthMm ?? 0) - 2 * (mould?.linerMm ?? 0)
  expect(line?.angleDeg).toBeCloseTo((Math.atan(18 / widthMm) * 180) / Math.PI, 1)
  // It stands on its outer edges: the sine of the angle times the width that its walls make it.
  const outerMm = (mould?.widthMm ?? 0) + 2 * (mould?.wallMm ?? 0)
  expect(outerMm).toBeGreaterThan(widthMm)
  await expect(first.getByLabel('Prop', { exact: true })).toHaveValue(
    `${Math.round(outerMm * Math.sin(Math.atan(18 / widthMm)) * 10) / 10} mm`,
  )
  await expect(first).toContainText(/under the left outer edge; so the mould holds \d+ ml\./)
  // A prop as it lies there, and the angle follows.
  await saving(page, () => type(page, 'Prop', '20 mm', first))
  const propped = (await soapNamed('Chalk & Flint')).pourPlan[0]
  expect(propped?.angleDeg).toBeCloseTo((Math.asin(20 / outerMm) * 180) / Math.PI, 3)
  await saving(page, async () => {
    await type(page, 'Left wall', '12 mm', first)
    await type(page, 'Right wall', '30 mm', first)
  })
  // The chalk reaches higher at the right: at the height of its middle the left is flint.
  await page.getByTestId('as-planned').click()
  await expect
    .poll(() =>
      canvasOf(page).evaluate((canvas: HTMLCanvasElement) => {
        const at = (x: number, y: number) =>
          canvas.getContext('2d')?.getImageData(Math.round(canvas.width * x), Math.round(canvas.height * y), 1, 1)
            .data[0] ?? 0
        const rows = Array.from({ length: 40 }, (_, row) => 1 - row / 40)
        return rows.some((row) => at(0.06, row) < 128 && at(0.94, row) > 128)
      }),
    )
    .toBe(true)
  const pixels = () => canvasOf(page).evaluate((canvas: HTMLCanvasElement) => canvas.toDataURL())
  const planned = await pixels()
  await page.getByTestId('shake').click()
  await expect.poll(pixels).not.toBe(planned)

  await test.step('a shade is taken from a photograph, and a wrong file is refused', async () => {
    const buffer = await canvasOf(page).screenshot()
    await page.getByTestId('picture').setInputFiles({ name: 'face.png', mimeType: 'image/png', buffer })
    const hex = await page.getByTestId('main-colour').first().getAttribute('aria-label')
    await saving(page, () => page.getByTestId('main-colour').first().click())
    expect(`Take ${(await soapNamed('Chalk & Flint')).colours[0]?.hex ?? ''}`).toBe(hex)
    await page
      .getByTestId('picture')
      .setInputFiles({ name: 'face.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') })
    await expect(page.getByText('face.txt is no picture that can be read.')).toBeVisible()
  })

  const overflowing = moves(page).first()
  await type(page, 'Rises right, °', '40', overflowing)
  await expect(answer(page)).toContainText(/above the brim on the high side|chance to finish/)
})

test('a pour is rehearsed, scored and played again', async ({ page }) => {
  const soap = await soapNamed('Lantern Glass')
  await page.goto(`${workshop.url}/soaps/${soap.id}/inside`)
  await expect(page.getByTestId('chance')).toContainText('chance to finish')
  await page.getByTestId('rehearse').click()
  await page.getByTestId('speed-20').click()
  await page.getByTestId('start').click()
  await expect(page.getByTestId('batter')).toContainText('Next, 1 of')
  // Twenty times as fast, the batter holds after a few seconds; then move after move by key.
  await expect(page.getByTestId('batter')).toContainText(/Thin|Medium/, { timeout: 30_000 })
  await page.keyboard.press('Space')
  await expect(page.getByTestId('batter')).toContainText('Next, 2 of', { timeout: 15_000 })
  await page.keyboard.press('f')
  await expect(answer(page)).toHaveText(/^\d+ of 100\. You fell back, and/)
  await expect(page.getByTestId('score').getByRole('row')).toHaveCount(2)
  const score = await answer(page).textContent()
  await page.getByTestId('watch').click()
  await expect(page.getByTestId('watched')).toContainText('As it was done')
  await page.keyboard.press('f')
  await expect(answer(page)).toHaveText(score ?? '', { timeout: 30_000 })
  await page.getByTestId('again').click()
  await expect(page.getByTestId('batter')).toContainText('Next, 1 of')
})

test('a scent that races at the bench: the clock, the fallback in one tap, and what is learned', async ({ page }) => {
  const batch = (await get<SeasonView>('/api/season')).batches.find(({ name }) => name === 'Lantern Glass')
  const id = batch?.id ?? ''
  await page.goto(`${workshop.url}/bench/${id}`)
  await doStepsUntil(page, 'Lye into the fats along the blender’s shaft; blend to emulsion')
  const before = await page.getByTestId('pour-clock').textContent()
  expect(before).toMatch(/the batter waits \d+ to \d+ min/)
  await page.getByTestId('emulsion-now').click()
  await expect(page.getByTestId('window')).toContainText('min left')
  const likelyLeft = async (): Promise<number> =>
    Number(/to (\d+) min left/.exec((await page.getByTestId('window').textContent()) ?? '')?.[1] ?? 0)
  const expected = await likelyLeft()
  await page.getByTestId('move-done').click()
  await expect(page.getByTestId('move-done')).toContainText(/^2\./)
  await page.getByTestId('clock:still_flows').click()
  // Thick within seconds: the window closes.
  await page.getByTestId('clock:medium').click()
  await expect.poll(likelyLeft).toBeLessThan(expected / 2)
  await page.getByTestId('take-fallback').click()
  await expect(page.getByTestId('fell-back')).toContainText('Fallen back at')
  await page.getByTestId('clock:too_thick').click()
  await expect
    .poll(async () => (await get<BatchView>(`/api/batches/${id}`)).records.map(({ stepKey }) => stepKey).slice(-6))
    .toEqual([
      'clock:emulsion',
      'clock:move:0',
      'clock:still_flows',
      'clock:medium',
      'clock:fallback',
      'clock:too_thick',
    ])
  const timed = (await get<readonly TimedPourView[]>('/api/pour-timings')).find(({ batchId }) => batchId === id)
  expect(timed?.fellBackAtMin).toBeGreaterThan(0)
  expect(timed?.seen.at(-1)?.thickened).toBe(1)
  await page.reload()
  await expect(page.getByTestId('fell-back')).toBeVisible()
  await page.goto(`${workshop.url}/notebook/scents`)
  const amber = page.getByTestId('scent').filter({ hasText: 'Amber blend' })
  await expect(amber).toContainText('Amber blend made the batter race in 1 of 1 timed pours')
  await expect(amber).toContainText('and the pour fell back')
})
