import type { Check, Verdict } from '../base/verdict/check'

/** How many checks came to each verdict. */
export function tallyOf(checks: Pick<Check, 'verdict'>[]): Record<Verdict, number> {
  const out: Record<Verdict, number> = { short: 0, unproven: 0, tight: 0, holds: 0 }
  for (const c of checks) out[c.verdict]++
  return out
}
