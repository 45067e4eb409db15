import { z } from 'zod'
import { refuseUnbounded } from '../bounds'
import { CalcError, invalid } from '../errors'
import { rank, type Check } from '../verdict/check'
import { keptAnswer } from './kept'

/**
 * One entry of the registry: validated input to one output, pure. The Zod schemas are the single truth for
 * REST, command line, forms and docs.
 */
export interface Calculator<I = unknown, O = unknown> {
  name: string
  title: string
  /** chapter of the engineering reference the formulas come from */
  chapter: string
  /** words a fitter would search by */
  words: string[]
  input: z.ZodType<I>
  output: z.ZodType<O>
  run: (input: I) => O
  /** changes of one input that are tried where a check does not hold */
  tries?: (input: I) => Attempt<I>[]
}

/** One changed input, in words and as the fields that change. */
export interface Attempt<I> {
  id: string
  text: string
  change: Record<string, unknown>
  input: I
}

export function defineCalculator<IS extends z.ZodType, OS extends z.ZodType>(def: {
  name: string
  title: string
  chapter: string
  words: string[]
  input: IS
  output: OS
  run: (input: z.output<IS>) => z.output<OS>
  tries?: (input: z.output<IS>) => Attempt<z.output<IS>>[]
}): Calculator<z.output<IS>, z.output<OS>> {
  return def as unknown as Calculator<z.output<IS>, z.output<OS>>
}

const dotted = (path: PropertyKey[]) => path.map(String).join('.')

function at(value: unknown, path: PropertyKey[]): unknown {
  return path.reduce<unknown>(
    (v, k) => (v !== null && typeof v === 'object' ? (v as Record<PropertyKey, unknown>)[k] : undefined),
    value,
  )
}

const shown = (v: unknown) => {
  if (v === undefined) return 'nothing'
  const text = typeof v === 'number' && !Number.isFinite(v) ? String(v) : JSON.stringify(v)
  return text.length > 60 ? `${text.slice(0, 57)}...` : text
}

type Issue = z.core.$ZodIssue

/**
 * Of a union that refused, report the branch the writer most likely meant: fewest unknown fields, then
 * fewest faults, then the first listed.
 */
function flatten(
  issue: Issue,
  raw: unknown,
  base: PropertyKey[] = [],
): { path: PropertyKey[]; issue: Issue } {
  const path = [...base, ...issue.path]
  if (issue.code !== 'invalid_union' || !issue.errors?.length) return { path, issue }
  const given = at(raw, path)
  const empty = given === null || typeof given !== 'object' || Object.keys(given).length === 0
  const ranked = issue.errors
    .map((branch, order) => ({
      branch,
      order,
      score: branch.reduce(
        (s, i) => s + (i.code === 'unrecognized_keys' ? 100 * i.keys.length : 0) + (empty ? 0 : 1),
        0,
      ),
    }))
    .filter((b) => b.branch.length > 0)
    .sort((a, b) => a.score - b.score || a.order - b.order)
  const first = ranked[0]?.branch[0]
  return first ? flatten(first as Issue, raw, path) : { path, issue }
}

function wanted(issue: Issue): string {
  switch (issue.code) {
    case 'invalid_type':
      return `a ${issue.expected === 'object' ? 'group of fields' : issue.expected === 'array' ? 'list' : issue.expected} is needed here`
    case 'invalid_value':
      return `one of ${issue.values.map(String).join(', ')} is accepted`
    case 'too_small':
      return issue.origin === 'array'
        ? `at least ${issue.minimum} ${issue.minimum === 1 ? 'is' : 'are'} needed`
        : `a number ${issue.inclusive ? 'of at least' : 'above'} ${issue.minimum} is accepted`
    case 'too_big':
      return issue.origin === 'array'
        ? `at most ${issue.maximum} are accepted`
        : `a number ${issue.inclusive ? 'up to' : 'below'} ${issue.maximum} is accepted`
    case 'not_multiple_of':
      return `a multiple of ${issue.divisor} is accepted`
    case 'invalid_union':
      return 'none of the accepted forms fits'
    default:
      return issue.message
  }
}

export function toCalcError(error: z.ZodError, raw: unknown): CalcError {
  const { path, issue } = flatten(error.issues[0] as Issue, raw)
  if (issue.code === 'unrecognized_keys') {
    const key = issue.keys[0]!
    return invalid(dotted([...path, key]), `"${key}" is not a field that is read here; leave it out`)
  }
  if (issue.code === 'custom') {
    const code = (issue.params as { code?: string } | undefined)?.code ?? 'invalid-input'
    return new CalcError(code, dotted(path), issue.message)
  }
  const value = at(raw, path)
  const lead =
    value === undefined
      ? `${path.length ? String(path[path.length - 1]) : 'The input'} is missing`
      : `${shown(value)} was given`
  return invalid(dotted(path), `${lead}; ${wanted(issue)}`)
}

/** True when every number in the answer is finite. */
export function allFinite(value: unknown): boolean {
  if (typeof value === 'number') return Number.isFinite(value)
  if (Array.isArray(value)) return value.every(allFinite)
  if (value === null || typeof value !== 'object') return true
  for (const key in value) if (!allFinite((value as Record<string, unknown>)[key])) return false
  return true
}

/**
 * Reads what was given by its schema. Figures and nesting past what any boat has are refused at their
 * path; so are lists too long where `items` says so.
 */
export function parseInput<I>(schema: z.ZodType<I>, raw: unknown, items = false): I {
  refuseUnbounded(raw, items)
  const parsed = schema.safeParse(raw)
  if (!parsed.success) throw toCalcError(parsed.error, raw)
  return parsed.data
}

function run<I, O>(calc: Calculator<I, O>, raw: unknown): { input: I; out: O } {
  const input = parseInput(calc.input, raw, true)
  const out = calc.run(input)
  if (!allFinite(out))
    throw invalid(
      '',
      'These figures are too large or too small to compute with; the answer would not be finite',
    )
  return { input, out }
}
/**
 * Validates, runs, and refuses an answer that is not finite. Throws CalcError and nothing else for a
 * user's mistake.
 */
export function calculate<I, O>(calc: Calculator<I, O>, raw: unknown): O {
  const { input, out } = run(calc, raw)
  if (calc.tries) addRemedies(calc as Required<Calculator<I, O>>, input, out)
  return out
}
/** The same without remedies of its own: for a whole that makes and judges its own. */
export const answerOf = <I, O>(calc: Calculator<I, O>, raw: unknown): O =>
  keptAnswer(calc, raw, (asked) => run(calc, asked).out)

interface Judged {
  checks?: Check[]
}
const MOST_REMEDIES = 3

/** Where a check does not hold, the changes that would help it, each judged by the calculator itself. */
function addRemedies<I, O>(calc: Required<Calculator<I, O>>, input: I, out: O): void {
  const weak = (out as Judged).checks?.filter((c) => c.verdict === 'short' || c.verdict === 'tight') ?? []
  if (!weak.length) return
  for (const attempt of calc.tries(input)) {
    if (weak.every((c) => c.remedies.length >= MOST_REMEDIES)) return
    let after: Judged
    try {
      after = calc.run(attempt.input) as Judged
    } catch (error) {
      if (error instanceof CalcError) continue
      throw error
    }
    for (const c of weak) {
      const same = after.checks?.find((x) => x.id === c.id)
      if (!same || c.remedies.length >= MOST_REMEDIES || rank(same.verdict) <= rank(c.verdict)) continue
      c.remedies.push({
        id: attempt.id,
        text: attempt.text,
        change: attempt.change,
        utilisation: same.utilisation,
        verdict: same.verdict,
      })
    }
  }
}
