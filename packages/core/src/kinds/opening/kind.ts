import { cornersOnBoat } from '../../base/geometry/turn'
import { OWN_RING } from '../../boat/life'
import { formatForce, formatLength, formatMass, type Units } from '../../base/quantity/format'
import { say } from '../../base/verdict/check'
import type { BoatZone } from '../../boat/spot'
import { measureSaid } from '../../boat/where'
import { cautionsFor } from '../../trade/cautions'
import { sealant } from '../../base/materials/sealants'
import { GLAZING } from '../../base/materials/glazing'
import { findingsOf } from '../findings'
import type { Around, Block, Due, HoleSpec, Kind } from '../kind'
import { turnedOver } from '../../drawing/mirror'
import { asSurveyed, copiedSurface, surveyedOtherwise } from '../surface'
import { OPENING_CATALOGUE, type OpeningEntry } from './catalogue'
import { holeParts, OPENING_VERSION, openingSchema, upgradeOpening, type OpeningDesign } from './design'
import { edgeDrawing } from './edge-drawing'
import { OPENING_FAMILIES, OPENING_FAMILY, SILLED } from './families'
import { OPENING_FINDINGS } from './findings'
import { judgeOpening } from './judge'
import type { OpeningJudgement } from './judgement'
import { flangeBounds, sizeAt, sizeSaid } from './outline'
import { cuttingList, openingOrder, openingParts } from './parts'
import { planDrawing } from './plan-drawing'
import { sheetsSaid } from './pocket'
import { glandCut, glandPlan } from './gland-drawing'
import { pocketCutDrawing } from './pocket-drawing'
import { openingTries } from './remedies'
import { withChecks } from '../tally'
import { startOpening } from './start'
import { sweptBy } from './surroundings'
import { openingSteps } from './steps'
import { bulkheadSaid, throughSaid } from './through'
import { weakQuestion } from './weakened'
import { openingDrill, openingTemplate, templatesOf } from './template'

type D = OpeningDesign
type J = OpeningJudgement
const screwsSaid = (d: D, j: J, mm: (v: number) => string) =>
  d.frame.hold === 'bond'
    ? d.prism
      ? 'set in its solid'
      : 'bonded'
    : `${j.edge.screwCount} ${d.frame.hold === 'bolts' ? 'bolts' : 'screws'} of ${mm(d.frame.screwMm)}`

/** What of a hole is the same for a cut-out and for a gland. */
const holeBase = (d: D, units: Units) => ({
  boltIndex: null,
  xMm: d.place.xMm,
  note: d.place.measuredFrom.map((m) => measureSaid(m, units)).join('; '),
})
/** Each gland by itself, with its cables by name. */
const glandHoles = (d: D, j: J, units: Units): HoleSpec[] =>
  (j.glanded?.glands ?? []).map((g, i) => {
    const own = d.gland!.glands[i]!
    const cables = own.cables.map((c) => `${c.name} ${formatLength(c.odMm, units)}`).join(', ')
    const zMm = d.place.zMm + own.zMm
    return {
      ...holeBase(d, units),
      through: bulkheadSaid(d, units),
      sealant: OWN_RING,
      part: holeParts(d)[i]!,
      title: d.gland!.glands.length > 1 ? `${d.name}, gland ${i + 1}` : d.name,
      yMm: d.place.yMm + own.yMm,
      zMm,
      diameterMm: g.holeMm,
      fastener: `gland ${g.size}: ${cables}${g.spareWays ? `; ${g.spareWays} blanked` : ''}`,
      plate: '',
      coreSchool: g.boreMm === null ? 'none' : 'bore-fill',
      belowWaterline: zMm < 0,
    }
  })
/** One record: the cut-out, with its screws as a group of it. */
function penetrations(d: D, j: J, units: Units): HoleSpec[] {
  if (d.gland) return glandHoles(d, j, units)
  const s = sizeAt(d.outline)
  return [
    {
      ...holeBase(d, units),
      through: throughSaid(d, units),
      sealant: d.bedding.sealant,
      part: 'opening',
      title: d.name,
      yMm: d.place.yMm,
      zMm: d.place.zMm,
      diameterMm: Math.max(s.lengthMm, s.widthMm),
      fastener: screwsSaid(d, j, (v) => formatLength(v, units)),
      plate: d.ring ? `ring ${formatLength(d.ring.widthMm, units)} wide` : '',
      coreSchool: d.structure.kind === 'sandwich' ? 'rake-fill' : 'none',
      belowWaterline: d.place.belowWaterline,
    },
  ]
}
const footprint = (d: D) =>
  cornersOnBoat(d, flangeBounds(d)).map((p) => ({
    xMm: d.place.xMm + p.xMm,
    yMm: d.place.yMm + p.yMm,
  }))

/** What a family has of its own. */
function ownBlocks(d: D, j: J, units: Units): Block[] {
  const mm = (v: number) => formatLength(Math.round(v * 10) / 10, units)
  if (j.pocket)
    return [
      {
        title: 'Solid',
        lines: [
          `${sheetsSaid(j.pocket.base.sheetsMm)} under the glass`,
          `${sheetsSaid(j.pocket.ring.sheetsMm)} round it`,
          `${mm(j.pocket.remainingMm)} left under the pocket`,
        ],
      },
    ]
  if (j.hung)
    return [
      {
        title: 'Hung',
        lines: [
          `${formatMass(j.hung.hungKg, units)} in all`,
          `${formatForce(j.hung.loadN, units)} in a seaway`,
        ],
      },
    ]
  if (!j.glanded) return []
  const rows = j.glanded.glands.map((g, i) => {
    const cables = d.gland!.glands[i]!.cables.map((c) => `${c.name} ${mm(c.odMm)}`)
    return `gland ${i + 1}, ${g.size}: ${cables.join(', ')}`
  })
  const water = j.behind
    ? [`flooded behind: ${formatMass(j.behind.waterKg, units)}, ${say(j.behind.pressureKPa)} kPa at its foot`]
    : []
  return [
    { title: 'Through', lines: [bulkheadSaid(d, units)] },
    { title: 'Cables', lines: [...rows, ...water] },
  ]
}
function card(d: D, j: J, { units }: Around): Block[] {
  const mm = (v: number) => formatLength(v, units)
  const closes = d.pane
    ? `${GLAZING[d.pane.material].title}, ${mm(d.pane.thicknessMm)}`
    : 'nothing of its own'
  if (d.gland) return ownBlocks(d, j, units)
  const cut = cuttingList(d, j, units)
  return [
    {
      title: 'Cut-out',
      lines: [
        sizeSaid(d.outline, mm),
        j.edge.rakeMm > 0 && !d.prism
          ? `core raked back ${mm(Math.round(j.edge.rakeMm))} and filled`
          : 'no core',
        ...(d.ring ? [`ring ${mm(d.ring.widthMm)} by ${mm(d.ring.thicknessMm)}`] : []),
      ].filter((l) => !d.prism || l !== 'no core'),
    },
    {
      title: d.prism ? 'Glass on its ledge' : 'Frame',
      lines: [`flange ${mm(d.frame.flangeMm)}, ${screwsSaid(d, j, mm)}`],
    },
    ...ownBlocks(d, j, units),
    ...(d.bin ? [] : [{ title: 'What closes it', lines: [closes, OPENING_FAMILY[d.family].title] }]),
    {
      title: d.bin ? 'Bond' : 'Bedding',
      lines: [d.bedding.sealant ? sealant(d.bedding.sealant).title : 'no sealant is chosen yet'],
    },
    ...(cut.length ? [{ title: 'Cutting list', lines: cut }] : []),
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
function copied(
  d: D,
  how: { mirror: boolean; xMm: number; yMm: number; name: string },
  zones: BoatZone[],
): D {
  const flip = how.mirror && d.outline.kind === 'polygon'
  return {
    ...d,
    name: how.name,
    headingDeg: how.mirror && d.headingDeg !== 0 ? -d.headingDeg : d.headingDeg,
    outline:
      flip && d.outline.kind === 'polygon'
        ? { ...d.outline, points: d.outline.points.map((p) => ({ ...p, yMm: -p.yMm })).reverse() }
        : d.outline,
    ...copiedSurface(d, how, zones),
    offcutMm: null,
  }
}

/** On a side, a coaming or a bulkhead up is up, whichever way one looks at it. */
const standsUp = (d: D) => d.sea === 'topside' || SILLED.includes(d.family)
const insideTitle = (d: D) =>
  standsUp(d)
    ? 'From inside, bow right, up is up: laid out from the datum hole in the middle, as the mirrored template.'
    : 'From inside, looking up, bow left, port up: laid out from the datum hole in the middle, as the mirrored template.'
const CUT_TITLE = 'Cut through the edge'
function drawingsOf(d: D, j: J, units: Units) {
  if (j.glanded)
    return [
      { id: 'plan', title: 'On the bulkhead, from aft', drawing: glandPlan(d, j.glanded, units) },
      { id: 'edge', title: 'Cut through the bulkhead', drawing: glandCut(d, j.glanded, units) },
    ]
  const cut = j.pocket ? pocketCutDrawing(d, j.pocket, units) : edgeDrawing(d, j, units)
  const plan = planDrawing(d, j, units)
  return [
    { id: 'plan', title: 'From outside', drawing: plan },
    { id: 'inside', title: 'From inside', drawing: turnedOver(plan, insideTitle(d), standsUp(d)) },
    { id: 'edge', title: CUT_TITLE, drawing: cut },
  ]
}

export const opening: Kind<D, J, OpeningEntry> = {
  id: 'opening',
  title: 'Opening',
  faces: ['deck', 'roof', 'topsides', 'bulkhead'],
  schema: openingSchema as Kind<D, J>['schema'],
  version: OPENING_VERSION,
  upgrade: upgradeOpening,
  leaksAs: (d) => ({
    as: d.gland ? 'cable-gland' : OPENING_FAMILY[d.family].frame === 'glazing' ? 'portlight' : 'hatch',
    loaded: false,
  }),
  families: Object.fromEntries(OPENING_FAMILIES.map((f) => [f, OPENING_FAMILY[f].title])),
  catalogue: OPENING_CATALOGUE,
  start: startOpening,
  footprint,
  judge: judgeOpening,
  slow: (d, _j, a) => weakQuestion(d, a),
  withSlow: (j, answer) => withChecks(j, [...j.checks, ...answer.checks]),
  asSurveyed,
  changed: surveyedOtherwise,
  inPlaceOf: (d, old) => ({ ...d, replaces: old.name, outline: old.outline }),
  placed: (d, said) => (said.holeMm === undefined ? d : { ...d, existing: true }),
  tries: openingTries,
  drawings: (d, j, units) => drawingsOf(d, j, units),
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
  listed: (d) => ({ sweep: sweptBy(d) }),
  findings: (d) => findingsOf(OPENING_FINDINGS, d.family),
  copy: copied,
  orderList: openingOrder,
}
