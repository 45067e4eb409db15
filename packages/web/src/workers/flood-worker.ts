import { expose } from 'comlink'
import { CalcError } from '@north-tide/core'
import { floodAll, type FloodRun } from '@north-tide/core/through-hull'

expose({
  /** With the pumps and without them, so that what they do is seen at once. */
  flood(run: Omit<FloodRun, 'pumpsOn'>) {
    try {
      const t = performance.now()
      const on = floodAll({ ...run, pumpsOn: true })
      const ms = performance.now() - t
      return { answer: { on, off: floodAll({ ...run, pumpsOn: false }) }, ms }
    } catch (error) {
      if (error instanceof CalcError) return { error: error.message }
      throw error
    }
  },
})
