import type { AtCompanionway } from '../kinds/at-companionway'

/** The sheet by the companionway: every through-hull on one page, what to reach first at the top. */
export interface CompanionwayRow extends AtCompanionway {
  label: string
  name: string
  zone: string
  xMm: number
  yMm: number
  zMm: number
  /** litres a minute that come in when it lets go: what is reached first */
  litresMin: number
  suspect: boolean
}
const G = 9.80665
const CD = 0.6
/** Chapter 5.7: through an orifice under its depth, the boat at rest. */
export const rushOf = (boreMm: number, zMm: number): number => {
  const head = Math.max(0, -zMm / 1000)
  const area = (Math.PI / 4) * (boreMm / 1000) ** 2
  return CD * area * Math.sqrt(2 * G * head) * 60_000
}
export const inReachOrder = (rows: CompanionwayRow[]): CompanionwayRow[] =>
  [...rows].sort((a, b) => b.litresMin - a.litresMin || a.name.localeCompare(b.name))
/** A plug is turned in, thin end first: from six tenths of the bore to a fifth over it. */
export const plugFor = (boreMm: number) => ({ fromMm: 0.6 * boreMm, toMm: 1.2 * boreMm })
