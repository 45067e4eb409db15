/** How a thickness can be learnt, and what each way can tell. */
export const THICKNESS_WAYS = {
  plug: { title: 'cut-out plug', note: 'every layer, measured with a caliper' },
  probe: { title: 'drilled probe', note: 'every layer by the feel and the swarf; good to half a millimetre' },
  ultrasonic: {
    title: 'ultrasonic reading',
    note: 'a single skin or the outer skin; it does not see past a core',
  },
} as const
export type ThicknessWay = keyof typeof THICKNESS_WAYS

export interface LayerMeasure {
  thicknessMm: number
  /** greatest less least of the readings; 0 with one */
  spreadMm: number
  count: number
}

/**
 * One thickness from several readings: the median, so that one bad reading does not carry it, with the
 * spread beside it. Null without any.
 */
export function layerFrom(readings: number[]): LayerMeasure | null {
  if (!readings.length) return null
  const s = [...readings].sort((a, b) => a - b)
  const m = s.length >> 1
  return {
    thicknessMm: s.length % 2 ? s[m]! : (s[m - 1]! + s[m]!) / 2,
    spreadMm: s.at(-1)! - s[0]!,
    count: s.length,
  }
}
