import { computed, type Ref } from 'vue'
import { LIFE_STATES, lifeSaid, sentence } from '@north-tide/core'
import { useBoats } from '../../state/boats'
import type { BoatPicture } from '../../types'

/** Holes of the register under heads, by fitting, zone or state; each says how many and in which states. */
type Row = BoatPicture['holes'][number]
const GROUPS = {
  '': 'not grouped',
  fitting: 'by fitting',
  zone: 'by zone',
  state: 'by state',
} as const
export type GroupBy = keyof typeof GROUPS
/** The same list at every drawing: a new one would make the box of choices anew with each key. */
export const GROUPED = (Object.keys(GROUPS) as GroupBy[]).map((value) => ({ value, title: GROUPS[value] }))
export const isGroup = (s: string): s is GroupBy => s in GROUPS

export function useGroups(rows: Ref<Row[]>, group: Ref<GroupBy>) {
  const boats = useBoats()
  const names = computed(() => new Map(boats.everyFitting.map((f) => [f.id, f.name])))
  const of: Record<GroupBy, (h: Row) => string> = {
    '': () => '',
    fitting: (h) => names.value.get(h.fittingId ?? '') ?? 'Found, and nothing stands in it',
    zone: (h) => h.zone ?? '',
    state: (h) => sentence(lifeSaid(h.state)),
  }
  const heads = new Map<number, { title: string; count: string; states: string }>()
  /** A head stands among the rows under an id that no hole has. */
  const isHead = (r: Row) => r.id < 0
  const listed = computed(() => {
    heads.clear()
    if (!group.value) return rows.value
    const by = new Map<string, Row[]>()
    for (const h of rows.value) {
      const key = of[group.value](h)
      const own = by.get(key)
      if (own) own.push(h)
      else by.set(key, [h])
    }
    return [...by].flatMap(([title, own], i) => {
      const states = LIFE_STATES.flatMap((s) => {
        const n = own.filter((h) => h.state === s).length
        return n ? [`${n} ${lifeSaid(s)}`] : []
      })
      const count = `${own.length} ${own.length === 1 ? 'hole' : 'holes'}`
      heads.set(-1 - i, { title, count, states: group.value === 'state' ? '' : states.join(', ') })
      return [{ ...own[0]!, id: -1 - i }, ...own]
    })
  })
  return { listed, heads, isHead }
}
