import { readFile } from 'node:fs/promises'
import AxeBuilder from '@axe-core/playwright'
import { expect, test } from '@playwright/test'
import { enter, pick, picked, place, saved } from './hands'

const tab = (page: import('@playwright/test').Page, name: string) =>
  page.getByRole('navigation', { name: 'Boat', exact: true }).getByRole('link', { name }).click()

test('a probe finds the deck thinner: the fitting goes stale, is judged anew, and takes the deck over with undo', async ({
  page,
}) => {
  await enter(page)
  await place(page, 'HG-C250', '2500', '-300', 'Cleat on the probe')
  await page.goto('/boat')
  await tab(page, 'Readings')
  const form = page.getByRole('form', { name: 'A new reading' })
  await pick(form.getByLabel('What', { exact: true }), 'thickness')
  await form.getByLabel('x, aft of the stem').fill('2500')
  await form.getByLabel('outer skin').fill('2')
  await form.getByLabel('inner skin').fill('1.5')
  await form.getByRole('button', { name: 'Keep this reading' }).click()
  await expect(page.getByText(/judged again, \d+ turned/)).toBeVisible()
  await tab(page, 'Map')
  await expect(page.getByRole('link', { name: /Cleat on the probe stale, judged again/ })).toBeVisible()
  await page.getByRole('link', { name: /Cleat on the probe stale/ }).click()
  // Three probes of the outer skin now: 4.1, 3.9 and 2, so the median is 3.9; the inner skin was an
  // estimate until now.
  await expect(
    page.getByText(/outer skin 4 mm is 3.9 mm now, measured; inner skin 3 mm is 1.5 mm now, measured/),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Use the deck as measured' }).click()
  await expect(page.getByText('Stale.')).toBeHidden()
  await expect(page.getByRole('textbox', { name: 'Outer skin' })).toHaveValue('3.9')
  await saved(page)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('Stale.')).toBeVisible()
  await page.getByLabel('Why this fitting keeps a deck of its own').fill('solid pad moulded in here')
  await page.getByRole('button', { name: 'Keep its own' }).click()
  await expect(page.getByText('Keeps a deck of its own: solid pad moulded in here.')).toBeVisible()
  await page.goto('/boat/fulmars-reach/readings')
  for (const title of ['outer skin 2 mm', 'inner skin 1.5 mm']) {
    const row = page.getByRole('row').filter({ hasText: title })
    await row.getByRole('button', { name: 'withdraw' }).click()
    await page.getByLabel('Why').fill('read by the knee')
    await page.getByRole('button', { name: 'Withdraw this reading' }).click()
    await expect(row).toContainText('withdrawn by')
  }
})

test('placed as a fitter measures; two that disagree are asked about; the register keeps what was measured', async ({
  page,
}) => {
  await enter(page)
  await page.getByRole('button', { name: /New fitting here/ }).click()
  const dialog = page.getByRole('dialog')
  const measure = dialog.getByLabel('As measured')
  await measure.fill('412 aft of P-099, 3 to port')
  await measure.blur()
  await expect(dialog.getByRole('alert')).toContainText('"P-099" is not known here')
  await measure.fill('300 forward of collision bulkhead, 1608 aft of stem, 500 to port')
  await expect(dialog.getByText('These stand 8 mm apart. Which is to be believed?')).toBeVisible()
  await dialog.getByLabel('What goes here').fill('HG-P60')
  await expect(dialog.getByRole('button', { name: 'Put HG-P60 there' })).toBeDisabled()
  await dialog.getByRole('radio', { name: /1.?608 mm aft of stem/ }).check()
  await dialog.getByRole('button', { name: 'Put HG-P60 there' }).click()
  await expect(page.locator('.where')).toContainText(/x 1.?608 mm, port 500 mm/)
  await page.getByRole('button', { name: /Record \d holes?/ }).click()
  await page.getByRole('link', { name: /In the register/ }).click()
  await expect(page.getByRole('region', { name: 'Hole', exact: true })).toContainText(
    '300 mm forward of Collision bulkhead',
  )
})

test('found holes in a row by keyboard alone, with a photo checked by what it is', async ({ page }) => {
  await enter(page)
  await tab(page, 'Found holes')
  await page.getByLabel('Where').focus()
  await page.keyboard.type('somewhere by the mast')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Nothing was kept: where it is could not be read.')).toBeVisible()
  await page.getByLabel('Where').fill('')
  for (const [i, where] of [
    '3100 aft of stem, 40 mm in from the port edge',
    '3140 aft of stem, 40 mm in from the port edge',
  ].entries()) {
    await page.keyboard.type(where)
    if (i === 0) {
      await page.getByLabel('Was for').focus()
      await page.keyboard.type('old awning rail')
    }
    await page.keyboard.press('Enter')
    await expect(page.getByRole('table', { name: 'Entered in this sitting' }).getByRole('row')).toHaveCount(
      i + 2,
    )
    await expect(page.getByLabel('Where')).toBeFocused()
  }
  const table = page.getByRole('table', { name: 'Entered in this sitting' })
  await expect(table).toContainText('within 50 mm: one patch')
  await table.getByRole('link').first().click()
  const hole = page.getByRole('region', { name: 'Hole', exact: true })
  await expect(hole).toContainText('Measured')
  await hole
    .locator('input[type=file]')
    .setInputFiles({ name: 'holiday.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('this is no picture') })
  await expect(hole.getByRole('alert')).toContainText(
    'holds no picture that can be read, whatever its name says',
  )
  await page.route('**/photos', (route) => route.abort())
  await hole
    .locator('input[type=file]')
    .setInputFiles({ name: 'stern.png', mimeType: 'image/png', buffer: Buffer.from('lost on the way') })
  await expect(hole.getByRole('alert')).toContainText('It waits on this device')
  await page.unroute('**/photos')
  const png = await page.screenshot({ clip: { x: 0, y: 0, width: 300, height: 200 } })
  await hole
    .locator('input[type=file]')
    .setInputFiles({ name: 'whatever.txt', mimeType: 'image/png', buffer: png })
  await expect(hole.getByRole('img', { name: /Photo of/ })).toBeVisible()
})

test('a reading is taken from a simulated meter, the wet map follows, and a lost stream says so and comes back', async ({
  page,
  context,
}) => {
  await enter(page)
  await tab(page, 'Readings')
  const form = page.getByRole('form', { name: 'A new reading' })
  await form.getByLabel('x, aft of the stem').fill('1150')
  await form.getByLabel('y, to starboard').fill('610')
  await form.getByRole('button', { name: 'Listen to the moisture meter' }).click()
  await expect(form.getByText('simulated', { exact: true })).toBeVisible()
  await form.getByRole('button', { name: 'Take reading' }).click()
  await expect(form.getByLabel('Reading', { exact: true })).not.toHaveValue('')
  await expect(form.getByText(/taken with Moisture meter, simulated/)).toBeVisible()
  await form.getByRole('button', { name: 'Keep this reading' }).click()
  await expect(form.getByText(/Kept at x/)).toBeVisible()
  await context.setOffline(true)
  await form.getByLabel('x, aft of the stem').fill('1160')
  await expect(form.getByText('stream lost, trying again …')).toBeVisible()
  await expect(form.getByRole('button', { name: 'Take reading' })).toBeDisabled()
  await context.setOffline(false)
  await expect(form.getByRole('button', { name: 'Take reading' })).toBeEnabled({ timeout: 15_000 })
  await tab(page, 'Map')
  await page.getByLabel('Find on the map').fill('net-hauler suspect')
  await expect(page.getByText(/5 of \d+ holes lit/)).toBeVisible()
  const plan = page.getByRole('group', { name: /^Plan of/ })
  await plan.focus()
  await page.keyboard.press('Shift+ArrowLeft')
  await expect(page.locator('.under')).toContainText(/Foredeck/)
})

test('angles by the level, three at a station; the schedule goes out', async ({ page }) => {
  await enter(page)
  await tab(page, 'Angles')
  await expect(page.getByText(/Heel 0\.\d+° to port/)).toBeVisible()
  const form = page.getByRole('form', { name: 'A level reading' })
  await pick(form.getByLabel('On'), 'at a station')
  await form.getByLabel('Station').fill('Gallows foot')
  await pick(form.getByLabel('Laid'), /^along/)
  await form.getByLabel('The level shows').fill('abc')
  await form.getByLabel('The level shows').blur()
  await expect(form.getByRole('alert')).toBeVisible()
  for (const v of ['3.1', '3.2', '3.1']) {
    await form.getByLabel('The level shows').fill(v)
    await form.getByRole('button', { name: 'Keep this reading' }).click()
    await expect(form.getByLabel('The level shows')).toHaveValue('')
  }
  const row = page
    .getByRole('region', { name: 'Schedule' })
    .getByRole('row')
    .filter({ hasText: 'Gallows foot' })
  await expect(row).toContainText('3.10°')
  await expect(row).not.toContainText('fewer than three')
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('region', { name: 'Schedule' }).getByRole('link', { name: 'CSV' }).click(),
  ])
  expect(await readFile((await file.path())!, 'utf8')).toContain('Gallows foot,starboard,along,3.10')
})

test('a boat of one\u2019s own: begun, built up with a zone, and a list of holes read in with its faults said first', async ({
  page,
}) => {
  await enter(page)
  await tab(page, 'Build-up')
  await page.getByRole('button', { name: 'Begin another boat' }).click()
  const form = page.getByRole('form', { name: 'A new boat' })
  await form.getByLabel('Name').fill('Little Auk')
  await form.getByLabel('Length').fill('5.2m')
  await form.getByLabel('Beam').fill('1900')
  await form.getByLabel('Displacement').fill('600')
  await form.getByRole('button', { name: 'Begin this boat' }).click()
  await expect(picked(page.getByRole('combobox', { name: 'Boat', exact: true }))).toContainText('Little Auk')
  await page.getByRole('button', { name: 'Add a zone' }).click()
  const zone = page.getByRole('form', { name: 'A new zone' })
  await zone.getByLabel('Name').fill('Foredeck')
  await pick(zone.getByLabel('Build'), 'single laminate')
  await zone.getByLabel('Thick').fill('7')
  await zone.getByLabel('Corner 1, x, aft').fill('wide')
  await zone.getByRole('button', { name: 'Add this zone' }).click()
  await expect(zone.getByRole('alert').filter({ hasText: 'Corner 1' })).toContainText('“wide” cannot be read')
  await zone.getByLabel('Corner 1, x, aft').fill('300')
  await zone.getByRole('button', { name: 'Add this zone' }).click()
  await expect(page.getByRole('form', { name: 'Zone Foredeck' })).toBeVisible()
  await page.getByRole('button', { name: /^Outline/ }).click()
  await page
    .locator('input[accept*=dxf]')
    .setInputFiles({ name: 'edge.dxf', mimeType: 'image/vnd.dxf', buffer: Buffer.from('no drawing at all') })
  await expect(page.getByRole('alert').filter({ hasText: /DXF/ })).toBeVisible()
  await tab(page, 'Files')
  await page
    .locator('input[accept*=json]')
    .setInputFiles({ name: 'boat.json', mimeType: 'application/json', buffer: Buffer.from('{ half a boat') })
  await expect(page.getByRole('alert')).toContainText('“boat.json” is no JSON; a boat’s file is accepted')
  const list = page.locator('input[accept*=csv]')
  await list.setInputFiles({
    name: 'holes.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Label,X,Y,Dia\nCleat 1,900,200,8\nCleat 2,oops,200,8\n'),
  })
  await pick(page.getByLabel('what for'), 'Label')
  await expect(page.getByText(/line 3, X/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Put 2 holes on record' })).toBeDisabled()
  await list.setInputFiles({
    name: 'holes.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Label,X,Y,Dia\nCleat 1,900,200,8\nCleat 2,980,200,8\n'),
  })
  await pick(page.getByLabel('what for'), 'Label')
  await page.getByRole('button', { name: 'Put 2 holes on record' }).click()
  await expect(page.getByText('2 holes are on record.')).toBeVisible()
  await tab(page, 'Map')
  const faults = await new AxeBuilder({ page }).analyze()
  expect(faults.violations.map((v) => v.id)).toEqual([])
})

test('a whole boat goes out and comes in again; the map goes out; a bulkhead is looked at and a fitting put on it', async ({
  page,
}) => {
  await enter(page)
  const [map] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'SVG' }).click(),
  ])
  expect(await readFile((await map.path())!, 'utf8')).toContain('P-001')
  await pick(page.getByLabel('View'), 'collision bulkhead')
  const face = page.getByRole('group', { name: /Collision bulkhead, seen from aft/ })
  await expect(face).toBeVisible()
  await face.click({ position: { x: 420, y: 260 } })
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('Collision bulkhead. 18 mm plywood')
  await dialog.getByLabel('What goes here').fill('HG-BK40')
  await dialog.getByRole('button', { name: 'Put HG-BK40 there' }).click()
  await expect(page.locator('.where')).toContainText('Collision bulkhead')
  await expect(picked(page.getByLabel('Made as'))).toContainText(/timber/i)
  await page.goto('/boat/pipit/files')
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'The whole boat', exact: true }).click(),
  ])
  const path = (await file.path())!
  await page.locator('input[accept*=json]').setInputFiles({
    name: 'broken.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"north-tide-boat","version":7}'),
  })
  await expect(page.getByRole('alert')).toContainText('version 4 is the newest read here')
  await page
    .locator('input[accept*=json]')
    .setInputFiles({ name: 'pipit.json', mimeType: 'application/json', buffer: await readFile(path) })
  await expect(picked(page.getByRole('combobox', { name: 'Boat', exact: true }))).toContainText('Pipit')
  await expect(page.getByRole('link', { name: /Foredeck cleat, / })).toBeVisible()
})
