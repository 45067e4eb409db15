import { QueryTypes } from 'sequelize'
import { z } from 'zod'
import { GRADES, PLATES, SIZES, LIFE_STATES, RIM_PATH_MM, beddingCure, boundsOf, formatLength, gripLayersOf, holeLabel, measureSaid, nextStates, parseDesign, parseInput, standing, type HoleRow } from '@north-tide/core'
import { ApiError, notFound } from '../errors'
import { Boat, Fitting, HullFitting, LifeEvent, Lot, Penetration } from '../models'
import { mayRead, mayWrite, type Account } from './access'
import { blank, eventsOf, facts, holeFacts, lotNamed, passOrRefuse, weigh, write, type NextEvent } from './life'
import { logOfHole, logsOfHoles } from './hull-log'

/** Every hole of a boat with where it stands in its life. */
export async function holesOf(boatId: string): Promise<HoleRow[]> {
  const rows = await Penetration.sequelize!.query<Omit<HoleRow, 'label' | 'since'> & { since: Date }>(
    `SELECT p.id, p.number, p.fitting_id AS "fittingId", p.hull_fitting_id AS "hullFittingId", p.bolt_index AS "boltIndex", p.what_for AS "whatFor", p.zone, p.x_mm AS "xMm", p.y_mm AS "yMm", p.z_mm AS "zMm", p.diameter_mm AS "diameterMm",
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

async function load(who: Account, id: number) {
  const p = Number.isInteger(id) && id > 0 && id < 2 ** 31 ? await Penetration.findByPk(id) : null
  if (!p) throw notFound('hole')
  mayRead(who, p.boatId)
  return { p, events: await eventsOf(p.id) }
}

export async function hole(who: Account, id: number) {
  const { p, events } = await load(who, id)
  const known = await facts(events)
  const mine = holeFacts(p)
  const bedded = standing(known).findLast((e) => e.state === 'bedded')
  const f = p.fittingId ? await Fitting.findByPk(p.fittingId) : null
  const b = f ? boundsOf('diameterMm' in f.design.base ? { diameterMm: f.design.base.diameterMm } : { lengthMm: f.design.base.lengthMm, widthMm: f.design.base.widthMm }) : null
  const hull = p.hullFittingId ? await HullFitting.findByPk(p.hullFittingId) : null
  const half = b ? Math.min(b.maxX, b.maxY) : hull ? Math.max(0, hull.design.skin.flangeMm - p.diameterMm) / 2 || null : null
  const rim = beddingCure(mine, bedded, RIM_PATH_MM)
  const middle = half ? beddingCure(mine, bedded, half) : null
  const row = (await holesOf(p.boatId)).find((h) => h.id === p.id)!
  return {
    ...row, next: nextStates(mine, known), sizes: events.filter((e) => e.sizeMm !== null && !events.some((c) => c.corrects === e.seq)).map((e) => ({ at: e.happenedAt.toISOString(), sizeMm: e.sizeMm! })),
    log: await logOfHole(p.boatId, p.hullFittingId ?? null),
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

/** Adds the next event of a hole's life. Missing evidence is a gate: refused with its reasons, unless a fitter passes it with one of his own. */
export async function addEvent(who: Account, id: number, body: unknown) {
  const b = parseInput(eventBody, body)
  const { p } = await load(who, id)
  mayWrite(who, p.boatId)
  await Penetration.sequelize!.transaction(async (transaction) => {
    await Penetration.findByPk(p.id, { transaction, lock: transaction.LOCK.UPDATE })
    const events = await eventsOf(p.id, transaction)
    const next: NextEvent = { state: b.state, at: b.at ? new Date(b.at) : new Date(), note: b.note, evidence: b.evidence, sizeMm: b.sizeMm ?? null, tempC: b.tempC ?? null, humidityPct: b.humidityPct ?? null, lot: await lotNamed(b.lotId, transaction), corrects: b.corrects ?? null }
    const gates = weigh(p, events, next, await facts(events, transaction))
    const reason = b.gateReason?.trim() ?? ''
    passOrRefuse(who, gates, reason)
    await write(who, p, (events.at(-1)?.seq ?? 0) + 1, next, gates, reason, transaction)
  })
  return hole(who, id)
}

/** The whole register of a boat with every event, as it goes out. */
export async function registerExport(who: Account, boatId: string) {
  const rows = await register(who, boatId)
  const events = await LifeEvent.findAll({ where: { penetrationId: rows.map((r) => r.id) }, order: [['penetrationId', 'ASC'], ['seq', 'ASC']] })
  const lots = new Map((await Lot.findAll({ where: { id: [...new Set(events.map((e) => e.lotId).filter((id) => id !== null))] } })).map((l) => [l.id, l.code]))
  const logs = await logsOfHoles(boatId, rows.flatMap((r) => (r.hullFittingId ? [r.hullFittingId] : [])))
  return rows.map((r) => ({ ...r, log: r.hullFittingId && r.boltIndex === null ? (logs.get(r.hullFittingId) ?? []) : [], events: events.filter((e) => e.penetrationId === r.id).map((e) => ({ seq: e.seq, state: e.state, at: e.happenedAt.toISOString(), who: e.who, note: e.note, sizeMm: e.sizeMm, tempC: e.tempC, humidityPct: e.humidityPct, lot: e.lotId === null ? null : (lots.get(e.lotId) ?? null), evidence: e.evidence, gatesPassed: e.gatesPassed, gateReason: e.gateReason, corrects: e.corrects })) }))
}
