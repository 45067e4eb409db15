import { z } from 'zod'
import {
  cautionsFor,
  inWords,
  part,
  stepList,
  tallyOf,
  type Check,
  type Drawing,
  type Entry,
  type HoleSpec,
  type Judged,
  type Kind,
  type LifeState,
} from '../../src'

/**
 * The smallest kind there can be, to prove the contract: a builder's plate on two screws, that carries
 * nothing. What a kind needs is this folder, and one like it for the screen.
 */
const design = z.strictObject({
  schemaVersion: z.literal(1),
  name: z.string().trim().min(1).max(120),
  family: z.literal('builder-plate'),
  catalogueId: z.string().nullable(),
  duty: z.enum(['sheltered', 'coastal', 'ocean']),
  place: z.strictObject({ zone: z.string().nullable(), xMm: z.number(), yMm: z.number(), zMm: z.number() }),
  lengthMm: z.number().positive(),
  screwMm: z.number().positive(),
  deckMm: z.number().positive(),
})
export type NamePlate = z.output<typeof design>
interface PlateEntry extends Entry {
  lengthMm: number
}
const ENTRIES: PlateEntry[] = [
  { id: 'NP-60', title: 'Builder\u2019s plate, 60 mm', family: 'builder-plate', lengthMm: 60 },
  { id: 'NP-90', title: 'Builder\u2019s plate, 90 mm', family: 'builder-plate', lengthMm: 90 },
]
const at = (d: NamePlate, x: number, y: number) => ({ xMm: d.place.xMm + x, yMm: d.place.yMm + y })

const screwLength = (d: NamePlate): Check =>
  inWords({
    id: 'screw-length',
    title: 'Screw shorter than the deck',
    unit: '',
    source: 'chapter 2',
    verdict: d.screwMm < d.deckMm ? 'holds' : 'short',
    because: `A screw of ${d.screwMm} mm in ${d.deckMm} mm${d.screwMm < d.deckMm ? ' stays inside' : ' comes through'}.`,
  })
const screws = (d: NamePlate): HoleSpec[] =>
  [-1, 1].map((side, i) => ({
    part: `bolt ${i + 1}`,
    boltIndex: i,
    title: `${d.name}, screw ${i + 1}`,
    ...at(d, side * (d.lengthMm / 2 - 5), 0),
    zMm: d.place.zMm,
    diameterMm: 3,
    through: `${d.deckMm} mm`,
    fastener: 'screw 3 mm',
    plate: '',
    coreSchool: 'none',
    sealant: 'butyl',
    belowWaterline: false,
    note: '',
  }))
const drawing = (d: NamePlate): Drawing => ({
  title: 'Name plate',
  description: `A plate ${d.lengthMm} mm long on two screws`,
  bounds: { minX: -d.lengthMm, maxX: d.lengthMm, minY: -20, maxY: 20 },
  shapes: [
    {
      kind: 'path',
      points: [
        { x: -d.lengthMm / 2, y: 0 },
        { x: d.lengthMm / 2, y: 0 },
      ],
      weight: 'outline',
    },
  ],
  legend: [],
  textMm: 3,
  scaleBarMm: 10,
})

export const namePlate: Kind<NamePlate, Judged, PlateEntry> = {
  id: 'name-plate',
  title: 'Name plate',
  faces: ['deck', 'roof'],
  schema: design,
  version: 1,
  upgrade: (raw) => raw,
  families: { 'builder-plate': 'builder\u2019s plate' },
  catalogue: ENTRIES,
  start: (entry, { zone, xMm, yMm, zMm, duty, structure }, name) => ({
    schemaVersion: 1,
    name,
    family: 'builder-plate',
    catalogueId: entry.id,
    duty,
    place: { zone, xMm, yMm, zMm },
    lengthMm: entry.lengthMm,
    screwMm: 8,
    deckMm: structure.kind === 'sandwich' ? structure.outerMm : structure.thicknessMm,
  }),
  footprint: (d) => [
    at(d, -d.lengthMm / 2, -15),
    at(d, d.lengthMm / 2, -15),
    at(d, d.lengthMm / 2, 15),
    at(d, -d.lengthMm / 2, 15),
  ],
  judge: (d) => {
    const checks = [screwLength(d)]
    return { verdict: checks[0]!.verdict, governing: 'screw-length', checks, counts: tallyOf(checks) }
  },
  tries: (d) => [
    {
      id: 'shorter',
      text: 'screws of 2 mm',
      change: { screwMm: Math.min(2, d.deckMm / 2) },
      helps: ['screw-length'],
    },
  ],
  drawings: (d) => [{ id: 'plate', title: 'Plate', drawing: drawing(d) }],
  templates: () => ['plate'],
  template: (d) => drawing(d),
  drill: (d) =>
    [-1, 1].map((side, i) => ({
      bolt: i + 1,
      xMm: side * (d.lengthMm / 2 - 5),
      yMm: 0,
      pilotMm: 2,
      boreMm: null,
      finishMm: 3,
      order: 'pilot, then the screw',
      from: 'above',
    })),
  penetrations: (d) => screws(d),
  steps: () => {
    const { add, done } = stepList()
    const bolts = (...states: LifeState[]) => ({ bolt: states })
    add('drill', 'Drill two pilots.', {
      gate: true,
      asks: ['size'],
      sizeOf: 'bolt',
      records: bolts('drilled'),
    })
    add('screw', 'Bed it and drive the screws.', {
      gate: true,
      asks: ['lot', 'air'],
      lot: 'butyl',
      records: bolts('dry-fitted', 'bedded'),
    })
    add('look', 'Hose it and look.', {
      gate: true,
      asks: ['proof'],
      records: bolts('proved', 'in-service'),
    })
    return done()
  },
  parts: (d) => [
    part('screw', 'Screw, 3 mm', {
      material: 'A4-70',
      dimensions: { diameterMm: 3, lengthMm: d.screwMm },
      size: [{ mm: d.screwMm }],
      quantity: 2,
      spare: 1,
    }),
    part('plate', 'Plate', { dimensions: { lengthMm: d.lengthMm }, size: [{ mm: d.lengthMm }] }),
    part('hands', 'Cloth', { unit: 'none' }),
  ],
  cautions: () => cautionsFor(['drill']),
  card: (d) => [{ title: 'Plate', lines: [`${d.lengthMm} mm long`, `screws of ${d.screwMm} mm`] }],
  inspections: () => [{ id: 'loose', title: 'Loose', everyDays: 365, why: 'it is read by surveyors' }],
  findings: () =>
    ['loose', 'gone', 'corroded', 'wrong'].map((id) => ({
      id,
      title: id,
      risk: 'watch' as const,
      costs: 'Nobody knows her.',
      settle: 'Another plate.',
    })),
}
