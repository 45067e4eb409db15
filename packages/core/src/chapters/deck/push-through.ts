import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { invalid } from '../../base/errors'
import { areaOf, outlineSchema, perimeterOf, type Outline } from '../../base/geometry/outline'
import { DECK_METALS, laminateProperties } from '../../base/materials/laminates'
import {
  coreOf,
  fullThickness,
  loadedThickness,
  strengthsOf,
  structureSchema,
  type Structure,
} from '../../base/materials/structure'
import {
  checkSchema,
  dutySchema,
  factorsSchema,
  nonNegative,
  positive,
  verdictSchema,
  workingSchema,
} from '../../base/schema/schema'
import {
  check,
  governing,
  inWords,
  say,
  step,
  unproven,
  worstVerdict,
  written,
  type Check,
  type Draft,
  type Working,
} from '../../base/verdict/check'
import { factorsFor, type FactorKind } from '../../base/verdict/factors'
import { crushChecks, refusePlugWithoutCore } from './footprint'
import { contactOf, supportChecks, underSchema, type Under } from './supports'
import { asPlug, wholePlugSchema, type WholePlug } from './whole-plug'

export const PUSH_USES = ['mast-step', 'post', 'winch', 'ladder-foot', 'other'] as const
const input = z.strictObject({
  duty: dutySchema.default('coastal'),
  factors: factorsSchema.optional(),
  structure: structureSchema,
  base: outlineSchema({}),
  pushN: positive(),
  use: z.enum(PUSH_USES).default('other'),
  plug: wholePlugSchema.optional(),
  panel: z.strictObject({ lengthMm: positive(), widthMm: positive() }).optional(),
  solver: z.strictObject({ skinMPa: nonNegative(), coreShearMPa: nonNegative().optional() }).optional(),
  under: underSchema.optional(),
})
const output = z.object({
  checks: z.array(checkSchema),
  verdict: verdictSchema,
  governing: z.string(),
  carriedBy: z.enum(['deck', 'beam', 'bulkhead', 'post']),
  momentNmmPerMm: z.number().nullable(),
  slenderness: z.number().nullable(),
  bucklingMPa: z.number().nullable(),
  assumed: z.array(z.string()),
  working: workingSchema,
})
export type PushInput = z.output<typeof input>
export type PushOutput = z.infer<typeof output>
type Factors = Record<FactorKind, number>
type Sandwich = Extract<Structure, { kind: 'sandwich' }>
const SOURCE = 'chapter 18.2'

/** Bending strength of a timber deck, MPa; typical. */
const TIMBER_BENDING = { plywood: 45, softwood: 40 } as const
/** Of a simply supported plate by its sides' ratio, straight lines between. */
const BETA: [ratio: number, beta: number][] = [
  [1, 0.435],
  [1.2, 0.65],
  [1.4, 0.789],
  [1.6, 0.875],
  [1.8, 0.927],
  [2, 0.958],
  [3, 1],
]
function betaOf(ratio: number): number {
  const i = BETA.findIndex(([r]) => r > ratio)
  if (i < 0) return BETA.at(-1)![1]
  const [[r0, b0], [r1, b1]] = [BETA[i - 1]!, BETA[i]!]
  return b0 + ((b1 - b0) * (ratio - r0)) / (r1 - r0)
}
/**
 * Moment in the middle of a simply supported plate under a round patch of the base's area, N·mm a mm
 * (Westergaard's patch radius, ν 0.3).
 */
function platesMoment(v: PushInput): number | null {
  if (!v.panel) return null
  const [b, a] = [Math.min(v.panel.lengthMm, v.panel.widthMm), Math.max(v.panel.lengthMm, v.panel.widthMm)]
  const r0 = Math.sqrt(areaOf(v.base) / Math.PI)
  if (b <= 2 * r0)
    throw invalid(
      'panel',
      `The panel\u2019s short side of ${say(b)} mm is no wider than what stands on it (${say(2 * r0)} mm across); give the panel between its stiffeners`,
    )
  const T = fullThickness(v.structure)
  const r = r0 < 0.5 * T ? Math.sqrt(1.6 * r0 * r0 + T * T) - 0.675 * T : r0
  return Math.max(0, (v.pushN / (4 * Math.PI)) * (1.3 * Math.log((2 * b) / (Math.PI * r)) + betaOf(a / b)))
}

/** Crush of what lies right under a footprint that is pressed alone, bolts or not. */
function crushing(
  id: string,
  d: { structure: Structure; plug: WholePlug | undefined },
  o: Outline,
  pushN: number,
  factors: Factors,
) {
  const what = id.startsWith('foot') ? 'the post\u2019s foot' : 'the base'
  const plug = asPlug(d.plug)
  return crushChecks({
    where: 'base',
    what,
    structure: d.structure,
    plug,
    areaMm2: areaOf(o),
    plugs: 1,
    pressN: pushN,
    factors,
  }).map((c) => ({
    ...c,
    id: c.id.replace('crush-base', id),
    title: c.title.replace('the base', what),
    source: SOURCE,
  }))
}

/** Core and skins sheared round a footprint that is pushed through. */
function punching(
  prefix: string,
  d: { structure: Structure; plug: WholePlug | undefined },
  o: Outline,
  v: { pushN: number; coreShearMPa: number | undefined; factors: Factors },
): Check[] {
  const U = perimeterOf(o)
  const s = strengthsOf(d.structure)
  const out: Check[] = []
  if (d.structure.kind === 'sandwich') {
    const dd = d.structure.core.thicknessMm + (d.structure.outerMm + d.structure.innerMm) / 2
    const whole = d.plug && 'whole' in d.plug
    const core = coreOf(whole ? { material: d.plug!.material, thicknessMm: 1 } : d.structure.core)
    const demand = v.coreShearMPa ?? v.pushN / (U * dd)
    out.push(
      check({
        id: `${prefix}punching-core`,
        title: 'Core shear round the push',
        unit: 'MPa',
        source: SOURCE,
        demand,
        capacity: core.shearMPa,
        factor: v.factors.core,
        because: () =>
          `${say(v.pushN)} N go into the deck round ${say(U)} mm: ${say(demand)} MPa in ${core.title}${v.coreShearMPa === undefined ? '' : ' by the plate solver'}, which shears at ${say(core.shearMPa)} MPa; the factor is ${v.factors.core}.`,
        working: () => [
          step('dd', 'depth between mid-skins', 'tc + (to+ti)/2', dd, 'mm'),
          step(
            '\u03c4',
            'core shear',
            v.coreShearMPa === undefined ? 'P/(U\u00b7dd)' : 'plate solver',
            demand,
            'MPa',
          ),
        ],
        assumed: core.assumed.filter((a) => a === 'core.shearMPa'),
      }),
    )
  }
  const t = loadedThickness(d.structure)
  const demand = v.pushN / (U * t)
  out.push(
    check({
      id: `${prefix}punching-skin`,
      title: 'Punching of the skins',
      unit: 'MPa',
      source: SOURCE,
      demand,
      capacity: s.punchingMPa,
      factor: v.factors[s.factor],
      because: () =>
        `${say(v.pushN)} N push through ${say(U)} \u00d7 ${say(t)} mm: ${say(demand)} MPa, against ${say(s.punchingMPa)} MPa with a factor of ${v.factors[s.factor]}.`,
      working: () => [step('\u03c4', 'punching shear', 'P/(U\u00b7t)', demand, 'MPa')],
      assumed: s.assumed.filter((a) => a === 'punchingMPa'),
    }),
  )
  return out
}

function bendingStrength(s: Structure): number {
  if (s.kind === 'metal') return DECK_METALS[s.metal].yieldMPa
  if (s.kind === 'timber') return TIMBER_BENDING[s.timber]
  const row = laminateProperties(s.skin.laminate, s.skin.fibreFraction)
  return s.kind === 'sandwich' ? row.tensileMPa : row.bendingMPa
}
/** The deck bending between its stiffeners, by the solver where it was asked, else by the plate's formula. */
function skinBending(v: PushInput, moment: number | null, factors: Factors): Check {
  const s = v.structure
  const parts = {
    id: 'skin-bending',
    title: 'The deck bending under it',
    unit: 'MPa',
    source: SOURCE,
    capacity: bendingStrength(s),
    factor: factors[s.kind === 'metal' ? 'metal' : 'laminate'],
  }
  if (!v.solver && moment === null)
    return unproven({
      ...parts,
      because: 'The panel between its stiffeners is not given, so how far the deck bends is not known.',
    })
  const bySandwich = (p: Sandwich) =>
    moment! / ((p.core.thicknessMm + (p.outerMm + p.innerMm) / 2) * Math.min(p.outerMm, p.innerMm))
  const demand =
    v.solver?.skinMPa ?? (s.kind === 'sandwich' ? bySandwich(s) : (6 * moment!) / fullThickness(s) ** 2)
  const by = v.solver
    ? 'plate solver'
    : s.kind === 'sandwich'
      ? 'M/(dd\u00b7min(to, ti))'
      : '6\u00b7M/T\u00b2'
  return check({
    ...parts,
    demand,
    because: () =>
      `${say(v.pushN)} N bend the deck to ${say(demand)} MPa, against ${say(parts.capacity)} MPa with a factor of ${parts.factor}.`,
    working: () => [
      ...(moment === null
        ? []
        : [
            step(
              'M',
              'moment of the plate',
              'P/4\u03c0\u00b7[1.3\u00b7ln(2b/\u03c0r) + \u03b2]',
              moment,
              'N\u00b7mm/mm',
            ),
          ]),
      step('\u03c3', 'bending', by, demand, 'MPa'),
    ],
    assumed: s.kind === 'metal' ? [] : ['bendingMPa'],
  })
}

/** The deck squeezed between the base and what stands under it. */
function crushedOver(v: PushInput, under: Exclude<Under, { kind: 'nothing' }>, factors: Factors): Check[] {
  const s = v.structure
  if (s.kind === 'metal') return []
  const { areaMm2, perimeterMm } = contactOf(under)
  const sandwich = s.kind === 'sandwich'
  const whole = v.plug && 'whole' in v.plug ? v.plug : null
  const core = sandwich ? coreOf(whole ? { material: whole.material, thicknessMm: 1 } : s.core) : null
  const area = areaMm2 + (sandwich ? s.innerMm * perimeterMm : 0)
  const capacity = core?.compressiveMPa ?? strengthsOf(s).throughMPa!
  const factor = factors[sandwich ? 'core' : 'laminate']
  const demand = v.pushN / area
  return [
    check({
      id: `crush-over${sandwich ? (whole ? '-plug' : '-core') : ''}`,
      title: `Crush over the ${under.kind}`,
      unit: 'MPa',
      source: SOURCE,
      demand,
      capacity,
      factor,
      because: () =>
        `${say(v.pushN)} N go through ${say(area)} mm\u00b2 into the ${under.kind}: ${say(demand)} MPa, against ${say(capacity)} MPa with a factor of ${factor}.`,
      working: () => [
        step('A', 'what rests on it', sandwich ? 'Ao + ti\u00b7Uo' : 'Ao', area, 'mm\u00b2'),
        step('p', 'pressure over it', 'P/A', demand, 'MPa'),
      ],
    }),
  ]
}

const UNDER = { id: 'under', title: 'What stands under it', unit: '', source: SOURCE }
/** A mast stands on something: what, is asked, and that it is nothing is a decision. */
function underSaid(v: PushInput): Check[] {
  if (v.use !== 'mast-step') return []
  if (!v.under)
    return [
      unproven({
        ...UNDER,
        because:
          'A mast stands here and nobody has said what is under it: look, and name the beam, bulkhead or post.',
      }),
    ]
  if (v.under.kind !== 'nothing') return []
  return [
    inWords({
      ...UNDER,
      verdict: 'tight',
      because:
        'The deck alone carries the mast: a post or a bulkhead under it is what most builders would want.',
    }),
  ]
}

function footChecks(under: Under | undefined, pushN: number, factors: Factors): Draft[] {
  if (under?.kind !== 'post') return []
  if (!under.foot)
    return [
      unproven({
        id: 'foot',
        title: 'The post\u2019s foot',
        unit: '',
        source: SOURCE,
        because: 'What the post stands on is not said; the push ends there.',
      }),
    ]
  const deck = { structure: under.foot.structure, plug: under.foot.plug }
  const of = { pushN, coreShearMPa: undefined, factors }
  return [
    ...crushing('foot-crush', deck, under.foot.footprint, pushN, factors),
    ...punching('foot-', deck, under.foot.footprint, of),
  ]
}

function refusals(v: PushInput) {
  refusePlugWithoutCore(v.structure, asPlug(v.plug))
  if (v.under?.kind === 'post' && v.under.foot?.plug && v.under.foot.structure.kind !== 'sandwich')
    throw invalid('under.foot.plug', 'A core plug was given, but what the post stands on has no core')
}

/** A base that pushes down on a deck, and what takes it (18.2). */
export function pushThroughOf(v: PushInput): PushOutput {
  refusals(v)
  const factors = factorsFor(v.duty, v.factors)
  const moment = platesMoment(v)
  const deck = { structure: v.structure, plug: v.plug }
  const under = v.under && v.under.kind !== 'nothing' ? v.under : null
  const support = under && supportChecks(under, v.pushN, factors)
  const carries = under
    ? [...crushedOver(v, under, factors), ...support!.checks, ...footChecks(under, v.pushN, factors)]
    : [
        ...punching('', deck, v.base, { pushN: v.pushN, coreShearMPa: v.solver?.coreShearMPa, factors }),
        skinBending(v, moment, factors),
      ]
  const checks = [...crushing('crush', deck, v.base, v.pushN, factors), ...carries, ...underSaid(v)].map(
    written,
  )
  const working: Working = [
    step('P', 'push', '', v.pushN, 'N'),
    step('A', 'area of the base', '', areaOf(v.base), 'mm\u00b2'),
    step('U', 'its perimeter', '', perimeterOf(v.base), 'mm'),
  ]
  return {
    checks,
    verdict: worstVerdict(checks.map((c) => c.verdict)),
    governing: governing(checks)!.id,
    carriedBy: under?.kind ?? 'deck',
    momentNmmPerMm: under ? null : moment,
    slenderness: support?.slenderness ?? null,
    bucklingMPa: support?.bucklingMPa ?? null,
    assumed: [...new Set(checks.flatMap((c) => c.assumed))],
    working,
  }
}

export const pushThrough = defineCalculator({
  name: 'push-through',
  title: 'A base that only pushes',
  chapter: '18.2',
  words: ['mast step', 'post', 'winch', 'ladder', 'push', 'compression', 'beam', 'bulkhead', 'buckling'],
  input,
  output,
  run: pushThroughOf,
})
