import { SEALANTS } from '@north-tide/core'
import type { Option } from '../../pieces/given-fields'

export const above = true
export const least = 0
export const asOptions = (o: Record<string, string>): Option[] =>
  Object.entries(o).map(([value, title]) => ({ value, title }))
export const words = (ids: readonly string[]): Option[] =>
  ids.map((value) => ({ value, title: value.replace('-', ' ') }))
export const SEALANT_CHOICES: Option[] = [
  { value: '', title: 'not chosen' },
  ...Object.entries(SEALANTS).map(([value, s]) => ({ value, title: s.title })),
]
