import { formatUse } from '../../base/quantity/format'
import { governing, rank, say, worstVerdict, written, type Check, type Draft } from '../../base/verdict/check'
import type { LoadDirection } from '../../chapters/load/design-load'
import type { Judgement } from './judgement'
import type { CaseShared } from './loads'

/** Of two directions that are alike but for rounding the first is named, on every machine the same. */
const ALIKE = 1e-9
function worse(a: Draft, b: Draft): Draft {
  if (a.verdict !== b.verdict) return rank(b.verdict) < rank(a.verdict) ? b : a
  const before = a.utilisation ?? -1
  return (b.utilisation ?? -1) - before > ALIKE * Math.abs(before) ? b : a
}
const angle = (deg: number) => `${say(deg).replace('-', '\u2212')}\u00b0`
/** A direction of the load, in words: "−120° round, 15° up". */
export const directionSaid = (x: LoadDirection) => `${angle(x.azimuthDeg)} round, ${angle(x.elevationDeg)} up`

/** The worse of two stacks: by its verdict, then by the bolt it needs. */
export const worseGrip = <G extends { gripCheck: Check; grip: { lengthMm: number } | null }>(
  a: G,
  b: G,
): G => {
  if (a.gripCheck.verdict !== b.gripCheck.verdict)
    return rank(b.gripCheck.verdict) < rank(a.gripCheck.verdict) ? b : a
  return (b.grip?.lengthMm ?? 0) > (a.grip?.lengthMm ?? 0) ? b : a
}

/** The checks of one fitting as they come in: of each the worst, and beside it those of every case. */
export class Gathered {
  readonly byId = new Map<string, Draft>()
  private readonly byCase = new Map<CaseShared, Draft[]>()
  /** `many`: more than one case, so that each check says which it is of */
  constructor(private readonly many: boolean) {}

  put(c: Draft, from?: CaseShared, direction?: LoadDirection): void {
    const where = [
      from && this.many ? `Case \u201c${from.name}\u201d` : '',
      direction && from && from.count > 1 && c.demand !== null && c.boltIndex !== undefined
        ? `worst of ${from.count} directions: ${directionSaid(direction)}`
        : '',
    ]
      .filter(Boolean)
      .join(', ')
    const said = where
      ? { ...c, because: () => `${written(c).because} ${where[0]!.toUpperCase()}${where.slice(1)}.` }
      : c
    if (from) (this.byCase.get(from) ?? this.byCase.set(from, []).get(from)!).push(said)
    const before = this.byId.get(c.id)
    this.byId.set(c.id, before ? worse(before, said) : said)
  }
  all(): Draft[] {
    return [...this.byId.values()]
  }
  crushesCore(): boolean {
    return this.all().some((c) => c.id.startsWith('crush') && c.id.endsWith('core') && c.verdict === 'short')
  }
  /** Each load case with what governs it. */
  cases(shared: CaseShared[]): Judgement['cases'] {
    return shared.map((c) => {
      const mine = this.byCase.get(c) ?? []
      const top = governing(mine)
      return {
        name: c.name,
        loadN: c.load.loadN,
        directions: c.count,
        swept: c.swept,
        contact: c.contact,
        utilisation: top?.utilisation ?? null,
        verdict: worstVerdict(mine.map((k) => k.verdict)),
        governing: top?.id ?? null,
      }
    })
  }
}

/** Which case governs, and by what. */
export function caseSaid(cases: Judgement['cases'], checks: Check[]): string {
  if (cases.length < 2) return ''
  const top = cases.reduce((a, b) =>
    rank(b.verdict) < rank(a.verdict) ||
    (b.verdict === a.verdict && (b.utilisation ?? -1) > (a.utilisation ?? -1))
      ? b
      : a,
  )
  const title = checks.find((c) => c.id === top.governing)?.title.toLowerCase() ?? ''
  const others = cases
    .filter((c) => c !== top)
    .map((c) => `${c.name} ${c.utilisation === null ? c.verdict : formatUse(c.utilisation)}`)
  return `\u201c${top.name}\u201d governs, by ${title}${top.utilisation === null ? '' : ` at ${formatUse(top.utilisation)}`}; beside it ${others.join(', ')}.`
}
