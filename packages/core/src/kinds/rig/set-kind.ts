import { daySaid } from '../../base/quantity/day'
import { formatLength, formatTemperature, type Units } from '../../base/quantity/format'
import { sealant } from '../../base/materials/sealants'
import type { DrillRow } from '../../drawing/drill'
import { FullSize } from '../../drawing/full-size'
import { rect, type Drawing } from '../../drawing/shapes'
import { measureSaid } from '../../boat/where'
import type { Block, Due, HoleSpec, Try } from '../kind'
import type { SetIn } from './design'
import { glueCut, glueFace } from './glue-picture'
import type { RigJudgement } from './judgement'
import { postSide } from './post-picture'
import { jigFace, setCut } from './set-picture'

type J = RigJudgement
export const setDrawings = (d: SetIn, j: J, units: Units) => [
  ...planOf(d, j, units),
  d.set.glue
    ? { id: 'cut', title: 'Across it', drawing: glueCut(d, d.set.glue, units) }
    : { id: 'cut', title: 'Across its foot', drawing: setCut(d, units) },
]
function planOf(d: SetIn, j: J, units: Units) {
  const post = postSide(d, units)
  return [
    ...(d.set.glue ? [{ id: 'plan', title: 'Plate', drawing: glueFace(d.set.glue, units) }] : []),
    ...(post ? [{ id: 'post', title: 'Post', drawing: post }] : []),
    ...(d.set.jig ? [{ id: 'plan', title: 'Jig', drawing: jigFace(d, j, units) }] : []),
  ]
}
export const setTemplates = (d: SetIn): string[] => [
  ...(d.set.jig ? ['jig'] : []),
  ...(d.set.recess ? ['pocket'] : []),
  ...(d.set.glue ? ['plate'] : []),
]
/** At full size: the jig's screws round the bore, or the pocket that is ground. */
export function setTemplate(d: SetIn, what: string, units: Units, inside: boolean): Drawing {
  const s = new FullSize()
  const m = inside ? -1 : 1
  const { jig, recess, shaft } = d.set
  const { glue } = d.set
  if (what === 'plate' && glue) {
    const [x, y] = [glue.lengthMm / 2, glue.widthMm / 2]
    s.closed(rect(-x, -y, x, y), 'CUT')
    s.cross({ x: 0, y: 0 }, 8)
  } else if (what === 'pocket' && recess) {
    const [x, y] = [recess.lengthMm / 2, recess.widthMm / 2]
    s.closed(rect(-x, -y, x, y), 'CUT')
    s.cross({ x: 0, y: 0 }, 8)
  } else {
    s.ring({ x: 0, y: 0 }, (shaft?.diameterMm ?? 30) / 2)
    s.cross({ x: 0, y: 0 }, (shaft?.diameterMm ?? 30) / 2 + 6)
    for (const p of jig?.screws ?? []) {
      s.ring({ x: m * p.xMm, y: p.yMm }, 4)
      s.cross({ x: m * p.xMm, y: p.yMm }, 8)
    }
  }
  const drawn = s.extent()
  s.text({ x: drawn.minX, y: drawn.maxY + 3 }, inside ? 'mirrored' : 'seen from the target')
  return s.finish({
    name: `${d.name}: ${what}${recess && what === 'pocket' ? `, ${formatLength(recess.depthMm, units)} deep` : ''}`,
    title: `${d.name}, ${what} at full size`,
    description: 'At 1:1.',
    nameAtY: drawn.maxY + 9,
    drawn,
  })
}
/** Its pocket is ground into the hull and not through it; what is tabbed alone makes no hole. */
export const setHoles = (d: SetIn, units: Units): HoleSpec[] => {
  const { recess } = d.set
  if (!recess) return []
  const mm = (v: number) => formatLength(v, units)
  return [
    {
      part: 'pocket',
      boltIndex: null,
      title: `${d.name}, pocket`,
      xMm: d.place.xMm,
      yMm: d.place.yMm,
      zMm: d.place.zMm,
      diameterMm: Math.max(recess.lengthMm, recess.widthMm),
      through: `pocket ${mm(recess.depthMm)} deep, not through`,
      fastener: 'set in filled epoxy',
      plate: '',
      note: d.place.measuredFrom.map((m) => measureSaid(m, units)).join('; '),
      belowWaterline: d.place.belowWaterline,
      coreSchool: 'none',
      sealant: null,
    },
  ]
}
/** Nothing is drilled through the hull for it: its pocket is ground. */
export const setDrill = ({ set: { recess } }: SetIn): DrillRow[] =>
  recess
    ? [
        {
          bolt: 0,
          name: 'pocket',
          xMm: 0,
          yMm: 0,
          pilotMm: 0,
          boreMm: null,
          finishMm: recess.widthMm,
          order: 'ground to its outline, corners rounded',
          from: 'inside the pocket\u2019s line; never through the hull',
        },
      ]
    : []
const sightedBlock = (sights: SetIn['set']['sights'], j: J): Block => ({
  title: 'Sighted',
  lines: sights.length
    ? sights.map(
        (s, i) =>
          `${daySaid(s.date)} by ${s.by}: ${Math.round(j.set?.sights[i]?.tiltArcSec.total ?? 0)} arc-seconds`,
      )
    : ['not yet'],
})
export function setCard(d: SetIn, j: J, units: Units): Block[] {
  const mm = (v: number) => formatLength(v, units)
  const { tabs, recess, sights, column, glue, jig } = d.set
  return [
    ...(column
      ? [
          {
            title: 'Post',
            lines: [
              `${mm(column.outsideMm)} by ${mm(column.wallMm)}, ${mm(column.lengthMm)} long, ${column.grade}`,
            ],
          },
        ]
      : []),
    ...(glue && j.set?.glue
      ? [
          {
            title: 'Bonded',
            lines: [
              `${mm(glue.lengthMm)} by ${mm(glue.widthMm)}, ${mm(glue.thicknessMm)} thick; ${sealant(glue.adhesive).title}`,
              `${Math.floor(j.set.glue.workingMin * 10) / 10} minutes from the first bead to the last clamp, at ${formatTemperature(d.tempC, units)}`,
            ],
          },
        ]
      : []),
    ...(jig ? [sightedBlock(sights, j)] : []),
    ...(recess
      ? [
          {
            title: 'Pocket',
            lines: [`${mm(recess.lengthMm)} by ${mm(recess.widthMm)}, ${mm(recess.depthMm)} deep`],
          },
        ]
      : []),
    ...(tabs
      ? [
          {
            title: 'Tabs',
            lines: [
              `${tabs.plies} plies, ${j.set!.pliesMm.map(mm).join(', ')} out`,
              `fillet ${mm(tabs.filletMm)}`,
            ],
          },
        ]
      : []),
  ]
}
export const setInspections = (): Due[] => [
  {
    id: 'tabs',
    title: 'Edges of tabs and pour',
    everyDays: 365,
    why: 'a bond that lets go shows a white line first',
  },
]
const FILLETS = [12, 15, 20, 25, 30]
const TABS_MM = [100, 125, 150, 175, 200, 250, 300]
const TUBES = [70, 80, 90, 100, 120, 140]
const columnTries = ({ set: { column: c } }: SetIn): Try[] =>
  c
    ? TUBES.filter((v) => v > c.outsideMm).map((v) => ({
        id: `tube-${v}`,
        text: `a tube of ${v} mm`,
        change: { 'set.column.outsideMm': v },
        helps: ['column'],
        group: 'tube',
      }))
    : []
/** Slower, larger, ground: what a bond in minutes can still be given. */
const glueTries = ({ set: { glue: g } }: SetIn): Try[] =>
  g
    ? [
        ...(g.adhesive === 'methacrylate'
          ? [
              {
                id: 'glue-slow',
                text: 'filled epoxy, which gives more time',
                change: { 'set.glue.adhesive': 'epoxy-filled' },
                helps: ['glue-time', 'glue-warm'],
              },
            ]
          : []),
        ...[1.25, 1.5, 2].map((by) => ({
          id: `glue-wide-${by}`,
          text: `a plate ${Math.round(g.widthMm * by)} mm wide`,
          change: { 'set.glue.widthMm': Math.round(g.widthMm * by) },
          helps: ['bond-shear'],
          group: 'glue-wide',
        })),
        ...(g.bond === null || g.bond === 'secondary-epoxy'
          ? []
          : [
              {
                id: 'glue-ground',
                text: 'ground to bright on both faces',
                change: { 'set.glue.bond': 'secondary-epoxy' },
                helps: ['bond-shear'],
              },
            ]),
      ]
    : []
/** Wider tabs, a rounder fillet, a slow mix, a deeper pocket. */
export function setTries(d: SetIn): Try[] {
  const { tabs, recess } = d.set
  const out: Try[] = []
  if (tabs) {
    for (const v of FILLETS)
      if (v > tabs.filletMm)
        out.push({
          id: `fillet-${v}`,
          text: `a fillet of ${v} mm`,
          change: { 'set.tabs.filletMm': v },
          helps: ['tab-fillet'],
          group: 'fillet',
        })
    for (const v of TABS_MM)
      if (v > tabs.widthMm)
        out.push({
          id: `tabs-${v}`,
          text: `tabs ${v} mm out`,
          change: { 'set.tabs.widthMm': v },
          helps: ['bond-shear', 'tab-stagger'],
          group: 'tabs',
        })
    if (tabs.sides === 1)
      out.push({
        id: 'tabs-both',
        text: 'tabbed on both sides',
        change: { 'set.tabs.sides': 2 },
        helps: ['bond-shear'],
      })
    if (tabs.bond !== 'secondary-epoxy')
      out.push({
        id: 'tabs-epoxy',
        text: 'ground, and in epoxy',
        change: { 'set.tabs.bond': 'secondary-epoxy' },
        helps: ['bond-shear'],
      })
  }
  if (recess?.hardener === 'fast')
    out.push({
      id: 'slow',
      text: 'a slow hardener',
      change: { 'set.recess.hardener': 'slow' },
      helps: ['pour'],
    })
  if (recess && recess.takenMm2 >= recess.lengthMm * recess.widthMm) {
    const widthMm = Math.ceil(recess.takenMm2 / recess.lengthMm) + 20
    out.push({
      id: 'pocket-wide',
      text: `a pocket ${widthMm} mm wide`,
      change: { 'set.recess.widthMm': widthMm },
      helps: ['pour'],
    })
  }
  return [...out, ...columnTries(d), ...glueTries(d)]
}
