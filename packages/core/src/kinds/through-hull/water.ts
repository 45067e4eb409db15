import { answerOf } from '../../base/calculator/calculator'
import { cockpitDrain, G } from '../../chapters/hull/cockpit-drain'
import { transducerTilt } from '../../chapters/hull/transducer-tilt'
import { check, say, unproven, type Check } from '../../base/verdict/check'
import type { ThroughHullDesign } from './design'
import type { Drained, Tilted } from './judgement'
import { aheadOf, type ThroughHullAround } from './placing'
import { plain } from './plain'
import { plumb } from './seat'

const SUCTION_MS = 1.5
const DISCHARGE_MS = 2.5
const STRAINER_MS = 0.6
/** Half a strainer is weed and shell before anybody looks at it. */
const GROWN_OVER = 0.5
const areaM2 = (boreMm: number) => (Math.PI / 4) * (boreMm / 1000) ** 2

function boreCheck(d: ThroughHullDesign): Check[] {
  if (d.flowLpm === null || d.skin.boreMm <= 0) return []
  const bore = Math.min(d.skin.boreMm, d.tail?.boreMm ?? Infinity, d.valve?.boreMm ?? Infinity)
  const v = d.flowLpm / 60000 / areaM2(bore)
  const limit =
    d.use.endsWith('intake') || d.use === 'deck-wash' || d.use === 'galley' ? SUCTION_MS : DISCHARGE_MS
  return [
    check({
      id: 'bore',
      title: 'Bore for the flow',
      unit: 'm/s',
      source: 'chapter 5.8',
      demand: v,
      capacity: limit,
      because: `${say(d.flowLpm)} L/min through ${say(bore)} mm, the narrowest of the train, run at ${say(v)} m/s; ${limit} m/s is the most. ${say(Math.sqrt((4 * d.flowLpm) / 60000 / (Math.PI * limit)) * 1000)} mm would do.`,
    }),
  ]
}

function chestChecks(d: ThroughHullDesign): Check[] {
  if (!d.chest) return []
  const all = d.chest.users.reduce((t, u) => t + u.flowLpm, 0) / 60000
  const bore = areaM2(Math.min(d.skin.boreMm, d.valve?.boreMm ?? Infinity))
  if (!(all > 0)) return []
  const through = all / (GROWN_OVER * d.chest.openMm2 * 1e-6)
  return [
    check({
      id: 'chest-bore',
      title: 'Chest feeds all its users',
      unit: 'm/s',
      source: 'chapter 5.8',
      demand: all / bore,
      capacity: SUCTION_MS,
      because: `${d.chest.users.map((u) => u.name).join(', ')} draw ${say(all * 60000)} L/min together: ${say(all / bore)} m/s through the bore; ${SUCTION_MS} m/s is the most.`,
    }),
    {
      ...check({
        id: 'chest-strainer',
        title: 'Strainer open enough',
        unit: 'm/s',
        source: 'chapter 5.8',
        demand: through,
        capacity: STRAINER_MS,
        because: `With half of its ${say(d.chest.openMm2)} mm\u00b2 grown over the slots run at ${say(through)} m/s; ${STRAINER_MS} m/s is typical, or it draws in weed.`,
      }),
      assumed: ['half of the strainer grown over'],
    },
  ]
}

export const elementOf = (d: ThroughHullDesign, around: ThroughHullAround): Tilted | null =>
  d.transducer
    ? answerOf(transducerTilt, {
        deadriseDeg: plumb(d) ? 0 : Math.min(59.9, d.hull.deadriseDeg),
        tiltsDeg: d.transducer.tiltsDeg,
        waterDepthM: d.transducer.waterDepthM,
        ahead: aheadOf(d, around).map(({ distanceMm, heightMm }) => ({ distanceMm, heightMm })),
      })
    : null

export const drainOf = (d: ThroughHullDesign): Drained | null =>
  d.drain
    ? answerOf(cockpitDrain, {
        ...d.drain,
        drainMm: Math.max(1, Math.min(d.skin.boreMm, d.tail?.boreMm ?? Infinity)),
      })
    : null

const CD = 0.6
const chokeLpm = (holeMm: number, depthMm: number) =>
  CD * areaM2(holeMm) * Math.sqrt((2 * G * depthMm) / 1000) * 60000
/**
 * The choke hole behind the plug lets in what the pumps carry for ever when the plug is out (5.7): its own
 * flow, by its own diameter.
 */
function chokeChecks(d: ThroughHullDesign): Check[] {
  const p = d.plug
  if (!p?.choke || d.place.zMm >= 0) return []
  const shape = { id: 'choke-flow', title: 'Choke hole, plug out', unit: 'L/min', source: 'chapter 5.7' }
  if (p.chokeMm === null)
    return [
      unproven({
        ...shape,
        because: 'The choke hole has no diameter yet: If it lets go says the largest that the pumps hold.',
      }),
    ]
  const flow = chokeLpm(p.chokeMm, -d.place.zMm)
  const said = `A hole of ${say(p.chokeMm)} mm lets in ${say(flow)} L/min at ${say(-d.place.zMm)} mm under water`
  if (p.pumpsLpm === null)
    return [unproven({ ...shape, because: `${said}; nobody has said what the pumps there carry.` })]
  if (p.pumpsLpm === 0)
    return [plain(shape.id, shape.title, 'short', `${said}; no pump there carries it off.`, shape.source)]
  return [
    check({
      ...shape,
      demand: flow,
      capacity: p.pumpsLpm,
      because: `${said}; the pumps there carry ${say(p.pumpsLpm)} L/min.`,
    }),
  ]
}

function plugChecks(d: ThroughHullDesign): Check[] {
  const p = d.plug
  if (!p) return []
  const held = plain(
    'plug-held',
    'Through-bolted to a block',
    p.throughBolted && p.block ? 'holds' : 'short',
    p.throughBolted
      ? p.block
        ? 'Through-bolted to a backing block.'
        : 'Through-bolted, but on bare hull: a block behind it.'
      : 'Short screws let go at the first knock: through-bolt it to a block.',
    'chapter 5.9',
  )
  const made = [held, ...chokeChecks(d)]
  if (!p.grounds) return made
  return [
    ...made,
    plain(
      'plug-flush',
      'Flush where it grounds',
      p.flush ? 'holds' : 'short',
      p.flush ? 'Flush.' : 'She takes the ground here and it stands proud.',
      'chapter 5.9',
    ),
  ]
}

/** What passes through it, what it looks at, how fast it empties, and what stops it. */
export function waterChecks(
  d: ThroughHullDesign,
  j: { tiltElement: Tilted | null; drain: Drained | null },
): Check[] {
  return [
    ...boreCheck(d),
    ...chestChecks(d),
    // A paddle wheel sends no beam: only what flows to it counts.
    ...(j.tiltElement?.checks ?? [])
      .filter((c) => c.id !== 'tilt' || d.transducer?.kind !== 'paddle')
      .map((c) =>
        d.hull.angleMeasured
          ? { ...c, id: `beam-${c.id}` }
          : { ...c, id: `beam-${c.id}`, assumed: [...c.assumed, 'deadrise'] },
      ),
    ...(j.drain?.checks ?? []),
    ...plugChecks(d),
  ]
}
