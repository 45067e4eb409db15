import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { CalcError, allFinite, worstVerdict, type Check } from '../src'
import { calculatorNamed, runNamed } from '../src/chapters/registry'

/**
 * Every calculator leaned on from all sides: each figure of each worked case far less, a little more and far
 * more, each word one of the others that the schema knows, each field left out. What comes back is an answer
 * without a hole in it, whose verdict is that of its worst check, or a refusal with its path: never a NaN,
 * never an error of the program.
 */
type Json = Record<string, unknown>
type Path = (string | number)[]
const folder = new URL('./cases/', import.meta.url)
const files = readdirSync(folder).filter((f) => f.endsWith('.json'))
/** Too slow to be leaned on hundreds of times, and leaned on by tests of their own. */
const SLOW = ['deck-patch', 'plan']
/** Their verdict is more than that of the checks beside it: of two ways to hang a bin, of every gland. */
const OWN_VERDICT = ['bin-hang', 'gland']
const MOST_A_CALCULATOR = 1200

const isRecord = (v: unknown): v is Json => v !== null && typeof v === 'object' && !Array.isArray(v)
function leaves(v: unknown, path: Path = []): { path: Path; value: unknown }[] {
  if (Array.isArray(v)) return v.slice(0, 3).flatMap((x, i) => leaves(x, [...path, i]))
  if (isRecord(v))
    return [
      ...(path.length ? [{ path, value: v }] : []),
      ...Object.entries(v).flatMap(([k, x]) => leaves(x, [...path, k])),
    ]
  return [{ path, value: v }]
}
function changed(input: unknown, path: Path, value: unknown, drop = false): unknown {
  const copy = structuredClone(input) as Json
  let at = copy as Json
  for (const k of path.slice(0, -1)) at = at[k as string] as Json
  if (drop) delete at[path.at(-1) as string]
  else at[path.at(-1) as string] = value
  return copy
}
/** Words that any field of the calculator's cases has had: the ones worth trying in the others' place. */
function wordsOf(cases: { input: unknown }[]): Map<string, string[]> {
  const words = new Map<string, Set<string>>()
  for (const c of cases)
    for (const { path, value } of leaves(c.input)) {
      const key = String(path.at(-1))
      if (typeof value === 'string') (words.get(key) ?? words.set(key, new Set()).get(key)!).add(value)
    }
  return new Map([...words].map(([k, v]) => [k, [...v]]))
}
function* variants(input: unknown, words: Map<string, string[]>): Generator<unknown> {
  for (const { path, value } of leaves(input)) {
    if (typeof path.at(-1) === 'string') yield changed(input, path, null, true)
    if (typeof value === 'number')
      for (const v of [0, value * 0.1, value * 1.37, value * 12, -value]) yield changed(input, path, v)
    if (typeof value === 'boolean') yield changed(input, path, !value)
    if (typeof value === 'string')
      for (const w of words.get(String(path.at(-1))) ?? []) if (w !== value) yield changed(input, path, w)
  }
}
function ask(name: string, input: unknown): { answer: unknown } | { refused: CalcError } {
  try {
    return { answer: runNamed(name, input) }
  } catch (error) {
    if (error instanceof CalcError) return { refused: error }
    throw new Error(`${name} broke on ${JSON.stringify(input)}`, { cause: error })
  }
}
function wrong(name: string, answer: unknown): string[] {
  const out: string[] = []
  if (!allFinite(answer)) out.push('not finite')
  const issues = calculatorNamed(name).output.safeParse(answer).error?.issues ?? []
  out.push(...issues.slice(0, 2).map((i) => `${i.path.join('.')}: ${i.message}`))
  const { checks, verdict } = answer as { checks?: Check[]; verdict?: string }
  if (!OWN_VERDICT.includes(name) && Array.isArray(checks) && typeof verdict === 'string' && checks.length) {
    const worst = worstVerdict(checks.map((c) => c.verdict))
    if (worst !== verdict) out.push(`verdict ${verdict} over checks that are ${worst}`)
  }
  return out
}

describe('every calculator, leaned on from all sides', () => {
  it.each(files.map((f) => f.replace('.json', '')).filter((n) => !SLOW.includes(n)))('%s', (name) => {
    const cases = (
      JSON.parse(readFileSync(new URL(`${name}.json`, folder), 'utf8')) as {
        input: unknown
        expect?: unknown
      }[]
    ).filter((c) => c.expect)
    const words = wordsOf(cases)
    const tried = { answers: 0, refusals: 0 }
    const bad: string[] = []
    for (const c of cases)
      for (const input of variants(c.input, words)) {
        if (tried.answers + tried.refusals >= MOST_A_CALCULATOR) break
        const r = ask(name, input)
        if ('refused' in r) {
          tried.refusals++
          if (!r.refused.path || r.refused.message.length < 10) bad.push(`${r.refused.code} without its path`)
          continue
        }
        tried.answers++
        for (const w of wrong(name, r.answer)) bad.push(`${w} for ${JSON.stringify(input)}`)
      }
    expect([...new Set(bad)].slice(0, 3)).toEqual([])
    expect(tried.answers).toBeGreaterThan(0)
    expect(tried.refusals).toBeGreaterThan(0)
  })
})
