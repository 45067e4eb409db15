import { expect, test } from '@playwright/test'
import AxeBuilder from '@axe-core/playwright'
import { check, enter, saved } from './hands'

test('a hatch between two beams: placed from the map, moved clear, its pane mended, cut out on paper and on record', async ({
  page,
}) => {
  await enter(page)
  await page.getByRole('button', { name: /New fitting here/ }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('an opening: hatch, portlight, lid').check()
  await dialog.getByLabel('x, aft of the stem').fill('8980')
  await dialog.getByLabel('y, to starboard').fill('0')
  await dialog.getByLabel('What goes here').fill('hatch 520')
  await dialog.getByLabel('Name').fill('Hatch of the journey')
  await dialog.getByRole('button', { name: 'Put CL-H52 there' }).click()
  await expect(page.getByLabel('Verdicts', { exact: true })).toBeVisible()
  const id = page.url().split('/').at(-1)!

  // Beams stand at 8680 and 9300: forty millimetres too far forward.
  const room = check(page, 'room-member')
  await expect(room).toContainText('20 mm forward clears the deck beam')
  await room.getByRole('button', { name: /^10 mm aft/ }).click()
  await expect(page.getByLabel('x, aft')).toHaveValue('8990')
  await expect(room).toContainText('30 mm forward clears the deck beam')

  // On the boat round it it is moved by its grip, and put by what was measured; undo takes both back.
  await page.getByText('On the boat', { exact: true }).click()
  await page.getByRole('slider', { name: /place, aft/ }).press('ArrowRight')
  await expect(page.getByLabel('x, aft')).toHaveValue('8990.5')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await page.getByLabel('Put it by measures').fill('9 m aft of the stern')
  await page.getByRole('button', { name: 'Put it there' }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'is not known here' })).toBeVisible()
  await page.getByLabel('Put it by measures').fill('8992 aft of the stem, 0 to port of the centreline')
  await page.getByRole('button', { name: 'Put it there' }).click()
  await expect(page.getByText(/Measured: 8.?992 mm aft of stem/)).toBeVisible()
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.getByLabel('x, aft')).toHaveValue('8990')
  await page.getByText('From outside', { exact: true }).click()

  // A wrong entry is refused beside the field, and nothing that stood there is lost.
  await page.getByLabel('Corner radius').fill('soft')
  await page.getByLabel('Corner radius').blur()
  await expect(page.getByRole('alert').filter({ hasText: 'soft' })).toBeVisible()
  await page.getByLabel('Corner radius').fill('20')
  await expect(check(page, 'corner-radius')).toContainText('Short')
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(check(page, 'corner-radius')).toContainText('Holds')

  const pane = check(page, 'pane-deflection')
  await expect(pane).toContainText('Short')
  await page.getByLabel('Its maker proves').fill('tested to 40 kPa on this frame')
  await expect(check(page, 'pane-proof')).toContainText('tested to 40 kPa')
  await expect(pane).toHaveCount(0)
  await saved(page)

  await page.reload()
  await expect(check(page, 'pane-proof')).toBeVisible()
  await page.getByText('Cut through the edge', { exact: true }).click()
  await expect(
    page.getByRole('group', { name: /The edge of Hatch of the journey: flange 32 mm/ }),
  ).toBeVisible()
  await page.getByRole('tab', { name: 'Templates' }).click()
  await expect(page.getByRole('row', { name: /^corner 4/ })).toContainText('120 mm')
  for (const [kind, begins] of [
    ['pdf', '%PDF'],
    ['svg', '<svg'],
    ['dxf', ' '],
  ] as const) {
    const got = await page.request.get(`/api/fittings/${id}/template.${kind}?what=cut-out&units=metric`)
    expect(got.status(), kind).toBe(200)
    expect((await got.body()).toString('latin1').trimStart()).toContain(begins.trim())
  }
  // What the page offers as mirrored is mirrored, file by file.
  const mirrored = page.locator('p', { hasText: 'Mirrored, from inside' })
  const plain = page.locator('p', { hasText: 'Full size:' })
  for (const name of ['SVG', 'DXF']) {
    const [from, to] = await Promise.all(
      [plain, mirrored].map(async (p) =>
        page.request.get((await p.getByRole('link', { name, exact: true }).getAttribute('href'))!),
      ),
    )
    expect([from!.status(), to!.status()]).toEqual([200, 200])
    expect(await from!.text()).toContain('seen from outside')
    expect(await to!.text()).toContain('seen from inside, mirrored')
  }
  const faults = (await new AxeBuilder({ page }).analyze()).violations.map(
    (v) => `${v.id}: ${v.nodes[0]?.target}`,
  )
  expect(faults).toEqual([])

  await page.getByRole('tab', { name: 'Work' }).click()
  await page.getByRole('button', { name: 'Record its hole' }).click()
  await page.getByRole('link', { name: /In the register: P-/ }).click()
  await expect(page.getByText('520 mm by 520 mm, corners 60 mm', { exact: false }).first()).toBeVisible()

  // In the bilge with a phone: the steps read, nothing runs over the edge.
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto(`/bench/${id}`)
  await expect(page.getByText(/Saw the four corner holes, 120 mm across/)).toBeVisible()
  expect(
    await page.evaluate<number>('document.documentElement.scrollWidth - innerWidth'),
  ).toBeLessThanOrEqual(0)
})

test('cables through the collision bulkhead: named, lifted over the flood, lined with epoxy, each hole on record', async ({
  page,
}) => {
  await enter(page)
  const boat = await page.request.get('/api/boats/fulmars-reach')
  const { fittings } = (await boat.json()) as { fittings: { id: string; name: string }[] }
  const id = fittings.find((f) => f.name === 'Cables through the collision bulkhead')!.id
  await page.goto(`/bench/${id}`)

  // A cable that no insert of the size takes is short; the smallest gland that does is found.
  const cables = check(page, 'gland-cables')
  await page.getByLabel('Cable 1, across').nth(1).fill('15')
  await page.getByLabel('Cable 1, across').nth(1).blur()
  await expect(cables).toContainText('windlass remote 15')
  await expect(cables).toContainText('gland 2, M25')
  await page.getByLabel('Cable 1, across').nth(1).fill('thick')
  await page.getByLabel('Cable 1, across').nth(1).blur()
  await expect(page.getByRole('alert').filter({ hasText: 'thick' })).toBeVisible()
  await expect(cables).toContainText('windlass remote 15')
  await page.keyboard.press('Escape')

  const height = check(page, 'gland-height')
  await expect(height).toContainText('kg of water')
  await page.getByLabel('Water would stand at').fill('700')
  await page.keyboard.press('Tab')
  await expect(height).toContainText('Short')
  await height.getByRole('button', { name: /^\d+ mm higher/ }).click()
  await expect(height).toContainText('Holds')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(height).toContainText('Short')
  await page.getByRole('button', { name: 'Redo', exact: true }).click()
  await expect(height).toContainText('Holds')
  await saved(page)

  await page.reload()
  await expect(check(page, 'gland-height')).toContainText('Holds')
  await page.getByText('Cut through the bulkhead', { exact: true }).click()
  await expect(
    page.getByRole('group', { name: /hole 32.5 mm in a bore of 44 mm, through 18 mm/ }),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Record its hole' }).click()
  await page.getByRole('link', { name: /In the register: P-/ }).click()
  await expect(page.getByText('gland M32: navigation lights 6 mm, anchor camera 8 mm').first()).toBeVisible()

  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto(`/bench/${id}`)
  await expect(page.getByText(/Bore gland 1: 44 mm, gland 2: 35 mm/)).toBeVisible()
  expect(
    await page.evaluate<number>('document.documentElement.scrollWidth - innerWidth'),
  ).toBeLessThanOrEqual(0)
})

test('a prism brought flush to three tenths: low it ponds, its bed mends it, its solid is on the list', async ({
  page,
}) => {
  await enter(page)
  await page.getByRole('button', { name: /New fitting here/ }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('an opening: hatch, portlight, lid').check()
  await dialog.getByLabel('x, aft of the stem').fill('2280')
  await dialog.getByLabel('y, to starboard').fill('480')
  await dialog.getByLabel('What goes here').fill('prism 250')
  await dialog.getByLabel('Name').fill('Prism of the journey')
  await dialog.getByRole('button', { name: 'Put CL-D25 there' }).click()
  const flush = check(page, 'prism-flush')
  await expect(flush).toContainText('Holds')
  await page.getByLabel('Bead', { exact: true }).fill('3')
  await expect(flush).toContainText('Short')
  await flush.getByRole('button', { name: /mm thick/ }).click()
  await expect(flush).toContainText('Holds')
  await saved(page)
  await page.reload()
  await expect(check(page, 'prism-flush')).toContainText('Holds')
  await expect(page.getByRole('cell', { name: /Sheet under the glass/ })).toBeVisible()
  await expect(page.getByText(/Rout the outer skin and the core away over the solid/)).toBeVisible()
  const card = await page.request.get(`/api/fittings/${page.url().split('/').at(-1)}/card.pdf?units=inch`)
  expect([card.status(), card.headers()['content-type']]).toEqual([200, 'application/pdf'])
})

test('two portlights as a pair in inches: one worked out, its twin on the other side, each on record', async ({
  page,
}) => {
  await enter(page)
  await page.goto('/boat/pipit')
  await page.getByRole('button', { name: /New fitting here/ }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('an opening: hatch, portlight, lid').check()
  await dialog.getByLabel('x, aft of the stem').fill('60')
  await dialog.getByLabel('y, to starboard').fill('-14 1/2')
  await dialog.getByLabel('What goes here').fill('portlight 14')
  await dialog.getByLabel('Name').fill('Portlight, port')
  await dialog.getByRole('button', { name: 'Put CL-P14I there' }).click()
  const y = page.getByLabel('y, starboard')
  await expect(y).toHaveValue('-14 1/2')

  // What is no length is refused beside its field; a fraction is read, and undo takes it back.
  await y.fill('a foot')
  await y.blur()
  await expect(page.getByRole('alert').filter({ hasText: 'a foot' })).toBeVisible()
  await y.fill('-13 3/4')
  await y.blur()
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(y).toHaveValue('-14 1/2')
  await expect(check(page, 'pane-bead')).toContainText(/Holds|Tight|Short/)
  await saved(page)
  const port = page.url()

  await page.getByRole('button', { name: 'Twin' }).click()
  await expect(page).not.toHaveURL(port)
  await expect(page.getByLabel('Name of the fitting')).toHaveValue('Portlight, starboard')
  await expect(y).toHaveValue('14 1/2')
  await expect(check(page, 'room-pair')).toContainText('With Portlight, port it is a pair')
  await page.reload()
  await expect(y).toHaveValue('14 1/2')
  for (const side of [page.url(), port]) {
    await page.goto(side)
    await page.getByRole('button', { name: 'Record its hole' }).click()
    await expect(page.getByRole('link', { name: /In the register: P-/ })).toBeVisible()
  }
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto(port)
  await expect(page.getByText(/template/i).first()).toBeVisible()
  expect(
    await page.evaluate<number>('document.documentElement.scrollWidth - innerWidth'),
  ).toBeLessThanOrEqual(0)
})
