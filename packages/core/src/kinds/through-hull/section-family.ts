import { say } from '../../base/verdict/check'
import { cutOf } from './section-body'
import { box, type SectionPen } from './section-pen'

/** Positive: the beam leans outboard (5.9). */
const beamSaid = (r: number) =>
  Math.abs(r) < 0.05 ? 'plumb' : `${say(Math.abs(r))}\u00b0 ${r > 0 ? 'outboard' : 'inboard'}`

function welds(p: SectionPen): void {
  const x = p.od / 2
  for (const k of [-1, 1])
    for (const [y, up] of [
      [p.hullLow, -1],
      [p.hullLow + p.thick, 1],
    ] as const)
      p.area(
        [
          { x: k * x, y },
          { x: k * (x + 6), y },
          { x: k * x, y: y + up * 6 },
        ],
        'metal',
        'skin',
        'weld',
      )
}
function drainPlug(p: SectionPen): void {
  const { plug, skin: s } = p.d
  if (!plug) return
  const r = s.flangeMm * 0.38
  if (plug.throughBolted)
    for (const k of [-1, 1])
      p.area(box(k * r - 3, p.bottom, k * r + 3, p.seat + 12), 'bolt', 'hold', 'through-bolt')
  if (plug.choke) {
    if (plug.chokeMm !== null)
      p.area(
        box(-plug.chokeMm / 2, p.seat - 10, plug.chokeMm / 2, p.seat + 4),
        'none',
        'plug.chokeMm',
        'choke hole',
      )
    p.label(0, p.seat, `choke hole in the block${plug.chokeMm === null ? '' : `, ${p.mm(plug.chokeMm)}`}`)
  }
  p.area(box(-s.boreMm * 0.45, p.bottom - 2, s.boreMm * 0.45, p.bottom + 16), 'hardware', 'plug', 'plug')
}
function strainer(p: SectionPen): void {
  const r = p.d.skin.flangeMm * 0.62
  const { bottom } = p
  p.area(
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
    p.path(
      [
        { x: k * r, y: bottom - 4 },
        { x: k * r * 0.9, y: bottom - 18 },
      ],
      'outline',
    )
  p.label(r * 0.8, bottom - 12, 'strainer')
}
/**
 * The element's beam is what has to be plumb; a fitting square to the hull leans, and the element leans
 * back.
 */
function beam(p: SectionPen): void {
  const residual = p.j.tiltElement?.residualDeg ?? 0
  const lean = (residual * Math.PI) / 180
  const from = p.R({ x: 0, y: p.bottom })
  for (const k of [-0.16, 0, 0.16])
    p.shapes.push({
      kind: 'path',
      points: [from, { x: from.x + 70 * Math.sin(lean + k), y: from.y - 70 * Math.cos(lean + k) }],
      weight: k === 0 ? 'load' : 'hidden',
    })
  p.shapes.push({ kind: 'path', points: [from, { x: from.x, y: from.y - 78 }], weight: 'dimension' })
  p.label(
    p.half * 0.5,
    p.bottom - 6,
    `element ${say(p.j.tiltElement?.tiltDeg ?? 0)}\u00b0, beam ${beamSaid(residual)}`,
  )
  const cut = cutOf(p)
  p.path(
    [
      { x: 0, y: cut },
      { x: 0, y: cut + 22 },
      { x: 12, y: cut + 34 },
    ],
    'outline',
  )
  p.top = cut + 34
}

/** What only one family has. */
export function drawFamily(p: SectionPen): void {
  const { d } = p
  if (d.family === 'welded-stub') welds(p)
  if (d.family === 'drain-plug') drainPlug(p)
  if (d.family === 'sea-chest') strainer(p)
  if (d.family === 'anode-stud') p.area(box(-48, p.bottom - 26, 48, p.bottom), 'metal', 'skin', 'anode')
  if (d.transducer) beam(p)
  p.label(
    -d.skin.flangeMm / 2,
    p.bottom / 2,
    `hole ${p.mm(p.hole)}, head ${p.mm(d.skin.flangeMm)}`,
    'boredMm',
  )
}
