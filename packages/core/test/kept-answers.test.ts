import { describe, expect, test } from 'vitest'
import { refuseUnbounded } from '../src/base/bounds'
import { keepingAnswers, keptAnswer } from '../src/base/calculator/kept'
import { CATALOGUE, judge, startDesign } from '../src'
import {
  judgeThroughHull,
  startThroughHull,
  throughHullEntry,
  throughHullWithRemedies,
} from '../src/kinds/through-hull'
import { withChange } from '../src/base/change'

function counted() {
  const asked: unknown[] = []
  const of = (x: unknown) => {
    asked.push(x)
    if (x === 'wrong') throw new Error('no')
    return { x }
  }
  return { asked, of, ask: (x: unknown) => keptAnswer(of, x, of) }
}

describe('answers are kept while the changes of one design are tried', () => {
  test('the same is asked once within, and anew outside', () => {
    const { asked, ask } = counted()
    ask({ a: 1 })
    ask({ a: 1 })
    expect(asked).toHaveLength(2)
    const [p, q, r] = keepingAnswers(() => [
      ask({ a: 1 }),
      keepingAnswers(() => ask({ a: 1 })),
      ask({ a: 2 }),
    ])
    expect(q).toBe(p)
    expect(r).toEqual({ x: { a: 2 } })
    expect(asked).toHaveLength(4)
    ask({ a: 1 })
    expect(asked).toHaveLength(5)
  })
  test('of two functions each has its own answers', () => {
    const [p, q] = [counted(), counted()]
    keepingAnswers(() => (p.ask(1), q.ask(1)))
    expect([p.asked, q.asked]).toEqual([[1], [1]])
  })
  test('nothing and no number, which JSON writes alike, are never taken for each other', () => {
    const { ask } = counted()
    const said = keepingAnswers(() => [ask({ a: null }), ask({ a: NaN })])
    expect(said).toEqual([{ x: { a: null } }, { x: { a: NaN } }])
  })
  test('a refusal is thrown every time, and leaves nothing kept behind', () => {
    const { asked, ask } = counted()
    expect(() => keepingAnswers(() => ask('wrong'))).toThrow('no')
    expect(() => keepingAnswers(() => ask('wrong'))).toThrow('no')
    ask(1)
    ask(1)
    expect(asked).toEqual(['wrong', 'wrong', 1, 1])
  })
  test('each remedy says what judging its change by itself says', () => {
    const hull = { kind: 'solid', thicknessMm: 14, measured: true, how: '', deadriseDeg: 17, slopeDeg: 0 }
    const begun = startThroughHull(
      throughHullEntry('MV-S114')!,
      {
        place: { zone: 'bottom', xMm: 5000, yMm: 400, zMm: -420, measuredFrom: [] },
        hull: { ...hull, angleMeasured: true, solidMm: null } as never,
        duty: 'coastal',
      },
      'Intake',
    )
    const nobody = { zones: [], parts: [], holes: [], others: [] }
    const d = withChange(begun, { 'pad.diameterMm': 130, 'bedding.flange': 'butyl' })
    const j = throughHullWithRemedies(d, judgeThroughHull(d, nobody), nobody)
    const offered = j.checks.flatMap((c) => c.remedies.map((r) => ({ id: c.id, r })))
    expect(offered.length).toBeGreaterThan(2)
    for (const { id, r } of offered) {
      const after = judgeThroughHull(withChange(d, r.change), nobody).checks.find((c) => c.id === id)
      expect([r.verdict, r.utilisation]).toEqual([after?.verdict ?? 'holds', after?.utilisation ?? null])
    }
  })
})

test.each(['constructor', 'toString', 'bolts'])('a list named %s may be no longer than another', (name) => {
  expect(() => refuseUnbounded({ [name]: Array.from({ length: 1001 }, () => 1) })).toThrow('at most 1000')
  expect(() => refuseUnbounded({ [name]: [1, 2, null, 'x', { deep: -4e4 }] })).not.toThrow()
})

test('of directions that are alike the first is named, with a minus before what is negative', () => {
  const tether = CATALOGUE.find((c) => c.family === 'tether-point')!
  const place = {
    zone: 'deck',
    xMm: 900,
    yMm: -640,
    zMm: 1600,
    belowWaterline: false,
    measured: [],
    edgeMm: 120,
  }
  const structure = { kind: 'solid', skin: { laminate: 'mat' }, thicknessMm: 9 }
  const j = judge(startDesign(tether, { ...place, duty: 'coastal', structure } as never, 'Tether'))
  const said = j.checks.flatMap((c) => /directions: (.*)° round/.exec(c.because)?.[1] ?? [])
  expect(said.length).toBeGreaterThan(0)
  // Every way is the same to a disc of equal bolts, so the first of each ring stands for it.
  expect(j.checks.find((c) => c.id === 'bearing')!.because).toContain('directions: 0° round, 0° up')
  expect(said.join()).not.toContain('-')
})
