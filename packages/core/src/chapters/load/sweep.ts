import { z } from 'zod'

/** A run of angles: from, by step, to (chapter 1.2), degrees. */
export const span = (least: number, most: number) =>
  z
    .strictObject({
      from: z.number().min(least).max(most),
      to: z.number().min(least).max(most),
      step: z.number(),
    })
    .superRefine((s, ctx) => {
      if (s.step <= 0)
        ctx.addIssue({
          code: 'custom',
          path: ['step'],
          message: `${s.step} was given; a step above 0 is accepted`,
        })
      if (s.to < s.from)
        ctx.addIssue({
          code: 'custom',
          path: ['to'],
          message: `${s.to} lies before ${s.from}; a sweep runs upwards`,
        })
    })
export type Span = { from: number; to: number; step: number }

/** `from` by `step` while below `to`, and `to` itself. */
export const countOf = (s: Span) => (s.to === s.from ? 1 : Math.ceil((s.to - s.from) / s.step - 1e-9) + 1)
export const anglesOf = (s: Span) => [
  ...Array.from({ length: countOf(s) - 1 }, (_, i) => s.from + i * s.step),
  s.to,
]
