#!/usr/bin/env node
// Compiles the solver's kernel into packages/core/src/chapters/plate/kernel-bytes.ts; with --check only says
// whether that is current.
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import asc from 'assemblyscript/asc'
import { root } from './lib/packages.mjs'

const FROM = join(root, 'packages/core/assembly/front.ts')
const TO = join(root, 'packages/core/src/chapters/plate/kernel-bytes.ts')
const LINE = 92
let wasm = null
const { error, stderr } = await asc.main(
  [
    'front.ts',
    '-O3',
    '--runtime',
    'stub',
    '--enable',
    'simd',
    '--noAssert',
    '--importMemory',
    '--outFile',
    'front.wasm',
  ],
  {
    readFile: (name) => (name === 'front.ts' ? readFileSync(FROM, 'utf8') : null),
    writeFile: (_name, bytes) => (wasm = Buffer.from(bytes)),
    listFiles: () => [],
  },
)
if (error || !wasm) {
  process.stderr.write(`${stderr}${error?.message ?? ''}\n`)
  process.exit(1)
}
const lines = wasm.toString('base64').match(new RegExp(`.{1,${LINE}}`, 'g'))
const text = `/** Compiled from assembly/front.ts by npm run kernel; ${wasm.length} bytes. */
export const KERNEL =
${lines.map((l) => `  '${l}'`).join(' +\n')}
`
if (process.argv.includes('--check')) {
  if (readFileSync(TO, 'utf8') !== text) {
    process.stderr.write('packages/core/src/chapters/plate/kernel-bytes.ts is not current: npm run kernel\n')
    process.exit(1)
  }
} else writeFileSync(TO, text)
