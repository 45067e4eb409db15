import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import type { Drip, LeakTestKind, ProofKind, ProofThing } from '@north-tide/core'
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
/** A note that one fitter leaves another, or a decision that an owner is asked to approve. */
export class Note extends Model<InferAttributes<Note>, InferCreationAttributes<Note>> {
  declare id: Opt<number>
  declare boatId: string
  declare fittingId: string | null
  declare kind: 'hand-over' | 'approval'
  declare body: string
  declare madeBy: string
  declare madeAt: Opt<Date>
  declare answer: Opt<'read' | 'yes' | 'no' | null>
  declare answerNote: Opt<string>
  declare answeredBy: Opt<string | null>
  declare answeredAt: Opt<Date | null>
}
/** A run of proofs: by hose, by soap under slight pressure, by a pull. */
export class ProofRow extends Model<InferAttributes<ProofRow>, InferCreationAttributes<ProofRow>> {
  declare id: Opt<number>
  declare boatId: string
  declare kind: ProofKind
  declare things: ProofThing[]
  declare pressurePa: number | null
  declare loadN: number | null
  declare note: Opt<string>
  declare who: string
  declare at: Opt<Date>
  declare endedAt: Opt<Date | null>
  declare version: Opt<number>
}
/** What the post box holds; a stand-in for mail, and its record where a server sends it. */
export class Mail extends Model<InferAttributes<Mail>, InferCreationAttributes<Mail>> {
  declare id: Opt<number>
  declare toLogin: string
  declare subject: string
  declare body: string
  declare once: string
  declare madeAt: Opt<Date>
  declare readAt: Opt<Date | null>
  declare sentAt: Opt<Date | null>
  declare failed: Opt<string | null>
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
  const then = { type: T.DATE, allowNull: true }
  Note.init(
    own({
      id: key,
      boatId: text,
      fittingId: { type: T.UUID, allowNull: true },
      kind: text,
      body: text,
      madeBy: text,
      madeAt,
      answer: maybeText,
      answerNote: words,
      answeredBy: maybeText,
      answeredAt: then,
    }),
    at('notes'),
  )
  ProofRow.init(
    own({
      id: key,
      boatId: text,
      kind: text,
      things: json,
      pressurePa: maybeReal,
      loadN: maybeReal,
      note: words,
      who: text,
      at: madeAt,
      endedAt: then,
      version,
    }),
    at('proofs'),
  )
  Mail.init(
    own({
      id: key,
      toLogin: text,
      subject: text,
      body: text,
      once: text,
      madeAt,
      readAt: then,
      sentAt: then,
      failed: maybeText,
    }),
    at('mails'),
  )
  Paper.init(own({ id: key, boatId: text, kind: text, code: text, who: text, at: madeAt }), at('papers'))
}
