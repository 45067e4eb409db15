import { chromium } from '@playwright/test'
import { asker, at, boatOf } from './bench-yard.mjs'
import { serveFresh } from './serve.mjs'

const HOLES = 5000
const KEYS = 60
const QUARTER = 4
/** A slow line: a telephone at the far end of the yard. */
const SLOW = { offline: false, latency: 150, downloadThroughput: 200_000, uploadThroughput: 100_000 }

const said = (all, ms) => `p50 ${ms(at(all, 0.5))}, p95 ${ms(at(all, 0.95))}`
async function entered(browser, base, how = {}) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, ...how })
  await page.goto(base)
  await page.getByRole('button', { name: 'Enter the demo yard as fitter' }).click()
  await page.getByRole('heading', { name: 'Plan' }).waitFor()
  const cdp = await page.context().newCDPSession(page)
  const slowed = async (rate) => cdp.send('Emulation.setCPUThrottlingRate', { rate })
  const line = async (how) => {
    await cdp.send('Network.enable')
    await cdp.send('Network.emulateNetworkConditions', how)
  }
  return { page, slowed, line }
}
/**
 * What a key costs the screen's thread until a frame can be painted in which it is seen: script, style and
 * layout. It begins as a frame begins, and no waiting for the display is counted. What follows from it comes
 * behind that frame: from the key to the frame with its verdict is the second figure.
 */
const keyed = (page, label, values) =>
  page.evaluate(
    async ({ label, values, KEYS }) => {
      const box = [...document.querySelectorAll('input')].find((i) =>
        [i.getAttribute('aria-label'), ...[...(i.labels ?? [])].map((l) => l.textContent)].some(
          (t) => t?.trim() === label,
        ),
      )
      if (!box) throw new Error(`no field ${label}`)
      box.focus()
      // The section is drawn anew with every judgement.
      const section = document.querySelector('.section svg')
      const drawnAgain = () =>
        new Promise((done) => {
          const watch = new MutationObserver(() => (watch.disconnect(), done()))
          watch.observe(section, { subtree: true, childList: true, attributes: true, characterData: true })
        })
      const laidOut = () => (document.body.offsetHeight, section.getBoundingClientRect())
      const one = (value) =>
        new Promise((done) =>
          requestAnimationFrame(async () => {
            const t0 = performance.now()
            const followed = drawnAgain()
            box.value = value
            box.dispatchEvent(new Event('input', { bubbles: true }))
            // Vue draws when what is at hand is done; a few turns later it has.
            for (let k = 0; k < 12; k++) await null
            laidOut()
            const key = performance.now() - t0
            await followed
            for (let k = 0; k < 12; k++) await null
            laidOut()
            done({ key, verdict: performance.now() - t0 })
          }),
        )
      const took = []
      for (let i = 0; i < KEYS; i++) {
        await new Promise((next) => setTimeout(next, 120))
        took.push(await one(values[i % values.length]))
      }
      return took.slice(5)
    },
    { label, values, KEYS },
  )
async function benchKeys(row, ms, browser, product, ask) {
  const { fittings } = await ask('GET', '/boats/fulmars-reach')
  const { page, slowed } = await entered(browser, product.base)
  for (const { what, kind, path, field } of [
    { what: 'deck bench', kind: 'deck-hardware', path: 'bench', field: 'Plate thickness' },
    { what: 'through-hull bench', kind: 'through-hull', path: 'through-hulls', field: 'Pad thickness' },
  ]) {
    await slowed(1)
    let there = false
    for (const f of fittings.filter((x) => x.kind === kind)) {
      await page.goto(`${product.base}/${path}/${f.id}`)
      await page.getByRole('list', { name: 'Checks' }).or(page.locator('.verdicts')).first().waitFor()
      // What is below in the column comes after what one sees first.
      const asked = page.getByRole('textbox', { name: field }).waitFor({ timeout: 3000 })
      if ((there = await asked.then(() => true).catch(() => false))) break
    }
    if (!there) throw new Error(`no ${kind} of the demo asks for a ${field.toLowerCase()}`)
    for (const [rate, aim] of [
      [1, 'aim 8 ms'],
      [QUARTER, 'aim 33 ms'],
    ]) {
      await slowed(rate)
      const slow = rate > 1 ? ', a quarter of the CPU' : ''
      const took = await keyed(page, field, ['11', '12', '13', '14', '15', '16'])
      row(
        `A key on the ${what}, to a frame that can be painted${slow}`,
        said(
          took.map((t) => t.key),
          ms,
        ),
        aim,
      )
      row(
        `The same to the frame with its verdict${slow}`,
        said(
          took.map((t) => t.verdict),
          ms,
        ),
        'follows the key',
      )
    }
    await slowed(1)
  }
  await page.close()
}
/** In every page from now on: when the frame comes in which its map is first there. */
const mapWatched = (page) =>
  page.addInitScript(() => {
    window.mapSeen = new Promise((done) => {
      const look = () =>
        document.querySelector('[role=group][aria-label^="Plan of"]')
          ? setTimeout(() => done(performance.now()))
          : requestAnimationFrame(look)
      requestAnimationFrame(look)
    })
  })
/** From the address to the map, by the page's own clock: what drives the browser has no part in it. */
async function mapAt(page, address) {
  await page.goto('about:blank')
  await page.goto(address, { waitUntil: 'commit' })
  return page.evaluate(() => window.mapSeen)
}
/**
 * The same over a slow line, of one who was there before and of one who was not. The part that keeps pages
 * for want of a line is left out: what it asks for itself is not slowed by the browser.
 */
async function slowLine(row, ms, browser, product, id) {
  for (const [who, before] of [
    ['there before', true],
    ['at a first visit', false],
  ]) {
    const took = []
    for (let i = 0; i < 3; i++) {
      const { page, line } = await entered(browser, product.base, { serviceWorkers: 'block' })
      const cdp = await page.context().newCDPSession(page)
      await mapWatched(page)
      const address = `${product.base}/boat/${id}`
      if (before) await mapAt(page, address)
      else await cdp.send('Network.clearBrowserCache')
      await line(SLOW)
      took.push(await mapAt(page, address))
      await page.close()
    }
    row(`The same on a slow line (1.6 Mbit/s, 150 ms), ${who}`, `p50 ${ms(at(took, 0.5))}`, 'aim 3 s')
  }
}
async function benchMap(row, ms, browser, product, ask) {
  const id = await boatOf(ask, 'Boat of many holes', HOLES)
  const { page, slowed } = await entered(browser, product.base)
  const map = page.getByRole('group', { name: /^Plan of/ })
  await mapWatched(page)
  const first = () => mapAt(page, `${product.base}/boat/${id}`)
  await first()
  const took = []
  for (let i = 0; i < 5; i++) took.push(await first())
  row(`Map of ${HOLES} holes, from the address to the map`, `p50 ${ms(at(took, 0.5))}`, 'aim 800 ms')
  await slowLine(row, ms, browser, product, id)
  await slowed(QUARTER)
  row(
    `Map of ${HOLES} holes panned at a quarter of the CPU: frame`,
    said(await panned(page, map), ms),
    'aim 25 ms',
  )
  await slowed(1)
  await page.goto(`${product.base}/register`)
  const link = page.locator('.register [role=row] a')
  await link.first().waitFor()
  const opened = []
  for (let i = 0; i < 8; i++) opened.push(await page.evaluate(holeOpened, i + 1))
  row(
    `A hole opened in a register of ${HOLES}`,
    `p50 ${ms(at(opened, 0.5))}, most ${ms(Math.max(...opened))}`,
    'aim 200 ms',
  )
  await page.close()
}
/** In the page: from the press on a hole's label to the frame in which its record is there. */
function holeOpened(i) {
  const link = document.querySelectorAll('.register [role=row] a')[i]
  const label = link.textContent.trim()
  const t0 = performance.now()
  link.click()
  return new Promise((done) => {
    // Its head comes from the list at once; it is open when its life is there.
    const there = (panel) => panel?.textContent.includes(label) && panel.querySelector('.events li')
    const look = () =>
      there(document.querySelector('section[aria-label=Hole]'))
        ? requestAnimationFrame(() => setTimeout(() => done(performance.now() - t0)))
        : requestAnimationFrame(look)
    requestAnimationFrame(look)
  })
}
async function panned(page, map) {
  const box = await map.boundingBox()
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  const recorded = page.evaluate(
    () =>
      new Promise((done) => {
        const gaps = []
        let before = null
        const frame = (now) => {
          if (before !== null) gaps.push(now - before)
          before = now
          if (gaps.length < 160) requestAnimationFrame(frame)
          else done(gaps.slice(20))
        }
        requestAnimationFrame(frame)
      }),
  )
  let busy = true
  void recorded.then(() => (busy = false))
  for (let i = 0; busy; i++) await page.mouse.move(x + 160 * Math.sin(i / 9), y + 70 * Math.cos(i / 13))
  await page.mouse.up()
  return recorded
}
/** The most of the processor, and of the clock, that one piece of the page's own thread took. */
function longestPiece(events) {
  const tasks = events.filter((e) => e.ph === 'X' && e.name.endsWith('RunTask'))
  const spent = new Map()
  const thread = (e) => `${e.pid} ${e.tid}`
  // The page's own thread: the one that runs scripts, and of those the one that ran them longest.
  for (const e of events)
    if (e.name === 'v8.evaluateModule' || e.name === 'FunctionCall')
      spent.set(thread(e), (spent.get(thread(e)) ?? 0) + (e.dur ?? 0))
  const [page] = [...spent].sort((a, b) => b[1] - a[1])[0]
  const most = (name) =>
    Math.max(...tasks.filter((e) => thread(e) === page).map((e) => (e[name] ?? 0) / 1000))
  return { processor: most('tdur'), clock: most('dur') }
}
const TRACED = ['toplevel', 'devtools.timeline', 'v8']
/**
 * No piece of work at a first visit holds the screen for long. By the processor: browser, server and database
 * begin beside the page on the same two cores, and by the clock most of a piece is waiting for one of them.
 */
async function benchFirst(row, ms, browser, product) {
  for (const [what, enters] of [
    ['the sign-in', false],
    ['the demo boat', true],
  ]) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
    const page = await context.newPage()
    const cdp = await context.newCDPSession(page)
    const events = []
    cdp.on('Tracing.dataCollected', (e) => events.push(...e.value))
    const traceConfig = { includedCategories: TRACED }
    await cdp.send('Tracing.start', { transferMode: 'ReportEvents', traceConfig })
    await page.goto(`${product.base}/sign-in`)
    const enter = page.getByRole('button', { name: 'Enter the demo yard as fitter' })
    await enter.waitFor()
    if (enters) {
      await enter.click()
      await page.getByRole('heading', { name: 'Plan' }).waitFor()
    }
    await page.waitForLoadState('networkidle')
    const complete = new Promise((done) => cdp.once('Tracing.tracingComplete', done))
    await cdp.send('Tracing.end')
    await complete
    const { processor, clock } = longestPiece(events)
    row(
      `Longest piece of work at a first visit of ${what}`,
      `processor ${ms(processor)}, by the clock most ${ms(clock)}`,
      'aim 80 ms',
    )
    await context.close()
  }
}
/** The product in a browser: keys at the benches, a boat of many holes, a first visit. */
export async function benchBrowser(row, ms) {
  const product = await serveFresh('bench-postgres')
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
  try {
    const ask = await asker(product.base, '/session/demo', {})
    await benchKeys(row, ms, browser, product, ask)
    await benchMap(row, ms, browser, product, ask)
    await benchFirst(row, ms, browser, product)
  } finally {
    await browser.close()
    await product.stop()
  }
}
