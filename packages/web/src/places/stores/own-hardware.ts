import type { CatalogueEntry, Family } from '@north-tide/core'

/** Hardware of the yard's own, and the form in which it is drawn. */
export type Own = CatalogueEntry & { outline: { xMm: number; yMm: number }[]; own: true; version: number }

export const blankHardware = (units: 'metric' | 'inch') => ({
  id: '',
  title: '',
  maker: 'the yard',
  family: 'bracket' as Family,
  face: 'stainless' as const,
  round: false,
  lengthMm: 100 as number | null,
  widthMm: 60 as number | null,
  diameterMm: 80 as number | null,
  thicknessMm: 6 as number | null,
  bodyHeightMm: 40 as number | null,
  sizes: ['M8'] as string[],
  head: 'hex' as 'hex' | 'countersunk',
  ratedN: null as number | null,
  units,
  pipeMm: null as number | null,
  holes: [
    { x: '-35', y: '0' },
    { x: '35', y: '0' },
  ],
  outline: [] as { xMm: number; yMm: number }[],
})
export type HardwareForm = ReturnType<typeof blankHardware>

/** What stands in the list as its form has it; `text` writes a length as it is typed. */
export const formOf = (h: Own, text: (mm: number) => string): Partial<HardwareForm> => ({
  id: h.id,
  title: h.title,
  maker: h.maker,
  family: h.family,
  face: h.face as 'stainless',
  sizes: [...h.sizes],
  head: h.head as HardwareForm['head'],
  ratedN: h.ratedN,
  units: h.units,
  pipeMm: h.pipeMm ?? null,
  outline: h.outline,
  round: 'diameterMm' in h.base,
  ...h.base,
  holes: h.bolts.map((b) => ({ x: text(b.xMm), y: text(b.yMm) })),
})

/** As it is sent; a hole that cannot be read is said to be. `read` is null where it cannot. */
export function sentOf(form: HardwareForm, read: (typed: string) => number | null, version: number) {
  const { id, title, maker, family, face, sizes, head, ratedN, units, pipeMm, outline } = form
  const { thicknessMm, bodyHeightMm, diameterMm, lengthMm, widthMm } = form
  const bolts = form.holes.map((h, i) => {
    const [xMm, yMm] = [read(h.x), read(h.y)]
    if (xMm === null || yMm === null)
      throw new Error(`Hole ${i + 1}: “${xMm === null ? h.x : h.y}” cannot be read; a length is accepted`)
    return { xMm, yMm }
  })
  const heights = { thicknessMm, bodyHeightMm }
  return {
    ...{ id, title, maker, family, face, bolts, sizes, head, ratedN, units, pipeMm, outline, version },
    base: form.round ? { diameterMm, ...heights } : { lengthMm, widthMm, ...heights },
  }
}
/** One that was taken away, as it is sent to stand again. */
export const againOf = ({ own: _own, ...h }: Own) => ({ ...h, pipeMm: h.pipeMm ?? null, version: 0 })
