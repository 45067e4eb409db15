import { recordsAny } from './holds'
import { addedUp, partSaid, type Part } from '../kinds/part'
import type { Step } from '../kinds/step'
import type { Units } from '../base/quantity/format'
import type { WorkState } from '../kinds/work'

/** What a fitting wants, and how far it is with it. */
export interface PartsOf {
  fittingId: string
  kind: string
  name: string
  /** it has been judged short: whatever is bought for it may change */
  short: string
  parts: Part[]
  steps: Step[]
  work: WorkState
  /** an order for it is past its day */
  late?: boolean
}
export const BUYING = ['to-buy', 'late', 'ordered', 'bought', 'used'] as const
export type Buying = (typeof BUYING)[number]
export const BUYING_SAID: Record<Buying, string> = {
  'to-buy': 'to buy',
  late: 'late',
  ordered: 'ordered',
  bought: 'arrived',
  used: 'used',
}
/** Bedded, or laid up: its parts are in the boat. */
const used = (steps: Step[], w: WorkState) => steps.some((x) => w.ticks[x.id] && recordsAny(x, ['bedded']))
/** Where the parts of a fitting stand, by its log; an order past its day makes them late. */
export function buyingOf(w: WorkState, steps: Step[] = [], late = false): Buying {
  if (used(steps, w)) return 'used'
  if (w.bought) return 'bought'
  return w.order ? (late ? 'late' : 'ordered') : 'to-buy'
}

/** One line of a boat's list: the same key, sizes and material from however many fittings. */
export interface PartsLine {
  part: Part
  state: Buying
  for: { id: string; kind: string; name: string; quantity: number | null }[]
  /** a fitting that it is for is short, and may yet ask for another */
  uncertain: string[]
}
const idOf = (p: Part) => JSON.stringify([p.key, p.title, p.material, p.unit, p.dimensions])
/**
 * All that open work wants, summed over the fittings with what is spare. What is bought, ordered and yet to
 * buy are lines of their own: a bolt in the bag of one fitting is not there for another.
 */
export function partsList(jobs: PartsOf[]): PartsLine[] {
  const by = new Map<string, { parts: Part[]; line: Omit<PartsLine, 'part'> }>()
  for (const job of jobs) {
    const state = buyingOf(job.work, job.steps, job.late)
    // Two lines of one fitting that are alike are one thing to it.
    for (const part of addedUp(job.parts)) {
      const key = `${state} ${idOf(part)}`
      const had = by.get(key) ?? { parts: [], line: { state, for: [], uncertain: [] } }
      had.parts.push(part)
      had.line.for.push({ id: job.fittingId, kind: job.kind, name: job.name, quantity: part.quantity })
      if (job.short) had.line.uncertain.push(job.name)
      by.set(key, had)
    }
  }
  const order = (l: PartsLine) => BUYING.indexOf(l.state)
  return [...by.values()]
    .map(({ parts, line }): PartsLine => ({
      ...line,
      part: { ...addedUp(parts)[0]!, note: parts.length === 1 ? parts[0]!.note : [] },
    }))
    .sort(
      (a, b) =>
        order(a) - order(b) ||
        a.part.title.localeCompare(b.part.title) ||
        idOf(a.part).localeCompare(idOf(b.part)),
    )
}
/** What lies within reach for the open steps, each once, with how many of the fittings want it. */
export function toolsList(jobs: PartsOf[]): { tool: string; fittings: number }[] {
  const by = new Map<string, Set<string>>()
  for (const job of jobs)
    for (const step of job.steps)
      if (!job.work.ticks[step.id])
        for (const tool of step.tools) by.set(tool, (by.get(tool) ?? new Set()).add(job.fittingId))
  return [...by]
    .map(([tool, of]) => ({ tool, fittings: of.size }))
    .sort((a, b) => b.fittings - a.fittings || a.tool.localeCompare(b.tool))
}
/** A line as a row of a table, for a file: words and figures apart. */
export const partsRow = (l: PartsLine, units: Units): Record<string, string | number> => {
  const said = partSaid(l.part, units)
  return {
    state: BUYING_SAID[l.state],
    what: said.what,
    size: said.size,
    material: l.part.material ?? '',
    quantity: l.part.quantity ?? '',
    spare: l.part.spare,
    unit: l.part.unit,
    for: l.for.map((f) => f.name).join('; '),
    note: said.note,
    'may change': l.uncertain.join('; '),
  }
}
