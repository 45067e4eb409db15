import { QueryTypes } from 'sequelize'
import { z } from 'zod'
import { GRADES, PLATES, SIZES, LIFE_STATES, RIM_PATH_MM, beddingCure, boundsOf, formatLength, gatesFor, gripLayersOf, holeLabel, measureSaid, nextStates, parseDesign, parseInput, type Gate, type LifeFacts, type LifeState } from '@north-tide/core'
import { ApiError, notFound } from '../errors'
import { Boat, Fitting, HullFitting, HullLog, LifeEvent, Lot, Penetration } from '../models'
import { mayPassGates, mayRead, mayWrite, type Account } from './access'

export interface HoleRow {
  id: number
  number: number
  label: string
  fittingId: string | null
  hullFittingId: string | null
  whatFor: string
  zone: string
  xMm: number
  yMm: number
  zMm: number
  diameterMm: number
  through: string
  fastener: string
  plate: string
  coreSchool: string
  sealant: string | null
  belowWaterline: boolean
  found: boolean
  acrossMm: number | null
  foundKind: string | null
  measuredFrom: string
  state: LifeState
  since: string
  who: string
  gatesPassed: number
}

/** Every hole of a boat with where it stands in its life. */
export async function holesOf(boatId: string): Promise<HoleRow[]> {
  const rows = await Penetration.sequelize!.query<Omit<HoleRow, 'label' | 'since'> & { since: Date }>(
    `SELECT p.id, p.number, p.fitting_id AS "fittingId", p.hull_fitting_id AS "hullFittingId", p.what_for AS "whatFor", p.zone, p.x_mm AS "xMm", p.y_mm AS "yMm", p.z_mm AS "zMm", p.diameter_mm AS "diameterMm",
            p.through, p.fastener, p.plate, p.core_school AS "coreSchool", p.sealant, p.below_waterline AS "belowWaterline", p.found, p.across_mm AS "acrossMm", p.found_kind AS "foundKind", p.measured_from AS "measuredFrom",
            e.state, e.happened_at AS since, e.who,
            (SELECT count(*)::int FROM life_events g WHERE g.penetration_id = p.id AND cardinality(g.gates_passed) > 0) AS "gatesPassed"
       FROM penetrations p
       JOIN LATERAL (SELECT state, happened_at, who FROM life_events WHERE penetration_id = p.id ORDER BY seq DESC LIMIT 1) e ON true
      WHERE p.boat_id = :boatId ORDER BY p.number`,
    { replacements: { boatId }, type: QueryTypes.SELECT },
  )
  return rows.map((r) => ({ ...r, label: holeLabel(r.number), since: r.since.toISOString() }))
}

export async function register(who: Account, boatId: string) {
  mayRead(who, boatId)
  if (!(await Boat.findByPk(boatId))) throw notFound('boat')
  return holesOf(boatId)
}

/** The fitting's bolt holes become penetrations, marked, numbered after the last of the boat. */
export async function recordFitting(who: Account, fittingId: string, now = new Date()) {
  const sequelize = Fitting.sequelize!
  return sequelize.transaction(async (transaction) => {
    const f = /^[0-9a-f-]{36}$/i.test(fittingId) ? await Fitting.findByPk(fittingId, { transaction, lock: transaction.LOCK.UPDATE }) : null
    if (!f) throw notFound('fitting')
    mayWrite(who, f.boatId)
    if (f.recordedAt) throw new ApiError(409, 'recorded', 'Its holes are in the register already')
    const boat = await Boat.findByPk(f.boatId, { transaction, lock: transaction.LOCK.UPDATE })
    const d = parseDesign(f.design)
    const last = ((await Penetration.max('number', { where: { boatId: f.boatId }, transaction })) as number | null) ?? 0
    const through = gripLayersOf(d).filter((l) => !['base', 'bedding', 'filler bed', 'backing plate'].includes(l.name)).map((l) => `${l.name} ${formatLength(l.thicknessMm, boat!.units)}`).join(', ')
    const made: Penetration[] = []
    for (const [i, b] of d.bolts.entries()) {
      const p = await Penetration.create(
        {
          boatId: f.boatId, number: last + 1 + i, fittingId: f.id, boltIndex: i, whatFor: `${d.name}, bolt ${i + 1}`, zone: d.place.zone ?? 'not in a zone',
          xMm: d.place.xMm + b.xMm, yMm: d.place.yMm + b.yMm, zMm: d.place.zMm, diameterMm: SIZES[d.bolt.size]!.clearanceMm, through,
          fastener: `${d.bolt.size} ${GRADES[d.bolt.grade].title}`, plate: d.plate ? `${PLATES[d.plate.material].title}, ${formatLength(d.plate.thicknessMm, boat!.units)}` : '',
          coreSchool: d.structure.kind === 'sandwich' ? d.core.school : 'none', sealant: d.bedding.sealant, belowWaterline: d.place.belowWaterline, found: false,
          measuredFrom: d.place.measuredFrom.map((m) => measureSaid(m, boat!.units)).join('; '),
        },
        { transaction },
      )
      await LifeEvent.create({ ...blank, penetrationId: p.id, seq: 1, state: 'marked', who: who.name, happenedAt: now }, { transaction })
      made.push(p)
    }
    if (d.pipeMm) {
      // A pipe, cable or shaft beside the bolts is a hole like any other.
      const p = await Penetration.create(
        {
          boatId: f.boatId, number: last + 1 + d.bolts.length, fittingId: f.id, boltIndex: null, whatFor: `${d.name}, pipe`, zone: d.place.zone ?? 'not in a zone', xMm: d.place.xMm, yMm: d.place.yMm, zMm: d.place.zMm, diameterMm: d.pipeMm, through, fastener: '', plate: '',
          coreSchool: d.structure.kind === 'sandwich' ? d.core.school : 'none', sealant: d.bedding.sealant, belowWaterline: d.place.belowWaterline, found: false, measuredFrom: d.place.measuredFrom.map((m) => measureSaid(m, boat!.units)).join('; '),
        },
        { transaction },
      )
      await LifeEvent.create({ ...blank, penetrationId: p.id, seq: 1, state: 'marked', who: who.name, happenedAt: now }, { transaction })
      made.push(p)
    }
    await f.update({ recordedAt: now }, { transaction })
    return made.map((p) => holeLabel(p.number))
  })
}

export const blank = { note: '', sizeMm: null, tempC: null, humidityPct: null, lotId: null, evidence: '', gatesPassed: [] as string[], gateReason: null, corrects: null }

const lotFacts = (l: Lot | null | undefined) => (l ? { code: l.code, title: l.title, chemistry: l.chemistry, kind: l.kind, expiresOn: l.expiresOn, storedHot: l.storedHot, testedOn: l.testedOn } : null)

async function facts(events: LifeEvent[]): Promise<LifeFacts[]> {
  const lots = new Map((await Lot.findAll({ where: { id: [...new Set(events.map((e) => e.lotId).filter((id) => id !== null))] } })).map((l) => [l.id, l]))
  return events.map((e) => ({ state: e.state as LifeState, at: e.happenedAt.getTime(), sizeMm: e.sizeMm, tempC: e.tempC, humidityPct: e.humidityPct, lot: e.lotId === null ? null : lotFacts(lots.get(e.lotId)), evidence: e.evidence, note: e.note }))
}

async function load(who: Account, id: number) {
  const p = Number.isInteger(id) && id > 0 && id < 2 ** 31 ? await Penetration.findByPk(id) : null
  if (!p) throw notFound('hole')
  mayRead(who, p.boatId)
  const events = await LifeEvent.findAll({ where: { penetrationId: p.id }, order: [['seq', 'ASC']] })
  return { p, events }
}

export async function hole(who: Account, id: number) {
  const { p, events } = await load(who, id)
  const known = await facts(events)
  const holeFacts = { coreSchool: p.coreSchool, sealant: p.sealant, diameterMm: p.diameterMm }
  const bedded = [...known].reverse().find((e) => e.state === 'bedded')
  const f = p.fittingId ? await Fitting.findByPk(p.fittingId) : null
  const b = f ? boundsOf('diameterMm' in f.design.base ? { diameterMm: f.design.base.diameterMm } : { lengthMm: f.design.base.lengthMm, widthMm: f.design.base.widthMm }) : null
  const hull = p.hullFittingId ? await HullFitting.findByPk(p.hullFittingId) : null
  const half = b ? Math.min(b.maxX, b.maxY) : hull ? hull.design.skin.flangeMm / 2 : null
  const rim = beddingCure(holeFacts, bedded, RIM_PATH_MM)
  const middle = half ? beddingCure(holeFacts, bedded, half) : null
  const row = (await holesOf(p.boatId)).find((h) => h.id === p.id)!
  return {
    ...row, next: nextStates(holeFacts, known), sizes: events.filter((e) => e.sizeMm !== null).map((e) => ({ at: e.happenedAt.toISOString(), sizeMm: e.sizeMm! })),
    log: p.hullFittingId ? (await HullLog.findAll({ where: { hullFittingId: p.hullFittingId }, order: [['id', 'ASC']] })).map((l) => ({ kind: l.kind, value: l.value ?? null, note: l.note, who: l.who, at: l.at.toISOString() })) : [],
    cure: bedded ? { rimDays: rim?.days ?? null, middleDays: middle?.days ?? null } : null,
    events: events.map((e, i) => ({ seq: e.seq, state: e.state, note: e.note, who: e.who, at: e.happenedAt.toISOString(), sizeMm: e.sizeMm, tempC: e.tempC, humidityPct: e.humidityPct, lot: known[i]!.lot?.code ?? null, evidence: e.evidence, gatesPassed: e.gatesPassed, gateReason: e.gateReason, corrects: e.corrects })),
  }
}

const optional = <T extends z.ZodType>(t: T) => t.nullish()
const eventBody = z.strictObject({
  state: z.enum(LIFE_STATES),
  note: z.string().max(2000).default(''),
  at: optional(z.iso.datetime({ offset: true })),
  sizeMm: optional(z.number().positive().max(1000)),
  tempC: optional(z.number().min(-30).max(60)),
  humidityPct: optional(z.number().min(0).max(100)),
  lotId: optional(z.number().int().positive().max(2 ** 31 - 1)),
  evidence: z.string().max(2000).default(''),
  gateReason: optional(z.string().max(500)),
  corrects: optional(z.number().int().positive().max(2 ** 31 - 1)),
})
const CLOCK_SLACK_MS = 120_000

/** Adds the next event of a hole's life. Missing evidence is a gate: refused with its reasons, unless a fitter passes it with one of his own. */
export async function addEvent(who: Account, id: number, body: unknown) {
  const b = parseInput(eventBody, body)
  const sequelize = Penetration.sequelize!
  const { p } = await load(who, id)
  mayWrite(who, p.boatId)
  await sequelize.transaction(async (transaction) => {
    await Penetration.findByPk(p.id, { transaction, lock: transaction.LOCK.UPDATE })
    const events = await LifeEvent.findAll({ where: { penetrationId: p.id }, order: [['seq', 'ASC']], transaction })
    const lot = b.lotId ? await Lot.findByPk(b.lotId, { transaction }) : null
    if (b.lotId && !lot) throw new ApiError(400, 'invalid-input', `There is no lot ${b.lotId}`, 'lotId')
    const happenedAt = b.at ? new Date(b.at) : new Date()
    const before = events.at(-1)
    if (happenedAt.getTime() > Date.now() + CLOCK_SLACK_MS) throw new ApiError(400, 'invalid-input', 'That time has not come yet; a time up to now is accepted', 'at')
    if (before && happenedAt < before.happenedAt) throw new ApiError(400, 'invalid-input', `The last event was ${before.happenedAt.toISOString()}; a later time is accepted`, 'at')
    if (b.corrects && !events.some((e) => e.seq === b.corrects)) throw new ApiError(400, 'invalid-input', `This hole has no event ${b.corrects} to correct`, 'corrects')
    const event: LifeFacts = { state: b.state, at: happenedAt.getTime(), sizeMm: b.sizeMm ?? null, tempC: b.tempC ?? null, humidityPct: b.humidityPct ?? null, lot: lotFacts(lot), evidence: b.evidence, note: b.note }
    if (b.corrects && !b.note.trim()) throw new ApiError(400, 'invalid-input', 'Say what was wrong; a correction explains itself', 'note')
    const gates: Gate[] = b.corrects ? [] : gatesFor({ coreSchool: p.coreSchool, sealant: p.sealant, diameterMm: p.diameterMm }, await facts(events), event)
    const reason = b.gateReason?.trim() ?? ''
    if (gates.length && !reason) throw new ApiError(409, 'gate', gates.map((g) => g.text).join(' '), 'gateReason', { gates })
    if (gates.length) mayPassGates(who)
    await LifeEvent.create(
      { penetrationId: p.id, seq: (before?.seq ?? 0) + 1, state: b.state, note: b.note, who: who.name, happenedAt, sizeMm: event.sizeMm ?? null, tempC: event.tempC ?? null, humidityPct: event.humidityPct ?? null, lotId: lot?.id ?? null, evidence: b.evidence, gatesPassed: gates.map((g) => g.id), gateReason: gates.length ? reason : null, corrects: b.corrects ?? null },
      { transaction },
    )
  })
  return hole(who, id)
}

/** The whole register of a boat with every event, as it goes out. */
export async function registerExport(who: Account, boatId: string) {
  const rows = await register(who, boatId)
  const events = await LifeEvent.findAll({ where: { penetrationId: rows.map((r) => r.id) }, order: [['penetrationId', 'ASC'], ['seq', 'ASC']] })
  return rows.map((r) => ({ ...r, events: events.filter((e) => e.penetrationId === r.id).map((e) => ({ seq: e.seq, state: e.state, at: e.happenedAt.toISOString(), who: e.who, note: e.note, sizeMm: e.sizeMm, tempC: e.tempC, humidityPct: e.humidityPct, lotId: e.lotId, evidence: e.evidence, gatesPassed: e.gatesPassed, gateReason: e.gateReason, corrects: e.corrects })) }))
}
