import { bedStiffness, boltStiffness, fieldOf, toe } from '../../chapters/deck/base-contact'
import { bedLayers } from '../../chapters/deck/bed'
import { toeStrip, type Field } from '../../chapters/deck/toe-strip'
import { sharingAmong, type BoltShares } from '../../chapters/deck/bolt-group'
import { heelLine, solveContact, wholeMoments, type Contact } from '../../chapters/deck/contact'
import { designLoadOf, type LoadDirection, momentsOf } from '../../chapters/load/design-load'
import { boltCapacities } from '../../chapters/fastener/fastener'
import { boundsOf, type Point } from '../../base/geometry/outline'
import { CORES } from '../../base/materials/cores'
import type { Design } from './design'
import { differing } from './mirrored'
import { NO_BOLTS, weldStress, worstByGrain } from './own-ways'
import { loadOn } from './turned'

/** How a stiff base that can only push stands on the deck (chapter 3.3). */
export interface Resting {
  heelLine: [Point, Point] | null
  contactFraction: number
  toeAt: Point | null
  toePressureMPa: number
  /** all that the deck pushes back, and where it may be thought to act */
  deckForceN: number
  centre: Point | null
}
export interface Shared {
  caseName: string
  direction: LoadDirection
  bolts: { tensionN: number; shearN: number }[]
  maxTensionN: number
  maxShearN: number
  sumTensionN: number
  pushN: number
  toePressureMPa: number
  /** mean pressure of the toe's strip under the load alone: what a tipped base is judged by (chapter 3.4) */
  stripMPa: number
  /** the deck's pressure by the contact; null by the hand check */
  field: Field | null
  /** about the pattern's own line, where nothing else resists it */
  unresistedMomentNmm: number
  unresistedTwistNmm: number
  resting: Resting | null
  /** elastic about the centroid (chapter 3.2): the hand check beside the contact */
  hand: BoltShares
}
export interface LoadCase {
  name: string
  load: Design['load']
}
export const casesOf = (d: Design): LoadCase[] =>
  [{ name: d.caseName, load: d.load }, ...d.cases].map((c) => ({ ...c, load: loadOn(d, c.load) }))

const EVERY_WAY_DEG = 15

/** Loads that may come from anywhere are swept even when nobody asked for it. */
function directionsOf(given: Design['load']) {
  const load = designLoadOf(given)
  if (load.directions.length) return { load, directions: load.directions, swept: false }
  if (!load.anyWay) {
    // A basis may fix its own angles (a step pushes down, a sling pulls along itself), so they are read
    // from the components.
    const { alongN, acrossN, outN } = load.components
    const deg = (y: number, x: number) => (y === 0 && x === 0 ? 0 : (Math.atan2(y, x) * 180) / Math.PI)
    const tidy = (v: number) => Math.round(v * 1e6) / 1e6
    return {
      load,
      swept: false,
      directions: [
        {
          azimuthDeg: tidy(Math.hypot(alongN, acrossN) < 1e-9 * load.loadN ? 0 : deg(acrossN, alongN)),
          elevationDeg: tidy(deg(outN, Math.hypot(alongN, acrossN))),
          ...load.components,
        },
      ],
    }
  }
  const all = designLoadOf({
    ...given,
    sweep: {
      azimuthDeg: { from: 0, to: 360 - EVERY_WAY_DEG, step: EVERY_WAY_DEG },
      elevationDeg: { from: 0, to: 90, step: EVERY_WAY_DEG },
    },
  } as Design['load'])
  return { load, directions: all.directions, swept: true }
}

type Point3 = { x: number; y: number; z: number }
const STRAIGHT_UP: LoadDirection = { azimuthDeg: 0, elevationDeg: 90, alongN: 0, acrossN: 0, outN: 1 }
/** One figure of a direction, and what it cannot be above where that is had for less. */
interface Measure {
  of: (s: Shared) => number
  atMost?: (s: Shared) => number
}
/**
 * Every check is monotone in one of these measures of a direction, so only the directions that are
 * greatest in one of them have to be judged to have judged them all.
 */
function measuresOf(design: Design, preloadN: number, point: Point3): Measure[] {
  const caps = boltCapacities(design.bolt.size, design.bolt.grade, design.bolt.threadsInShear)
  const used = (b: { tensionN: number; shearN: number }) =>
    (b.tensionN / caps.tensionN) ** 2 + (b.shearN / caps.shearN) ** 2
  return [
    { of: (s) => Math.sqrt(s.bolts.reduce((m, b) => Math.max(m, used(b)), 0)) },
    { of: (s) => s.maxShearN },
    { of: (s) => s.sumTensionN },
    { of: (s) => s.bolts.reduce((m, b) => m + Math.max(b.tensionN, preloadN), 0) },
    { of: (s) => s.maxTensionN },
    { of: (s) => s.pushN },
    // The mean of a strip is never above the pressure at its toe.
    { of: (s) => s.stripMPa, atMost: (s) => s.toePressureMPa },
    { of: (s) => s.unresistedMomentNmm },
    { of: (s) => s.unresistedTwistNmm },
    // What has a direction of its own: the timber by its grain, a doubler by its sides.
    ...(worstByGrain(design, NO_BOLTS) ? [{ of: (s: Shared) => worstByGrain(design, s)!.used }] : []),
    ...(weldStress(design, STRAIGHT_UP, point)
      ? [{ of: (s: Shared) => weldStress(design, s.direction, point)!.together }]
      : []),
  ]
}
/** Of two that are alike but for the last bit it is the first. */
const ABOVE = 1 + 1e-12
function decisive(all: Shared[], design: Design, preloadN: number, point: Point3): Shared[] {
  const picked = new Set<Shared>()
  for (const { of, atMost } of measuresOf(design, preloadN, point)) {
    let best = all[0]!
    let most = of(best)
    for (const s of all) {
      if (atMost && !(atMost(s) > most * ABOVE)) continue
      const here = of(s)
      if (!(here > most * ABOVE)) continue
      best = s
      most = here
    }
    picked.add(best)
  }
  return [...picked]
}

const layersUnder = (d: Design) =>
  bedLayers(d.structure, d.plate, d.core.school === 'insert' ? CORES[d.core.insertMaterial].eMPa : undefined)
export const gripAbout = (d: Design) => {
  const s = d.structure
  return (
    d.base.thicknessMm +
    (s.kind === 'sandwich' ? s.outerMm + s.core.thicknessMm + s.innerMm : s.thicknessMm) +
    (d.plate?.thicknessMm ?? 0)
  )
}

/** The bolts of a track that carry the car: the three beside it; of any other fitting all of them. */
const CAR_BOLTS = 3
function carrying(d: Design): number[] {
  const all = d.bolts.map((_, i) => i)
  if (d.family !== 'track' || all.length <= CAR_BOLTS) return all
  return all
    .sort(
      (a, b) => Math.hypot(d.bolts[a]!.xMm, d.bolts[a]!.yMm) - Math.hypot(d.bolts[b]!.xMm, d.bolts[b]!.yMm),
    )
    .slice(0, CAR_BOLTS)
    .sort((a, b) => a - b)
}
/** Of a track the length over those bolts, half a pitch past them. */
function footingOf(d: Design): { lengthMm: number; widthMm: number } | { diameterMm: number } {
  if ('diameterMm' in d.base) return { diameterMm: d.base.diameterMm }
  if (d.family !== 'track') return { lengthMm: d.base.lengthMm, widthMm: d.base.widthMm }
  const xs = carrying(d).map((i) => d.bolts[i]!.xMm)
  const reach = Math.max(...xs.map(Math.abs)) + (xs.length > 1 ? Math.abs(xs[1]! - xs[0]!) / 2 : 20)
  return { lengthMm: Math.min(d.base.lengthMm, 2 * reach), widthMm: d.base.widthMm }
}
const NOTHING = { axialN: 0, tensionN: 0, shearN: 0, shearXN: 0, shearYN: 0 }
/** How the bolts share a load; of a track those that carry the car. */
function sharingOn(d: Design): ReturnType<typeof sharingAmong> {
  const who = carrying(d)
  const share = sharingAmong(who.map((i) => d.bolts[i]!))
  if (who.length === d.bolts.length) return share
  return (load, at) => {
    const g = share(load, at)
    return { ...g, bolts: d.bolts.map((_, i) => (who.includes(i) ? g.bolts[who.indexOf(i)]! : NOTHING)) }
  }
}

const fromHand = (caseName: string, direction: LoadDirection, hand: BoltShares): Shared => ({
  caseName,
  direction,
  hand,
  bolts: hand.bolts,
  maxTensionN: hand.maxTensionN,
  maxShearN: hand.maxShearN,
  sumTensionN: hand.bolts.reduce((s, b) => s + b.tensionN, 0),
  pushN: hand.bolts.reduce((s, b) => s + Math.max(0, -b.axialN), 0),
  toePressureMPa: 0,
  stripMPa: 0,
  field: null,
  unresistedMomentNmm: hand.unresistedMomentNmm,
  unresistedTwistNmm: hand.unresistedTwistNmm,
  resting: null,
})

/**
 * Pressure of the toe's strip, spread at 45° through the outer skin; of a track under the bolts that
 * carry.
 */
function stripOf(d: Design, footing: ReturnType<typeof footingOf>, field: Field): number {
  const s = d.structure
  const [b, spread] = s.kind === 'sandwich' ? [s.outerMm + s.core.thicknessMm, s.outerMm] : [s.thicknessMm, 0]
  const strip = toeStrip(footing, field, b)
  return strip.areaMm2 > 0 ? strip.forceN / (strip.areaMm2 + spread * strip.outlineMm) : 0
}

/** What of a base at rest only the directions that decide are asked for: worked out when it is. */
class AtRest implements Shared {
  readonly caseName: string
  readonly direction: LoadDirection
  readonly hand: BoltShares
  readonly maxShearN: number
  readonly maxTensionN: number
  readonly sumTensionN: number
  readonly pushN: number
  readonly toePressureMPa: number
  readonly field: Field
  readonly unresistedMomentNmm = 0
  readonly unresistedTwistNmm: number
  private readonly toeAt: Point | null
  private strip: number | null = null

  constructor(
    s: Shared,
    private readonly d: Design,
    private readonly footing: ReturnType<typeof footingOf>,
    private readonly found: Contact,
    private readonly moments: { x: number; y: number },
    readonly bolts: Shared['bolts'],
    k: number,
  ) {
    this.caseName = s.caseName
    this.direction = s.direction
    this.hand = s.hand
    this.maxShearN = s.maxShearN
    this.unresistedTwistNmm = s.unresistedTwistNmm
    this.maxTensionN = bolts.reduce((m, b) => Math.max(m, b.tensionN), -Infinity)
    this.sumTensionN = bolts.reduce((m, b) => m + b.tensionN, 0)
    const t = toe(footing, found.lift, k)
    this.toePressureMPa = t.toePressureMPa
    this.toeAt = t.toeAt
    this.pushN = t.toeAt ? Math.max(0, found.pressedForceN) : 0
    this.field = fieldOf(found.lift, k)
  }
  get stripMPa(): number {
    return (this.strip ??= stripOf(this.d, this.footing, this.field))
  }
  get resting(): Resting {
    const { d, footing, found, bolts, moments, pushN } = this
    // Where the push acts follows from equilibrium with the bolts' pulls.
    const centre =
      pushN > 0
        ? {
            xMm: (bolts.reduce((a, b, i) => a + b.tensionN * d.bolts[i]!.xMm, 0) + moments.y) / pushN,
            yMm: (bolts.reduce((a, b, i) => a + b.tensionN * d.bolts[i]!.yMm, 0) - moments.x) / pushN,
          }
        : null
    return {
      heelLine: heelLine(footing, found.lift),
      contactFraction: found.pressed.A / wholeMoments(footing).A,
      toeAt: this.toeAt,
      toePressureMPa: this.toePressureMPa,
      deckForceN: pushN,
      centre,
    }
  }
}

/** Bolts of one base as the deck under it lets them pull; as by hand where the search finds no rest. */
function restingOn(d: Design, point: Point3, kb: number, k: number): (s: Shared) => Shared {
  const footing = footingOf(d)
  const who = carrying(d)
  const bolts = who.map((i) => d.bolts[i]!)
  const nth = d.bolts.map((_, i) => who.indexOf(i))
  return (s) => {
    const { outN } = s.direction
    const moments = momentsOf(point, s.direction)
    const { x: Mx, y: My } = moments
    if (outN === 0 && Mx === 0 && My === 0) return s
    const found = solveContact({ footing, bolts, kb, k, preloadN: 0, Fz: outN, Mx, My })
    if (!found) return s
    const carried = s.hand.bolts.map((b, i) => ({
      tensionN: nth[i]! < 0 ? 0 : found.tensions[nth[i]!]!,
      shearN: b.shearN,
    }))
    return new AtRest(s, d, footing, found, moments, carried, k)
  }
}

export interface Hand {
  /** base, doubler and grain that the directions were chosen by */
  on: string
  load: ReturnType<typeof designLoadOf>
  swept: boolean
  /** how many directions were asked for; `all` leaves out those that are another's mirror image */
  count: number
  all: Shared[]
  onDeck: Map<string, Shared[]>
}
/**
 * Sharing depends on load and pattern alone; a search over plates and schools asks for the same one again
 * and again, and keeps what it was told.
 */
export type Hands = WeakMap<Design['load'], WeakMap<Design['bolts'], Hand>>

function byHand(c: LoadCase, d: Design, known: Hands): Hand {
  const { bolts } = d
  let byBolts = known.get(c.load)
  if (!byBolts) known.set(c.load, (byBolts = new WeakMap()))
  const beside = {
    doubler: d.structure.kind === 'metal' ? d.doubler : null,
    grain: d.structure.kind === 'timber' && d.structure.grainDeg !== undefined,
  }
  const footing = footingOf(d)
  const on = JSON.stringify([footing, beside])
  let hand = byBolts.get(bolts)
  if (hand?.on !== on) {
    const { load, directions, swept } = directionsOf(c.load)
    const point = load.pointMm
    const pulled = carrying(d).map((i) => bolts[i]!)
    const share = sharingOn(d)
    hand = {
      on,
      load,
      swept,
      count: directions.length,
      onDeck: new Map(),
      all: differing(directions, footing, pulled, point, beside).map((q) =>
        fromHand(c.name, q, share({ x: q.alongN, y: q.acrossN, z: q.outN }, point)),
      ),
    }
    byBolts.set(bolts, hand)
  }
  return hand
}

/**
 * A lever, or a pattern that cannot hold the load by its bolts alone: then the base has to bear on the
 * deck.
 */
const needsDeck = ({ load: { pointMm: q }, ...hand }: Hand) =>
  q.x !== 0 ||
  q.y !== 0 ||
  q.z !== 0 ||
  hand.all.some((s) => s.direction.outN < 0) ||
  hand.all.some((s) => s.unresistedMomentNmm > 0)

export interface CaseShared {
  name: string
  load: ReturnType<typeof designLoadOf>
  swept: boolean
  count: number
  /** whether base-contact shared the load among the bolts, and not the elastic hand check */
  contact: boolean
  decisive: Shared[]
}

/**
 * What each bolt carries, for every case. `known` is what the asker was told before of the same load and
 * pattern. `lean` looks at the directions that decide by the hand check only, which is enough to search
 * by;
 * whatever a search proposes is judged whole before it is shown.
 */
export function shareLoads(design: Design, preloadN: number, lean: boolean, known: Hands): CaseShared[] {
  return casesOf(design).map((c) => {
    const hand = byHand(c, design, known)
    const point = hand.load.pointMm
    const shape = { name: c.name, load: hand.load, swept: hand.swept, count: hand.count }
    if (!needsDeck(hand))
      return { ...shape, contact: false, decisive: decisive(hand.all, design, preloadN, point) }
    const kb = boltStiffness(design.bolt.size, design.bolt.grade, gripAbout(design))
    const k = bedStiffness(layersUnder(design))
    const key = `${lean}|${kb.toPrecision(8)}|${k.toPrecision(8)}|${JSON.stringify(boundsOf(design.base))}`
    let all = hand.onDeck.get(key)
    if (!all) {
      const from = lean ? decisive(hand.all, design, 0, point) : hand.all
      all = from.map(restingOn(design, point, kb, k))
      if (hand.onDeck.size > 400) hand.onDeck.clear()
      hand.onDeck.set(key, all)
    }
    return {
      ...shape,
      contact: all.some((s) => s.resting !== null),
      decisive: decisive(all, design, preloadN, point),
    }
  })
}
