import { answerOf } from '../../base/calculator/calculator'
import { inWords, say, type Check } from '../../base/verdict/check'
import { lifeSaid } from '../../boat/life'
import { zoneOfPlace, type BoatHole } from '../../boat/spot'
import { compartment } from '../../chapters/making/compartment'
import type { Around } from '../kind'
import type { OpeningDesign } from './design'
import type { Behind } from './judgement'

const SOURCE = 'chapter 15.4'

/** What stands behind the bulkhead when the compartment is flooded to its top, and what it does to her. */
export function behindOf(d: OpeningDesign, boat: Around['boat']): Behind | null {
  const box = d.gland?.behind
  if (!box) return null
  const { lengthMm, widthMm, heightMm, side, pumpLpm } = box
  const xMm = side === 'forward' ? d.place.xMm - lengthMm : d.place.xMm
  const r = answerOf(compartment, {
    shape: { kind: 'box', lengthMm, widthMm, heightMm, xMm },
    ...(boat ? { boat } : {}),
    ...(pumpLpm === null ? {} : { pumpLpm }),
  })
  const { bowMm, sternMm, pumpMinutes } = r
  return {
    waterKg: r.waterKg,
    pressureKPa: r.pressureKPa!,
    bowMm,
    sternMm,
    pumpMinutes,
  }
}
const lower = (what: string, v: number) =>
  `${what} ${say(Math.abs(Math.round(v)))} mm ${v < 0 ? 'higher' : 'lower'}`
export const behindSaid = (b: Behind | null): string => {
  if (!b) return ''
  const trim = b.bowMm === null ? '' : `, her ${lower('bow', b.bowMm)} and her ${lower('stern', b.sternMm!)}`
  const pump =
    b.pumpMinutes === null
      ? ''
      : `; its pump takes ${say(Math.ceil(b.pumpMinutes))} min once nothing comes in`
  return ` Behind it would stand ${say(b.waterKg)} kg of water, ${say(b.pressureKPa)} kPa at its foot${trim}${pump}.`
}

/** Made, and not yet filled by what goes in. */
const OPEN = ['drilled', 'core-sealed', 'dry-fitted']
/** Filled, and not yet shown to be tight; or shown once, and doubted since. */
const DOUBTED = ['bedded', 'cured', 'suspect']
const named = (hs: BoatHole[]) => hs.map((h) => `${h.label} (${lifeSaid(h.state!)})`).join(', ')
/** A bulkhead is as tight as the worst hole in it: what else goes through it, and is not shut. */
export function othersThrough(d: OpeningDesign, a: Pick<Around, 'zones'> & { holes?: BoatHole[] }): Check[] {
  const zone = zoneOfPlace(a.zones, d.place)
  if (zone?.face !== 'bulkhead') return []
  const flood = d.gland?.floodZMm ?? null
  const under = (h: BoatHole) => flood === null || h.zMm === undefined || h.zMm <= flood
  const through = (a.holes ?? []).filter((h) => h.zone === zone.code && h.state !== undefined)
  const open = through.filter((h) => OPEN.includes(h.state!))
  const [low, high] = [open.filter(under), open.filter((h) => !under(h))]
  const doubted = through.filter((h) => DOUBTED.includes(h.state!))
  const shape = { id: 'bulkhead-open', title: 'Other ways through this bulkhead', unit: '', source: SOURCE }
  const said = [
    ...(low.length ? [`open${flood === null ? '' : ' below where it floods to'}: ${named(low)}`] : []),
    ...(high.length ? [`open above it: ${named(high)}`] : []),
    ...(doubted.length ? [`filled and not proved tight: ${named(doubted)}`] : []),
  ]
  const count = through.length
  if (!said.length)
    return [
      inWords({
        ...shape,
        verdict: 'holds',
        because: count
          ? `${count} more on record, each of them shut.`
          : 'Nothing else is on record through it; what nobody has put on record is not known.',
      }),
    ]
  return [
    inWords({
      ...shape,
      verdict: low.length ? 'short' : 'tight',
      because: `The compartment is as tight as its worst hole. ${said.join('; ').replace(/^./, (c) => c.toUpperCase())}.`,
    }),
  ]
}
