import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { part, type Part } from '../src/kinds/part'
import { partsList, partsRow, toolsList, type PartsOf } from '../src/planning/parts-list'
import { runNamed } from '../src/chapters/registry'
import { stepList, type Step } from '../src/kinds/step'
import { NO_WORK, type LogLine } from '../src/kinds/work'
import { planAnswer, planQuestion, type PlanAsk, type PlanJob } from '../src/planning/boat-plan'
import { watchAnswer, watchQuestion, WATCH_TASKS, type WatchedThing } from '../src/planning/watch'

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
  zone: 'Foredeck',
  verdict: 'holds',
  short: '',
  steps: steps(),
  work: NO_WORK,
  ...more,
})
const ask = (more: Partial<PlanAsk> = {}): PlanAsk => ({
  start: '2031-04-14T08:00',
  hands: [{ name: 'Mara' }, { name: 'Tom' }],
  hours: [
    ['08:00', '12:00'],
    ['13:00', '17:00'],
  ],
  days: ['mon', 'tue', 'wed', 'thu', 'fri'],
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
  it('one alone does it the way that is given for one', () => {
    const bed = planned([job()], ask({ hands: [{ name: 'Mara' }] }))
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
const watched = (things: WatchedThing[], horizonDays = 90) =>
  watchAnswer(
    things,
    runNamed(
      'watch-due',
      watchQuestion(things, { now: '2031-04-14T08:00', duty: 'coastal', horizonDays, launch: null }),
    ) as Parameters<typeof watchAnswer>[1],
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
    expect(w.leaving).toEqual({ shut: ['Engine intake'], leaveOpen: ['Cockpit drain'] })
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
