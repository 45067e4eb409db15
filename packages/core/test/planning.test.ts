import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { part, type Part } from '../src/kinds/part'
import { partsList, partsRow, toolsList, type PartsOf } from '../src/planning/parts-list'
import { runNamed } from '../src/chapters/registry'
import { stepList, type Step } from '../src/kinds/step'
import { NO_WORK, type LogLine } from '../src/kinds/work'
import {
  epoxyOf,
  potsAnswer,
  potsQuestion,
  sealantOf,
  sharedBy,
  tubesAnswer,
  tubesQuestion,
  type PotsAnswer,
  type TubesAnswer,
} from '../src/planning/batches'
import {
  begunSteps,
  isOpen,
  onlySteps,
  planAnswer,
  planQuestion,
  rowsOfPlan,
} from '../src/planning/boat-plan'
import { HELD_BY, type BoatPlan, type PlanAsk, type PlanJob, type YardHold } from '../src/planning/plan-types'
import { planFitter, type YardFitter } from '../src/planning/fitters'
import { brokenBy, moveStep } from '../src/planning/move-step'
import { comparePlans } from '../src/planning/plan-changes'
import {
  badDaysOf,
  hoursInOrder,
  weatherQuestion,
  type WeatherAnswer,
  type WeatherHour,
} from '../src/planning/yard-weather'
import { SPREAD, weekQuestion, type WeekLoad } from '../src/planning/yard-week'
import { afloatRows, watchAnswer, watchQuestion, WATCH_TASKS, type WatchedThing } from '../src/planning/watch'

function steps(): Step[] {
  const { add, done } = stepList()
  add('drill', 'Drill it.', { gate: true, minutes: 30, tools: ['drill'] })
  add('fill', 'Fill it.', { gate: true, minutes: 30, waitH: 20, asks: ['dew'], tools: ['gun'] })
  add('bed', 'Bed it.', { minutes: 60, hands: 2, alone: 'a strut holds it', tools: ['gun'] })
  return done()
}
const job = (more: Partial<PlanJob> = {}): PlanJob => ({
  fittingId: 'f1',
  kind: 'deck-hardware',
  name: 'Cleat',
  boatId: 'b1',
  boat: 'Gull',
  zoneId: 'foredeck',
  zone: 'Foredeck',
  verdict: 'holds',
  short: '',
  steps: steps(),
  work: NO_WORK,
  ...more,
})
const WEEK = Object.fromEntries(
  ['mon', 'tue', 'wed', 'thu', 'fri'].map((d) => [
    d,
    [
      ['08:00', '12:00'],
      ['13:00', '17:00'],
    ] as [string, string][],
  ]),
)
const fitter = (name: string, away: YardFitter['away'] = []) => planFitter({ name, hours: WEEK, away })
const ask = (more: Partial<PlanAsk> = {}): PlanAsk => ({
  start: '2031-04-14T08:00',
  fitters: [fitter('Mara'), fitter('Tom')],
  badDays: [],
  ...more,
})
const planned = (jobs: PlanJob[], a: PlanAsk) =>
  planAnswer(jobs, a, runNamed('plan', planQuestion(jobs, a)) as Parameters<typeof planAnswer>[2])
const ticked = (ids: string[], at = '2031-04-13T10:00:00Z') => ({
  ...NO_WORK,
  ticks: Object.fromEntries(ids.map((id) => [id, { at, by: 'Tom', note: '' }])),
})

describe('the work of a boat as days', () => {
  it('follows each fitting\u2019s order, and a cure before what waits for it', () => {
    const p = planned([job()], ask())
    expect(p.days.map((d) => d.day)).toEqual(['2031-04-14', '2031-04-15'])
    const [drill, fill, bed] = p.days.flatMap((d) => d.steps)
    expect(drill).toMatchObject({ start: '2031-04-14T08:00', fitting: 'Cleat', zone: 'Foredeck' })
    expect(fill!.cureEnd).toBe('2031-04-15T05:00')
    expect(bed).toMatchObject({ start: '2031-04-15T08:00', who: ['Mara', 'Tom'], alone: '' })
    expect(p.days[0]!.bag).toEqual(['drill', 'gun'])
    expect(p.days[0]!.cures).toMatchObject([{ fitting: 'Cleat', until: '2031-04-15T05:00' }])
  })
  it('what comes so many hours after a step waits for them, and the chain to the finish knows', () => {
    const { add, done } = stepList()
    add('snug', 'Snug it.', { gate: true, minutes: 20 })
    add('again', 'Snug it again.', { minutes: 10, after: { step: 'snug', hours: 24, what: 'The tape' } })
    add('last', 'Clean it.', { minutes: 10 })
    add('week', 'And after a week.', { afloat: true, after: { step: 'snug', hours: 168, what: 'The tape' } })
    const j = job({ steps: done() })
    const p = planned([j], ask())
    const rows = rowsOfPlan(p)
    expect(rows.get('f1 snug')!.end).toBe('2031-04-14T08:20')
    expect(rows.get('f1 again')!.start).toBe('2031-04-15T08:20')
    // Afloat as well: none of the plan, and no work on land is left when the rest is ticked.
    expect(rows.has('f1 week')).toBe(false)
    expect(isOpen({ ...j, work: ticked(['snug', 'again', 'last']) })).toBe(false)
    const chain = weekQuestion(p, ask(), {
      from: '2031-04-14',
      asOf: '2031-04-14',
      launchDays: ['mon'],
      target: null,
    }).chain!.steps
    expect(chain.map((s) => [s.step, s.cureHours])).toEqual([
      ['f1 snug', [24, 24, SPREAD.cureMost * 24]],
      ['f1 again', [0, 0, 0]],
      ['f1 last', [0, 0, 0]],
    ])
    const early = moveStep([j], ask(), p, { fittingId: 'f1', step: 'again', day: '2031-04-14' })
    expect(early).toMatchObject({ why: expect.stringContaining('15 Apr, 08:20') })
  })
  it('one alone does it the way that is given for one', () => {
    const bed = planned([job()], ask({ fitters: [fitter('Mara')] }))
      .days.flatMap((d) => d.steps)
      .find((s) => s.step === 'bed')
    expect(bed).toMatchObject({ who: ['Mara'], alone: 'a strut holds it' })
  })
  it('what is short is held until it is decided, and nothing of it is dated', () => {
    const p = planned([job({ verdict: 'short', short: 'Punching' }), job({ fittingId: 'f2' })], ask())
    expect(p.held).toMatchObject([{ fittingId: 'f1', until: null, why: 'it is short: punching' }])
    expect(p.notPlanned).toBe(3)
    expect(new Set(p.days.flatMap((d) => d.steps).map((s) => s.fittingId))).toEqual(new Set(['f2']))
  })
  it('what is ticked is done; a cure that was begun holds what comes after it', () => {
    const p = planned([job({ work: ticked(['drill', 'fill'], '2031-04-14T06:00:00Z') })], ask())
    expect(p.days.flatMap((d) => d.steps).map((s) => s.step)).toEqual(['bed'])
    expect(p.held).toMatchObject([{ until: '2031-04-15T02:00', why: 'the cure of \u201cFill it\u201d' }])
    expect(p.days[0]!.steps[0]!.start).toBe('2031-04-15T08:00')
  })
  it('bonds on no day whose surface is too wet', () => {
    const p = planned([job()], ask({ badDays: ['2031-04-14'] }))
    expect(p.days.flatMap((d) => d.steps).find((s) => s.step === 'fill')!.start).toBe('2031-04-15T08:00')
  })
  it('nothing open is no days, no finish', () => {
    expect(planned([], ask())).toMatchObject({ days: [], held: [], finish: null, minutes: 0 })
  })
})

const startOfStep = (p: BoatPlan, step: string, id = 'f1') => rowsOfPlan(p).get(`${id} ${step}`)?.start
const hold = (more: Partial<YardHold> = {}): YardHold => ({
  id: 7,
  boatId: 'b1',
  fittingId: 'f1',
  zones: null,
  by: 'part',
  what: 'the valve is late',
  from: 'start',
  since: '2031-04-10',
  until: '2031-04-16',
  ...more,
})
describe('what somebody wrote down holds it', () => {
  const held = (more: Partial<YardHold>, jobs = [job()]) => planned(jobs, ask({ holds: [hold(more)] }))
  it('a part: until the day it comes, and the plan says what that costs', () => {
    const p = held({})
    expect(startOfStep(p, 'drill')).toBe('2031-04-16T08:00')
    expect(p.held).toMatchObject([
      { by: 'part', why: 'the valve is late', since: '2031-04-10', until: '2031-04-16T00:00', holdId: 7 },
    ])
    expect(p.held[0]!.costHours).toBeGreaterThan(40)
  })
  it('paint holds what is bedded, and nothing before it', () => {
    const p = held({
      by: 'paint',
      from: 'bed',
      fittingId: null,
      zones: ['side-deck', 'foredeck'],
      until: '2031-04-21',
    })
    expect(startOfStep(p, 'drill')).toBe('2031-04-14T08:00')
    expect(startOfStep(p, 'fill')!.slice(0, 10)).toBe('2031-04-14')
    expect(startOfStep(p, 'bed')).toBe('2031-04-21T08:00')
  })
  it('several at once: one hold of them all, and what it costs is what all of it costs', () => {
    const jobs = [job(), job({ fittingId: 'f2', name: 'Bitt' })]
    const p = held({ fittingId: null, by: 'paint', from: 'bed', until: '2031-04-21' }, jobs)
    expect(p.held).toMatchObject([{ fitting: 'Cleat', others: [{ fitting: 'Bitt' }], holdId: 7 }])
    expect(p.held[0]!.costHours).toBeGreaterThan(24)
    for (const id of ['f1', 'f2']) expect(startOfStep(p, 'bed', id)! >= '2031-04-21T08:00').toBe(true)
    expect([...rowsOfPlan(p).keys()].every((k) => /^f\d /.test(k))).toBe(true)
    const w = runNamed(
      'labour-week',
      weekQuestion(p, ask(), { from: '2031-04-14', asOf: '2031-04-14', launchDays: ['sat'], target: null }),
    ) as WeekLoad
    expect(w.launch!.finish50 >= '2031-04-21').toBe(true)
  })
  it('several, and nobody knows until when: none of them is dated', () => {
    const jobs = [job(), job({ fittingId: 'f2' })]
    const p = held({ fittingId: null, until: null, from: 'start' }, jobs)
    expect([p.days, p.notPlanned, p.held.length]).toEqual([[], 6, 1])
  })
  it.each([
    ['another zone', { fittingId: null, zones: ['side-deck'] }],
    ['another boat', { boatId: 'b2', fittingId: null }],
    ['another fitting', { fittingId: 'f9' }],
  ])('%s is not held', (_, more) => {
    const p = held(more)
    expect(p.held).toEqual([])
    expect(startOfStep(p, 'drill')).toBe('2031-04-14T08:00')
  })
  it('what is behind it is ticked: it stops what is left', () => {
    const p = held({}, [job({ work: ticked(['drill'], '2031-04-01T08:00:00Z') })])
    expect(p.held).toMatchObject([{ step: 'fill' }])
  })
  it('nobody knows until when: nothing of it is dated', () => {
    const p = held({ until: null })
    expect([p.days, p.notPlanned]).toEqual([[], 3])
  })
  it('by one of the ways that the yard knows', () => {
    expect(new Set(HELD_BY).size).toBe(7)
  })
})

describe('who works when', () => {
  it('somebody away works on none of those days, both counted', () => {
    const away = [{ from: '2031-04-14', to: '2031-04-15', why: 'holiday' }]
    const p = planned([job()], ask({ fitters: [fitter('Mara', away)] }))
    expect(startOfStep(p, 'drill')).toBe('2031-04-16T08:00')
    expect(fitter('Mara', away).hoursByDay['2031-04-15']).toEqual([])
  })
  it('what somebody is at stays where it is, and he is at nothing else meanwhile', () => {
    const work = { ...NO_WORK, begun: { drill: { at: '2031-04-14T08:30:00Z', by: 'Mara' } } }
    const jobs = [job({ work }), job({ fittingId: 'f2', name: 'Bitt' })]
    const a = ask({ start: '2031-04-14T08:45' })
    const fixed = begunSteps(jobs, a)
    expect(fixed).toMatchObject([
      { step: 'drill', start: '2031-04-14T08:30', end: '2031-04-14T09:00', who: ['Mara'], why: 'begun' },
    ])
    const p = planned(jobs, { ...a, fixed })
    expect(rowsOfPlan(p).get('f1 drill')).toMatchObject({ start: '2031-04-14T08:30', fixed: 'begun' })
    for (const s of rowsOfPlan(p).values())
      if (s.fittingId === 'f2' && s.who.includes('Mara')) expect(s.start >= '2031-04-14T09:00').toBe(true)
  })
})

describe('a step put elsewhere', () => {
  const jobs = [job(), job({ fittingId: 'f2', name: 'Bitt' })]
  const a = ask()
  const plan = planned(jobs, a)
  const move = (step: string, day: string, who?: string[]) =>
    moveStep(jobs, a, plan, { fittingId: 'f1', step, day, ...(who ? { who } : {}) })
  it('stays there when all is planned anew, and nothing comes after it that goes before', () => {
    const to = move('bed', '2031-04-17')
    if (!('fixed' in to)) throw new Error(to.why)
    expect(to.fixed).toMatchObject({ start: '2031-04-17T08:00', end: '2031-04-17T09:00', why: 'pinned' })
    const p = planned(jobs, { ...a, fixed: [to.fixed] })
    expect(rowsOfPlan(p).get('f1 bed')).toMatchObject({ start: '2031-04-17T08:00', fixed: 'pinned' })
    expect(brokenBy(p, jobs, to.fixed)).toBeNull()
    const c = comparePlans(plan, p, { causes: [], badDays: [], start: a.start })
    expect(c.moved.find((m) => m.key === 'f1 bed')).toMatchObject({
      from: startOfStep(plan, 'bed'),
      to: '2031-04-17T08:00',
      why: 'it was put there by hand',
    })
  })
  it('into other hands', () => {
    const to = move('drill', '2031-04-14', ['Tom'])
    expect(to).toMatchObject({ fixed: { who: ['Tom'] } })
  })
  it.each([
    ['before what it waits for', 'bed', '2031-04-14', undefined, /Fill it\u201d cures until 15 Apr/, 'day'],
    ['into the past', 'drill', '2031-04-11', undefined, /has passed/, 'day'],
    ['on a day nobody works', 'bed', '2031-04-19', undefined, /no hours together that day/, 'who'],
    ['to a stranger', 'drill', '2031-04-15', ['Ann'], /Ann does not work here/, 'who'],
    ['to one, where two are wanted', 'bed', '2031-04-16', ['Tom'], /wants two people/, 'who'],
    ['a step there is none of', 'paint', '2031-04-16', undefined, /none of the plan/, 'step'],
  ] as const)('%s is refused with the reason', (_, step, day, who, why, at) => {
    const to = move(step, day, who && [...who])
    expect(to).toMatchObject({ at })
    expect((to as { why: string }).why).toMatch(why)
  })
  it.each([
    ['held', { holds: [hold({ until: '2031-04-21' })] }, /the valve is late until 21 Apr/],
    ['held without an end', { holds: [hold({ until: null })] }, /nobody knows until when: the valve/],
  ])('%s is refused', (_, more, why) => {
    const to = moveStep(jobs, { ...a, ...more }, plan, { fittingId: 'f1', step: 'drill', day: '2031-04-15' })
    expect((to as { why: string }).why).toMatch(why)
  })
  it('a bond on a day that is too wet is refused', () => {
    const to = moveStep(jobs, { ...a, badDays: ['2031-04-16'] }, plan, {
      fittingId: 'f1',
      step: 'fill',
      day: '2031-04-16',
    })
    expect((to as { why: string }).why).toMatch(/surface is not fit/)
  })
  it('property: wherever it may go, the plan round it keeps the order', () => {
    fc.assert(
      fc.property(fc.constantFrom('drill', 'fill', 'bed'), fc.integer({ min: 14, max: 25 }), (step, d) => {
        const to = move(step, `2031-04-${d}`)
        if (!('fixed' in to)) return
        const p = planned(jobs, { ...a, fixed: [to.fixed] })
        const rows = rowsOfPlan(p)
        expect(rows.get(`f1 ${step}`)!.start).toBe(to.fixed.start)
        if (brokenBy(p, jobs, to.fixed)) return
        expect(rows.get('f1 fill')!.start >= rows.get('f1 drill')!.end).toBe(true)
        expect(rows.get('f1 bed')!.start >= rows.get('f1 fill')!.cureEnd).toBe(true)
      }),
      { numRuns: 30 },
    )
  })
})

describe('one plan beside another', () => {
  const news = { causes: [], badDays: [], start: '2031-04-14T08:00' }
  it('the same says nothing', () => {
    const p = planned([job()], ask())
    expect(comparePlans(p, p, news)).toMatchObject({ moved: [], finish: { hours: 0 }, same: 3 })
  })
  it('a late part: what moves by how much, and why; what follows it says that it follows', () => {
    const jobs = [job(), job({ fittingId: 'f2', name: 'Bitt' })]
    const old = planned(jobs, ask({ fitters: [fitter('Mara')] }))
    const now = planned(jobs, ask({ fitters: [fitter('Mara')], holds: [hold({ until: '2031-04-16' })] }))
    const c = comparePlans(old, now, {
      ...news,
      causes: [{ what: 'the valve is late: until 16 Apr 2031', fittingId: 'f1', boatId: 'b1' }],
    })
    const drill = c.moved.find((m) => m.key === 'f1 drill')!
    expect(drill.hours).toBeGreaterThan(24)
    expect(drill.why).toContain('the valve is late')
    expect(c.finish.hours).toBeGreaterThan(0)
    for (const m of c.moved.filter((x) => x.fittingId === 'f2'))
      expect(m.why).toBe('it follows what moved before it')
  })
  it('a cold night: a bond moves, for the surface is not fit', () => {
    const [old, now] = [planned([job()], ask()), planned([job()], ask({ badDays: ['2031-04-14'] }))]
    const c = comparePlans(old, now, { ...news, badDays: ['2031-04-14'] })
    expect(c.moved.find((m) => m.key === 'f1 fill')!.why).toMatch(/not fit to bond/)
  })
  it('what is done is gone from it, and what is new came to it', () => {
    const old = planned([job()], ask())
    const now = planned([job({ fittingId: 'f2' })], ask())
    const c = comparePlans(old, now, news)
    expect(c.moved.filter((m) => m.to === null)).toHaveLength(3)
    expect(c.moved.filter((m) => m.from === null)).toHaveLength(3)
  })
})

describe('the week and the launch', () => {
  const p = planned([job()], ask())
  const week = (target: string | null) =>
    runNamed(
      'labour-week',
      weekQuestion(p, ask(), { from: '2031-04-14', asOf: '2031-04-14', launchDays: ['sat'], target }),
    ) as WeekLoad
  it('says how full each of them is, and the day that half and nine of ten come out at', () => {
    const w = week('2031-04-26')
    expect(w.fitters.map((f) => f.id)).toEqual(['Mara', 'Tom'])
    expect(w.fitters[0]!.load).toBeGreaterThan(0)
    expect(w.launch!.p50 <= w.launch!.p90).toBe(true)
    expect(w.launch!.probability).toBeGreaterThan(0.9)
    expect(w.clashes).toEqual([])
  })
  it('without a day that she is wanted, there is no probability', () => {
    expect(week(null).launch!.probability).toBeNull()
  })
})

describe('the weather of the days', () => {
  const hour = (at: string, more: Partial<WeatherHour> = {}): WeatherHour => ({
    at,
    airC: 15,
    humidityPct: 60,
    windMs: 2,
    rainMm: 0,
    sun: 0.5,
    cloud: 0.5,
    measured: false,
    ...more,
  })
  const day = (d: string, more: Partial<WeatherHour> = {}) =>
    Array.from({ length: 24 }, (_, i) => hour(`${d}T${String(i).padStart(2, '0')}:00`, more))
  it('a reading counts before what was foretold of that hour', () => {
    const all = [hour('2031-04-14T08:00', { airC: 3, measured: true }), hour('2031-04-14T08:00')]
    expect(hoursInOrder(all, '2031-04-14T00:00').map((h) => h.airC)).toEqual([3])
    expect(hoursInOrder([...all].reverse(), '2031-04-14T00:00').map((h) => h.airC)).toEqual([3])
  })
  it('what is past, and what follows a gap, is left out', () => {
    const all = [...day('2031-04-14'), hour('2031-04-16T00:00')]
    expect(hoursInOrder(all, '2031-04-14T06:00')).toHaveLength(18)
  })
  it('a cold day is no day to bond on; in a tent it rains on nobody', () => {
    const hours = [...day('2031-04-14', { airC: -4, sun: 0 }), ...day('2031-04-15'), ...day('2031-04-16')]
    const bad = (cover: 'open' | 'tent', all = hours) =>
      badDaysOf(runNamed('weather-windows', weatherQuestion([job()], all, cover)) as WeatherAnswer)
    expect(bad('open')).toContain('2031-04-14')
    expect(bad('open')).not.toContain('2031-04-15')
    const rain = [...day('2031-04-14', { rainMm: 2 }), ...day('2031-04-15', { rainMm: 2 })]
    expect(bad('open', rain)).toContain('2031-04-14')
    expect(bad('tent', rain)).not.toContain('2031-04-14')
  })
})

describe('one batch for many', () => {
  const bonded = (): Step[] => {
    const { add, done } = stepList()
    add('core-fill', 'Fill the core.', { gate: true, minutes: 5, waitH: 12, lot: 'epoxy' })
    add('bed', 'Bed it.', { minutes: 15, lot: 'hybrid' })
    return done()
  }
  const parts = [
    part('epoxy', 'Epoxy', { material: 'epoxy', unit: 'pot', dimensions: { volumeMl: 30 } }),
    part('sealant', 'Hybrid', { material: 'hybrid', unit: 'tube-300', dimensions: { volumeMl: 60 } }),
  ]
  const withParts = (id: string, more: Partial<PlanJob> = {}) => ({
    ...job({ fittingId: id, name: `Cleat ${id}`, steps: bonded(), ...more }),
    parts,
  })
  const jobs = [withParts('f1'), withParts('f2')]
  const p = planned(jobs, ask())
  const pots = (day: BoatPlan['days'][number]) => {
    const q = potsQuestion(jobs, p.days, day, [])
    return q && potsAnswer(day, runNamed('epoxy-day', q) as PotsAnswer)
  }
  it('two fills of one day share a pot, and each says how much of it is its own', () => {
    const [first] = p.days
    const mixed = pots(first!)!
    expect(mixed).toHaveLength(1)
    expect(mixed[0]!.for).toEqual([
      { fittingId: 'f1', fitting: 'Cleat f1', ml: 30 },
      { fittingId: 'f2', fitting: 'Cleat f2', ml: 30 },
    ])
    expect(mixed[0]!.ml).toBeGreaterThan(60)
  })
  it('a day on which nothing is mixed has no pots', () => {
    expect(potsQuestion(jobs, p.days, { day: '2031-05-01', steps: [], cures: [], bag: [] }, [])).toBeNull()
  })
  it('cloth is wetted out where it is laid up, and the rest is filled with what is left', () => {
    const { add, done } = stepList()
    add('lay', 'Lay it up.', { lot: 'epoxy' })
    add('core-fill', 'Fill.', { lot: 'epoxy' })
    const resin = part('resin', 'Epoxy for the cloth', { material: 'epoxy', dimensions: { volumeMl: 90 } })
    const j = { ...job({ steps: done() }), parts: [...parts, resin] }
    expect(epoxyOf(j, 'lay')).toEqual({ ml: 90, use: 'wet-out' })
    expect(epoxyOf(j, 'core-fill')).toEqual({ ml: 30, use: 'mayonnaise' })
    expect(epoxyOf(j, 'nothing')).toBeNull()
    expect(sealantOf(j, 'lay')).toBeNull()
  })
  it('beddings of one chemistry come out of one tube, of the lot that goes off first', () => {
    const lot = (code: string, expiry: string) => ({
      code,
      chemistry: 'hybrid',
      sizeMl: 300,
      count: 1,
      opened: [],
      expiry,
      hot: false,
      test: null,
    })
    const q = tubesQuestion(jobs, p.days, [lot('L2', '2032-01-01'), lot('L1', '2031-06-01')], [])!
    const day = p.days.find((d) => d.steps.some((s) => s.step === 'bed'))!
    const tubes = tubesAnswer(day, runNamed('tube-plan', q) as TubesAnswer)
    expect(tubes).toMatchObject([{ lot: 'L1', tube: 1, for: [{ ml: 60 }, { ml: 60 }] }])
    expect(tubesQuestion(jobs, [], [], [])).toBeNull()
    expect(sharedBy(tubes, new Set(['f2']))[0]!.for).toHaveLength(1)
    expect(sharedBy(tubes, new Set(['f9']))).toEqual([])
  })
  it('what is not to be seen is cut out of it, with what it shared', () => {
    const all = [withParts('f1'), withParts('f2', { boatId: 'b2', boat: 'Skua' })]
    const both = planned(all, ask())
    const day = both.days[0]!
    const q = potsQuestion(all, both.days, day, [])!
    const mixed = {
      ...both,
      days: [{ ...day, pots: potsAnswer(day, runNamed('epoxy-day', q) as PotsAnswer) }],
    }
    const mine = onlySteps(
      mixed,
      () => true,
      (b) => b === 'b2',
    )
    expect(JSON.stringify(mine.days)).not.toContain('Cleat f1')
    expect(mine.days[0]!.pots![0]!.for).toMatchObject([{ fitting: 'Cleat f2' }])
  })
})

describe('every step that is asked about', () => {
  const step = (i: number, after: number[], work: number[], minutes: number) => ({
    id: `s${i}`,
    minutes,
    cureHours: i % 3,
    after: after.map((k) => `s${k}`),
    afterWork: work.map((k) => `s${k}`),
  })
  it('property: has a row or is left out by name, also where it waits for one both for its work and its cure', () => {
    const before = (i: number) => fc.uniqueArray(fc.nat(Math.max(0, i - 1)), { maxLength: i ? 3 : 0 })
    const steps = fc
      .integer({ min: 2, max: 24 })
      .chain((n) =>
        fc.tuple(
          ...Array.from({ length: n }, (_, i) =>
            fc.tuple(before(i), before(i), fc.nat(90)).map(([a, w, m]) => step(i, i ? a : [], i ? w : [], m)),
          ),
        ),
      )
    fc.assert(
      fc.property(steps, fc.option(fc.nat(23), { nil: null }), (all, held) => {
        const holds = held !== null && held < all.length ? [{ step: `s${held}`, until: null }] : []
        const fitters = ask().fitters.map((f) => ({ id: f.name, hoursByDay: f.hoursByDay }))
        const out = runNamed('plan', { start: '2031-04-14T08:00', steps: all, fitters, holds }) as {
          rows: { step: string; start: string; end: string; cureEnd: string }[]
          notPlanned: string[]
        }
        const said = [...out.rows.map((r) => r.step), ...out.notPlanned].sort()
        expect(said).toEqual(all.map((s) => s.id).sort())
        const rows = new Map(out.rows.map((r) => [r.step, r]))
        for (const s of all) {
          const r = rows.get(s.id)
          if (!r) continue
          for (const b of s.after) expect(r.start >= rows.get(b)!.cureEnd).toBe(true)
          for (const b of s.afterWork) expect(r.start >= rows.get(b)!.end).toBe(true)
        }
      }),
      { numRuns: 60 },
    )
  })
})

const thing = (more: Partial<WatchedThing> = {}): WatchedThing => ({
  id: 't1',
  name: 'Engine intake',
  kind: 'through-hull',
  zone: 'Bottom',
  place: 'below',
  state: 'in-service',
  inService: '2030-06-01',
  bedded: '2030-05-20',
  chemistry: 'polysulfide',
  cored: false,
  has: { valve: { cockpitDrain: false } },
  log: [],
  ...more,
})
const look = (task: string, at: string): LogLine => ({
  kind: 'look',
  value: null,
  note: 'seen',
  who: 'Tom',
  at: `${at}T10:00:00Z`,
  data: { about: task },
})
const ASKED = { now: '2031-04-14T08:00', duty: 'coastal', horizonDays: 90, launch: null } as const
const watched = (things: WatchedThing[], horizonDays = 90) =>
  watchAnswer(
    things,
    runNamed('watch-due', watchQuestion(things, { ...ASKED, horizonDays })) as Parameters<
      typeof watchAnswer
    >[1],
  )
describe('what has to be looked at', () => {
  it.each([
    ['never turned', [], true],
    ['turned last week', [look('exercise', '2031-04-08')], false],
    ['turned two months ago', [look('exercise', '2031-02-10')], true],
    ['its bedding was looked at, not the valve', [look('look', '2031-04-08')], true],
  ] as const)('a valve %s', (_, log, overdue) => {
    const row = watched([thing({ log: [...log] })]).rows.find((r) => r.task === 'exercise')!
    expect(row.overdueDays > 0).toBe(overdue)
    expect(row.title).toBe(WATCH_TASKS.exercise)
  })
  it('an anode by its weighings or by a look at it', () => {
    const by = (log: LogLine[]) =>
      watched([thing({ has: { anode: true }, log })]).rows.find((r) => r.task === 'anode')
    expect(by([])!.overdueDays).toBeGreaterThan(0)
    expect(by([{ ...look('', '2031-04-10'), kind: 'anode', value: 70, data: null }])!.overdueDays).toBe(0)
    expect(by([look('anode', '2031-04-10')])!.overdueDays).toBe(0)
  })
  it('a chainplate by when it was last drawn, in its design or in the log, the later', () => {
    const by = (lastDrawn: string | null, log: LogLine[] = []) =>
      watched(
        [thing({ place: 'deck', has: { chainplate: { grade: 'ss-316', lastDrawn } }, log })],
        3660,
      ).rows.find((r) => r.task === 'draw-plate')!.due
    expect(by('2020-04-14')).toBe('2035-04-14')
    expect(by('2020-04-14', [look('draw-plate', '2025-04-14')])).toBe('2040-04-14')
  })
  it('valves are shut on leaving, but those that drain the cockpit', () => {
    const w = watched([
      thing(),
      thing({ id: 't2', name: 'Cockpit drain', has: { valve: { cockpitDrain: true } } }),
    ])
    const names = (v: { name: string }[]) => v.map((x) => x.name)
    expect(names(w.leaving.shut)).toEqual(['Engine intake'])
    expect(names(w.leaving.leaveOpen)).toEqual(['Cockpit drain'])
    const shut: LogLine = { ...look('', '2031-04-08'), data: { about: 'exercise', valve: 'shut' } }
    const after = watched([thing({ log: [shut] })]).leaving
    expect([after.shut, names(after.isShut)]).toEqual([[], ['Engine intake']])
    expect(after.isShut[0]!.said).toMatchObject({ state: 'shut', sensor: false })
    // The last word counts, whoever says it.
    const opened: LogLine = { ...look('', '2031-04-09'), data: { valve: 'open', sensor: true } }
    expect(watched([thing({ log: [shut, opened] })]).leaving.shut[0]!.said).toMatchObject({ sensor: true })
  })
  it.each([
    ['bedded this winter', '2031-01-10', [], [1, 2, 3, 4, 5]],
    ['bedded years ago', '2027-01-10', [], []],
    ['looked at after an hour', '2031-01-10', [look('launch-3', '2031-04-10')], [4, 5]],
    ['looked at before this launch', '2031-01-10', [look('launch-3', '2030-05-10')], [1, 2, 3, 4, 5]],
  ])('after a launch: %s', (_, bedded, log, left) => {
    const things = [thing({ bedded, log })]
    const q = watchQuestion(things, { ...ASKED, launch: '2031-04-10T12:00' })
    const out = runNamed('watch-due', q) as Parameters<typeof watchAnswer>[1]
    const looks = watchAnswer(things, out).rows.filter((r) => r.task.startsWith('launch-'))
    expect(looks.map((r) => Number(r.task.slice(-1)))).toEqual(left)
  })
  it('what is left to do afloat is due once what it follows is ticked, until it is ticked itself', () => {
    const tick = (step: string, at: string): LogLine => ({ ...look('', at), kind: 'tick', step, data: null })
    const has = { afloat: [{ step: 'again', after: 'snug', hours: 168, title: 'Snug it again' }] }
    const rows = (...log: LogLine[]) => afloatRows([thing({ has, log })], '2031-04-14T09:00', 90)
    expect(rows()).toEqual([])
    expect(rows(tick('snug', '2031-04-10'))[0]).toMatchObject({
      due: '2031-04-17',
      overdueDays: 0,
      step: 'again',
    })
    expect(rows(tick('snug', '2031-04-01'))[0]).toMatchObject({ due: '2031-04-08', overdueDays: 6 })
    expect(rows(tick('snug', '2031-04-01'), tick('again', '2031-04-09'))).toEqual([])
    expect(rows(tick('snug', '2031-04-10'))[0]!.why).toBe(
      '7 days after 10 Apr 2031; she may be afloat by then.',
    )
  })
  it('what is suspect below the water keeps her ashore, by name', () => {
    expect(watched([thing({ state: 'suspect' })]).notLaunchable).toEqual([
      { name: 'Engine intake', reason: 'suspect' },
    ])
  })
  it('a chemistry that the table does not know is unknown, and no day lies ahead', () => {
    const q = watchQuestion([thing({ chemistry: 'tar', inService: '2032-01-01' })], {
      now: '2031-04-14T08:00',
      duty: 'coastal',
      horizonDays: 90,
      launch: null,
    })
    expect(q.items[0]).toMatchObject({ chemistry: 'unknown' })
    expect(q.items[0]).not.toHaveProperty('inService')
  })
})

describe('what open work wants', () => {
  const bolt = (n: number, more: Partial<Part> = {}) =>
    part('bolt', 'Bolt', {
      dimensions: { diameterMm: 8, lengthMm: 60 },
      material: 'A4-70',
      quantity: n,
      spare: 1,
      ...more,
    })
  const job = (name: string, parts: Part[], more: Partial<PartsOf> = {}): PartsOf => ({
    fittingId: name,
    kind: 'deck-hardware',
    name,
    short: '',
    parts,
    steps: [],
    work: NO_WORK,
    ...more,
  })
  const bought = { ...NO_WORK, bought: { at: '', by: '', what: '' } }
  it('is summed where key, sizes and material are alike, and nowhere else', () => {
    const list = partsList([
      job('a', [bolt(4)]),
      job('b', [bolt(6)]),
      job('c', [bolt(2, { material: 'A4-80' })]),
      job('d', [bolt(2, { dimensions: { diameterMm: 8, lengthMm: 65 } })]),
    ])
    expect(list.map((l) => l.part.quantity).sort()).toEqual([10, 2, 2])
    const ten = list.find((l) => l.part.quantity === 10)!
    expect(ten.part.spare).toBe(2)
    expect(ten.for.map((f) => f.name)).toEqual(['a', 'b'])
  })
  it('what is bought for one is a line of its own, and comes last', () => {
    const list = partsList([job('a', [bolt(4)], { work: bought }), job('b', [bolt(6)])])
    expect(list.map((l) => [l.state, l.part.quantity])).toEqual([
      ['to-buy', 6],
      ['bought', 4],
    ])
  })
  it('a part that nobody can count stays uncounted, and what is short is said', () => {
    const list = partsList([
      job('a', [bolt(4, { quantity: null })]),
      job('b', [bolt(6)], { short: 'bearing' }),
    ])
    expect(list[0]!.part.quantity).toBeNull()
    expect(list[0]!.uncertain).toEqual(['b'])
    expect(partsRow(list[0]!, 'metric')).toMatchObject({
      state: 'to buy',
      quantity: '',
      for: 'a; b',
      'may change': 'b',
    })
  })
  it('loses and invents nothing, whatever the fittings ask for', () => {
    const sizes = [6, 8, 10]
    fc.assert(
      fc.property(
        fc.array(
          fc.array(fc.tuple(fc.constantFrom(...sizes), fc.integer({ min: 1, max: 9 })), { maxLength: 5 }),
          {
            maxLength: 6,
          },
        ),
        (fittings) => {
          const jobs = fittings.map((asks, i) =>
            job(
              String(i),
              asks.map(([d, n]) => bolt(n, { dimensions: { diameterMm: d } })),
            ),
          )
          const list = partsList(jobs)
          for (const d of sizes) {
            const asked = fittings.flat().filter(([x]) => x === d)
            const line = list.filter((l) => l.part.dimensions.diameterMm === d)
            expect(line.length).toBe(asked.length ? 1 : 0)
            if (line[0]) expect(line[0].part.quantity).toBe(asked.reduce((sum, [, n]) => sum + n, 0))
          }
        },
      ),
    )
  })
  it('tools stand once, those of most fittings first, and none of a step that is ticked', () => {
    const { add, done } = stepList()
    add('a', 'One.', { gate: true, tools: ['drill', 'tape'] })
    add('b', 'Two.', { gate: true, tools: ['gun'] })
    const steps = done()
    const ticked = { ...NO_WORK, ticks: { a: { at: '', by: '', note: '' } } }
    expect(toolsList([job('x', [], { steps }), job('y', [], { steps, work: ticked })])).toEqual([
      { tool: 'gun', fittings: 2 },
      { tool: 'drill', fittings: 1 },
      { tool: 'tape', fittings: 1 },
    ])
  })
})
