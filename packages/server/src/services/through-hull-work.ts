import { z } from 'zod'
import type { CreationAttributes, Transaction } from 'sequelize'
import {
  SIZES,
  WELDED,
  boltPart,
  formatLength,
  formatTemperature,
  hasReached,
  holeLabel,
  parseInput,
  type Gate,
  type LifeState,
} from '@north-tide/core'
import {
  METHOD_TITLE,
  deadriseFrom,
  taperPlugOf,
  throughHullBolts,
  throughHullOrientation,
  throughHullSteps,
  boltsSaid,
  judgeThroughHull,
  lastBond,
  orderBlocked,
  orderList,
  parseThroughHull,
  stepGates,
  type ThroughHullAround,
  type ThroughHullDesign,
  type ThroughHullJudgement,
  type ThroughHullLog,
  type ThroughHullStep,
} from '@north-tide/core/through-hull'
import { ApiError } from '../errors'
import { Boat, ThroughHull, WorkLog, LifeEvent, Penetration } from '../models'
import { mayPassGates, mayWrite, type Account } from './access'
import { askRejudge } from './asked'
import { aroundOf, findThroughHull, judgeOne, readThroughHull } from './through-hulls'
import { heelOf } from './angles'
import { logOf } from './work-log'
import {
  blank,
  eventsOf,
  facts,
  lotFacts,
  lotNamed,
  passOrRefuse,
  refuseFuture,
  weigh,
  write,
  type NextEvent,
} from './life'
import { moment } from './saving'

/**
 * The work on a fitting through the hull: ordered, ticked step by step, read with a meter, looked at,
 * recorded. What is said once goes into the log and into the hole’s life together.
 */
/**
 * Changes the design and writes the log in one go; whoever saved meanwhile is not overwritten, for only
 * this part changes.
 */
async function withLog(
  who: Account,
  f: ThroughHull,
  entry: { kind: WorkLog['kind']; note: string; value?: number | null; at?: Date },
  change: (d: ThroughHullDesign, at: string) => ThroughHullDesign,
) {
  const at = new Date()
  await ThroughHull.sequelize!.transaction(async (transaction) => {
    const now = await findThroughHull(f.id, transaction)
    const before = parseThroughHull(now.design)
    // May refuse: what was looked at before may have been done by somebody else since.
    const design = change(before, at.toISOString())
    await WorkLog.create(
      {
        fittingId: f.id,
        kind: entry.kind,
        value: entry.value ?? null,
        note: entry.note,
        who: who.name,
        at: entry.at ?? at,
      },
      { transaction },
    )
    if (design !== before)
      await now.update(
        { design, version: now.version + 1, updatedAt: at, updatedBy: who.name },
        { transaction },
      )
    await askRejudge(f.boatId, `${now.name}: ${entry.kind} logged`, transaction)
  })
  await judgeOne(f.boatId, f.id)
  return readThroughHull(who, f.id)
}

const orderedAlready = (o: NonNullable<ThroughHullDesign['ordered']>) =>
  new ApiError(409, 'ordered', `Ordered on ${o.at.slice(0, 10)} by ${o.by} already`)
const ordering = z.strictObject({ reason: z.string().trim().max(500).default('') })
/**
 * Nothing is marked ordered while a joint of the chain is short, unless a fitter gives a reason that stays
 * on record.
 */
export async function orderThroughHull(who: Account, id: string, body: unknown) {
  const { reason } = parseInput(ordering, body)
  const f = await findThroughHull(id)
  mayWrite(who, f.boatId)
  const d = parseThroughHull(f.design)
  if (d.ordered) throw orderedAlready(d.ordered)
  const j = judgeThroughHull(d, await aroundOf(f.boatId, id), await logOf(id))
  const bad = orderBlocked(j)
  if (bad.length) {
    if (!reason)
      throw new ApiError(
        409,
        'chain',
        `It does not go together: ${bad.map((b) => `${b.title.toLowerCase()}: ${b.because}`).join(' ')}`,
        'reason',
        { joints: bad.map((b) => ({ id: b.id, codes: b.codes, because: b.because })) },
      )
    mayPassGates(who)
  }
  return withLog(
    who,
    f,
    {
      kind: 'order',
      note: `${orderList(d)}${bad.length ? `. Short: ${bad.map((b) => b.title.toLowerCase()).join(', ')}. Reason: ${reason}` : ''}`,
    },
    (now, at) => {
      if (now.ordered) throw orderedAlready(now.ordered)
      return { ...now, ordered: { at, by: who.name, what: orderList(d), reason: bad.length ? reason : '' } }
    },
  )
}
/** An order taken back; that it stood stays in the log. */
export async function unorderThroughHull(who: Account, id: string) {
  const f = await findThroughHull(id)
  mayWrite(who, f.boatId)
  const none = () => new ApiError(409, 'not-ordered', 'Nothing of it is ordered')
  if (!f.design.ordered) throw none()
  return withLog(who, f, { kind: 'order', note: `taken back: ${f.design.ordered.what}` }, (now) => {
    if (!now.ordered) throw none()
    return { ...now, ordered: null }
  })
}

const measured = (lo: number, hi: number) => z.number().min(lo).max(hi).nullish()
const ticking = z.strictObject({
  step: z.string().max(40),
  note: z.string().trim().max(300).default(''),
  reason: z.string().trim().max(300).default(''),
  at: moment.nullish(),
  ohm: z.number().min(0).max(1e7).nullish(),
  sizeMm: z.number().positive().max(1000).nullish(),
  lotId: z
    .number()
    .int()
    .positive()
    .max(2 ** 31 - 1)
    .nullish(),
  tempC: measured(-30, 60),
  airC: measured(-30, 60),
  humidityPct: measured(0, 100),
  hullMm: z.number().positive().max(500).nullish(),
  shownDeg: z.number().min(-20).max(79).nullish(),
  stopsDeg: z.number().min(-360).max(720).nullish(),
  looked: z.array(z.string().max(200)).max(20).default([]),
  proof: z.string().trim().max(2000).default(''),
  /** a look that found it wet: it is not ticked, and its hole becomes suspect */
  wet: z.boolean().default(false),
})
type Tick = z.output<typeof ticking>

interface Written {
  p: Penetration
  seq: number
  next: NextEvent
  gates: Gate[]
}
/**
 * What a tick adds to the life of the fitting’s holes; what is on record there already is not written
 * twice.
 */
async function lifeOfTick(
  id: string,
  step: ThroughHullStep,
  common: Omit<NextEvent, 'state' | 'sizeMm' | 'corrects'>,
  sizeMm: number | null,
  transaction: Transaction,
): Promise<Written[]> {
  const out: Written[] = []
  for (const p of await Penetration.findAll({
    where: { fittingId: id },
    order: [['number', 'ASC']],
    transaction,
    lock: transaction.LOCK.NO_KEY_UPDATE,
  })) {
    const events = await eventsOf(p.id, transaction)
    const states = p.boltIndex === null ? step.records : step.boltRecords
    const known = await facts(events, transaction)
    let seq = events.at(-1)?.seq ?? 0
    for (const state of states) {
      if (hasReached(known, state)) continue
      const next: NextEvent = {
        ...common,
        state,
        sizeMm: state === 'drilled' ? (p.boltIndex === null ? sizeMm : p.diameterMm) : null,
        corrects: null,
      }
      const gates = weigh(p, events, next, known)
      out.push({ p, seq: ++seq, next, gates })
      known.push({ ...next, seq, at: next.at.getTime(), lot: lotFacts(next.lot) })
    }
  }
  return out
}

/**
 * A step, ticked in its order. What it says of the hole (size, lot, temperature, proof) goes into the
 * hole’s life with it. A gate that stands open, of the work or of the register, is passed with a fitter’s
 * reason only.
 */
export async function tickThroughHull(who: Account, id: string, body: unknown) {
  const t = parseInput(ticking, body)
  const f = await findThroughHull(id)
  mayWrite(who, f.boatId)
  const [around, log, heelDeg] = await Promise.all([aroundOf(f.boatId, id), logOf(id), heelOf(f.boatId)])
  const at = t.at ? new Date(t.at) : new Date()
  refuseFuture(at)
  await ThroughHull.sequelize!.transaction(async (transaction) => {
    const boat = (await Boat.findByPk(f.boatId, { transaction, lock: transaction.LOCK.NO_KEY_UPDATE }))!
    const now = await findThroughHull(id, transaction)
    const d = parseThroughHull(now.design)
    const j = judgeThroughHull(d, around, log)
    const steps = throughHullSteps(d, j, boat.units)
    const step = steps.find((s) => s.id === t.step)
    if (!step) throw new ApiError(400, 'invalid-input', `"${t.step}" is no step of this fitting`, 'step')
    if (d.ticks[t.step]) throw new ApiError(409, 'ticked', 'It is ticked already', 'step')
    const seen = step.asks.includes('seen')
    if (seen && !t.note)
      throw new ApiError(400, 'invalid-input', 'Say what was seen: dry, or where it is wet', 'note')
    if (t.wet && !seen)
      throw new ApiError(400, 'invalid-input', 'Only a look round it can find it wet', 'wet')
    const lot = step.asks.includes('lot') ? await lotNamed(t.lotId, transaction) : null
    const air = step.asks.includes('air')
    const given = {
      tempC: air ? (t.tempC ?? null) : null,
      airC: air ? (t.airC ?? null) : null,
      humidityPct: air ? (t.humidityPct ?? null) : null,
    }
    const sizeMm = step.asks.includes('size') ? (t.sizeMm ?? null) : null
    const entry = (note: string): CreationAttributes<WorkLog> => ({
      fittingId: id,
      kind: t.wet ? 'look' : 'tick',
      step: step.id,
      lotId: lot?.id ?? null,
      tempC: given.tempC,
      humidityPct: given.humidityPct,
      sizeMm,
      note,
      who: who.name,
      at,
    })
    if (t.wet) return sayWet(who, id, t, at, entry(`wet: ${t.note}`), transaction)

    // The first step that says something of the hole records it, if nobody has.
    if ((step.records.length || step.boltRecords.length) && !now.recordedAt)
      await recordHoles(who, boat, now, d, around, log, at, transaction)
    // The design may have changed since the hole was recorded: what is bedded now is what stands in it.
    if (step.records.includes('bedded')) {
      const made = asMade(d, j, boat)
      for (const p of await Penetration.findAll({ where: { fittingId: id }, transaction }))
        await p.update(
          { ...made.all, fastener: p.boltIndex === null ? made.fastener : made.bolt },
          { transaction },
        )
    }
    const proof = step.asks.includes('proof') ? t.proof : seen ? `${step.text.split(':')[0]}: ${t.note}` : ''
    const events = await lifeOfTick(
      id,
      step,
      {
        at,
        note: seen ? '' : t.note,
        evidence: proof,
        tempC: given.tempC,
        humidityPct: given.humidityPct,
        lot,
      },
      sizeMm,
      transaction,
    )
    const ohm = step.asks.includes('ohm') ? (t.ohm ?? lastBond(log)) : null
    const told = measuredAt(step, t, heelDeg, d, boat)
    const mine = stepGates(steps, step.id, d.ticks, {
      at: at.getTime(),
      lot: lotFacts(lot),
      ...given,
      ohm,
      hullMm: t.hullMm ?? null,
      shownDeg: t.shownDeg ?? null,
      heelDeg,
      stopsDeg: t.stopsDeg ?? null,
      looked: t.looked,
    })
    const gates = [...mine, ...events.flatMap((e) => e.gates)]
    passOrRefuse(
      who,
      gates.filter((g, i) => gates.findIndex((o) => o.id === g.id) === i),
      t.reason,
      'reason',
    )
    for (const e of events) {
      await write(who, e.p, e.seq, e.next, e.gates, t.reason, transaction)
      if (e.next.state === 'drilled' && e.next.sizeMm !== null && e.next.sizeMm !== e.p.diameterMm)
        await e.p.update({ diameterMm: e.next.sizeMm }, { transaction })
    }
    const note = [
      t.note,
      t.proof && step.asks.includes('proof') ? t.proof : '',
      mine.length ? `${mine.map((g) => g.id).join(', ')} passed over: ${t.reason}` : '',
    ]
      .filter(Boolean)
      .join('; ')
    const said = [
      sizeMm === null ? '' : formatLength(sizeMm, boat.units),
      lot ? `lot ${lot.code}` : '',
      given.tempC === null ? '' : formatTemperature(given.tempC, boat.units),
      given.humidityPct === null ? '' : `${given.humidityPct} %`,
      ...told.said,
      note,
    ]
      .filter(Boolean)
      .join('; ')
    if (step.asks.includes('ohm') && t.ohm != null)
      await WorkLog.create(
        { fittingId: id, kind: 'bond', value: t.ohm, note: t.note, who: who.name, at },
        { transaction },
      )
    await WorkLog.create(
      entry(
        [...told.said, ...step.looks.filter((l) => t.looked.includes(l)).map((l) => `seen: ${l}`), note]
          .filter(Boolean)
          .join('; '),
      ),
      { transaction },
    )
    const design = parseThroughHull({
      ...d,
      ...told.design,
      ticks: { ...d.ticks, [step.id]: { at: at.toISOString(), by: who.name, note: said.slice(0, 300) } },
      // The hole is what was bored, the day what was read: neither is typed a second time.
      ...(sizeMm !== null && Math.abs(sizeMm - (d.boredMm ?? d.skin.holeMm)) > 0.05
        ? { boredMm: sizeMm }
        : {}),
      ...(air && given.tempC !== null
        ? {
            bedding: {
              ...d.bedding,
              surfaceC: given.tempC,
              tempC: given.tempC,
              airC: given.airC ?? d.bedding.airC,
              humidityPct: given.humidityPct ?? d.bedding.humidityPct,
              takenAt: at.toISOString(),
            },
          }
        : {}),
    })
    await now.update(
      { design, version: now.version + 1, updatedAt: new Date(), updatedBy: who.name },
      { transaction },
    )
    await askRejudge(f.boatId, `${now.name}: a step was ticked`, transaction)
  })
  await judgeOne(f.boatId, id)
  return readThroughHull(who, id)
}
/** What was measured at a step: into the design, where it stands instead of the estimate, and into words. */
function measuredAt(
  step: ThroughHullStep,
  t: Tick,
  heelDeg: number | null,
  d: ThroughHullDesign,
  boat: Boat,
): { design: Partial<ThroughHullDesign>; said: string[] } {
  const design: Partial<ThroughHullDesign> = {}
  const said: string[] = []
  if (step.asks.includes('hull') && t.hullMm != null) {
    design.hull = { ...d.hull, thicknessMm: t.hullMm, measured: true, how: 'drilled pilot' }
    said.push(`hull ${formatLength(t.hullMm, boat.units)}`)
  }
  if (step.asks.includes('angle') && t.shownDeg != null) {
    const deg = Math.round(10 * deadriseFrom(t.shownDeg, heelDeg ?? 0, d.place.yMm)) / 10
    if (deg < 0)
      throw new ApiError(
        400,
        'invalid-input',
        `${t.shownDeg}\u00b0 was given; with the cradle\u2019s heel taken out the hull would fall outboard. Outboard up is positive`,
        'shownDeg',
      )
    // Passed over with the cradle unread it is better than a guess, and no measurement yet.
    design.hull = { ...d.hull, deadriseDeg: deg, angleMeasured: heelDeg !== null }
    said.push(
      `level shows ${t.shownDeg}\u00b0 outboard up, ${heelDeg === null ? 'cradle not read' : `cradle ${heelDeg.toFixed(2)}\u00b0 taken out`}: ${deg}\u00b0`,
    )
  }
  if (step.asks.includes('stops') && t.stopsDeg != null) {
    design.clock = { ...d.clock, measuredDeg: t.stopsDeg }
    said.push(`stops at ${t.stopsDeg}\u00b0`)
  }
  return { design, said }
}
/**
 * Water round it: the look is logged, the step stays open, and the hole is suspect until somebody settles
 * it.
 */
async function sayWet(
  who: Account,
  id: string,
  t: Tick,
  at: Date,
  entry: CreationAttributes<WorkLog>,
  transaction: Transaction,
) {
  await WorkLog.create(entry, { transaction })
  const bore = await Penetration.findOne({
    where: { fittingId: id, boltIndex: null },
    transaction,
    lock: transaction.LOCK.NO_KEY_UPDATE,
  })
  if (!bore) return
  const events = await eventsOf(bore.id, transaction)
  const next: NextEvent = {
    state: 'suspect',
    at,
    note: `Wet: ${t.note}`,
    evidence: '',
    sizeMm: null,
    tempC: null,
    humidityPct: null,
    lot: null,
    corrects: null,
  }
  weigh(bore, events, next, await facts(events, transaction))
  await write(who, bore, (events.at(-1)?.seq ?? 0) + 1, next, [], '', transaction)
}

const untick = z.strictObject({ reason: z.string().trim().min(1).max(300) })
/**
 * A tick taken back: both logs keep that it stood, and what it wrote into the hole’s life is corrected by
 * an event that names it. The last tick first.
 */
export async function untickThroughHull(who: Account, id: string, stepId: string, body: unknown) {
  const { reason } = parseInput(untick, body)
  const f = await findThroughHull(id)
  mayWrite(who, f.boatId)
  const [around, log] = await Promise.all([aroundOf(f.boatId, id), logOf(id)])
  await ThroughHull.sequelize!.transaction(async (transaction) => {
    const now = await findThroughHull(id, transaction)
    const d = parseThroughHull(now.design)
    const { [stepId]: tick, ...ticks } = d.ticks
    if (!tick) throw new ApiError(409, 'not-ticked', 'It is not ticked', 'step')
    const steps = throughHullSteps(d, judgeThroughHull(d, around, log), 'metric')
    const i = steps.findIndex((s) => s.id === stepId)
    const later = steps.slice(i + 1).find((s) => d.ticks[s.id])
    if (i >= 0 && later)
      throw new ApiError(
        409,
        'later-ticks',
        `What comes after it is ticked: take back first "${later.text}"`,
        'step',
      )
    const step = steps[i]
    const at = new Date()
    for (const p of step
      ? await Penetration.findAll({
          where: { fittingId: id },
          transaction,
          lock: transaction.LOCK.NO_KEY_UPDATE,
        })
      : []) {
      const events = await eventsOf(p.id, transaction)
      const wrote = (p.boltIndex === null ? step!.records : step!.boltRecords).slice().reverse()
      let seq = events.at(-1)?.seq ?? 0
      for (const state of wrote) {
        // Only what this tick wrote: at its moment, and not corrected yet.
        const e = events.findLast(
          (x) =>
            x.state === state &&
            x.happenedAt.toISOString() === tick.at &&
            !events.some((c) => c.corrects === x.seq),
        )
        const before = e && events.findLast((x) => x.seq < e.seq && !events.some((c) => c.corrects === x.seq))
        if (e)
          await LifeEvent.create(
            {
              ...blank,
              penetrationId: p.id,
              seq: ++seq,
              state: before?.state ?? 'marked',
              who: who.name,
              happenedAt: at,
              note: `Tick taken back: ${reason}`,
              corrects: e.seq,
            },
            { transaction },
          )
      }
    }
    await WorkLog.create(
      { fittingId: id, kind: 'tick', step: stepId, note: `taken back: ${reason}`, who: who.name, at },
      { transaction },
    )
    await now.update(
      {
        design: parseThroughHull({ ...d, ticks }),
        version: now.version + 1,
        updatedAt: at,
        updatedBy: who.name,
      },
      { transaction },
    )
    await askRejudge(f.boatId, `${now.name}: a tick was taken back`, transaction)
  })
  await judgeOne(f.boatId, id)
  return readThroughHull(who, id)
}

const when = moment.nullish()
const logging = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('bond'),
    value: z.number().min(0).max(1e7),
    note: z.string().trim().max(300).default(''),
    at: when,
  }),
  z.strictObject({
    kind: z.literal('anode'),
    value: z.number().min(0).max(100),
    note: z.string().trim().max(300).default(''),
    at: when,
  }),
  z.strictObject({ kind: z.literal('look'), note: z.string().trim().min(1).max(300), at: when }),
])
export async function logThroughHull(who: Account, id: string, body: unknown) {
  const l = parseInput(logging, body)
  const f = await findThroughHull(id)
  mayWrite(who, f.boatId)
  const at = l.at ? new Date(l.at) : new Date()
  refuseFuture(at)
  return withLog(who, f, { kind: l.kind, note: l.note, value: 'value' in l ? l.value : null, at }, (d) => d)
}

const deciding = z.strictObject({
  decision: z.enum(['recondition', 'replace']),
  reason: z.string().trim().max(300).default(''),
})
/**
 * A taper plug is lapped in or replaced: the decision stands in the log with the pits and the band that it
 * was made on. Against the advice it wants a fitter's reason.
 */
export async function decideThroughHull(who: Account, id: string, body: unknown) {
  const r = parseInput(deciding, body)
  const f = await findThroughHull(id)
  mayWrite(who, f.boatId)
  const t = parseThroughHull(f.design).taperPlug
  if (!t)
    throw new ApiError(409, 'not-measured', 'Its pits and the band in contact have not been measured yet')
  const { advised, because } = taperPlugOf(t)
  if (advised === 'replace' && r.decision === 'recondition') {
    if (!r.reason)
      throw new ApiError(
        409,
        'gate',
        `${because} To lap it in all the same wants a reason that stays on record.`,
        'reason',
      )
    mayPassGates(who)
  }
  const { units } = (await Boat.findByPk(f.boatId))!
  const note = `taper plug: ${r.decision}; deepest pit ${formatLength(t.pitMm, units)} in a wall of ${formatLength(t.wallMm, units)}, band in contact ${t.contactPct} % of the way round${r.reason ? `; ${r.reason}` : ''}`
  return withLog(who, f, { kind: 'decision', note }, (now) => ({
    ...now,
    taperPlug: now.taperPlug && { ...now.taperPlug, decision: r.decision, reason: r.reason },
  }))
}

/** What the register says of it, from the design as it stands. */
const asMade = (d: ThroughHullDesign, j: ThroughHullJudgement, boat: Boat) => ({
  all: {
    through: `${d.hull.kind} ${formatLength(d.hull.thicknessMm, boat.units)}${d.hull.measured ? '' : ' (estimate)'}${d.pad ? `, pad ${formatLength(d.pad.thicknessMm, boat.units)}` : ''}${j.wedge ? `, wedge ${d.wedge.blocks}` : ''}`,
    plate: d.pad ? `pad ${d.pad.material}, ${formatLength(d.pad.thicknessMm, boat.units)}` : '',
    sealant: d.family === 'welded-stub' ? WELDED : d.bedding.flange,
  },
  fastener:
    d.hold.method === 'nut'
      ? 'its own nut'
      : `${d.hold.bolts} ${d.hold.size} ${d.hold.grade}, ${METHOD_TITLE[d.hold.method]}${j.bolts.length ? `: ${boltsSaid(d, j.bolts, (v) => formatLength(v, boat.units))}` : ''}`,
  bolt: `${d.hold.size} ${d.hold.grade}`,
})
/**
 * The bore, and the bolts that go through the hull, become holes of the register. Where it replaces
 * another, the old hole goes on under its own number, with its history.
 */
async function recordHoles(
  who: Account,
  boat: Boat,
  now: ThroughHull,
  d: ThroughHullDesign,
  around: ThroughHullAround,
  log: ThroughHullLog[],
  at: Date,
  transaction: Transaction,
): Promise<string[]> {
  const j = judgeThroughHull(d, around, log)
  const id = now.id
  const made = asMade(d, j, boat)
  const common = {
    boatId: boat.id,
    fittingId: id,
    zone: d.place.zone ?? 'not in a zone',
    zMm: d.place.zMm,
    coreSchool: d.hull.kind === 'cored' ? 'insert' : 'none',
    belowWaterline: d.place.zMm < 0,
    ...made.all,
  }
  const note = throughHullOrientation(d, j)
  const labels: string[] = []
  const old = now.replacesId
    ? await Penetration.findOne({ where: { fittingId: now.replacesId, boltIndex: null }, transaction })
    : null
  let number =
    ((await Penetration.max('number', { where: { boatId: boat.id }, transaction })) as number | null) ?? 0
  const event = (
    p: Penetration,
    state: LifeState,
    seq: number,
    words: string,
    sizeMm: number | null = null,
    happenedAt = at,
  ) =>
    LifeEvent.create(
      { ...blank, penetrationId: p.id, seq, state, who: who.name, happenedAt, note: words, sizeMm },
      { transaction },
    )
  const hole = j.stack?.holeMm ?? d.boredMm ?? d.skin.holeMm
  if (old) {
    const last = await LifeEvent.findOne({
      where: { penetrationId: old.id },
      order: [['seq', 'DESC']],
      transaction,
    })
    await event(
      old,
      'marked',
      (last?.seq ?? 0) + 1,
      `${old.whatFor} (${old.fastener || 'as found'}, ${formatLength(old.diameterMm, boat.units)}) is replaced by ${d.name}. ${note}`,
      old.diameterMm,
      last && last.happenedAt > at ? last.happenedAt : at,
    )
    await old.update(
      { ...common, whatFor: d.name, diameterMm: hole, fastener: made.fastener },
      { transaction },
    )
    labels.push(holeLabel(old.number))
  } else {
    const p = await Penetration.create(
      {
        ...common,
        number: ++number,
        part: 'bore',
        boltIndex: null,
        whatFor: d.name,
        xMm: d.place.xMm,
        yMm: d.place.yMm,
        diameterMm: hole,
        fastener: made.fastener,
        found: false,
      },
      { transaction },
    )
    await event(p, 'marked', 1, note)
    labels.push(holeLabel(p.number))
  }
  // Bolts into the pad make no hole in the hull; a drain plug's go right through.
  if (d.hold.method === 'through')
    for (const [i, b] of throughHullBolts(d).entries()) {
      const p = await Penetration.create(
        {
          ...common,
          coreSchool: 'none',
          number: ++number,
          part: boltPart(i),
          boltIndex: i,
          whatFor: `${d.name}, bolt ${i + 1}`,
          xMm: d.place.xMm + b.xMm,
          yMm: d.place.yMm + b.yMm,
          diameterMm: SIZES[d.hold.size]!.clearanceMm,
          fastener: made.bolt,
          found: false,
        },
        { transaction },
      )
      await event(p, 'marked', 1, '')
      labels.push(holeLabel(p.number))
    }
  await now.update({ recordedAt: at }, { transaction })
  return labels
}
export async function recordThroughHull(who: Account, id: string) {
  const f = await findThroughHull(id)
  mayWrite(who, f.boatId)
  const [around, log] = await Promise.all([aroundOf(f.boatId, id), logOf(id)])
  return ThroughHull.sequelize!.transaction(async (transaction) => {
    const boat = (await Boat.findByPk(f.boatId, { transaction, lock: transaction.LOCK.NO_KEY_UPDATE }))!
    const now = await findThroughHull(id, transaction)
    if (now.recordedAt) throw new ApiError(409, 'recorded', 'Its hole is in the register already')
    return recordHoles(who, boat, now, parseThroughHull(now.design), around, log, new Date(), transaction)
  })
}
