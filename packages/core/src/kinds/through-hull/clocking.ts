import { answerOf } from '../../base/calculator/calculator'
import { valveClocking } from '../../chapters/hull/valve-clocking'
import { say, unproven, type Check, type Verdict } from '../../base/verdict/check'
import { THROUGH_HULL_FAMILY } from './families'
import type { ThroughHullDesign } from './design'
import type { Clocked } from './judgement'
import { mapObstacles, neighbourObstacles, type Obstacle } from './obstacles'
import { workState, type LogLine } from '../work'
import { plain } from './plain'
import type { ThroughHullAround } from './placing'

/** Pitch of a tail that has no thread on record, as if it were of 11 to the inch. */
const PITCH_11_MM = 2.31
const INCH = 25.4

/** Everything that stands in the handle's plane: measured, of the map, and the neighbours' handles. */
export const obstaclesOf = (d: ThroughHullDesign, around: ThroughHullAround): Obstacle[] => [
  ...d.clock.obstacles,
  ...mapObstacles(d, around.parts).filter((o) => !d.clock.ignored.includes(o.what)),
  ...neighbourObstacles(d, around),
]

function pitchOf(d: ThroughHullDesign): number {
  const t = d.skin.thread
  if (!t) return PITCH_11_MM
  if (t.size === '1/2' || t.size === '3/4') return INCH / 14
  return INCH / (t.family.startsWith('np') ? 11.5 : 11)
}

/** A pad that is drilled holds the flange in as many positions as it has bolts; before, at any angle. */
const padDrilled = (d: ThroughHullDesign, log: LogLine[]) => {
  const { ticks } = workState(log)
  return d.existing || !!ticks['pad-drill'] || !!ticks['bolt-holes']
}
export function clockOf(d: ThroughHullDesign, obstacles: Obstacle[], log: LogLine[]): Clocked | null {
  if (!d.valve || !THROUGH_HULL_FAMILY[d.family].valve) return null
  return answerOf(valveClocking, {
    measuredDeg: d.clock.measuredDeg ?? d.clock.wantedDeg,
    wantedDeg: d.clock.wantedDeg,
    toleranceDeg: d.clock.toleranceDeg,
    flangeMm: d.skin.flangeMm,
    pitchMm: pitchOf(d),
    handleMm: d.valve.handleMm,
    handle: d.valve.handle,
    ...(d.valve.kind === 'screwed'
      ? { base: 'screw' as const }
      : { base: 'flange' as const, bolts: Math.max(3, d.hold.bolts), drilled: padDrilled(d, log) }),
    sweepDeg: d.valve.sweepDeg,
    obstacles: obstacles.map(({ x1Mm, y1Mm, x2Mm, y2Mm }) => ({ x1Mm, y1Mm, x2Mm, y2Mm })),
  })
}

/** Free but for what the flat map draws: whether that reaches up to the handle is a question. */
function onlyTheMap(d: ThroughHullDesign, obstacles: Obstacle[], log: LogLine[]): string[] {
  const there = clockOf(
    d,
    obstacles.filter((o) => !o.map),
    log,
  )
  return there?.sweepFree ? [...new Set(obstacles.filter((o) => o.map).map((o) => o.what))] : []
}
function swingCheck(d: ThroughHullDesign, clock: Clocked, obstacles: Obstacle[], log: LogLine[]): Check {
  const asked = clock.sweepFree ? [] : onlyTheMap(d, obstacles, log)
  if (asked.length)
    return unproven({
      id: 'handle-swing',
      title: 'Handle swings free',
      unit: '',
      source: 'chapter 5.4',
      because: `On the map ${asked.join(' and ')} lie${asked.length > 1 ? '' : 's'} within its sweep: does it reach up to the handle? Look, and say so under what stands in its way${clock.bestDeg === null ? '' : `; at ${say(clock.bestDeg)}\u00b0 it is free whatever it does`}.`,
    })
  return plain(
    'handle-swing',
    'Handle swings free',
    clock.sweepFree ? 'holds' : 'short',
    clock.sweepFree
      ? `Open at ${say(d.clock.wantedDeg)}\u00b0 it swings ${say(Math.abs(d.valve!.sweepDeg))}\u00b0 to shut with 15 mm for the fingers.`
      : clock.bestDeg === null
        ? 'There is no direction in which it swings free: another place, a shorter handle or a tee.'
        : `Something stands in its way; ${say(clock.bestDeg)}\u00b0 is the nearest that is free.`,
    'chapter 5.4',
  )
}
export const clockChecks = (
  d: ThroughHullDesign,
  clock: Clocked,
  obstacles: Obstacle[],
  log: LogLine[],
): Check[] => [swingCheck(d, clock, obstacles, log), clockedCheck(d, clock)]
const COUNTED = [
  'no',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
]
/** As many as it has bolts. */
export const positionsSaid = (clock: Clocked) =>
  `${COUNTED[clock.positions.length] ?? clock.positions.length} positions`
/**
 * Whether the handle ends up where it is wanted. A flange is turned by its bolt holes first; only what is
 * left then matters.
 */
function clockedCheck(d: ThroughHullDesign, clock: Clocked): Check {
  const title = 'Handle where it is wanted'
  if (d.valve!.kind !== 'screwed' && !clock.positions.length && clock.bestDeg !== null) {
    const off = offDeg(clock.bestDeg, d.clock.wantedDeg)
    const words = 'The pad is not drilled yet, so the flange goes on at any angle'
    return off <= d.clock.toleranceDeg + 1e-9
      ? plain('clocked', title, 'holds', `${words}: its bolts are marked off it as it points.`, 'chapter 5.4')
      : plain(
          'clocked',
          title,
          'tight',
          `${words}; ${say(clock.bestDeg)}\u00b0 is the nearest free one, ${say(off)}\u00b0 off.`,
          'chapter 5.4',
        )
  }
  if (d.clock.measuredDeg === null)
    return unproven({
      id: 'clocked',
      title,
      unit: 'deg',
      source: 'chapter 5.4',
      because: 'Where the handle points, dry fitted, has not been measured.',
    })
  const said = (verdict: Verdict, because: string) => plain('clocked', title, verdict, because, 'chapter 5.4')
  if (!clock.needed) return said('holds', 'It stops within the tolerance of where it is wanted.')
  if (d.valve!.kind === 'screwed')
    return said(
      'tight',
      `Turn the skin fitting ${say(Math.abs(clock.rotateDeg))}\u00b0 ${clock.directionInside === 'ccw' ? 'counter-clockwise' : 'clockwise'} seen from inside before it is bonded: ${say(clock.rimArcMm)} mm on the flange\u2019s rim, the other way round outside. Or a shim of ${say(clock.shimMm)} mm.`,
    )
  if (clock.bestDeg === null)
    return said(
      'short',
      `The flange goes on in ${positionsSaid(clock)}, and in none of them does the handle swing free.`,
    )
  const off = offDeg(clock.bestDeg, d.clock.wantedDeg)
  return off <= d.clock.toleranceDeg + 1e-9
    ? said(
        'holds',
        `The flange goes on in ${positionsSaid(clock)}; at ${say(clock.bestDeg)}\u00b0 it is within the tolerance of where it is wanted.`,
      )
    : said(
        'tight',
        `The flange goes on in ${positionsSaid(clock)}; ${say(clock.bestDeg)}\u00b0 is the nearest free one, ${say(off)}\u00b0 off.`,
      )
}
/** How far apart two azimuths are, 0 to 180. */
export const offDeg = (a: number, b: number) => Math.abs(((((a - b) % 360) + 540) % 360) - 180)
