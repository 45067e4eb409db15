import { inWords, sentence, type Check, type Verdict } from '../base/verdict/check'

/** What is wrong with one that is found in the boat: quick to tick, with what each costs in risk. */
export interface FindingOf<Family extends string> {
  id: string
  title: string
  risk: 'sinks' | 'soon' | 'watch'
  costs: string
  settle: string
  families: Family[] | 'all'
}
export type Risk = FindingOf<string>['risk']
export const RISK_SAID: Record<Risk, string> = {
  sinks: 'do not trust it until it is settled',
  soon: 'settle before the season',
  watch: 'watch',
}
export const RISK_VERDICT: Record<Risk, Verdict> = { sinks: 'short', soon: 'tight', watch: 'tight' }

export const findingsOf = <F extends string>(list: FindingOf<F>[], family: F): FindingOf<F>[] =>
  list.filter((x) => x.families === 'all' || x.families.includes(family))

/** Each finding that was ticked is a check of its own, in words. */
export const foundChecks = <F extends string>(
  list: FindingOf<F>[],
  ids: string[],
  source: string,
  said: Record<Risk, string> = RISK_SAID,
): Check[] =>
  ids.flatMap((id) => {
    const f = list.find((x) => x.id === id)
    return f
      ? [
          inWords({
            id: `found-${id}`,
            title: f.title,
            unit: '',
            source,
            verdict: RISK_VERDICT[f.risk],
            because: `${f.costs} ${sentence(said[f.risk])}. ${f.settle}`,
          }),
        ]
      : []
  })
