import { z } from 'zod'
import type { Transaction } from 'sequelize'
import { LEAK_TESTS, MOST_PASCAL, PROOF_KINDS, PROOF_RESULTS, type ProofThing } from '@north-tide/core'
import { Flood, Launch, Leak, LeakTestRow, Note, ProofRow } from '../models'
import { answerOf } from './floods'
import { drip } from './leaks'
import { moment } from './saving'

/**
 * What was looked for and found in a boat, in her file: drips with their tests, floodings, proofs, notes.
 * What they speak of goes by the file's own names: `f3` for a fitting, `hole 12` for the hole of that number,
 * `gone` for what stood there then and does not any more.
 */
export const GONE = 'gone'
const text = z.string().max(2000)
const when = moment
const thing = z.string().min(1).max(80)
const words = z.string().max(300)
export const recordShapes = {
  leaks: z
    .array(
      z.strictObject({
        whereSeen: z.string().min(1).max(200),
        drip: z.strictObject(drip),
        state: z.enum(['open', 'found', 'elsewhere', 'left']),
        causeOf: thing.nullable(),
        cause: text,
        madeBy: words,
        madeAt: when,
        endedBy: words.nullable(),
        endedAt: when.nullable(),
        tests: z.array(
          z.strictObject({
            kind: z.enum(LEAK_TESTS),
            on: z.array(thing).min(1).max(200),
            minutes: z.number().gt(0).max(1440),
            wet: z.boolean(),
            delayMin: z.number().min(0).max(1440).nullable(),
            note: words,
            who: words,
            at: when,
            withdrawnWhy: text.nullable(),
          }),
        ),
      }),
    )
    .default([]),
  floods: z
    .array(
      z.strictObject({
        what: z.string().min(1).max(200),
        /** as `leak-rate` asks it; what it answers is worked out anew */
        ask: z.unknown(),
        note: words,
        who: words,
        at: when,
      }),
    )
    .default([]),
  proofs: z
    .array(
      z.strictObject({
        kind: z.enum(PROOF_KINDS),
        pressurePa: z.number().positive().max(MOST_PASCAL).nullable(),
        loadN: z.number().positive().max(1e7).nullable(),
        note: words,
        who: words,
        at: when,
        endedAt: when.nullable(),
        things: z.array(
          z.strictObject({
            of: thing,
            kind: z.string().max(40),
            name: z.string().max(200),
            zone: z.string().max(120),
            zMm: z.number(),
            minutes: z.number().positive().max(1440),
            look: text,
            result: z.enum(Object.values(PROOF_RESULTS).flat()).nullable(),
            note: words,
            who: words.nullable(),
            at: when.nullable(),
          }),
        ),
      }),
    )
    .default([]),
  notes: z
    .array(
      z.strictObject({
        kind: z.enum(['hand-over', 'approval']),
        body: z.string().min(1).max(2000),
        fitting: thing.nullable(),
        madeBy: words,
        madeAt: when,
        answer: z.enum(['read', 'yes', 'no']).nullable(),
        answerNote: z.string().max(500),
        answeredBy: words.nullable(),
        answeredAt: when.nullable(),
      }),
    )
    .default([]),
  launches: z
    .array(
      z.strictObject({ at: when, who: words, against: z.array(words).max(500), reason: z.string().max(500) }),
    )
    .default([]),
}
type Shape = z.ZodObject<typeof recordShapes>
type Out = z.input<Shape>
export type Records = z.output<Shape>

/** Names of this file for ids of this database, and back. */
export type Named = (id: string) => string
const seenBy = (seen: Record<string, object>, name: Named) =>
  Object.fromEntries(
    Object.entries(seen)
      .map(([id, v]) => [name(id), v] as const)
      .filter(([id]) => id !== GONE),
  )
const iso = (d: Date | null | undefined) => d?.toISOString() ?? null

async function leaksOut(boatId: string, name: Named): Promise<Out['leaks']> {
  const leaks = await Leak.findAll({ where: { boatId }, order: [['id', 'ASC']] })
  const tests = await LeakTestRow.findAll({
    where: { leakId: leaks.map((l) => l.id!) },
    order: [['id', 'ASC']],
  })
  return leaks.map((l) => ({
    whereSeen: l.whereSeen,
    drip: { ...l.drip, seen: seenBy(l.drip.seen ?? {}, name) },
    state: l.state!,
    causeOf: l.causeId ? name(l.causeId) : null,
    cause: l.cause!,
    madeBy: l.madeBy,
    madeAt: iso(l.madeAt)!,
    endedBy: l.endedBy ?? null,
    endedAt: iso(l.endedAt),
    tests: tests
      .filter((t) => t.leakId === l.id)
      .map((t) => ({
        kind: t.kind,
        on: [...new Set(t.things.map(name))],
        minutes: t.minutes,
        wet: t.wet,
        delayMin: t.delayMin,
        note: t.note!,
        who: t.who,
        at: iso(t.at)!,
        withdrawnWhy: t.withdrawnWhy ?? null,
      })),
  }))
}
const proofOut = (p: ProofRow, name: Named): NonNullable<Out['proofs']>[number] => ({
  kind: p.kind,
  pressurePa: p.pressurePa,
  loadN: p.loadN,
  note: p.note!,
  who: p.who,
  at: iso(p.at)!,
  endedAt: iso(p.endedAt),
  things: p.things.map(({ id, kind, name: called, zone, zMm, minutes, look, result, note, who, at }) => ({
    of: name(id),
    kind,
    name: called,
    zone,
    zMm,
    minutes,
    look,
    result,
    note,
    who,
    at,
  })),
})
/** `ofYard`: also what fitters hand one another, which is nobody else’s. */
export async function recordsOut(boatId: string, name: Named, ofYard: boolean): Promise<Out> {
  const byId = { where: { boatId }, order: [['id', 'ASC']] as [string, string][] }
  const [leaks, floods, proofs, notes, launches] = await Promise.all([
    leaksOut(boatId, name),
    Flood.findAll(byId),
    ProofRow.findAll(byId),
    Note.findAll(byId),
    Launch.findAll(byId),
  ])
  return {
    leaks,
    launches: launches.map((l) => ({ at: iso(l.at)!, who: l.who, against: l.against, reason: l.reason! })),
    floods: floods.map((f) => ({ what: f.what, ask: f.ask, note: f.note!, who: f.who, at: iso(f.at)! })),
    proofs: proofs.map((p) => proofOut(p, name)),
    notes: notes
      .filter((n) => ofYard || n.kind === 'approval')
      .map((n) => ({
        kind: n.kind,
        body: n.body,
        fitting: n.fittingId ? name(n.fittingId) : null,
        madeBy: n.madeBy,
        madeAt: iso(n.madeAt)!,
        answer: n.answer ?? null,
        answerNote: n.answerNote!,
        answeredBy: n.answeredBy ?? null,
        answeredAt: iso(n.answeredAt),
      })),
  }
}
const at = (s: string | null) => (s === null ? null : new Date(s))
/** What each flooding answers, before anything is written: one that cannot be worked out is refused. */
export const floodAnswers = (r: Records): unknown[] =>
  r.floods.map((f, i) => answerOf(f.ask, `floods.${i}.ask`))

async function leaksIn(r: Records, boatId: string, id: Named, t: { transaction: Transaction }) {
  for (const { tests, causeOf, drip: d, madeAt, endedAt, ...l } of r.leaks) {
    const leak = await Leak.create(
      {
        ...l,
        boatId,
        drip: { ...d, seen: seenBy(d.seen, id) },
        causeId: causeOf === null || causeOf === GONE ? null : id(causeOf),
        madeAt: new Date(madeAt),
        endedAt: at(endedAt),
      },
      t,
    )
    await LeakTestRow.bulkCreate(
      tests.map(({ on, at: made, ...x }) => ({
        ...x,
        leakId: leak.id!,
        things: on.map(id),
        at: new Date(made),
      })),
      t,
    )
  }
}
/** Writes them for a boat whose fittings and holes are there. */
export async function writeRecords(
  r: Records,
  answers: unknown[],
  boatId: string,
  id: Named,
  transaction: Transaction,
): Promise<void> {
  const t = { transaction }
  await leaksIn(r, boatId, id, t)
  await Flood.bulkCreate(
    r.floods.map(({ at: made, ask, ...f }, i) => ({
      ...f,
      ask: ask,
      answer: answers[i],
      boatId,
      at: new Date(made),
    })),
    t,
  )
  await ProofRow.bulkCreate(
    r.proofs.map(({ things, at: made, endedAt, ...p }) => ({
      ...p,
      boatId,
      at: new Date(made),
      endedAt: at(endedAt),
      things: things.map(({ of, ...x }): ProofThing => ({ ...x, id: id(of) })),
    })),
    t,
  )
  await Launch.bulkCreate(
    r.launches.map((l) => ({ ...l, boatId, at: new Date(l.at) })),
    t,
  )
  await Note.bulkCreate(
    r.notes.map(({ fitting, madeAt, answeredAt, ...n }) => ({
      ...n,
      boatId,
      fittingId: fitting === null || fitting === GONE ? null : id(fitting),
      madeAt: new Date(madeAt),
      answeredAt: at(answeredAt),
    })),
    t,
  )
}
