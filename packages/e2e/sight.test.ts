import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { enter } from './hands'

const seriousFaults = async (page: Page, rules?: string[]) => {
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

for (const theme of ['day', 'dim'] as const)
  // What the theme changes is colour alone: the dim one is asked for nothing else.
  test(`no serious fault for those who cannot see or point, ${theme} theme`, async ({ page }) => {
    const rules = theme === 'dim' ? ['color-contrast'] : undefined
    await page.goto('/')
    await expect(page.getByRole('button', { name: 'Enter the demo yard as fitter' })).toBeVisible()
    expect(await seriousFaults(page, rules), 'sign-in').toEqual([])
    await enter(page)
    if (theme === 'dim') {
      await page.getByRole('button', { name: 'Dim' }).click()
      await expect(page.locator('html')).toHaveAttribute('data-theme', 'dim')
    }
    const fitting = await page.evaluate(
      async () =>
        ((await (await fetch('/api/boats/fulmars-reach')).json()) as { fittings: { id: string }[] })
          .fittings[0]!.id,
    )
    const survey =
      theme === 'day'
        ? ['readings', 'build', 'found', 'angles', 'files'].map((t) => `/boat/fulmars-reach/${t}`)
        : ['/boat/fulmars-reach/readings']
    for (const path of [
      '/boat/fulmars-reach',
      `/bench/${fitting}`,
      '/register/16',
      '/stores',
      '/reference/cores',
      '/reference/sums/chainplate',
      ...survey,
    ]) {
      await page.goto(path)
      await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible()
      await expect(page.locator('main.place :is(h1, h2)').first()).toBeVisible()
      expect(await seriousFaults(page, rules), path).toEqual([])
    }
  })
