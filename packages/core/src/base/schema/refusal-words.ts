import { CalcError } from '../errors'
import { fieldWords } from './field-words'

/**
 * A refusal as a fitter reads it. Where a message begins with the name of its own field, as what is missing
 * does, the field's title stands there; the path still names the field for a program.
 */
export function inWords(message: string, path: string): string {
  const field = path
    .split('.')
    .filter((k) => !/^\d+$/.test(k))
    .at(-1)
  if (!field || !message.startsWith(`${field} is missing`)) return message
  const { label } = fieldWords(field)
  return `${label.charAt(0).toUpperCase()}${label.slice(1)} is missing${message.slice(field.length + 11)}`
}
export const refusalInWords = (e: CalcError) => new CalcError(e.code, e.path, inWords(e.message, e.path))
