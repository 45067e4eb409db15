import { describe, expect, it } from 'vitest'
import { Ticks, type Scale } from 'chart.js'
import { withMinus } from '../src/pieces/chart-ticks'

/** The figures along an axis, as a chart asks for them. */
const said = (...values: number[]) => {
  const scale = { chart: { options: { locale: 'en' } }, options: { ticks: {} } } as unknown as Scale
  const all = values.map((value) => ({ value }))
  return values.map((v, i) => withMinus(Ticks.formatters.numeric).call(scale, v, i, all))
}
describe('figures along an axis', () => {
  it('have a minus below nought', () => {
    expect(said(-200, -100, 0, 100)).toEqual(['\u2212200', '\u2212100', '0', '100'])
  })
  it('have as many places as their steps ask for', () => {
    expect(said(-0.2, -0.1, 0, 0.1)).toEqual(['\u22120.2', '\u22120.1', '0', '0.1'])
  })
})
