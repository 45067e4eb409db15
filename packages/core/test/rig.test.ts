import { describe, expect, it } from 'vitest'
import { withChange } from '../src/base/change'
import { calculate } from '../src/base/calculator/calculator'
import { chainplate } from '../src/chapters/rig/chainplate'
import { judgedWithRemedies } from '../src/kinds/registry'
import { ALONE, type Around, type Kind, type KindSpot } from '../src/kinds/kind'
import { rig } from '../src/kinds/rig/kind'
import type { Chainplate, RigDesign } from '../src/kinds/rig/design'

const SPOT: KindSpot = {
  zone: 'side-deck',
  xMm: 5200,
  yMm: 1500,
  zMm: 1200,
  structure: {
    kind: 'sandwich',
    skin: { laminate: 'mat' },
    outerMm: 3.5,
    innerMm: 2.5,
    core: { material: 'balsa-150', thicknessMm: 15 },
  },
  measured: [],
  edgeMm: null,
  belowWaterline: false,
  duty: 'coastal',
  zones: [],
}
const start = (id = 'BS-K6', more: Record<string, unknown> = {}): RigDesign =>
  rig.schema.parse(
    withChange(
      rig.start(
        rig.catalogue.find((e) => e.id === id)!,
        SPOT,
        'Shroud',
      ),
      more,
    ),
  )
const judge = (d: RigDesign, today = '2031-06-01') => rig.judge(d, { ...ALONE, today })
const of = (d: RigDesign, id: string, today?: string) => judge(d, today).checks.find((c) => c.id === id)

describe('the plate is judged as the calculator says', () => {
  it.each(['BS-K6', 'BS-K8', 'BS-O8', 'BS-S8', 'BS-B6'])('%s', (id) => {
    const d = start(id) as RigDesign & Chainplate
    const out = calculate(chainplate, {
      breakingN: d.wire.breakingN,
      plate: d.plate,
      pin: d.pin,
      leverMm: d.wire.leverMm,
      ...(d.bolts ? { bolts: d.bolts } : {}),
      duty: d.duty,
    }) as { checks: { id: string; utilisation: number | null }[] }
    const own: Record<string, string> = { bearing: 'pin-bearing', 'shear-out': 'eye-shear-out' }
    for (const c of out.checks)
      expect(of(d, own[c.id] ?? c.id), c.id).toMatchObject({ utilisation: c.utilisation })
  })
  it('what the bolts bear on is unproven until it is measured', () => {
    expect(of(start(), 'hull-bearing')!.verdict).toBe('unproven')
    const d = start('BS-K6', { hull: { thicknessMm: 18, edgeMm: 60, bearingMPa: null, shearMPa: null } })
    expect(of(d, 'hull-bearing')!.verdict).not.toBe('unproven')
  })
  it('a plate out of the wire\u2019s line bends, and turning it mends that', () => {
    const d = start('BS-K6', { 'wire.misalignDeg': 6 })
    expect(of(d, 'lead')!.verdict).toBe('short')
    const j = judgedWithRemedies(rig as unknown as Kind, d, { ...ALONE, today: '2031-06-01' } as Around)
    expect(j.checks.find((c) => c.id === 'lead')!.remedies.map((r) => r.id)).toContain('along')
  })
})

const creep = (...mm: number[]) => mm.map((heightMm, i) => ({ date: `203${i}-04-10`, heightMm }))
describe('it moved', () => {
  it.each([
    ['never measured, an old one', [], 'unproven', false],
    ['one look at its mark', [0], 'holds', false],
    ['0.2 over two years', [0, 0.1, 0.1], 'holds', false],
    ['0.3, 0.6, 1.2', [0.3, 0.6, 1.2], 'short', true],
    ['rising at three looks, still under a millimetre', [0.2, 0.4, 0.6], 'short', true],
  ] as const)('%s', (_, mm, verdict, moved) => {
    const d = start('BS-K6', { existing: true, creep: creep(...mm) })
    expect(of(d, 'moved')!.verdict).toBe(verdict)
    expect(judge(d).moved.length > 0).toBe(moved)
  })
  it('says not to sail on it, and is let back with a proof alone', () => {
    const d = start('BS-K6', { existing: true, creep: creep(0.3, 0.6, 1.2) })
    expect(of(d, 'moved')!.because).toContain('Do not sail on it')
    const proved = start('BS-K6', {
      existing: true,
      creep: creep(0.3, 0.6, 1.2),
      provedAfter: 'knee rebuilt, proof load of 12 kN for ten minutes',
    })
    expect(of(proved, 'moved')!.verdict).toBe('tight')
  })
  it('a bond that has moved carries nothing, and a strap is shown beside it', () => {
    const still = start('BS-B6', {
      'bond.bond': 'secondary-epoxy',
      'bond.lengthMm': 400,
      'bond.widthMm': 300,
    })
    const moved = start('BS-B6', {
      'bond.bond': 'secondary-epoxy',
      'bond.lengthMm': 400,
      'bond.widthMm': 300,
      creep: creep(0.3, 0.6, 1.2),
    })
    expect(of(still, 'bond-shear')!.utilisation).toBeGreaterThan(0)
    expect(of(moved, 'bond-shear')).toMatchObject({ verdict: 'short', utilisation: null })
    expect(judge(moved).ways.map((w) => w.id)).toEqual(['as-drawn', 'bond', 'strap'])
  })
  it('a copy begins without what was seen on the old one', () => {
    const d = start('BS-K6', { existing: true, creep: creep(0.3, 0.6, 1.2), drawnOn: '2030-01-01' })
    expect(rig.copy!(d, { mirror: true, xMm: 0, yMm: 0, name: 'Twin' }, [])).toMatchObject({
      creep: [],
      drawnOn: null,
      place: { yMm: -1500 },
    })
  })
})

describe('slot, cover, drawn, temporary', () => {
  it.each([
    ['tight slot', { 'slot.widthMm': 9 }, 'slot', 'short'],
    ['1.5 each side', {}, 'slot', 'holds'],
    ['open core', {}, 'slot-solid', 'short'],
    ['no cover', { 'slot.cover': false }, 'slot-cover', 'short'],
    ['no sealant yet', {}, 'sealant-cover', 'unproven'],
    ['drawn lately', { drawnOn: '2030-05-01' }, 'drawn', 'holds'],
    ['drawn long ago', { drawnOn: '2010-05-01' }, 'drawn', 'short'],
    ['an old one, nobody knows', { existing: true }, 'drawn', 'unproven'],
  ])('%s', (_, change, id, verdict) => {
    expect(of(start('BS-K6', change), id)!.verdict).toBe(verdict)
  })
  const temporary = {
    what: 'strop round the knee',
    goodFor: 'motoring in the harbour',
    until: '2031-07-01',
    then: 'the knee is rebuilt',
    notMeanwhile: 'no sail on this tack',
  }
  it.each([
    ['2031-06-30', 'tight'],
    ['2031-07-02', 'short'],
  ])('a temporary repair on %s: %s', (today, verdict) => {
    const c = of(start('BS-K6', { temporary }), 'temporary', today)!
    expect(c.verdict).toBe(verdict)
    expect(c.because).toContain('1 Jul 2031')
    expect(c.because).toContain('no sail on this tack')
  })
  it('an outside plate has its bolts on record, one in the deck its slot', () => {
    const holes = (id: string) => rig.penetrations(start(id), judge(start(id)), 'metric').map((h) => h.part)
    expect(holes('BS-O8')).toEqual(['bolt 1', 'bolt 2', 'bolt 3', 'bolt 4', 'bolt 5'])
    expect(holes('BS-K6')).toEqual(['slot'])
  })
})
