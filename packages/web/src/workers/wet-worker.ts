import { expose } from 'comlink'
import { wetMap, type Point, type WetSpot } from '@north-tide/core'

expose({ wetMap: (outline: Point[], spots: WetSpot[], cellMm: number) => wetMap(outline, spots, cellMm) })
