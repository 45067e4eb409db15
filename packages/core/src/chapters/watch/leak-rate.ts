import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { nonNegative, positive, verdictSchema } from '../../base/schema/schema'
import { say, type Verdict } from '../../base/verdict/check'
import { GRAVITY } from '../load/design-load'

const reading = z.strictObject({
  minute: nonNegative(),
  levelMm: z.number().optional(),
  volumeL: nonNegative().optional(),
})
const input = z
  .strictObject({
    way: z.enum(['gains', 'loses']),
    readings: z.array(reading).min(2),
    areaM2: positive().optional(),
    resolutionMm: positive().optional(),
    resolutionL: positive().optional(),
    evaporationMmPerDay: nonNegative().optional(),
    seeLph: positive().default(0.5),
    headMm: positive().optional(),
  })
  .superRefine((v, ctx) => {
    const refuse = (path: (string | number)[], message: string) =>
      ctx.addIssue({ code: 'custom', path, message })
    const first = v.readings[0]!
    const levels = first.levelMm !== undefined
    const [own, other] = levels ? (['levelMm', 'volumeL'] as const) : (['volumeL', 'levelMm'] as const)
    v.readings.forEach((r, i) => {
      if (r[own] === undefined)
        refuse(['readings', i, own], `${own} is missing; all readings are of one sort, as the first is`)
      if (r[other] !== undefined)
        refuse(['readings', i, other], 'A level and a volume are both given; one of them is read')
    })
    if (v.readings.every((r) => r.minute === first.minute))
      refuse(['readings'], 'All were read in one minute; a rate wants time between them')
    if (v.areaM2 === undefined && (levels || (v.evaporationMmPerDay ?? 0) > 0))
      refuse(['areaM2'], 'areaM2 is missing; a level is water only over an area')
    if (levels && v.resolutionL !== undefined)
      refuse(['resolutionL'], 'Levels are read in mm; say how finely, in mm')
    if (!levels && v.resolutionMm !== undefined)
      refuse(['resolutionMm'], 'Volumes are read in litres; say how finely, in litres')
    if (!levels && v.resolutionL === undefined)
      refuse(['resolutionL'], 'resolutionL is missing; how finely the volume is read is needed')
  })
const maybe = z.number().nullable()
const output = z.object({
  spanMin: z.number(),
  netLph: z.number(),
  evaporationLph: z.number(),
  leakLph: z.number(),
  lowLph: z.number(),
  highLph: z.number(),
  resolutionL: z.number(),
  minutesNeeded: maybe,
  holeMm: maybe,
  holeLowMm: maybe,
  holeHighMm: maybe,
  codes: z.array(z.string()),
  verdict: verdictSchema,
  because: z.string(),
  cautions: z.array(z.string()),
})
type Input = z.output<typeof input>
const SURE = [12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228]
/** Student's t, 95 %, by degrees of freedom; none for two readings, whose line fits exactly. */
const sure = (freedom: number) => (freedom < 1 ? 0 : (SURE[freedom - 1] ?? 1.96 + 2.7 / freedom))
const EVAPORATION_MM = 4
const CD = 0.6

/** Least squares line of litres on minutes: its slope and how surely it is known. */
function lineOf(points: { t: number; l: number }[]): { slope: number; deviation: number } {
  const n = points.length
  const mean = (f: (p: { t: number; l: number }) => number) => points.reduce((s, p) => s + f(p), 0) / n
  const [t0, l0] = [mean((p) => p.t), mean((p) => p.l)]
  const spread = points.reduce((s, p) => s + (p.t - t0) ** 2, 0)
  const slope = points.reduce((s, p) => s + (p.t - t0) * (p.l - l0), 0) / spread
  const residual = points.reduce((s, p) => s + (p.l - l0 - slope * (p.t - t0)) ** 2, 0)
  return { slope, deviation: n > 2 ? Math.sqrt(residual / (n - 2) / spread) : 0 }
}
/** Diameter of a round hole that lets so much through under a head (chapter 5.7), mm. */
function holeFor(lph: number, headMm: number | undefined): number | null {
  if (headMm === undefined) return null
  if (lph <= 0) return 0
  const areaM2 = lph / 1000 / 3600 / (CD * Math.sqrt((2 * GRAVITY * headMm) / 1000))
  return Math.sqrt((4 * areaM2) / Math.PI) * 1000
}

function spreadOf(v: Input) {
  const levels = v.readings[0]!.levelMm !== undefined
  const litres = (r: Input['readings'][number]) => (levels ? r.levelMm! * v.areaM2! : r.volumeL!)
  const minutes = v.readings.map((r) => r.minute)
  const spanMin = Math.max(...minutes) - Math.min(...minutes)
  const { slope, deviation } = lineOf(v.readings.map((r) => ({ t: r.minute, l: litres(r) })))
  const resolutionL = levels ? (v.resolutionMm ?? 1) * v.areaM2! : v.resolutionL!
  const usual = v.way === 'loses' && v.areaM2 !== undefined ? EVAPORATION_MM : 0
  const E = ((v.evaporationMmPerDay ?? usual) * (v.areaM2 ?? 0)) / 24
  const netLph = (v.way === 'gains' ? 60 : -60) * slope
  const leakLph = v.way === 'gains' ? netLph + E : netLph - E
  const half = 60 * sure(v.readings.length - 2) * deviation + (60 * resolutionL) / spanMin + E / 2
  return {
    spanMin,
    netLph,
    evaporationLph: E,
    leakLph,
    lowLph: leakLph - half,
    highLph: leakLph + half,
    resolutionL,
  }
}
type Spread = ReturnType<typeof spreadOf>

function verdictOf(v: Input, s: Spread, needed: number | null): { verdict: Verdict; because: string } {
  if (s.highLph < 0)
    return {
      verdict: 'unproven',
      because: 'The water went the other way: it rained, or a pump ran. Try again.',
    }
  if (s.highLph <= v.seeLph + 1e-9 && needed !== null && s.spanMin >= needed - 1e-9)
    return {
      verdict: 'holds',
      because: `At most ${say(s.highLph)} litres an hour: watertight so far as was asked, ${say(v.seeLph)}.`,
    }
  if (s.lowLph > 0)
    return { verdict: 'short', because: `It leaks: at least ${say(s.lowLph)} litres an hour.` }
  return {
    verdict: 'unproven',
    because:
      needed === null
        ? 'More evaporates than a leak of that size would show; cover it and try again.'
        : `Between ${say(Math.max(0, s.lowLph))} and ${say(s.highLph)} litres an hour: ${needed} minutes would show ${say(v.seeLph)}.`,
  }
}

export const leakRate = defineCalculator({
  name: 'leak-rate',
  title: 'How fast it leaks',
  chapter: '16.4',
  words: ['leak', 'bilge', 'litres', 'flood test', 'cockpit', 'plug'],
  input,
  output,
  run: (v) => {
    const s = spreadOf(v)
    const see = v.seeLph - s.evaporationLph / 2
    const minutesNeeded = see > 0 ? Math.ceil((60 * s.resolutionL) / see - 1e-9) : null
    const short = minutesNeeded !== null && s.spanMin < minutesNeeded - 1e-9
    return {
      ...s,
      minutesNeeded,
      holeMm: holeFor(s.leakLph, v.headMm),
      holeLowMm: holeFor(s.lowLph, v.headMm),
      holeHighMm: holeFor(s.highLph, v.headMm),
      codes: [
        ...(minutesNeeded === null ? ['cover-it'] : []),
        ...(v.readings.length === 2 ? ['few'] : []),
        ...(short ? ['short-test'] : []),
        ...(s.highLph < 0 ? ['wrong-way'] : []),
      ],
      ...verdictOf(v, s, minutesNeeded),
      cautions: [...(v.way === 'gains' ? ['under-the-waterline'] : []), 'working-alone'],
    }
  },
})
