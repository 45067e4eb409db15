import { chromium } from '@playwright/test'
import { serveFresh } from '/work/main/bin/lib/serve.mjs'
import { ensureBuild } from '/work/main/bin/lib/build.mjs'
ensureBuild()
const p = await serveFresh('look-postgres')
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
const W = Number(process.argv[2] ?? 390),
  H = Number(process.argv[3] ?? 844)
const c = await b.newContext({ viewport: { width: W, height: H } })
const page = await c.newPage()
await c.request.post(p.base + '/api/session', { data: { login: 'manager', password: 'tide-manager' } })
const pic = await (await c.request.get(p.base + '/api/boats/fulmars-reach')).json()
const deck = pic.fittings.find((x) => x.kind === 'deck-hardware'),
  hull = pic.fittings.find((x) => x.kind === 'through-hull')
const places = {
  boat: '/boat/fulmars-reach',
  build: '/boat/fulmars-reach/build',
  survey: '/boat/fulmars-reach/survey',
  bench: `/bench/${deck.id}`,
  hull: `/through-hulls/${hull.id}`,
  register: '/register',
  stores: '/stores',
  reference: '/reference',
  sums: '/reference/sums',
}
const only = process.argv[4]?.split(',')
for (const [name, url] of Object.entries(places)) {
  if (only && !only.includes(name)) continue
  await page.goto(p.base + url)
  await page.waitForTimeout(1800)
  const over = await page.evaluate(() => {
    const w = document.documentElement.clientWidth
    const bad = []
    for (const e of document.querySelectorAll('body *')) {
      const r = e.getBoundingClientRect()
      if (r.width && r.right > w + 1) {
        let scroll = e.parentElement
        let ok = false
        while (scroll) {
          const o = getComputedStyle(scroll).overflowX
          if (o === 'auto' || o === 'scroll' || o === 'hidden') {
            ok = true
            break
          }
          scroll = scroll.parentElement
        }
        if (!ok) bad.push(e.tagName + '.' + (e.className?.baseVal ?? e.className) + ' ' + Math.round(r.right))
      }
    }
    return { doc: document.documentElement.scrollWidth, w, bad: bad.slice(0, 6) }
  })
  console.log(name, page.url().replace(p.base, ''), JSON.stringify(over))
  await page.screenshot({ path: `/tmp/p-${name}.png` })
}
await b.close()
await p.stop()
process.exit(0)
