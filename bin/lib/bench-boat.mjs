import { asker, at, boatOf } from './bench-yard.mjs'
import { serveFresh } from './serve.mjs'

const HOLES = 5000
const FITTINGS = 500
/** As often as the boat's page asks how far it is: first for the hand verdicts, then for the solver's. */
const ASK_MS = 150
const SOLVER_ASK_MS = 1000
const READ_EVERY_MS = 250
const rest = (time) => new Promise((next) => setTimeout(next, time))

const ZONE = {
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

/** A boat of many holes whose fittings are no two alike, so that no answer of the solver is another's. */
async function boatOfFittings(ask) {
  const id = await boatOf(ask, 'Bench boat', HOLES)
  const { zones } = await ask('POST', `/boats/${id}/zones`, ZONE)
  const first = await ask('POST', `/boats/${id}/fittings`, { catalogueId: 'HG-C250', xMm: 1000, yMm: 0 })
  const file = await ask('GET', `/fittings/${first.id}/design.json`)
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
        ask('POST', `/boats/${id}/fittings/import`, another(i + k)),
      ),
    )
  return { id, zone: zones.at(-1).id }
}
/** The outer skin measured anew, and the hand verdicts that follow. */
async function measuredAgain(ask, boat, thicknessMm) {
  const { zones } = await ask('GET', `/boats/${boat.id}`)
  const began = performance.now()
  let { job } = await ask('PUT', `/boats/${boat.id}/zones/${boat.zone}`, {
    ...ZONE,
    layers: ZONE.layers.map((l, i) => (i ? l : { ...l, thicknessMm })),
    version: zones.find((z) => z.id === boat.zone).version,
  })
  while (!job.finished) {
    await rest(ASK_MS)
    job = await ask('GET', `/boats/${boat.id}/rejudge/${job.id}`)
  }
  return { began, ms: performance.now() - began, job }
}
/** Until the solver has said its last, read by somebody who opens one fitting after another meanwhile. */
async function solvedWhileRead(ask, boat, job) {
  const { fittings } = await ask('GET', `/boats/${boat.id}`)
  const waits = []
  let asked = performance.now()
  while (job.solverLeft) {
    const begun = performance.now()
    await ask('GET', `/fittings/${fittings[waits.length % fittings.length].id}`)
    waits.push(performance.now() - begun)
    await rest(READ_EVERY_MS)
    if (performance.now() - asked < SOLVER_ASK_MS) continue
    asked = performance.now()
    job = await ask('GET', `/boats/${boat.id}/rejudge/${job.id}`)
  }
  return waits
}

/** All of a boat judged anew, to the last word of the plate solver, and what a reader waits meanwhile. */
export async function benchBoat(row, ms) {
  const product = await serveFresh('bench-postgres')
  try {
    const ask = await asker(product.base, '/session/demo', {})
    const boat = await boatOfFittings(ask)
    const times = []
    for (const t of [3.6, 4.2, 3.1]) times.push((await measuredAgain(ask, boat, t)).ms)
    row(
      `${FITTINGS} fittings judged again after a zone changed, with the save`,
      `p50 ${ms(at(times, 0.5))}, most ${ms(Math.max(...times))}`,
      'aim 2 s',
    )
    const last = await measuredAgain(ask, boat, 3.3)
    const waits = await solvedWhileRead(ask, boat, last.job)
    row(
      `${FITTINGS} fittings, no two alike, to the last word of the solver`,
      `${ms(performance.now() - last.began)}, ${last.job.solverLeft} asked of it`,
      'aim 40 s',
    )
    row(
      'One fitting opened meanwhile',
      `p50 ${ms(at(waits, 0.5))}, p95 ${ms(at(waits, 0.95))}`,
      'nobody waits',
    )
  } finally {
    await product.stop()
  }
}
