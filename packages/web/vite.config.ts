import vue from '@vitejs/plugin-vue'
import Components from 'unplugin-vue-components/vite'
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers'
import { templateWords } from './template-words'
import { defineConfig } from 'vite'
import { VitePWA } from 'vite-plugin-pwa'

export default defineConfig({
  root: import.meta.dirname,
  plugins: [
    vue(templateWords),
    Components({ dirs: [], dts: false, resolvers: [ElementPlusResolver({ importStyle: 'css' })] }),
    VitePWA({
      strategies: 'injectManifest',
      srcDir: 'src',
      filename: 'sw.ts',
      // A page is not taken from under whoever types on it: he is told of a newer one.
      registerType: 'prompt',
      injectRegister: null,
      injectManifest: {
        globPatterns: ['**/*.{js,css,html,woff2,svg,png}'],
        maximumFileSizeToCacheInBytes: 4 * 1024 * 1024,
      },
      manifest: {
        name: 'North Tide',
        short_name: 'North Tide',
        description: 'Every hole in the boat, and its record',
        start_url: '/',
        display: 'standalone',
        background_color: '#f6f1e6',
        theme_color: '#12222f',
        icons: [
          { src: '/mark-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/mark-512.png', sizes: '512x512', type: 'image/png' },
          { src: '/mark.svg', sizes: 'any', type: 'image/svg+xml' },
        ],
      },
    }),
  ],
  resolve: {
    alias: { '@ctrl/tinycolor': `${import.meta.dirname}/src/style/no-colour.ts` },
  },
  build: { outDir: 'dist', manifest: true, emptyOutDir: true, chunkSizeWarningLimit: 900 },
  worker: { format: 'es' },
  server: { proxy: { '/api': 'http://127.0.0.1:4180' } },
})
