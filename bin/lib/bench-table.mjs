import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { cpus } from 'node:os'
import { join } from 'node:path'
import { dataFolder } from './packages.mjs'

/**
 * What a bench measured, as a table on the screen and as JSON to compare with: every figure also by an
 * anchor, a sum that never changes, so that two machines, or one busy and one idle, can be held against each
 * other.
 */
const FORMAT = 'north-tide-bench'
const ANCHOR_STEPS = 3e7
/** ms for a sum that is the same everywhere: the least of five, as nothing makes it faster than it is. */
function anchorMs() {
  let least = Infinity
  for (let i = 0; i < 5; i++) {
    const t0 = performance.now()
    let x = 1
    for (let k = 0; k < ANCHOR_STEPS; k++) x = (Math.imul(x, 1664525) + 1013904223) | 0
    // Used, so that it is worked out.
    if (x === 42) process.stdout.write('')
    least = Math.min(least, performance.now() - t0)
  }
  return least
}
/** The figures of a row by their names, in ms: `p50 0.9 ms, p95 2.6 ms`, or `120 ms, 60 MB` as `took`. */
export function figuresOf(got) {
  const out = {}
  for (const [, name, n, unit] of got.matchAll(/(?:(p50|p95|most)\s+)?(\d+(?:\.\d+)?)\s*(ms|kB)\b/g))
    out[name ?? (unit === 'kB' ? 'kB' : 'took')] ??= Number(n)
  return out
}
/** @param {string | null} against a file of an earlier run */
export function benchTable(against) {
  const before = against ? JSON.parse(readFileSync(against, 'utf8')) : null
  if (before && before.format !== FORMAT) throw new Error(`${against} is no ${FORMAT} file`)
  const anchor = anchorMs()
  const was = new Map((before?.rows ?? []).map((r) => [r.what, r]))
  const rows = []
  const line = (...cells) => process.stdout.write(`${cells.join(' ')}\n`)
  line(`Anchor: ${anchor.toFixed(1)} ms${before ? `, then ${before.anchorMs.toFixed(1)} ms` : ''}`)
  /** now by then, each by its machine's anchor: below 1 is faster than it was; kB are not a machine's */
  const compared = (what, figures) => {
    const then = was.get(what)?.figures
    if (!then) return before ? 'not measured then' : ''
    const by = (name) => (name === 'kB' ? 1 : before.anchorMs / anchor)
    return Object.entries(figures)
      .filter(([name]) => then[name] > 0)
      .map(([name, v]) => `${name} × ${((v / then[name]) * by(name)).toFixed(2)}`)
      .join(', ')
  }
  return {
    row(what, got, aim) {
      const figures = figuresOf(got)
      const main = figures.p50 ?? figures.took
      rows.push({ what, got, aim, figures, ...(main === undefined ? {} : { byAnchor: main / anchor }) })
      const ratio = main === undefined ? '' : `${(main / anchor).toFixed(3)} a.`
      line(what.padEnd(58), got.padEnd(34), aim.padEnd(16), ratio.padEnd(10), compared(what, figures))
    },
    /** Writes what was measured; answers with its path. */
    write() {
      const folder = join(dataFolder, 'bench')
      mkdirSync(folder, { recursive: true })
      const at = new Date().toISOString()
      const path = join(folder, `${at.slice(0, 19).replaceAll(':', '-')}.json`)
      const cpu = cpus()
      const machine = { cpu: cpu[0]?.model ?? '', cores: cpu.length, node: process.versions.node }
      const all = { format: FORMAT, version: 1, at, anchorMs: anchor, machine, rows }
      writeFileSync(path, `${JSON.stringify(all, null, 1)}\n`)
      return path
    },
  }
}
