import { defineStore } from 'pinia'
import { useLocalStorage } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'
import {
  CATALOGUE,
  fromColumns,
  type CatalogueEntry,
  type Habits,
  type InColumns,
  type Units,
  type YardValue,
} from '@north-tide/core'
import type { OwnGoods } from '@north-tide/core/through-hull'
import { api } from '../api'
import { LAST_BOAT, boatPath } from './early'
import type {
  BoatPicture,
  BoatSummary,
  Hole,
  KeptGoods,
  PlanFitting,
  PlanRow,
  PlanThroughHull,
  TodayReading,
} from '../types'

/** A boat as the server gives it: every fitting in one list, with its kind. */
type Pictured = Omit<BoatPicture, 'fittings' | 'throughHulls' | 'others' | 'holes'> & {
  fittings: PlanRow[]
  /** row by row it is what a device has kept from before */
  holes: InColumns | Hole[]
}
const byKind = (p: Pictured): BoatPicture => ({
  ...p,
  holes: Array.isArray(p.holes) ? p.holes : fromColumns<Hole>(p.holes),
  fittings: p.fittings.filter((f) => f.kind === 'deck-hardware') as PlanFitting[],
  throughHulls: p.fittings.filter((f) => f.kind === 'through-hull') as PlanThroughHull[],
  others: p.fittings.filter((f) => f.kind !== 'deck-hardware' && f.kind !== 'through-hull'),
})

/** What the yard itself keeps: values, hardware, habits, goods for the hull. */
function theYard() {
  const yard = shallowRef<YardValue[]>([])
  const catalogue = shallowRef<CatalogueEntry[]>(CATALOGUE)
  const habits = shallowRef<Habits>({})
  /** skin fittings, valves and tails of the yard’s own */
  const goods = shallowRef<KeptGoods[]>([])
  return {
    yard,
    catalogue,
    habits,
    goods,
    async loadYard() {
      ;[yard.value, catalogue.value, habits.value, goods.value] = await Promise.all([
        api<YardValue[]>('GET', '/yard-values'),
        api<CatalogueEntry[]>('GET', '/catalogue'),
        api<Habits>('GET', '/habits'),
        api<KeptGoods[]>('GET', '/goods'),
      ])
    },
    async replaceValue(v: Omit<YardValue, 'measuredBy' | 'version'>) {
      const there = yard.value.find(
        (o) => o.kind === v.kind && o.material === v.material && o.field === v.field,
      )
      yard.value = await api<YardValue[]>('PUT', '/yard-values', { ...v, version: there?.version ?? 0 })
    },
    async restoreValue(v: Pick<YardValue, 'kind' | 'material' | 'field'>) {
      yard.value = await api<YardValue[]>('DELETE', '/yard-values', v)
    },
    async keepGoods({ kind, part }: OwnGoods) {
      const version = goods.value.find((o) => o.part.id === part.id)?.version ?? 0
      goods.value = await api<KeptGoods[]>('PUT', '/goods', { kind, part, version })
    },
    async readGoods(file: unknown) {
      goods.value = await api<KeptGoods[]>('POST', '/goods/import', file)
    },
    async dropGoods(id: string) {
      goods.value = await api<KeptGoods[]>('DELETE', `/goods/${encodeURIComponent(id)}`)
    },
    async setHabit(question: string, school: string | null) {
      habits.value = await api<Habits>('PUT', '/habits', { question, school })
    },
  }
}

export const useBoats = defineStore('boats', () => {
  const list = shallowRef<BoatSummary[]>([])
  const picture = shallowRef<BoatPicture | null>(null)
  const lastId = useLocalStorage<string>(LAST_BOAT, '')
  const lastFitting = useLocalStorage<Record<string, string>>('north-tide:last-fitting', {})
  const unitsOf = useLocalStorage<Record<string, Units>>('north-tide:units', {})
  const today = ref<TodayReading | null>(null)
  const units = computed<Units>(() =>
    picture.value ? (unitsOf.value[picture.value.id] ?? picture.value.units) : 'metric',
  )
  async function open(id: string) {
    picture.value = byKind(await api<Pictured>('GET', boatPath(id)))
    lastId.value = id
  }
  /** Of every kind. */
  const everyFitting = computed(() => {
    const p = picture.value
    return p ? [...p.fittings, ...p.throughHulls, ...p.others] : []
  })
  return {
    list,
    picture,
    everyFitting,
    units,
    today,
    lastId,
    lastFitting,
    ...theYard(),
    async loadList() {
      list.value = await api<BoatSummary[]>('GET', '/boats')
    },
    open,
    async refresh() {
      if (picture.value) await open(picture.value.id)
    },
    async askToday() {
      today.value = await api<TodayReading>('GET', '/today')
    },
    toggleUnits() {
      const other: Units = units.value === 'metric' ? 'inch' : 'metric'
      if (picture.value) unitsOf.value = { ...unitsOf.value, [picture.value.id]: other }
    },
  }
})
