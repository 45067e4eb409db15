import { ApiError } from '../errors'
import { GONE } from './whole-boat-records'
import type { ReadBoat } from './whole-boat-shape'

export const bad = (path: string, message: string) => new ApiError(400, 'invalid-input', message, path)

function once(names: (string | number)[], path: string, what: string) {
  const seen = new Set<string | number>()
  names.forEach((n, i) => {
    if (seen.has(n)) throw bad(`${path}.${i}`, `${what} ${n} stands in the file twice`)
    seen.add(n)
  })
  return seen
}
type Names = Set<string | number>

function checkFittings(v: ReadBoat, lots: Names) {
  v.fittings.forEach((f, i) => {
    for (const key of ['replaces', 'group'] as const) {
      const named = f[key]
      const at = named === null ? -1 : v.fittings.findIndex((o) => o.key === named)
      if (named !== null && (at < 0 || at >= i))
        throw bad(`fittings.${i}.${key}`, `"${named}" is no fitting that stands before it in this file`)
    }
    f.log.forEach((l, k) => {
      if (l.lot !== null && !lots.has(l.lot))
        throw bad(`fittings.${i}.log.${k}.lot`, `"${l.lot}" is no lot of this file`)
    })
  })
}
function checkHoles(v: ReadBoat, keys: Names, lots: Names) {
  v.holes.forEach((h, i) => {
    if (h.fitting !== null && !keys.has(h.fitting))
      throw bad(`holes.${i}.fitting`, `"${h.fitting}" is no fitting of this file`)
    if ((h.fitting === null) !== (h.part === null))
      throw bad(`holes.${i}.part`, 'A hole of a fitting says which of its holes it is, and no other does')
    h.events.forEach((e, k) => {
      const path = `holes.${i}.events.${k}`
      if (e.seq !== k + 1)
        throw bad(`${path}.seq`, `${e.seq} was given; events are numbered from 1 without a gap`)
      if (e.lot !== null && !lots.has(e.lot)) throw bad(`${path}.lot`, `"${e.lot}" is no lot of this file`)
      if (e.gatesPassed.length && !e.gateReason?.trim())
        throw bad(`${path}.gateReason`, 'A gate was passed here and no reason is given')
    })
  })
}
function checkPhotos(v: ReadBoat, keys: Names, zones: Names, numbers: Names) {
  v.photos.forEach((p, i) => {
    const found =
      p.subject === 'boat' ||
      (p.subject === 'zone' && zones.has(p.of)) ||
      (p.subject === 'fitting' && (p.of === GONE || keys.has(p.of))) ||
      (p.subject === 'hole' && numbers.has(Number(p.of))) ||
      (p.subject === 'reading' && v.readings[Number(p.of)] !== undefined)
    if (!found) throw bad(`photos.${i}.of`, `"${p.of}" is no ${p.subject} of this file`)
  })
}

function checkRecords(v: ReadBoat, keys: Names, numbers: Names) {
  const known = (of: string, path: string) => {
    const hole = /^hole (\d+)$/.exec(of)
    if (of !== GONE && !keys.has(of) && !(hole && numbers.has(Number(hole[1]))))
      throw bad(path, `"${of}" is no fitting and no hole of this file`)
  }
  v.leaks.forEach((l, i) => {
    if (l.causeOf !== null) known(l.causeOf, `leaks.${i}.causeOf`)
    for (const of of Object.keys(l.drip.seen)) known(of, `leaks.${i}.drip.seen.${of}`)
    l.tests.forEach((t, k) => t.on.forEach((of, j) => known(of, `leaks.${i}.tests.${k}.on.${j}`)))
  })
  v.proofs.forEach((p, i) => p.things.forEach((x, k) => known(x.of, `proofs.${i}.things.${k}.of`)))
  v.notes.forEach((n, i) => n.fitting !== null && known(n.fitting, `notes.${i}.fitting`))
}
/** A clock that runs ahead is not yet a forged record; a day ahead of ours is. */
const AHEAD_MS = 24 * 3_600_000
/** What a file says has happened has happened, and somebody did it. */
function checkTimes(v: ReadBoat) {
  const latest = Date.now() + AHEAD_MS
  const past = (at: string, path: string) => {
    if (Date.parse(at) > latest)
      throw bad(path, `${at} has not been yet; a time until now is accepted for what has happened`)
  }
  const named = (who: string, path: string) => {
    if (!who.trim()) throw bad(path, 'Nobody is named here who did it')
  }
  v.fittings.forEach((f, i) =>
    f.log.forEach((l, k) => {
      past(l.at, `fittings.${i}.log.${k}.at`)
      named(l.who, `fittings.${i}.log.${k}.who`)
    }),
  )
  v.holes.forEach((h, i) =>
    h.events.forEach((e, k) => {
      const path = `holes.${i}.events.${k}`
      past(e.happenedAt, `${path}.happenedAt`)
      past(e.recordedAt, `${path}.recordedAt`)
      named(e.who, `${path}.who`)
    }),
  )
  v.readings.forEach((r, i) => past(r.takenAt, `readings.${i}.takenAt`))
  v.photos.forEach((p, i) => past(p.takenAt, `photos.${i}.takenAt`))
  v.proofs.forEach((p, i) => past(p.at, `proofs.${i}.at`))
  v.leaks.forEach((l, i) => past(l.madeAt, `leaks.${i}.madeAt`))
}

/** What names another row has to find it, said before anything is written. */
export function checkLinks(v: ReadBoat) {
  const named = <T>(list: T[], name: (row: T) => string | number, path: string, what: string) =>
    once(list.map(name), path, what)
  const zones = named(v.zones, (q) => q.code, 'zones', 'Zone')
  const keys = named(v.fittings, (f) => f.key, 'fittings', 'Fitting')
  const numbers = named(v.holes, (h) => h.number, 'holes', 'Hole')
  const lots = named(v.lots, (l) => l.code, 'lots', 'Lot')
  const ofFittings = v.holes.filter((h) => h.fitting !== null)
  named(ofFittings, (h) => `${h.fitting} ${h.part}`, 'holes', 'The hole of')
  v.readings.forEach((r, i) => {
    if (r.zone !== null && !zones.has(r.zone))
      throw bad(`readings.${i}.zone`, `"${r.zone}" is no zone of this file`)
  })
  checkFittings(v, lots)
  checkHoles(v, keys, lots)
  checkRecords(v, keys, numbers)
  checkPhotos(v, keys, zones, numbers)
  checkTimes(v)
}
