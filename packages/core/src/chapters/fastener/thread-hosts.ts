import type { FactorKind } from '../../base/verdict/factors'

/** Threads in a plate, inserts, captive nuts (18.5); every figure of the table is an estimate. */
export interface Host {
  title: string
  shearMPa: number
  bearingMPa: number
  /** edge distance over D: the least, and what is wished */
  edge: [number, number]
  factor: FactorKind
  /** shear on a pressed-in insert, MPa; null where none is ever pressed in */
  pressedMPa: number | null
  bondedMPa: number
  plastic: boolean
}
const metal = (title: string, shearMPa: number, bearingMPa: number, pressedMPa: number | null): Host => ({
  title,
  shearMPa,
  bearingMPa,
  edge: [1.5, 2],
  factor: 'metal',
  pressedMPa,
  bondedMPa: 8,
  plastic: false,
})
const laminate = (
  title: string,
  shearMPa: number,
  bearingMPa: number,
  pressedMPa: number,
  bondedMPa: number,
): Host => ({
  title,
  shearMPa,
  bearingMPa,
  edge: [2.5, 3],
  factor: 'laminate',
  pressedMPa,
  bondedMPa,
  plastic: false,
})
const glazing = (title: string, shearMPa: number, bearingMPa: number, pressedMPa: number): Host => ({
  title,
  shearMPa,
  bearingMPa,
  edge: [3, 4],
  factor: 'glazing',
  pressedMPa,
  bondedMPa: 4,
  plastic: true,
})
export const HOSTS = {
  'al-5083': metal('aluminium 5083', 72, 412.5, 25),
  'al-6061': metal('aluminium 6061', 138, 435, 25),
  'ss-316': metal('316 stainless', 118, 772.5, null),
  'mild-steel': metal('mild steel', 136, 600, null),
  g10: laminate('epoxy-glass sheet G10/FR-4', 70, 300, 12, 12),
  'glass-epoxy': laminate('laid-up epoxy glass', 50, 250, 10, 12),
  'epoxy-plug': laminate('filled epoxy', 25, 70, 8, 12),
  plywood: laminate('plywood', 6, 30, 5, 6),
  polycarbonate: glazing('polycarbonate', 36, 80, 8),
  'cast-acrylic': glazing('cast acrylic', 30, 70, 5),
} as const satisfies Record<string, Host>
export type HostId = keyof typeof HOSTS
export const HOST_IDS = Object.keys(HOSTS) as [HostId, ...HostId[]]
