import { describe, expect, it } from 'vitest'
import { CATALOGUE, EXAMPLES, fromSum, judgeWhole, parseDesign, turnsToDesign } from '../src'
import { CALCULATORS, describeCalculators } from '../src/chapters/registry'
import { SUMS, SUM_GROUPS, described, loadSum } from '../src/chapters/sums'
import { deckFit } from './deck-hands'

interface Form {
  properties?: Record<string, { const?: unknown }>
  oneOf?: Form[]
  anyOf?: Form[]
}
/** The fields that somebody fills in, over every form of a sum. */
const fieldsOf = (s: Form) => [
  ...new Set(
    (s.oneOf ?? s.anyOf ?? [s]).flatMap((b) =>
      Object.entries(b.properties ?? {})
        .filter(([, p]) => p.const === undefined)
        .map(([k]) => k),
    ),
  ),
]

describe('sums, fetched a part at a time', () => {
  it('the list is that of the registry', () => {
    expect(SUMS.map((s) => [s.name, s.title])).toEqual(CALCULATORS.map((c) => [c.name, c.title]))
  })
  it.each(CALCULATORS.map((c) => [c.name, c] as const))('%s comes as itself', async (name, calc) => {
    expect(await loadSum(name)).toBe(calc)
    expect(described(calc).title).toBe(calc.title)
  })
  it.each(describeCalculators().map((c) => [c.name, fieldsOf(c.input as Form)] as const))(
    'the groups of %s hold each of its fields once, and nothing else',
    (name, fields) => {
      const grouped = SUM_GROUPS[name]!.flatMap(([, keys]) => keys)
      expect([...grouped].sort()).toEqual([...fields].sort())
    },
  )
})

describe('a sum that goes into a fitting', () => {
  const design = deckFit(CATALOGUE[0]!.id)
  const turning = SUMS.filter((s) => turnsToDesign(s.name)).map((s) => s.name)
  it('is one of six', () => {
    expect([...turning].sort()).toEqual([
      'backing-plate',
      'core-plug',
      'design-load',
      'fastener',
      'grip-stack',
      'sealant-choice',
    ])
  })
  it.each(turning)('the example of %s makes a design that can be read and judged', (name) => {
    const next = parseDesign({ ...design, ...fromSum(name, EXAMPLES[name]!, design) })
    expect(Object.keys(fromSum(name, EXAMPLES[name]!, design))).toHaveLength(1)
    expect(judgeWhole(next, 'metric', []).judgement.checks.length).toBeGreaterThan(0)
  })
  it('takes what was given and leaves what was not', () => {
    const { bolt } = fromSum('fastener', { size: 'M10', grade: 'A4-80' }, design)
    expect(bolt).toEqual({ ...design.bolt, size: 'M10', grade: 'A4-80' })
    const { plate } = fromSum(
      'backing-plate',
      { plate: { material: 'al-6061', lengthMm: 120, widthMm: 60, thicknessMm: 6 } },
      { ...design, plate: null },
    )
    expect(plate).toMatchObject({ thicknessMm: 6, bedGapMm: 0, sheets: 1 })
    expect(fromSum('anode-life', {}, design)).toEqual({})
  })
})
