import { join, resolve } from 'node:path'
import { pathToFileURL } from 'node:url'
import { CATALOGUE, parseDesign, startDesign, withChange, type Design } from '../src'
import { CORE_SCHOOLS } from '../src/chapters/deck/core-plug'
import { parseThroughHull, throughHull, THROUGH_HULL_CATALOGUE } from '../src/kinds/through-hull'
import { ALONE } from '../src/kinds/kind'

/**
 * npm run agree -- OTHER: judges the same random designs by this checkout and by another, and says where
 * two figures are further apart than a billionth, or words are others. For whoever makes it faster.
 */
const DESIGNS = 2000
const ALLOWED = 1e-9
let seed = 20260729
/** The same row of numbers on every machine, 0 to 1. */
function chance(): number {
  seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0
  return seed / 2 ** 32
}
const between = (a: number, b: number) => a + (b - a) * chance()
const oneOf = <T>(list: readonly T[]): T => list[Math.floor(chance() * list.length)]!
const round = (v: number) => Math.round(v * 10) / 10

const PLACE = {
  ...{ zone: 'foredeck', xMm: 900, yMm: -640, zMm: 1600, belowWaterline: false, measured: [] },
  ...{
    edgeMm: 120,
    duty: 'coastal',
    structure: { kind: 'solid', skin: { laminate: 'mat' }, thicknessMm: 9 },
  },
}
const loadOf = (family: string) => () =>
  startDesign(
    CATALOGUE.find((c) => c.family === family)!,
    PLACE as never,
    family,
  ).load
const LOADS = [loadOf('tether-point'), loadOf('winch')]
function deck(): Design {
  const structure = oneOf([
    { kind: 'solid', skin: { laminate: 'mat' }, thicknessMm: round(between(5, 16)) },
    {
      kind: 'sandwich',
      skin: { laminate: 'mat' },
      outerMm: round(between(2, 6)),
      innerMm: round(between(1.5, 5)),
      core: { material: 'balsa-150', thicknessMm: round(between(8, 25)) },
    },
    {
      kind: 'timber',
      timber: oneOf(['plywood', 'softwood']),
      thicknessMm: round(between(12, 30)),
      grainDeg: round(between(0, 179)),
    },
    { kind: 'metal', metal: 'aluminium-5083', thicknessMm: round(between(3, 8)) },
  ])
  const place = {
    ...PLACE,
    ...{ edgeMm: round(between(20, 200)), duty: oneOf(['sheltered', 'coastal', 'ocean']), structure },
  }
  const entry = oneOf(CATALOGUE)
  let d = startDesign(entry, place as never, entry.title)
  const turn = (change: Record<string, unknown>) => {
    try {
      d = parseDesign(withChange(d, change))
    } catch {
      // What no design may be changes nothing.
    }
  }
  if (chance() < 0.5) turn({ 'core.school': oneOf(CORE_SCHOOLS) })
  if (d.plate && chance() < 0.7) turn({ 'plate.thicknessMm': round(between(2, 16)) })
  if (d.plate && chance() < 0.3) turn({ 'plate.bonded': chance() < 0.5 })
  if (chance() < 0.3) turn({ 'bolt.torqueNm': round(between(2, 30)) })
  if (chance() < 0.4) turn({ 'bolt.nutWasher': oneOf(['plain', 'large']) })
  if (chance() < 0.6)
    turn({
      'load.heightMm': undefined,
      'load.pointMm': { x: round(between(-80, 80)), y: round(between(-60, 60)), z: round(between(0, 400)) },
    })
  if (d.structure.kind === 'metal' && chance() < 0.5)
    turn({ doubler: { lengthMm: 260, widthMm: 160, thicknessMm: round(between(4, 8)), weldMm: 5 } })
  if (chance() < 0.3) turn({ cases: [{ name: 'Another', load: oneOf(LOADS)() }] })
  if (chance() < 0.3) turn({ headingDeg: round(between(-180, 180)) })
  return d
}
type AnyThrough = ReturnType<typeof throughHull.start>
function through(): AnyThrough {
  const entry = oneOf(THROUGH_HULL_CATALOGUE)
  const hull = {
    ...{ kind: 'solid', thicknessMm: round(between(6, 28)), measured: true, how: '' },
    ...{
      deadriseDeg: round(between(0, 40)),
      slopeDeg: round(between(0, 12)),
      angleMeasured: true,
      solidMm: null,
    },
  }
  const spot = {
    ...{ zone: 'bottom', xMm: 5000, yMm: 400, zMm: round(between(-900, 200)), measuredFrom: [] },
    ...{ structure: null, measured: [], edgeMm: null, belowWaterline: true, zones: [] },
  }
  const d = throughHull.start(entry, { ...spot, duty: oneOf(['coastal', 'ocean']) } as never, entry.title)
  return parseThroughHull(withChange(d, { hull: { ...d.hull, ...hull } } as never))
}

interface Apart {
  at: string
  here: unknown
  there: unknown
}
function apart(here: unknown, there: unknown, at: string, out: Apart[]): void {
  if (typeof here === 'number' && typeof there === 'number') {
    const size = Math.max(1e-3, Math.abs(here), Math.abs(there))
    if (!Object.is(here, there) && !(Math.abs(here - there) <= ALLOWED * size)) out.push({ at, here, there })
  } else if (here && there && typeof here === 'object' && typeof there === 'object') {
    for (const k of new Set([...Object.keys(here), ...Object.keys(there)]))
      apart((here as never)[k], (there as never)[k], `${at}.${k}`, out)
  } else if (here !== there) out.push({ at, here, there })
}
const tried = (run: () => unknown): unknown => {
  try {
    return run()
  } catch (error) {
    return { refused: (error as { code?: string }).code ?? String(error) }
  }
}

const folder = process.argv[2]
if (!folder) throw new Error('say which: npm run agree -- FOLDER of another checkout')
const from = (path: string) =>
  import(pathToFileURL(join(resolve(folder), 'packages/core/src', path)).href) as Promise<never>
const other = await from('index.ts')
const otherThrough = await from('kinds/through-hull/index.ts')
const { judge: there } = other as { judge: (d: Design) => unknown }
const { throughHull: thereThrough } = otherThrough as { throughHull: typeof throughHull }
const { judge: here } = await import('../src')

let differ = 0
let refused = 0
/** Of two limits or directions that are alike another may be named: where, and how often, is told. */
const where = new Map<string, { times: number; first: string }>()
function say(what: string, a: unknown, b: unknown) {
  const out: Apart[] = []
  apart(a, b, '', out)
  if ((a as { refused?: string }).refused) refused++
  if (out.length) differ++
  for (const o of out) {
    const at = o.at.replace(/\.\d+/g, '.n')
    const there = where.get(at)
    if (there) there.times++
    else where.set(at, { times: 1, first: `${what}: ${JSON.stringify(o.here)}, ${JSON.stringify(o.there)}` })
  }
}
for (let i = 0; i < DESIGNS; i++) {
  const d = deck()
  const [a, b] = [tried(() => here(d)), tried(() => there(d))]
  say(`deck ${i}`, a, b)
}
for (let i = 0; i < DESIGNS; i++) {
  const d = through()
  const [a, b] = [tried(() => throughHull.judge(d, ALONE)), tried(() => thereThrough.judge(d, ALONE))]
  say(`through ${i}`, a, b)
}
process.stdout.write(`${2 * DESIGNS} designs, ${refused} of them refused: ${differ} differ\n`)
for (const [at, { times, first }] of where) process.stdout.write(`${at}: ${times} times, first ${first}\n`)
process.exitCode = differ ? 1 : 0
