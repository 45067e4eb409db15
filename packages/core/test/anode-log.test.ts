import { describe, expect, it } from 'vitest'
import { anodeLife, anodeLogSaid, calculate } from '../src'

const said = (log: [string, number][], today: string) => {
  const readings = log.map(([date, percentLeft]) => ({ date, percentLeft }))
  return anodeLogSaid(readings, calculate(anodeLife, { readings }), today)
}
describe('an anode is changed at half', () => {
  const falling: [string, number][] = [
    ['2031-01-01', 100],
    ['2031-03-02', 82],
    ['2031-05-01', 70],
  ]
  it.each([
    ['half lies ahead', falling, '2031-05-02', false, /^Half is reached about \d+ \w+ 2031.*change it then/],
    ['half has passed since the last look', falling, '2031-12-01', true, /^Due: half was reached about/],
    ['the last look says so', [...falling, ['2031-08-01', 44]], '2031-08-02', true, /^Due: 44 % was left/],
    ['one look gives no line', [['2031-01-01', 90]], '2031-02-01', false, /^No date yet/],
    ['one look under half is enough', [['2031-01-01', 40]], '2031-02-01', true, /^Due: 40 % was left/],
  ] as const)('%s', (_, log, today, due, text) => {
    const got = said(log as [string, number][], today)
    expect(got.due).toBe(due)
    expect(got.text).toMatch(text)
    expect(got.text).not.toMatch(/\d{4}-\d{2}/)
  })
})
