import vue from '@vitejs/plugin-vue'
import Components from 'unplugin-vue-components/vite'
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers'
import { templateWords } from './packages/web/template-words'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    // Every file of the server's tests has a database of its own, so that files can run side by side.
    maxWorkers: 2,
    // What of the core's branches no test goes down: npm run coverage, which fails under nine tenths.
    coverage: {
      provider: 'v8',
      include: ['packages/core/src/**'],
      exclude: ['packages/core/src/chapters/cli.ts', 'packages/core/src/chapters/examples.ts'],
      reporter: ['text-summary', 'json-summary'],
      reportsDirectory: '.data/coverage',
      thresholds: { branches: 90 },
    },
    projects: [
      {
        test: {
          name: 'core',
          include: ['packages/core/test/**/*.test.ts'],
          // The core keeps nothing between calls: its files share what they import, read once a worker.
          isolate: false,
          testTimeout: 180_000,
        },
      },
      {
        test: {
          name: 'server',
          include: ['packages/server/test/**/*.test.ts'],
          // Each file starts a server of its own; what is read and compiled for it is read once a worker.
          isolate: false,
          globalSetup: ['packages/server/test/global-setup.ts'],
          // What waits, waits for a condition: patience ends for what hangs, not on a slow machine.
          testTimeout: 240_000,
          hookTimeout: 240_000,
        },
      },
      {
        plugins: [
          vue(templateWords),
          Components({ dirs: [], dts: false, resolvers: [ElementPlusResolver({ importStyle: false })] }),
        ],
        test: {
          name: 'web',
          include: ['packages/web/test/**/*.test.ts'],
          environment: 'happy-dom',
          server: { deps: { inline: ['element-plus'] } },
          testTimeout: 240_000,
          hookTimeout: 240_000,
        },
      },
    ],
  },
})
