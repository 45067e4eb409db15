import type { Draft } from '../../base/verdict/check'
import { boltCapacities } from '../fastener/fastener'
import { baseCrush, footprintCrush } from './footprint'
import { deckUnder, footprintOf, pressOf, type JointLoad, type Standing } from './joint-parts'
import { boltsPress, snugOf } from './snug'

const crushed = (checks: Draft[], pressN: number) =>
  checks.flatMap((c) =>
    c.id.startsWith('crush-') && c.utilisation !== null
      ? [{ id: c.id, perNewton: c.utilisation / pressN }]
      : [],
  )
/**
 * The largest preload that neither plate, washers, base nor the bolt itself object to (chapter 3.4). All that
 * is pressed goes with the press, so how much a newton of it uses up is worked out once for every load.
 */
export function jointSnug(g: Standing): (l: JointLoad) => { preloadN: number; limitedBy: string | null } {
  const { v } = g
  const n = v.bolts.length
  const cap = 0.4 * boltCapacities(v.bolt.size, v.bolt.grade, true).tensionN
  const trial = v.bolts.map(() => ({ tensionN: 0, preloadN: cap }))
  const inside = crushed(footprintCrush(footprintOf(trial, g)), v.plate ? n * cap : cap)
  const outside = crushed(baseCrush({ ...deckUnder(g), base: v.base, n }, v.base ? cap : null), cap)
  return (l) => {
    // Washers stand alone: the one that is pulled most is pressed most at any preload.
    const all = l.bolts.map((b) => b.tensionN)
    const bolts = boltsPress(v.plate ? all : [Math.max(...all)])
    const press = pressOf(l, g)
    const { preloadN, limitedBy } = snugOf(
      [
        ...inside.map((c) => ({ ...c, ...bolts })),
        ...(press ? outside.map((c) => ({ ...c, restN: press.at(0), preloadFor: press.preloadFor })) : []),
      ],
      cap,
    )
    return { preloadN: preloadN ?? cap, limitedBy }
  }
}
