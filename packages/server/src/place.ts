import { fileURLToPath } from 'node:url'

/**
 * Where the product lies. This file is as deep in the tree as the compiled one, so both find the same: from
 * nowhere else is anything looked for by its place.
 */
const ROOT = new URL('../../../', import.meta.url)
export const inProduct = (path: string): string => fileURLToPath(new URL(path, ROOT))

const COMPILED = !import.meta.url.endsWith('.ts')
/** A thread's own file, and how it is begun: compiled with the server, or by the loader in tests. */
export const threadOf = (name: 'calc' | 'solver' | 'pdf') =>
  COMPILED
    ? { filename: new URL(`./${name}.js`, import.meta.url).href }
    : { filename: new URL(`./${name}/worker.ts`, import.meta.url).href, execArgv: ['--import', 'tsx'] }
