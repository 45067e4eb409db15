import type { Around, Try } from '../kind'
import { HARDENER_IDS } from '../../chapters/bedding/epoxy-batch'
import { MOST_HOLES, type Block, type ClosureDesign, type Joint, type OldHole } from './design'
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
const hardeners = (path: string, now: string): Try[] =>
  HARDENER_IDS.filter((h) => h !== now).map((h) => ({
    id: `hardener-${h}`,
    text: `the ${h} hardener`,
    change: { [path]: h },
    helps: ['cures-here', 'tape-pot'],
    group: 'hardener',
  }))
/** Each steps out past the one under it with a tenth in hand, up to whole 5 mm (chapters 8.1, 15.7). */
function easyTapes(n: number): number[] {
  const out: number[] = []
  for (let i = 0; i < n; i++) {
    const least = i === 0 ? 50 : out[i - 1]! / 2 + 25
    out.push(5 * Math.ceil((2 * least) / 0.9 / 5))
  }
  return out
}
/** Wider tapes in their steps, a rounder fillet, another hardener. */
function jointTries(joint: Joint): Try[] {
  const stepped = (first: number) => joint.tapesMm.map((_, i) => first + 50 * i)
  return [
    {
      id: 'tapes-easy',
      text: `tapes of ${easyTapes(joint.tapesMm.length).join(', ')} mm`,
      change: { 'joint.tapesMm': easyTapes(joint.tapesMm.length) },
      helps: ['tape-stagger', 'tape-reach'],
      group: 'tapes',
    },
    ...[100, 125, 150].map((first) => ({
      id: `tapes-${first}`,
      text: `tapes of ${stepped(first).join(', ')} mm`,
      change: { 'joint.tapesMm': stepped(first) },
      helps: ['tape-stagger', 'tape-reach'],
      group: 'tapes',
    })),
    ...[12, 15, 20, 25]
      .filter((r) => r > joint.filletMm)
      .map((r) => ({
        id: `fillet-${r}`,
        text: `a fillet of ${r} mm`,
        change: { 'joint.filletMm': r },
        helps: ['tab-fillet'],
        group: 'fillet',
      })),
    ...hardeners('joint.hardener', joint.hardener),
  ]
}
function blockTries(b: Block, j: ClosureJudgement): Try[] {
  return [
    ...(b.thinMm !== null && b.thinMm < 5
      ? [
          {
            id: 'thin-5',
            text: 'a thin edge of 5 mm',
            change: { 'block.thinMm': 5, 'block.thickMm': b.thickMm + 5 - b.thinMm },
            helps: ['thin-edge'],
          },
        ]
      : []),
    ...(j.block?.ways ?? [])
      .filter((w) => w.way !== b.way && w.workHours !== null)
      .map((w) => ({
        id: `way-${w.way}`,
        text: w.title.toLowerCase(),
        change: { 'block.way': w.way },
        helps: ['sheets'],
      })),
    ...hardeners('block.hardener', b.hardener),
  ]
}
/** Changes worth judging: a bevel as long as is asked, both sides, the neighbour in the same job, epoxy. */
export function closureTries(d: ClosureDesign, j: ClosureJudgement, a: Pick<Around, 'holes'>): Try[] {
  if (d.joint) return jointTries(d.joint)
  if (d.block) return blockTries(d.block, j)
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
