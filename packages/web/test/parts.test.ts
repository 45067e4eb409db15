import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { joined, type Piece } from '../build/parts'

const piece = (name: string, bytes: number, imports: string[] = [], alone = false): Piece => ({
  name,
  bytes,
  imports,
  alone,
})
const together = (files: string[][], ...names: string[]) =>
  files.some((f) => names.every((n) => f.includes(n)))

describe('what goes over the line in one file', () => {
  it('small pieces of the same places go together, and one for some only waits by itself where it is large', () => {
    const pieces = [
      piece('a', 500),
      piece('b', 700),
      piece('large', 60_000),
      piece('boat', 100, ['a', 'b'], true),
      piece('bench', 100, ['a', 'b', 'large'], true),
    ]
    const files = joined(pieces, [['boat'], ['bench']])
    expect(together(files, 'a', 'b')).toBe(true)
    expect(together(files, 'a', 'large')).toBe(false)
  })
  it('what is asked for by its name stays alone, and what no first visit loads is left as it is', () => {
    const pieces = [piece('a', 500), piece('late', 500), piece('boat', 100, ['a'], true)]
    expect(joined(pieces, [['boat']])).toEqual([['a']])
  })
  it('does not join round about: of a, alone, c the first and the last would wait for each other', () => {
    const pieces = [piece('a', 500, ['x']), piece('x', 500, ['c'], true), piece('c', 500)]
    expect(together(joined(pieces, [['a']]), 'a', 'c')).toBe(false)
  })
  it('refuses more visits than it can tell apart', () => {
    const visits = Array.from({ length: 32 }, () => ['a'])
    expect(() => joined([piece('a', 100)], visits)).toThrow(/more than 31/)
  })
  it('whatever is cut: each piece once, no circle, and the first visits never cost more than before', () => {
    const cut = fc.integer({ min: 3, max: 14 }).chain((n) =>
      fc.record({
        sizes: fc.array(fc.integer({ min: 50, max: 9000 }), { minLength: n, maxLength: n }),
        alone: fc.array(fc.boolean(), { minLength: n, maxLength: n }),
        // Each imports some of those before it.
        imports: fc.array(fc.array(fc.nat(n - 1), { maxLength: 4 }), { minLength: n, maxLength: n }),
        visits: fc.array(fc.array(fc.nat(n - 1), { minLength: 1, maxLength: 3 }), {
          minLength: 1,
          maxLength: 5,
        }),
      }),
    )
    fc.assert(
      fc.property(cut, (c) => {
        const names = c.sizes.map((_, i) => `p${i}`)
        const pieces = c.sizes.map((bytes, i) =>
          piece(
            names[i]!,
            bytes,
            [...new Set(c.imports[i]!.filter((k) => k < i))].map((k) => names[k]!),
            c.alone[i],
          ),
        )
        const visits = c.visits.map((v) => v.map((k) => names[k]!))
        const files = joined(pieces, visits)
        const inside = files.flat()
        expect(new Set(inside).size).toBe(inside.length)
        expect(inside.filter((n) => c.alone[names.indexOf(n)])).toEqual([])
        const fileOf = new Map(files.flatMap((f) => f.map((n) => [n, f[0]!] as const)))
        const at = (n: string) => fileOf.get(n) ?? n
        const needs = new Map<string, Set<string>>()
        for (const p of pieces)
          for (const i of p.imports)
            if (at(i) !== at(p.name)) needs.set(at(p.name), (needs.get(at(p.name)) ?? new Set()).add(at(i)))
        const bytesOf = (n: string) =>
          (files.find((f) => f[0] === n) ?? [n]).reduce((sum, p) => sum + c.sizes[names.indexOf(p)]!, 0)
        const cost = (from: string[]) => {
          const seen = new Set<string>()
          const go = (n: string, way: string[]) => {
            expect(way).not.toContain(n)
            seen.add(n)
            for (const k of needs.get(n) ?? []) go(k, [...way, n])
          }
          for (const n of from) go(at(n), [])
          return [...seen].reduce((sum, n) => sum + 4000 + bytesOf(n), 0)
        }
        const before = (from: string[]) => {
          const seen = new Set<string>()
          const go = (n: string) => {
            if (seen.has(n)) return
            seen.add(n)
            for (const k of pieces[names.indexOf(n)]!.imports) go(k)
          }
          from.forEach(go)
          return [...seen].reduce((sum, n) => sum + 4000 + c.sizes[names.indexOf(n)]!, 0)
        }
        const all = (of: (v: string[]) => number) => visits.reduce((sum, v) => sum + of(v), 0)
        expect(all(cost)).toBeLessThanOrEqual(all(before))
      }),
      { numRuns: 300 },
    )
  })
})
