import { z } from 'zod'
import { parseInput } from '../../base/calculator/calculator'
import { invalid } from '../../base/errors'
import { formatLength, type Units } from '../../base/quantity/format'
import { positive } from '../../base/schema/schema'

/**
 * What a boat is for water that comes in (chapter 5.7): compartments, doors and pipes between them, pumps,
 * and marks that somebody looks at. Heights in mm over the waterline at rest.
 */
const id = z.string().trim().min(1).max(60)
export const floodPlanSchema = z.strictObject({
  compartments: z
    .array(
      z.strictObject({
        id,
        title: z.string().trim().min(1).max(80),
        fromXMm: z.number(),
        toXMm: z.number(),
        areaM2: positive(),
        floorZMm: z.number(),
      }),
    )
    .min(1)
    .max(12),
  doors: z
    .array(
      z.strictObject({
        a: id,
        b: id,
        title: z.string().max(80).default(''),
        open: z.boolean(),
        sillZMm: z.number(),
        areaCm2: positive(),
      }),
    )
    .max(20)
    .default([]),
  pumps: z
    .array(
      z.strictObject({
        compartment: id,
        title: z.string().max(80).default(''),
        ratedLpm: positive(),
        derate: positive().max(1).default(0.5),
        startZMm: z.number(),
      }),
    )
    .max(20)
    .default([]),
  marks: z
    .array(z.strictObject({ compartment: id, name: z.string().trim().min(1).max(80), zMm: z.number() }))
    .max(20)
    .default([]),
})
export type FloodPlan = z.output<typeof floodPlanSchema>

/**
 * What the shape of the input alone does not tell: names that name nothing, a door into its own
 * compartment.
 */
export function checkFloodPlan(p: FloodPlan): Map<string, number> {
  const index = new Map(p.compartments.map((c, i) => [c.id, i]))
  const known = (name: string, path: string) => {
    if (!index.has(name))
      throw invalid(path, `"${name}" is no compartment; ${[...index.keys()].join(', ')} are`)
  }
  p.compartments.forEach((c, i) => {
    if (c.floorZMm >= 0)
      throw invalid(
        `compartments.${i}.floorZMm`,
        `${c.floorZMm} was given; a bilge that lies above the waterline does not flood. A height below 0 is accepted`,
      )
    if (c.toXMm <= c.fromXMm)
      throw invalid(
        `compartments.${i}.toXMm`,
        `${c.toXMm} was given; it begins at ${c.fromXMm}, and its after end is further aft than that`,
      )
    if (index.get(c.id) !== i) throw invalid(`compartments.${i}.id`, `"${c.id}" is there twice`)
  })
  p.doors.forEach((d, i) => {
    known(d.a, `doors.${i}.a`)
    known(d.b, `doors.${i}.b`)
    if (d.a === d.b)
      throw invalid(
        `doors.${i}.b`,
        'It opens into the compartment that it stands in; two different ones are accepted',
      )
  })
  p.pumps.forEach((q, i) => known(q.compartment, `pumps.${i}.compartment`))
  p.marks.forEach((m, i) => known(m.compartment, `marks.${i}.compartment`))
  return index
}
export function parseFloodPlan(raw: unknown): FloodPlan {
  const plan = parseInput(floodPlanSchema, raw)
  checkFloodPlan(plan)
  return plan
}

/** The compartment that a place lies in; where none does, the nearest, and `sure` says so. */
export function compartmentAt(
  plan: FloodPlan,
  xMm: number,
): FloodPlan['compartments'][number] & { sure: boolean } {
  const off = (c: FloodPlan['compartments'][number]) => Math.max(0, c.fromXMm - xMm, xMm - c.toXMm)
  const nearest = plan.compartments.reduce((a, b) => (off(b) < off(a) ? b : a))
  return { ...nearest, sure: off(nearest) === 0 }
}

/** A plan without one of its compartments: its doors, pumps and marks go with it. The last one stays. */
export function withoutCompartment(plan: FloodPlan, gone: string): FloodPlan {
  if (plan.compartments.length < 2) return plan
  return {
    compartments: plan.compartments.filter((c) => c.id !== gone),
    doors: plan.doors.filter((d) => d.a !== gone && d.b !== gone),
    pumps: plan.pumps.filter((p) => p.compartment !== gone),
    marks: plan.marks.filter((m) => m.compartment !== gone),
  }
}
/** A compartment more: the aftermost is cut in half, so that no place lies in two. */
export function withCompartment(plan: FloodPlan, title: string): FloodPlan {
  const last = plan.compartments.reduce((a, b) => (b.toXMm > a.toXMm ? b : a))
  const cut = Math.round((last.fromXMm + last.toXMm) / 2)
  let n = plan.compartments.length + 1
  while (plan.compartments.some((c) => c.id === `c${n}`)) n++
  const area = Math.round(last.areaM2 * 50) / 100
  return {
    ...plan,
    compartments: [
      ...plan.compartments.map((c) => (c === last ? { ...c, toXMm: cut, areaM2: area } : c)),
      { ...last, id: `c${n}`, title, fromXMm: cut, areaM2: area },
    ],
  }
}

/** What is allowed and still worth a second look. */
export function floodPlanWarnings(plan: FloodPlan, lengthMm: number, units: Units): string[] {
  const mm = (v: number) => formatLength(Math.round(v), units)
  const out: string[] = []
  const sorted = plan.compartments.slice().sort((a, b) => a.fromXMm - b.fromXMm)
  let reached = 0
  for (const c of sorted) {
    if (c.fromXMm > reached + 1)
      out.push(`Between ${mm(reached)} and ${mm(c.fromXMm)} aft of the stem there is no compartment.`)
    if (c.fromXMm < reached - 1)
      out.push(`${c.title} begins at ${mm(c.fromXMm)}, where another has not ended yet.`)
    reached = Math.max(reached, c.toXMm)
  }
  if (reached < lengthMm - 1)
    out.push(`From ${mm(reached)} to the stern at ${mm(lengthMm)} there is no compartment.`)
  const floor = (c: string) => plan.compartments.find((q) => q.id === c)?.floorZMm ?? -Infinity
  for (const c of plan.compartments)
    if (!plan.pumps.some((p) => p.compartment === c.id)) out.push(`${c.title} has no pump.`)
  for (const m of plan.marks)
    if (m.zMm > 0)
      out.push(`${m.name} lies above the waterline: without her sinking the water never reaches it.`)
  for (const m of plan.marks)
    if (m.zMm <= floor(m.compartment)) out.push(`${m.name} lies on the floor of its compartment or under it.`)
  for (const p of plan.pumps)
    if (p.startZMm < floor(p.compartment))
      out.push(`${p.title || 'A pump'} starts below the floor of its compartment: it never stops.`)
  for (const d of plan.doors)
    if (d.sillZMm < Math.max(floor(d.a), floor(d.b)))
      out.push(`${d.title || 'A door'}: its sill lies below one of the two floors.`)
  return out
}
