import type { BoatPart, BoatZone, Design, Duty, Family, LifeState, Point, Units, Verdict } from '@north-tide/core'

export interface Account {
  id: number
  login: string
  name: string
  role: 'manager' | 'fitter' | 'apprentice' | 'owner'
  boatId: string | null
}
export interface BoatSummary {
  id: string
  name: string
  kind: string
  lengthMm: number
  beamMm: number
  displacementKg: number
  duty: Duty
  units: Units
  hullMaterial: string
  note: string
}
export interface Hole {
  id: number
  number: number
  label: string
  fittingId: string | null
  whatFor: string
  zone: string
  xMm: number
  yMm: number
  zMm: number
  diameterMm: number
  through: string
  fastener: string
  plate: string
  coreSchool: string
  sealant: string | null
  belowWaterline: boolean
  found: boolean
  state: LifeState
  since: string
  who: string
  gatesPassed: number
}
export interface PlanFitting {
  id: string
  name: string
  verdict: Verdict
  governing: string | null
  recorded: boolean
  version: number
  family: Family
  xMm: number
  yMm: number
  zMm: number
  base: Design['base']
  bolts: Point[]
  zone: string | null
}
export interface BoatPicture extends BoatSummary {
  zones: BoatZone[]
  parts: BoatPart[]
  stations: { xMm: number; halfBreadthMm: number; sheerMm: number; keelMm: number }[]
  fittings: PlanFitting[]
  holes: Hole[]
}
export interface SavedFitting {
  id: string
  boatId: string
  name: string
  version: number
  design: Design
  verdict: Verdict
  governing: string | null
  recorded: boolean
  updatedAt: string
  updatedBy: string
}
export interface OpenFitting extends SavedFitting {
  flags: { id: string; text: string }[]
  planEdgeMm: number | null
  holes: Hole[]
}
export interface LifeEventShown {
  seq: number
  state: LifeState
  note: string
  who: string
  at: string
  sizeMm: number | null
  tempC: number | null
  humidityPct: number | null
  lot: string | null
  evidence: string
  gatesPassed: string[]
  gateReason: string | null
  corrects: number | null
}
export interface HoleRecord extends Hole {
  next: LifeState[]
  sizes: { at: string; sizeMm: number }[]
  cure: { rimDays: number | null; middleDays: number | null } | null
  events: LifeEventShown[]
}
export interface Lot {
  id: number
  code: string
  title: string
  chemistry: string
  kind: 'sealant' | 'epoxy'
  openedOn: string | null
  expiresOn: string
  storedHot: boolean
  onHand: string
  testedOn: string | null
  testNote: string
}
export interface TodayReading {
  surfaceC: number
  marginK: number
  verdict: Verdict
  line: string
  airC: number
  humidityPct: number
}
