import { answerOf } from '../../base/calculator/calculator'
import { say } from '../../base/verdict/check'
import { trend } from '../../chapters/watch/trend'
import type { Chainplate } from './design'

/** Looks at its height over the mark; the first is where it stood. */
export const creepOf = (d: Chainplate) =>
  d.creep.length > 0
    ? answerOf(trend, {
        kind: 'creep',
        readings: d.creep.map((r) => ({ date: r.date, value: r.heightMm })),
        referenceMm: 0,
      })
    : null

/** What says that it has moved. */
export function movedOf(d: Chainplate, creep: ReturnType<typeof creepOf>): string[] {
  const said: string[] = []
  if (creep?.suspect)
    said.push(
      creep.verdict === 'short'
        ? `it stands ${say(creep.value)} mm over its mark`
        : 'it has risen at each of the last looks',
    )
  if (d.seen.kneeLifts) said.push('the edge of the knee lifts')
  if (d.seen.beadBroken && (d.seen.weeps || (creep !== null && creep.value > 0)))
    said.push('its bead is broken, and more')
  return said
}
