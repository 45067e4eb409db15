import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { CalcError, allFinite } from '../src'
import { CALCULATORS, calculatorNamed, runNamed } from '../src/chapters/registry'
import { differences } from './expectation'

interface Case {
  name: string
  input: unknown
  expect?: unknown
  expectError?: { code: string; path: string }
  tolerance?: number
}
const folder = new URL('./cases/', import.meta.url)
const files = readdirSync(folder).filter((f) => f.endsWith('.json'))

it('has worked cases for every calculator in the registry', () => {
  expect(files.map((f) => f.replace('.json', '')).sort()).toEqual(CALCULATORS.map((c) => c.name).sort())
})

for (const file of files) {
  const name = file.replace('.json', '')
  const cases = JSON.parse(readFileSync(new URL(file, folder), 'utf8')) as Case[]
  describe(name, () => {
    it.each(cases.map((c) => [c.name, c] as const))('%s', (_, c) => {
      if (c.expectError) {
        const error = (() => {
          try {
            return runNamed(name, c.input)
          } catch (e) {
            return e
          }
        })()
        expect(error).toBeInstanceOf(CalcError)
        expect({ code: (error as CalcError).code, path: (error as CalcError).path }).toEqual(c.expectError)
        expect((error as CalcError).message.length).toBeGreaterThan(10)
        return
      }
      const answer = runNamed(name, c.input)
      expect(differences(answer, c.expect, c.tolerance ?? 1e-6)).toEqual([])
      expect(allFinite(answer)).toBe(true)
      expect(calculatorNamed(name).output.safeParse(answer).error?.issues ?? []).toEqual([])
    })
  })
}
