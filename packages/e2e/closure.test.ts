import { expect, test } from '@playwright/test'
import { check, enter, pick, place, saved } from './hands'

test('three holes of an old rail are closed as one job: taken in from the register, ground, laid up, on record', async ({
  page,
}) => {
  test.setTimeout(120_000)
  await enter(page)
  await page.goto('/register')
  await page.getByRole('link', { name: 'P-009', exact: true }).click()
  await page.getByRole('button', { name: 'Work out how to close it' }).click()
  await expect(page.getByLabel('Name of the fitting')).toHaveValue(/^Closing P-009, Old rail/)
  await expect(page.getByRole('textbox', { name: 'Hole 1, across' })).toHaveValue('6.5')

  // The core was never read: nothing is proved until somebody says.
  await expect(check(page, 'core-state')).toContainText('Nobody has read the core')
  await pick(page.getByLabel('Core round it'), 'read, and dry')
  await expect(check(page, 'core-state')).toContainText('dry')

  // Others of the same rail, and one remedy for a bevel that is too steep.
  await page.getByRole('button', { name: /^All \d+ open holes here$/ }).click()
  const holes = page.getByRole('table', { name: 'Holes of the job' })
  await expect(holes).toContainText('P-010')
  await expect(holes).toContainText('P-011')
  await page.getByRole('textbox', { name: 'Bevel, to one' }).fill('6')
  await expect(check(page, 'bevel')).toHaveAttribute('data-verdict', 'short')
  await check(page, 'bevel')
    .getByRole('button', { name: /a bevel of/ })
    .first()
    .click()
  await expect(check(page, 'bevel')).toHaveAttribute('data-verdict', 'holds')

  // A figure that makes no sense stays where it was typed, and the last that did is kept.
  await page.getByRole('textbox', { name: 'Hole 1, across' }).fill('nothing')
  await page.keyboard.press('Tab')
  await expect(page.getByRole('textbox', { name: 'Hole 1, across' })).toHaveValue('nothing')
  await page.getByRole('textbox', { name: 'Hole 1, across' }).fill('6.5')
  await page.keyboard.press('Tab')
  await saved(page)
  await page.reload()
  await expect(holes).toContainText('P-011')

  await page.getByRole('tab', { name: 'Cloth' }).click()
  await expect(page.getByRole('table', { name: /Pieces of cloth/ })).toContainText('outer skin')
  await page.getByRole('tab', { name: 'Templates' }).click()
  const file = page.waitForEvent('download')
  await page.getByRole('link', { name: 'DXF' }).first().click()
  expect((await file).suggestedFilename()).toMatch(/\.dxf$/)

  await page.getByRole('button', { name: 'Link its holes' }).click()
  await expect(page.getByText(/P-009.* in the register/)).toBeVisible()
  await page.goto('/register')
  await page.getByRole('link', { name: 'P-010', exact: true }).click()
  await expect(page.getByRole('region', { name: 'Hole' })).toContainText('Closing P-009')
})

test('old holes are chosen on the map by a box, become one job, and for each it is decided what becomes of it', async ({
  page,
}) => {
  await enter(page)
  await page.goto('/boat/fulmars-reach')
  await page.getByRole('button', { name: 'Close holes', exact: true }).click()
  const side = page.getByRole('complementary', { name: 'Holes to close' })
  await expect(side).toContainText('0 chosen')
  await expect(side.getByRole('button', { name: 'Close them as one job' })).toBeDisabled()

  // The whole map in one box takes every open hole; a second box over the same lets them go again.
  const map = (await page.locator('svg.choose').boundingBox())!
  const everything = async () => {
    await page.mouse.move(map.x + 4, map.y + 4)
    await page.mouse.down()
    await page.mouse.move(map.x + map.width - 4, map.y + map.height - 4, { steps: 4 })
    await page.mouse.up()
  }
  await everything()
  await expect(side).toContainText(/\d+ on .*, a job each/)
  await everything()
  await expect(side).toContainText('0 chosen')

  for (const label of ['P-009', 'P-010', 'P-011']) await side.getByLabel(label).check()
  await expect(side).toContainText('3 chosen.')
  await side.getByRole('button', { name: 'Close them as one job' }).click()
  const given = page.getByRole('table', { name: 'Holes of the job' })
  for (const label of ['P-009', 'P-010', 'P-011']) await expect(given).toContainText(label)

  // Up to 10 mm above the water may be filled and left, once somebody has read the core.
  await page.getByRole('tab', { name: 'Decide' }).click()
  const decide = page.getByRole('table', { name: 'What becomes of each hole' })
  await expect(decide).toContainText('nobody has read the core')
  await pick(page.getByLabel('Core round it'), 'read, and wet')
  await expect(decide).toContainText('the core round it is wet')
  await pick(decide.getByLabel('P-009: what becomes of it'), 'a fitting of the same size goes in again')
  await expect(decide.getByRole('button', { name: 'Decide P-009' })).toBeDisabled()
  await pick(page.getByLabel('Core round it'), 'read, and dry')
  await expect(decide).toContainText('a plug of thickened epoxy is enough')
  await decide.getByRole('button', { name: 'Decide P-009' }).click()
  await expect(decide).toContainText('Decided: a fitting of the same size goes in again')
  await decide.getByRole('button', { name: 'out of this job' }).click()
  await expect(given).not.toContainText('P-009')
  for (const label of ['P-010', 'P-011'])
    await decide.getByRole('button', { name: `Decide ${label}` }).click()
  await page.getByRole('button', { name: 'Fill them without cloth' }).click()
  await expect(check(page, 'fill-only')).toHaveAttribute('data-verdict', 'holds')
  await saved(page)
  await page.reload()
  await page.getByRole('tab', { name: 'Decide' }).click()
  await expect(decide).toContainText('Decided: fill it and leave it')
})

test('four holes below the waterline become one job: bevels, pots, barrier coats, and each life says closed', async ({
  page,
}) => {
  test.setTimeout(120_000)
  await enter(page)
  const labels: string[] = []
  const ids: number[] = []
  for (const [i, diameterMm] of [14, 14, 22, 30].entries()) {
    const r = await page.request.post('/api/boats/fulmars-reach/penetrations', {
      data: {
        foundKind: 'open hole',
        whatFor: `old speed sensor ${i + 1}`,
        diameterMm,
        xMm: 6100 + 420 * i,
        yMm: 300,
        zMm: -420,
        zone: 'bottom',
      },
    })
    expect(r.status(), await r.text()).toBe(201)
    const made = (await r.json()) as { id: number; label: string }
    labels.push(made.label)
    ids.push(made.id)
  }
  await page.goto('/boat/fulmars-reach')
  await page.getByRole('button', { name: 'Close holes', exact: true }).click()
  const side = page.getByRole('complementary', { name: 'Holes to close' })
  for (const label of labels) await side.getByLabel(label).check()
  await side.getByRole('button', { name: 'Close them as one job' }).click()
  const given = page.getByRole('table', { name: 'Holes of the job' })
  for (const label of labels) await expect(given).toContainText(label)
  const id = page.url().split('/').at(-1)!

  // Filled alone is refused below the water; the bevel asked there is 12 to one.
  await pick(page.getByLabel('Closed by'), 'thickened epoxy alone')
  await expect(check(page, 'fill-only')).toHaveAttribute('data-verdict', 'short')
  await check(page, 'fill-only')
    .getByRole('button', { name: /bevelled and laid up/ })
    .click()
  await expect(check(page, 'bevel')).toContainText('12:1 is asked below the waterline')
  await page.getByRole('tab', { name: 'Cloth' }).click()
  const pots = page.getByRole('table', { name: 'Pots, those that reach farthest first' })
  await expect(pots.getByRole('row').nth(1)).toContainText(labels[3]!)
  await page.getByRole('tab', { name: 'Work' }).click()
  await expect(page.locator('[data-step="barrier"]')).toContainText('three coats or more')
  await saved(page)
  await page.getByRole('button', { name: 'Link its holes' }).click()
  await expect(page.getByText(new RegExp(`${labels[0]}.* in the register`))).toBeVisible()

  const steps = await page
    .locator('[data-step]')
    .evaluateAll((all) => all.map((x) => x.getAttribute('data-step')!))
  for (const step of steps) {
    const r = await page.request.post(`/api/fittings/${id}/tick`, {
      data: { step, note: '', reason: 'told of the work', proof: 'photo before and after, tapped all over' },
    })
    expect(r.status(), `${step}: ${await r.text()}`).toBeLessThan(300)
  }
  await page.goto(`/register/${ids[2]}`)
  await expect(page.getByRole('region', { name: 'Hole' })).toContainText('closed')
  await expect(page.getByRole('region', { name: 'Hole' })).toContainText('photo before and after')
})

test('a leaking joint is laid along the edge, its pots and hours follow, and a wedge is made the soonest way', async ({
  page,
}) => {
  await enter(page)
  await place(page, 'CX-J', '5200', '1700', 'Joint by the galley', /^closing/)
  await page.getByLabel('Edge from x').fill('4000')
  await page.getByLabel('Edge to x').fill('6400')
  await page.getByRole('button', { name: 'Lay it along the edge' }).click()
  await expect(page.getByText(/^2\s?4\d\d mm along it/)).toBeVisible()
  await expect(check(page, 'tape-stagger')).toHaveAttribute('data-verdict', 'tight')
  await check(page, 'tape-stagger')
    .getByRole('button', { name: /^tapes of/ })
    .first()
    .click()
  await expect(check(page, 'tape-stagger')).toHaveAttribute('data-verdict', 'holds')
  await page.getByLabel('Screws to cut').fill('36')
  await page.keyboard.press('Tab')
  await expect(page.locator('[data-step="joint-screws"]')).toContainText('Cut off 36 screws')
  await pick(page.getByLabel('Reached from'), 'outside only')
  await expect(check(page, 'access')).toHaveAttribute('data-verdict', 'short')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await saved(page)

  await page.goto('/boat/fulmars-reach')
  await place(page, 'CX-B', '8200', '400', 'Wedge under the winch', /^closing/)
  await page.getByLabel('Thin end').fill('3')
  await page.keyboard.press('Tab')
  await expect(check(page, 'thin-edge')).toHaveAttribute('data-verdict', 'short')
  await check(page, 'thin-edge')
    .getByRole('button', { name: /thin edge of 5/ })
    .click()
  await expect(check(page, 'thin-edge')).toHaveAttribute('data-verdict', 'holds')
  await page.getByRole('tab', { name: 'Side by side' }).click()
  await page
    .getByRole('row', { name: /Glued from sheet/ })
    .getByRole('button', { name: 'Take it' })
    .click()
  await expect(page.getByRole('row', { name: /Glued from sheet/ })).toContainText('as given')
  await page.getByRole('tab', { name: 'Work' }).click()
  await expect(page.locator('[data-step="block-make"]')).toContainText('weigh it down')
  await saved(page)
})
