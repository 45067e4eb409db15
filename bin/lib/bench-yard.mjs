import { Agent, get } from 'node:http'
import { createHash } from 'node:crypto'
import { createRequire } from 'node:module'
import { chromium } from '@playwright/test'
import pg from 'pg'
import { serveFresh } from './serve.mjs'

const REGISTER = 5000
const PASSPORT = 1000
const PHOTOS = 300
const STEPS = 400
export const at = (all, q) =>
  [...all].sort((a, b) => a - b)[Math.min(all.length - 1, Math.floor(q * all.length))]

/** Somebody who asks the running product, as a page does. */
export async function asker(base, path, body) {
  const first = await fetch(`${base}/api${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  })
  const cookie = first.headers
    .getSetCookie()
    .map((c) => c.split(';')[0])
    .join('; ')
  const ask = async (method, to, sent) => {
    const r = await fetch(`${base}/api${to}`, {
      method,
      headers: { 'content-type': 'application/json', cookie },
      ...(sent === undefined ? {} : { body: JSON.stringify(sent) }),
    })
    if (!r.ok) throw new Error(`${method} ${to}: ${r.status} ${(await r.text()).slice(0, 300)}`)
    return r.headers.get('content-type')?.includes('json') ? r.json() : r.arrayBuffer()
  }
  /** To its last byte as it came, packed: what unpacks and reads it is not the server's time. */
  ask.bytes = (to) =>
    new Promise((done, no) => {
      const headers = { cookie, 'accept-encoding': 'gzip' }
      get(`${base}/api${to}`, { headers, agent }, (res) => {
        let n = 0
        res.on('data', (d) => (n += d.length))
        res.on('end', () => (res.statusCode === 200 ? done(n) : no(new Error(`${to}: ${res.statusCode}`))))
      }).on('error', no)
    })
  return ask
}
const agent = new Agent({ keepAlive: true })
async function until(ask, path) {
  for (;;) {
    const j = await ask('GET', path)
    if (!/waiting|working/.test(j.state)) return j
    await new Promise((next) => setTimeout(next, 50))
  }
}
/** 400 steps of three boats by four fitters, pots and tubes shared, from the press to the offer. */
async function benchPlan(row, ms, ask, manager) {
  const week = ['mon', 'tue', 'wed', 'thu', 'fri']
  const hours = Object.fromEntries(week.map((d) => [d, [['08:00', '16:30']]]))
  const { fitters } = await manager('GET', '/fitters')
  for (let i = fitters.length; i < 4; i++) await manager('POST', '/fitters', { name: `Fourth ${i}`, hours })
  const planned = async (body) => {
    const t0 = performance.now()
    const job = await until(ask, `/plan/jobs/${(await ask('POST', '/plan/jobs', body)).id}`)
    if (job.state !== 'done') throw new Error(job.said)
    const took = performance.now() - t0
    const { plan } = (await ask('GET', '/plan')).offer
    return { took, steps: plan.days.flatMap((d) => d.steps) }
  }
  const all = (await planned({})).steps
  const by = grouped(all)
  const fittings = []
  let n = 0
  for (const [id, steps] of [...by].sort((a, b) => b[1].length - a[1].length))
    if (n + steps.length <= STEPS) {
      fittings.push(id)
      n += steps.length
    }
  const times = []
  let last
  for (let i = 0; i < 5; i++) times.push((last = await planned({ fittings })).took)
  row(
    `A plan of ${last.steps.length} steps of ${new Set(last.steps.map((s) => s.boatId)).size} boats, 4 fitters, as asked for`,
    `p50 ${ms(at(times, 0.5))}, most ${ms(Math.max(...times))}, ${last.steps.filter((s) => s.joined).length} joined`,
    'aim 5 s',
  )
}
function grouped(all) {
  const by = new Map()
  for (const s of all) by.set(s.fittingId, [...(by.get(s.fittingId) ?? []), s])
  return by
}
const newBoat = (ask, name) =>
  ask('POST', '/boats', {
    name,
    lengthMm: 20000,
    beamMm: 5000,
    displacementKg: 20000,
    duty: 'coastal',
    units: 'metric',
    hullKind: 'laminate',
  })
/** A boat of holes found, by the list that a yard reads in. */
export async function boatOf(ask, name, holes, of = null) {
  const boat = of ? { id: of } : await newBoat(ask, name)
  const states = ['in service', 'suspect', 'cured', 'proved', 'closed']
  const lines = Array.from(
    { length: holes },
    (_, i) =>
      `hole ${i},${400 + ((i * 97) % 19200)},${-1200 + ((i * 61) % 2400)},${6 + (i % 5)},${states[i % 5]}`,
  )
  const csv = ['whatFor,xMm,yMm,diameterMm,state', ...lines].join('\n')
  await ask('POST', `/boats/${boat.id}/penetrations/import`, {
    csv,
    write: true,
    gateReason: 'as they were found',
  })
  return boat.id
}
/** From the map to the register by its key, until its rows stand. */
async function opened(page) {
  await page.keyboard.press('Alt+1')
  await page.getByRole('group', { name: /^Plan of/ }).waitFor()
  return page.evaluate(
    () =>
      new Promise((done) => {
        const t0 = performance.now()
        const look = () =>
          document.querySelector('.register [role=row] a')
            ? requestAnimationFrame(() => done(performance.now() - t0))
            : requestAnimationFrame(look)
        document.dispatchEvent(
          new KeyboardEvent('keydown', { key: '5', code: 'Digit5', altKey: true, bubbles: true }),
        )
        requestAnimationFrame(look)
      }),
  )
}
/** The register of so many holes in the browser: seen, and filtered as one types. */
async function benchRegister(row, ms, product, ask) {
  const id = await boatOf(ask, 'Long register', REGISTER)
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await page.goto(product.base)
    await page.getByRole('button', { name: 'Enter the demo yard as fitter' }).click()
    await page.getByRole('heading', { name: 'Plan' }).waitFor()
    await page.goto(`${product.base}/boat/${id}`)
    await page.getByRole('group', { name: /^Plan of/ }).waitFor()
    const shown = []
    for (let i = 0; i < 7; i++) shown.push(await opened(page))
    row(
      `Register of ${REGISTER} holes shown, from the key to its rows`,
      `p50 ${ms(at(shown, 0.5))}, most ${ms(Math.max(...shown))}`,
      'aim 300 ms',
    )
    const typed = await page.evaluate(async () => {
      const box = document.querySelector('#register-find')
      const out = []
      const words = 'h|ho|hole|hole 1|hole 12|hole 123|suspect|sus|cured 7|'.split('|')
      // A hundred and twenty keys: of thirty, nineteen in twenty is the second worst.
      for (const typed of Array.from({ length: 12 }, () => words).flat()) {
        const t0 = performance.now()
        box.value = typed
        box.dispatchEvent(new Event('input', { bubbles: true }))
        await new Promise((next) => requestAnimationFrame(() => setTimeout(next)))
        out.push(performance.now() - t0)
        // A quick typist's pace.
        await new Promise((next) => setTimeout(next, 100))
      }
      return out
    })
    row(
      'The same filtered as typed, from the key to the frame',
      `p50 ${ms(at(typed, 0.5))}, p95 ${ms(at(typed, 0.95))}`,
      'aim p95 50 ms',
    )
  } finally {
    await browser.close()
  }
}
/** A passport with its pictures as the task that makes it, from the press to the file. */
async function benchPassport(row, ms, product, ask) {
  const id = await boatOf(ask, 'Long passport', PASSPORT)
  const { holes } = await ask('GET', `/boats/${id}`)
  const sharp = createRequire(new URL('../../packages/server/package.json', import.meta.url))('sharp')
  const db = new pg.Client({ connectionString: product.database.ownerUrl })
  await db.connect()
  const pictures = []
  for (let i = 0; i < 6; i++) {
    const noise = { type: 'gaussian', mean: 90 + (i % 80), sigma: 20 }
    const picture = sharp({ create: { width: 1600, height: 1200, channels: 3, background: '#888', noise } })
    const original = await picture.jpeg({ quality: 60 }).toBuffer()
    pictures.push({ original, small: await sharp(original).resize(320).jpeg().toBuffer() })
  }
  for (let i = 0; i < PHOTOS; i++) {
    const { original, small } = pictures[i % pictures.length]
    await db.query(
      `INSERT INTO photos (boat_id, subject, subject_id, caption, mime, width, height, sha256, original, large, small, who, taken_at)
       VALUES ($1, 'hole', $2, 'as found', 'image/jpeg', 1600, 1200, $3, $4, $4, $5, 'Tam Corrigall', now())`,
      [
        id,
        String(holes[i].id),
        createHash('sha256').update(original).update(String(i)).digest('hex'),
        original,
        small,
      ],
    )
  }
  await db.end()
  const t0 = performance.now()
  const task = await until(ask, `/tasks/${(await ask('POST', `/boats/${id}/passport/tasks`, {})).id}`)
  const took = performance.now() - t0
  if (task.state !== 'done') throw new Error(task.said)
  const bytes = (await ask('GET', `/tasks/${task.id}/file`)).byteLength
  row(
    `Passport of ${PASSPORT} holes with ${PHOTOS} photos, from the press to the file`,
    `${ms(took)}, ${(bytes / 1e6).toFixed(0)} MB`,
    'aim 10 s',
  )
}
/** Each on a product of its own together; `only` names those that are wanted. */
export async function benchYard(row, ms, only = ['plan', 'register', 'passport']) {
  const product = await serveFresh('bench-postgres')
  try {
    const ask = await asker(product.base, '/session/demo', {})
    const manager = await asker(product.base, '/session', { login: 'manager', password: 'tide-manager' })
    if (only.includes('plan')) await benchPlan(row, ms, ask, manager)
    if (only.includes('register')) await benchRegister(row, ms, product, ask)
    if (only.includes('passport')) await benchPassport(row, ms, product, ask)
  } finally {
    await product.stop()
  }
}
