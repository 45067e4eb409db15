import { printableText } from '@north-tide/core'

/**
 * Text that a spreadsheet would run as a formula is marked as text, and what cannot be read is taken out;
 * numbers stay numbers.
 */
export function safeCell<T>(v: T): T | string {
  if (typeof v !== 'string') return v
  return printableText(/^[=+\-@\t]/.test(v) ? `'${v}` : v)
}
