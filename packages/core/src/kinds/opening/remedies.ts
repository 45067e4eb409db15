import { SEALANT_IDS, sealant } from '../../base/materials/sealants'
import type { Around, Try } from '../kind'
import { DRAINS, REBATED } from './air'
import { SILL_MM } from './families'
import type { OpeningDesign } from './design'
import { glandTries } from './glands'
import { hungTries } from './hung'
import type { OpeningJudgement } from './judgement'
import { pocketTries } from './pocket'

const STOCK = [5, 6, 8, 10, 12, 15, 20]
const CORNERS = [25, 30, 40, 50, 60, 75]
const SHIFTS = [10, 20, 30, 40, 60, 80, 120]

function paneTries(d: OpeningDesign): Try[] {
  if (!d.pane) return []
  const { thicknessMm } = d.pane
  const helps = ['pane-bending', 'pane-deflection', 'lid-gasket', 'keeps-out']
  const out: Try[] = STOCK.filter((t) => t > thicknessMm).map((t) => ({
    id: `pane-${t}`,
    text: `${t} mm thick`,
    change: { 'pane.thicknessMm': t },
    helps,
    group: 'pane',
  }))
  if (d.pane.beadMm !== null)
    for (const b of [4, 5, 6, 8, 10])
      if (b > d.pane.beadMm)
        out.push({
          id: `bead-${b}`,
          text: `a bead of ${b} mm`,
          change: { 'pane.beadMm': b },
          helps: ['pane-bead'],
          group: 'bead',
        })
  if (d.pane.screws)
    for (const e of [12, 15, 18, 20, 25, 30])
      if (e > d.pane.screws.edgeMm && e < d.frame.flangeMm)
        out.push({
          id: `pane-edge-${e}`,
          text: `its holes ${e} mm from the edge`,
          change: { 'pane.screws.edgeMm': e, 'frame.insetMm': e },
          helps: ['pane-holes'],
          group: 'pane-edge',
        })
  return out
}
function edgeTries(d: OpeningDesign, j: OpeningJudgement): Try[] {
  const out: Try[] = []
  const { outline } = d
  if (outline.kind === 'rect')
    for (const r of CORNERS)
      if (r > outline.cornerMm && r <= Math.min(outline.lengthMm, outline.widthMm) / 2)
        out.push({
          id: `corner-${r}`,
          text: `corners of ${r} mm`,
          change: { 'outline.cornerMm': r },
          helps: ['corner-radius'],
          group: 'corner',
        })
  if (d.structure.kind === 'sandwich') {
    out.push({
      id: 'close-core',
      text: 'rake the core back and fill it',
      change: { 'core.filled': true },
      helps: ['edge-core', 'screw-bite'],
    })
    const deep = Math.ceil(Math.max(12, d.frame.flangeMm - d.frame.insetMm + d.frame.screwMm))
    if (deep > j.edge.rakeMm)
      out.push({
        id: 'deeper-rake',
        text: `raked ${deep} mm, so that the screws stand in the fill`,
        change: { 'core.filled': true, 'core.rakeMm': deep },
        helps: ['edge-core', 'screw-bite'],
      })
  }
  const width = Math.ceil(j.edge.ringLeastWidthMm)
  if (!d.ring || d.ring.widthMm < width)
    out.push({
      id: 'ring',
      text: `a ring of plywood, ${width} by 12 mm`,
      change: { ring: { material: 'plywood', widthMm: width, thicknessMm: 12 } },
      helps: ['ring', 'screw-bite'],
    })
  out.push({
    id: 'bolts',
    text: 'bolts instead of screws',
    change: { 'frame.hold': 'bolts' },
    helps: ['screw-bite'],
  })
  if (d.frame.hold === 'screws' && d.frame.pitchMm > 100)
    out.push({
      id: 'pitch',
      text: 'screws every 100 mm',
      change: { 'frame.pitchMm': 100 },
      helps: ['screw-pitch'],
    })
  return out
}
/** Somewhere near where it clears, the nearest first. */
function placeTries(d: OpeningDesign, a: Pick<Around, 'zones'>): Try[] {
  const flat = ['deck', 'roof'].includes(a.zones.find((z) => z.code === d.place.zone)?.face ?? 'deck')
  if (!flat) return []
  const ways = [
    { axis: 'xMm' as const, sign: -1, said: 'forward' },
    { axis: 'xMm' as const, sign: 1, said: 'aft' },
    { axis: 'yMm' as const, sign: 1, said: 'to starboard' },
    { axis: 'yMm' as const, sign: -1, said: 'to port' },
  ]
  return SHIFTS.flatMap((by) =>
    ways.map((w) => ({
      id: `move-${w.said.replace(' ', '-')}-${by}`,
      text: `${by} mm ${w.said}`,
      change: { [`place.${w.axis}`]: d.place[w.axis] + w.sign * by },
      helps: ['room-edge', 'room-member'],
      group: 'move',
    })),
  )
}
function lidTries(d: OpeningDesign): Try[] {
  if (!d.lid) return []
  const out: Try[] = []
  for (const n of [2, 3, 4, 5, 6, 8])
    if (n > d.lid.latches)
      out.push({
        id: `latches-${n}`,
        text: `${n} latches`,
        change: { 'lid.latches': n },
        helps: ['lid-latch', 'lid-inverted', 'lid-gasket', 'keeps-out'],
        group: 'latches',
      })
  if (!d.lid.gasket || d.lid.gasket !== 'hollow')
    out.push({
      id: 'hollow',
      text: 'a hollow gasket',
      change: { 'lid.gasket': 'hollow' },
      helps: ['lid-gasket', 'keeps-out'],
    })
  if (d.lid.rim !== 'stiff')
    out.push({
      id: 'rim',
      text: 'a stiff rim round the lid',
      change: { 'lid.rim': 'stiff' },
      helps: ['lid-gasket', 'keeps-out'],
    })
  if (d.lid.latch !== 'cam')
    out.push({
      id: 'cam',
      text: 'cam latches',
      change: { 'lid.latch': 'cam' },
      helps: ['lid-latch', 'lid-inverted'],
    })
  return out
}
function sealantTries(d: OpeningDesign, j: OpeningJudgement): Try[] {
  const best = j.sealant.choices.filter((c) => c.verdict === 'fits').slice(0, 2)
  const pane = j.paneSealant?.choices.filter((c) => c.verdict === 'fits').slice(0, 2) ?? []
  return [
    ...best
      .filter((c) => c.id !== d.bedding.sealant)
      .map((c) => ({
        id: `bed-${c.id}`,
        text: sealant(c.id).title,
        change: { 'bedding.sealant': c.id },
        helps: ['sealant-frame'],
        group: 'bed',
      })),
    ...pane
      .filter((c) => c.id !== d.pane?.sealant && SEALANT_IDS.includes(c.id))
      .map((c) => ({
        id: `pane-bed-${c.id}`,
        text: sealant(c.id).title,
        change: { 'pane.sealant': c.id },
        helps: ['sealant-pane', 'pane-bead'],
        group: 'pane-bed',
      })),
  ]
}
const drainTries = (d: OpeningDesign): Try[] =>
  d.lid && REBATED.includes(d.family)
    ? [
        {
          id: 'drains',
          text: `drains, ${DRAINS.count} of ${DRAINS.diameterMm} mm`,
          change: { 'lid.drains': DRAINS },
          helps: ['lid-drains'],
        },
      ]
    : []
/** Changes worth judging: thicker panes, rounder corners, a ring, deeper rakes, a place that clears. */
const sillTries = (d: OpeningDesign): Try[] =>
  d.sillMm === null || d.sillMm >= SILL_MM[d.duty]
    ? []
    : [
        {
          id: `sill-${SILL_MM[d.duty]}`,
          text: `a sill of ${SILL_MM[d.duty]} mm`,
          change: { sillMm: SILL_MM[d.duty] },
          helps: ['sill'],
        },
      ]
export const openingTries = (d: OpeningDesign, j: OpeningJudgement, a: Pick<Around, 'zones'>): Try[] => [
  ...paneTries(d),
  ...edgeTries(d, j),
  ...placeTries(d, a),
  ...lidTries(d),
  ...sillTries(d),
  ...drainTries(d),
  ...pocketTries(j.pocket),
  ...hungTries(d, j.hung),
  ...glandTries(d, j.glanded),
  ...sealantTries(d, j),
]
