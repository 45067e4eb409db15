import { bedStiffness, boltStiffness, fieldOf, toe } from '../../chapters/deck/base-contact'
import { bedLayers } from '../../chapters/deck/bed'
import { toeStrip, type Field } from '../../chapters/deck/toe-strip'
import { shareAmong, type BoltGroup } from '../../chapters/deck/bolt-group'
import { heelLine, solveContact, wholeMoments } from '../../chapters/deck/contact'
import { designLoadOf, type LoadDirection, momentsOf } from '../../chapters/load/design-load'
import { boltCapacities } from '../../chapters/fastener/fastener'
import { boundsOf, type Point } from '../../base/geometry/outline'
import { CORES } from '../../base/materials/cores'
import type { Design } from './design'
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
  hand: BoltGroup
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

/**
 * Every check is monotone in one of these measures of a direction, so only the directions that are
 * greatest in one of them
 * have to be judged to have judged them all.
 */
function decisive(all: Shared[], design: Design, preloadN: number): Shared[] {
  const caps = boltCapacities(design.bolt.size, design.bolt.grade, design.bolt.threadsInShear)
  const measures: ((s: Shared) => number)[] = [
    (s) =>
      Math.sqrt(
        s.bolts.reduce(
          (m, b) => Math.max(m, (b.tensionN / caps.tensionN) ** 2 + (b.shearN / caps.shearN) ** 2),
          0,
        ),
      ),
    (s) => s.maxShearN,
    (s) => s.sumTensionN,
    (s) => s.bolts.reduce((m, b) => m + Math.max(b.tensionN, preloadN), 0),
    (s) => s.maxTensionN,
    (s) => s.pushN,
    (s) => s.stripMPa,
    (s) => s.unresistedMomentNmm,
    (s) => s.unresistedTwistNmm,
  ]
  const picked = new Set<Shared>()
  for (const f of measures) {
    let best = all[0]!
    let most = f(best)
    for (const s of all) {
      const here = f(s)
      if (!(here > most * (1 + 1e-12))) continue
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
function shareOn(
  d: Design,
  load: { x: number; y: number; z: number },
  at: { x: number; y: number; z: number },
): BoltGroup {
  const who = carrying(d)
  if (who.length === d.bolts.length) return shareAmong(d.bolts, load, at)
  const g = shareAmong(
    who.map((i) => d.bolts[i]!),
    load,
    at,
  )
  return { ...g, bolts: d.bolts.map((_, i) => (who.includes(i) ? g.bolts[who.indexOf(i)]! : NOTHING)) }
}

const fromHand = (caseName: string, direction: LoadDirection, hand: BoltGroup): Shared => ({
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

type Point3 = { x: number; y: number; z: number }
/** Bolts of one base as the deck under it lets them pull; null where the search finds no rest. */
function onDeck(s: Shared, d: Design, point: Point3, kb: number, k: number): Shared | null {
  const { outN } = s.direction
  const { x: Mx, y: My } = momentsOf(point, s.direction)
  if (outN === 0 && Mx === 0 && My === 0) return s
  const footing = footingOf(d)
  const who = carrying(d)
  const found = solveContact({
    footing,
    bolts: who.map((i) => d.bolts[i]!),
    kb,
    k,
    preloadN: 0,
    Fz: outN,
    Mx,
    My,
  })
  if (!found) return null
  const pull = d.bolts.map((_, i) => (who.includes(i) ? found.tensions[who.indexOf(i)]! : 0))
  const bolts = s.hand.bolts.map((b, i) => ({ tensionN: pull[i]!, shearN: b.shearN }))
  const sumTensionN = pull.reduce((a, t) => a + t, 0)
  const t = toe(footing, found.lift, k)
  const field = fieldOf(found.lift, k)
  const deckForceN = t.toeAt ? Math.max(0, found.pressedForceN) : 0
  // Where the push acts follows from equilibrium with the bolts' pulls.
  const centre =
    deckForceN > 0
      ? {
          xMm: (pull.reduce((a, T, i) => a + T * d.bolts[i]!.xMm, 0) + My) / deckForceN,
          yMm: (pull.reduce((a, T, i) => a + T * d.bolts[i]!.yMm, 0) - Mx) / deckForceN,
        }
      : null
  return {
    ...s,
    bolts,
    sumTensionN,
    maxTensionN: Math.max(...pull),
    pushN: deckForceN,
    toePressureMPa: t.toePressureMPa,
    stripMPa: stripOf(d, footing, field),
    field,
    unresistedMomentNmm: 0,
    resting: {
      heelLine: heelLine(footing, found.lift),
      contactFraction: found.pressed.A / wholeMoments(footing).A,
      toeAt: t.toeAt,
      toePressureMPa: t.toePressureMPa,
      deckForceN,
      centre,
    },
  }
}

export interface Hand {
  load: ReturnType<typeof designLoadOf>
  swept: boolean
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
  let hand = byBolts.get(bolts)
  if (!hand) {
    const { load, directions, swept } = directionsOf(c.load)
    const point = load.pointMm
    hand = {
      load,
      swept,
      onDeck: new Map(),
      all: directions.map((q) =>
        fromHand(c.name, q, shareOn(d, { x: q.alongN, y: q.acrossN, z: q.outN }, point)),
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
    const shape = { name: c.name, load: hand.load, swept: hand.swept, count: hand.all.length }
    if (!needsDeck(hand)) return { ...shape, contact: false, decisive: decisive(hand.all, design, preloadN) }
    const kb = boltStiffness(design.bolt.size, design.bolt.grade, gripAbout(design))
    const k = bedStiffness(layersUnder(design))
    const key = `${lean}|${kb.toPrecision(8)}|${k.toPrecision(8)}|${JSON.stringify(boundsOf(design.base))}`
    let all = hand.onDeck.get(key)
    if (!all) {
      const from = lean ? decisive(hand.all, design, 0) : hand.all
      all = from.map((s) => onDeck(s, design, hand.load.pointMm, kb, k) ?? s)
      if (hand.onDeck.size > 400) hand.onDeck.clear()
      hand.onDeck.set(key, all)
    }
    return {
      ...shape,
      contact: all.some((s) => s.resting !== null),
      decisive: decisive(all, design, preloadN),
    }
  })
}
