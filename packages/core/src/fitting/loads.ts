import { shareAmong, type BoltGroup } from '../deck/bolt-group'
import { designLoadOf, type LoadDirection } from '../load/design-load'
import { boltCapacities } from '../fastener/fastener'
import type { Design } from './design'

export interface Shared {
  direction: LoadDirection
  group: BoltGroup
  sumTensionN: number
  pushN: number
}

const EVERY_WAY_DEG = 15

/** Loads that may come from anywhere are swept even when nobody asked for it. */
function directionsOf(design: Design) {
  const load = designLoadOf(design.load)
  if (load.directions.length) return { load, directions: load.directions, swept: false }
  if (!load.anyWay) return { load, swept: false, directions: [{ azimuthDeg: design.load.azimuthDeg ?? 0, elevationDeg: design.load.elevationDeg ?? 0, ...load.components }] }
  const all = designLoadOf({ ...design.load, sweep: { azimuthDeg: { from: 0, to: 360 - EVERY_WAY_DEG, step: EVERY_WAY_DEG }, elevationDeg: { from: 0, to: 90, step: EVERY_WAY_DEG } } } as Design['load'])
  return { load, directions: all.directions, swept: true }
}

/**
 * Every check is monotone in one of these measures of a direction, so only the directions that are greatest in one of them
 * have to be judged to have judged them all.
 */
function decisive(all: Shared[], design: Design, preloadN: number): Shared[] {
  const caps = boltCapacities(design.bolt.size, design.bolt.grade, design.bolt.threadsInShear)
  const measures: ((s: Shared) => number)[] = [
    (s) => s.group.bolts.reduce((m, b) => Math.max(m, Math.hypot(b.tensionN / caps.tensionN, b.shearN / caps.shearN)), 0),
    (s) => s.group.maxShearN,
    (s) => s.sumTensionN,
    (s) => s.group.bolts.reduce((m, b) => m + Math.max(b.tensionN, preloadN), 0),
    (s) => s.group.maxTensionN,
    (s) => s.pushN,
    (s) => s.group.unresistedMomentNmm,
    (s) => s.group.unresistedTwistNmm,
  ]
  const picked = new Set<Shared>()
  for (const f of measures) {
    let best = all[0]!
    for (const s of all) if (f(s) > f(best) * (1 + 1e-12)) best = s
    picked.add(best)
  }
  return [...picked]
}

/** Sharing depends on load and pattern alone; a search over plates and schools asks for the same one again and again. */
const known = new WeakMap<Design['load'], WeakMap<Design['bolts'], ReturnType<typeof shareAll>>>()

function shareAll(design: Design) {
  const { load, directions, swept } = directionsOf(design)
  const point = { x: 0, y: 0, z: load.heightMm }
  const all = directions.map((direction): Shared => {
    const group = shareAmong(design.bolts, { x: direction.alongN, y: direction.acrossN, z: direction.outN }, point)
    return {
      direction, group,
      sumTensionN: group.bolts.reduce((s, b) => s + b.tensionN, 0),
      pushN: group.bolts.reduce((s, b) => s + Math.max(0, -b.axialN), 0),
    }
  })
  return { load, swept, count: directions.length, all }
}

export function shareLoads(design: Design, preloadN: number) {
  let byBolts = known.get(design.load)
  if (!byBolts) known.set(design.load, (byBolts = new WeakMap()))
  let shared = byBolts.get(design.bolts)
  if (!shared) byBolts.set(design.bolts, (shared = shareAll(design)))
  return { load: shared.load, swept: shared.swept, count: shared.count, decisive: decisive(shared.all, design, preloadN) }
}
