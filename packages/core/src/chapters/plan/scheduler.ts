import { common, dateText, dayOf, DAY, joined, weekdayOf, type Span } from './clock'

export interface Task {
  index: number
  minutes: number
  cure: number
  hands: number
  surface: boolean
  split: boolean
  /** indices of fitters that may do it */
  allowed: number[]
  after: number[]
  afterWork: number[]
  /** earliest start from the plan's own start and dated holds */
  release: number
}
export interface Placed {
  start: number
  end: number
  cureEnd: number
  who: number[]
}
export interface Yard {
  hours: Record<string, Span[]>[]
  /** days on which nothing may be bonded */
  unfit: Set<number>
}
export class NoSlot extends Error {
  constructor(readonly index: number) {
    super()
  }
}
const HORIZON_DAYS = 366

/** What has to be done before it, each once, whether its cure is waited for or only its work. */
const before = (t: Task) => [...new Set([...t.after, ...t.afterWork])]

export class Scheduler {
  private readonly calendar = new Map<string, Span[]>()
  private readonly sets: number[][][]
  private readonly tails: number[]
  private readonly followers: number[][]

  constructor(
    readonly tasks: (Task | null)[],
    readonly fixed: (Placed | null)[],
    readonly yard: Yard,
  ) {
    this.sets = tasks.map((t) => (t && t.minutes > 0 ? subsets(t.allowed, t.hands) : [[]]))
    this.followers = tasks.map(() => [])
    tasks.forEach((t, i) => t && before(t).forEach((b) => this.followers[b]!.push(i)))
    this.tails = tasks.map(() => -1)
    tasks.forEach((_, i) => this.tail(i))
  }

  /** From a step's start to the last cure behind it, with all the hands in the world. */
  private tail(i: number): number {
    if (this.tails[i]! >= 0) return this.tails[i]!
    const t = this.tasks[i]
    if (!t) return (this.tails[i] = 0)
    let most = t.minutes + t.cure
    for (const f of this.followers[i]!) {
      const next = this.tasks[f]
      if (!next) continue
      if (next.after.includes(i)) most = Math.max(most, t.minutes + t.cure + this.tail(f))
      if (next.afterWork.includes(i)) most = Math.max(most, t.minutes + this.tail(f))
    }
    return (this.tails[i] = most)
  }

  private spans(set: number[], surface: boolean, day: number): Span[] {
    const key = `${set.join()}|${surface ? 1 : 0}|${day}`
    const known = this.calendar.get(key)
    if (known) return known
    let out: Span[] | null = surface && this.yard.unfit.has(day) ? [] : null
    if (!out)
      for (const f of set) {
        const h = this.yard.hours[f]!
        const mine = joined(
          (h[dateText(day)] ?? h[weekdayOf(day)] ?? []).map(([a, b]): Span => [a + day * DAY, b + day * DAY]),
        )
        out = out ? common(out, mine) : mine
      }
    this.calendar.set(key, out ?? [])
    return out ?? []
  }

  /** The earliest the step can be done by these fitters, who are busy as given. */
  earliest(t: Task, set: number[], ready: number, busy: Span[][]): Placed | null {
    if (t.minutes === 0) return { start: ready, end: ready, cureEnd: ready + t.cure, who: [] }
    const clash = (from: number, to: number) => {
      let until = -1
      for (const f of set) for (const [a, b] of busy[f]!) if (a < to && b > from) until = Math.max(until, b)
      return until
    }
    const first = dayOf(ready)
    let at = ready
    for (let day = first; day <= first + HORIZON_DAYS; day++) {
      for (const [a, b] of this.spans(set, t.surface, day)) {
        let from = Math.max(a, at)
        while (from < b) {
          if (!t.split) {
            if (from + t.minutes > b) break
            const until = clash(from, from + t.minutes)
            if (until < 0)
              return { start: from, end: from + t.minutes, cureEnd: from + t.minutes + t.cure, who: set }
            from = until
            continue
          }
          const end = this.workFrom(t, set, from, day)
          if (end === null) return null
          const until = clash(from, end)
          if (until < 0) return { start: from, end, cureEnd: end + t.cure, who: set }
          from = until
        }
        at = Math.max(at, Math.min(from, b))
      }
    }
    return null
  }
  private workFrom(t: Task, set: number[], from: number, first: number): number | null {
    let left = t.minutes
    for (let day = first; day <= first + HORIZON_DAYS; day++)
      for (const [a, b] of this.spans(set, t.surface, day)) {
        const begin = Math.max(a, from)
        if (begin >= b) continue
        if (b - begin >= left) return begin + left
        left -= b - begin
      }
    return null
  }

  ready(t: Task, placed: (Placed | null)[]): number {
    let r = t.release
    for (const a of t.after) r = Math.max(r, placed[a]!.cureEnd)
    for (const a of t.afterWork) r = Math.max(r, placed[a]!.end)
    return r
  }
  busyFixed(): Span[][] {
    const busy: Span[][] = this.yard.hours.map(() => [])
    for (const p of this.fixed)
      if (p && p.end > p.start) for (const f of p.who) busy[f]!.push([p.start, p.end])
    return busy
  }
  finishOf(placed: (Placed | null)[]): number {
    return placed.reduce((m, p) => (p ? Math.max(m, p.cureEnd) : m), -Infinity)
  }
  /** Days on which a surface is worked. */
  surfaceDays(placed: (Placed | null)[]): number {
    const days = new Set<number>()
    placed.forEach((p, i) => {
      const t = this.tasks[i]
      if (!p || !t?.surface || t.minutes === 0) return
      for (let d = dayOf(p.start); d <= dayOf(p.end - 1); d++)
        if (this.spans(p.who, true, d).some(([a, b]) => a < p.end && b > p.start)) days.add(d)
    })
    return days.size
  }

  /** Steps in order of priority as they come free, each as early as it can be done. */
  inOrder(priority: number[]): (Placed | null)[] {
    const placed = [...this.fixed]
    const busy = this.busyFixed()
    const open = this.tasks.flatMap((t, i) => (t ? [i] : []))
    const waiting = new Map(open.map((i) => [i, before(this.tasks[i]!).filter((b) => this.tasks[b]).length]))
    const free = open.filter((i) => waiting.get(i) === 0)
    while (free.length) {
      let k = 0
      for (let c = 1; c < free.length; c++) if (priority[free[c]!]! > priority[free[k]!]!) k = c
      const i = free.splice(k, 1)[0]!
      const t = this.tasks[i]!
      const ready = this.ready(t, placed)
      let best: Placed | null = null
      for (const set of this.sets[i]!) {
        const p = this.earliest(t, set, ready, busy)
        if (p && (!best || p.end < best.end || (p.end === best.end && p.start < best.start))) best = p
      }
      if (!best) throw new NoSlot(i)
      placed[i] = best
      for (const f of best.who) busy[f]!.push([best.start, best.end])
      for (const n of this.followers[i]!) {
        if (!this.tasks[n]) continue
        const left = waiting.get(n)! - 1
        waiting.set(n, left)
        if (left === 0) free.push(n)
      }
    }
    return placed
  }

  /**
   * Good plans by several rules and a seeded shaking of the best of them; the work is bounded, not the
   * clock.
   */
  heuristic(rounds: number): (Placed | null)[] {
    const n = this.tasks.length
    const input = Array.from({ length: n }, (_, i) => -i)
    const work = this.tasks.map((t) => (t ? t.minutes * t.hands : 0))
    const rules = [
      this.tails.map((t, i) => t * 1000 - i),
      input,
      this.tails.map((t, i) => (t + work[i]!) * 1000 - i),
      this.followers.map((f, i) => f.length * 1000 - i),
      this.tasks.map((t, i) => (t ? -t.release * 10 - i : 0)),
      this.tasks.map((t, i) => (t?.cure ?? 0) * 1000 - i),
    ]
    let best: { placed: (Placed | null)[]; finish: number; days: number } | null = null
    const offer = (placed: (Placed | null)[]) => {
      const finish = this.finishOf(placed)
      if (best && finish > best.finish) return false
      const days = this.surfaceDays(placed)
      if (best && finish === best.finish && days >= best.days) return false
      best = { placed, finish, days }
      return true
    }
    for (const r of rules) offer(this.inOrder(r))
    let seed = 12345
    const random = () => (seed = (Math.imul(seed, 1103515245) + 12345) & 0x7fffffff) / 0x7fffffff
    let base = rules[0]!
    const scale = Math.max(1, ...this.tails) * 1000
    for (let k = 0; k < rounds; k++) {
      const spread = (k % 5 === 0 ? 0.4 : 0.12) * scale
      const trial = base.map((p) => p + (random() - 0.5) * spread)
      if (offer(this.inOrder(trial))) base = trial
    }
    return best!.placed
  }

  /**
   * The true least finish for a few steps: every order in which steps start one after another and every
   * choice of hands, cut off where
   * what is left cannot end sooner. Orders whose starts run backwards are left out: sorting by start gives
   * a plan that is no worse.
   */
  exact(first: (Placed | null)[]): (Placed | null)[] {
    let best = { placed: first, finish: this.finishOf(first), days: this.surfaceDays(first) }
    const placed = [...this.fixed]
    const busy = this.busyFixed()
    const open = this.tasks.flatMap((t, i) => (t ? [i] : []))
    const fixedFinish = this.finishOf(this.fixed)
    const descend = (done: number, lastStart: number, lastIndex: number, finish: number) => {
      if (done === open.length) {
        const days = this.surfaceDays(placed)
        if (finish < best.finish || (finish === best.finish && days < best.days))
          best = { placed: [...placed], finish, days }
        return
      }
      const floor = new Map<number, number>()
      let bound = finish
      for (const i of open) {
        if (placed[i]) continue
        const t = this.tasks[i]!
        let r = Math.max(t.release, t.minutes > 0 ? lastStart : -Infinity)
        for (const a of t.after) r = Math.max(r, placed[a]?.cureEnd ?? -Infinity)
        for (const a of t.afterWork) r = Math.max(r, placed[a]?.end ?? -Infinity)
        floor.set(i, r)
        bound = Math.max(bound, r + this.tails[i]!)
      }
      if (bound > best.finish || (bound === best.finish && best.days === 0)) return
      for (const i of open) {
        if (placed[i]) continue
        const t = this.tasks[i]!
        if ([...t.after, ...t.afterWork].some((b) => !placed[b])) continue
        const ready = this.ready(t, placed)
        for (const set of this.sets[i]!) {
          const p = this.earliest(t, set, ready, busy)
          if (!p) continue
          if (
            t.minutes > 0 &&
            (p.start < lastStart ||
              (p.start === lastStart &&
                i < lastIndex &&
                !t.after.includes(lastIndex) &&
                !t.afterWork.includes(lastIndex)))
          )
            continue
          const end = Math.max(finish, p.cureEnd)
          if (end > best.finish) continue
          placed[i] = p
          for (const f of p.who) busy[f]!.push([p.start, p.end])
          descend(done + 1, t.minutes > 0 ? p.start : lastStart, t.minutes > 0 ? i : lastIndex, end)
          for (const f of p.who) busy[f]!.pop()
          placed[i] = null
        }
      }
    }
    descend(0, -Infinity, -1, fixedFinish)
    return best.placed
  }
}

function subsets(from: number[], size: number): number[][] {
  if (size === 1) return from.map((f) => [f])
  return from.flatMap((f, i) => from.slice(i + 1).map((g) => [f, g]))
}
