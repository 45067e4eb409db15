import { describe, expect, it } from 'vitest'
import {
  HOLD_WAYS,
  drawPattern,
  drawSection,
  heldBy,
  judge,
  partsOf,
  stepsOf,
  withChange,
  type Design,
  type HoldWay,
  type Structure,
} from '../src'
import { tappedThread } from '../src/chapters/fastener/tapped'
import { answerOf } from '../src/base/calculator/calculator'
import { deckFit } from './deck-hands'

/** Bolts that are fixed from above, where nobody reaches a nut (18.5). */
const SOLID: Structure = { kind: 'solid', skin: { laminate: 'mat' }, thicknessMm: 9 }
const METAL: Structure = { kind: 'metal', metal: 'aluminium-5083', thicknessMm: 8 }
const fit = (way: HoldWay, change: Record<string, unknown> = {}, structure?: Structure): Design =>
  withChange(deckFit('HG-C150', structure), { 'hold.way': way, ...change })
const ids = (d: Design) => judge(d).checks.map((c) => c.id)
const named = (d: Design, id: string) => judge(d).checks.find((c) => c.id === id)!
const steps = (d: Design) => stepsOf(d, judge(d), 'metric')
const keys = (d: Design) => partsOf(d, judge(d)).map((p) => p.key)

describe('threads instead of nuts', () => {
  it('a tapped plate is judged by both threads and its turns, with the pull of the most pulled bolt', () => {
    const d = fit('tapped', { 'plate.material': 'al-6061', 'plate.thicknessMm': 12 })
    expect(ids(d)).toEqual(
      expect.arrayContaining(['strip-plate', 'strip-bolt', 'turns', 'hold-bearing', 'hold-edge']),
    )
    const pull = named(d, 'strip-plate').demand!
    expect(pull).toBeGreaterThan(0)
    const alone = answerOf(tappedThread, {
      kind: 'tapped',
      size: d.bolt.size,
      grade: d.bolt.grade,
      tensionN: pull,
      plate: { material: 'al-6061', thicknessMm: 12 },
    })
    expect(named(d, 'strip-plate').capacity).toBeCloseTo(
      alone.checks.find((c) => c.id === 'strip-plate')!.capacity!,
      6,
    )
  })
  it('screws into a plastic block are counted at half, for plastic creeps', () => {
    const block = { material: 'polycarbonate', thicknessMm: 20 }
    const d = fit('plastic', { plate: null, 'hold.block': block })
    const pull = named(d, 'strip-plate').demand!
    const passing = answerOf(tappedThread, {
      kind: 'tapped',
      size: d.bolt.size,
      grade: d.bolt.grade,
      tensionN: pull,
      plate: block as never,
    })
    const whole = passing.checks.find((c) => c.id === 'strip-plate')!.capacity!
    expect(named(d, 'strip-plate').capacity).toBeCloseTo(whole / 2, 3)
    expect(steps(d).find((s) => s.id === 'tap-plastic')!.text).toContain('no alcohol, no threadlocker')
    expect(keys(d)).toEqual(expect.arrayContaining(['plastic-block', 'tap']))
    expect(keys(d)).not.toContain('nut')
    expect(judge(d).grip!.lengthMm).toBeGreaterThan(judge(d).grip!.gripMm + 15)
  })
  it('a block that nobody has described proves nothing, and a plate behind it does nothing', () => {
    expect(named(fit('plastic', { plate: null }), 'hold').because).toContain('of what plastic')
    const both = fit('plastic', { 'hold.block': { material: 'cast-acrylic', thicknessMm: 15 } })
    expect(named(both, 'hold').because).toContain('Leave it out')
  })
  it('a plate too thin for the thread is short, or refused in words', () => {
    const thin = fit('tapped', { 'plate.material': 'al-6061', 'plate.thicknessMm': 2 })
    expect(named(thin, 'turns').verdict).toBe('short')
    const none = fit('tapped', { 'plate.thicknessMm': 1 })
    expect(named(none, 'hold')).toMatchObject({ verdict: 'short' })
  })
  it('nothing to thread into is unproven, and says what would do', () => {
    expect(named(fit('tapped', { plate: null }), 'hold').because).toContain('put a plate behind it')
    expect(named(fit('press-in', { 'plate.material': 'plastic' }), 'hold').because).toContain(
      'holds no thread',
    )
    expect(named(fit('nut-in-epoxy', { plate: null }, SOLID), 'hold').because).toContain('no plug')
    expect(named(fit('nut-in-epoxy'), 'hold').because).toContain('does nothing')
    const narrow = fit('nut-in-epoxy', { plate: null, 'core.boreMm': 9 })
    expect(named(narrow, 'hold')).toMatchObject({ verdict: 'unproven' })
    expect(named(fit('nut-in-epoxy', { plate: null, 'core.school': 'none' }), 'hold').because).toContain(
      'bore over',
    )
    expect(named(fit('nut-in-epoxy', {}, SOLID), 'hold').verdict).toBe('unproven')
  })
  it('a deck without a core may hold the thread itself', () => {
    expect(heldBy(fit('tapped', { plate: null }, METAL))!.holdsN).toBeGreaterThan(0)
    expect(heldBy(fit('bonded', { plate: null }, SOLID))!.holdsN).toBeGreaterThan(0)
  })
  it('it is tightened no further than the thread holds with a tenth in hand', () => {
    const d = fit('nut-in-epoxy', { plate: null })
    const j = judge(d)
    expect(j.preload.preloadN).toBeLessThanOrEqual(heldBy(d)!.preloadN + 1e-6)
    expect(j.preload.runDownNm).toBe(0)
    // Nothing presses behind, so neither punching under washers nor crush there is asked.
    expect(j.checks.some((c) => /^(punching|crush-plate)/.test(c.id))).toBe(false)
  })
})

describe('every way, on paper and in the hand', () => {
  it.each(Object.keys(HOLD_WAYS) as HoldWay[])(
    '%s: no figure that is none, nuts only where there are nuts',
    (way) => {
      const d = fit(way, { 'plate.material': 'al-6061', 'plate.thicknessMm': 12 })
      const j = judge(d)
      expect(JSON.stringify([j, drawSection(d, j, 'inch')])).not.toMatch(/NaN|Infinity/)
      const section = drawSection(d, j, 'metric').shapes.flatMap((s) =>
        'label' in s && s.label ? [s.label] : [],
      )
      expect(section.includes('nut')).toBe(way === 'through')
      expect(j.grip!.lengthMm).toBeGreaterThanOrEqual(j.grip!.requiredMm - 1e-6)
    },
  )
  it.each([
    ['tapped', 'tap', 'tap'],
    ['press-in', 'press-in', 'threaded-insert'],
    ['bonded', 'bond-inserts', 'threaded-insert'],
  ] as const)('%s has its step and its part, and no nut', (way, step, part) => {
    const d = fit(way, { 'plate.material': 'al-6061', 'plate.thicknessMm': 12 })
    const all = steps(d)
    expect(all.map((s) => s.id)).toContain(step)
    expect(all.map((s) => s.id)).not.toContain('run-down')
    expect(keys(d)).toContain(part)
    expect(keys(d)).not.toContain('nut')
    expect(all.find((s) => s.id === 'snug')!.text).toContain('Turn the bolts crosswise')
    // The plate has its threads before it is bonded in.
    const order = all.map((s) => s.id)
    expect(order.indexOf(step)).toBeLessThan(order.indexOf('plate-bond'))
  })
  it('a nut caught in epoxy is cast in with the fill', () => {
    const d = fit('nut-in-epoxy', { plate: null })
    expect(steps(d).find((s) => s.id === 'core-fill')!.text).toContain('waxed bolt')
    expect(partsOf(d, judge(d)).find((p) => p.key === 'nut')!.title).toBe('Nut, to be cast in')
  })
})

describe('where the load acts, on the drawings', () => {
  it('has a foot that can be dragged, in the cut and from above, and says its figure', () => {
    const d = withChange(deckFit('HG-BR80'), {})
    const j = judge(d)
    const [cut, plan] = [drawSection(d, j, 'metric'), drawPattern(d, j, 'metric')]
    const value = (dr: typeof cut, path: string) => dr.handles!.find((h) => h.path === path)!.value
    expect(value(cut, 'load.point.x')).toBe(j.load.pointMm.x)
    expect(value(cut, 'load.point.z')).toBe(j.load.heightMm)
    expect([value(plan, 'load.point.x'), value(plan, 'load.point.y')]).toEqual([
      j.load.pointMm.x,
      j.load.pointMm.y,
    ])
    // A roller's load acts far ahead of its base: the picture goes as far.
    expect(plan.bounds.minX).toBeLessThan(j.load.pointMm.x)
  })
})
