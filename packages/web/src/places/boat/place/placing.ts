import { computed, ref } from 'vue'
import { flagsAt, spotFor, zoneAt } from '@north-tide/core'
import { RIG_CATALOGUE, SET_FAMILIES } from '@north-tide/core/rig'
import { hullAt, THROUGH_HULL_CATALOGUE, type Use } from '@north-tide/core/through-hull'
import { api } from '../../../api'
import { useAttempt } from '../../../pieces/attempt'
import type { Measured } from '../../../pieces/MeasureField.vue'
import { useBoats } from '../../../state/boats'
import type { BoatPicture } from '../../../types'
import type { Spot3 } from '../plan/sheet'
import { foundAmong, goodsFor, type Way } from './goods'

interface About {
  boat: BoatPicture
  units: 'metric' | 'inch'
  at: Spot3
}
/** what stands where there is no depth yet: a hand under the waterline */
const UNDER_WATER_MM = -300

/** Where it goes: pointed at, typed, or measured from what is there already. */
function whereItGoes(about: About) {
  const { at } = about
  const x = ref(at.xMm)
  const y = ref(at.yMm)
  const z = ref(at.zMm ?? UNDER_WATER_MM)
  const measured = ref<Measured | null>(null)
  const named = computed(() => (at.zone ? about.boat.zones.find((q) => q.code === at.zone) : undefined))
  const hull = computed(() =>
    hullAt(about.boat.zones, { xMm: x.value, yMm: y.value, zMm: z.value, zone: named.value?.code ?? null }),
  )
  const spot = computed(() => ({
    xMm: x.value,
    yMm: y.value,
    ...(named.value ? { zMm: z.value, zone: named.value.title } : {}),
  }))
  const zone = computed(() => named.value ?? zoneAt(about.boat.zones, spot.value))
  function follow(m: Measured | null) {
    measured.value = m
    if (m?.xMm == null || m.yMm == null) return
    x.value = Math.round(m.xMm * 10) / 10
    y.value = Math.round(m.yMm * 10) / 10
  }
  /** As it was measured, with what is believed of it, or as it was pointed at. */
  const sent = () =>
    measured.value
      ? { measures: measured.value.measures, believe: measured.value.believe }
      : { xMm: x.value, yMm: y.value }
  const unsure = computed(
    () => measured.value !== null && (measured.value.xMm === null || measured.value.yMm === null),
  )
  return { x, y, z, measured, named, hull, spot, zone, follow, sent, unsure }
}

/** A fitting that is put on the boat: where, what, and what the place says to it. */
export function usePlacing(about: About, placed: (to: string) => void) {
  const boats = useBoats()
  const { said, busy, attempt } = useAttempt()
  const where = whereItGoes(about)
  const { z, named, hull, spot, zone } = where
  /** What the place itself says, until somebody says otherwise. */
  const face = about.boat.zones.find((q) => q.code === about.at.zone)?.face ?? ''
  const way = ref<Way>(['bottom', 'topsides'].includes(face) ? 'hull' : 'deck')
  const through = computed(() => way.value === 'hull')
  const words = ref('')
  const picked = ref<string | null>(null)
  const name = ref('')
  const deadrise = ref<number | null>(null)
  const use = ref<Use | ''>('')
  const found = computed(() =>
    foundAmong(goodsFor(way.value, about.units, boats.catalogue), words.value, about.boat.units),
  )
  const entry = computed(
    () =>
      found.value.find((c) => c.id === picked.value) ??
      (found.value.length === 1 ? found.value[0] : undefined),
  )
  const usualUse = computed(() => THROUGH_HULL_CATALOGUE.find((c) => c.id === entry.value?.id)?.use ?? null)
  const bolts = computed(() => entry.value?.bolts ?? [])
  const flags = computed(() => {
    const { zones, parts, holes, wet } = about.boat
    return flagsAt({ zones, parts, holes, wet }, spot.value, bolts.value)
  })
  const edge = computed(() => spotFor(zone.value, spot.value, bolts.value, about.boat.duty).edgeMm)
  /** What is set or tabbed into the hull stands on the bottom under the place, or where it is pointed. */
  const setIn = computed(() => {
    const rigged = way.value === 'rig' ? RIG_CATALOGUE.find((c) => c.id === entry.value?.id) : undefined
    return rigged !== undefined && SET_FAMILIES.includes(rigged.family)
  })
  const surface = () => named.value?.code ?? (setIn.value ? hull.value.zone : null)
  const place = () =>
    attempt(async (key) => {
      if (!entry.value) return
      const on = surface()
      const body = {
        catalogueId: entry.value.id,
        ...where.sent(),
        ...(on ? { zone: on } : {}),
        ...(on || through.value ? { zMm: z.value } : {}),
        ...(through.value && deadrise.value !== null ? { deadriseDeg: deadrise.value } : {}),
        ...(through.value && use.value ? { use: use.value } : {}),
        ...(name.value.trim() ? { name: name.value.trim() } : {}),
      }
      const made = await api<{ id: string }>('POST', `/boats/${about.boat.id}/fittings`, body, key)
      placed(through.value ? `/through-hulls/${made.id}` : made.id)
    })
  return {
    ...where,
    ...{ way, through, words, picked, name, deadrise, use, usualUse, found, entry },
    ...{ flags, edge, setIn, place, said, busy },
  }
}
export type Placing = ReturnType<typeof usePlacing>
