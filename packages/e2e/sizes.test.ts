import { expect, test } from '@playwright/test'
import { enter } from './hands'

/** The phone in the bilge, a tablet and a desk: nothing hangs over the edge, and every place is reached. */
const PLACES = [
  '/boat/fulmars-reach',
  '/boat/fulmars-reach/build',
  '/boat/fulmars-reach/readings',
  '/boat/fulmars-reach/found',
  '/bench',
  '/through-hulls',
  '/register',
  '/bench',
  '/stores',
  '/reference',
  '/reference/sums/core-plug',
]
for (const [width, height] of [
  [390, 844],
  [768, 1024],
  [1280, 800],
] as const)
  test(`at ${width} \u00d7 ${height} no place is wider than the screen`, async ({ page }) => {
    await page.setViewportSize({ width, height })
    await enter(page)
    for (const place of PLACES) {
      await page.goto(place)
      await expect(page.getByRole('main').locator('h1, h2').first()).toBeVisible()
      const wide = await page.locator('html').evaluate((html) => html.scrollWidth)
      expect(wide, place).toBeLessThanOrEqual(width)
    }
    if (width > 390) return
    const rail = page.getByRole('navigation', { name: 'Places' })
    for (const link of await rail.getByRole('link').all())
      expect((await link.boundingBox())!.height).toBeGreaterThanOrEqual(44)
    await rail.getByRole('link', { name: 'Register' }).click()
    await page.getByRole('link', { name: 'P-001', exact: true }).click()
    await expect(page.getByRole('heading', { name: 'P-001' })).toBeVisible()
    await rail.getByRole('button', { name: 'More' }).click()
    await page.getByRole('menuitem', { name: 'Dim' }).click()
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'dim')
  })
