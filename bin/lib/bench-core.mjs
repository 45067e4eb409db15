import { once } from 'node:events'
import { pathToFileURL } from 'node:url'
import { Worker } from 'node:worker_threads'
import { compileSpeed } from './compiled-core.mjs'

/** What the core works out: judging, sizing, solving, planning, cutting; the solver against a general one. */
export async function benchCore(row, ms) {
  const compiled = pathToFileURL(await compileSpeed()).href
  const b = await import(compiled)
  await benchSolver(b, compiled, row, ms)
  await benchJudging(compiled, row, ms)
  await benchAgainst(b, row, ms)
}
/** Those that a page or a job of the queue does together, one after another, in a thread of their own. */
async function apart(compiled, ...names) {
  const thread = new Worker(new URL('bench-thread.mjs', import.meta.url), { workerData: { compiled, names } })
  const [took] = await once(thread, 'message')
  return took
}
async function benchJudging(compiled, row, ms) {
  const p95 = (what, t, aim) => row(what, `p50 ${ms(t.p50)}, p95 ${ms(t.p95)}`, aim)
  const most = (what, t, aim) => row(what, `p50 ${ms(t.p50)}, most ${ms(t.most)}`, aim)
  const deck = await apart(compiled, 'judging', 'checksAlone', 'checksAfterKey', 'sizing', 'spreading')
  p95('Judging one fitting whole: checks, remedies, both drawings', deck.judging, 'not on a key')
  p95('The checks of one just opened', deck.checksAlone, 'aim p95 1 ms')
  p95('The checks after a key', deck.checksAfterKey, 'aim p95 1 ms')
  most('Size it, over the catalogue, plate solver asked', deck.sizing, 'aim 150, 500 ms')
  most('Spread of one fitting anew after a changed thickness', deck.spreading, 'aim 1 s')
  const hull = await apart(compiled, 'throughAtFirst', 'through', 'throughRemedies')
  const first = hull.throughAtFirst
  row(
    'The first 200 of a page judged through the hull',
    `p50 ${ms(first.p50)}, p95 ${ms(first.p95)}, most ${ms(first.most)}`,
    '',
  )
  p95('Judging one fitting through the hull', hull.through, 'aim p95 1 ms')
  p95('The same with its remedies', hull.throughRemedies, 'aim p95 4 ms')
  const opening = await apart(compiled, 'openings', 'weakenedDeck')
  p95('Judging one opening', opening.openings, 'aim p95 5 ms')
  most('Deck round an opening solved, with it and without', opening.weakenedDeck, 'aim 1 s')
  const rows = await apart(compiled, 'rowDragged', 'rowOfMany')
  p95('A row shared out anew as a thing in its way is dragged', rows.rowDragged, 'aim p95 50 ms')
  p95('A row of 200 judged and drawn', rows.rowOfMany, 'aim p95 50 ms')
  const { planOfWeeks: plan } = await apart(compiled, 'planOfWeeks')
  row(
    'A plan of 400 steps, four fitters',
    `p50 ${ms(plan.p50)}, ends after ${plan.days.toFixed(0)} days`,
    'aim 5 s',
  )
  const { nestOfMany: nest, floodDay } = await apart(compiled, 'nestOfMany', 'floodDay')
  row('200 pieces cut from sheets', `p50 ${ms(nest.p50)}, ${nest.said}`, 'aim 2 s')
  most('A day of flooding, three compartments', floodDay, 'aim 200 ms')
}
async function benchSolver(b, compiled, row, ms) {
  for (const h of b.HEAVY) {
    const t = b.timed(h.times, h.run, 2)
    row(h.what, `p50 ${ms(t.p50)}, most ${ms(t.most)}`, `aim ${h.aim} ms`)
  }
  const thread = new Worker(new URL('bench-solver.mjs', import.meta.url), { workerData: compiled })
  const [solved] = await once(thread, 'message')
  const took = solved.map(({ n, mesh, p50, most, memoryMB }) => {
    row(
      `deck-patch ${mesh.nx} x ${mesh.ny}`,
      `p50 ${ms(p50)}, most ${ms(most)}, memory ${memoryMB.toFixed(0)} MB`,
      { 40: 'aim 110 ms', 64: 'aim 300 ms', 96: 'aim 700 ms' }[n] ?? '',
    )
    return { n: (mesh.nx + 1) * (mesh.ny + 1), ms: p50 }
  })
  const growth = Math.log(took[3].ms / took[0].ms) / Math.log(took[3].n / took[0].n)
  row('growth from 32 to 96, power of the unknowns', growth.toFixed(2), 'aim 1.5')
}
/** The same matrix by a general package of sparse matrices. */
async function benchAgainst(b, row, ms) {
  const { create, all } = await import('mathjs')
  const math = create(all)
  /** Of the package's own fill-reducing orders the one that is fastest on these matrices. */
  const GENERAL_ORDER = 2
  for (const n of [20, 40]) {
    const m = b.sameMatrix(n)
    const sparse = math.sparse()
    sparse.resize([m.unknowns, m.unknowns])
    const rows = m.entries()
    const values = [],
      index = [],
      ptr = []
    for (let c = 0; c < m.unknowns; c++) {
      ptr.push(values.length)
      for (const [r, v] of [...rows.get(c)].sort((p, q) => p[0] - q[0])) {
        index.push(r)
        values.push(v)
      }
    }
    ptr.push(values.length)
    const A = new math.SparseMatrix({ values, index, ptr, size: [m.unknowns, m.unknowns] })
    const rhs = math.matrix([...m.rhs].map((v) => [v]))
    const t0 = performance.now()
    const theirs = math.lusolve(math.slu(A, GENERAL_ORDER, 1e-3), rhs)
    const general = performance.now() - t0
    const t = b.timed(5, () => m.ours(), 1)
    const mine = m.ours()
    const most = mine.reduce((k, v, i) => (Math.abs(v) > Math.abs(mine[k]) ? i : k), 0)
    row(
      `same matrix, ${m.unknowns} unknowns: ours, general sparse LU`,
      `${ms(t.p50)}, ${ms(general)} (${(general / t.p50).toFixed(0)} times)`,
      `aim 5 times; differ by ${Math.abs(theirs.get([most, 0]) / mine[most] - 1).toExponential(1)}`,
    )
  }
}
