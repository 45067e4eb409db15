import { computed, reactive, ref, watch, type ComputedRef } from 'vue'
import { useLocalStorage } from '@vueuse/core'
import dayjs from 'dayjs'
import {
  deadriseFrom,
  lastReading,
  lifeSaid,
  stepGates,
  type InstrumentReading,
  type LotFacts,
  type Step,
  type StepAsk,
} from '@north-tide/core'
import { ApiRefusal } from '../api'
import type { Usual, WorkBench } from '../state/acts'
import { useBoats } from '../state/boats'
import { useSession } from '../state/session'

type Asks = (what: StepAsk) => boolean
interface Gate {
  id: string
  text: string
}
export interface TickProps {
  bench: WorkBench
  step: Step
  gates?: Gate[]
  /** holes that follow what was ticked before; empty: it is ticked for the first time */
  only?: string[]
}

/** Nothing typed yet; what the fitting knows already stands there. */
export const blankEntry = (asks: Asks, usual: Usual) => ({
  note: '',
  proof: '',
  reason: '',
  at: '',
  lotId: '',
  ohm: null as number | null,
  hullMm: null as number | null,
  shownDeg: null as number | null,
  stopsDeg: null as number | null,
  looked: [] as string[],
  torqueNm: null as number | null,
  runDownNm: null as number | null,
  minutes: null as number | null,
  /** labels of the holes that are kept apart */
  apart: [] as string[],
  sizeMm: asks('size') ? usual.sizeMm : null,
  tempC: usual.tempC,
  airC: usual.airC,
  humidityPct: usual.humidityPct,
})
export type TickEntry = ReturnType<typeof blankEntry>

const FIGURES = [
  ['ohm', 'ohm'],
  ['hull', 'hullMm'],
  ['angle', 'shownDeg'],
  ['stops', 'stopsDeg'],
  ['torque', 'torqueNm'],
  ['run-down', 'runDownNm'],
] as const

/**
 * What is sent of a tick: only what its step asks for, figures that were not read left out.
 * @param gated something stands before it, so the reason counts
 * @param holes those that it is about, where not all of the fitting's are
 */
export function tickBody(
  f: TickEntry,
  step: Pick<Step, 'id' | 'asks' | 'looks'>,
  { gated, wet, holes }: { gated: boolean; wet: boolean; holes: string[] },
): Record<string, unknown> {
  const asks: Asks = (what) => step.asks.includes(what)
  const figures = FIGURES.filter(([what, field]) => asks(what) && f[field] !== null)
  return {
    step: step.id,
    note: f.note.trim(),
    reason: gated ? f.reason.trim() : '',
    wet,
    ...(f.at ? { at: dayjs(f.at).toISOString() } : {}),
    ...(asks('size') ? { sizeMm: f.sizeMm } : {}),
    ...(asks('lot') && f.lotId ? { lotId: Number(f.lotId) } : {}),
    ...(asks('air') ? { tempC: f.tempC, airC: f.airC, humidityPct: f.humidityPct } : {}),
    ...Object.fromEntries(figures.map(([, field]) => [field, f[field]])),
    ...(holes.length ? { holes } : {}),
    ...(asks('looks') ? { looked: f.looked.filter((l) => step.looks.includes(l)) } : {}),
    ...(asks('proof') ? { proof: f.proof.trim() } : {}),
    ...(f.minutes ? { minutes: Math.round(f.minutes) } : {}),
  }
}

/** No gate looks at these. */
const NO_GATE = ['note', 'reason', 'minutes']
/** What stands between a step and its tick, as one types; and what the register said when it was asked. */
function gatesBefore(props: TickProps, f: TickEntry, asks: Asks, lot: () => LotFacts | null) {
  const refusedBy = ref<Gate[]>(props.gates ?? [])
  const lastBond = computed(() => lastReading(props.bench.log, 'bond')?.value ?? null)
  /** The cradle's own lie, from the boat's level readings; never typed a second time. */
  const heel = computed(() => props.bench.fitting!.heelDeg)
  const gates = computed<Gate[]>(() => {
    if (props.only?.length) return refusedBy.value
    const { tempC, airC, humidityPct, hullMm, shownDeg, stopsDeg, torqueNm, runDownNm, looked } = f
    const mine = stepGates(props.bench.steps, props.step.id, props.bench.work.ticks, {
      at: f.at ? dayjs(f.at).valueOf() : Date.now(),
      lot: lot(),
      tempC: asks('air') ? tempC : null,
      airC,
      humidityPct: asks('air') ? humidityPct : null,
      ohm: f.ohm ?? lastBond.value,
      heelDeg: heel.value,
      ...{ hullMm, shownDeg, stopsDeg, torqueNm, runDownNm, looked },
    })
    return [...mine, ...refusedBy.value.filter((g) => !mine.some((m) => m.id === g.id))]
  })
  /** What was refused is asked again once anything that counts for it is another. */
  watch(
    () => JSON.stringify(f, (key, v: unknown) => (NO_GATE.includes(key) ? undefined : v)),
    () => (refusedBy.value = []),
  )
  return { gates, refusedBy, lastBond, heel }
}

/** Which of the fitting's holes it is about. */
function holesOf(props: TickProps, f: TickEntry) {
  const all = computed(() => props.bench.fitting?.holes.map((h) => h.label) ?? [])
  const concerned = computed(() => (props.only?.length ? props.only : all.value))
  const named = computed(() =>
    props.only?.length || f.apart.length ? concerned.value.filter((l) => !f.apart.includes(l)) : [],
  )
  const keepApart = (l: string, on: boolean) =>
    (f.apart = on ? f.apart.filter((x) => x !== l) : [...f.apart, l])
  return { concerned, named, keepApart }
}

/** Figures that come from an instrument, which is named in the note. */
function instruments(f: TickEntry) {
  function withInstrument(r: InstrumentReading) {
    if (!f.note.includes(r.instrument)) f.note = [f.note, r.instrument].filter(Boolean).join('; ')
  }
  return {
    takeHull(r: InstrumentReading) {
      f.hullMm = r.value
      withInstrument(r)
    },
    takeLevel(r: InstrumentReading) {
      f.shownDeg = r.value
      withInstrument(r)
    },
    takeAir(r: InstrumentReading) {
      f.tempC = r.surfaceC ?? null
      f.airC = r.airC ?? null
      f.humidityPct = r.humidityPct ?? null
      withInstrument(r)
    },
  }
}

/** What is typed survives a reload, until it is ticked. */
function keptEntry(props: TickProps, asks: Asks) {
  const { fitting, usual } = props.bench
  const draft = useLocalStorage(`north-tide:tick:${fitting!.id}:${props.step.id}`, blankEntry(asks, usual), {
    mergeDefaults: true,
  })
  const form = reactive({ ...draft.value })
  watch(form, (f) => (draft.value = { ...f }))
  return { form, forget: () => void (draft.value = null as never) }
}

/** One tick as it is typed: what it asks, what stands before it, and how it is sent. */
export function useTicking(props: TickProps, done: () => void) {
  const boats = useBoats()
  const session = useSession()
  const asks: Asks = (what) => props.step.asks.includes(what)
  const { form, forget } = keptEntry(props, asks)
  const lot = ref<LotFacts | null>(null)
  const before = gatesBefore(props, form, asks, () => lot.value)
  const { gates, refusedBy, heel } = before
  const holes = holesOf(props, form)
  const said = ref('')
  const busy = ref(false)
  const mayPass = computed(() => session.may('pass-gate', boats.picture?.id))
  const deadrise = computed(() =>
    form.shownDeg === null ? null : deadriseFrom(form.shownDeg, heel.value ?? 0, props.bench.usual.place.yMm),
  )
  async function send(wet = false) {
    busy.value = true
    said.value = ''
    try {
      const gated = gates.value.length > 0
      const body = tickBody(form, props.step, { gated, wet, holes: holes.named.value })
      await props.bench.act('POST', 'tick', body)
      forget()
      done()
    } catch (error) {
      if (error instanceof ApiRefusal && error.refusal.code === 'gate')
        refusedBy.value = error.refusal.gates ?? []
      else if (!session.ended(error))
        said.value = error instanceof Error ? error.message : 'It was not ticked'
    } finally {
      busy.value = false
    }
  }
  const written: ComputedRef<string[]> = computed(() => [
    ...new Set(Object.values(props.step.records).flatMap((states) => (states ?? []).map(lifeSaid))),
  ])
  const blocked = computed(
    () =>
      busy.value ||
      (gates.value.length > 0 && (!mayPass.value || !form.reason.trim())) ||
      (asks('seen') && !form.note.trim()) ||
      (form.apart.length > 0 && (!form.note.trim() || !holes.named.value.length)),
  )
  const look = (l: string, on: boolean) =>
    (form.looked = on ? [...form.looked, l] : form.looked.filter((x) => x !== l))
  return {
    ...{ asks, form, lot, said, busy, mayPass, deadrise, send, written, blocked, look },
    ...before,
    ...holes,
    ...instruments(form),
  }
}
export type Ticking = ReturnType<typeof useTicking>
