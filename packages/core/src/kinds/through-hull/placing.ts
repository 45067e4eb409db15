import type { Launch } from '../../boat/place'
import type { BoatHole, BoatPart, BoatZone } from '../../boat/spot'
import { distanceToSegment } from '../../base/geometry/outline'
import { formatLength, type Units } from '../../base/quantity/format'
import { say, sentence } from '../../base/verdict/check'
import { THROUGH_HULL_FAMILY, DISCHARGES, INTAKES, USE_TITLES } from './families'
import type { ThroughHullDesign } from './design'
import type { OwnGoods } from './own-goods'

/** Another fitting through the same hull. */
export interface Neighbour {
  id: string
  name: string
  design: ThroughHullDesign
}
export interface ThroughHullAround {
  /** skin fittings, valves and tails of the yard's own, for what is offered */
  goods?: OwnGoods[]
  zones: BoatZone[]
  parts: BoatPart[]
  holes: BoatHole[]
  others: Neighbour[]
  launch?: Launch | undefined
}
export interface Question {
  id: string
  title: string
  /** what the map and the figures say to it */
  found: string
  /** fine by itself; look: something speaks against it; ask: only the fitter knows */
  state: 'fine' | 'look' | 'ask'
  answer: string
}
const SHARE_MM = 1500
const STRUCTURE_MM = 60
const SLING_MM = 150
const WAKE_HALF_MM = 200
const UPSTREAM = 20

/** What each question is asked of. */
interface Asked {
  d: ThroughHullDesign
  around: ThroughHullAround
  mm: (v: number) => string
  below: boolean
  intake: boolean
  /** half of what lies on the hull */
  halfMm: number
}
type Found = Omit<Question, 'answer'>
const found = (id: string, title: string, state: Question['state'], said: string): Found => ({
  id,
  title,
  state,
  found: said,
})

function useAsked({ d }: Asked): Found {
  const state = d.use === 'other' ? 'ask' : 'fine'
  return found('use', 'Must this hole exist?', state, `For ${USE_TITLES[d.use]}.`)
}

function shareAsked({ d, around, mm, intake }: Asked): Found {
  const { xMm, yMm } = d.place
  const far = (o: Neighbour) => Math.hypot(o.design.place.xMm - xMm, o.design.place.yMm - yMm)
  const share = around.others.filter(
    (o) => intake && INTAKES.includes(o.design.use) && o.design.place.zMm < 0 && far(o) < SHARE_MM,
  )
  const near = share.map((o) => `${o.name} takes in water ${mm(far(o))} away`).join('; ')
  const alone = intake ? 'No other intake lies near.' : 'Only intakes are shared.'
  return found(
    'share',
    'Can it share a hole?',
    share.length ? 'look' : 'fine',
    share.length ? `${near}: a manifold behind one sea chest saves this hole.` : alone,
  )
}

function reachAsked({ d, around }: Asked): Found {
  const zone = around.zones.find((z) => z.code === d.place.zone)
  const kind = zone?.reachKind
  const state = kind === 'open' || kind === 'one-arm' ? 'fine' : kind === 'none' ? 'look' : 'ask'
  return found(
    'reach',
    'Reached in a hurry?',
    state,
    zone && kind && kind !== 'unknown'
      ? `${zone.title}: ${zone.reach || kind.replace('-', ' ')}.`
      : 'The map does not know how it is reached from inside: with the floorboards in, in the dark.',
  )
}

function sweepAsked(sweepFree: boolean | null): Found {
  const title = 'Does the handle swing?'
  if (sweepFree === null) return found('sweep', title, 'ask', 'Draw what stands round it on the dial.')
  return sweepFree
    ? found('sweep', title, 'fine', 'Open to shut, a hand\u2019s width round it, nothing in the way.')
    : found('sweep', title, 'look', 'Something stands in its way: turn it on the dial, or move.')
}

/** How far the middle of the fitting is from a part, in plan. */
function apartMm(d: ThroughHullDesign, p: BoatPart): number {
  const { xMm, yMm } = d.place
  if (Math.abs(p.y1Mm - p.y0Mm) <= 2 && p.kind !== 'longitudinal') return Math.abs(p.x0Mm - xMm)
  if (p.kind === 'tank') return between(xMm, p.x0Mm, p.x1Mm) && between(yMm, p.y0Mm, p.y1Mm) ? 0 : Infinity
  return alongMm(d, p)
}
const alongMm = (d: ThroughHullDesign, p: BoatPart) =>
  distanceToSegment(d.place, { xMm: p.x0Mm, yMm: p.y0Mm }, { xMm: p.x1Mm, yMm: p.y1Mm })

const STRUCTURE = ['beam', 'bulkhead', 'knee', 'longitudinal', 'tank']
function structureAsked({ d, around, mm, below, halfMm }: Asked): Found {
  const near = around.parts.filter(
    (p) =>
      STRUCTURE.includes(p.kind) && apartMm(d, p) < halfMm + STRUCTURE_MM && !(p.kind === 'beam' && below),
  )
  const named = sentence(near.map((p) => p.title.toLowerCase()).join(', '))
  return found(
    'structure',
    'Clear of structure?',
    near.length ? 'look' : 'fine',
    near.length
      ? `${named} within ${mm(halfMm + STRUCTURE_MM)}: pad and spanner want room, and nothing is cut.`
      : 'Nothing on the map stands within reach of flange and pad. ' +
          'Floors under the sole are to be looked at.',
  )
}

function flowAsked({ d, around, mm, halfMm }: Asked): Found {
  const { xMm, yMm } = d.place
  const behind = around.others.filter(
    (o) =>
      o.design.transducer &&
      o.design.place.xMm > xMm &&
      Math.abs(o.design.place.yMm - yMm) < WAKE_HALF_MM + halfMm &&
      o.design.place.xMm - xMm < UPSTREAM * Math.max(1, d.skin.proudMm),
  )
  const ahead = d.transducer ? aheadOf(d, around).filter((a) => a.distanceMm < UPSTREAM * a.heightMm) : []
  const names = (those: { name: string }[]) => those.map((o) => o.name).join(', ')
  const said = behind.length
    ? `Its head stands ${mm(d.skin.proudMm)} proud ahead of ${names(behind)}: 20 heights clear, or flush.`
    : ahead.length
      ? `${names(ahead)} stand${ahead.length > 1 ? '' : 's'} in its flow.`
      : 'No paddle wheel or transducer lies in its wake, nothing stands in its own.'
  return found('flow', 'In anyone\u2019s flow?', behind.length || ahead.length ? 'look' : 'fine', said)
}

function slingsAsked({ d, around, halfMm }: Asked): Found {
  const lifts = around.parts.filter(
    (p) =>
      (p.kind === 'sling' && Math.abs((p.x0Mm + p.x1Mm) / 2 - d.place.xMm) < halfMm + SLING_MM) ||
      (p.kind === 'bunk' && alongMm(d, p) < halfMm + SLING_MM),
  )
  const known = around.parts.some((p) => p.kind === 'sling' || p.kind === 'bunk')
  const clear = known
    ? 'No sling or bunk marked on the map bears here.'
    : 'Where slings and bunks go is not on the map: ask whoever lifts her.'
  return found(
    'slings',
    'Clear of slings and trailer bunks?',
    lifts.length ? 'look' : known ? 'fine' : 'ask',
    lifts.length ? `${lifts.map((p) => p.title).join(', ')} would bear on it.` : clear,
  )
}

/** What a drain and a discharge are asked, and an intake that drinks from one. */
function dischargeAsked({ d, around, intake }: Asked): Found[] {
  const { xMm } = d.place
  const out: Found[] = []
  if (d.use === 'sink-drain' || d.use === 'cockpit-drain')
    out.push(
      found(
        'drains',
        'Does it drain straight, from above?',
        'ask',
        'The sink or sole stands over it, the hose falls all the way without a belly.',
      ),
    )
  const title = 'Aft of the intakes?'
  const names = (those: Neighbour[]) => those.map((o) => o.name).join(', ')
  if (d.use === 'toilet-discharge') {
    const aft = around.others.filter((o) => INTAKES.includes(o.design.use) && o.design.place.xMm > xMm)
    const lie = `lie${aft.length > 1 ? '' : 's'}`
    out.push(
      aft.length
        ? found(
            'discharge',
            title,
            'look',
            `${names(aft)} ${lie} aft of it and would drink what it lets out.`,
          )
        : found('discharge', title, 'fine', 'No intake lies aft of it.'),
    )
  }
  const foul = around.others.filter((o) => o.design.use === 'toilet-discharge' && o.design.place.xMm < xMm)
  if (intake && foul.length)
    out.push(found('discharge', title, 'look', `${names(foul)} lets out forward of this intake.`))
  return out
}

function depthAsked({ d, mm, below, intake }: Asked): Found {
  const { yMm, zMm } = d.place
  const heelRad = (d.heeledDeg * Math.PI) / 180
  const heel = (side: 1 | -1) => zMm * Math.cos(heelRad) - side * yMm * Math.sin(heelRad)
  const [stbd, port] = [heel(1), heel(-1)]
  const level = (z: number) => (z < 0 ? `${mm(-z)} under` : `${mm(z)} over`)
  const rest = below ? `${mm(-zMm)} under at rest` : `${mm(zMm)} over the water at rest`
  const said = `${rest}; heeled ${say(d.heeledDeg)}\u00b0 to starboard ${level(stbd)}, to port ${level(port)}.`
  const dry = intake && (stbd >= 0 || port >= 0)
  const drains = d.family === 'above-water' || DISCHARGES.includes(d.use)
  const wet = drains && !below && (stbd < 0 || port < 0)
  const so = dry
    ? ' It sucks air heeled.'
    : wet
      ? ' It goes under heeled: a valve, or a loop well above.'
      : ''
  return found('depth', 'How far under, at rest and heeled?', dry || wet ? 'look' : 'fine', `${said}${so}`)
}

/** Must this hole exist, and is this the place: in the order in which fitters ask (chapter 5). */
export function placingOf(
  d: ThroughHullDesign,
  around: ThroughHullAround,
  sweepFree: boolean | null,
  units: Units,
): Question[] {
  const asked: Asked = {
    d,
    around,
    mm: (v) => formatLength(Math.round(v), units),
    below: d.place.zMm < 0,
    intake: INTAKES.includes(d.use),
    halfMm: Math.max(d.skin.flangeMm, d.pad?.diameterMm ?? 0) / 2,
  }
  return [
    useAsked(asked),
    shareAsked(asked),
    ...(THROUGH_HULL_FAMILY[d.family].valve ? [reachAsked(asked), sweepAsked(sweepFree)] : []),
    structureAsked(asked),
    ...(asked.below ? [flowAsked(asked)] : []),
    slingsAsked(asked),
    ...dischargeAsked(asked),
    depthAsked(asked),
  ].map((q) => ({ ...q, answer: d.asks[q.id] ?? '' }))
}
const between = (v: number, a: number, b: number) => v >= Math.min(a, b) && v <= Math.max(a, b)

/** What stands proud upstream in the same streak of water. */
export function aheadOf(
  d: ThroughHullDesign,
  around: Pick<ThroughHullAround, 'others'>,
): { name: string; distanceMm: number; heightMm: number }[] {
  return around.others
    .filter(
      (o) =>
        o.design.place.zMm < 0 &&
        o.design.place.xMm < d.place.xMm &&
        Math.abs(o.design.place.yMm - d.place.yMm) < WAKE_HALF_MM &&
        o.design.skin.proudMm > 0,
    )
    .map((o) => ({
      name: o.name,
      distanceMm: d.place.xMm - o.design.place.xMm,
      heightMm: o.design.skin.proudMm,
    }))
}
/** Answered: what speaks against it has a word on record, and what only the fitter knows has been said. */
export const unanswered = (qs: Question[]) => qs.filter((q) => q.state !== 'fine' && !q.answer.trim())
