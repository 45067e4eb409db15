import { formatLength, type Units } from '../../base/quantity/format'
import { fullThickness } from '../../base/materials/structure'
import { cautionsFor } from '../../trade/cautions'
import { measureSaid } from '../../boat/where'
import { findingsOf } from '../findings'
import type { Around, Block, Due, HoleSpec, Kind } from '../kind'
import { asSurveyed, copiedSurface, surveyedOtherwise } from '../surface'
import { ROW_CATALOGUE, type RowEntry } from './catalogue'
import { ROW_VERSION, rowSchema, type RowDesign } from './design'
import { ROW_FAMILIES, ROW_FAMILY } from './families'
import { ROW_FINDINGS } from './findings'
import { judgeRow } from './judge'
import type { RowJudgement } from './judgement'
import { rowOrder, rowParts } from './parts'
import { rowOnBoat, rowPlan } from './picture'
import { rowTries } from './remedies'
import { startRow } from './start'
import { rowSteps } from './steps'
import { rowDrill, rowSchedule, rowTemplate, rowTemplates } from './template'

type D = RowDesign
type J = RowJudgement

/** The holes of a bolted row are its own; those of members are theirs. */
function penetrations(d: D, j: J, units: Units): HoleSpec[] {
  if (d.memberId !== null) return []
  const note = d.place.measuredFrom.map((m) => measureSaid(m, units)).join('; ')
  const cored = d.structure.kind === 'sandwich'
  return j.layout.positions.map((p, i) => ({
    part: `bolt ${i + 1}`,
    boltIndex: i,
    title: `${d.name}, bolt ${i + 1}`,
    xMm: p.xMm,
    yMm: p.yMm,
    zMm: p.zMm,
    diameterMm: d.bolt.holeMm,
    through: `${cored ? 'cored laminate' : 'laminate'}, ${formatLength(fullThickness(d.structure), units)}`,
    fastener: `bolt of ${formatLength(d.bolt.diameterMm, units)}`,
    plate: '',
    coreSchool: cored ? 'solid-fill' : 'none',
    sealant: d.bedding.sealant,
    belowWaterline: d.place.belowWaterline,
    note,
  }))
}
const WIDE_MM = 25
/** A narrow band along its line, out and back. */
function footprint(d: D) {
  const w = (d.strip?.widthMm ?? WIDE_MM) / 2
  const side = (sign: number) => d.path.map((p) => ({ xMm: p.xMm, yMm: p.yMm + sign * w }))
  return [...side(1), ...side(-1).reverse()]
}
function card(d: D, j: J, { units }: Around): Block[] {
  const mm = (v: number) => formatLength(Math.round(v), units)
  return [
    {
      title: 'From its first end',
      lines: j.layout.positions.map((p, i) => {
        const bend = d.bends.find((b) => b.at === i + 1)
        return `${i + 1}: ${mm(p.sMm)}${p.fromPreviousMm === null ? '' : `, ${mm(p.fromPreviousMm)} on`}${bend ? `, bend to ${bend.deg.toFixed(1)}\u00b0` : ''}`
      }),
    },
    ...(j.keepouts.length
      ? [
          {
            title: 'Kept off',
            lines: j.keepouts.map(
              (k) => `${k.name}: ${mm(k.fromMm)} to ${mm(k.toMm)}, ${mm(k.marginMm)} clear`,
            ),
          },
        ]
      : []),
    ...(j.crossed.length
      ? [{ title: 'Old holes', lines: j.crossed.map((c) => `${c.label} at number ${c.at}: ${c.said}`) }]
      : []),
  ]
}
/** How the line runs at a place of it: from aft towards starboard, degrees. */
function headingAt(d: D, sMm: number): number {
  let s = 0
  for (let i = 1; i < d.path.length; i++) {
    const [a, b] = [d.path[i - 1]!, d.path[i]!]
    s += Math.hypot(b.xMm - a.xMm, b.yMm - a.yMm, b.zMm - a.zMm)
    if (s < sMm - 1e-6 && i + 1 < d.path.length) continue
    const deg = (Math.atan2(b.yMm - a.yMm, b.xMm - a.xMm) * 180) / Math.PI
    return Math.round(deg * 10) / 10
  }
  return 0
}
const groups: Kind<D, J>['groups'] = (d, j) =>
  d.memberId === null
    ? null
    : {
        memberId: d.memberId,
        places: j.layout.positions.map((p) => ({
          xMm: Math.round(p.xMm),
          yMm: Math.round(p.yMm),
          zMm: Math.round(p.zMm),
          headingDeg: headingAt(d, p.sMm),
        })),
      }
const inspections = (): Due[] => [
  {
    id: 'row',
    title: 'Along the row: each bead and nut',
    everyDays: 365,
    why: 'one that works loosens its neighbours',
  },
]
const mirrored = (d: D): D['path'] => d.path.map((p) => ({ ...p, yMm: p.yMm === 0 ? 0 : -p.yMm }))
const shifted = (d: D, dx: number, dy: number): D['path'] =>
  d.path.map((p) => ({ ...p, xMm: p.xMm + dx, yMm: p.yMm + dy }))

export const row: Kind<D, J, RowEntry> = {
  id: 'row',
  title: 'Rows along an edge',
  faces: ['deck', 'roof', 'topsides', 'bulkhead'],
  schema: rowSchema as Kind<D, J>['schema'],
  version: ROW_VERSION,
  upgrade: (raw) => raw,
  families: Object.fromEntries(ROW_FAMILIES.map((f) => [f, ROW_FAMILY[f].title])),
  catalogue: ROW_CATALOGUE,
  start: startRow,
  footprint,
  judge: judgeRow,
  asSurveyed,
  changed: surveyedOtherwise,
  groups,
  inPlaceOf: (d, old) => ({ ...d, replaces: old.name, path: old.path, fromMm: old.fromMm, toMm: old.toMm }),
  tries: rowTries,
  drawings: (d, j, units) => [
    { id: 'plan', title: 'Laid out straight', drawing: rowPlan(d, j, units) },
    { id: 'cut', title: 'On the boat', drawing: rowOnBoat(d, j, units) },
  ],
  templates: rowTemplates,
  template: rowTemplate,
  drill: rowDrill,
  schedule: rowSchedule,
  penetrations,
  steps: rowSteps,
  parts: rowParts,
  cautions: () => cautionsFor(['drill', 'solvent']),
  card,
  inspections,
  findings: (d) => findingsOf(ROW_FINDINGS, d.family),
  copy: (d, how, zones) => ({
    ...d,
    name: how.name,
    path: how.mirror ? mirrored(d) : shifted(d, how.xMm - d.place.xMm, how.yMm - d.place.yMm),
    ...copiedSurface(d, how, zones),
    // What was measured of bends and found wrong is of the old one.
    bends: [],
    findings: [],
    existing: false,
  }),
  orderList: rowOrder,
}
