import { z } from 'zod'
import {
  CalcError,
  isGood,
  MOST_PASCAL,
  parseInput,
  PROOF_KINDS,
  PROOF_RESULTS,
  PROOF_SAID,
  proofRun,
  proofSaid,
  RESULT_SAID,
  zoneTitle,
  type ProofKind,
  type ProofResult,
  type ProofThing,
} from '@north-tide/core'
import { ApiError, notFound } from '../errors'
import { Fitting, ProofRow } from '../models'
import { must, type Account } from './access'
import { line } from './act'
import { turnSuspect } from './alarm'
import { boatById } from './boats'
import { logTo } from './orders'
import { isUuid, MOST_VERSION, stale } from './saving'
import { snapshotOf } from './snapshot'

/** Runs of proofs on a boat: by hose, by soap, by a pull; a bad result turns its fitting suspect at once. */
export interface ShownProof {
  id: number
  kind: ProofKind
  things: ProofThing[]
  pressurePa: number | null
  loadN: number | null
  note: string
  who: string
  at: string
  endedAt: string | null
  said: string
  version: number
}
const shown = (p: ProofRow): ShownProof => ({
  id: p.id!,
  kind: p.kind,
  things: p.things,
  pressurePa: p.pressurePa,
  loadN: p.loadN,
  note: p.note!,
  who: p.who,
  at: p.at!.toISOString(),
  endedAt: p.endedAt?.toISOString() ?? null,
  said: proofSaid(p.kind, p.things),
  version: p.version!,
})
const beginning = z.strictObject({
  kind: z.enum(PROOF_KINDS),
  fittings: z.array(z.uuid()).min(1, 'Choose a fitting at least').max(200),
  /** Pa over the air outside, with soap */
  pressurePa: z.number().positive().nullish(),
  /** N, with a pull */
  loadN: z.number().positive().max(1e7).nullish(),
  note: z.string().trim().max(300).default(''),
})
function refuseFigures(p: z.output<typeof beginning>) {
  if (p.kind === 'soap' && p.pressurePa == null)
    throw new CalcError('missing', 'pressurePa', 'Say how much pressure; a hand pump gives 500 Pa easily')
  if (p.kind === 'soap' && p.pressurePa! > MOST_PASCAL)
    throw new CalcError(
      'range',
      'pressurePa',
      `${p.pressurePa} Pa was given; up to ${MOST_PASCAL} Pa is accepted: above it hatches lift and panes go`,
    )
  if (p.kind === 'pull' && p.loadN == null)
    throw new CalcError('missing', 'loadN', 'Say what is pulled; 1.25 times the design load is typical')
}
export async function beginProof(who: Account, boatId: string, body: unknown): Promise<ShownProof> {
  must(who, 'work', boatId)
  const p = parseInput(beginning, body)
  refuseFigures(p)
  const s = await snapshotOf(await boatById(boatId))
  const things = p.fittings.map((id) => {
    const f = s.fittings.find((x) => x.id === id)
    if (!f) throw new CalcError('invalid-input', 'fittings', 'One of them is no fitting of this boat')
    const { place } = s.designs.get(id)!
    return {
      id,
      kind: f.kind,
      name: f.name,
      zone: zoneTitle(s.zones, place.zone),
      xMm: place.xMm,
      yMm: place.yMm,
      zMm: place.zMm,
    }
  })
  const row = await ProofRow.create({
    boatId,
    kind: p.kind,
    things: proofRun(p.kind, things),
    pressurePa: p.kind === 'soap' ? p.pressurePa! : null,
    loadN: p.kind === 'pull' ? p.loadN! : null,
    note: p.note,
    who: who.name,
  })
  return shown(row)
}
export async function listProofs(who: Account, boatId: string): Promise<ShownProof[]> {
  must(who, 'read', boatId)
  await boatById(boatId)
  return (await ProofRow.findAll({ where: { boatId }, order: [['id', 'DESC']], limit: 100 })).map(shown)
}
const telling = z.discriminatedUnion('what', [
  z.strictObject({
    what: z.literal('result'),
    version: z.number().int().positive().max(MOST_VERSION),
    thing: z.uuid(),
    result: z.string(),
    note: z.string().trim().max(300).default(''),
  }),
  z.strictObject({ what: z.literal('end'), version: z.number().int().positive().max(MOST_VERSION) }),
])
const figureOf = (p: ProofRow) =>
  p.kind === 'soap'
    ? `, ${p.pressurePa} Pa`
    : p.kind === 'pull'
      ? `, ${Math.round(p.loadN! / 10) / 100} kN`
      : ''
export async function tellProof(who: Account, id: number, body: unknown): Promise<ShownProof> {
  const t = parseInput(telling, body)
  return ProofRow.sequelize!.transaction(async (transaction) => {
    const p =
      Number.isInteger(id) && id > 0 && id < 2 ** 31
        ? await ProofRow.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE })
        : null
    if (!p) throw notFound('proof')
    must(who, 'work', p.boatId)
    if (p.version !== t.version) throw stale('that run', { version: p.version! }, t.version, shown(p))
    if (p.endedAt) throw new ApiError(409, 'over', 'That run is ended; begin another', 'version')
    if (t.what === 'end') {
      await p.update({ endedAt: new Date(), version: p.version! + 1 }, { transaction })
      return shown(p)
    }
    const at = p.things.findIndex((x) => x.id === t.thing)
    if (at < 0) throw notFound('fitting')
    const may: readonly string[] = PROOF_RESULTS[p.kind]
    if (!may.includes(t.result))
      throw new CalcError(
        'invalid-input',
        'result',
        `"${t.result}" was given; ${may.join(' or ')} is accepted`,
      )
    const result = t.result as ProofResult
    const thing = p.things[at]!
    if (thing.result !== null)
      throw new ApiError(409, 'told', `${thing.name} has its result already; begin another run`, 'thing')
    const things = p.things.with(at, {
      ...thing,
      result,
      note: t.note,
      who: who.name,
      at: new Date().toISOString(),
    })
    const ended = things.every((x) => x.result !== null)
    await p.update(
      { things, version: p.version! + 1, ...(ended ? { endedAt: new Date() } : {}) },
      { transaction },
    )
    await written(who, p, thing, result, t.note, transaction)
    return shown(p)
  })
}
/** In the log of the fitting; what let something through is suspect from then on. */
async function written(
  who: Account,
  p: ProofRow,
  thing: ProofThing,
  result: ProofResult,
  note: string,
  transaction: NonNullable<Parameters<typeof turnSuspect>[3]>,
) {
  const f = isUuid(thing.id) ? await Fitting.findByPk(thing.id, { transaction }) : null
  if (!f) return
  const said = `${PROOF_SAID[p.kind].toLowerCase()}, ${thing.minutes} min${figureOf(p)}: ${RESULT_SAID[result]}${note ? `; ${note}` : ''}`
  if (!isGood(p.kind, result)) await turnSuspect(who, { id: f.id!, existing: true }, said, transaction)
  await logTo(who, f.id!, [line('look', said, { about: p.kind })], `${f.name}: proved`, transaction)
}
