import { z } from 'zod'
import {
  CalcError,
  applyTick,
  holeLabel,
  lifeStateOf,
  parseInput,
  recordsAnything,
  saidAt,
  workState,
  type AnyDesign,
  type Kind,
  type NewLine,
  type Step,
  type Tick,
  type TickedHole,
} from '@north-tide/core'
import { ApiError } from '../errors'
import { LifeEvent, Penetration } from '../models'
import type { Account } from './access'
import { inAct, line, write, type Act } from './act'
import {
  blank,
  factsOf,
  holeFacts,
  lastDay,
  lotFacts,
  lotNamed,
  passOrRefuse,
  refuseFuture,
  refuseEarlier,
  worthOf,
} from './life'
import { asBuilt, linkClosed, recordHoles } from './record'
import { moment } from './saving'

/** Steps of the work, ticked and taken back: what the core says they write is written here. */
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
  torqueNm: z.number().positive().max(2000).nullish(),
  runDownNm: z.number().min(0).max(500).nullish(),
  looked: z.array(z.string().max(200)).max(20).default([]),
  /** minutes that it took each pair of hands */
  minutes: z.number().int().min(1).max(2880).nullish(),
  proof: z.string().trim().max(2000).default(''),
  /** a look that found it wet: it is not ticked, and its hole becomes suspect */
  wet: z.boolean().default(false),
  /** labels of the holes that it is about; empty: all of the fitting's */
  holes: z.array(z.string().max(12)).max(80).default([]),
})
type Said = z.output<typeof ticking>

interface Hole extends TickedHole {
  p: Penetration
  lastAt: Date | null
  seq: number
}
/** The fitting's holes, locked, each with its life: two queries, however many there are. */
async function holesOfAct(a: Act): Promise<Hole[]> {
  const own = await Penetration.findAll({
    where: { fittingId: a.f.id },
    order: [['number', 'ASC']],
    transaction: a.transaction,
    lock: a.transaction.LOCK.NO_KEY_UPDATE,
  })
  // What it closes goes by its own number, whoever's it was.
  const closed = a.kind.closes && a.f.recordedAt ? await linkClosed(a) : []
  const holes = [...own, ...closed]
  const events = holes.length
    ? await LifeEvent.findAll({
        where: { penetrationId: holes.map((p) => p.id) },
        order: [['seq', 'ASC']],
        transaction: a.transaction,
      })
    : []
  const facts = await factsOf(events, a.transaction)
  return holes.map((p) => {
    const mine = events.flatMap((e, i) => (e.penetrationId === p.id ? [{ e, fact: facts[i]! }] : []))
    return {
      p,
      label: holeLabel(p.number),
      part: p.fittingId === a.f.id ? p.part! : 'old',
      hole: holeFacts(p, worthOf(a.f, a.s.zones)),
      facts: mine.map((m) => m.fact),
      lastAt: lastDay(mine.map((m) => m.e)),
      seq: mine.at(-1)?.e.seq ?? 0,
    }
  })
}

const tickOf = (t: Said, at: Date, lot: Awaited<ReturnType<typeof lotNamed>>): Tick => ({
  step: t.step,
  note: t.note,
  reason: t.reason,
  at: at.getTime(),
  lot: lotFacts(lot),
  lotId: lot?.id ?? null,
  ohm: t.ohm ?? null,
  sizeMm: t.sizeMm ?? null,
  tempC: t.tempC ?? null,
  airC: t.airC ?? null,
  humidityPct: t.humidityPct ?? null,
  hullMm: t.hullMm ?? null,
  shownDeg: t.shownDeg ?? null,
  stopsDeg: t.stopsDeg ?? null,
  torqueNm: t.torqueNm ?? null,
  runDownNm: t.runDownNm ?? null,
  looked: t.looked,
  proof: t.proof,
  wet: t.wet,
  holes: t.holes,
  minutes: t.minutes ?? null,
})
const stepsOn = (a: Act): Step[] =>
  a.kind.steps(a.design, a.kind.judge(a.design, a.around), a.s.boat.units, workState(a.log))

/** The first step that says something of a hole records the holes, if nobody has. */
async function holesReady(a: Act, step: Step | undefined, wet: boolean, at: Date): Promise<Hole[]> {
  const first = step !== undefined && !wet && recordsAnything(step) && !a.f.recordedAt
  if (first) await recordHoles(a, at)
  const holes = await holesOfAct(a)
  // The design may have changed since the holes were recorded: what is bedded now is what stands there.
  if (!first && step && Object.values(step.records).some((states) => states?.includes('bedded')))
    await asBuilt(
      a,
      holes.map((h) => h.p),
    )
  return holes
}

/**
 * A step, ticked in its order, for all holes of the fitting or for those that are named. A gate that
 * stands open, of the work or of the register, is passed with a fitter’s reason only.
 */
export async function tickFitting(who: Account, id: string, body: unknown) {
  const t = parseInput(ticking, body)
  const at = t.at ? new Date(t.at) : new Date()
  refuseFuture(at)
  return inAct(who, id, async (a) => {
    const state = workState(a.log)
    const steps = stepsOn(a)
    const step = steps.find((s) => s.id === t.step)
    const before = step ? saidAt(step, a.log) : null
    const lot = await lotNamed(step?.asks.includes('lot') ? t.lotId : (before?.lotId ?? null), a.transaction)
    const holes = await holesReady(a, step, t.wet, at)
    const tick = tickOf(t, at, lot)
    const done = refused(() =>
      applyTick(
        {
          design: a.design,
          steps,
          state,
          log: a.log,
          holes,
          heelDeg: a.heelDeg,
          units: a.s.boat.units,
          ...(a.kind.measured ? { measured: a.kind.measured.bind(a.kind) } : {}),
        },
        tick,
      ),
    )
    passOrRefuse(who, a.f.boatId, done.gates, t.reason, 'reason')
    for (const h of holes) if (done.events.some((e) => e.label === h.label)) refuseEarlier(h.lastAt, at)
    await writeEvents(a, holes, done.events, t.reason)
    await writeSizes(a, holes, done.sizes)
    return write(a, done.lines, at, checked(a.kind, done.design), `${a.f.name}: a step was ticked`, lot?.code)
  })
}
/** What a tick changed is a design like any other, or it is not kept. */
const checked = (kind: Kind, d: AnyDesign): AnyDesign => parseInput(kind.schema, d)
/** A second tick of one step is a clash, not a slip of the pen. */
function refused<T>(run: () => T): T {
  try {
    return run()
  } catch (error) {
    if (error instanceof CalcError && error.code === 'ticked')
      throw new ApiError(409, error.code, error.message, error.path)
    throw error
  }
}

async function writeEvents(
  a: Act,
  holes: Hole[],
  events: ReturnType<typeof applyTick>['events'],
  reason: string,
) {
  const seq = new Map(holes.map((h) => [h.label, h.seq]))
  const rows = events.map((e) => {
    const next = seq.get(e.label)! + 1
    seq.set(e.label, next)
    return {
      ...blank,
      penetrationId: holes.find((h) => h.label === e.label)!.p.id,
      seq: next,
      state: e.state,
      note: e.note,
      who: a.who.name,
      happenedAt: new Date(e.at),
      sizeMm: e.sizeMm,
      tempC: e.tempC,
      humidityPct: e.humidityPct,
      lotId: e.lotId,
      evidence: e.evidence,
      gatesPassed: e.gates.map((g) => g.id),
      gateReason: e.gates.length ? reason : null,
    }
  })
  if (rows.length) await LifeEvent.bulkCreate(rows, { transaction: a.transaction })
}
async function writeSizes(a: Act, holes: Hole[], sizes: { label: string; sizeMm: number }[]) {
  const other = sizes.flatMap((s) => {
    const p = holes.find((h) => h.label === s.label)!.p
    return p.diameterMm === s.sizeMm ? [] : [{ id: p.id, sizeMm: s.sizeMm }]
  })
  for (const sizeMm of new Set(other.map((o) => o.sizeMm)))
    await Penetration.update(
      { diameterMm: sizeMm },
      {
        where: { id: other.filter((o) => o.sizeMm === sizeMm).map((o) => o.id) },
        transaction: a.transaction,
      },
    )
}

const untick = z.strictObject({ reason: z.string().trim().min(1).max(300) })
/**
 * A tick taken back: both logs keep that it stood, and what it wrote into the holes’ lives is corrected by
 * events that name it. The last tick first.
 */
export async function untickFitting(who: Account, id: string, stepId: string, body: unknown) {
  const { reason } = parseInput(untick, body)
  return inAct(who, id, async (a) => {
    const { ticks } = workState(a.log)
    if (!ticks[stepId]) throw new ApiError(409, 'not-ticked', 'It is not ticked', 'step')
    const steps = stepsOn(a)
    const i = steps.findIndex((s) => s.id === stepId)
    const later = steps.slice(i + 1).find((s) => ticks[s.id])
    if (i >= 0 && later)
      throw new ApiError(
        409,
        'later-ticks',
        `What comes after it is ticked: take back first "${later.text}"`,
        'step',
      )
    if (steps[i]) await correctLives(a, steps[i]!, stepId, reason)
    const back: NewLine = { ...line('tick', reason, null, true), step: stepId }
    return write(a, [back], new Date(), a.design, `${a.f.name}: a tick was taken back`)
  })
}
/** Only what the ticks of this step wrote: at their moments, and not corrected yet. */
async function correctLives(a: Act, step: Step, stepId: string, reason: string) {
  const states = new Set(Object.values(step.records).flatMap((s) => s ?? []))
  const since = a.log.findLastIndex((l) => l.kind === 'tick' && l.step === stepId && l.undoes)
  const moments = new Set(
    a.log.slice(since + 1).flatMap((l) => (l.kind === 'tick' && l.step === stepId ? [l.at] : [])),
  )
  const rows = (await holesOfAct(a)).flatMap((h) => {
    let seq = h.seq
    const corrected = new Set(h.facts.map((f) => f.corrects))
    const wrote = h.facts.filter(
      (f) =>
        states.has(lifeStateOf(f.state) as never) &&
        moments.has(new Date(f.at).toISOString()) &&
        !corrected.has(f.seq!),
    )
    return wrote.reverse().map((f) => {
      const before = h.facts.findLast((x) => x.seq! < f.seq! && !corrected.has(x.seq!))
      return {
        ...blank,
        penetrationId: h.p.id,
        seq: ++seq,
        state: before?.state ?? 'marked',
        who: a.who.name,
        happenedAt: new Date(),
        note: `Tick taken back: ${reason}`,
        corrects: f.seq!,
      }
    })
  })
  if (rows.length) await LifeEvent.bulkCreate(rows, { transaction: a.transaction })
}
