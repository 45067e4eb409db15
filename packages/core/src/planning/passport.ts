import type { passportFacts } from '../chapters/watch/passport-facts'
import { SEALANT_IDS } from '../base/materials/sealants'
import type { HoleRow } from '../boat/record'

/** What a surveyor reads (chapter 16.5): every hole with what is known of it, and what would raise that. */
type Input = Parameters<typeof passportFacts.run>[0]
export type PassportAnswer = ReturnType<typeof passportFacts.run>
type Row = Input['rows'][number]
type Fact = Row['known'][number]
export interface PassportHole extends HoleRow {
  face: 'deck' | 'topsides' | 'below'
  /** days of its life, YYYY-MM-DD */
  made: string | null
  bedded: string | null
  lastLook: string | null
  /** its layers were measured and not only supposed */
  layersMeasured: boolean
  hasLot: boolean
  hasTorque: boolean
  hasPhoto: boolean
  hasTest: boolean
  gates: { gate: string; reason: string }[]
}
const CHEMISTRY = new Set<string>(SEALANT_IDS)
const FACT_SAID: Record<string, string> = {
  position: 'where it is',
  size: 'its size',
  layers: 'what it goes through',
  core: 'how the core is kept dry',
  fastener: 'what is in it',
  plate: 'what is behind it',
  chemistry: 'what it is bedded in',
  'bedded-date': 'when it was bedded',
  lot: 'the lot that went in',
  torque: 'how tight it is',
  photo: 'a picture',
  who: 'who made it',
  test: 'a test',
  look: 'a look at it',
}
export const factSaid = (f: string) => FACT_SAID[f] ?? f
const maybe = <K extends string, V>(key: K, value: V | null) =>
  (value === null ? {} : { [key]: value }) as Partial<Record<K, V>>
function rowOf(h: PassportHole, today: string): Row {
  const bolt = h.boltIndex !== null
  const closed = h.state === 'closed'
  const known: Fact[] = ['position']
  const tell = (fact: Fact, there: boolean) => void (there && known.push(fact))
  tell('layers', h.through !== '')
  tell('core', h.coreSchool !== 'none')
  tell('fastener', h.fastener !== '')
  tell('plate', h.plate !== '')
  tell('lot', h.hasLot)
  tell('torque', h.hasTorque)
  tell('photo', h.hasPhoto)
  tell('who', h.who !== '')
  tell('test', h.hasTest)
  const notNeeded: Fact[] = [
    ...(h.coreSchool === 'none' ? (['core'] as const) : []),
    ...(bolt && !closed ? [] : (['torque', 'plate'] as const)),
    ...(closed ? (['fastener', 'chemistry', 'bedded-date'] as const) : []),
  ]
  const past = (d: string | null) => (d !== null && d <= today ? d : null)
  return {
    id: h.label,
    zone: h.zone || 'no zone',
    place: h.face,
    state: h.state,
    sizeMm: h.diameterMm,
    ...maybe('made', past(h.made)),
    ...maybe('lastLook', past(h.lastLook)),
    ...maybe('bedded', past(h.bedded)),
    chemistry: h.sealant && CHEMISTRY.has(h.sealant) ? h.sealant : 'unknown',
    known,
    estimated: h.through !== '' && !h.layersMeasured ? ['layers'] : [],
    notNeeded,
    gates: h.gates,
  } as Row
}
export const passportQuestion = (holes: PassportHole[], today: string): Input => ({
  today,
  rows: holes.filter((h) => h.withdrawnWhy === null).map((h) => rowOf(h, today)),
})
