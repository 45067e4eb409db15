import { readFile } from 'node:fs/promises'
import { expect, test, type Page } from '@playwright/test'
import dayjs from 'dayjs'
import { enter, pick } from './hands'

/**
 * The yard is everybody’s: where another journey began or ticked a step meanwhile, the place is read anew
 * and the next step is opened. Nothing in a round may wait without end, or there is no other round.
 */
const theNextThat = async (page: Page, fits: () => Promise<void>) => {
  let round = 0
  await expect(async () => {
    if (round++ > 0) await page.reload()
    const steps = page.getByRole('button', { name: /^Open / })
    await expect(steps.first()).toBeVisible({ timeout: 10_000 })
    await steps.nth((round - 1) % (await steps.count())).click({ timeout: 5000 })
    await fits()
  }).toPass({ timeout: 75_000 })
}

test('the yard plans its weeks: a late part and a cold night move them and say why, a step is put elsewhere and back, ticked, carried', async ({
  page,
}) => {
  test.setTimeout(180_000)
  await enter(page)
  await page.goto('/boat/pipit')
  await expect(page.locator('.strip')).toContainText('Pipit')
  await expect(page.getByRole('heading', { name: 'Plan' })).toBeVisible()
  await page.keyboard.press('Alt+3')
  await expect(
    page.getByRole('region', { name: 'Tam Corrigall' }).getByRole('listitem').first(),
  ).toContainText(/\d\d:\d\d–\d\d:\d\d/)
  await expect(page.getByRole('heading', { name: 'In the bag' })).toBeVisible()

  // The small boat alone: offered, and taken by a press.
  await page.getByRole('button', { name: 'Plan anew' }).click()
  const asking = page.getByRole('dialog')
  for (const boat of ['Fulmar\u2019s Reach', 'Tarn Runner'])
    await asking.getByText(boat, { exact: true }).click()
  await asking.getByRole('button', { name: 'Plan it' }).click()
  const offer = page.getByRole('status', { name: 'What would move' })
  await expect(offer).toContainText('would move', { timeout: 30_000 })
  await offer.getByRole('button', { name: 'Take the new plan' }).click()
  await expect(offer).toHaveCount(0)
  // One boat only: no place is called by its boat any more, and nothing of another boat is in it.
  const hisDay = page.getByRole('region', { name: 'Tam Corrigall' }).first()
  await expect(hisDay.getByRole('listitem').first()).toBeVisible()
  await expect(hisDay).not.toContainText('Fulmar\u2019s Reach')

  // A part is late: what moves by how much, and why; nothing moves by itself.
  await page.getByText('Held', { exact: true }).click()
  await page.getByRole('button', { name: 'Something holds work up' }).click()
  const form = page.getByRole('form', { name: 'Something holds work up' })
  await pick(form.getByRole('combobox', { name: 'What it holds' }), 'Worn bolts of the rudder gudgeon')
  await form.getByLabel('In words').fill('The bolts are late')
  await form.getByLabel('Until').fill(dayjs().add(25, 'day').format('D MMM YYYY'))
  await page.keyboard.press('Enter')
  await form.getByRole('button', { name: 'Write it down' }).click()
  await expect(offer).toContainText('The bolts are late', { timeout: 30_000 })
  await offer.getByRole('button', { name: 'What moves' }).click()
  const moves = page.getByRole('table', { name: 'What moves' })
  const late = moves.getByRole('row', { name: /Worn bolts of the rudder gudgeon/ }).first()
  await expect(late).toContainText('The bolts are late')
  await expect(late).toContainText(/\d+ d later/)
  await offer.getByRole('button', { name: 'Take the new plan' }).click()
  await expect(page.getByRole('table', { name: 'What is held' })).toContainText('The bolts are late')

  // A step is put elsewhere: refused with the reason, then kept and taken back.
  await page.getByText('Today', { exact: true }).click()
  const drawer = page.getByRole('dialog')
  const elsewhere = drawer.getByRole('form', { name: 'Put it elsewhere' })
  const hurry = { timeout: 5000 }
  const put = async (day: dayjs.Dayjs) => {
    await elsewhere.getByLabel('On').fill(day.format('D MMM YYYY'), hurry)
    await page.keyboard.press('Enter')
    await elsewhere.getByRole('button', { name: 'Put it there' }).click(hurry)
  }
  await theNextThat(page, async () => {
    await put(dayjs().subtract(3, 'day'))
    await expect(drawer.getByText('It cannot go there: that day has passed')).toBeVisible({ timeout: 8000 })
  })
  // A Wednesday on which everybody works.
  await put(dayjs().add(2, 'week').day(3))
  const moved = page.getByRole('status', { name: 'What moved' })
  await expect(moved).toContainText('go with it', { timeout: 30_000 })
  await moved.getByRole('button', { name: 'Undo' }).click()
  await expect(moved).toHaveCount(0)

  // Taken by the hand to another day of the week: dragged, kept, and taken back.
  await page.getByText('Week', { exact: true }).click()
  const grid = page.getByRole('table', { name: 'Days across, hands and cures down' })
  const next = page.getByRole('button', { name: 'Next week' })
  const tam = grid.getByRole('row', { name: /^Tam Corrigall/ }).getByRole('cell')
  const piece = grid.locator('.piece').first()
  const there = tam
    .filter({ hasNot: page.locator('.piece') })
    .filter({ has: page.locator('ul') })
    .first()
  // The first week to come, whatever day it is today, in which something is done and a day of his is free.
  const fits = async () => (await piece.count()) > 0 && (await there.count()) > 0
  for (let weeks = 0; weeks < 6 && (weeks === 0 || !(await fits())); weeks++) await next.click()
  await piece.scrollIntoViewIfNeeded()
  const from = (await piece.boundingBox())!
  const to = (await there.locator('ul').boundingBox())!
  await page.mouse.move(from.x + 20, from.y + 8)
  await page.mouse.down()
  await page.mouse.move(from.x + 30, from.y + 14, { steps: 4 })
  await page.mouse.move(to.x + 30, to.y + 8, { steps: 12 })
  await page.mouse.up()
  await expect(moved.or(page.getByText(/It cannot go there/))).toBeVisible({ timeout: 30_000 })
  if (await moved.count()) await moved.getByRole('button', { name: 'Undo' }).click()
  await expect(moved).toHaveCount(0)
  await page.getByText('Today', { exact: true }).click()

  // Begun and ticked in the hand; what is found meanwhile becomes an item of its own.
  await theNextThat(page, async () => {
    await expect(drawer.getByRole('button', { name: 'I begin' })).toBeVisible(hurry)
    await drawer.getByRole('button', { name: 'Found while doing this' }).click(hurry)
  })
  const found = drawer.getByRole('form', { name: 'Found while doing this' })
  await pick(found.getByRole('combobox', { name: 'What was found' }), 'a part that is missing or wrong')
  await found.getByLabel('In words').fill('the washers are the other thread')
  await found.getByRole('button', { name: 'Write it down' }).click()
  await expect(found.getByRole('status')).toContainText('It holds the work on this from now on')
  await found.getByRole('button', { name: 'Back to the step' }).click()
  await drawer.getByRole('button', { name: 'I begin' }).click()
  await expect(drawer.getByText(/^Begun \d\d:\d\d, Tam Corrigall/)).toBeVisible()
  const tick = drawer.getByRole('form', { name: /^Ticking / })
  await tick.getByLabel('It took').fill('17')
  await tick.getByLabel('Note').fill('nothing behind it')
  if (await tick.getByLabel(/^Why it is passed over/).count())
    await tick.getByLabel(/^Why it is passed over/).fill('in the test')
  await tick.getByRole('button', { name: /tick/i }).first().click()
  await expect(drawer.getByRole('status')).toContainText('Ticked')
  await page.keyboard.press('Escape')
  await expect(offer).toContainText('the washers are the other thread', { timeout: 30_000 })
  await page.getByText('People', { exact: true }).click()
  await expect(page.getByRole('table', { name: 'Minutes of this yard' })).toContainText('17')

  // A cold night comes by file: the days are not fit to bond.
  await page.getByText('Weather', { exact: true }).click()
  const hours = Array.from({ length: 48 }, (_, i) => dayjs().startOf('hour').add(i, 'hour'))
  const csv = ['at,airC,humidityPct', ...hours.map((h) => `${h.format('YYYY-MM-DDTHH:00')},-3,90`)].join('\n')
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'frost.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) })
  await expect(page.getByText('The forecast was read.')).toBeVisible()
  await expect(offer).toContainText('the weather was told anew', { timeout: 30_000 })
  await offer.getByRole('button', { name: 'Take the new plan' }).click()
  await expect(page.getByRole('table', { name: 'Days of the forecast' })).toContainText('not fit')

  // Carried: the sheet of the day, and a link that can be revoked.
  await page.getByRole('button', { name: 'Carry it' }).click()
  const file = page.waitForEvent('download')
  await page.getByRole('link', { name: /^Sheet of / }).click()
  expect((await file).suggestedFilename()).toMatch(/\.pdf$/)
  await page.getByLabel('What it is called').fill('My phone')
  await page.getByRole('button', { name: 'Make a link' }).click()
  const link = await page.getByLabel('The link').inputValue()
  expect(await (await fetch(link)).text()).toContain('BEGIN:VCALENDAR')
  await page.getByRole('button', { name: 'Revoke My phone' }).click()
  await expect(page.getByRole('table', { name: 'Links for a calendar' })).toHaveCount(0)
  expect((await fetch(link)).status).toBe(404)
})

test('what the open work wants stands as one list, leads to its fittings, and is taken along', async ({
  page,
}) => {
  await enter(page)
  await page.goto('/stores')
  await page.getByText('Parts for the boat', { exact: true }).click()
  await expect(page).toHaveURL(/view=parts/)
  const list = page.getByRole('table', { name: 'Parts wanted' })
  await expect(list.getByRole('row').nth(3)).toContainText('to buy')
  await expect(page.getByRole('heading', { name: 'In reach, for all of it' })).toBeVisible()
  const file = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Parts as CSV' }).click()
  const text = (await readFile((await (await file).path())!)).toString()
  expect(text.split('\n').length).toBeGreaterThan(20)
  await list.getByRole('link').first().click()
  await expect(page.getByLabel('Name of the fitting')).toBeVisible()
})
