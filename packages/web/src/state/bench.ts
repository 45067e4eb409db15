import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import {
  boltsOnBoat,
  CalcError,
  flagsAt,
  judgeWhole,
  offBoat,
  shifted,
  cautionsOf,
  partsOf,
  SIZES,
  stepsOf,
  withSolver,
  workState,
  type Design,
  type Whole,
} from '@north-tide/core'
import { api } from '../api'
import type { OpenFitting, SavedFitting } from '../types'
import { actsOn, type Usual } from './acts'
import { useBoats } from './boats'
import { drafted } from './drafted'
import { solverBehind } from './solver'

/** One fitting on the bench. The design changes; everything else follows from it through the core. */
export const useBench = defineStore('bench', () => {
  const boats = useBoats()
  const fitting = shallowRef<OpenFitting | null>(null)
  const draft = drafted<Design, SavedFitting>('draft', (id, body) =>
    api<SavedFitting>('PUT', `/fittings/${id}`, body),
  )
  const { design } = draft

  /** Thin layers drawn thicker: a switch that is seen, never silent. */
  const exaggerate = ref(false)
  const judged = computed<{ whole: Whole | null; problem: CalcError | null }>(() => {
    if (!design.value) return { whole: null, problem: null }
    try {
      const boat = boats.picture ?? undefined
      const whole = judgeWhole(design.value, boats.units, boats.yard, exaggerate.value, boat)
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
  const solved = computed(() => (solver.answer.value?.design === design.value ? solver.answer.value : null))
  /** While a figure makes no sense the last drawing that did stays in view. */
  const lastWhole = shallowRef<Whole | null>(null)
  const whole = computed(() => {
    const mine = judged.value.whole
    if (!mine) return lastWhole.value
    const now = solved.value ? { ...mine, judgement: withSolver(mine.judgement, solved.value.said) } : mine
    lastWhole.value = now
    return now
  })
  const problem = computed(() => judged.value.problem)
  /** What the place warns of, as it stands now and not as it was opened. */
  const flags = computed(() => {
    const [d, boat] = [design.value, boats.picture]
    if (!d || !boat || boat.id !== fitting.value?.boatId) return fitting.value?.flags ?? []
    const off = offBoat(boat.stations, d.place)
    const holes = boat.holes.filter((h) => h.fittingId !== fitting.value!.id)
    return [
      ...(off ? [{ id: 'off-boat', text: `This place is off the boat: ${off.message}.` }] : []),
      ...flagsAt({ zones: boat.zones, parts: boat.parts, holes, wet: boat.wet }, d.place, boltsOnBoat(d)),
    ]
  })
  /** What a move took with it, in words. */
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
    draft.change({
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

  async function open(id: string) {
    if (fitting.value?.id !== id) await draft.flush()
    const got = await api<OpenFitting>('GET', `/fittings/${encodeURIComponent(id)}`)
    if (boats.picture?.id !== got.boatId) await boats.open(got.boatId)
    boats.lastFitting = { ...boats.lastFitting, [got.boatId]: got.id }
    fitting.value = got
    lastWhole.value = null
    moveSaid.value = ''
    draft.take(got)
  }
  const acts = actsOn(fitting, draft)
  const record = () => acts.record(() => open(fitting.value!.id))
  const judgement = computed(() => whole.value?.judgement ?? null)
  const log = computed(() => fitting.value?.log ?? [])
  const work = computed(() => workState(log.value))
  const steps = computed(() =>
    design.value && judgement.value ? stepsOf(design.value, judgement.value, boats.units) : [],
  )
  const parts = computed(() =>
    design.value && judgement.value ? partsOf(design.value, judgement.value) : [],
  )
  const cautions = computed(() => (design.value ? cautionsOf(design.value) : []))
  const usual = computed<Usual>(() => ({
    sizeMm: SIZES[design.value!.bolt.size]!.clearanceMm,
    sizeIsCatalogues: true,
    tempC: null,
    airC: null,
    humidityPct: null,
    hullMm: null,
    deadriseDeg: null,
    place: design.value!.place,
  }))
  return {
    ...draft,
    solver,
    solved,
    exaggerate,
    fitting,
    whole,
    problem,
    flags,
    moveSaid,
    moveTo,
    judgement,
    log,
    work,
    steps,
    parts,
    cautions,
    usual,
    open,
    ...acts,
    record,
  }
})
