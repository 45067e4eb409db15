import { readFile } from 'node:fs/promises'
import { expect, test } from '@playwright/test'
import { enter, pick } from './hands'

test('the yard reads its next day, sees what is held and by what, works alone on one job, and takes it along', async ({
  page,
}) => {
  await enter(page)
  await page.keyboard.press('Alt+3')
  await expect(page.getByRole('heading', { name: 'Plan', exact: true })).toBeVisible()
  await expect(
    page.getByRole('region', { name: 'Tam Corrigall' }).getByRole('listitem').first(),
  ).toContainText(/\d\d:\d\d–\d\d:\d\d/)
  await expect(page.getByRole('heading', { name: 'In the bag' })).toBeVisible()

  await page.getByText('Held', { exact: true }).click()
  const held = page.getByRole('table', { name: 'What is held' })
  await expect(held.getByRole('row', { name: /Closing the old net-hauler/ })).toContainText(
    'it is short: core round the hole',
  )
  await held.getByRole('link', { name: 'Closing the old net-hauler' }).click()
  await expect(page.getByLabel('Name of the fitting')).toHaveValue('Closing the old net-hauler')
  await page.goBack()

  // One job, one pair of hands, from a day: the address keeps it.
  await page.getByText('Which work', { exact: true }).click()
  const jobs = page.getByRole('list', { name: 'Which work is planned' })
  await expect(jobs.getByRole('checkbox').first()).toBeVisible()
  const all = await jobs.getByRole('checkbox').count()
  expect(all).toBeGreaterThan(3)
  await jobs.getByText('Closing the old rail, port').click()
  await pick(page.getByLabel('Hands', { exact: true }), 'one alone')
  await expect(page.getByText(`on ${all - 1} fittings`, { exact: false })).toBeVisible()
  await page.reload()
  await expect(page.getByText(`on ${all - 1} fittings`, { exact: false })).toBeVisible()
  await expect(jobs.getByRole('checkbox', { name: /Closing the old rail, port/ })).not.toBeChecked()

  const file = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Calendar' }).click()
  const text = (await readFile((await (await file).path())!)).toString()
  expect(text).toContain('BEGIN:VEVENT')
  expect(text).not.toContain('Closing the old rail')
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
