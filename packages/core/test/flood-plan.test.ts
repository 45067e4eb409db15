import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import {
  compartmentAt,
  floodAll,
  floodPlanWarnings,
  parseFloodPlan,
  withCompartment,
  withoutCompartment,
  type FloodPlan,
} from '../src/kinds/through-hull'

const plan = (over: Partial<FloodPlan> = {}): FloodPlan =>
  parseFloodPlan({
    compartments: [
      { id: 'a', title: 'Fore', fromXMm: 0, toXMm: 3000, areaM2: 3, floorZMm: -350 },
      { id: 'b', title: 'Main', fromXMm: 3000, toXMm: 9000, areaM2: 9, floorZMm: -480 },
    ],
    doors: [{ a: 'a', b: 'b', title: 'Limber', open: true, sillZMm: -340, areaCm2: 20 }],
    pumps: [{ compartment: 'b', title: 'Bilge', ratedLpm: 100, derate: 0.5, startZMm: -400 }],
    marks: [
      { compartment: 'b', name: 'Sole', zMm: -250 },
      { compartment: 'a', name: 'Locker', zMm: -300 },
    ],
    ...over,
  })

/** Thousands are parted by a thin space. */
const plainly = (lines: string[]) => lines.map((l) => l.replaceAll('\u202f', ''))

describe('the plan of what floods', () => {
  it.each([
    [{ doors: [{ a: 'a', b: 'a', open: true, sillZMm: -300, areaCm2: 10 }] }, 'doors.0.b'],
    [{ doors: [{ a: 'x', b: 'a', open: true, sillZMm: -300, areaCm2: 10 }] }, 'doors.0.a'],
    [{ pumps: [{ compartment: 'x', ratedLpm: 50, startZMm: -400 }] }, 'pumps.0.compartment'],
    [{ pumps: [{ compartment: 'b', ratedLpm: 50, derate: 1.2, startZMm: -400 }] }, 'pumps.0.derate'],
    [{ marks: [{ compartment: 'x', name: 'm', zMm: -1 }] }, 'marks.0.compartment'],
    [{ marks: [{ compartment: 'b', name: ' ', zMm: -1 }] }, 'marks.0.name'],
    [
      {
        compartments: [{ id: 'a', title: 'A', fromXMm: 3000, toXMm: 3000, areaM2: 3, floorZMm: -350 }],
        doors: [],
        pumps: [],
        marks: [],
      },
      'compartments.0.toXMm',
    ],
    [
      {
        compartments: [{ id: 'a', title: 'A', fromXMm: 0, toXMm: 3000, areaM2: 3, floorZMm: 10 }],
        doors: [],
        pumps: [],
        marks: [],
      },
      'compartments.0.floorZMm',
    ],
  ])('%j is refused at %s', (over, path) =>
    expect(() => plan(over as never)).toThrow(expect.objectContaining({ path })),
  )

  it.each([
    [-500, 'Fore', false],
    [0, 'Fore', true],
    [2999, 'Fore', true],
    [3001, 'Main', true],
    [9400, 'Main', false],
  ])('at x %i it is %s, sure: %s', (x, title, sure) =>
    expect(compartmentAt(plan(), x)).toMatchObject({ title, sure }),
  )

  it('a compartment that goes takes what stood in it along, and the last stays', () => {
    const left = withoutCompartment(plan(), 'a')
    expect(left).toMatchObject({ doors: [], marks: [{ name: 'Sole' }], pumps: [{ title: 'Bilge' }] })
    expect(left.compartments.map((c) => c.id)).toEqual(['b'])
    expect(withoutCompartment(left, 'b')).toEqual(left)
  })
  it('property: compartments added and removed in any order leave a plan that is accepted, and every place lies in one at most', () => {
    fc.assert(
      fc.property(fc.array(fc.oneof(fc.constant('+' as const), fc.nat(11)), { maxLength: 9 }), (moves) => {
        let p = plan()
        for (const m of moves)
          p =
            m === '+'
              ? p.compartments.length < 12
                ? withCompartment(p, 'Another')
                : p
              : withoutCompartment(p, p.compartments[m % p.compartments.length]!.id)
        expect(() => parseFloodPlan(p)).not.toThrow()
        expect(new Set(p.compartments.map((c) => c.id)).size).toBe(p.compartments.length)
        for (const x of [10, 1400, 4200, 5100, 7777, 8900])
          expect(p.compartments.filter((c) => x > c.fromXMm && x < c.toXMm).length).toBeLessThan(2)
      }),
      { numRuns: 60 },
    )
  })
  it('cutting a compartment in two keeps its floor area', () => {
    const area = (p: FloodPlan) => p.compartments.reduce((s, c) => s + c.areaM2, 0)
    expect(area(withCompartment(plan(), 'Aft'))).toBeCloseTo(area(plan()), 9)
  })
  it.each([
    [{}, 9000, ['Fore has no pump.']],
    [{}, 11800, ['From 9000 mm to the stern at 11800 mm there is no compartment.', 'Fore has no pump.']],
    [
      { pumps: [{ compartment: 'b', title: 'Bilge', ratedLpm: 100, derate: 0.5, startZMm: -500 }] },
      9000,
      ['Fore has no pump.', 'Bilge starts below the floor of its compartment: it never stops.'],
    ],
    [
      {
        marks: [
          { compartment: 'b', name: 'Rail', zMm: 100 },
          { compartment: 'b', name: 'Keel bolt', zMm: -480 },
        ],
      },
      9000,
      [
        'Fore has no pump.',
        'Rail lies above the waterline: without her sinking the water never reaches it.',
        'Keel bolt lies on the floor of its compartment or under it.',
      ],
    ],
    [
      { doors: [{ a: 'a', b: 'b', title: 'Hatch', open: false, sillZMm: -400, areaCm2: 20 }] },
      9000,
      ['Fore has no pump.', 'Hatch: its sill lies below one of the two floors.'],
    ],
  ])('%j over %i mm: %j', (over, length, said) =>
    expect(plainly(floodPlanWarnings(plan(over as never), length, 'metric'))).toEqual(said),
  )
  it('gaps and overlaps are said, in inches too', () => {
    const c = (id: string, from: number, to: number) => ({
      id,
      title: id.toUpperCase(),
      fromXMm: from,
      toXMm: to,
      areaM2: 3,
      floorZMm: -350,
    })
    const p = plan({
      compartments: [c('a', 0, 3000), c('b', 2500, 6000), c('d', 7000, 9000)],
      doors: [],
      marks: [],
    })
    const said = plainly(floodPlanWarnings(p, 9000, 'metric'))
    expect(said[0]).toBe('B begins at 2500 mm, where another has not ended yet.')
    expect(said[1]).toBe('Between 6000 mm and 7000 mm aft of the stem there is no compartment.')
    expect(floodPlanWarnings(p, 9000, 'inch')[0]).toContain('in')
  })
  it('property: a pump that carries more never lets a mark be reached sooner', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.double({ min: 12, max: 50, noNaN: true }),
        (derate, mm) => {
          const at = (share: number) =>
            floodAll({
              ...plan({
                pumps: [{ compartment: 'b', title: '', ratedLpm: 120, derate: share, startZMm: -470 }],
              }),
              holes: [{ compartment: 'b', diameterMm: mm, zMm: -420 }],
              hours: 4,
            }).marks.map((m) => m.atMin ?? Infinity)
          const [weak, strong] = [at(derate), at(Math.min(1, derate + 0.05))]
          strong.forEach((t, i) => expect(t).toBeGreaterThanOrEqual(weak[i]! - 0.05))
        },
      ),
      { numRuns: 12 },
    )
  })
})
