import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { enter } from './hands'

const faults = async (page: Page, rules?: string[]) => {
  const axe = new AxeBuilder({ page })
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
/**
 * What the theme changes is colour alone: the dim one is asked for nothing else, and on the phone only
 * where the phone lays a page out anew.
 */
const DIM_PHONE = ['/boat/fulmars-reach', '/register/16', '/plan', '/stores']
for (const { theme, size, on } of [
  { theme: 'day', size: DESK, on: 'a desk' },
  { theme: 'day', size: PHONE, on: 'a phone' },
  { theme: 'dim', size: DESK, on: 'a desk' },
  { theme: 'dim', size: PHONE, on: 'a phone' },
] as const)
  test(`no fault for those who cannot see or point, ${theme} theme, ${on}`, async ({ page }) => {
    test.setTimeout(180_000)
    const rules = theme === 'dim' ? ['color-contrast'] : undefined
    await page.setViewportSize(size)
    await page.goto('/')
    await expect(page.getByRole('button', { name: 'Enter the demo yard as fitter' })).toBeVisible()
    expect(await faults(page, rules), 'sign-in').toEqual([])
    await enter(page)
    if (theme === 'dim') {
      await page.evaluate(() => localStorage.setItem('north-tide:dim', 'true'))
      await page.reload()
      await expect(page.locator('html')).toHaveAttribute('data-theme', 'dim')
    }
    const benches = await page.evaluate(async (names) => {
      const b = (await (await fetch('/api/boats/fulmars-reach')).json()) as {
        fittings: { id: string; name: string }[]
      }
      return names.map((n) => b.fittings.find((f) => f.name.toLowerCase().includes(n))!.id)
    }, BENCHES)
    const found: Record<string, string[]> = {}
    const forms = benches.map((id) => `/bench/${id}`)
    const few = theme === 'dim' && size === PHONE
    for (const path of few ? [...DIM_PHONE, forms[0]!] : [...PLACES, ...forms]) {
      await page.goto(path)
      await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible()
      await expect(page.locator('main.place :is(h1, h2, h3)').filter({ visible: true }).first()).toBeVisible()
      await page.waitForLoadState('networkidle')
      const wrong = await faults(page, rules)
      if (wrong.length) found[path] = wrong
    }
    expect(found).toEqual({})
  })
