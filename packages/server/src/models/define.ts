import type { Sequelize } from 'sequelize'
import {
  T,
  text,
  maybeText,
  real,
  maybeReal,
  whole,
  maybeWhole,
  flag,
  reals,
  key,
  day,
  version,
  withdrawn,
  madeAt,
  big,
  words,
  moment,
  type At,
  own,
} from './columns'
import {
  User,
  Invite,
  BoatRole,
  Boat,
  Station,
  Zone,
  ZoneLayer,
  StructurePart,
  Lot,
  Fitting,
  WorkLog,
  HoleLink,
  Goods,
  FloodPlanRow,
  Penetration,
  Reading,
  AngleReading,
  LifeEvent,
} from '.'
import { defineBoatsLife } from './boats-life'
import { defineLooks } from './looks'
import { defineStock } from './stock'
import { defineHours, definePlans, defineSheets } from './define-plan'

const then = { type: T.DATE, allowNull: true }
/** that a boat was put away, and that she came with a file */
const PAST = {
  archivedAt: then,
  archivedBy: maybeText,
  archivedWhy: maybeText,
  importedAt: then,
  importedBy: maybeText,
}
function definePeople(at: At) {
  User.init(
    own({
      id: key,
      login: text,
      name: text,
      role: text,
      passwordHash: text,
      lastSeenAt: then,
      leftOn: day,
      mail: maybeText,
    }),
    at('users'),
  )
  Invite.init(
    own({
      id: key,
      userId: whole,
      secretHash: text,
      madeBy: text,
      madeAt,
      endsAt: moment,
      usedAt: then,
    }),
    at('invites'),
  )
  BoatRole.init(
    own({
      userId: { type: T.INTEGER, primaryKey: true },
      boatId: { type: T.TEXT, primaryKey: true },
      role: text,
      until: day,
    }),
    at('boat_roles'),
  )
  Boat.init(
    own({
      id: { type: T.TEXT, primaryKey: true },
      name: text,
      kind: text,
      lengthMm: real,
      beamMm: real,
      displacementKg: real,
      duty: text,
      units: text,
      hullMaterial: text,
      hullKind: { ...text, defaultValue: 'laminate' },
      note: text,
      isMain: flag,
      launchOn: day,
      ...PAST,
      rig: maybeText,
      version,
    }),
    at('boats'),
  )
}
function defineShape(at: At) {
  Station.init(
    own({
      boatId: { type: T.TEXT, primaryKey: true },
      xMm: { type: T.DOUBLE, primaryKey: true },
      halfBreadthMm: real,
      sheerMm: real,
      keelMm: real,
    }),
    at('outline_stations'),
  )
  Zone.init(
    own({
      id: key,
      boatId: text,
      code: text,
      title: text,
      face: text,
      kind: text,
      zMm: real,
      outlineX: reals,
      outlineY: reals,
      stacking: whole,
      reach: text,
      state: text,
      atXMm: { ...maybeReal, field: 'at_x_mm' },
      reachKind: { ...text, defaultValue: 'unknown' },
      deadriseX: { ...reals, defaultValue: [] },
      deadriseDeg: { ...reals, defaultValue: [] },
      version,
    }),
    at('zones'),
  )
  ZoneLayer.init(
    own({
      zoneId: { type: T.INTEGER, primaryKey: true },
      seq: { type: T.INTEGER, primaryKey: true },
      material: text,
      thicknessMm: real,
      measured: flag,
      measuredBy: text,
      spreadMm: maybeReal,
      readingCount: { ...whole, defaultValue: 0 },
    }),
    at('zone_layers'),
  )
}
function defineStores(at: At) {
  StructurePart.init(
    own({
      id: key,
      boatId: text,
      kind: text,
      title: text,
      x0Mm: { ...real, field: 'x0_mm' },
      y0Mm: { ...real, field: 'y0_mm' },
      x1Mm: { ...real, field: 'x1_mm' },
      y1Mm: { ...real, field: 'y1_mm' },
      belowMm: maybeReal,
      depthMm: maybeReal,
      widthMm: maybeReal,
      version,
    }),
    at('structures'),
  )
  Lot.init(
    own({
      id: key,
      code: text,
      title: text,
      chemistry: text,
      kind: text,
      openedOn: day,
      expiresOn: { type: T.DATEONLY, allowNull: false },
      storedHot: flag,
      quantity: maybeReal,
      unit: { ...text, defaultValue: '' },
      testedOn: day,
      testNote: { ...text, defaultValue: '' },
      recalledOn: day,
      recalledWhy: words,
    }),
    at('lots'),
  )
  Goods.init(
    own({
      id: { type: T.TEXT, primaryKey: true },
      kind: text,
      part: { type: T.JSONB, allowNull: false },
      madeBy: text,
      madeAt,
      version,
    }),
    at('goods'),
  )
}
function defineFitting(at: At) {
  Fitting.init(
    own({
      id: { type: T.UUID, primaryKey: true, defaultValue: T.UUIDV4 },
      kind: text,
      boatId: text,
      name: text,
      design: { type: T.JSONB, allowNull: false },
      verdict: text,
      governing: maybeText,
      stale: { type: T.ARRAY(T.TEXT), allowNull: true },
      solver: { type: T.JSONB, allowNull: true },
      solverDue: { type: T.BOOLEAN, allowNull: false, defaultValue: false },
      replacesId: { type: T.UUID, allowNull: true },
      groupId: { type: T.UUID, allowNull: true },
      recordedAt: then,
      version,
      createdAt: madeAt,
      updatedAt: madeAt,
      updatedBy: text,
    }),
    at('fittings'),
  )
}
function defineWork(at: At) {
  WorkLog.init(
    own({
      id: { type: T.BIGINT, primaryKey: true, autoIncrement: true },
      fittingId: { type: T.UUID, allowNull: false },
      kind: text,
      step: { ...text, defaultValue: '' },
      value: maybeReal,
      lotId: maybeWhole,
      tempC: maybeReal,
      humidityPct: maybeReal,
      sizeMm: maybeReal,
      note: { ...text, defaultValue: '' },
      who: text,
      at: madeAt,
      undoes: { ...flag, defaultValue: false },
      data: { type: T.JSONB, allowNull: true },
    }),
    at('work_log'),
  )
  HoleLink.init(
    own({
      fittingId: { type: T.UUID, primaryKey: true },
      penetrationId: { type: T.INTEGER, primaryKey: true },
      link: text,
    }),
    at('hole_links'),
  )
  FloodPlanRow.init(
    own({
      boatId: { type: T.TEXT, primaryKey: true },
      plan: { type: T.JSONB, allowNull: false },
      version,
      updatedBy: text,
      updatedAt: madeAt,
    }),
    at('flood_plans'),
  )
}
function defineSurvey(at: At) {
  Reading.init(
    own({
      id: big,
      boatId: text,
      zoneId: maybeWhole,
      kind: text,
      way: words,
      layerSeq: maybeWhole,
      xMm: real,
      yMm: real,
      value: maybeReal,
      scaleMost: maybeReal,
      dryReference: maybeReal,
      finding: words,
      note: words,
      instrument: words,
      who: text,
      takenAt: moment,
      withdrawnWhy: maybeText,
      withdrawnBy: maybeText,
    }),
    at('readings'),
  )
  AngleReading.init(
    own({
      id: big,
      boatId: text,
      role: text,
      station: words,
      side: maybeText,
      axis: maybeText,
      leanDeg: maybeReal,
      afterCount: maybeWhole,
      degrees: real,
      instrument: words,
      who: text,
      takenAt: moment,
    }),
    at('angle_readings'),
  )
}
function defineHoles(at: At) {
  Penetration.init(
    own({
      id: key,
      boatId: text,
      number: whole,
      fittingId: { type: T.UUID, allowNull: true },
      part: maybeText,
      boltIndex: maybeWhole,
      whatFor: text,
      zone: text,
      xMm: real,
      yMm: real,
      zMm: real,
      diameterMm: real,
      through: text,
      fastener: text,
      plate: text,
      coreSchool: text,
      sealant: maybeText,
      belowWaterline: flag,
      found: flag,
      acrossMm: maybeReal,
      directionDeg: maybeReal,
      foundKind: maybeText,
      measuredFrom: { ...text, defaultValue: '' },
      createdAt: { type: T.DATE, allowNull: false, defaultValue: T.NOW },
      ...withdrawn,
    }),
    at('penetrations'),
  )
}
function defineRecord(at: At) {
  LifeEvent.init(
    own({
      id: { type: T.BIGINT, primaryKey: true, autoIncrement: true },
      penetrationId: whole,
      seq: whole,
      state: text,
      note: text,
      who: text,
      happenedAt: { type: T.DATE, allowNull: false },
      recordedAt: { type: T.DATE, allowNull: false, defaultValue: T.NOW },
      sizeMm: maybeReal,
      tempC: maybeReal,
      humidityPct: maybeReal,
      lotId: maybeWhole,
      evidence: text,
      gatesPassed: { type: T.ARRAY(T.TEXT), allowNull: false },
      gateReason: maybeText,
      corrects: maybeWhole,
    }),
    at('life_events'),
  )
}

/** Binds the models to one database. */
export function defineModels(sequelize: Sequelize) {
  const at: At = (tableName) => ({ sequelize, tableName })
  for (const define of [
    definePeople,
    defineShape,
    defineStores,
    defineFitting,
    defineWork,
    defineSurvey,
    defineHoles,
    defineRecord,
    defineHours,
    definePlans,
    defineSheets,
    defineStock,
    defineLooks,
    defineBoatsLife,
  ])
    define(at)
}
