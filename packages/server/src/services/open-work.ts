import {
  CalcError,
  checkNamed,
  isOpen,
  workState,
  zoneTitle,
  type BoatPlan,
  type FastenerNeed,
  type LogLine,
  type Part,
  type PlanJob,
} from '@north-tide/core'
import { kindNamed } from '@north-tide/core/kinds'
import { boatById } from './boats'
import { breather } from '../breath'
import { roundOf, snapshotOf, type Snapshot } from './snapshot'
import { ownMinutes, withOwnMinutes } from './own-minutes'
import { logsOf } from './work-log'

/** Work that is left on a fitting, with what it takes. */
export type OpenJob = PlanJob & {
  parts: Part[]
  needs: FastenerNeed[]
  /** what of it does not go together, or is not as it was measured last */
  stops: { id: string; title: string; because: string }[]
  /** what would be bought for it, in words that are compared later */
  wanted: string
  /** minutes that its ticked steps took, where it was said */
  took: Record<string, number>
}
type AnyKind = ReturnType<typeof kindNamed>
/** What an order would be wrong by: checks that are short, and a boat that was measured otherwise since. */
function stopsOf(
  kind: AnyKind,
  design: Parameters<AnyKind['judge']>[0],
  judged: ReturnType<AnyKind['judge']>,
  zones: Parameters<NonNullable<AnyKind['changed']>>[1],
): OpenJob['stops'] {
  const short = judged.checks.filter((c) => c.verdict === 'short')
  const joints = (kind.orderStops?.(judged) ?? []).filter((b) => !short.some((c) => c.id === b.id))
  const stale = kind.changed?.(design, zones)?.changes ?? []
  // What is found wrong with one that is there is said by a check too.
  const said = [...short, ...joints].filter(
    (c, i, all) => all.findIndex((o) => o.title === c.title && o.because === c.because) === i,
  )
  return [
    ...said.map((c) => ({ id: c.id, title: c.title, because: c.because })),
    ...stale.map((because) => ({ id: 'stale', title: 'Measured otherwise since', because })),
  ]
}
/** The last that was said with each tick that stands. */
function minutesTaken(log: LogLine[]): Record<string, number> {
  const out: Record<string, number> = {}
  for (const l of log) {
    if (l.kind !== 'tick' || !l.step) continue
    if (l.undoes) delete out[l.step]
    else if (l.data?.minutes !== undefined) out[l.step] = l.data.minutes
  }
  return out
}
/** What makes no sense yet is held by that. */
const senseless = (
  f: { id: string; kind: string; name: string; boatId: string },
  s: Pick<Snapshot, 'zones'>,
  zone: string | null,
  error: CalcError,
): BoatPlan['held'][number] => ({
  fittingId: f.id,
  kind: f.kind,
  fitting: f.name,
  others: [],
  step: '',
  text: 'all of it',
  why: `its design makes no sense yet: ${error.message}`,
  by: 'decision',
  since: null,
  until: null,
  costHours: null,
  holdId: null,
  boatId: f.boatId,
  zone: zoneTitle(s.zones, zone),
})
/**
 * Every fitting with work left: what stands in the boat already, and nobody works on, is none.
 * @param wanted ids of fittings; left out: all of them
 */
export async function openWork(
  boatId: string,
  wanted?: string[],
): Promise<{ jobs: OpenJob[]; unjudged: BoatPlan['held'] }> {
  const unjudged: BoatPlan['held'] = []
  const s = await snapshotOf(await boatById(boatId))
  const [logs, minutes] = await Promise.all([logsOf(s.fittings.map((f) => f.id)), ownMinutes()])
  const round = roundOf(s)
  const gone = new Set(s.fittings.flatMap((f) => (f.replacesId ? [f.replacesId] : [])))
  const jobs: OpenJob[] = []
  const othersTurn = breather()
  for (const f of s.fittings) {
    await othersTurn()
    const kind = kindNamed(f.kind)
    const design = s.designs.get(f.id)!
    const log = logs.get(f.id) ?? []
    const work = workState(log)
    const begun = Object.keys(work.ticks).length > 0
    const stands = (design as { existing?: boolean }).existing === true && f.verdict !== 'short' && !begun
    if (gone.has(f.id) || stands || (wanted && !wanted.includes(f.id))) continue
    try {
      const judged = kind.judge(design, round.of(f.id, log))
      const worst = judged.checks.find((c) => c.id === judged.governing)
      const job = {
        fittingId: f.id,
        kind: f.kind,
        name: f.name,
        boatId,
        boat: s.boat.name,
        zoneId: design.place.zone,
        zone: zoneTitle(s.zones, design.place.zone),
        verdict: judged.verdict,
        short: judged.verdict === 'short' ? (worst?.title ?? checkNamed(judged.governing ?? '')) : '',
        steps: withOwnMinutes(f.kind, kind.steps(design, judged, s.boat.units, work), minutes),
        parts: kind.parts(design, judged),
        needs: kind.fasteners?.(design, judged) ?? [],
        stops: stopsOf(kind, design, judged, s.zones),
        wanted: kind.orderList?.(design, judged) ?? '',
        took: minutesTaken(log),
        work,
      }
      if (isOpen(job)) jobs.push(job)
    } catch (error) {
      if (!(error instanceof CalcError)) throw error
      // Nothing is left out in silence: what makes no sense yet is held by that.
      unjudged.push(senseless(f, s, design.place.zone, error))
    }
  }
  return { jobs, unjudged }
}
