import { stepKey, type BoatPlan, type PlannedStep } from './plan-types'

/** What happened since the plan that is kept was made. */
export interface Cause {
  /** in words: "the valve came", "ticked", "its design was changed" */
  what: string
  /** null where it is about more than one fitting */
  fittingId: string | null
  boatId: string | null
}
export interface MovedStep {
  key: string
  fittingId: string
  kind: string
  fitting: string
  boat: string
  text: string
  /** null: it was not in the plan, or is no more */
  from: string | null
  to: string | null
  /** elapsed; positive is later */
  hours: number | null
  whoFrom: string[]
  whoTo: string[]
  why: string
}
export interface PlanChanges {
  moved: MovedStep[]
  finish: { from: string | null; to: string | null; hours: number | null }
  /** steps that stay as they were */
  same: number
}
const HOUR = 3_600_000
const between = (a: string | null, b: string | null) =>
  a && b ? (Date.parse(`${b}Z`) - Date.parse(`${a}Z`)) / HOUR : null
const rows = (p: BoatPlan) =>
  new Map(p.days.flatMap((d) => d.steps).map((s) => [stepKey(s.fittingId, s.step), s]))
interface News {
  causes: Cause[]
  badDays: string[]
  start: string
}
/** Why a bond stands later than it could. */
export const joinedSaid = (j: NonNullable<PlannedStep['joined']>) =>
  `put off to share ${j.what.toLowerCase()} with ${j.with.join(', ')}: saves ${j.saves}`
/** By hand, or to share: said before anything else. */
function setThere(was: PlannedStep | undefined, now: PlannedStep | undefined): string | null {
  if (now?.fixed === 'pinned' && was?.fixed !== 'pinned') return 'it was put there by hand'
  if (was?.fixed === 'pinned' && now?.fixed === null) return 'it was let go'
  return now?.joined ? joinedSaid(now.joined) : null
}
/** Why a step moved: what happened to its own fitting first, then to its boat, the weather, the clock. */
function whyMoved(was: PlannedStep | undefined, now: PlannedStep | undefined, n: News, held: string): string {
  const s = (was ?? now)!
  const own = n.causes.filter((c) => c.fittingId === s.fittingId)
  const set = setThere(was, now)
  if (set) return set
  if (own.length) return [...new Set(own.map((c) => c.what))].join('; ')
  if (!now && held) return `held: ${held}`
  if (was && s.needsSurface && n.badDays.includes(was.start.slice(0, 10)))
    return 'the surface is not fit to bond on that day'
  if (was && was.start < n.start) return 'its time went by, and it is not ticked'
  const boat = n.causes.filter((c) => c.fittingId === null && (c.boatId === null || c.boatId === s.boatId))
  if (boat.length) return [...new Set(boat.map((c) => c.what))].slice(0, 3).join('; ')
  return 'it follows what moved before it'
}
/** What moves by how much, and why, when one plan takes the place of another. */
export function comparePlans(old: BoatPlan, now: BoatPlan, n: News): PlanChanges {
  const [was, is] = [rows(old), rows(now)]
  const held = new Map(
    now.held.flatMap((h) => [h.fittingId, ...h.others.map((o) => o.fittingId)].map((id) => [id, h.why])),
  )
  const moved: MovedStep[] = []
  let same = 0
  for (const key of new Set([...was.keys(), ...is.keys()])) {
    const [a, b] = [was.get(key), is.get(key)]
    const who = (s?: PlannedStep) => s?.who ?? []
    if (a && b && a.start === b.start && who(a).join() === who(b).join()) {
      same++
      continue
    }
    const s = (b ?? a)!
    moved.push({
      key,
      fittingId: s.fittingId,
      kind: s.kind,
      fitting: s.fitting,
      boat: s.boat,
      text: s.text,
      from: a?.start ?? null,
      to: b?.start ?? null,
      hours: between(a?.start ?? null, b?.start ?? null),
      whoFrom: who(a),
      whoTo: who(b),
      why: whyMoved(a, b, n, held.get(s.fittingId) ?? ''),
    })
  }
  moved.sort((a, b) => (a.to ?? a.from!).localeCompare(b.to ?? b.from!) || a.key.localeCompare(b.key))
  return {
    moved,
    finish: { from: old.finish, to: now.finish, hours: between(old.finish, now.finish) },
    same,
  }
}
