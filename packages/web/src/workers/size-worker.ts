import { expose } from 'comlink'
import { sizeIt, type Design, type Room, type YardValue } from '@north-tide/core'

expose({ sizeIt: (design: Design, yard: YardValue[], room: Room | null) => sizeIt(design, yard, room) })
