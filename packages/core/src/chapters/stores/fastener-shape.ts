import { z } from 'zod'
import {
  GRADE_IDS,
  SIZES,
  SIZE_IDS,
  STOCK_LENGTHS_IN,
  STOCK_LENGTHS_MM,
} from '../../base/materials/fasteners'
import { parseInput } from '../../base/calculator/calculator'
import { positive } from '../../base/schema/schema'

/** What is asked for, what lies in the bins and what can be bought: shapes of fastener-order. */
const count = () => z.number().int().min(1).max(10_000)
const size = z.enum(SIZE_IDS)
const grade = z.enum(GRADE_IDS)
const head = z.enum(['hex', 'pan', 'button', 'socket', 'countersunk'])
const threading = z.enum(['full', 'part']).default('full')
const washerKind = z.enum(['none', 'plain', 'large'])
const lengths = { lengthMm: positive().optional(), lengthInch: positive().optional() }
const bolt = { kind: z.literal('bolt'), size, grade, head, ...lengths, threading }
const nut = { kind: z.literal('nut'), type: z.enum(['hex', 'locking', 'all-metal']), size, grade }
const washer = { kind: z.literal('washer'), type: z.enum(['plain', 'large']), size, grade }
const item = <T extends z.ZodRawShape>(more: T) =>
  z.discriminatedUnion('kind', [
    z.strictObject({ ...bolt, ...more }),
    z.strictObject({ ...nut, ...more }),
    z.strictObject({ ...washer, ...more }),
  ])

const need = z.strictObject({
  fitting: z.string().min(1),
  priority: z.number().int().min(1).max(9).default(5),
  size,
  grade,
  head,
  ...lengths,
  threading,
  gripMm: positive().optional(),
  mayTrim: z.boolean().default(true),
  count: count(),
  nut: z.enum(['none', 'hex', 'locking', 'all-metal', 'double-hex']).default('hex'),
  washers: z
    .strictObject({ head: washerKind.default('none'), nut: washerKind.optional() })
    .default({ head: 'none' }),
})
const pack = z.strictObject({ n: count(), priceCents: z.number().int().min(0) })

type Sized = { size: string; lengthMm?: number | undefined; lengthInch?: number | undefined }
const isInch = (id: string) => SIZES[id]!.system === 'inch'
export const stockOf = (id: string): readonly number[] => (isInch(id) ? STOCK_LENGTHS_IN : STOCK_LENGTHS_MM)
/** The length in the system of its size. */
export const lengthOf = (v: Sized): number => (isInch(v.size) ? v.lengthInch! : v.lengthMm!)

type Path = (string | number)[]
type Refuse = (path: Path, message: string, code?: string) => void
function refuseLength(v: Sized, path: Path, refuse: Refuse): void {
  const inch = isInch(v.size)
  const [own, other] = inch ? (['lengthInch', 'lengthMm'] as const) : (['lengthMm', 'lengthInch'] as const)
  if (v[own] === undefined) refuse([...path, own], `${own} is missing; ${v.size} is sold by it`)
  else if (!stockOf(v.size).some((l) => Math.abs(l - v[own]!) < 1e-6))
    refuse([...path, own], `${v[own]} was given; no bolt of ${v.size} is stocked so long`, 'no-stock-length')
  if (v[other] !== undefined) refuse([...path, other], `${v.size} is not sold by ${other}; leave it out`)
}

export const fastenerInput = z
  .strictObject({
    needs: z.array(need),
    onHand: z
      .array(item({ count: count(), state: z.enum(['new', 'used', 'unsure']).default('new') }))
      .default([]),
    offers: z.array(item({ packs: z.array(pack).min(1), arrives: z.iso.date().optional() })).default([]),
    aim: z.enum(['cost', 'leftovers']).default('cost'),
    spareFraction: z.number().min(0).max(1).default(0.1),
    substitute: z.boolean().default(true),
  })
  .superRefine((v, ctx) => {
    const refuse: Refuse = (path, message, code) =>
      ctx.addIssue({ code: 'custom', path, message, ...(code ? { params: { code } } : {}) })
    v.needs.forEach((n, i) => refuseLength(n, ['needs', i], refuse))
    for (const list of ['onHand', 'offers'] as const)
      v[list].forEach((o, i) => {
        if (o.kind === 'bolt') refuseLength(o, [list, i], refuse)
      })
    v.offers.forEach((o, i) => {
      const sizes = o.packs.map((p) => p.n)
      if (new Set(sizes).size < sizes.length)
        refuse(['offers', i, 'packs'], 'A pack of one size is offered twice; each is given once')
    })
    // Only once every length is there can an item be told from another.
    const told = v.offers.every((o) => o.kind !== 'bolt' || lengthOf(o) !== undefined)
    const texts = told ? v.offers.map(textOf) : []
    if (new Set(texts).size < texts.length)
      refuse(['offers'], 'An item is offered twice; give all its packs in one offer')
  })
/** One item as it is kept on a shelf or offered, checked as the calculator checks it. */
const alone = item({}).superRefine((v, ctx) => {
  if (v.kind === 'bolt')
    refuseLength(v, [], (path, message, code) =>
      ctx.addIssue({ code: 'custom', path, message, ...(code ? { params: { code } } : {}) }),
    )
})
export const parseItem = (raw: unknown): Item => parseInput(alone, raw) as Item
export type FastenerInput = z.output<typeof fastenerInput>
export type Need = FastenerInput['needs'][number]
export type Item =
  | ({ kind: 'bolt'; grade: string; head: string; threading: 'full' | 'part' } & Sized)
  | { kind: 'nut' | 'washer'; type: string; size: string; grade: string }

/** As one says it over the counter; the same words are the same item. */
export function textOf(it: Item): string {
  if (it.kind !== 'bolt') return `${it.kind} ${it.size} ${it.type} ${it.grade}`
  const length = `${lengthOf(it)}${isInch(it.size) ? 'in' : ''}`
  return `bolt ${it.size}x${length} ${it.head} ${it.grade}${it.threading === 'part' ? ' part' : ''}`
}
