import { readFile } from 'node:fs/promises'
import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { check, enter, pick, place, saved } from './hands'

const tray = (page: Page, name: string) => page.getByRole('tab', { name, exact: true }).click()
const onBoat = async (page: Page, id: string) => {
  await pick(page.getByRole('combobox', { name: 'Boat', exact: true }), id)
  await expect(page.getByRole('group', { name: new RegExp(`^Plan of ${id}`) })).toBeVisible()
}
const serious = async (page: Page) =>
  (await new AxeBuilder({ page }).analyze()).violations.map((v) => `${v.id}: ${v.nodes[0]?.target}`)

test('a stanchion on the cored side deck: the base tips, the plate solver stands beside the hand formula, a case is added', async ({
  page,
}) => {
  await enter(page)
  await place(page, 'HG-S25', '4800', '-1400', 'Stanchion of the journey')
  await expect(page.getByText(/The base tips: \d+ % of it presses/)).toBeVisible()
  // The solver's checks stand among the others as soon as it has answered.
  await expect(check(page, 'spread-core-shear')).toBeVisible()
  await expect(page.locator('[data-test=solver-asked]')).toHaveCount(0)
  await tray(page, 'Spread')
  await expect(page.getByRole('img', { name: /^Deflection, as designed: greatest/ })).toBeVisible()
  await expect(page.locator('[data-test=spread-time]')).toHaveText(/solved in \d+ ms, \d+ × \d+ elements/)
  await expect(page.getByText(/Core shear: solver \d\.\d+, hand formula \d\.\d+\./)).toBeVisible()
  await pick(page.getByLabel('beside it'), 'without the plate')
  await expect(page.getByRole('img', { name: /without the plate: greatest/ })).toBeVisible()
  await pick(page.getByLabel('What is shown'), 'Core shear')
  const picture = page.getByRole('img', { name: /^Core shear, as designed/ })
  await picture.hover()
  await expect(page.getByText(/to starboard of its middle: .+ MPa/)).toBeVisible()
  const before = await page.getByRole('img', { name: /^Core shear, as designed/ }).getAttribute('aria-label')
  await page.getByRole('textbox', { name: 'Plate thickness' }).fill('15')
  await expect(page.getByRole('img', { name: /^Core shear, as designed/ })).not.toHaveAttribute(
    'aria-label',
    before!,
  )
  expect(await serious(page)).toEqual([])
  await page.getByRole('button', { name: 'add a case' }).click()
  await page.getByLabel('Name of this case').fill('Someone falls on it')
  await page.getByLabel('Name of this case').blur()
  await pick(page.getByLabel('Basis'), 'Rated by its maker')
  await page.getByLabel('Rated load').fill('2500 N')
  await expect(page.getByText(/“Someone falls on it” governs, by/)).toBeVisible()
  await page.keyboard.press('Escape')
  // What was given in one breath is one step, what took longer two: as many as there are, back and again.
  const governs = page.getByText(/“Someone falls on it” governs, by/)
  let steps = 0
  for (; await governs.isVisible(); steps++) await page.getByRole('button', { name: 'Undo' }).click()
  expect(steps).toBeGreaterThan(0)
  for (; steps > 0; steps--) await page.getByRole('button', { name: 'Redo' }).click()
  await expect(governs).toBeVisible()
  await saved(page)
})

test('the bitt on the wet foredeck: flagged, sized from the best few, its edges dragged and typed over', async ({
  page,
}) => {
  await enter(page)
  await place(page, 'HG-B160', '1180', '520', 'Bitt of the journey')
  await expect(page.getByText(/The core reads (wet|damp) here/)).toBeVisible()
  await page.getByRole('button', { name: /Size it/ }).click()
  const few = page.getByRole('table', { name: 'The best few' })
  await expect(few.getByRole('row').nth(1)).toBeVisible()
  await expect(few.getByRole('columnheader', { name: 'Under deck' })).toBeVisible()
  await few.getByRole('radio').last().check()
  await page.getByRole('button', { name: 'Use this design' }).click()
  await expect(
    page.locator('[data-verdict=short]').filter({ hasText: /punching|crush|Bolt in tension/i }),
  ).toHaveCount(0)
  const thick = page.getByRole('textbox', { name: 'Plate thickness' })
  const was = Number(await thick.inputValue())
  const grip = page.locator('[data-handle="plate.thicknessMm"]')
  const box = (await grip.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 + 30, { steps: 4 })
  await page.mouse.up()
  await expect.poll(async () => Number(await thick.inputValue())).toBeGreaterThan(was + 1)
  await page.locator('.section svg text.live', { hasText: /^4$/ }).first().click()
  const over = page.getByLabel('New dimension')
  await over.fill('none')
  await over.press('Enter')
  await expect(page.locator('.over').getByRole('alert')).toBeVisible()
  await over.fill('4.5')
  await over.press('Enter')
  await expect(page.getByRole('textbox', { name: 'Outer skin' })).toHaveValue('4.5')
  await page.getByLabel('thin layers thicker').check()
  await expect(page.getByText(/thin layers drawn thicker/)).toBeVisible()
  await tray(page, 'Schools')
  const core = page.getByRole('region', { name: 'Keeping water out of the core' })
  await expect(core).toContainText('rots: a sealed wall is not enough')
  const wet = page.getByRole('region', { name: 'Wet core under a fitting' })
  await expect(wet).toContainText('The sample is wet, not rotten')
  await wet.getByText('Recore the patch').click()
  // Tape never becomes a gasket: the second step is for what cures.
  await expect(page.getByRole('region', { name: 'Tightening' })).toContainText('snugged again the next day')
  await page.getByRole('region', { name: 'Bedding deck hardware' }).getByText('Tube', { exact: true }).click()
  await page.getByRole('region', { name: 'Tightening' }).getByText('Two steps').click()
  await tray(page, 'Work')
  await expect(page.getByRole('tabpanel')).toContainText('a last part-turn on the nut only')
  await expect(page.getByRole('tabpanel')).toContainText('cut one skin back to where the core is dry')
})

test('lifting points on metal: doubler and weld, metals kept apart, mirrored to the other side and compared', async ({
  page,
}) => {
  await enter(page)
  await onBoat(page, 'Tarn Runner')
  await place(page, 'HG-LP90', '3000', '-800', 'Lifting point, port quarter')
  await expect(check(page, 'doubler-weld')).toBeVisible()
  await expect(check(page, 'metals')).toHaveAttribute('data-verdict', 'holds')
  await page.getByLabel('sealant or paste between').uncheck()
  await expect(check(page, 'metals')).not.toHaveAttribute('data-verdict', 'holds')
  await check(page, 'metals')
    .getByRole('button', { name: /sleeve, washer and sealant/ })
    .click()
  await expect(check(page, 'metals')).toHaveAttribute('data-verdict', 'holds')
  await expect(page.locator('[data-check^=crush]')).toHaveCount(0)
  await tray(page, 'Work')
  await expect(page.getByRole('tabpanel')).toContainText('weld the doubler all round')
  await expect(page.getByRole('tabpanel')).toContainText('nobody under the load')
  await page.getByLabel('Weld leg').fill('8')
  await saved(page)
  await tray(page, 'Compare')
  await expect(page.getByRole('table', { name: 'What differs' })).toContainText('doubler, weld')
  await page.getByRole('button', { name: 'to the other side, mirrored' }).click()
  await expect(page.getByLabel('Name of the fitting')).toHaveValue('Lifting point, starboard quarter')
  await expect(page.locator('.where')).toContainText('starboard 800 mm')
  await pick(page.getByLabel('Beside this'), 'Lifting point, port quarter')
  await expect(page.getByRole('table', { name: 'Checks side by side' })).toContainText('Weld of the doubler')
})

test('the winch base on the working deck: pads part the bolts, parts go stale, templates and the drill schedule go out', async ({
  page,
}) => {
  await enter(page)
  const id = await place(page, 'HG-W200', '8050', '300', 'Winch of the journey')
  await tray(page, 'Parts')
  await page.getByRole('button', { name: 'Mark as bought' }).click()
  await expect(page.getByText(/Bought by .+; they still fit/)).toBeVisible()
  await page.getByText('Pads, wedges, an uneven deck').click()
  await page.getByLabel('Pad under bolt 1', { exact: true }).fill('20')
  await expect(page.getByRole('tabpanel')).toContainText('The stack has moved since these were bought')
  await expect(page.getByRole('tabpanel')).toContainText('for bolt 1')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText(/they still fit/)).toBeVisible()
  await saved(page)
  await tray(page, 'Templates')
  await expect(page.getByRole('table', { name: 'Drill schedule' }).getByRole('row')).toHaveCount(7)
  const [dxf] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'DXF', exact: true }).click(),
  ])
  expect(await readFile((await dxf.path())!, 'utf8')).toContain('DRILL')
  const [pdf] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'PDF, A4' }).click(),
  ])
  expect((await readFile((await pdf.path())!)).subarray(0, 5).toString()).toBe('%PDF-')
  expect(id).toMatch(/^[0-9a-f-]{36}$/)
})

test('a track in a row of bolts in inches, and hardware of the yard\u2019s own', async ({ page }) => {
  await enter(page)
  await onBoat(page, 'Pipit')
  await place(page, 'HG-TR4I', '130', '-33', 'Track of the journey')
  await expect(page.locator('.where')).toContainText('9 × 1/4-20')
  const used = page.getByRole('tabpanel').getByRole('table').first().getByRole('row')
  await expect(used.filter({ hasText: '0.00' })).toHaveCount(6)
  await page.getByRole('textbox', { name: 'Outer skin' }).fill('3/16')
  await expect(page.getByRole('textbox', { name: 'Outer skin' })).toHaveValue('3/16')
  await tray(page, 'Templates')
  await expect(page.getByRole('table', { name: 'Drill schedule' })).toContainText('in')
  await page.keyboard.press('Alt+4')
  await page.getByText('Own hardware', { exact: true }).click()
  await page.getByRole('button', { name: 'Draw a new one' }).click()
  const form = page.getByRole('form', { name: 'Own hardware' })
  await form.getByLabel('Number').fill('PY-1')
  await form.getByLabel('What it is').fill('Rudder gudgeon')
  await form.getByLabel('Hole 1, x').fill('-9')
  await form.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByRole('alert').first()).toContainText('does not stand inside the base')
  await form.getByLabel('Hole 1, x').fill('-1')
  await form.getByLabel('Hole 2, x').fill('1')
  await form.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText('PY-1 is in the list.')).toBeVisible()
  await page.keyboard.press('Alt+1')
  await place(page, 'PY-1', '200', '0', 'Gudgeon of the journey')
  await expect(page.locator('.where')).toContainText('PY-1')
})

test('on a slow line nobody is in conflict with himself: what was changed while a save was on its way is saved after it', async ({
  page,
}) => {
  await enter(page)
  await place(page, 'HG-C250', '2600', '-900', 'Cleat on a slow line')
  let inFlight = 0
  let most = 0
  await page.route('**/api/fittings/*', async (route) => {
    if (route.request().method() !== 'PUT') return route.continue()
    most = Math.max(most, ++inFlight)
    const answer = await route.fetch()
    await new Promise((next) => setTimeout(next, 1200))
    inFlight--
    await route.fulfill({ response: answer })
  })
  const thickness = page.getByRole('textbox', { name: 'Plate thickness' })
  const sent = page.waitForRequest((r) => r.method() === 'PUT')
  await thickness.fill('11')
  await sent
  for (const t of ['12', '13', '14']) {
    await thickness.fill(t)
    await expect(page.locator('[data-test=saved]')).not.toHaveText('saved')
  }
  await saved(page)
  await expect(page.getByRole('dialog')).toHaveCount(0)
  expect(most).toBe(1)
  await page.unroute('**/api/fittings/*')
  await page.reload()
  await expect(page.getByRole('textbox', { name: 'Plate thickness' })).toHaveValue('14')
})

test('a cleat where nobody reaches a nut, and one that nobody has looked behind', async ({ page }) => {
  await enter(page)
  await place(page, 'HG-C150', '2450', '620', 'Cleat, fixed from above')
  await pick(page.getByLabel('Held by'), 'nuts caught in epoxy')
  await saved(page)
  // The plate went with the nuts: nothing is behind any more.
  await expect(page.getByLabel('Plate thickness')).toHaveCount(0)
  await expect(check(page, 'plug-pull')).toBeVisible()
  await expect(check(page, 'punching-core')).toHaveCount(0)
  await page.getByRole('tab', { name: 'Work', exact: true }).click()
  await expect(page.locator('[data-step=core-fill]')).toContainText('waxed bolt')
  await expect(page.locator('[data-step=core-fill]')).toContainText('hard after')
  await page.keyboard.press('z')
  await expect(page.getByLabel('Plate thickness')).toBeVisible()
  await expect(check(page, 'plug-pull')).toHaveCount(0)
  // Found in the boat: what nobody has seen proves nothing, and a look settles it.
  await page.getByRole('tab', { name: 'Survey' }).click()
  await page.getByText('It is in the boat already, and was looked at').click()
  const good = page.getByRole('region', { name: 'What it is good for' })
  await expect(good).toContainText(/Good for .* with a tenth in hand/)
  await good.getByText('the backing plate').click()
  await expect(check(page, 'unseen')).toContainText('Nobody has seen the backing plate')
  await expect(good).toContainText(/Good for at least .* and at most .* Look at the backing plate first/)
  await page.getByRole('button', { name: 'Same pattern, new bolts' }).click()
  await saved(page)
  await page.getByRole('tab', { name: 'Work', exact: true }).click()
  await expect(page.locator('[data-step=old-out]')).toContainText('Take Cleat, fixed from above off')
  await expect(page.locator('[data-step=template]')).toHaveCount(0)
  // It stands in the list of all fittings, by the name of what governs it.
  await page.getByRole('link', { name: 'all fittings' }).click()
  await page.getByLabel('Search these').fill('fixed from above')
  await expect(page.getByRole('row', { name: /Cleat, fixed from above/ })).toBeVisible()
  await page.getByLabel('Search these').fill('no such thing')
  await expect(page.getByText('No fitting is like that.')).toBeVisible()
})
