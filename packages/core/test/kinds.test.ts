import { afterAll, describe, expect, it } from 'vitest'
import {
  ALONE,
  CalcError,
  FOOTPRINT_SLACK_MM,
  LIFE_STATES,
  NO_WORK,
  withChange,
  contains,
  lifeSaid,
  partSaid,
  statesFor,
  type Around,
  type Kind,
  type KindSpot,
} from '../src'
import {
  addKind,
  fittingFile,
  fittingFromFile,
  judgedWithRemedies,
  kinds,
  parseOf,
} from '../src/kinds/registry'

import { namePlate } from './name-plate/kind'

/** A place where either kind stands: a cored deck, and a bottom below the water. */
const SPOT: KindSpot = {
  zone: null,
  xMm: 4000,
  yMm: 600,
  zMm: -300,
  structure: {
    kind: 'sandwich',
    skin: { laminate: 'mat' },
    outerMm: 3.5,
    innerMm: 2.5,
    core: { material: 'balsa-150', thicknessMm: 19 },
  },
  measured: [],
  edgeMm: 400,
  belowWaterline: false,
  duty: 'coastal',
  zones: [],
}
/** A knee that is tabbed to the hull alone makes no hole. */
const tabbed = (d: object) => 'set' in d && (d.set as { recess: unknown } | null)?.recess === null
const takeOut = addKind(namePlate)
afterAll(takeOut)
const everything = kinds().flatMap((kind) => kind.catalogue.map((entry) => ({ kind, entry })))
const made = (kind: Kind, entry: Kind['catalogue'][number]) => {
  const d = kind.start(entry, SPOT, `${entry.title}, tried`.slice(0, 120))
  return { d, j: kind.judge(d, ALONE) }
}
const finite = (value: unknown, path = ''): string[] =>
  typeof value === 'number'
    ? Number.isFinite(value)
      ? []
      : [path]
    : value !== null && typeof value === 'object'
      ? Object.entries(value).flatMap(([k, v]) => finite(v, `${path}.${k}`))
      : []

describe('every kind of work over its whole catalogue', () => {
  it('there is more than one kind, and each names its families', () => {
    expect(kinds().map((k) => k.id)).toEqual([
      'deck-hardware',
      'through-hull',
      'opening',
      'rig',
      'closure',
      'row',
      'name-plate',
    ])
    for (const { kind, entry } of everything)
      expect(kind.families[entry.family], entry.id).toBeTypeOf('string')
  })

  it.each(everything)(
    '$kind.id $entry.id: goes through its schema and its file unchanged',
    ({ kind, entry }) => {
      const { d } = made(kind, entry)
      expect(JSON.stringify(parseOf(kind, JSON.parse(JSON.stringify(d))))).toBe(JSON.stringify(d))
      const file = JSON.parse(JSON.stringify(fittingFile(kind, d)))
      expect(file.version).toBe(kind.version)
      expect(JSON.stringify(fittingFromFile(kind, file))).toBe(JSON.stringify(d))
      expect(() => parseOf(kind, { ...d, schemaVersion: kind.version + 1 })).toThrow(/newest read here/)
      expect(() => parseOf(kind, { ...d, ghost: 1 })).toThrow(CalcError)
    },
  )

  /** One of each kind, hard by. */
  const hardBy = kinds().map((kind, i) => {
    const { d } = made(kind, kind.catalogue[0]!)
    const design = { ...d, place: { ...d.place, xMm: d.place.xMm + 40 * (i + 1) } }
    const outline = kind.footprint(design)
    return {
      id: `by ${i}`,
      kind: kind.id,
      name: kind.title,
      design,
      outline,
      verdict: 'short',
      groupId: null,
    }
  }) as Around['others']
  it.each(everything.filter(({ kind }) => kind.alone))(
    '$kind.id $entry.id: stands alone, so that its neighbours change nothing',
    ({ kind, entry }) => {
      const { d, j } = made(kind, entry)
      const among = { ...ALONE, others: hardBy }
      const there = kind.judge(d, among)
      expect(JSON.stringify(there)).toBe(JSON.stringify(j))
      expect(kind.card(d, there, among)).toEqual(kind.card(d, j, ALONE))
      expect(kind.slow?.(d, there, among)?.key).toBe(kind.slow?.(d, j, ALONE)?.key)
    },
  )
  it('of the kinds some ask their neighbours, and those are told of them', () => {
    const moved = everything.filter(({ kind, entry }) => {
      const { d, j } = made(kind, entry)
      return JSON.stringify(kind.judge(d, { ...ALONE, others: hardBy })) !== JSON.stringify(j)
    })
    expect(moved.length).toBeGreaterThan(0)
    expect(moved.filter(({ kind }) => kind.alone)).toEqual([])
  })

  it.each(everything)(
    '$kind.id $entry.id: judged the same first and last, with finite figures',
    ({ kind, entry }) => {
      const { d, j } = made(kind, entry)
      const before = JSON.stringify(d)
      const again = kind.judge(d, ALONE)
      expect(JSON.stringify(again)).toBe(JSON.stringify(j))
      expect(JSON.stringify(d)).toBe(before)
      expect(finite(j).filter((p) => /^\.checks\.\d+\.(demand|capacity|utilisation|factor)/.test(p))).toEqual(
        [],
      )
      expect(j.checks.length).toBeGreaterThan(0)
      expect(Object.values(j.counts).reduce((a, b) => a + b, 0)).toBe(j.checks.length)
      expect(new Set(j.checks.map((c) => c.id)).size).toBe(j.checks.length)
      for (const c of j.checks) expect(c.because, c.id).toMatch(/\S/)
    },
  )

  it.each(everything)(
    '$kind.id $entry.id: its holes lie within its footprint, each by a part of its own',
    ({ kind, entry }) => {
      const { d, j } = made(kind, entry)
      const holes = kind.penetrations(d, j, 'metric')
      const outline = kind.footprint(d)
      // What closes holes makes none; of a group each member makes its own.
      expect(holes.length > 0).toBe(!kind.closes && !kind.groups?.(d, j) && !tabbed(d))
      expect(new Set(holes.map((h) => h.part)).size).toBe(holes.length)
      for (const h of holes) {
        expect(h.diameterMm, h.part).toBeGreaterThan(0)
        const inside = [0, 1, 2, 3, 4, 5, 6, 7].some((i) =>
          contains(
            { outline },
            {
              xMm: h.xMm + FOOTPRINT_SLACK_MM * Math.cos((i * Math.PI) / 4),
              yMm: h.yMm + FOOTPRINT_SLACK_MM * Math.sin((i * Math.PI) / 4),
            },
          ),
        )
        expect(inside, `${h.part} of ${entry.id}`).toBe(true)
      }
    },
  )

  it.each(everything)(
    '$kind.id $entry.id: its steps are an order with minutes, and bring each hole into service',
    ({ kind, entry }) => {
      const { d, j } = made(kind, entry)
      const steps = kind.steps(d, j, 'metric', NO_WORK)
      const ids = steps.map((s) => s.id)
      expect(new Set(ids).size).toBe(ids.length)
      steps.forEach((s, i) => {
        expect(s.minutes, s.id).toBeGreaterThanOrEqual(0)
        expect(s.text, s.id).toMatch(/^[A-Z].*\S$/s)
        for (const n of [...s.needs, ...(s.after ? [s.after.step] : []), ...(s.from ? [s.from] : [])])
          expect(ids.indexOf(n), `${s.id} needs ${n}`).toBeGreaterThanOrEqual(0)
        for (const n of s.needs) expect(ids.indexOf(n)).toBeLessThan(i)
        // What records something of a hole is ticked, or nobody would ever say it.
        if (Object.keys(s.records).length) expect(s.gate, s.id).toBe(true)
      })
      const none = 'holes' in d && (d as { holes: unknown[] }).holes.length === 0
      if (none || (!kind.closes && !kind.penetrations(d, j, 'metric').length)) return
      const part = kind.closes ? 'old' : kind.penetrations(d, j, 'metric')[0]!.part
      const states = steps.flatMap((s) => statesFor(s, part))
      expect(states[0]).toBe(kind.closes ? 'closed' : 'drilled')
      expect(states.at(-1)).toBe(kind.closes ? 'closed' : 'in-service')
      const order = states.map((x) => LIFE_STATES.indexOf(x))
      expect(order).toEqual([...order].sort((a, b) => a - b))
      expect(states.map(lifeSaid).join()).not.toContain('-')
    },
  )

  it.each(everything)(
    '$kind.id $entry.id: every part can be counted, and its figures are said in either units',
    ({ kind, entry }) => {
      const { d, j } = made(kind, entry)
      const parts = kind.parts(d, j)
      expect(parts.length).toBeGreaterThan(kind.groups?.(d, j) ? -1 : 2)
      for (const p of parts) {
        expect(finite(p.dimensions), p.key).toEqual([])
        expect(p.quantity === null || p.quantity > 0, p.key).toBe(true)
        expect(p.quantity === null).toBe(p.unit === 'length')
        for (const units of ['metric', 'inch'] as const)
          expect(JSON.stringify(partSaid(p, units)), p.key).not.toMatch(/NaN|undefined|null|Infinity/)
      }
    },
  )

  it.each(everything)(
    '$kind.id $entry.id: drawings lie within their bounds, templates can be cut',
    ({ kind, entry }) => {
      const { d, j } = made(kind, entry)
      const drawings = [
        ...kind.drawings(d, j, 'metric').map((x) => x.drawing),
        ...kind.templates(d, j).map((w) => kind.template(d, j, w, 'metric', false)),
      ]
      expect(drawings.length).toBeGreaterThan(0)
      for (const g of drawings) {
        const { minX, maxX, minY, maxY } = g.bounds
        const slack = 1e-6
        for (const s of g.shapes) {
          const points = 'points' in s ? s.points : [s.at]
          for (const p of points) {
            expect(p.x, `${g.title}: ${s.kind}`).toBeGreaterThanOrEqual(minX - slack)
            expect(p.x, `${g.title}: ${s.kind}`).toBeLessThanOrEqual(maxX + slack)
            expect(p.y, `${g.title}: ${s.kind}`).toBeGreaterThanOrEqual(minY - slack)
            expect(p.y, `${g.title}: ${s.kind}`).toBeLessThanOrEqual(maxY + slack)
          }
        }
      }
      expect(kind.drill(d, j).length > 0).toBe(!kind.closes && !kind.groups?.(d, j) && !tabbed(d))
      expect(kind.card(d, j, ALONE).flatMap((b) => b.lines).length).toBeGreaterThan(1)
      expect(kind.cautions(d).map((c) => c.id)).toContain('general')
      expect(kind.inspections(d, j).every((w) => w.everyDays > 0)).toBe(true)
      expect(kind.findings(d).length).toBeGreaterThan(3)
    },
  )

  it.each(everything)(
    '$kind.id $entry.id: every remedy is judged, and gives what it says',
    ({ kind, entry }) => {
      const { d } = made(kind, entry)
      const j = judgedWithRemedies(kind, d, ALONE)
      for (const c of j.checks)
        for (const r of c.remedies) {
          const after = kind.judge(withChange(d, r.change), ALONE)
          const same = after.checks.find((x) => x.id === c.id)
          expect(same?.verdict ?? 'holds', `${c.id}: ${r.text}`).toBe(r.verdict)
          expect(same?.utilisation ?? null, `${c.id}: ${r.text}`).toEqual(r.utilisation)
        }
    },
  )

  it.each(everything.filter((x) => x.kind.copy))(
    '$kind.id $entry.id: mirrored it is its own twin',
    ({ kind, entry }) => {
      const { d } = made(kind, entry)
      const twin = kind.copy!(d, { mirror: true, xMm: 0, yMm: 0, name: 'twin' }, [])
      const holes = (x: typeof d) => kind.penetrations(x, kind.judge(x, ALONE), 'metric')
      const key = (h: { xMm: number; yMm: number }) =>
        `${h.xMm.toFixed(6)} ${(Math.abs(h.yMm) * Math.sign(h.yMm)).toFixed(6)}`
      expect(holes(twin).map(key).sort()).toEqual(
        holes(d)
          .map((h) => key({ ...h, yMm: -h.yMm }))
          .sort(),
      )
      const back = kind.copy!(twin, { mirror: true, xMm: 0, yMm: 0, name: d.name }, [])
      expect(holes(back).map(key).sort()).toEqual(holes(d).map(key).sort())
    },
  )
})
