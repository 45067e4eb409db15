import { z } from 'zod'
import {
  CalcError,
  parseInput,
  spotBoat,
  spotFor,
  withChange,
  zoneAt,
  type AnyDesign,
  type FittingSpot,
  type Kind,
} from '@north-tide/core'
import { kindNamed, parseOf } from '@north-tide/core/kinds'
import { ApiError } from '../errors'
import { Fitting } from '../models'
import { must, type Account } from './access'
import { inAct, type Act } from './act'
import { askRejudge } from './asked'
import { createMember, entryOf } from './fittings'
import { findFitting, readFitting } from './opened'
import { aroundIn } from './snapshot'
import { tickFitting } from './ticks'
import type { FittingRow } from './kept-boat'
import { judgeByHand, stored } from './verdict'
import { recordFitting } from './work'

/**
 * The members of a row: fittings of their own, one design for all of them, each with its own place, state
 * and holes. What is done to many is done to each by its own rules, and the odd one out is left and named.
 */
interface Layout {
  memberId: string
  places: FittingSpot[]
}
const MOST_MEMBERS = 200

/** @throws ApiError 409 where this is no row, or where it does not come out */
function layoutOf(a: Act): Layout {
  const layout = a.kind.groups?.(a.design, a.kind.judge(a.design, a.around)) ?? null
  if (!layout)
    throw new ApiError(409, 'no-members', `${a.f.name} has no members of its own to set out on the boat`)
  if (!layout.places.length)
    throw new ApiError(409, 'blocked', `${a.f.name} does not come out yet; nothing can be set out`)
  if (layout.places.length > MOST_MEMBERS)
    throw new ApiError(409, 'too-many', `${layout.places.length} of them; up to ${MOST_MEMBERS} are set out`)
  return layout
}
/** In their order along the row, from its first end. */
function inOrder(a: Act, { places }: Layout): FittingRow[] {
  const [first, last] = [places[0]!, places.at(-1)!]
  const along = (f: FittingRow) => {
    const { xMm, yMm } = a.s.designs.get(f.id)!.place
    return (xMm - first.xMm) * (last.xMm - first.xMm) + (yMm - first.yMm) * (last.yMm - first.yMm)
  }
  return a.s.fittings.filter((f) => f.groupId === a.f.id).sort((p, q) => along(p) - along(q))
}
const TURNED = 0.05
const standsAt = (d: AnyDesign, p: FittingSpot) =>
  Math.round(d.place.xMm) === p.xMm &&
  Math.round(d.place.yMm) === p.yMm &&
  (!('headingDeg' in d) || Math.abs((d.headingDeg as number) - p.headingDeg) < TURNED)
const turnedTo = (kind: Kind, d: AnyDesign, p: FittingSpot): AnyDesign =>
  'headingDeg' in d ? parseOf(kind, withChange(d, { headingDeg: p.headingDeg })) : d

/** The design of a member at a place: as the others are, or as one begins it from the catalogue. */
async function designAt(a: Act, memberId: string, like: FittingRow | null, p: FittingSpot, name: string) {
  const { kind, entry } = await entryOf(memberId)
  if (like && kind.copy) {
    const d = kind.copy(a.s.designs.get(like.id)!, { mirror: false, xMm: p.xMm, yMm: p.yMm, name }, a.s.zones)
    return { kind, design: turnedTo(kind, d, p) }
  }
  const bolts = (entry as { bolts?: { xMm: number; yMm: number }[] }).bolts ?? []
  const boat = spotBoat(a.s.boat, Date.now())
  const spot = { ...spotFor(zoneAt(a.s.zones, p), p, bolts, a.design.duty, boat), zones: a.s.zones }
  return { kind, design: turnedTo(kind, kind.start(entry, spot, name), p) }
}
async function change(a: Act, f: FittingRow, design: AnyDesign) {
  const kind = kindNamed(f.kind)
  const { ask: _ask, ...judged } = judgeByHand(kind, design, aroundIn(a.s, f.id, []))
  await Fitting.update(
    {
      design,
      name: design.name,
      ...stored(judged),
      version: f.version + 1,
      updatedAt: new Date(),
      updatedBy: a.who.name,
    },
    { where: { id: f.id }, transaction: a.transaction },
  )
}

/**
 * Sets the members out as the row has them now: those that are missing are made, those that are not on
 * record yet are moved to their places; one that has holes stays where it stands, and is named.
 */
export async function setMembers(who: Account, id: string) {
  const said = await inAct(who, id, async (a) => {
    const layout = layoutOf(a)
    const there = inOrder(a, layout)
    const out = { made: 0, moved: 0, stay: [] as string[], spare: [] as string[] }
    for (const [i, p] of layout.places.entries()) {
      const f = there[i]
      if (!f) {
        const name = `${a.design.name} ${i + 1}`.slice(0, 120)
        const { kind, design } = await designAt(a, layout.memberId, there[0] ?? null, p, name)
        await createMember(who, a.s, kind, design, a.f.id, a.transaction)
        out.made++
      } else if (!standsAt(a.s.designs.get(f.id)!, p)) {
        if (f.recordedAt) {
          out.stay.push(f.name)
          continue
        }
        const { design } = await designAt(a, layout.memberId, f, p, f.name)
        await change(a, f, design)
        out.moved++
      }
    }
    out.spare = there.slice(layout.places.length).map((f) => f.name)
    await askRejudge(a.s.boat.id, `${a.f.name}: its members were set out`, a.transaction)
    return out
  })
  return { ...said, fitting: await readFitting(who, id) }
}

const changing = z.strictObject({
  /** by dotted path, as on a bench; where each stands and what it is called is its own */
  change: z.record(z.string().min(1).max(120), z.unknown()).refine((c) => Object.keys(c).length > 0),
  /** those that are left as they are */
  but: z.array(z.string()).max(MOST_MEMBERS).default([]),
})
const OWN = /^(place|name|schemaVersion|family|headingDeg)(\.|$)/

/** One change for all of them but the odd ones: all of it or nothing. */
export async function changeMembers(who: Account, id: string, body: unknown) {
  const c = parseInput(changing, body)
  const own = Object.keys(c.change).find((path) => OWN.test(path))
  if (own)
    throw new ApiError(
      400,
      'invalid-input',
      'Where each stands and what it is called is its own',
      `change.${own}`,
    )
  const changed = await inAct(who, id, async (a) => {
    const members = a.s.fittings.filter((f) => f.groupId === id && !c.but.includes(f.id))
    if (!members.length) throw new ApiError(409, 'no-members', `${a.f.name} has no members yet`)
    for (const f of members) {
      const kind = kindNamed(f.kind)
      try {
        await change(a, f, parseOf(kind, withChange(a.s.designs.get(f.id)!, c.change)))
      } catch (error) {
        if (!(error instanceof CalcError)) throw error
        throw new CalcError(error.code, `change.${error.path}`, `${f.name}: ${error.message}`)
      }
    }
    await askRejudge(a.s.boat.id, `${a.f.name}: one change for ${members.length}`, a.transaction)
    return members.length
  })
  return { changed, fitting: await readFitting(who, id) }
}

const some = z.object({ only: z.array(z.string()).max(MOST_MEMBERS).optional() })
async function membersOf(who: Account, id: string, only: string[] | undefined) {
  const row = await findFitting(id)
  must(who, 'work', row.boatId)
  const all = await Fitting.findAll({ where: { groupId: id }, order: [['createdAt', 'ASC']] })
  const asked = only ? all.filter((f) => only.includes(f.id)) : all
  if (!asked.length) throw new ApiError(409, 'no-members', `${row.name} has no members of those yet`)
  return asked
}
interface Done {
  id: string
  name: string
  /** why not; empty: it was done */
  refused: string
}
/** One after the other, each by its own rules; one that refuses does not stop the others. */
async function eachOf(members: Fitting[], act: (f: Fitting) => Promise<unknown>): Promise<Done[]> {
  const out: Done[] = []
  for (const f of members)
    try {
      await act(f)
      out.push({ id: f.id, name: f.name, refused: '' })
    } catch (error) {
      if (!(error instanceof ApiError || error instanceof CalcError)) throw error
      out.push({ id: f.id, name: f.name, refused: error.message })
    }
  return out
}
/** One tick for many: the same step, the same readings, each into its own holes. */
export async function tickMembers(who: Account, id: string, body: unknown) {
  const { only, ...tick } = parseInput(some.loose(), body)
  const members = await membersOf(who, id, only)
  const done = await eachOf(members, (f) => tickFitting(who, f.id, tick))
  return { done, fitting: await readFitting(who, id) }
}
/** The holes of all of them go into the register. */
export async function recordMembers(who: Account, id: string, body: unknown) {
  const { only } = parseInput(some, body ?? {})
  const members = (await membersOf(who, id, only)).filter((f) => !f.recordedAt)
  const done = await eachOf(members, (f) => recordFitting(who, f.id))
  return { done, fitting: await readFitting(who, id) }
}
