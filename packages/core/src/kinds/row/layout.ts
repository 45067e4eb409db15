import { answerOf } from '../../base/calculator/calculator'
import { CalcError } from '../../base/errors'
import { spacing } from '../../chapters/layout/spacing'
import type { Around, Other } from '../kind'
import { lengthOf } from '../path'
import type { RowDesign } from './design'
import type { RowJudgement } from './judgement'
import { mapKeepouts, type Keepout } from './line'
import { neighbourKeepouts } from './neighbours'

export type Layout = RowJudgement['layout']
/**
 * What it keeps off: by hand, what of the map crosses its line, and other fittings that stand on it. One that
 * is there already stands where it stands: what it comes down on is said, and nothing is shared out anew.
 */
export function keepoutsOf(
  d: RowDesign,
  a: Pick<Around, 'parts' | 'others'>,
  own: (o: Other) => boolean,
): Keepout[] {
  const byHand = d.keepouts.map((k) => ({ ...k, byMap: false, guessed: false }))
  if (d.mapMarginMm === null) return byHand
  return [
    ...byHand,
    ...mapKeepouts(d.path, a.parts, d.mapMarginMm),
    ...(d.existing ? [] : neighbourKeepouts(d, a.others, own, d.mapMarginMm)),
  ]
}
/** A pitch that is not ours to choose, as a track's own holes: within so much it is kept to a tenth. */
const FINE_MM = 5
const TENTHS = 10
/**
 * The calculator sets out whole millimetres. Where the pitch leaves no choice and is none, it is asked in
 * tenths, so that holes at 4 in are 101.6 mm apart and not 102.
 */
function fineness({ leastMm, wantedMm, mostMm }: RowDesign['pitch']): number {
  const whole = [leastMm, wantedMm, mostMm].every(Number.isInteger)
  return whole || mostMm - leastMm > FINE_MM ? 1 : TENTHS
}
const GRAIN_MM = 1e-6
/** Where each stands on its line. @throws CalcError `off-path` where the line is shorter than the row */
export function layoutOf(d: RowDesign, keepouts: Keepout[]): Layout {
  const long = lengthOf(d.path)
  if (d.toMm > long + GRAIN_MM)
    throw new CalcError('off-path', 'toMm', `${d.toMm} was given; the line is ${Math.floor(long)} mm long`)
  const k = fineness(d.pitch)
  const up = (v: number) => Math.round(v * k)
  const out = answerOf(spacing, {
    path: d.path.map((p) => ({ xMm: p.xMm * k, yMm: p.yMm * k, zMm: p.zMm * k })),
    fromMm: up(d.fromMm),
    toMm: up(d.toMm),
    footprintMm: up(d.footprintMm),
    pitch: { leastMm: up(d.pitch.leastMm), wantedMm: up(d.pitch.wantedMm), mostMm: up(d.pitch.mostMm) },
    ends: d.ends,
    ...(d.endToleranceMm === null ? {} : { endToleranceMm: up(d.endToleranceMm) }),
    ...(d.count === null ? {} : { count: d.count }),
    keepouts: keepouts.map((o) => ({
      name: o.name,
      fromMm: up(o.fromMm),
      toMm: up(o.toMm),
      marginMm: up(o.marginMm),
    })),
    ...(d.through ? { hull: { ...d.through, thicknessMm: d.through.thicknessMm * k } } : {}),
  })
  return k === 1 ? out : inMillimetres(out, k)
}
function inMillimetres(l: Layout, k: number): Layout {
  const down = (v: number) => v / k
  const maybe = (v: number | null) => (v === null ? null : v / k)
  return {
    ...l,
    positions: l.positions.map((p) => ({
      ...p,
      sMm: down(p.sMm),
      xMm: down(p.xMm),
      yMm: down(p.yMm),
      zMm: down(p.zMm),
      fromPreviousMm: maybe(p.fromPreviousMm),
      ...(p.insideOffsetMm === undefined ? {} : { insideOffsetMm: down(p.insideOffsetMm) }),
    })),
    pitches: l.pitches.map(down),
    meanPitchMm: maybe(l.meanPitchMm),
    evennessMm: maybe(l.evennessMm),
    offWantedMm: maybe(l.offWantedMm),
    blocked: l.blocked && { ...l.blocked, byMm: maybe(l.blocked.byMm) },
  }
}
