import { expect, test } from '@playwright/test'
import { enter, pick } from './hands'

/** What goes with a boat for life: many holes at once, proofs, notes, a survey, the machine’s work. */
test('many holes through one step, a run by hose, a note handed over, a survey of the whole boat', async ({
  page,
}) => {
  await enter(page)
  await page.goto('/boat/tarn-runner')
  await expect(page.getByRole('navigation', { name: 'Boat' })).toBeVisible()
  await page.goto('/register?group=zone')
  await page.getByRole('button', { name: 'Many at once' }).click()
  const many = page.getByRole('region', { name: 'Many holes at once' })
  const boxes = page.getByRole('checkbox', { name: /^Choose P-/ })
  // A list that is still coming may draw a row anew just as it is ticked.
  await expect(async () => {
    for (const i of [0, 1]) await boxes.nth(i).check({ force: true, timeout: 5000 })
    await expect(many).toContainText('2 chosen', { timeout: 5000 })
  }).toPass()
  await pick(many.getByRole('combobox', { name: 'They are' }), 'suspect')
  await many.getByLabel('Note').fill('wet under the liner')
  await many.getByRole('button', { name: 'Write it down' }).click()
  await expect(many.getByText(/^[12] written down/)).toBeVisible()

  await page.goto('/watch?view=proving')
  const form = page.getByRole('form', { name: 'A run of proofs' })
  const what = form.getByRole('combobox', { name: 'What is proved' })
  await what.press('Enter')
  await page.getByRole('option').nth(0).click()
  await page.getByRole('option').nth(1).click()
  await page.keyboard.press('Escape')
  await form.getByRole('button', { name: 'Begin the run' }).click()
  const run = page.getByRole('article', { name: 'Hose, low to high' })
  await expect(run).toContainText('2 left.')
  await run.getByRole('button', { name: 'Dry inside' }).click()
  await expect(run).toContainText('is ruled out')
  await run.getByRole('button', { name: 'Dry inside' }).click()
  await expect(page.getByRole('list', { name: 'Runs that are over' })).toContainText('are ruled out')

  await page.goto('/watch?view=survey')
  await expect(page.getByRole('list', { name: 'What may be launched' })).toContainText('not to be launched')

  await page.goto('/boat/tarn-runner/notes')
  await page.getByLabel('What he has to know').fill('The second coat goes on tomorrow')
  await page.getByRole('button', { name: 'Write it' }).click()
  await expect(page.getByRole('list', { name: 'Not answered yet' })).toContainText('The second coat')
})

test('a passport is packed by the machine while the page goes on, and is there to take', async ({ page }) => {
  await enter(page)
  await page.goto('/register')
  await page.getByRole('button', { name: 'Passport' }).click()
  await page.getByRole('button', { name: 'All of it, with pictures' }).click()
  const file = page.getByRole('link', { name: /passport\.zip$/ })
  await expect(file).toBeVisible({ timeout: 60_000 })
  const got = await page.request.get((await file.getAttribute('href'))!)
  expect(got.headers()['content-type']).toContain('zip')
  await page.goto('/yard')
  await expect(page.getByRole('region', { name: 'Post box' })).toBeVisible()
})
