import { expect, test, type Page } from '@playwright/test'
import { enter, pick, place } from './hands'

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
/** Signed in, with the product on this device and what is opened from now on kept there. */
async function enterKept(page: Page) {
  await enter(page)
  // The first page of all was loaded before there was anything that keeps it.
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
  await page.reload()
  await kept(page)
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
  await enterKept(page)
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
  // A page that has not read yet what waits has no bar either: it is the server that says what arrived.
  await expect.poll(() => log(again, fitting), { timeout: 30_000 }).toBe(before + 1)
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
  // Beside what it is of, and in the list of all that waits.
  await expect(due.getByRole('alert')).toHaveText('Not taken: Somebody ticked it before you')
  await expect(bar(page)).toContainText('1 was refused')
  await bar(page).getByRole('button', { name: '1 was refused' }).click()
  const waits = page.getByRole('list', { name: 'What waits' })
  await expect(waits.getByRole('alert')).toContainText('Not taken: Somebody ticked it before you')
  await waits.getByRole('button', { name: 'Throw it away' }).click()
  await page.getByRole('button', { name: 'Yes, throw it away' }).click()
  await expect(bar(page)).toHaveCount(0)
  await expect(due.getByRole('alert')).toHaveCount(0)
})

/** What is written in the bilge, each through its own form; how often it is on record afterwards. */
const counted = (page: Page, path: string, of: string) =>
  page.evaluate(
    async ([at, key]) => {
      const all = (await (await fetch(`/api${at}`)).json()) as Record<string, unknown[]> | unknown[]
      return Array.isArray(all) ? all.length : all[key!]!.length
    },
    [path, of],
  )
test('a tick, a life step, a hole found, a reading, a photo: the line goes in the middle of each, each arrives once', async ({
  page,
  context,
}) => {
  await enter(page)
  const fitting = await place(page, 'HG-C250', '3300', '-400', 'Cleat without a line')
  await page.getByRole('button', { name: 'Record 4 holes' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'are in the register, marked' })).toBeVisible()
  const id = await page.evaluate(async (f) => {
    const b = (await (await fetch('/api/boats/fulmars-reach')).json()) as {
      holes: { id: number; fittingId: string | null }[]
    }
    return b.holes.find((h) => h.fittingId === f)!.id
  }, fitting)
  await page.goto(`/register/${id}`)
  const hole = page.getByRole('region', { name: 'Hole', exact: true })
  // No bore for a fitting that is short, but by somebody who says why: that is asked while there is a line.
  await hole.getByRole('button', { name: 'Record as drilled' }).click()
  await hole.getByLabel(/Reason to pass/).fill('the plate is made larger')
  // The first of each kind is done by the server, and its answer is lost on the way.
  const cut = new Set<string>()
  await context.route(
    /\/api\/(fittings\/[^/]+\/tick|penetrations\/\d+\/events|boats\/[^/]+\/(penetrations|readings|photos))$/,
    async (route) => {
      const kind = new URL(route.request().url()).pathname.split('/').at(-1)!
      if (route.request().method() !== 'POST' || cut.has(kind)) return route.continue()
      cut.add(kind)
      await route.fetch()
      await route.abort('connectionreset')
    },
  )
  /** Done by hand once; it waits, goes out by itself, and stands there once. */
  const once = async (kind: string, path: string, of: string, doIt: () => Promise<void>) => {
    const before = await counted(page, path, of)
    await doIt()
    await expect(page.getByText(/It waits on this device/).first()).toBeVisible()
    expect(cut.has(kind)).toBe(true)
    // A refused one would keep the bar; it may be gone already, so nothing is asked of its words.
    await expect(bar(page)).toHaveCount(0)
    expect(await counted(page, path, of)).toBe(before + 1)
  }
  const boat = '/boats/fulmars-reach'
  await once('events', `/penetrations/${id}`, 'events', async () => {
    await hole.getByRole('button', { name: 'Pass the gate and record' }).click()
  })
  await page.goto(`/bench/${fitting}`)
  await page.getByRole('tab', { name: 'Work', exact: true }).click()
  await once('tick', `/fittings/${fitting}`, 'log', async () => {
    await page.getByRole('button', { name: /^Tick: Look behind/ }).click()
    const go = page.getByRole('form', { name: /^Ticking / }).getByRole('button', { name: 'Tick it' })
    await expect(go.or(page.getByText(/It waits on this device/)).first()).toBeVisible()
    if (await go.isVisible()) await go.click()
  })
  await page.goto('/boat/fulmars-reach/found')
  await once('penetrations', boat, 'holes', async () => {
    await page.getByLabel('Where').focus()
    await page.keyboard.type('3180 aft of stem, 60 mm in from the port edge')
    await page.keyboard.press('Enter')
    // It goes on to the next: Enter once more would keep it twice.
    await expect(page.getByLabel('Where')).toHaveValue('')
  })
  await page.goto('/boat/fulmars-reach/readings')
  await once('readings', `${boat}/readings`, 'readings', async () => {
    const form = page.getByRole('form', { name: 'A new reading' })
    await pick(form.getByLabel('What', { exact: true }), 'thickness')
    await form.getByLabel('x, aft of the stem').fill('3300')
    await form.getByLabel('y, to starboard').fill('-400')
    await form.getByLabel('outer skin').fill('4.4')
    await form.getByRole('button', { name: 'Keep this reading' }).click()
  })
  // The deck is as thick as it was: other journeys measure it too.
  await page.reload()
  const reading = page.getByRole('row').filter({ hasText: 'outer skin 4.4 mm' }).first()
  await reading.getByRole('button', { name: 'withdraw' }).click()
  await page.getByLabel('Why').fill('only tried')
  await page.getByRole('button', { name: 'Withdraw this reading' }).click()
  await expect(reading).toContainText('withdrawn by')
  await page.goto(`/register/${id}`)
  await once('photos', `${boat}/photos`, '', async () => {
    const buffer = await page.screenshot({ clip: { x: 0, y: 0, width: 200, height: 150 } })
    await hole.locator('input[type=file]').setInputFiles({ name: 'a.png', mimeType: 'image/png', buffer })
  })
})

test('what will be wanted in the bilge is fetched while there is a line: a card that nobody opened opens without one', async ({
  page,
  context,
}) => {
  await enterKept(page)
  await page.reload()
  const worst = await page.evaluate(async () => {
    const b = (await (await fetch('/api/boats/fulmars-reach')).json()) as {
      fittings: { id: string; name: string; kind: string; verdict: string }[]
    }
    return b.fittings.find((f) => f.kind === 'deck-hardware' && f.verdict === 'short')!
  })
  await expect
    .poll(() =>
      page.evaluate(
        async (id) => Boolean(await (await caches.open('seen')).match(`/api/fittings/${id}`)),
        worst.id,
      ),
    )
    .toBe(true)
  await context.setOffline(true)
  await page.goto(`/bench/${worst.id}`)
  await expect(page.getByRole('heading', { name: worst.name })).toBeVisible()
  await expect(bar(page)).toContainText('No line. What is shown was seen')
})
