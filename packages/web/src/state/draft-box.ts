export interface Draft<D> {
  version: number
  design: D
  at: string
}
/** Drafts that are kept on this machine until the server has them. */
export function draftBox<D>(prefix: string) {
  const key = (id: string) => `north-tide:${prefix}:${id}`
  return {
    undoKey: (id: string) => `${key(id)}:undo`,
    keep: (id: string, version: number, design: D) =>
      localStorage.setItem(
        key(id),
        JSON.stringify({ version, design, at: new Date().toISOString() } satisfies Draft<D>),
      ),
    left: (id: string): Draft<D> | null => {
      const raw = localStorage.getItem(key(id))
      return raw ? (JSON.parse(raw) as Draft<D>) : null
    },
    drop: (id: string) => localStorage.removeItem(key(id)),
  }
}
