import { inWords, type Check, type Verdict } from '../../base/verdict/check'

/** A check of this bench that has no figures. */
export const plain = (
  id: string,
  title: string,
  verdict: Verdict,
  because: string,
  source = 'chapter 5',
): Check => inWords({ id, title, unit: '', source, verdict, because })
