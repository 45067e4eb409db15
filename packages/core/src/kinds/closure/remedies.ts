import type { Around, Try } from '../kind'
import { MOST_HOLES, type ClosureDesign, type OldHole } from './design'
import type { ClosureJudgement } from './judgement'

/** A hole of the boat, as one of the job. */
export function holeOfJob(d: ClosureDesign, label: string, holes: Around['holes']): OldHole | null {
  const h = holes.find((x) => x.label === label)
  if (!h?.diameterMm) return null
  return {
    label,
    dxMm: Math.round((h.xMm - d.place.xMm) * 10) / 10,
    dyMm: Math.round((h.yMm - d.place.yMm) * 10) / 10,
    holeMm: h.diameterMm,
  }
}
/** Changes worth judging: a bevel as long as is asked, both sides, the neighbour in the same job, epoxy. */
export function closureTries(d: ClosureDesign, j: ClosureJudgement, a: Pick<Around, 'holes'>): Try[] {
  const out: Try[] = []
  for (const n of [8, 10, 12, 15, 20])
    if (n > j.ratio)
      out.push({
        id: `bevel-${n}`,
        text: `a bevel of ${n}:1`,
        change: { ratio: n },
        helps: ['bevel'],
        group: 'longer',
      })
  for (const n of [20, 15, 12, 10, 8])
    if (n < j.ratio)
      out.push({
        id: `steeper-${n}`,
        text: `a bevel of ${n}:1`,
        change: { ratio: n },
        helps: ['gap'],
        group: 'steeper',
      })
  if (d.structure.kind !== 'sandwich' && d.access === 'both' && d.sides === 'one')
    out.push({ id: 'sides-both', text: 'ground from both sides', change: { sides: 'both' }, helps: ['gap'] })
  if (d.sides === 'both' && d.access !== 'both')
    out.push({
      id: 'sides-one',
      text: 'ground from one side, on a backing disc',
      change: { sides: 'one' },
      helps: ['access'],
    })
  const near =
    j.neighbour?.free && d.holes.length < MOST_HOLES ? holeOfJob(d, j.neighbour.label, a.holes) : null
  if (near)
    out.push({
      id: 'take-in',
      text: `${near.label} taken into the job`,
      change: { holes: [...d.holes, near], family: 'holes' },
      helps: ['gap'],
    })
  if (d.way === 'fill')
    out.push({
      id: 'lay-up',
      text: 'bevelled and laid up',
      change: { way: 'laminate' },
      helps: ['fill-only'],
    })
  if (d.resin !== 'epoxy')
    out.push({ id: 'epoxy', text: 'laid up in epoxy', change: { resin: 'epoxy' }, helps: ['resin'] })
  return out
}
