import type { AngleSurvey } from '../../chapters/layout/angle-survey'
import type { RowDesign } from './design'

type Station = Pick<AngleSurvey['stations'][number], 'id' | 'side' | 'axis' | 'bracketDeg' | 'flagged'>
/** The number that a station bears in its name: 7, station 7, P7. */
const numberOf = (id: string) => {
  const found = /(\d+)\D*$/.exec(id)
  return found ? Number(found[1]) : null
}
const among = (ns: number[]) => ns.join(', ')
/**
 * What each place of a row is bent to, from the angles of the survey on its side, across, with the cradle's
 * own heel taken out. A station that the survey doubts is left out and named; so is a place without one.
 */
export function bendsFrom(
  d: { place: { yMm: number } },
  count: number,
  stations: Station[],
): { bends: RowDesign['bends']; said: string } {
  const side = d.place.yMm < 0 ? 'port' : 'starboard'
  const mine = stations.filter((s) => s.side === side && s.axis === 'across')
  const at = (n: number) => mine.find((s) => numberOf(s.id) === n)
  const places = Array.from({ length: count }, (_, i) => i + 1)
  const bends = places.flatMap((n) => {
    const s = at(n)
    return s && !s.flagged ? [{ at: n, deg: Math.round(s.bracketDeg * 10) / 10 }] : []
  })
  const doubted = places.filter((n) => at(n)?.flagged)
  const without = places.filter((n) => !at(n))
  const said = [
    `${bends.length} of ${count} taken from the survey, ${side}`,
    ...(doubted.length ? [`doubted there and left out: ${among(doubted)}`] : []),
    ...(without.length ? [`not read: ${among(without)}`] : []),
  ]
  return { bends, said: `${said.join('; ')}.` }
}
/** One place bent by hand, or not any more. */
export const bentAt = (bends: RowDesign['bends'], at: number, deg: number | null): RowDesign['bends'] =>
  [...bends.filter((b) => b.at !== at), ...(deg === null ? [] : [{ at, deg }])].sort((a, b) => a.at - b.at)
