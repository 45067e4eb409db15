import { z } from 'zod'
import { CalcError } from '../errors'
import { refusalInWords } from '../schema/refusal-words'
import { calculate, type Calculator } from './calculator'

const jsonSchema = (s: z.ZodType, io: 'input' | 'output') => z.toJSONSchema(s, { io, unrepresentable: 'any' })

/** Name, title and JSON Schemas of a calculator, for a form, for a program and for the documentation. */
export const described = (c: Calculator<never, unknown>) => ({
  name: c.name,
  title: c.title,
  chapter: c.chapter,
  words: c.words,
  input: jsonSchema(c.input, 'input'),
  output: jsonSchema(c.output, 'output'),
})

/** Runs one: throws CalcError, in words, and nothing else for a user's mistake. */
export function runInWords(calc: Calculator<never, unknown>, raw: unknown): unknown {
  try {
    return calculate(calc, raw)
  } catch (error) {
    throw error instanceof CalcError ? refusalInWords(error) : error
  }
}
