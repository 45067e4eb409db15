import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import type { FastenerItem, OrderLine, PieceState, ShelfKind, Taken } from '@north-tide/core'
import {
  T,
  text,
  maybeText,
  whole,
  maybeWhole,
  key,
  day,
  version,
  madeAt,
  words,
  own,
  type At,
} from './columns'

type Opt<V> = CreationOptional<V>
/** So many pieces of one thing, in one state, at one place of the store. */
export class ShelfItem extends Model<InferAttributes<ShelfItem>, InferCreationAttributes<ShelfItem>> {
  declare id: Opt<number>
  declare kind: ShelfKind
  declare text: string
  declare item: FastenerItem | null
  declare count: number
  declare state: Opt<PieceState>
  declare whereItIs: Opt<string>
  declare version: Opt<number>
}
export class OfferRow extends Model<InferAttributes<OfferRow>, InferCreationAttributes<OfferRow>> {
  declare id: Opt<number>
  declare maker: string
  declare text: string
  declare item: FastenerItem | null
  declare packs: { n: number; priceCents: number }[]
  declare leadDays: number | null
  declare version: Opt<number>
}
/**
 * What was ordered of one maker; or taken from the shelf, or put back there: never taken away, so that the
 * bag of a fitting is the sum of all that stand.
 */
export class OrderRow extends Model<InferAttributes<OrderRow>, InferCreationAttributes<OrderRow>> {
  declare id: Opt<number>
  declare maker: string
  declare kind: 'order' | 'shelf' | 'back'
  declare lines: Opt<OrderLine[]>
  declare taken: Opt<Taken[]>
  declare fittings: string[]
  declare expected: string | null
  declare orderedAt: Opt<Date>
  declare orderedBy: string
  declare arrivedAt: Opt<Date | null>
  declare arrivedBy: Opt<string | null>
  declare cancelledAt: Opt<Date | null>
  declare cancelledBy: Opt<string | null>
  declare version: Opt<number>
}
/** A thing that the yard set once for all of it, by its name. */
export class YardSetting extends Model<InferAttributes<YardSetting>, InferCreationAttributes<YardSetting>> {
  declare key: string
  declare value: unknown
  declare version: Opt<number>
  declare changedBy: string
  declare changedAt: Opt<Date>
}
/** Sheets and offcuts that parts are cut from. */
export class SheetStock extends Model<InferAttributes<SheetStock>, InferCreationAttributes<SheetStock>> {
  declare id: Opt<number>
  declare kind: 'sheet' | 'offcut'
  declare material: string
  declare thicknessMm: number
  declare widthMm: number
  declare heightMm: number
  declare grain: Opt<'none' | 'x' | 'y'>
  declare count: Opt<number>
  declare whereItIs: Opt<string>
  declare version: Opt<number>
}
export function defineStock(at: At) {
  const json = { type: T.JSONB, allowNull: false }
  const maybeJson = { type: T.JSONB, allowNull: true }
  const maybeAt = { type: T.DATE, allowNull: true }
  ShelfItem.init(
    own({
      id: key,
      kind: text,
      text,
      item: maybeJson,
      count: whole,
      state: { ...text, defaultValue: 'new' },
      whereItIs: words,
      version,
    }),
    at('shelf'),
  )
  OfferRow.init(
    own({ id: key, maker: text, text, item: maybeJson, packs: json, leadDays: maybeWhole, version }),
    at('offers'),
  )
  OrderRow.init(
    own({
      id: key,
      maker: words,
      kind: text,
      lines: { ...json, defaultValue: [] },
      taken: { ...json, defaultValue: [] },
      fittings: { type: T.ARRAY(T.UUID), allowNull: false },
      expected: day,
      orderedAt: madeAt,
      orderedBy: text,
      arrivedAt: maybeAt,
      arrivedBy: maybeText,
      cancelledAt: maybeAt,
      cancelledBy: maybeText,
      version,
    }),
    at('orders'),
  )
  YardSetting.init(
    own({
      key: { type: T.TEXT, primaryKey: true },
      value: json,
      version,
      changedBy: text,
      changedAt: madeAt,
    }),
    at('yard_settings'),
  )
}
