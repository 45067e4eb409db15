import { GRADES, SIZES } from '../../base/materials/fasteners'
import { formatForce, formatLength, type Units } from '../../base/quantity/format'
import { boundsOf, cosd, sind } from '../../base/geometry/outline'
import type { CoreId } from '../../base/materials/cores'
import type { Design } from './design'
import { underShape } from './under-drawing'
import type { Judgement } from './judgement'
import { beadOf } from './plans'
import {
  niceLength,
  rect,
  type Drawing,
  type Handle,
  type MaterialTone,
  type Pt,
  type Shape,
} from '../../drawing/shapes'

const CORE_TONE: Record<CoreId, MaterialTone> = {
  'balsa-150': 'balsa',
  'pvc-80': 'foam',
  'pvc-130': 'foam',
  'san-85': 'foam',
  plywood: 'plywood',
  'insert-250': 'insert',
  'epoxy-plug': 'filled-epoxy',
}
const PLATE_TONE = {
  g10: 'epoxy-glass',
  'glass-epoxy': 'epoxy-glass',
  'al-5083': 'metal',
  'al-6061': 'metal',
  'ss-316': 'metal',
  plywood: 'plywood',
  plastic: 'plastic',
} as const

interface Layer {
  name: string
  role: string
  thicknessMm: number
  tone: MaterialTone
  estimated: boolean
}

function deckLayers(d: Design): Layer[] {
  const s = d.structure
  const est = (k: 'outerMm' | 'coreMm' | 'innerMm' | 'thicknessMm') => !d.measured.includes(k)
  if (s.kind === 'sandwich')
    return [
      {
        name: 'outer skin',
        role: 'structure.outerMm',
        thicknessMm: s.outerMm,
        tone: 'laminate',
        estimated: est('outerMm'),
      },
      {
        name: 'core',
        role: 'structure.core.thicknessMm',
        thicknessMm: s.core.thicknessMm,
        tone: CORE_TONE[s.core.material],
        estimated: est('coreMm'),
      },
      {
        name: 'inner skin',
        role: 'structure.innerMm',
        thicknessMm: s.innerMm,
        tone: 'laminate',
        estimated: est('innerMm'),
      },
    ]
  const tone: MaterialTone =
    s.kind === 'solid'
      ? 'laminate'
      : s.kind === 'metal'
        ? 'metal'
        : s.timber === 'plywood'
          ? 'plywood'
          : 'timber'
  return [
    {
      name: s.kind === 'metal' ? 'plating' : s.kind,
      role: 'structure.thicknessMm',
      thicknessMm: s.thicknessMm,
      tone,
      estimated: est('thicknessMm'),
    },
  ]
}

/** The bolts that the cut passes: the row along x that holds the most, nearest the middle. */
function cutRow(d: Design): { y: number; xs: number[]; numbers: number[] } {
  const rows = new Map<number, { xs: number[]; numbers: number[] }>()
  d.bolts.forEach((b, i) => {
    const key = [...rows.keys()].find((y) => Math.abs(y - b.yMm) < 0.5) ?? b.yMm
    const row = rows.get(key) ?? { xs: [], numbers: [] }
    row.xs.push(b.xMm)
    row.numbers.push(i + 1)
    rows.set(key, row)
  })
  const [y, row] = [...rows.entries()].sort(
    (a, b) => b[1].xs.length - a[1].xs.length || Math.abs(a[0]) - Math.abs(b[0]),
  )[0]!
  return { y, ...row }
}

/** The part above the base, in outline: enough to know which fitting it is and where the load acts. */
function body(d: Design, half: number, top: number): Pt[] {
  const h = d.base.bodyHeightMm
  const y = (k: number) => top + k * h
  const x = (k: number) => k * half
  const mirror = (right: [number, number][]): Pt[] => [
    ...right.map(([a, b]) => ({ x: x(a), y: y(b) })),
    ...right
      .slice()
      .reverse()
      .map(([a, b]) => ({ x: -x(a), y: y(b) })),
  ]
  switch (d.family) {
    case 'cleat':
      return mirror([
        [0.36, 0],
        [0.34, 0.45],
        [0.45, 0.62],
        [1.35, 0.72],
        [1.5, 0.84],
        [1.42, 1],
        [0.7, 0.93],
      ])
    case 'fairlead':
      return mirror([
        [0.75, 0],
        [0.72, 0.3],
        [0.5, 0.85],
        [0.2, 1],
      ])
    case 'bow-roller':
      return mirror([
        [0.8, 0],
        [0.8, 0.55],
        [1.25, 0.72],
        [1.3, 1],
        [0.95, 1],
        [0.7, 0.8],
      ])
    case 'windlass':
      return mirror([
        [0.85, 0],
        [0.85, 0.35],
        [0.6, 0.42],
        [0.6, 0.7],
        [0.72, 0.75],
        [0.72, 1],
      ])
    case 'handrail':
      return mirror([
        [0.5, 0],
        [0.36, 0.2],
        [0.36, 1],
      ])
    case 'tether-point':
      return mirror([
        [0.7, 0],
        [0.55, 0.5],
        [0.35, 0.88],
        [0.12, 1],
      ])
    case 'lifting-point':
      return mirror([
        [0.6, 0],
        [0.5, 0.4],
        [0.5, 0.8],
        [0.28, 1],
      ])
    case 'track':
      return mirror([
        [0.12, 0],
        [0.1, 0.4],
        [0.13, 0.55],
        [0.13, 1],
      ])
    case 'cam-cleat':
      return mirror([
        [0.8, 0],
        [0.75, 0.5],
        [0.55, 0.95],
        [0.2, 0.7],
      ])
    case 'ladder-step':
      return mirror([
        [0.5, 0],
        [0.45, 0.7],
        [0.6, 0.8],
        [0.6, 1],
      ])
    case 'mast-step':
      return mirror([
        [0.8, 0],
        [0.45, 0.18],
        [0.4, 1],
      ])
    case 'towing-post':
      return mirror([
        [0.3, 0],
        [0.28, 0.7],
        [0.45, 0.72],
        [0.45, 0.8],
        [0.28, 0.82],
        [0.3, 1],
      ])
    case 'doubler':
      return mirror([
        [0.45, 0],
        [0.4, 0.5],
        [0.15, 1],
      ])
    case 'bitt':
      return mirror([
        [0.34, 0],
        [0.32, 0.62],
        [0.62, 0.62],
        [0.62, 0.76],
        [0.32, 0.76],
        [0.32, 0.92],
        [0.4, 0.96],
        [0.38, 1],
      ])
    case 'stanchion':
      return mirror([
        [0.42, 0],
        [0.36, 0.1],
        [0.34, 1],
      ])
    case 'pad-eye':
      return mirror([
        [0.7, 0],
        [0.62, 0.55],
        [0.4, 0.9],
        [0.15, 1],
      ])
    case 'winch':
      return mirror([
        [0.85, 0],
        [0.62, 0.2],
        [0.55, 0.6],
        [0.72, 0.85],
        [0.72, 1],
      ])
    case 'foot-plate':
      return mirror([
        [0.3, 0],
        [0.24, 0.25],
        [0.24, 1],
      ])
    case 'block':
      return mirror([
        [0.6, 0],
        [0.75, 0.4],
        [0.7, 0.85],
        [0.4, 1],
      ])
    default:
      return mirror([
        [0.7, 0],
        [0.7, 0.8],
        [0.5, 1],
      ])
  }
}

/**
 * The cut through the joint, to scale (the screen's middle). Thin layers stay thin unless it is asked that
 * they be drawn thicker, and then the title says so.
 */
export function drawSection(d: Design, j: Judgement, units: Units, exaggerate = false): Drawing {
  const size = SIZES[d.bolt.size]!
  const { y: cutY, xs, numbers } = cutRow(d)
  const b = boundsOf(
    'diameterMm' in d.base
      ? { diameterMm: d.base.diameterMm }
      : { lengthMm: d.base.lengthMm, widthMm: d.base.widthMm },
  )
  const half =
    'diameterMm' in d.base ? Math.sqrt(Math.max(0, (d.base.diameterMm / 2) ** 2 - cutY ** 2)) : b.maxX
  const plateHalf = d.plate ? d.plate.lengthMm / 2 : 0
  const deckHalf = Math.max(half, plateHalf, ...xs.map(Math.abs)) * 1.12 + 12
  const layers = deckLayers(d)
  const least = exaggerate ? (2 * deckHalf) / 28 : 0
  const T = (thicknessMm: number) => (thicknessMm > 0 ? Math.max(thicknessMm, least) : 0)
  const bead = T(beadOf(d))
  const handles: Handle[] = []
  const baseTop = bead + d.base.thicknessMm
  const width = 2 * deckHalf
  const textMm = Math.max(width / 38, 2.2)
  const shapes: Shape[] = []
  const area = (points: Pt[], tone: MaterialTone, role: string, label: string) =>
    shapes.push({ kind: 'area', points, tone, role, label })
  const path = (points: Pt[], weight: 'outline' | 'hidden' | 'dimension' | 'load', role?: string) =>
    shapes.push({ kind: 'path', points, weight, ...(role ? { role } : {}) })
  const text = (
    at: Pt,
    words: string,
    anchor: 'start' | 'middle' | 'end',
    more: { turned?: boolean; role?: string; load?: boolean; strong?: boolean } = {},
  ) =>
    shapes.push({
      kind: 'text',
      at,
      text: words,
      size: textMm,
      anchor,
      ...(more.turned ? { turned: true } : {}),
      ...(more.role ? { role: more.role } : {}),
      ...(more.load ? { load: true } : {}),
      ...(more.strong ? { weight: 'strong' as const } : {}),
    })
  const mm = (v: number) => (units === 'inch' ? formatLength(v, units) : String(Number(v.toFixed(1))))

  const pads = xs.map(
    (x) => d.padsMm[d.bolts.findIndex((q) => q.xMm === x && Math.abs(q.yMm - cutY) < 0.5)] ?? 0,
  )
  area(body(d, half, baseTop), 'hardware', 'base', 'the fitting')
  area(rect(-half, bead, half, baseTop), 'hardware', 'base.thicknessMm', 'base')
  area(rect(-half, 0, half, bead), 'bedding', 'bedding', 'bedding')
  xs.forEach((x, i) => {
    if (pads[i]! > 0)
      text({ x, y: baseTop + textMm * 0.4 }, `pad ${mm(pads[i]!)}`, 'middle', { role: 'padsMm' })
  })
  const labelled: { y: number; fromX: number; layer: Layer }[] = []
  let y = 0
  if (d.doubler && d.structure.kind === 'metal') {
    const half2 = Math.min(deckHalf, d.doubler.lengthMm / 2)
    area(rect(-half2, -T(d.doubler.thicknessMm), half2, 0), 'metal', 'doubler.thicknessMm', 'doubler')
    for (const k of [-1, 1])
      if (half2 < deckHalf)
        area(
          [
            { x: k * half2, y: -T(d.doubler.thicknessMm) },
            { x: k * (half2 + d.doubler.weldMm), y: -T(d.doubler.thicknessMm) },
            { x: k * half2, y: 0 },
          ],
          'bolt',
          'doubler.weldMm',
          'weld',
        )
    labelled.push({
      y: -T(d.doubler.thicknessMm) / 2,
      fromX: -half2,
      layer: {
        name: 'doubler',
        role: 'doubler.thicknessMm',
        thicknessMm: d.doubler.thicknessMm,
        tone: 'metal',
        estimated: false,
      },
    })
    y = -T(d.doubler.thicknessMm)
  }
  for (const layer of layers) {
    const t = T(layer.thicknessMm)
    area(rect(-deckHalf, y - t, deckHalf, y), layer.tone, layer.role, layer.name)
    labelled.push({ y: y - t / 2, fromX: -deckHalf, layer })
    y -= t
    handles.push({
      path: layer.role,
      label: `lower edge of the ${layer.name}`,
      at: { x: deckHalf * 0.93, y },
      axis: 'y',
      value: layer.thicknessMm,
      per: -1,
      leastMm: 0.5,
    })
  }
  const s = d.structure
  if (s.kind === 'sandwich' && j.core) {
    const [top, bottom] = [-T(s.outerMm), -T(s.outerMm) - T(s.core.thicknessMm)]
    if (d.core.school === 'insert')
      area(
        rect(-Math.min(deckHalf, half + 20), bottom, Math.min(deckHalf, half + 20), top),
        'insert',
        'core',
        'insert',
      )
    if (d.core.school === 'bore-fill' && j.core.boreMm)
      handles.push({
        path: 'core.boreMm',
        label: 'wall of the bore',
        at: { x: xs[0]! - j.core.boreMm / 2, y: (top + bottom) / 2 },
        axis: 'x',
        value: j.core.boreMm,
        per: -2,
        leastMm: size.clearanceMm + 1,
      })
    for (const x of xs) {
      if (d.core.school === 'bore-fill' && j.core.boreMm)
        area(
          rect(x - j.core.boreMm / 2, bottom, x + j.core.boreMm / 2, 0),
          'filled-epoxy',
          'core',
          'filled epoxy plug',
        )
      if (d.core.school === 'reef' && j.core.undercutMm) {
        const r = size.clearanceMm / 2 + j.core.undercutMm
        area(rect(x - r, bottom, x + r, top), 'filled-epoxy', 'core', 'filled epoxy')
      }
    }
  }
  const bottomDeck = y
  let under = bottomDeck
  if (d.plate) {
    if (d.plate.bedGapMm > 0) {
      area(
        rect(-plateHalf, under - T(d.plate.bedGapMm), plateHalf, under),
        'filled-epoxy',
        'plate.bedGapMm',
        'filler bed',
      )
      under -= T(d.plate.bedGapMm)
    }
    const bevel = Math.min(j.plate?.bevelMm ?? 0, d.plate.thicknessMm, plateHalf / 3)
    const low = under - T(d.plate.thicknessMm)
    if (d.plate.sheets === 2)
      path(
        [
          { x: -plateHalf, y: (under + low) / 2 },
          { x: plateHalf, y: (under + low) / 2 },
        ],
        'dimension',
      )
    handles.push(
      {
        path: 'plate.thicknessMm',
        label: 'lower edge of the plate',
        at: { x: plateHalf * 0.55, y: low },
        axis: 'y',
        value: d.plate.thicknessMm,
        per: -1,
        leastMm: 1,
      },
      {
        path: 'plate.lengthMm',
        label: 'end of the plate',
        at: { x: plateHalf, y: (under + low) / 2 },
        axis: 'x',
        value: d.plate.lengthMm,
        per: 2,
        leastMm: 10,
      },
    )
    area(
      [
        { x: -plateHalf, y: under },
        { x: plateHalf, y: under },
        { x: plateHalf, y: low + bevel },
        { x: plateHalf - bevel, y: low },
        { x: -plateHalf + bevel, y: low },
        { x: -plateHalf, y: low + bevel },
      ],
      PLATE_TONE[d.plate.material],
      'plate.thicknessMm',
      'backing plate',
    )
    labelled.push({
      y: (under + low) / 2,
      fromX: -plateHalf,
      layer: {
        name: 'plate',
        role: 'plate.thicknessMm',
        thicknessMm: d.plate.thicknessMm,
        tone: PLATE_TONE[d.plate.material],
        estimated: false,
      },
    })
    under = low
  }

  const w = (kind: 'none' | 'plain' | 'large') =>
    kind === 'none' ? null : kind === 'plain' ? size.plainWasher : size.largeWasher
  const nutWasher = w(d.bolt.nutWasher)!
  const headWasher = d.bolt.head === 'countersunk' ? null : w(d.bolt.headWasher)
  const nutH =
    (d.bolt.nut === 'locking' ? size.lockingNutMm : size.hexNutMm) * (d.bolt.nut === 'double-hex' ? 2 : 1)
  const dia = size.diameterMm
  const tip =
    under -
    nutWasher.thicknessMm -
    nutH -
    (j.grip ? j.grip.lengthMm - j.grip.gripMm - nutH : 2 * size.pitchMm)
  for (const x of xs) {
    const seat = baseTop + (headWasher?.thicknessMm ?? 0)
    if (headWasher)
      area(
        rect(x - headWasher.diameterMm / 2, baseTop, x + headWasher.diameterMm / 2, seat),
        'bolt',
        'bolt',
        'washer under the head',
      )
    if (d.bolt.head === 'countersunk') {
      const depth = j.grip?.headDepthMm ?? dia / 2
      area(
        [
          { x: x - dia, y: baseTop },
          { x: x + dia, y: baseTop },
          { x: x + dia / 2, y: baseTop - depth },
          { x: x - dia / 2, y: baseTop - depth },
        ],
        'bolt',
        'bolt.head',
        'countersunk head',
      )
    } else area(rect(x - 0.87 * dia, seat, x + 0.87 * dia, seat + 0.65 * dia), 'bolt', 'bolt.head', 'head')
    area(rect(x - dia / 2, tip, x + dia / 2, seat), 'bolt', 'bolt.size', 'bolt')
    area(
      rect(x - nutWasher.diameterMm / 2, under - nutWasher.thicknessMm, x + nutWasher.diameterMm / 2, under),
      'bolt',
      'bolt.nutWasher',
      'washer under the nut',
    )
    area(
      rect(
        x - 0.87 * dia,
        under - nutWasher.thicknessMm - nutH,
        x + 0.87 * dia,
        under - nutWasher.thicknessMm,
      ),
      'bolt',
      'bolt.nut',
      'nut',
    )
    path(
      [
        { x, y: seat + 0.65 * dia + textMm * 0.6 },
        { x, y: tip - textMm * 0.6 },
      ],
      'hidden',
    )
  }

  // Thickness at the left: numbers stand clear of each other, leaders never cross because both run in the
  // same order.
  const lineX = -deckHalf - textMm * 1.2
  const gap = textMm * 1.25
  const ordered = labelled.slice().sort((a, c) => c.y - a.y)
  let namesTo = 4
  let last = Infinity
  const tops = ordered.map((o) => (last = Math.min(o.y, last - gap)))
  const lift = ordered.length
    ? Math.max(0, tops.reduce((a, t, i) => a + (ordered[i]!.y - t), 0) / ordered.length)
    : 0
  ordered.forEach((o, i) => {
    const ty = tops[i]! + lift
    path(
      [
        { x: o.fromX, y: o.y },
        { x: lineX, y: o.y },
        { x: lineX - textMm, y: ty },
      ],
      'dimension',
    )
    const figure = `${o.layer.estimated ? '~' : ''}${mm(o.layer.thicknessMm)}`
    text({ x: lineX - textMm * 1.3, y: ty - textMm * 0.35 }, figure, 'end', {
      role: o.layer.role,
      strong: true,
    })
    text({ x: lineX - textMm * (1.9 + 0.62 * figure.length), y: ty - textMm * 0.35 }, o.layer.name, 'end')
    namesTo = Math.max(namesTo, 1.9 + 0.62 * (figure.length + o.layer.name.length))
  })
  // Grip at the right.
  const gx = deckHalf + textMm * 1.2
  const gTop = d.bolt.head === 'countersunk' ? baseTop : baseTop + (headWasher?.thicknessMm ?? 0)
  const gLow = under - nutWasher.thicknessMm
  path(
    [
      { x: deckHalf * 0.98, y: gTop },
      { x: gx + textMm * 0.5, y: gTop },
    ],
    'dimension',
  )
  path(
    [
      { x: deckHalf * 0.98, y: gLow },
      { x: gx + textMm * 0.5, y: gLow },
    ],
    'dimension',
  )
  path(
    [
      { x: gx, y: gTop },
      { x: gx, y: gLow },
    ],
    'dimension',
  )
  text(
    { x: gx + textMm * 1.5, y: (gTop + gLow) / 2 },
    `grip ${mm(exaggerate ? (j.grip?.gripMm ?? gTop - gLow) : gTop - gLow)}`,
    'middle',
    { turned: true },
  )
  const stands = underShape(d.under, under, textMm * 7)
  if (stands) {
    area(stands.points, stands.tone, 'under', stands.title)
    text({ x: 0, y: stands.lowMm - textMm * 2.2 }, stands.title, 'middle', { role: 'under' })
  }
  // Spacing and plate below.
  let dy = Math.min(tip, under, stands ? stands.lowMm - textMm * 2.2 : under) - textMm * 2
  const across = (x0: number, x1: number, from0: number, words: string, role: string) => {
    path(
      [
        { x: x0, y: from0 },
        { x: x0, y: dy - textMm * 0.4 },
      ],
      'dimension',
    )
    path(
      [
        { x: x1, y: from0 },
        { x: x1, y: dy - textMm * 0.4 },
      ],
      'dimension',
    )
    const mid = (x0 + x1) / 2
    const room = words.length * textMm * 0.34 + textMm * 0.3
    path(
      [
        { x: x0, y: dy },
        { x: Math.max(x0, mid - room), y: dy },
      ],
      'dimension',
    )
    path(
      [
        { x: Math.min(x1, mid + room), y: dy },
        { x: x1, y: dy },
      ],
      'dimension',
    )
    text({ x: mid, y: dy - textMm * 0.35 }, words, 'middle', { role })
    dy -= textMm * 1.9
  }
  const sorted = xs.slice().sort((a, c) => a - c)
  if (sorted.length > 1)
    across(sorted[0]!, sorted.at(-1)!, tip - textMm * 0.8, mm(sorted.at(-1)! - sorted[0]!), 'bolts')
  if (d.plate) across(-plateHalf, plateHalf, under - textMm * 0.3, mm(d.plate.lengthMm), 'plate.lengthMm')

  // The load, where it acts, in the plane of the cut.
  const dir = j.worst.direction
  const flat = Math.hypot(dir.alongN, dir.acrossN)
  const az = Math.abs(dir.alongN) <= 0.02 * flat ? null : Math.sign(dir.alongN)
  const at = {
    x: j.load.pointMm.x,
    y: bead + d.base.thicknessMm + Math.min(j.load.heightMm, d.base.bodyHeightMm * 1.15),
  }
  const reach = width * 0.26
  // What mostly presses comes down on the fitting: its arrow ends where it acts.
  const steep = flat < 0.2 * Math.abs(dir.outN)
  const presses = steep && dir.outN < 0
  const end = presses
    ? { x: at.x, y: baseTop + d.base.bodyHeightMm }
    : az === null
      ? { x: at.x, y: at.y + reach * 0.6 * Math.max(0.25, sind(dir.elevationDeg)) }
      : { x: at.x + az * reach * cosd(dir.elevationDeg), y: at.y + reach * sind(dir.elevationDeg) }
  if (presses) at.y = end.y + reach * 0.6
  const L = Math.hypot(end.x - at.x, end.y - at.y) || 1
  const u = { x: (end.x - at.x) / L, y: (end.y - at.y) / L }
  const head = (side: number) => ({
    x: end.x - u.x * textMm * 1.1 - u.y * side * textMm * 0.45,
    y: end.y - u.y * textMm * 1.1 + u.x * side * textMm * 0.45,
  })
  path([at, end], 'load')
  path([head(1), end, head(-1)], 'load')
  // Clear of the fitting's own outline.
  text(
    {
      x: end.x + (az ?? 0) * textMm * 0.5,
      y: Math.max(at.y, end.y, baseTop + d.base.bodyHeightMm) + textMm * 0.7,
    },
    `${formatForce(j.load.loadN, units)}${presses ? ', down' : az === null && !steep ? ', across the cut' : ''}`,
    az === null ? 'middle' : az > 0 ? 'start' : 'end',
    { load: true, strong: true },
  )

  const tones = new Set(
    shapes.filter((x): x is Extract<Shape, { kind: 'area' }> => x.kind === 'area').map((x) => x.tone),
  )
  const legend = [...tones].filter((t) => t !== 'hardware' && t !== 'none')
  const minX = lineX - textMm * (namesTo + 0.6)
  const top = Math.max(at.y, baseTop + d.base.bodyHeightMm, end.y + textMm * 2)
  return {
    title: `Cut fore and aft through bolt${numbers.length > 1 ? 's' : ''} ${numbers.join(', ')} \u00b7 ${exaggerate ? 'thin layers drawn thicker' : 'true scale'}`,
    description: `Section through ${d.name}: ${j.gripLayers.map((l) => `${l.name} ${formatLength(l.thicknessMm, units)}`).join(', ')}; ${d.bolts.length} ${d.bolt.size} ${GRADES[d.bolt.grade].title} bolts.`,
    bounds: {
      minX,
      maxX: Math.max(gx + textMm * 2.6, az === 1 ? end.x + textMm * 5.5 : 0),
      minY: dy + textMm,
      maxY: top + textMm * 0.8,
    },
    shapes,
    legend,
    textMm,
    scaleBarMm: niceLength(width / 4, units),
    handles,
  }
}
