import type { YardValue } from '../../base/materials/yard'
import { written, type Check, type Verdict } from '../../base/verdict/check'
import type { Design } from './design'
import type { Room } from '../../boat/field'
import type { Judgement } from './judgement'
import { massOf } from './size-cost'
import { beyond, PLATE_BLIND, Search, type Found, type Level } from './size-search'
import {
  bendsSaid,
  changesOf,
  choicesOf,
  foundSaid,
  stuckSaid,
  type Change,
  type SizeChoice,
} from './size-said'
import { Solving, type AskSolver } from './size-solve'

export interface Proposal {
  found: boolean
  tried: number
  design: Design | null
  changes: Change[]
  massKg: number | null
  massBeforeKg: number
  verdict: Verdict
  governing: string | null
  because: string
  /** checks that no design could help, which stay as they are: short only when nothing was found */
  remaining: { title: string; verdict: Verdict; because: string }[]
  /** the best few, what is least work first; empty when nothing passes */
  choices: SizeChoice[]
}

const remainingOf = (checks: Check[]) =>
  checks.map((c) => ({ title: c.title, verdict: c.verdict, because: c.because }))

interface Passed {
  found: Found[]
  level: Level
  solving: Solving | null
}
/**
 * One pass: whatever holds by hand, then what the plate solver lets through of the best few. A design of
 * which the solver says that it is tight counts only where nothing holds.
 */
function pass(s: Search, level: Level, sizes: string[], ask: AskSolver | null): Passed {
  const { first, schools } = s.ways
  const proven = s.run(level, sizes, schools)
  // The usual school is offered too where it is tight, and says so.
  if (level === 'holds' && proven.length && !proven.some((f) => f.design.core.school === first))
    proven.push(...s.run('tight', sizes, [first]).slice(0, 2))
  if (!ask) return { found: proven, level, solving: null }
  const solving = new Solving(s, ask, level)
  solving.run(proven)
  if (solving.held.length || !solving.nearly.length) return { found: solving.held, level, solving }
  return { found: solving.nearly, level: 'tight', solving }
}

/** The bolt that the casting is drilled for, with a tenth in hand or without; others only where it fails. */
function search(s: Search, ask: AskSolver | null): Passed {
  const passes: [Level, string[]][] = [
    ['holds', [s.ways.drilled]],
    ['tight', [s.ways.drilled]],
    ['holds', s.ways.sizes],
    ['tight', s.ways.sizes],
  ]
  let last: Passed | null = null
  for (const [level, sizes] of passes) {
    const p = pass(s, level, sizes, ask)
    if (p.found.length) return p
    // Where the deck itself bends too far, tighter hand checks and other bolts change nothing.
    if (p.solving?.refused) return p
    last = p
  }
  return last!
}

function nothing(
  p: { tried: number; massBeforeKg: number; governing: string | null; verdict: Verdict; because: string },
  checks: Check[],
): Proposal {
  return {
    ...p,
    found: false,
    design: null,
    changes: [],
    massKg: null,
    choices: [],
    remaining: remainingOf(checks),
  }
}

function noneFound(s: Search, p: Passed, before: Judgement | null, massBeforeKg: number): Proposal {
  const shape = { tried: s.tried, massBeforeKg }
  const bad = p.solving?.refused
  if (bad) {
    const because = bendsSaid(bad, p.solving!.asked)
    return nothing({ ...shape, governing: bad.id, verdict: 'short', because }, [bad])
  }
  const j = s.nearest?.j ?? before
  const blocking = (
    j?.checks.filter(
      (c) => !beyond(c.id) && c.verdict !== 'holds' && (s.nearest || PLATE_BLIND.includes(c.id)),
    ) ?? []
  ).map(written)
  return nothing(
    {
      ...shape,
      governing: before?.governing ?? null,
      verdict: before?.verdict ?? 'short',
      because: stuckSaid(blocking, s.tried),
    },
    blocking,
  )
}

/**
 * The best few ways of building this fitting in which nothing that can be sized is short: the bolt its
 * casting is drilled for, grades, plates (clipped to the room there is) or doublers, and core schools; what
 * is least work first. What is shown was asked of the plate solver too, where there is one.
 */
export function sizeIt(
  d: Design,
  yard?: YardValue[],
  room: Room | null = null,
  ask: AskSolver | null = null,
): Proposal {
  const s = new Search(d, yard, room)
  const before = s.before()
  const massBeforeKg = massOf(d, before)
  const p = search(s, ask)
  const found = s.sorted(p.found)
  // Holding comes before tight, whatever the work.
  const tight = (f: Found) =>
    Number(f.judgement.checks.some((c) => c.verdict === 'tight' && c.utilisation !== null && !beyond(c.id)))
  found.sort((a, b) => tight(a) - tight(b))
  const top = found[0]
  if (!top) return noneFound(s, p, before, massBeforeKg)
  const j = top.judgement
  // What no size can help is settled first: nothing that any check calls short is proposed.
  const whatever = j.checks.filter((c) => c.verdict === 'short')
  if (whatever.length) {
    const named = whatever.map((c) => `\u201c${c.title.toLowerCase()}\u201d`).join(' and ')
    const because = `Nothing passes: whatever the size, ${named} stay${whatever.length > 1 ? '' : 's'} short. Settle that first; the rest can then be sized.`
    const shape = { tried: s.tried, massBeforeKg, governing: whatever[0]!.id, verdict: 'short' as const }
    return nothing({ ...shape, because }, whatever)
  }
  return {
    found: true,
    tried: s.tried,
    design: top.design,
    changes: changesOf(d, top, before),
    massKg: top.mass,
    massBeforeKg,
    verdict: j.verdict,
    governing: j.governing,
    remaining: remainingOf(j.checks.filter((c) => c.verdict !== 'holds')),
    because: foundSaid(top, s.tried, p.level === 'tight'),
    choices: choicesOf(d, found, before),
  }
}
