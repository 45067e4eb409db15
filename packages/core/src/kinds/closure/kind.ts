import { roundAt } from '../../base/geometry/hull'
import { formatLength, formatVolume, type Units } from '../../base/quantity/format'
import { cautionsFor } from '../../trade/cautions'
import { CLOTHS } from '../../base/materials/cloths'
import { findingsOf } from '../findings'
import type { Around, Block, Due, Kind } from '../kind'
import { asSurveyed, surveyedOtherwise } from '../surface'
import { CLOSURE_CATALOGUE, type ClosureEntry } from './catalogue'
import { blockCard } from './block'
import { blockCut, blockPlan } from './block-picture'
import { CLOSURE_VERSION, closureSchema, upgradeClosure, type ClosureDesign } from './design'
import { CLOSURE_FAMILIES, CLOSURE_FAMILY } from './families'
import { CLOSURE_FINDINGS } from './findings'
import { jointCard } from './joint'
import { jointCut, jointPlan } from './joint-picture'
import { judgeClosure, layupSaid } from './judge'
import type { ClosureJudgement } from './judgement'
import { closureParts } from './parts'
import { closureCut, closurePlan } from './picture'
import { holeDecisions } from './choices'
import { closureTries } from './remedies'
import { startClosure } from './start'
import { closureSteps, potsSaid } from './steps'
import { closureDrill, closureTemplate, closureTemplates } from './template'

type D = ClosureDesign
type J = ClosureJudgement

const boxed = (at: D['place'], l: number, w: number) =>
  [
    [-l, -w],
    [l, -w],
    [l, w],
    [-l, w],
  ].map(([x, y]) => ({ xMm: at.xMm + x!, yMm: at.yMm + y! }))
/** A band along the run, as broad as what is ground, so that the map shows it. */
const BAND_MM = 60
const alongside = (path: { xMm: number; yMm: number }[]) => [
  ...path.map((p) => ({ xMm: p.xMm, yMm: p.yMm - BAND_MM })),
  ...[...path].reverse().map((p) => ({ xMm: p.xMm, yMm: p.yMm + BAND_MM })),
]
/** What is ground, from outside all holes: on the map and for its neighbours. */
function footprint(d: D) {
  if (d.joint) return alongside(d.joint.path)
  if (d.block) return boxed(d.place, d.block.lengthMm / 2, d.block.widthMm / 2)
  const corners = d.holes.map((h) => ({ xMm: h.dxMm, yMm: h.dyMm }))
  const most = Math.max(...d.holes.map((h) => h.holeMm)) / 2
  const xs = corners.map((c) => c.xMm)
  const ys = corners.map((c) => c.yMm)
  const box = [
    { xMm: Math.min(...xs), yMm: Math.min(...ys) },
    { xMm: Math.max(...xs), yMm: Math.min(...ys) },
    { xMm: Math.max(...xs), yMm: Math.max(...ys) },
    { xMm: Math.min(...xs), yMm: Math.max(...ys) },
  ]
  const points = d.holes.length === 1 ? roundAt(corners, most, 16) : box.map((p) => ({ x: p.xMm, y: p.yMm }))
  return points.map((p) => ({ xMm: d.place.xMm + p.x, yMm: d.place.yMm + p.y }))
}
function card(d: D, j: J, { units }: Around): Block[] {
  if (d.joint) return jointCard(d, j, units)
  if (d.block) return blockCard(d, j, units)
  const mm = (v: number) => formatLength(v, units)
  return [
    {
      title: 'Holes',
      lines: d.holes.map((h, i) => `${h.label ?? `hole ${i + 1}`}: ${mm(h.holeMm)} across`),
    },
    {
      title: j.patches.length === 1 ? 'Patch' : `Patches: ${j.patches.length}`,
      lines: j.patches.flatMap((p) =>
        p.skins.length
          ? p.skins.map((s) => layupSaid(d, j.ratio, s, mm))
          : [`filled flush, ${formatVolume(p.plugMl, units)}`],
      ),
    },
    {
      title: 'Stuff',
      lines: [
        ...(j.clothG > 0
          ? [`${CLOTHS[d.cloth].title}: ${Math.round(j.clothG)} g; ${d.resin}: ${Math.round(j.resinG)} g`]
          : []),
        ...(j.plugMl > 0 ? [`thickened epoxy: ${formatVolume(j.plugMl, units)}`] : []),
      ],
    },
    ...potLines(d, j),
    ...(j.cautions.length ? [{ title: 'Mind', lines: j.cautions.map((c) => c.text) }] : []),
  ]
}
const potLines = (d: D, j: J): Block[] => {
  const said = potsSaid(d, j)
  return said ? [{ title: 'Pots', lines: [said.trim()] }] : []
}
const inspections = (d: D): Due[] => [
  {
    id: 'patch',
    title: 'Closed hole: tap it, look for an outline or a weep',
    everyDays: 365,
    why: d.place.belowWaterline
      ? 'a loose patch below the water is a hole again'
      : 'a patch that was not bonded shows in its first year',
  },
]

function drawings(d: D, j: J, units: Units) {
  if (d.joint)
    return [
      { id: 'plan', title: 'In section', drawing: jointCut(d, j, units) },
      { id: 'run', title: 'The run', drawing: jointPlan(d.joint, j.joint?.lengthMm ?? 0, units) },
    ]
  if (d.block)
    return [
      { id: 'plan', title: 'From above', drawing: blockPlan(d.block, units) },
      { id: 'cut', title: 'Along it', drawing: blockCut(d, j, units) },
    ]
  return [
    { id: 'plan', title: 'From outside', drawing: closurePlan(d, j, units) },
    { id: 'cut', title: 'Cut through a patch', drawing: closureCut(d, j, units) },
  ]
}
export const closure: Kind<D, J, ClosureEntry> = {
  id: 'closure',
  title: 'Closing and making',
  faces: ['deck', 'roof', 'topsides', 'bottom', 'bulkhead'],
  schema: closureSchema as Kind<D, J>['schema'],
  version: CLOSURE_VERSION,
  upgrade: upgradeClosure,
  families: Object.fromEntries(CLOSURE_FAMILIES.map((f) => [f, CLOSURE_FAMILY[f].title])),
  catalogue: CLOSURE_CATALOGUE,
  start: startClosure,
  footprint,
  judge: judgeClosure,
  asSurveyed,
  changed: surveyedOtherwise,
  closes: (d) => d.holes.flatMap((h) => (h.label === null ? [] : [h.label])),
  placed: (d, said) =>
    said.holeMm === undefined || !d.holes.length
      ? d
      : { ...d, holes: [{ ...d.holes[0]!, holeMm: said.holeMm, label: said.holeLabel ?? null }] },
  tries: closureTries,
  drawings,
  templates: closureTemplates,
  template: closureTemplate,
  drill: closureDrill,
  penetrations: () => [],
  steps: closureSteps,
  parts: closureParts,
  cautions: (d) =>
    cautionsFor(['grind', 'locker', 'solvent', 'resin', ...(d.place.belowWaterline ? ['below'] : [])]),
  card,
  inspections,
  findings: (d) => findingsOf(CLOSURE_FINDINGS, d.family),
  decisions: holeDecisions,
}
