import { formatLength, type Units } from '../../base/quantity/format'
import type { DrillRow } from '../../drawing/drill'
import { FullSize } from '../../drawing/full-size'
import { rect, type Drawing } from '../../drawing/shapes'
import { measureSaid } from '../../boat/where'
import type { Block, Due, HoleSpec, Try } from '../kind'
import type { SetIn } from './design'
import type { RigJudgement } from './judgement'
import { jigFace, setCut } from './set-picture'

type J = RigJudgement
export const setDrawings = (d: SetIn, j: J, units: Units) => [
  ...(d.set.jig ? [{ id: 'plan', title: 'Jig', drawing: jigFace(d, j, units) }] : []),
  { id: 'cut', title: 'Across its foot', drawing: setCut(d, units) },
]
export const setTemplates = (d: SetIn): string[] => [
  ...(d.set.jig ? ['jig'] : []),
  ...(d.set.recess ? ['pocket'] : []),
]
/** At full size: the jig's screws round the bore, or the pocket that is ground. */
export function setTemplate(d: SetIn, what: string, units: Units, inside: boolean): Drawing {
  const s = new FullSize()
  const m = inside ? -1 : 1
  const { jig, recess, shaft } = d.set
  if (what === 'pocket' && recess) {
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
  const title = what === 'pocket' ? 'pocket' : 'jig'
  return s.finish({
    name: `${d.name}: ${title}${recess && what === 'pocket' ? `, ${formatLength(recess.depthMm, units)} deep` : ''}`,
    title: `${d.name}, ${title} at full size`,
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
export function setCard(d: SetIn, j: J, units: Units): Block[] {
  const mm = (v: number) => formatLength(v, units)
  const { tabs, recess, sights } = d.set
  return [
    {
      title: 'Sighted',
      lines: sights.length
        ? sights.map(
            (s, i) =>
              `${s.date} by ${s.by}: ${Math.round(j.set?.sights[i]?.tiltArcSec.total ?? 0)} arc-seconds`,
          )
        : ['not yet'],
    },
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
  return out
}
