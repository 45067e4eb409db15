import type { Transaction } from 'sequelize'
import { NO_ZONE, formatLength, holeLabel, type HoleSpec } from '@north-tide/core'
import { type Fitting, HoleLink, LifeEvent, Penetration } from '../models'
import type { Account } from './access'
import type { Opened } from './opened'
import { blank } from './life'

/** How the holes of a fitting, as its kind says they are, become holes of the register. */
type Recording = Opened<Fitting> & { who: Account; transaction: Transaction }

const specsOf = (a: Recording): HoleSpec[] =>
  a.kind.penetrations(a.design, a.kind.judge(a.design, a.around), a.s.boat.units)
/** What the register says of a hole, from the design as it stands. */
const columns = (a: Recording, h: HoleSpec) => ({
  boatId: a.s.boat.id,
  fittingId: a.f.id,
  zone: a.design.place.zone ?? NO_ZONE,
  part: h.part,
  boltIndex: h.boltIndex,
  whatFor: h.title,
  xMm: h.xMm,
  yMm: h.yMm,
  zMm: h.zMm,
  diameterMm: h.diameterMm,
  through: h.through,
  fastener: h.fastener,
  plate: h.plate,
  coreSchool: h.coreSchool,
  sealant: h.sealant,
  belowWaterline: h.belowWaterline,
})

/** Where it replaces another, the old hole goes on under its own number, with its history. */
async function takeOver(a: Recording, h: HoleSpec, at: Date): Promise<string | null> {
  const { transaction } = a
  const old = a.f.replacesId
    ? await Penetration.findOne({ where: { fittingId: a.f.replacesId, part: h.part }, transaction })
    : null
  if (!old) return null
  const last = await LifeEvent.findOne({
    where: { penetrationId: old.id },
    order: [['seq', 'DESC']],
    transaction,
  })
  await LifeEvent.create(
    {
      ...blank,
      penetrationId: old.id,
      seq: (last?.seq ?? 0) + 1,
      state: 'marked',
      who: a.who.name,
      happenedAt: last && last.happenedAt > at ? last.happenedAt : at,
      note: `${old.whatFor} (${old.fastener || 'as found'}, ${formatLength(old.diameterMm, a.s.boat.units)}) is replaced by ${a.design.name}. ${h.note}`,
      sizeMm: old.diameterMm,
    },
    { transaction },
  )
  await old.update(columns(a, h), { transaction })
  await HoleLink.create({ fittingId: a.f.id, penetrationId: old.id, link: 'replaces' }, { transaction })
  return holeLabel(old.number)
}

/** Holes that are there and that this work closes: linked to it, by their labels, and no others. */
export async function linkClosed(a: Recording): Promise<Penetration[]> {
  const labels = a.kind.closes?.(a.design) ?? []
  const { transaction } = a
  const mine = { fittingId: a.f.id, link: 'closes' as const }
  const holes = labels.length
    ? await Penetration.findAll({
        where: { boatId: a.s.boat.id, number: labels.map(numberOfLabel), withdrawnWhy: null },
        order: [['number', 'ASC']],
        transaction,
        lock: transaction.LOCK.NO_KEY_UPDATE,
      })
    : []
  const known = new Set((await HoleLink.findAll({ where: mine, transaction })).map((l) => l.penetrationId))
  await HoleLink.bulkCreate(
    holes.filter((p) => !known.has(p.id)).map((p) => ({ ...mine, penetrationId: p.id })),
    { transaction },
  )
  return holes
}
const numberOfLabel = (label: string) => Number(label.replace(/\D/g, ''))

/** The fitting's holes become penetrations, marked, numbered after the last of the boat. */
export async function recordHoles(a: Recording, at: Date): Promise<string[]> {
  const { transaction } = a
  const labels: string[] = (await linkClosed(a)).map((p) => holeLabel(p.number))
  const fresh: HoleSpec[] = []
  for (const h of specsOf(a)) {
    // Only the first hole of a fitting is one that the next may stand in; bolts are drilled anew.
    const kept = h.boltIndex === null ? await takeOver(a, h, at) : null
    if (kept) labels.push(kept)
    else fresh.push(h)
  }
  const last =
    ((await Penetration.max('number', { where: { boatId: a.s.boat.id }, transaction })) as number | null) ?? 0
  const made = await Penetration.bulkCreate(
    fresh.map((h, i) => ({
      ...columns(a, h),
      number: last + 1 + i,
      found: false,
      measuredFrom: h.boltIndex === null && h.part !== 'pipe' ? '' : h.note,
    })),
    { transaction, returning: true },
  )
  await LifeEvent.bulkCreate(
    made.map((p, i) => ({
      ...blank,
      penetrationId: p.id,
      seq: 1,
      state: 'marked',
      who: a.who.name,
      happenedAt: at,
      note: p.measuredFrom ? '' : fresh[i]!.note,
    })),
    { transaction },
  )
  await HoleLink.bulkCreate(
    made.map((p) => ({ fittingId: a.f.id, penetrationId: p.id, link: 'makes' as const })),
    { transaction },
  )
  await a.f.update({ recordedAt: at }, { transaction })
  return [...labels, ...made.map((p) => holeLabel(p.number))]
}

/** What is bedded now is what the register says stands there, whatever was recorded before. */
export async function asBuilt(a: Recording, holes: Penetration[]) {
  const specs = new Map(specsOf(a).map((h) => [h.part, h]))
  for (const p of holes) {
    const h = specs.get(p.part ?? '')
    if (!h) continue
    const { through, plate, sealant, fastener } = h
    if (p.through !== through || p.plate !== plate || p.sealant !== sealant || p.fastener !== fastener)
      await p.update({ through, plate, sealant, fastener }, { transaction: a.transaction })
  }
}
