import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import type { Drip, LeakTestKind } from '@north-tide/core'
import {
  T,
  text,
  maybeText,
  real,
  maybeReal,
  whole,
  flag,
  key,
  version,
  madeAt,
  words,
  own,
  type At,
} from './columns'

type Opt<V> = CreationOptional<V>
/** A drip that somebody saw, and what became of the search. */
export class Leak extends Model<InferAttributes<Leak>, InferCreationAttributes<Leak>> {
  declare id: Opt<number>
  declare boatId: string
  declare whereSeen: string
  declare drip: Drip
  declare state: Opt<'open' | 'found' | 'elsewhere' | 'left'>
  declare causeId: Opt<string | null>
  declare cause: Opt<string>
  declare madeBy: string
  declare madeAt: Opt<Date>
  declare endedBy: Opt<string | null>
  declare endedAt: Opt<Date | null>
  declare version: Opt<number>
}
export class LeakTestRow extends Model<InferAttributes<LeakTestRow>, InferCreationAttributes<LeakTestRow>> {
  declare id: Opt<number>
  declare leakId: number
  declare kind: LeakTestKind
  declare things: string[]
  declare minutes: number
  declare wet: boolean
  declare delayMin: number | null
  declare note: Opt<string>
  declare who: string
  declare at: Opt<Date>
  declare withdrawnWhy: Opt<string | null>
}
/** A cockpit or locker that was flooded, or a bilge that was watched: readings, and what they say. */
export class Flood extends Model<InferAttributes<Flood>, InferCreationAttributes<Flood>> {
  declare id: Opt<number>
  declare boatId: string
  declare what: string
  declare ask: unknown
  declare answer: unknown
  declare note: Opt<string>
  declare who: string
  declare at: Opt<Date>
}
/** A sheet that was printed to hang in the boat, or handed on, by the code of what stood on it. */
export class Paper extends Model<InferAttributes<Paper>, InferCreationAttributes<Paper>> {
  declare id: Opt<number>
  declare boatId: string
  declare kind: 'companionway' | 'passport'
  declare code: string
  declare who: string
  declare at: Opt<Date>
}
/** A view of a table that somebody gave a name. */
export class SavedView extends Model<InferAttributes<SavedView>, InferCreationAttributes<SavedView>> {
  declare id: Opt<number>
  declare userId: number
  declare place: 'register'
  declare name: string
  declare query: Record<string, string>
  declare shared: Opt<boolean>
  declare madeAt: Opt<Date>
}
/** A day on which a boat went into the water. */
export class Launch extends Model<InferAttributes<Launch>, InferCreationAttributes<Launch>> {
  declare id: Opt<number>
  declare boatId: string
  declare at: Date
  declare who: string
  declare against: string[]
  declare reason: Opt<string>
  declare madeAt: Opt<Date>
}
/** A link by which somebody without an account reads one boat. */
export class BoatLink extends Model<InferAttributes<BoatLink>, InferCreationAttributes<BoatLink>> {
  declare id: Opt<number>
  declare boatId: string
  declare userId: number
  declare secretHash: string
  declare madeBy: string
  declare madeAt: Opt<Date>
  declare withdrawnAt: Opt<Date | null>
  declare withdrawnBy: Opt<string | null>
}
function defineKept(at: At) {
  Launch.init(
    own({
      id: key,
      boatId: text,
      at: { type: T.DATE, allowNull: false },
      who: text,
      against: { type: T.JSONB, allowNull: false },
      reason: words,
      madeAt,
    }),
    at('launches'),
  )
  BoatLink.init(
    own({
      id: key,
      boatId: text,
      userId: whole,
      secretHash: text,
      madeBy: text,
      madeAt,
      withdrawnAt: { type: T.DATE, allowNull: true },
      withdrawnBy: maybeText,
    }),
    at('boat_links'),
  )
}
export function defineLooks(at: At) {
  const json = { type: T.JSONB, allowNull: false }
  Leak.init(
    own({
      id: key,
      boatId: text,
      whereSeen: text,
      drip: json,
      state: { ...text, defaultValue: 'open' },
      causeId: maybeText,
      cause: words,
      madeBy: text,
      madeAt,
      endedBy: maybeText,
      endedAt: { type: T.DATE, allowNull: true },
      version,
    }),
    at('leaks'),
  )
  LeakTestRow.init(
    own({
      id: key,
      leakId: whole,
      kind: text,
      things: { type: T.ARRAY(T.TEXT), allowNull: false },
      minutes: real,
      wet: flag,
      delayMin: maybeReal,
      note: words,
      who: text,
      at: madeAt,
      withdrawnWhy: maybeText,
    }),
    at('leak_tests'),
  )
  Flood.init(
    own({ id: key, boatId: text, what: text, ask: json, answer: json, note: words, who: text, at: madeAt }),
    at('floods'),
  )
  SavedView.init(
    own({ id: key, userId: whole, place: text, name: text, query: json, shared: flag, madeAt }),
    at('saved_views'),
  )
  defineKept(at)
  Paper.init(own({ id: key, boatId: text, kind: text, code: text, who: text, at: madeAt }), at('papers'))
}
