import { expect, test, type Page } from '@playwright/test'
import { check, enter, pick, place, saved } from './hands'

/** What pulls on the hull: a chainplate that creeps, and a strut that is brought into line. */
const noWider = (page: Page) => page.evaluate<number>('document.documentElement.scrollWidth - innerWidth')
const sighting = async (page: Page, near: [string, string], far: [string, string]) => {
  const form = page.getByRole('form', { name: 'A sighting' })
  for (const [which, [at, across]] of [
    ['First reading', near],
    ['Second reading', far],
  ] as const) {
    await form.getByLabel(`${which}, from the bore`).fill(at)
    await form.getByLabel(`${which}, across`).fill(across)
    await form.getByLabel(`${which}, up`).fill('0')
  }
  await page.keyboard.press('Tab')
  await form.getByRole('button', { name: 'Add the sighting' }).click()
}

test('a chainplate that creeps is not sailed on, is held for the time being, and goes back when it is proved', async ({
  page,
}) => {
  await enter(page)
  const boat = await page.request.get('/api/boats/fulmars-reach')
  const { fittings } = (await boat.json()) as { fittings: { id: string; name: string }[] }
  const id = fittings.find((f) => f.name === 'Steadying mast, port chainplate')!.id
  await page.goto(`/bench/${id}`)
  await expect(page.getByRole('alert').filter({ hasText: 'Do not sail on it' })).toBeVisible()
  await expect(check(page, 'moved')).toHaveAttribute('data-verdict', 'short')

  // A look that is no height stays where it was typed, and is not kept.
  await page.getByRole('textbox', { name: 'Height over the mark' }).fill('a finger')
  await page.keyboard.press('Tab')
  await expect(page.getByRole('alert').filter({ hasText: 'a finger' })).toBeVisible()
  await page.getByRole('textbox', { name: 'Height over the mark' }).fill('')

  await page.getByRole('button', { name: 'It is held for the time being' }).click()
  await expect(check(page, 'temporary')).toContainText('motoring in sheltered water until')
  await page.getByLabel('Not meanwhile').fill('no sail on port tack')
  await expect(check(page, 'temporary')).toContainText('Not meanwhile: no sail on port tack')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await page.getByRole('button', { name: 'Redo', exact: true }).click()
  await saved(page)
  await page.reload()
  await expect(check(page, 'temporary')).toBeVisible()
  // Held is not proved: it still moved.
  await expect(check(page, 'moved')).toHaveAttribute('data-verdict', 'short')

  await page.getByLabel('Proved since it moved').fill('knee rebuilt, sailed both tacks, not moved')
  await expect(check(page, 'moved')).toContainText('was proved since: knee rebuilt')
  await expect(check(page, 'moved')).toHaveAttribute('data-verdict', 'tight')
  await page.getByRole('button', { name: 'no longer' }).click()
  await expect(check(page, 'temporary')).toHaveCount(0)
  await saved(page)
  const card = await page.request.get(`/api/fittings/${id}/card.pdf?units=metric`)
  expect([card.status(), card.headers()['content-type']]).toEqual([200, 'application/pdf'])
  await page.setViewportSize({ width: 390, height: 844 })
  await page.reload()
  await expect(page.getByText(/Hold the mast with halyards/)).toBeVisible()
  expect(await noWider(page)).toBeLessThanOrEqual(0)
})

test('a strut is brought into line in three readings before anything is poured, and is on record with its arc-seconds', async ({
  page,
}) => {
  await enter(page)
  await page.getByRole('button', { name: /New fitting here/ }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel(/^the rig:/).check()
  await dialog.getByLabel('x, aft of the stem').fill('9600')
  await dialog.getByLabel('y, to starboard').fill('0')
  await dialog.getByLabel('What goes here').fill('strut')
  await dialog.getByLabel('Name').fill('Strut of the journey')
  await dialog.getByRole('button', { name: 'Put BS-T30 there' }).click()
  await expect(check(page, 'align-sighted')).toContainText('Nobody has sighted along it yet')
  const id = page.url().split('/').at(-1)!

  await page.getByRole('tab', { name: 'Sighted' }).click()
  await sighting(page, ['1000', '4'], ['3000', '12'])
  await expect(check(page, 'align-tilt')).toHaveAttribute('data-verdict', 'short')
  await expect(check(page, 'align-sighted')).toContainText('825 arc-seconds, 4 mm to the metre')
  await expect(page.locator('[data-test=turns]')).toContainText('towards the target')
  await sighting(page, ['1000', '0.4'], ['3000', '0.6'])
  await expect(check(page, 'align-tilt')).toHaveAttribute('data-verdict', 'holds')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(check(page, 'align-tilt')).toHaveAttribute('data-verdict', 'short')
  await page.getByRole('button', { name: 'Redo', exact: true }).click()
  await sighting(page, ['1000', '0.1'], ['3000', '0.15'])
  await expect(check(page, 'align-sighted')).toContainText('Sighted 3 times: 825 arc-seconds')

  // What is no size is said beside it, and what stood there is kept.
  await page.getByLabel('Shaft', { exact: true }).fill('thick')
  await page.keyboard.press('Tab')
  await expect(page.getByRole('alert').filter({ hasText: 'thick' })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.getByLabel('Carries').fill('4')
  await page.keyboard.press('Tab')
  await pick(page.getByLabel('Made as'), 'ground, in epoxy')
  await expect(check(page, 'bond-shear')).not.toHaveAttribute('data-verdict', 'unproven')
  await saved(page)
  await page.reload()
  await page.getByRole('tab', { name: 'Sighted' }).click()
  await expect(page.getByRole('table', { name: 'Times it was sighted' }).getByRole('row')).toHaveCount(4)
  const jig = await page.request.get(`/api/fittings/${id}/template.dxf?what=jig&units=metric`)
  expect(jig.status()).toBe(200)
  await page.getByRole('button', { name: 'Record it' }).click()
  await page.getByRole('link', { name: /In the register: P-/ }).click()
  await expect(page.getByText(/pocket 25 mm deep, not through/).first()).toBeVisible()
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto(`/bench/${id}`)
  await expect(page.getByText(/Sight again before anything is poured/)).toBeVisible()
  expect(await noWider(page)).toBeLessThanOrEqual(0)
})

test('a plate is bonded in minutes: dry run by the clock, a bead of the lot, a countdown that starts with the tick', async ({
  page,
}) => {
  await enter(page)
  const id = await place(page, 'BS-G10', '8200', '400', 'Plate of the journey', /^the rig:/)
  await expect(check(page, 'glue-time')).toContainText('Nobody has timed a dry run')
  await page.getByLabel('Dry run took').fill('30')
  await page.keyboard.press('Tab')
  await expect(check(page, 'glue-time')).toHaveAttribute('data-verdict', 'short')
  await check(page, 'glue-time')
    .getByRole('button', { name: /filled epoxy/ })
    .click()
  await expect(check(page, 'glue-time')).toHaveAttribute('data-verdict', 'holds')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await page.getByLabel('Dry run took').fill('12')
  await page.keyboard.press('Tab')
  await expect(check(page, 'glue-time')).toHaveAttribute('data-verdict', 'holds')
  await saved(page)
  await expect(page.getByRole('row', { name: /Mixing nozzle/ })).toContainText('1 + 1')

  // What went before is ticked by hand of the API: the clock is what is looked at here.
  const tick = (step: string, more: object = {}) =>
    page.request.post(`/api/fittings/${id}/tick`, { data: { step, note: '', ...more } })
  for (const step of ['glue-ready', 'dry-run', 'test-bead'])
    expect((await tick(step, { reason: 'looked at in the shop' })).status(), step).toBeLessThan(300)
  expect((await tick('glue-start', { tempC: 15, humidityPct: 60, reason: 'ready' })).status()).toBeLessThan(
    300,
  )
  await page.reload()
  const clock = page.getByRole('timer')
  await expect(clock).toContainText(/(19|20):\d\d/)
  await expect(clock).toContainText('until the plate is pressed home')
  const first = await clock.innerText()
  await expect.poll(() => clock.innerText()).not.toBe(first)
  expect((await tick('glue-press', { reason: 'pressed home' })).status()).toBeLessThan(300)
  await page.reload()
  await expect(page.getByText(/In time: (19|20):\d\d was left/)).toBeVisible()
  await expect(page.getByRole('timer')).toHaveCount(0)
})
