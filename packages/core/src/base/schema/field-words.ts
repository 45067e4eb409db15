import choices from './choice-words.json'
import words from './field-words.json'

/**
 * The words for every field and choice of every schema: the title and a line of help by hand, the unit from
 * the end of the name, which carries it everywhere in the core. A screen, an error and a file's reader take
 * them from here.
 */
export type FieldKind = 'length' | 'force' | 'angle' | 'temperature' | 'number'
export interface FieldWords {
  label: string
  /** as it stands in the core; a screen in inches shows its own for lengths, forces and temperatures */
  unit: string
  kind: FieldKind
  /** one line more, where the title does not say all */
  help: string
}
/** From the longest end to the shortest, so that the first that fits is the right one. */
const UNITS: [RegExp, string, FieldKind][] = [
  [/MmPerSqrtDay$/, 'mm/\u221aday', 'number'],
  [/MmPerDay$/, 'mm a day', 'number'],
  [/MmPerM$/, 'mm/m', 'number'],
  [/MPaPerMm$/, 'MPa/mm', 'number'],
  [/MaPerM2$/, 'mA/m\u00b2', 'number'],
  [/KgMPerCm$/, 'kg\u00b7m', 'number'],
  [/NmmPerMm$/, 'N\u00b7mm/mm', 'number'],
  [/NPerMm2$/, 'N/mm\u00b2', 'number'],
  [/NPerMm$/, 'N/mm', 'number'],
  [/[a-z]PerMm2$/, 'N/mm\u00b2', 'number'],
  [/[a-z]PerMm$/, '/mm', 'number'],
  [/PerDay$/, 'a day', 'number'],
  [/PerM$/, 'a metre', 'number'],
  [/PerK$/, '/K', 'number'],
  [/GPerMl$/, 'g/ml', 'number'],
  [/KgM3$/, 'kg/m\u00b3', 'number'],
  [/Gm3$/, 'g/m\u00b3', 'number'],
  [/Nmm2$/, 'N\u00b7mm\u00b2', 'number'],
  [/Mm2$/, 'mm\u00b2', 'number'],
  [/Mm$/, 'mm', 'length'],
  [/M2$/, 'm\u00b2', 'number'],
  [/M3$/, 'm\u00b3', 'number'],
  [/MPa$/, 'MPa', 'number'],
  [/KPa$/, 'kPa', 'number'],
  [/Nmm$/, 'N\u00b7mm', 'number'],
  [/Nm$/, 'N\u00b7m', 'number'],
  [/ArcSec$/, 'arc-seconds', 'number'],
  [/Deg$/, '\u00b0', 'angle'],
  [/KWh$/, 'kWh', 'number'],
  [/Kg$/, 'kg', 'number'],
  [/Ml$/, 'ml', 'number'],
  [/Lpm$/, 'l/min', 'number'],
  [/Lph$/, 'l/h', 'number'],
  [/Pct$|Percent$/, '%', 'number'],
  [/Kn$/, 'kn', 'number'],
  [/Ms$/, 'm/s', 'number'],
  [/Cents$/, 'cents', 'number'],
  [/Years$/, 'years', 'number'],
  [/Days$/, 'days', 'number'],
  [/Hours$/, 'h', 'number'],
  [/Min$|Minutes$/, 'min', 'number'],
  [/Inch$/, 'in', 'number'],
  [/[a-z]Ma$/, 'mA', 'number'],
  [/[a-z]M$/, 'm', 'number'],
  [/[a-z]N$/, 'N', 'force'],
  [/[a-z]C$/, '\u00b0C', 'temperature'],
  [/[a-z]K$/, 'K', 'number'],
  [/[a-z]G$/, 'g', 'number'],
  [/[a-z]L$/, 'l', 'number'],
  [/[a-z]W$/, 'W', 'number'],
  [/[a-z]H$/, 'h', 'number'],
  [/[a-z]S$/, 's', 'number'],
]
const spaced = (key: string) =>
  key
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .replace(/([0-9])([A-Z])/g, '$1 $2')
    .toLowerCase()

/** What a name's end says of its unit; the letter before a unit of one letter stays with the name. */
function unitOf(key: string) {
  const found = UNITS.find(([end]) => end.test(key))
  if (!found) return { rest: key, unit: '', kind: 'number' as const }
  const [end, unit, kind] = found
  const rest = key.replace(end, (m) => (/^[a-z][A-Z]/.test(m) ? m[0]! : ''))
  return { rest: rest || key, unit, kind }
}
const TABLE = words as unknown as Record<string, [title: string, help: string]>

export function fieldWords(key: string): FieldWords {
  const { rest, unit, kind } = unitOf(key)
  const [title, help] = TABLE[key] ?? ['', '']
  return { label: title || spaced(rest), unit, kind, help }
}
/** Whether a field has words of its own, and not only its name taken apart. */
export const hasWords = (key: string) => key in TABLE

const CHOICES = choices as Record<string, string>
/** The word for one choice; among the days of the week the sun is a Sunday. */
export function choiceWords(v: unknown, among: readonly unknown[] = []): string {
  const word = String(v)
  if (word === 'sun' && !among.includes('mon')) return word
  return CHOICES[word] ?? word.replaceAll('-', ' ')
}
/** A place in a design or an input in words: "bolts.2.xMm" is "bolts 3, x". */
export function pathWords(path: string): string {
  const said: string[] = []
  for (const part of path.split('.').filter(Boolean)) {
    if (/^\d+$/.test(part) && said.length) said[said.length - 1] += ` ${Number(part) + 1}`
    else said.push(fieldWords(part).label)
  }
  return said.join(', ')
}
