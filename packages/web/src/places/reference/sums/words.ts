import { choiceWords, fieldWords } from '@north-tide/core/words'

export { choiceWords, fieldWords }

export interface Schema {
  type?: string
  const?: unknown
  enum?: unknown[]
  oneOf?: Schema[]
  anyOf?: Schema[]
  properties?: Record<string, Schema>
  required?: string[]
  items?: Schema
  default?: unknown
  additionalProperties?: Schema | boolean
}
export const branchesOf = (s: Schema) => s.oneOf ?? s.anyOf
/** Which branch a value takes: by its constants, then by the fields it has. */
export function branchOf(branches: Schema[], value: unknown): number {
  if (value === null || typeof value !== 'object')
    return Math.max(
      0,
      branches.findIndex((b) => b.const === value || b.type === typeof value),
    )
  const v = value as Record<string, unknown>
  const exact = branches.findIndex((b) =>
    Object.entries(b.properties ?? {}).some(([k, p]) => p.const !== undefined && v[k] === p.const),
  )
  if (exact >= 0) return exact
  return branches.reduce((best, b, i) => {
    const known = (x: Schema) =>
      Object.keys(v).filter((k) => x.properties?.[k]).length -
      0.1 * (x.required ?? []).filter((k) => v[k] === undefined).length
    return known(b) > known(branches[best]!) ? i : best
  }, 0)
}
export function branchTitle(b: Schema): string {
  const named = Object.entries(b.properties ?? {}).find(([, p]) => p.const !== undefined)
  if (named) return choiceWords(named[1].const)
  if (b.const !== undefined) return choiceWords(b.const)
  return (
    (b.required ?? Object.keys(b.properties ?? {}))
      .slice(0, 3)
      .map((k) => fieldWords(k).label)
      .join(', ') ||
    b.type ||
    'value'
  )
}
/** A first value that the schema takes, as far as one can be told. */
export function blankOf(s: Schema): unknown {
  if (s.default !== undefined) return structuredClone(s.default)
  if (s.const !== undefined) return s.const
  if (s.enum) return s.enum[0]
  const b = branchesOf(s)
  if (b) return blankOf(b[0]!)
  if (s.type === 'array') return []
  if (s.type === 'object')
    return Object.fromEntries(
      (s.required ?? [])
        .filter((k) => s.properties?.[k]?.default === undefined)
        .map((k) => [k, blankOf(s.properties![k]!)]),
    )
  return s.type === 'boolean'
    ? false
    : s.type === 'string'
      ? ''
      : s.type === 'number' || s.type === 'integer'
        ? 1
        : null
}

/** What a code of an answer means, in words. */
export const CODE_WORDS: Record<string, string> = {
  system: 'BSP and NP threads differ in angle and diameter',
  size: 'the two sizes differ',
  'binds-in-taper': 'a parallel thread binds in a taper and cracks there',
  'taper-in-parallel': 'a taper in a parallel thread may bottom or weep',
  bottoms: 'the tail stops on the seat first',
  'few-turns': 'fewer than five turns are engaged',
  'too-cold': 'below the temperature at which it cures',
  'too-hot': 'over the temperature at which it can be worked',
  'pot-life': 'the pot gels before the work is done',
  'dew-point': 'less than 3 K over the dew point: the surface is wet or about to be',
  'near-dew': 'within 1 K of the least margin',
  falling: 'the surface is cooling, which asks for 6 K in hand',
}
