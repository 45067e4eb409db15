import { z } from 'zod'
import { median } from '../../base/median'
import { defineCalculator } from '../../base/calculator/calculator'

const degrees = z.array(z.number())
const input = z
  .strictObject({
    references: degrees.min(3),
    trimReferences: degrees.min(3).optional(),
    stations: z.array(
      z.strictObject({
        id: z.string(),
        side: z.enum(['port', 'starboard']),
        axis: z.enum(['across', 'along']).default('across'),
        readings: degrees.min(1),
        leanDeg: z.number().default(0),
      }),
    ),
    rechecks: z
      .array(z.strictObject({ afterCount: z.number().int().min(0), readings: degrees.min(1) }))
      .default([]),
  })
  .superRefine((v, ctx) => {
    const seen = new Set<string>()
    for (const s of v.stations) {
      const key = JSON.stringify([s.id, s.side, s.axis])
      if (seen.has(key))
        return ctx.addIssue({
          code: 'custom',
          path: ['stations'],
          message: `Station "${s.id}" ${s.side} ${s.axis} is listed twice; put its readings together`,
        })
      seen.add(key)
    }
    if (v.stations.some((s) => s.axis === 'along') && !v.trimReferences)
      ctx.addIssue({
        code: 'custom',
        path: ['trimReferences'],
        message: 'trimReferences is missing; readings along the boat need three or more of its own trim',
      })
    v.rechecks.forEach(
      (r, i) =>
        r.afterCount > v.stations.length &&
        ctx.addIssue({
          code: 'custom',
          path: ['rechecks', i, 'afterCount'],
          message: `${r.afterCount} was given; there are ${v.stations.length} stations`,
        }),
    )
  })
const maybe = z.number().nullable()
const axis = z.enum(['across', 'along'])
const output = z.object({
  heelDeg: z.number(),
  spreadDeg: z.number(),
  flaggedReferences: z.array(z.number()),
  trimDeg: maybe,
  trimSpreadDeg: maybe,
  flaggedTrimReferences: z.array(z.number()),
  stations: z.array(
    z.object({
      id: z.string(),
      side: z.enum(['port', 'starboard']),
      axis,
      readingDeg: z.number(),
      trueDeg: z.number(),
      bracketDeg: z.number(),
      flags: z.array(z.enum(['few', 'scatter', 'moved'])),
      flagged: z.boolean(),
    }),
  ),
  pairs: z.array(
    z.object({
      id: z.string(),
      axis,
      portDeg: z.number(),
      starboardDeg: z.number(),
      differenceDeg: z.number(),
    }),
  ),
  rechecks: z.array(z.object({ afterCount: z.number(), driftDeg: z.number(), moved: z.boolean() })),
})

export type AngleSurvey = z.output<typeof output>

const GRAIN = 1e-9
/** The boat's own level: median, robust spread, and the mean of what is not flagged. */
function level(readings: number[]) {
  const med = median(readings)
  const spread = Math.max(0.05, 1.4826 * median(readings.map((r) => Math.abs(r - med))))
  const out = readings.map((r) => Math.abs(r - med) > 3 * spread + GRAIN)
  const kept = readings.filter((_, i) => !out[i])
  return {
    mean: kept.reduce((s, r) => s + r, 0) / kept.length,
    spread,
    flagged: out.flatMap((f, i) => (f ? [i] : [])),
  }
}

export const angleSurvey = defineCalculator({
  name: 'angle-survey',
  title: 'Angles when the boat is not level',
  chapter: '10.2',
  words: ['level', 'heel', 'trim', 'bracket angle', 'stanchion angle', 'cradle'],
  input,
  output,
  run: (v) => {
    const heel = level(v.references)
    const trim = v.trimReferences ? level(v.trimReferences) : null
    const rechecks = v.rechecks
      .map((r) => ({ afterCount: r.afterCount, driftDeg: median(r.readings) - heel.mean }))
      .map((r) => ({ ...r, moved: Math.abs(r.driftDeg) > 0.2 + GRAIN }))
      .sort((a, b) => a.afterCount - b.afterCount)
    // From the last good look before the boat was found moved, nothing is sure any more.
    const bad = rechecks.findIndex((r) => r.moved)
    const movedFrom = bad < 0 ? Infinity : bad === 0 ? 0 : rechecks[bad - 1]!.afterCount
    const stations = v.stations.map((s, i) => {
      const r = median(s.readings)
      const trueDeg =
        s.axis === 'along' ? r - trim!.mean : s.side === 'starboard' ? r - heel.mean : r + heel.mean
      const flags: ('few' | 'scatter' | 'moved')[] = []
      if (s.readings.length < 3) flags.push('few')
      if (Math.max(...s.readings) - Math.min(...s.readings) > 0.3 + GRAIN) flags.push('scatter')
      if (i >= movedFrom) flags.push('moved')
      return {
        id: s.id,
        side: s.side,
        axis: s.axis,
        readingDeg: r,
        trueDeg,
        bracketDeg: 90 + trueDeg - s.leanDeg,
        flags,
        flagged: flags.length > 0,
      }
    })
    const pairs = stations.flatMap((a, i) => {
      const b = stations.findIndex((o) => o.id === a.id && o.axis === a.axis && o.side !== a.side)
      if (b < i) return []
      const [port, starboard] = a.side === 'port' ? [a, stations[b]!] : [stations[b]!, a]
      return [
        {
          id: a.id,
          axis: a.axis,
          portDeg: port.trueDeg,
          starboardDeg: starboard.trueDeg,
          differenceDeg: starboard.trueDeg - port.trueDeg,
        },
      ]
    })
    return {
      heelDeg: heel.mean,
      spreadDeg: heel.spread,
      flaggedReferences: heel.flagged,
      trimDeg: trim?.mean ?? null,
      trimSpreadDeg: trim?.spread ?? null,
      flaggedTrimReferences: trim?.flagged ?? [],
      stations,
      pairs,
      rechecks,
    }
  },
})
