import { CalcError } from '../base/errors'
import { CALCULATORS, runNamed } from './registry'

/** The answer of one calculation as a line of JSON, or the error object where the input is refused. */
export function answerLine(name: string, text: string, indent?: number): { json: string; ok: boolean } {
  try {
    let raw: unknown
    try {
      raw = JSON.parse(text)
    } catch {
      throw new CalcError(
        'invalid-input',
        '',
        'This is no JSON; an object with the calculator\u2019s fields is needed',
      )
    }
    return { json: JSON.stringify(runNamed(name, raw), null, indent), ok: true }
  } catch (error) {
    if (error instanceof CalcError) return { json: JSON.stringify(error.toJSON(), null, indent), ok: false }
    throw error
  }
}

export const calculatorNames = () => CALCULATORS.map((c) => c.name)
