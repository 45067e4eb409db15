import type { MaterialTone, Pt } from '../../drawing/shapes'
import type { ThroughHullDesign } from './design'
import { BODY_TONE, box, level, upright, type SectionPen } from './section-pen'

const HEX_MM = 14
const FLANGE_MM = 11

/** Where the tail ends: as it is cut. */
export const cutOf = (p: SectionPen) => (p.j.stack ? p.j.stack.cutLengthMm : p.d.skin.tailMm)

function trimmed(p: SectionPen, cut: number): void {
  const trimMm = p.j.stack?.trimMm ?? 0
  if (!(trimMm > 0)) return
  const { tailMm } = p.d.skin
  const x = p.od / 2
  const ends = [
    { x: -x, y: cut },
    { x: -x, y: tailMm },
    { x, y: tailMm },
    { x, y: cut },
  ]
  p.path(ends, 'hidden')
  p.label(-x, (cut + tailMm) / 2, `trim ${p.mm(trimMm)}, leave ${p.mm(cut)}`)
}
function stick(p: SectionPen): void {
  const { d, j, seat } = p
  if (!j.stack || !p.info.stack || d.family === 'transducer' || d.family === 'anode-stud') return
  const [lo, hi] = j.stack.stickMm as [number, number]
  const x = -p.half - 16
  p.path(upright(x, seat, seat + hi), 'dimension')
  for (const v of [0, lo, hi]) p.path(level(x - 3, x + 3, seat + v), 'dimension')
  p.label(x, seat + hi, `check stick ${p.mm(lo)} to ${p.mm(hi)}`)
}

/** Head outside, tail and bore, what is trimmed off, and the stick that checks it. */
export function drawSkinFitting(p: SectionPen): void {
  const s = p.d.skin
  const tone = BODY_TONE(s.material)
  const cut = cutOf(p)
  const head = [
    { x: -s.flangeMm / 2, y: 0 },
    { x: s.flangeMm / 2, y: 0 },
    { x: s.flangeMm * 0.36, y: p.bottom },
    { x: -s.flangeMm * 0.36, y: p.bottom },
  ]
  p.area(head, tone, 'skin', 'head outside')
  p.area(box(-p.od / 2, 0, p.od / 2, cut), tone, 'skin', 'tail')
  if (s.boreMm > 0) p.area(box(-s.boreMm / 2, p.bottom, s.boreMm / 2, cut), 'none', 'skin', 'bore')
  trimmed(p, cut)
  stick(p)
  p.top = Math.max(cut, p.face)
}

function valveBolts(p: SectionPen, v: NonNullable<ThroughHullDesign['valve']>, base: number): void {
  const { d } = p
  if (v.kind === 'screwed' || d.hold.method === 'nut' || !v.boltCircleMm) return
  const through = d.hold.method === 'through'
  for (const k of [-1, 1]) {
    const x = (k * v.boltCircleMm) / 2
    const low = through ? p.hullLow + p.on(x) - 1 : p.seat - (d.hold.engagedMm ?? d.pad?.thicknessMm ?? 10)
    p.area(
      box(x - 4, low, x + 4, base + 17),
      'bolt',
      'hold.method',
      through ? 'bolt through the hull' : 'bolt into the pad',
    )
  }
}
function ballOrPlug(p: SectionPen, v: NonNullable<ThroughHullDesign['valve']>, mid: number): void {
  const cone = [
    { x: -p.od * 0.4, y: mid - 26 },
    { x: p.od * 0.4, y: mid - 26 },
    { x: p.od * 0.52, y: mid + 26 },
    { x: -p.od * 0.52, y: mid + 26 },
  ]
  if (v.kind === 'taper-plug') p.area(cone, 'hardware', 'valve', 'taper plug')
  else
    p.shapes.push({
      kind: 'disc',
      at: p.R({ x: 0, y: mid }),
      r: v.boreMm * 0.62,
      tone: 'hardware',
      role: 'valve',
      label: 'ball',
    })
}
/** Seacock or valve, its handle and its bolts. */
export function drawValve(p: SectionPen): void {
  const v = p.d.valve
  if (!v || !p.info.valve) return
  const flanged = v.kind !== 'screwed'
  const base = flanged ? p.seat : Math.max(p.face, cutOf(p) - v.inlet.depthMm)
  const up = p.seat + v.heightMm
  const body = p.od * 0.78
  const hex = p.od * 0.62
  const tone = BODY_TONE(v.material)
  if (flanged)
    p.area(
      box(-v.flangeMm / 2, base, v.flangeMm / 2, base + FLANGE_MM),
      tone,
      'valve',
      'flange of the seacock',
    )
  const from = base + (flanged ? FLANGE_MM : 0)
  const outline = [
    { x: -body, y: from },
    { x: body, y: from },
    { x: body, y: up - HEX_MM },
    { x: hex, y: up - HEX_MM },
    { x: hex, y: up },
    { x: -hex, y: up },
    { x: -hex, y: up - HEX_MM },
    { x: -body, y: up - HEX_MM },
  ]
  p.area(outline, tone, 'valve', v.title)
  const mid = (base + up) / 2 + 6
  ballOrPlug(p, v, mid)
  const reach = body + v.handleMm * 0.9
  p.area(box(body, mid - 4, reach, mid + 4), 'hardware', 'clock', `handle, ${p.mm(v.handleMm)}`)
  if (v.handle === 'tee') p.area(box(-reach, mid - 4, -body, mid + 4), 'hardware', 'clock', 'second arm')
  valveBolts(p, v, base)
  p.label(-body, up - 20, `${flanged ? 'seacock' : 'valve'} ${v.inlet.size}`)
  p.path(upright(p.half + 14, p.seat, up), 'dimension')
  p.label(p.half + 14, (p.seat + up) / 2, `${p.mm(v.heightMm)} kicked here`)
  p.top = up
}

const BARBS = [0, 1, 2, 3]
/** A barb in outline: up one side, over the end, down the other. */
function barbOutline(t: NonNullable<ThroughHullDesign['tail']>, y0: number): Pt[] {
  const r = t.barbMm / 2
  const at = (i: number) => y0 + (i * t.barbLengthMm) / BARBS.length
  return [
    ...BARBS.flatMap((i) => [
      { x: r - 1.5, y: at(i) },
      { x: r, y: at(i) + 2 },
    ]),
    { x: r - 2, y: y0 + t.barbLengthMm },
    { x: -r + 2, y: y0 + t.barbLengthMm },
    ...[...BARBS].reverse().flatMap((i) => [
      { x: -r, y: at(i) + 2 },
      { x: -r + 1.5, y: at(i) },
    ]),
  ]
}
/** An elbow with its hose: the same barb, turned about the end of its leg. */
function drawElbow(p: SectionPen, t: NonNullable<ThroughHullDesign['tail']>, tone: MaterialTone): void {
  const leg = p.od * 0.5
  const y0 = p.top + 10
  const centre = { x: 0, y: y0 + leg }
  const rad = (t.bendDeg * Math.PI) / 180
  // Away from the handle, which stands to the right.
  const turned = (q: Pt): Pt => ({
    x: centre.x + q.x * Math.cos(rad) - (q.y - centre.y) * Math.sin(rad),
    y: centre.y + q.x * Math.sin(rad) + (q.y - centre.y) * Math.cos(rad),
  })
  const r = t.barbMm / 2
  const from = centre.y + r
  p.area(box(-r, y0, r, centre.y + r * 0.4), tone, 'tail', 'elbow')
  p.area(
    [
      { x: -r, y: centre.y - r },
      { x: r, y: centre.y - r },
      { x: r, y: from },
      { x: -r, y: from },
    ].map(turned),
    tone,
    'tail',
    'elbow',
  )
  p.area(barbOutline(t, from).map(turned), tone, 'tail', 'hose tail')
  const end = from + t.barbLengthMm
  const { hose } = p.d
  if (hose) {
    const h = hose.boreMm / 2
    for (const k of [-1, 1])
      p.area(box(k * h, from + 2, k * (h + 5), end + 30).map(turned), 'plastic', 'hose', 'hose')
    for (let i = 0; i < hose.clips; i++) {
      const yc = from + 6 + i * (hose.bandMm + 5)
      for (const k of [-1, 1])
        p.area(
          box(k * (h + 5), yc, k * (h + 7.5), yc + hose.bandMm).map(turned),
          'bolt',
          'hose.clips',
          'clip',
        )
    }
    const at = turned({ x: 0, y: end + 30 })
    p.label(at.x, at.y + h + 9, `hose ${p.mm(hose.boreMm)}, ${hose.clips} clip${hose.clips === 1 ? '' : 's'}`)
  }
  p.top = Math.max(centre.y + r * 1.4, turned({ x: -r, y: end }).y, turned({ x: r, y: end }).y)
}
/** Hose tail, hose and clips. */
export function drawHose(p: SectionPen): void {
  const { tail: t, hose } = p.d
  if (!t) return
  const tone = BODY_TONE(t.material)
  p.area(box(-p.od * 0.58, p.top, p.od * 0.58, p.top + 10), tone, 'tail', 'hex of the tail')
  if (t.bendDeg) return drawElbow(p, t, tone)
  const y0 = p.top + 10
  p.area(barbOutline(t, y0), tone, 'tail', 'hose tail')
  p.top = y0 + t.barbLengthMm
  if (!hose) return
  const r = hose.boreMm / 2
  p.top += 34
  for (const k of [-1, 1]) p.area(box(k * r, y0 + 2, k * (r + 5), p.top), 'plastic', 'hose', 'hose')
  for (let i = 0; i < hose.clips; i++) {
    const yc = y0 + 6 + i * (hose.bandMm + 5)
    for (const k of [-1, 1])
      p.area(box(k * (r + 5), yc, k * (r + 7.5), yc + hose.bandMm), 'bolt', 'hose.clips', 'clip')
  }
  p.label(r + 7, y0 + 12, `hose ${p.mm(hose.boreMm)}, ${hose.clips} clip${hose.clips === 1 ? '' : 's'}`)
}
