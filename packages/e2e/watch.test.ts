import { expect, test } from '@playwright/test'
import { enter } from './hands'

test('who goes round sees what is due, writes a look down, and reads what to shut and what keeps her ashore', async ({
  page,
}) => {
  await enter(page)
  await page.keyboard.press('Alt+6')
  await expect(page.getByRole('heading', { name: 'Watch', exact: true })).toBeVisible()
  const due = page.getByRole('table', { name: 'Looks that are due' })
  await expect(due.getByRole('row').nth(1)).toBeVisible()
  const done = due.getByRole('button', { name: /^Open and shut the valve at .*: done$/ }).first()
  const what = (await done.getAttribute('aria-label'))!
  const row = due.getByRole('row').filter({ has: page.getByRole('button', { name: what, exact: true }) })
  await expect(row).toContainText(/late|never on record/)
  await done.click()
  const status = page.getByRole('status')
  await expect(status).toContainText('open and shut the valve is on record')
  // Due again in a month, and late no more.
  await expect(row).not.toContainText(/late|never on record/)
  // The next with what it looked like: the picture is kept at the fitting, by the look's name and day.
  const withPhoto = due.getByRole('button', { name: /: done, with a photo$/ }).first()
  const look = (await withPhoto.textContent())!.replace(/^Photo: /, '').replace(': done, with a photo', '')
  const picture = await page.screenshot({ clip: { x: 0, y: 0, width: 80, height: 60 } })
  const saidBefore = (await status.textContent())!
  const [chooser] = await Promise.all([page.waitForEvent('filechooser'), withPhoto.click()])
  await chooser.setFiles({ name: 'look.png', mimeType: 'image/png', buffer: picture })
  const captions = () =>
    page.evaluate(async () => {
      const all = (await (await fetch('/api/boats/fulmars-reach/photos')).json()) as {
        subject: string
        caption: string
      }[]
      return all.filter((p) => p.subject === 'fitting').map((p) => p.caption)
    })
  await expect.poll(async () => (await captions()).at(-1) ?? '').toContain(look.split(' at ')[0])
  // What it says moves what stands under it: nothing is pressed there before.
  await expect(status).not.toHaveText(saidBefore)
  await page.getByText('On leaving', { exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Shut before leaving her' })).toBeVisible()
  const shut = page.getByRole('list', { name: 'Shut before leaving her' })
  const press = shut.getByRole('button', { name: / is shut$/ }).first()
  const valve = (await press.getAttribute('aria-label'))!.replace(' is shut', '')
  await press.click()
  await expect(page.getByRole('list', { name: 'Shut', exact: true })).toContainText(valve)
  await expect(shut.getByText(valve)).toHaveCount(0)
  await page.getByText('All boats', { exact: true }).click()
  await expect(page.getByRole('table', { name: 'Looks at all boats' }).getByRole('row').nth(2)).toBeVisible()
  await page.getByText('Before launch', { exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Do not launch her' })).toBeVisible()
})

test('a look that found it not in order is said in words, and the thing is suspect from then on', async ({
  page,
}) => {
  await enter(page)
  await page.goto('/watch')
  const due = page.getByRole('table', { name: 'Looks that are due' })
  const no = due.getByRole('button', { name: /^Look at its bedding at .*: not in order$/ }).first()
  const name = /^Look at its bedding at (.*): not in order$/.exec((await no.getAttribute('aria-label'))!)![1]!
  await no.click()
  const form = page.getByRole('form', { name: 'Not in order' })
  await expect(form.getByRole('button', { name: 'It is suspect' })).toBeDisabled()
  const words = form.getByLabel(/what was seen/)
  await words.fill('bead torn along the after edge')
  // Refused: it is said beside what was typed, which stays.
  const message = 'It stands on a boat that is locked'
  await page.route(
    '**/suspect',
    (r) => r.fulfill({ status: 409, json: { error: { code: 'conflict', path: '', message } } }),
    { times: 1 },
  )
  await page.keyboard.press('Enter')
  await expect(form.getByRole('alert')).toHaveText(message)
  await expect(words).toHaveValue('bead torn along the after edge')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('status')).toContainText(
    `${name} is suspect now: bead torn along the after edge`,
  )
  await expect(due.getByRole('row', { name: new RegExp(`Suspect: settle it ${name}`) }).first()).toBeVisible()

  // Without a line it waits: the form is done with it, and cannot write it a second time.
  await due
    .getByRole('button', { name: /: not in order$/ })
    .first()
    .click()
  await words.fill('weeps at the clip')
  await page.route('**/suspect', (r) => r.abort())
  await page.keyboard.press('Enter')
  await expect(form).toBeHidden()
  await expect(page.getByRole('status').filter({ hasText: /waits/ }).first()).toBeVisible()
})
