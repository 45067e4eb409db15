import type { FloodPlan, OwnGoods } from '@north-tide/core/through-hull'
import type { SolverAnswer } from '../solver/pool'
import {
  literal,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type CreationOptional,
} from 'sequelize'
import type {
  AnyDesign,
  BoatPlan,
  Duty,
  HeldBy,
  HeldFrom,
  HullKind,
  LogData,
  LogKind,
  PartKind,
  REACH_KINDS,
  Role,
  Units,
  Verdict,
  YardFitter,
} from '@north-tide/core'

export * from './stock'
export * from './boats-life'
export * from './looks'
type Opt<T> = CreationOptional<T>

export class User extends Model<InferAttributes<User>, InferCreationAttributes<User>> {
  declare id: Opt<number>
  declare login: string
  declare name: string
  declare role: Role
  declare passwordHash: string
  declare lastSeenAt: Opt<Date | null>
  /** he works here no longer; what he did stays under his name */
  declare leftOn: Opt<string | null>
  declare mail: Opt<string | null>
}
/** A link by which somebody sets his password, once. */
export class Invite extends Model<InferAttributes<Invite>, InferCreationAttributes<Invite>> {
  declare id: Opt<number>
  declare userId: number
  declare secretHash: string
  declare madeBy: string
  declare madeAt: Opt<Date>
  declare endsAt: Date
  declare usedAt: Opt<Date | null>
}
/** What somebody is on one boat. */
export class BoatRole extends Model<InferAttributes<BoatRole>, InferCreationAttributes<BoatRole>> {
  declare userId: number
  declare boatId: string
  declare role: Role
  /** the last day on which he is that; null: for good */
  declare until: Opt<string | null>
}
/** Of an account: its roles on single boats, as one object. */
export const boatRoles = literal(
  '(SELECT jsonb_object_agg(r.boat_id, r.role) FROM boat_roles r WHERE r.user_id = "User".id AND (r.until IS NULL OR r.until >= current_date))',
)
export class Boat extends Model<InferAttributes<Boat>, InferCreationAttributes<Boat>> {
  declare id: string
  declare name: string
  declare kind: string
  declare lengthMm: number
  declare beamMm: number
  declare displacementKg: number
  declare duty: Duty
  declare units: Units
  declare hullMaterial: string
  declare hullKind: Opt<HullKind>
  declare note: string
  declare isMain: boolean
  declare launchOn: Opt<string | null>
  declare rig: Opt<string | null>
  declare archivedAt: Opt<Date | null>
  declare archivedBy: Opt<string | null>
  declare archivedWhy: Opt<string | null>
  declare importedAt: Opt<Date | null>
  declare importedBy: Opt<string | null>
  declare version: Opt<number>
}
export class Station extends Model<InferAttributes<Station>, InferCreationAttributes<Station>> {
  declare boatId: string
  declare xMm: number
  declare halfBreadthMm: number
  declare sheerMm: number
  declare keelMm: number
}
export class Zone extends Model<InferAttributes<Zone>, InferCreationAttributes<Zone>> {
  declare id: Opt<number>
  declare boatId: string
  declare code: string
  declare title: string
  declare face: string
  declare kind: 'sandwich' | 'solid' | 'metal' | 'timber'
  declare zMm: number
  declare atXMm: Opt<number | null>
  declare reachKind: Opt<(typeof REACH_KINDS)[number]>
  declare version: Opt<number>
  declare outlineX: number[]
  declare outlineY: number[]
  declare stacking: number
  declare reach: string
  declare state: string
  declare deadriseX: Opt<number[]>
  declare deadriseDeg: Opt<number[]>
}
export class ZoneLayer extends Model<InferAttributes<ZoneLayer>, InferCreationAttributes<ZoneLayer>> {
  declare zoneId: number
  declare seq: number
  declare material: string
  declare thicknessMm: number
  declare measured: boolean
  declare measuredBy: string
  declare spreadMm: Opt<number | null>
  declare readingCount: Opt<number>
}
export class StructurePart extends Model<
  InferAttributes<StructurePart>,
  InferCreationAttributes<StructurePart>
> {
  declare id: Opt<number>
  declare boatId: string
  declare kind: PartKind
  declare title: string
  declare x0Mm: number
  declare y0Mm: number
  declare x1Mm: number
  declare y1Mm: number
  declare belowMm: Opt<number | null>
  declare depthMm: Opt<number | null>
  declare widthMm: Opt<number | null>
  declare version: Opt<number>
}
export class Lot extends Model<InferAttributes<Lot>, InferCreationAttributes<Lot>> {
  declare id: Opt<number>
  declare code: string
  declare title: string
  declare chemistry: string
  declare kind: 'sealant' | 'epoxy'
  declare openedOn: string | null
  declare expiresOn: string
  declare storedHot: boolean
  declare quantity: number | null
  declare unit: Opt<string>
  declare testedOn: string | null
  declare testNote: Opt<string>
  declare recalledOn: Opt<string | null>
  declare recalledWhy: Opt<string>
}
/** Every kind of work is a row of one table: what is in its design, its kind says. */
export class Fitting extends Model<InferAttributes<Fitting>, InferCreationAttributes<Fitting>> {
  declare id: Opt<string>
  declare kind: string
  declare boatId: string
  declare name: string
  declare design: AnyDesign
  declare verdict: Verdict
  declare governing: string | null
  declare stale: Opt<string[] | null>
  declare solver: Opt<SolverAnswer | null>
  declare solverDue: Opt<boolean>
  declare replacesId: Opt<string | null>
  /** the row that it is one of */
  declare groupId: Opt<string | null>
  declare recordedAt: Opt<Date | null>
  declare version: Opt<number>
  declare createdAt: Opt<Date>
  declare updatedAt: Opt<Date>
  declare updatedBy: string
}
export class WorkLog extends Model<InferAttributes<WorkLog>, InferCreationAttributes<WorkLog>> {
  declare id: Opt<string>
  declare fittingId: string
  declare kind: LogKind
  declare step: Opt<string>
  declare value: Opt<number | null>
  declare lotId: Opt<number | null>
  declare tempC: Opt<number | null>
  declare humidityPct: Opt<number | null>
  declare sizeMm: Opt<number | null>
  declare note: Opt<string>
  declare who: string
  declare at: Opt<Date>
  declare undoes: Opt<boolean>
  declare data: Opt<LogData | null>
}
/** How a fitting stands to a hole: it makes it, reuses one that was found, or stands in that of another. */
export class HoleLink extends Model<InferAttributes<HoleLink>, InferCreationAttributes<HoleLink>> {
  declare fittingId: string
  declare penetrationId: number
  declare link: 'makes' | 'reuses' | 'replaces' | 'closes'
}
export class Goods extends Model<InferAttributes<Goods>, InferCreationAttributes<Goods>> {
  declare id: string
  declare kind: OwnGoods['kind']
  declare part: OwnGoods['part']
  declare madeBy: string
  declare madeAt: Opt<Date>
  declare version: Opt<number>
}
export class FloodPlanRow extends Model<
  InferAttributes<FloodPlanRow>,
  InferCreationAttributes<FloodPlanRow>
> {
  declare boatId: string
  declare plan: FloodPlan
  declare version: Opt<number>
  declare updatedBy: string
  declare updatedAt: Opt<Date>
}
export class Penetration extends Model<InferAttributes<Penetration>, InferCreationAttributes<Penetration>> {
  declare id: Opt<number>
  declare boatId: string
  declare number: number
  declare fittingId: string | null
  /** which part of its fitting: bolt 1, bore, pipe; null for one that was found */
  declare part: Opt<string | null>
  declare boltIndex: number | null
  declare whatFor: string
  declare zone: string
  declare xMm: number
  declare yMm: number
  declare zMm: number
  declare diameterMm: number
  declare through: string
  declare fastener: string
  declare plate: string
  declare coreSchool: string
  declare sealant: string | null
  declare belowWaterline: boolean
  declare found: boolean
  declare acrossMm: Opt<number | null>
  /** of the longer way of an oval hole: 0 fore and aft, positive turning to starboard */
  declare directionDeg: Opt<number | null>
  declare foundKind: Opt<string | null>
  declare measuredFrom: Opt<string>
  declare createdAt: Opt<Date>
  declare withdrawnWhy: Opt<string | null>
  declare withdrawnBy: Opt<string | null>
  declare withdrawnAt: Opt<Date | null>
}
export class Reading extends Model<InferAttributes<Reading>, InferCreationAttributes<Reading>> {
  declare id: Opt<string>
  declare boatId: string
  declare zoneId: number | null
  declare kind: 'thickness' | 'moisture' | 'tap' | 'core'
  declare way: Opt<string>
  declare layerSeq: Opt<number | null>
  declare xMm: number
  declare yMm: number
  declare value: Opt<number | null>
  declare scaleMost: Opt<number | null>
  declare dryReference: Opt<number | null>
  declare finding: Opt<string>
  declare note: Opt<string>
  declare instrument: Opt<string>
  declare who: string
  declare takenAt: Date
  declare withdrawnWhy: Opt<string | null>
  declare withdrawnBy: Opt<string | null>
}
export class AngleReading extends Model<
  InferAttributes<AngleReading>,
  InferCreationAttributes<AngleReading>
> {
  declare id: Opt<string>
  declare boatId: string
  declare role: 'reference' | 'trim' | 'station' | 'recheck'
  declare station: Opt<string>
  declare side: Opt<'port' | 'starboard' | null>
  declare axis: Opt<'across' | 'along' | null>
  declare leanDeg: Opt<number | null>
  declare afterCount: Opt<number | null>
  declare degrees: number
  declare instrument: Opt<string>
  declare who: string
  declare takenAt: Date
}
export class LifeEvent extends Model<InferAttributes<LifeEvent>, InferCreationAttributes<LifeEvent>> {
  declare id: Opt<string>
  declare penetrationId: number
  declare seq: number
  declare state: string
  declare note: string
  declare who: string
  declare happenedAt: Date
  declare recordedAt: Opt<Date>
  declare sizeMm: number | null
  declare tempC: number | null
  declare humidityPct: number | null
  declare lotId: number | null
  declare evidence: string
  declare gatesPassed: string[]
  declare gateReason: string | null
  declare corrects: number | null
}
/** Somebody who works in the yard, with his hours; he need not have an account. */
export class Fitter extends Model<InferAttributes<Fitter>, InferCreationAttributes<Fitter>> {
  declare id: Opt<number>
  declare name: string
  declare hours: YardFitter['hours']
  declare away: Opt<YardFitter['away']>
  declare version: Opt<number>
  declare changedAt: Opt<Date>
}
/** What holds work up: of a fitting, of zones, of a boat. Ended, and never taken away. */
export class Hold extends Model<InferAttributes<Hold>, InferCreationAttributes<Hold>> {
  declare id: Opt<number>
  declare boatId: string
  declare fittingId: string | null
  declare zones: string[] | null
  declare by: HeldBy
  declare what: string
  declare from: HeldFrom
  declare since: string
  declare until: string | null
  declare meanwhile: Opt<string>
  declare madeBy: string
  declare endedAt: Opt<Date | null>
  declare endedBy: Opt<string | null>
  /** made by an order, and ended by its coming */
  declare orderId: Opt<number | null>
  declare version: Opt<number>
  declare changedAt: Opt<Date>
}
export class WeatherRow extends Model<InferAttributes<WeatherRow>, InferCreationAttributes<WeatherRow>> {
  declare at: string
  declare measured: boolean
  declare airC: number
  declare humidityPct: number
  declare windMs: number
  declare rainMm: number
  declare sun: number
  declare cloud: number
  declare source: string
  declare saidAt: Opt<Date>
}
export class PlanRow extends Model<InferAttributes<PlanRow>, InferCreationAttributes<PlanRow>> {
  declare id: Opt<number>
  declare state: 'kept' | 'offered' | 'past'
  /** as the service of the plan reads it */
  declare ask: unknown
  declare answer: BoatPlan
  declare why: Opt<string>
  declare beforeId: Opt<number | null>
  declare madeBy: string
  declare madeAt: Opt<Date>
}
export class PlanJobRow extends Model<InferAttributes<PlanJobRow>, InferCreationAttributes<PlanJobRow>> {
  declare id: string
  declare ask: unknown
  declare state: Opt<'waiting' | 'working' | 'done' | 'failed' | 'cancelled'>
  declare done: Opt<number>
  declare total: Opt<number>
  declare said: Opt<string>
  declare planId: Opt<number | null>
  declare askedBy: string
  declare askedAt: Opt<Date>
  declare beatAt: Opt<Date>
}
/** An address that a calendar asks by itself. */
export class Feed extends Model<InferAttributes<Feed>, InferCreationAttributes<Feed>> {
  declare id: Opt<number>
  declare userId: number
  declare title: string
  declare what: 'plan' | 'watch'
  declare boatId: string | null
  declare onlyWho: string | null
  declare secretHash: string
  declare madeAt: Opt<Date>
  declare readAt: Opt<Date | null>
  declare revokedAt: Opt<Date | null>
}
