#!/usr/bin/env node
// npm run --silent calc -- NAME [--lines] < input.json        npm run --silent calc -- --list
import { createInterface } from 'node:readline'
import { ensurePackages } from './lib/packages.mjs'

await ensurePackages({ quiet: true })
const { tsImport } = await import('tsx/esm/api')
const { answerLine, calculatorNames } = await tsImport(
  '../packages/core/src/chapters/cli.ts',
  import.meta.url,
)

const args = process.argv.slice(2)
const name = args.find((a) => !a.startsWith('--'))
const refuse = (message) => {
  process.stdout.write(`${JSON.stringify({ error: { code: 'invalid-input', path: '', message } })}\n`)
  process.exitCode = 2
}

if (args.includes('--list')) process.stdout.write(`${calculatorNames().join('\n')}\n`)
else if (!name) refuse('Name a calculator; --list names them')
else if (args.includes('--lines')) {
  for await (const line of createInterface({ input: process.stdin, crlfDelay: Infinity }))
    if (line.trim()) process.stdout.write(`${answerLine(name, line).json}\n`)
} else {
  let text = ''
  process.stdin.setEncoding('utf8')
  for await (const part of process.stdin) text += part
  const { json, ok } = answerLine(name, text, 2)
  process.stdout.write(`${json}\n`)
  if (!ok) process.exitCode = 2
}
