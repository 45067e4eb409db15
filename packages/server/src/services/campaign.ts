import { QueryTypes } from 'sequelize'
import {
  campaignOf,
  LIFE_STATES,
  zoneTitle,
  type Campaign,
  type HoleRow,
  type SurveyThing,
} from '@north-tide/core'
import { kindNamed } from '@north-tide/core/kinds'
import { Photo } from '../models'
import { must, type Account } from './access'
import { boatById } from './boats'
import { openWork } from './open-work'
import { snapshotOf } from './snapshot'

/** A survey of the whole boat: in which order, what has no photo, what may be launched, in which hours. */
export async function campaign(who: Account, boatId: string): Promise<Campaign & { boat: string }> {
  must(who, 'read', boatId)
  const boat = await boatById(boatId)
  const s = await snapshotOf(boat)
  const [work, photos] = await Promise.all([openWork(boatId), photosBy(boatId)])
  const minutes = new Map(
    work.jobs.map((j) => [
      j.fittingId,
      j.steps.filter((x) => !j.work.ticks[x.id]).reduce((n, x) => n + x.minutes * x.hands, 0),
    ]),
  )
  const holes = s.holes.filter((h) => h.state !== 'closed' && h.withdrawnWhy === null)
  const rank = (h: HoleRow) => (h.state === 'suspect' ? -1 : LIFE_STATES.indexOf(h.state))
  const thing = (
    id: string,
    own: HoleRow[],
    more: Pick<SurveyThing, 'kind' | 'name' | 'alarm' | 'minutes'>,
  ) => {
    const worst = own.reduce((a, b) => (rank(b) < rank(a) ? b : a))
    const face = s.zones.find((z) => z.code === worst.zoneCode)?.face
    return {
      id,
      ...more,
      zone: zoneTitle(s.zones, worst.zoneCode),
      level: worst.belowWaterline
        ? ('below' as const)
        : face === 'topsides'
          ? ('topsides' as const)
          : ('deck' as const),
      xMm: worst.xMm,
      yMm: worst.yMm,
      state: worst.state,
      below: worst.belowWaterline,
      photos: own.reduce((n, h) => n + (photos.get(h.id) ?? 0), 0),
    }
  }
  const fittings = s.fittings.flatMap((f) => {
    const own = holes.filter((h) => h.fittingId === f.id)
    const alarm = kindNamed(f.kind).listed?.(s.designs.get(f.id)!).alarm
    const more = { kind: f.kind, name: f.name, minutes: minutes.get(f.id) ?? 0 }
    return own.length ? [thing(f.id, own, { ...more, alarm: typeof alarm === 'string' ? alarm : '' })] : []
  })
  const bare = holes
    .filter((h) => h.fittingId === null)
    .map((h) =>
      thing(`hole ${h.id}`, [h], { kind: null, name: `${h.label} ${h.whatFor}`, alarm: '', minutes: 0 }),
    )
  return { boat: boat.name, ...campaignOf([...fittings, ...bare]) }
}
async function photosBy(boatId: string): Promise<Map<number, number>> {
  const rows = await Photo.sequelize!.query<{ id: string; n: string }>(
    `SELECT subject_id AS id, count(*) AS n FROM photos
      WHERE boat_id = $1 AND subject = 'hole' AND withdrawn_why IS NULL GROUP BY subject_id`,
    { bind: [boatId], type: QueryTypes.SELECT },
  )
  return new Map(rows.map((r) => [Number(r.id), Number(r.n)]))
}
