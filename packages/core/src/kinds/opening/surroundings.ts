import { inWords, say, type Check } from '../../base/verdict/check'
import { zoneOfPlace, type BoatPart } from '../../boat/spot'
import type { Other } from '../kind'
import type { OpeningDesign } from './design'
import { aboveCheck } from './above'
import type { AroundOpening } from './judgement'
import { cutOnBoat, flangeBounds } from './outline'

const SOURCE = 'chapter 6.1'
interface Box {
  minX: number
  maxX: number
  minY: number
  maxY: number
}
/** Moved aside or guarded before the saw comes through; the rest is cut with care, or taken down. */
export const KEEP = ['cable', 'tank']
const UNDER = [...KEEP, 'liner', 'headliner']
/** Its middle lies on the same deck as the opening, and not on one above or below. */
const SAME_DECK_MM = 300
const A_HAND_MM = 50

const overlaps = (b: Box, p: BoatPart) => {
  const half = (p.widthMm ?? 0) / 2
  const [x0, x1] = [Math.min(p.x0Mm, p.x1Mm) - half, Math.max(p.x0Mm, p.x1Mm) + half]
  const [y0, y1] = [Math.min(p.y0Mm, p.y1Mm) - half, Math.max(p.y0Mm, p.y1Mm) + half]
  return x1 >= b.minX && x0 <= b.maxX && y1 >= b.minY && y0 <= b.maxY
}
const deep = (p: BoatPart) => (p.belowMm == null ? '' : ` ${say(p.belowMm)} mm under it`)

/** What lies under the line of the cut, and how one comes at it from below. */
function belowCheck(d: OpeningDesign, a: AroundOpening): Check {
  const zone = zoneOfPlace(a.zones, d.place)
  const cut = cutOnBoat(d)
  const under = a.parts.filter((p) => UNDER.includes(p.kind) && overlaps(cut, p))
  const keep = under.filter((p) => KEEP.includes(p.kind))
  const rest = under.filter((p) => !KEEP.includes(p.kind))
  const reach = zone?.reach ? ` Reach from below: ${zone.reach}.` : ''
  const list = (ps: BoatPart[]) => ps.map((p) => `${p.title.toLowerCase()}${deep(p)}`).join(', ')
  const said = [
    ...(keep.length ? [`Under the cut lies ${list(keep)}: moved aside or guarded before the saw`] : []),
    ...(rest.length
      ? [`${keep.length ? 'also ' : 'Under the cut lies '}${list(rest)}: cut with it, or taken down first`]
      : []),
  ]
  return inWords({
    id: 'room-below',
    title: 'What lies under it',
    unit: '',
    source: SOURCE,
    verdict: keep.length ? 'tight' : 'holds',
    because: `${said.length ? said.join('; ') : 'Nothing is drawn under the cut; a hand and a lamp say whether that is so'}.${reach}`,
  })
}
const within = (b: Box, o: Other) => {
  const { xMm, yMm } = o.design.place
  return xMm >= b.minX && xMm <= b.maxX && yMm >= b.minY && yMm <= b.maxY
}
/** Others on the same deck; the boat's other side of a bulkhead is not in anybody's way. */
const onDeck = (d: OpeningDesign, a: AroundOpening) =>
  (a.others ?? []).filter((o) => Math.abs(o.design.place.zMm - d.place.zMm) <= SAME_DECK_MM)
const listed = (os: Other[]) => os.map((o) => o.name).join(', ')

function neighbourCheck(d: OpeningDesign, a: AroundOpening): Check | null {
  const b = flangeBounds(d)
  const half = { x: (b.maxX - b.minX) / 2, y: (b.maxY - b.minY) / 2 }
  const cut = cutOnBoat(d)
  const [cx, cy] = [(cut.minX + cut.maxX) / 2, (cut.minY + cut.maxY) / 2]
  const reach = d.headingDeg % 180 === 0 ? half : { x: Math.max(half.x, half.y), y: Math.max(half.x, half.y) }
  const flange = { minX: cx - reach.x, maxX: cx + reach.x, minY: cy - reach.y, maxY: cy + reach.y }
  const there = onDeck(d, a).filter((o) => within(flange, o))
  if (!there.length) return null
  return inWords({
    id: 'room-neighbours',
    title: 'Clear of other fittings',
    unit: '',
    source: SOURCE,
    verdict: 'short',
    because: `Its flange lies where ${listed(there)} stand${there.length > 1 ? '' : 's'}: another place for one of them.`,
  })
}
/** Where the open lid comes to lie: the cut-out turned over its hinge; null where it has none. */
export function sweptBy(d: OpeningDesign): Box | null {
  if (d.lid?.back !== 'hinge') return null
  const b = cutOnBoat(d)
  const [l, w] = [b.maxX - b.minX, b.maxY - b.minY]
  const by = {
    forward: [-l, 0],
    aft: [l, 0],
    port: [0, -w],
    starboard: [0, w],
  }[d.lid.hingeSide] as [number, number]
  return { minX: b.minX + by[0], maxX: b.maxX + by[0], minY: b.minY + by[1], maxY: b.maxY + by[1] }
}
/** With a hand's room round it. */
const roomFor = (b: Box): Box => ({
  minX: b.minX - A_HAND_MM,
  maxX: b.maxX + A_HAND_MM,
  minY: b.minY - A_HAND_MM,
  maxY: b.maxY + A_HAND_MM,
})
function swingCheck(d: OpeningDesign, a: AroundOpening): Check | null {
  const swept = sweptBy(d)
  if (!swept || !d.lid) return null
  const there = onDeck(d, a).filter((o) => within(roomFor(swept), o))
  const side = d.lid.hingeSide
  const lifts = side === 'aft' && (d.sea === 'foredeck' || d.sea === 'side-deck')
  const said = [
    there.length
      ? `Hinged ${side}, it comes down on ${listed(there)} when it is opened flat: a stay that stops it short, or the hinge on another side`
      : `Hinged ${side}, it opens over free deck`,
    ...(lifts
      ? [
          'a sea from forward lifts a lid that is hinged aft; forward it shuts it. Who wants the air of a scoop shuts and dogs it before it is wet',
        ]
      : []),
  ]
  return inWords({
    id: 'room-swing',
    title: 'Swing of the lid',
    unit: '',
    source: SOURCE,
    verdict: there.length || lifts ? 'tight' : 'holds',
    because: `${said.join('; ')}.`,
  })
}
/** Under it, beside it, and over what it opens; of a flat deck, where the map says what is there. */
export const surroundingChecks = (d: OpeningDesign, a: AroundOpening): Check[] =>
  [belowCheck(d, a), neighbourCheck(d, a), aboveCheck(d, a), swingCheck(d, a)].filter((c) => c !== null)
