/** A label of the map: what it says and where it may stand, the best place first, in points of the map. */
export interface Wanted {
  id: string
  text: string
  at: readonly { x: number; y: number }[]
  anchor: 'start' | 'middle' | 'end'
}
export interface Box {
  x0: number
  y0: number
  x1: number
  y1: number
}
export interface Placed {
  id: string
  text: string
  anchor: Wanted['anchor']
  x: number
  y: number
}
/** Of the 12 px letters that the map's labels are set in. */
const LETTER_PX = 6.9
const RISE_PX = 11
const FALL_PX = 4
const AIR_PX = 2

/** What a label covers; `k` is how far the map is drawn larger while its letters keep their size. */
function boxOf(w: Wanted, p: { x: number; y: number }, k: number): Box {
  const width = (w.text.length * LETTER_PX) / k
  const x0 = w.anchor === 'start' ? p.x : w.anchor === 'end' ? p.x - width : p.x - width / 2
  const air = AIR_PX / k
  return { x0: x0 - air, x1: x0 + width + air, y0: p.y - RISE_PX / k - air, y1: p.y + FALL_PX / k + air }
}
const meet = (a: Box, b: Box) => a.x0 < b.x1 && b.x0 < a.x1 && a.y0 < b.y1 && b.y0 < a.y1

/**
 * Each label at the first of its places where it covers neither what stands in the way nor a label before
 * it; over neither, a place clear of labels will do. One that has none is left out: its thing still says its
 * name under the pointer.
 */
export function placeLabels(wanted: readonly Wanted[], inTheWay: readonly Box[], k = 1): Placed[] {
  const taken: Box[] = []
  const out: Placed[] = []
  for (const w of wanted) {
    const spots = w.at.map((p) => ({ p, box: boxOf(w, p, k) }))
    const clear = spots.filter(({ box }) => !taken.some((t) => meet(t, box)))
    const best = clear.find(({ box }) => !inTheWay.some((t) => meet(t, box))) ?? clear[0]
    if (!best) continue
    taken.push(best.box)
    out.push({ id: w.id, text: w.text, anchor: w.anchor, ...best.p })
  }
  return out
}
