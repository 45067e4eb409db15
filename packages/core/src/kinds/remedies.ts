import { keepingAnswers } from '../base/calculator/kept'
import { withChange } from '../base/change'
import { CalcError } from '../base/errors'
import { rank, type Check, type Remedy, type Verdict } from '../base/verdict/check'

/** A change of a design that is worth judging. */
export interface Try {
  id: string
  text: string
  change: Record<string, unknown>
  /** checks that it is meant for: their id, or the beginning of it with a star (kick*) */
  helps: string[]
  /** of one group (a run of thicknesses, of sizes) only the first that holds is offered; none: by itself */
  group?: string
}
/** What every judgement of a fitting has, of whatever kind. */
export interface Judged {
  verdict: Verdict
  governing: string | null
  checks: Check[]
  counts: Record<Verdict, number>
}

const MOST = 3
const isFor = (t: Try, id: string) =>
  t.helps.some((h) => (h.endsWith('*') ? id.startsWith(h.slice(0, -1)) : id === h))
/** What is not there cannot be tight or short, but one more piece would mend it. */
export const mendable = (c: Check) =>
  c.verdict === 'short' || c.verdict === 'tight' || c.id.endsWith('-missing')

interface Offer {
  group: string
  spoils: boolean
  remedy: Remedy
}

function offerOf(t: Try, c: Check, after: Judged, before: Map<string, Check>): Offer | null {
  const same = after.checks.find((x) => x.id === c.id)
  if (same && rank(same.verdict) <= rank(c.verdict)) return null
  const spoilt = after.checks.find(
    (x) => x.id !== c.id && x.verdict === 'short' && before.get(x.id)?.verdict !== 'short',
  )
  return {
    group: t.group ?? t.id,
    spoils: spoilt !== undefined,
    remedy: {
      id: t.id,
      text: t.text,
      ...(spoilt ? { but: `but then short: ${spoilt.title.toLowerCase()}` } : {}),
      change: t.change,
      utilisation: same?.utilisation ?? null,
      verdict: same?.verdict ?? 'holds',
    },
  }
}

const good = (o: Offer) => o.remedy.verdict === 'holds' && !o.spoils

/**
 * For each check that does not hold, changes of the design with what each would give: judged whole, never
 * guessed. One engine for every kind of work.
 * @param judge gives null where a change makes no sense
 */
export function withRemedies<D, J extends Judged>(d: D, j: J, tries: Try[], judge: (changed: D) => J): J {
  const weak = j.checks.filter(mendable)
  if (!weak.length || !tries.length) return j
  const before = new Map(j.checks.map((c) => [c.id, c]))
  // What helps one check is often tried for its neighbour too; it is judged once.
  const tried = new Map<string, J | null>()
  const judged = (t: Try): J | null => {
    const key = JSON.stringify(t.change)
    const known = tried.get(key)
    if (known !== undefined) return known
    const after = attempt(() => judge(withChange(d, t.change)))
    tried.set(key, after)
    return after
  }
  const remediesFor = (c: Check): Remedy[] => {
    const found: Offer[] = []
    for (const t of tries) {
      if (!isFor(t, c.id)) continue
      const shown = found.findIndex((f) => f.group === (t.group ?? t.id))
      if (shown >= 0 && good(found[shown]!)) continue
      const after = judged(t)
      const offer = after && offerOf(t, c, after, before)
      if (!offer) continue
      if (shown < 0) found.push(offer)
      else if (offer.remedy.verdict === 'holds' && (!offer.spoils || found[shown]!.spoils))
        found[shown] = offer
    }
    return found
      .sort((x, y) => Number(x.spoils) - Number(y.spoils))
      .slice(0, MOST)
      .map((f) => f.remedy)
  }
  return keepingAnswers(() => ({
    ...j,
    checks: j.checks.map((c) => (weak.includes(c) ? { ...c, remedies: remediesFor(c) } : c)),
  }))
}

/** A value, or null where the input of it makes no sense. */
export function attempt<T>(run: () => T): T | null {
  try {
    return run()
  } catch (error) {
    if (error instanceof CalcError) return null
    throw error
  }
}
