import { cornersOnBoat } from '../../base/geometry/turn'
import { formatLength, type Units } from '../../base/quantity/format'
import { zoneOfPlace, type BoatZone } from '../../boat/spot'
import { structureOf } from '../../boat/spot'
import { measureSaid } from '../../boat/where'
import { cautionsFor } from '../../trade/cautions'
import { sealant } from '../../base/materials/sealants'
import { GLAZING } from '../../base/materials/glazing'
import { findingsOf } from '../findings'
import type { Around, Block, Due, HoleSpec, Kind } from '../kind'
import { staleAgainst } from '../stale'
import { OPENING_CATALOGUE, type OpeningEntry } from './catalogue'
import { OPENING_VERSION, openingSchema, type OpeningDesign } from './design'
import { edgeDrawing } from './edge-drawing'
import { OPENING_FAMILIES, OPENING_FAMILY } from './families'
import { OPENING_FINDINGS } from './findings'
import { judgeOpening } from './judge'
import type { OpeningJudgement } from './judgement'
import { zoneThere } from './moved'
import { flangeBounds, sizeAt, sizeSaid } from './outline'
import { openingOrder, openingParts } from './parts'
import { planDrawing } from './plan-drawing'
import { openingTries } from './remedies'
import { startOpening } from './start'
import { openingSteps, throughSaid } from './steps'
import { openingDrill, openingTemplate, templatesOf } from './template'

type D = OpeningDesign
type J = OpeningJudgement
const screwsSaid = (d: D, j: J, mm: (v: number) => string) =>
  d.frame.hold === 'bond'
    ? 'bonded'
    : `${j.edge.screwCount} ${d.frame.hold === 'bolts' ? 'bolts' : 'screws'} of ${mm(d.frame.screwMm)}`

/** One record: the cut-out, with its screws as a group of it. */
const penetrations = (d: D, j: J, units: Units): HoleSpec[] => {
  const s = sizeAt(d.outline)
  return [
    {
      part: 'opening',
      boltIndex: null,
      title: d.name,
      xMm: d.place.xMm,
      yMm: d.place.yMm,
      zMm: d.place.zMm,
      diameterMm: Math.max(s.lengthMm, s.widthMm),
      through: throughSaid(d, units),
      fastener: screwsSaid(d, j, (v) => formatLength(v, units)),
      plate: d.ring ? `ring ${formatLength(d.ring.widthMm, units)} wide` : '',
      coreSchool: d.structure.kind === 'sandwich' ? 'rake-fill' : 'none',
      sealant: d.bedding.sealant,
      belowWaterline: d.place.belowWaterline,
      note: d.place.measuredFrom.map((m) => measureSaid(m, units)).join('; '),
    },
  ]
}
const footprint = (d: D) =>
  cornersOnBoat(d, flangeBounds(d)).map((p) => ({
    xMm: d.place.xMm + p.xMm,
    yMm: d.place.yMm + p.yMm,
  }))

function card(d: D, j: J, { units }: Around): Block[] {
  const mm = (v: number) => formatLength(v, units)
  return [
    {
      title: 'Cut-out',
      lines: [
        sizeSaid(d.outline, mm),
        j.edge.rakeMm > 0 ? `core raked back ${mm(Math.round(j.edge.rakeMm))} and filled` : 'no core',
        ...(d.ring ? [`ring ${mm(d.ring.widthMm)} by ${mm(d.ring.thicknessMm)}`] : []),
      ],
    },
    {
      title: 'Frame',
      lines: [`flange ${mm(d.frame.flangeMm)}, ${screwsSaid(d, j, mm)}`],
    },
    {
      title: 'What closes it',
      lines: [
        d.pane ? `${GLAZING[d.pane.material].title}, ${mm(d.pane.thicknessMm)}` : 'nothing of its own',
        OPENING_FAMILY[d.family].title,
      ],
    },
    {
      title: 'Bedding',
      lines: [d.bedding.sealant ? sealant(d.bedding.sealant).title : 'no sealant is chosen yet'],
    },
  ]
}
const inspections = (d: D): Due[] => [
  { id: 'bedding', title: 'Line of bedding', everyDays: 365, why: 'a broken line lets water into the edge' },
  ...(d.structure.kind === 'sandwich'
    ? [{ id: 'core-moisture', title: 'Core at the edge', everyDays: 365, why: 'the edge drinks first' }]
    : []),
  ...(d.lid
    ? [
        {
          id: 'gasket',
          title: 'Gasket and latches',
          everyDays: 180,
          why: 'it keeps the sea out only pressed',
        },
      ]
    : []),
  ...(d.pane
    ? [{ id: 'pane', title: 'Pane: crazing and cracks', everyDays: 365, why: 'fine cracks go through' }]
    : []),
]
/** The design on the boat as its zone says it is now. */
const onBoatNow = (d: D, zones: BoatZone[]): D => {
  const stale = staleAgainst(d, zoneOfPlace(zones, d.place))
  return stale ? { ...d, structure: stale.structure, measured: stale.measured } : d
}
function copied(
  d: D,
  how: { mirror: boolean; xMm: number; yMm: number; name: string },
  zones: BoatZone[],
): D {
  const yMm = how.mirror ? (d.place.yMm === 0 ? 0 : -d.place.yMm) : how.yMm
  const at = { xMm: how.mirror ? d.place.xMm : how.xMm, yMm }
  const zone = zoneThere(d, zones, at)
  const flip = how.mirror && d.outline.kind === 'polygon'
  return {
    ...d,
    name: how.name,
    headingDeg: how.mirror && d.headingDeg !== 0 ? -d.headingDeg : d.headingDeg,
    outline:
      flip && d.outline.kind === 'polygon'
        ? { ...d.outline, points: d.outline.points.map((p) => ({ ...p, yMm: -p.yMm })).reverse() }
        : d.outline,
    place: { ...d.place, ...at, zone: zone ? zone.code : null, measuredFrom: [] },
    ...(zone ? structureOf(zone) : { measured: [] }),
    structureReason: null,
    offcutMm: null,
  }
}

export const opening: Kind<D, J, OpeningEntry> = {
  id: 'opening',
  title: 'Opening',
  faces: ['deck', 'roof', 'topsides', 'bulkhead'],
  schema: openingSchema as Kind<D, J>['schema'],
  version: OPENING_VERSION,
  upgrade: (raw) => raw,
  families: Object.fromEntries(OPENING_FAMILIES.map((f) => [f, OPENING_FAMILY[f].title])),
  catalogue: OPENING_CATALOGUE,
  start: startOpening,
  footprint,
  judge: judgeOpening,
  asSurveyed: onBoatNow,
  changed: (d, zones) => {
    const zone = zoneOfPlace(zones, d.place)
    const stale = zone && staleAgainst(d, zone)
    return stale
      ? { changes: stale.changes, take: { structure: stale.structure, measured: stale.measured } }
      : null
  },
  inPlaceOf: (d, old) => ({ ...d, replaces: old.name, outline: old.outline }),
  placed: (d, said) => (said.holeMm === undefined ? d : { ...d, existing: true }),
  tries: openingTries,
  drawings: (d, j, units) => [
    { id: 'plan', title: 'From outside', drawing: planDrawing(d, j, units) },
    { id: 'edge', title: 'Cut through the edge', drawing: edgeDrawing(d, j, units) },
  ],
  templates: templatesOf,
  template: openingTemplate,
  drill: openingDrill,
  penetrations,
  steps: (d, j, units) => openingSteps(d, j, units),
  parts: openingParts,
  cautions: (d) =>
    cautionsFor([
      'drill',
      'grind',
      'locker',
      'solvent',
      'resin',
      ...(d.place.belowWaterline ? ['below'] : []),
    ]),
  card,
  inspections,
  findings: (d) => findingsOf(OPENING_FINDINGS, d.family),
  copy: copied,
  orderList: openingOrder,
}
