import { describe, expect, it } from 'vitest'
import { withChange } from '../src/base/change'
import { clockLeft } from '../src/kinds/step'
import { judgedWithRemedies } from '../src/kinds/registry'
import { ALONE, type Other } from '../src/kinds/kind'
import { NO_WORK } from '../src/kinds/work'
import { rig } from '../src/kinds/rig/kind'
import { standsUnder } from '../src/kinds/rig/column'
import { pullOf } from '../src/kinds/rig/pull'
import { isSetIn, type Chainplate, type RigDesign, type SetIn } from '../src/kinds/rig/design'

const SPOT = {
  zone: 'deck',
  xMm: 7300,
  yMm: -1500,
  zMm: 1200,
  structure: { kind: 'solid', skin: { laminate: 'woven' }, thicknessMm: 12 },
  measured: ['thicknessMm'],
  edgeMm: null,
  belowWaterline: false,
  duty: 'coastal',
  zones: [],
  boat: { displacementKg: 9400, beamM: 3.7, rig: null },
}
const made = (id: string, change: Record<string, unknown> = {}, name = 'It'): RigDesign => {
  const e = rig.catalogue.find((x) => x.id === id)!
  return rig.schema.parse(withChange(rig.start(e, SPOT as never, name), change)) as RigDesign
}
const of = (d: RigDesign, id: string) => rig.judge(d, ALONE).checks.find((c) => c.id === id)

describe('a strap for a drogue leg', () => {
  it('is checked against its share of her weight, with the duty\u2019s factor, and not against a wire', () => {
    const d = made('BS-D12') as Chainplate
    expect(d.drogue).toEqual({ displacementKg: 9400, share: 0.7 })
    expect(pullOf(d)).toBeCloseTo(0.7 * 9400 * 9.80665 * 1.5, 6)
    const net = of(d, 'net-tension')!
    expect(net.demand).toBeCloseTo(pullOf(d) / ((60 - 20.5) * 12), 6)
    expect(pullOf(made('BS-D12', { duty: 'ocean' }) as Chainplate) / pullOf(d)).toBeCloseTo(2 / 1.5, 9)
    expect(pullOf(made('BS-D12', { drogue: null }) as Chainplate)).toBe(60_000)
  })
  it('that lies off the leg is tight, and is turned to it', () => {
    expect(of(made('BS-D12'), 'drogue')!.verdict).toBe('holds')
    const off = made('BS-D12', { 'wire.inPlaneDeg': 20 })
    expect(of(off, 'drogue')!.verdict).toBe('tight')
    const c = judgedWithRemedies(rig as never, off as never, ALONE).checks.find((x) => x.id === 'drogue')!
    expect(c.remedies[0]!.change).toEqual({ 'wire.inPlaneDeg': 0 })
  })
})
describe('metals of the rig', () => {
  it('says nothing of one metal alone, and stainless bolts in stainless are one', () => {
    expect(of(made('BS-K6'), 'metals')).toBeUndefined()
  })
  it.each([
    ['plate.grade', 'silicon-bronze', false, 'tight', 'Pin and plate'],
    ['plate.grade', 'al-6061', false, 'short', 'Pin and plate'],
  ])('%s of %s', (path, grade, below, verdict, said) => {
    const c = of(made('BS-K6', { [path]: grade, 'place.belowWaterline': below }), 'metals')!
    expect(c.because).toContain(said)
    expect(c.verdict).toBe(verdict)
  })
  it('a small stainless plate on much aluminium is tight: the hull is eaten round it, slowly', () => {
    const hull = { kind: 'metal', metal: 'aluminium-5083', thicknessMm: 5 }
    const c = of(made('BS-O8', { structure: hull }), 'metals')!
    expect(c.verdict).toBe('tight')
    expect(c.because).toContain('hull')
  })
  it('bronze strut and stainless shaft under water are usual, with an anode', () => {
    const d = made('BS-T30', {
      'set.shaft.grade': 'ss-316',
      'set.grade': 'silicon-bronze',
      'place.belowWaterline': true,
    })
    expect(of(d, 'metals')).toMatchObject({ verdict: 'tight' })
    expect(of(d, 'metals')!.because).toContain('anode')
  })
})
describe('a post under a mast', () => {
  const tube = { outsideMm: 80, wallMm: 5, lengthMm: 1900, grade: 'al-6061' as const }
  it('stands under less than Euler and less than its yield, by the sum of both', () => {
    const inertia = (Math.PI / 64) * (80 ** 4 - 70 ** 4)
    const area = (Math.PI / 4) * (80 ** 2 - 70 ** 2)
    const euler = (Math.PI ** 2 * 69_000 * inertia) / 1900 ** 2
    expect(standsUnder(tube)).toBeCloseTo(1 / (1 / euler + 1 / (area * 240)), 6)
    expect(standsUnder(tube)).toBeLessThan(Math.min(euler, area * 240))
  })
  it('short ones go by yield, long ones by Euler', () => {
    const area = (Math.PI / 4) * (80 ** 2 - 70 ** 2)
    expect(standsUnder({ ...tube, lengthMm: 50 }) / (area * 240)).toBeGreaterThan(0.99)
    const far = standsUnder({ ...tube, lengthMm: 20_000 })
    expect(far / standsUnder({ ...tube, lengthMm: 40_000 })).toBeCloseTo(4, 1)
  })
  it('is unproven until its tube is measured and its load is said, and a wider tube is offered', () => {
    expect(of(made('BS-C80', { 'set.column': null }), 'column')).toMatchObject({ verdict: 'unproven' })
    expect(of(made('BS-C80'), 'column')).toMatchObject({ verdict: 'unproven' })
    const low = made('BS-C80', { 'set.loadN': 30_000 })
    expect(of(low, 'column')!.verdict).toBe('holds')
    expect(of(low, 'column-foot')).toMatchObject({ verdict: 'unproven' })
    expect(
      of(made('BS-C80', { 'set.loadN': 30_000, 'set.column.footMPa': 20 }), 'column-foot')!.utilisation,
    ).toBeCloseTo(((30_000 / 22_500) * 3) / 20, 9)
    const high = made('BS-C80', { 'set.loadN': 110_000 })
    const c = judgedWithRemedies(rig as never, high as never, ALONE).checks.find((x) => x.id === 'column')!
    expect(c.verdict).toBe('short')
    expect(c.remedies.some((r) => r.verdict === 'holds')).toBe(true)
  })
  it('a wall of more than half its tube is a slip, and the mast is held first', () => {
    expect(of(made('BS-C80', { 'set.column.wallMm': 41 }), 'column')!.verdict).toBe('short')
    const d = made('BS-C80')
    const steps = rig.steps(d, rig.judge(d, ALONE), 'metric', NO_WORK)
    expect(steps[0]).toMatchObject({ id: 'post-mast', gate: true, hands: 2 })
    expect(rig.drawings(d, rig.judge(d, ALONE), 'metric').map((x) => x.id)).toContain('post')
  })
})
describe('a plate bonded in minutes', () => {
  it.each([
    [25, 10],
    [15, 20],
    [35, 5],
  ])('at %s degrees there are %s minutes', (tempC, minutes) => {
    const d = made('BS-G10', { tempC, 'set.glue.dryRunMin': minutes * 0.8 }) as SetIn
    expect(rig.judge(d, ALONE).set!.glue!.workingMin).toBeCloseTo(minutes, 9)
    expect(of(d, 'glue-time')!.verdict).toBe('holds')
    expect(of(withChange(d, { 'set.glue.dryRunMin': minutes * 1.01 }) as SetIn, 'glue-time')!.verdict).toBe(
      'short',
    )
  })
  it('is unproven without a dry run, and short in the cold', () => {
    expect(of(made('BS-G10'), 'glue-time')).toMatchObject({ verdict: 'unproven' })
    expect(of(made('BS-G10', { tempC: 9 }), 'glue-warm')!.verdict).toBe('short')
    expect(of(made('BS-G10', { tempC: 10 }), 'glue-warm')!.verdict).toBe('holds')
  })
  it('goes dry first, then a bead of the lot, then the clock; spare gun and nozzle stand on the list', () => {
    const d = made('BS-G10', { tempC: 25 })
    const j = rig.judge(d, ALONE)
    const steps = rig.steps(d, j, 'metric', NO_WORK)
    const ids = steps.map((s) => s.id)
    expect(ids.slice(0, 6)).toEqual([
      'glue-ready',
      'dry-run',
      'test-bead',
      'glue-start',
      'glue-press',
      'glue-cure',
    ])
    expect(steps[3]!.clock).toEqual({ minutes: 10, what: 'the plate is pressed home' })
    expect(steps[4]!.needs).toEqual(['glue-start'])
    for (const key of ['gun', 'nozzle'])
      expect(rig.parts(d, j).find((p) => p.key === key)).toMatchObject({ quantity: 1, spare: 1 })
    expect(rig.penetrations(d, j, 'metric')).toEqual([])
  })
  it('its clock counts down from the tick and stops at nought', () => {
    expect(clockLeft({ minutes: 10 }, 1000, 1000)).toEqual({ leftS: 600, over: false })
    expect(clockLeft({ minutes: 10 }, 0, 599_999)).toEqual({ leftS: 1, over: false })
    expect(clockLeft({ minutes: 10 }, 0, 600_000)).toEqual({ leftS: 0, over: true })
    expect(clockLeft({ minutes: 10 }, 0, 9_000_000)).toEqual({ leftS: 0, over: true })
  })
})
describe('one that has moved', () => {
  const CREEP = [
    { date: '2024-04-20', heightMm: 0.4 },
    { date: '2025-04-18', heightMm: 1.2 },
  ]
  const moved = made('BS-K6', { creep: CREEP, existing: true }, 'Port')
  const other = (id: string, d: RigDesign): Other => ({ id, kind: 'rig', name: d.name, design: d })
  it('names its twin and those of its make, until they have been looked at since', () => {
    const twin = made('BS-K6', { 'place.yMm': 1490 }, 'Starboard')
    const same = made('BS-K6', { 'place.xMm': 8600 }, 'Aft')
    const stranger = made('BS-S8', { 'place.xMm': 0, 'place.yMm': 0 }, 'Stem')
    const around = [other('t', twin), other('s', same), other('x', stranger)]
    const looks = rig.looksToo!(moved, around)
    expect(looks.map((l) => l.id)).toEqual(['t', 's'])
    expect(looks[0]!.why).toContain('twin of Port')
    expect(looks[1]!.why).toContain('same make')
    const seen = { ...twin, creep: [{ date: '2025-04-18', heightMm: 0 }] }
    expect(rig.looksToo!(moved, [other('t', seen)])).toEqual([])
    const before = { ...twin, drawnOn: '2025-04-17' }
    expect(rig.looksToo!(moved, [other('t', before)])).toHaveLength(1)
  })
  it('one that stands where it stood names nobody', () => {
    const still = made('BS-K6', { creep: [CREEP[0]] }, 'Port')
    expect(rig.looksToo!(still, [other('t', made('BS-K6', { 'place.yMm': 1500 }))])).toEqual([])
  })
  it('is an alarm on the map until it was proved; what holds it meanwhile is told too', () => {
    expect(rig.listed!(moved).alarm).toContain('Do not sail on it')
    expect(rig.listed!({ ...moved, provedAfter: 'loaded and measured' }).alarm).toBeNull()
    expect(isSetIn(moved)).toBe(false)
    const held = {
      what: 'a strop',
      goodFor: 'motoring',
      until: '2031-05-01',
      then: 'rebuilt',
      notMeanwhile: '',
    }
    expect(rig.listed!({ ...moved, temporary: held }).temporary).toEqual({
      what: 'a strop',
      until: '2031-05-01',
      then: 'rebuilt',
    })
  })
  it('the wire is dragged by its end in both pictures, within what an angle may be', () => {
    for (const [id, path] of [
      ['plan', 'wire.inPlaneDeg'],
      ['cut', 'wire.misalignDeg'],
    ] as const) {
      const drawing = rig.drawings(moved, rig.judge(moved, ALONE), 'metric').find((x) => x.id === id)!.drawing
      const h = drawing.handles!.find((x) => x.path === path)!
      expect(h.degrees).toBe(true)
      expect(h.mostMm).toBeLessThanOrEqual(90)
    }
  })
})
