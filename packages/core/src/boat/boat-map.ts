import type { BoatPart, BoatZone } from './spot'
import { formatLength, type Units } from '../base/quantity/format'
import type { LifeState } from './life'
import { WET_AT, type WetSpot } from './wetness'
import { halfBreadthOf } from './where'
import { niceLength, type Drawing, type Pt, type Shape } from '../drawing/shapes'

export interface MapInput {
  name: string
  lengthMm: number
  beamMm: number
  stations: { xMm: number; halfBreadthMm: number; sheerMm: number; keelMm: number }[]
  zones: BoatZone[]
  parts: BoatPart[]
  fittings: {
    name: string
    xMm: number
    yMm: number
    /** on the face it stands on, in boat coordinates */
    outline: { xMm: number; yMm: number }[]
    /** where a lid on a hinge comes down when it is opened flat */
    sweep?: { minX: number; maxX: number; minY: number; maxY: number } | null
  }[]
  holes: {
    label: string
    xMm: number
    yMm: number
    zMm: number
    diameterMm: number
    state: LifeState
    zoneCode: string | null
  }[]
  wet: Record<string, WetSpot[]>
  units: Units
}
export const MAP_LAYERS = [
  'OUTLINE',
  'ZONES',
  'STRUCTURE',
  'FITTINGS',
  'HOLES',
  'SIGNS',
  'WET',
  'TEXT',
] as const

/** Anything that has to be told by its sign on a print without colour. */
function sign(state: LifeState, at: Pt, r: number): Shape[] {
  const line = (a: Pt, b: Pt): Shape => ({
    kind: 'path',
    points: [
      { x: at.x + a.x * r, y: at.y + a.y * r },
      { x: at.x + b.x * r, y: at.y + b.y * r },
    ],
    weight: 'outline',
    role: 'SIGNS',
  })
  const ring = (k: number, weight: 'outline' | 'dimension' = 'outline'): Shape => ({
    kind: 'ring',
    at,
    r: k * r,
    weight,
    role: 'SIGNS',
  })
  const dot = (k: number): Shape => ({ kind: 'disc', at, r: k * r, tone: 'bedding', role: 'SIGNS' })
  const bar = line({ x: -1, y: 0 }, { x: 1, y: 0 })
  switch (state) {
    case 'marked':
      return [bar, line({ x: 0, y: -1 }, { x: 0, y: 1 })]
    case 'drilled':
      return [ring(0.85)]
    case 'core-sealed':
      return [ring(1), ring(0.5)]
    case 'dry-fitted':
      return [ring(1), ring(0.5), bar]
    case 'bedded':
      return [ring(1), ring(0.9), ring(0.8)]
    case 'cured':
      return [ring(1), ring(0.9), ring(0.8), dot(0.3)]
    case 'proved':
      return [
        ring(1),
        line({ x: -0.5, y: 0 }, { x: -0.1, y: -0.45 }),
        line({ x: -0.1, y: -0.45 }, { x: 0.55, y: 0.45 }),
      ]
    case 'in-service':
      return [dot(0.9)]
    case 'suspect':
      return [
        {
          kind: 'area',
          points: [
            { x: at.x, y: at.y + 1.15 * r },
            { x: at.x + 1.15 * r, y: at.y },
            { x: at.x, y: at.y - 1.15 * r },
            { x: at.x - 1.15 * r, y: at.y },
          ],
          tone: 'none',
          role: 'SIGNS',
        },
        line({ x: 0, y: -0.5 }, { x: 0, y: 0.5 }),
      ]
    default:
      return [ring(0.9), line({ x: -0.65, y: -0.65 }, { x: 0.65, y: 0.65 })]
  }
}

const WAYS: [number, number][] = [
  [1, 0.4],
  [-1, 0.4],
  [1, -1],
  [-1, -1],
  [0, 1.4],
  [0, -1.9],
  [1.6, 1.6],
  [-1.6, 1.6],
  [1.6, -2.2],
  [-1.6, -2.2],
  [2.6, 0.4],
  [-2.6, 0.4],
  [0, 2.9],
  [0, -3.4],
]

/** Numbers beside their holes, each where no other stands; one that had to step away gets a leader. */
function labels(
  holes: { label: string; at: Pt }[],
  r: number,
  text: number,
  taken: { x0: number; x1: number; y0: number; y1: number }[],
): Shape[] {
  const out: Shape[] = []
  const box = (x: number, y: number, w: number) => ({ x0: x - w / 2, x1: x + w / 2, y0: y, y1: y + text })
  const free = (b: (typeof taken)[number]) =>
    taken.every((t) => b.x1 < t.x0 || b.x0 > t.x1 || b.y1 < t.y0 || b.y0 > t.y1)
  for (const h of holes) taken.push({ x0: h.at.x - r, x1: h.at.x + r, y0: h.at.y - r, y1: h.at.y + r })
  for (const h of holes) {
    const w = h.label.length * text * 0.62
    const tries = [1, 1.8, 2.8, 4].flatMap((k) =>
      WAYS.map(([dx, dy]) => ({
        x: h.at.x + dx * k * (r + w / 2) * (Math.abs(dx) > 0 ? 1 : 0),
        y: h.at.y + dy * k * text * 0.9 - (dy < 0 ? 0 : text * 0.2),
        far: k > 1 || Math.abs(dx) > 1 || Math.abs(dy) > 2,
      })),
    )
    const at = tries.find((t) => free(box(t.x, t.y, w))) ?? tries[0]!
    taken.push(box(at.x, at.y, w))
    if (at.far)
      out.push({
        kind: 'path',
        points: [h.at, { x: at.x, y: at.y + text / 2 }],
        weight: 'dimension',
        role: 'TEXT',
      })
    out.push({
      kind: 'text',
      at: { x: at.x, y: at.y + text * 0.15 },
      text: h.label,
      size: text,
      anchor: 'middle',
      role: 'TEXT',
    })
  }
  return out
}

/** What every part of the map is drawn by. */
interface Sheet {
  v: MapInput
  text: number
  /** of a sign */
  r: number
  /** to a point of the plan, and of the profile under it */
  P: (x: number, y: number) => Pt
  Z: (x: number, z: number) => Pt
}
const words = (at: Pt, text: string, size: number, anchor: 'start' | 'middle' | 'end'): Shape => ({
  kind: 'text',
  at,
  text,
  size,
  anchor,
  role: 'TEXT',
})
const stroke = (points: Pt[], weight: 'outline' | 'hidden' | 'dimension', role: string): Shape => ({
  kind: 'path',
  points,
  weight,
  role,
})
/** There along one edge and back along the other. */
const round = <T>(list: T[], there: (v: T) => Pt, back: (v: T) => Pt): Pt[] => [
  ...list.map(there),
  ...list.slice().reverse().map(back),
]

function planOutline({ v, P }: Sheet): Shape[] {
  const edge = round(
    v.stations,
    (s) => P(s.xMm, s.halfBreadthMm),
    (s) => P(s.xMm, -s.halfBreadthMm),
  )
  return [
    { kind: 'area', points: edge, tone: 'none', role: 'OUTLINE', label: 'deck edge' },
    ...v.zones
      .filter((q) => q.face === 'deck' || q.face === 'roof')
      .map((z) =>
        stroke(
          [...z.outline, z.outline[0]!].map((p) => P(p.xMm, p.yMm)),
          'dimension',
          'ZONES',
        ),
      ),
  ]
}
function partShape({ v, P }: Sheet, p: MapInput['parts'][number]): Shape {
  if (p.kind === 'beam' || p.kind === 'bulkhead' || p.kind === 'knee') {
    const half = halfBreadthOf(v.stations)
    const across = Math.abs(p.y1Mm - p.y0Mm) <= 2
    const ends = [
      P(p.x0Mm, across ? half.halfBreadthAt(p.x0Mm) : p.y0Mm),
      P(p.x1Mm, across ? -half.halfBreadthAt(p.x1Mm) : p.y1Mm),
    ]
    return stroke(ends, p.kind === 'bulkhead' ? 'outline' : 'hidden', 'STRUCTURE')
  }
  if (p.kind === 'longitudinal' || p.kind === 'cable')
    return stroke([P(p.x0Mm, p.y0Mm), P(p.x1Mm, p.y1Mm)], 'hidden', 'STRUCTURE')
  const box = [P(p.x0Mm, p.y0Mm), P(p.x1Mm, p.y0Mm), P(p.x1Mm, p.y1Mm), P(p.x0Mm, p.y1Mm), P(p.x0Mm, p.y0Mm)]
  return stroke(box, 'hidden', p.kind === 'wet' ? 'WET' : 'STRUCTURE')
}
const wetSigns = ({ v, P, r, text }: Sheet): Shape[] =>
  Object.values(v.wet)
    .flat()
    .filter((s) => s.excess >= WET_AT)
    .flatMap((s): Shape[] => [
      { kind: 'ring', at: P(s.xMm, s.yMm), r: r * 1.6, weight: 'hidden', role: 'WET' },
      { ...words(P(s.xMm, s.yMm - text * 0.3), 'wet', text * 0.7, 'middle'), role: 'WET' },
    ])
const sweepShape = ({ P }: Sheet, b: { minX: number; maxX: number; minY: number; maxY: number }): Shape =>
  stroke(
    [P(b.minX, b.minY), P(b.maxX, b.minY), P(b.maxX, b.maxY), P(b.minX, b.maxY), P(b.minX, b.minY)],
    'hidden',
    'FITTINGS',
  )
const fittingShapes = (sheet: Sheet): Shape[] =>
  sheet.v.fittings.flatMap((f): Shape[] => [
    {
      kind: 'area',
      points: f.outline.map((p) => sheet.P(p.xMm, p.yMm)),
      tone: 'none',
      role: 'FITTINGS',
      label: f.name,
    },
    ...(f.sweep ? [sweepShape(sheet, f.sweep)] : []),
  ])
function profile({ v, Z, text }: Sheet): Shape[] {
  const side = round(
    v.stations,
    (s) => Z(s.xMm, s.sheerMm),
    (s) => Z(s.xMm, s.keelMm),
  )
  const water = Z(v.lengthMm, 0)
  return [
    { kind: 'area', points: side, tone: 'none', role: 'OUTLINE', label: 'profile' },
    stroke([Z(-2 * text, 0), Z(v.lengthMm + 2 * text, 0)], 'hidden', 'OUTLINE'),
    words({ x: water.x, y: water.y + text * 0.3 }, 'waterline', text * 0.8, 'end'),
  ]
}

const FOOT_MM = 304.8
/** From this length on the ruler's marks stand twice as far apart. */
const LONG_MM = 8000
function ruler({ v, P, text }: Sheet, top: number): Shape[] {
  const inch = v.units === 'inch'
  const long = v.lengthMm > LONG_MM
  const step = inch ? FOOT_MM * (long ? 4 : 2) : long ? 1000 : 500
  const shapes: Shape[] = []
  for (let x = 0; x <= v.lengthMm + 1; x += step)
    shapes.push(
      stroke([P(x, top), P(x, top + text * 0.6)], 'dimension', 'TEXT'),
      words(
        P(x, top + text * 0.9),
        inch ? `${Math.round(x / FOOT_MM)}` : `${x / 1000}`,
        text * 0.8,
        'middle',
      ),
    )
  shapes.push(
    stroke([P(0, top), P(v.lengthMm, top)], 'dimension', 'TEXT'),
    words(
      P(v.lengthMm + text, top + text * 0.9),
      inch ? 'ft aft of the stem' : 'm aft of the stem',
      text * 0.8,
      'start',
    ),
  )
  return shapes
}
/** Zones by name, and the room that the names take. */
function zoneNames({ v, P, text }: Sheet) {
  return v.zones
    .filter((q) => (q.face === 'deck' || q.face === 'roof') && !q.code.endsWith('-edge'))
    .map((z) => {
      const xs = z.outline.map((p) => p.xMm)
      const ys = z.outline.map((p) => p.yMm)
      const at = P((Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2)
      const w = z.title.length * text * 0.62
      return {
        shape: words(at, z.title.toLowerCase(), text, 'middle'),
        taken: { x0: at.x - w / 2, x1: at.x + w / 2, y0: at.y, y1: at.y + text },
      }
    })
}
function holeShapes({ v, P, Z, r, text }: Sheet, taken: Parameters<typeof labels>[3]) {
  const inProfile = (h: MapInput['holes'][number]) =>
    h.zMm < 0 || v.zones.some((z) => z.code === h.zoneCode && (z.face === 'topsides' || z.face === 'bottom'))
  const placed = v.holes.map((h) => ({ ...h, at: inProfile(h) ? Z(h.xMm, h.zMm) : P(h.xMm, h.yMm) }))
  return {
    rings: placed.flatMap((h): Shape[] => [
      { kind: 'ring', at: h.at, r: h.diameterMm / 2, weight: 'dimension', role: 'HOLES' },
      ...sign(h.state, h.at, r),
    ]),
    numbers: labels(placed, r, text * 0.8, taken),
  }
}

/**
 * Plan above and profile below at one scale, x aft to the right, starboard up; every hole with its number.
 */
export function boatMap(v: MapInput): Drawing {
  const text = v.lengthMm / 120
  const roofs = v.zones.filter((z) => z.face === 'roof').map((z) => z.zMm)
  const highest = Math.max(...v.stations.map((s) => s.sheerMm), ...roofs)
  const lowest = Math.min(...v.stations.map((s) => s.keelMm))
  const drop = -(v.beamMm / 2 + 5 * text + highest)
  const P = (x: number, y: number): Pt => ({ x, y })
  const sheet: Sheet = { v, text, r: text * 0.55, P, Z: (x, z) => ({ x, y: drop + z }) }
  const top = v.beamMm / 2 + 2.4 * text
  const minY = drop + lowest - 2 * text
  const bar = niceLength(v.lengthMm / 8, v.units)
  const scale = `${formatLength(bar, v.units)}, plan and profile at one scale`
  const names = zoneNames(sheet)
  const holes = holeShapes(
    sheet,
    names.map((n) => n.taken),
  )
  const count = `${v.holes.length} holes, ${v.fittings.length} fittings.`
  return {
    title: `${v.name}: map of holes and fittings`,
    description: `Plan above, profile below, bow left, starboard up. ${count}`,
    bounds: { minX: -4 * text, maxX: v.lengthMm + 14 * text, minY: minY - 2 * text, maxY: top + 3 * text },
    shapes: [
      ...planOutline(sheet),
      ...v.parts.map((p) => partShape(sheet, p)),
      ...wetSigns(sheet),
      ...fittingShapes(sheet),
      ...profile(sheet),
      ...holes.rings,
      ...ruler(sheet, top),
      ...names.map((n) => n.shape),
      ...holes.numbers,
      stroke([P(0, minY), P(bar, minY)], 'outline', 'TEXT'),
      words(P(bar + text * 0.5, minY - text * 0.3), scale, text * 0.8, 'start'),
    ],
    legend: [],
    textMm: text,
    scaleBarMm: bar,
  }
}
