import { describe, expect, it } from 'vitest'
import { withoutSpreads } from '../build/spreads'

/** The core's spreads as the server runs them (decisions/0040). */
const run = (source: string) =>
  new Function('a', 'b', 'no', `return ${source}`) as (...of: unknown[]) => unknown
const lowered = (expression: string) =>
  withoutSpreads(`export const it = ${expression}`)
    .trim()
    .replace(/^export const it = /, '')
    .replace(/;$/, '')
const A = { x: 1, y: [2], nested: { z: 3 } }
const B = { x: 9, w: undefined }

describe('a spread that adds to a copy', () => {
  it.each([
    ['{ ...a, x: 2 }', 'the later counts'],
    ['{ x: 2, ...a }', 'the copy counts'],
    ['{ ...a, ...b, v: 5 }', 'two copies'],
    ['{ v: 5, ...a, x: 7, ...b }', 'between'],
    ['{ ...a, ...(no && { v: 1 }) }', 'nothing to spread'],
    ['{ ...no, ...null, ...undefined, v: 1 }', 'nothing at all'],
    ['{ ...a, nested: { ...a.nested, more: { ...b, q: 1 } } }', 'one in another'],
    ['[{ ...a, k: 1 }, ...[{ ...b, k: 2 }]]', 'in a list, whose own spread stays'],
    ['((o) => ({ ...o, get: () => ({ ...o, deep: true }) }))(a).get()', 'in what is handed on'],
  ])('%s comes to the same: %s', (expression) => {
    const out = lowered(expression)
    expect(out).toContain('Object.assign(')
    expect(run(out)(A, B, false)).toStrictEqual(run(expression)(A, B, false))
  })
  it('leaves alone what only copies, what a list spreads, and what is taken apart', () => {
    for (const source of ['{ ...a }', '[...[1], 2]', '(({ x, ...rest }) => rest)(a)', '{ x: 1 }'])
      expect(lowered(source)).not.toContain('Object.assign')
  })
  it('changes nothing of what it copies', () => {
    const before = structuredClone(A)
    run(lowered('{ ...a, x: 100, ...b }'))(A, B, false)
    expect(A).toStrictEqual(before)
  })
  it('takes types off, as the build does', () => {
    expect(lowered('({ ...(a as object), x: 1 satisfies number })')).toBe('(Object.assign({}, a, { x: 1 }))')
  })
})
