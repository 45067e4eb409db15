import { inWords, say, type Check } from '../../base/verdict/check'

/** Three days of one fitter: past that a yard that does it every week is asked what it would take. */
export const HIRE_HOURS = 24
/** Whether it is still a fitter's own job, by its hours (ours: the reference gives no figure). */
export function hireCheck(workHours: number): Check[] {
  if (workHours <= HIRE_HOURS) return []
  return [
    inWords({
      id: 'hire',
      title: 'Done by hand, or by a yard',
      unit: '',
      source: 'usual in a yard',
      verdict: 'tight',
      because: `About ${say(Math.round(workHours))} hours of work: past ${HIRE_HOURS}, three days of one fitter, ask a yard that grinds and lays up every week what it would take.`,
    }),
  ]
}
