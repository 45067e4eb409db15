import { describe, expect, it } from 'vitest'
import { catalogueEntry, startDesign } from '@north-tide/core'
import { draggedTo, pointOf } from '../src/kinds/deck-hardware/load-fields'

/** Dragging where a load acts, and dragging an edge. */
const d = startDesign(
  catalogueEntry('HG-C250')!,
  {
    zone: null,
    xMm: 0,
    yMm: 0,
    zMm: 0,
    edgeMm: null,
    structure: { kind: 'solid', skin: { laminate: 'mat' }, thicknessMm: 8 },
    measured: [],
    duty: 'coastal',
    belowWaterline: false,
  },
  'cleat',
)
const loadOf = (path: string, mm: number, from = d) => draggedTo(from, path, mm).load as typeof d.load

describe('a drag', () => {
  it('of an edge changes that figure and nothing else', () => {
    expect(draggedTo(d, 'plate.thicknessMm', 10)).toEqual({ 'plate.thicknessMm': 10 })
  })
  it('upwards over the middle is a height; to the side it becomes a point', () => {
    expect(loadOf('load.point.z', 90)).toMatchObject({ heightMm: 90 })
    expect(loadOf('load.point.z', 90).pointMm).toBeUndefined()
    const aside = loadOf('load.point.y', 40)
    expect(aside.pointMm).toMatchObject({ x: 0, y: 40 })
    expect(aside.heightMm).toBeUndefined()
    const back = loadOf('load.point.y', 0, { ...d, load: aside })
    expect(back.pointMm).toBeUndefined()
    expect(back.heightMm).toBe(pointOf(d.load).z)
  })
})
