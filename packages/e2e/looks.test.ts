import { expect, test } from '@playwright/test'
import { enter, pick } from './hands'

test('a drip is traced by its tests and turns suspect; a sheet hangs, a flood is read, the passport goes out and is looked at', async ({
  page,
}) => {
  await enter(page)
  await page.goto('/watch?view=leaks')
  await page.getByRole('button', { name: 'It drips somewhere' }).click()
  const drip = page.getByRole('form', { name: 'A drip' })
  await drip.getByLabel('Where it shows').fill('In the forward locker')
  await pick(drip.getByRole('combobox', { name: 'It drips' }), 'when she is hosed down')
  await drip.getByLabel('x, aft of the stem').fill('9800')
  await drip.getByLabel('y, to starboard').fill('1300')
  await drip.getByLabel('z, up from the waterline').fill('700')
  // Typing is not lost by a reload.
  await page.reload()
  await page.getByRole('button', { name: 'It drips somewhere' }).click()
  await expect(drip.getByLabel('Where it shows')).toHaveValue('In the forward locker')
  await drip.getByRole('button', { name: 'Look for it' }).click()
  await expect(
    page.getByRole('heading', { name: 'In the forward locker, when she is hosed down' }),
  ).toBeVisible()

  // The test that tells most stands in the form; dry, then others, until one is wet.
  const form = page.getByRole('form', { name: 'A test' })
  const next = page.getByRole('heading', { name: /^Next: / })
  await expect(next).toBeVisible()
  const first = await page.locator('.ranked li').first().innerText()
  await form.getByText('dry', { exact: true }).click()
  await form.getByRole('button', { name: 'Put the test down' }).click()
  await expect(page.locator('.made li')).toHaveCount(1)
  await expect(page.locator('.made li')).toContainText('dry')
  expect(await page.locator('.ranked li').first().innerText()).not.toBe(first)
  await form.getByText('got wet', { exact: true }).click()
  await form.getByLabel('Wet after, if it was timed').fill('4')
  await form.getByRole('button', { name: 'Put the test down' }).click()
  await expect(page.locator('.made li')).toHaveCount(2)
  await page
    .getByRole('button', { name: /^Take back the test/ })
    .first()
    .click()
  await expect(page.locator('.made li').first()).toContainText('taken back')
  const end = page.getByRole('form', { name: 'The end of it' })
  await end.getByLabel('What was seen').fill('nothing after all')
  await end.getByRole('button', { name: 'Give it up' }).click()
  await expect(page.getByText('Given up: nothing after all')).toBeVisible()

  await page.goto('/watch?view=leaving')
  const hangs = page.getByRole('button', { name: /^Sheet \w{6} hangs there/ })
  await hangs.click()
  await expect(page.getByRole('region', { name: 'Sheet by the companionway' })).toContainText('is as she is')

  await page.goto('/watch?view=proving')
  const flood = page.getByRole('form', { name: 'A flood test' })
  await flood.getByLabel('What was flooded, or watched').fill('Cockpit')
  await flood.getByLabel('Its face').fill('1.2')
  for (const [i, [minute, level]] of [
    ['0', '200'],
    ['120', '188'],
  ].entries()) {
    await flood.getByLabel(`Minute ${i + 1}`).fill(minute!)
    await flood.getByLabel(`Level ${i + 1}`).fill(level!)
  }
  await flood.getByRole('button', { name: 'Put it down' }).click()
  await expect(
    page.getByRole('table', { name: 'Floods' }).getByRole('row', { name: /Cockpit/ }),
  ).toContainText('two readings only')

  await page.goto('/watch?view=trends')
  await page
    .getByRole('list', { name: 'Series' })
    .getByRole('button', { name: /port chainplate/ })
    .click()
  await expect(page.getByText(/do not sail on it/)).toBeVisible()
  await expect(page.getByRole('table', { name: /^Looks at / }).getByRole('row')).toHaveCount(4)

  // The view of the register is in its address; the passport goes out and is looked at again.
  await page.goto('/boat/fulmars-reach/history')
  await expect(page.getByRole('table', { name: 'Who did what' }).getByRole('row').nth(1)).toBeVisible()
  await page.goto('/register')
  await page.getByLabel('Find in the register').fill('net-hauler')
  await expect(page).toHaveURL(/find=net-hauler/)
  await page.reload()
  await expect(page.getByLabel('Find in the register')).toHaveValue('net-hauler')
  await page.getByRole('button', { name: 'Passport' }).click()
  const drawer = page.getByRole('dialog')
  await expect(drawer.getByText('What would raise it most')).toBeVisible()
  const out = page.waitForEvent('download')
  await drawer.getByRole('link', { name: 'The file' }).click()
  const file = await (await out).path()
  await drawer.locator('input[type=file]').setInputFiles(file)
  await expect(drawer.getByRole('status')).toContainText('It is as it was made here by')
})
