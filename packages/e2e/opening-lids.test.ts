import { expect, test, type Page } from '@playwright/test'
import { check, enter, saved } from './hands'

/** What closes an opening, or hangs in it: from the map to the sheet to the register. */
const put = async (page: Page, id: string, x: string, y: string, name: string) => {
  await page.getByRole('button', { name: /New fitting here/ }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('an opening: hatch, portlight, lid').check()
  await dialog.getByLabel('x, aft of the stem').fill(x)
  await dialog.getByLabel('y, to starboard').fill(y)
  await dialog.getByLabel('What goes here').fill(id)
  await dialog.getByLabel('Name').fill(name)
  await dialog.getByRole('button', { name: `Put ${id} there` }).click()
  await expect(page.getByLabel('Verdicts', { exact: true })).toBeVisible()
  return page.url().split('/').at(-1)!
}
const recorded = async (page: Page, words: RegExp | string) => {
  await page.getByRole('tab', { name: 'Work' }).click()
  await page.getByRole('button', { name: 'Record its hole' }).click()
  await page.getByRole('link', { name: /In the register: P-/ }).click()
  await expect(page.getByText(words).first()).toBeVisible()
}
const inTheBilge = async (page: Page, id: string, words: RegExp) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto(`/bench/${id}`)
  await expect(page.getByText(words).first()).toBeVisible()
  expect(
    await page.evaluate<number>('document.documentElement.scrollWidth - innerWidth'),
  ).toBeLessThanOrEqual(0)
}

test('a lid in 3 mm of laminate: thin skins hold no screw, its ring does, and the deck round it is solved', async ({
  page,
}) => {
  await enter(page)
  const boat = await page.request.get('/api/boats/fulmars-reach')
  const { fittings } = (await boat.json()) as { fittings: { id: string; name: string }[] }
  const id = fittings.find((f) => f.name === 'Lid over the instrument hold')!.id
  await page.goto(`/bench/${id}`)
  const ring = check(page, 'ring')
  await expect(ring).toContainText('There is no ring')
  await expect(check(page, 'screw-bite')).toContainText('thin skins do not hold a screw')
  await page.getByRole('button', { name: 'Give it a ring' }).click()
  await expect(ring).toContainText('Holds')
  await expect(check(page, 'screw-bite')).not.toContainText('Short')
  await page.getByLabel('Wide', { exact: true }).fill('broad')
  await page.getByLabel('Wide', { exact: true }).blur()
  await expect(page.getByRole('alert').filter({ hasText: 'broad' })).toBeVisible()
  await expect(ring).toContainText('Holds')
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(ring).toContainText('There is no ring')
  await page.getByRole('button', { name: 'Redo', exact: true }).click()
  await expect(ring).toContainText('Holds')

  await page.getByRole('tab', { name: 'Deck round it' }).click()
  await expect(page.locator('[data-test=weak-time]')).toBeVisible()
  await expect(page.getByRole('img', { name: /Deflection, with the hole/ })).toBeVisible()
  await expect(check(page, 'cut-skin')).toContainText('Draw what stiffens it here')
  await saved(page)
  await page.reload()
  await expect(check(page, 'ring')).toContainText('Holds')
  const sheet = await page.request.get(`/api/fittings/${id}/template.svg?what=ring&units=metric`)
  expect(await sheet.text()).toContain('<svg')
  await recorded(page, /ring \d+ mm wide/)
  await inTheBilge(page, id, /Cut the ring/)
})

test('a clear cover to stand on: stops that leave it no lap, a step that trips, and who is under it', async ({
  page,
}) => {
  await enter(page)
  const id = await put(page, 'CL-C70', '9900', '-250', 'Cover of the journey')
  const slide = check(page, 'lid-slide')
  await expect(slide).toContainText('Holds')
  await page.getByLabel('Wind on it, shut').fill('200')
  await page.getByLabel('Wind on it, shut').blur()
  await expect(check(page, 'lid-latch')).toContainText('Short')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(check(page, 'lid-latch')).not.toContainText('Short')
  await expect(check(page, 'lid-trip')).toContainText('12')
  await page.getByLabel('Edge above the deck').fill('a step')
  await page.getByLabel('Edge above the deck').blur()
  await expect(page.getByRole('alert').filter({ hasText: 'a step' })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.getByLabel('Edge above the deck').fill('8')
  await page.getByLabel('Edge above the deck').blur()
  await expect(check(page, 'lid-trip')).toContainText('Holds')
  // Under a foot it is judged as what it is: a pane that somebody stands on.
  await expect(check(page, 'pane-deflection')).toBeVisible()
  await expect(page.getByLabel('stood on')).toBeChecked()
  await saved(page)
  await page.reload()
  await expect(page.getByLabel('Edge above the deck')).toHaveValue('8')
  await recorded(page, /700 mm by 600 mm/)
  await inTheBilge(page, id, /Shut it: each latch pulls the same/)
})

test('a locker bin that one person hangs: screws set first, its bond against the clock, cut out and measured', async ({
  page,
}) => {
  await enter(page)
  const id = await put(page, 'CL-B40', '9900', '300', 'Bin of the journey')
  await page.getByLabel('Each screw').fill('9')
  await page.getByLabel('Each screw').blur()
  const time = check(page, 'bin-time')
  await expect(time).toContainText('Short')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(time).not.toContainText('Short')
  await page.getByRole('button', { name: 'It may fill with water' }).click()
  await expect(page.getByLabel('Filled with water')).toHaveValue('1')
  await page.getByLabel('Filled with water').fill('full')
  await page.getByLabel('Filled with water').blur()
  await expect(page.getByRole('alert').filter({ hasText: 'full' })).toBeVisible()
  await page.keyboard.press('Escape')

  // By its own outline: a rectangle is taken by its corners, and one of them is cut off.
  await page.getByRole('button', { name: 'By its corners' }).click()
  await expect(page.getByLabel('Corner 4, aft')).toBeVisible()
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.getByLabel('Corner radius')).toBeVisible()
  await saved(page)

  // What came out of the deck is her laminate: each layer goes into the survey.
  await page.getByRole('tab', { name: 'What came out' }).click()
  const layers = page.getByRole('tabpanel')
  for (const [label, mm] of [
    [/^Outer skin/, '5.1'],
    [/^Core/, '18.8'],
    [/^Inner skin/, '4'],
  ] as const) {
    await layers.getByLabel(label).fill(mm)
    await layers.getByLabel(label).blur()
  }
  await layers.getByRole('button', { name: 'Keep as a reading, 27.9 mm in all' }).click()
  await expect(layers.getByText('On record')).toBeVisible()
  await expect(check(page, 'offcut')).toContainText('27.9 mm')
  await saved(page)
  await page.reload()
  await expect(check(page, 'offcut')).toContainText('27.9 mm')
  await recorded(page, /400 mm by 300 mm/)
  await inTheBilge(page, id, /screws/)
})
