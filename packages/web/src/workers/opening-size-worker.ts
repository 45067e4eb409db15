import { expose } from 'comlink'
import type { BoatPart, BoatZone } from '@north-tide/core'
import { sizeOpening, type OpeningDesign } from '@north-tide/core/opening'

expose({
  sizeIt: (design: OpeningDesign, zones: BoatZone[], parts: BoatPart[]) =>
    sizeOpening(design, { zones, parts }),
})
