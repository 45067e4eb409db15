import { DataTypes, type Sequelize } from 'sequelize'
import {
  User,
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
  Photo,
  LifeEvent,
  Fitter,
  Hold,
  WeatherRow,
  PlanRow,
  PlanJobRow,
  Feed,
} from '.'

const T = DataTypes
const text = { type: T.TEXT, allowNull: false }
const maybeText = { type: T.TEXT, allowNull: true }
const real = { type: T.DOUBLE, allowNull: false }
const maybeReal = { type: T.DOUBLE, allowNull: true }
const whole = { type: T.INTEGER, allowNull: false }
const maybeWhole = { type: T.INTEGER, allowNull: true }
const flag = { type: T.BOOLEAN, allowNull: false }
const reals = { type: T.ARRAY(T.DOUBLE), allowNull: false }
const key = { type: T.INTEGER, primaryKey: true, autoIncrement: true }
const day = { type: T.DATEONLY, allowNull: true }
const version = { type: T.INTEGER, allowNull: false, defaultValue: 1 }
/** taken out of use with a reason, and kept */
const withdrawn = {
  withdrawnWhy: maybeText,
  withdrawnBy: maybeText,
  withdrawnAt: { type: T.DATE, allowNull: true },
}

const madeAt = { type: T.DATE, allowNull: false, defaultValue: T.NOW }
const big = { type: T.BIGINT, primaryKey: true, autoIncrement: true }
const words = { ...text, defaultValue: '' }
const moment = { type: T.DATE, allowNull: false }
const bytes = { type: T.BLOB, allowNull: false }
/** Which table, in which database. */
type At = (tableName: string) => { sequelize: Sequelize; tableName: string }
// Sequelize writes into what it is given, so each column gets its own copy.
const own = <A extends Record<string, object>>(columns: A): A =>
  Object.fromEntries(Object.entries(columns).map(([k, c]) => [k, { ...c }])) as A

function definePeople(at: At) {
  User.init(own({ id: key, login: text, name: text, role: text, passwordHash: text }), at('users'))
  BoatRole.init(
    own({
      userId: { type: T.INTEGER, primaryKey: true },
      boatId: { type: T.TEXT, primaryKey: true },
      role: text,
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
      recordedAt: { type: T.DATE, allowNull: true },
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
  Photo.init(
    own({
      id: big,
      boatId: text,
      subject: text,
      subjectId: text,
      caption: words,
      mime: text,
      width: whole,
      height: whole,
      sha256: text,
      original: bytes,
      large: bytes,
      small: bytes,
      who: text,
      takenAt: moment,
      ...withdrawn,
    }),
    at('photos'),
  )
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

function definePlan(at: At) {
  const json = { type: T.JSONB, allowNull: false }
  const anyDay = { type: T.DATEONLY, allowNull: false }
  const maybeAt = { type: T.DATE, allowNull: true }
  Fitter.init(
    own({
      id: key,
      name: text,
      hours: json,
      away: { ...json, defaultValue: [] },
      version,
      changedAt: madeAt,
    }),
    at('fitters'),
  )
  Hold.init(
    own({
      id: key,
      boatId: text,
      fittingId: { type: T.UUID, allowNull: true },
      zones: { type: T.ARRAY(T.TEXT), allowNull: true },
      by: text,
      what: text,
      from: text,
      since: anyDay,
      until: day,
      meanwhile: words,
      madeBy: text,
      endedAt: maybeAt,
      endedBy: maybeText,
      version,
      changedAt: madeAt,
    }),
    at('holds'),
  )
  WeatherRow.init(
    own({
      at: { type: T.TEXT, primaryKey: true },
      measured: { type: T.BOOLEAN, primaryKey: true },
      airC: real,
      humidityPct: real,
      windMs: real,
      rainMm: real,
      sun: real,
      cloud: real,
      source: text,
      saidAt: madeAt,
    }),
    at('weather_hours'),
  )
  PlanRow.init(
    own({
      id: key,
      state: text,
      ask: json,
      answer: json,
      why: words,
      beforeId: maybeWhole,
      madeBy: text,
      madeAt,
    }),
    at('plans'),
  )
  PlanJobRow.init(
    own({
      id: { type: T.UUID, primaryKey: true },
      ask: json,
      state: { ...text, defaultValue: 'waiting' },
      done: { ...whole, defaultValue: 0 },
      total: { ...whole, defaultValue: 0 },
      said: words,
      planId: maybeWhole,
      askedBy: text,
      askedAt: madeAt,
      beatAt: madeAt,
    }),
    at('plan_jobs'),
  )
  Feed.init(
    own({
      id: key,
      userId: whole,
      title: text,
      what: text,
      boatId: maybeText,
      onlyWho: maybeText,
      secretHash: text,
      madeAt,
      readAt: maybeAt,
      revokedAt: maybeAt,
    }),
    at('feeds'),
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
    definePlan,
  ])
    define(at)
}
