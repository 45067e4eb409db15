import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import { check, enter, enterByHand, pick, place, saved } from './hands'

test('from a click on the deck to a recorded set of holes', async ({ page }) => {
  await enterByHand(page)
  // What lies under the pointer is said in words.
  const plan = page.getByRole('group', { name: /Plan of Fulmar/ })
  const box = (await plan.boundingBox())!
  await page.mouse.move(box.x + 200, box.y + 190)
  await expect(page.locator('.under')).toContainText('Foredeck')
  await page.mouse.click(box.x + 200, box.y + 190)
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('12 mm end-grain balsa')
  await dialog.getByLabel('What goes here').fill('mooring cleat')
  await dialog.getByText('Mooring cleat 250, four bolts').click()
  await dialog.getByLabel('Name').fill('Cleat of the journey')
  await dialog.getByRole('button', { name: 'Put HG-C250 there' }).click()

  // The first guess is a line of a sixteenth of the cleat; the fitter knows what she is moored with.
  await page.getByLabel('Line diameter').fill('12')
  // A thin plate is short; sizing makes it hold, and says why.
  await page.getByLabel('Plate thickness').fill('4')
  await expect(check(page, 'plate-span')).toHaveAttribute('data-verdict', 'short')
  const before = await page.getByRole('group', { name: /Section through/ }).innerHTML()
  await page.getByRole('button', { name: /Size it/ }).click()
  await page.getByRole('button', { name: 'Use this design' }).click()
  await expect(page.locator('[data-verdict=short]')).toHaveCount(0)
  await expect(page.locator('[data-check=spread-core-shear]')).toBeVisible()
  await expect(page.locator('[data-test=counts]')).toHaveText(/^(\d+ tight · )?\d+ hold$/)
  expect(await page.getByRole('group', { name: /Section through/ }).innerHTML()).not.toBe(before)
  await saved(page)

  // Every export comes down.
  const pdf = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Card', exact: true }).click()
  expect(
    readFileSync(await (await pdf).path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-')

  await page.getByRole('button', { name: 'Record 4 holes' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'are in the register, marked' })).toBeVisible()
  await page.getByRole('link', { name: 'Open the register' }).click()

  // Life: a gate refused, then passed with a reason that stays.
  const hole = page.getByRole('region', { name: 'Hole', exact: true })
  await expect(hole).toContainText('Cleat of the journey, bolt 1')
  await hole.getByRole('button', { name: 'Record as drilled' }).click()
  await expect(hole.locator('.events')).toContainText('drilled')
  await pick(hole.getByLabel('State'), 'dry fitted')
  await hole.getByRole('button', { name: 'Record as dry fitted' }).click()
  await expect(hole.getByRole('alert')).toContainText('The core of this hole is not sealed')
  await expect(hole.getByRole('button', { name: 'Pass the gate and record' })).toBeDisabled()
  await hole.getByLabel(/Reason to pass/).fill('sealed yesterday, lot not noted')
  await hole.getByRole('button', { name: 'Pass the gate and record' }).click()
  await expect(hole.locator('.events')).toContainText('sealed yesterday, lot not noted')

  // It is found again in the list, with its state.
  await page.getByLabel('Find in the register').fill('journey bolt 1')
  await expect(page.getByRole('row').filter({ hasText: 'Cleat of the journey, bolt 1' })).toContainText(
    'dry fitted',
  )
})

test('a field reads what a hand writes, and a refused entry keeps its text', async ({ page }) => {
  await enter(page)
  await place(page, 'HG-S25', '5900', '-1560', 'Stanchion by hand')
  const thickness = page.getByLabel('Plate thickness')
  await thickness.fill('3/8')
  await thickness.press('Enter')
  await expect(page.getByRole('group', { name: /Section through/ })).toContainText('9.5')
  await thickness.fill('about ten')
  await thickness.press('Tab')
  await expect(thickness).toHaveValue('about ten')
  await expect(page.getByRole('alert')).toContainText('"about ten" cannot be read')
  await thickness.fill('-3')
  await expect(page.getByRole('alert')).toContainText('too small')
  await thickness.fill('10')
  await expect(page.getByRole('alert')).toHaveCount(0)
  // Units turn everywhere, and nothing of the design with them.
  await page.getByRole('button', { name: 'metric' }).click()
  await expect(page.getByLabel('Outer skin', { exact: true })).toHaveValue('0.157')
  await page.getByRole('button', { name: 'inch' }).click()
  await expect(page.getByLabel('Outer skin', { exact: true })).toHaveValue('4')
  // A plate that misses its bolts: said, and the figure stays.
  await page.getByLabel('Length', { exact: true }).fill('40')
  await expect(page.getByRole('alert').first()).toContainText('does not stand inside')
  await expect(page.getByLabel('Length', { exact: true })).toHaveValue('40')
  await page.keyboard.press('Escape')
})

test('undo, redo, and a reload that loses nothing', async ({ page, context }) => {
  await enter(page)
  await place(page, 'HG-C250', '2500', '300', 'Cleat to reload')
  const thickness = page.getByLabel('Plate thickness')
  await expect(thickness).toHaveValue('8')
  await thickness.fill('15')
  await saved(page)
  await page.getByRole('heading').first().click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(thickness).toHaveValue('8')
  await page.getByRole('button', { name: 'Redo' }).click()
  await expect(thickness).toHaveValue('15')
  await saved(page)
  // The connection goes in the middle of typing: the draft is kept over a reload and saved when it is back.
  await context.route('**/api/fittings/*', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  )
  await thickness.fill('18')
  await expect(page.locator('[data-test=saved]')).toContainText('no connection')
  await page.reload()
  await expect(page.getByLabel('Plate thickness')).toHaveValue('18')
  await context.unroute('**/api/fittings/*')
  await saved(page)
  await page.evaluate('localStorage.clear()')
  await page.reload()
  await expect(page.getByLabel('Plate thickness')).toHaveValue('18')
})

test('two hands on one fitting: a stale save shows both, and the choice decides', async ({
  page,
  browser,
}) => {
  await enter(page)
  const id = await place(page, 'HG-C250', '2700', '-200', 'Cleat for two')
  const other = await browser.newContext()
  const second = await other.newPage()
  await second.goto('/')
  await second.getByLabel('Login').fill('manager')
  await second.getByLabel('Password').fill('tide-manager')
  await second.getByRole('button', { name: 'Sign in' }).click()
  await expect(second.getByRole('heading', { name: 'Plan' })).toBeVisible()
  await second.goto(`/bench/${id}`)
  await second.getByLabel('Plate thickness').fill('20')
  await saved(second)
  await page.getByLabel('Plate thickness').fill('12')
  const dialog = page.getByRole('dialog', { name: 'Two versions of this fitting' })
  await expect(dialog).toContainText('plate, thickness')
  await expect(dialog.getByRole('row').filter({ hasText: 'plate, thickness' })).toContainText('20')
  await dialog.getByRole('button', { name: 'Keep mine' }).click()
  await saved(page)
  await second.reload()
  await expect(second.getByLabel('Plate thickness')).toHaveValue('12')
  await other.close()
})

test('a design goes out as a file and comes back to the same verdicts', async ({ page }) => {
  await enter(page)
  await place(page, 'HG-B160', '2600', '0', 'Bitt for the file')
  // With what the plate solver says of it, which comes after the others.
  await expect(check(page, 'spread-core-shear')).toBeVisible()
  await expect(page.locator('[data-test=solver-asked]')).toHaveCount(0)
  const said = await page.locator('[data-test=counts]').textContent()
  await page.getByRole('button', { name: 'File', exact: true }).click()
  const down = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Design as JSON' }).click()
  const path = await (await down).path()
  const first = page.url()
  await page
    .locator('.files input[type=file]')
    .setInputFiles({ name: 'bitt.json', mimeType: 'application/json', buffer: readFileSync(path) })
  await expect(page).not.toHaveURL(first)
  await expect(page.locator('[data-test=counts]')).toHaveText(said!)
  await page.getByRole('button', { name: 'File', exact: true }).click()
  await page
    .locator('.files input[type=file]')
    .setInputFiles({ name: 'broken.json', mimeType: 'application/json', buffer: Buffer.from('{"design":') })
  await expect(page.getByRole('status').filter({ hasText: 'is no JSON' })).toBeVisible()
})

test('keys: find anything, size it, neighbours, help', async ({ page }) => {
  await enter(page)
  await page.keyboard.press('/')
  await page.keyboard.type('starboard quarter')
  await page.getByRole('option').filter({ hasText: 'fitting' }).first().click()
  await expect(page.getByLabel('Name of the fitting')).toHaveValue('Mooring cleat, starboard quarter')
  await page.keyboard.press(']')
  await expect(page.getByLabel('Name of the fitting')).toHaveValue('Gallows foot plate, starboard')
  await page.keyboard.press('s')
  await expect(page.getByRole('dialog', { name: 'Size it' })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('Alt+5')
  await expect(page.getByRole('heading', { name: 'Register' })).toBeVisible()
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible()
})

test('a quick sum on its own: found by a fitter\u2019s words, refused beside the field, shared by a link', async ({
  page,
}) => {
  await enter(page)
  await page.goto('/reference/sums')
  await page.getByLabel('Find a sum').fill('how many tubes')
  await page.getByRole('link', { name: 'How much sealant' }).click()
  await expect(page.locator('[data-test=sum-tubes300]')).toHaveText('1')
  const bolt = page.getByLabel('bolt diameter')
  await bolt.fill('40')
  await expect(page.getByRole('alert').first()).toContainText('does not pass')
  await expect(bolt).toHaveValue('40')
  await bolt.fill('3/8')
  await expect(page.getByRole('alert')).toHaveCount(0)
  await expect(page).toHaveURL(/in=/)
  const volume = await page.locator('[data-test=sum-volumeMl]').textContent()
  await page.goto(page.url())
  await expect(page.locator('[data-test=sum-volumeMl]')).toHaveText(volume!)
  // A heavy one runs beside the screen and draws its picture.
  await page.getByLabel('Find a sum').fill('deck patch')
  await page.getByRole('link', { name: 'How a deck patch bends' }).click()
  await expect(page.getByRole('img', { name: 'Deflection of the patch' })).toBeVisible()
  await expect(page.locator('[data-test=sum-maxDeflectionMm]')).toContainText('8.68')
  await page.getByLabel('Find a sum').fill('if it lets go')
  await page.getByRole('link', { name: 'If it lets go' }).click()
  await expect(page.getByRole('img', { name: 'Level, inflow and outflow against time' })).toBeVisible()
})

test('a value measured by the yard stands in for the table, and the bench says so', async ({ page }) => {
  await enter(page)
  await page.goto('/reference/cores')
  const yard = page.getByRole('region', { name: 'The yard\u2019s own values' })
  await yard.getByLabel('Measured', { exact: true }).fill('2.6')
  await yard.getByLabel('How it was measured').fill('coupon from the cut-out')
  await yard.getByRole('button', { name: 'Use our value' }).click()
  await expect(yard.getByRole('row').filter({ hasText: 'coupon from the cut-out' })).toContainText('2.6 MPa')
  await page.goto('/boat/fulmars-reach')
  await place(page, 'HG-C250', '2300', '420', 'Cleat on measured balsa')
  await expect(check(page, 'punching-core')).toContainText('own core shear strength of 2.6 MPa')
  await page.goto('/reference/cores')
  await yard.getByRole('button', { name: 'Back to the table' }).click()
  await expect(yard).toContainText('None yet')
})

test('by the keyboard alone: a cleat from the map to its sheet, in few actions', async ({ page }) => {
  await enter(page)
  let actions = 0
  const press = async (key: string) => {
    actions++
    await page.keyboard.press(key)
  }
  const type = async (text: string) => {
    actions++
    await page.keyboard.type(text)
  }
  await press('n')
  const dialog = page.getByRole('dialog', { name: 'What goes here?' })
  await expect(dialog.getByLabel('What goes here')).toBeFocused()
  await type('HG-C250')
  await press('Enter')
  await expect(page.getByLabel('Verdicts', { exact: true })).toBeVisible()
  await press('s')
  await expect(page.getByRole('dialog', { name: 'Size it' })).toBeVisible()
  await press('Escape')
  const card = page.getByRole('link', { name: 'Card', exact: true })
  await expect(card).toBeVisible()
  // From the name of the fitting onwards: what it takes to come to the sheet by Tab is counted, too.
  const reached = () => card.evaluate((e) => e === e.ownerDocument.activeElement)
  while (!(await reached()) && actions < 15) await press('Tab')
  await expect(card).toBeFocused()
  const down = page.waitForEvent('download')
  await press('Enter')
  expect((await (await down).path())!.length).toBeGreaterThan(0)
  expect(actions).toBeLessThanOrEqual(15)
})

test('a session that ends while one types: asked about in place, and what was typed is saved', async ({
  page,
  context,
}) => {
  await enter(page)
  await place(page, 'HG-C250', '1500', '300', 'Kept through it')
  await saved(page)
  await context.clearCookies()
  const length = page.getByLabel('Plate thickness')
  await length.fill('15')
  await length.blur()
  const dialog = page.getByRole('dialog', { name: 'You were signed out' })
  await expect(dialog).toContainText('What you typed is still here')
  await dialog.getByLabel(/^Password of/).fill('not it')
  await dialog.getByRole('button', { name: 'Go on', exact: true }).click()
  await expect(dialog.getByRole('alert')).toBeVisible()
  await dialog.getByRole('button', { name: 'Go on in the demo yard' }).click()
  await expect(dialog).toBeHidden()
  await saved(page)
  await page.reload()
  await expect(page.getByLabel('Plate thickness')).toHaveValue('15')
  // The step back is still there after the reload.
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByLabel('Plate thickness')).not.toHaveValue('15')
  await page.goto('/no/such/place')
  await expect(page.getByRole('heading', { name: 'Nothing is kept under this address' })).toBeVisible()
  await page.keyboard.press('n')
  await expect(page.getByRole('dialog', { name: 'What goes here?' })).toBeVisible()
})

test('signing out shuts the API', async ({ page }) => {
  await enterByHand(page)
  expect((await page.request.get('/api/boats')).status()).toBe(200)
  await page.getByRole('button', { name: /Sign out/ }).click()
  await expect(page.getByRole('button', { name: 'Enter the demo yard as fitter' })).toBeVisible()
  expect((await page.request.get('/api/boats')).status()).toBe(401)
  await page.goto('/register')
  await expect(page).toHaveURL(/sign-in/)
})
