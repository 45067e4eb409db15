import { describe, expect, it } from 'vitest'
import {
  CATALOGUE,
  boundsOf,
  fieldAround,
  gatesFor,
  judge,
  patchFor,
  planOfPlate,
  roomAround,
  spreadSaid,
  startDesign,
  withChange,
  withSolver,
  worstVerdict,
  type BoatPart,
  type Design,
  type LifeFacts,
  type Structure,
} from '../src'
import { solveSpread, questionFor } from '../src/kinds/deck-hardware/solver'
import { deckPatchInput, deckPatchOf } from '../src/chapters/plate/deck-patch'

const DECK: Structure = {
  kind: 'sandwich',
  skin: { laminate: 'mat' },
  outerMm: 4,
  innerMm: 3,
  core: { material: 'balsa-150', thicknessMm: 12 },
}
const SOLID: Structure = { kind: 'solid', skin: { laminate: 'woven' }, thicknessMm: 12 }
const PLATING: Structure = { kind: 'metal', metal: 'aluminium-5083', thicknessMm: 6 }
const beams: BoatPart[] = [620, 1240].map((x) => ({
  kind: 'beam',
  title: 'Beam',
  x0Mm: x,
  y0Mm: -1,
  x1Mm: x,
  y1Mm: 1,
}))
const on = (id: string, structure: Structure, change: Record<string, unknown> = {}): Design =>
  withChange(
    startDesign(
      CATALOGUE.find((c) => c.id === id)!,
      {
        zone: 'deck',
        xMm: 930,
        yMm: -300,
        zMm: 1500,
        edgeMm: 150,
        belowWaterline: false,
        structure,
        measured: [],
        duty: 'coastal',
      },
      id,
    ),
    change,
  )
const small = { nx: 12, ny: 12 }

describe('what the solver is asked, for every fitting of the catalogue', () => {
  it.each(CATALOGUE.map((c) => c.id))(
    '%s: what the bolts pull less what the base presses is the load itself, and the edges carry it',
    (id) => {
      const d = on(id, DECK)
      const j = judge(d)
      const field = fieldAround(d, null, beams)
      const input = { ...patchFor(d, j, field), mesh: small }
      const sum = input.loads!.reduce((s, l) => s + l.forceN, 0)
      const pulled = Math.max(1, ...input.loads!.map((l) => Math.abs(l.forceN)))
      expect(
        Math.abs(
          sum -
            (j.worst.contact ? j.worst.direction.outN : j.worst.bolts.reduce((s, b) => s + b.tensionN, 0)),
        ),
      ).toBeLessThan(0.02 * pulled + 5)
      const patch = deckPatchOf(deckPatchInput.parse(input))
      expect(Math.abs(patch.totalReactionN + sum)).toBeLessThan(1e-6 * pulled + 1e-3)
      // Base and plate lie within the field, which ends at stiffeners that do not run under them.
      const b = d.plate ? boundsOf(planOfPlate(d.plate)) : null
      if (b)
        expect([
          b.minX >= field.minX,
          b.maxX <= field.maxX,
          b.minY >= field.minY,
          b.maxY <= field.maxY,
        ]).toEqual([true, true, true, true])
    },
  )
})

describe('its answer', () => {
  const d = on('HG-C250', DECK)
  const j = judge(d)
  const field = fieldAround(d, null, beams)
  const input = patchFor(d, j, field, true, 14)
  const said = (i: typeof input) => spreadSaid(d, j, deckPatchOf(deckPatchInput.parse(i)), field, i)
  it('grows in proportion to the load', () => {
    const twice = said({ ...input, loads: input.loads!.map((l) => ({ ...l, forceN: 2 * l.forceN })) })
    said(input).checks.forEach((c, i) => expect(twice.checks[i]!.demand! / c.demand!).toBeCloseTo(2, 6))
  })
  it('is the same for the mirrored load on the mirrored field', () => {
    const b = input.panel.bMm
    const flip = <T extends { yMm: number }>(r: T): T => ({ ...r, yMm: b - r.yMm })
    const mirrored = {
      ...input,
      loads: input.loads!.map(flip),
      ...(input.backingPlate ? { backingPlate: flip(input.backingPlate) } : {}),
      ...(input.basePlate ? { basePlate: flip(input.basePlate) } : {}),
    }
    const [a, m] = [deckPatchOf(deckPatchInput.parse(input)), deckPatchOf(deckPatchInput.parse(mirrored))]
    expect(m.maxDeflectionMm / a.maxDeflectionMm).toBeCloseTo(1, 4)
    expect(Math.abs(m.coreShear.stressMPa / a.coreShear.stressMPa)).toBeCloseTo(1, 2)
  })
  it('a thicker plate, a bonded plate and a stiffer core each bend less', () => {
    const w = (i: typeof input) =>
      Math.abs(deckPatchOf(deckPatchInput.parse({ ...i, fields: false })).maxDeflectionMm)
    const base = w(input)
    expect(
      w({ ...input, backingPlate: { ...input.backingPlate!, tMm: 2 * input.backingPlate!.tMm } }),
    ).toBeLessThan(base)
    expect(w({ ...input, backingPlate: { ...input.backingPlate!, bonded: false } })).toBeGreaterThan(base)
    expect(
      w({
        ...input,
        layup: {
          ...input.layup,
          coreGMPa: 3 * (input.layup as { coreGMPa: number }).coreGMPa,
        } as typeof input.layup,
      }),
    ).toBeLessThan(base)
  })
  it('a member anywhere under it only stiffens, and two crossed more than one', () => {
    const w = (supports: { axis: 'x' | 'y'; atMm: number }[]) =>
      Math.abs(deckPatchOf(deckPatchInput.parse({ ...input, supports, fields: false })).maxDeflectionMm)
    const [a, b] = [input.panel.aMm, input.panel.bMm]
    const free = w([])
    for (const at of [0.2, 0.35, 0.8])
      expect(w([{ axis: 'x', atMm: at * a }])).toBeLessThanOrEqual(free * (1 + 1e-9))
    expect(
      w([
        { axis: 'x', atMm: a / 2 },
        { axis: 'y', atMm: b / 2 },
      ]),
    ).toBeLessThan(w([{ axis: 'x', atMm: a / 2 }]))
  })
  it.each([
    ['a sandwich', DECK, 3],
    ['solid laminate', SOLID, 1],
    ['plating', PLATING, 1],
  ] as const)(
    'on %s it has its own checks, each with strength, factor and place',
    (_what, structure, count) => {
      const f = on('HG-P60', structure)
      const jf = judge(f)
      const { said: s } = solveSpread(f, jf, questionFor(f, jf, null, beams))
      expect(s.checks).toHaveLength(count)
      for (const c of s.checks) {
        expect(c.capacity).toBeGreaterThan(0)
        expect(c.because).toMatch(/aft, -?[\d.]+ to starboard of the middle/)
        expect(c.utilisation!).toBeCloseTo((c.demand! * c.factor) / c.capacity!, 9)
      }
      expect(withSolver(jf, s).verdict).toBe(worstVerdict([jf.verdict, ...s.checks.map((c) => c.verdict)]))
      expect(Object.values(withSolver(jf, s).counts).reduce((a, b) => a + b, 0)).toBe(
        jf.checks.length + count,
      )
    },
  )
  it('where no stiffener is drawn its edges are said to be a guess', () => {
    const jd = judge(d)
    const { said: s } = solveSpread(d, jd, questionFor(d, jd, null, []))
    expect(s.checks.every((c) => c.assumed.length > 0)).toBe(true)
    expect(
      solveSpread(
        d,
        jd,
        questionFor(
          d,
          jd,
          {
            code: 'z',
            title: 'Z',
            face: 'deck',
            kind: 'sandwich',
            zMm: 0,
            stacking: 0,
            reach: '',
            state: '',
            outline: [
              { xMm: 0, yMm: -2000 },
              { xMm: 4000, yMm: -2000 },
              { xMm: 4000, yMm: 2000 },
              { xMm: 0, yMm: 2000 },
            ],
            layers: [],
          },
          beams,
        ),
      ).said.checks.every((c) => c.assumed.length === 0),
    ).toBe(true)
  })
  it('room for a plate ends at the members beside the bolts', () => {
    const room = roomAround(d, beams)!
    expect(room.maxX).toBeLessThanOrEqual(1240 - 930)
    expect(room.minX).toBeGreaterThanOrEqual(620 - 930)
  })
})

describe('a hole that is set in epoxy', () => {
  const hole = { coreSchool: 'none', sealant: 'epoxy-filled', diameterMm: 44 }
  const at = (h: number) => Date.parse('2026-05-04T08:00:00Z') + h * 3_600_000
  const lot = (kind: 'epoxy' | 'sealant', expiresOn = '2027-01-01') => ({
    code: 'L1',
    title: 'Lot',
    chemistry: kind === 'epoxy' ? 'epoxy' : 'polysulfide',
    kind,
    expiresOn,
    storedHot: false,
    testedOn: null,
  })
  const life = (tempC: number | null): LifeFacts[] => [
    { state: 'marked', at: at(0) },
    { state: 'drilled', at: at(1), sizeMm: 44 },
    { state: 'dry-fitted', at: at(2) },
    { state: 'bedded', at: at(3), tempC, humidityPct: 60, lot: lot('epoxy') },
  ]
  const ids = (events: LifeFacts[], event: LifeFacts) => gatesFor(hole, events, event).map((g) => g.id)
  it('is traced by a lot of epoxy, not of sealant', () => {
    const before = life(18).slice(0, 3)
    const bed = (l: ReturnType<typeof lot> | null) =>
      ids(before, { state: 'bedded', at: at(3), tempC: 18, humidityPct: 60, lot: l })
    expect(bed(lot('epoxy'))).toEqual([])
    expect(bed(lot('sealant'))).toEqual(['wrong-lot'])
    expect(bed(null)).toEqual(['no-lot'])
    expect(bed(lot('epoxy', '2026-01-01'))).toEqual(['lot-expired'])
  })
  it.each([
    [18, 6, ['cure-bedding']],
    [18, 60, []],
    [3, 400, ['cure-bedding']],
    [null, 400, ['cure-unknown']],
  ] as const)('at %s \u00b0C it is cured after %s h: gates %j', (tempC, hours, gates) => {
    expect(ids(life(tempC), { state: 'cured', at: at(3 + hours) })).toEqual(gates)
  })
  it('says epoxy, not plugs', () => {
    expect(gatesFor(hole, life(18), { state: 'cured', at: at(5) })[0]!.text).toContain(
      'The epoxy it is set in needs',
    )
  })
})
