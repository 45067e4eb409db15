import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { part, type Part } from '../src/kinds/part'
import { partsList, partsRow, toolsList, type PartsOf } from '../src/planning/parts-list'
import { runNamed } from '../src/chapters/registry'
import { stepList } from '../src/kinds/step'
import { NO_WORK, type LogLine } from '../src/kinds/work'
import { afloatRows, watchAnswer, watchQuestion, WATCH_TASKS, type WatchedThing } from '../src/planning/watch'

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
