import { expose } from 'comlink'
import { sizeIt, type Design, type YardValue } from '@north-tide/core'

expose({ sizeIt: (design: Design, yard: YardValue[]) => sizeIt(design, yard) })
