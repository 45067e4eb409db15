import { describe, expect, it } from 'vitest'
import { withChange } from '../src/base/change'
import { calculate } from '../src/base/calculator/calculator'
import { alignment } from '../src/chapters/making/alignment'
import { judgedWithRemedies } from '../src/kinds/registry'
import { ALONE } from '../src/kinds/kind'
import { NO_WORK } from '../src/kinds/work'
import { rig } from '../src/kinds/rig/kind'
import { isSetIn, type RigDesign, type SetIn } from '../src/kinds/rig/design'

/** A strut, a post or a knee: sighted, turned, poured in lifts, tabbed in. */
const made = (id: string, change: Record<string, unknown> = {}): SetIn => {
  const spot = {
    zone: 'bottom',
    xMm: 9200,
    yMm: 0,
    zMm: -600,
    structure: { kind: 'solid', skin: { laminate: 'woven' }, thicknessMm: 14 },
    measured: ['thicknessMm'],
    edgeMm: null,
    belowWaterline: true,
    duty: 'coastal',
    zones: [],
  }
  const e = rig.catalogue.find((x) => x.id === id)!
  const d = rig.schema.parse(withChange(rig.start(e, spot as never, 'Strut'), change)) as RigDesign
  if (!isSetIn(d)) throw new Error(`${id} is set in nothing`)
  return d
}
const of = (d: RigDesign, id: string) => rig.judge(d, ALONE).checks.find((c) => c.id === id)
const sight = (date: string, dx1: number, dx2: number) => ({
  date,
  by: 'laser',
  readingMm: 0.5,
  readings: [
    { atMm: 1000, dxMm: dx1, dyMm: 0 },
    { atMm: 3000, dxMm: dx2, dyMm: 0 },
  ],
})
const FOUND = sight('2031-04-02', 4, 12)
const TURNED = sight('2031-04-02', 0.4, 0.6)
const AGAIN = sight('2031-04-03', 0.1, 0.15)

describe('its line', () => {
  it('is unproven until somebody has sighted along it, and never a post of its own', () => {
    expect(of(made('BS-T30'), 'align-sighted')).toMatchObject({ verdict: 'unproven' })
    expect(of(made('BS-P60'), 'align-sighted')).toMatchObject({ verdict: 'unproven' })
    expect(of(made('BS-N0'), 'align-sighted')).toBeUndefined()
    expect(of(made('BS-T30', { 'set.jig': null }), 'align-sighted')).toMatchObject({ verdict: 'short' })
  })
  it('comes in by three readings, as the calculator says, with before and after on record', () => {
    const d = made('BS-T30', { 'set.sights': [FOUND, TURNED, AGAIN] })
    const j = rig.judge(d, ALONE)
    const jig = d.set.jig!
    const given = (s: typeof FOUND, before?: number) => ({
      readings: s.readings,
      readingMm: 0.5,
      ...(before === undefined ? {} : { beforeArcSec: before }),
      jig: { screws: jig.screws, pitchMm: jig.pitchMm, leverMm: 0 },
      shaft: { diameterMm: 30, spanMm: 1200 },
      pour: { areaMm2: 240 * 90 - 12_400, depthMm: 25, hardener: 'slow' },
    })
    type Out = { tiltArcSec: { total: number }; sinceBefore: number | null; turnsRounded: number[] }
    const first = calculate(alignment, given(FOUND)) as unknown as Out
    const last = calculate(alignment, given(AGAIN, first.tiltArcSec.total)) as unknown as Out
    // 8 mm in 2 m: 206 265 * 8 / 2000 arc-seconds.
    expect(first.tiltArcSec.total).toBeCloseTo(825.06, 1)
    expect(j.set!.sights[0]!.turnsRounded).toEqual(first.turnsRounded)
    expect(j.set!.now!.sinceBefore).toBeCloseTo(last.sinceBefore!, 9)
    expect(of(d, 'align-sighted')!.because).toContain('Sighted 3 times: 825 arc-seconds')
    expect(of(made('BS-T30', { 'set.sights': [FOUND] }), 'align-tilt')!.verdict).toBe('short')
    expect(of(d, 'align-tilt')!.verdict).toBe('holds')
  })
  it('one sighting is not two, and one reading says nothing of the offset', () => {
    expect(of(made('BS-T30', { 'set.sights': [FOUND] }), 'align-sighted')!.verdict).toBe('tight')
    const one = { ...FOUND, readings: [FOUND.readings[0]!] }
    expect(of(made('BS-T30', { 'set.sights': [one] }), 'align-offset')).toMatchObject({ verdict: 'unproven' })
  })
  it('three screws in line turn nothing', () => {
    const screws = [-50, 0, 50].map((xMm) => ({ xMm, yMm: 0 }))
    const d = made('BS-T30', { 'set.jig.screws': screws, 'set.sights': [FOUND] })
    expect(() => rig.judge(d, ALONE)).toThrow(/line/)
  })
})
describe('what holds it', () => {
  it('is poured in lifts with its pots, and a foot that fills its pocket leaves no room', () => {
    const d = made('BS-T30')
    const pour = rig.judge(d, ALONE).set!.pour!
    expect(pour.volumeMl).toBeCloseTo(((240 * 90 - 12_400) * 25 * 1.15) / 1000, 6)
    expect(of(d, 'pour')!.because).toContain(`${pour.lifts} lift`)
    expect(of(made('BS-T30', { 'set.recess.hardener': 'fast' }), 'pour')!.verdict).toBe('tight')
    const full = made('BS-T30', { 'set.recess.takenMm2': 240 * 90 })
    expect(of(full, 'pour')).toMatchObject({ verdict: 'short' })
    const c = judgedWithRemedies(rig as never, full as never, ALONE).checks.find((x) => x.id === 'pour')!
    expect(c.remedies.map((r) => r.verdict)).toContain('holds')
  })
  it('a knee in a pocket has its epoxy on the list, with no jig and no sight', () => {
    const recess = { lengthMm: 400, widthMm: 40, depthMm: 20, takenMm2: 6000, hardener: 'slow' }
    const d = made('BS-N0', { 'set.recess': recess })
    const j = rig.judge(d, ALONE)
    expect(of(d, 'pour')!.because).toContain('230 ml')
    expect(rig.parts(d, j).find((p) => p.key === 'epoxy')!.dimensions.volumeMl).toBeCloseTo(230, 6)
    expect(rig.penetrations(d, j, 'metric').map((h) => h.part)).toEqual(['pocket'])
  })
  it('tabs carry nothing that nobody has said, and more the wider they are', () => {
    expect(of(made('BS-N0'), 'bond-shear')).toMatchObject({ verdict: 'unproven' })
    const loaded = { 'set.loadN': 20_000, 'set.tabs.bond': 'secondary-epoxy' }
    const used = [60, 175].map(
      (w) => of(made('BS-N0', { ...loaded, 'set.tabs.widthMm': w }), 'bond-shear')!.utilisation!,
    )
    expect(used[0]).toBeGreaterThan(used[1]!)
    const dry = of(made('BS-N0', { ...loaded, 'set.tabs.bond': 'unabraded' }), 'bond-shear')!
    expect(dry.utilisation! / used[1]!).toBeCloseTo(12, 6)
  })
  it('has a fillet of ten, or three times its tabs, and plies that step out', () => {
    // 6 plies of 0.9: three times 5.4 is 16.2.
    expect(of(made('BS-N0', { 'set.tabs.filletMm': 16 }), 'tab-fillet')!.verdict).toBe('short')
    expect(of(made('BS-N0', { 'set.tabs.filletMm': 17 }), 'tab-fillet')!.verdict).toBe('holds')
    const thin = { 'set.tabs.plies': 2, 'set.tabs.filletMm': 9 }
    expect(of(made('BS-N0', thin), 'tab-fillet')!.because).toContain('10 mm is the least')
    expect(rig.judge(made('BS-N0'), ALONE).set!.pliesMm).toEqual([50, 75, 100, 125, 150, 175])
    expect(of(made('BS-N0', { 'set.tabs.widthMm': 120 }), 'tab-stagger')!.verdict).toBe('tight')
  })
  it('neither pocket nor tabs hold nothing', () => {
    expect(of(made('BS-P60', { 'set.recess': null, 'set.tabs': null }), 'tabs')!.verdict).toBe('short')
  })
})
describe('its work', () => {
  const steps = (d: SetIn) => rig.steps(d, rig.judge(d, ALONE), 'metric', NO_WORK)
  it('is sighted twice before anything is poured, and the screws\u2019 turns stand in the step', () => {
    const d = made('BS-T30', { 'set.sights': [FOUND] })
    const ids = steps(d).map((s) => s.id)
    // A thread is named by its pitch as it is cut: 1.25, and not 1.3.
    expect(steps(d)[0]!.text).toContain('screws of 1.25 mm pitch')
    expect(ids.indexOf('sight')).toBeLessThan(ids.indexOf('jig-turn'))
    expect(ids.indexOf('sight-again')).toBeLessThan(ids.indexOf('pour'))
    expect(ids.indexOf('pour')).toBeLessThan(ids.indexOf('jig-off'))
    expect(steps(d).find((s) => s.id === 'jig-turn')!.text).toMatch(
      /screw 1 stays, screw 2 .*turns? towards the target/,
    )
  })
  it('a knee is ground, filleted and laid up, and is on record without a hole', () => {
    const d = made('BS-N0')
    expect(steps(d).map((s) => s.id)).toEqual([
      'tab-ready',
      'tab-fillet',
      'tab-plies',
      'tab-cure',
      'prove',
      'record',
    ])
    expect(rig.penetrations(d, rig.judge(d, ALONE), 'metric')).toEqual([])
    expect(rig.parts(d, rig.judge(d, ALONE)).filter((p) => p.unit === 'ply')).toHaveLength(6)
  })
  it('a strut is no chainplate and a chainplate no strut: the file says which is missing', () => {
    const strut = made('BS-T30')
    expect(rig.schema.safeParse({ ...strut, set: null }).error!.issues[0]!.path).toEqual(['wire'])
    expect(rig.schema.safeParse({ ...strut, family: 'stem' }).error!.issues[0]!.path).toEqual(['set'])
  })
})
