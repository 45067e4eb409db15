import { expect, type Locator, type Page } from '@playwright/test'

/** In the demo yard as its fitter, as one comes back to it: already signed in. */
export async function enter(page: Page) {
  expect((await page.request.post('/api/session/demo')).ok()).toBe(true)
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Plan' })).toBeVisible()
}
/** As one comes for the first time: by the page that asks who it is. */
export async function enterByHand(page: Page) {
  await page.goto('/')
  await page.getByRole('button', { name: 'Enter the demo yard as fitter' }).click()
  await expect(page.getByRole('heading', { name: 'Plan' })).toBeVisible()
}
/** Puts a catalogue fitting somewhere by coordinates, and waits for its bench. */
export async function place(page: Page, id: string, x: string, y: string, name?: string, way?: RegExp) {
  await page.getByRole('button', { name: /New fitting here/ }).click()
  const dialog = page.getByRole('dialog')
  if (way) await dialog.getByLabel(way).check()
  await dialog.getByLabel('x, aft of the stem').fill(x)
  await dialog.getByLabel('y, to starboard').fill(y)
  await dialog.getByLabel('What goes here').fill(id)
  if (name) await dialog.getByLabel('Name').fill(name)
  await dialog.getByRole('button', { name: `Put ${id} there` }).click()
  await expect(page.getByLabel('Verdicts', { exact: true })).toBeVisible()
  return page.url().split('/').at(-1)!
}
export const saved = (page: Page) => expect(page.locator('[data-test=saved]')).toHaveText('saved')
export const check = (page: Page, id: string) => page.locator(`[data-check="${id}"]`)

const wrapper = (list: Locator) => list.locator('xpath=ancestor::*[contains(@class, "el-select__wrapper")]')
/** Opens a list of choices and takes one, as a hand does; a list that is still closing is not this one. */
export async function pick(list: Locator, title: string | RegExp) {
  const page = list.page()
  await wrapper(list).click()
  // The list that opens bears the same name as the box: the box says which it is.
  const box = list.and(page.getByRole('combobox'))
  const options = page.locator(`[id="${await box.getAttribute('aria-controls')}"]`).getByRole('option')
  await (
    typeof title === 'string'
      ? options.filter({ has: page.getByText(title, { exact: true }) })
      : options.filter({ hasText: title }).first()
  ).click()
}
/** What stands chosen. */
export const picked = (list: Locator) => wrapper(list)
