import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { deadriseFrom, calculate, stepGates, partSaid } from '../src'
import {
  THROUGH_HULL_CATALOGUE,
  throughHullParts,
  throughHullSteps,
  lastLook,
  type ThroughHullDesign,
} from '../src/kinds/through-hull'
import { angleSurvey } from '../src/chapters/layout/angle-survey'
import { moistureCureOf } from '../src/chapters/bedding/moisture-cure'
import { fit, judge, verdict } from './through-hull-hands'

const joint = (d: ThroughHullDesign, place: string) => judge(d).sealants.find((s) => s.place === place)!
const steps = (d: ThroughHullDesign) => throughHullSteps(d, judge(d), 'metric')
const step = (d: ThroughHullDesign, id: string) => steps(d).find((s) => s.id === id)

describe('what each joint is bedded in, how much, and until when', () => {
  it('the collar fills the bore through hull, wedges and pad, not the hull alone', () => {
    const flat = fit('MV-S114', { 'wedge.blocks': 'none' })
    const deep = fit('MV-S114', { 'wedge.blocks': 'none', 'pad.thicknessMm': flat.pad!.thicknessMm + 10 })
    const clear = (Math.PI / 4) * (flat.skin.holeMm ** 2 - flat.skin.tailOdMm! ** 2)
    const more =
      joint(deep, 'flange').quantity!.parts.collarMl - joint(flat, 'flange').quantity!.parts.collarMl
    expect(more).toBeCloseTo((clear * 10) / 1000, 9)
    expect(joint(fit('MV-S114'), 'flange').quantity!.parts.collarMl).toBeCloseTo(
      (clear * judge(fit('MV-S114')).stack!.totalMm) / 1000,
      9,
    )
  })
  it('the middle of a wide flange is soft long after its rim has cured', () => {
    const s = joint(fit('MV-S114', { 'bedding.tail': 'polysulfide' }), 'tail')
    const d = fit('MV-S114')
    const path = (d.valve!.flangeMm - d.skin.holeMm) / 2
    expect(s.middleDays! / s.rimDays!).toBeCloseTo((path / 5) ** 2, 6)
    expect(s.middleDays).toBeCloseTo(
      moistureCureOf({
        chemistry: 'polysulfide',
        pathMm: path,
        tempC: d.bedding.tempC,
        humidityPct: d.bedding.humidityPct,
      }).days!,
      9,
    )
    expect(joint(fit('MV-K1', { 'bedding.tail': 'epoxy-filled' }), 'tail')).toMatchObject({
      rimDays: null,
      middleDays: null,
    })
  })
  it('pad and wedges are bonded from one pot, what is set in epoxy is mixed for its own hour', () => {
    const d = fit('MV-K1', {
      'bedding.flange': 'epoxy-filled',
      'bedding.tail': 'epoxy-filled',
      'bedding.pad': 'epoxy-filled',
    })
    const { pots } = judge(d)
    const waste = 1.15
    expect(pots.bond!.ml).toBeCloseTo(waste * (joint(d, 'pad').quantity!.volumeMl + pots.wedgeMl), 6)
    expect(pots.set!.ml).toBeCloseTo(
      waste * (joint(d, 'flange').quantity!.volumeMl + joint(d, 'tail').quantity!.volumeMl),
      6,
    )
    expect(pots.wedgeMl).toBeGreaterThan(0)
    expect(judge(fit('MV-S1')).pots.set).toBeNull()
    expect(judge(fit('MV-S1', { 'wedge.blocks': 'none' })).pots.wedgeMl).toBe(0)
    expect(
      judge(fit('MV-S1', { 'wedge.blocks': 'none', 'bedding.pad': 'pu-permanent' })).pots.bond,
    ).toBeNull()
  })
  it('a wedge without a pad is bonded too, and its bond is waited for', () => {
    const d = fit('MV-E55', { 'wedge.blocks': 'both' })
    expect(step(d, 'pad-bond')!.text).toContain('bond the wedges')
    expect(step(d, 'dew')!.after).toMatchObject({ step: 'pad-bond', what: 'The wedges\u2019 bond' })
    expect(step(d, 'dew')!.after!.hours).toBe(judge(d).pots.bond!.sandH)
    expect(step(fit('MV-E55'), 'pad-bond')).toBeUndefined()
  })
  it('a pad in polyurethane on wedges in epoxy waits for the slower of the two', () => {
    const d = fit('MV-S1', { 'bedding.pad': 'pu-permanent' })
    const rim = joint(d, 'pad').rimDays! * 24
    expect(step(d, 'pad-bond')!.waitH).toBeCloseTo(Math.max(rim, judge(d).pots.bond!.sandH!), 9)
    expect(step(d, 'pad-bond')!.text).toMatch(/polyurethane.*thickened epoxy.* under the wedges/)
  })
  it('the worse pot decides the day, and says which one it is', () => {
    const cold = judge(fit('MV-K1', { 'bedding.flange': 'epoxy-filled', 'bedding.tempC': 2 })).checks.find(
      (c) => c.id === 'epoxy-mix',
    )!
    expect(cold.verdict).toBe('short')
    expect(cold.because).toMatch(/^Epoxy that /)
    expect(cold.assumed).toEqual(['15 minutes of work'])
  })
  it('epoxy is bought once, as its pots; a cored bottom lists its solid ring', () => {
    const parts = (d: ThroughHullDesign) =>
      throughHullParts(d, judge(d))
        .map((p) => partSaid(p, 'metric'))
        .map((p) => p.what)
    const d = fit('MV-K1', { 'bedding.flange': 'epoxy-filled' })
    expect(
      parts(d)
        .filter((w) => /epoxy/i.test(w) && !/sheet/.test(w))
        .sort(),
    ).toEqual(['Epoxy that bonds pad and wedges', 'Epoxy that it is set in', 'Pad, glass epoxy'].sort())
    expect(parts(fit('MV-S1', {}, { kind: 'cored' })).some((w) => w.includes('solid ring'))).toBe(true)
  })
  it.each([
    ['g10', 'holds'],
    ['plywood', 'holds'],
    ['composite', 'tight'],
  ] as const)('epoxy on a pad of %s: %s', (material, v) => {
    // A moulded nylon pad has to be abraded before epoxy holds on it.
    expect(
      verdict(fit('MV-S1', { 'pad.material': material, 'bedding.pad': 'epoxy-filled' }), 'sealant-pad'),
    ).toBe(v)
  })
  it('over the water the sun is on the flange', () => {
    expect(
      verdict(fit('MV-O34', { 'place.zMm': 400, 'bedding.flange': 'pu-permanent' }), 'sealant-flange'),
    ).toBe('tight')
    expect(verdict(fit('MV-B1', { 'bedding.flange': 'pu-permanent' }), 'sealant-flange')).toBe('holds')
  })
  it('property: more bead, more pad or more hole never needs less of anything', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 3, noNaN: true }),
        fc.integer({ min: 10, max: 25 }),
        fc.double({ min: 1, max: 1.5, noNaN: true }),
        (bead, pad, k) => {
          const at = (b: number, p: number) =>
            judge(fit('MV-S1', { beddingMm: b, 'pad.thicknessMm': p, 'bedding.flange': 'polysulfide' }))
              .sealants[0]!.quantity!.volumeMl
          expect(at(bead * k, pad)).toBeGreaterThanOrEqual(at(bead, pad) - 1e-9)
          expect(at(bead, Math.ceil(pad * k))).toBeGreaterThanOrEqual(at(bead, pad) - 1e-9)
        },
      ),
      { numRuns: 20 },
    )
  })
})

describe('measured at its step', () => {
  it('the cradle\u2019s heel is taken out as the angle survey takes it out', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 40, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.constantFrom('port' as const, 'starboard' as const),
        (shown, heel, side) => {
          // The survey has outboard down positive; the bottom rises outboard.
          const s = calculate(angleSurvey, {
            references: [heel, heel, heel],
            stations: [{ id: 'a', side, readings: [-shown] }],
          }).stations[0]!
          expect(deadriseFrom(shown, heel, side === 'port' ? -400 : 400)).toBeCloseTo(-s.trueDeg, 9)
        },
      ),
    )
  })
  it.each([
    ['survey', { measured: false }, ['hull']],
    ['survey', { measured: true }, []],
    ['angle', { angleMeasured: false }, ['angle']],
    ['angle', { angleMeasured: true }, []],
  ] as const)('%s with %j asks for %j', (id, hull, asks) =>
    expect(step(fit('MV-S1', {}, hull), id)!.asks).toEqual(asks),
  )
  it('where the handle stops is asked until it is known', () => {
    expect(step(fit('MV-B1'), 'clock')!.asks).toEqual(['stops'])
    expect(step(fit('MV-B1', { 'clock.measuredDeg': 12 }), 'clock')!.asks).toEqual([])
    expect(step(fit('MV-E55'), 'clock')).toBeUndefined()
  })
  const facts = { at: 0, lot: null, tempC: null, airC: null, humidityPct: null }
  const ticked = (d: ThroughHullDesign, id: string) =>
    Object.fromEntries(
      steps(d)
        .slice(
          0,
          steps(d).findIndex((s) => s.id === id),
        )
        .map((s) => [s.id, { at: '1970-01-01T00:00:00Z', by: '', note: '' }]),
    )
  it.each([
    ['survey', { measured: false }, {}, ['not-measured']],
    ['survey', { measured: false }, { hullMm: 13 }, []],
    ['angle', { angleMeasured: false }, {}, ['no-level']],
    ['angle', { angleMeasured: false }, { shownDeg: 17, heelDeg: null }, ['no-heel']],
    ['angle', { angleMeasured: false }, { shownDeg: 17, heelDeg: -0.4 }, []],
    ['clock', {}, {}, ['not-read']],
    ['clock', {}, { stopsDeg: 0 }, []],
    ['ready-bore', {}, {}, ['not-looked']],
  ])('%s in a hull %j with %j stands behind %j', (id, hull, more, wanted) => {
    const d = fit('MV-S1', id === 'clock' ? { existing: true } : {}, hull)
    expect(stepGates(steps(d), id, ticked(d, id), { ...facts, ...more }).map((g) => g.id)).toEqual(wanted)
  })
})

describe('the last look', () => {
  it('stands before the bore and before the bead of every family, with points of its own, and passes when all are ticked', () => {
    for (const e of THROUGH_HULL_CATALOGUE) {
      const d = fit(e.id)
      const all = steps(d)
      const ids = all.map((s) => s.id)
      expect([e.id, ids.indexOf('bore') - ids.indexOf('ready-bore')]).toEqual([e.id, 1])
      for (const [look, next] of [
        ['ready-bore', 'bore-record'],
        ['ready-bed', 'bed'],
      ] as const) {
        const s = all.find((x) => x.id === look)
        if (!s) continue
        expect(ids.indexOf(look)).toBeLessThan(ids.indexOf(next))
        expect(new Set(s.looks).size).toBe(s.looks.length)
        expect(s.looks.length).toBeGreaterThan(1)
        const before = Object.fromEntries(
          all.slice(0, all.indexOf(s)).map((x) => [x.id, { at: '1970-01-01T00:00:00Z', by: '', note: '' }]),
        )
        const gates = (looked: string[]) =>
          stepGates(all, look, before, {
            at: 0,
            lot: null,
            tempC: null,
            airC: null,
            humidityPct: null,
            looked,
          }).map((g) => g.id)
        expect(gates(s.looks)).toEqual([])
        expect(gates(s.looks.slice(1))).toEqual(['not-looked'])
      }
    }
  })
  it.each([
    ['bore', 'MV-E55', {}, /cable is long enough/],
    ['bore', 'MV-S1', {}, /wedge is on as a jig/],
    ['bore', 'MV-W114', {}, /extinguisher/],
    ['bed', 'MV-E42', {}, /points forward/],
    ['bed', 'MV-K1', { 'bedding.flange': 'epoxy-filled' }, /wax or tape/],
    ['bed', 'MV-S1', { 'hold.method': 'insert' }, /inserts are in from the right side/],
    ['bed', 'MV-B1', { 'clock.measuredDeg': 3 }, /marks of tape meet/],
  ] as const)('before the %s of %s %j it names %s', (before, id, change, what) => {
    expect(lastLook(fit(id, { ...change }), before, false).some((l) => what.test(l))).toBe(true)
  })
  it('a small hole has no pilot to be found, a replaced fitting has something to come out', () => {
    expect(lastLook(fit('MV-A10'), 'bore', true).join()).not.toContain('pilot')
    expect(lastLook(fit('MV-S1', { replaces: 'Old one' }), 'bore', false).join()).toContain(
      'what stood here is out',
    )
  })
})
