import { potOf } from '../../chapters/bedding/pot'
import { CLOTHS } from '../../base/materials/cloths'
import {
  governing,
  inWords,
  say,
  unproven,
  worstVerdict,
  type Check,
  type Verdict,
} from '../../base/verdict/check'
import { limit } from '../../chapters/making/limits'
import { onFace, zoneOfPlace } from '../../boat/spot'
import { foundChecks } from '../findings'
import type { Around } from '../kind'
import { tallyOf } from '../tally'
import { batchesOf, hardenerFor } from './batches'
import { judgeBlock } from './block'
import type { ClosureDesign, ClosureResin } from './design'
import { CLOSURE_FINDINGS } from './findings'
import { hireCheck } from './hire'
import { judgeJoint } from './joint'
import { workMinutes } from './minutes'
import type { ClosureJudgement, Neighbour } from './judgement'
import { patchesOf, ratioOf, reachOf, type Patch } from './patches'
import { bevelFor } from '../wrong-hole'

const SOURCE = 'chapter 8.3'
/** A plug of thickened epoxy alone, by what is usual in a yard: no wider than this. */
export const FILL_MOST_MM = 10
const SURVEYOR_MM = 150
const RESIN_G_ML = 1.1
/** Past this another hole has no say. */
const NEAR_MM = 1500

/** The boat's other holes on this face, measured from the edge of the nearest of the job's. */
function nearest(d: ClosureDesign, a: Pick<Around, 'zones' | 'holes'>): Neighbour | null {
  const zone = zoneOfPlace(a.zones, d.place)
  const mine = new Set(d.holes.map((h) => h.label))
  const flat = (p: { xMm: number; yMm: number; zMm?: number }) =>
    zone ? onFace(zone, { xMm: p.xMm, yMm: p.yMm, zMm: p.zMm ?? d.place.zMm }) : p
  const here = flat(d.place)
  let best: Neighbour | null = null
  for (const h of a.holes) {
    if (mine.has(h.label) || h.state === 'closed' || (h.zone ?? d.place.zone) !== d.place.zone) continue
    const at = flat(h)
    for (const own of d.holes) {
      const gapMm =
        Math.hypot(at.xMm - here.xMm - own.dxMm, at.yMm - here.yMm - own.dyMm) -
        (own.holeMm + (h.diameterMm ?? 0)) / 2
      if (gapMm < NEAR_MM && (!best || gapMm < best.gapMm))
        best = { label: h.label, gapMm: Math.max(0, gapMm), free: h.taken === false }
    }
  }
  return best
}
function gapCheck(d: ClosureDesign, near: Neighbour | null): Check {
  const shape = { id: 'gap', title: 'Room to the next hole', unit: 'mm', source: SOURCE }
  const reach = reachOf(d)
  if (!near)
    return inWords({
      ...shape,
      verdict: 'holds',
      because: `No other open hole is on record within ${say(NEAR_MM)} mm on this face.`,
    })
  return limit({
    ...shape,
    demand: reach,
    capacity: near.gapMm,
    because: `The bevel reaches ${say(reach)} mm; ${near.label} stands ${say(near.gapMm)} mm off${reach > near.gapMm ? ': take it into the job as one patch' : ''}.`,
  })
}
function bevelCheck(d: ClosureDesign): Check[] {
  if (d.way === 'fill') return []
  const asked = bevelFor({ highlyLoaded: d.highlyLoaded, place: d.place.belowWaterline ? 'below' : 'above' })
  const own = ratioOf(d)
  const verdict: Verdict = own >= asked - 1e-9 ? 'holds' : own >= 8 - 1e-9 ? 'tight' : 'short'
  return [
    inWords({
      id: 'bevel',
      title: 'Bevel',
      unit: '',
      source: SOURCE,
      verdict,
      because: `${say(own)}:1 is ground; ${asked}:1 is asked ${d.highlyLoaded ? 'where much is carried' : d.place.belowWaterline ? 'below the waterline' : 'above it'}.`,
    }),
  ]
}
function fillCheck(d: ClosureDesign, patches: Patch[]): Check[] {
  if (d.way !== 'fill') return []
  const widest = Math.max(...patches.map((p) => p.holeMm))
  const shape = { id: 'fill-only', title: 'Filled without cloth', unit: 'mm', source: 'usual in a yard' }
  if (d.place.belowWaterline || d.highlyLoaded)
    return [
      inWords({
        ...shape,
        verdict: 'short',
        because: `A plug is held by its sides alone: not ${d.place.belowWaterline ? 'below the waterline' : 'where much is carried'}. Bevel it and lay it up.`,
      }),
    ]
  return [
    limit({
      ...shape,
      demand: widest,
      capacity: FILL_MOST_MM,
      because: `${say(widest)} mm; up to ${FILL_MOST_MM} mm a countersunk plug of thickened epoxy is enough above the water.`,
    }),
  ]
}
const RESINS: Record<ClosureResin, { above: Verdict; below: Verdict; because: string }> = {
  epoxy: {
    above: 'holds',
    below: 'holds',
    because: 'Epoxy holds best on old laminate. Gelcoat does not cure on it: paint, or a tie coat.',
  },
  vinylester: {
    above: 'holds',
    below: 'tight',
    because: 'Vinylester holds on ground laminate and takes gelcoat; its bond to old work is weaker.',
  },
  polyester: {
    above: 'tight',
    below: 'short',
    because:
      'Polyester holds about half as well on old laminate as epoxy; it is chosen where gelcoat has to go over it.',
  },
}
function resinCheck(d: ClosureDesign): Check {
  const own = RESINS[d.resin]
  return inWords({
    id: 'resin',
    title: 'Resin on old laminate',
    unit: '',
    source: 'chapter 8.1',
    verdict: d.place.belowWaterline ? own.below : own.above,
    because: own.because,
  })
}
function panelChecks(d: ClosureDesign): Check[] {
  const s = d.structure
  if (s.kind === 'metal')
    return [
      unproven({
        id: 'metal',
        title: 'A hole in metal',
        unit: '',
        source: SOURCE,
        because:
          'Cloth does not close metal: an insert with round corners is welded in by a welder who is approved for it. What is said here holds for laminate and wood.',
      }),
    ]
  if (s.kind !== 'sandwich') return []
  const said = {
    dry: ['holds', 'The core was read and is dry.'],
    wet: ['short', 'The core is wet: closed over, it rots or freezes. Open it until it is dry, then close.'],
    unknown: [
      'unproven',
      'Nobody has read the core round the hole. A meter, or a hole drilled beside it, tells.',
    ],
  } as const
  const [verdict, because] = said[d.coreState]
  return [
    inWords({ id: 'core-state', title: 'Core round the hole', unit: '', source: SOURCE, verdict, because }),
  ]
}
function surveyorCheck(d: ClosureDesign, patches: Patch[]): Check[] {
  const widest = Math.max(...patches.map((p) => p.holeMm))
  if (widest <= SURVEYOR_MM && !d.highlyLoaded) return []
  return [
    inWords({
      id: 'surveyor',
      title: 'To be seen by a surveyor',
      unit: '',
      source: SOURCE,
      verdict: 'tight',
      because: d.highlyLoaded
        ? 'Much is carried here: a surveyor or shipwright should see this before and after.'
        : `${say(widest)} mm is past ${SURVEYOR_MM} mm: a surveyor or shipwright should see this.`,
    }),
  ]
}
function accessCheck(d: ClosureDesign): Check[] {
  if (d.sides !== 'both' || d.access === 'both' || d.way === 'fill') return []
  return [
    inWords({
      id: 'access',
      title: 'Both sides reached',
      unit: '',
      source: SOURCE,
      verdict: 'short',
      because: `It is to be ground from both sides, and only the ${d.access} is reached.`,
    }),
  ]
}
const sum = (patches: Patch[], of: (p: Patch) => number) => patches.reduce((v, p) => v + of(p), 0)

/** One job of closing judged whole. Every surface of it follows from the holes, the panel and the place. */
export function judgeClosure(d: ClosureDesign, a: Pick<Around, 'zones' | 'holes'>): ClosureJudgement {
  const found = foundChecks(CLOSURE_FINDINGS, d.findings, SOURCE)
  if (d.joint) return judgeJoint(d, d.joint, found)
  if (d.block) return judgeBlock(d, d.block, found)
  return judgeHoles(d, a, found)
}
const coldCheck = (d: ClosureDesign, pot: ReturnType<typeof potOf>): Check[] =>
  pot && pot.verdict === 'short'
    ? [
        inWords({
          id: 'cures-here',
          title: 'Cures at this temperature',
          unit: '',
          source: 'chapter 4.5',
          verdict: 'short',
          because: `At ${say(d.tempC)} \u00b0C no hardener here cures in time: warm the place first.`,
        }),
      ]
    : []
function judgeHoles(d: ClosureDesign, a: Pick<Around, 'zones' | 'holes'>, found: Check[]): ClosureJudgement {
  const patches = patchesOf(d)
  const near = nearest(d, a)
  const skins = patches.flatMap((p) => p.skins)
  const resinG = skins.reduce((v, s) => v + s.resinG, 0)
  const plugMl = sum(patches, (p) => p.plugMl)
  const day = { tempC: d.tempC }
  const pot =
    d.resin === 'epoxy'
      ? potOf(resinG / RESIN_G_ML, { ...day, hardener: hardenerFor(patches, d.tempC) }, 'wet-out')
      : null
  const plugPot = potOf(plugMl, day, 'peanut-butter')
  const batches = batchesOf(patches, pot)
  const workHours = workMinutes(d, patches) / 60
  const checks: Check[] = [
    ...panelChecks(d),
    ...accessCheck(d),
    ...bevelCheck(d),
    ...fillCheck(d, patches),
    gapCheck(d, near),
    resinCheck(d),
    ...surveyorCheck(d, patches),
    ...coldCheck(d, pot ?? plugPot),
    ...hireCheck(workHours),
    ...found,
  ]
  return {
    verdict: worstVerdict(checks.map((c) => c.verdict)),
    governing: governing(checks)?.id ?? null,
    checks,
    counts: tallyOf(checks),
    ratio: ratioOf(d),
    patches,
    neighbour: near,
    clothG: skins.reduce((v, s) => v + s.clothG, 0),
    resinG,
    plugMl,
    pot,
    plugPot,
    cautions: patches
      .flatMap((p) => p.cautions)
      .filter((c, i, all) => all.findIndex((x) => x.id === c.id) === i),
    batches,
    workHours,
    joint: null,
    block: null,
  }
}
/** A skin in words: bevel, ground, plies and the order in which they are laid. */
export function layupSaid(
  d: ClosureDesign,
  ratio: number,
  s: Patch['skins'][number],
  mm: (v: number) => string,
) {
  const sides = s.plies.some((p) => p.side === 'inside') ? ' each side' : ''
  return `${s.title}: bevel ${say(ratio)}:1 to ${mm(Math.round(s.groundMm))}, ${s.pliesPerSide} ${s.pliesPerSide === 1 ? 'ply' : 'plies'} of ${CLOTHS[d.cloth].title}${sides}, ${d.order === 'large-first' ? 'largest first' : 'smallest first'}`
}
