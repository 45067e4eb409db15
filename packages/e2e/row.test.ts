import { expect, test } from '@playwright/test'
import { check, enter, pick, place, saved } from './hands'

test('a row of handrail feet: laid along the edge, round what is in the way, set out, one change for all, the odd one out', async ({
  page,
}) => {
  test.setTimeout(120_000)
  await enter(page)
  await page.getByRole('button', { name: /New fitting here/ }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('a row along an edge').check()
  await dialog.getByLabel('x, aft of the stem').fill('4200')
  await dialog.getByLabel('y, to starboard').fill('600')
  await dialog.getByLabel('What goes here').fill('HG-ROW-HR22')
  await dialog.getByLabel('Name').fill('Grab rail')
  await dialog.getByRole('button', { name: 'Put HG-ROW-HR22 there' }).click()
  await expect(check(page, 'members-set')).toContainText('0 of')

  // Along the deck's edge, and what is typed wrong stays where it is.
  const given = page.getByRole('region', { name: 'Given' })
  await given.getByLabel('Edge from x').fill('4200')
  await given.getByLabel('Edge to x').fill('6900')
  await given.getByRole('button', { name: 'Lay it along the edge' }).click()
  await pick(given.getByRole('combobox', { name: 'Its ends' }), 'may move')
  await given.getByRole('textbox', { name: 'Wanted', exact: true }).fill('2 feet wide')
  await page.keyboard.press('Tab')
  await expect(given.getByRole('textbox', { name: 'Wanted', exact: true })).toHaveValue('2 feet wide')
  await given.getByRole('textbox', { name: 'Wanted', exact: true }).fill('650')
  await page.keyboard.press('Tab')
  await expect(check(page, 'row-fits')).toHaveAttribute('data-verdict', 'holds')

  // Something in its way: the pitches even out round it, and undo takes it back.
  const schedule = page.getByRole('table', { name: 'Where each stands, from the first end' })
  const before = await schedule.innerText()
  await given.getByLabel('What is there').fill('Gate')
  await given.getByLabel('It begins at').fill('600')
  await given.getByLabel('It ends at').fill('720')
  await given.getByRole('button', { name: 'Keep off it' }).click()
  await expect(page.getByRole('table', { name: 'What the row keeps off' })).toContainText('Gate')
  await expect.poll(() => schedule.innerText()).not.toBe(before)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(() => schedule.innerText()).toBe(before)
  await page.getByRole('button', { name: 'Redo' }).click()
  await saved(page)

  await page.getByRole('tab', { name: 'Members' }).click()
  await page.getByRole('button', { name: /^Set out \d on the boat$/ }).click()
  const members = page.getByRole('table', { name: 'Members of the row' })
  await expect(members).toContainText('Grab rail 1')
  await expect(check(page, 'members-set')).toHaveAttribute('data-verdict', 'holds')
  await page.getByRole('checkbox', { name: 'Leave Grab rail 2 out' }).check({ force: true })
  await pick(page.getByRole('combobox', { name: 'Bolts of all' }), 'M5')
  await expect(page.getByRole('status').filter({ hasText: /One change for \d of them/ })).toBeVisible()
  await members.getByRole('link', { name: 'Grab rail 2' }).click()
  await expect(page.getByLabel('Name of the fitting')).toHaveValue('Grab rail 2')
  await expect(page.getByText(/HG-HR22, 3 × M6/)).toBeVisible()
  await page.goBack()

  await page.getByRole('tab', { name: 'Members' }).click()
  await page.getByRole('button', { name: /^Record the holes of \d$/ }).click()
  await expect(page.getByRole('status').filter({ hasText: /Done for \d/ })).toBeVisible()

  // One tick for all but the odd one out: said once, written into each.
  await page.getByRole('checkbox', { name: 'Leave Grab rail 2 out' }).check({ force: true })
  await page.getByRole('button', { name: /^Tick it for \d$/ }).click()
  const form = page.getByRole('form', { name: /^Ticking / })
  await form.getByLabel('Note').fill('looked behind all of them')
  if (await form.getByLabel(/^Reason/).count()) await form.getByLabel(/^Reason/).fill('in one round')
  await form.getByRole('button', { name: /tick/i }).first().click()
  await expect(page.getByRole('status').filter({ hasText: /^Done for \d$/ })).toBeVisible()
  await expect(form).toHaveCount(0)

  await page.getByRole('tab', { name: 'Templates' }).click()
  const file = page.waitForEvent('download')
  await page.getByRole('link', { name: 'PDF' }).first().click()
  expect((await file).suggestedFilename()).toMatch(/\.pdf$/)
})

test('a strake over forty-four old fasteners: each that it comes too near to is named and leads to its closing', async ({
  page,
}) => {
  await enter(page)
  const id = await page.evaluate(
    async () =>
      (
        (await (await fetch('/api/boats/tarn-runner')).json()) as { fittings: { id: string; name: string }[] }
      ).fittings.find((f) => f.name === 'Rubbing strake, port')!.id,
  )
  await page.goto(`/bench/${id}`)
  await expect(check(page, 'row-old-holes')).toContainText('close those first, or shift the row')
  await page.getByRole('tab', { name: 'Old holes' }).click()
  const holes = page.getByRole('table', { name: 'Old holes that it comes near to' })
  await expect(holes).toContainText('close it first')
  const verdict = check(page, 'row-old-holes')
  const said = await verdict.innerText()
  const from = page.getByRole('textbox', { name: 'From', exact: true })
  await from.fill('40')
  await page.keyboard.press('Tab')
  await expect.poll(() => verdict.innerText()).not.toBe(said)
  await saved(page)

  // One of them becomes a job of closing without leaving the row.
  const begin = holes.getByRole('button', { name: /^Begin closing P-/ }).first()
  const label = /P-\d+/.exec((await begin.getAttribute('aria-label'))!)![0]
  await begin.click()
  await expect(page.getByRole('status').filter({ hasText: 'A job of closing was begun' })).toContainText(
    label,
  )
  await expect(holes.getByRole('link', { name: new RegExp(`^Closing ${label}`) })).toBeVisible()
})

test('eleven brackets a side round knees, bent to the angles of the survey, and the same across the centreline', async ({
  page,
}) => {
  test.setTimeout(120_000)
  await enter(page)
  for (const n of [1, 4, 8, 11])
    await page.request.post('/api/boats/fulmars-reach/angles', {
      data: {
        role: 'station',
        station: `B${n}`,
        side: 'port',
        axis: 'across',
        degrees: 2 + n / 4,
        leanDeg: 0,
      },
    })
  await place(page, 'HG-ROW-BK40', '3400', '-1500', 'Brackets, port', /^a row/)
  const given = page.getByRole('region', { name: 'Given' })
  await given.getByLabel('Edge from x').fill('3400')
  await given.getByLabel('Edge to x').fill('8900')
  await given.getByRole('button', { name: 'Lay it along the edge' }).click()
  await given.getByLabel('How many').fill('11')
  await page.keyboard.press('Tab')
  await pick(given.getByRole('combobox', { name: 'Its ends' }), 'may move')
  for (const [what, from, to] of [
    ['Knee 1', '1180', '1240'],
    ['Knee 2', '2960', '3060'],
  ] as const) {
    await given.getByLabel('What is there').fill(what)
    await given.getByLabel('It begins at').fill(from)
    await given.getByLabel('It ends at').fill(to)
    await given.getByRole('button', { name: 'Keep off it' }).click()
    await expect(page.getByRole('table', { name: 'What the row keeps off' })).toContainText(what)
  }
  await expect(check(page, 'row-fits')).toHaveAttribute('data-verdict', 'holds')
  const schedule = page.getByRole('table', { name: 'Where each stands, from the first end' })
  await expect(schedule.getByRole('row')).toHaveCount(12)
  await page.getByRole('button', { name: 'Take the angles of the survey' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'taken from the survey, port' })).toBeVisible()
  await page.getByRole('textbox', { name: 'Bend of number 3' }).fill('94.5')
  await page.keyboard.press('Tab')
  await saved(page)
  const port = page.url().split('/').at(-1)!
  const csv = await (await page.request.get(`/api/fittings/${port}/schedule.csv`)).text()
  expect(csv.trim().split('\n')).toHaveLength(12)
  expect(csv).toContain('94.5')

  await page.getByRole('button', { name: 'Twin' }).click()
  await expect(page.getByLabel('Name of the fitting')).toHaveValue('Brackets, starboard')
  await expect(schedule.getByRole('row')).toHaveCount(12)
  await expect(check(page, 'row-fits')).toHaveAttribute('data-verdict', 'holds')
})

test('an inch track goes round a bulkhead: its own holes are at four inches, and the last before it is said', async ({
  page,
}) => {
  await enter(page)
  await page.evaluate(() => localStorage.clear())
  await page.goto('/boat/pipit')
  await expect(page.getByRole('button', { name: /New fitting here/ })).toBeVisible()
  await place(page, 'HG-ROW-TR4I', '80', '20', 'Sheet track', /^a row/)
  await page
    .getByRole('button', { name: 'inch', exact: true })
    .or(page.getByRole('button', { name: 'metric', exact: true }))
    .first()
    .waitFor()
  const given = page.getByRole('region', { name: 'Given' })
  // Beams and the tank under it take its screws all the same: it is the bulkhead's tabbing that it misses.
  await given.getByLabel('Clear of the map\u2019s').fill('')
  await page.keyboard.press('Tab')
  await given.getByLabel('What is there').fill('Bulkhead')
  await given.getByLabel('It begins at').fill('15')
  await given.getByLabel('It ends at').fill('15 3/4')
  await given.getByRole('button', { name: 'Keep off it' }).click()
  await expect(page.getByRole('table', { name: 'What the row keeps off' })).toContainText('15')
  const schedule = page.getByRole('table', { name: 'Where each stands, from the first end' })
  await expect(schedule.getByRole('row').nth(2)).toContainText('in')
  await expect(check(page, 'row-fits')).toHaveAttribute('data-verdict', 'holds')
  await saved(page)
  const id = page.url().split('/').at(-1)!
  for (const type of ['pdf', 'dxf']) {
    const t = await page.request.get(`/api/fittings/${id}/template.${type}?what=strip&units=inch`)
    expect(t.status(), type).toBe(200)
  }
})
