/**
 * Which pieces of the product go over the line in one file.
 *
 * Left to itself the bundler makes a file of whatever the same places share, and a place is then a hundred
 * files: on most lines their questions and answers take longer than their bytes. Files are joined here as
 * long as that shortens the first visit of all places together: a request is paid for like so many bytes,
 * and bytes that a place would not need are paid for in full.
 */
export interface Piece {
  name: string
  /** packed */
  bytes: number
  imports: string[]
  /** asked for by its own name, it stays a file of its own */
  alone: boolean
}
/** What one request costs beside its bytes, packed: about 4 ms where 8 Mbit a second are had. */
const REQUEST_BYTES = 4000
/** visits are kept as the bits of a number */
const MOST_VISITS = 31

interface Group {
  id: number
  pieces: string[]
  bytes: number
  alone: boolean
  /** groups that it imports */
  needs: Set<number>
  /** visits that load it, a bit for each */
  visits: number
}

function reached(from: string[], by: Map<string, Piece>): Set<string> {
  const seen = new Set<string>()
  const next = [...from]
  for (let name = next.pop(); name !== undefined; name = next.pop()) {
    if (seen.has(name)) continue
    seen.add(name)
    next.push(...(by.get(name)?.imports ?? []))
  }
  return seen
}
/** Each piece by itself; what no visit loads stays as it is. */
function apart(pieces: Piece[], visits: string[][]): Map<number, Group> {
  if (visits.length > MOST_VISITS) throw new Error(`more than ${MOST_VISITS} first visits are not weighed`)
  const by = new Map(pieces.map((p) => [p.name, p]))
  const loads = visits.map((v) => reached(v, by))
  const ids = new Map(pieces.map((p, id) => [p.name, id]))
  const groups = pieces.map((p, id): Group => ({
    id,
    pieces: [p.name],
    bytes: p.bytes,
    alone: p.alone,
    needs: new Set(p.imports.flatMap((i) => ids.get(i) ?? [])),
    visits: loads.reduce((bits, l, i) => bits | (l.has(p.name) ? 1 << i : 0), 0),
  }))
  return new Map(groups.filter((g) => g.visits).map((g) => [g.id, g]))
}

function howMany(bits: number): number {
  let n = 0
  for (let left = bits; left; left &= left - 1) n++
  return n
}
/** Bytes saved on all visits together where two groups are one. */
const saved = (a: Group, b: Group): number =>
  howMany(a.visits & b.visits) * REQUEST_BYTES -
  howMany(a.visits & ~b.visits) * b.bytes -
  howMany(b.visits & ~a.visits) * a.bytes

/** Whether one leads to the other by way of a third: as one they would wait for themselves. */
function roundabout(a: Group, b: Group, all: Map<number, Group>): boolean {
  const leads = (from: Group, to: Group) => {
    const seen = new Set<number>()
    const next = [...from.needs].filter((n) => n !== to.id)
    for (let id = next.pop(); id !== undefined; id = next.pop()) {
      if (id === to.id) return true
      if (seen.has(id)) continue
      seen.add(id)
      next.push(...(all.get(id)?.needs ?? []))
    }
    return false
  }
  return leads(a, b) || leads(b, a)
}
function join(a: Group, b: Group, all: Map<number, Group>): void {
  a.pieces.push(...b.pieces)
  a.bytes += b.bytes
  a.visits |= b.visits
  for (const n of b.needs) a.needs.add(n)
  a.needs.delete(a.id)
  a.needs.delete(b.id)
  all.delete(b.id)
  for (const g of all.values()) if (g.needs.delete(b.id) && g !== a) g.needs.add(a.id)
  // Whoever loads it now loads what it needs, too.
  const next = [a]
  for (let g = next.pop(); g; g = next.pop())
    for (const n of g.needs) {
      const needed = all.get(n)!
      if ((needed.visits | g.visits) === needed.visits) continue
      needed.visits |= g.visits
      next.push(needed)
    }
}
/** What all first visits cost together. */
const cost = (all: Map<number, Group>) =>
  [...all.values()].reduce((sum, g) => sum + howMany(g.visits) * (g.bytes + REQUEST_BYTES), 0)
const copied = (all: Map<number, Group>) =>
  new Map([...all].map(([id, g]) => [id, { ...g, pieces: [...g.pieces], needs: new Set(g.needs) }]))
const named = (a: Group, b: Group) => `${a.id} ${b.id}`
function bestPair(all: Map<number, Group>, refused: Set<string>): [Group, Group] | null {
  const list = [...all.values()].filter((g) => !g.alone)
  let best: [Group, Group] | null = null
  let most = 0
  for (const [i, a] of list.entries())
    for (let k = i + 1; k < list.length; k++) {
      const gain = saved(a, list[k]!)
      if (!(gain > most) || refused.has(named(a, list[k]!)) || roundabout(a, list[k]!, all)) continue
      best = [a, list[k]!]
      most = gain
    }
  return best
}

/**
 * The pieces that go together; the best pair is joined while that saves anything. What the two need may have
 * to be fetched by more visits then: a pair that costs more by that stays apart.
 */
export function joined(pieces: Piece[], visits: string[][]): string[][] {
  let all = apart(pieces, visits)
  const refused = new Set<string>()
  for (let pair = bestPair(all, refused); pair; pair = bestPair(all, refused)) {
    const next = copied(all)
    join(next.get(pair[0].id)!, next.get(pair[1].id)!, next)
    if (cost(next) < cost(all)) all = next
    else refused.add(named(...pair))
  }
  return [...all.values()].filter((g) => !g.alone).map((g) => g.pieces)
}
