import { withChange } from '../../base/change'
import type { Check } from '../../base/verdict/check'
import type { Design } from './design'
import type { Judgement } from './judgement'
import { plateFor } from './remedies'
import { acceptable, type Found, type Level, type Search } from './size-search'
import { unbeaten } from './size-said'
import { clipped, REACHES, stockFor } from './size-ways'
import { withSolver } from './spread'

/**
 * What the plate solver finds of a design that the hand checks let through. It is slow beside them, so
 * only the best few are asked about.
 */
export type AskSolver = (d: Design, j: Judgement) => Check[]
/** While nothing has passed; once something has, one more for the others of the best few. */
const MOST_ASKED = 5
const MOST_AFTER = 1
/** How many steps of plan and thickness a plate grows by, by how much too far the deck bends. */
const stepsFor = (utilisation: number) => (utilisation <= 1.05 ? 1 : utilisation <= 1.3 ? 2 : 3)

/** Asks the plate solver about one after the other, growing plates that let the deck bend too far. */
export class Solving {
  asked = 0
  readonly held: Found[] = []
  readonly nearly: Found[] = []
  /** the least that any of them bent the deck too far */
  refused: Check | null = null
  private bareBends = false
  private grew: { plan: { lengthMm: number; widthMm: number }; thicker: number } | null = null

  constructor(
    private readonly search: Search,
    private readonly ask: AskSolver,
    private readonly level: Level,
  ) {}

  run(proven: Found[]): void {
    const few = unbeaten(proven)
    // Those that others beat are asked about only while nothing has passed: what is heavier or dearer may
    // bend less.
    for (const f of [...few, ...proven.filter((g) => !few.includes(g))]) {
      if (this.spent() || (this.held.length && !few.includes(f))) return
      // Washers alone spread nothing: where one such design bends the deck too far, they all do.
      if (!f.design.plate && this.bareBends) continue
      this.untilItHolds(f)
    }
  }
  private spent() {
    return this.asked >= (this.held.length ? MOST_ASKED + MOST_AFTER : MOST_ASKED)
  }
  private untilItHolds(f: Found): void {
    let now: Found | null = this.learnt(f)
    while (now && !this.spent()) {
      const said: Found | number = this.solve(now)
      if (typeof said !== 'number') {
        this.held.push(said)
        this.remember(f.design, said.design)
        return
      }
      if (!now.design.plate) this.bareBends = true
      const larger: Design | null = this.grown(now.design, said)
      now = larger && this.search.whole(larger, this.level)
    }
  }
  /** What the solver says to one: the design if it passes, else how far past it is. */
  private solve(f: Found): Found | number {
    this.asked++
    const judgement = withSolver(f.judgement, { checks: this.ask(f.design, f.judgement) })
    if (acceptable(judgement.checks, this.level)) return { ...f, judgement }
    if (acceptable(judgement.checks, 'tight')) this.nearly.push({ ...f, judgement })
    const bad = judgement.checks
      .filter((c) => c.id.startsWith('spread-'))
      .reduce((a, b) => ((b.utilisation ?? 0) > (a.utilisation ?? 0) ? b : a))
    if (!this.refused || (bad.utilisation ?? 0) < (this.refused.utilisation ?? 0)) this.refused = bad
    return bad.utilisation ?? 9
  }
  /**
   * Larger first, and thicker as far as a fitter would cut it: for a little too much one step, for much
   * three.
   */
  private grown(from: Design, utilisation: number): Design | null {
    const p = from.plate
    if (!p) return null
    const steps = stepsFor(utilisation)
    const reaches = REACHES.filter((r) => plateFor(this.search.d, r).lengthMm > p.lengthMm * 1.05)
    const reach = reaches[Math.min(steps, reaches.length) - 1]
    const thicker = stockFor(from).filter((t) => t > p.thicknessMm)
    const thicknessMm = thicker[Math.min(steps, thicker.length) - 1] ?? p.thicknessMm
    if (reach === undefined && thicknessMm === p.thicknessMm) return null
    const plan = reach === undefined ? {} : plateFor(this.search.d, reach)
    const outline =
      reach === undefined ? p.outline : clipped(plateFor(this.search.d, reach), this.search.room)
    return withChange(from, { plate: { ...p, ...plan, thicknessMm, outline } })
  }
  private remember(from: Design, to: Design): void {
    if (!to.plate || !from.plate || to === from) return
    this.grew ??= {
      plan: { lengthMm: to.plate.lengthMm, widthMm: to.plate.widthMm },
      thicker: to.plate.thicknessMm / from.plate.thicknessMm,
    }
  }
  /** What one plate had to grow to is where the next begins. */
  private learnt(f: Found): Found {
    const p = f.design.plate
    const { grew } = this
    if (!grew || !p || p.lengthMm >= grew.plan.lengthMm) return f
    const stock = stockFor(f.design)
    const thicknessMm = stock.find((t) => t >= p.thicknessMm * grew.thicker) ?? stock.at(-1)!
    const outline = clipped(grew.plan, this.search.room)
    const larger = withChange(f.design, { plate: { ...p, ...grew.plan, thicknessMm, outline } })
    return this.search.whole(larger, this.level) ?? f
  }
}
