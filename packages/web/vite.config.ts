import vue from '@vitejs/plugin-vue'
import Components from 'unplugin-vue-components/vite'
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers'
import { templateWords } from './template-words'
import { defineConfig, type InlineConfig } from 'vite'
import { VitePWA } from 'vite-plugin-pwa'
import { compression } from 'vite-plugin-compression2'
import { filesByVisit } from './build/first-visits'

/** What the pages are made of, however they are cut into files. */
const pages = (): InlineConfig => ({
  root: import.meta.dirname,
  plugins: [
    vue(templateWords),
    Components({ dirs: [], dts: false, resolvers: [ElementPlusResolver({ importStyle: 'css' })] }),
  ],
  resolve: {
    alias: { '@ctrl/tinycolor': `${import.meta.dirname}/src/style/no-colour.ts` },
  },
  build: { cssCodeSplit: false, chunkSizeWarningLimit: 900 },
  worker: { format: 'es' },
})
const PACKED = /\.(js|css|svg)$/
const offline = () =>
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
  })

export default defineConfig(async ({ command }) => {
  const given = pages()
  const name = command === 'build' ? await filesByVisit(pages()) : null
  return {
    ...given,
    // Packed once, when it is built: what is served is read from the disk as it goes over the line.
    plugins: [given.plugins, compression({ include: PACKED, threshold: 500 }), offline()],
    build: {
      ...given.build,
      outDir: 'dist',
      manifest: true,
      emptyOutDir: true,
      ...(name && {
        rolldownOptions: {
          output: { codeSplitting: { includeDependenciesRecursively: false, groups: [{ name }] } },
        },
      }),
    },
    server: { proxy: { '/api': 'http://127.0.0.1:4180' } },
  }
})
