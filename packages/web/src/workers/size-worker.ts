import { expose } from 'comlink'
import {
  sizeIt,
  type BoatPart,
  type BoatZone,
  type Design,
  type Room,
  type YardValue,
} from '@north-tide/core'
import { solverChecks } from '@north-tide/core/solver'

expose({
  sizeIt: (design: Design, yard: YardValue[], room: Room | null, zone: BoatZone | null, parts: BoatPart[]) =>
    sizeIt(design, yard, room, solverChecks(zone, parts)),
})
