import { daySaid } from '../base/quantity/day'
import { epoxyBatchOf } from '../chapters/bedding/epoxy-batch'
import { moistureCureOf } from '../chapters/bedding/moisture-cure'
import { SEALANTS, sealant, type SealantId } from '../base/materials/sealants'
import { say } from '../base/verdict/check'

import type { LifeState } from '../base/life-states'
export { LIFE_STATES, type LifeState } from '../base/life-states'
/** What people read; the id is what is stored (chapter 16). */
export const LIFE_TITLES: Record<LifeState, string> = {
  marked: 'marked',
  drilled: 'drilled',
  'core-sealed': 'core sealed',
  'dry-fitted': 'dry fitted',
  bedded: 'bedded',
  cured: 'cured',
  proved: 'proved',
  'in-service': 'in service',
  suspect: 'suspect',
  closed: 'closed',
}
export const lifeSaid = (state: string): string => LIFE_TITLES[state as LifeState] ?? state
/** Boat files of version 1 and 2 wrote the words themselves. */
export const lifeStateOf = (written: string): string => written.replace(' ', '-')
const ORDER: LifeState[] = [
  'marked',
  'drilled',
  'core-sealed',
  'dry-fitted',
  'bedded',
  'cured',
  'proved',
  'in-service',
]

export interface LotFacts {
  code: string
  title: string
  chemistry: string
  kind: 'sealant' | 'epoxy'
  expiresOn: string
  storedHot: boolean
  testedOn: string | null
  /** taken back by its maker or by the yard: it goes into no hole any more */
  recalled?: { on: string; why: string } | null
}
export interface LifeFacts {
  state: LifeState
  /** its number in the hole's life, and the number of the event that it corrects */
  seq?: number
  corrects?: number | null
  /** milliseconds since 1970, so that the core needs no clock of its own */
  at: number
  sizeMm?: number | null
  tempC?: number | null
  humidityPct?: number | null
  lot?: LotFacts | null
  evidence?: string
  note?: string
}
export interface HoleFacts {
  coreSchool: string
  sealant: string | null
  diameterMm: number
  /** what the fitting that is to stand in it is worth, and whether it stands on anything known */
  fitting?: { verdict: string; governing: string | null; onBoat: boolean } | null
}
/** A hole cannot be undone: not for a fitting that is short, nor where nobody knows what is drilled. */
function drillGates({ fitting }: HoleFacts): Gate[] {
  if (!fitting) return []
  const by = fitting.governing ? `, by ${fitting.governing.replaceAll('-', ' ')}` : ''
  return [
    ...(fitting.verdict === 'short'
      ? [
          {
            id: 'fitting-short',
            text: `The fitting is short${by}: mend the design before a hole is drilled for it.`,
          },
        ]
      : []),
    ...(fitting.onBoat
      ? []
      : [
          {
            id: 'off-deck',
            text: 'The fitting stands on no surface that is known: say what is drilled there, or move it back.',
          },
        ]),
  ]
}
export interface Gate {
  id: string
  text: string
}

const HOUR = 3_600_000
const DAY = 24 * HOUR
/** A stub welded to a metal hull: nothing beds it and nothing has to cure. */
export const WELDED = 'welded'
/** Seals on a ring of its own, as a cable gland does: nothing is bedded and nothing cures. */
export const OWN_RING = 'own ring'
const UNBEDDED: (string | null)[] = [WELDED, OWN_RING]
/** For a moisture cure the gate asks for fillet and collar, not for the middle of the flange. */
export const RIM_PATH_MM = 5

const cored = (h: HoleFacts) => h.coreSchool !== 'none'
/** Butyl stays soft for ever, and a weld beds nothing: neither has anything to wait for. */
const cures = (h: HoleFacts) => !UNBEDDED.includes(h.sealant) && h.sealant !== 'butyl'
const ladder = (h: HoleFacts) =>
  ORDER.filter((s) => (s !== 'core-sealed' || cored(h)) && (s !== 'cured' || cures(h)))

/**
 * What still stands: a corrected event no longer does, and a hole marked anew (its fitting was replaced)
 * begins its life again.
 */
export function standing(events: LifeFacts[]): LifeFacts[] {
  const gone = new Set(events.flatMap((e) => (e.corrects == null ? [] : [e.corrects])))
  const live = events.filter((e) => e.seq === undefined || !gone.has(e.seq))
  return live.slice(
    Math.max(
      0,
      live.findLastIndex((e) => e.state === 'marked'),
    ),
  )
}
/** How far the hole has come, whatever suspicion came between. */
export function progress(events: LifeFacts[]): LifeState {
  return standing(events).reduce<LifeState>(
    (far, e) => (ORDER.indexOf(e.state) > ORDER.indexOf(far) ? e.state : far),
    'marked',
  )
}
/**
 * Whether a step of its life is on record already, so that nobody records it twice. A suspicion since then
 * wants it recorded again.
 */
export function hasReached(events: LifeFacts[], state: LifeState): boolean {
  const live = standing(events)
  const far = live.findLastIndex((e) => ORDER.indexOf(e.state) >= ORDER.indexOf(state))
  return far >= 0 && !live.slice(far).some((e) => e.state === 'suspect')
}
/** The states that may be recorded next, the usual one first. */
export function nextStates(hole: HoleFacts, events: LifeFacts[]): LifeState[] {
  const now = standing(events).at(-1)?.state ?? 'marked'
  if (now === 'closed') return ['suspect']
  const steps = ladder(hole)
  const usual = steps[steps.indexOf(progress(events)) + 1]
  const others = steps.filter((s) => s !== usual && s !== 'marked')
  return [
    ...(usual ? [usual] : []),
    ...(now === 'suspect' ? [] : (['suspect'] as const)),
    'closed',
    ...others,
  ]
}

const last = (events: LifeFacts[], state: LifeState) => standing(events).findLast((e) => e.state === state)
export const utcMinute = (at: number) => new Date(at).toISOString().slice(0, 16).replace('T', ' ')

/** What speaks against the lot of a step: none named, the wrong kind, past its date, stored hot. */
export function lotGates(
  event: Pick<LifeFacts, 'lot' | 'at'>,
  kind: 'sealant' | 'epoxy',
  chemistry: string | null,
): Gate[] {
  const lot = event.lot
  if (!lot)
    return [
      { id: 'no-lot', text: `No lot of ${kind} is named, so a bad one could not be traced to this hole.` },
    ]
  const out: Gate[] = []
  if (lot.recalled)
    out.push({
      id: 'lot-recalled',
      text: `Lot ${lot.code} was recalled on ${daySaid(lot.recalled.on)}: ${lot.recalled.why}. Take another.`,
    })
  if (lot.kind !== kind || (chemistry && lot.chemistry !== chemistry))
    out.push({
      id: 'wrong-lot',
      text: `Lot ${lot.code} is ${lot.title}; ${chemistry ? ((SEALANTS as Record<string, { title: string }>)[chemistry]?.title ?? chemistry) : kind} was chosen for this hole.`,
    })
  if (Date.parse(`${lot.expiresOn}T23:59:59Z`) < event.at && !lot.testedOn)
    out.push({
      id: 'lot-expired',
      text: `Lot ${lot.code} went past its date on ${lot.expiresOn}; test a bead or a cup first and record the test.`,
    })
  if (lot.storedHot && !lot.testedOn)
    out.push({
      id: 'lot-stored-hot',
      text: `Lot ${lot.code} was stored hot; test a bead or a cup first and record the test.`,
    })
  return out
}

const EPOXY_SET = 'epoxy-filled'
function epoxyCure(events: LifeFacts[], at: number): Gate[] {
  const sealed = last(events, 'core-sealed')
  // Drilled through an insert that had cured before: the two are recorded in one act.
  if (sealed && last(events, 'drilled')?.at === sealed.at) return []
  return sealed ? epoxyHard(sealed, at, 'cure-core', 'The plugs') : []
}
function epoxyHard(sealed: LifeFacts, at: number, id: string, what: string): Gate[] {
  if (sealed.tempC === null || sealed.tempC === undefined)
    return [
      {
        id: 'cure-unknown',
        text:
          id === 'cure-core'
            ? 'No temperature was recorded when the core was sealed, so its cure cannot be told.'
            : 'No temperature was recorded when it was bedded, so its cure cannot be told.',
      },
    ]
  const mix = epoxyBatchOf({
    neededMl: 50,
    wasteFraction: 0,
    ratio: 2,
    tempC: Math.max(-20, Math.min(60, sealed.tempC)),
    workingMinutes: 1,
    use: 'peanut-butter',
    onePot: false,
    resinGPerMl: 1.15,
    hardenerGPerMl: 0.98,
  })
  if (mix.sandH === null)
    return [
      {
        id,
        text: `At ${say(sealed.tempC)} \u00b0C no hardener cures: ${what.toLowerCase()} ${id === 'cure-core' ? 'are' : 'is'} not hard.`,
      },
    ]
  const ready = sealed.at + mix.sandH * HOUR
  return at + 1000 < ready
    ? [
        {
          id,
          text: `${what} need${id === 'cure-core' ? '' : 's'} ${say(mix.sandH)} hours at ${say(sealed.tempC)} \u00b0C even with ${mix.hardener} hardener: until ${utcMinute(ready)} UTC.`,
        },
      ]
    : []
}

/**
 * Days until rim and middle of the bedding have cured, at the temperatures recorded; null where nothing
 * cures or nothing is known.
 */
export function beddingCure(
  hole: HoleFacts,
  bedded: LifeFacts | undefined,
  path = RIM_PATH_MM,
): { days: number | null; because: string } | null {
  if (!bedded || !hole.sealant || !(hole.sealant in SEALANTS)) return null
  const id = hole.sealant as SealantId
  if (!sealant(id).moistureCure) return null
  if (bedded.tempC == null || bedded.humidityPct == null || bedded.humidityPct <= 0)
    return { days: null, because: 'Temperature and humidity were not recorded when it was bedded.' }
  return moistureCureOf({
    chemistry: id,
    pathMm: path,
    tempC: Math.max(-30, Math.min(60, bedded.tempC)),
    humidityPct: bedded.humidityPct,
  })
}

function sealantCure(hole: HoleFacts, events: LifeFacts[], at: number): Gate[] {
  const bedded = last(events, 'bedded')
  if (!bedded) return []
  if (hole.sealant === EPOXY_SET) return epoxyHard(bedded, at, 'cure-bedding', 'The epoxy it is set in')
  const cure = beddingCure(hole, bedded)
  if (!cure) return []
  if (cure.days === null) return [{ id: 'cure-unknown', text: cure.because }]
  const ready = bedded.at + cure.days * DAY
  return at + 1000 < ready
    ? [
        {
          id: 'cure-bedding',
          text: `Fillet and collar need ${say(cure.days)} days at the recorded temperature and humidity: until ${utcMinute(ready)} UTC.`,
        },
      ]
    : []
}

const skippedGate = (s: LifeState): Gate => {
  if (s === 'core-sealed')
    return { id: 'no-core-seal', text: 'The core of this hole is not sealed: water will stand in it.' }
  if (s === 'proved') return { id: 'no-proof', text: 'No leak test is on record.' }
  if (s === 'cured') return { id: 'no-cure', text: 'It is not recorded as cured.' }
  return { id: `not-${s}`, text: `It is not recorded as ${LIFE_TITLES[s]}.` }
}
function beddedGates(hole: HoleFacts, event: LifeFacts): Gate[] {
  if (UNBEDDED.includes(hole.sealant)) return []
  const out: Gate[] = []
  // What is set in epoxy is traced by its epoxy.
  if (hole.sealant === EPOXY_SET) out.push(...lotGates(event, 'epoxy', null))
  else if (hole.sealant) out.push(...lotGates(event, 'sealant', hole.sealant))
  if (event.tempC == null || event.humidityPct == null)
    out.push({
      id: 'no-temperature',
      text: 'Temperature and humidity are not given, so nobody can tell when it has cured.',
    })
  return out
}
function coreGates(event: LifeFacts): Gate[] {
  const out = [...lotGates(event, 'epoxy', null)]
  if (event.tempC == null)
    out.push({
      id: 'no-temperature',
      text: 'No temperature is given, so nobody can tell when it has cured.',
    })
  return out
}
/** What each state asks of what is known at its time. */
const STATE_GATES: Partial<Record<LifeState, (h: HoleFacts, events: LifeFacts[], e: LifeFacts) => Gate[]>> = {
  drilled: (hole, _, e) => [
    ...drillGates(hole),
    ...(e.sizeMm ? [] : [{ id: 'no-size', text: 'The size it was drilled to is not given.' }]),
  ],
  'core-sealed': (_hole, _events, e) => coreGates(e),
  'dry-fitted': (hole, events, e) => (cored(hole) ? epoxyCure(events, e.at) : []),
  bedded: (hole, _, e) => beddedGates(hole, e),
  cured: (hole, events, e) => sealantCure(hole, events, e.at),
  proved: (_hole, _events, e) =>
    e.evidence?.trim()
      ? []
      : [
          {
            id: 'no-leak-test',
            text: 'Say how it was proved: hose or flood, minutes, what was seen inside.',
          },
        ],
}
const NO_NOTE = 'Say what looks wrong; a suspect hole with no word about it helps nobody.'
const NO_REPAIR = 'Say how it was closed: bevel, cloth, plies, lot.'

/**
 * What stands in the way of a life step. Empty: it may be recorded. A fitter may pass a gate with a
 * reason, which stays on the record. A correction is judged as if what it corrects had never been written;
 * one that takes a hole back is let through.
 */
export function gatesFor(hole: HoleFacts, all: LifeFacts[], event: LifeFacts): Gate[] {
  const wrong = event.corrects == null ? undefined : all.find((e) => e.seq === event.corrects)
  if (wrong && ORDER.includes(event.state) && ORDER.indexOf(event.state) < ORDER.indexOf(wrong.state))
    return []
  const events = wrong ? all.filter((e) => e !== wrong) : all
  if (event.state === 'suspect') return event.note?.trim() ? [] : [{ id: 'no-note', text: NO_NOTE }]
  if (event.state === 'closed') return event.evidence?.trim() ? [] : [{ id: 'no-repair', text: NO_REPAIR }]
  const steps = ladder(hole)
  const target = steps.indexOf(event.state)
  const at = steps.indexOf(progress(events))
  const skipped = target > at + 1 ? steps.slice(at + 1, target) : []
  return [
    ...skipped.map(skippedGate),
    ...(skipped.includes('cured') && event.state === 'proved' ? sealantCure(hole, events, event.at) : []),
    ...(STATE_GATES[event.state]?.(hole, events, event) ?? []),
  ]
}

/** P-001 and so on, as on the printed label. */
export const holeLabel = (n: number) => `P-${String(n).padStart(3, '0')}`
/** A hole by the part of its fitting that it is: the bolts count from one. */
export const boltPart = (index: number) => `bolt ${index + 1}`
