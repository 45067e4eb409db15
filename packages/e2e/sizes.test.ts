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

/** Blocks whose content is wider than they are, and that do not scroll by themselves. */
const spilling = () =>
  [...document.querySelectorAll('main *')].flatMap((e) => {
    const style = getComputedStyle(e)
    const block = style.display !== 'inline' && style.overflowX === 'visible' && e.clientWidth > 0
    const drawn = e.closest('svg, .el-segmented') !== null
    return block && !drawn && e.children.length > 1 && e.scrollWidth > e.clientWidth + 6
      ? [`${e.tagName} ${e.className}: ${e.scrollWidth} in ${e.clientWidth}`]
      : []
  })
test('on a phone no tray of a bench is wider than the page', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await enter(page)
  const { fittings } = (await (await page.request.get('/api/boats/fulmars-reach')).json()) as {
    fittings: { id: string; kind: string }[]
  }
  for (const [kind, at] of [
    ['deck-hardware', 'bench'],
    ['through-hull', 'through-hulls'],
    ['row', 'bench'],
  ]) {
    await page.goto(`/${at}/${fittings.find((f) => f.kind === kind)!.id}`)
    const tabs = page.getByRole('main').getByRole('tab')
    await expect(tabs.nth(2)).toBeVisible()
    for (const tab of await tabs.all()) {
      await tab.click()
      await expect(tab).toHaveAttribute('aria-selected', 'true')
      await expect(page.getByRole('tabpanel').filter({ visible: true }).first()).not.toBeEmpty()
      await expect
        .poll(() => page.evaluate(spilling), { message: `${kind}: ${await tab.textContent()}` })
        .toEqual([])
    }
  }
})
