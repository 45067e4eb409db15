import dayjs from 'dayjs'
import { z } from 'zod'
import { CalcError, lifeSaid, parseInput } from '@north-tide/core'
import { Lot } from '../models'
import type { Label } from '../pdf/label-sheet'
import { printed } from '../pdf/pool'
import { must, type Account } from './access'
import { boatById } from './boats'
import { holesOf } from './holes'
import { paper } from './settings'

/** Labels that a phone's camera opens: lots on the shelf, holes in the boat. */
const asked = z.strictObject({
  /** numbers by commas; left out: all */
  ids: z
    .string()
    .regex(/^\d{1,9}(,\d{1,9})*$/, 'numbers by commas are accepted')
    .optional(),
})
const MOST = 480
const idsOf = (query: unknown) => parseInput(asked, query).ids?.split(',').map(Number)
export async function labelSheetOf(title: string, labels: Label[]) {
  if (!labels.length) throw new CalcError('missing', 'ids', 'There is nothing to make labels of')
  if (labels.length > MOST) throw new CalcError('range', 'ids', `Up to ${MOST} labels are made at once`)
  return printed('labels', title, labels, await paper())
}
export async function lotLabels(who: Account, query: unknown, origin: string) {
  must(who, 'stores')
  const ids = idsOf(query)
  const lots = await Lot.findAll({ where: ids ? { id: ids } : {}, order: [['expiresOn', 'ASC']] })
  return labelSheetOf(
    'Labels of lots',
    lots
      .filter((l) => ids || l.quantity !== 0)
      .map((l) => ({
        code: l.code,
        lines: [l.title, `use by ${dayjs(l.expiresOn).format('D MMM YYYY')}`],
        url: `${origin}/stores?lot=${encodeURIComponent(l.code)}`,
      })),
  )
}
export async function holeLabels(who: Account, boatId: string, query: unknown, origin: string) {
  must(who, 'read', boatId)
  const ids = idsOf(query)
  const boat = await boatById(boatId)
  const holes = (await holesOf(boatId)).filter((h) => !ids || ids.includes(h.number))
  return labelSheetOf(
    `Labels of ${boat.name}`,
    holes.map((h) => ({
      code: h.label,
      lines: [boat.name, h.whatFor, lifeSaid(h.state)],
      url: `${origin}/register/${h.number}?boat=${encodeURIComponent(boatId)}`,
    })),
  )
}
