import type { Design } from './design'

type Given = Record<string, unknown>
type Patch = Partial<Design>

/** Those of the asked fields that were given, so that a sum changes nothing it does not know. */
const taken = (from: Given, keys: readonly string[]) =>
  Object.fromEntries(keys.filter((k) => from[k] !== undefined).map((k) => [k, from[k]]))

const BOLT = ['size', 'grade', 'threadsInShear', 'paste', 'torqueNm']
const TURNS: Record<string, (given: Given, d: Design) => Patch> = {
  'design-load': (given) => ({ load: given as unknown as Design['load'] }),
  fastener: (given, d) => ({ bolt: { ...d.bolt, ...taken(given, BOLT) } }),
  'grip-stack': (given, d) => ({ bolt: { ...d.bolt, ...taken(given, ['size', 'partThreaded']) } }),
  'core-plug': (given, d) => ({
    core: {
      ...d.core,
      ...taken(given, ['school', 'boreMm', 'undercutMm', 'chamferMm', 'torn', 'lightLoad']),
    },
  }),
  'backing-plate': (given, d) => {
    const plate = given.plate as Given
    return {
      plate: {
        ...(d.plate ?? { bedGapMm: 0, outline: null, sheets: 1, bonded: true, crownRadiusMm: null }),
        ...taken(plate, ['material', 'lengthMm', 'widthMm', 'thicknessMm']),
        ...taken(given, ['bedGapMm']),
      } as Design['plate'],
    }
  },
  'sealant-choice': (given, d) => ({
    bedding: {
      ...d.bedding,
      ...taken(given, [
        'serviceAgainYears',
        'movementMm',
        'sunlight',
        'fuelOrSolvent',
        'toBePainted',
        'tempC',
        'humidityPct',
      ]),
    },
  }),
}

/** Whether a quick sum says something that a deck fitting decides. */
export const turnsToDesign = (sum: string) => sum in TURNS

/** What a quick sum's input changes of a fitting's design; nothing where it decides none of it. */
export const fromSum = (sum: string, given: Given, design: Design): Patch => TURNS[sum]?.(given, design) ?? {}
