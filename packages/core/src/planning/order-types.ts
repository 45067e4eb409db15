import type { Item } from '../chapters/stores/fastener-shape'
import type { FastenerNeed } from '../kinds/fastener-need'
import type { Part } from '../kinds/part'
import type { Buying } from './parts-list'

/** What stands on the shelf and what makers offer; known by its words, as one asks over the counter. */
export const SHELF_KINDS = ['fastener', 'part', 'tool'] as const
export type ShelfKind = (typeof SHELF_KINDS)[number]
export const PIECE_STATES = ['new', 'used', 'unsure'] as const
export type PieceState = (typeof PIECE_STATES)[number]
export interface ShelfRow {
  id: number
  kind: ShelfKind
  text: string
  /** a fastener; null for any other part */
  item: Item | null
  count: number
  state: PieceState
  whereItIs: string
}
export interface Offer {
  id: number
  maker: string
  text: string
  item: Item | null
  packs: { n: number; priceCents: number }[]
  /** days from the order to the door; null: not said */
  leadDays: number | null
}
/** A fitting that is ordered for. */
export interface OrderJob {
  fittingId: string
  kind: string
  name: string
  boatId: string
  boat: string
  buying: Buying
  parts: Part[]
  needs: FastenerNeed[]
  /** what of it does not go together, or was measured otherwise since: a reason is asked for */
  stops: { id: string; title: string; because: string }[]
}
/** A lot of sealant, by what of it may be used without a doubt. */
export interface SealantOnHand {
  chemistry: string
  ml: number
}
export interface OrderLine {
  text: string
  /** a fastener; null for any other part */
  item: Item | null
  /** empty: nobody's offer is known, and it is bought over the counter */
  maker: string
  pieces: number
  packs: { n: number; packs: number }[]
  costCents: number | null
  leftover: number
  leadDays: number | null
  /** comes with a date of its own and goes into the stores as a lot */
  lot: boolean
  for: { fittingId: string; count: number }[]
}
export interface Taken {
  shelfId: number
  text: string
  count: number
  fittingId: string
  /** another length goes in than was asked for: which, and whether it is cut */
  instead: string | null
}
export interface OrderDraft {
  lines: OrderLine[]
  taken: Taken[]
  fittings: {
    fittingId: string
    kind: string
    name: string
    boatId: string
    boat: string
    stops: OrderJob['stops']
    /** all of it is here, or is to come */
    state: 'ready' | 'ordered'
  }[]
  setAside: { text: string; count: number; why: string }[]
  warnings: string[]
  /** parts that no count is known of: tape, gloves, paste, what is cut from sheet */
  byEye: string[]
  totalCents: number
  /** lines without a price */
  unpriced: number
}
