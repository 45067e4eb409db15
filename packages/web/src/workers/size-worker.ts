import { expose } from 'comlink'
import { sizeIt, type Design } from '@north-tide/core'

expose({ sizeIt: (design: Design) => sizeIt(design) })
