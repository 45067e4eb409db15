import { dateOf, serial } from '../watch/days'
import { OPEN_DAYS, type Job, type Lot, type TubeInput } from './tube-shape'

/** Tubes as they are opened and drawn from (chapter 17.3). */
export interface Tube {
  /** null: bought */
  lot: Lot | null
  tube: number
  chemistry: Job['chemistry']
  colour: string | null
  openedDay: string
  goodUntil: string
  draws: { job: string; ml: number }[]
  leftMl: number
}
export interface Buy {
  chemistry: Job['chemistry']
  colour: string | null
  tubes: number
  firstDay: string
}
const GRAIN = 1e-6
const TEST_DAYS = 30
const later = (day: string, days: number) => dateOf(serial(day) + days)

/** Past its date, or stored hot. */
export const doubtful = (l: Lot, day: string) => day > l.expiry || l.storage === 'hot'
const tested = (l: Lot, day: string) =>
  l.test?.ok === true && day >= l.test.day && day <= later(l.test.day, TEST_DAYS)
const suits = (o: { chemistry: string; colour?: string | null | undefined }, j: Job) =>
  o.chemistry === j.chemistry && (j.colour === undefined || o.colour === j.colour)
/** Whether anything of a lot may go into a job. */
export const mayUse = (l: Lot, j: Job) =>
  l.test?.ok !== false && (!doubtful(l, j.day) || (!j.structural && tested(l, j.day)))
/** Doubtful on the day and with no test that counts then: a test would let it be used. */
export const testWould = (l: Lot, j: Job) =>
  suits(l, j) && !j.structural && doubtful(l, j.day) && !tested(l, j.day)

export class Tubes {
  readonly tubes: Tube[] = []
  readonly buy: Buy[] = []
  readonly drawn: Tube[] = []
  opened = 0
  private readonly unopened = new Map<Lot, number>()

  constructor(private readonly v: TubeInput) {
    for (const l of v.lots) {
      this.unopened.set(l, l.count)
      l.opened.forEach((o, i) => this.tubes.push(this.of(l, i + 1, o.day, o.leftMl)))
    }
  }
  private of(l: Lot, tube: number, openedDay: string, leftMl: number): Tube {
    const days = l.openDays ?? OPEN_DAYS[l.chemistry]
    return {
      lot: l,
      tube,
      chemistry: l.chemistry,
      colour: l.colour ?? null,
      openedDay,
      goodUntil: later(openedDay, days),
      draws: [],
      leftMl,
    }
  }
  private orderOf(t: Tube): number {
    if (t.lot) return this.v.lots.indexOf(t.lot)
    return (
      this.v.lots.length + this.buy.findIndex((b) => b.chemistry === t.chemistry && b.colour === t.colour)
    )
  }
  /** The open tube that goes off first. */
  private open(j: Job): Tube | undefined {
    return this.tubes
      .filter(
        (t) =>
          t.leftMl > GRAIN &&
          t.openedDay <= j.day &&
          t.goodUntil >= j.day &&
          suits(t, j) &&
          (t.lot === null || mayUse(t.lot, j)),
      )
      .sort(
        (a, b) =>
          (a.goodUntil < b.goodUntil ? -1 : a.goodUntil > b.goodUntil ? 1 : 0) ||
          this.orderOf(a) - this.orderOf(b) ||
          a.tube - b.tube,
      )[0]
  }
  /** A new tube of the lot that expires first; of equals the smallest that holds the rest, or the largest. */
  private fresh(j: Job, rest: number): Tube | undefined {
    const lots = this.v.lots.filter((l) => this.unopened.get(l)! > 0 && suits(l, j) && mayUse(l, j))
    if (!lots.length) return undefined
    const first = lots.reduce((a, l) => (l.expiry < a ? l.expiry : a), lots[0]!.expiry)
    const equal = lots.filter((l) => l.expiry === first)
    const enough = equal.filter((l) => l.sizeMl >= rest - GRAIN).sort((a, b) => a.sizeMl - b.sizeMl)
    const lot = enough[0] ?? [...equal].sort((a, b) => b.sizeMl - a.sizeMl)[0]!
    this.unopened.set(lot, this.unopened.get(lot)! - 1)
    this.opened++
    const t = this.of(lot, this.tubes.filter((x) => x.lot === lot).length + 1, j.day, lot.sizeMl)
    this.tubes.push(t)
    return t
  }
  private bought(j: Job): Tube {
    const colour = j.colour ?? null
    let b = this.buy.find((x) => x.chemistry === j.chemistry && x.colour === colour)
    if (!b) this.buy.push((b = { chemistry: j.chemistry, colour, tubes: 0, firstDay: j.day }))
    b.tubes++
    const t: Tube = {
      lot: null,
      tube: b.tubes,
      chemistry: j.chemistry,
      colour,
      openedDay: j.day,
      goodUntil: later(j.day, OPEN_DAYS[j.chemistry]),
      draws: [],
      leftMl: this.v.buyMl,
    }
    this.tubes.push(t)
    return t
  }
  /** Draws so much for a job, tube after tube. */
  draw(j: Job, needMl: number): { tube: Tube; ml: number }[] {
    const out: { tube: Tube; ml: number }[] = []
    let rest = needMl
    while (rest > GRAIN) {
      const tube = this.open(j) ?? this.fresh(j, rest) ?? this.bought(j)
      const ml = Math.min(rest, tube.leftMl)
      tube.leftMl -= ml
      rest -= ml
      tube.draws.push({ job: j.id, ml })
      out.push({ tube, ml })
      if (!this.drawn.includes(tube)) this.drawn.push(tube)
    }
    return out
  }
  /** What is left of a lot, opened and not. */
  leftOf(l: Lot): number {
    const open = this.tubes.reduce((s, t) => (t.lot === l ? s + t.leftMl : s), 0)
    return open + this.unopened.get(l)! * l.sizeMl
  }
}
