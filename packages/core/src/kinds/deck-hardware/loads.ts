import { bedStiffness, boltStiffness } from '../../chapters/deck/base-contact'
import { bedLayers } from '../../chapters/deck/bed'
import { sharingAmong, type BoltShares } from '../../chapters/deck/bolt-group'
import type { Footing } from '../../chapters/deck/contact'
import { designLoadOf, type LoadDirection } from '../../chapters/load/design-load'
import { boundsOf } from '../../base/geometry/outline'
import { CORES } from '../../base/materials/cores'
import type { Design } from './design'
import { decidingAmong } from './decisive'
import { differing, type Beside } from './mirrored'
import { restingOn } from './resting'
import type { Shared } from './shared'
import { loadOn } from './turned'

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
function footingOf(d: Design, who: number[]): Footing {
  if ('diameterMm' in d.base) return { diameterMm: d.base.diameterMm }
  if (d.family !== 'track') return { lengthMm: d.base.lengthMm, widthMm: d.base.widthMm }
  const xs = who.map((i) => d.bolts[i]!.xMm)
  const reach = Math.max(...xs.map(Math.abs)) + (xs.length > 1 ? Math.abs(xs[1]! - xs[0]!) / 2 : 20)
  return { lengthMm: Math.min(d.base.lengthMm, 2 * reach), widthMm: d.base.widthMm }
}
const NOTHING = { axialN: 0, tensionN: 0, shearN: 0, shearXN: 0, shearYN: 0 }
/** How the bolts share a load; of a track those that carry the car. */
function sharingOn(d: Design, who: number[]): ReturnType<typeof sharingAmong> {
  const share = sharingAmong(who.map((i) => d.bolts[i]!))
  if (who.length === d.bolts.length) return share
  return (load, at) => {
    const g = share(load, at)
    return { ...g, bolts: d.bolts.map((_, i) => (who.includes(i) ? g.bolts[who.indexOf(i)]! : NOTHING)) }
  }
}

function fromHand(caseName: string, direction: LoadDirection, hand: BoltShares): Shared {
  let sumTensionN = 0
  let pushN = 0
  for (const b of hand.bolts) {
    sumTensionN += b.tensionN
    pushN += Math.max(0, -b.axialN)
  }
  return {
    caseName,
    direction,
    hand,
    bolts: hand.bolts,
    maxTensionN: hand.maxTensionN,
    maxShearN: hand.maxShearN,
    sumTensionN,
    pushN,
    toePressureMPa: 0,
    stripMPa: 0,
    field: null,
    unresistedMomentNmm: hand.unresistedMomentNmm,
    unresistedTwistNmm: hand.unresistedTwistNmm,
    resting: null,
  }
}

export interface Hand {
  name: string
  /** base, doubler and grain that the directions were chosen by, and the bolts that carry */
  on: string
  load: ReturnType<typeof designLoadOf>
  swept: boolean
  /** how many directions were asked for; `all` leaves out those that are another's mirror image */
  count: number
  all: Shared[]
  onDeck: Map<string, { structure: Design['structure']; all: Shared[] }>
}
/**
 * Sharing depends on load and pattern alone; a search over plates and schools asks for the same one again
 * and again, as a bench does at most keys, and keeps what it was told.
 */
export type Hands = WeakMap<Design['load'], WeakMap<Design['bolts'], Hand>>

/** What bears on the deck and which bolts carry it. */
interface Standing {
  footing: Footing
  who: number[]
  beside: Beside
  /** all of these in one word */
  on: string
}
function standingOf(d: Design): Standing {
  const who = carrying(d)
  const footing = footingOf(d, who)
  const beside = {
    doubler: d.structure.kind === 'metal' ? d.doubler : null,
    grain: d.structure.kind === 'timber' && d.structure.grainDeg !== undefined,
  }
  return { footing, who, beside, on: JSON.stringify([footing, beside, who]) }
}
function byHand(c: LoadCase, d: Design, { footing, who, beside, on }: Standing, known: Hands): Hand {
  const { bolts } = d
  let byBolts = known.get(c.load)
  if (!byBolts) known.set(c.load, (byBolts = new WeakMap()))
  let hand = byBolts.get(bolts)
  if (hand?.on !== on || hand.name !== c.name) {
    const { load, directions, swept } = directionsOf(c.load)
    const point = load.pointMm
    const pulled = who.map((i) => bolts[i]!)
    const share = sharingOn(d, who)
    hand = {
      name: c.name,
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
type CaseOf = (preloadN: number) => CaseShared

/** So many rests of one load and pattern are kept: a rest of seventy directions is fifty kilobytes. */
const MOST_KEPT = 20
/** Every direction of one case as base and deck rest under it. */
function onDeck(hand: Hand, design: Design, standing: Standing, lean: boolean): Shared[] {
  const point = hand.load.pointMm
  const { structure, bolt, base } = design
  const kb = boltStiffness(bolt.size, bolt.grade, gripAbout(design))
  const k = bedStiffness(layersUnder(design))
  const key = `${lean}|${bolt.size}|${bolt.grade}|${kb}|${k}|${JSON.stringify(boundsOf(base))}`
  let rest = hand.onDeck.get(key)
  if (rest?.structure !== structure) {
    const from = lean ? decidingAmong(hand.all, design, point)(0) : hand.all
    rest = { structure, all: from.map(restingOn(design, standing, point, { kb, k })) }
    if (hand.onDeck.size >= MOST_KEPT) hand.onDeck.clear()
    hand.onDeck.set(key, rest)
  }
  return rest.all
}
function caseOf(hand: Hand, name: string, design: Design, standing: Standing, lean: boolean): CaseOf {
  const contact = needsDeck(hand)
  const all = contact ? onDeck(hand, design, standing, lean) : hand.all
  const rests = contact && all.some((s) => s.field !== null)
  const deciding = decidingAmong(all, design, hand.load.pointMm)
  return (preloadN) => ({
    name,
    load: hand.load,
    swept: hand.swept,
    count: hand.count,
    contact: rests,
    decisive: deciding(preloadN),
  })
}
/**
 * What each bolt carries, for every case, by the preload that is asked about. `known` is what the asker was
 * told before of the same load and pattern. `lean` looks at the directions that decide by the hand check
 * only, which is enough to search by; whatever a search proposes is judged whole before it is shown.
 */
export function sharingOfLoads(
  design: Design,
  lean: boolean,
  known: Hands,
): (preloadN: number) => CaseShared[] {
  const standing = standingOf(design)
  const cases = casesOf(design).map((c) =>
    caseOf(byHand(c, design, standing, known), c.name, design, standing, lean),
  )
  return (preloadN) => cases.map((c) => c(preloadN))
}
