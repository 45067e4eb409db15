import { expect, test, type Page } from '@playwright/test'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { enter } from './hands'

/** Every page prints as itself: its words are on the paper, nothing runs off it, its pages are counted. */
async function printed(page: Page): Promise<{ pages: string[]; wide: number }> {
  const bytes = await page.pdf({ format: 'A4', preferCSSPageSize: true })
  const doc = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise
  const pages: string[] = []
  let wide = -Infinity
  for (let i = 1; i <= doc.numPages; i++) {
    const sheet = await doc.getPage(i)
    const { width } = sheet.getViewport({ scale: 1 })
    const { items } = await sheet.getTextContent()
    for (const t of items)
      if ('str' in t && t.str.trim()) wide = Math.max(wide, (t.transform as number[])[4]! + t.width - width)
    pages.push(
      items
        .map((t) => ('str' in t ? t.str : ''))
        .join(' ')
        .replace(/\s+/g, ' '),
    )
  }
  await doc.destroy()
  return { pages, wide }
}

test('every page is on the paper, with the boat at its head and its pages counted', async ({ page }) => {
  await enter(page)
  const { fittings } = (await (await page.request.get('/api/boats/fulmars-reach')).json()) as {
    fittings: { id: string; name: string; kind: string }[]
  }
  const bitt = fittings.find((f) => f.name === 'Towing and mooring bitt')!
  const intake = fittings.find((f) => f.kind === 'through-hull')!
  const B = '/boat/fulmars-reach'
  const places: [string, string[]][] = [
    [B, ['Plan', 'Settle first', bitt.name]],
    [`${B}/build`, ['Foredeck']],
    [`${B}/readings`, ['Readings']],
    [`/bench/${bitt.id}`, [bitt.name, 'Verdicts', 'Core shear round the pull', 'outer skin']],
    [`/through-hulls/${intake.id}`, [intake.name, 'Verdicts']],
    ['/register/16', ['P-016', 'Fastener', 'core filled']],
    ['/stores', ['Stores']],
    ['/reference/cores', ['Cores', 'balsa']],
    ['/reference/sums/chainplate', ['Chainplate', 'Pin']],
  ]
  for (const [path, words] of places) {
    await page.goto(path)
    await expect(page.locator('main.place :is(h1, h2)').first()).toBeVisible()
    await expect(page.locator('main.place .waiting')).toHaveCount(0)
    let paper = await printed(page)
    const missing = () => ['Fulmar\u2019s Reach', ...words].filter((w) => !paper.pages.join(' ').includes(w))
    await expect
      .poll(
        async () => {
          paper = await printed(page)
          return missing()
        },
        { message: path },
      )
      .toEqual([])
    const { pages, wide } = paper
    const all = pages.join(' ')
    expect(wide, `${path}: runs off the paper by`).toBeLessThan(0)
    // What is pressed on the screen is no use on paper, and neither is the rail.
    expect(all, path).not.toContain('Sign out')
    pages.forEach((p, i) => expect(p, `${path}, page ${i + 1}`).toContain(`${i + 1} / ${pages.length}`))
  }
})
