import dayjs from 'dayjs'
import type { Transaction } from 'sequelize'
import { Boat, BoatRole, Lot, Station, StructurePart, User, Zone, ZoneLayer } from '../models'
import { hashPassword } from '../services/password'
import { DEMO_BOATS, type DemoBoat, type DemoZone } from './boats'

/** Accounts of the demo by role; the passwords are in the README, for this is a demo. */
export const DEMO_ACCOUNTS = [
  { login: 'manager', name: 'Isa Rendall', role: 'manager', password: 'tide-manager' },
  { login: 'fitter', name: 'Tam Corrigall', role: 'fitter', password: 'tide-fitter' },
  {
    login: 'apprentice',
    name: 'Jo Linklater',
    role: 'apprentice',
    password: 'tide-apprentice',
  },
  { login: 'owner', name: 'M. Halcro', role: 'owner', boat: 'fulmars-reach', password: 'tide-owner' },
  {
    login: 'surveyor',
    name: 'A. Ingsay',
    role: 'surveyor',
    boat: 'fulmars-reach',
    password: 'tide-surveyor',
  },
] as const

/** from the Wednesday of week 15 to the Saturday of week 22 */
const LAUNCH_IN_DAYS = 52
const days = (n: number) => dayjs().add(n, 'day').format('YYYY-MM-DD')
const LOTS = [
  {
    code: 'TC-B20-114',
    title: 'Butyl tape, 20 mm',
    chemistry: 'butyl',
    kind: 'sealant',
    openedOn: days(-30),
    expiresOn: days(900),
    storedHot: false,
    quantity: 11,
    unit: 'm',
  },
  {
    code: 'TC-PM-0387',
    title: 'Polyurethane, medium hold, 300 ml',
    chemistry: 'pu-medium',
    kind: 'sealant',
    openedOn: null,
    expiresOn: days(9),
    storedHot: false,
    quantity: 3,
    unit: 'tubes',
  },
  {
    code: 'TC-PM-0290',
    title: 'Polyurethane, medium hold, 300 ml',
    chemistry: 'pu-medium',
    kind: 'sealant',
    openedOn: days(-200),
    expiresOn: days(-41),
    storedHot: false,
    quantity: 1,
    unit: 'tube',
  },
  {
    code: 'TC-HY-0512',
    title: 'Silyl-modified polymer, 300 ml',
    chemistry: 'hybrid',
    kind: 'sealant',
    openedOn: null,
    expiresOn: days(260),
    storedHot: false,
    quantity: 6,
    unit: 'tubes',
  },
  {
    code: 'TC-PS-0066',
    title: 'Polysulfide, 300 ml',
    chemistry: 'polysulfide',
    kind: 'sealant',
    openedOn: null,
    expiresOn: days(120),
    storedHot: true,
    quantity: 2,
    unit: 'tubes',
  },
  {
    code: 'TC-EP-2201',
    title: 'Epoxy 2:1 with slow and fast hardener',
    chemistry: 'epoxy',
    kind: 'epoxy',
    openedOn: days(-12),
    expiresOn: days(320),
    storedHot: false,
    quantity: 4,
    unit: 'kg',
  },
  {
    code: 'TC-EP-2054',
    title: 'Epoxy 2:1, old drum',
    chemistry: 'epoxy',
    kind: 'epoxy',
    openedOn: days(-400),
    expiresOn: days(-20),
    storedHot: false,
    quantity: 1,
    unit: 'kg',
  },
] as const

type Into = { transaction: Transaction }
async function seedBoat(b: DemoBoat, t: Into) {
  const { stations: _s, zones: _z, parts: _p, ...boat } = b
  await Boat.create({ ...boat, launchOn: b.isMain ? days(LAUNCH_IN_DAYS) : null }, t)
  await Station.bulkCreate(
    b.stations.map(([xMm, halfBreadthMm, sheerMm, keelMm]) => ({
      boatId: b.id,
      xMm,
      halfBreadthMm,
      sheerMm,
      keelMm,
    })),
    t,
  )
  for (const z of b.zones) await seedZone(b.id, z, t)
  await StructurePart.bulkCreate(
    b.parts.map(([kind, title, x0Mm, y0Mm, x1Mm, y1Mm, belowMm, depthMm, widthMm]) => ({
      boatId: b.id,
      kind,
      title,
      x0Mm,
      y0Mm,
      x1Mm,
      y1Mm,
      belowMm: belowMm ?? null,
      depthMm: depthMm ?? null,
      widthMm: widthMm ?? null,
    })),
    t,
  )
}
async function seedZone(boatId: string, z: DemoZone, t: Into) {
  const zone = await Zone.create(
    {
      boatId,
      code: z.code,
      title: z.title,
      face: z.face,
      kind: z.kind,
      zMm: z.zMm,
      outlineX: z.outline.map((p) => p.xMm),
      outlineY: z.outline.map((p) => p.yMm),
      stacking: z.stacking ?? 0,
      reach: z.reach ?? '',
      reachKind: z.reachKind ?? 'unknown',
      atXMm: z.atXMm ?? null,
      state: z.state ?? '',
      deadriseX: (z.deadrise ?? []).map(([x]) => x),
      deadriseDeg: (z.deadrise ?? []).map(([, deg]) => deg),
    },
    t,
  )
  await ZoneLayer.bulkCreate(
    z.layers.map(([material, thicknessMm, measured, by], seq) => ({
      zoneId: zone.id,
      seq,
      material,
      thicknessMm,
      measured,
      measuredBy: by ?? '',
    })),
    t,
  )
}

/** The boats as drawn, who works in the yard, and what stands in its stores. */
export async function seedYard(transaction: Transaction) {
  const t = { transaction }
  for (const b of DEMO_BOATS) await seedBoat(b, t)
  for (const a of DEMO_ACCOUNTS) {
    const passwordHash = await hashPassword(a.password)
    const u = await User.create({ login: a.login, name: a.name, role: a.role, passwordHash }, t)
    if ('boat' in a) await BoatRole.create({ userId: u.id, boatId: a.boat, role: a.role }, t)
  }
  await Lot.bulkCreate(
    LOTS.map((l) => ({ ...l, testedOn: null })),
    t,
  )
}
