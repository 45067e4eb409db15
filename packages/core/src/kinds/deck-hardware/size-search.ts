import { stockThickness, type PlateId } from '../../base/materials/plates'
import type { YardValue } from '../../base/materials/yard'
import type { Draft, Verdict } from '../../base/verdict/check'
import type { Design } from './design'
import type { Room } from '../../boat/field'
import { attempt } from '../remedies'
import { judge, look } from './judge'
import { Memo, type Judgement, type Look } from './judgement'
import { hoursOf, massOf } from './size-cost'
import { boltedWays, plated, REACHES, stockFor, waysFor, type Ways } from './size-ways'

/** One way of building it, judged. */
export interface Found {
  design: Design
  mass: number
  judgement: Judgement
}
/** First with a tenth in hand; where nothing has that, whatever is not short. */
export type Level = 'holds' | 'tight'
const good = (v: Verdict, level: Level) => v === 'holds' || (level === 'tight' && v === 'tight')

/**
 * What the sizing can change; the rest (edge, spacing of the casting's holes, sealant) it leaves to the
 * fitter.
 */
const BEYOND = ['surface', 'edge-distance', 'spacing', 'sealant', 'sling-angle', 'lever', 'metals']
/** What a push asks of the deck and of what stands under it: no bolt and no plate helps there. */
const PUSHED = [
  'push-punching',
  'push-crush-over',
  'skin-bending',
  'under',
  'beam-',
  'bulkhead-',
  'post-',
  'foot',
]
export const beyond = (id: string) => BEYOND.includes(id) || PUSHED.some((p) => id.startsWith(p))
export const acceptable = (checks: Pick<Draft, 'id' | 'verdict'>[], level: Level) =>
  checks.every((c) => good(c.verdict, level) || beyond(c.id))
/** Checks that no plate helps, so that a size that fails them is done with. */
export const PLATE_BLIND = ['bolt', 'bearing', 'shear-out', 'doubler-weld']
/** Checks that thickness alone does not help. */
const THICK_BLIND = (id: string) => id.startsWith('punching') || id.startsWith('crush')
const AT_090 = 1 / Math.sqrt(0.9)
/**
 * Washers alone are what a fitter leaves under a light load: where there was a plate, the deck keeps it
 * unless it would carry twice as much without.
 */
const LIGHT = 0.5
const needsPlate = (d: Design, j: Look) =>
  d.plate !== null && j.checks.some((c) => THICK_BLIND(c.id) && (c.utilisation ?? 0) > LIGHT)

/** Looks through the ways of building one fitting, and keeps the lightest of each school and plate. */
export class Search {
  tried = 0
  nearest: { worst: number; j: Look } | null = null
  readonly ways: Ways
  readonly memo = new Memo()
  /** the lightest of each school and plate, not judged whole yet */
  private best = new Map<string, Pick<Found, 'design' | 'mass'>>()
  private level: Level = 'holds'

  constructor(
    readonly d: Design,
    readonly yard: YardValue[] | undefined,
    readonly room: Room | null,
  ) {
    this.ways = waysFor(d)
  }

  /** Null where it cannot be built. */
  private quick(o: Design): Look | null {
    return attempt(() => look(o, this.yard, this.memo))
  }
  /** What it is before anything is changed. */
  before(): Judgement | null {
    return attempt(() => judge(this.d, true, this.yard, this.memo))
  }
  /** Judged in every direction: what is shown is never what a search alone has seen. */
  whole(o: Design, level: Level): Found | null {
    const quick = this.quick(o)
    if (!quick || !acceptable(quick.checks, level)) return null
    const judgement = judge(o, false, this.yard, this.memo)
    return acceptable(judgement.checks, level) ? { design: o, judgement, mass: massOf(o, judgement) } : null
  }

  /** Everything that passes at this level with bolts of these sizes, what is least work first. */
  run(level: Level, sizes: string[], schools: Design['core']['school'][]): Found[] {
    this.level = level
    this.best = new Map()
    let done = ''
    for (const bolted of boltedWays(this.d, this.ways, sizes, schools)) {
      const way = `${bolted.core.school}${bolted.core.insertMaterial}`
      // Of the doublers the first that passes is enough: the next are larger.
      const metal = `${way}|${bolted.bolt.size}|${bolted.bolt.grade}`
      if (metal === done) continue
      if (this.bare(way, bolted) && this.d.structure.kind === 'metal') done = metal
    }
    return this.sorted([...this.best.values()].flatMap((f) => this.whole(f.design, level) ?? []))
  }
  sorted(all: Found[]): Found[] {
    const other = (f: Found) => Number(f.design.core.school !== this.ways.first)
    return all.sort(
      (a, b) =>
        other(a) - other(b) ||
        hoursOf(a.design, a.judgement) - hoursOf(b.design, b.judgement) ||
        a.mass - b.mass,
    )
  }

  /** With washers only; then with a plate of each material, unless no plate can help. */
  private bare(way: string, bolted: Design): boolean {
    const bare = this.look(`${way}|none`, bolted, (j) => !needsPlate(this.d, j))
    // A bonded plate takes its part of the bearing; one that is only clamped takes none.
    const bonds = this.d.plate?.bonded ?? true
    const blind = (id: string) => PLATE_BLIND.includes(id) && !(bonds && id === 'bearing')
    if (bare?.j.checks.some((c) => blind(c.id) && !good(c.verdict, this.level))) return false
    for (const material of this.ways.materials) this.plates(`${way}|${material}`, bolted, material)
    return bare?.ok ?? false
  }
  /** The smallest plate of this material that passes, as thin as it may be. */
  private plates(key: string, bolted: Design, material: PlateId): void {
    const stock = stockFor(bolted)
    const { bedGapMm } = this.ways
    for (const reachMm of REACHES) {
      const plate = (thicknessMm: number) =>
        plated(this.d, bolted, { material, reachMm, thicknessMm, bedGapMm, room: this.room })
      const had = this.best.get(key)
      if (had && massOf(plate(stock[0]!), null) > had.mass) return
      // One look says how thick it has to be; thickness alone helps neither punching nor crush.
      const probe = this.look(key, plate(stock[Math.min(3, stock.length - 1)]!))
      if (!probe?.j.plate) continue
      if (probe.j.checks.some((c) => THICK_BLIND(c.id) && !good(c.verdict, this.level))) continue
      const least = stockThickness(
        probe.j.plate.requiredThicknessMm * (this.level === 'holds' ? AT_090 : 1),
        this.d.stock,
      )
      if (least === null) continue
      const thicker = stock.filter((x) => x >= least).slice(0, 2)
      if (thicker.some((t) => this.look(key, plate(t))?.ok)) return
    }
  }
  private look(key: string, o: Design, also = (_: Look) => true): { j: Look; ok: boolean } | null {
    this.tried++
    const j = this.quick(o)
    if (!j) return null
    if (acceptable(j.checks, this.level)) {
      if (!also(j)) return { j, ok: false }
      const mass = massOf(o, j)
      const had = this.best.get(key)
      if (!had || mass < had.mass) this.best.set(key, { design: o, mass })
      return { j, ok: true }
    }
    const worst = j.checks
      .filter((c) => !beyond(c.id))
      .reduce((m, c) => Math.max(m, c.utilisation ?? (c.verdict === 'short' ? 9 : 0)), 0)
    if (!this.nearest || worst < this.nearest.worst) this.nearest = { worst, j }
    return { j, ok: false }
  }
}
