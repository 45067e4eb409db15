import { edgePath, lengthOf } from '@north-tide/core/row'
import type { Account } from '../services/access'
import { stationsOf } from '../services/boats'
import { copyFitting } from '../services/copies'
import { addFound } from '../services/found'
import { setMembers } from '../services/members'
import { put } from './placed'

const along = async (boatId: string, fromX: number, toX: number, inMm: number, zMm?: number) => {
  const path = edgePath(await stationsOf(boatId), 'port', fromX, toX, inMm)
  return {
    path: zMm === undefined ? path : path.map((p) => ({ ...p, zMm })),
    fromMm: 0,
    toMm: Math.floor(lengthOf(path)),
  }
}
/** Stanchions round the bulkheads and knees, port side set out, its twin not yet (chapter 13). */
async function seedStanchions(fitter: Account) {
  const line = await along('fulmars-reach', 3300, 7300, 150)
  const first = line.path[0]!
  const port = await put(fitter, [
    'fulmars-reach',
    { catalogueId: 'HG-ROW-S25', name: 'Stanchions, port', xMm: first.xMm, yMm: first.yMm },
    {
      ...line,
      ends: 'free',
      keepouts: [
        { name: 'Wheelhouse knee', fromMm: 1180, toMm: 1240, marginMm: 20 },
        { name: 'Fuel filler', fromMm: 2960, toMm: 3060, marginMm: 20 },
      ],
      bends: [
        { at: 1, deg: 93.4 },
        { at: 2, deg: 92.8 },
      ],
    },
  ])
  await setMembers(fitter, port)
  await copyFitting(fitter, port, { mirror: true, name: 'Stanchions, starboard' })
}
const OLD_PITCH_MM = 160
const OLD_COUNT = 44
/** A strake over the fasteners of the one before it: 44 of them, every fifth cut off. */
async function seedStrake(fitter: Account) {
  const line = await along('tarn-runner', 700, 7600, 0)
  const first = line.path[0]!
  await put(fitter, [
    'tarn-runner',
    {
      catalogueId: 'HG-ROW-RS30',
      name: 'Rubbing strake, port',
      xMm: first.xMm,
      yMm: first.yMm,
      zone: 'sides',
    },
    {
      ...line,
      'strip.easy': { chordMm: 6900, sagittaMm: 210 },
      'strip.material': 'al-5083',
      'bedding.face': 'aluminium',
    },
  ])
  const at = edgePath(await stationsOf('tarn-runner'), 'port', 700, 700 + OLD_PITCH_MM * (OLD_COUNT - 1), 0)
  for (let i = 0; i < OLD_COUNT; i++) {
    const x = 700 + i * OLD_PITCH_MM
    const near = at.reduce((best, p) => (Math.abs(p.xMm - x) < Math.abs(best.xMm - x) ? p : best))
    await addFound(fitter, 'tarn-runner', {
      foundKind: i % 5 === 4 ? 'cut-off rivet' : 'old fastener',
      whatFor: `Old strake, fastener ${i + 1}`,
      diameterMm: 5,
      xMm: x,
      yMm: near.yMm,
      state: 'suspect',
      note: i % 5 === 4 ? 'cut off flush' : '',
    })
  }
}
/** A track as a run of bolts in inches round the foredeck's bulkhead. */
const seedTrack = (fitter: Account) =>
  put(fitter, [
    'pipit',
    { catalogueId: 'HG-ROW-TR4I', name: 'Barber-hauler track, starboard', xMm: 3000, yMm: 720 },
    { 'bedding.sealant': 'butyl' },
  ])

export async function seedRows(fitter: Account): Promise<void> {
  await seedStanchions(fitter)
  await seedStrake(fitter)
  await seedTrack(fitter)
}
