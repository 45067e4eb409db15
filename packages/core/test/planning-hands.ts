import { runNamed } from '../src/chapters/registry'
import { stepList, type Step } from '../src/kinds/step'
import { NO_WORK } from '../src/kinds/work'
import { planAnswer, planQuestion } from '../src/planning/boat-plan'
import { type PlanAsk, type PlanJob } from '../src/planning/plan-types'
import { planFitter, type YardFitter } from '../src/planning/fitters'

function steps(): Step[] {
  const { add, done } = stepList()
  add('drill', 'Drill it.', { gate: true, minutes: 30, tools: ['drill'] })
  add('fill', 'Fill it.', { gate: true, minutes: 30, waitH: 20, asks: ['dew'], tools: ['gun'] })
  add('bed', 'Bed it.', { minutes: 60, hands: 2, alone: 'a strut holds it', tools: ['gun'] })
  return done()
}
export const job = (more: Partial<PlanJob> = {}): PlanJob => ({
  fittingId: 'f1',
  kind: 'deck-hardware',
  name: 'Cleat',
  boatId: 'b1',
  boat: 'Gull',
  zoneId: 'foredeck',
  zone: 'Foredeck',
  verdict: 'holds',
  short: '',
  steps: steps(),
  work: NO_WORK,
  ...more,
})
const WEEK = Object.fromEntries(
  ['mon', 'tue', 'wed', 'thu', 'fri'].map((d) => [
    d,
    [
      ['08:00', '12:00'],
      ['13:00', '17:00'],
    ] as [string, string][],
  ]),
)
export const fitter = (name: string, away: YardFitter['away'] = []) => planFitter({ name, hours: WEEK, away })
export const ask = (more: Partial<PlanAsk> = {}): PlanAsk => ({
  start: '2031-04-14T08:00',
  fitters: [fitter('Mara'), fitter('Tom')],
  badDays: [],
  ...more,
})
export const planned = (jobs: PlanJob[], a: PlanAsk) =>
  planAnswer(jobs, a, runNamed('plan', planQuestion(jobs, a)) as Parameters<typeof planAnswer>[2])
export const ticked = (ids: string[], at = '2031-04-13T10:00:00Z') => ({
  ...NO_WORK,
  ticks: Object.fromEntries(ids.map((id) => [id, { at, by: 'Tom', note: '' }])),
})
