import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { keptAnswer } from '../../base/calculator/kept'
import { SEALANT_IDS, sealant, type SealantId } from '../../base/materials/sealants'
import { nonNegative, positive } from '../../base/schema/schema'
import { say } from '../../base/verdict/check'

export const FACES = [
  'gelcoat',
  'laminate',
  'epoxy',
  'paint',
  'wood',
  'aluminium',
  'steel',
  'stainless',
  'bronze',
  'glass',
  'acrylic',
  'polycarbonate',
  'abs',
  'pvc',
  'nylon',
  'polyethylene',
  'acetal',
] as const
export const JOINTS = [
  'deck-hardware',
  'hatch-frame',
  'portlight-lens',
  'through-hull',
  'seacock-flange',
  'transducer',
  'chainplate-cover',
  'structural-bond',
  'fastener-only',
  'lid-or-bin',
] as const
const input = z.strictObject({
  place: z.enum(['above', 'waterline', 'below']),
  joint: z.enum(JOINTS),
  faces: z.array(z.enum(FACES)).length(2),
  serviceAgainYears: positive().optional(),
  movementMm: nonNegative().default(0),
  gapMm: positive().default(1.5),
  sunlight: z.boolean().default(false),
  fuelOrSolvent: z.boolean().default(false),
  toBePainted: z.boolean().default(false),
  load: z.enum(['none', 'some', 'structural']).default('none'),
  tempC: z.number().min(-30).max(60).default(18),
  humidityPct: z.number().min(0).max(100).default(60),
  /** values measured in place of the table's */
  measured: z
    .array(
      z.strictObject({
        sealant: z.enum(SEALANT_IDS),
        bondMPa: positive().optional(),
        movement: nonNegative().optional(),
      }),
    )
    .optional(),
})
const reasonSchema = z.object({
  code: z.string(),
  effect: z.enum(['refuse', 'care', 'note']),
  text: z.string(),
})
const fit = z.enum(['fits', 'fits-with-care', 'refused'])
const output = z.object({
  best: z.enum(SEALANT_IDS).nullable(),
  choices: z.array(
    z.object({ id: z.enum(SEALANT_IDS), score: z.number(), verdict: fit, reasons: z.array(reasonSchema) }),
  ),
  verdicts: z.record(z.enum(SEALANT_IDS), fit),
  codes: z.record(z.enum(SEALANT_IDS), z.array(z.string())),
})
type Input = z.output<typeof input>
export type SealantChoice = z.infer<typeof output>
type Reason = z.infer<typeof reasonSchema>

const SOON_YEARS = 15
const BOND_NEED = { none: 0.1, some: 1.0, structural: 3.0 } as const
/**
 * Weights of the four measures; the chapter asks only that each is above zero. Removal and sun count when
 * they are asked for.
 */
const WEIGHT = { movement: 30, bond: 30, removal: 20, sun: 20 }
const METALS = ['aluminium', 'steel', 'stainless', 'bronze']
const GLAZING = ['acrylic', 'polycarbonate']
const PLASTIC_FITTINGS = ['abs', 'pvc', 'nylon']
const WAXY = ['polyethylene', 'acetal']

const loadOf = (v: Input) => (v.joint === 'structural-bond' ? 'structural' : v.load)

const rowOf = (id: SealantId, v: Input) => {
  const own = v.measured?.find((m) => m.sealant === id)
  const table = sealant(id)
  return own
    ? { ...table, bondMPa: own.bondMPa ?? table.bondMPa, movement: own.movement ?? table.movement }
    : table
}

function reasonsFor(id: SealantId, v: Input): Reason[] {
  const s = rowOf(id, v)
  const has = (faces: string[]) => v.faces.some((f) => faces.includes(f))
  const pu = s.family === 'polyurethane'
  const hybrid = s.family === 'hybrid'
  const epoxy = id === 'epoxy-filled'
  const mma = id === 'methacrylate'
  const load = loadOf(v)
  const soon = v.serviceAgainYears !== undefined && v.serviceAgainYears < SOON_YEARS
  const out: Reason[] = []
  const add = (code: string, effect: Reason['effect'], text: string) => out.push({ code, effect, text })

  if (!s.belowWater && v.place !== 'above')
    add('below-waterline', 'refuse', 'Not for below the waterline or at it.')
  if (id === 'polysulfide' && has([...GLAZING, ...PLASTIC_FITTINGS]))
    add('attacks-plastic', 'refuse', 'It attacks this plastic.')
  if ((epoxy && has([...GLAZING, ...WAXY])) || (mma && has(WAXY)))
    add('will-not-bond', 'refuse', 'It does not bond to this plastic.')
  if (id === 'silicone-neutral' && v.toBePainted)
    add('blocks-later-bond', 'refuse', 'Nothing bonds or paints over silicone afterwards.')
  if (s.removability === 0 && soon)
    add(
      'permanent',
      load === 'structural' ? 'care' : 'refuse',
      `It has to come apart in ${say(v.serviceAgainYears!)} years and this one does not: ${s.removable}.`,
    )
  if (epoxy && ['through-hull', 'seacock-flange', 'transducer'].includes(v.joint) && has(METALS))
    add(
      'metal-through-hull',
      'refuse',
      'Metal through the hull is never set in epoxy: it cannot come out again.',
    )
  if (s.removability === 0 && (epoxy || mma)) {
    if (v.movementMm > 0) add('no-movement', 'refuse', 'The joint moves and this sets hard.')
  } else {
    const takes = s.movement * v.gapMm
    if (v.movementMm > takes)
      add(
        'movement',
        v.movementMm > 2 * takes ? 'refuse' : 'care',
        `The joint moves ${say(v.movementMm)} mm; a ${say(v.gapMm)} mm bead takes ${say(takes)} mm. ${s.movement > 0 ? `A bead of ${say(v.movementMm / s.movement)} mm would do.` : 'It takes none.'}`,
      )
  }
  if (load === 'structural') {
    const refuseUnder = v.joint === 'structural-bond' ? 3.0 : 1.0
    if (s.bondMPa < refuseUnder)
      add('too-weak', 'refuse', `It bonds at ${s.bondMPa} MPa; this load asks for ${refuseUnder}.`)
    else if (s.bondMPa < 3.0)
      add('too-weak', 'care', `It bonds at ${s.bondMPa} MPa; 3 is wished for under a structural load.`)
  }
  if (v.fuelOrSolvent && id === 'butyl') add('fuel', 'refuse', 'Fuel and solvents dissolve it.')
  if (v.fuelOrSolvent && id === 'silicone-neutral') add('fuel', 'care', 'Fuel swells it: look at it often.')
  if (v.tempC < s.applyC[0])
    add(
      'too-cold',
      'refuse',
      `The surface is ${say(v.tempC)} \u00b0C; it is worked from ${s.applyC[0]} \u00b0C.`,
    )
  if (v.tempC > s.applyC[1])
    add(
      'too-hot',
      'refuse',
      `The surface is ${say(v.tempC)} \u00b0C; it is worked up to ${s.applyC[1]} \u00b0C.`,
    )
  if (v.sunlight && s.sunlightMeasure === 0.3) add('sunlight', 'care', `In sunlight: ${s.sunlight}.`)
  if (pu && has(GLAZING))
    add(
      'primer-only',
      'care',
      id === 'pu-permanent'
        ? 'Only over the maker\u2019s primer, and it may craze.'
        : 'Only over the maker\u2019s primer.',
    )
  if (hybrid && has(GLAZING)) add('check-sheet', 'care', 'Check the maker\u2019s sheet for this plastic.')
  if (mma && has([...GLAZING, ...PLASTIC_FITTINGS]))
    add('test-first', 'care', 'Test on an offcut of this plastic first.')
  if (epoxy && has(PLASTIC_FITTINGS)) add('abrade', 'care', 'Abrade this plastic well.')
  if (has(WAXY) && id !== 'butyl' && !epoxy && !mma)
    add('poor-adhesion', 'care', 'Hardly anything sticks to this plastic; trust the clamp, not the bond.')
  if (v.humidityPct < 30 && s.moistureCure)
    add('dry-air', 'care', `It cures by moisture, and ${say(v.humidityPct)} % humidity is dry.`)

  if (s.removability >= 0.5)
    add(
      'removable',
      'note',
      id === 'butyl' ? 'Comes apart again without tearing gelcoat.' : `Comes apart: ${s.removable}.`,
    )
  if (s.keepAway) add('keep-away', 'note', `Keep away before it has cured: ${s.keepAway}.`)
  return out
}

function scoreOf(id: SealantId, v: Input): number {
  const s = rowOf(id, v)
  const measures: [number, number][] = [
    [WEIGHT.movement, v.movementMm === 0 ? 1 : Math.min(1, (s.movement * v.gapMm) / v.movementMm)],
    [WEIGHT.bond, Math.min(1, s.bondMPa / BOND_NEED[loadOf(v)])],
  ]
  if (v.serviceAgainYears !== undefined && v.serviceAgainYears < SOON_YEARS)
    measures.push([WEIGHT.removal, s.removability])
  if (v.sunlight) measures.push([WEIGHT.sun, s.sunlightMeasure])
  const total = measures.reduce((t, [w]) => t + w, 0)
  return (100 * measures.reduce((t, [w, m]) => t + w * m, 0)) / total
}

const FIT_ORDER = ['fits', 'fits-with-care', 'refused']
/** Only breaks ties: what comes off with more than one common cleaner is easier to live with. */
const cleans = (id: SealantId) => (sealant(id).cleans.includes(' or ') ? 1 : 0)

function ranked(v: Input): SealantChoice {
  const choices = SEALANT_IDS.map((id, order) => {
    const reasons = reasonsFor(id, v)
    const verdict = reasons.some((r) => r.effect === 'refuse')
      ? ('refused' as const)
      : reasons.some((r) => r.effect === 'care')
        ? ('fits-with-care' as const)
        : ('fits' as const)
    return { id, score: verdict === 'refused' ? 0 : scoreOf(id, v), verdict, reasons, order }
  }).sort((a, b) => {
    const byFit = FIT_ORDER.indexOf(a.verdict) - FIT_ORDER.indexOf(b.verdict)
    const byScore = Math.abs(a.score - b.score) > 1e-9 ? b.score - a.score : 0
    return (
      byFit || byScore || (a.verdict === 'refused' ? 0 : cleans(b.id) - cleans(a.id)) || a.order - b.order
    )
  })
  const per = <T>(f: (c: (typeof choices)[number]) => T) => {
    const out = {} as Record<SealantId, T>
    for (const id of SEALANT_IDS) out[id] = f(choices.find((c) => c.id === id)!)
    return out
  }
  return {
    best: choices[0]!.verdict === 'refused' ? null : choices[0]!.id,
    choices: choices.map(({ id, score, verdict, reasons }) => ({ id, score, verdict, reasons })),
    verdicts: per((c) => c.verdict),
    codes: per((c) =>
      c.reasons
        .filter((r) => r.effect !== 'note')
        .map((r) => r.code)
        .sort(),
    ),
  }
}

/** A try on a design seldom changes what its joints ask of a sealant, so within one it is asked once. */
export const chooseSealant = (v: Input): SealantChoice => keptAnswer(ranked, v, ranked)

export const sealantChoice = defineCalculator({
  name: 'sealant-choice',
  title: 'Which sealant',
  chapter: '4.1',
  words: ['sealant', 'bedding', 'butyl', 'polyurethane', 'silicone', 'tape or tube', 'adhesive'],
  input,
  output,
  run: ranked,
})
