import dayjs from 'dayjs'
import { QueryTypes } from 'sequelize'
import { z } from 'zod'
import {
  CalcError,
  LIFE_STATES,
  boatMap,
  holeLabel,
  lifeSaid,
  logSaid,
  parseInput,
  type AnyDesign,
  type Drawing,
  type LifeState,
  type LogLine,
  type Units,
} from '@north-tide/core'
import { kindNamed, parseOf } from '@north-tide/core/kinds'
import { Boat } from '../models'
import { must, type Account } from './access'
import { boatById, boatPicture } from './boats'
import {
  otherSurfaces,
  pastParts,
  pastZones,
  surfacesOn,
  surfacesSince,
  type OtherSurface,
} from './past-surfaces'

/** The boat on a day that has passed, what changed between two of them, and who did what. */
const day = z.iso.date({ error: 'a date as 2027-05-31 is accepted' })
const span = z.strictObject({ from: day, to: day })
const MOST = 600
export interface Happened {
  at: string
  who: string
  /** of a hole, a fitting, a zone, a part of the structure */
  of: 'hole' | 'fitting' | 'zone' | 'structure'
  id: string
  kind: string | null
  name: string
  what: string
}
interface Row {
  at: Date
  who: string | null
  of: Happened['of']
  id: string
  kind: string | null
  number: number | null
  name: string | null
  source: 'life' | 'log' | 'revision'
  state: string | null
  note: string | null
  line: Omit<LogLine, 'who' | 'at'> | null
  version: number | null
  gone: boolean
}
const EVERYTHING = `
SELECT * FROM (
  SELECT e.recorded_at AS at, e.who, 'hole' AS of, p.id::text AS id, NULL AS kind, p.number, p.what_for AS name, 'life' AS source,
         e.state, e.note, NULL::jsonb AS line, NULL::int AS version, false AS gone
    FROM life_events e JOIN penetrations p ON p.id = e.penetration_id WHERE p.boat_id = $1 AND e.recorded_at >= $2 AND e.recorded_at < $3
  UNION ALL
  SELECT l.at, l.who, 'fitting', f.id::text, f.kind, NULL, f.name, 'log', NULL, l.note,
         jsonb_build_object('kind', l.kind, 'step', l.step, 'value', l.value, 'note', l.note, 'undoes', l.undoes, 'data', l.data), NULL, false
    FROM work_log l JOIN fittings f ON f.id = l.fitting_id WHERE f.boat_id = $1 AND l.at >= $2 AND l.at < $3
  UNION ALL
  SELECT r.at, r.was->>'updated_by', CASE r.what WHEN 'fittings' THEN 'fitting' WHEN 'zones' THEN 'zone' ELSE 'structure' END,
         r.row_key, r.was->>'kind', NULL, COALESCE(r.was->>'name', r.was->>'title'), 'revision', NULL, NULL, NULL, r.version, r.gone
    FROM revisions r WHERE r.boat_id = $1 AND r.at >= $2 AND r.at < $3
) x ORDER BY at DESC LIMIT ${MOST}`
function saidOf(r: Row, units: Units): string {
  if (r.source === 'life') return [lifeSaid(r.state as LifeState), r.note].filter(Boolean).join(': ')
  if (r.source === 'log' && r.line)
    return logSaid({ ...r.line, who: r.who ?? '', at: r.at.toISOString() }, units)
  if (r.gone) return 'taken away'
  return r.version === 1 ? 'put there' : `changed, version ${r.version}`
}
function spanOf(query: unknown) {
  const s = parseInput(span, query)
  if (s.to < s.from) throw new CalcError('range', 'to', 'It ends before it begins; a later day is accepted')
  return s
}
const endOf = (d: string) => dayjs(d).add(1, 'day').toDate()
/** What happened to the boat in the days from one to another, the latest first. */
export async function happened(who: Account, boatId: string, query: unknown) {
  must(who, 'read', boatId)
  const boat = await boatById(boatId)
  const { from, to } = spanOf(query)
  const rows = await Boat.sequelize!.query<Row>(EVERYTHING, {
    bind: [boatId, dayjs(from).toDate(), endOf(to)],
    type: QueryTypes.SELECT,
  })
  const said = rows.map((r): Happened => ({
    at: r.at.toISOString(),
    who: r.who ?? '',
    of: r.of,
    id: r.id,
    kind: r.kind,
    name: r.number === null ? (r.name ?? '') : `${holeLabel(r.number)} ${r.name}`,
    what: saidOf(r, boat.units),
  }))
  return { rows: said, more: rows.length === MOST }
}
interface PastHole {
  id: number
  number: number
  whatFor: string
  state: LifeState
}
/** The state of each hole at the end of a day, by what had happened until then; corrections count. */
const HOLES_ON = `
SELECT DISTINCT ON (p.id) p.id, p.number, p.what_for AS "whatFor", e.state
  FROM life_events e JOIN penetrations p ON p.id = e.penetration_id
 WHERE p.boat_id = $1 AND e.happened_at < $2 AND p.withdrawn_why IS NULL
   AND NOT EXISTS (SELECT 1 FROM life_events c WHERE c.penetration_id = e.penetration_id AND c.corrects = e.seq)
 ORDER BY p.id, e.seq DESC`
const holesOn = async (boatId: string, on: string): Promise<Map<number, PastHole>> => {
  const rows = await Boat.sequelize!.query<PastHole>(HOLES_ON, {
    bind: [boatId, endOf(on)],
    type: QueryTypes.SELECT,
  })
  return new Map(rows.map((h) => [h.id, h]))
}
interface PastFitting {
  id: string
  name: string
  kind: string
  version: number
  design: unknown
}
/** Each fitting as it stood then: its last revision until that day; what was gone by then is left out. */
const FITTINGS_ON = `
SELECT row_key AS id, was->>'name' AS name, was->>'kind' AS kind, version, was->'design' AS design
  FROM (SELECT DISTINCT ON (row_key) * FROM revisions WHERE boat_id = $1 AND what = 'fittings' AND at < $2
         ORDER BY row_key, id DESC) r
 WHERE NOT gone`
const fittingsOn = (boatId: string, on: string): Promise<PastFitting[]> =>
  Boat.sequelize!.query<PastFitting>(FITTINGS_ON, {
    bind: [boatId, endOf(on)],
    type: QueryTypes.SELECT,
  })
/** As this version reads it; null where what was kept then cannot be read any more. */
function readable(f: PastFitting): AnyDesign | null {
  try {
    return parseOf(kindNamed(f.kind), f.design)
  } catch {
    return null
  }
}
export interface PastBoat {
  from: string
  to: string
  /** holes whose state is another on the later day */
  holes: { id: number; label: string; whatFor: string; was: LifeState | null; is: LifeState | null }[]
  fittings: { id: string; name: string; kind: string; was: number | null; is: number | null }[]
  counts: { state: LifeState; count: number }[]
  /** zones and parts of the structure */
  surfaces: OtherSurface[]
  /** the later day lies before this one, from which on surfaces are known: they are drawn as on it */
  surfacesAsOf: string | null
  /** all of it as it stood on the later day */
  map: Drawing
}
/** Holes whose state is another on the later day. */
function otherHoles(before: Map<number, PastHole>, after: Map<number, PastHole>): PastBoat['holes'] {
  const ids = [...new Set([...before.keys(), ...after.keys()])]
  return ids
    .map((id) => ({ id, b: before.get(id), a: after.get(id) }))
    .filter(({ a, b }) => a?.state !== b?.state)
    .map(({ id, a, b }) => {
      const h = (a ?? b)!
      return {
        id,
        label: holeLabel(h.number),
        whatFor: h.whatFor,
        was: b?.state ?? null,
        is: a?.state ?? null,
      }
    })
    .sort((x, y) => x.label.localeCompare(y.label))
}
/** Fittings that were put there, changed or taken away between. */
function otherFittings(was: PastFitting[], is: PastFitting[]): PastBoat['fittings'] {
  const version = (all: PastFitting[], id: string) => all.find((f) => f.id === id)?.version ?? null
  const names = new Map([...was, ...is].map((f) => [f.id, f]))
  return [...names.values()]
    .map((f) => ({ id: f.id, name: f.name, kind: f.kind, was: version(was, f.id), is: version(is, f.id) }))
    .filter((f) => f.was !== f.is)
    .sort((x, y) => x.name.localeCompare(y.name))
}
export async function pastBoat(who: Account, boatId: string, query: unknown): Promise<PastBoat> {
  must(who, 'read', boatId)
  const { from, to } = spanOf(query)
  const [before, after, was, is, surfacesWere, surfaces, since, picture] = await Promise.all([
    holesOn(boatId, from),
    holesOn(boatId, to),
    fittingsOn(boatId, from),
    fittingsOn(boatId, to),
    surfacesOn(boatId, endOf(from)),
    surfacesOn(boatId, endOf(to)),
    surfacesSince(boatId),
    boatPicture(who, boatId),
  ])
  const holes = otherHoles(before, after)
  const fittings = otherFittings(was, is)
  const counts = new Map<LifeState, number>()
  for (const h of after.values()) counts.set(h.state, (counts.get(h.state) ?? 0) + 1)
  return {
    from,
    to,
    holes,
    fittings,
    counts: LIFE_STATES.flatMap((state) => {
      const count = counts.get(state)
      return count ? [{ state, count }] : []
    }),
    surfaces: otherSurfaces(surfacesWere, surfaces),
    surfacesAsOf: since !== null && to < since ? since : null,
    map: boatMap({
      ...picture,
      zones: pastZones(surfaces),
      parts: pastParts(surfaces),
      holes: picture.holes.flatMap((h) => {
        const past = after.get(h.id)
        return past ? [{ ...h, state: past.state }] : []
      }),
      fittings: is.flatMap((f) => {
        const design = readable(f)
        if (!design) return []
        const { xMm, yMm } = design.place
        return [{ name: f.name, xMm, yMm, outline: kindNamed(f.kind).footprint(design) }]
      }),
    }),
  }
}
const onDay = z.strictObject({ on: day })
/** The design of a fitting as it stood at the end of a day. */
export async function pastDesign(who: Account, boatId: string, id: string, query: unknown) {
  must(who, 'read', boatId)
  const { on } = parseInput(onDay, query)
  const f = (await fittingsOn(boatId, on)).find((x) => x.id === id)
  if (!f) throw new CalcError('missing', 'on', 'It was not there on that day')
  return f
}
