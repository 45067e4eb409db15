import { defineStore } from 'pinia'
import { computed, ref, shallowRef, type Ref, type ShallowRef } from 'vue'
import type {
  BoatPlan,
  Cause,
  FixedStep,
  PlanChanges,
  PlanFitter,
  PlannedStep,
  WeatherHour,
  WeekLoad,
  YardFitter,
  YardHold,
  Cover,
  Weekday,
} from '@north-tide/core'
import { api } from '../api'
import { useSession } from './session'

export interface PlanAsked {
  boats?: string[]
  fittings?: string[] | null
  from?: string | null
  cover?: Cover
  launchDays?: Weekday[]
  target?: string | null
  join?: boolean
  /** because something happened, by nobody's hand */
  byItself?: boolean
}
export interface ShownPlan {
  id: number
  madeAt: string
  madeBy: string
  why: string
  undoes: boolean
  ask: Required<PlanAsked> & {
    start: string
    badDays: string[]
    fitters: PlanFitter[]
    guessed: boolean
    pinned: FixedStep[]
  }
  plan: BoatPlan
  week: WeekLoad | null
  launch: { boat: string; on: string }[]
}
export type HeldNow = YardHold & {
  meanwhile: string
  madeBy: string
  endedAt: string | null
  endedBy: string | null
  version: number
}
export interface PlanJob {
  id: string
  state: 'waiting' | 'working' | 'done' | 'failed' | 'cancelled'
  done: number
  total: number
  said: string
  planId: number | null
}
export type ShownFitter = YardFitter & { id: number; version: number }
export interface PlanView {
  kept: ShownPlan | null
  offer: (ShownPlan & { changes: PlanChanges | null }) | null
  job: PlanJob | null
  causes: Cause[]
  offerCauses: Cause[]
  fitters: ShownFitter[]
  holds: HeldNow[]
  weather: { hours: WeatherHour[]; source: string; saidAt: string } | null
  own: { kind: string; step: string; minutes: number; times: number }[]
  may: { plan: boolean; hours: boolean }
}
const POLL_MS = 300

type Fail = (error: unknown, otherwise: string) => void
/** The job that is at a plan: followed until it has ended, then what came of it is read. */
function jobOf(said: Ref<string>, fail: Fail, read: () => Promise<void>) {
  const job = ref<PlanJob | null>(null)
  /** Asked for, and the server has not said yet under which number. */
  const asking = ref(false)
  let following = ''
  async function follow(first: PlanJob) {
    if (first.id === following) return
    following = first.id
    job.value = first
    try {
      while (job.value && following === first.id && /waiting|working/.test(job.value.state)) {
        await new Promise((next) => setTimeout(next, POLL_MS))
        job.value = await api<PlanJob>('GET', `/plan/jobs/${first.id}`)
      }
      const ended = job.value
      if (following !== first.id) return
      job.value = null
      if (ended?.state === 'failed') said.value = `The plan was not made: ${ended.said}`
      // Stopped from elsewhere: another may be at it in its place.
      if (ended?.state === 'done' || ended?.state === 'cancelled') await read()
    } catch (error) {
      job.value = null
      fail(error, 'The plan was not made')
    }
  }
  async function ask(how: PlanAsked): Promise<void> {
    said.value = ''
    asking.value = true
    try {
      const first = await api<PlanJob>('POST', '/plan/jobs', how).finally(() => (asking.value = false))
      await follow(first)
    } catch (error) {
      fail(error, 'The plan was not asked for')
    }
  }
  async function stop() {
    if (!job.value) return
    const { id } = job.value
    job.value = null
    following = ''
    await api('DELETE', `/plan/jobs/${id}`).catch(() => undefined)
  }
  return { job, asking, follow, ask, stop }
}
/** What is done to the plan that is kept: another taken, a step moved, taken back. */
function actsOn(view: ShallowRef<PlanView | null>, said: Ref<string>, fail: Fail) {
  const moved = shallowRef<PlanChanges | null>(null)
  const moving = ref(false)
  async function act(what: () => Promise<PlanView>): Promise<boolean> {
    said.value = ''
    try {
      view.value = await what()
      return true
    } catch (error) {
      fail(error, 'It was not kept')
      return false
    }
  }
  const takeOffer = () => act(() => api<PlanView>('POST', `/plan/offers/${view.value!.offer!.id}/take`))
  const dropOffer = () => act(() => api<PlanView>('DELETE', `/plan/offers/${view.value!.offer!.id}`))
  const undo = () => {
    moved.value = null
    return act(() => api<PlanView>('POST', '/plan/undo', { planId: view.value!.kept!.id }))
  }
  async function move(
    s: Pick<PlannedStep, 'fittingId' | 'step'>,
    to: { day?: string; who?: string[]; release?: boolean },
  ): Promise<boolean> {
    moving.value = true
    const ok = await act(async () => {
      const { moved: m, ...v } = await api<PlanView & { moved: PlanChanges }>('POST', '/plan/moves', {
        planId: view.value!.kept!.id,
        fittingId: s.fittingId,
        step: s.step,
        ...to,
      })
      moved.value = m
      return v
    })
    moving.value = false
    return ok
  }
  return { moved, moving, takeOffer, dropOffer, undo, move }
}

/** The plan of the yard as the server has it, and the job that is at another. */
export const usePlan = defineStore('plan', () => {
  const session = useSession()
  const view = shallowRef<PlanView | null>(null)
  const said = ref('')
  const fail: Fail = (error, otherwise) => {
    if (!session.ended(error)) said.value = error instanceof Error ? error.message : otherwise
  }
  const read = async () => {
    view.value = await api<PlanView>('GET', '/plan')
    if (view.value.job) void follow(view.value.job)
  }
  const { job, asking, follow, ask, stop } = jobOf(said, fail, read)
  async function load(): Promise<void> {
    said.value = ''
    try {
      await read()
    } catch (error) {
      fail(error, 'The plan cannot be read')
    }
  }
  /** As the plan that lies offered, or the one that is kept, was asked for. */
  const again = () => {
    const k = (view.value?.offer ?? view.value?.kept)?.ask
    if (!k) return ask({ byItself: true })
    const { boats, fittings, from, cover, launchDays, target, join } = k
    return ask({ boats, fittings, from, cover, launchDays, target, join, byItself: true })
  }
  const plan = computed(() => view.value?.kept ?? view.value?.offer ?? null)
  return { view, job, asking, said, plan, load, ask, again, stop, ...actsOn(view, said, fail) }
})
