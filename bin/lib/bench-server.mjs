import { asker, at, boatOf } from './bench-yard.mjs'
import { serveFresh } from './serve.mjs'

const SAVES = 40
/** Saves before any is counted: a server that has been at work for a while, not one just started. */
const WARM = 80
/** Less than a bench itself waits before it saves what a hand has changed. */
const HAND_MS = 300
const USERS = 8
const SOLVES = 8
const HOLES = 5000
const ADDED = 30
const READS = 100

/** What one save takes, each with a name of its own: the design is judged and written as at the bench. */
async function saver(ask, id) {
  let { version, design } = await ask('GET', `/fittings/${id}`)
  let n = 0
  return async () => {
    const t0 = performance.now()
    const sent = { version, design: { ...design, name: `saved ${n++}` } }
    ;({ version, design } = await ask('PUT', `/fittings/${id}`, sent))
    return performance.now() - t0
  }
}
const several = async (n, what, pauseMs = 0) => {
  const took = []
  for (let i = 0; i < n; i++) {
    took.push(await what())
    if (pauseMs) await new Promise((done) => setTimeout(done, pauseMs))
  }
  return took
}
async function benchSaves(row, ms, ask) {
  const { fittings } = await ask('GET', '/boats/fulmars-reach')
  const of = (kind) => fittings.filter((f) => f.kind === kind)
  for (const [kind, what] of [
    ['deck-hardware', 'deck fitting'],
    ['through-hull', 'through-hull'],
  ]) {
    const save = await saver(ask, of(kind)[0].id)
    const first = await several(WARM, save)
    row(
      `The first ${WARM} saves of a ${what} after a start`,
      `p50 ${ms(at(first, 0.5))}, p95 ${ms(at(first, 0.95))}`,
      '',
    )
    const took = await several(SAVES, save)
    const byHand = await several(SAVES, save, HAND_MS)
    for (const [how, t] of [
      ['one after another without a pause', took],
      [`${HAND_MS} ms between, as by hand`, byHand],
    ])
      row(`A ${what} saved, ${how}`, `p50 ${ms(at(t, 0.5))}, p95 ${ms(at(t, 0.95))}`, 'aim p50 25, p95 60 ms')
  }
  const saves = await Promise.all(
    of('deck-hardware')
      .slice(1, USERS + 1)
      .map((f) => saver(ask, f.id)),
  )
  const took = (await Promise.all(saves.map((save) => several(10, save)))).flat()
  row(
    `A deck fitting saved by ${saves.length} at once`,
    `p50 ${ms(at(took, 0.5))}, p95 ${ms(at(took, 0.95))}`,
    'aim 150 ms',
  )
  return saves[0]
}
/** Saves while others have the solver at work: plates of a fine mesh, asked over and over. */
async function benchUnderLoad(row, ms, ask, save) {
  const plate = {
    panel: { aMm: 600, bMm: 600 },
    edges: { x0: 'simple', x1: 'clamped', y0: 'simple', y1: 'clamped' },
    layup: { kind: 'solid', tMm: 6, eMPa: 12270 },
    pressureMPa: 0.004,
  }
  let going = true
  let solved = 0
  const ends = Array.from({ length: SOLVES }, async () => {
    while (going) {
      await ask('POST', '/calc/deck-patch', plate)
      solved++
    }
  })
  // Its threads are there and warm, as on a day of work.
  while (solved < 2) await save()
  const took = await several(SAVES, save)
  going = false
  await Promise.all(ends)
  row(
    `A deck fitting saved while ${SOLVES} ask the solver (${solved} answers meanwhile)`,
    `p50 ${ms(at(took, 0.5))}, p95 ${ms(at(took, 0.95))}`,
    'aim p95 150 ms',
  )
}
async function benchBigBoat(row, ms, ask) {
  const t0 = performance.now()
  const id = await boatOf(ask, 'Big boat', HOLES)
  row(`A list of ${HOLES} holes read in, with the boat`, ms(performance.now() - t0), 'aim 1500 ms')
  const { holes } = await ask('GET', `/boats/${id}`)
  /** As its page asks for it. */
  const picture = () => `/boats/${id}?holes=columns`
  const timed = async (path) => {
    const begun = performance.now()
    await ask.bytes(path)
    return performance.now() - begun
  }
  const fitting = (await ask('POST', `/boats/${id}/fittings`, { catalogueId: 'HG-C250', xMm: 9000, yMm: 0 }))
    .id
  const found = { foundKind: 'open hole', diameterMm: 8, xMm: 4000, yMm: 300 }
  const changed = []
  for (let i = 0; i < ADDED; i++) {
    await ask('POST', `/boats/${id}/penetrations`, found)
    changed.push(await timed(picture()))
  }
  row(
    'Picture of that boat after a hole was added',
    `p50 ${ms(at(changed, 0.5))}, p95 ${ms(at(changed, 0.95))}`,
    '',
  )
  const hole = () => `/penetrations/${holes[Math.floor(Math.random() * holes.length)].id}`
  for (const [what, path, aim] of [
    ['Picture of that boat', picture, 'aim p95 60 ms'],
    ['One hole of it', hole, 'aim p95 15 ms'],
    ['One fitting of it', () => `/fittings/${fitting}`, 'aim p95 15 ms'],
  ]) {
    await several(10, () => timed(path()))
    const took = await several(READS, () => timed(path()))
    row(what, `p50 ${ms(at(took, 0.5))}, p95 ${ms(at(took, 0.95))}`, aim)
  }
  // The lines to the database are there, as on a day of work.
  const byAll = (times) =>
    Promise.all(Array.from({ length: USERS }, () => several(times, () => timed(picture()))))
  await byAll(2)
  const all = (await byAll(Math.ceil(READS / USERS))).flat()
  row(
    `Picture of that boat by ${USERS} at once`,
    `p50 ${ms(at(all, 0.5))}, p95 ${ms(at(all, 0.95))}`,
    'aim 4 times one',
  )
}
/** The running server alone, asked as a page asks it. */
export async function benchServer(row, ms) {
  const product = await serveFresh('bench-postgres')
  try {
    const ask = await asker(product.base, '/session/demo', {})
    const save = await benchSaves(row, ms, ask)
    await benchUnderLoad(row, ms, ask, save)
    await benchBigBoat(row, ms, ask)
  } finally {
    await product.stop()
  }
}
