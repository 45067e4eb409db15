import { readFile } from 'node:fs/promises'
import { expect, test } from '@playwright/test'
import { enter } from './hands'

test('the manager lets somebody in by a link; he sets his password, changes it, and is gone when he has left', async ({
  page,
  browser,
}) => {
  await page.goto('/sign-in')
  await page.getByLabel('Login').fill('manager')
  await page.getByLabel('Password').fill('tide-manager')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('heading', { name: 'Plan' })).toBeVisible()
  await page.getByRole('link', { name: 'Yard', exact: true }).click()
  const people = page.getByRole('table', { name: 'People of the yard' })
  await expect(people).toContainText('Tam Corrigall')
  const form = page.getByRole('form', { name: 'Somebody new' })
  await form.getByLabel('Name').fill('Ola Firth')
  await form.getByLabel('Login').fill('fitter')
  await form.getByRole('button', { name: 'Let in' }).click()
  await expect(page.getByRole('alert')).toContainText(/fitter.* is somebody.s login already/)
  await form.getByLabel('Login').fill('ola')
  await form.getByRole('button', { name: 'Let in' }).click()
  const link = await page.getByLabel('The link').inputValue()
  await expect(people.getByRole('row', { name: /Ola Firth/ })).toContainText('link good until')

  const other = await (await browser.newContext()).newPage()
  await other.goto(link)
  await expect(other.getByText('Ola Firth, your login is')).toBeVisible()
  await other.getByLabel('Password').fill('short')
  await other.getByLabel('The same again').fill('short')
  await other.getByRole('button', { name: 'Come in' }).click()
  await expect(other.getByRole('alert')).toContainText('At least 12 characters')
  for (const label of ['Password', 'The same again'])
    await other.getByLabel(label).fill('nine fathoms and a half')
  await other.getByRole('button', { name: 'Come in' }).click()
  await expect(other.getByRole('heading', { name: 'Plan' })).toBeVisible()
  await other.getByRole('link', { name: 'Yard', exact: true }).click()
  const mine = other.getByRole('form', { name: 'Another password' })
  await mine.getByLabel('Password now').fill('not it at all')
  await mine.getByLabel('The new one').fill('ten fathoms and some')
  await mine.getByLabel('The same again').fill('ten fathoms and some')
  await mine.getByRole('button', { name: 'Change the password' }).click()
  await expect(mine.getByRole('alert')).toContainText('not the password that you have now')
  await mine.getByLabel('Password now').fill('nine fathoms and a half')
  await mine.getByRole('button', { name: 'Change the password' }).click()
  await expect(mine.getByRole('status')).toContainText('It is changed')

  await people.getByRole('button', { name: 'Ola Firth works here no longer' }).click()
  await expect(people.getByRole('row', { name: /Ola Firth/ })).toContainText('left on')
  await other.reload()
  await expect(other.getByRole('button', { name: 'Sign in' })).toBeVisible()
  await other.goto(link)
  await expect(other.getByRole('alert')).toContainText('This link was used')
  await other.context().close()
})

test('whoever is no manager sees his own account there, and nobody else', async ({ page }) => {
  await enter(page)
  await page.goto('/yard')
  await expect(page.getByRole('heading', { name: 'Your account' })).toBeVisible()
  await expect(page.getByRole('table', { name: 'People of the yard' })).toHaveCount(0)
})

test('the manager sees what waits and what took long, takes the settings along and reads them in again', async ({
  page,
}) => {
  await page.goto('/sign-in')
  await page.getByLabel('Login').fill('manager')
  await page.getByLabel('Password').fill('tide-manager')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('heading', { name: 'Plan' })).toBeVisible()
  await page.goto('/yard?view=machine')
  await expect(page.getByRole('table', { name: 'Queues' }).getByRole('row')).toHaveCount(5)
  await page.getByText('Settings', { exact: true }).click()
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Take them along' }).click(),
  ])
  const settings = JSON.parse(await readFile(await file.path(), 'utf8')) as { habits: object }
  const read = (name: string, habits: object) =>
    page.locator('input[accept*=json]').setInputFiles({
      name,
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify({ ...settings, habits })),
    })
  await read('wrong.json', { core: 'hope' })
  await expect(page.getByRole('alert')).toContainText('"hope" is no answer to it')
  await read('settings.json', settings.habits)
  await expect(page.getByRole('status').filter({ hasText: 'Taken over' })).toBeVisible()
  await page.getByText('About', { exact: true }).click()
  await page.getByLabel('Find a part').fill('express-session')
  await expect(page.getByRole('table', { name: 'Parts and licences' })).toContainText('MIT')
})
