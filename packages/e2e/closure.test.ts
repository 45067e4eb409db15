import { expect, test } from '@playwright/test'
import { check, enter, pick, saved } from './hands'

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
