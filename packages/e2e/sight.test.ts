import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { enter } from './hands'

const faults = async (page: Page, rules?: string[]) => {
  // What is in order is thousands of nodes a page, that nobody reads.
  const axe = new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).setLegacyMode()
  const { violations } = await (rules ? axe.withRules(rules) : axe).analyze()
  return violations.map(
    (v) =>
      `${v.id}: ${v.nodes
        .slice(0, 3)
        .map((n) => n.target.join(' '))
        .join(' | ')}`,
  )
}

const PLACES = [
  '/boat/fulmars-reach',
  ...['readings', 'build', 'found', 'angles', 'files'].map((t) => `/boat/fulmars-reach/${t}`),
  '/bench',
  '/through-hulls',
  '/plan',
  '/stores',
  '/stores?view=parts',
  '/register',
  '/register/16',
  '/watch',
  '/reference/cores',
  '/reference/sums/chainplate',
]
/** One of each kind, by a word of its name. */
const BENCHES = ['mooring cleat, port bow', 'hatch', 'closing the old net-hauler', 'port chainplate']
const PHONE = { width: 390, height: 844 }
const DESK = { width: 1280, height: 800 }
/** Where the phone lays a page out anew; elsewhere it only wraps the desk's. */
const ANEW_ON_PHONE = [
  '/boat/fulmars-reach',
  '/boat/fulmars-reach/readings',
  '/register',
  '/register/16',
  '/plan',
  '/stores',
  '/watch',
  '/reference/sums/chainplate',
]
/** The colours go over from one theme to the other; what is half way is not looked at. */
const setTheme = (page: Page, theme: 'day' | 'dim') =>
  page.evaluate(async (t) => {
    document.documentElement.dataset.theme = t
    await new Promise(requestAnimationFrame)
    // Only what goes over: a sign that something is being worked on turns for as long as it takes.
    const goingOver = document.getAnimations().filter((a) => a instanceof CSSTransition)
    await Promise.allSettled(goingOver.map((a) => a.finished))
  }, theme)

/** A whole page takes seconds to look through, and more beside another journey: in parts, with time. */
const HALF = Math.ceil(PLACES.length / 2)
for (const { size, on, places, named } of [
  { size: DESK, on: 'a desk, in both themes', places: PLACES.slice(0, HALF), named: [] },
  { size: DESK, on: 'a desk, in both themes, the other places', places: PLACES.slice(HALF), named: [] },
  { size: DESK, on: 'a desk, in both themes, the benches', places: [], named: BENCHES },
  { size: PHONE, on: 'a phone', places: ANEW_ON_PHONE, named: BENCHES },
])
  test(`no fault for those who cannot see or point, on ${on}`, async ({ page }) => {
    test.setTimeout(480_000)
    await page.setViewportSize(size)
    await page.goto('/')
    await expect(page.getByRole('button', { name: 'Enter the demo yard as fitter' })).toBeVisible()
    expect(await faults(page), 'sign-in').toEqual([])
    await enter(page)
    const benches = await page.evaluate(async (names) => {
      const b = (await (await fetch('/api/boats/fulmars-reach')).json()) as {
        fittings: { id: string; name: string }[]
      }
      return names.map((n) => b.fittings.find((f) => f.name.toLowerCase().includes(n))!.id)
    }, named)
    const found: Record<string, string[]> = {}
    for (const path of [...places, ...benches.map((id) => `/bench/${id}`)]) {
      await page.goto(path)
      await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible()
      await expect(page.locator('main.place :is(h1, h2, h3)').filter({ visible: true }).first()).toBeVisible()
      await page.waitForLoadState('networkidle')
      const wrong = await faults(page)
      // What the theme changes is colour alone, alike at every size: the dim one is asked for nothing else.
      if (size === DESK) {
        await setTheme(page, 'dim')
        wrong.push(...(await faults(page, ['color-contrast'])).map((w) => `dim: ${w}`))
      }
      if (wrong.length) found[path] = wrong
    }
    expect(found).toEqual({})
  })
