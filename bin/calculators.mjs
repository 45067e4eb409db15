#!/usr/bin/env node
// Writes docs/calculators.md and the list of sums from the schemas; with --check only says whether they are
// current.
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { ensurePackages, root } from './lib/packages.mjs'

await ensurePackages()
const { tsImport } = await import('tsx/esm/api')
const { CALCULATORS, describeCalculators, partOf } = await tsImport(
  '../packages/core/src/chapters/registry.ts',
  import.meta.url,
)

const MOST = 1e300
const type = (s) => {
  if (!s) return 'anything'
  if (s.const !== undefined) return JSON.stringify(s.const)
  if (s.enum) return s.enum.join(' \\| ')
  if (s.anyOf || s.oneOf) return (s.anyOf ?? s.oneOf).map(type).join(' or ')
  if (s.type === 'array') return `list of ${type(s.items)}`
  if (s.type === 'object')
    return `{ ${Object.entries(s.properties ?? {})
      .map(([k]) => `${k}${s.required?.includes(k) ? '' : '?'}`)
      .join(', ')} }`
  const range = [
    s.exclusiveMinimum !== undefined && Math.abs(s.exclusiveMinimum) < MOST && `> ${s.exclusiveMinimum}`,
    s.minimum !== undefined && Math.abs(s.minimum) < 9e15 && `\u2265 ${s.minimum}`,
    s.exclusiveMaximum !== undefined && `< ${s.exclusiveMaximum}`,
    s.maximum !== undefined && Math.abs(s.maximum) < 9e15 && `\u2264 ${s.maximum}`,
  ].filter(Boolean)
  return `${s.type ?? 'anything'}${range.length ? ` ${range.join(', ')}` : ''}`
}
const table = (s) =>
  Object.entries(s.properties ?? {}).map(
    ([k, v]) =>
      `| \`${k}\` | ${type(v)} | ${v.default !== undefined ? JSON.stringify(v.default) : s.required?.includes(k) ? 'required' : 'optional'} |`,
  )
const head = ['| field | what | default |', '| --- | --- | --- |']
const branch = (s) =>
  Object.entries(s.properties ?? {})
    .filter(([, v]) => v.const !== undefined)
    .map(([k, v]) => `${k} = ${v.const}`)
    .join(', ')
const lines = [
  '# Calculators',
  '',
  'Made from the schemas by `node bin/calculators.mjs`; CI checks that it is current. Lengths mm, forces N, pressures MPa, angles degrees, unless the name says otherwise. Each runs as `npm run --silent calc -- NAME` and at `POST /api/calc/NAME`.',
  '',
]
for (const c of describeCalculators()) {
  lines.push(
    `## ${c.name}`,
    '',
    `${c.title}. Reference: chapter ${c.chapter}. Found by: ${c.words.join(', ')}.`,
    '',
    '**Input**',
    '',
  )
  const branches = c.input.oneOf ?? c.input.anyOf
  if (branches)
    for (const b of branches) lines.push(`*${branch(b) || 'one form'}*`, '', ...head, ...table(b), '')
  else lines.push(...head, ...table(c.input), '')
  lines.push(
    '**Output**',
    '',
    '| field | what |',
    '| --- | --- |',
    ...Object.entries(c.output.properties ?? {}).map(([k, v]) => `| \`${k}\` | ${type(v)} |`),
    '',
  )
}
const contents = CALCULATORS.map((c) => ({ name: c.name, title: c.title, words: c.words, part: partOf(c) }))
const made = [
  ['docs/calculators.md', lines.join('\n')],
  ['packages/core/src/chapters/contents.json', `${JSON.stringify(contents)}\n`],
]
const current = (file) => {
  try {
    return readFileSync(join(root, file), 'utf8')
  } catch {
    return ''
  }
}
if (process.argv.includes('--check')) {
  for (const [file, text] of made)
    if (current(file) !== text) {
      process.stderr.write(`${file} is not current; run node bin/calculators.mjs\n`)
      process.exit(1)
    }
} else for (const [file, text] of made) writeFileSync(join(root, file), text)
