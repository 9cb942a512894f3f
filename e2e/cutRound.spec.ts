import type { SeasonView } from '@vendange/contract'
import { createClient, endpoints } from '@vendange/contract'
import { expect } from '@playwright/test'
import { answer, type } from './hands'
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

test('loaves come out of their moulds and under the knife in a round: a press for a batch, a press for each loaf', async ({
  page,
}) => {
  // A soap whose pour fills two moulds.
  const { batches, designs, makers } = await season()
  const batch = batches.find(({ name }) => name === 'Lantern Glass')!
  const { id, isRemoved: _, ...design } = designs.find((one) => one.id === batch.designId)!
  const api = createClient({ baseUrl: workshop.url, makerId: () => makers[0]?.id })
  await api(endpoints.designs.update, { params: { id }, body: { ...design, mouldCount: 2 } })
  await workshop.goOnOn(batch.days.pourDay)
  await pourOffScreen(workshop.url, batch.id)
  await workshop.goOnOn(batch.days.cutDay)
  const twins = (await season()).loaves
    .filter(({ batchId }) => batchId === batch.id)
    .sort((a, b) => a.lotCode.localeCompare(b.lotCode))
  expect(twins).toHaveLength(2)
  const hoped = twins[0]!.barsPlanned

  await page.goto(`${workshop.url}/days/${batch.days.cutDay}`)
  await page
    .getByTestId('task')
    .filter({ hasText: `Unmould${batch.name}` })
    .getByRole('link', { name: 'Open' })
    .click()
  const take = page.getByTestId('take')
  const press = async (): Promise<void> => {
    await page.getByRole('heading', { level: 1 }).click()
    await page.keyboard.press(' ')
  }
  // What was poured before it lies in the same kind of mould, and comes first or last: it is left for later.
  for (let other = 0; other < 8 && !(await answer(page).innerText()).includes(batch.name); other++)
    await page.getByTestId('later').click()
  await expect(answer(page)).toContainText(`Take ${batch.name} out of its moulds: 2 × `)
  await expect(take).toHaveText('All 2 are out')
  await press()

  await expect(answer(page)).toContainText(`Cut ${batch.name}, lot ${twins[0]!.lotCode}`)
  await expect(take).toBeDisabled()
  await page.getByTestId('connect-scale').click()
  await expect(page.getByTestId('shown')).toHaveText(/^0(\.0)? g$/)
  await page.getByTestId('pour-rest').click()
  await expect(take).toHaveText(new RegExp(`^${hoped} bars, the first \\d+`))
  await press()

  await expect(answer(page)).toContainText(`lot ${twins[1]!.lotCode}`)
  // A first bar far off its twin's is asked for again; two bars fewer are told.
  await type(page, 'Bars', `${hoped - 2}`)
  await type(page, 'Its first bar, or typed', '60 g')
  await take.click()
  await expect(page.getByTestId('odd')).toContainText('far from the first bars')
  await page.getByTestId('undo-cut').click()
  await expect(answer(page)).toContainText(`lot ${twins[0]!.lotCode}`)
  await type(page, 'Its first bar, or typed', '118 g')
  await take.click()
  await type(page, 'Bars', `${hoped - 2}`)
  await type(page, 'Its first bar, or typed', '120 g')
  await take.click()
  await expect(page.getByTestId('round-step').filter({ hasText: twins[1]!.lotCode })).toContainText(
    '2 bars fewer than its twins',
  )
  await expect
    .poll(
      async () =>
        (await season()).loaves
          .filter(({ batchId }) => batchId === batch.id)
          .map(({ state }) => `${state.cut?.bars} ${state.cut?.firstBarG}`)
          .sort(),
      { timeout: 30_000 },
    )
    .toEqual([`${hoped - 2} 120`, `${hoped} 118`].sort())
})
