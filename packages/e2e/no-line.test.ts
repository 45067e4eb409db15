import { expect, test, type Page } from '@playwright/test'
import { enter } from './hands'

/** In the bilge without a line: what was seen is shown, what is written waits and arrives once, in order. */
test.use({ serviceWorkers: 'allow' })

const bar = (page: Page) => page.getByRole('status', { name: 'The line' })
/** The product’s own pages and programs lie on this device. */
async function kept(page: Page) {
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready
    await new Promise<void>((done) => {
      if (navigator.serviceWorker.controller) done()
      else navigator.serviceWorker.addEventListener('controllerchange', () => done(), { once: true })
    })
  })
}
const log = (page: Page, fitting: string) =>
  page.evaluate(async (id) => {
    const r = (await (await fetch(`/api/fittings/${id}`)).json()) as { log: { kind: string; at: string }[] }
    return r.log.filter((l) => l.kind === 'look').length
  }, fitting)

test('a look without a line waits, outlives the page, and arrives once when it is back', async ({
  page,
  context,
}) => {
  await enter(page)
  // The first page of all was loaded before there was anything that keeps it.
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
  await page.reload()
  await kept(page)
  await page.goto('/watch')
  const due = page.getByRole('table', { name: 'Looks that are due' })
  const press = due.getByRole('button', { name: /^Hose and its clips at .*: done$/ }).first()
  await expect(press).toBeVisible()
  await page.goto('/register')
  await expect(page.getByRole('link', { name: 'P-001' })).toBeVisible()
  const fitting = await page.evaluate(async () => {
    const w = (await (await fetch('/api/boats/fulmars-reach/watch')).json()) as {
      rows: { id: string; task: string }[]
    }
    return w.rows.find((r) => r.task === 'hose-look')!.id
  })
  const before = await log(page, fitting)

  await context.setOffline(true)
  await page.goto('/watch')
  await expect(press).toBeVisible()
  await expect(bar(page)).toContainText('No line. What is shown was seen')
  await press.click()
  await expect(page.getByText(/It waits on this device and goes out by itself/)).toBeVisible()
  await expect(bar(page)).toContainText('1 waits to be sent')
  await expect(due.getByText('waits on this device')).toBeVisible()
  await page.goto('/boat/fulmars-reach/found')
  await page.reload()
  await expect(bar(page)).toContainText('1 waits to be sent')
  await bar(page).getByRole('button', { name: '1 waits to be sent' }).click()
  await expect(page.getByRole('list', { name: 'What waits' })).toContainText('Look or reading')
  await page.close()

  await context.setOffline(false)
  const again = await context.newPage()
  await again.goto('/watch')
  await expect(again.getByRole('heading', { name: 'Watch', exact: true })).toBeVisible()
  await expect(bar(again)).toHaveCount(0)
  expect(await log(again, fitting)).toBe(before + 1)
})

test('the line goes as the answer is on its way: what arrived is not done twice', async ({
  page,
  context,
}) => {
  await enter(page)
  await page.goto('/watch')
  const due = page.getByRole('table', { name: 'Looks that are due' })
  const press = due.getByRole('button', { name: /^Moisture of the core round it at .*: done$/ }).first()
  await expect(press).toBeVisible()
  const fitting = await page.evaluate(async () => {
    const w = (await (await fetch('/api/boats/fulmars-reach/watch')).json()) as {
      rows: { id: string; kind: string | null; task: string }[]
    }
    return w.rows.find((r) => r.task === 'moisture' && r.kind !== null)!.id
  })
  const before = await log(page, fitting)
  let path = ''
  // The server does it, and its answer is lost.
  await context.route(/\/api\/fittings\/[^/]+\/log$/, async (route) => {
    if (path) return route.continue()
    path = new URL(route.request().url()).pathname
    await route.fetch()
    await route.abort('connectionreset')
  })
  await press.click()
  await expect(page.getByText(/It waits on this device/)).toBeVisible()
  await expect(bar(page)).toHaveCount(0, { timeout: 30_000 })
  expect(path).toBe(`/api/fittings/${fitting}/log`)
  expect(await log(page, fitting)).toBe(before + 1)
})

test('what the server does not take stays with its words, and goes when somebody says so', async ({
  page,
  context,
}) => {
  await enter(page)
  await page.goto('/watch')
  const due = page.getByRole('table', { name: 'Looks that are due' })
  const press = due.getByRole('button', { name: /: done$/ }).first()
  await expect(press).toBeVisible()
  let times = 0
  await context.route(/\/api\/fittings\/[^/]+\/(log|tick)$/, async (route) => {
    if (times++ === 0) return route.abort('connectionreset')
    const json = { error: { code: 'ticked', message: 'Somebody ticked it before you' } }
    return route.fulfill({ status: 409, json })
  })
  await press.click()
  await expect(bar(page)).toContainText('1 was refused')
  await bar(page).getByRole('button', { name: '1 was refused' }).click()
  const waits = page.getByRole('list', { name: 'What waits' })
  await expect(waits.getByRole('alert')).toContainText('Not taken: Somebody ticked it before you')
  await waits.getByRole('button', { name: 'Throw it away' }).click()
  await page.getByRole('button', { name: 'Yes, throw it away' }).click()
  await expect(bar(page)).toHaveCount(0)
})
