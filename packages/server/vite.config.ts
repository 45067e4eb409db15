import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vite'
import { spreads } from './build/spreads'

const source = (path: string) => fileURLToPath(new URL(`./src/${path}`, import.meta.url))
/** The server as it is run: compiled once, with the core, and no loader at work in it. */
export default defineConfig({
  plugins: [spreads()],
  ssr: { noExternal: [/^@north-tide\//] },
  build: {
    ssr: true,
    target: 'node20',
    minify: false,
    emptyOutDir: true,
    rollupOptions: {
      input: {
        index: source('index.ts'),
        worker: source('worker.ts'),
        manager: source('manager.ts'),
        db: source('db.ts'),
        calc: source('calc/worker.ts'),
        solver: source('solver/worker.ts'),
        pdf: source('pdf/worker.ts'),
      },
      // All at one depth: see place.ts.
      output: { entryFileNames: '[name].js', chunkFileNames: '[name]-[hash].js' },
    },
  },
})
