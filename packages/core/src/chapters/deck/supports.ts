import { z } from 'zod'
import { areaOf, outlineSchema, perimeterOf, type Outline } from '../../base/geometry/outline'
import { structureSchema } from '../../base/materials/structure'
import { positive } from '../../base/schema/schema'
import { check, say, step, type Check } from '../../base/verdict/check'
import type { FactorKind } from '../../base/verdict/factors'
import { wholePlugSchema } from './whole-plug'

/**
 * What stands under a base that pushes (18.2): beams, bulkheads, posts. Strengths are typical estimates,
 * MPa.
 */
export const SUPPORTS = {
  softwood: { title: 'softwood', eMPa: 9000, bendingMPa: 40, fcMPa: 25, shearMPa: 6, factor: 'laminate' },
  plywood: { title: 'plywood', eMPa: 8000, bendingMPa: 45, fcMPa: 30, shearMPa: 8, factor: 'laminate' },
  'glass-laminate': {
    title: 'glass laminate',
    eMPa: 7000,
    bendingMPa: 150,
    fcMPa: 100,
    shearMPa: 40,
    factor: 'laminate',
  },
  'al-5083': {
    title: 'aluminium 5083',
    eMPa: 70_000,
    bendingMPa: 125,
    fcMPa: 125,
    shearMPa: 72,
    factor: 'metal',
  },
  'al-6061': {
    title: 'aluminium 6061',
    eMPa: 69_000,
    bendingMPa: 240,
    fcMPa: 240,
    shearMPa: 138,
    factor: 'metal',
  },
  'ss-316': {
    title: 'stainless 316',
    eMPa: 193_000,
    bendingMPa: 205,
    fcMPa: 205,
    shearMPa: 118,
    factor: 'metal',
  },
  'mild-steel': {
    title: 'mild steel',
    eMPa: 205_000,
    bendingMPa: 235,
    fcMPa: 235,
    shearMPa: 136,
    factor: 'metal',
  },
} as const
export type SupportId = keyof typeof SUPPORTS
export const SUPPORT_IDS = Object.keys(SUPPORTS) as [SupportId, ...SupportId[]]
/** Effective length over length, by how its two ends are held. */
export const ENDS = { pinned: 1, 'fixed-pinned': 0.8, fixed: 0.65, free: 2.1 } as const

const material = z.enum(SUPPORT_IDS)
const sectionSchema = z.union([
  z.strictObject({ diameterMm: positive() }),
  z.strictObject({ outerMm: positive(), wallMm: positive() }).superRefine((v, ctx) => {
    if (v.wallMm >= v.outerMm / 2)
      ctx.addIssue({
        code: 'custom',
        path: ['wallMm'],
        message: `${v.wallMm} was given; the wall of a tube is less than half of its ${v.outerMm} mm`,
      })
  }),
  z.strictObject({ depthMm: positive(), widthMm: positive() }),
])
export const underSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('nothing') }),
  z.strictObject({
    kind: z.literal('beam'),
    material,
    widthMm: positive(),
    heightMm: positive(),
    spanMm: positive(),
    contactMm: positive(),
  }),
  z
    .strictObject({
      kind: z.literal('bulkhead'),
      material,
      thicknessMm: positive(),
      heightMm: positive(),
      contactMm: positive(),
      breadthMm: positive().optional(),
    })
    .superRefine((v, ctx) => {
      if (v.breadthMm !== undefined && v.breadthMm < v.contactMm)
        ctx.addIssue({
          code: 'custom',
          path: ['breadthMm'],
          message: `${v.breadthMm} was given; the bulkhead is at least as broad as the ${v.contactMm} mm that rest on it`,
        })
    }),
  z.strictObject({
    kind: z.literal('post'),
    material,
    lengthMm: positive(),
    section: sectionSchema,
    ends: z.enum(Object.keys(ENDS) as [keyof typeof ENDS, ...(keyof typeof ENDS)[]]).default('pinned'),
    head: outlineSchema({}).optional(),
    foot: z
      .strictObject({
        structure: structureSchema,
        footprint: outlineSchema({}),
        plug: wholePlugSchema.optional(),
      })
      .optional(),
  }),
])
export type Under = z.output<typeof underSchema>
type Beam = Extract<Under, { kind: 'beam' }>
type Bulkhead = Extract<Under, { kind: 'bulkhead' }>
export type Post = Extract<Under, { kind: 'post' }>
type Factors = Record<FactorKind, number>
const SOURCE = 'chapter 18.2'

/** Area, outer perimeter and least second moment of a post's section, mm², mm, mm⁴. */
export function sectionOf(s: Post['section']) {
  if ('diameterMm' in s) {
    const d = s.diameterMm
    return { areaMm2: (Math.PI / 4) * d * d, perimeterMm: Math.PI * d, leastMm4: (Math.PI / 64) * d ** 4 }
  }
  if ('outerMm' in s) {
    const inner = s.outerMm - 2 * s.wallMm
    return {
      areaMm2: (Math.PI / 4) * (s.outerMm ** 2 - inner ** 2),
      perimeterMm: Math.PI * s.outerMm,
      leastMm4: (Math.PI / 64) * (s.outerMm ** 4 - inner ** 4),
    }
  }
  const [small, large] = [Math.min(s.depthMm, s.widthMm), Math.max(s.depthMm, s.widthMm)]
  return { areaMm2: small * large, perimeterMm: 2 * (small + large), leastMm4: (large * small ** 3) / 12 }
}
/** What of the deck's underside rests on it: area and perimeter. */
export function contactOf(u: Exclude<Under, { kind: 'nothing' }>): { areaMm2: number; perimeterMm: number } {
  if (u.kind === 'post') return u.head ? outlineContact(u.head) : sectionOf(u.section)
  const across = u.kind === 'beam' ? u.widthMm : u.thicknessMm
  return { areaMm2: across * u.contactMm, perimeterMm: 2 * (across + u.contactMm) }
}
const outlineContact = (o: Outline) => ({ areaMm2: areaOf(o), perimeterMm: perimeterOf(o) })

/**
 * Buckling stress of a strut by its slenderness: Euler's where it is slender, a parabola to the crushing
 * strength where it is stocky (the usual column curve). MPa.
 */
export function bucklingMPa(id: SupportId, slenderness: number): number {
  const { eMPa: E, fcMPa: fc } = SUPPORTS[id]
  return slenderness >= Math.PI * Math.sqrt((2 * E) / fc)
    ? (Math.PI ** 2 * E) / slenderness ** 2
    : fc * (1 - (fc * slenderness ** 2) / (4 * Math.PI ** 2 * E))
}

export interface Supported {
  checks: Check[]
  slenderness: number | null
  bucklingMPa: number | null
}
const stress = (
  id: string,
  title: string,
  m: { id: SupportId; factors: Factors },
  p: { demand: number; capacity: number; how: string; by: string },
): Check => {
  const row = SUPPORTS[m.id]
  const factor = m.factors[row.factor]
  return check({
    id,
    title,
    unit: 'MPa',
    source: SOURCE,
    demand: p.demand,
    capacity: p.capacity,
    factor,
    because: () =>
      `${p.how}: ${say(p.demand)} MPa in ${row.title}, against ${say(p.capacity)} MPa with a factor of ${factor}.`,
    working: () => [step('\u03c3', title.toLowerCase(), p.by, p.demand, 'MPa')],
    assumed: [`under.material ${m.id}`],
  })
}

function beamChecks(u: Beam, pushN: number, factors: Factors): Supported {
  const m = { id: u.material, factors }
  const row = SUPPORTS[u.material]
  return {
    checks: [
      stress('beam-bending', 'The beam in bending', m, {
        demand: (1.5 * pushN * u.spanMm) / (u.widthMm * u.heightMm ** 2),
        capacity: row.bendingMPa,
        how: `${say(pushN)} N in the middle of ${say(u.spanMm)} mm bend ${say(u.widthMm)} \u00d7 ${say(u.heightMm)} mm`,
        by: '1.5\u00b7P\u00b7span/(w\u00b7h\u00b2)',
      }),
      stress('beam-shear', 'The beam in shear', m, {
        demand: (0.75 * pushN) / (u.widthMm * u.heightMm),
        capacity: row.shearMPa,
        how: `Half of ${say(pushN)} N shears each side of ${say(u.widthMm)} \u00d7 ${say(u.heightMm)} mm`,
        by: '0.75\u00b7P/(w\u00b7h)',
      }),
    ],
    slenderness: null,
    bucklingMPa: null,
  }
}

function bulkheadChecks(u: Bulkhead, pushN: number, factors: Factors): Supported {
  const m = { id: u.material, factors }
  const slenderness = (u.heightMm * Math.sqrt(12)) / u.thicknessMm
  const most = bucklingMPa(u.material, slenderness)
  const be = Math.min(u.breadthMm ?? Infinity, u.contactMm + u.heightMm)
  return {
    checks: [
      stress('bulkhead-bearing', 'Bearing on the bulkhead', m, {
        demand: pushN / (u.thicknessMm * u.contactMm),
        capacity: SUPPORTS[u.material].fcMPa,
        how: `${say(pushN)} N rest on ${say(u.thicknessMm)} \u00d7 ${say(u.contactMm)} mm of its edge`,
        by: 'P/(t\u00b7contact)',
      }),
      stress('bulkhead-buckling', 'The bulkhead buckling', m, {
        demand: pushN / (u.thicknessMm * be),
        capacity: most,
        how: `${say(pushN)} N spread at 45\u00b0 over ${say(be)} mm of a bulkhead ${say(u.heightMm)} mm high`,
        by: 'P/(t\u00b7be)',
      }),
    ],
    slenderness,
    bucklingMPa: most,
  }
}

function postChecks(u: Post, pushN: number, factors: Factors): Supported {
  const s = sectionOf(u.section)
  const slenderness = (ENDS[u.ends] * u.lengthMm) / Math.sqrt(s.leastMm4 / s.areaMm2)
  const most = bucklingMPa(u.material, slenderness)
  return {
    checks: [
      stress(
        'post-buckling',
        'The post buckling',
        { id: u.material, factors },
        {
          demand: pushN / s.areaMm2,
          capacity: most,
          how: `${say(pushN)} N stand on ${say(s.areaMm2)} mm\u00b2 of a post ${say(u.lengthMm)} mm long, ${say(slenderness)} slender`,
          by: 'P/A',
        },
      ),
    ],
    slenderness,
    bucklingMPa: most,
  }
}

/** What carries the push in place of the deck; not the post's foot, which is a deck of its own. */
export function supportChecks(
  u: Exclude<Under, { kind: 'nothing' }>,
  pushN: number,
  factors: Factors,
): Supported {
  if (u.kind === 'beam') return beamChecks(u, pushN, factors)
  return u.kind === 'bulkhead' ? bulkheadChecks(u, pushN, factors) : postChecks(u, pushN, factors)
}
