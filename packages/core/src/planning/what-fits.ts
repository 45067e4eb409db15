import { itemTextsOf, stockText, wantsByPiece } from './order'
import type { OrderJob, ShelfRow } from './order-types'

/** Pieces that are in the bag of a fitting, or on their way to it. */
export interface Bag {
  fittingId: string
  text: string
  count: number
}
/** Pieces that a fitting has and wants no more, and who else wants just those. */
export interface Spare {
  text: string
  count: number
  fittingId: string
  fitting: string
  kind: string
  /** other fittings with open work that want it, and how many; empty: it goes back to the shelf */
  fits: { fittingId: string; kind: string; name: string; count: number }[]
}
/** A part that was ordered and does not go together with its neighbour: proposed back to its maker. */
export interface GoesBack {
  fittingId: string
  fitting: string
  kind: string
  what: string
  because: string
}
function wantedOf(j: OrderJob): Map<string, number> {
  const out = new Map<string, number>()
  const add = (text: string, n: number) => out.set(text, (out.get(text) ?? 0) + n)
  for (const n of j.needs) for (const [text, count] of itemTextsOf(n)) add(text, count)
  for (const p of j.parts) if (wantsByPiece(j, p)) add(stockText(p), p.quantity! + p.spare)
  return out
}
/** Chapter 11.2: what became too short, or too many, finds another fitting before it is lost in a drawer. */
export function spareParts(jobs: OrderJob[], bags: Bag[]): Spare[] {
  const wanted = new Map(jobs.map((j) => [j.fittingId, wantedOf(j)]))
  const bagged = new Map<string, Bag>()
  for (const b of bags) {
    const key = `${b.fittingId} ${b.text}`
    const had = bagged.get(key)
    bagged.set(key, had ? { ...had, count: had.count + b.count } : b)
  }
  const open = jobs.filter((j) => j.buying === 'to-buy')
  return [...bagged.values()].flatMap((b): Spare[] => {
    const job = jobs.find((j) => j.fittingId === b.fittingId)
    if (!job) return []
    const count = b.count - (wanted.get(b.fittingId)!.get(b.text) ?? 0)
    if (count <= 0) return []
    const fits = open
      .filter((j) => j !== job && wanted.get(j.fittingId)!.has(b.text))
      .map((j) => ({
        fittingId: j.fittingId,
        kind: j.kind,
        name: j.name,
        count: wanted.get(j.fittingId)!.get(b.text)!,
      }))
    return [{ text: b.text, count, fittingId: job.fittingId, fitting: job.name, kind: job.kind, fits }]
  })
}
const CHAIN = /^(joint-|thread)/
/** Ordered or bought, and a thread or a joint of it is short: before it is fitted with tape and hope. */
export const goesBack = (jobs: OrderJob[]): GoesBack[] =>
  jobs
    .filter((j) => j.buying !== 'to-buy')
    .flatMap((j) =>
      j.stops
        .filter((s) => CHAIN.test(s.id))
        .map((s) => ({
          fittingId: j.fittingId,
          fitting: j.name,
          kind: j.kind,
          what: s.title,
          because: s.because,
        })),
    )
/** Things on the shelf that open work wants, row by row. */
export const shelfWanted = (jobs: OrderJob[], shelf: ShelfRow[]): { shelfId: number; names: string[] }[] => {
  const open = jobs.filter((j) => j.buying === 'to-buy').map((j) => ({ j, w: wantedOf(j) }))
  return shelf.flatMap((s) => {
    const names = open.filter(({ w }) => w.has(s.text)).map(({ j }) => j.name)
    return names.length ? [{ shelfId: s.id, names }] : []
  })
}
