import { anglesOf } from '../../chapters/load/sweep'
import { goodForOf, type GoodForOutput } from '../../chapters/inspect/good-for'
import { cosd, sind } from '../../base/geometry/outline'
import { formatForce, type Units } from '../../base/quantity/format'
import type { Drawing, Pt, Shape } from '../../drawing/shapes'
import type { Design } from './design'
import { factorsOf } from './guess'
import { coreOutput, plugOf } from './joint'
import type { Judgement } from './judgement'
import { planOfBase, planOfPlate } from './plans'
import { UNSEEN_TITLES, unseenHere, type Unseen } from './unseen'

const inputOf = (d: Design, j: Judgement, hidden: readonly Unseen[]) => {
  const plug = plugOf(d, coreOutput(d, false)) ?? null
  return {
    duty: d.duty,
    factors: factorsOf(d),
    structure: d.structure,
    bolt: { size: d.bolt.size, grade: d.bolt.grade, threadsInShear: d.bolt.threadsInShear, preloadN: 0 },
    bolts: d.bolts,
    base: { ...planOfBase(d.base), thicknessMm: d.base.thicknessMm },
    pointMm: j.load.pointMm,
    edgeMm: d.place.edgeMm ?? undefined,
    plate: hidden.includes('plate')
      ? ('unseen' as const)
      : d.plate
        ? { ...planOfPlate(d.plate), material: d.plate.material, thicknessMm: d.plate.thicknessMm }
        : null,
    plug: hidden.includes('plug') ? ('unseen' as const) : plug,
    washer: hidden.includes('washer') ? ('unseen' as const) : d.bolt.nutWasher,
    azimuthDeg: { from: 0, to: 345, step: 15 },
    elevationsDeg: [j.worst.direction.elevationDeg],
    at: 0.9,
  }
}

export interface GoodForHere {
  out: GoodForOutput
  /** what to look at first: the look after which worst and best lie closest, with that gap, N */
  look: { what: Unseen; gapN: number } | null
  /** its design load against both, in words */
  verdict: 'holds' | 'short' | 'unproven'
  demandN: number
  /** how the casting stands on the boat: the rose is drawn as the boat lies */
  headingDeg: number
}
const SPREAD_DEG = 15
/** The directions from which its own load may come; all where none of the rose lies near one. */
function fromWhere(d: Design, out: GoodForOutput): GoodForOutput['directions'] {
  const { azimuthDeg, sweep } = d.load
  // The rose is the casting's; arcs of the boat's are turned into it.
  const turned = d.load.azimuthOf === 'boat' ? d.headingDeg : 0
  const given = sweep?.azimuthDeg ? anglesOf(sweep.azimuthDeg) : azimuthDeg === undefined ? [] : [azimuthDeg]
  const from = given.map((a) => a - turned)
  const apart = (a: number, b: number) => Math.abs(((((a - b) % 360) + 540) % 360) - 180)
  const mine = out.directions.filter((q) => from.some((f) => apart(q.azimuthDeg, f) <= SPREAD_DEG / 2 + 1e-9))
  return mine.length ? mine : out.directions
}
const gapOf = (o: GoodForOutput) =>
  o.least.worst && o.least.best ? Math.max(0, o.least.best.loadN - o.least.worst.loadN) : 0

/**
 * What one that is there is good for by direction (18.7), between the worst and the best that may lie
 * unseen; the elevation is that of the load that uses its bolts most.
 */
export function goodForHere(d: Design, j: Judgement): GoodForHere {
  const hidden = unseenHere(d)
  const out = goodForOf(inputOf(d, j, hidden))
  // Seen, it may turn out either way: the other two keep the gap open.
  const left = hidden.map((what) => ({
    what,
    gapN: gapOf(
      goodForOf(
        inputOf(
          d,
          j,
          hidden.filter((u) => u !== what),
        ),
      ),
    ),
  }))
  const look = left.reduce<GoodForHere['look']>((a, b) => (!a || b.gapN < a.gapN ? b : a), null)
  const demandN = j.load.loadN
  const mine = fromWhere(d, out)
  const least = (which: 'worst' | 'best') => Math.min(...mine.map((q) => q[which].loadN ?? Infinity))
  const [worst, best] = [least('worst'), least('best')]
  return {
    out,
    look,
    demandN,
    headingDeg: d.headingDeg,
    verdict: demandN <= worst ? 'holds' : demandN > best ? 'short' : 'unproven',
  }
}

const EIGHTHS = [
  'aft',
  'aft to starboard',
  'starboard',
  'forward to starboard',
  'forward',
  'forward to port',
  'port',
  'aft to port',
]
const towards = (deg: number) => EIGHTHS[((Math.round(deg / 45) % 8) + 8) % 8]!
/** As one says it to the owner. */
export function goodForSaid(g: GoodForHere, units: Units): string {
  const { worst, best } = g.out.least
  const n = (v: number) => formatForce(v, units)
  if (!worst) return 'No check moves with the load: nothing here says what it is good for.'
  const weakest = `weakest towards ${towards(worst.azimuthDeg + g.headingDeg)}`
  if (!g.out.unseen.length || !best)
    return `Good for ${n(worst.loadN)} with a tenth in hand, ${weakest}; it is asked for ${n(g.demandN)}.`
  const look = g.look
    ? ` Look at ${UNSEEN_TITLES[g.look.what]} first: then ${g.look.gapN < 1 ? 'nothing is left open' : `${n(g.look.gapN)} are left open`}.`
    : ''
  const so =
    g.verdict === 'holds'
      ? 'Even at the worst that may lie behind it, it holds.'
      : g.verdict === 'short'
        ? 'Even at the best that may lie behind it, it is short.'
        : 'Whether it holds hangs on what lies behind it.'
  return `Good for at least ${n(worst.loadN)} and at most ${n(best.loadN)}, ${weakest}; it is asked for ${n(g.demandN)}. ${so}${look}`
}

const SIZE = 100
const TEXT = 9
/** Bow to the left and starboard up, as the pattern beside it; azimuth 0 is aft. */
const at = (deg: number, r: number): Pt => ({ x: r * cosd(deg), y: r * sind(deg) })
/** Rings at a round load, about three of them. */
function ringsOf(mostN: number): number[] {
  const step = [1, 2, 5, 10]
    .map((k) => k * 10 ** Math.floor(Math.log10(mostN / 3)))
    .find((s) => mostN / s <= 3.5)
  return step === undefined ? [] : [1, 2, 3].map((k) => k * step).filter((v) => v <= mostN * 1.001)
}
/** Two roses about the fitting: what it is good for at the worst, and at the best; the load in the middle. */
export function goodForRose(g: GoodForHere, units: Units): Drawing {
  const { directions } = g.out
  const loads = directions
    .flatMap((q) => [q.worst.loadN, q.best.loadN])
    .filter((v): v is number => v !== null)
  const mostN = Math.max(g.demandN, ...loads.filter((v) => v < 20 * Math.max(g.demandN, 1)), 1)
  const r = (n: number | null) => SIZE * Math.min(1, (n ?? Infinity) / mostN)
  const rose = (which: 'worst' | 'best') => {
    const points = directions.map((q) => at(q.azimuthDeg + g.headingDeg, r(q[which].loadN)))
    return [...points, points[0]!]
  }
  const shapes: Shape[] = ringsOf(mostN).flatMap((n): Shape[] => [
    { kind: 'ring', at: { x: 0, y: 0 }, r: r(n), weight: 'dimension' },
    {
      kind: 'text',
      at: { x: 2, y: r(n) + 2 },
      text: formatForce(n, units),
      size: TEXT * 0.8,
      anchor: 'start',
    },
  ])
  if (g.out.unseen.length) shapes.push({ kind: 'path', points: rose('best'), weight: 'hidden', role: 'best' })
  shapes.push(
    { kind: 'path', points: rose('worst'), weight: 'outline', role: 'worst' },
    { kind: 'ring', at: { x: 0, y: 0 }, r: r(g.demandN), weight: 'load', role: 'load' },
    { kind: 'text', at: { x: 0, y: SIZE + 10 }, text: 'starboard', size: TEXT, anchor: 'middle' },
    { kind: 'text', at: { x: 0, y: -SIZE - 16 }, text: 'port', size: TEXT, anchor: 'middle' },
    { kind: 'text', at: { x: SIZE + 4, y: -3 }, text: 'aft', size: TEXT, anchor: 'start' },
    { kind: 'text', at: { x: -SIZE - 4, y: -3 }, text: 'forward', size: TEXT, anchor: 'end' },
  )
  return {
    title: 'What it is good for, by direction',
    description: goodForSaid(g, units),
    bounds: { minX: -SIZE - 58, maxX: SIZE + 64, minY: -SIZE - 22, maxY: SIZE + 24 },
    shapes,
    legend: [],
    textMm: TEXT,
    scaleBarMm: 0,
  }
}
