import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { runNamed } from '../src/chapters/registry'
import { stepList } from '../src/kinds/step'
import { NO_WORK } from '../src/kinds/work'
import { begunSteps, isOpen, rowsOfPlan } from '../src/planning/boat-plan'
import { HELD_BY, type BoatPlan, type YardHold } from '../src/planning/plan-types'
import { brokenBy, moveStep } from '../src/planning/move-step'
import { comparePlans } from '../src/planning/plan-changes'
import { SPREAD, weekQuestion, type WeekLoad } from '../src/planning/yard-week'
import { ask, fitter, job, planned, ticked } from './planning-hands'

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
