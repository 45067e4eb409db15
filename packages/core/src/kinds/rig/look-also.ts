import type { Other } from '../kind'
import { isSetIn, type Chainplate, type RigDesign } from './design'
import { creepOf, movedOf } from './moved'

/** A twin stands across the centreline, no further out of place than this. */
const TWIN_MM = 150
const lastLook = (d: RigDesign): string => [d.drawnOn ?? '', ...d.creep.map((c) => c.date)].sort().at(-1)!
/** Since when it is known that this one moved: its last look. */
const since = (d: RigDesign) => d.creep.at(-1)?.date ?? null
const isTwin = (d: RigDesign, o: RigDesign) =>
  Math.abs(d.place.xMm - o.place.xMm) <= TWIN_MM &&
  Math.abs(d.place.yMm + o.place.yMm) <= TWIN_MM &&
  Math.abs(d.place.yMm) > TWIN_MM
/**
 * One that has moved says something of its twin and of those of the same make: whoever fitted it fitted
 * them. A look after the day on which it was found takes them off again.
 */
export function looksToo(d: RigDesign, others: Other[]): { id: string; name: string; why: string }[] {
  if (isSetIn(d)) return []
  if (!movedOf(d as Chainplate, creepOf(d as Chainplate)).length) return []
  const found = since(d)
  return others.flatMap((o) => {
    const other = o.design as unknown as RigDesign
    if (o.kind !== 'rig' || isSetIn(other)) return []
    if (found !== null && lastLook(other) >= found) return []
    if (isTwin(d, other)) return [{ id: o.id, name: o.name, why: `the twin of ${d.name}, which has moved` }]
    if (d.catalogueId !== null && other.catalogueId === d.catalogueId)
      return [{ id: o.id, name: o.name, why: `of the same make as ${d.name}, which has moved` }]
    return []
  })
}
