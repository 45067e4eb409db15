import { governing, worstVerdict, type Check, type Verdict } from '../base/verdict/check'
import type { Judged } from './remedies'

/** How many checks came to each verdict. */
export function tallyOf(checks: Pick<Check, 'verdict'>[]): Record<Verdict, number> {
  const out: Record<Verdict, number> = { short: 0, unproven: 0, tight: 0, holds: 0 }
  for (const c of checks) out[c.verdict]++
  return out
}

/** A judgement with checks more, or others: as good as the worst of them. */
export const withChecks = <J extends Judged>(j: J, checks: Check[]): J => ({
  ...j,
  checks,
  verdict: worstVerdict(checks.map((c) => c.verdict)),
  governing: governing(checks)?.id ?? null,
  counts: tallyOf(checks),
})
