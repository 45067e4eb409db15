import type { Entry } from '../kind'
import type { ClosureFamily } from './families'

/** Nothing is bought by its number: what a job begins as. */
export interface ClosureEntry extends Entry {
  maker: string
  units: 'metric' | 'inch'
  family: ClosureFamily
  holeMm: number
}
const begin = (id: string, title: string, family: ClosureFamily, holeMm: number): ClosureEntry => ({
  id,
  title,
  family,
  holeMm,
  maker: '',
  units: 'metric',
})
export const CLOSURE_CATALOGUE: ClosureEntry[] = [
  begin('CX-1', 'Close an old hole', 'hole', 12),
  begin('CX-N', 'Close several old holes as one job', 'holes', 8),
  begin('CX-J', 'Seal a hull\u2013deck joint from inside', 'joint', 0),
  begin('CX-B', 'Make a pad, wedge or blank', 'block', 0),
  begin('CX-T', 'Close a torn or oval hole', 'torn', 30),
]
