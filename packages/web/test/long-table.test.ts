import { mount } from '@vue/test-utils'
import { nextTick } from 'vue'
import { describe, expect, it } from 'vitest'
import { h } from 'vue'
import LongTable from '../src/pieces/LongTable.vue'

interface Row {
  id: number
  name: string
  mm: number
}
const ROWS: Row[] = Array.from({ length: 5000 }, (_, i) => ({
  id: i + 1,
  name: `hole ${i + 1}`,
  mm: 5000 - i,
}))
const COLUMNS = [
  { key: 'label', title: 'No.', width: 80 },
  {
    key: 'name',
    title: 'What for',
    width: 150,
    wide: true,
    says: (r: Row) => r.name,
    below: () => 'foredeck',
  },
  { key: 'mm', title: 'Size', width: 90, figure: true, says: (r: Row) => `${r.mm} mm`, by: (r: Row) => r.mm },
]
const table = (more: object = {}) =>
  mount(LongTable as never, {
    attachTo: document.body,
    props: { label: 'Holes', columns: COLUMNS, rows: ROWS, ...more } as never,
    slots: { cell: ({ row }: { row: Row }) => h('a', { href: `#${row.id}` }, `P-${row.id}`) },
  })
const rows = (w: ReturnType<typeof table>) => w.findAll('[role=row]').slice(1)

describe('a long table', () => {
  it('draws what is in view of thousands, and says how many there are and which each is', () => {
    const w = table()
    expect(rows(w).length).toBeLessThan(20)
    expect(w.find('[role=table]').attributes('aria-rowcount')).toBe('5001')
    expect(rows(w)[0]!.attributes('aria-rowindex')).toBe('2')
    expect(rows(w)[0]!.text()).toBe('P-1hole 1 foredeck5000 mm')
    w.unmount()
  })
  it('is sorted as a whole, and the arrow keys go from link to link', async () => {
    const w = table()
    await w.findAll('[role=columnheader]')[2]!.find('button').trigger('click')
    expect(rows(w)[0]!.text()).toContain('1 mm')
    expect(w.findAll('[role=columnheader]')[2]!.attributes('aria-sort')).toBe('ascending')
    const links = w.findAll<HTMLAnchorElement>('[role=cell] a')
    links[0]!.element.focus()
    await links[0]!.trigger('keydown', { key: 'ArrowDown' })
    expect(document.activeElement).toBe(links[1]!.element)
    w.unmount()
  })
  it('opens a row by a press anywhere in it, and shows which is open and which is a head', async () => {
    const w = table({ on: 2, head: (r: Row) => r.id === 1 })
    expect(rows(w)[0]!.classes()).toContain('over')
    expect(rows(w)[1]!.classes()).toContain('on')
    await rows(w)[1]!.trigger('click')
    expect(w.emitted('open')).toEqual([[ROWS[1]]])
    w.unmount()
  })
  it('is as long as it is on paper', async () => {
    const w = table({ rows: ROWS.slice(0, 40) })
    window.dispatchEvent(new Event('beforeprint'))
    await nextTick()
    expect(w.findAll('tbody tr')).toHaveLength(40)
    window.dispatchEvent(new Event('afterprint'))
    await nextTick()
    expect(rows(w).length).toBeLessThan(20)
    w.unmount()
  })
})
