import { expose } from 'comlink'
import { CalcError, type PatchInput } from '@north-tide/core'
import { deckPatchInput, deckPatchOf } from '@north-tide/core/deck-patch'

/**
 * The plate solver off the screen's own thread; it says how far it is, and stops when the worker is ended.
 */
expose({
  solve(input: PatchInput, tell: (part: number) => void) {
    try {
      let told = 0
      return {
        patch: deckPatchOf(deckPatchInput.parse(input), (part) => {
          if (part - told < 0.05 && part < 1) return
          told = part
          tell(part)
        }),
      }
    } catch (error) {
      if (error instanceof CalcError) return { error: error.message }
      return { error: error instanceof Error ? error.message : 'It could not be solved' }
    }
  },
})
