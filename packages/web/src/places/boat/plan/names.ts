import { computed, type Ref } from 'vue'
import type { BoatPicture } from '../../../types'
import type { Sign } from '../HoleLayer.vue'
import { placeLabels, type Box, type Wanted } from '../map-labels'
import { partsOf, sizeOf } from './things'
import type { PlanSheet } from './sheet'

const HOLE_PX = 7
const DROP_PX = 13
/** More holes than this leave no place free of them, and are not asked about. */
const MOST_KEPT_OFF = 400

interface Map {
  boat: () => BoatPicture
  sheet: PlanSheet
  /** how far it is zoomed in, and how large the signs of holes are there */
  k: Ref<number>
  signSize: Ref<number>
  signs: Ref<Sign[]>
  throughHull: Ref<BoatPicture['throughHulls']>
  structure: () => boolean
}
const square = (x: number, y: number, r: number): Box => ({ x0: x - r, x1: x + r, y0: y - r, y1: y + r })
function zoneNames({ boat, sheet: { X, Y } }: Map): Wanted[] {
  // The name goes where the zone is broadest; which of its places is free is seen when all are known.
  return boat()
    .zones.filter((z) => (z.face === 'deck' || z.face === 'roof') && !z.code.endsWith('-edge'))
    .sort((a, b) => a.stacking - b.stacking)
    .map((z) => {
      const [xs, ys] = [z.outline.map((p) => p.xMm), z.outline.map((p) => p.yMm)]
      const [x0, x1] = [Math.min(...xs), Math.max(...xs)]
      const mid = (Math.min(...ys) + Math.max(...ys)) / 2
      const tall = Math.max(...ys) - Math.min(...ys)
      const at = [0.5, 0.62, 0.38, 0.74, 0.86, 0.24].flatMap((f) =>
        [0, 0.27, -0.27].map((g) => ({ x: X(x0 + f * (x1 - x0)), y: Y(mid + g * tall) + 4 })),
      )
      return { id: `zone ${z.code}`, text: z.title.toLowerCase(), at, anchor: 'middle' }
    })
}
/** Of what is under the deck: at one side of the boat, else at the other. */
function structureNames({ boat, sheet: { X, Y, halfAt }, k }: Map): Wanted[] {
  const below = 16 / k.value
  const above = 6 / k.value
  const bulkheads = partsOf(boat(), 'bulkhead').map((b): Wanted => {
    const [top, bottom] = [Y(halfAt(b.x0Mm)) - above, Y(-halfAt(b.x0Mm)) + below]
    const at = [top, bottom].flatMap((y) => [0, 36, -36].map((dx) => ({ x: X(b.x0Mm) + dx / k.value, y })))
    return { id: `bulkhead ${b.title}`, text: b.title.toLowerCase(), at, anchor: 'middle' }
  })
  const tanks = partsOf(boat(), 'tank').map((t): Wanted => {
    const x = X((t.x0Mm + t.x1Mm) / 2)
    const [low, high] = [Y(Math.min(t.y0Mm, t.y1Mm)), Y(Math.max(t.y0Mm, t.y1Mm))]
    const at = [low - above, high + below, low + below, high - above].map((y) => ({ x, y }))
    return { id: `tank ${t.title}`, text: `${t.title.toLowerCase()} under`, at, anchor: 'middle' }
  })
  return [...bulkheads, ...tanks]
}
function profileNames({ boat, sheet: { X, Z, profileTop }, k }: Map): Wanted[] {
  const along = [1, 0.86, 0.72, 0.58].map((f) => ({ x: X(f * boat().lengthMm) - 4, y: Z(0) - 5 / k.value }))
  return [
    { id: 'profile', text: 'profile, starboard', at: [{ x: X(0), y: profileTop.value }], anchor: 'start' },
    { id: 'waterline', text: 'waterline', at: along, anchor: 'end' },
  ]
}
/** What a name should not cover: fittings of every kind, and holes while they are few. */
function inTheWay({ boat, sheet: { X, Y, Z }, k, signs, signSize, throughHull }: Map): Box[] {
  const decks = boat().fittings.map((f) => {
    const { l, w } = sizeOf(f)
    return { x0: X(f.xMm - l / 2), x1: X(f.xMm + l / 2), y0: Y(f.yMm + w / 2), y1: Y(f.yMm - w / 2) }
  })
  const others = boat().others.map((f) => {
    const [xs, ys] = [f.outline.map((p) => X(p.xMm)), f.outline.map((p) => Y(p.yMm))]
    return { x0: Math.min(...xs), x1: Math.max(...xs), y0: Math.min(...ys), y1: Math.max(...ys) }
  })
  const drops = throughHull.value.map((f) => square(X(f.xMm), Z(f.zMm), DROP_PX / k.value))
  const few = signs.value.length <= MOST_KEPT_OFF ? signs.value : []
  const holes = few.map((h) => square(h.x, h.y, (HOLE_PX * signSize.value) / k.value))
  return [...decks, ...others, ...drops, ...holes]
}

/** The names on the map, each where there is room for it. */
export function usePlanNames(map: Map) {
  const wanted = computed(() => [
    ...profileNames(map),
    ...zoneNames(map),
    ...(map.structure() ? structureNames(map) : []),
  ])
  const kept = computed(() => inTheWay(map))
  return computed(() => placeLabels(wanted.value, kept.value, map.k.value))
}
