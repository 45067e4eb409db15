import { expose } from 'comlink'
import { CalcError } from '@north-tide/core'
import { floodAll, type FloodRun } from '@north-tide/core/below'

expose({
  flood(run: FloodRun) {
    try {
      const t = performance.now()
      const answer = floodAll(run)
      return { answer, ms: performance.now() - t }
    } catch (error) {
      if (error instanceof CalcError) return { error: error.message }
      throw error
    }
  },
})
