import { CalcError } from '../src'
import { runNamed } from '../src/chapters/registry'

export const run = <T>(name: string, input: unknown) => runNamed(name, input) as T
export const refusal = (name: string, input: unknown) => {
  try {
    run(name, input)
  } catch (e) {
    if (e instanceof CalcError) return { code: e.code, path: e.path }
    throw e
  }
  return null
}
