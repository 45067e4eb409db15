import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { root } from './packages.mjs'

/** What is timed of the core, compiled as the server is: its own files' `speed.ts`, `timed.ts`. */
export async function compileSpeed() {
  const { build, loadConfigFromFile } = await import('vite')
  const server = join(root, 'packages/server')
  const { config } = await loadConfigFromFile({ command: 'build', mode: 'production' }, undefined, server)
  const outDir = join(root, '.data/bench/core')
  await build({
    configFile: false,
    root,
    logLevel: 'warn',
    plugins: config.plugins,
    ssr: config.ssr,
    build: {
      ...config.build,
      outDir,
      rollupOptions: { input: { speed: join(root, 'packages/core/speed/index.ts') } },
    },
  })
  const file = join(outDir, 'speed.js')
  if (!existsSync(file)) throw new Error('what is timed of the core was not compiled')
  return file
}
