import { boltPart, historyOf, lifeStateOf, type LogLine } from '@north-tide/core'

/**
 * Boat files of earlier versions as version 4. Version 3 had less, and nothing otherwise. Of versions 1 and
 * 2: through-hulls stand among the fittings, what had happened leaves the designs for the log, a hole names
 * its part, states of life are ids. What is not as those versions had it is left as it is, for the reading to
 * say what is wrong.
 */
type Raw = Record<string, unknown>
const isRaw = (v: unknown): v is Raw => v !== null && typeof v === 'object' && !Array.isArray(v)
const rows = (v: unknown): unknown[] => (Array.isArray(v) ? v : [])
const each = (v: unknown, change: (r: Raw) => Raw): unknown =>
  Array.isArray(v) ? v.map((r) => (isRaw(r) ? change(r) : r)) : v

const TAKEN_BACK = 'taken back: '
const blank = { step: '', value: null, lot: null, tempC: null, humidityPct: null, sizeMm: null }
function logRow(l: Raw): Raw {
  const note = typeof l.note === 'string' ? l.note : ''
  const undoes = (l.kind === 'tick' || l.kind === 'order') && note.startsWith(TAKEN_BACK)
  return { ...blank, ...l, undoes, data: null }
}
const fromHistory = (l: LogLine, f: Raw): Raw => ({
  ...blank,
  kind: l.kind,
  step: l.step ?? '',
  note: l.note,
  who: l.who || f.updatedBy,
  at: /^\d{4}-\d\d-\d\dT/.test(l.at) ? l.at : f.updatedAt,
  undoes: false,
  data: l.data ?? null,
})
/** What the design tells goes into the line that tells the same, or becomes one where there is none. */
function withHistory(log: Raw[], f: Raw): Raw[] {
  const out = [...log]
  for (const l of historyOf(f.design)) {
    const at = out.findLastIndex((o) => o.kind === l.kind && (o.step || '') === (l.step ?? '') && !o.undoes)
    if (at < 0) out.push(fromHistory(l, f))
    else if (l.data) out[at] = { ...out[at]!, data: l.data }
  }
  return out
}
const fittingRow =
  (kind: string) =>
  (f: Raw): Raw => ({
    replaces: null,
    ...f,
    kind,
    log: withHistory(rows(f.log).filter(isRaw).map(logRow), f),
  })

function holeRow(h: Raw): Raw {
  const { hull, ...rest } = h
  const bolt = typeof h.boltIndex === 'number' ? boltPart(h.boltIndex) : null
  const own = h.fitting ?? null
  const part = own !== null ? (bolt ?? 'pipe') : hull ? (bolt ?? 'bore') : null
  return {
    ...rest,
    fitting: own ?? hull ?? null,
    part,
    events: each(h.events, (e) => ({
      ...e,
      state: typeof e.state === 'string' ? lifeStateOf(e.state) : e.state,
    })),
  }
}

function toThird(raw: Raw): Raw {
  const { hull, ...rest } = raw
  const deck = each(raw.fittings, fittingRow('deck-hardware'))
  const below = each(hull ?? [], fittingRow('through-hull'))
  return {
    ...rest,
    version: 3,
    fittings: Array.isArray(deck) && Array.isArray(below) ? [...deck, ...below] : deck,
    holes: each(raw.holes, holeRow),
  }
}
export function upgradeBoat(raw: unknown): unknown {
  if (!isRaw(raw)) return raw
  const third = raw.version === 1 || raw.version === 2 ? toThird(raw) : raw
  return third.version === 3 ? { ...third, version: 4 } : third
}
