import { expose } from 'comlink'
import type { BoatPart, BoatZone } from '@north-tide/core'
import { sizeOpening, weakQuestion, type OpeningDesign } from '@north-tide/core/opening'
import { solveWeakened } from '@north-tide/core/weakened'

expose({
  sizeIt: (design: OpeningDesign, zones: BoatZone[], parts: BoatPart[]) =>
    sizeOpening(design, { zones, parts }, (d, around) => {
      const question = weakQuestion(d, around)
      return question ? solveWeakened(d, question).checks : []
    }),
})
