import {
  niceLength,
  type Drawing,
  type Handle,
  type MaterialTone,
  type Pt,
  type Shape,
  type Weight,
} from '../../drawing/shapes'
import { formatLength, type Units } from '../../base/quantity/format'
import { say } from '../../base/verdict/check'
import { THROUGH_HULL_FAMILY, type BodyMaterial } from './families'
import type { ThroughHullDesign } from './design'
import type { ThroughHullJudgement } from './judgement'
import { plumb } from './seat'

const HULL_TONE: Record<ThroughHullDesign['hull']['kind'], MaterialTone> = {
  solid: 'laminate',
  cored: 'laminate',
  aluminium: 'metal',
  steel: 'metal',
  timber: 'timber',
}
const PAD_TONE = {
  'glass-epoxy': 'epoxy-glass',
  g10: 'epoxy-glass',
  plywood: 'plywood',
  composite: 'plastic',
} as const
const BODY_TONE = (m: BodyMaterial): MaterialTone =>
  m === 'composite' || m === 'plastic' ? 'plastic' : 'metal'
const box = (x0: number, y0: number, x1: number, y1: number): Pt[] => [
  { x: x0, y: y0 },
  { x: x1, y: y0 },
  { x: x1, y: y1 },
  { x: x0, y: y1 },
]
const HEX_MM = 14
/** Positive: the beam leans outboard (5.9). */
const beamSaid = (r: number) =>
  Math.abs(r) < 0.05 ? 'plumb' : `${say(Math.abs(r))}\u00b0 ${r > 0 ? 'outboard' : 'inboard'}`

/**
 * The cut through the whole stack in the plane in which the hull rises fastest: outside below, inside
 * above, true angles and true scale.
 */
export function throughHullSection(d: ThroughHullDesign, j: ThroughHullJudgement, units: Units): Drawing {
  const info = THROUGH_HULL_FAMILY[d.family]
  const s = d.skin
  const theta = (j.tilt.deg * Math.PI) / 180
  const upright = plumb(d)
  const tan = upright ? Math.tan(theta) : 0
  // A fitting square to its hull is drawn square and then turned with it.
  const turn = upright ? 0 : theta
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)]
  const R = (p: Pt): Pt => ({ x: p.x * cos - p.y * sin, y: p.x * sin + p.y * cos })
  const shapes: Shape[] = []
  const handles: Handle[] = []
  const area = (points: Pt[], tone: MaterialTone, role: string, label: string) =>
    shapes.push({ kind: 'area', points: points.map(R), tone, role, label })
  const path = (points: Pt[], weight: Weight, role?: string) =>
    shapes.push({ kind: 'path', points: points.map(R), weight, ...(role ? { role } : {}) })
  const mm = (v: number) => (units === 'inch' ? formatLength(v, units) : String(Number(v.toFixed(1))))
  interface Label {
    at: Pt
    text: string
    role?: string
  }
  const labels: Label[] = []
  const say2 = (x: number, y: number, text: string, role?: string) =>
    labels.push({ at: R({ x, y }), text, ...(role ? { role } : {}) })

  const od = s.tailOdMm ?? s.holeMm - 2
  const hole = j.stack?.holeMm ?? d.boredMm ?? s.holeMm
  const { outside, inside } = j.wedges
  const wide = (w: typeof inside) => (w ? w.saw.outlineMm[0]! : 0)
  const mean = (w: typeof inside) => (w ? (w.thinMm + w.thickMm) / 2 : 0)
  const half =
    Math.max(s.flangeMm, d.pad?.diameterMm ?? 0, wide(inside), wide(outside), d.valve?.flangeMm ?? 0) / 2
  const W = half + 38
  const thick = upright ? d.hull.thicknessMm / Math.cos(theta) : d.hull.thicknessMm
  const bed = d.family === 'welded-stub' ? 0 : d.beddingMm
  let y = 0
  const bottom = -Math.max(2, s.proudMm)

  if (bed > 0) {
    area(box(-s.flangeMm / 2, 0, s.flangeMm / 2, bed), 'bedding', 'beddingMm', 'bedding')
    y = bed
  }
  if (outside) {
    const D = wide(outside)
    area(
      [
        { x: -D / 2, y },
        { x: D / 2, y },
        { x: D / 2, y: y + outside.thickMm },
        { x: -D / 2, y: y + outside.thinMm },
      ],
      'epoxy-glass',
      'wedge',
      'wedge outside',
    )
    say2(
      D / 2,
      y + outside.thickMm * 0.5,
      `wedge ${mm(outside.thinMm)} to ${mm(outside.thickMm)}`,
      'wedge.thinMm',
    )
    y += mean(outside)
  }
  const hullLow = y
  const on = (x: number) => x * tan
  const parts: [number, number, MaterialTone, string][] =
    d.hull.kind === 'cored'
      ? [
          [0, 0.3, 'laminate', 'outer skin'],
          [0.3, 0.75, 'balsa', 'core'],
          [0.75, 1, 'laminate', 'inner skin'],
        ]
      : [[0, 1, HULL_TONE[d.hull.kind], 'hull']]
  for (const [a, b, tone, label] of parts)
    area(
      [
        { x: -W, y: hullLow + a * thick + on(-W) },
        { x: W, y: hullLow + a * thick + on(W) },
        { x: W, y: hullLow + b * thick + on(W) },
        { x: -W, y: hullLow + b * thick + on(-W) },
      ],
      tone,
      'hull.thicknessMm',
      label,
    )
  if (d.hull.kind === 'cored' && d.hull.solidMm)
    area(
      [-1, 1]
        .flatMap((k) => [
          { x: (k * d.hull.solidMm!) / 2, y: hullLow + 0.3 * thick + on((k * d.hull.solidMm!) / 2) },
        ])
        .concat(
          [1, -1].map((k) => ({
            x: (k * d.hull.solidMm!) / 2,
            y: hullLow + 0.75 * thick + on((k * d.hull.solidMm!) / 2),
          })),
        ),
      'filled-epoxy',
      'hull.solidMm',
      'made solid',
    )
  say2(
    W,
    hullLow + thick / 2 + on(W),
    `${d.hull.measured ? '' : '~'}hull ${mm(d.hull.thicknessMm)}${upright && theta ? `, ${mm(thick)} along the bore` : ''}`,
    'hull.thicknessMm',
  )
  y = hullLow + thick
  if (inside) {
    const D = wide(inside)
    area(
      [
        { x: -D / 2, y: y + on(-D / 2) },
        { x: D / 2, y: y + on(D / 2) },
        { x: D / 2, y: y + mean(inside) },
        { x: -D / 2, y: y + mean(inside) },
      ],
      'epoxy-glass',
      'wedge',
      'wedge inside',
    )
    say2(
      -D / 2,
      y + mean(inside) * 0.6,
      `wedge ${mm(inside.thickMm)} to ${mm(inside.thinMm)}`,
      'wedge.thinMm',
    )
    y += mean(inside)
  }
  if (d.pad) {
    const r = d.pad.diameterMm / 2
    area(box(-r, y, r, y + d.pad.thicknessMm), PAD_TONE[d.pad.material], 'pad.thicknessMm', 'pad')
    path(
      [
        { x: -r, y },
        { x: r, y },
      ],
      'outline',
    )
    say2(r, y + d.pad.thicknessMm / 2, `pad ${mm(d.pad.thicknessMm)}`, 'pad.thicknessMm')
    y += d.pad.thicknessMm
    if (!turn)
      handles.push({
        path: 'pad.thicknessMm',
        label: 'top of the pad',
        at: { x: -r * 0.8, y },
        axis: 'y',
        value: d.pad.thicknessMm,
        per: 1,
        leastMm: 1,
      })
  }
  const seat = y
  // The hole, with room for its collar of bedding.
  if (d.family !== 'welded-stub')
    area(box(-hole / 2, bed, hole / 2, seat), 'bedding', 'boredMm', 'collar of bedding')
  if (s.collarMm > 0) {
    area(box(-s.flangeMm * 0.46, y, s.flangeMm * 0.46, y + s.collarMm), 'plastic', 'skin', 'load collar')
    say2(s.flangeMm * 0.46, y + s.collarMm / 2, `load collar ${mm(s.collarMm)}`)
    y += s.collarMm
  }
  if (s.nutMm > 0) {
    area(box(-od * 0.82, y, od * 0.82, y + s.nutMm), BODY_TONE(s.material), 'skin', 'nut')
    y += s.nutMm
  }
  const face = y
  // Head outside, and tail.
  const cut = j.stack ? j.stack.cutLengthMm : s.tailMm
  area(
    [
      { x: -s.flangeMm / 2, y: 0 },
      { x: s.flangeMm / 2, y: 0 },
      { x: s.flangeMm * 0.36, y: bottom },
      { x: -s.flangeMm * 0.36, y: bottom },
    ],
    BODY_TONE(s.material),
    'skin',
    'head outside',
  )
  area(box(-od / 2, 0, od / 2, cut), BODY_TONE(s.material), 'skin', 'tail')
  if (s.boreMm > 0) area(box(-s.boreMm / 2, bottom, s.boreMm / 2, cut), 'none', 'skin', 'bore')
  if (j.stack && j.stack.trimMm > 0) {
    path(
      [
        { x: -od / 2, y: cut },
        { x: -od / 2, y: s.tailMm },
        { x: od / 2, y: s.tailMm },
        { x: od / 2, y: cut },
      ],
      'hidden',
    )
    say2(-od / 2, (cut + s.tailMm) / 2, `trim ${mm(j.stack.trimMm)}, leave ${mm(cut)}`)
  }
  if (j.stack && info.stack && d.family !== 'transducer' && d.family !== 'anode-stud') {
    const [lo, hi] = j.stack.stickMm as [number, number]
    const x = -half - 16
    path(
      [
        { x, y: seat },
        { x, y: seat + hi },
      ],
      'dimension',
    )
    for (const v of [0, lo, hi])
      path(
        [
          { x: x - 3, y: seat + v },
          { x: x + 3, y: seat + v },
        ],
        'dimension',
      )
    say2(x, seat + hi, `check stick ${mm(lo)} to ${mm(hi)}`)
  }
  let top = Math.max(cut, face)
  if (d.valve && info.valve) {
    const v = d.valve
    const flanged = v.kind !== 'screwed'
    const base = flanged ? seat : Math.max(face, cut - v.inlet.depthMm)
    const up = seat + v.heightMm
    const body = od * 0.78
    if (flanged)
      area(
        box(-v.flangeMm / 2, base, v.flangeMm / 2, base + 11),
        BODY_TONE(v.material),
        'valve',
        'flange of the seacock',
      )
    area(
      [
        { x: -body, y: base + (flanged ? 11 : 0) },
        { x: body, y: base + (flanged ? 11 : 0) },
        { x: body, y: up - HEX_MM },
        { x: od * 0.62, y: up - HEX_MM },
        { x: od * 0.62, y: up },
        { x: -od * 0.62, y: up },
        { x: -od * 0.62, y: up - HEX_MM },
        { x: -body, y: up - HEX_MM },
      ],
      BODY_TONE(v.material),
      'valve',
      v.title,
    )
    const mid = (base + up) / 2 + 6
    if (v.kind === 'taper-plug')
      area(
        [
          { x: -od * 0.4, y: mid - 26 },
          { x: od * 0.4, y: mid - 26 },
          { x: od * 0.52, y: mid + 26 },
          { x: -od * 0.52, y: mid + 26 },
        ],
        'hardware',
        'valve',
        'taper plug',
      )
    else
      shapes.push({
        kind: 'disc',
        at: R({ x: 0, y: mid }),
        r: v.boreMm * 0.62,
        tone: 'hardware',
        role: 'valve',
        label: 'ball',
      })
    area(
      box(body, mid - 4, body + v.handleMm * 0.9, mid + 4),
      'hardware',
      'clock',
      `handle, ${mm(v.handleMm)}`,
    )
    if (v.handle === 'tee')
      area(box(-body - v.handleMm * 0.9, mid - 4, -body, mid + 4), 'hardware', 'clock', 'second arm')
    if (flanged && d.hold.method !== 'nut' && v.boltCircleMm)
      for (const k of [-1, 1])
        area(
          box(
            (k * v.boltCircleMm) / 2 - 4,
            d.hold.method === 'through'
              ? hullLow + on((k * v.boltCircleMm) / 2) - 1
              : seat - (d.hold.engagedMm ?? d.pad?.thicknessMm ?? 10),
            (k * v.boltCircleMm) / 2 + 4,
            base + 17,
          ),
          'bolt',
          'hold.method',
          d.hold.method === 'through' ? 'bolt through the hull' : 'bolt into the pad',
        )
    say2(-body, up - 20, `${v.kind === 'screwed' ? 'valve' : 'seacock'} ${v.inlet.size}`)
    path(
      [
        { x: half + 14, y: seat },
        { x: half + 14, y: up },
      ],
      'dimension',
    )
    say2(half + 14, (seat + up) / 2, `${mm(v.heightMm)} kicked here`)
    top = up
  }
  if (d.tail) {
    const t = d.tail
    area(box(-od * 0.58, top, od * 0.58, top + 10), BODY_TONE(t.material), 'tail', 'hex of the tail')
    const y0 = top + 10
    area(
      Array.from({ length: 4 }, (_, i) => i)
        .flatMap((i): Pt[] => [
          { x: t.barbMm / 2 - 1.5, y: y0 + (i * t.barbLengthMm) / 4 },
          { x: t.barbMm / 2, y: y0 + (i * t.barbLengthMm) / 4 + 2 },
        ])
        .concat(
          [
            { x: t.barbMm / 2 - 2, y: y0 + t.barbLengthMm },
            { x: -t.barbMm / 2 + 2, y: y0 + t.barbLengthMm },
          ],
          Array.from({ length: 4 }, (_, k) => 3 - k).flatMap((i): Pt[] => [
            { x: -t.barbMm / 2, y: y0 + (i * t.barbLengthMm) / 4 + 2 },
            { x: -t.barbMm / 2 + 1.5, y: y0 + (i * t.barbLengthMm) / 4 },
          ]),
        ),
      BODY_TONE(t.material),
      'tail',
      'hose tail',
    )
    if (d.hose) {
      const r = d.hose.boreMm / 2
      for (const k of [-1, 1])
        area(box(k * r, y0 + 2, k * (r + 5), y0 + t.barbLengthMm + 34), 'plastic', 'hose', 'hose')
      for (let i = 0; i < d.hose.clips; i++) {
        const yc = y0 + 6 + i * (d.hose.bandMm + 5)
        for (const k of [-1, 1])
          area(box(k * (r + 5), yc, k * (r + 7.5), yc + d.hose.bandMm), 'bolt', 'hose.clips', 'clip')
      }
      say2(r + 7, y0 + 12, `hose ${mm(d.hose.boreMm)}, ${d.hose.clips} clip${d.hose.clips === 1 ? '' : 's'}`)
      top = y0 + t.barbLengthMm + 34
    } else top = y0 + t.barbLengthMm
  }
  if (d.family === 'welded-stub')
    for (const k of [-1, 1])
      for (const [yy, up] of [
        [hullLow, -1],
        [hullLow + thick, 1],
      ] as const)
        area(
          [
            { x: (k * od) / 2, y: yy },
            { x: k * (od / 2 + 6), y: yy },
            { x: (k * od) / 2, y: yy + up * 6 },
          ],
          'metal',
          'skin',
          'weld',
        )
  if (d.family === 'drain-plug' && d.plug) {
    const r = s.flangeMm * 0.38
    if (d.plug.throughBolted)
      for (const k of [-1, 1])
        area(box(k * r - 3, bottom, k * r + 3, seat + 12), 'bolt', 'hold', 'through-bolt')
    if (d.plug.choke) say2(0, seat, 'choke hole in the block')
    area(box(-s.boreMm * 0.45, bottom - 2, s.boreMm * 0.45, bottom + 16), 'hardware', 'plug', 'plug')
  }
  if (d.family === 'sea-chest') {
    const r = s.flangeMm * 0.62
    area(
      [
        { x: -r, y: 0 },
        { x: r, y: 0 },
        { x: r * 0.8, y: bottom - 22 },
        { x: -r * 0.8, y: bottom - 22 },
      ],
      'plastic',
      'chest',
      'strainer',
    )
    for (const k of [-0.6, -0.3, 0, 0.3, 0.6])
      path(
        [
          { x: k * r, y: bottom - 4 },
          { x: k * r * 0.9, y: bottom - 18 },
        ],
        'outline',
      )
    say2(r * 0.8, bottom - 12, 'strainer')
  }
  if (d.family === 'anode-stud') area(box(-48, bottom - 26, 48, bottom), 'metal', 'skin', 'anode')
  if (d.transducer) {
    // The element's beam is what has to be plumb; a fitting square to the hull leans, and the element leans
    // back.
    const lean = ((j.tiltElement?.residualDeg ?? 0) * Math.PI) / 180
    const from = R({ x: 0, y: bottom })
    for (const k of [-0.16, 0, 0.16])
      shapes.push({
        kind: 'path',
        points: [from, { x: from.x + 70 * Math.sin(lean + k), y: from.y - 70 * Math.cos(lean + k) }],
        weight: k === 0 ? 'load' : 'hidden',
      })
    shapes.push({ kind: 'path', points: [from, { x: from.x, y: from.y - 78 }], weight: 'dimension' })
    say2(
      half * 0.5,
      bottom - 6,
      `element ${say(j.tiltElement?.tiltDeg ?? 0)}\u00b0, beam ${beamSaid(j.tiltElement?.residualDeg ?? 0)}`,
    )
    path(
      [
        { x: 0, y: cut },
        { x: 0, y: cut + 22 },
        { x: 12, y: cut + 34 },
      ],
      'outline',
    )
    top = cut + 34
  }
  say2(-s.flangeMm / 2, bottom / 2, `hole ${mm(hole)}, head ${mm(s.flangeMm)}`, 'boredMm')

  const points = shapes.flatMap((q) =>
    q.kind === 'area' || q.kind === 'path' ? q.points : 'at' in q ? [q.at] : [],
  )
  const ext = {
    minX: Math.min(...points.map((p) => p.x)),
    maxX: Math.max(...points.map((p) => p.x)),
    minY: Math.min(...points.map((p) => p.y)),
    maxY: Math.max(...points.map((p) => p.y)),
  }
  const textMm = Math.max((ext.maxY - ext.minY) / 26, (ext.maxX - ext.minX) / 38, 3)
  // The way things are: plumb, the hull's angle, inside and outside.
  if (theta > 0) {
    const x = ext.maxX - textMm * 1.5
    const e = R({ x: W, y: hullLow + on(W) })
    // A flat drawing has the hull's end up here: the plumb line then stands over it.
    const foot = Math.max(ext.maxY - textMm * 6, R({ x: W, y: hullLow + thick + on(W) }).y + textMm * 2.4)
    // Its word stands over all that is labelled, so that no leader runs through it.
    top = Math.max(top, foot + textMm * 6.4)
    shapes.push(
      {
        kind: 'path',
        points: [
          { x, y: foot },
          { x, y: foot + textMm * 5.4 },
        ],
        weight: 'hidden',
      },
      {
        kind: 'text',
        at: { x, y: foot + textMm * 5.8 },
        text: 'plumb',
        size: textMm * 0.9,
        anchor: 'middle',
      },
    )
    shapes.push(
      {
        kind: 'path',
        points: [
          { x: e.x - 46, y: e.y - (upright ? on(W) - on(W - 46) : 46 * Math.tan(theta)) },
          { x: e.x + 2, y: e.y - (upright ? on(W) - on(W - 46) : 46 * Math.tan(theta)) },
        ],
        weight: 'dimension',
      },
      {
        kind: 'text',
        at: { x: e.x + 2, y: e.y - textMm * 1.6 },
        text: `${d.hull.angleMeasured ? '' : '~'}${say(j.tilt.deg)}\u00b0`,
        size: textMm,
        anchor: 'end',
        weight: 'strong',
      },
    )
    // How far the grabbed end climbs for a radian: its own swing, and the block outside that grows under it.
    const rise = upright
      ? (W * 0.94 + wide(outside) / 2 + d.hull.thicknessMm * Math.sin(theta)) / Math.cos(theta) ** 2
      : W * 0.94 * Math.cos(theta) - (hullLow + thick) * Math.sin(theta)
    // The cut shows the tilt; with a slope along her the deadrise has to turn further for the same tilt
    // (5.5: tan² of the tilt is the sum of both).
    const a = (d.hull.deadriseDeg * Math.PI) / 180
    const further =
      d.hull.slopeDeg === 0 ? 1 : (Math.tan(theta) / Math.tan(a)) * (Math.cos(a) / Math.cos(theta)) ** 2
    if (d.hull.slopeDeg === 0 || d.hull.deadriseDeg >= 1)
      handles.push({
        path: 'hull.deadriseDeg',
        label: 'deadrise',
        at: R({ x: W * 0.94, y: hullLow + thick + on(W * 0.94) }),
        axis: 'y',
        value: d.hull.deadriseDeg,
        per: ((180 / Math.PI) * further) / rise,
        leastMm: 0,
      })
  } else if (d.hull.slopeDeg === 0)
    handles.push({
      path: 'hull.deadriseDeg',
      label: 'deadrise',
      at: R({ x: W * 0.94, y: hullLow + thick }),
      axis: 'y',
      value: 0,
      per: 180 / Math.PI / (W * 0.94),
      leastMm: 0,
    })
  // Labels stand in a column each side and never on each other.
  for (const right of [false, true]) {
    const mine = labels.filter((l) => l.at.x >= 0 === right).sort((a, b) => b.at.y - a.at.y)
    let last = Infinity
    for (const l of mine) {
      const y2 = Math.min(l.at.y, last - textMm * 1.45)
      last = y2
      const x2 = right ? ext.maxX + textMm * 1.2 : ext.minX - textMm * 2.6
      shapes.push(
        {
          kind: 'path',
          points: [l.at, { x: x2 + (right ? -0.4 : 0.4) * textMm, y: y2 + textMm * 0.32 }],
          weight: 'dimension',
        },
        {
          kind: 'text',
          at: { x: x2, y: y2 },
          text: l.text,
          size: textMm,
          anchor: right ? 'start' : 'end',
          ...(l.role ? { role: l.role } : {}),
        },
      )
    }
  }
  const long = (right: boolean) =>
    Math.max(0, ...labels.filter((l) => l.at.x >= 0 === right).map((l) => l.text.length)) * textMm * 0.62
  const tones = [
    ...new Set(shapes.flatMap((q) => (q.kind === 'area' || q.kind === 'disc' ? [q.tone] : []))),
  ].filter((t): t is MaterialTone => t !== 'none' && t !== 'hardware')
  return {
    title: `Cut where the hull rises fastest, ${say(Math.round(j.tilt.azimuthDeg))}\u00b0 from straight outboard; outside below \u00b7 true scale`,
    description: `${info.title} in a hull of ${mm(d.hull.thicknessMm)} mm at ${say(j.tilt.deg)} degrees${d.pad ? `, pad ${mm(d.pad.thicknessMm)} mm` : ''}.`,
    bounds: {
      minX: ext.minX - textMm * 3.4 - long(false),
      maxX: ext.maxX + textMm * 2 + long(true),
      minY: ext.minY - textMm * 2,
      maxY: Math.max(ext.maxY, top) + textMm,
    },
    shapes,
    legend: tones,
    textMm,
    scaleBarMm: niceLength((ext.maxX - ext.minX) / 4, units),
    handles,
  }
}
