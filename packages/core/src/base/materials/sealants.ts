/**
 * Sealants by chemistry (chapter 4.1). Bond in MPa, movement as a fraction of the bead, surface
 * temperature limits in degrees C; typical.
 */
export interface Sealant {
  title: string
  family: 'polyurethane' | 'polysulfide' | 'hybrid' | 'butyl' | 'silicone' | 'epoxy' | 'methacrylate'
  bondMPa: number
  movement: number
  /** how it comes apart again, 0 (never) to 1 (clean) */
  removability: number
  removable: string
  belowWater: boolean
  sunlight: string
  /** 0.3 poor, 0.5 fair, 0.8 good, 1 very good */
  sunlightMeasure: number
  applyC: [number, number]
  moistureCure: boolean
  cures: string
  cleans: string
  keepAway: string
  /** years before it is due to be bedded again; null where it is not a bedding that ages so */
  lifeYears: number | null
}

export const SEALANTS = {
  'pu-permanent': {
    title: 'polyurethane, permanent',
    family: 'polyurethane',
    bondMPa: 4.0,
    movement: 0.1,
    removability: 0,
    removable: 'no: cut and tear',
    belowWater: true,
    sunlight: 'chalks, overcoat',
    sunlightMeasure: 0.3,
    applyC: [5, 35],
    moistureCure: true,
    cures: 'moisture',
    cleans: 'white spirit',
    keepAway: 'any alcohol: it stops the cure',
    lifeYears: 10,
  },
  'pu-medium': {
    title: 'polyurethane, medium hold',
    family: 'polyurethane',
    bondMPa: 2.0,
    movement: 0.2,
    removability: 0.6,
    removable: 'with work',
    belowWater: true,
    sunlight: 'fair',
    sunlightMeasure: 0.5,
    applyC: [5, 35],
    moistureCure: true,
    cures: 'moisture',
    cleans: 'white spirit',
    keepAway: 'any alcohol: it stops the cure',
    lifeYears: 10,
  },
  polysulfide: {
    title: 'polysulfide',
    family: 'polysulfide',
    bondMPa: 1.2,
    movement: 0.25,
    removability: 0.6,
    removable: 'with work',
    belowWater: true,
    sunlight: 'good',
    sunlightMeasure: 0.8,
    applyC: [5, 35],
    moistureCure: true,
    cures: 'moisture, slowly',
    cleans: 'white spirit',
    keepAway: '',
    lifeYears: 15,
  },
  hybrid: {
    title: 'silyl-modified polymer, medium',
    family: 'hybrid',
    bondMPa: 1.8,
    movement: 0.25,
    removability: 0.6,
    removable: 'with work',
    belowWater: true,
    sunlight: 'good',
    sunlightMeasure: 0.8,
    applyC: [5, 40],
    moistureCure: true,
    cures: 'moisture',
    cleans: 'white spirit or alcohol',
    keepAway: '',
    lifeYears: 15,
  },
  'hybrid-strong': {
    title: 'silyl-modified polymer, strong',
    family: 'hybrid',
    bondMPa: 3.0,
    movement: 0.15,
    removability: 0,
    removable: 'no',
    belowWater: true,
    sunlight: 'good',
    sunlightMeasure: 0.8,
    applyC: [5, 40],
    moistureCure: true,
    cures: 'moisture',
    cleans: 'white spirit',
    keepAway: '',
    lifeYears: 15,
  },
  butyl: {
    title: 'butyl tape or sheet',
    family: 'butyl',
    bondMPa: 0.1,
    movement: 0.5,
    removability: 1,
    removable: 'yes, cold and slow',
    belowWater: false,
    sunlight: 'only under a flange',
    sunlightMeasure: 0.3,
    applyC: [5, 40],
    moistureCure: false,
    cures: 'does not cure',
    cleans: 'white spirit',
    keepAway: 'solvents, fuel',
    lifeYears: 15,
  },
  'silicone-neutral': {
    title: 'neutral-cure silicone',
    family: 'silicone',
    bondMPa: 0.6,
    movement: 0.5,
    removability: 0.5,
    removable: 'yes, but nothing bonds or paints over it again',
    belowWater: false,
    sunlight: 'very good',
    sunlightMeasure: 1,
    applyC: [-5, 40],
    moistureCure: true,
    cures: 'moisture',
    cleans: 'dry wipe',
    keepAway: 'paint, any later bonding',
    lifeYears: 10,
  },
  'epoxy-filled': {
    title: 'thickened epoxy as bedding',
    family: 'epoxy',
    bondMPa: 15,
    movement: 0,
    removability: 0,
    removable: 'no: heat or grinding',
    belowWater: true,
    sunlight: 'overcoat',
    sunlightMeasure: 0.3,
    applyC: [5, 35],
    moistureCure: false,
    cures: 'mixing',
    cleans: 'alcohol or acetone before cure',
    keepAway: 'bronze and other metal that may need to come out',
    lifeYears: null,
  },
  methacrylate: {
    title: 'methacrylate structural adhesive',
    family: 'methacrylate',
    bondMPa: 18,
    movement: 0.05,
    removability: 0,
    removable: 'no',
    belowWater: true,
    sunlight: 'overcoat',
    sunlightMeasure: 0.3,
    applyC: [10, 35],
    moistureCure: false,
    cures: 'mixing, minutes',
    cleans: 'dry wipe',
    keepAway: '',
    lifeYears: null,
  },
} as const satisfies Record<string, Sealant>
export type SealantId = keyof typeof SEALANTS
export const SEALANT_IDS = Object.keys(SEALANTS) as [SealantId, ...SealantId[]]
export const SEALANTS_SOURCE = 'chapter 4.1, typical by chemistry'
export const sealant = (id: SealantId): Sealant => SEALANTS[id]
