import { computed, type Ref } from 'vue'
import dayjs from 'dayjs'
import { LIFE_STATES, formatLength } from '@north-tide/core'
import type { LongColumn } from '../../pieces/LongTable.vue'
import { useBoats } from '../../state/boats'
import { usePhone } from '../../state/phone'
import type { BoatPicture } from '../../types'

/** What the register's table shows of each hole, at a desk, beside a map and on a phone. */
type Row = BoatPicture['holes'][number]
type Says = (h: Row) => string
const PICK: LongColumn<Row> = { key: 'pick', title: '', width: 44 }
/** A figure's column and those after it, as a desk has room for them. */
const sized = (says: Says): LongColumn<Row> => ({
  key: 'size',
  title: 'Size',
  width: 96,
  figure: true,
  says,
  by: (h) => h.diameterMm,
})
const lasts = (own: (says: Says) => Says): LongColumn<Row>[] => [
  {
    key: 'since',
    title: 'Since',
    width: 116,
    says: own((h) => dayjs(h.since).format('D MMM YYYY')),
    by: (h) => h.since,
  },
  { key: 'who', title: 'Who', width: 130, says: own((h) => h.who), by: (h) => h.who },
]
export function useColumns(now: {
  /** the table has half the page */
  narrow: Ref<boolean>
  /** holes are chosen by their boxes */
  many: Ref<boolean>
  grouped: Ref<boolean>
  /** what a group's head says; nothing of a hole */
  head: (h: Row) => { title: string; states: string } | undefined
}) {
  const boats = useBoats()
  const phone = usePhone()
  const length = (mm: number) => formatLength(Math.round(mm), boats.units)
  const across = (mm: number) =>
    Math.round(mm) === 0 ? 'centreline' : `${mm > 0 ? 'stbd' : 'port'} ${length(Math.abs(mm))}`
  /** A group's head says nothing where a hole would say its own. */
  const own = (says: Says) => (h: Row) => (now.head(h) ? '' : says(h))
  const size = own((h) => formatLength(h.diameterMm, boats.units))
  const always = computed<LongColumn<Row>[]>(() => [
    { key: 'label', title: 'No.', width: 84, by: (h) => h.label },
    {
      key: 'what',
      title: 'What for',
      width: 150,
      wide: true,
      says: (h) => now.head(h)?.title ?? `${h.whatFor}${h.found ? ' · found' : ''}`,
      below: phone.value ? own((h) => `${h.zone}, ${size(h)}`) : undefined,
      by: (h) => h.whatFor,
    },
    { key: 'state', title: 'State', width: phone.value ? 120 : 150, by: (h) => LIFE_STATES.indexOf(h.state) },
  ])
  const place: LongColumn<Row> = {
    key: 'place',
    title: 'Zone and place',
    width: 240,
    wide: true,
    says: (h) => now.head(h)?.states ?? h.zone ?? '',
    below: own((h) => `x ${length(h.xMm)}, ${across(h.yMm)}`),
    by: (h) => h.zone ?? '',
  }
  return computed<LongColumn<Row>[]>(() => {
    const shown = [
      ...always.value,
      ...(phone.value ? [] : now.narrow.value ? [sized(size)] : [place, sized(size), ...lasts(own)]),
    ]
    return [
      ...(now.many.value ? [PICK] : []),
      // A group stays together: within it nothing is sorted away.
      ...shown.map((c) => (now.grouped.value ? { ...c, by: undefined } : c)),
    ]
  })
}
