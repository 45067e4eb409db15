import { expect, test } from '@playwright/test'
import { enter } from './hands'

/** The phone in the bilge: the rail is a bar at the foot, and what it hides is behind one press. */
test('on a phone every place is reached by the bar at the foot', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await enter(page)
  const rail = page.getByRole('navigation', { name: 'Places' })
  for (const link of await rail.getByRole('link').filter({ visible: true }).all())
    expect((await link.boundingBox())!.height).toBeGreaterThanOrEqual(44)
  await rail.getByRole('link', { name: 'Register' }).click()
  await page.getByRole('link', { name: 'P-001', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'P-001' })).toBeVisible()
  await rail.getByRole('button', { name: 'More' }).click()
  await page.getByRole('menuitem', { name: 'Reference' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Reference')
  await rail.getByRole('button', { name: 'More' }).click()
  await page.getByRole('menuitem', { name: 'Dim' }).click()
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dim')
})
