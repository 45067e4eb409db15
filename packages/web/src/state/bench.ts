import { defineStore } from 'pinia'
import { computed, ref, shallowRef, type ComputedRef, type Ref, type ShallowRef } from 'vue'
import {
  boltsOnBoat,
  CalcError,
  flagsAt,
  fromSum,
  ALONE,
  judgeSeen,
  offBoat,
  shifted,
  cautionsOf,
  SIZES,
  Told,
  withSolver,
  workState,
  type Design,
  type Judgement,
  type Whole,
  type partsOf,
  type stepsOf,
} from '@north-tide/core'
import { api } from '../api'
import type { OpenFitting, SavedFitting } from '../types'
import { actsOn, type Usual } from './acts'
import { useBoats } from './boats'
import { drafted } from './drafted'
import { remediesBehind } from './remedies'
import { solverBehind } from './solver'

type Boats = ReturnType<typeof useBoats>
type Draft = ReturnType<typeof drafted<Design, SavedFitting>>

/** What work and order are made of: it comes with the tray that shows them. */
export interface DeckWork {
  stepsOf: typeof stepsOf
  partsOf: typeof partsOf
}
function workOf(design: Draft['design'], judgement: ComputedRef<Judgement | null>, boats: Boats) {
  const deckWork = shallowRef<DeckWork | null>(null)
  const all = computed(() =>
    deckWork.value && design.value && judgement.value
      ? { w: deckWork.value, d: design.value, j: judgement.value }
      : null,
  )
  const steps = computed(() => (all.value ? all.value.w.stepsOf(all.value.d, all.value.j, boats.units) : []))
  const parts = computed(() => (all.value ? all.value.w.partsOf(all.value.d, all.value.j) : []))
  return { steps, parts, takeWork: (w: DeckWork) => void (deckWork.value = w) }
}
/** What follows from the design through the core, the plate solver behind it. */
function judgedBench({ design, readOnly }: Draft, boats: Boats) {
  /** Thin layers drawn thicker: a switch that is seen, never silent. */
  const exaggerate = ref(false)
  const told = new Told()
  const judged = computed<{ whole: Whole | null; problem: CalcError | null }>(() => {
    if (!design.value) return { whole: null, problem: null }
    try {
      const boat = boats.picture ?? undefined
      const whole = judgeSeen(design.value, boats.units, boats.yard, exaggerate.value, boat, told)
      return { whole, problem: null }
    } catch (error) {
      if (error instanceof CalcError) return { whole: null, problem: error }
      throw error
    }
  })
  /** Asked about every design in turn, of the hand checks' own answer. */
  const toSolve = computed(() =>
    design.value && judged.value.whole
      ? { design: design.value, judgement: judged.value.whole.judgement }
      : null,
  )
  const solver = solverBehind(toSolve)
  /** What of a boat a deck fitting is judged by. */
  const around = computed(() => ({
    ...ALONE,
    zones: boats.picture?.zones ?? [],
    parts: boats.picture?.parts ?? [],
    yard: boats.yard,
  }))
  const remedied = remediesBehind(
    'deck-hardware',
    computed(() => (readOnly.value ? null : toSolve.value)),
    around,
  )
  const solved = computed(() => (solver.answer.value?.design === design.value ? solver.answer.value : null))
  /** While a figure makes no sense the last drawing that did stays in view. */
  const lastWhole = shallowRef<Whole | null>(null)
  const lastSeen = shallowRef<Judgement | null>(null)
  /** By hand alone: what nothing that follows changes, so that a column of it is drawn once for a key. */
  const byHand = computed(() => {
    if (judged.value.whole) lastSeen.value = judged.value.whole.judgement
    return lastSeen.value
  })
  const whole = computed(() => {
    const mine = judged.value.whole
    if (!mine) return lastWhole.value
    const helped = remedied.value?.of === mine.judgement ? remedied.value.j : mine.judgement
    const judgement = solved.value ? withSolver(helped, solved.value.said) : helped
    const now = judgement === mine.judgement ? mine : { ...mine, judgement }
    lastWhole.value = now
    return now
  })
  const problem = computed(() => judged.value.problem)
  const judgement = computed(() => whole.value?.judgement ?? null)
  const cautions = computed(() => (design.value ? cautionsOf(design.value) : []))
  const forget = () => {
    lastWhole.value = null
    lastSeen.value = null
  }
  const seen = { byHand, whole, problem, judgement, cautions }
  return { exaggerate, solver, solved, forget, ...seen, ...workOf(design, judgement, boats) }
}

/** What the place warns of, as it stands now and not as it was opened. */
const flagsNow = (design: Draft['design'], fitting: ShallowRef<OpenFitting | null>, boats: Boats) =>
  computed(() => {
    const [d, boat] = [design.value, boats.picture]
    if (!d || !boat || boat.id !== fitting.value?.boatId) return fitting.value?.flags ?? []
    const off = offBoat(boat.stations, d.place)
    const holes = boat.holes.filter((h) => h.fittingId !== fitting.value!.id)
    return [
      ...(off ? [{ id: 'off-boat', text: `This place is off the boat: ${off.message}.` }] : []),
      ...flagsAt({ zones: boat.zones, parts: boat.parts, holes, wet: boat.wet }, d.place, boltsOnBoat(d)),
    ]
  })

/** Another place for it, and what a move took with it in words. */
function moving({ design, change }: Draft, boats: Boats) {
  const moveSaid = ref('')
  let move: { from: Design; to: Design } | null = null
  /**
   * Another place: zone, layup, edge distance and height go with it. Figures typed one after another are
   * one move from where it stood.
   */
  function moveTo(at: { xMm?: number; yMm?: number; headingDeg?: number }) {
    if (!design.value) return
    const from = move && move.to === design.value ? move.from : design.value
    const { xMm, yMm } = design.value.place
    const { design: to, said } = shifted(from, boats.picture?.zones ?? [], { xMm, yMm, ...at })
    change({
      place: to.place,
      headingDeg: to.headingDeg,
      structure: to.structure,
      measured: to.measured,
      core: to.core,
      doubler: to.doubler,
      unevenMm: to.unevenMm,
    })
    moveSaid.value = said.length ? `Moved: ${said.join('; ')}.` : ''
    move = { from, to: design.value }
  }
  return { moveSaid, moveTo }
}
interface FromSum {
  sum: string
  title: string
  given: string
}
/** What a quick sum was sent here with, as one change; the page's own memory of it goes with it. */
const takingFromSum =
  ({ design, change }: Draft, said: Ref<string>) =>
  (memory: Record<string, unknown> | null) => {
    const sent = memory?.fromSum as FromSum | undefined
    if (!sent || !design.value) return
    history.replaceState({ ...memory, fromSum: undefined }, '')
    change(fromSum(sent.sum, JSON.parse(sent.given) as Record<string, unknown>, design.value))
    said.value = `Taken from the sum “${sent.title}”. Undo takes it back.`
  }
export const usualOf = (d: Design): Usual => ({
  sizeMm: SIZES[d.bolt.size]!.clearanceMm,
  sizeIsCatalogues: true,
  tempC: null,
  airC: null,
  humidityPct: null,
  hullMm: null,
  deadriseDeg: null,
  place: d.place,
})

/** One fitting on the bench. The design changes; everything else follows from it through the core. */
export const useBench = defineStore('bench', () => {
  const boats = useBoats()
  const fitting = shallowRef<OpenFitting | null>(null)
  const draft = drafted<Design, SavedFitting>('draft', (id, body) =>
    api<SavedFitting>('PUT', `/fittings/${id}`, body),
  )
  const { design } = draft
  const { forget, ...judged } = judgedBench(draft, boats)
  const moves = moving(draft, boats)

  async function open(id: string) {
    if (fitting.value?.id !== id) await draft.flush()
    const got = await api<OpenFitting>('GET', `/fittings/${encodeURIComponent(id)}`)
    if (boats.picture?.id !== got.boatId) await boats.open(got.boatId)
    boats.lastFitting = { ...boats.lastFitting, [got.boatId]: got.id }
    fitting.value = got
    forget()
    moves.moveSaid.value = ''
    draft.take(got)
  }
  const acts = actsOn(fitting, draft)
  const log = computed(() => fitting.value?.log ?? [])
  return {
    ...draft,
    ...judged,
    ...moves,
    fitting,
    flags: flagsNow(design, fitting, boats),
    takeFromSum: takingFromSum(draft, moves.moveSaid),
    log,
    work: computed(() => workState(log.value)),
    usual: computed(() => usualOf(design.value!)),
    open,
    ...acts,
    record: () => acts.record(() => open(fitting.value!.id)),
  }
})
