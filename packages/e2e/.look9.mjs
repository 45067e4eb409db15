import { chromium } from '@playwright/test'
import { serveFresh } from '../../bin/lib/serve.mjs'
import { ensureBuild } from '../../bin/lib/build.mjs'
const [, , script, W = '1280', H = '800'] = process.argv
ensureBuild()
const p = await serveFresh('look-postgres')
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
const page = await b.newPage({ viewport: { width: +W, height: +H } })
page.on('console', (m) => m.type() === 'error' && console.log('console:', m.text().slice(0, 200)))
page.on('pageerror', (e) => console.log('pageerror:', e.message.slice(0, 300)))
const shot = async (name) => {
  await page.waitForTimeout(500)
  await page.screenshot({ path: `/tmp/p-${name}.png` })
  const o = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)
  console.log(name, 'overflow', o)
}
try {
  await page.goto(p.base + '/')
  await page.getByRole('button', { name: /Enter the demo yard as fitter/ }).click()
  await page.getByRole('heading', { name: 'Plan' }).waitFor()
  const mod = await import(script)
  await mod.default({ page, shot, base: p.base, db: p.database })
} catch (e) {
  console.log('ERR', e.message.slice(0, 800))
  await page.screenshot({ path: '/tmp/p-error.png' })
}
await b.close()
await p.stop()
