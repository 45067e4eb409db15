import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'

/** Every refusal that is written out in the server and in the core: its code, and the words it is said in. */
const ROOTS = ['../src', '../../core/src'].map((p) => join(import.meta.dirname, p))
const files = ROOTS.flatMap((root) =>
  readdirSync(root, { recursive: true, encoding: 'utf8' })
    .filter((f) => f.endsWith('.ts'))
    .map((f) => join(root, f)),
)
const text = String.raw`('(?:[^'\\]|\\.)*'|\`(?:[^\`\\]|\\.)*\`)`
const CALLS = [
  new RegExp(String.raw`new ApiError\(\s*\d+,\s*${text},\s*${text}`, 'g'),
  new RegExp(String.raw`new CalcError\(\s*${text},\s*[^,]*,\s*${text}`, 'g'),
  new RegExp(String.raw`()\b(?:invalid|refuse)\(\s*[^,]*,\s*${text}`, 'g'),
]
const said = files.flatMap((file) => {
  const source = readFileSync(file, 'utf8')
  return CALLS.flatMap((call) =>
    [...source.matchAll(call)].map((m) => ({
      file: file.split('/').slice(-2).join('/'),
      code: m[1]!.slice(1, -1),
      // what is put in is said in words where it is made
      message: m[2]!.slice(1, -1).replace(/\$\{[^}]*\}/g, 'so'),
    })),
  )
})
describe('every refusal that is written out', () => {
  it('there are hundreds of them', () => expect(said.length).toBeGreaterThan(150))
  it('has a code in words', () => {
    expect(said.filter((s) => s.code && !/^[a-z]+(-[a-z]+)*$/.test(s.code))).toEqual([])
  })
  it('says what is wrong, without the name of a field', () => {
    const whole = said.filter(({ message }) => message.includes(' ') && !message.includes('${'))
    const odd = whole.filter(
      ({ message }) =>
        /\b[a-z]{2,}[a-z0-9]*[A-Z]\w*/.test(message.replace(/^\w+ is missing/, '')) ||
        /\b[a-z]{3,}\.[a-z]{3,}\b/.test(message) ||
        (message.length < 8 && message !== 'so; so'),
    )
    expect(odd).toEqual([])
  })
})
