import { strFromU8, unzipSync, type Unzipped } from 'fflate'
import { refuseUnsound } from '../sound'
import { bad } from './whole-boat-links'

/** A boat's file in its box, with her pictures beside it: `passport.json` or `boat.json` in a ZIP. */
const NAMES = ['passport.json', 'boat.json']
/** A box says before it is opened how much it holds. */
const MOST_BYTES = 1_200_000_000
const MOST_FILES = 20_000
export interface Box {
  raw: unknown
  pictures: Map<string, Uint8Array>
}
export function openBox(bytes: Uint8Array): Box {
  let files: Unzipped
  let sum = 0
  let count = 0
  try {
    files = unzipSync(bytes, {
      filter: (f) => {
        sum += f.originalSize
        if (sum > MOST_BYTES || ++count > MOST_FILES)
          throw bad('', 'This box holds more than a boat’s file has')
        return NAMES.includes(f.name) || f.name.startsWith('photos/')
      },
    })
  } catch (error) {
    if (error instanceof Error && 'status' in error) throw error
    throw bad('', 'This ZIP is damaged, or none; take it from where it was made again')
  }
  const name = NAMES.find((n) => files[n])
  if (!name) throw bad('', 'There is neither passport.json nor boat.json in this box')
  let raw: unknown
  try {
    raw = JSON.parse(strFromU8(files[name]!))
  } catch {
    throw bad('', `${name} in this box cannot be read as JSON`)
  }
  refuseUnsound(raw)
  return { raw, pictures: new Map(Object.entries(files)) }
}
