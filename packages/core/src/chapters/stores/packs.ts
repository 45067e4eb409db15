/** Packs of which so many pieces are bought (chapter 17.2). */
export interface Pack {
  n: number
  priceCents: number
}
export interface Bought {
  packs: { n: number; packs: number }[]
  pieces: number
  costCents: number
}
interface State {
  cost: number
  packs: number
  /** how many of each, the largest first */
  of: number[]
}
/** Cheaper, then fewer, then more of the largest, of the next … */
function better(a: State, b: State | null): boolean {
  if (!b || a.cost !== b.cost) return !b || a.cost < b.cost
  if (a.packs !== b.packs) return a.packs < b.packs
  for (let i = 0; i < a.of.length; i++) if (a.of[i] !== b.of[i]) return a.of[i]! > b.of[i]!
  return false
}

/**
 * For every number of pieces the best way to reach just that many; of those that are enough the best by the
 * aim. More than one pack over what is asked is never better: one could be left out.
 */
export function choosePacks(count: number, offered: Pack[], aim: 'cost' | 'leftovers'): Bought {
  const packs = [...offered].sort((a, b) => b.n - a.n)
  const most = count + packs[0]!.n
  const at: (State | null)[] = Array.from({ length: most + 1 }, () => null)
  at[0] = { cost: 0, packs: 0, of: packs.map(() => 0) }
  for (let p = 1; p <= most; p++)
    packs.forEach((k, i) => {
      const from = p >= k.n ? at[p - k.n] : null
      if (!from) return
      const next: State = {
        cost: from.cost + k.priceCents,
        packs: from.packs + 1,
        of: from.of.map((x, j) => (j === i ? x + 1 : x)),
      }
      if (better(next, at[p]!)) at[p] = next
    })
  let best = -1
  for (let p = count; p <= most; p++) {
    const now = at[p]
    if (!now) continue
    const had = best < 0 ? null : at[best]!
    // Pieces grow from one to the next, so that the first of equals has fewest left over.
    const wins = !had || (aim === 'cost' && now.cost < had.cost)
    if (wins) best = p
  }
  const s = at[best]!
  return {
    packs: packs.map((k, i) => ({ n: k.n, packs: s.of[i]! })).filter((k) => k.packs > 0),
    pieces: best,
    costCents: s.cost,
  }
}
