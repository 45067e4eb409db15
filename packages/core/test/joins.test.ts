import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  brokenBy,
  comparePlans,
  isBetterJoined,
  joinedSaid,
  joinSaid,
  joinsToTry,
  NO_WORK,
  part,
  planAnswer,
  planFitter,
  planQuestion,
  potsAnswer,
  potsQuestion,
  putOff,
  rowsOfPlan,
  stepKey,
  tubesAnswer,
  tubesQuestion,
  vessels,
  whereItStands,
  withJoins,
  type BoatPlan,
  type JobWithParts,
  type PlanAsk,
  type PotsAnswer,
  type TubeLot,
  type TubesAnswer,
  type YardHold,
} from '../src'
import { runNamed } from '../src/chapters/registry'
import { stepList, type Step } from '../src/kinds/step'

/** Bonds that are put off to share a pot: only where it saves one, and nothing else is later for it. */
const HOURS = Object.fromEntries(
  ['mon', 'tue', 'wed', 'thu', 'fri'].map((d) => [d, [['08:00', '16:00'] as [string, string]]]),
)
const fill = (before: number, after: number, mixes = true): Step[] => {
  const { add, done } = stepList()
  add('drill', 'Drill it.', { gate: true, minutes: before })
  add('core-fill', 'Fill the core.', {
    gate: true,
    minutes: 6,
    waitH: 12,
    ...(mixes ? { lot: 'epoxy' } : {}),
  })
  add('fair', 'Fair it.', { minutes: after })
  return done()
}
const job = (id: string, steps: Step[], ml = 30): JobWithParts => ({
  fittingId: id,
  kind: 'deck-hardware',
  name: `Cleat ${id}`,
  boatId: 'b1',
  boat: 'Gull',
  zoneId: 'foredeck',
  zone: 'Foredeck',
  verdict: 'holds',
  short: '',
  steps,
  work: NO_WORK,
  parts: [part('epoxy', 'Epoxy', { material: 'epoxy', unit: 'pot', dimensions: { volumeMl: ml } })],
})
const ASK: PlanAsk = {
  start: '2031-04-14T08:00',
  fitters: ['Mara', 'Tom', 'Ole'].map((name) => planFitter({ name, hours: HOURS, away: [] })),
  badDays: [],
}
const LOTS: TubeLot[] = []
function laid(all: JobWithParts[], ask: PlanAsk): BoatPlan {
  const out = runNamed('plan', planQuestion(all, ask)) as Parameters<typeof planAnswer>[2]
  return batched(planAnswer(all, ask, out), all)
}
function batched(p: BoatPlan, all = jobs): BoatPlan {
  const q = tubesQuestion(all, p.days, LOTS, [])
  const tubes = q && (runNamed('tube-plan', q) as TubesAnswer)
  const days = p.days.map((d) => {
    const pots = potsQuestion(all, p.days, d, [])
    return {
      ...d,
      pots: pots ? potsAnswer(d, runNamed('epoxy-day', pots) as PotsAnswer) : [],
      tubes: tubes ? tubesAnswer(d, tubes) : [],
    }
  })
  return { ...p, days }
}
/** One has a day's work before its fill, the other is filled at once; a third decides the finish. */
const jobs = [job('a', fill(30, 30)), job('b', fill(480, 30)), job('c', fill(2000, 900, false))]
const first = laid(jobs, ASK)
const tried = (p = first) => joinsToTry(jobs, p)
function put(t = tried()[0]!): BoatPlan {
  const off = putOff(jobs, ASK, first, t)!
  const before = rowsOfPlan(first)
  for (const [key, r] of rowsOfPlan(off)) if (r.fittingId !== t.fittingId) expect(r).toEqual(before.get(key))
  const fixed = rowsOfPlan(off).get(stepKey(t.fittingId, t.step))!
  expect(brokenBy(off, jobs, { ...fixed, why: 'joined' })).toBeNull()
  return batched(off)
}
const dayOf = (p: BoatPlan, id: string) => rowsOfPlan(p).get(stepKey(id, 'core-fill'))!.start.slice(0, 10)

describe('bonds brought to one day', () => {
  it('the earlier is tried on the day of the later, where its float lets it', () => {
    expect(dayOf(first, 'a')).toBe('2031-04-14')
    const t = tried()[0]!
    expect(t).toMatchObject({ fittingId: 'a', step: 'core-fill', substance: 'epoxy', with: ['Cleat b'] })
    expect(t.to).toBe(dayOf(first, 'b'))
  })
  it('it saves a pot, and nothing else is later', () => {
    const now = put()
    expect(vessels(now.days).pots).toBe(vessels(first.days).pots - 1)
    expect(dayOf(now, 'a')).toBe(dayOf(now, 'b'))
    expect(now.finish).toBe(first.finish)
    expect(isBetterJoined(first, now, 'a')).toBe(true)
    // What is put off is not put off once more, and says why it stands there.
    expect(tried(now).some((t) => t.fittingId === 'a')).toBe(false)
    const said = joinSaid(tried()[0]!, first, now)
    expect(joinedSaid(said)).toBe('put off to share epoxy with Cleat b: saves 1 pot')
    const shown = withJoins(now, new Map([[stepKey('a', 'core-fill'), said]]))
    const moved = comparePlans(first, shown, { causes: [], badDays: [], start: ASK.start }).moved
    expect(moved.find((m) => m.key === stepKey('a', 'core-fill'))!.why).toBe(joinedSaid(said))
  })
  it('where every step stands is a plan of its own, with the same rows', () => {
    const now = put()
    const again = laid(jobs, { ...ASK, fixed: whereItStands(now) })
    const times = (p: BoatPlan) =>
      [...rowsOfPlan(p)].map(([key, r]) => [key, r.start, r.end, r.who, r.cureEnd]).sort()
    expect(times(again)).toEqual(times(now))
    expect(again.finish).toBe(first.finish)
  })
  it('it is not put off past a day too wet to bond on, nor to a day without hours', () => {
    const t = tried()[0]!
    expect(putOff(jobs, { ...ASK, badDays: [] }, first, { ...t, to: '2031-04-19' })).toBeNull()
    const wet = jobs.map((j) => ({
      ...j,
      steps: j.steps.map((s) => (s.id === 'core-fill' ? { ...s, asks: ['dew' as const] } : s)),
    }))
    expect(putOff(wet, { ...ASK, badDays: [t.to] }, first, t)).toBeNull()
    expect(putOff(wet, ASK, first, t)).not.toBeNull()
  })
  it('property: it moves its own fitting alone, keeps its order, and nobody is in two places', () => {
    const some = fc.array(fc.tuple(fc.integer({ min: 10, max: 700 }), fc.integer({ min: 10, max: 200 })), {
      minLength: 2,
      maxLength: 5,
    })
    fc.assert(
      fc.property(some, (sizes) => {
        const all = sizes.map(([a, b], i) => job(`j${i}`, fill(a, b)))
        const p = laid(all, ASK)
        const was = rowsOfPlan(p)
        for (const t of joinsToTry(all, p).slice(0, 4)) {
          const off = putOff(all, ASK, p, t)
          if (!off) continue
          const now = rowsOfPlan(off)
          expect([...now.keys()].sort()).toEqual([...was.keys()].sort())
          for (const [key, r] of now) if (r.fittingId !== t.fittingId) expect(r).toEqual(was.get(key))
          const own = all
            .find((j) => j.fittingId === t.fittingId)!
            .steps.map((s) => now.get(stepKey(t.fittingId, s.id))!)
          for (const [i, r] of own.entries())
            if (i)
              expect(r.start >= own[i - 1]!.cureEnd || own[i - 1]!.cureEnd === own[i - 1]!.end).toBe(true)
          const busy = [...now.values()].flatMap((r) => r.who.map((w) => ({ w, ...r })))
          for (const a of busy)
            for (const b of busy)
              if (a !== b && a.w === b.w && (a.fittingId !== b.fittingId || a.step !== b.step))
                expect(a.end <= b.start || b.end <= a.start).toBe(true)
        }
      }),
      { numRuns: 25 },
    )
  })
  it('nothing is gained: it is refused, whatever else is equal', () => {
    expect(isBetterJoined(first, first, 'a')).toBe(false)
  })
  it.each<[string, (p: BoatPlan) => BoatPlan]>([
    ['the boat is later', (p) => ({ ...p, finish: '2032-01-01T08:00' })],
    ['something has no day any more', (p) => ({ ...p, notPlanned: p.notPlanned + 1 })],
    [
      'another fitting is later',
      (p) => ({
        ...p,
        days: p.days.map((d) => ({
          ...d,
          steps: d.steps.map((s) =>
            s.fittingId === 'b' && s.step === 'fair' ? { ...s, cureEnd: '2031-04-17T09:00' } : s,
          ),
        })),
      }),
    ],
    [
      'what is held costs more',
      (p) => ({ ...p, held: [{ costHours: 5 } as unknown as BoatPlan['held'][number]] }),
    ],
  ])('%s: it is refused', (_, spoilt) => {
    expect(isBetterJoined(first, spoilt(put()), 'a')).toBe(false)
  })
  it('nobody puts off what decides the finish, nor what was put there by hand', () => {
    const two = [job('a', fill(30, 30)), job('b', fill(480, 30))].map((j) => ({ ...j }))
    const p = laid(two, ASK)
    const last = [...rowsOfPlan(p).values()].filter((s) => s.critical).map((s) => s.fittingId)
    expect(joinsToTry(two, p).some((t) => last.includes(t.fittingId))).toBe(false)
    const by = rowsOfPlan(first).get(stepKey('a', 'core-fill'))!
    const pinned = { fittingId: 'a', step: 'core-fill', start: by.start, end: by.end, who: by.who }
    const held = laid(jobs, { ...ASK, fixed: [{ ...pinned, why: 'pinned' }] })
    expect(joinsToTry(jobs, held).some((t) => t.fittingId === 'a')).toBe(false)
  })
  it('a week is the longest that one waits for a pot', () => {
    const late: YardHold = {
      id: 1,
      boatId: 'b1',
      fittingId: 'b',
      zones: null,
      by: 'part',
      what: 'the cleat',
      from: 'start',
      since: '2031-04-01',
      until: '2031-05-05',
    }
    const p = laid([...jobs, job('d', fill(9000, 30, false))], { ...ASK, holds: [late] })
    const tries = joinsToTry([...jobs, job('d', fill(9000, 30, false))], p)
    expect(tries.some((t) => t.fittingId === 'a' && t.to === dayOf(p, 'b'))).toBe(false)
  })
})
