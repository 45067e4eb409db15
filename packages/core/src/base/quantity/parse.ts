/**
 * What a hand writes into a field, read into the core's units (chapter 0). Nothing is guessed: what cannot
 * be read is refused.
 */
export type Units = 'metric' | 'inch'
export type Read = { ok: true; value: number } | { ok: false; message: string }

export const MM_PER_IN = 25.4
const MM: Record<string, number> = {
  mm: 1,
  cm: 10,
  m: 1000,
  in: MM_PER_IN,
  inch: MM_PER_IN,
  inches: MM_PER_IN,
  '"': MM_PER_IN,
  ft: 304.8,
  "'": 304.8,
}
const N: Record<string, number> = {
  n: 1,
  kn: 1000,
  lbf: 4.4482216152605,
  lb: 4.4482216152605,
  kgf: 9.80665,
  kg: 9.80665,
}

const tidy = (text: string) =>
  text
    .trim()
    .replace(/[\u2212\u2013]/g, '-')
    .replace(/[\u2032\u2019]/g, "'")
    .replace(/[\u2033\u201d\u201c]|''/g, '"')
    .replace(/\u00bd/g, ' 1/2')
    .replace(/\u00bc/g, ' 1/4')
    .replace(/\u00be/g, ' 3/4')
    .replace(/\s+/g, ' ')
    .trim()

/** `9.5`, `9,5`, `3/8`, `1 7/8`, `1-7/8`; null when it is none of these. */
function plainNumber(text: string): number | null {
  const t = text.trim()
  const decimal = /^([+-]?)(\d+(?:[.,]\d*)?|[.,]\d+)$/.exec(t)
  if (decimal) return Number(`${decimal[1]}${decimal[2]!.replace(',', '.')}`)
  const mixed = /^([+-]?)(?:(\d+)[ -])?(\d+)\/(\d+)$/.exec(t)
  if (!mixed) return null
  const below = Number(mixed[4])
  if (below === 0) return null
  const size = Number(mixed[2] ?? 0) + Number(mixed[3]) / below
  return mixed[1] === '-' ? -size : size
}

const refuse = (text: string, accepted: string): Read => ({
  ok: false,
  message:
    text.trim() === ''
      ? `Nothing is typed; ${accepted} would be read`
      : `"${text.trim()}" cannot be read; ${accepted} would be`,
})
const finite = (value: number, text: string, accepted: string): Read =>
  Number.isFinite(value) ? { ok: true, value } : refuse(text, accepted)

const LENGTHS = '9.5, 9.5mm, 3/8", 1 7/8in, 5\' 4", 0.4m or 40 cm'

/**
 * A length in mm. A bare number takes the field's present unit; a bare fraction (`3/8`) is inches, for
 * nobody writes eighths of a millimetre.
 */
export function parseLength(text: string, units: Units = 'metric'): Read {
  const t = tidy(text).toLowerCase()
  const feet = /^([+-]?)(\d+(?:\.\d+)?) ?(?:'|ft) ?-? ?(.+?) ?(?:"|in|inch|inches)?$/.exec(t)
  if (feet && !/[a-z'"]/.test(feet[3]!)) {
    const inches = plainNumber(feet[3]!)
    if (inches !== null && inches >= 0)
      return finite((feet[1] === '-' ? -1 : 1) * (Number(feet[2]) * 12 + inches) * MM_PER_IN, text, LENGTHS)
  }
  const m = /^(.*?) ?(mm|cm|m|in|inch|inches|ft|"|')?$/.exec(t)
  const number = m ? plainNumber(m[1]!) : null
  if (!m || number === null) return refuse(text, LENGTHS)
  const unit = m[2] ?? (m[1]!.includes('/') || units === 'inch' ? 'in' : 'mm')
  return finite(number * MM[unit]!, text, LENGTHS)
}

const TEMPERATURES = '18, 18C or 65F'
/** A temperature in degrees Celsius; a bare number is Fahrenheit only where the boat is in inches. */
export function parseTemperature(text: string, units: Units = 'metric'): Read {
  const m = /^(.*?) ?\u00b0? ?([cf])?$/.exec(tidy(text).toLowerCase())
  const number = m ? plainNumber(m[1]!) : null
  if (!m || number === null) return refuse(text, TEMPERATURES)
  const unit = m[2] ?? (units === 'inch' ? 'f' : 'c')
  return finite(unit === 'f' ? ((number - 32) * 5) / 9 : number, text, TEMPERATURES)
}

const ANGLES = `22.5, 22.5\u00b0 or 22\u00b030'`
export function parseAngle(text: string): Read {
  const t = tidy(text)
  const dms = /^([+-]?)(\d+(?:\.\d+)?) ?\u00b0 ?(\d+(?:\.\d+)?) ?' ?(?:(\d+(?:\.\d+)?) ?")?$/.exec(t)
  if (dms) {
    const minutes = Number(dms[3])
    const seconds = Number(dms[4] ?? 0)
    if (minutes >= 60 || seconds >= 60) return refuse(text, ANGLES)
    return finite((dms[1] === '-' ? -1 : 1) * (Number(dms[2]) + minutes / 60 + seconds / 3600), text, ANGLES)
  }
  const m = /^(.*?) ?(?:\u00b0|deg)?$/.exec(t)
  const number = m ? plainNumber(m[1]!) : null
  return number === null ? refuse(text, ANGLES) : finite(number, text, ANGLES)
}

const FORCES = '2kN, 2000 N, 450 lbf or 120kgf'
/** A load in newtons. A bare number is kN where the boat is metric, lbf where it is in inches. */
export function parseForce(text: string, units: Units = 'metric'): Read {
  const m = /^(.*?) ?(n|kn|lbf|lb|kgf|kg)?$/.exec(tidy(text).toLowerCase())
  const number = m ? plainNumber(m[1]!) : null
  if (!m || number === null) return refuse(text, FORCES)
  return finite(number * N[m[2] ?? (units === 'inch' ? 'lbf' : 'kn')]!, text, FORCES)
}

const NUMBERS = 'a plain number such as 12 or 0.5'
export function parseNumber(text: string): Read {
  const number = plainNumber(tidy(text))
  return number === null ? refuse(text, NUMBERS) : finite(number, text, NUMBERS)
}
