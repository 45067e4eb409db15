import { defineStore } from 'pinia'
import { wrap } from 'comlink'
import { ref, shallowRef } from 'vue'
import type { Point, WetMap, WetSpot } from '@north-tide/core'
import { api } from '../api'
import type { Angles, PhotoShown, ReadingShown, RejudgeJob } from '../types'
import { useBoats } from './boats'

const ASK_MS = 150
const SOLVER_ASK_MS = 1000

/** What was read of the boat, and the work of judging anew that follows from it. */
export const useSurvey = defineStore('survey', () => {
  const boats = useBoats()
  const readings = shallowRef<ReadingShown[]>([])
  const angles = shallowRef<Angles | null>(null)
  const photos = shallowRef<PhotoShown[]>([])
  const job = ref<RejudgeJob | null>(null)
  const maps = shallowRef<Record<string, WetMap>>({})
  let mapsOf = ''
  let worker: ReturnType<
    typeof wrap<{ wetMap: (outline: Point[], spots: WetSpot[], cellMm: number) => WetMap | null }>
  > | null = null

  const id = () => boats.picture!.id
  async function follow(started: RejudgeJob | null) {
    job.value = started
    while (job.value && !job.value.finished) {
      await new Promise((next) => setTimeout(next, ASK_MS))
      job.value = await api<RejudgeJob>('GET', `/boats/${id()}/rejudge/${job.value.id}`)
    }
    await boats.refresh()
    if (job.value?.solverLeft) void followSolver(job.value)
  }
  /** The hand verdicts stand; the plate solver's come in one by one behind them. */
  async function followSolver(started: RejudgeJob) {
    const boat = id()
    while (job.value?.id === started.id && job.value.solverLeft && boats.picture?.id === boat) {
      await new Promise((next) => setTimeout(next, SOLVER_ASK_MS))
      const now = await api<RejudgeJob>('GET', `/boats/${boat}/rejudge/${started.id}`).catch(() => null)
      if (!now) return
      if (job.value?.id === started.id) job.value = now
    }
    if (boats.picture?.id === boat) await boats.refresh()
  }
  /** Maps of every zone that has readings, made in a worker and kept until a reading changes. */
  async function drawMaps() {
    const boat = boats.picture
    if (!boat) return
    const key = JSON.stringify([boat.id, boat.wet, boat.zones.map((z) => z.outline)])
    if (key === mapsOf) return
    mapsOf = key
    worker ??= wrap(new Worker(new URL('../workers/wet-worker.ts', import.meta.url), { type: 'module' }))
    const out: Record<string, WetMap> = {}
    for (const z of boat.zones) {
      const spots = boat.wet[z.code]
      if (!spots?.length) continue
      const m = await worker.wetMap(
        JSON.parse(JSON.stringify(z.outline)),
        JSON.parse(JSON.stringify(spots)),
        50,
      )
      if (m) out[z.code] = m
    }
    if (key === mapsOf) maps.value = out
  }
  return {
    readings,
    angles,
    photos,
    job,
    maps,
    follow,
    drawMaps,
    async load() {
      ;[readings.value, angles.value, photos.value] = await Promise.all([
        api<ReadingShown[]>('GET', `/boats/${id()}/readings`),
        api<Angles>('GET', `/boats/${id()}/angles`),
        api<PhotoShown[]>('GET', `/boats/${id()}/photos`),
      ])
    },
    async add(body: object) {
      const a = await api<{ readings: ReadingShown[]; job: RejudgeJob | null }>(
        'POST',
        `/boats/${id()}/readings`,
        body,
      )
      readings.value = a.readings
      await follow(a.job)
    },
    async withdraw(reading: number, why: string) {
      const a = await api<{ readings: ReadingShown[]; job: RejudgeJob | null }>(
        'POST',
        `/boats/${id()}/readings/${reading}/withdraw`,
        { why },
      )
      readings.value = a.readings
      await follow(a.job)
    },
    async addAngle(body: object) {
      angles.value = await api<Angles>('POST', `/boats/${id()}/angles`, body)
    },
    async dropAngle(reading: number) {
      angles.value = await api<Angles>('DELETE', `/boats/${id()}/angles/${reading}`)
    },
    async loadPhotos() {
      photos.value = await api<PhotoShown[]>('GET', `/boats/${id()}/photos`)
    },
  }
})
