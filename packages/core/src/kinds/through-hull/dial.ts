import { niceLength, type Drawing, type Pt, type Shape } from '../../drawing/shapes'
import { formatLength, type Units } from '../../base/quantity/format'
import { say } from '../../base/verdict/check'
import type { ThroughHullDesign } from './design'
import { positionsSaid } from './clocking'
import type { ThroughHullJudgement } from './judgement'

const at = (deg: number, r: number): Pt => ({
  x: r * Math.cos((deg * Math.PI) / 180),
  y: r * Math.sin((deg * Math.PI) / 180),
})
const arc = (from: number, to: number, r: number): Pt[] => {
  const n = Math.max(2, Math.ceil(Math.abs(to - from) / 4))
  return Array.from({ length: n + 1 }, (_, i) => at(from + ((to - from) * i) / n, r))
}
const sector = (from: number, to: number, r0: number, r1: number): Pt[] => [
  ...arc(from, to, r1),
  ...arc(to, from, r0),
]

interface Dial {
  d: ThroughHullDesign
  v: NonNullable<ThroughHullDesign['valve']>
  c: NonNullable<ThroughHullJudgement['clock']>
  reach: number
  rim: number
  textMm: number
}
const CENTRE: Pt = { x: 0, y: 0 }

/** Where it may point, and what it sweeps from open to shut. */
function swept({ d, v, c, reach, rim }: Dial): Shape[] {
  return [
    ...c.freeWanted.map(([from, to]): Shape => ({
      kind: 'area',
      points: sector(from!, to!, rim, rim * 1.07),
      tone: 'epoxy-glass',
      role: 'free',
      label: `free from ${say(Math.round(from!))}\u00b0 to ${say(Math.round(to!))}\u00b0`,
    })),
    ...(v.handle === 'tee' ? [0, 180] : [0]).map((arm): Shape => ({
      kind: 'area',
      points: [CENTRE, ...arc(d.clock.wantedDeg + arm, d.clock.wantedDeg + arm + v.sweepDeg, reach)],
      tone: c.sweepFree ? 'plastic' : 'insert',
      role: 'sweep',
      label: c.sweepFree ? 'swept, free' : 'swept, and something stands in it',
    })),
  ]
}

/** The rim with its degrees, and what they mean on the boat. */
function rose({ d, rim, textMm }: Dial): Shape[] {
  const shapes: Shape[] = [
    { kind: 'ring', at: CENTRE, r: rim, weight: 'outline' },
    { kind: 'ring', at: CENTRE, r: d.skin.flangeMm / 2, weight: 'hidden' },
  ]
  for (let deg = 0; deg < 360; deg += 10)
    shapes.push({
      kind: 'path',
      points: [at(deg, rim), at(deg, rim * (deg % 30 ? 0.97 : 0.93))],
      weight: 'dimension',
    })
  for (const [deg, text] of [
    [0, '0 aft'],
    [90, '90 stbd'],
    [180, '180 fwd'],
    [270, '270 port'],
  ] as const) {
    const p = at(deg, rim * 1.13)
    const lower = deg === 90 ? 0 : deg === 270 ? textMm : textMm * 0.35
    shapes.push({
      kind: 'text',
      at: { x: p.x, y: p.y - lower },
      text,
      size: textMm,
      anchor: deg === 0 ? 'start' : deg === 180 ? 'end' : 'middle',
    })
  }
  return shapes
}
const obstacleLines = (j: ThroughHullJudgement): Shape[] =>
  j.obstacles.map((o) => ({
    kind: 'path',
    points: [
      { x: o.x1Mm, y: o.y1Mm },
      { x: o.x2Mm, y: o.y2Mm },
    ],
    weight: o.neighbour || o.map ? 'outline' : 'load',
    role: o.what,
  }))

function armShape({ v }: Dial, deg: number, label: string): Shape {
  const [p, q, n] = [at(deg, v.handleMm), at(deg, -v.boreMm * 0.3), at(deg + 90, v.boreMm * 0.22)]
  return {
    kind: 'area',
    points: [
      { x: q.x + n.x, y: q.y + n.y },
      { x: p.x + n.x * 0.7, y: p.y + n.y * 0.7 },
      { x: p.x - n.x * 0.7, y: p.y - n.y * 0.7 },
      { x: q.x - n.x, y: q.y - n.y },
    ],
    tone: 'hardware',
    role: 'clock.wantedDeg',
    label,
  }
}
/** A word beside the arm, on the side that it does not sweep. */
function beside({ v, textMm }: Dial, deg: number, away: number, text: string): Shape {
  const [p, q] = [at(deg, v.handleMm * 0.66), at(deg + away, textMm * 0.45 + v.boreMm * 0.22)]
  const [c, s] = [Math.cos(((deg + away) * Math.PI) / 180), Math.sin(((deg + away) * Math.PI) / 180)]
  return {
    kind: 'text',
    at: { x: p.x + q.x, y: p.y + q.y - textMm * (s > 0.5 ? 0 : s < -0.5 ? 0.75 : 0.35) },
    text,
    size: textMm,
    anchor: c > 0.5 ? 'start' : c < -0.5 ? 'end' : 'middle',
    weight: text === 'open' ? 'strong' : 'normal',
  }
}
function handleShapes(dial: Dial): Shape[] {
  const { d, v } = dial
  const open = d.clock.wantedDeg
  const side = Math.sign(v.sweepDeg) * 90
  return [
    armShape(dial, open, `open at ${say(open)}\u00b0`),
    ...(v.handle === 'tee' ? [armShape(dial, open + 180, 'second arm')] : []),
    beside(dial, open, -side, 'open'),
    beside(dial, open + v.sweepDeg, side, 'shut'),
  ]
}
/** Where it stops as screwed home, and the turn from there. */
function stopShapes({ d, v, c, textMm }: Dial): Shape[] {
  const stop = d.clock.measuredDeg
  if (stop === null || !c.needed) return []
  return [
    { kind: 'path', points: [CENTRE, at(stop, v.handleMm)], weight: 'hidden' },
    { kind: 'path', points: arc(stop, stop + c.rotateDeg, (d.skin.flangeMm / 2) * 1.12), weight: 'load' },
    {
      kind: 'text',
      at: at(stop, v.handleMm * 0.9),
      text: 'as it stops',
      size: textMm * 0.85,
      anchor: 'middle',
    },
  ]
}

/**
 * The valve from inside, looking at the hull: 0 aft to the right, 90 to starboard, counter-clockwise. What
 * stands in the way, where it may point, and what to turn.
 */
export function clockDial(d: ThroughHullDesign, j: ThroughHullJudgement, units: Units): Drawing | null {
  const c = j.clock
  const v = d.valve
  if (!c || !v) return null
  const reach = v.handleMm + 15
  const rim = reach * 1.22
  const textMm = reach / 5.8
  const dial: Dial = { d, v, c, reach, rim, textMm }
  const names = [...new Set(j.obstacles.map((o) => o.what).filter(Boolean))]
  const swings = c.sweepFree ? 'it swings free' : 'something stands in its way'
  const round = names.length ? ` Round it: ${names.join(', ')}.` : ''
  const ext = rim * 1.16
  return {
    title: 'From inside, looking at the hull; bow left, starboard up',
    description: `Handle open at ${say(d.clock.wantedDeg)} degrees; ${swings}.${round}`,
    bounds: {
      minX: -ext - textMm * 4.4,
      maxX: ext + textMm * 3.6,
      minY: -ext - textMm * 1.3,
      maxY: ext + textMm,
    },
    shapes: [
      ...swept(dial),
      ...rose(dial),
      ...obstacleLines(j),
      ...handleShapes(dial),
      ...stopShapes(dial),
      { kind: 'disc', at: CENTRE, r: v.boreMm * 0.45, tone: 'bolt', role: 'valve', label: 'stem' },
    ],
    legend: [],
    textMm,
    scaleBarMm: niceLength(reach / 2, units),
  }
}
/** A screwed valve goes home on its thread, a flange on its bolt holes. */
export const dryOn = (d: ThroughHullDesign) =>
  d.valve?.kind === 'screwed' ? 'Screw the valve home dry' : 'Set the seacock dry on its bolt holes'
/** What to turn, as marked with tape. */
export function turnSaid(d: ThroughHullDesign, j: ThroughHullJudgement, units: Units): string {
  const c = j.clock
  if (!c) return ''
  if (d.valve!.kind !== 'screwed' && !c.positions.length)
    return c.bestDeg === null
      ? 'The pad is not drilled yet, and in no direction does the handle swing free.'
      : `The pad is not drilled yet, so the flange goes on at any angle: point the handle to ${say(Math.round(c.bestDeg))}\u00b0${c.sweepFree ? '' : ', the nearest free one,'} and mark the bolts off it.`
  if (d.clock.measuredDeg === null) return `${dryOn(d)}, read where its handle points, and type it in.`
  const blocked = c.sweepFree
    ? ''
    : ' The handle does not swing free where it is wanted: choose a free direction first.'
  if (!c.needed)
    return blocked
      ? `It stops within ${say(d.clock.toleranceDeg)}\u00b0 of where it is wanted.${blocked}`
      : `It stops within ${say(d.clock.toleranceDeg)}\u00b0 of where it is wanted: nothing to turn.`
  if (d.valve!.kind !== 'screwed')
    return `A bolted flange goes on in ${positionsSaid(c)}: ${c.positions.map((p) => `${say(Math.round(p.azimuthDeg))}\u00b0${p.free ? '' : ' blocked'}`).join(', ')}. ${c.bestDeg === null ? 'None is free.' : `${say(Math.round(c.bestDeg))}\u00b0 is the nearest to what is wanted.`}`
  return `Turn the skin fitting ${say(Math.abs(c.rotateDeg))}\u00b0 ${c.directionInside === 'ccw' ? 'counter-clockwise' : 'clockwise'} seen from inside, ${c.directionOutside === 'ccw' ? 'counter-clockwise' : 'clockwise'} seen from outside: ${formatLength(c.rimArcMm, units)} along the rim of its head, from a line on tape. Or leave it and shim the valve ${formatLength(c.shimMm, units)}.${blocked}`
}
