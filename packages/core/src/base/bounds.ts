import { invalid } from './errors'

/**
 * What no boat reaches, by the unit that a field's name carries. Past it a figure is a slip or a trick,
 * and is refused where it stands,
 * before anything computes with it. Chapter 0, bad input.
 */
const MOST: [suffix: RegExp, most: number][] = [
  [/Nmm$/, 1e15],
  [/NPerMm$/, 1e10],
  [/NmmPerMm$/, 1e12],
  [/(MPa|KPa|MPaPerMm)$/, 1e8],
  [/Mm4$/, 1e15],
  [/Mm3$/, 1e15],
  [/Mm2$/, 1e12],
  [/Mm$/, 1e6],
  [/M2$/, 1e6],
  [/(^|[a-z])M$/, 1e5],
  [/Deg$/, 1e5],
  [/(Minutes|minutes|Hours|hours|Days|Years|H|S)$/, 1e7],
]
/** for names that carry no unit of the list: counts, ratios, newtons, kilograms, millilitres */
const MOST_ELSE = 1e9
/** Nearer to nothing than this no figure is meant; its powers would vanish and be divided by. */
const LEAST = 1e-30
const MEASURED = /(Mm|Mm2|M|M2|Kg|G|N|Nm|MPa|KPa|Ml|Lpm)$/
export const MOST_DEPTH = 40
export const MOST_ITEMS = 1000
/** lists that are long by their nature */
const LONG = new Map([
  ['steps', 5000],
  ['outline', 2000],
  ['points', 2000],
  ['path', 2000],
  ['after', 5000],
  ['afterWork', 5000],
  ['holds', 5000],
  ['done', 5000],
  ['conditions', 5000],
])

const mostFor = (name: string) => MOST.find(([suffix]) => suffix.test(name))?.[1] ?? MOST_ELSE

/** A value somewhere in what was sent. */
export interface Met {
  value: unknown
  key: string
  /** the nearest name that is no number of a list */
  name: string
  depth: number
  up: Met | null
}
/** Where it stands, dotted, with elements of lists by number. */
export function pathOf(s: Met, most = Infinity): string {
  const keys: string[] = []
  for (let at: Met | null = s; at?.up; at = at.up) keys.unshift(at.key)
  return keys.slice(0, most).join('.')
}
/**
 * Looks at every value of what was sent, in its order, without recursion: no nesting is too deep to be
 * refused.
 * @throws CalcError `invalid-input` where it nests deeper than anything that is read
 */
export function everyValue(raw: unknown, look: (s: Met) => void): void {
  const open: Met[] = [{ value: raw, key: '', name: '', depth: 0, up: null }]
  for (let s = open.pop(); s; s = open.pop()) {
    look(s)
    const v = s.value
    if (v === null || typeof v !== 'object' || ArrayBuffer.isView(v)) continue
    if (s.depth >= MOST_DEPTH)
      throw invalid(
        pathOf(s, 3),
        `More than ${MOST_DEPTH} levels stand in one another here; nothing that is read nests so deep`,
      )
    const list = Array.isArray(v)
    const keys = Object.keys(v)
    // Backwards, so that the first fault is found first.
    for (let i = keys.length - 1; i >= 0; i--)
      open.push({
        value: (v as Record<string, unknown>)[keys[i]!],
        key: keys[i]!,
        name: list ? s.name : keys[i]!,
        depth: s.depth + 1,
        up: s,
      })
  }
}

function refuseNumber(s: Met, v: number): void {
  const most = mostFor(s.name)
  if (!Number.isFinite(v)) return
  if (Math.abs(v) > most) throw invalid(pathOf(s), `${v} was given; a number up to ${most} is accepted`)
  if (v !== 0 && Math.abs(v) < LEAST && MEASURED.test(s.name))
    throw invalid(pathOf(s), `${v} was given; that is nothing, and 0 or a number above ${LEAST} is accepted`)
}

/** Up to here a figure is refused under no name. */
const LEAST_OF_MOST = Math.min(...MOST.map(([, most]) => most))
/** Whether nothing in it comes near any bound, which is nearly always so; for less than the search takes. */
function surelyWithin(v: unknown, depth: number): boolean {
  if (typeof v === 'number') return v === 0 || (Math.abs(v) <= LEAST_OF_MOST && Math.abs(v) >= LEAST)
  if (v === null || typeof v !== 'object') return true
  if (depth >= MOST_DEPTH || ArrayBuffer.isView(v)) return false
  if (Array.isArray(v)) return v.length <= MOST_ITEMS && v.every((x) => surelyWithin(x, depth + 1))
  for (const key in v) if (!surelyWithin((v as Record<string, unknown>)[key], depth + 1)) return false
  return true
}

/**
 * Refuses figures, lists and nesting past what any boat has, at their own path; `items` false leaves the
 * length of lists to the schema.
 * @throws CalcError `invalid-input`
 */
export function refuseUnbounded(raw: unknown, items = true): void {
  if (surelyWithin(raw, 0)) return
  everyValue(raw, (s) => {
    if (typeof s.value === 'number') refuseNumber(s, s.value)
    const most = LONG.get(s.name) ?? MOST_ITEMS
    if (items && Array.isArray(s.value) && s.value.length > most)
      throw invalid(pathOf(s), `${s.value.length} were given; at most ${most} are accepted`)
  })
}
