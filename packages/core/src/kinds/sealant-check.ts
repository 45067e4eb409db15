import { sealant, type SealantId } from '../base/materials/sealants'
import { inWords, unproven, type Check } from '../base/verdict/check'
import type { SealantChoice } from '../chapters/bedding/sealant-choice'

/** What is chosen for a joint, against what the joint asks for (chapter 4.1). */
export function sealantCheck(
  id: string,
  title: string,
  chosen: SealantId | null,
  choice: SealantChoice,
): Check {
  const shape = { id, title, unit: '', source: 'chapter 4.1' }
  if (!chosen) return unproven({ ...shape, because: 'No sealant is chosen yet.' })
  const mine = choice.choices.find((c) => c.id === chosen)!
  const said = sealant(chosen).title
  const why = mine.reasons
    .filter((r) => r.effect !== 'note')
    .map((r) => r.text)
    .join(' ')
  const better =
    choice.best && choice.best !== chosen ? ` ${sealant(choice.best).title} ranks first here.` : ''
  return inWords({
    ...shape,
    verdict: mine.verdict === 'refused' ? 'short' : mine.verdict === 'fits' ? 'holds' : 'tight',
    because:
      mine.verdict === 'fits'
        ? `${said} fits.${better}`
        : `${said}: ${why}${mine.verdict === 'refused' ? better : ''}`,
  })
}
