import {
  CalcError,
  checkNamed,
  isOpen,
  workState,
  zoneTitle,
  type BoatPlan,
  type Part,
  type PlanJob,
} from '@north-tide/core'
import { kindNamed } from '@north-tide/core/kinds'
import { boatById } from './boats'
import { breather } from '../breath'
import { aroundIn, snapshotOf } from './snapshot'
import { ownMinutes, withOwnMinutes } from './own-minutes'
import { logsOf } from './work-log'

/** Work that is left on a fitting, with what it takes. */
export type OpenJob = PlanJob & { parts: Part[] }
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
      const judged = kind.judge(design, aroundIn(s, f.id, log))
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
        work,
      }
      if (isOpen(job)) jobs.push(job)
    } catch (error) {
      if (!(error instanceof CalcError)) throw error
      // Nothing is left out in silence: what makes no sense yet is held by that.
      unjudged.push({
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
        boatId,
        zone: zoneTitle(s.zones, design.place.zone),
      })
    }
  }
  return { jobs, unjudged }
}
