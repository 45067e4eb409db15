import { z } from 'zod'
import { parseInput } from '../../base/calculator/calculator'
import {
  skinSchema,
  tailSchema,
  valveSchema,
  type ThroughHullDesign,
  type Skin,
  type Tail,
  type Valve,
} from './design'
import { SKINS, TAILS, VALVES } from './goods'

/** Skin fittings, valves and tails that a yard has measured itself, beside those of the list. */
const numbered = {
  id: z
    .string()
    .trim()
    .regex(/^[A-Za-z0-9][A-Za-z0-9._/-]{0,38}$/, {
      message: 'letters, digits, dots, dashes and strokes are accepted, 39 at most, a letter or digit first',
    }),
  title: z.string().trim().min(1).max(120),
}
export const ownSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('skin'), part: skinSchema.extend(numbered) }),
  z.strictObject({ kind: z.literal('valve'), part: valveSchema.extend(numbered) }),
  z.strictObject({ kind: z.literal('tail'), part: tailSchema.extend(numbered) }),
])
export type OwnGoods = z.output<typeof ownSchema>
export type PartKind = OwnGoods['kind']
export const parseOwnGoods = (raw: unknown): OwnGoods => parseInput(ownSchema, raw)
const LISTS = { skin: SKINS, valve: VALVES, tail: TAILS }
/** A number that the list has is not given a second time. */
export const isListed = (id: string) => Object.values(LISTS).some((list) => list.some((p) => p.id === id))

const fileSchema = z.strictObject({
  format: z.literal('north-tide-hull-goods'),
  version: z.literal(1),
  goods: z.array(ownSchema).min(1).max(500),
})
export const goodsToFile = (goods: OwnGoods[]) => ({
  format: 'north-tide-hull-goods' as const,
  version: 1 as const,
  goods: goods.map(({ kind, part }) => ({ kind, part })),
})
export const goodsFromFile = (raw: unknown): OwnGoods[] => parseInput(fileSchema, raw).goods

/** The list with the yard's own after it. */
export const skinsWith = (own: OwnGoods[]): Skin[] => [
  ...SKINS,
  ...own.flatMap((g) => (g.kind === 'skin' ? [g.part] : [])),
]
export const valvesWith = (own: OwnGoods[]): Valve[] => [
  ...VALVES,
  ...own.flatMap((g) => (g.kind === 'valve' ? [g.part] : [])),
]
export const tailsWith = (own: OwnGoods[]): Tail[] => [
  ...TAILS,
  ...own.flatMap((g) => (g.kind === 'tail' ? [g.part] : [])),
]

const MEASURED = ', as measured'
/**
 * A part that was changed by hand is no longer what its number says: it keeps its name with a word, and
 * loses the number, so that nobody orders the wrong one by it.
 */
export function asMeasured(
  d: ThroughHullDesign,
  kind: PartKind,
  change: Record<string, unknown>,
): Record<string, unknown> {
  const part = d[kind]
  const out = Object.fromEntries(Object.entries(change).map(([k, v]) => [`${kind}.${k}`, v]))
  return part && part.id !== null
    ? {
        ...out,
        [`${kind}.id`]: null,
        [`${kind}.title`]: `${part.title.slice(0, 120 - MEASURED.length)}${MEASURED}`,
      }
    : out
}
