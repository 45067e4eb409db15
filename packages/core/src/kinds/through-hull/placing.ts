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

/** Must this hole exist, and is this the place: in the order in which fitters ask (chapter 5). */
export function placingOf(
  d: ThroughHullDesign,
  around: ThroughHullAround,
  sweepFree: boolean | null,
  units: Units,
): Question[] {
  const out: Question[] = []
  const put = (id: string, title: string, state: Question['state'], found: string) =>
    out.push({ id, title, state, found, answer: d.asks[id] ?? '' })
  const mm = (v: number) => formatLength(Math.round(v), units)
  const { xMm, yMm, zMm } = d.place
  const below = zMm < 0
  const info = THROUGH_HULL_FAMILY[d.family]
  const intake = INTAKES.includes(d.use)
  const half = Math.max(d.skin.flangeMm, d.pad?.diameterMm ?? 0) / 2
  const far = (o: Neighbour) => Math.hypot(o.design.place.xMm - xMm, o.design.place.yMm - yMm)

  const share = intake
    ? around.others.filter(
        (o) => INTAKES.includes(o.design.use) && o.design.place.zMm < 0 && far(o) < SHARE_MM,
      )
    : []
  put(
    'share',
    'Can it share a hole?',
    intake ? (share.length ? 'look' : 'fine') : 'fine',
    share.length
      ? `${share.map((o) => `${o.name} takes in water ${mm(far(o))} away`).join('; ')}: a manifold behind one sea chest saves this hole.`
      : intake
        ? 'No other intake lies near.'
        : 'Only intakes are shared.',
  )
  const zone = around.zones.find((z) => z.code === d.place.zone)
  if (info.valve)
    put(
      'reach',
      'Reached in a hurry?',
      zone?.reachKind === 'open' || zone?.reachKind === 'one-arm'
        ? 'fine'
        : zone?.reachKind === 'none'
          ? 'look'
          : 'ask',
      zone?.reachKind && zone.reachKind !== 'unknown'
        ? `${zone.title}: ${zone.reach || zone.reachKind.replace('-', ' ')}.`
        : 'The map does not know how it is reached from inside: with the floorboards in, in the dark.',
    )
  if (info.valve)
    put(
      'sweep',
      'Does the handle swing?',
      sweepFree === null ? 'ask' : sweepFree ? 'fine' : 'look',
      sweepFree === null
        ? 'Draw what stands round it on the dial.'
        : sweepFree
          ? 'Open to shut, a hand\u2019s width round it, nothing in the way.'
          : 'Something stands in its way: turn it on the dial, or move.',
    )
  const near = around.parts.filter(
    (p) =>
      ['beam', 'bulkhead', 'knee', 'longitudinal', 'tank'].includes(p.kind) &&
      (Math.abs(p.y1Mm - p.y0Mm) <= 2 && p.kind !== 'longitudinal'
        ? Math.abs(p.x0Mm - xMm)
        : p.kind === 'tank'
          ? between(xMm, p.x0Mm, p.x1Mm) && between(yMm, p.y0Mm, p.y1Mm)
            ? 0
            : Infinity
          : distanceToSegment({ xMm, yMm }, { xMm: p.x0Mm, yMm: p.y0Mm }, { xMm: p.x1Mm, yMm: p.y1Mm })) <
        half + STRUCTURE_MM &&
      !(p.kind === 'beam' && below),
  )
  put(
    'structure',
    'Clear of structure?',
    near.length ? 'look' : 'fine',
    near.length
      ? `${sentence(near.map((p) => p.title.toLowerCase()).join(', '))} within ${mm(half + STRUCTURE_MM)}: pad and spanner want room, and nothing is cut.`
      : 'Nothing on the map stands within reach of flange and pad. Floors under the sole are to be looked at.',
  )
  if (below) {
    const behind = around.others.filter(
      (o) =>
        o.design.transducer &&
        o.design.place.xMm > xMm &&
        Math.abs(o.design.place.yMm - yMm) < WAKE_HALF_MM + half &&
        o.design.place.xMm - xMm < UPSTREAM * Math.max(1, d.skin.proudMm),
    )
    const ahead = d.transducer ? aheadOf(d, around).filter((a) => a.distanceMm < UPSTREAM * a.heightMm) : []
    put(
      'flow',
      'In anyone\u2019s flow?',
      behind.length || ahead.length ? 'look' : 'fine',
      behind.length
        ? `Its head stands ${mm(d.skin.proudMm)} proud ahead of ${behind.map((o) => o.name).join(', ')}: 20 heights clear, or flush.`
        : ahead.length
          ? `${ahead.map((a) => a.name).join(', ')} stand${ahead.length > 1 ? '' : 's'} in its flow.`
          : 'No paddle wheel or transducer lies in its wake, nothing stands in its own.',
    )
  }
  const lifts = around.parts.filter(
    (p) =>
      (p.kind === 'sling' && Math.abs((p.x0Mm + p.x1Mm) / 2 - xMm) < half + SLING_MM) ||
      (p.kind === 'bunk' &&
        distanceToSegment({ xMm, yMm }, { xMm: p.x0Mm, yMm: p.y0Mm }, { xMm: p.x1Mm, yMm: p.y1Mm }) <
          half + SLING_MM),
  )
  const known = around.parts.some((p) => p.kind === 'sling' || p.kind === 'bunk')
  put(
    'slings',
    'Clear of slings and trailer bunks?',
    lifts.length ? 'look' : known ? 'fine' : 'ask',
    lifts.length
      ? `${lifts.map((p) => p.title).join(', ')} would bear on it.`
      : known
        ? 'No sling or bunk marked on the map bears here.'
        : 'Where slings and bunks go is not on the map: ask whoever lifts her.',
  )
  if (d.use === 'sink-drain' || d.use === 'cockpit-drain')
    put(
      'drains',
      'Does it drain straight, from above?',
      'ask',
      'The sink or sole stands over it, the hose falls all the way without a belly.',
    )
  if (d.use === 'toilet-discharge') {
    const aft = around.others.filter((o) => INTAKES.includes(o.design.use) && o.design.place.xMm > xMm)
    put(
      'discharge',
      'Aft of the intakes?',
      aft.length ? 'look' : 'fine',
      aft.length
        ? `${aft.map((o) => o.name).join(', ')} lie${aft.length > 1 ? '' : 's'} aft of it and would drink what it lets out.`
        : 'No intake lies aft of it.',
    )
  }
  if (intake) {
    const foul = around.others.filter((o) => o.design.use === 'toilet-discharge' && o.design.place.xMm < xMm)
    if (foul.length)
      put(
        'discharge',
        'Aft of the intakes?',
        'look',
        `${foul.map((o) => o.name).join(', ')} lets out forward of this intake.`,
      )
  }
  const heel = (side: 1 | -1) =>
    zMm * Math.cos((d.heeledDeg * Math.PI) / 180) - side * yMm * Math.sin((d.heeledDeg * Math.PI) / 180)
  const [stbd, port] = [heel(1), heel(-1)]
  const said = `${below ? `${mm(-zMm)} under at rest` : `${mm(zMm)} over the water at rest`}; heeled ${say(d.heeledDeg)}\u00b0 to starboard ${stbd < 0 ? `${mm(-stbd)} under` : `${mm(stbd)} over`}, to port ${port < 0 ? `${mm(-port)} under` : `${mm(port)} over`}.`
  const dry = intake && (stbd >= 0 || port >= 0)
  const wet = (d.family === 'above-water' || DISCHARGES.includes(d.use)) && !below && (stbd < 0 || port < 0)
  put(
    'depth',
    'How far under, at rest and heeled?',
    dry || wet ? 'look' : 'fine',
    `${said}${dry ? ' It sucks air heeled.' : wet ? ' It goes under heeled: a valve, or a loop well above.' : ''}`,
  )
  put('use', 'Must this hole exist?', d.use === 'other' ? 'ask' : 'fine', `For ${USE_TITLES[d.use]}.`)
  return [out.at(-1)!, ...out.slice(0, -1)]
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
