import { expect, test } from '@playwright/test'
import { enter, pick } from './hands'

test('a sheet comes in, is planned and cut, its offcut goes back; a lot is found by its label and taken back', async ({
  page,
}) => {
  await enter(page)
  await page.goto('/stores?view=cut')
  const shelf = page.getByRole('table', { name: 'Sheets and offcuts' })
  await expect(shelf).toBeVisible()
  const missing = page.getByRole('table', { name: 'No sheet for' })
  const before = await missing.getByRole('row').count()
  await page.getByRole('button', { name: 'A sheet came in' }).click()
  const form = page.getByRole('form', { name: 'A sheet came in' })
  await pick(form.getByRole('combobox', { name: 'Kind' }), 'a sheet')
  await pick(form.getByRole('combobox', { name: 'Material' }), /epoxy-glass sheet/)
  await form.getByLabel('Thick').fill('8')
  await form.getByLabel('Wide').fill('1200')
  await form.getByLabel('High').fill('900')
  await form.getByLabel('Where it is').fill('behind the lathe')
  await form.getByRole('button', { name: 'Put it on the shelf' }).click()
  await expect(shelf.getByRole('row', { name: /behind the lathe/ })).toBeVisible()
  expect(await missing.getByRole('row').count()).toBeLessThanOrEqual(before)

  // The first sheet of the plan, with its cut list and its file.
  const list = page.getByRole('table', { name: 'Cut list 1' })
  await expect(list.getByRole('row').nth(1)).toContainText(/mm/)
  const file = page.waitForEvent('download')
  await page.getByRole('link', { name: 'DXF' }).first().click()
  expect((await file).suggestedFilename()).toMatch(/\.dxf$/)
  await page.getByRole('button', { name: 'It is cut' }).first().click()
  await expect(page.getByRole('status')).toContainText(/went back on the shelf/)

  // A label, scanned or typed; where it went, and taking it back.
  await page.goto('/stores?lot=TC-PM-0290')
  const lots = page.getByRole('button', { name: /^What happened to/ })
  await expect(lots).toHaveCount(1)
  await lots.click()
  await page.getByRole('menuitem', { name: /where it went/ }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByRole('table', { name: 'Holes that it went into' })).toBeVisible()
  await dialog.getByLabel('Why it is taken back').fill('the maker\u2019s notice')
  await dialog.getByRole('button', { name: /^Take it back/ }).click()
  await expect(dialog.getByRole('status')).toContainText(/suspect now/)
  await page.keyboard.press('Escape')
  await expect(page.getByText(/recalled on .*: the maker\u2019s notice/)).toBeVisible()
})

test('bolts are counted by a label, ordered by maker with what is on the shelf, and come; what is over is counted too', async ({
  page,
}) => {
  await enter(page)
  await page.goto('/boat/tarn-runner')
  await expect(page.locator('.strip')).toContainText('Tarn Runner')

  // A drawer's label, scanned or typed, opens its count.
  await page.goto('/stores?view=shelf')
  await page.getByLabel('What is sought on the shelf, or a drawer\u2019s label').fill('S-1')
  const count = page.getByRole('spinbutton', { name: 'How many of bolt M8x50 hex A4-70' })
  await count.fill('15')
  const kept = page.waitForResponse((r) => r.request().method() === 'PUT' && /\/api\/shelf\//.test(r.url()))
  await count.press('Enter')
  expect((await kept).status()).toBe(200)
  await page.reload()
  await page.getByLabel('What is sought on the shelf, or a drawer\u2019s label').fill('M8x50')
  await expect(count).toHaveValue('15')

  // Ordered for what goes together; what is short is left out by a press, or says why.
  await page.goto('/stores?view=order')
  const place = page.getByRole('button', { name: /^Place the order for/ })
  await expect(place).toBeVisible()
  const leave = page.getByRole('button', { name: /^Leave the \d+ short ones out/ })
  if (await leave.count()) await leave.click()
  await expect(page.getByText(/reasons? (is|are) missing/)).toHaveCount(0)
  await expect(place).toBeEnabled()
  await place.click()
  await expect(page.getByRole('status').filter({ hasText: /^Ordered for/ })).toBeVisible()
  const orders = page.getByRole('table', { name: 'Orders' })
  const coming = orders.getByRole('row').filter({ hasText: 'on its way' }).first()
  const number = await coming.getByRole('cell').first().innerText()
  const row = orders
    .getByRole('row')
    .filter({ has: page.getByRole('link', { name: `Order ${number} as PDF` }) })
  // The list is asked anew after an order, and may draw the row anew just as its link is pressed.
  await expect(async () => {
    const file = page.waitForEvent('download', { timeout: 20_000 })
    await row.getByRole('link', { name: /as PDF$/ }).click({ timeout: 10_000 })
    expect((await file).suggestedFilename()).toMatch(/^order \d+\.pdf$/)
  }).toPass()
  await page.goto('/stores?view=parts')
  await expect(page.getByRole('table', { name: 'Parts wanted' })).toContainText('ordered')

  await page.goto('/stores?view=order')
  await row.getByRole('button', { name: /came$/ }).click()
  await expect(row).toContainText('arrived')
  await page.goto('/stores?view=costs')
  await expect(page.getByRole('table', { name: 'Costs' })).toContainText('about')
})
