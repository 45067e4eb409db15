import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, shallowRef, type EffectScope } from 'vue'
import {
  CATALOGUE,
  judge,
  spotFor,
  startDesign,
  type DeckPatch,
  type Design,
  type Judgement,
  type PatchInput,
} from '@north-tide/core'
import { deckPatchInput, deckPatchOf } from '@north-tide/core/deck-patch'
import { solverBehind } from '../src/state/solver'

/** The worker is played here, so that a test decides in which order its words come. */
type Call = {
  input: PatchInput
  tell: (p: number) => void
  answer: (a: { patch?: DeckPatch; error?: string }) => void
}
const calls: Call[] = []
vi.mock('comlink', () => ({
  proxy: (f: unknown) => f,
  wrap: () => ({
    solve: (input: PatchInput, tell: (p: number) => void) =>
      new Promise((answer) => calls.push({ input, tell, answer })),
  }),
}))
const ended = vi.fn()
vi.stubGlobal(
  'Worker',
  class {
    terminate = ended
  },
)

const start = (): { design: Design; judgement: Judgement } => {
  const entry = CATALOGUE[0]!
  const design = startDesign(entry, spotFor(null, { xMm: 1000, yMm: 0 }, entry.bolts, 'coastal'), 'Cleat')
  return { design, judgement: judge(design) }
}
let scope: EffectScope
let solver: ReturnType<typeof solverBehind>
const now = shallowRef<ReturnType<typeof start> | null>(null)
beforeEach(() => {
  setActivePinia(createPinia())
  calls.length = 0
  ended.mockClear()
  vi.useFakeTimers()
  now.value = null
  scope = effectScope()
  scope.run(() => (solver = solverBehind(now as never)))
})
afterEach(() => {
  scope.stop()
  vi.useRealTimers()
})
const rest = async (ms = 250) => {
  await nextTick()
  await vi.advanceTimersByTimeAsync(ms)
}

describe('the plate solver behind the bench', () => {
  it('is asked when the hand rests, once', async () => {
    now.value = start()
    await rest(100)
    now.value = start()
    await rest(200)
    expect(calls).toHaveLength(0)
    await rest(60)
    expect(calls).toHaveLength(1)
    expect(solver.progress.value).toBe(0)
  })
  it('its last word of progress may come after the answer, and is not believed', async () => {
    now.value = start()
    await rest()
    calls[0]!.tell(0.4)
    expect(solver.progress.value).toBe(0.4)
    calls[0]!.answer({ error: 'not solved' })
    await rest(0)
    calls[0]!.tell(1)
    expect([solver.progress.value, solver.failed.value]).toEqual([null, 'not solved'])
  })
  it('a newer design cuts off the run of the older, whose answer nobody takes', async () => {
    now.value = start()
    await rest()
    const old = calls[0]!
    now.value = start()
    await rest()
    expect(ended).toHaveBeenCalledTimes(1)
    expect(calls).toHaveLength(2)
    old.answer({ error: 'old' })
    await rest(0)
    expect([solver.failed.value, solver.answer.value]).toEqual(['', null])
  })
  it('what cannot be judged is not asked about, and a run of it stops', async () => {
    now.value = start()
    await rest()
    now.value = null
    await rest()
    expect(ended).toHaveBeenCalledTimes(1)
    expect(solver.progress.value).toBeNull()
  })
  it('its answer stands beside the design that it was asked about, with the checks that it makes', async () => {
    const mine = start()
    now.value = mine
    await rest()
    calls[0]!.answer({ patch: deckPatchOf(deckPatchInput.parse(calls[0]!.input)) })
    await rest(0)
    expect(solver.answer.value!.design).toBe(mine.design)
    expect(solver.answer.value!.said.checks.map((c) => c.id)).toEqual(
      expect.arrayContaining([expect.stringMatching(/^spread-/)]),
    )
    expect(solver.progress.value).toBeNull()
  })
})
