import { describe, expect, it } from 'vitest'
import { ALONE, type BoatZone, type TickReadings } from '../src'
import { throughHull } from '../src/kinds/through-hull/kind'
import { fit } from './through-hull-hands'

/** What the kind does beside judging: measuring, copying, replacing, deciding. */
const NOTHING: TickReadings = {
  at: Date.parse('2026-05-04T08:00:00Z'),
  sizeMm: null,
  tempC: null,
  airC: null,
  humidityPct: null,
  hullMm: null,
  shownDeg: null,
  stopsDeg: null,
  torqueNm: null,
  runDownNm: null,
  heelDeg: null,
}
const measured = (asks: string[], r: Partial<TickReadings>, d = fit('MV-S1')) =>
  throughHull.measured!(d, { id: 'x', asks: asks as never }, { ...NOTHING, ...r }, 'metric')

describe('what a tick measured goes into the design', () => {
  it('the deadrise is what the level shows with the cradle taken out, and measured only then', () => {
    const r = measured(['angle'], { shownDeg: 16, heelDeg: -1.5 })
    expect(r.change).toMatchObject({ 'hull.angleMeasured': true })
    expect(r.said[0]).toMatch(
      /^level shows 16\u00b0 outboard up, cradle -1\.50\u00b0 taken out: [\d.]+\u00b0$/,
    )
    const unread = measured(['angle'], { shownDeg: 16 })
    expect(unread.change).toEqual({ 'hull.deadriseDeg': 16, 'hull.angleMeasured': false })
    expect(unread.said).toEqual(['level shows 16\u00b0 outboard up, cradle not read: 16\u00b0'])
  })
  it('a level that has the hull fall outboard is refused beside its field', () => {
    expect(() => measured(['angle'], { shownDeg: -20 })).toThrow(
      expect.objectContaining({ code: 'invalid-input', path: 'shownDeg' }),
    )
  })
  it('where the handle stops, what was bored, and the day', () => {
    const r = measured(['stops', 'size', 'air'], {
      stopsDeg: 95,
      sizeMm: 45.5,
      tempC: 14,
      airC: null,
      humidityPct: 70,
    })
    expect(r.change).toEqual({
      'clock.measuredDeg': 95,
      boredMm: 45.5,
      'bedding.surfaceC': 14,
      'bedding.tempC': 14,
      'bedding.airC': null,
      'bedding.humidityPct': 70,
      'bedding.takenAt': '2026-05-04T08:00:00.000Z',
    })
  })
  it('nothing that was not asked, nothing that was not read, no bore that is as drawn', () => {
    const d = fit('MV-S1')
    expect(measured([], { hullMm: 9, stopsDeg: 4, tempC: 3 }).change).toEqual({})
    expect(measured(['hull', 'angle', 'stops', 'size', 'air'], {}).change).toEqual({})
    expect(measured(['size'], { sizeMm: d.skin.holeMm }).change).toEqual({})
  })
})

describe('copied, mirrored, put in the place of another', () => {
  const bottom: BoatZone = {
    code: 'bottom',
    title: 'Bottom',
    face: 'bottom',
    kind: 'solid',
    zMm: -400,
    outline: [],
    stacking: 0,
    reach: '',
    state: '',
    layers: [{ material: 'mat', thicknessMm: 18, measured: true, measuredBy: 'ultrasound' }],
    deadrise: [
      { xMm: 4000, deg: 20 },
      { xMm: 6000, deg: 10 },
    ],
  }
  const one = fit('MV-S1', {
    'clock.wantedDeg': 40,
    'clock.measuredDeg': 55,
    'clock.obstacles': [{ what: 'stringer', x1Mm: 10, y1Mm: 80, x2Mm: 90, y2Mm: 80 }],
    findings: ['one-clip'],
    asks: { reach: 'ok' },
    replaces: 'an old one',
  })
  it('mirrored it stands on the other side, its handle the other way round', () => {
    const d = throughHull.copy!(one, { mirror: true, xMm: 0, yMm: 0, name: 'other side' }, [bottom])
    expect(d).toMatchObject({
      name: 'other side',
      place: { xMm: 5000, yMm: -400, zone: 'bottom' },
      hull: { thicknessMm: 18, measured: true, deadriseDeg: 15, angleMeasured: false },
      clock: { wantedDeg: -40, measuredDeg: null, obstacles: [{ y1Mm: -80, y2Mm: -80 }] },
      findings: [],
      asks: {},
      replaces: null,
    })
    expect(d.valve!.sweepDeg).toBe(-one.valve!.sweepDeg)
  })
  it('elsewhere it has no obstacles yet, and on no known hull nothing is measured', () => {
    const d = throughHull.copy!(one, { mirror: false, xMm: 7000, yMm: 300, name: 'aft' }, [])
    expect(d.place).toMatchObject({ xMm: 7000, yMm: 300, zone: null })
    expect(d.clock.obstacles).toEqual([])
    expect(d.hull).toMatchObject({ thicknessMm: 14, measured: false, angleMeasured: false })
  })
  it('in the place of another it keeps hull, use, bore, answers and what stands in its way', () => {
    const old = { ...one, boredMm: 46, use: 'galley' as const, flowLpm: 20 }
    const d = throughHull.inPlaceOf!(fit('MV-K1'), old)
    expect(d).toMatchObject({
      replaces: old.name,
      boredMm: 46,
      use: 'galley',
      flowLpm: 20,
      asks: { reach: 'ok' },
      place: old.place,
      hull: old.hull,
    })
    expect(d.clock.obstacles).toEqual(old.clock.obstacles)
    const own = throughHull.inPlaceOf!({ ...fit('MV-K1'), catalogueId: 'no such' }, old)
    expect(own).toMatchObject({ replaces: old.name, skin: { material: 'composite' } })
  })
  it('placed where a hole was found, it is one that exists, with that hole and the angle measured', () => {
    const d = throughHull.placed!(one, { use: 'deck-wash', holeMm: 43, deadriseDeg: 12 } as never)
    expect(d).toMatchObject({
      existing: true,
      boredMm: 43,
      use: 'deck-wash',
      hull: { deadriseDeg: 12, angleMeasured: true, angleUnknown: false },
    })
    expect(throughHull.placed!(one, {} as never)).toEqual(one)
  })
})

describe('a taper plug', () => {
  it('is advised by its pits and its band, and against the advice it wants a reason', () => {
    const of = (pitMm: number, contactPct: number) =>
      throughHull.decisions!(fit('MV-P114', { taperPlug: { pitMm, wallMm: 4, contactPct } }), 'metric')[0]!
    expect(of(0.5, 90)).toMatchObject({ advised: 'recondition', against: [] })
    expect(of(1.2, 90)).toMatchObject({ advised: 'replace', against: ['recondition'] })
    expect(of(0.5, 40).said).toBe(
      'deepest pit 0.5 mm in a wall of 4 mm, band in contact 40 % of the way round',
    )
    expect(throughHull.decisions!(fit('MV-S1'), 'metric')).toEqual([])
  })
  it.each([
    ['MV-S1', ['exercise', 'hose', 'bedding']],
    ['MV-A10', ['anode', 'bedding']],
  ])('%s is looked at again: %j', (id, ids) => {
    const d = fit(id)
    expect(throughHull.inspections(d, throughHull.judge(d, ALONE)).map((i) => i.id)).toEqual(ids)
  })
})
