import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { h } from 'vue'
import RowTable from '../src/pieces/RowTable.vue'

interface Row {
  id: number
  name: string
  mm: number
}
const ROWS: Row[] = [
  { id: 1, name: 'bolt 2', mm: 12 },
  { id: 2, name: 'bolt 10', mm: 8 },
  { id: 3, name: 'bolt 1', mm: 10 },
]
const COLUMNS = [
  { key: 'name', title: 'Hole', by: (r: Row) => r.name },
  { key: 'mm', title: 'Across', number: true, by: (r: Row) => r.mm },
  { key: 'act' },
]
const table = (more: object = {}) =>
  mount(RowTable as never, {
    props: { label: 'Holes', columns: COLUMNS, rows: ROWS, ...more } as never,
    slots: { act: ({ row, index }: { row: Row; index: number }) => h('i', `${row.id} at ${index}`) },
  })
const cells = (w: ReturnType<typeof table>, n: number) =>
  w.findAll('tbody tr').map((r) => r.findAll('td')[n]?.text() ?? '')
const head = (w: ReturnType<typeof table>, n: number) => w.findAll('thead th')[n]!

describe('a table of rows', () => {
  it('shows what a row has under a key, or what a slot makes of it, by its own place', () => {
    const w = table()
    expect(cells(w, 0)).toEqual(['bolt 2', 'bolt 10', 'bolt 1'])
    expect(cells(w, 2)).toEqual(['1 at 0', '2 at 1', '3 at 2'])
    expect(w.find('table').attributes('aria-label')).toBe('Holes')
    // a column without a title has a cell at the head, no empty head
    expect(w.findAll('thead th')).toHaveLength(2)
  })
  it('says with every cell what its column is, for where its rows stand up', () => {
    const cellsOf = table().find('tbody tr').findAll('td')
    expect(cellsOf.map((c) => c.attributes('data-head'))).toEqual(['Hole', 'Across', undefined])
  })
  it('is sorted by a press on its head, turned by the next, and says which way', async () => {
    const w = table()
    expect(head(w, 1).attributes('aria-sort')).toBe('none')
    await head(w, 1).find('button').trigger('click')
    expect(cells(w, 1)).toEqual(['8', '10', '12'])
    expect(head(w, 1).attributes('aria-sort')).toBe('ascending')
    // a slot still gets the place that the row has in the list it came from
    expect(cells(w, 2)).toEqual(['2 at 1', '3 at 2', '1 at 0'])
    await head(w, 1).find('button').trigger('click')
    expect(cells(w, 1)).toEqual(['12', '10', '8'])
    expect(head(w, 1).attributes('aria-sort')).toBe('descending')
  })
  it('says so when there is nothing', () => {
    const w = table({ rows: [], empty: 'No hole yet.' })
    expect(w.find('tbody').text()).toBe('No hole yet.')
    expect(w.find('tbody td').attributes('colspan')).toBe('3')
  })
  it('has no head where no column has a title', () => {
    expect(
      table({ columns: [{ key: 'name' }] })
        .find('thead')
        .exists(),
    ).toBe(false)
  })
})
