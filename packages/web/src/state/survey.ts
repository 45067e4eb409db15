import { defineStore } from 'pinia'
import { wrap, type Remote } from 'comlink'
import { ref, shallowRef } from 'vue'
import type { Point, WetMap, WetSpot } from '@north-tide/core'
import { api } from '../api'
import type { Angles, PhotoShown, ReadingShown, RejudgeJob } from '../types'
import { useBoats } from './boats'

const ASK_MS = 150
const SOLVER_ASK_MS = 1000

type Boats = ReturnType<typeof useBoats>
const idOf = (boats: Boats) => boats.picture!.id

/** The work of judging anew that follows from a change of what was measured. */
function rejudged(boats: Boats) {
  const job = ref<RejudgeJob | null>(null)
  async function follow(started: RejudgeJob | null) {
    job.value = started
    while (job.value && !job.value.finished) {
      await new Promise((next) => setTimeout(next, ASK_MS))
      job.value = await api<RejudgeJob>('GET', `/boats/${idOf(boats)}/rejudge/${job.value.id}`)
    }
    await boats.refresh()
    if (job.value?.solverLeft) void followSolver(job.value)
  }
  /** The hand verdicts stand; the plate solver's come in one by one behind them. */
  async function followSolver(started: RejudgeJob) {
    const boat = idOf(boats)
    while (job.value?.id === started.id && job.value.solverLeft && boats.picture?.id === boat) {
      await new Promise((next) => setTimeout(next, SOLVER_ASK_MS))
      const now = await api<RejudgeJob>('GET', `/boats/${boat}/rejudge/${started.id}`).catch(() => null)
      if (!now) return
      if (job.value?.id === started.id) job.value = now
    }
    if (boats.picture?.id === boat) await boats.refresh()
  }
  return { job, follow }
}

interface WetWorker {
  wetMap: (outline: Point[], spots: WetSpot[], cellMm: number) => WetMap | null
}
const CELL_MM = 50
/** Maps of every zone that has readings, made in a worker and kept until a reading changes. */
function wetMaps(boats: Boats) {
  const maps = shallowRef<Record<string, WetMap>>({})
  let mapsOf = ''
  let worker: Remote<WetWorker> | null = null
  async function drawMaps() {
    const boat = boats.picture
    if (!boat) return
    const key = JSON.stringify([boat.id, boat.wet, boat.zones.map((z) => z.outline)])
    if (key === mapsOf) return
    mapsOf = key
    worker ??= wrap<WetWorker>(
      new Worker(new URL('../workers/wet-worker.ts', import.meta.url), { type: 'module' }),
    )
    const plain = <T>(v: T): T => JSON.parse(JSON.stringify(v)) as T
    const out: Record<string, WetMap> = {}
    for (const z of boat.zones) {
      const spots = boat.wet[z.code]
      if (!spots?.length) continue
      const m = await worker.wetMap(plain(z.outline), plain(spots), CELL_MM)
      if (m) out[z.code] = m
    }
    if (key === mapsOf) maps.value = out
  }
  return { maps, drawMaps }
}

interface Added {
  readings: ReadingShown[]
  job: RejudgeJob | null
}
/** What was read of the boat, and the work of judging anew that follows from it. */
export const useSurvey = defineStore('survey', () => {
  const boats = useBoats()
  const readings = shallowRef<ReadingShown[]>([])
  const angles = shallowRef<Angles | null>(null)
  const photos = shallowRef<PhotoShown[]>([])
  const { job, follow } = rejudged(boats)
  const at = (path: string) => `/boats/${idOf(boats)}/${path}`
  async function told(path: string, body: object, key?: string) {
    const a = await api<Added>('POST', at(path), body, key)
    readings.value = a.readings
    await follow(a.job)
  }
  return {
    readings,
    angles,
    photos,
    job,
    ...wetMaps(boats),
    follow,
    async load() {
      ;[readings.value, angles.value, photos.value] = await Promise.all([
        api<ReadingShown[]>('GET', at('readings')),
        api<Angles>('GET', at('angles')),
        api<PhotoShown[]>('GET', at('photos')),
      ])
    },
    add: (body: object, key: string) => told('readings', body, key),
    withdraw: (reading: number, why: string) => told(`readings/${reading}/withdraw`, { why }),
    async addAngle(body: object, key: string) {
      angles.value = await api<Angles>('POST', at('angles'), body, key)
    },
    async dropAngle(reading: number) {
      angles.value = await api<Angles>('DELETE', at(`angles/${reading}`))
    },
    async loadPhotos() {
      photos.value = await api<PhotoShown[]>('GET', at('photos'))
    },
  }
})
