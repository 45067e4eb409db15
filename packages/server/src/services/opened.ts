import type { Transaction } from 'sequelize'
import {
  CalcError,
  edgeDistance,
  flagsAt,
  onFace,
  workState,
  zoneOfPlace,
  zoneTitle,
  type AnyDesign,
  type Around,
  type HoleRow,
  type Judged,
  type Kind,
  type LogLine,
} from '@north-tide/core'
import { fittingFile, kindNamed, parseOf } from '@north-tide/core/kinds'
import { ApiError, notFound } from '../errors'
import { Boat, Fitting } from '../models'
import { must, type Account } from './access'
import { heelOf, heelRound } from './angles'
import { designOf } from './designs'
import { holesOf } from './holes'
import { boatAndMarks, type FittingRow } from './kept-boat'
import { isUuid } from './saving'
import { once } from './once'
import { aroundIn, snapshotOf, snapshotWithin, type Snapshot } from './snapshot'
import { judgeByHand } from './verdict'
import { logOf } from './work-log'

/** A fitting opened with all that stands round it: as the bench, an act, and paper read it. */
export const shown = (f: FittingRow) => ({
  id: f.id,
  kind: f.kind,
  boatId: f.boatId,
  name: f.name,
  version: f.version,
  design: designOf(f),
  verdict: f.verdict,
  governing: f.governing,
  staleNow: f.stale ?? null,
  recorded: f.recordedAt != null,
  solverDue: f.solverDue,
  replacesId: f.replacesId ?? null,
  groupId: f.groupId ?? null,
  updatedAt: f.updatedAt.toISOString(),
  updatedBy: f.updatedBy,
})

/** The boat that a fitting stands in: where every act on it begins that writes more than once. */
async function boatOfFitting(id: string, transaction: Transaction): Promise<Boat> {
  const boats = isUuid(id)
    ? await Boat.sequelize!.query(
        'SELECT b.* FROM boats b JOIN fittings f ON f.boat_id = b.id WHERE f.id = $1',
        { bind: [id], model: Boat, mapToModel: true, transaction },
      )
    : []
  if (!boats[0]) throw notFound('fitting')
  return boats[0]
}
export async function findFitting(id: string, transaction: Transaction | null = null): Promise<Fitting> {
  const lock = transaction ? { lock: transaction.LOCK.NO_KEY_UPDATE } : {}
  const fitting = isUuid(id) ? await Fitting.findByPk(id, { transaction, ...lock }) : null
  if (!fitting) throw notFound('fitting')
  return fitting
}
/** Holes by their fitting and by their label, sorted once for as long as the same list is about. */
const sorted = once((holes: HoleRow[]) => {
  const of = new Map<string | null, HoleRow[]>()
  for (const h of holes) {
    const there = of.get(h.fittingId)
    if (there) there.push(h)
    else of.set(h.fittingId, [h])
  }
  return { of, labelled: new Map(holes.map((h) => [h.label, h])) }
})
/** The holes that a fitting makes, and those of others that it closes. */
function holesWith(f: FittingRow, holes: HoleRow[]): HoleRow[] {
  const kind = kindNamed(f.kind)
  const closed = kind.closes?.(parseOf(kind, f.design)) ?? []
  const { of, labelled } = sorted(holes)
  const own = of.get(f.id) ?? []
  const others = closed.map((label) => labelled.get(label)).filter((h) => h !== undefined)
  return [...new Set([...own, ...others])].sort((p, q) => p.number - q.number)
}
/** A fitting with all that stands round it, read once. */
export interface Opened<F extends FittingRow = FittingRow> {
  f: F
  kind: Kind
  s: Snapshot
  log: LogLine[]
  design: AnyDesign
  around: Around
  /** the cradle's own heel, from the boat's level readings; null while nobody has taken any */
  heelDeg: number | null
}
function opened<F extends FittingRow>(
  id: string,
  s: Snapshot<F>,
  log: LogLine[],
  heelDeg: number | null,
): Opened<F> {
  const f = s.fittings.find((x) => x.id === id)
  if (!f) throw notFound('fitting')
  return {
    f,
    kind: kindNamed(f.kind),
    s,
    log,
    design: s.designs.get(id)!,
    around: aroundIn(s, id, log),
    heelDeg,
  }
}
/** The boat that a fitting stands in, its log, and what else is asked of her, all at once. */
export async function aroundFitting<T = null>(id: string, also?: () => Promise<T>) {
  if (!isUuid(id)) throw notFound('fitting')
  const [there, log, more] = await Promise.all([boatAndMarks(id), logOf(id), also?.() ?? null])
  if (!there) throw notFound('fitting')
  return { boat: there.boat, snapshot: () => snapshotOf(there.boat, null, there.marks), log, more: more as T }
}
/** To be read. */
export async function openFitting(id: string): Promise<Opened> {
  const { snapshot, log, more: heelDeg } = await aroundFitting(id, () => heelRound(id))
  return opened(id, await snapshot(), log, heelDeg)
}
/** To be written in by a transaction that has written nothing yet. */
export async function openFirst(id: string, transaction: Transaction): Promise<Opened<Fitting>> {
  const f = await findFitting(id, transaction)
  const boat = await boatOfFitting(id, transaction)
  const s = await snapshotOf(boat, transaction)
  // What is written in it is seen among its neighbours.
  const fittings = s.fittings.map((row) => (row.id === id ? f : row))
  const log = await logOf(id, transaction)
  return { ...opened(id, { ...s, fittings }, log, await heelOf(boat.id, transaction)), f }
}
/** As a transaction sees it that may have written before: all of its boat is read. */
export async function openWithin(id: string, transaction: Transaction): Promise<Opened<Fitting>> {
  const boat = await boatOfFitting(id, transaction)
  const s = await snapshotWithin(boat, transaction)
  return opened(id, s, await logOf(id, transaction), await heelOf(boat.id, transaction))
}
export async function readFitting(who: Account, id: string) {
  const o = await openFitting(id)
  must(who, 'read', o.f.boatId)
  return readOpened(o)
}
/** What the bench is told of a fitting; after an act, of what the act has made of it and judged it to be. */
export async function readOpened(
  o: Opened,
  transaction: Transaction | null = null,
  judged: Judged | null = null,
) {
  const { f, kind, s, log, design, around } = o
  const { place: at } = design
  const before = holesWith(f, s.holes)
  const only = before.map((h) => h.id)
  // An act may have written in them, and in no others.
  const holes = transaction ? await holesOf(f.boatId, { only, fittingId: f.id, transaction }) : before
  const zone = zoneOfPlace(s.zones, at)
  const spots = judged ? relativeHoles(kind, design, around, judged) : boltsFrom(o)
  return {
    ...shown(f),
    log,
    work: workState(log),
    flags: kind.faces.includes('deck') ? flagsAt(around, at, spots) : [],
    stale: kind.changed?.(design, s.zones) ?? null,
    planEdgeMm: zone && spots.length ? Math.round(edgeDistance(zone, onFace(zone, at), spots)) : null,
    holes,
    others: kind.alone ? [] : around.others,
    heelDeg: o.heelDeg,
    replacedBy: s.fittings.find((x) => x.replacesId === f.id)?.id ?? null,
  }
}
/**
 * Its bolts from its own middle, as the plan measures from them; none while it cannot be judged. Kept for as
 * long as design and boat are the same that they were worked out for: whoever reads on asks for them again.
 */
function boltsFrom({ kind, design, around, s }: Opened): { xMm: number; yMm: number }[] {
  const by = [s.zones, s.parts, s.holes, s.designs, s.yard, s.goods]
  const there = boltsKept.get(design)
  if (there?.by.every((x, i) => x === by[i])) return there.bolts
  const bolts = relativeHoles(kind, design, around)
  boltsKept.set(design, { by, bolts })
  return bolts
}
const boltsKept = new WeakMap<AnyDesign, { by: unknown[]; bolts: { xMm: number; yMm: number }[] }>()
function relativeHoles(kind: Kind, d: AnyDesign, around: Around, judged?: Judged) {
  try {
    return kind
      .penetrations(d, judged ?? kind.judge(d, around), around.units)
      .filter((h) => h.boltIndex !== null)
      .map((h) => ({ xMm: h.xMm - d.place.xMm, yMm: h.yMm - d.place.yMm }))
  } catch (error) {
    if (error instanceof CalcError) return (d as { bolts?: { xMm: number; yMm: number }[] }).bolts ?? []
    throw error
  }
}

/**
 * A fitting as paper shows it: the judgement that is stored, the heavy calculator's part included, with
 * what the place warns of.
 */
export async function sheetOf(who: Account, id: string) {
  const { f, kind, s, log, design: d, around } = await openFitting(id)
  must(who, 'read', f.boatId)
  const v = judgeByHand(kind, d, around, f.solver)
  const { design, judgement, problem } = v
  if (!judgement)
    throw new ApiError(
      409,
      'not-judged',
      `It cannot be judged as it stands, so there is nothing to print yet: ${problem!.message}`,
      problem!.path,
    )
  return {
    f,
    kind,
    boat: s.boat,
    design,
    judgement,
    around,
    log,
    solverDue: v.solverDue,
    stale: v.stale,
    flags: kind.faces.includes('deck')
      ? flagsAt(around, design.place, relativeHoles(kind, design, around))
      : [],
    zone: zoneTitle(s.zones, design.place.zone),
    holes: holesWith(f, s.holes).map((h) => h.label),
  }
}
export type FittingSheet = Awaited<ReturnType<typeof sheetOf>>

export async function designFile(who: Account, id: string) {
  const f = await findFitting(id)
  must(who, 'read', f.boatId)
  const kind = kindNamed(f.kind)
  return { name: f.name, file: fittingFile(kind, parseOf(kind, f.design)) }
}
