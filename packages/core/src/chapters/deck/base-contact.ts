import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { CalcError } from '../../base/errors'
import { contains, discShape, rectangleShape } from '../../base/geometry/outline'
import { GRADES, GRADE_IDS, SIZES, SIZE_IDS, type GradeId } from '../../base/materials/fasteners'
import { nonNegative, pointSchema, positive, vectorSchema, workingSchema } from '../../base/schema/schema'
import { step } from '../../base/verdict/check'
import { shareAmong } from './bolt-group'
import type { Field } from './toe-strip'
import { cornersOf, heelLine, liftAt, solveContact, wholeMoments, type Footing, type Lift } from './contact'

const point = z.object({ xMm: z.number(), yMm: z.number() })
const input = z
  .strictObject({
    base: z.union([z.strictObject(rectangleShape), z.strictObject(discShape)]),
    bolts: z.array(pointSchema).min(1),
    loadN: vectorSchema,
    pointMm: vectorSchema.default({ x: 0, y: 0, z: 0 }),
    bolt: z.union([
      z.strictObject({ size: z.enum(SIZE_IDS), grade: z.enum(GRADE_IDS), gripMm: positive() }),
      z.strictObject({ stiffnessNPerMm: positive() }),
    ]),
    layers: z
      .array(z.strictObject({ thicknessMm: positive(), eMPa: positive() }))
      .min(1)
      .optional(),
    bedMPaPerMm: positive().optional(),
    preloadN: nonNegative().default(0),
  })
  .superRefine((v, ctx) => {
    if (!v.layers && v.bedMPaPerMm === undefined)
      ctx.addIssue({
        code: 'custom',
        path: ['layers'],
        message: 'layers is missing; give the layers under the base, or the bed\u2019s stiffness',
      })
    if (v.layers && v.bedMPaPerMm !== undefined)
      ctx.addIssue({
        code: 'custom',
        path: ['bedMPaPerMm'],
        message: 'Layers and a bed stiffness are both given; one of them is read',
      })
  })
const output = z.object({
  bolts: z.array(
    z.object({ tensionN: z.number(), shearN: z.number(), shearXN: z.number(), shearYN: z.number() }),
  ),
  maxTensionN: z.number(),
  sumTensionN: z.number(),
  deckForceN: z.number(),
  toePressureMPa: z.number(),
  toeAt: point.nullable(),
  contactFraction: z.number(),
  heelLine: z.array(point).length(2).nullable(),
  liftMm: z.number(),
  tiltXDeg: z.number(),
  tiltYDeg: z.number(),
  field: z.object({ centreMPa: z.number(), alongMPaPerMm: z.number(), acrossMPaPerMm: z.number() }),
  boltStiffnessNPerMm: z.number(),
  bedMPaPerMm: z.number(),
  handCheckMaxTensionN: z.number(),
  working: workingSchema,
})

type ContactInput = z.output<typeof input>
type ContactOutput = z.infer<typeof output>

/** kb = E·As/(grip + 1.5·d), N/mm. */
export const boltStiffness = (sizeId: string, grade: GradeId, gripMm: number) =>
  (GRADES[grade].eMPa * SIZES[sizeId]!.stressAreaMm2) / (gripMm + 1.5 * SIZES[sizeId]!.diameterMm)
/** k = 1/\u03a3(ti/Ei), MPa/mm. */
export const bedStiffness = (layers: { thicknessMm: number; eMPa: number }[]) =>
  1 / layers.reduce((s, l) => s + l.thicknessMm / l.eMPa, 0)

/** The pressure as the checks at the bolts take it (chapter 3.4): max(0, centre + along·x + across·y). */
export const fieldOf = ([w, tx, ty]: Lift, k: number): Field => ({
  centreMPa: -k * w,
  alongMPaPerMm: k * ty,
  acrossMPaPerMm: -k * tx,
})

function lowestOfRim(R: number, [, tx, ty]: Lift) {
  const s = Math.sqrt(tx * tx + ty * ty)
  return s === 0 ? { xMm: R, yMm: 0 } : { xMm: R * (ty / s), yMm: -R * (tx / s) }
}
function lowestCorner(base: { lengthMm: number; widthMm: number }, u: Lift) {
  const corners = cornersOf(base)
  let lowest = corners[0]!
  for (const c of corners) if (liftAt(u, c) < liftAt(u, lowest)) lowest = c
  return lowest
}
/** Greatest pressure on the outline: a corner, or on a disc the lowest rim point. */
export function toe(
  base: Footing,
  u: Lift,
  k: number,
): { toePressureMPa: number; toeAt: { xMm: number; yMm: number } | null } {
  const lowest = 'diameterMm' in base ? lowestOfRim(base.diameterMm / 2, u) : lowestCorner(base, u)
  const p = -k * liftAt(u, lowest)
  return p > 0 ? { toePressureMPa: p, toeAt: lowest } : { toePressureMPa: 0, toeAt: null }
}

/** How a stiff base rests under a load anywhere, its bolts pulling and the deck pushing (chapter 3.3). */
export function baseContactOf(v: ContactInput): ContactOutput {
  v.bolts.forEach((b, i) => {
    if (!contains(v.base, b))
      throw new CalcError(
        'bolt-outside-base',
        `bolts.${i}`,
        `Bolt ${i + 1} at ${b.xMm}, ${b.yMm} mm does not stand inside the base`,
      )
  })
  const kb =
    'stiffnessNPerMm' in v.bolt
      ? v.bolt.stiffnessNPerMm
      : boltStiffness(v.bolt.size, v.bolt.grade, v.bolt.gripMm)
  const k = v.bedMPaPerMm ?? bedStiffness(v.layers!)
  const { loadN: F, pointMm: q } = v
  const [Mx, My] = [q.y * F.z - q.z * F.y, q.z * F.x - q.x * F.z]
  const hand = shareAmong(v.bolts, F, q)
  const idle = F.z === 0 && Mx === 0 && My === 0 && v.preloadN === 0
  const found = idle
    ? { lift: [0, 0, 0] as Lift, tensions: v.bolts.map(() => 0), pressed: { A: 0 }, pressedForceN: 0 }
    : solveContact({ footing: v.base, bolts: v.bolts, kb, k, preloadN: v.preloadN, Fz: F.z, Mx, My })
  if (!found) throw new CalcError('not-converged', 'loadN', 'No rest was found for this base under this load')
  const bolts = hand.bolts.map((b, i) => ({
    tensionN: found.tensions[i]!,
    shearN: b.shearN,
    shearXN: b.shearXN,
    shearYN: b.shearYN,
  }))
  const area = wholeMoments(v.base).A
  const maxTensionN = Math.max(...found.tensions)
  const sumTensionN = found.tensions.reduce((s, t) => s + t, 0)
  const t = idle ? { toePressureMPa: 0, toeAt: null } : toe(v.base, found.lift, k)
  const deckForceN = t.toeAt ? found.pressedForceN : 0
  return {
    bolts,
    maxTensionN,
    sumTensionN,
    deckForceN,
    ...t,
    contactFraction: found.pressed.A / area,
    heelLine: idle ? null : heelLine(v.base, found.lift),
    liftMm: found.lift[0],
    tiltXDeg: (found.lift[1] * 180) / Math.PI,
    tiltYDeg: (found.lift[2] * 180) / Math.PI,
    field: fieldOf(found.lift, k),
    boltStiffnessNPerMm: kb,
    bedMPaPerMm: k,
    handCheckMaxTensionN: hand.maxTensionN,
    working: [
      step('kb', 'stiffness of a bolt', 'E·As/(grip + 1.5·d)', kb, 'N/mm'),
      step('k', 'stiffness of the bed', '1/\u03a3(ti/Ei)', k, 'MPa/mm'),
      step('\u03a3T', 'pull of all bolts', '', sumTensionN, 'N'),
      step('\u222bp', 'push of the deck', '\u03a3T \u2212 Fz', deckForceN, 'N'),
      step('p', 'greatest pressure, at the toe', 'k·max(0, \u2212\u03b4)', t.toePressureMPa, 'MPa'),
      step('hand', 'greatest pull by the hand check', 'elastic about the centroid', hand.maxTensionN, 'N'),
    ],
  }
}

export const baseContact = defineCalculator({
  name: 'base-contact',
  title: 'A stiff base that can only push',
  chapter: '3.3',
  words: ['stanchion', 'lever', 'heel line', 'toe pressure', 'prying', 'bitt', 'winch'],
  input,
  output,
  run: baseContactOf,
})
