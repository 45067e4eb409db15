import { z } from 'zod'
import { withNumbers } from '../../base/attempts'
import { defineCalculator } from '../../base/calculator/calculator'
import { checkSchema, nonNegative, positive, verdictSchema } from '../../base/schema/schema'
import { check, say, unproven, worstVerdict, type Check } from '../../base/verdict/check'

const input = z
  .strictObject({
    hullMm: positive(),
    padMm: nonNegative(),
    beddingMm: nonNegative().default(1),
    padStepMm: positive().default(1),
    holeMm: positive().optional(),
    solidDiameterMm: positive().optional(),
    fitting: z.strictObject({
      tailMm: positive(),
      tailOdMm: positive().optional(),
      holeMm: positive(),
      flangeMm: positive(),
      leastTotalMm: positive(),
      greatestTotalMm: positive().optional(),
      windowMm: z.array(nonNegative()).length(2),
      nutMm: nonNegative(),
      collarMm: nonNegative().default(0),
    }),
  })
  .superRefine((v, ctx) => {
    const [a, b] = v.fitting.windowMm as [number, number]
    if (a >= b)
      ctx.addIssue({
        code: 'custom',
        path: ['fitting', 'windowMm'],
        message: `[${a}, ${b}] was given; the first end of the window is below the second`,
      })
  })
const output = z.object({
  totalMm: z.number(),
  padWantedMm: z.number(),
  standingMm: z.number(),
  trimMm: z.number(),
  cutLengthMm: z.number(),
  longestPadMm: z.number().nullable(),
  stickMm: z.array(z.number()),
  holeMm: z.number(),
  verdict: verdictSchema,
  checks: z.array(checkSchema),
})
const GRAIN = 1e-9
const SOURCE = 'chapter 5.3'

export const throughHullStack = defineCalculator({
  name: 'through-hull-stack',
  title: 'The stack of a through-hull',
  chapter: '5.3',
  words: ['skin fitting', 'tail', 'trim', 'pad thickness', 'check stick', 'mushroom', 'seacock'],
  input,
  output,
  tries: (v) => {
    const step = v.padStepMm
    const least = Math.ceil(Math.max(0, v.fitting.leastTotalMm - v.hullMm) / step) * step
    const room =
      v.fitting.tailMm -
      (v.beddingMm + v.hullMm + v.fitting.collarMm + v.fitting.nutMm) -
      v.fitting.windowMm[0]!
    const most = Math.floor(room / step) * step
    return [
      ...withNumbers(
        v,
        'padMm',
        [...new Set([least, most])].filter((n) => n >= 0 && n !== v.padMm),
        (n) => (n === 0 ? 'no pad' : `a pad of ${n} mm`),
      ),
      ...(v.fitting.tailOdMm === undefined
        ? []
        : withNumbers(v, 'holeMm', [Math.ceil(v.fitting.tailOdMm + 2)], (n) => `a hole of ${n} mm`)),
      ...(v.solidDiameterMm === undefined
        ? []
        : withNumbers(
            v,
            'solidDiameterMm',
            [Math.ceil(1.5 * v.fitting.flangeMm)],
            (n) => `solid over ${n} mm`,
          )),
    ]
  },
  run: (v) => {
    const f = v.fitting
    const [a, b] = f.windowMm as [number, number]
    const total = v.hullMm + v.padMm
    const s = f.tailMm - (v.beddingMm + total + f.collarMm + f.nutMm)
    const padWantedMm = Math.ceil(Math.max(0, f.leastTotalMm - v.hullMm) / v.padStepMm - GRAIN) * v.padStepMm
    const trimMm = s > b + GRAIN ? s - (a + b) / 2 : 0
    const longest = v.padMm + s - a
    const holeMm = v.holeMm ?? f.holeMm
    const geometry = (
      id: string,
      title: string,
      demand: number,
      capacity: number,
      ok: boolean,
      because: string,
    ) =>
      check({
        id,
        title,
        unit: 'mm',
        source: SOURCE,
        demand,
        capacity,
        verdict: ok ? 'holds' : 'short',
        because,
      })
    const checks: Check[] = [
      geometry(
        'total-least',
        'Thick enough together',
        f.leastTotalMm,
        total,
        total >= f.leastTotalMm - GRAIN,
        `Hull and pad make ${say(total)} mm; the fitting wants at least ${say(f.leastTotalMm)} mm.`,
      ),
    ]
    if (f.greatestTotalMm !== undefined)
      checks.push(
        geometry(
          'total-most',
          'Not too thick together',
          total,
          f.greatestTotalMm,
          total <= f.greatestTotalMm + GRAIN,
          `Hull and pad make ${say(total)} mm; the fitting takes up to ${say(f.greatestTotalMm)} mm.`,
        ),
      )
    checks.push(
      geometry(
        'tail-length',
        'Tail long enough',
        a,
        s,
        s >= a - GRAIN,
        s >= a - GRAIN
          ? `The tail stands ${say(s)} mm above the nut; ${say(a)} to ${say(b)} mm are wanted${trimMm ? `, so trim ${say(trimMm)} mm` : ''}.`
          : `The tail stands ${say(s)} mm above the nut, and at least ${say(a)} mm are wanted: ${longest < 0 ? 'no pad at all will do' : `the pad may be ${say(longest)} mm at most`}.`,
      ),
    )
    if (f.tailOdMm === undefined)
      checks.push(
        unproven({
          id: 'hole-clearance',
          title: 'Room for bedding in the hole',
          unit: 'mm',
          source: SOURCE,
          because: 'The tail\u2019s diameter is not given.',
        }),
      )
    else {
      const c = holeMm - f.tailOdMm
      const verdict = c >= 1 - GRAIN && c <= 3 + GRAIN ? 'holds' : c >= -GRAIN && c < 1 ? 'tight' : 'short'
      checks.push(
        check({
          id: 'hole-clearance',
          title: 'Room for bedding in the hole',
          unit: 'mm',
          source: SOURCE,
          demand: 1,
          capacity: c,
          verdict,
          because:
            verdict === 'holds'
              ? `${say(c)} mm between hole and tail.`
              : c < 0
                ? `The tail is ${say(-c)} mm wider than its hole.`
                : verdict === 'tight'
                  ? `${say(c)} mm between hole and tail leave no room for a collar of bedding.`
                  : `${say(c)} mm between hole and tail: fill and bore again, or go up a size.`,
        }),
      )
    }
    if (v.solidDiameterMm !== undefined)
      checks.push(
        geometry(
          'solid-core',
          'Solid round the hole',
          1.5 * f.flangeMm,
          v.solidDiameterMm,
          v.solidDiameterMm >= 1.5 * f.flangeMm - GRAIN,
          `Solid over ${say(v.solidDiameterMm)} mm; 1.5 times the flange is ${say(1.5 * f.flangeMm)} mm.`,
        ),
      )
    return {
      totalMm: total,
      padWantedMm,
      standingMm: s,
      trimMm,
      cutLengthMm: f.tailMm - trimMm,
      longestPadMm: longest < 0 ? null : longest,
      stickMm: [f.collarMm + f.nutMm + a, f.collarMm + f.nutMm + b],
      holeMm,
      verdict: worstVerdict(checks.map((c) => c.verdict)),
      checks,
    }
  },
})
