import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { CalcError, invalid } from '../../base/errors'
import { CORES, CORE_IDS, HOLE_SAWS, type CoreId } from '../../base/materials/cores'
import {
  dutySchema,
  factorsSchema,
  nonNegative,
  positive,
  verdictSchema,
  workingSchema,
} from '../../base/schema/schema'
import { step, utilisationOf, verdictOf, type Verdict, type Working } from '../../base/verdict/check'
import { factorsFor } from '../../base/verdict/factors'

export const CORE_SCHOOLS = ['bore-fill', 'reef', 'insert', 'seal-wall', 'none'] as const
export type CoreSchool = (typeof CORE_SCHOOLS)[number]

const input = z
  .strictObject({
    school: z.enum(CORE_SCHOOLS),
    holeMm: positive(),
    boreMm: positive().optional(),
    undercutMm: positive().optional(),
    outerSkinMm: positive(),
    coreMm: nonNegative(),
    innerSkinMm: nonNegative(),
    core: z.enum([...CORE_IDS, 'none']),
    holes: z.number().int().min(1).default(1),
    waste: nonNegative().optional(),
    torn: z.boolean().default(false),
    insert: z
      .strictObject({ lengthMm: positive(), widthMm: positive(), bedMm: positive().default(1) })
      .optional(),
    lightLoad: z.boolean().default(true),
    crushed: z.boolean().default(false),
    chamferMm: positive().optional(),
    sleeve: z
      .strictObject({
        outerMm: positive(),
        innerMm: positive(),
        yieldMPa: positive(),
        preloadN: nonNegative(),
      })
      .optional(),
    duty: dutySchema.default('coastal'),
    factors: factorsSchema.optional(),
  })
  .superRefine((v, ctx) => {
    const say = (path: string, message: string) =>
      ctx.addIssue({ code: 'custom', path: path.split('.'), message })
    if (v.core === 'none' ? v.coreMm !== 0 : v.coreMm === 0)
      say(
        'coreMm',
        v.core === 'none'
          ? `${v.coreMm} was given; where there is no core its thickness is 0`
          : 'A core has a thickness above 0',
      )
    if (v.core !== 'none' && v.innerSkinMm === 0) say('innerSkinMm', 'A cored deck has an inner skin above 0')
    if (v.school === 'insert' && !v.insert)
      say('insert', 'insert is missing; this school needs the length and width cut out')
    if (v.sleeve && v.sleeve.innerMm >= v.sleeve.outerMm)
      say(
        'sleeve.innerMm',
        `${v.sleeve.innerMm} was given; the bore of a sleeve is below its outer ${v.sleeve.outerMm} mm`,
      )
  })
const output = z.object({
  boreMm: z.number().nullable(),
  undercutMm: z.number().nullable(),
  wallMm: z.number().nullable(),
  wallLeastMm: z.number().nullable(),
  utilisation: z.number().nullable(),
  verdict: verdictSchema,
  fillEachMl: z.number(),
  fillTotalMl: z.number(),
  plugAreaMm2: z.number(),
  insertVolumeMl: z.number(),
  chamfer: z.object({ allowed: z.boolean(), volumeEachMl: z.number() }).nullable(),
  sleeve: z
    .object({
      areaMm2: z.number(),
      capacityN: z.number(),
      utilisation: z.number().nullable(),
      verdict: verdictSchema,
    })
    .nullable(),
  cautions: z.array(z.string()),
  steps: z.array(z.object({ id: z.string(), text: z.string() })),
  because: z.string(),
  working: workingSchema,
})
export type CorePlugOutput = z.infer<typeof output>
export type CorePlugInput = z.output<typeof input>

export const CORE_STEP_TEXT: Record<string, string> = {
  bore: 'Bore through the outer skin and the core; leave the inner skin whole.',
  drill: 'Drill to size, from the show side, the break-through backed with scrap.',
  reef: 'Hook the core back all round between the skins and clear the dust out.',
  tape: 'Tape the underside shut so that the fill cannot run out.',
  'wet-out': 'Wet the wall with unfilled epoxy until it stops drinking.',
  fill: 'Fill with thickened epoxy from the bottom up, so that no air stays in.',
  cure: 'Let it cure to sanding strength before a drill touches it.',
  redrill: 'Redrill to the clearance size through the middle of the plug.',
  'cut-out': 'Cut the outer skin and the core away under the whole base; keep the piece as a coupon.',
  'bond-insert': 'Bond the insert in on a full bed of filled epoxy.',
  relaminate: 'Relaminate the outer skin over the insert, with a bevel.',
  'seal-wall': 'Seal the wall of the hole with two coats of epoxy.',
  chamfer: 'Countersink the top of the hole at 45\u00b0, to hold a ring of bedding.',
}
const STEPS: Record<CoreSchool, string[]> = {
  'bore-fill': ['bore', 'tape', 'wet-out', 'fill', 'cure', 'redrill'],
  reef: ['drill', 'reef', 'tape', 'wet-out', 'fill', 'cure', 'redrill'],
  insert: ['cut-out', 'bond-insert', 'relaminate', 'cure', 'drill'],
  'seal-wall': ['drill', 'seal-wall', 'cure'],
  none: ['drill'],
}
const disc = (d: number) => (Math.PI / 4) * d * d

interface Walls {
  boreMm: number | null
  undercutMm: number | null
  wallMm: number | null
  plugAreaMm2: number
  fillEachMl: number
  working: Working
}

/** Least wall of epoxy between a hole and its core, mm: more where the core rots. */
export const leastWallMm = (core: CorePlugInput['core']) => (core !== 'none' && CORES[core].rots ? 4 : 3)

/** The least hole saw that leaves the least wall; null where none of the shop does. */
export const leastBoreMm = (core: CoreId | 'none', holeMm: number): number | null =>
  HOLE_SAWS.find((s) => s >= holeMm + 2 * leastWallMm(core) - 1e-9) ?? null
/**
 * The least hole saw that leaves more wall than is asked, not just enough; null where none of the shop
 * does.
 */
export const easyBoreMm = (core: CoreId, holeMm: number): number | null =>
  HOLE_SAWS.find((s) => s > holeMm && leastWallMm(core) / ((s - holeMm) / 2) <= 0.9) ?? null

function walls(v: CorePlugInput, leastMm: number): Walls {
  const nothing = {
    boreMm: null,
    undercutMm: null,
    wallMm: null,
    plugAreaMm2: 0,
    fillEachMl: 0,
    working: [] as Working,
  }
  const hole = v.holeMm
  if (v.school === 'bore-fill') {
    const boreMm = v.boreMm ?? HOLE_SAWS.find((s) => s >= hole + 2 * leastMm - 1e-9)
    if (boreMm === undefined)
      throw new CalcError(
        'bore-too-small',
        'boreMm',
        `No hole saw of the shop leaves ${leastMm} mm round a ${hole} mm hole; the largest is ${HOLE_SAWS.at(-1)} mm`,
      )
    if (boreMm <= hole)
      throw new CalcError(
        'bore-too-small',
        'boreMm',
        `A bore of ${boreMm} mm leaves no wall round a ${hole} mm hole; it is wider than the hole`,
      )
    const fillEachMl = (disc(boreMm) * (v.outerSkinMm + v.coreMm)) / 1000
    const wallMm = (boreMm - hole) / 2
    return {
      ...nothing,
      boreMm,
      wallMm,
      plugAreaMm2: disc(boreMm) - disc(hole),
      fillEachMl,
      working: [
        step('w', 'epoxy left round the hole', '(D \u2212 hole)/2', wallMm, 'mm'),
        step('fill', 'each', '(\u03c0/4)\u00b7D\u00b2\u00b7(to + tc)', fillEachMl, 'ml'),
      ],
    }
  }
  if (v.school === 'reef') {
    const u = v.undercutMm ?? leastMm
    const fillEachMl = (disc(hole) * v.outerSkinMm + disc(hole + 2 * u) * v.coreMm) / 1000
    return {
      ...nothing,
      undercutMm: u,
      wallMm: u,
      plugAreaMm2: disc(hole + 2 * u) - disc(hole),
      fillEachMl,
      working: [
        step('u', 'core hooked back', '', u, 'mm'),
        step('fill', 'each', '(\u03c0/4)(hole\u00b2\u00b7to + (hole + 2u)\u00b2\u00b7tc)', fillEachMl, 'ml'),
      ],
    }
  }
  if (v.school === 'insert') {
    const { lengthMm, widthMm, bedMm } = v.insert!
    const area = lengthMm * widthMm
    const plugAreaMm2 = area - v.holes * disc(hole)
    if (!(plugAreaMm2 > 0))
      throw invalid('insert', 'The holes leave nothing of this insert; a larger one is needed')
    const fillEachMl = (bedMm * (area + 2 * (lengthMm + widthMm) * v.coreMm)) / 1000
    return {
      ...nothing,
      plugAreaMm2,
      fillEachMl,
      working: [
        step('bed', 'round and under the insert', 'bed\u00b7(area + perimeter\u00b7tc)', fillEachMl, 'ml'),
      ],
    }
  }
  return nothing
}

function judge(
  v: CorePlugInput,
  wallMm: number | null,
  leastMm: number,
): { utilisation: number | null; verdict: Verdict; because: string } {
  const rots = v.core !== 'none' && CORES[v.core].rots
  const name = v.core === 'none' ? 'solid laminate' : CORES[v.core].title
  if (wallMm !== null) {
    const utilisation = utilisationOf(leastMm, wallMm, 1)
    return {
      utilisation,
      verdict: utilisation === null ? 'short' : verdictOf(utilisation),
      because: `${Number(wallMm.toFixed(2))} mm of epoxy stand between the hole and ${name}; ${leastMm} mm is the least.`,
    }
  }
  if (v.school === 'insert')
    return {
      utilisation: null,
      verdict: 'holds',
      because: 'The core is gone under the whole base; an insert stands there instead.',
    }
  if (v.school === 'none')
    return v.core === 'none'
      ? { utilisation: null, verdict: 'holds', because: 'Solid laminate: there is no core to keep dry.' }
      : { utilisation: null, verdict: 'short', because: `The hole would stand open to ${name}.` }
  const why = [
    rots && `${name} rots`,
    !v.lightLoad && 'the load is not light',
    v.crushed && 'the core is crushed',
  ].filter(Boolean)
  return why.length
    ? { utilisation: null, verdict: 'short', because: `A sealed wall is not enough here: ${why.join(', ')}.` }
    : {
        utilisation: null,
        verdict: 'holds',
        because: `${name} cannot rot and the load is light; the wall is sealed.`,
      }
}

export function corePlugOf(v: CorePlugInput): CorePlugOutput {
  if (v.core === 'none' && v.school !== 'none')
    throw new CalcError(
      'no-core',
      'school',
      `"${v.school}" treats a core, and here there is none; "none" is accepted`,
    )
  const leastMm = leastWallMm(v.core)
  const w = walls(v, leastMm)
  const j = judge(v, w.wallMm, leastMm)
  const waste = v.waste ?? (v.torn ? 0.5 : 0.25)
  const solidPlug = v.school === 'bore-fill' || v.school === 'reef' || v.school === 'insert'
  const cw = v.chamferMm
  // On a thin outer skin the countersink would reach the core, unless what it reaches is solid.
  const allowed = cw !== undefined && (solidPlug || v.core === 'none' || v.outerSkinMm >= 2 * cw)
  const [r, R] = [v.holeMm / 2, v.holeMm / 2 + (cw ?? 0)]
  const sleeve = v.sleeve ? { areaMm2: disc(v.sleeve.outerMm) - disc(v.sleeve.innerMm), ...v.sleeve } : null
  const capacityN = sleeve ? sleeve.areaMm2 * sleeve.yieldMPa : 0
  const sleeveU = sleeve
    ? utilisationOf(sleeve.preloadN, capacityN, factorsFor(v.duty, v.factors).metal)
    : null
  return {
    boreMm: w.boreMm,
    undercutMm: w.undercutMm,
    wallMm: w.wallMm,
    wallLeastMm: w.wallMm === null ? null : leastMm,
    ...j,
    fillEachMl: w.fillEachMl,
    fillTotalMl: w.fillEachMl * (v.school === 'insert' ? 1 : v.holes) * (1 + waste),
    plugAreaMm2: w.plugAreaMm2,
    insertVolumeMl: v.school === 'insert' ? (v.insert!.lengthMm * v.insert!.widthMm * v.coreMm) / 1000 : 0,
    chamfer:
      cw === undefined
        ? null
        : {
            allowed,
            volumeEachMl: allowed
              ? ((Math.PI / 3) * cw * (R * R + R * r + r * r) - Math.PI * r * r * cw) / 1000
              : 0,
          },
    sleeve: sleeve
      ? { areaMm2: sleeve.areaMm2, capacityN, utilisation: sleeveU, verdict: verdictOf(sleeveU) }
      : null,
    cautions: v.school === 'seal-wall' ? ['water-at-skins'] : [],
    steps: [...STEPS[v.school], ...(allowed ? ['chamfer'] : [])].map((id) => ({
      id,
      text: CORE_STEP_TEXT[id]!,
    })),
    working: w.working,
  }
}

export const corePlug = defineCalculator({
  name: 'core-plug',
  title: 'Keeping water out of the core',
  chapter: '3.6',
  words: ['core', 'balsa', 'bore', 'epoxy', 'fill', 'insert', 'chamfer', 'sleeve', 'rot'],
  input,
  output,
  run: corePlugOf,
})
