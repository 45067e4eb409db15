import { MM_PER_IN, type Units } from './parse'

export type { Units }

const fixed = (value: number, places: number) => {
  const text = value.toFixed(places)
  return Number(text) === 0 ? text.replace('-', '') : text
}
/** Thousands set apart by a thin space, as on a drawing. */
const grouped = (text: string) => text.replace(/\B(?=(\d{3})+(?!\d))(?<!\.\d*)/g, '\u202f')

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b))

/**
 * Inches as a shop reads them: to the 1/32 when the size lies on one, otherwise three decimals, so that
 * nothing is rounded unseen.
 */
export function formatInches(mm: number): string {
  const inches = mm / MM_PER_IN
  const sixtyFourths = Math.round(Math.abs(inches) * 64)
  if (Math.abs(Math.abs(inches) * 64 - sixtyFourths) > 0.02) return fixed(inches, 3)
  const sign = inches < 0 && sixtyFourths > 0 ? '-' : ''
  const whole = Math.floor(sixtyFourths / 64)
  const rest = sixtyFourths % 64
  if (rest === 0) return `${sign}${whole}`
  const g = gcd(rest, 64)
  return `${sign}${whole ? `${whole} ` : ''}${rest / g}/${64 / g}`
}

/** From here a rule is laid on; what is smaller is measured with a gauge. */
const RULED_IN = 1
/**
 * Inches to be read, not typed: what a rule measures to its nearest 1/32, what a gauge measures to a
 * thousandth. A field shows `formatInches`, in which nothing is rounded.
 */
export function readInches(mm: number): string {
  const exact = formatInches(mm)
  if (!exact.includes('.') || Math.abs(mm) < RULED_IN * MM_PER_IN) return exact
  return formatInches((Math.round((mm / MM_PER_IN) * 32) / 32) * MM_PER_IN)
}

/** A length without its unit, for a field. */
export function lengthText(mm: number, units: Units): string {
  if (units === 'inch') return formatInches(mm)
  return String(Number(mm.toFixed(3)))
}

export const lengthUnit = (units: Units) => (units === 'inch' ? 'in' : 'mm')

/** A length for reading: `12.5 mm`, `1 7/8 in`. */
export function formatLength(mm: number, units: Units, places = 1): string {
  if (units === 'inch') return `${readInches(mm)} in`
  const p = Math.abs(mm - Math.round(mm)) < 0.5 * 10 ** -places ? 0 : places
  return `${grouped(fixed(mm, p))} mm`
}

export function formatForce(n: number, units: Units): string {
  if (units === 'inch') return `${grouped(fixed(n / 4.4482216152605, 0))} lbf`
  const a = Math.abs(n)
  return a < 1000 ? `${fixed(n, 0)} N` : `${fixed(n / 1000, a < 100000 ? 2 : 1)} kN`
}

export const forceText = (n: number, units: Units) =>
  units === 'inch' ? String(Number((n / 4.4482216152605).toFixed(2))) : String(Number((n / 1000).toFixed(5)))
export const forceUnit = (units: Units) => (units === 'inch' ? 'lbf' : 'kN')

export function formatTorque(nm: number, units: Units): string {
  return units === 'inch' ? `${fixed(nm * 0.7375621493, 1)} lbf\u00b7ft` : `${fixed(nm, 1)} N\u00b7m`
}
export function formatVolume(ml: number, units: Units): string {
  return units === 'inch' ? `${fixed(ml / 29.5735295625, 1)} US fl oz` : `${fixed(ml, ml < 10 ? 1 : 0)} ml`
}
/** Tape and cord by the run, as they are bought. */
export const formatRun = (m: number, units: Units) =>
  units === 'inch' ? `${fixed(m / 0.3048, 1)} ft` : `${fixed(m, 1)} m`
/** Sheet and cloth by the face. */
export const formatFace = (mm2: number, units: Units) =>
  units === 'inch' ? `${fixed(mm2 / 645.16, 0)} in\u00b2` : `${fixed(mm2 / 1e4, 1)} dm\u00b2`
export function formatMass(kg: number, units: Units): string {
  if (units === 'inch') return `${fixed(kg / 0.45359237, 2)} lb`
  return kg < 1 ? `${fixed(kg * 1000, 0)} g` : `${fixed(kg, 2)} kg`
}
export function formatTemperature(c: number, units: Units): string {
  return units === 'inch' ? `${fixed((c * 9) / 5 + 32, 0)} \u00b0F` : `${fixed(c, 1)} \u00b0C`
}
/** A check's demand or capacity with its unit, in the boat's units. */
export function formatQuantity(value: number, unit: string, units: Units): string {
  if (unit === 'mm') return formatLength(value, units, 2)
  if (unit === 'N') return formatForce(value, units)
  if (unit === 'MPa')
    return units === 'inch'
      ? `${grouped(fixed(value * 145.0377377, 0))} psi`
      : `${Number(value.toPrecision(3))} MPa`
  if (unit === 'mm\u00b2' && units === 'inch') return `${fixed(value / 645.16, 3)} in\u00b2`
  if (unit === 'N\u00b7mm' && units === 'inch') return `${grouped(fixed(value / 112.984829, 0))} lbf\u00b7in`
  if (unit === 'N\u00b7m') return formatTorque(value, units)
  if (unit === 'ml') return formatVolume(value, units)
  if (unit === 'deg') return `${fixed(value, 1)}\u00b0`
  const text = String(Number(value.toPrecision(3)))
  return unit ? `${text} ${unit}` : text
}

/**
 * Metric figures in a sentence, as the core says them: `12 mm`, `10 \u00d7 7 mm`, `4900 N`, `70 MPa`;
 * never the size in a name (`M8 \u00d7 45 mm`).
 */
const FIGURES =
  /(?<![A-Za-z\d.])(-?\d+(?:\.\d+)?(?:e[+-]?\d+)?)((?: \u00d7 \d+(?:\.\d+)?)*) (mm\u00b2|mm|N\u00b7m|N|MPa|\u00b0C|ml|kg)(?![\w\u00b2\u00b7])/g

/**
 * A sentence of the core in the boat's units. The core speaks metric; this is the one place that turns its
 * words.
 */
export function sayIn(sentence: string, units: Units): string {
  if (units === 'metric') return sentence
  return sentence.replace(FIGURES, (_all, first: string, more: string, unit: string) => {
    const one = (text: string) => {
      const v = Number(text)
      if (unit === 'mm') return readInches(v)
      return unit === '\u00b0C'
        ? formatTemperature(v, units)
        : unit === 'kg'
          ? formatMass(v, units)
          : formatQuantity(v, unit, units)
    }
    const all = [first, ...more.split(' \u00d7 ').slice(1)].map(one)
    return `${all.join(' \u00d7 ')}${unit === 'mm' ? ' in' : ''}`
  })
}

/** Past this a figure only says that it is hopeless. */
const FAR_TOO_MUCH = 10
/** A sum in doubles is exact to about this. */
const GRAIN = 1e-9
/**
 * How much of a strength is used: two places, and a third where two would hide on which side of a limit it
 * lies, so that 1.00 always means just enough. Nothing for null.
 */
export function formatUse(utilisation: number | null | undefined): string {
  if (utilisation == null) return ''
  if (utilisation >= FAR_TOO_MUCH) return `over ${FAR_TOO_MUCH}`
  const two = utilisation.toFixed(2)
  const hidden = [0.9, 1].some((limit) => utilisation > limit + GRAIN && Number(two) === limit)
  return hidden ? (Math.ceil(utilisation * 1000) / 1000).toFixed(3) : two
}
