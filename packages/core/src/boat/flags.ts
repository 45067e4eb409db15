import { boundsOf, distanceToSegment, insidePolygon, type Point } from '../base/geometry/outline'
import { formatLength, type Units } from '../base/quantity/format'
import {
  edgeDistance,
  fromAbove,
  layupSaid,
  onFace,
  zoneAt,
  type BoatHole,
  type BoatPart,
  type BoatZone,
} from './spot'
import { wetnessAt, type WetSpot } from './wetness'

export interface AroundSpot {
  zones: BoatZone[]
  parts: BoatPart[]
  holes: BoatHole[]
  /** moisture readings by zone code */
  wet?: Record<string, WetSpot[]>
}
const between = (v: number, a: number, b: number) => v >= Math.min(a, b) && v <= Math.max(a, b)
const within = (s: BoatPart, p: Point) => between(p.xMm, s.x0Mm, s.x1Mm) && between(p.yMm, s.y0Mm, s.y1Mm)
/** A part drawn from −1 to 1 stands for one across the whole breadth. */
const withinY = (s: BoatPart, p: Point) => Math.abs(s.y1Mm - s.y0Mm) <= 2 || between(p.yMm, s.y0Mm, s.y1Mm)
/** From a point to a part's line, mm. */
const toLine = (s: BoatPart, p: Point) =>
  distanceToSegment(p, { xMm: s.x0Mm, yMm: s.y0Mm }, { xMm: s.x1Mm, yMm: s.y1Mm })

export function insideEllipse(s: BoatPart, p: Point): boolean {
  const [cx, cy] = [(s.x0Mm + s.x1Mm) / 2, (s.y0Mm + s.y1Mm) / 2]
  const [rx, ry] = [Math.abs(s.x1Mm - s.x0Mm) / 2 || 1, Math.abs(s.y1Mm - s.y0Mm) / 2 || 1]
  return ((p.xMm - cx) / rx) ** 2 + ((p.yMm - cy) / ry) ** 2 <= 1
}

/** The pointer tells of a beam or a hole this near, and of a longitudinal or a cable this near. */
const TELL_MM = 400
const TELL_CLOSE_MM = 150

/** What a meter looks into: the core of a sandwich, else what the zone is made of. */
const LOOKED_INTO = { sandwich: 'core', solid: 'laminate', timber: 'wood', metal: 'plate' } as const
const capital = (t: string) => t.charAt(0).toUpperCase() + t.slice(1)
function coreSaid(zone: BoatZone, core: ReturnType<typeof wetnessAt>, mm: (v: number) => string): string[] {
  if (!core) return []
  const what = capital(LOOKED_INTO[zone.kind])
  if (core.guess) return [`${what} not read within ${mm(core.nearestMm)}.`]
  const over = core.excess >= 1 ? `, ${Math.round(core.excess)} over dry` : ''
  return [`${what} ${core.wetness}${over}.`]
}
/** Beams, longitudinals, tanks and cables near a point. */
function structureSaid(parts: BoatPart[], p: Point, mm: (v: number) => string): string[] {
  const said: string[] = []
  const beam = parts
    .filter((s) => s.kind === 'beam' || s.kind === 'bulkhead')
    .map((s) => ({ s, dx: s.x0Mm - p.xMm }))
    .sort((a, b) => Math.abs(a.dx) - Math.abs(b.dx))[0]
  if (beam && Math.abs(beam.dx) < TELL_MM) {
    const name = beam.s.kind === 'beam' ? 'Beam' : beam.s.title
    said.push(`${name} ${mm(Math.abs(Math.round(beam.dx)))} ${beam.dx >= 0 ? 'aft' : 'forward'}.`)
  }
  const off = parts.filter((s) => s.kind === 'longitudinal').map((s) => Math.abs(s.y0Mm - p.yMm))
  const longitudinal = Math.min(...off)
  if (longitudinal < TELL_CLOSE_MM) said.push(`Longitudinal ${mm(longitudinal)} off.`)
  for (const s of parts)
    if ((s.kind === 'tank' || s.kind === 'headliner' || s.kind === 'liner') && within(s, p))
      said.push(`${s.title} ${s.belowMm != null ? `${mm(s.belowMm)} ` : ''}below.`)
  for (const s of parts) if (s.kind === 'cable' && toLine(s, p) < TELL_CLOSE_MM) said.push(`${s.title} near.`)
  return said
}
function nearestHole(holes: BoatHole[], p: Point): { h: BoatHole; mm: number } | null {
  let near: { h: BoatHole; mm: number } | null = null
  for (const h of holes) {
    const mm = Math.hypot(h.xMm - p.xMm, h.yMm - p.yMm)
    if (!near || mm < near.mm) near = { h, mm }
  }
  return near
}

/** What lies under a point, in words: what it is made of, what is near below, and the nearest hole. */
export function underPointer(
  { zones, parts, holes, wet: read = {} }: AroundSpot,
  p: Point,
  units: Units,
): { title: string; words: string } {
  const zone = zoneAt(zones, p)
  if (!zone) return { title: 'Off the deck', words: 'Nothing of the boat lies under the pointer.' }
  const mm = (v: number) => formatLength(Math.round(v), units)
  const wet = parts.find((s) => s.kind === 'wet' && insideEllipse(s, p))
  const core = wetnessAt(read[zone.code] ?? [], p)
  const near = nearestHole(holes, p)
  const said = [
    `${layupSaid(zone, units)}.`,
    ...(wet ? [`${wet.title}.`] : []),
    ...coreSaid(zone, core, mm),
    ...structureSaid(parts, p, mm),
    ...(zone.reach ? [`Reach from inside: ${zone.reach}.`] : []),
    ...(near && near.mm < TELL_MM ? [`${near.h.label} ${mm(near.mm)} away.`] : []),
  ]
  const soaked = wet || (core && !core.guess && core.wetness === 'wet')
  return { title: soaked ? `${zone.title}, wet` : zone.title, words: said.join(' ') }
}

/** The same of a place on the hull's side, x aft and z up: what it is made of and how wet it was read. */
export function underSide(
  zone: BoatZone,
  read: WetSpot[],
  at: { xMm: number; zMm: number },
  units: Units,
): { title: string; words: string } {
  const mm = (v: number) => formatLength(Math.round(v), units)
  const core = wetnessAt(read, { xMm: at.xMm, yMm: at.zMm })
  const said = [
    `${layupSaid(zone, units)}.`,
    ...(zone.state ? [`${capital(zone.state)}.`] : []),
    ...coreSaid(zone, core, mm),
    at.zMm < 0 ? `${mm(-at.zMm)} under the waterline.` : `${mm(at.zMm)} over the waterline.`,
  ]
  return {
    title: core && !core.guess && core.wetness === 'wet' ? `${zone.title}, wet` : zone.title,
    words: said.join(' '),
  }
}

/** Nearer to a bolt than this and a thing below is in the way of drill, nut or plate. */
const NEAR_MM = 40
const NEIGHBOUR_MM = 50
const EDGE_MM = 50
/** The common bevel of a patch over one skin, and over a whole laminate (chapter 8.3). */
const BEVEL = 12
/** No list of holes is longer than this in a warning. */
const MOST_NAMED = 4

export interface Flag {
  id: string
  text: string
}
const bevelReach = (zone: BoatZone) => BEVEL * (zone.layers[0]?.thicknessMm ?? 0)

function wetFlag(zone: BoatZone | null, around: AroundSpot, at: Point, spots: Point[]): Flag[] {
  const read = zone ? (around.wet?.[zone.code] ?? []) : []
  const worst = spots
    .map((p) => wetnessAt(read, p))
    .reduce<ReturnType<typeof wetnessAt>>((m, w) => (w && (!m || w.excess > m.excess) ? w : m), null)
  if (around.parts.some((s) => s.kind === 'wet' && [at, ...spots].some((p) => insideEllipse(s, p))))
    return [
      {
        id: 'wet-core',
        text: 'The core is wet here: dry it out, recore, or set an insert before anything is bolted on.',
      },
    ]
  if (worst && !worst.guess && worst.wetness !== 'dry') {
    const then =
      worst.wetness === 'wet'
        ? 'dry it out, recore, or set an insert before anything is bolted on'
        : 'find the way in, and read it again before it is sealed up'
    const over = `${Math.round(worst.excess)} over dry`
    const what = LOOKED_INTO[zone?.kind ?? 'sandwich']
    return [
      {
        id: 'wet-core',
        text: `The ${what} reads ${worst.wetness} here, ${over}: ${what === 'core' ? then : 'let it dry, and read it again, before anything is bonded to it'}.`,
      },
    ]
  }
  if (!worst?.guess || zone?.kind !== 'sandwich') return []
  return [
    {
      id: 'wet-unread',
      text:
        `The nearest moisture reading is ${Math.round(worst.nearestMm)} mm away: ` +
        'whether the core is dry here is a guess. Take one on the spot.',
    },
  ]
}

/** Beams, longitudinals and cables that a bolt comes near to. */
function structureFlags(parts: BoatPart[], spots: Point[]): Flag[] {
  const out: Flag[] = []
  const cross = parts.find(
    (s) =>
      (s.kind === 'beam' || s.kind === 'bulkhead' || s.kind === 'knee') &&
      spots.some((p) => Math.abs(p.xMm - s.x0Mm) < NEAR_MM + (s.widthMm ?? 0) / 2 && withinY(s, p)),
  )
  if (cross) {
    const what = cross.kind === 'beam' ? 'beam' : cross.title.toLowerCase()
    out.push({
      id: cross.kind,
      text:
        `A bolt comes within ${NEAR_MM} mm of the ${what} at x ${Math.round(cross.x0Mm)}: ` +
        `shift it, or clip the plate to the ${cross.kind}.`,
    })
  }
  const near = (kind: BoatPart['kind'], room: (s: BoatPart) => number) =>
    parts.find((s) => s.kind === kind && spots.some((p) => toLine(s, p) < room(s)))
  const long = near('longitudinal', (s) => NEAR_MM + (s.widthMm ?? 0) / 2)
  if (long)
    out.push({
      id: 'longitudinal',
      text:
        `A bolt comes within ${NEAR_MM} mm of the ${long.title.toLowerCase()}: ` +
        'shift it, or clip the plate to it.',
    })
  const cable = near('cable', () => NEAR_MM)
  if (cable)
    out.push({
      id: 'cable',
      text:
        `${cable.title} runs within ${NEAR_MM} mm of a bolt: ` +
        'switch it off, move it aside, and set a stop on the drill.',
    })
  return out
}
/** What lies below the deck there. */
function belowFlags(parts: BoatPart[], spots: Point[]): Flag[] {
  const out: Flag[] = []
  const tank = parts.find((s) => s.kind === 'tank' && spots.some((p) => within(s, p)))
  if (tank) {
    const down = tank.belowMm != null ? `, ${Math.round(tank.belowMm)} mm down` : ''
    const ask = tank.belowMm == null ? ', and find out how far down it is' : ''
    out.push({ id: 'tank', text: `${tank.title} lies below${down}: set a stop on the drill${ask}.` })
  }
  const lining = parts.find(
    (s) => (s.kind === 'headliner' || s.kind === 'liner') && spots.some((p) => within(s, p)),
  )
  if (lining)
    out.push({
      id: 'lining',
      text:
        `${lining.title} covers the inside: take it down first, ` +
        'or the nuts cannot be reached nor a leak be seen.',
    })
  return out
}
/** Reach, and where the panel ends. */
function zoneFlags(zone: BoatZone | null, at: Point, bolts: Point[]): Flag[] {
  if (!zone) return []
  const out: Flag[] = []
  if (zone.reachKind === 'none')
    out.push({
      id: 'no-reach',
      text:
        'There is no reach from inside here: cut an access, ' +
        'take a fitting that is held from above, or move.',
    })
  const edge = edgeDistance(zone, at, bolts)
  if (edge < EDGE_MM)
    out.push({
      id: 'panel-edge',
      text:
        `The panel “${zone.title.toLowerCase()}” ends ${Math.round(edge)} mm from a bolt ` +
        'and another build-up begins: measure it there, or move in.',
    })
  return out
}
/** Of a boat's holes, which may be thousands, those near enough to the bolts to be asked of each of them. */
function holesNear(all: BoatHole[], spots: Point[], reachMm: number): BoatHole[] {
  const { minX, maxX, minY, maxY } = boundsOf({ outline: spots })
  return all.filter((h) => {
    const r = Math.max(NEIGHBOUR_MM, reachMm + (h.diameterMm ?? 0) / 2)
    return h.xMm >= minX - r && h.xMm <= maxX + r && h.yMm >= minY - r && h.yMm <= maxY + r
  })
}
/** Holes beside the bolts, and those whose repair will reach them. */
function holeFlags(zone: BoatZone | null, all: BoatHole[], spots: Point[]): Flag[] {
  const holes = holesNear(all, spots, zone ? bevelReach(zone) : 0)
  const apart = (h: BoatHole) => Math.min(...spots.map((p) => Math.hypot(h.xMm - p.xMm, h.yMm - p.yMm)))
  const named = (list: BoatHole[]) =>
    list
      .map((h) => h.label)
      .slice(0, MOST_NAMED)
      .join(', ')
  const out: Flag[] = []
  const near = holes.filter((h) => apart(h) < NEIGHBOUR_MM && apart(h) > 0.5)
  if (near.length)
    out.push({
      id: 'neighbour',
      text: `${named(near)} within ${NEIGHBOUR_MM} mm of a bolt: close it first, or move.`,
    })
  const reaches = (h: BoatHole) =>
    zone !== null && h.state === 'suspect' && apart(h) - (h.diameterMm ?? 0) / 2 < bevelReach(zone)
  const bevelled = holes.filter((h) => !near.includes(h) && reaches(h))
  if (bevelled.length)
    out.push({
      id: 'bevel',
      text:
        `When ${named(bevelled)} ${bevelled.length > 1 ? 'are' : 'is'} closed, a bevel of ${BEVEL}:1 ` +
        'reaches a bolt here: grind and fill first, then drill this.',
    })
  return out
}

/** Things that a fitter settles before drilling here, each with what to do: said, never forbidden. */
export function flagsAt(
  around: AroundSpot,
  at: Point & { zone?: string | null; zMm?: number },
  bolts: Point[],
): Flag[] {
  const { zones, parts, holes } = around
  const side = zones.find((z) => !fromAbove(z) && z.code === at.zone)
  if (side) return flagsOnSide(side, at, bolts)
  const spots = bolts.length ? bolts.map((b) => ({ xMm: at.xMm + b.xMm, yMm: at.yMm + b.yMm })) : [at]
  const zone = zoneAt(zones, at)
  const nowhere = {
    id: 'off-deck',
    text: 'This place is on no known surface: its layup is a guess. Drill a probe, or add the zone.',
  }
  return [
    ...(zone ? [] : [nowhere]),
    ...wetFlag(zone, around, at, spots),
    ...structureFlags(parts, spots),
    ...belowFlags(parts, spots),
    ...zoneFlags(zone, at, bolts),
    ...holeFlags(zone, holes, spots),
  ]
}

/**
 * On a topside, a bottom or a bulkhead: what the plan of the deck says of beams and tanks is not true
 * there.
 */
function flagsOnSide(zone: BoatZone, at: Point & { zMm?: number }, bolts: Point[]): Flag[] {
  const out: Flag[] = []
  if (zone.reachKind === 'none')
    out.push({ id: 'no-reach', text: 'There is no reach from inside here: cut an access, or move.' })
  const p = onFace(zone, { ...at, zMm: at.zMm ?? zone.zMm })
  if (!insidePolygon(zone.outline, p))
    out.push({
      id: 'off-deck',
      text: `This place lies outside \u201c${zone.title.toLowerCase()}\u201d as it is drawn: check the height, or mend the outline.`,
    })
  else if (edgeDistance(zone, p, bolts) < EDGE_MM)
    out.push({
      id: 'panel-edge',
      text: `\u201c${zone.title}\u201d ends ${Math.round(edgeDistance(zone, p, bolts))} mm from a bolt: measure what it joins, or move in.`,
    })
  if ((at.zMm ?? zone.zMm) < 0)
    out.push({
      id: 'below-water',
      text: 'This lies below the waterline: plan it ashore, with a plug ready and a watch after launch.',
    })
  return out
}
