/// <reference lib="dom" />
import { expect, test, type Page } from '@playwright/test'
import { enter } from './hands'

/**
 * Every place as a reader meets it: on the phone in the bilge, on a tablet, at a desk, drawn twice as large
 * and with larger letters. Nothing hangs over the edge, no word is cut, what is pressed is as large as a
 * thumb, and no page speaks in names of fields.
 */
const PLACES = [
  '/boat/fulmars-reach',
  '/boat/fulmars-reach/build',
  '/boat/fulmars-reach/readings',
  '/boat/fulmars-reach/found',
  '/boat/fulmars-reach/angles',
  '/boat/fulmars-reach/files',
  '/bench',
  '/through-hulls',
  '/register',
  '/register/16',
  '/plan',
  '/watch',
  '/stores',
  '/stores?view=parts',
  '/reference',
  '/reference/sums/core-plug',
]
const FORMS = [
  'mooring cleat, port bow',
  'wet-lab intake',
  'hatch',
  'closing the old net-hauler',
  'port chainplate',
  'stanchions, port',
]
interface Sight {
  name: string
  width: number
  height: number
  /** letters of the reader's own size */
  rootPx?: string
}
const SIGHTS: Sight[] = [
  { name: 'a phone', width: 390, height: 844 },
  { name: 'a tablet', width: 768, height: 1024 },
  { name: 'a desk', width: 1280, height: 800 },
  { name: 'a desk, twice as large', width: 640, height: 400 },
  { name: 'a tablet, twice as large', width: 384, height: 512 },
  { name: 'a phone, larger letters', width: 390, height: 844, rootPx: '22px' },
  { name: 'a desk, larger letters', width: 1280, height: 800, rootPx: '22px' },
]

/** A page with fewer letters says nothing. */
const LITTLE = 120

/** What is wrong with the page as it stands; runs in the page. */
function faults({ phone, little }: { phone: boolean; little: number }): string[] {
  const out: string[] = []
  const said = (e: Element) =>
    `<${e.tagName.toLowerCase()} ${String((e as HTMLElement).className).slice(0, 40)}> ${(e.textContent ?? '').trim().slice(0, 40)}`
  const seen = (e: Element) => {
    const r = e.getBoundingClientRect()
    return r.width > 1 && r.height > 1 && getComputedStyle(e).visibility !== 'hidden'
  }
  if (document.documentElement.scrollWidth > innerWidth)
    out.push(`wider than the screen: ${document.documentElement.scrollWidth}`)
  const all = [...document.querySelectorAll('main.place *, header.strip *, nav.rail *')]
  for (const e of all) {
    if (e.closest('svg, .hidden-words, .el-popper, [aria-hidden=true]') || !seen(e)) continue
    const own = [...e.childNodes].some((n) => n.nodeType === 3 && n.textContent!.trim())
    const style = getComputedStyle(e)
    if (own && /hidden|clip/.test(style.overflowX) && e.scrollWidth > e.clientWidth + 1)
      out.push(`cut: ${said(e)}`)
  }
  const pressed = [
    ...document.querySelectorAll<HTMLElement>(
      'main.place :is(button, [role=button], select, input, .act, a), nav.rail :is(a, button)',
    ),
  ].filter((e) => seen(e) && !e.closest('.hidden-words, .el-popper, svg'))
  const targetOf = (e: HTMLElement) =>
    e.closest<HTMLElement>('label, .el-select, .el-input, .el-checkbox, .el-radio, .el-upload') ?? e
  // A link within a sentence is as high as its line, and is exempt.
  if (phone)
    for (const e of pressed) {
      if (e.closest('p, .el-input-number')) continue
      if (targetOf(e).getBoundingClientRect().height < 43.5) out.push(`small: ${said(targetOf(e))}`)
    }
  /** The part of it that is in view: what is scrolled away in its own column is not in anybody's way. */
  const inView = (e: Element) => {
    const r = e.getBoundingClientRect()
    const box = { left: r.left, top: r.top, right: r.right, bottom: r.bottom }
    for (let a = e.parentElement; a; a = a.parentElement) {
      if (getComputedStyle(a).overflowY === 'visible' || a === document.documentElement) continue
      const c = a.getBoundingClientRect()
      box.left = Math.max(box.left, c.left)
      box.top = Math.max(box.top, c.top)
      box.right = Math.min(box.right, c.right)
      box.bottom = Math.min(box.bottom, c.bottom)
    }
    return box
  }
  /** What two fingers would fight for: one over the other, and neither within the other. */
  const targets = [...new Set(pressed.map(targetOf))].filter((e) => !e.closest('nav.rail'))
  const boxes = targets.map((e) => ({ e, r: inView(e) }))
  const SPARE_PX = 2
  for (const [i, p] of boxes.entries())
    for (const q of boxes.slice(i + 1)) {
      if (p.e.contains(q.e) || q.e.contains(p.e)) continue
      const w = Math.min(p.r.right, q.r.right) - Math.max(p.r.left, q.r.left)
      const h = Math.min(p.r.bottom, q.r.bottom) - Math.max(p.r.top, q.r.top)
      if (w > SPARE_PX && h > SPARE_PX) out.push(`over one another: ${said(p.e)} and ${said(q.e)}`)
    }
  const main = document.querySelector<HTMLElement>('main.place')!
  if (main.innerText.trim().length < little)
    out.push(`next to nothing on it: ${main.innerText.trim().slice(0, 60)}`)
  return [...new Set(out)]
}
/** Words that no fitter says. */
function jargon(text: string): string[] {
  const KNOWN = /\b(kN|kPa|mA|pH|kWh|dBm|iPad)\b/g
  const clean = text.replace(KNOWN, '')
  return [
    ...(clean.match(/\b[a-z]{2,}[a-z0-9]*[A-Z][a-z]\w*/g) ?? []),
    ...(clean.match(/\b[a-z]{3,}\.[a-z]{3,}\b(?!\.(json|csv|pdf|svg|dxf))/g) ?? []).filter(
      (w) => !/\.(json|csv|pdf|svg|dxf)$/.test(w),
    ),
    ...(clean.match(/\d{4}-\d{2}-\d{2}(T\d{2})?/g) ?? []),
    ...(clean.match(/\bchapter \d/gi) ?? []),
    ...(clean.match(/\b1 (days|holes|bolts|hours|weeks|tubes|checks|steps|fittings)\b/g) ?? []),
    ...(clean.match(/\d\.\d{8,}/g) ?? []),
    ...(clean.match(/(^|\s)-0(?=\s|$|,)/g) ?? []),
    ...(clean.match(/\b(undefined|null|NaN|Infinity|\[object)\b/g) ?? []),
  ]
}
/** At one sight after another, as a window that is drawn larger or a phone that is turned. */
async function seenAt(page: Page, sight: Sight): Promise<string[]> {
  await page.setViewportSize({ width: sight.width, height: sight.height })
  await page.evaluate((px) => (document.documentElement.style.fontSize = px), sight.rootPx ?? '')
  // Two frames: what is laid out by script follows the size in the first.
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))))
  const wrong = [
    ...(await page.evaluate(faults, { phone: sight.width < 768, little: LITTLE })),
    ...(sight.name === 'a desk' ? jargon(await page.locator('body').innerText()) : []),
  ]
  return wrong.map((w) => `${sight.name}: ${w}`)
}

for (const part of ['places', 'benches'] as const)
  test(`${part}: whole at every size, and in words`, async ({ page }) => {
    test.setTimeout(240_000)
    const console_: string[] = []
    page.on('console', (m) => m.type() === 'error' && console_.push(m.text()))
    page.on('pageerror', (e) => console_.push(e.message))
    await enter(page)
    const benches = await page.evaluate(async (names) => {
      const b = (await (await fetch('/api/boats/fulmars-reach')).json()) as {
        fittings: { id: string; name: string }[]
      }
      return names.map((n) => b.fittings.find((f) => f.name.toLowerCase().includes(n))!)
    }, FORMS)
    const found: Record<string, string[]> = {}
    const walked =
      part === 'places'
        ? PLACES.map((path) => ({ path, name: path }))
        : benches.map(({ id, name }) => ({ path: `/bench/${id}`, name }))
    for (const { path, name } of walked) {
      const wrong: string[] = []
      // Loaded on the phone and on the desk, as some of it is chosen when it is first drawn.
      for (const [first, ...more] of [
        SIGHTS.filter((s) => s.width < 768),
        SIGHTS.filter((s) => s.width >= 768),
      ]) {
        await page.setViewportSize({ width: first!.width, height: first!.height })
        await page.goto(path)
        await expect(
          page.locator('main.place :is(h1, h2, h3)').filter({ visible: true }).first(),
        ).toBeVisible()
        await page.waitForLoadState('networkidle')
        // A quiet line is not a drawn page yet; what stays empty is told by the sights.
        await page
          .waitForFunction(
            (n) => document.querySelector<HTMLElement>('main.place')!.innerText.trim().length >= n,
            LITTLE,
            { timeout: 30_000 },
          )
          .catch(() => null)
        for (const sight of [first!, ...more]) wrong.push(...(await seenAt(page, sight)))
      }
      if (wrong.length) found[name] = wrong
    }
    expect(found).toEqual({})
    expect(console_).toEqual([])
  })
