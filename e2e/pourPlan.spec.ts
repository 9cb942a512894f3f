import type { SeasonView } from '@vendange/contract'
import type { Page } from '@playwright/test'
import { expect, test } from '@playwright/test'
import { saving, type } from './hands'
import { WorkshopProcess } from './server'

const workshop = new WorkshopProcess()
test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08')
})
test.afterAll(() => workshop.dispose())

const soapNamed = async (name: string) =>
  ((await (await fetch(`${workshop.url}/api/season`)).json()) as SeasonView).designs.findLast(
    (design) => design.name === name,
  )

/** Share of each colour in the picture of the inside, by its hex. */
const coloursSeen = (page: Page): Promise<Readonly<Record<string, number>>> =>
  page
    .getByTestId('pour-picture')
    .locator('canvas')
    .evaluate((canvas: HTMLCanvasElement) => {
      const data = canvas.getContext('2d')?.getImageData(0, 0, canvas.width, canvas.height).data ?? []
      const counts: Record<string, number> = {}
      for (let at = 0; at < data.length; at += 4) {
        if (data[at + 3] === 0) continue
        const hex = [0, 1, 2].map((part) => (data[at + part] ?? 0).toString(16).padStart(2, '0')).join('')
        counts[`#${hex}`] = (counts[`#${hex}`] ?? 0) + 1
      }
      return counts
    })

test('a pour is designed in moves, drawn on by hand, and the inside keeps each colour', async ({ page }) => {
  const soap = await soapNamed('Signal Lamps')
  await page.goto(`${workshop.url}/soaps/${soap?.id ?? ''}`)
  await saving(page, () => page.getByTestId('lay-all').click())
  const colours = soap?.colours ?? []
  await expect(page.getByTestId('move')).toHaveCount(colours.length)
  const shareOf = async (hex: string): Promise<number> => {
    const seen = await coloursSeen(page)
    const all = Object.values(seen).reduce((sum, count) => sum + count, 0)
    return (seen[hex.toLowerCase()] ?? 0) / Math.max(1, all)
  }
  const keepsColours = async (): Promise<void> => {
    for (const { hex, share } of colours)
      await expect.poll(async () => Math.abs((await shareOf(hex)) - share)).toBeLessThan(0.015)
  }
  await keepsColours()

  // A hanger drawn with the mouse: down, across and up.
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
  await expect(page.getByTestId('move')).toHaveCount(colours.length + 1)
  await keepsColours()
  const drawn = (await soapNamed('Signal Lamps'))?.pourPlan.at(-1)
  expect(drawn?.kind).toBe('hanger')
  expect(drawn?.path?.length).toBeGreaterThan(10)

  // What is not poured is told in grams.
  await saving(page, () => type(page, 'Of the pot', '50 %', page.getByTestId('move').first()))
  await expect(page.getByText(/: \d+ g are left over\. Pour the rest, or make the pot smaller\./)).toBeVisible()
  await page.reload()
  await expect(page.getByTestId('move')).toHaveCount(colours.length + 1)
})
