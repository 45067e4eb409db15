import type { Scale, Tick, Ticks } from 'chart.js'

/** A chart's own figures along an axis, with a minus where the library writes a hyphen. */
export function withMinus(numeric: typeof Ticks.formatters.numeric) {
  return function (this: Scale, value: number | string, at: number, all: Tick[]): string {
    return numeric.call(this, Number(value), at, all).replace('-', '\u2212')
  }
}
