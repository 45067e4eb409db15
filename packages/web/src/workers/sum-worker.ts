import { expose } from 'comlink'
import { CalcError, calculate } from '@north-tide/core'
import { calculatorNamed } from '@north-tide/core/registry'
import { deckPatchInput, deckPatchOf } from '@north-tide/core/deck-patch'

/** A long sum off the screen's own thread; the plate solver says how far it is. */
expose({
  run(name: string, input: unknown, tell: (part: number) => void) {
    try {
      const calc = calculatorNamed(name)
      if (name !== 'deck-patch') return { answer: calculate(calc, input) }
      // Refusals come from the schema, in the same words as everywhere.
      if (!deckPatchInput.safeParse(input).success) return { answer: calculate(calc, input) }
      let told = 0
      return {
        answer: deckPatchOf(deckPatchInput.parse(input), (part) => {
          if (part - told < 0.04 && part < 1) return
          told = part
          tell(part)
        }),
      }
    } catch (error) {
      if (error instanceof CalcError)
        return { error: { code: error.code, path: error.path, message: error.message } }
      throw error
    }
  },
})
