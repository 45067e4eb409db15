import { runNamed } from '../src/chapters/registry'
import { timed } from './timed'

const HOURS = Object.fromEntries(
  ['mon', 'tue', 'wed', 'thu', 'fri'].map((d) => [
    d,
    [
      ['08:00', '12:00'],
      ['13:00', '17:00'],
    ],
  ]),
)
/** Four hundred steps on fittings of three boats, four fitters, six things that hold some of them. */
const weeks = () => {
  const steps = Array.from({ length: 400 }, (_, i) => {
    const [fitting, k] = [Math.floor(i / 16), i % 16]
    const before = k ? [`${fitting} ${k - 1}`] : []
    return {
      id: `${fitting} ${k}`,
      minutes: 10 + ((i * 7) % 50),
      cureHours: k % 5 === 3 ? 14 : 0,
      after: k % 5 === 4 ? before : [],
      afterWork: before,
      hands: k % 7 === 6 ? 2 : 1,
      needs: k % 5 === 3 ? ['surface'] : [],
    }
  })
  const fitters = ['a', 'b', 'c', 'd'].map((id) => ({ id, hoursByDay: HOURS }))
  const holds = [2, 5, 9, 13, 17, 21].map((f, n) => ({
    step: `${f} 4`,
    until: `2031-04-${20 + n}`,
    why: 'late',
  }))
  return { start: '2031-04-14T08:00', steps, fitters, holds, conditions: [{ day: '2031-04-15', ok: false }] }
}
export function planOfWeeks() {
  const q = weeks()
  let days = 0
  const t = timed(5, () => {
    const out = runNamed('plan', q) as { rows: unknown[]; finishHours: number }
    if (out.rows.length !== q.steps.length) throw new Error(`${out.rows.length} of ${q.steps.length} planned`)
    days = out.finishHours / 24
  })
  return { ...t, days }
}
/** Two hundred pieces of four sizes from sheets of 1 000 by 600. */
export function nestOfMany() {
  const parts = [
    [190, 120],
    [250, 150],
    [90, 90],
    [420, 80],
  ].map(([widthMm, heightMm], i) => ({
    id: `p${i}`,
    material: 'g10',
    thicknessMm: 10,
    count: 50,
    shape: 'rect',
    widthMm,
    heightMm,
  }))
  const stock = [{ id: 's', kind: 'sheet', material: 'g10', thicknessMm: 10, widthMm: 1000, heightMm: 600 }]
  let said = ''
  const t = timed(3, () => {
    const out = runNamed('nest', { parts, stock }) as {
      sheets: number
      boundSheets: number
      baseline: { sheets: number }
    }
    said = `${out.sheets} sheets; by area ${out.boundSheets}, first fit ${out.baseline.sheets}`
  })
  return { ...t, said }
}
