import { chromium } from '@playwright/test'
import { serveFresh } from './serve.mjs'

const HOLES = 2000
const FITTINGS = 500
const FRAMES = 240

/** From the change of a zone to the last word of the plate solver, and what a reader waits meanwhile. */
async function benchSolved(row, ms, page, made) {
  const got = await page.evaluate(
    async ({ made }) => {
      const ask = async (method, path, body) =>
        (
          await fetch(`/api${path}`, {
            method,
            headers: { 'Content-Type': 'application/json' },
            body: body && JSON.stringify(body),
          })
        ).json()
      const due = async () => (await ask('GET', `/boats/${made.id}`)).fittings.filter((f) => f.solverDue)
      const rest = (time) => new Promise((next) => setTimeout(next, time))
      while ((await due()).length) await rest(500)
      const { zones, fittings } = await ask('GET', `/boats/${made.id}`)
      const layers = made.body.layers.map((l, i) => (i ? l : { ...l, thicknessMm: 3.3 }))
      const t0 = performance.now()
      let { job } = await ask('PUT', `/boats/${made.id}/zones/${made.zone.id}`, {
        ...made.body,
        layers,
        version: zones[0].version,
      })
      while (!job.finished) job = await ask('GET', `/boats/${made.id}/rejudge/${job.id}`)
      const left = (await due()).length
      const waits = []
      for (let n = 0; (await due()).length; n++) {
        const begun = performance.now()
        await ask('GET', `/fittings/${fittings[n % fittings.length].id}`)
        waits.push(performance.now() - begun)
        await rest(250)
      }
      waits.sort((a, b) => a - b)
      return { took: performance.now() - t0, left, p95: waits[Math.floor(0.95 * waits.length)] ?? 0 }
    },
    { made },
  )
  row(
    `${FITTINGS} fittings, no two alike, after a zone changed: to the last word of the solver`,
    `${ms(got.took)}, ${got.left} asked of it`,
    'aim 40 s',
  )
  row('One fitting opened meanwhile', `p95 ${ms(got.p95)}`, 'nobody waits')
}

/**
 * A boat of many holes and fittings in the running product: how smoothly its map pans, and how soon all of
 * it is judged anew.
 */
export async function benchBoat(row, ms) {
  const product = await serveFresh('bench-postgres')
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await page.goto(product.base)
    await page.getByRole('button', { name: 'Enter the demo yard as fitter' }).click()
    await page.getByRole('heading', { name: 'Plan' }).waitFor()
    const made = await page.evaluate(
      async ({ HOLES, FITTINGS }) => {
        const ask = async (method, path, body) =>
          (
            await fetch(`/api${path}`, {
              method,
              headers: { 'Content-Type': 'application/json' },
              body: body && JSON.stringify(body),
            })
          ).json()
        const boat = await ask('POST', '/boats', {
          name: 'Bench boat',
          lengthMm: 20000,
          beamMm: 5000,
          displacementKg: 20000,
          duty: 'coastal',
          units: 'metric',
          hullKind: 'laminate',
        })
        const zone = {
          title: 'Deck',
          face: 'deck',
          kind: 'sandwich',
          zMm: 900,
          outline: [
            [0, -2500],
            [20000, -2500],
            [20000, 2500],
            [0, 2500],
          ].map(([xMm, yMm]) => ({ xMm, yMm })),
          layers: [
            { material: 'mat', thicknessMm: 4, measured: true },
            { material: 'balsa-150', thicknessMm: 12, measured: true },
            { material: 'mat', thicknessMm: 3, measured: true },
          ],
        }
        const { zones } = await ask('POST', `/boats/${boat.id}/zones`, zone)
        const states = [
          'marked',
          'drilled',
          'core sealed',
          'dry fitted',
          'bedded',
          'cured',
          'proved',
          'in service',
          'suspect',
          'closed',
        ]
        const csv = [
          'whatFor,xMm,yMm,diameterMm,state',
          ...Array.from(
            { length: HOLES },
            (_, i) =>
              `hole ${i},${400 + ((i * 97) % 19200)},${-1500 + ((i * 61) % 3000)},8,${states[i % 10]}`,
          ),
        ].join('\n')
        await ask('POST', `/boats/${boat.id}/penetrations/import`, { csv, write: true })
        const first = await ask('POST', `/boats/${boat.id}/fittings`, {
          catalogueId: 'HG-C250',
          xMm: 1000,
          yMm: 0,
        })
        const file = await (await fetch(`/api/fittings/${first.id}/design.json`)).json()
        // No two of them alike, so that no answer of the solver is another's.
        const another = (n) => {
          const design = structuredClone(file.design)
          design.place.xMm = 600 + 37 * n
          design.place.yMm = -1400 + ((n * 53) % 2800)
          if (design.plate) design.plate.lengthMm += n % 40
          return { ...file, design }
        }
        for (let i = 1; i < FITTINGS; i += 25)
          await Promise.all(
            Array.from({ length: Math.min(25, FITTINGS - i) }, (_, k) =>
              ask('POST', `/boats/${boat.id}/fittings/import`, another(i + k)),
            ),
          )
        return { id: boat.id, zone: zones[0], body: zone }
      },
      { HOLES, FITTINGS },
    )
    const times = []
    for (const t of [3.6, 4.2, 3.1, 4]) {
      times.push(
        await page.evaluate(
          async ({ made, t }) => {
            const ask = async (method, path, body) =>
              (
                await fetch(`/api${path}`, {
                  method,
                  headers: { 'Content-Type': 'application/json' },
                  body: body && JSON.stringify(body),
                })
              ).json()
            const { zones } = await ask('GET', `/boats/${made.id}`)
            const layers = made.body.layers.map((l, i) => (i ? l : { ...l, thicknessMm: t }))
            const t0 = performance.now()
            let { job } = await ask('PUT', `/boats/${made.id}/zones/${made.zone.id}`, {
              ...made.body,
              layers,
              version: zones[0].version,
            })
            while (!job.finished) job = await ask('GET', `/boats/${made.id}/rejudge/${job.id}`)
            return { ms: performance.now() - t0, total: job.total }
          },
          { made, t },
        ),
      )
    }
    times.sort((a, b) => a.ms - b.ms)
    row(
      `${times[0].total} fittings judged again after a zone changed, with the save`,
      `p50 ${ms(times[1].ms)}, most ${ms(times.at(-1).ms)}`,
      'aim 2 s',
    )

    await benchSolved(row, ms, page, made)
    await page.goto(`${product.base}/boat/${made.id}`)
    const plan = page.getByRole('group', { name: /^Plan of/ })
    await plan.waitFor()
    const box = await plan.boundingBox()
    for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Zoom in' }).click()
    for (const zoomed of [true, false]) {
      if (!zoomed) await page.getByRole('button', { name: 'Whole boat' }).click()
      const recorded = page.evaluate(
        (n) =>
          new Promise((done) => {
            const frames = []
            let before = performance.now()
            const step = (at) => {
              const now = performance.now()
              frames.push({ gap: at - (frames.length ? frames.at(-1).at : at), at })
              before = now
              if (frames.length < n) requestAnimationFrame(step)
              else
                done(
                  frames
                    .slice(20)
                    .map((f) => f.gap)
                    .sort((a, b) => a - b),
                )
            }
            requestAnimationFrame(step)
            void before
          }),
        FRAMES,
      )
      await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
      await page.mouse.down()
      let busy = true
      void recorded.then(() => (busy = false))
      for (let i = 0; busy; i++)
        await page.mouse.move(
          box.x + box.width / 2 + 160 * Math.sin(i / 9),
          box.y + box.height / 2 + 70 * Math.cos(i / 13),
        )
      await page.mouse.up()
      const gaps = await recorded
      const at = (q) => gaps[Math.floor(q * (gaps.length - 1))]
      row(
        `map of ${HOLES} holes panned, ${zoomed ? 'zoomed in' : 'whole boat'}: frame`,
        `p50 ${at(0.5).toFixed(1)} ms, p95 ${at(0.95).toFixed(1)} ms`,
        'aim p95 16.7 ms',
      )
    }
  } finally {
    await browser.close()
    await product.stop()
  }
}
