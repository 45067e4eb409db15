import { mkdirSync } from 'node:fs'
import { chromium, type Page } from '@playwright/test'
import { pick } from './hands'

/** One current picture of each main view, from the demo data. */
const base = process.env.BASE_URL!
const folder = process.env.SHOTS!
mkdirSync(folder, { recursive: true })
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
const shot = async (name: string, p: Page = page) => {
  await p.waitForLoadState('networkidle')
  await p.evaluate('document.fonts.ready')
  await p.screenshot({ path: `${folder}/${name}.png` })
}
await page.goto(base)
await page.getByRole('button', { name: 'Enter the demo yard as fitter' }).waitFor()
await page.getByRole('button', { name: 'Enter the demo yard as fitter' }).click()
await page.getByRole('heading', { name: 'Plan' }).waitFor()
await page.getByText('not read near enough').waitFor()
await shot('boat')
for (const [tab, ready] of [
  ['readings', 'Working deck: '],
  ['found', 'Enter keeps'],
] as const) {
  await page.goto(`${base}/boat/fulmars-reach/${tab}`)
  await page.getByText(ready).first().waitFor()
  await shot(`boat-${tab}`)
}
await page.goto(`${base}/bench`)
await page.getByRole('row').nth(3).waitFor()
await shot('fittings')
const fitting = async (boat: string, i: number) =>
  ((await (await page.request.get(`${base}/api/boats/${boat}`)).json()) as { fittings: { id: string }[] })
    .fittings[i]!.id
await page.goto(`${base}/bench/${await fitting('fulmars-reach', 0)}`)
await page.getByLabel('Plate thickness').waitFor()
await shot('bench')
await page.goto(`${base}/bench/${await fitting('fulmars-reach', 1)}`)
await page.getByLabel('Plate thickness').waitFor()
await page.getByRole('button', { name: /Size it/ }).click()
await page.getByRole('button', { name: 'Use this design' }).waitFor()
await shot('size-it')
await page.keyboard.press('Escape')
await page.getByRole('tab', { name: 'Spread' }).click()
await pick(page.getByLabel('beside it'), 'without the plate')
await page.getByRole('img', { name: /without the plate: greatest/ }).waitFor()
await shot('bench-spread')
const through = async (name: string) =>
  (
    (await (await page.request.get(`${base}/api/boats/fulmars-reach`)).json()) as {
      fittings: { id: string; name: string }[]
    }
  ).fittings.find((f) => f.name === name)!.id
await page.goto(`${base}/bench/${await through('Escape hatch')}`)
await page.getByLabel('Corner radius').waitFor()
await page.getByRole('tab', { name: 'Templates' }).click()
await page.getByRole('row', { name: /^corner 4/ }).waitFor()
await shot('opening')
await page.goto(`${base}/bench/${await through('Closing the old net-hauler')}`)
await page.getByText('Cut through a patch', { exact: true }).click()
await page.getByRole('tab', { name: 'Cloth' }).click()
await page.getByRole('table', { name: /Pieces of cloth/ }).waitFor()
await shot('closure')
await page.goto(`${base}/bench/${await through('Steadying mast, port chainplate')}`)
await page.getByText('Do not sail on it:', { exact: true }).waitFor()
await shot('chainplate')
await page.goto(`${base}/bench/${await through('Stanchions, port')}`)
await page.getByRole('tab', { name: 'Members' }).click()
await page.getByRole('table', { name: 'Members of the row' }).waitFor()
await shot('row')
await page.goto(`${base}/plan`)
await page.getByRole('region', { name: 'Tam Corrigall' }).waitFor()
await shot('plan')
await page.goto(`${base}/through-hulls/${await through('Wet-lab intake')}`)
await page.getByRole('tab', { name: 'Dial' }).click()
await page.locator('[data-test=turn]').waitFor()
await page
  .getByRole('button', { name: /the handle open at/ })
  .first()
  .waitFor()
await shot('through-hull')
await page.goto(`${base}/through-hulls/${await through('Engine intake')}`)
await page.getByRole('list', { name: 'Findings' }).waitFor()
await page.getByRole('tab', { name: 'If it lets go' }).click()
await page.getByText(/steps in \d+ ms/).waitFor()
await shot('through-hull-flooding')
await page.goto(`${base}/boat/fulmars-reach`)
await page.getByRole('heading', { name: 'Plan' }).waitFor()
await page.goto(`${base}/register/16`)
await page.getByRole('heading', { name: 'P-016' }).waitFor()
await shot('register')
await page.goto(`${base}/watch`)
await page.getByRole('table', { name: 'Looks that are due' }).waitFor()
await shot('watch')
await page.goto(`${base}/stores`)
await page.getByRole('row').nth(1).waitFor()
await shot('stores')
await page.goto(`${base}/reference/schools`)
await page.getByRole('row').nth(1).waitFor()
await shot('reference')
await page.goto(`${base}/reference/sums/flooding`)
await page.getByRole('img', { name: 'Level, inflow and outflow against time' }).waitFor()
await shot('quick-sum')
await browser.close()
