import { CalcError, judge, staleAgainst, zoneOfPlace, type BoatZone, type Design, type Verdict, type YardValue } from '@north-tide/core'

/** The server judges again before it stores a verdict. A design that cannot be judged yet is kept all the same: nothing typed is lost. */
export function verdictFor(design: Design, yard: YardValue[] = []): { verdict: Verdict; governing: string | null; problem: { code: string; path: string; message: string } | null } {
  try {
    const j = judge(design, false, yard)
    return { verdict: j.verdict, governing: j.governing, problem: null }
  } catch (error) {
    if (!(error instanceof CalcError)) throw error
    return { verdict: 'unproven', governing: error.code, problem: { code: error.code, path: error.path, message: error.message } }
  }
}

/** What a fitting is worth on the deck as the zone says it is now; `stale` where its design still believes another. */
export function judgeOn(design: Design, zones: BoatZone[], yard: YardValue[]) {
  const stale = staleAgainst(design, zoneOfPlace(zones, design.place))
  const v = verdictFor(stale ? { ...design, structure: stale.structure, measured: stale.measured } : design, yard)
  return { verdict: v.verdict, governing: v.governing, problem: v.problem, stale: stale?.changes ?? null }
}
