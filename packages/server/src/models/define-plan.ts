import { Feed, Fitter, Hold, PlanJobRow, PlanRow, SheetStock, WeatherRow } from '.'
import {
  T,
  text,
  maybeText,
  real,
  whole,
  maybeWhole,
  key,
  day,
  version,
  madeAt,
  words,
  type At,
  own,
} from './columns'

/** Who works when, what holds, the weather. */
export function defineHours(at: At) {
  const json = { type: T.JSONB, allowNull: false }
  const anyDay = { type: T.DATEONLY, allowNull: false }
  const maybeAt = { type: T.DATE, allowNull: true }
  Fitter.init(
    own({
      id: key,
      name: text,
      hours: json,
      away: { ...json, defaultValue: [] },
      version,
      changedAt: madeAt,
    }),
    at('fitters'),
  )
  Hold.init(
    own({
      id: key,
      boatId: text,
      fittingId: { type: T.UUID, allowNull: true },
      zones: { type: T.ARRAY(T.TEXT), allowNull: true },
      by: text,
      what: text,
      from: text,
      since: anyDay,
      until: day,
      meanwhile: words,
      madeBy: text,
      endedAt: maybeAt,
      endedBy: maybeText,
      orderId: maybeWhole,
      version,
      changedAt: madeAt,
    }),
    at('holds'),
  )
  WeatherRow.init(
    own({
      at: { type: T.TEXT, primaryKey: true },
      measured: { type: T.BOOLEAN, primaryKey: true },
      airC: real,
      humidityPct: real,
      windMs: real,
      rainMm: real,
      sun: real,
      cloud: real,
      source: text,
      saidAt: madeAt,
    }),
    at('weather_hours'),
  )
}
export function definePlans(at: At) {
  const json = { type: T.JSONB, allowNull: false }
  const maybeAt = { type: T.DATE, allowNull: true }
  PlanRow.init(
    own({
      id: key,
      state: text,
      ask: json,
      answer: json,
      why: words,
      beforeId: maybeWhole,
      madeBy: text,
      madeAt,
    }),
    at('plans'),
  )
  PlanJobRow.init(
    own({
      id: { type: T.UUID, primaryKey: true },
      ask: json,
      state: { ...text, defaultValue: 'waiting' },
      done: { ...whole, defaultValue: 0 },
      total: { ...whole, defaultValue: 0 },
      said: words,
      planId: maybeWhole,
      askedBy: text,
      askedAt: madeAt,
      beatAt: madeAt,
    }),
    at('plan_jobs'),
  )
  Feed.init(
    own({
      id: key,
      userId: whole,
      title: text,
      what: text,
      boatId: maybeText,
      onlyWho: maybeText,
      secretHash: text,
      madeAt,
      readAt: maybeAt,
      revokedAt: maybeAt,
    }),
    at('feeds'),
  )
}
/** What stands on the shelf. */
export function defineSheets(at: At) {
  SheetStock.init(
    own({
      id: key,
      kind: text,
      material: text,
      thicknessMm: real,
      widthMm: real,
      heightMm: real,
      grain: { ...text, defaultValue: 'none' },
      count: { ...whole, defaultValue: 1 },
      whereItIs: words,
      version,
    }),
    at('sheets'),
  )
}
