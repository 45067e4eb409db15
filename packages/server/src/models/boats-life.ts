import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import type { PhotoSubject } from '../services/photo-subjects'
import type { ProofKind, ProofThing } from '@north-tide/core'
import {
  big,
  bytes,
  key,
  madeAt,
  maybeBytes,
  maybeReal,
  maybeText,
  moment,
  own,
  T,
  text,
  version,
  whole,
  withdrawn,
  words,
  type At,
} from './columns'

/** What goes with a boat for life, and what the machine does by itself. */
type Opt<V> = CreationOptional<V>
export class Photo extends Model<InferAttributes<Photo>, InferCreationAttributes<Photo>> {
  declare id: Opt<string>
  declare boatId: string
  declare subject: PhotoSubject
  declare subjectId: string
  declare caption: Opt<string>
  declare mime: string
  declare width: number
  declare height: number
  declare sha256: string
  declare original: Buffer
  /** made by the queue after it came in */
  declare large: Opt<Buffer | null>
  declare small: Opt<Buffer | null>
  declare who: string
  declare takenAt: Date
  declare pinXMm: Opt<number | null>
  declare pinYMm: Opt<number | null>
  declare withdrawnWhy: Opt<string | null>
  declare withdrawnBy: Opt<string | null>
  declare withdrawnAt: Opt<Date | null>
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
/** Work that nobody waits for with the page open: a passport, reminders, a backup. */
export class Task extends Model<InferAttributes<Task>, InferCreationAttributes<Task>> {
  declare id: string
  declare kind: string
  declare ask: unknown
  declare state: Opt<'waiting' | 'working' | 'done' | 'failed' | 'cancelled'>
  declare done: Opt<number>
  declare total: Opt<number>
  declare said: Opt<string>
  declare tries: Opt<number>
  declare askedBy: string
  declare askedLogin: string
  declare askedAt: Opt<Date>
  declare beatAt: Opt<Date | null>
  declare endedAt: Opt<Date | null>
  declare fileName: Opt<string | null>
  declare fileMime: Opt<string | null>
}
/** A part of what a task made. */
export class TaskFilePart extends Model<
  InferAttributes<TaskFilePart>,
  InferCreationAttributes<TaskFilePart>
> {
  declare taskId: string
  declare seq: number
  declare bytes: Buffer
}
const json = { type: T.JSONB, allowNull: false }
const then = { type: T.DATE, allowNull: true }
function defineWork(at: At) {
  Task.init(
    own({
      id: { type: T.UUID, primaryKey: true },
      kind: text,
      ask: json,
      state: { ...text, defaultValue: 'waiting' },
      done: { ...whole, defaultValue: 0 },
      total: { ...whole, defaultValue: 1 },
      said: words,
      tries: { ...whole, defaultValue: 0 },
      askedBy: text,
      askedLogin: text,
      askedAt: madeAt,
      beatAt: then,
      endedAt: then,
      fileName: maybeText,
      fileMime: maybeText,
    }),
    at('tasks'),
  )
  TaskFilePart.init(
    own({
      taskId: { type: T.UUID, primaryKey: true },
      seq: { ...whole, primaryKey: true },
      bytes,
    }),
    at('task_files'),
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
}
export function defineBoatsLife(at: At) {
  defineWork(at)
  Photo.init(
    own({
      id: big,
      boatId: text,
      subject: text,
      subjectId: text,
      caption: words,
      mime: text,
      width: whole,
      height: whole,
      sha256: text,
      original: bytes,
      large: maybeBytes,
      small: maybeBytes,
      who: text,
      takenAt: moment,
      pinXMm: maybeReal,
      pinYMm: maybeReal,
      ...withdrawn,
    }),
    at('photos'),
  )
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
}
