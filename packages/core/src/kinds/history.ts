import type { LogLine } from './work'

/** Designs of version 1 held what had happened too: ticks, orders, purchases, decisions. */
type Raw = Record<string, unknown>
const isRaw = (v: unknown): v is Raw => v !== null && typeof v === 'object' && !Array.isArray(v)
const text = (v: unknown) => (typeof v === 'string' ? v : '')
const figure = (v: unknown) => (typeof v === 'number' ? v : 0)
const line = (l: Partial<LogLine> & Pick<LogLine, 'kind' | 'at' | 'who'>): LogLine => ({
  value: null,
  note: '',
  ...l,
})

export const versionOf = (raw: unknown): number => (isRaw(raw) ? figure(raw.schemaVersion) : 0)

/** A design of version 1 as version 2: what was decided stays, what happened is left out. */
export function withoutHistory(raw: unknown): unknown {
  if (!isRaw(raw) || raw.schemaVersion !== 1) return raw
  const { ordered: _o, ticks: _t, bought: _b, ...design } = raw
  const plug = design.taperPlug
  if (isRaw(plug)) {
    const { decision: _d, reason: _r, ...measured } = plug
    design.taperPlug = measured
  }
  return { ...design, schemaVersion: 2 }
}

/** What a design of version 1 tells of the past, as lines of a log, oldest first. */
export function historyOf(raw: unknown): LogLine[] {
  if (!isRaw(raw) || raw.schemaVersion !== 1) return []
  const out: LogLine[] = []
  const { ordered, bought, ticks, taperPlug } = raw
  if (isRaw(bought))
    out.push(
      line({
        kind: 'purchase',
        at: text(bought.at),
        who: text(bought.by),
        data: { what: text(bought.what) },
      }),
    )
  if (isRaw(ordered))
    out.push(
      line({
        kind: 'order',
        at: text(ordered.at),
        who: text(ordered.by),
        note: text(ordered.what),
        data: { what: text(ordered.what), reason: text(ordered.reason) },
      }),
    )
  if (isRaw(ticks))
    for (const [step, t] of Object.entries(ticks))
      if (isRaw(t))
        out.push(line({ kind: 'tick', step, at: text(t.at), who: text(t.by), note: text(t.note) }))
  if (isRaw(taperPlug) && text(taperPlug.decision)) {
    const on = Object.fromEntries(['pitMm', 'wallMm', 'contactPct'].map((k) => [k, figure(taperPlug[k])]))
    const [decision, reason] = [text(taperPlug.decision), text(taperPlug.reason)]
    out.push(line({ kind: 'decision', at: '', who: '', data: { about: 'taper-plug', decision, reason, on } }))
  }
  return out.sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0))
}
