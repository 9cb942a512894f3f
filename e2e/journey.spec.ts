import { expect } from '@playwright/test'
import { answer, choose, doStep, doStepsUntil, saving, type } from './hands'
import { WorkshopProcess } from './server'
import { test } from './tablet'

const workshop = new WorkshopProcess()
test.beforeAll(() => workshop.start('2027-03-08')) // a Monday
test.afterAll(() => workshop.dispose())

const picture = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
)

test('one soap, from an idea to its release', async ({ page }) => {
  test.setTimeout(480_000)

  await test.step('1. The workshop says who, where and when it works', async () => {
    await page.goto(`${workshop.url}/`)
    await expect(answer(page)).toHaveText(
      'Nothing is planned yet. Start with a collection and the moment it comes out.',
    )
    await page.getByRole('link', { name: 'Workshop', exact: true }).click()
    await expect(answer(page)).toContainText('Who works here?')
    await page.getByLabel('Name of a maker').fill('Ilse')
    await page.getByTestId('add-maker').click()
    await saving(page, () => type(page, 'Name', 'Quillon Lane'))
    await saving(page, () => choose(page, 'Time zone', 'Europe/Lisbon'))
    await saving(page, () => type(page, 'Fri, Ilse', '180 min'))
    // 2 + 2 + 2 + 2 + 3 + 6 + 0 hours.
    await expect(answer(page)).toHaveText('Ilse has 17 h a week for soap.')
    await type(page, 'Sat, Ilse', 'all day')
    await expect(page.getByText('Write a time such as 1.5 h.')).toBeVisible()
    await expect(page.getByTestId('maker-Ilse').getByTestId('save-state')).toContainText('Not saved')
    await type(page, 'Sat, Ilse', '6')
  })

  await test.step('4a. A mould by its inner size, in any unit', async () => {
    await page.getByRole('link', { name: 'Stores' }).click()
    await page.getByTestId('new-mould').click()
    await type(page, 'Name', 'Loaf')
    await type(page, 'Inner length', '9 in')
    await expect(page.getByLabel('Inner length')).toHaveValue('228.6 mm')
    await type(page, 'Inner length', '25 cm')
    await type(page, 'Inner width', '80')
    await type(page, 'Inner height', '7 cm')
    await type(page, 'Fill height', '75 mm')
    await expect(page.getByText('above the liner there is room for 70 mm')).toBeVisible()
    // On a slow machine the sizes before it are saved already: then 6 cm is what stood there, and nothing is sent.
    await type(page, 'Fill height', '6 cm')
    await expect(page.getByTestId('save-state')).toHaveText('Saved')
    // 250 × 80 × 60 mm = 1200 ml; 250 / 25 mm = 10 bars.
    await expect(answer(page)).toHaveText('Loaf takes 1200 ml of batter and gives 10 bars of 25 mm.')
  })

  await test.step('3. A recipe by share, with its lye', async () => {
    await page.getByRole('link', { name: 'Formulate' }).click()
    await page.getByTestId('new-recipe').click()
    await type(page, 'Name', 'House bar')
    await type(page, 'Share 1', '45 %')
    await expect(page.getByText('The shares add up to 105 %: 5 % is too much.')).toBeVisible()
    await saving(page, () => type(page, 'Share 3', '25'))
    // (0.45·190 + 0.30·257 + 0.25·180) = 207.6 g KOH a kilo; · 39.997/56.1056 · 0.95 = 140.596 g, down to 140; · 0.67/0.33 = 284.24 g.
    await expect(page.getByTestId('recipe-naoh')).toHaveText('140 g')
    await expect(page.getByTestId('recipe-water')).toHaveText('284 g')
    // Low ends 199.7, high ends 215.2 g KOH against 196.38 g: 1.7 % and 8.7 %.
    await expect(page.getByTestId('band')).toContainText('1.7 % at worst, 5.4 % likely, 8.7 % at best')
    await type(page, 'Superfat', '-2 %')
    await expect(answer(page)).toHaveText('This recipe cannot be made as it stands.')
    await expect(
      page.getByText('1000 g of fats get 3 g more sodium hydroxide than they can take').first(),
    ).toBeVisible()
    await expect(page.getByTestId('save-state')).toContainText('Not saved')
    await type(page, 'Superfat', '5')
    await expect(page.getByTestId('save-state')).toHaveText('Saved')
  })

  await test.step('2. A collection with its release moment, and a soap in it', async () => {
    await page.getByRole('link', { name: 'Plan', exact: true }).click()
    await page.getByTestId('new-collection').click()
    await type(page, 'Name', 'Night Train')
    await type(page, 'Theme', 'A sleeper line from dusk to dawn')
    await saving(page, () => type(page, 'Release', '24 Apr'))
    await expect(page.getByLabel('Release', { exact: true })).toHaveValue('Sat 24 Apr 2027')
    await page.getByLabel('Release, at', { exact: true }).fill('18:00')
    await expect(answer(page)).toHaveText('Night Train comes out on Sat 24 Apr and has no soaps yet.')
    await page.getByTestId('new-soap').click()
    await expect(answer(page)).toContainText('New soap gives')
    await type(page, 'Name', 'Lantern Glass')
    await type(page, 'Technique', 'drop pour')
    await saving(page, () => type(page, 'Bars wanted', '12'))
    // Ten bars of 25 mm; twelve want 250/12 = 20.8 mm.
    await expect(
      page.getByText('2 of 12 bars are missing. Cut them 20.5 mm thick, or fill another mould.'),
    ).toBeVisible()
    await type(page, 'Bars wanted', '10')
    await page.getByRole('button', { name: 'Add a scent' }).click()
    await type(page, 'Name of the scent', 'Amber blend')
    await type(page, 'Share of the fats', '3 %')
    await type(page, 'Limit in the bar', '4.2')
    await page.getByTestId('add-pot').click()
    await type(page, 'Pot 1', 'amber')
    await page.getByTestId('add-pot').click()
    await type(page, 'Pot 2', 'glass')
    await type(page, 'Share', '60')
    await saving(page, async () => {
      const shares = page.getByLabel('Share', { exact: true })
      await shares.nth(1).fill('40 %')
      await shares.nth(1).blur()
    })
  })

  await test.step('4b. Grams of everything', async () => {
    // 1200 / 0.98 = 1224.49 ml; one gram of fats makes 1.445338 ml of batter: 847.20 g: 381, 254, 212 g.
    // 381·190 + 254·257 + 212·180 = 175828 mg KOH: 119.08 g NaOH; 119·0.67/0.33 = 241.6 g; 847·0.03 = 25.4 g.
    await expect(page.getByTestId('fats')).toHaveText('847 g')
    await expect(page.getByTestId('naoh')).toHaveText('119 g')
    await expect(page.getByTestId('water')).toHaveText('242 g')
    await expect(page.getByTestId('batter')).toHaveText('1233 g')
    // 120 ml · 1.00741 g/ml = 120.9 g; less 11 %: 107.6 g.
    await expect(answer(page)).toHaveText('Lantern Glass gives the 10 bars wanted, about 108 g each when cured.')
  })

  await test.step('5. Counted back from the release', async () => {
    // Sat 24 Apr − 28 days of cure − 1 day in the mould = Fri 26 Mar, with 3 h; cut on Sat 27 Mar.
    await expect(page.getByTestId('pour-day')).toHaveText('Fri 26 Mar')
    await expect(page.getByTestId('cut-day')).toHaveText('Sat 27 Mar')
    await expect(page.getByTestId('ready-day')).toHaveText('Sat 24 Apr')
    await page.getByTestId('put-on').click()
    await expect(page.locator('[data-day="2027-03-26"]')).toHaveAttribute('aria-label', /pour Lantern Glass/)
    await page.getByTestId('pour-date').locator('input').fill('2027-03-08')
    await expect(page.getByText('There is no working day left before it to prepare on.')).toBeVisible()
    await page.getByTestId('put-on').click()
    await expect(page.locator('[data-day="2027-03-08"]')).toHaveAttribute('aria-label', /today; pour Lantern Glass/)
    await expect(page.locator('[data-day="2027-03-26"]')).not.toHaveAttribute('aria-label', /pour/)
    // Cut on Tue 9 Mar, cured on Tue 6 Apr: 18 days before the 24th.
    await expect(page.getByTestId('ready-day')).toHaveText('Tue 6 Apr')
    await expect(page.getByTestId('slack')).toContainText('In time, with 18 days to spare.')
    await page.getByRole('link', { name: 'Plan', exact: true }).click()
    await expect(answer(page)).toHaveText(
      'Night Train makes Sat 24 Apr if Lantern Glass is poured by Fri 26 Mar, in 18 days.',
    )
  })

  await test.step('6. At the bench, with a fat over-poured', async () => {
    await page.getByRole('link', { name: 'Pour', exact: true }).click()
    await expect(answer(page)).toHaveText('Today you pour Lantern Glass.')
    await page.getByRole('link', { name: 'To the bench: Lantern Glass' }).click()
    await doStepsUntil(page, 'Coconut oil, into the fats')
    await expect(page.getByTestId('target')).toHaveText('254 g')
    await doStep(page, '266 g')
    // 381·190 + 266·257 + 212·180 = 178912 mg KOH: 121.17 g; · 0.67/0.33 = 245.7 g.
    await expect(
      page.getByText('Coconut oil went in 12 g over. The lye is now 121 g and the water 246 g; the superfat is 5.1 %.'),
    ).toBeVisible()
    await doStepsUntil(page, 'Sodium hydroxide, into a dry cup')
    await expect(page.getByText('Lye into water, never water into lye')).toBeVisible()
    await expect(page.getByTestId('target')).toHaveText('121 g')
    // The fats take 178.912 · 0.712888 = 127.5 g at most.
    await page.getByTestId('reading').locator('input').fill('128')
    await page.getByTestId('done').click()
    await expect(page.getByText('Take 7 g back out of the dry cup.')).toBeVisible()
    await expect(page.getByTestId('reading').locator('input')).toHaveValue('128')
    await doStep(page, '121')
    await doStepsUntil(page, 'Every step is done.')
    await page.getByTestId('finish').click()
  })

  await test.step('7. Cut', async () => {
    await expect(page.getByTestId('cut-card')).toContainText('270308-1')
    await workshop.goOnOn('2027-03-09')
    await page.goto(`${workshop.url}/cut`)
    await expect(answer(page)).toHaveText('Lantern Glass can come out of its mould today.')
    await page.getByTestId('unmould').click()
    await type(page, 'Bars got', '12')
    await type(page, 'Ends', '0')
    await type(page, 'Mass of the first bar', '120 g')
    await page.getByLabel('Bevelled').check()
    await page.locator('input[type=file]').setInputFiles({ name: 'face.png', mimeType: 'image/png', buffer: picture })
    // 859 + 121 + 246 + 26 = 1252 g, less 2 %: 1227 g of batter; 12 bars of 120 g would be 1440 g.
    await page.getByTestId('log-cut').click()
    await expect(page.getByText('weigh more than the 1227 g of batter in this loaf').first()).toBeVisible()
    await type(page, 'Bars got', '10')
    await page.getByTestId('log-cut').click()
    await expect(page.getByRole('row', { name: /Lantern Glass.*10 10 0 bevelled/ })).toBeVisible()
  })

  await test.step('8. Cure', async () => {
    await page.getByRole('link', { name: 'Cure' }).click()
    await page.getByRole('link', { name: 'Weigh' }).click()
    await expect(answer(page)).toHaveText('Lantern Glass is on day 0 of 28; cured on Tue 6 Apr.')
    await page.getByLabel('Rack and shelf').fill('Rack 1, shelf 2')
    await page.getByTestId('move').click()
    await expect(page.getByText('Stands on Rack 1, shelf 2')).toBeVisible()
    const loafUrl = new URL(page.url()).pathname
    for (const [day, massG] of [
      ['2027-03-16', '112.8'],
      ['2027-03-30', '107.4'],
      ['2027-04-06', '107'],
    ] as const) {
      await workshop.goOnOn(day)
      await page.goto(workshop.url + loafUrl)
      await type(page, 'The bar weighs', massG)
      await page.getByTestId('weigh').click()
      await expect(page.getByText(new RegExp(`^${massG} g on`))).toBeVisible()
    }
    // 1 − 107/120 = 10.8 %; 1 − 107/107.4 = 0.37 % in seven days.
    await expect(page.getByText('it has lost 10.8 %')).toBeVisible()
    await expect(page.getByText('It has levelled off: less than 0.5 % in 7 days.')).toBeVisible()
    await expect(page.locator('canvas')).toBeVisible()
    await expect(answer(page)).toHaveText('Lantern Glass is through its cure of 28 days.')
  })

  await test.step('9. Release, and the whole story', async () => {
    await page.getByRole('link', { name: 'To the release desk' }).click()
    await expect(page.getByTestId('check-cure')).toContainText('Day 28 of 28.')
    await expect(page.getByTestId('check-mass')).toContainText('107 g on Tue 6 Apr; the label says 100 g.')
    await expect(page.getByTestId('release')).toBeDisabled()
    // A label without its maker is not complete, and cannot be ticked so.
    await expect(page.getByTestId('check-label')).toContainText('Not complete: it lacks the maker’s address.')
    await expect(page.getByLabel('Label complete')).toBeDisabled()
    const desk = page.url()
    await page.goto(`${workshop.url}/workshop`)
    await saving(page, () => type(page, 'Maker and address, as on labels', 'Quillon Lane, 7 Sample Row'))
    await page.goto(desk)
    await type(page, 'pH strip', '12')
    await page.getByLabel('Looks sound').check()
    await page.getByLabel('Label complete').check()
    await expect(answer(page)).toHaveText('Lantern Glass cannot go: pH.')
    await type(page, 'pH strip', '9.5')
    await expect(answer(page)).toHaveText('Lantern Glass may go.')
    await page.getByTestId('release').click()
    await expect(answer(page)).toHaveText('10 bars of Lantern Glass were released on Tue 6 Apr.')
    await page.getByRole('link', { name: 'Story of lot 270308-1' }).click()
    const story = page.getByTestId('story').getByRole('listitem')
    await expect(story).toHaveCount(9)
    await expect(story.first()).toContainText('Poured, 1227 g of batter. Ilse')
    await expect(story.nth(2)).toContainText('Cut into 10 bars and 0 ends, bevelled. The first bar weighs 120 g.')
    await expect(story.last()).toContainText('Released, 10 bars, pH 9.5')
    await expect(page.getByRole('img', { name: 'Cut face of Lantern Glass' }).last()).toBeVisible()
    await page.getByLabel('What is amended').fill('count')
    await page.getByLabel('The amendment, and why').fill('One bar stayed with us as a sample.')
    await page.getByTestId('write-note').click()
    await expect(story.last()).toContainText('Amended, count: One bar stayed with us as a sample.')
  })
})
