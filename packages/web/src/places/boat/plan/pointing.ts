import { shallowRef, type Ref } from 'vue'
import type { ZoomTransform } from 'd3-zoom'
import type { BoatZone, Point } from '@north-tide/core'
import type { BoatPicture } from '../../../types'
import type { Sign } from '../HoleLayer.vue'
import type { PlanSheet, Spot3 } from './sheet'

interface PlanMap {
  boat: () => BoatPicture
  cursor: () => Point
  svg: Ref<SVGSVGElement | undefined>
  transform: Ref<ZoomTransform>
  signs: Ref<Sign[]>
  sheet: PlanSheet
  zoomBy: (factor: number) => void
  reset: () => void
  /** what is pointed at, moved to, placed and opened */
  tell: {
    point: (p: Point | null) => void
    side: (at: { zone: BoatZone; spot: { xMm: number; zMm: number } } | null) => void
    move: (p: Point) => void
    place: (p: Spot3) => void
    hole: (id: number) => void
  }
}
const AIM_PX = 14

/** The pointer over the map: the hole that is near enough to be meant, or else the place on the boat. */
function pointed({ svg, transform, signs, sheet, tell }: PlanMap) {
  const over = shallowRef<Sign | null>(null)
  function holeAt(e: MouseEvent): Sign | null {
    const r = svg.value!.getBoundingClientRect()
    const t = transform.value
    let best: Sign | null = null
    let least = AIM_PX
    for (const q of signs.value) {
      const d = Math.hypot(q.x * t.k + t.x - (e.clientX - r.left), q.y * t.k + t.y - (e.clientY - r.top))
      if (d < least) [best, least] = [q, d]
    }
    return best
  }
  /** Where on the sheet, before it was moved and zoomed. */
  function underPointer(e: MouseEvent): [number, number] {
    const r = svg.value!.getBoundingClientRect()
    return transform.value.invert([e.clientX - r.left, e.clientY - r.top])
  }
  function look(e: PointerEvent) {
    if (!svg.value) return
    const at = underPointer(e)
    const p = sheet.back(at)
    over.value = holeAt(e)
    tell.point(sheet.onPlan(p) ? { xMm: p.xMm, yMm: p.yMm } : null)
    tell.side(sheet.onPlan(p) ? null : sheet.sideAt(at))
  }
  /** While the map is dragged nothing is asked of it; otherwise once a frame is enough. */
  let asked = 0
  function hover(e: PointerEvent) {
    if (e.buttons || asked) return
    asked = requestAnimationFrame(() => {
      asked = 0
      look(e)
    })
  }
  function leave() {
    tell.point(null)
    tell.side(null)
    over.value = null
  }
  function click(e: MouseEvent) {
    const hole = holeAt(e)
    if (hole) return tell.hole(hole.id)
    const at = underPointer(e)
    const p = sheet.back(at)
    if (sheet.onPlan(p)) return tell.place({ xMm: Math.round(p.xMm), yMm: Math.round(p.yMm) })
    const side = sheet.sideAt(at)
    if (side) tell.place(side.spot)
  }
  return { over, hover, leave, click }
}

const within = (v: number, least: number, most: number) => Math.max(least, Math.min(most, v))
/** The same by keys: arrows move, `+`, `-` and `0` zoom, `o` opens the nearest hole, Enter places. */
function keyed({ boat, cursor, svg, zoomBy, reset, tell }: PlanMap) {
  const openNearest = () => {
    const c = cursor()
    const near = boat()
      .holes.map((h) => ({ h, mm: Math.hypot(h.xMm - c.xMm, h.yMm - c.yMm) }))
      .sort((a, b) => a.mm - b.mm)[0]
    if (near) tell.hole(near.h.id)
  }
  const move = (dx: number, dy: number) => {
    const { lengthMm, beamMm } = boat()
    tell.move({
      xMm: within(cursor().xMm + dx, 0, lengthMm),
      yMm: within(cursor().yMm + dy, -beamMm / 2, beamMm / 2),
    })
  }
  return (e: KeyboardEvent) => {
    const step = e.shiftKey ? 500 : 50
    const acts: Record<string, () => void> = {
      ArrowLeft: () => move(-step, 0),
      ArrowRight: () => move(step, 0),
      ArrowUp: () => move(0, step),
      ArrowDown: () => move(0, -step),
      '+': () => zoomBy(1.5),
      '=': () => zoomBy(1.5),
      '-': () => zoomBy(1 / 1.5),
      '0': reset,
      o: openNearest,
      // Enter on a fitting or a through-hull opens that.
      ...(e.target === svg.value ? { Enter: () => tell.place(cursor()) } : {}),
    }
    const act = acts[e.key]
    if (!act) return
    act()
    e.preventDefault()
  }
}

/** Pointer and keys on the map of a boat. */
export const usePointing = (map: PlanMap) => ({ ...pointed(map), key: keyed(map) })
