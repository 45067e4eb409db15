import { z } from 'zod'
import { LIFE_STATES } from '../../base/life-states'
import { nonNegative, positive } from '../../base/schema/schema'
import { CHEMISTRIES, dateField, refuseFuture, refuser, refuseTwice } from './days'

/** What nobody listed. */
export const ELSEWHERE = 'elsewhere'
/** What leaks, and how often beside the others; estimates. */
export const KINDS = {
  chainplate: 3,
  stanchion: 3,
  hatch: 2,
  portlight: 2,
  'hull-deck-joint': 2,
  track: 2,
  'deck-hardware': 1.5,
  'cable-gland': 1.5,
  'through-hull': 1,
  transducer: 1,
  fastener: 0.7,
} as const

const place3 = { xMm: z.number(), yMm: z.number(), zMm: z.number() }
const angle = () => z.number().min(-45).max(45).default(0)
const KIND_IDS = Object.keys(KINDS) as [keyof typeof KINDS, ...(keyof typeof KINDS)[]]
const candidate = z.strictObject({
  id: z.string().min(1),
  kind: z.enum(KIND_IDS),
  place: z.enum(['deck', 'topsides', 'below']),
  ...place3,
  chemistry: z.enum(CHEMISTRIES).default('unknown'),
  bedded: dateField.optional(),
  state: z.enum(LIFE_STATES).default('in-service'),
  loose: z.boolean().default(false),
  gap: z.boolean().default(false),
  loaded: z.boolean().default(false),
  verdict: z.enum(['holds', 'tight', 'short', 'unproven']).optional(),
})
const test = z.strictObject({
  kind: z.enum(['hose', 'flood', 'dye', 'tape']),
  on: z.array(z.string()).min(1),
  minutes: positive(),
  wet: z.boolean(),
  delayMin: nonNegative().optional(),
})
export const leakInput = z
  .strictObject({
    drip: z.strictObject(place3),
    when: z.enum(['rain', 'hose', 'under-way', 'always']),
    today: dateField,
    trimDeg: angle(),
    heelDeg: angle(),
    inside: z.strictObject({ aftMmPerM: z.number(), starboardMmPerM: z.number() }).optional(),
    dams: z
      .array(z.strictObject({ x1Mm: z.number(), y1Mm: z.number(), x2Mm: z.number(), y2Mm: z.number() }))
      .default([]),
    candidates: z.array(candidate).min(1),
    tests: z.array(test).default([]),
  })
  .superRefine((v, ctx) => {
    const refuse = refuser(ctx)
    refuseTwice(v.candidates, 'candidates', refuse)
    v.candidates.forEach((c, i) => {
      if (c.id === ELSEWHERE)
        refuse(['candidates', i, 'id'], '"elsewhere" stands for what nobody listed; give it another name')
      if (c.state === 'marked')
        refuse(['candidates', i, 'state'], 'What is only marked is no hole yet, and cannot leak')
      refuseFuture(c.bedded, v.today, ['candidates', i, 'bedded'], refuse)
    })
    v.tests.forEach((t, i) => {
      t.on.forEach((id, j) => {
        if (!v.candidates.some((c) => c.id === id))
          refuse(['tests', i, 'on', j], `"${id}" is no candidate`, 'unknown-candidate')
        else if (t.on.indexOf(id) < j) refuse(['tests', i, 'on', j], `"${id}" is there twice`)
      })
      if (t.delayMin === undefined) return
      if (!t.wet) refuse(['tests', i, 'delayMin'], 'A dry test has no minute at which it got wet')
      else if (t.delayMin > t.minutes)
        refuse(
          ['tests', i, 'delayMin'],
          `${t.delayMin} was given; the watch ended after ${t.minutes} minutes`,
        )
    })
  })
export type LeakInput = z.output<typeof leakInput>
export type LeakCandidate = LeakInput['candidates'][number]
