import type { Transaction } from 'sequelize'
import {
  checkNamed,
  gatesFor,
  zoneOfPlace,
  type BoatZone,
  type Gate,
  type HoleFacts,
  type LifeFacts,
  type LifeState,
  daySaid,
} from '@north-tide/core'
import { ApiError } from '../errors'
import { LifeEvent, Lot, type Fitting, type Penetration } from '../models'
import { must, type Account } from './access'

/**
 * How a step of a hole's life is weighed and written, whoever records it: the register by hand, or the
 * bench as a step of the work is ticked.
 */
export const blank = {
  note: '',
  sizeMm: null,
  tempC: null,
  humidityPct: null,
  lotId: null,
  evidence: '',
  gatesPassed: [] as string[],
  gateReason: null,
  corrects: null,
}

export const lotFacts = (l: Lot | null | undefined) =>
  l
    ? {
        code: l.code,
        title: l.title,
        chemistry: l.chemistry,
        kind: l.kind,
        expiresOn: l.expiresOn,
        storedHot: l.storedHot,
        testedOn: l.testedOn,
        recalled: l.recalledOn ? { on: l.recalledOn, why: l.recalledWhy! } : null,
      }
    : null

/** The lots that events name, in the facts that gates weigh; one query, or none where none is named. */
export async function factsOf(
  events: LifeEvent[],
  transaction: Transaction | null = null,
): Promise<LifeFacts[]> {
  const named = [...new Set(events.map((e) => e.lotId).filter((id) => id !== null))]
  const lots = new Map(
    (named.length ? await Lot.findAll({ where: { id: named }, transaction }) : []).map((l) => [l.id, l]),
  )
  return events.map((e) => ({
    state: e.state as LifeState,
    seq: e.seq,
    corrects: e.corrects,
    at: e.happenedAt.getTime(),
    sizeMm: e.sizeMm,
    tempC: e.tempC,
    humidityPct: e.humidityPct,
    lot: e.lotId === null ? null : lotFacts(lots.get(e.lotId)),
    evidence: e.evidence,
    note: e.note,
  }))
}

export const holeFacts = (
  p: Pick<Penetration, 'coreSchool' | 'sealant' | 'diameterMm'>,
  fitting: HoleFacts['fitting'] = null,
): HoleFacts => ({
  coreSchool: p.coreSchool,
  sealant: p.sealant,
  diameterMm: p.diameterMm,
  fitting,
})
/** What a fitting is worth as it is stored, for the hole that is to be drilled for it. */
export const worthOf = (
  f: Pick<Fitting, 'verdict' | 'governing' | 'design'>,
  zones: BoatZone[],
): HoleFacts['fitting'] => ({
  verdict: f.verdict,
  governing: f.governing && checkNamed(f.governing).toLowerCase(),
  onBoat: zoneOfPlace(zones, f.design.place) !== null,
})
export const eventsOf = (penetrationId: number, transaction: Transaction | null = null) =>
  LifeEvent.findAll({ where: { penetrationId }, order: [['seq', 'ASC']], transaction })

export interface NextEvent {
  state: LifeState
  at: Date
  note: string
  evidence: string
  sizeMm: number | null
  tempC: number | null
  humidityPct: number | null
  lot: Lot | null
  corrects: number | null
}
const CLOCK_SLACK_MS = 120_000
export function refuseFuture(at: Date) {
  if (at.getTime() > Date.now() + CLOCK_SLACK_MS)
    throw new ApiError(400, 'invalid-input', 'That time has not come yet; a time up to now is accepted', 'at')
}
/**
 * The day of the last thing that happened to a hole. That it was marked is the day it was written down: what
 * was done before that day may still be told.
 */
export const lastDay = (events: Pick<LifeEvent, 'state' | 'happenedAt'>[]): Date | null =>
  events.findLast((e) => e.state !== 'marked')?.happenedAt ?? null
/** A life is written forwards. */
export function refuseEarlier(last: Date | null, at: Date) {
  if (last && at < last)
    throw new ApiError(
      400,
      'invalid-input',
      `The last that happened to it was on ${daySaid(last.toISOString())} at ${last.toISOString().slice(11, 16)} UTC; a later time is accepted`,
      'at',
    )
}
/** What stands before the next event of one hole; times that cannot be are refused outright. */
export function weigh(
  p: Penetration,
  events: LifeEvent[],
  next: NextEvent,
  known: LifeFacts[],
  fitting: HoleFacts['fitting'] = null,
): Gate[] {
  refuseFuture(next.at)
  refuseEarlier(lastDay(events), next.at)
  if (next.corrects && !events.some((e) => e.seq === next.corrects))
    throw new ApiError(400, 'invalid-input', `This hole has no event ${next.corrects} to correct`, 'corrects')
  if (next.corrects && !next.note.trim())
    throw new ApiError(400, 'invalid-input', 'Say what was wrong; a correction explains itself', 'note')
  return gatesFor(holeFacts(p, fitting), known, { ...next, at: next.at.getTime(), lot: lotFacts(next.lot) })
}
/** Gates are passed with a fitter’s reason or not at all. */
export function passOrRefuse(
  who: Account,
  boatId: string,
  gates: Gate[],
  reason: string,
  path = 'gateReason',
) {
  if (!gates.length) return
  if (!reason) throw new ApiError(409, 'gate', gates.map((g) => g.text).join(' '), path, { gates })
  must(who, 'pass-gate', boatId)
}
/** What is kept of an event: gates that were passed, with the reason that was given for it. */
export const eventRow = (
  who: Account,
  penetrationId: number,
  seq: number,
  next: NextEvent,
  gates: Gate[],
  reason: string,
) => ({
  penetrationId,
  seq,
  state: next.state,
  note: next.note,
  who: who.name,
  happenedAt: next.at,
  sizeMm: next.sizeMm,
  tempC: next.tempC,
  humidityPct: next.humidityPct,
  lotId: next.lot?.id ?? null,
  evidence: next.evidence,
  gatesPassed: gates.map((g) => g.id),
  gateReason: gates.length ? reason : null,
  corrects: next.corrects,
})
export async function write(
  who: Account,
  p: Penetration,
  seq: number,
  next: NextEvent,
  gates: Gate[],
  reason: string,
  transaction: Transaction,
) {
  await LifeEvent.create(eventRow(who, p.id, seq, next, gates, reason), { transaction })
}
export async function lotNamed(
  id: number | null | undefined,
  transaction: Transaction | null = null,
): Promise<Lot | null> {
  if (!id) return null
  const lot = await Lot.findByPk(id, { transaction })
  if (!lot) throw new ApiError(400, 'invalid-input', `There is no lot ${id}`, 'lotId')
  return lot
}
