import { daySaid } from '../../base/quantity/day'
import { formatForce, formatLength, type Units } from '../../base/quantity/format'
import { measureSaid } from '../../boat/where'
import { fullThickness } from '../../base/materials/structure'
import { cautionsFor } from '../../trade/cautions'
import { sealant } from '../../base/materials/sealants'
import { findingsOf } from '../findings'
import type { Around, Block, Due, HoleSpec, Kind } from '../kind'
import type { Part } from '../part'
import { asSurveyed, copiedSurface, surveyedOtherwise } from '../surface'
import { RIG_CATALOGUE, type RigEntry } from './catalogue'
import { isSetIn, RIG_VERSION, rigSchema, upgradeRig, type Chainplate, type RigDesign } from './design'
import { DRAW_YEARS, RIG_FAMILIES, RIG_FAMILY } from './families'
import { RIG_FINDINGS } from './findings'
import { judgeRig } from './judge-rig'
import type { RigJudgement } from './judgement'
import { looksToo } from './look-also'
import { creepOf, movedOf } from './moved'
import { pullOf } from './pull'
import { chainplateParts } from './parts'
import { rigCut, rigFace } from './picture'
import { chainplateTries } from './remedies'
import { startRig } from './start'
import {
  setCard,
  setHoles,
  setDrawings,
  setDrill,
  setInspections,
  setTemplate,
  setTemplates,
  setTries,
} from './set-kind'
import { setParts } from './set-parts'
import { setSteps } from './set-steps'
import { chainplateSteps } from './steps'
import { chainplateDrill, chainplateTemplate, chainplateTemplates } from './template'

type D = RigDesign
type J = RigJudgement

const throughSaid = (d: Chainplate, units: Units) =>
  `${d.structure.kind === 'sandwich' ? 'cored deck' : 'deck'}, ${formatLength(fullThickness(d.structure), units)}`
function penetrations(d: Chainplate, _j: J, units: Units): HoleSpec[] {
  const note = d.place.measuredFrom.map((m) => measureSaid(m, units)).join('; ')
  const base = { fastener: 'chainplate', plate: '', note, belowWaterline: false, yMm: d.place.yMm }
  const slot: HoleSpec[] = d.slot
    ? [
        {
          ...base,
          part: 'slot',
          boltIndex: null,
          title: `${d.name}, slot`,
          xMm: d.place.xMm,
          zMm: d.place.zMm,
          diameterMm: Math.max(d.slot.lengthMm, d.slot.widthMm),
          through: throughSaid(d, units),
          coreSchool: d.structure.kind === 'sandwich' ? 'solid-fill' : 'none',
          sealant: d.slot.sealant,
        },
      ]
    : []
  if (!RIG_FAMILY[d.family].throughHull || !d.bolts) return slot
  return d.bolts.points.map((p, i) => ({
    ...base,
    part: `bolt ${i + 1}`,
    boltIndex: i,
    title: `${d.name}, bolt ${i + 1}`,
    xMm: d.place.xMm + p.yMm,
    zMm: d.place.zMm - p.xMm,
    diameterMm: d.bolts!.holeMm,
    through: d.hull ? `topside, ${formatLength(d.hull.thicknessMm, units)}` : 'topside',
    coreSchool: 'none',
    sealant: null,
  }))
}
function card(d: Chainplate, j: J, { units }: Around): Block[] {
  const mm = (v: number) => formatLength(v, units)
  return [
    ...(j.moved.length && !d.provedAfter ? [{ title: 'Do not sail on it', lines: j.moved }] : []),
    ...(d.temporary
      ? [
          {
            title: 'Temporary',
            lines: [
              d.temporary.what,
              `until ${daySaid(d.temporary.until)}: ${d.temporary.goodFor}`,
              `then ${d.temporary.then}`,
            ],
          },
        ]
      : []),
    {
      title: 'Plate and pin',
      lines: [
        ...(d.drogue ? [`one leg of a drogue, pulled by ${formatForce(pullOf(d), units)}`] : []),
        `${mm(d.plate.widthMm)} by ${mm(d.plate.thicknessMm)}, hole ${mm(d.plate.holeMm)}, ${mm(d.plate.endMm)} past it, ${d.plate.grade}`,
        `pin ${mm(d.pin.diameterMm)}, ${d.pin.grade}${d.drogue ? '' : `; wire breaks at ${formatForce(d.wire.breakingN, units)}`}`,
      ],
    },
    {
      title: 'Held by',
      lines: [
        d.bolts
          ? `${d.bolts.points.length} bolts of ${mm(d.bolts.diameterMm)}, ${d.bolts.grade}`
          : 'no bolts',
        ...(d.bond
          ? [
              `bond ${mm(d.bond.lengthMm)} by ${mm(d.bond.widthMm)}, ${d.bond.sides === 2 ? 'both sides' : 'one side'}`,
            ]
          : []),
      ],
    },
    ...(d.slot
      ? [
          {
            title: 'At the deck',
            lines: [
              `slot ${mm(d.slot.lengthMm)} by ${mm(d.slot.widthMm)}`,
              d.slot.sealant
                ? `cover bedded in ${sealant(d.slot.sealant).title}`
                : 'no sealant is chosen yet',
            ],
          },
        ]
      : []),
  ]
}
const inspections = (d: Chainplate, j: J): Due[] => [
  {
    id: 'height',
    title: 'Height over its mark, bead, weep, edge of the knee',
    everyDays: j.creep?.intervalDays ?? 90,
    why: 'a chainplate that moves shows it before it goes',
  },
  {
    id: 'drawn',
    title: 'Draw the plate and look at it',
    everyDays: DRAW_YEARS[d.duty] * 365,
    why: 'crevices hide at deck level',
  },
]

/** What pulls on a wire has wire, plate and pin: its schema sees to it. */
const asChainplate = (d: D): Chainplate => d as Chainplate
const alarmOf = (d: Chainplate): string | null => {
  const moved = movedOf(d, creepOf(d))
  return moved.length ? `Do not sail on it: ${moved.join('; ')}` : null
}
const footprint = (d: D) => {
  if (!isSetIn(d)) {
    const c = asChainplate(d)
    return c.slot ? [c.slot.lengthMm / 2 + 30, c.slot.widthMm / 2 + 30] : [c.plate.widthMm, 30]
  }
  const { recess, tabs, glue } = d.set
  if (glue) return [glue.lengthMm / 2, glue.widthMm / 2]
  return recess ? [recess.lengthMm / 2, recess.widthMm / 2] : [(tabs?.lengthMm ?? 100) / 2, 40]
}
const rigParts = (d: D, j: J): Part[] => (isSetIn(d) ? setParts(d, j) : chainplateParts(asChainplate(d), j))
const rigOrder = (d: D, j: J): string =>
  rigParts(d, j)
    .map((p) =>
      `${p.quantity ?? 1} ${p.title} ${Object.values(p.dimensions)
        .map((v) => Math.round(v))
        .join(' x ')}`.trim(),
    )
    .join('; ')

export const rig: Kind<D, J, RigEntry> = {
  id: 'rig',
  title: 'Chainplates and rig',
  faces: ['deck', 'roof', 'topsides', 'bulkhead', 'bottom'],
  schema: rigSchema as Kind<D, J>['schema'],
  version: RIG_VERSION,
  upgrade: upgradeRig,
  families: Object.fromEntries(RIG_FAMILIES.map((f) => [f, RIG_FAMILY[f].title])),
  catalogue: RIG_CATALOGUE,
  start: startRig,
  footprint: (d) => {
    const [l, w] = footprint(d) as [number, number]
    return [
      { xMm: d.place.xMm - l, yMm: d.place.yMm - w },
      { xMm: d.place.xMm + l, yMm: d.place.yMm - w },
      { xMm: d.place.xMm + l, yMm: d.place.yMm + w },
      { xMm: d.place.xMm - l, yMm: d.place.yMm + w },
    ]
  },
  judge: judgeRig,
  asSurveyed,
  changed: surveyedOtherwise,
  inPlaceOf: (d, old) => ({ ...d, replaces: old.name, slot: old.slot, hull: old.hull }),
  placed: (d, said) => (said.holeMm === undefined ? d : { ...d, existing: true }),
  tries: (d, j) => (isSetIn(d) ? setTries(d) : chainplateTries(asChainplate(d), j)),
  drawings: (d, j, units) =>
    isSetIn(d)
      ? setDrawings(d, j, units)
      : [
          { id: 'plan', title: 'Plate', drawing: rigFace(asChainplate(d), j, units) },
          { id: 'cut', title: 'Across it', drawing: rigCut(asChainplate(d), j, units) },
        ],
  templates: (d) => (isSetIn(d) ? setTemplates(d) : chainplateTemplates(asChainplate(d))),
  template: (d, j, what, units, inside) =>
    isSetIn(d)
      ? setTemplate(d, what, units, inside)
      : chainplateTemplate(asChainplate(d), j, what, units, inside),
  drill: (d) => (isSetIn(d) ? setDrill(d) : chainplateDrill(asChainplate(d))),
  penetrations: (d, j, units) => (isSetIn(d) ? setHoles(d, units) : penetrations(asChainplate(d), j, units)),
  steps: (d, j, units) => (isSetIn(d) ? setSteps(d, j, units) : chainplateSteps(asChainplate(d), j, units)),
  parts: rigParts,
  cautions: (d) =>
    cautionsFor([...(isSetIn(d) ? [] : ['rig', 'drill']), 'grind', 'locker', 'resin', 'solvent']),
  card: (d, j, a) => (isSetIn(d) ? setCard(d, j, a.units) : card(asChainplate(d), j, a)),
  inspections: (d, j) => (isSetIn(d) ? setInspections() : inspections(asChainplate(d), j)),
  byCalendar: true,
  listed: (d) => ({
    alarm: isSetIn(d) || d.provedAfter?.trim() ? null : alarmOf(asChainplate(d)),
    temporary: d.temporary && { what: d.temporary.what, until: d.temporary.until, then: d.temporary.then },
  }),
  looksToo,
  leaksAs: (d) => ({ as: d.plate ? 'chainplate' : 'deck-hardware', loaded: true }),
  looks: (d) =>
    d.creep.length
      ? [
          {
            kind: 'creep' as const,
            referenceMm: 0,
            readings: d.creep.map((c) => ({ date: c.date, value: c.heightMm })),
          },
        ]
      : [],
  watched: (d) => (d.plate ? { chainplate: { grade: d.plate.grade, lastDrawn: d.drawnOn } } : {}),
  findings: (d) => findingsOf(RIG_FINDINGS, d.family),
  copy: (d, how, zones) => ({
    ...d,
    name: how.name,
    ...copiedSurface(d, how, zones),
    // What was seen and measured is of the old one.
    ...(d.set ? { set: { ...d.set, sights: [] } } : {}),
    creep: [],
    seen: { beadBroken: false, weeps: false, kneeLifts: false },
    drawnOn: null,
    provedAfter: null,
    temporary: null,
    findings: [],
    existing: false,
  }),
  orderList: rigOrder,
}
