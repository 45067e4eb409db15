import { readFile } from 'node:fs/promises'
import { expect, test, type Page } from '@playwright/test'
import { enter, picked } from './hands'

/** A boat’s year: the visit in spring, the day she floats, and her passport in another’s hands. */
const PHONE = { width: 390, height: 844 }
const LOOKS = 11
const asManager = (page: Page) =>
  page.evaluate(async () => {
    const headers = { 'Content-Type': 'application/json' }
    const body = JSON.stringify({ login: 'manager', password: 'tide-manager' })
    return (await fetch('/api/session', { method: 'POST', headers, body })).status
  })

/** Fulmar’s Reach two seasons on: all that stands in her in service since then, read in by her file. */
const twoSeasonsOn = (page: Page) =>
  page.evaluate(async () => {
    interface Event {
      seq: number
      state: string
      happenedAt: string
    }
    interface Hole {
      fitting: string | null
      events: Event[]
    }
    const path = '/api/boats/fulmars-reach/boat.json?photos=no'
    const file = (await (await fetch(path)).json()) as { boat: { name: string }; holes: Hole[] }
    file.boat.name = 'Two seasons on'
    const earlier = (at: string) => new Date(Date.parse(at) - 500 * 864e5).toISOString()
    for (const h of file.holes.filter((x) => x.fitting !== null)) {
      const was = h.events
        .filter((e) => e.state !== 'suspect')
        .map((e) => ({ ...e, happenedAt: earlier(e.happenedAt) }))
      const first = { ...h.events[0]!, happenedAt: earlier(h.events[0]!.happenedAt) }
      h.events = [...was, { ...(was.at(-1) ?? first), state: 'in-service' }].map((e, i) => ({
        ...e,
        seq: i + 1,
      }))
    }
    const headers = { 'Content-Type': 'application/json' }
    const r = await fetch('/api/boats/import', { method: 'POST', headers, body: JSON.stringify(file) })
    return ((await r.json()) as { id: string }).id
  })

test('a visit in spring on the phone: eleven looks, a press each, and none of them is due any more', async ({
  page,
}) => {
  await page.setViewportSize(PHONE)
  await enter(page)
  const boat = await twoSeasonsOn(page)
  await page.goto(`/boat/${boat}`)
  await expect(page.getByRole('group', { name: /^Plan of/ })).toBeVisible()
  await page.goto('/watch')
  const presses = page.getByRole('button', { name: / at .*: done$/ })
  await expect(presses.first()).toBeVisible()
  expect(await presses.count()).toBeGreaterThanOrEqual(LOOKS)
  const made: string[] = []
  for (let i = 0; i < LOOKS; i++) {
    const names = await presses.evaluateAll((all) => all.map((b) => b.getAttribute('aria-label')!))
    const next = names.find((n) => !made.includes(n))!
    made.push(next)
    const [, what, name] = /^(.*) at (.*): done$/.exec(next)!
    await page.getByRole('button', { name: next, exact: true }).first().click()
    await expect(page.getByRole('status')).toContainText(`${name!}: ${what!.toLowerCase()} is on record.`)
  }
  // On record, each at its own fitting, also for who comes after: none of them is late.
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Watch', exact: true })).toBeVisible()
  await expect(page.getByText(/looks within 90 days/)).toBeVisible()
  for (const name of made) {
    const row = page.getByRole('listitem').filter({ has: page.getByRole('button', { name, exact: true }) })
    await expect(row.getByText(/late|never on record/)).toHaveCount(0)
  }
})

test('launch day: what keeps her ashore wants a reason, the minute is kept, the looks count from it', async ({
  page,
}) => {
  await enter(page)
  await page.goto('/watch?view=launch')
  await expect(page.getByRole('heading', { name: 'Do not launch her' })).toBeVisible()
  await expect(
    page.getByRole('table', { name: 'What keeps her ashore' }).getByRole('row').nth(1),
  ).toBeVisible()
  const form = page.getByRole('form', { name: 'She is in the water' })
  const press = form.getByRole('button', { name: 'She is in the water' })
  await expect(press).toBeDisabled()
  await form.getByLabel('Why she floats all the same').fill('Moved to the other slip, pumps manned')
  await press.click()
  const was = page.getByRole('list', { name: 'Launched' })
  await expect(was).toContainText('said by Tam Corrigall: Moved to the other slip, pumps manned')
  await expect(was).toContainText('Against it then: ')
  await page.reload()
  await expect(was).toContainText('Moved to the other slip')
})

test('a passport goes out with its pictures and comes in as a boat whose register says the same', async ({
  page,
}) => {
  await enter(page)
  await page.goto('/boat/pipit')
  await expect(picked(page.getByRole('combobox', { name: 'Boat', exact: true }))).toContainText('Pipit')
  await page.goto('/register')
  await page.getByRole('button', { name: 'Passport' }).click()
  await page.getByRole('button', { name: 'All of it, with pictures' }).click()
  const link = page.getByRole('link', { name: /passport\.zip$/ })
  await expect(link).toBeVisible({ timeout: 60_000 })
  const [file] = await Promise.all([page.waitForEvent('download'), link.click()])
  await page.goto('/boat/pipit/files')
  const box = {
    name: 'pipit-passport.zip',
    mimeType: 'application/zip',
    buffer: await readFile(await file.path()),
  }
  await page.locator('input[accept*=json]').setInputFiles(box)
  await page.waitForURL((u) => !u.pathname.endsWith('/files'))
  const id = /\/boat\/([\w-]+)/.exec(page.url())![1]!
  const rows = (boat: string) =>
    page.evaluate(async (b) => (await fetch(`/api/boats/${b}/register.csv`)).text(), boat)
  const was = await rows('pipit')
  expect(was.split('\n').length).toBeGreaterThan(2)
  expect(await rows(id)).toBe(was)
  const imported = await page.evaluate(async (b) => {
    const boat = (await (await fetch(`/api/boats/${b}`)).json()) as { imported: { by: string } | null }
    return boat.imported?.by
  }, id)
  expect(imported).toBe('Tam Corrigall')
})

test('a surveyor reads by a link what he is to read, changes nothing, and is out when it is withdrawn', async ({
  page,
  browser,
}) => {
  await enter(page)
  expect(await asManager(page)).toBe(200)
  await page.goto('/register')
  await page.getByRole('button', { name: 'Passport' }).click()
  await page.getByLabel('For whom').fill('A. Surveyor')
  await page.getByRole('button', { name: 'Make a link' }).click()
  const address = (await page.locator('.address').textContent())!
  const other = await (await browser.newContext()).newPage()
  await other.goto(address)
  await expect(other.getByText('The record of')).toContainText('for A. Surveyor to read')
  await other.getByRole('button', { name: 'Open her record' }).click()
  await expect(other.getByRole('heading', { name: 'Register' })).toBeVisible()
  await expect(other.getByRole('link', { name: 'P-001' })).toBeVisible()
  await expect(other.getByRole('button', { name: 'Many at once' })).toHaveCount(0)
  const wrote = await other.evaluate(async () => {
    const headers = { 'Content-Type': 'application/json' }
    const body = JSON.stringify({ kind: 'hand-over', body: 'x' })
    return (await fetch('/api/boats/fulmars-reach/notes', { method: 'POST', headers, body })).status
  })
  expect(wrote).toBe(403)
  await page.getByRole('button', { name: 'Withdraw the link for A. Surveyor' }).click()
  await expect(page.getByText('A. Surveyor, withdrawn')).toBeVisible()
  await other.goto(address)
  await expect(other.getByRole('alert')).toContainText('This link is no good')
})
