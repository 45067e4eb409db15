#!/usr/bin/env node
// Everything CI runs: lint, types, import rules, core, server and screen tests, build, the journeys in a
// browser.
import { spawn } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { ensureBuild } from './lib/build.mjs'
import { ensureChromium } from './lib/chromium.mjs'
import { dataFolder, ensurePackages, root } from './lib/packages.mjs'
import { serveFresh } from './lib/serve.mjs'

let passed = 0
let failed = 0
/** what failed, by name: said once more at the end, as whoever reads only the end wants it */
const failures = []
// Printed whatever ends the run, so that a step that cannot go on is counted too.
process.on('exit', (code) => {
  if (code !== 0 && failed === 0) failed++
  for (const words of failures) process.stdout.write(`failed: ${words}\n`)
  process.stdout.write(`${passed} passed, ${failed} failed\n`)
})
const finish = () => process.exit(failed ? 1 : 0)
const bin = (name) => join(root, 'node_modules', '.bin', name)
const run = (command, args, env = {}, hear = null) =>
  new Promise((done) => {
    const c = spawn(command, args, {
      cwd: root,
      stdio: hear ? ['ignore', 'pipe', 'pipe'] : ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, ...env },
    })
    if (hear) for (const stream of [c.stdout, c.stderr]) stream.on('data', hear)
    c.once('error', () => done(1))
    c.once('exit', (code) => done(code ?? 1))
  })
const say = (words) => process.stdout.write(`\n== ${words}\n`)
/** A step that passes or fails as one; what it prints comes when it is done, as two run side by side. */
async function step(words, command, args) {
  const printed = []
  const code = await run(command, args, {}, (piece) => printed.push(piece))
  if (code === 0) passed++
  else {
    failed++
    failures.push(words)
  }
  say(`${words}${code === 0 ? '' : ': failed'}`)
  process.stdout.write(Buffer.concat(printed))
}
/** A runner's own count, from its report; one that says nothing has failed. */
function count(report, read) {
  try {
    const [p, f, names] = read(JSON.parse(readFileSync(report, 'utf8')))
    passed += p
    failed += f
    failures.push(...names)
    return f
  } catch {
    failed++
    failures.push(`no report: ${report}`)
    return 1
  }
}

await ensurePackages()
const reports = join(dataFolder, 'reports')
rmSync(reports, { recursive: true, force: true })
mkdirSync(reports, { recursive: true })

const SCREENS = 'packages/web/tsconfig.json'
const RULED = ['packages/core/src', 'packages/server/src', 'packages/web/src', 'packages/e2e']
const STEPS = [
  ['lint', bin('eslint'), ['.', '--max-warnings', '0']],
  ['types of the screens', bin('vue-tsc'), ['-p', SCREENS]],
  ['types', bin('tsc'), ['-p', 'tsconfig.json']],
  ['format', bin('prettier'), ['--check', '.', '--log-level', 'warn']],
  ['nothing unused', bin('knip'), []],
  ['import rules', bin('depcruise'), ['--config', '.dependency-cruiser.cjs', ...RULED]],
  ['docs/calculators.md is current', process.execPath, ['bin/calculators.mjs', '--check']],
  ['the compiled kernel is current', process.execPath, ['bin/kernel.mjs', '--check']],
]
const left = STEPS.slice()
const takeNext = async () => {
  for (let next = left.shift(); next; next = left.shift()) await step(...next)
}
await Promise.all([takeNext(), takeNext()])

say('build')
ensureBuild()
passed++

say('core, server and screen tests')
const unit = join(reports, 'unit.json')
const unitCode = await run(bin('vitest'), [
  'run',
  '--reporter=default',
  '--reporter=json',
  `--outputFile=${unit}`,
])
const FIRST_OF_WHY = 300
const unitFailures = (r) =>
  r.testResults.flatMap((file) =>
    file.assertionResults
      .filter((t) => t.status === 'failed')
      .map(
        (t) =>
          `${file.name}: ${t.fullName}: ${(t.failureMessages[0] ?? '').split('\n')[0].slice(0, FIRST_OF_WHY)}`,
      ),
  )
const unitFailed = count(unit, (r) => [r.numPassedTests, r.numFailedTests, unitFailures(r)])
if (unitCode !== 0 && !unitFailed) failed++

say('journeys in the browser')
ensureChromium()
// Two products, as a file of journeys may change what another reads.
const products = await Promise.all(['e2e-postgres', 'e2e-postgres-2'].map((name) => serveFresh(name)))
const e2e = join(reports, 'e2e.json')
const e2eCode = await run(bin('playwright'), ['test', '--config', 'packages/e2e/playwright.config.ts'], {
  BASE_URL: products.map((p) => p.base).join(','),
  E2E_REPORT: e2e,
})
const specsOf = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specsOf)]
const journeyFailures = (r) =>
  r.suites
    .flatMap(specsOf)
    .filter((s) => s.tests.some((t) => t.status === 'unexpected' || t.status === 'flaky'))
    .map((s) => `${s.file}: ${s.title}`)
const e2eFailed = count(e2e, (r) => [
  r.stats.expected,
  r.stats.unexpected + r.stats.flaky,
  journeyFailures(r),
])
if (e2eCode !== 0 && !e2eFailed) failed++
await Promise.all(products.map((p) => p.stop()))
finish()
