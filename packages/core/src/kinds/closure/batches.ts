import {
  HARDENERS,
  HARDENER_IDS,
  MOST_POT_ML,
  potLifeAt,
  type Hardener,
} from '../../chapters/bedding/epoxy-batch'
import type { Pot } from '../../chapters/bedding/pot'
import type { Patch } from './patches'

/** What one pot lays up. */
export interface Batch {
  /** numbers of the patches, in the order of laying */
  patches: number[]
  /** needed, without what stays in the cup */
  ml: number
  minutes: number
  /** so many pots, where one patch takes more than one */
  pots: number
}
const RESIN_G_ML = 1.1
const LEFT_IN_CUP = 1.15
const BEGIN_MIN = 3
/** A disc is picked up, laid and pressed out; a large one takes longer by its face. */
const PLY_MIN = 2
const M2_MIN = 20
const faceM2 = (mm: number) => ((Math.PI / 4) * mm * mm) / 1e6
/** No pot is worked to its last minute. */
const IN_HAND = 0.9
export const layMinutes = (p: Patch) =>
  BEGIN_MIN +
  p.skins.flatMap((s) => s.plies).reduce((n, ply) => n + PLY_MIN + M2_MIN * faceM2(ply.diameterMm), 0)
/** The fastest, warm enough, in whose life the longest patch is laid; else the slowest of those (4.5). */
export function hardenerFor(patches: Patch[], tempC: number): Hardener | null {
  const longest = Math.max(0, ...patches.map(layMinutes))
  const warm = HARDENER_IDS.filter((h) => tempC >= HARDENERS[h].lowestC)
  return warm.find((h) => longest <= IN_HAND * potLifeAt(h, tempC)) ?? warm.at(-1) ?? null
}
const needsMl = (p: Patch) => p.skins.reduce((g, s) => g + s.resinG, 0) / RESIN_G_ML
/**
 * Patches in pots (4.5): those that reach farthest first, for they are ground first and take most; the next
 * pot begins where the pot is full or its life is over.
 */
export function batchesOf(patches: Patch[], pot: Pot | null): Batch[] | null {
  if (!pot || pot.potLifeMin === null) return null
  const life = pot.potLifeMin * IN_HAND
  const order = patches
    .map((p, i) => ({ i, p }))
    .filter(({ p }) => p.skins.length > 0)
    .sort((a, b) => b.p.reachMm - a.p.reachMm || b.p.groundMm - a.p.groundMm || a.i - b.i)
  const out: Batch[] = []
  for (const { i, p } of order) {
    const [ml, minutes] = [needsMl(p), layMinutes(p)]
    const last = out.at(-1)
    const fits =
      last !== undefined && (last.ml + ml) * LEFT_IN_CUP <= MOST_POT_ML && last.minutes + minutes <= life
    if (fits)
      Object.assign(last, {
        ml: last.ml + ml,
        minutes: last.minutes + minutes,
        patches: [...last.patches, i],
      })
    else
      out.push({
        patches: [i],
        ml,
        minutes,
        pots: Math.max(1, Math.ceil((ml * LEFT_IN_CUP) / MOST_POT_ML), Math.ceil(minutes / life)),
      })
  }
  return out
}
