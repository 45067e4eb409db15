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
import { aroundIn, snapshotOf } from './snapshot'
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
  const logs = await logsOf(s.fittings.map((f) => f.id))
  const gone = new Set(s.fittings.flatMap((f) => (f.replacesId ? [f.replacesId] : [])))
  const jobs = s.fittings.flatMap((f): OpenJob[] => {
    const kind = kindNamed(f.kind)
    const design = s.designs.get(f.id)!
    const log = logs.get(f.id) ?? []
    const work = workState(log)
    const begun = Object.keys(work.ticks).length > 0
    const stands = (design as { existing?: boolean }).existing === true && f.verdict !== 'short' && !begun
    if (gone.has(f.id) || stands || (wanted && !wanted.includes(f.id))) return []
    try {
      const judged = kind.judge(design, aroundIn(s, f.id, log))
      const worst = judged.checks.find((c) => c.id === judged.governing)
      const job = {
        fittingId: f.id,
        kind: f.kind,
        name: f.name,
        zone: zoneTitle(s.zones, design.place.zone),
        verdict: judged.verdict,
        short: judged.verdict === 'short' ? (worst?.title ?? checkNamed(judged.governing ?? '')) : '',
        steps: kind.steps(design, judged, s.boat.units, work),
        parts: kind.parts(design, judged),
        work,
      }
      return isOpen(job) ? [job] : []
    } catch (error) {
      if (!(error instanceof CalcError)) throw error
      // Nothing is left out in silence: what makes no sense yet is held by that.
      unjudged.push({
        fittingId: f.id,
        kind: f.kind,
        fitting: f.name,
        step: '',
        text: 'all of it',
        why: `its design makes no sense yet: ${error.message}`,
        until: null,
        costHours: null,
      })
      return []
    }
  })
  return { jobs, unjudged }
}
