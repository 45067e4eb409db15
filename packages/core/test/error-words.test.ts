import { describe, expect, it } from 'vitest'
import { CalcError } from '../src/base/errors'
import { EXAMPLES } from '../src/chapters/examples'
import { CALCULATORS, runNamed } from '../src/chapters/registry'

/** What no fitter says: names of fields, paths, a schema library's own words, figures without an end. */
const KNOWN = /\b(kN|kPa|mA|pH|kWh)\b/g
const odd = (said: string) => {
  const clean = said.replace(KNOWN, '')
  return [
    ...(clean.match(/\b[a-z]{2,}[a-z0-9]*[A-Z]\w*/g) ?? []),
    ...(clean.match(/\b[a-z]{2,}(\.[a-z0-9]+){1,}\b/gi) ?? []).filter(
      (w) => !/^\d|\.(csv|json|dxf)$/.test(w),
    ),
    ...(clean.match(/\b(received|expected (number|string|object|array)|Invalid input|NaN|undefined)\b/g) ??
      []),
    ...(clean.match(/\d\.\d{7,}/g) ?? []),
    ...(clean.match(/\b1 (days|holes|bolts|hours)\b/g) ?? []),
  ]
}
type Tree = Record<string, unknown>
/** Every leaf of an input, as the keys that lead to it. */
function leaves(v: unknown, at: string[] = []): string[][] {
  if (v === null || typeof v !== 'object') return [at]
  return Object.entries(v as Tree).flatMap(([k, x]) => leaves(x, [...at, k]))
}
function put(v: unknown, at: string[], value: unknown): unknown {
  if (!at.length) return value
  const copy: Tree = Array.isArray(v) ? ([...v] as unknown as Tree) : { ...(v as Tree) }
  if (value === undefined && at.length === 1) delete copy[at[0]!]
  else copy[at[0]!] = put(copy[at[0]!], at.slice(1), value)
  return copy
}
const WRONG = ['nonsense', -1e9, 1e12, 0.5, null, undefined, {}, []]

describe('what a calculator refuses, it refuses in words', () => {
  it.each(CALCULATORS.map((c) => c.name))('%s', (name) => {
    const said: string[] = []
    const input = EXAMPLES[name]
    for (const at of leaves(input))
      for (const wrong of WRONG)
        try {
          runNamed(name, put(input, at, wrong))
        } catch (error) {
          expect(error, `${at.join('.')} as ${JSON.stringify(wrong)}`).toBeInstanceOf(CalcError)
          const { code, path, message } = error as CalcError
          expect(code).toMatch(/^[a-z]+(-[a-z]+)*$/)
          expect(typeof path).toBe('string')
          if (odd(message).length) said.push(`${path}: ${message} (${odd(message).join(', ')})`)
        }
    expect([...new Set(said)]).toEqual([])
  })
})
