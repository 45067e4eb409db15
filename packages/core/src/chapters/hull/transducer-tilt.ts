import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { tand } from '../../base/geometry/outline'
import { checkSchema, positive, verdictSchema } from '../../base/schema/schema'
import { check, say, worstVerdict, type Check } from '../../base/verdict/check'

const degrees = z.number().min(0).lt(60)
const input = z.strictObject({
  deadriseDeg: degrees,
  tiltsDeg: z.array(degrees).min(1),
  waterDepthM: positive().default(10),
  ahead: z.array(z.strictObject({ distanceMm: positive(), heightMm: positive() })).optional(),
})
const output = z.object({
  tiltDeg: z.number(),
  residualDeg: z.number(),
  offsetM: z.number(),
  wedgeDeg: z.number(),
  verdict: verdictSchema,
  checks: z.array(checkSchema),
})

export const transducerTilt = defineCalculator({
  name: 'transducer-tilt',
  title: 'Which tilted transducer',
  chapter: '5.9',
  words: ['transducer', 'echo-sounder', 'beam', 'tilt', 'deadrise', 'paddle wheel'],
  input,
  output,
  run: (v) => {
    const off = (t: number) => Math.abs(v.deadriseDeg - t)
    const tiltDeg = v.tiltsDeg.reduce((best, t) =>
      off(t) < off(best) - 1e-9 || (Math.abs(off(t) - off(best)) <= 1e-9 && t < best) ? t : best,
    )
    const r = v.deadriseDeg - tiltDeg
    const size = Math.abs(r)
    const tilt = check({
      id: 'tilt',
      title: 'Beam near plumb',
      unit: 'deg',
      source: 'chapter 5.9',
      demand: size,
      capacity: 6,
      verdict: size <= 3 + 1e-9 ? 'holds' : size <= 6 + 1e-9 ? 'tight' : 'short',
      because: `The ${say(tiltDeg)}\u00b0 element is ${say(size)}\u00b0 off plumb${size > 6 ? ': fair it on a wedge' : ''}; up to 3\u00b0 is good, 6\u00b0 the most.`,
    })
    const checks: Check[] = [tilt]
    if (v.ahead) {
      const worst = v.ahead.reduce<{ distanceMm: number; heightMm: number } | null>(
        (w, a) => (!w || a.heightMm / a.distanceMm > w.heightMm / w.distanceMm ? a : w),
        null,
      )
      const u = worst ? (20 * worst.heightMm) / worst.distanceMm : 0
      checks.push(
        check({
          id: 'clear-run',
          title: 'Clear water ahead',
          unit: 'mm',
          source: 'chapter 5.9',
          demand: worst ? 20 * worst.heightMm : 0,
          capacity: worst?.distanceMm ?? 1,
          verdict: u <= 1 + 1e-9 ? 'holds' : 'short',
          because: worst
            ? `A fitting ${say(worst.heightMm)} mm high stands ${say(worst.distanceMm)} mm ahead; 20 times its height is wanted.`
            : 'Nothing stands ahead of it.',
        }),
      )
    }
    return {
      tiltDeg,
      residualDeg: r,
      offsetM: v.waterDepthM * tand(r),
      wedgeDeg: tilt.verdict === 'short' ? size : 0,
      verdict: worstVerdict(checks.map((c) => c.verdict)),
      checks,
    }
  },
})
