import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { refusal, run } from './whole-core-hands'

describe('a plan', () => {
  const WEEK = Object.fromEntries(
    ['mon', 'tue', 'wed', 'thu', 'fri'].map((d) => [
      d,
      [
        ['08:00', '10:00'],
        ['11:00', '13:00'],
      ],
    ]),
  )
  const minute = (t: string) => Date.parse(`${t}:00Z`) / 60000
  interface Plan {
    rows: { step: string; start: string; end: string; cureEnd: string; who: string[] }[]
    finish: string
    criticalPath: string[]
  }
  const step = fc.record({
    minutes: fc.constantFrom(0, 30, 60, 90, 120),
    cureHours: fc.constantFrom(0, 0, 1, 5),
    hands: fc.constantFrom(1, 1, 2),
    after: fc.integer({ min: 0, max: 15 }),
    afterWork: fc.integer({ min: 0, max: 15 }),
    split: fc.boolean(),
  })
  const instance = fc.array(step, { minLength: 1, maxLength: 4 })
  const build = (
    steps: {
      minutes: number
      cureHours: number
      hands: number
      after: number
      afterWork: number
      split: boolean
    }[],
  ) => ({
    start: '2031-04-14T08:00',
    fitters: [
      { id: 'a', hoursByDay: WEEK },
      {
        id: 'b',
        hoursByDay: {
          ...WEEK,
          mon: [
            ['08:00', '09:00'],
            ['11:00', '13:00'],
          ],
        },
      },
    ],
    steps: steps.map((s, i) => ({
      id: `s${i}`,
      minutes: s.minutes,
      cureHours: s.cureHours,
      hands: s.hands,
      split: s.split,
      after: steps.flatMap((_, k) =>
        k < i && s.after & (1 << k) && !(s.afterWork & (1 << k)) ? [`s${k}`] : [],
      ),
      afterWork: steps.flatMap((_, k) => (k < i && s.afterWork & (1 << k) ? [`s${k}`] : [])),
    })),
  })
  const works = (hours: Record<string, string[][]>, t: number) => {
    const d = new Date(t * 60000)
    const m = d.getUTCHours() * 60 + d.getUTCMinutes()
    return (hours[['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'][d.getUTCDay()]!] ?? []).some(
      ([a, b]) => m >= Number(a!.slice(0, 2)) * 60 && m < Number(b!.slice(0, 2)) * 60,
    )
  }
  it('keeps every rule, and no order of the steps ends sooner', () => {
    fc.assert(
      fc.property(instance, (raw) => {
        const input = build(raw)
        const p = run<Plan>('plan', input)
        const row = new Map(p.rows.map((r) => [r.step, r]))
        for (const s of input.steps) {
          const r = row.get(s.id)!
          for (const a of s.after) if (minute(r.start) < minute(row.get(a)!.cureEnd)) return false
          for (const a of s.afterWork) if (minute(r.start) < minute(row.get(a)!.end)) return false
          if (s.minutes && new Set(r.who).size !== s.hands) return false
          for (const o of p.rows)
            if (
              o.step !== r.step &&
              o.who.some((w) => r.who.includes(w)) &&
              minute(o.start) < minute(r.end) &&
              minute(o.end) > minute(r.start)
            )
              return false
        }
        // By hand: every order and choice of hands, each step put at the first half hour where it can be
        // done.
        let least = Infinity
        const hours = input.fitters.map((f) => f.hoursByDay as Record<string, string[][]>)
        const at = new Map<string, { start: number; end: number; cureEnd: number; who: number[] }>()
        const go = () => {
          if (at.size === input.steps.length)
            return void (least = Math.min(least, ...[Math.max(...[...at.values()].map((x) => x.cureEnd))]))
          for (const s of input.steps) {
            if (at.has(s.id) || [...s.after, ...s.afterWork].some((a) => !at.has(a))) continue
            const ready = Math.max(
              minute(input.start),
              ...s.after.map((a) => at.get(a)!.cureEnd),
              ...s.afterWork.map((a) => at.get(a)!.end),
            )
            for (const who of s.minutes === 0 ? [[]] : s.hands === 2 ? [[0, 1]] : [[0], [1]]) {
              let found: { start: number; end: number } | null =
                s.minutes === 0 ? { start: ready, end: ready } : null
              for (let t = Math.ceil(ready / 30) * 30; !found; t += 30) {
                if (!who.every((w) => works(hours[w]!, t))) continue
                let left = s.minutes
                let e = t
                while (left > 0) {
                  if (who.every((w) => works(hours[w]!, e))) left -= 30
                  else if (!s.split) break
                  e += 30
                }
                if (left > 0) continue
                if (
                  [...at.values()].some(
                    (o) => o.end > o.start && o.who.some((w) => who.includes(w)) && o.start < e && o.end > t,
                  )
                )
                  continue
                found = { start: t, end: e }
              }
              at.set(s.id, { ...found, cureEnd: found.end + s.cureHours * 60, who })
              go()
              at.delete(s.id)
            }
          }
        }
        go()
        return minute(p.finish) === least
      }),
      { numRuns: 60 },
    )
  })
  it('the critical path starts where nothing else holds it, and ends at the finish', () => {
    const p = run<Plan>(
      'plan',
      build([
        { minutes: 60, cureHours: 5, hands: 1, after: 0, afterWork: 0, split: false },
        { minutes: 30, cureHours: 0, hands: 1, after: 1, afterWork: 0, split: false },
      ]),
    )
    expect(p.criticalPath).toEqual(['s0', 's1'])
  })
  it('200 steps and three fitters are planned, and keep the rules', () => {
    const steps = Array.from({ length: 200 }, (_, i) => ({
      id: `s${i}`,
      minutes: 20 + ((i * 37) % 80),
      cureHours: (i * 13) % 7 === 0 ? 12 : 0,
      hands: i % 9 === 0 ? 2 : 1,
      after: i > 2 && i % 3 === 0 ? [`s${i - 3}`] : [],
      needs: i % 5 === 0 ? ['surface'] : [],
    }))
    const p = run<Plan>('plan', {
      start: '2031-04-14T08:00',
      steps,
      fitters: ['a', 'b', 'c'].map((id) => ({ id, hoursByDay: WEEK })),
    })
    expect(p.rows).toHaveLength(200)
    const busy = new Map<string, [number, number][]>()
    for (const r of p.rows)
      for (const w of r.who) busy.set(w, [...(busy.get(w) ?? []), [minute(r.start), minute(r.end)]])
    for (const spans of busy.values())
      spans
        .sort((a, b) => a[0] - b[0])
        .forEach(([a], i) => i > 0 && expect(a).toBeGreaterThanOrEqual(spans[i - 1]![1]))
  })
  it.each([
    [{ steps: [{ id: 'a', minutes: 10, after: ['x'] }] }, 'unknown-step', 'steps'],
    [{ steps: [{ id: 'a', minutes: 10, hands: 2, who: ['a'] }] }, 'too-few-hands', 'steps'],
    [{ steps: [{ id: 'a', minutes: 300 }] }, 'no-slot', 'steps'],
    [
      {
        steps: [
          { id: 'a', minutes: 1 },
          { id: 'a', minutes: 1 },
        ],
      },
      'invalid-input',
      'steps',
    ],
    [{ start: '2031-02-30T08:00' }, 'invalid-input', 'start'],
    [{ holds: [{ step: 'z', until: null }] }, 'unknown-step', 'holds'],
  ])('%j is refused', (over, code, path) =>
    expect(
      refusal('plan', {
        ...build([{ minutes: 30, cureHours: 0, hands: 1, after: 0, afterWork: 0, split: false }]),
        ...over,
      }),
    ).toEqual({ code, path }),
  )
})
