import { z } from 'zod'
import { normal } from '../../base/normal'
import { CalcError } from '../../base/errors'
import { nonNegative } from '../../base/schema/schema'
import { dateText, DAY, dayOf, minuteOf, timeText, weekdayOf } from './clock'
import { commonStretches, dateOrTime, moment, type Fitter } from './hours'

/** A chain of works and cures to the launch, each of uncertain length (chapter 17.6). */
const three = z.array(nonNegative()).length(3)
export const chainSchema = z.strictObject({
  start: moment,
  steps: z.array(
    z.strictObject({
      step: z.string().min(1),
      who: z.array(z.string()).min(1),
      minutes: three,
      cureHours: z.union([nonNegative(), three]).default(0),
      notBefore: dateOrTime.optional(),
    }),
  ),
})
type Chain = z.output<typeof chainSchema>
export const WEEKDAY_IDS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const

interface Length {
  o: number
  p: number
  mean: number
  variance: number
}
const lengthOf = ([o, m, p]: number[]): Length => ({
  o: o!,
  p: p!,
  mean: (o! + 4 * m! + p!) / 6,
  variance: ((p! - o!) / 6) ** 2,
})
export const cureOf = (s: Chain['steps'][number]): number[] =>
  (typeof s.cureHours === 'number' ? [s.cureHours, s.cureHours, s.cureHours] : s.cureHours).map((h) => 60 * h)

const GRAIN = 1e-6
const HORIZON_DAYS = 366
const LAUNCH_HOUR = 8 * 60
const Z90 = 1.2816

export class LaunchChain {
  private readonly lengths: { work: Length; cure: Length }[]
  readonly meanMinutes: number
  readonly variance: number

  constructor(
    private readonly chain: Chain,
    private readonly fitters: Fitter[],
    private readonly launchDays: readonly string[],
  ) {
    this.lengths = chain.steps.map((s) => ({ work: lengthOf(s.minutes), cure: lengthOf(cureOf(s)) }))
    const all = this.lengths.flatMap((l) => [l.work, l.cure])
    this.meanMinutes = all.reduce((s, l) => s + l.mean, 0)
    this.variance = all.reduce((s, l) => s + l.variance, 0)
  }
  private at(l: Length, z: number): number {
    const off = this.variance > 0 ? (z * l.variance) / Math.sqrt(this.variance) : 0
    return Math.ceil(Math.min(l.p, Math.max(l.o, l.mean + off)) - GRAIN)
  }
  private noSlot(): CalcError {
    return new CalcError('no-slot', 'chain.steps', `The chain is not done within ${HORIZON_DAYS} days`)
  }
  /** So many minutes of hours common to all, from then on, stopping and going on. */
  private workFrom(who: string[], from: number, minutes: number): number {
    if (minutes === 0) return from
    const fitters = who.map((id) => this.fitters.find((f) => f.id === id)!)
    const last = dayOf(minuteOf(this.chain.start)!) + HORIZON_DAYS
    let left = minutes
    for (let day = dayOf(from); day <= last; day++)
      for (const [a, b] of commonStretches(fitters, day)) {
        const begin = Math.max(a, from)
        if (begin >= b) continue
        if (b - begin >= left) return begin + left
        left -= b - begin
      }
    throw this.noSlot()
  }
  /** The cureEnds at a level of luck, in standard deviations. */
  ends(z: number): number[] {
    let at = minuteOf(this.chain.start)!
    const latest = at + HORIZON_DAYS * DAY
    return this.chain.steps.map((s, i) => {
      const from = Math.max(at, s.notBefore === undefined ? at : minuteOf(s.notBefore)!)
      const { work, cure } = this.lengths[i]!
      at = this.workFrom(s.who, from, this.at(work, z)) + this.at(cure, z)
      if (at > latest) throw this.noSlot()
      return at
    })
  }
  /** The first launch day whose eight o'clock is not before it is done. */
  private launchOf(finish: number): string {
    for (let day = dayOf(finish); ; day++)
      if (day * DAY + LAUNCH_HOUR >= finish && this.launchDays.includes(weekdayOf(day))) return dateText(day)
  }
  private finish(z: number): number {
    return this.ends(z).at(-1) ?? minuteOf(this.chain.start)!
  }
  private probability(target: string): number {
    const inTime = (z: number) => this.launchOf(this.finish(z)) <= target
    if (!(this.variance > 0)) return inTime(0) ? 1 : 0
    // Later luck never ends sooner, so the last that is in time is found by halving.
    let [low, high] = [-301, 300]
    while (low < high) {
      const k = Math.ceil((low + high) / 2)
      if (inTime(k / 100)) low = k
      else high = k - 1
    }
    return low < -300 ? 0 : normal(low / 100)
  }
  answer(target: string | undefined) {
    const [ends50, ends90] = [this.ends(0), this.ends(Z90)]
    const [finish50, finish90] = [this.finish(0), this.finish(Z90)]
    return {
      p50: this.launchOf(finish50),
      p90: this.launchOf(finish90),
      finish50: timeText(finish50),
      finish90: timeText(finish90),
      meanMinutes: this.meanMinutes,
      sdMinutes: Math.sqrt(this.variance),
      probability: target === undefined ? null : this.probability(target),
      steps: this.chain.steps.map((s, i) => ({
        step: s.step,
        end50: timeText(ends50[i]!),
        end90: timeText(ends90[i]!),
      })),
    }
  }
}
